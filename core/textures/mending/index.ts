/** Mending pictures themselves: what is wrong with their texels is put right there. */
export { mendedStrip, mendPicture, powerOfTwoNear, type Mending } from './mend-picture.ts';
