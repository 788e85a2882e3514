import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { itemAt } from '../../lists/index.ts';
import { applyChanges, emptyMod, type Box } from '../../mod/index.ts';
import { sides } from '../../space/index.ts';
import type { Pixels } from '../../textures/index.ts';
import { sized, again } from '../index.ts';
import { modelQuads, resolveModel } from '../index.ts';
import { bakeUnwrapped, paintingTemplate } from './bake.ts';
import { tooNear, type Rectangle } from './free-places.ts';
import { sheetSlot, sidesWithoutPlace } from './sheet.ts';
import { placesShownBy } from './shown-places.ts';
import { unwrapModel } from './unwrap-model.ts';
import { unwrapBoxes } from './unwrap.ts';

const whole = (min: number, max: number) => fc.integer({ min, max });
const box: fc.Arbitrary<Box> = fc.record({
  at: fc.tuple(whole(0, 8), whole(0, 8), whole(0, 8)),
  size: fc.tuple(
    whole(0, 12),
    whole(1, 12),
    whole(1, 24).map((half) => half / 2),
  ),
  sides: fc.record(Object.fromEntries(sides.map((side) => [side, fc.constant({ slot: 'skin' })])), {
    requiredKeys: ['front'],
  }),
});
const boxes = fc.array(box, { minLength: 1, maxLength: 12 });
const options = { slot: 'skin', texels: 16, most: 512 };

/** Where every side lies, in whole texels. */
const placesOf = (all: readonly Box[]): (Rectangle & { key: string })[] =>
  all.flatMap((one, i) =>
    sides.flatMap((side) => {
      const crop = one.sides[side]?.crop;
      if (!crop) return [];
      const [left, top, width, height] = crop;
      return [
        {
          key: `${i} ${side}`,
          left,
          top,
          width: Math.max(1, Math.ceil(width)),
          height: Math.max(1, Math.ceil(height)),
        },
      ];
    }),
  );

/** Each place inside the picture, and a margin between any two. */
function expectApart(places: readonly Rectangle[], width: number, height: number): void {
  const outside = places.filter(
    (one) =>
      one.left < 0 || one.top < 0 || one.left + one.width > width || one.top + one.height > height,
  );
  const near = places.flatMap((one, i) =>
    places
      .slice(i + 1)
      .filter((other) => tooNear(one, other))
      .map((other) => [one, other]),
  );
  expect({ outside, near }).toEqual({ outside: [], near: [] });
}

const wall = (wide: number): Box => ({
  at: [0, 0, 0],
  size: [wide, 4, 1],
  sides: { front: { slot: 'wood' }, top: { slot: 'wood' } },
});

/** How large a side of a box is. */
function sidesOf({ size: [x, y, z] }: Box, side: (typeof sides)[number]): string {
  if (side === 'front' || side === 'back') return `${x} ${y}`;
  return side === 'left' || side === 'right' ? `${z} ${y}` : `${x} ${z}`;
}

test('places are too near where less than a texel is free between them', () => {
  const one = { left: 4, top: 4, width: 4, height: 4 };
  const beside = (left: number, top: number) => tooNear(one, { ...one, left, top });
  expect([beside(8, 4), beside(0, 4), beside(4, 8), beside(4, 0), beside(5, 5)]).toEqual([
    true,
    true,
    true,
    true,
    true,
  ]);
  expect([beside(9, 4), beside(-1, 4), beside(4, 9), beside(4, -1)]).toEqual([
    false,
    false,
    false,
    false,
  ]);
});

