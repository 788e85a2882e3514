/** Forms of blocks: how a block is built, placed and shown, whatever it is made of. */
export {
  lootOfForm,
  pictureRoles,
  rolesOf,
  type Form,
  type FormModel,
  type PictureRole,
} from './form.ts';
export { formNamed, forms } from './forms.ts';
export { isFoundAtFirst, newBlock, type BlockStart } from './new-block.ts';
export { ofTwoHalves } from './answers.ts';
export { newLook, newLookProblem } from './new-look.ts';
export { rolePicture } from './pictures.ts';
export { changeForm, formOf, keptPictures, lostByForm, missingRoles } from './change-form.ts';
export { scaledShapes } from './made.ts';
export type { RolePicture, RolePictures } from './made.ts';
