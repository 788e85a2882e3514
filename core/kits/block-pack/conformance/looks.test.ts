import { describe, expect, test } from '@jest/globals';
import { directionStep, orientations, type Vec3 } from '../../../space/index.ts';
import { chunksOf, drawingOf, Looks, meshChunk, Numbers, type Face } from '../../../yard/index.ts';
import { WorldNow } from '../../../yard/run/world-now.ts';
import { clause, cube, handWorld, type HandPack } from './hand-pack.ts';

const lit = { name: 'lit', kind: 'toggle', default: false };
const show = (model: string, more = {}) => ({ ...cube, model: `obrank:stock/${model}`, ...more });

/** What is drawn of the block `thing` in a state at a place. */
function drawnOf(parts: HandPack, state: Record<string, boolean> = {}, place: Vec3 = [0, 0, 0]) {
  const world = handWorld(parts);
  const numbers = new Numbers(world);
  const block = world.blocks.get('saltmarsh:thing')!;
  const number = numbers.of({ block: block.id, state: block.space.encode(state) });
  return new Looks(world, numbers).at(number, place);
}
const picturesOf = (faces: readonly Face[]) => [...new Set(faces.map(({ picture }) => picture))];
const looking = (look: object, state: Record<string, boolean> = {}, place?: Vec3) =>
  picturesOf(drawnOf({ blocks: { thing: { properties: [lit] } }, looks: { thing: look } }, state, place)); // prettier-ignore
const stock = (...names: string[]) => names.map((name) => `obrank:stock/${name}`);

