/** Strips: their frames, the order in which they show, and how they flash. */
export { flashesIn, luminanceOf, mostFlashes } from './flashes.ts';
export {
  framesIn,
  isPlainOrder,
  orderOf,
  orderWithout,
  runsOf,
  stripOf,
  type Run,
} from './strip.ts';