describe('a place of its own for every side', () => {
  test('no two overlap, margins hold, and a side has as many texels as it is large', () => {
    fc.assert(
      fc.property(boxes, (all) => {
        const { boxes: made, width, height } = unwrapBoxes(all, options);
        const places = placesOf(made);
        expect(places).toHaveLength(all.flatMap((one) => Object.keys(one.sides)).length);
        expectApart(places, width, height);
        const front = itemAt(made, 0).sides.front?.crop;
        const [w, h] = itemAt(all, 0).size;
        expect(front?.slice(2)).toEqual([Math.max(w, 0.001), h]);
      }),
    );
  });

  test('unwrapped again nothing moves', () => {
    fc.assert(
      fc.property(boxes, (all) => {
        const once = unwrapBoxes(all, options);
        const twice = unwrapBoxes(once.boxes, { ...options, least: once });
        expect(twice).toEqual({ ...once, moved: 0 });
      }),
    );
  });

  test('a change to one box moves no side of another', () => {
    fc.assert(
      fc.property(
        boxes,
        whole(0, 100),
        fc.constantFrom(...sides),
        whole(-6, 12),
        fc.constantFrom('follows' as const, 'stretches' as const),
        (all, pick, side, by, way) => {
          const chosen = pick % all.length;
          const once = unwrapBoxes(all, options);
          const grown = sized(once.boxes, new Set([chosen]), side, by, way);
          const after = unwrapBoxes(grown, { ...options, least: once, before: once.boxes });
          expectApart(placesOf(after.boxes), after.width, after.height);
          once.boxes.forEach((one, i) => {
            if (i !== chosen) expect(after.boxes[i]).toEqual(one);
          });
        },
      ),
    );
  });

  test('a copy of a box gets places of its own; the original keeps its places', () => {
    fc.assert(
      fc.property(boxes, (all) => {
        const once = unwrapBoxes(all, options);
        const more = again(once.boxes, new Set([0]), [1, 0, 0]).boxes;
        const after = unwrapBoxes(more, { ...options, least: once });
        expect(after.boxes.slice(0, all.length)).toEqual(once.boxes);
        expectApart(placesOf(after.boxes), after.width, after.height);
      }),
    );
  });

  test('what another model shows of the picture is left to it', () => {
    fc.assert(
      fc.property(boxes, boxes, (all, others) => {
        const other = unwrapBoxes(others, options);
        const models = {
          one: { boxes: all, slots: { skin: 'm:skin' } },
          other: { boxes: other.boxes, slots: { skin: 'm:skin' } },
        };
        const taken = placesShownBy({ ...emptyMod('m', 'M'), models }, 'm:skin', 'one');
        expect(taken).toHaveLength(placesOf(other.boxes).length);
        const made = unwrapBoxes(all, { ...options, least: other, taken });
        expectApart(placesOf([...other.boxes, ...made.boxes]), made.width, made.height);
      }),
    );
  });

  test('what has no place of its own is counted: all at first, none once unwrapped', () => {
    fc.assert(
      fc.property(boxes, fc.constantFrom(...sides), whole(1, 6), (all, side, by) => {
        const many = all.flatMap((one) => Object.keys(one.sides)).length;
        expect(sidesWithoutPlace(all, 'skin', 16)).toBe(many);
        const flat = all.some(({ size }) => size.includes(0));
        const once = unwrapBoxes(all, options).boxes;
        if (!flat) expect(sidesWithoutPlace(once, 'skin', 16)).toBe(0);
        expect(sheetSlot(once)).toBe('skin');
        // What has grown needs another place, and unwrapping again is offered.
        const grown = sized(once, new Set([0]), side, by, 'stretches');
        const [before, after] = [once, grown].map((one) => sidesWithoutPlace(one, 'skin', 16));
        const isWider = sides.some((one) => {
          const crop = grown[0]?.sides[one]?.crop;
          return crop !== undefined && sidesOf(grown[0]!, one) !== sidesOf(once[0]!, one);
        });
        if (isWider && !flat) expect(after).toBeGreaterThan(before!);
      }),
    );
    expect(sheetSlot([])).toBe('skin');
    expect(sheetSlot([{ ...wall(4), sides: { front: { slot: 'skin' } } }])).toBe('skin_2');
  });

  test('a picture that would be too large is refused in a sentence', () => {
    const wall: Box = { at: [0, 0, 0], size: [40, 16, 16], sides: { front: { slot: 'skin' } } };
    expect(() => unwrapBoxes([wall], { ...options, most: 32 })).toThrow(
      'It needs a picture larger than 32 × 32 texels.',
    );
  });
});

