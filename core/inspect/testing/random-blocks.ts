/** Random blocks for the tests of kits: whatever states, looks, rules, shapes and traits they have. */
import fc from 'fast-check';
import {
  toolKinds,
  type Block,
  type Candidate,
  type Lot,
  type Mod,
  type Placing,
} from '../../mod/index.ts';
import { directions, headings, orientationAlong, orientations, sides } from '../../space/index.ts';
import { valuesOf, type Property, type Value, type When } from '../../states/index.ts';
import { sampleMod } from '../sample.ts';

const pool: readonly Property[] = [
  { name: 'heading', kind: 'heading', default: 'south' },
  { name: 'side', kind: 'direction', default: 'up' },
  { name: 'grain', kind: 'axis', default: 'y' },
  { name: 'lit', kind: 'toggle', default: false },
  { name: 'wet', kind: 'toggle', default: true },
  { name: 'level', kind: 'number', min: -1, max: 2, default: 0 },
  { name: 'form', kind: 'choice', values: ['floor', 'wall', 'ceiling'], default: 'wall' },
];

/** Models beside those of the sample: a slab, a post with a spun cap, a pane. */
const models: Mod['models'] = {
  ...sampleMod().models,
  slab: {
    slots: { face: 'saltmarsh:bank' },
    boxes: [{ at: [0, 0, 0], size: [16, 7, 16], sides: all('face') }],
  },
  post: {
    slots: { wood: 'saltmarsh:lamp', cap: 'saltmarsh:bank' },
    boxes: [
      { at: [6, 0, 5], size: [4, 13, 4], sides: all('wood') },
      {
        at: [5, 13, 4],
        size: [6, 2, 6],
        sides: all('cap'),
        spin: { about: 'y', by: 30, pivot: [8, 8, 8] },
      },
    ],
  },
  pane: {
    slots: { face: 'saltmarsh:bank' },
    boxes: [{ at: [1, 2, 14], size: [13, 12, 1], sides: all('face') }],
  },
};

function all(slot: string) {
  return Object.fromEntries(sides.map((side) => [side, { slot }]));
}

const modelId = fc.constantFrom(...Object.keys(models).map((name) => `saltmarsh:${name}`));
const candidate: fc.Arbitrary<Candidate> = fc
  .tuple(modelId, fc.constantFrom(...orientations), fc.boolean())
  .map(([model, turned, upright]) => ({ model, ...turned, ...(upright && { upright }) }));

const anyOf = (property: Property): fc.Arbitrary<Value> => fc.constantFrom(...valuesOf(property));

const whenOf = (properties: readonly Property[]): fc.Arbitrary<When> =>
  properties.length
    ? fc
        .constantFrom(...properties)
        .chain((property) => anyOf(property).map((value) => ({ [property.name]: value })))
    : fc.constant({});

/** Rows of a look: some at random, or one model spread along a property. */
function rowsFor(properties: readonly Property[]): fc.Arbitrary<Block['looks']['rows']> {
  const scattered = fc
    .tuple(
      fc.array(
        fc.record({
          when: whenOf(properties),
          use: fc.array(candidate, { minLength: 1, maxLength: 2 }),
        }),
        { maxLength: 3 },
      ),
      candidate,
    )
    .map(([rows, last]) => [...rows, { use: [last] }]);
  const [along] = properties.filter(({ kind }) => ['heading', 'direction', 'axis'].includes(kind));
  if (!along) return scattered;
  const spread = candidate.map((base) =>
    valuesOf(along).map((value) => ({
      when: { [along.name]: value },
      use: [
        { model: base.model, ...orientationAlong(value as 'north', { front: 'south', top: 'up' }) },
      ],
    })),
  );
  return fc.oneof(scattered, spread, spread);
}

/** A rule of placing for a property, of those that its kind allows. */
function ruleFor(property: Property): fc.Arbitrary<Placing> {
  const { name: set, kind } = property;
  const turning: Placing['to'][] = ['toward the player', 'away from the player', 'clicked side'];
  const ways: Record<Property['kind'], Placing['to'][]> = {
    heading: [...turning, 'away from a solid neighbour'],
    direction: [...turning, 'away from a solid neighbour'],
    axis: ['along the clicked side', 'away from a solid neighbour'],
    toggle: ['half of the clicked side', 'crouching', 'signal', 'joined', 'from the item'],
    number: ['crouching', 'half of the clicked side', 'from the item'],
    choice: ['half of the clicked side', 'crouching', 'from the item'],
  };
  const when = fc.record(
    {
      clicked: fc.uniqueArray(fc.constantFrom(...directions), { minLength: 1, maxLength: 3 }),
      half: fc.constantFrom('upper' as const, 'lower' as const),
      crouching: fc.boolean(),
    },
    { requiredKeys: [] },
  );
  return fc
    .tuple(
      fc.constantFrom<Placing['to']>('fixed', ...ways[kind]),
      anyOf(property),
      anyOf(property),
      fc.constantFrom(...headings),
      fc.option(when, { nil: undefined }),
    )
    .map(([to, value, otherwise, side, condition]) => ({
      set,
      to,
      ...(['fixed', 'half of the clicked side', 'crouching', 'signal', 'joined'].includes(to) && {
        value,
      }),
      ...(['half of the clicked side', 'crouching', 'signal', 'joined'].includes(to) && {
        otherwise,
      }),
      ...(to === 'joined' && { side }),
      ...(condition && Object.keys(condition).length > 0 && { when: condition }),
    }));
}

