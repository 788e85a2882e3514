import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { patternNames, type Made } from '../../mod/entries.schema.ts';
import { hexOf } from '../facts/index.ts';
import { framesIn } from '../frames/index.ts';
import { colourAt } from '../painting/index.ts';
import { maxPictureSide, type Pixels } from '../png.ts';
import { amountsOf, framesOf, makePicture, patterns, usualRecipe } from './index.ts';
import { movingNoise, noise, scattered, wayRound } from './noise.ts';

const place = fc.double({ min: -2, max: 2, noNaN: true });
const seed = fc.nat(999_999);
const cells = fc.integer({ min: 1, max: 9 });
/** A recipe with any amounts, those that nobody knows of included. */
const anyRecipe = fc
  .record({
    pattern: fc.constantFrom(...patternNames),
    texels: fc.constantFrom(4, 7, 8, 16, 24),
    seed,
    share: fc.double({ min: 0, max: 1, noNaN: true }),
  })
  .map(({ share, ...rest }): Made => ({
    ...usualRecipe(rest.pattern, rest.texels, rest.seed),
    amounts: Object.fromEntries([
      ...amountsOf(rest).map(({ name, least, most, step }): [string, number] => [
        name,
        least + Math.round(((most - least) * share) / step) * step,
      ]),
      ['surely_none', share * 1000],
    ]),
  }));
const coloursOf = ({ data }: Pixels) => {
  const found = new Set<string>();
  for (let at = 0; at < data.length; at += 4)
    if (data[at + 3]! > 0) found.add(hexOf([data[at]!, data[at + 1]!, data[at + 2]!, 255]));
  return [...found];
};
const flat = (colour: readonly number[], side: number): Pixels => ({
  width: side,
  height: side,
  data: Uint8Array.from(Array.from({ length: side * side }, () => colour).flat()),
});

describe('noise', () => {
  test('goes round without a step, in both ways and in time, and stays from -1 to 1', () => {
    fc.assert(
      fc.property(place, place, place, cells, cells, seed, (x, y, time, across, down, from) => {
        const at = movingNoise(across, down, 4, from);
        expect(Math.abs(at(x, y, time))).toBeLessThanOrEqual(1);
        expect(at(x + 1, y, time)).toBeCloseTo(at(x, y, time), 6);
        expect(at(x, y - 1, time)).toBeCloseTo(at(x, y, time), 6);
        expect(at(x, y, time + 1)).toBeCloseTo(at(x, y, time), 6);
      }),
    );
  });

  test('has on its lattice the values that it is made of, and lies between them elsewhere', () => {
    const at = noise(4, 4, 7);
    const [one, next] = [at(0, 0), at(0.25, 0)];
    expect(at(0.125, 0)).toBeCloseTo((one + next) / 2, 9);
    expect(noise(4, 4, 8)(0, 0)).not.toBe(one);
  });

  test('scattered points: the nearest is no farther than the next, and they go round', () => {
    fc.assert(
      fc.property(place, place, fc.integer({ min: 2, max: 6 }), seed, (x, y, many, from) => {
        const at = scattered(many, from);
        const here = at(x, y);
        expect(here.nearest).toBeLessThanOrEqual(here.next);
        // A cell is as wide as one: none is farther from a point than its diagonal.
        expect(here.nearest).toBeLessThanOrEqual(Math.SQRT2);
        expect(at(x + 1, y - 1).nearest).toBeCloseTo(here.nearest, 6);
      }),
    );
  });

  test('the way round is never longer than half of it', () => {
    fc.assert(
      fc.property(place, place, (from, to) => {
        const way = wayRound(from, to);
        expect(Math.abs(way)).toBeLessThanOrEqual(0.5);
        expect(Math.abs(Math.round(from + way - to) - (from + way - to))).toBeLessThan(1e-9);
      }),
    );
    expect(wayRound(0.9, 0.1)).toBeCloseTo(0.2);
  });
});