describe('Looks', () => {
  const rows = [
    { when: { lit: true }, use: [show('brick')] },
    { use: [show('clay')] },
    { when: { lit: true }, use: [show('sand')] },
  ];
  test(clause('Looks', '`one-of`: the first row that matches is shown'), () => {
    const look = { mode: 'one-of', rows };
    expect(looking(look, { lit: true })).toEqual(stock('brick'));
    expect(looking(look)).toEqual(stock('clay'));
  });
  test(clause('Looks', '`layered`: every row that matches is drawn'), () => {
    const look = { mode: 'layered', rows };
    expect(looking(look, { lit: true })).toEqual(stock('brick', 'clay', 'sand'));
    expect(looking(look)).toEqual(stock('clay'));
    expect(looking({ ...look, rows: [rows[0]] })).toEqual([]);
  });

  /** The number of a place, by the formula of the text alone, in whole numbers without a bound. */
  const hashOf = (...place: [number, number, number]): bigint => {
    const low = (value: bigint) => BigInt.asUintN(32, value);
    const [x, y, z] = place.map(BigInt) as [bigint, bigint, bigint];
    let h =
      low(low(x ^ 0x9e3779b9n) * 0x85ebca6bn) ^
      low(low(y + 0x7f4a7c15n) * 0xc2b2ae35n) ^
      low(low(z + 0x165667b1n) * 0x27d4eb2fn);
    h ^= h >> 15n;
    h = low(h * 0x2c1b3c6dn);
    h ^= h >> 12n;
    return h ^ (h >> 15n);
  };
  const shareOf = (h: bigint): number => Number(h) / 2 ** 32;
  const places: Vec3[] = Array.from({ length: 60 }, (_, i) => [i * 7, i % 32, (i * 13) % 48]);

  test(
    clause(
      'Looks',
      'Which candidate a place shows follows from the place alone',
      'For the cell at x, y, z, with all arithmetic on unsigned 32-bit whole numbers',
      'A share that is left out counts 1',
      '`h` is read as an unsigned number',
      "`h` ÷ 2³² times the sum of the shares falls into one candidate's share",
    ),
    () => {
      const use = [show('brick'), show('clay', { share: 2 }), show('sand')];
      const seen = places.map((place) => looking({ rows: [{ use }] }, {}, place)[0]);
      const told = places.map(([x, y, z]) => {
        const at = shareOf(hashOf(x, y, z)) * 4;
        return stock(at < 1 ? 'brick' : at < 3 ? 'clay' : 'sand')[0];
      });
      expect(seen).toEqual(told);
      expect(new Set(seen).size).toBe(3);
    },
  );
  test(clause('Looks', 'Row number n (from 0) of the rows that a layered look draws'), () => {
    const use = [show('brick'), show('clay')];
    const look = { mode: 'layered', rows: [{ when: { lit: true }, use: [show('sand')] }, { use }, { use }] }; // prettier-ignore
    for (const place of places) {
      const [x, y, z] = place;
      const pick = (row: number) =>
        stock(shareOf(hashOf(x, y, z + 65_536 * row)) < 0.5 ? 'brick' : 'clay')[0]!;
      expect(looking(look, {}, place)).toEqual([...new Set([pick(0), pick(1)])]);
    }
  });
  test(clause('Looks', 'Where all shares are 0 the first candidate is shown'), () => {
    const use = [show('brick', { share: 0 }), show('clay', { share: 0 })];
    for (const place of places)
      expect(looking({ rows: [{ use }] }, {}, place)).toEqual(stock('brick'));
  });

  test(
    clause(
      'Looks',
      "A candidate's `front` is where the model's front faces and its `top` where",
      '`"front": "south", "top": "up"` is the model as it was made',
    ),
    () => {
      const sides = { front: { slot: 'a' }, top: { slot: 'b' } };
      const files = {
        'view/models/slip.json': {
          boxes: [{ at: [2, 3, 4], size: [8, 6, 4], sides }],
          slots: { a: 'obrank:stock/brick', b: 'obrank:stock/clay' },
        },
      };
      for (const { front, top } of orientations) {
        const use = [{ model: 'saltmarsh:slip', front, top }];
        const [a, b] = drawnOf({ blocks: { thing: {} }, looks: { thing: { rows: [{ use }] } }, files }); // prettier-ignore
        const near = (step: Vec3) => step.map((part) => Math.round(part) + 0);
        expect(near(a!.normal)).toEqual(directionStep(front));
        expect(near(b!.normal)).toEqual(directionStep(top));
        // Turned about the middle of the cell: its own middle keeps its distance from there.
        const middle = (face: Face) =>
          [0, 1, 2].map((axis) => face.corners.reduce((sum, at) => sum + at[axis]! / 4, 0) - 0.5);
        expect(Math.hypot(...middle(a!))).toBeCloseTo(Math.hypot(-2 / 16, -2 / 16, 0), 6);
        if (front === 'south' && top === 'up') {
          expect(a!.corners[0]).toEqual([2 / 16, 9 / 16, 8 / 16]);
          expect(a!.corners[2]).toEqual([10 / 16, 3 / 16, 8 / 16]);
        }
      }
    },
  );

  test(clause('Looks', 'With `upright` every face of a box without a spin shows what it'), () => {
    const side = { slot: 'a' };
    const sides = { front: side, back: side, left: side, right: side, top: side, bottom: side };
    const boxes = [{ at: [0, 0, 0], size: [16, 8, 16], sides }];
    const slots = { a: 'obrank:stock/brick' };
    const files = { 'view/models/slab.json': { boxes, slots } };
    const lying = { model: 'saltmarsh:slab', front: 'up', top: 'north', upright: true };
    const parts = { blocks: { thing: {} }, looks: { thing: { rows: [{ use: [lying] }] } }, files };
    const faces = drawnOf(parts);
    // Its box now lies against the south wall: one with these measures shows the same.
    const asMade = {
      'view/models/wall.json': { boxes: [{ at: [0, 0, 8], size: [16, 16, 8], sides }], slots },
    };
    const plain = { model: 'saltmarsh:wall', front: 'south', top: 'up' };
    const made = drawnOf({ ...parts, files: asMade, looks: { thing: { rows: [{ use: [plain] }] } } }); // prettier-ignore
    const inWords = (all: readonly Face[]) =>
      all
        .map(({ corners, uv, normal }) =>
          JSON.stringify([normal, corners, uv].flat(3).map((part) => Math.round(part * 1e4) + 0)),
        )
        .sort();
    expect(inWords(faces)).toEqual(inWords(made));
  });

  test(clause('Looks', 'A block with `scatter` is moved by'), () => {
    const world = handWorld({
      blocks: { thing: {} },
      looks: { thing: { display: { scatter: 4, hidesNeighbours: 'never', shadedCorners: false } } },
    });
    for (const [x, z] of [
      [3, 5],
      [9, 2],
    ] as const) {
      const now = new WorldNow(world, [16, 16, 16], () => 0.5);
      now.lay([x, 1, z], { block: 'saltmarsh:thing', state: 0 });
      now.light();
      const looks = new Looks(world, now.numbers);
      const drawing = drawingOf(now, {
        looks,
        pictureNumber: () => 1,
        fluidLook: () => ({ isClear: true }),
      });
      const { positions, faces } = meshChunk(drawing, chunksOf([16, 16, 16])[0]!).solid;
      const least = (axis: number) =>
        Math.min(...Array.from({ length: faces * 4 }, (_, i) => positions[i * 3 + axis]!)) + 8;
      const moved = (y: number) => ((2 * shareOf(hashOf(x, y, z)) - 1) * 4) / 16;
      expect(least(0)).toBeCloseTo(x + moved(1001), 5);
      expect(least(2)).toBeCloseTo(z + moved(1002), 5);
    }
  });

  test(
    clause(
      'Looks',
      'A file at `<namespace>/<name>` is the new look of a block that the pack does not own',
      "Its rows stand in place of the owner's",
      'A `tint` is multiplied in place of the owner',
    ),
    () => {
      const rows = [{ use: [show('brick')] }];
      const world = handWorld({
        blocks: { thing: {} },
        files: {
          'view/looks/obrank/glass.json': { block: 'obrank:glass', mode: 'one-of', rows, tint: '#ff0000' }, // prettier-ignore
        },
      });
      const { look } = world.blocks.get('obrank:glass')!;
      const plain = handWorld({ blocks: { thing: {} } }).blocks.get('obrank:glass')!.look!;
      expect(look!.rows).toEqual(rows);
      // A stock material has no tint, so a new one does nothing.
      expect(look!.display).toEqual(plain.display);
    },
  );
});

