import type { Made } from '../../mod/entries.schema.ts';
import { colourFromHex } from '../facts/index.ts';
import type { Colour } from '../painting/index.ts';
import { maxPictureSide, type Pixels } from '../png.ts';
import { finish, finishes } from './finish.ts';
import type { Amount, Dab, Drawing } from './pattern.ts';
import { patterns } from './patterns/all.ts';

/** What is asked for of an amount, or what is usual, within its bounds. */
export function amountIn(
  made: Pick<Made, 'amounts'>,
  { name, usual, least, most }: Amount,
): number {
  const asked = Object.hasOwn(made.amounts, name) ? made.amounts[name] : undefined;
  return Math.max(least, Math.min(most, asked ?? usual));
}

/** The amount that says how many frames there are, of a pattern that moves. */
export const framesAmount = (usual: number): Amount => ({
  name: 'frames',
  title: 'Frames',
  least: 1,
  most: 32,
  step: 1,
  usual,
});

/** Everything that one may have more or less of in a pattern, the finish last. */
export const amountsOf = ({ pattern }: Pick<Made, 'pattern'>): readonly Amount[] => {
  const { amounts, frames } = patterns[pattern];
  return [...amounts, ...(frames === undefined ? [] : [framesAmount(frames)]), ...finishes];
};

/** How many frames what is made has. */
export function framesOf(made: Pick<Made, 'pattern' | 'amounts' | 'texels'>): number {
  const { frames } = patterns[made.pattern];
  const most = Math.floor(maxPictureSide / made.texels);
  return frames === undefined ? 1 : Math.min(most, amountIn(made, framesAmount(frames)));
}

/**
 * The picture that a recipe makes: always the same one, a strip where it moves. What is laid on
 * another picture shows grey where that is not given.
 *
 * @example makePicture({ pattern: 'stone', texels: 16, seed: 7, tones: ['#555555', '#888888'], amounts: {} })
 */
export function makePicture(made: Made, below?: Pixels): Pixels {
  const { texels, tones, seed } = made;
  const pattern = patterns[made.pattern];
  const amounts = new Map(amountsOf(made).map((one) => [one.name, amountIn(made, one)]));
  const drawing: Drawing = { texels, seed, amount: (name) => amounts.get(name) ?? 0 };
  const draw = pattern.draw(drawing);
  const added = finish(drawing);
  const ramp = tones.map((tone) => colourFromHex(tone) ?? grey);
  const frames = framesOf(made);
  const data = new Uint8Array(texels * texels * frames * 4);
  let at = 0;
  for (let frame = 0; frame < frames; frame += 1)
    for (let y = 0; y < texels; y += 1)
      for (let x = 0; x < texels; x += 1) {
        const dab = draw(x, y, frame / frames);
        data.set(
          colourOf(dab, added(x, y), ramp, () => belowAt(below, x, y, texels)),
          at,
        );
        at += 4;
      }
  return { width: texels, height: texels * frames, data };
}

const grey: Colour = [128, 128, 128, 255];
const none: Colour = [0, 0, 0, 0];

function colourOf(
  dab: Dab,
  added: number,
  ramp: readonly Colour[],
  colourBelow: () => Colour,
): Colour {
  if (dab.below !== undefined) return shaded(colourBelow(), dab.below + added * 0.5);
  const { tone, alpha = 255 } = dab;
  if (alpha === 0) return none;
  const step = Math.round((tone + added) * (ramp.length - 1));
  const [red, green, blue] = ramp[Math.max(0, Math.min(ramp.length - 1, step))] ?? grey;
  return [red, green, blue, alpha];
}

/** A colour lighter or darker by a share. */
const shaded = ([red, green, blue, alpha]: Colour, by: number): Colour => {
  const part = (byte: number) => Math.max(0, Math.min(255, Math.round(byte * (1 + by))));
  return by === 0 ? [red, green, blue, alpha] : [part(red), part(green), part(blue), alpha];
};

/** The colour of the first frame of what lies below, however large its texels are. */
function belowAt(below: Pixels | undefined, x: number, y: number, texels: number): Colour {
  if (!below) return grey;
  const side = Math.min(below.width, below.height);
  const [fromX, fromY] = [Math.floor((x * below.width) / texels), Math.floor((y * side) / texels)];
  const at = (fromY * below.width + fromX) * 4;
  const [red = 0, green = 0, blue = 0, alpha = 0] = below.data.subarray(at, at + 4);
  return [red, green, blue, alpha];
}
