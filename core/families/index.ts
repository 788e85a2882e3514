/** Families: one declaration spread over materials and forms, each pair a block or an item. */
export { keyOf, pictureOf, stockOf, templateOf, type CellPlace, type MadeCell } from './cell.ts';
export {
  changeFamily,
  consequenceOf,
  type FamilyConsequence,
  type Renamed,
} from './change-family.ts';
export { declaredChanges, putCell } from './declared-changes.ts';
export { applyDifferences, differencesOf, idleDifferences } from './differences.ts';
export {
  expandFamilies,
  expansionOf,
  flattened,
  isMadeKind,
  madeAt,
  ownerOf,
  type FamilyProblem,
  type Owned,
} from './expand.ts';
export { cellAt, isIn, nameOfCell, titledBy, titlesOfCell } from './names.ts';
export {
  isAsMade,
  isBehind,
  missingPictures,
  picturesBehind,
  rolesOfForm,
  tonedPictures,
  type MissingPicture,
  type TonedPicture,
} from './pictures.ts';
export { shippedForm, shippedForms, type ShippedForm } from './shipped/index.ts';
export { gatherFamily } from './gather/gather.ts';
export { proposeFamily, type Grid } from './gather/propose.ts';
export { formFromThing } from './gather/take-in.ts';
export {
  editFamily,
  formTitle,
  leaveFamily,
  newFamily,
  partNameProblem,
  plainMaterial,
  takeFamilyApart,
  withCell,
  withForm,
  withMaterial,
  withoutPart,
  withPart,
  withPartRenamed,
} from './acts.ts';
export { canLiftToForm, liftToForm, liftToMaterial, traitOfDifference } from './lift.ts';
export { givenAt, givenValue } from './cell-given.ts';