describe('a made picture', () => {
  test('is the same every time, of the size that is asked, whatever the amounts', () => {
    fc.assert(
      fc.property(anyRecipe, (made) => {
        const picture = makePicture(made);
        expect(picture.width).toBe(made.texels);
        expect(picture.height).toBe(made.texels * framesOf(made));
        expect(picture.data).toHaveLength(picture.width * picture.height * 4);
        expect(makePicture(made)).toEqual(picture);
      }),
      { numRuns: 60 },
    );
  });

  test.each(patternNames.filter((name) => !patterns[name].isLaidOn))(
    '%s has no other colours than its tones, and another seed is another picture',
    (name) => {
      const made = usualRecipe(name, 16, 3);
      const picture = makePicture(made);
      expect(coloursOf(picture).filter((colour) => !made.tones.includes(colour))).toEqual([]);
      expect(coloursOf(picture).length).toBeGreaterThan(2);
      if (name === 'brick' || name === 'pane' || name === 'cloth') return;
      expect(makePicture({ ...made, seed: 4 })).not.toEqual(picture);
    },
  );

  test.each(patternNames.filter((name) => name !== 'pane'))('%s tiles by construction', (name) => {
    const { draw } = patterns[name];
    const usual = new Map(amountsOf({ pattern: name }).map((one) => [one.name, one.usual]));
    // Chances of single texels have no neighbours to fit to.
    for (const chance of ['grain', 'uneven', 'glitter', 'ragged']) usual.set(chance, 0);
    const at = draw({ texels: 16, seed: 9, amount: (one) => usual.get(one) ?? 0 });
    const shown = (x: number, y: number) =>
      Object.values(at(x, y, 0)).map((value) => Math.round(value * 1e6));
    for (let i = 0; i < 16; i += 1) {
      expect(shown(16, i)).toEqual(shown(0, i));
      expect(shown(i, 16)).toEqual(shown(i, 0));
    }
  });

  test.each(['liquid', 'stream'] as const)('the frames of a %s lead into each other', (name) => {
    const made = { ...usualRecipe(name, 16, 5), amounts: { frames: 16 } };
    const frames = framesIn(makePicture(made), 16);
    expect(frames).toHaveLength(16);
    const step = (a: Pixels, b: Pixels) => a.data.filter((byte, i) => byte !== b.data[i]).length;
    const inside = frames.slice(1).map((frame, i) => step(frames[i]!, frame));
    // From the last to the first it is no farther than from any to the next.
    expect(step(frames.at(-1)!, frames[0]!)).toBeLessThanOrEqual(Math.max(...inside) * 1.3);
    expect(Math.min(...inside)).toBeGreaterThan(0);
  });

  test('a strip is never higher than a picture can be', () => {
    const made = { ...usualRecipe('liquid', 256, 1), amounts: { frames: 32 } };
    expect(framesOf(made) * made.texels).toBeLessThanOrEqual(maxPictureSide);
  });
});

describe('ore', () => {
  const ore = (amounts: Record<string, number>): Made => ({
    ...usualRecipe('specks', 16, 11),
    amounts: { rim: 0, ...amounts },
  });
  const host = flat([10, 20, 30, 255], 16);

  test.each([0, 0.1, 0.3, 0.5, 1])('covers as much as is asked: %d', (many) => {
    const picture = makePicture(ore({ many }), host);
    const covered = Array.from({ length: 256 }, (_, i) => i).filter(
      (i) => picture.data[i * 4] !== 10,
    );
    expect(Math.abs(covered.length - many * 256)).toBeLessThanOrEqual(1);
  });

  test('leaves the rock around it as it is, and darkens it along the rim', () => {
    const around = makePicture(ore({ many: 0.2 }), host);
    expect(coloursOf(around)).toContain('#0a141e');
    const rimmed = coloursOf(makePicture(ore({ many: 0.2, rim: 1 }), host));
    expect(rimmed).toContain('#050a0f');
  });

  test('lies on a picture of any size; without one the rock is grey', () => {
    const large = flat([1, 2, 3, 255], 64);
    expect(coloursOf(makePicture(ore({ many: 0 }), large))).toEqual(['#010203']);
    const strip = { width: 8, height: 32, data: flat([9, 9, 9, 255], 16).data };
    expect(coloursOf(makePicture(ore({ many: 0 }), strip))).toEqual(['#090909']);
    expect(coloursOf(makePicture(ore({ many: 0 })))).toEqual(['#808080']);
  });
});

test('a bevel is lit from the upper left and dark at the lower right', () => {
  const made: Made = {
    ...usualRecipe('stone', 16, 1),
    tones: ['#000000', '#808080', '#ffffff'],
    amounts: { depth: 0, grain: 0, cracks: 0, bevel: 1 },
  };
  const picture = makePicture(made);
  expect(hexOf(colourAt(picture, [0, 5]))).toBe('#ffffff');
  expect(hexOf(colourAt(picture, [5, 0]))).toBe('#ffffff');
  expect(hexOf(colourAt(picture, [15, 5]))).toBe('#000000');
  expect(hexOf(colourAt(picture, [5, 15]))).toBe('#000000');
  expect(hexOf(colourAt(picture, [8, 8]))).toBe('#808080');
  // Where the light and the dark side meet, it is neither.
  expect(hexOf(colourAt(picture, [15, 0]))).toBe('#808080');
});
