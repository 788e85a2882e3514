import type { Made } from '../../../../core/mod/index.ts';
import type { Pixels } from '../../../../core/textures/index.ts';
import { makePicture, usualRecipe } from '../../../../core/textures/making/index.ts';
import { wholeOf } from '../../../../core/textures/painting/index.ts';
import { Frame } from '../flat-picture.tsx';

const made = new Map<Made['pattern'], Pixels>();
/** Of this size and this seed a pattern shows what it is. */
const [texels, seed] = [16, 5];

/** A pattern as it is at first; of one that moves, a frame. */
function pictureOf(name: Made['pattern']): Pixels {
  const before = made.get(name);
  if (before) return before;
  const below = name === 'specks' ? pictureOf('stone') : undefined;
  const recipe = { ...usualRecipe(name, texels, seed), amounts: { frames: 1 } };
  const pixels = makePicture(recipe, below);
  made.set(name, pixels);
  return pixels;
}

/** A pattern drawn small. */
export function PatternThumb({ name }: { name: Made['pattern'] }) {
  const pixels = pictureOf(name);
  return <Frame pixels={pixels} area={wholeOf(pixels)} />;
}