const level = fc.integer({ min: 0, max: 15 });
const amount = fc.oneof(
  fc.nat(3),
  fc.tuple(fc.nat(2), fc.integer({ min: 2, max: 4 })),
  fc.record({ tries: fc.nat(4), chance: fc.constantFrom(0, 0.25, 0.7, 1) }),
);

function lotFor(properties: readonly Property[]): fc.Arbitrary<Lot> {
  const when = fc.record(
    {
      careful: fc.boolean(),
      tool: fc.constantFrom('pick' as const, 'spade' as const),
      grade: fc.nat(2),
      chance: fc.constantFrom(0.1, 0.5),
      ...(properties.length && { state: whenOf(properties) }),
    },
    { requiredKeys: [] },
  );
  return fc.record(
    {
      give: fc.constantFrom('saltmarsh:salt', 'saltmarsh:shell'),
      count: amount,
      share: fc.integer({ min: 1, max: 4 }),
      when,
      ...(properties.length && {
        keeps: fc.constant<string[]>([properties[0]!.name]),
      }),
    },
    { requiredKeys: ['give'] },
  );
}

const box = fc
  .tuple(fc.nat(8), fc.nat(8), fc.nat(8), fc.integer({ min: 1, max: 8 }))
  .map(([x, y, z, size]): { at: [number, number, number]; size: [number, number, number] } => ({
    at: [x, y, z],
    size: [size, 8, size],
  }));
const shape = fc.oneof(
  fc.constantFrom('model' as const, 'whole' as const, 'none' as const),
  fc.array(box, { minLength: 1, maxLength: 3 }),
);

/** A block with up to three properties, and whatever follows from them. */
export const anyBlock: fc.Arbitrary<Block> = fc
  .subarray([...pool], { maxLength: 3 })
  .chain((properties) =>
    fc
      .record({
        rows: rowsFor(properties),
        mode: fc.constantFrom('one-of' as const, 'one-of' as const, 'layered' as const),
        placing: fc.tuple(
          ...properties.map((property) => fc.array(ruleFor(property), { maxLength: 2 })),
        ),
        collision: fc.option(shape, { nil: undefined }),
        outline: fc.option(shape, { nil: undefined }),
        loot: fc.oneof(
          fc.constantFrom('itself' as const, 'nothing' as const),
          fc
            .array(
              fc.record({ times: amount, lots: fc.array(lotFor(properties), { maxLength: 3 }) }),
              { minLength: 1, maxLength: 2 },
            )
            .map((draws) => ({ draws })),
        ),
        hardness: fc.oneof(
          fc.constantFrom(0, 0.05, 1.2, 3.4, 30),
          fc.constant('unbreakable' as const),
        ),
        toolKind: fc.constantFrom('none' as const, ...toolKinds),
        leastGrade: fc.nat(2),
        gated: fc.boolean(),
        lightEmitted: fc.oneof(level, fc.constant(0)),
        lightAbsorbed: fc.constantFrom(0, 1, 5, 15, 15),
        alphaMode: fc.constantFrom('opaque' as const, 'mask' as const, 'blend' as const),
        tint: fc.constantFrom('none' as const, 'grass' as const),
      })
      .map(({ rows, mode, placing, collision, outline, loot, ...traits }): Block => ({
        identity: { group: 'shore', item: 'block', natural: true },
        traits,
        states: {
          properties: [...properties] as Block['states']['properties'],
          placing: placing.flat(),
        },
        looks: { mode, rows },
        shapes: { ...(collision && { collision }), ...(outline && { outline }) },
        loot,
        tags: ['saltmarsh:pick_dug'],
        names: { en: 'Block' },
      })),
  );

/** A mod of random blocks, the same for a seed. */
export function randomMod(blocks: number, seed: number): Mod {
  const mod = sampleMod();
  const made = fc.sample(anyBlock, { numRuns: blocks, seed });
  return {
    ...mod,
    models,
    items: {
      salt: { names: { en: 'Salt' }, texture: 'saltmarsh:lamp', group: 'shore', natural: true },
      shell: { names: { en: 'Shell' }, texture: 'saltmarsh:bank', group: 'shore', natural: true },
    },
    blocks: Object.fromEntries(
      made.map((block, i) => [`block_${i}`, { ...block, names: { en: `Block ${i}` } }]),
    ),
  };
}