describe('the picture of what was unwrapped', () => {
  /** A picture in which every texel has a colour of its own. */
  const numbered = {
    width: 16,
    height: 16,
    data: Uint8Array.from({ length: 16 * 16 * 4 }, (_, i) =>
      i % 4 === 3 ? 255 : i % 4 === 0 ? (i >> 2) % 16 : i % 4 === 1 ? i >> 6 : 7,
    ),
  };
  const shownAt = (all: readonly Box[], width: number, height: number) =>
    modelQuads(
      resolveModel({ boxes: [...all], slots: { skin: 'm:skin' } }, () => undefined, 16),
      16,
      () => ({ width, height }),
    );
  const bake = (all: readonly Box[]) => {
    const after = unwrapBoxes(all, options);
    const before = resolveModel(
      { boxes: [...all], slots: { skin: 'm:skin' } },
      () => undefined,
      16,
    );
    const pixels = bakeUnwrapped({
      before,
      after,
      texels: 16,
      sizeOf: () => numbered,
      pixelsOf: () => numbered,
    });
    return { after, pixels };
  };

  test('every texel of every side shows what it showed', () => {
    const inside: fc.Arbitrary<Box> = box.filter(
      ({ at, size }) =>
        at.every((low, axis) => low + itemAt(size, axis) <= 16) &&
        size.every((length) => length > 0 && length % 1 === 0),
    );
    fc.assert(
      fc.property(fc.array(inside, { minLength: 1, maxLength: 5 }), (all) => {
        const { after, pixels } = bake(all);
        const lying = shownAt(after.boxes, after.width, after.height);
        const wrong = shownAt(all, 16, 16).flatMap((quad, i) => {
          // Somewhere on the side that is in the middle of a texel.
          const at = (uv: (typeof quad)['uv'], { width, height, data }: Pixels) => {
            const [u, v] = [0, 1].map(
              (n) => itemAt(uv, 0)[n as 0] * 0.98 + itemAt(uv, 2)[n as 0] * 0.02,
            ) as [number, number];
            const x = Math.min(width - 1, Math.floor(u * width));
            const y = Math.min(height - 1, Math.floor(v * height));
            return [...data.subarray((y * width + x) * 4, (y * width + x) * 4 + 3)].join();
          };
          const [was, is] = [at(quad.uv, numbered), at(itemAt(lying, i).uv, pixels)];
          return was === is ? [] : [[quad.side, was, is]];
        });
        expect(wrong).toEqual([]);
      }),
    );
  });

  test('a picture without holes has none after, and the template is clear between the sides', () => {
    const { after, pixels } = bake([
      { at: [0, 0, 0], size: [3, 4, 5], sides: { front: { slot: 'skin' }, top: { slot: 'skin' } } },
    ]);
    expect(pixels.data.filter((_, i) => i % 4 === 3).every((alpha) => alpha === 255)).toBe(true);
    const template = paintingTemplate(after);
    const painted = template.data.filter((value, i) => i % 4 === 3 && value === 255).length;
    expect(painted).toBe(3 * 4 + 3 * 5);
  });
});

describe('a model of a mod that is unwrapped', () => {
  const tone = (value: number): Pixels => ({
    width: 16,
    height: 16,
    data: new Uint8Array(16 * 16 * 4).fill(value).map((v, i) => (i % 4 === 3 ? 255 : v)),
  });
  const facts = {
    sha256: '0'.repeat(64),
    bytes: 1,
    width: 16,
    height: 16,
    alpha: 'none' as const,
    mean: '#808080',
    grey: true,
  };
  const mod = {
    ...emptyMod('m', 'M'),
    textures: { oak: { picture: facts }, film: { picture: facts, strip: { ticks: 2 } } },
    models: { gate: { boxes: [wall(4), wall(6)], slots: { wood: 'm:oak', unseen: 'm:film' } } },
  };
  const unwrap = (from: typeof mod, before?: readonly Box[]) => {
    const { pixels, changes } = unwrapModel(from, 'gate', {
      most: 256,
      pixelsOf: (id) => tone(id === 'm:oak' ? 90 : 180),
      ...(before && { before }),
    });
    const picture = { ...facts, width: pixels.width, height: pixels.height };
    return applyChanges(from, changes(picture));
  };

  test('it shows a new texture alone, and slots that nobody shows any more are gone', () => {
    const after = unwrap(mod);
    expect(after.models.gate.slots).toEqual({ skin: 'm:gate' });
    expect(Object.keys(after.textures)).toEqual(['oak', 'film', 'gate']);
    expect(sidesWithoutPlace(after.models.gate.boxes, 'skin', 16)).toBe(0);
  });

  test('a box that has grown over its neighbour’s place moves, not the neighbour', () => {
    const once = unwrap(mod);
    const { boxes: placed } = once.models.gate;
    for (const way of ['follows', 'stretches'] as const)
      for (const chosen of [0, 1]) {
        const grown = sized(placed, new Set([chosen]), 'left', 9, way);
        expect(sidesWithoutPlace(grown, 'skin', 16)).toBeGreaterThan(0);
        const gate = { ...once.models.gate, boxes: grown };
        const twice = unwrap({ ...once, models: { gate } }, placed);
        expect(twice.models.gate.boxes[1 - chosen]).toEqual(placed[1 - chosen]);
        expect(sidesWithoutPlace(twice.models.gate.boxes, 'skin', 16)).toBe(0);
        expect(Object.keys(twice.textures)).toEqual(['oak', 'film', 'gate']);
      }
  });

  test('a strip is no sheet: whoever shows it keeps it', () => {
    const crop: [number, number, number, number] = [0, 0, 4, 4];
    const made = { front: { slot: 'wood', crop }, back: { slot: 'wood', crop } };
    const gate = { boxes: [{ ...wall(4), sides: made }], slots: { wood: 'm:film' } };
    const after = unwrap({ ...mod, models: { gate } } as unknown as typeof mod);
    expect(after.textures.film).toEqual(mod.textures.film);
    expect(after.models.gate.slots).toEqual({ wood: 'm:gate' });
  });

  test('a model that leads nowhere is refused', () => {
    expect(() =>
      unwrapModel({ ...mod, models: {} }, 'gate', { most: 256, pixelsOf: tone as never }),
    ).toThrow(RangeError);
  });
});
