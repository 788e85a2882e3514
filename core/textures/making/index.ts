/** Making: pictures from patterns, tones and a seed, the same ones every time. */
export { amountIn, amountsOf, framesOf, makePicture } from './make.ts';
export { finishes } from './finish.ts';
export { patterns } from './patterns/all.ts';
export { usualRecipe } from './usual-recipe.ts';
export type { Amount, Pattern } from './pattern.ts';
