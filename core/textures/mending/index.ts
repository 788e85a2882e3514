/** Mending pictures themselves: what is wrong with their texels is put right there. */
export {
  mendedStrip,
  mendPicture,
  mendWays,
  powerOfTwoNear,
  type Mending,
} from './mend-picture.ts';