describe('Models', () => {
  const box = (more: object = {}) => ({ at: [0, 0, 0], size: [16, 16, 16], sides: { front: { slot: 'a' } }, ...more }); // prettier-ignore
  const slots = { a: 'obrank:stock/brick' };
  const shown = (models: Record<string, object>, more: Partial<HandPack> = {}) =>
    drawnOf({
      blocks: { thing: {} },
      looks: { thing: { rows: [{ use: [{ ...cube, model: 'saltmarsh:own' }] }] } },
      ...more,
      files: {
        ...Object.fromEntries(
          Object.entries(models).map(([name, model]) => [`view/models/${name}.json`, model]),
        ),
        ...more.files,
      },
    });
  const oneOf = (side: object, more: object = {}) =>
    shown({ own: { boxes: [box({ sides: { front: { slot: 'a', ...side } }, ...more })], slots } })[0]!; // prettier-ignore

  test(clause('Models', 'A model takes its boxes from itself or else from its template'), () => {
    const far = { boxes: [box(), box()], slots: { a: 'obrank:stock/clay' } };
    const near = { template: 'saltmarsh:far', slots: { a: 'obrank:stock/sand' } };
    expect(shown({ far, own: near }).map(({ picture }) => picture)).toEqual(stock('sand', 'sand'));
    const own = { template: 'saltmarsh:near', boxes: [box()], slots };
    expect(shown({ far, near, own }).map(({ picture }) => picture)).toEqual(stock('brick'));
  });
  test(
    clause(
      'Models',
      'A box lies at `at` with `size`, turned by its `spin`',
      'A side that is not named is not drawn',
    ),
    () => {
      const plain = oneOf({}, { at: [4, 2, 1], size: [8, 4, 2] });
      expect(plain.corners).toEqual([
        [4 / 16, 6 / 16, 3 / 16],
        [4 / 16, 2 / 16, 3 / 16],
        [12 / 16, 2 / 16, 3 / 16],
        [12 / 16, 6 / 16, 3 / 16],
      ]);
      // Seen from above, where y points, a quarter to the left takes the front to the right: +X.
      const spin = { about: 'y', by: 90, pivot: [8, 8, 8] };
      expect(oneOf({}, { spin }).normal.map((part) => Math.round(part) + 0)).toEqual([1, 0, 0]);
      expect(shown({ own: { boxes: [box()], slots } })).toHaveLength(1);
    },
  );
  test(
    clause('Models', 'Each side names a slot, and may crop the texture', 'A crop counts in texels'),
    () => {
      const crop = { crop: [4, 0, 8, 16] };
      const [left, right] = [4 / 16, 12 / 16];
      expect(oneOf(crop).uv).toEqual([[left, 0], [left, 1], [right, 1], [right, 0]]); // prettier-ignore
      expect(oneOf({ ...crop, mirrored: true }).uv[0]).toEqual([right, 0]);
      // Turned clockwise, the top left shows what was at the bottom left: of the mirrored picture.
      expect(oneOf({ ...crop, quarters: 1 }).uv[0]).toEqual([left, 1]);
      expect(oneOf({ ...crop, quarters: 1, mirrored: true }).uv[0]).toEqual([right, 1]);
    },
  );
  test(clause('Models', 'Without a crop a side shows the part of a block-sized picture'), () => {
    const { uv } = oneOf({}, { at: [4, 2, 1], size: [8, 4, 2] });
    expect(uv).toEqual([[4 / 16, 10 / 16], [4 / 16, 14 / 16], [12 / 16, 14 / 16], [12 / 16, 10 / 16]]); // prettier-ignore
  });
  test(clause('Models', "A picture's up is up on the four walls, the back on the top side"), () => {
    const all = ['front', 'back', 'left', 'right', 'top', 'bottom'];
    const sides = Object.fromEntries(all.map((side) => [side, { slot: 'a' }]));
    const faces = shown({ own: { boxes: [box({ sides })], slots } });
    const upOf = ({ corners: [topLeft, bottomLeft] }: Face) =>
      [0, 1, 2].map((axis) => topLeft[axis]! - bottomLeft[axis]!);
    expect(faces.map(upOf)).toEqual([
      ...Array.from({ length: 4 }, () => [0, 1, 0]),
      [0, 0, -1],
      [0, 0, 1],
    ]);
  });
  test(
    clause(
      'Models',
      "A side that is `untinted` is not coloured by the block's tint",
      '`group` names the part of the model that a box belongs to',
    ),
    () => {
      expect(oneOf({}).isTinted).toBe(true);
      expect(oneOf({ untinted: true }).isTinted).toBe(false);
      expect(oneOf({}, { group: 'door' })).toEqual(oneOf({}));
    },
  );
  test(clause('Models', 'Measures of templates are in sixteenths of a block'), () => {
    const own = { template: 'obrank:slab', slots: { side: 'obrank:stock/clay', end: 'obrank:stock/clay' } }; // prettier-ignore
    const small = {
      'pack.json': {
        format: 'obrank-block-pack',
        edition: 1,
        namespace: 'saltmarsh',
        version: '1.0.0',
        title: 'Small',
        authors: [],
        license: 'MIT',
        texels: 8,
        tickRate: 20,
        languages: ['en'],
      },
    };
    const heightOf = (faces: readonly Face[]) =>
      Math.max(...faces.flatMap(({ corners }) => corners.map(([, y]) => y)));
    expect(heightOf(shown({ own }, { files: small }))).toBe(0.5);
    // Those of the pack's own models are in its texels.
    const boxes = [box({ size: [8, 4, 8] })];
    expect(heightOf(shown({ own: { boxes, slots } }, { files: small }))).toBe(0.5);
  });
});
