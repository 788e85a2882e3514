import { readModFolder, writeModFolder } from '../../core/folder/index.ts';
import { formNamed, newBlock, ofTwoHalves } from '../../core/forms/index.ts';
import { heldUnder } from '../../core/lists/index.ts';
import { digestOf, type Files } from '../../core/bytes/index.ts';
import { pointer } from '../../core/json/index.ts';
import {
  applyChanges,
  resolveBlock,
  type Block,
  type Box,
  type Candidate,
  type Change,
  type Mod,
  type Recipe,
} from '../../core/mod/index.ts';
import {
  added,
  again,
  fitBoxes,
  mirrored,
  plainBoxes,
  repeated,
  resolvedModelOf,
  shapeWithModel,
  unwrapModel,
} from '../../core/models/index.ts';
import { texturePixels } from '../../core/draw/index.ts';
import { sides, type Side } from '../../core/space/index.ts';
import { encodePicture, pictureFacts } from '../../core/textures/index.ts';

/** The blocks of the demo that are made here, in the order in which they are registered. */
export const madeBlocks = [
  'drying_rack',
  'driftwood_chair',
  'salt_oven',
  'driftwood_door',
  'kelp_pane',
] as const;
type MadeBlock = (typeof madeBlocks)[number];

/** Models and textures that are made with them. */
const madeModels = [
  ...madeBlocks,
  'salt_oven_lit',
  'driftwood_door_upper',
  'kelp_pane_arm',
  'kelp_pane_middle',
];
const madeTextures = ['drying_rack'];

/** A mod on which one works, and the bytes of its pictures and sounds. */
interface Work {
  mod: Mod;
  blobs: Map<string, Uint8Array>;
}

const apply = (work: Work, changes: readonly Change[]): void => {
  work.mod = applyChanges(work.mod, changes);
};

/**
 * The demo's furniture, made with the same functions that the page calls: the files of the mod's
 * folder that are of these blocks, and the ledger.
 */
export function makeBlocks(files: Files): Files {
  const { mod, blobs } = readModFolder(files);
  const work: Work = { mod: withoutMade(mod), blobs: new Map(blobs) };
  makeRack(work);
  makeChair(work);
  makeOven(work);
  makeDoor(work);
  makePane(work);
  const written = writeModFolder(work.mod, (sha256) =>
    heldUnder(Object.fromEntries(work.blobs), sha256),
  );
  const isMade = (file: string) =>
    file === 'ledger.json' ||
    madeBlocks.some((name) => [`blocks/${name}.json`, `recipes/${name}.json`].includes(file)) ||
    madeModels.some((name) => file === `models/${name}.json`) ||
    madeTextures.some((name) => file === `textures/${name}.png`);
  return new Map([...written].filter(([file]) => isMade(file)));
}

/** The mod as it is without what is made here. */
function withoutMade(mod: Mod): Mod {
  const rest = <T>(all: Readonly<Record<string, T>>, names: readonly string[]) =>
    Object.fromEntries(Object.entries(all).filter(([name]) => !names.includes(name)));
  return {
    ...mod,
    blocks: rest(mod.blocks, madeBlocks),
    recipes: rest(mod.recipes, madeBlocks),
    models: rest(mod.models, madeModels),
    textures: rest(mod.textures, madeTextures),
    ledger: {
      ...mod.ledger,
      entries: mod.ledger.entries.filter(({ name }) => !madeBlocks.some((one) => one === name)),
    },
  };
}

const allSides = (slot: string, but: readonly Side[] = []): Box['sides'] =>
  Object.fromEntries(sides.filter((side) => !but.includes(side)).map((side) => [side, { slot }]));

interface Facts {
  note: string;
  names: Block['names'];
  traits?: Block['traits'];
  tags?: string[];
  recipe: Recipe;
  item?: Block['identity']['item'];
}

/** A new block of a form, with its facts and a recipe. */
function declare(
  work: Work,
  name: MadeBlock,
  form: string,
  stock: string,
  pictures: Parameters<typeof newBlock>[3] extends infer Start
    ? Start extends { pictures: infer P }
      ? P
      : never
    : never,
  facts: Facts,
): void {
  const found = formNamed(form);
  if (!found) throw new RangeError(`There is no form ${form}.`);
  const title = facts.names['en'] ?? name;
  apply(work, newBlock(work.mod, name, title, { form: found, stock, pictures }));
  const block = heldUnder(work.mod.blocks, name);
  const { natural: _, ...identity } = block.identity;
  const next: Block = {
    ...block,
    identity: {
      ...identity,
      group: 'building',
      note: facts.note,
      ...(facts.item && { item: facts.item }),
    },
    traits: { ...block.traits, ...facts.traits },
    tags: facts.tags ?? block.tags,
    names: facts.names,
  };
  apply(work, [
    { path: pointer(['blocks', name]), before: block, after: next },
    { path: pointer(['recipes', name]), after: facts.recipe },
  ]);
}

/** Gives both shapes of a block few boxes that cover its model. */
function fit(work: Work, name: MadeBlock, boxes: number): void {
  const { mod } = work;
  const declared = heldUnder(mod.blocks, name);
  const block = resolveBlock(mod, name, declared);
  const model = `saltmarsh:${name}`;
  const resolved = resolvedModelOf(mod, model);
  if (!resolved) return;
  const cover = fitBoxes(plainBoxes(resolved), boxes).at(-1)?.boxes ?? [];
  const rows = shapeWithModel(mod, block, 'outline', model, cover);
  apply(work, [
    {
      path: pointer(['blocks', name, 'shapes']),
      before: declared.shapes,
      after: { collision: rows, outline: rows },
    },
  ]);
}

/** Unwraps a model: every side gets a place of its own on a picture named after it. */
function unwrap(work: Work, name: string): void {
  const { pixels, changes } = unwrapModel(work.mod, name, {
    most: 256,
    pixelsOf: texturePixels(work.mod, (sha256) => work.blobs.get(sha256)),
  });
  const png = encodePicture(pixels);
  const sha256 = digestOf(png);
  work.blobs.set(sha256, png);
  apply(work, changes({ sha256, bytes: png.length, ...pictureFacts(pixels) }));
}

const driftwood = { face: 'saltmarsh:driftwood/boards', edge: 'saltmarsh:driftwood/edge' };
const openWork = { hidesNeighbours: 'never', lightAbsorbed: 0, shadedCorners: false } as const;

/** Four legs, two rails and three laths, each side painted on its own. */
function makeRack(work: Work): void {
  declare(
    work,
    'drying_rack',
    'six_sides',
    'timber',
    { front: driftwood.face, side: driftwood.face, end: driftwood.edge },
    {
      note: 'Samphire dries on its laths, away from the wet ground.',
      names: { en: 'Drying rack', de: 'Trockengestell' },
      traits: { ...openWork, hardness: 1.4, mapColour: '#aaa092' },
      recipe: {
        kind: 'pattern',
        pattern: ['sss', 't t'],
        keys: { s: 'saltmarsh:reed_thatch', t: 'obrank:timber' },
        gives: 'saltmarsh:drying_rack',
      },
    },
  );
  const slot = 'wood';
  const leg: Box = {
    name: 'leg_front',
    group: 'frame',
    at: [13, 0, 12],
    size: [2, 9, 2],
    sides: allSides(slot, ['top']),
  };
  const legBack: Box = { ...leg, name: 'leg_back', at: [13, 0, 2], size: [2, 13, 2] };
  const right = again([leg, legBack], new Set([0, 1]), [0, 0, 0]);
  const frame = mirrored(right.boxes, right.chosen, 'x', 16);
  const rail: Box = {
    name: 'rail',
    group: 'frame',
    at: [1, 13, 2],
    size: [14, 1, 2],
    sides: allSides(slot),
  };
  const sill: Box = { ...rail, name: 'sill', at: [1, 9, 12], size: [14, 1, 2] };
  const lath: Box = {
    name: 'lath',
    group: 'laths',
    at: [0, 10, 12.5],
    size: [16, 1, 2],
    sides: allSides(slot),
  };
  const whole = added(frame, [rail, sill, lath]);
  const laths = repeated(whole.boxes, new Set([whole.boxes.length - 1]), 3, [0, 1.5, -4]);
  const model = heldUnder(work.mod.models, 'drying_rack');
  apply(work, [
    {
      path: '/models/drying_rack',
      before: model,
      after: { boxes: laths.boxes, slots: { wood: driftwood.face } },
    },
  ]);
  unwrap(work, 'drying_rack');
  fit(work, 'drying_rack', 3);
}

/** A seat, a back that leans a little, four legs. */
function makeChair(work: Work): void {
  declare(
    work,
    'driftwood_chair',
    'six_sides',
    'timber',
    { front: driftwood.face, side: driftwood.face, end: driftwood.edge },
    {
      note: 'Washed up in pieces, put together again.',
      names: { en: 'Driftwood chair', de: 'Treibholzstuhl' },
      traits: { ...openWork, hardness: 1.6, mapColour: '#aaa092' },
      recipe: {
        kind: 'pattern',
        pattern: ['t  ', 'ttt', 't t'],
        keys: { t: 'obrank:timber' },
        gives: 'saltmarsh:driftwood_chair',
      },
    },
  );
  const leg: Box = {
    name: 'leg',
    group: 'legs',
    at: [11, 0, 11],
    size: [2, 7, 2],
    sides: allSides('edge', ['top']),
  };
  const two = again([leg], new Set([0]), [0, 0, -8]);
  const both = again(two.boxes, new Set([0, 1]), [0, 0, 0]);
  const legs = mirrored(both.boxes, both.chosen, 'x', 16);
  const seat: Box = { name: 'seat', at: [2, 7, 2], size: [12, 2, 12], sides: allSides('face') };
  const back: Box = {
    name: 'back',
    at: [2, 9, 2],
    size: [12, 7, 1.5],
    spin: { about: 'x', by: -8, pivot: [8, 9, 2.75] },
    sides: allSides('face', ['bottom']),
  };
  const { boxes } = added(legs, [seat, back]);
  apply(work, [
    {
      path: '/models/driftwood_chair',
      before: heldUnder(work.mod.models, 'driftwood_chair'),
      after: { boxes, slots: driftwood },
    },
  ]);
  fit(work, 'driftwood_chair', 2);
}

/** A cube whose mouth faces the player, and glows while it is lit. */
function makeOven(work: Work): void {
  const pictures = {
    front: 'saltmarsh:oven/front',
    side: 'saltmarsh:oven/side',
    end: 'saltmarsh:oven/top',
  };
  declare(work, 'salt_oven', 'six_sides', 'brick', pictures, {
    note: 'Boils brine down to salt. Its mouth glows while it is lit.',
    names: { en: 'Salt oven', de: 'Salzofen' },
    traits: {
      lightEmitted: [{ when: { lit: true }, value: 11 }, { value: 0 }],
      mapColour: '#4a4039',
    },
    recipe: {
      kind: 'pattern',
      pattern: ['bbb', 'b b', 'bbb'],
      keys: { b: 'obrank:brick' },
      gives: 'saltmarsh:salt_oven',
    },
  });
  const dark = heldUnder(work.mod.models, 'salt_oven');
  const block = heldUnder(work.mod.blocks, 'salt_oven');
  const lit = { ...dark, slots: { ...dark.slots, front: 'saltmarsh:oven/front_lit' } };
  const showing = (isLit: boolean, model: string) =>
    block.looks.rows.map(({ when, use }) => ({
      when: { ...when, lit: isLit },
      use: use.map((candidate) => ({ ...candidate, model })),
    }));
  apply(work, [
    { path: '/models/salt_oven_lit', after: lit },
    {
      path: '/blocks/salt_oven/states/properties',
      before: block.states.properties,
      after: [
        ...block.states.properties,
        { name: 'lit', kind: 'toggle', default: false, byCode: true },
      ],
    },
    {
      path: '/blocks/salt_oven/looks/rows',
      before: block.looks.rows,
      after: [
        ...showing(false, 'saltmarsh:salt_oven'),
        ...showing(true, 'saltmarsh:salt_oven_lit'),
      ],
    },
  ]);
}

/** Two halves, each with its own face; only the lower one drops the door. */
function makeDoor(work: Work): void {
  const pictures = { face: 'saltmarsh:door/lower', edge: driftwood.edge };
  declare(work, 'driftwood_door', 'door_leaf', 'timber', pictures, {
    note: 'Placed, it puts its upper half on top; each half follows the other.',
    names: { en: 'Driftwood door', de: 'Treibholztür' },
    traits: { hardness: 2, mapColour: '#aaa092' },
    item: 'flat',
    recipe: {
      kind: 'pattern',
      pattern: ['tt', 'tt', 'tt'],
      keys: { t: 'obrank:timber' },
      gives: 'saltmarsh:driftwood_door',
    },
  });
  const lower = heldUnder(work.mod.models, 'driftwood_door');
  const block = heldUnder(work.mod.blocks, 'driftwood_door');
  const halves: [string, string][] = [
    ['lower', 'saltmarsh:driftwood_door'],
    ['upper', 'saltmarsh:driftwood_door_upper'],
  ];
  const rows = halves.flatMap(([half, model]) =>
    block.looks.rows.map(({ when, use }) => ({
      when: { ...when, half },
      use: use.map((candidate): Candidate => ({ ...candidate, model })),
    })),
  );
  const next: Block = {
    ...block,
    identity: { ...block.identity, held: { picture: 'saltmarsh:door/upper' } },
    states: {
      ...block.states,
      properties: [
        ...block.states.properties,
        {
          name: 'half',
          kind: 'choice',
          values: ['lower', 'upper'],
          default: 'lower',
        },
      ],
    },
    looks: { ...block.looks, rows },
    reactions: ofTwoHalves('saltmarsh:driftwood_door'),
    loot: {
      draws: [
        {
          times: 1,
          lots: [{ give: 'saltmarsh:driftwood_door', when: { state: { half: 'lower' } } }],
        },
      ],
    },
  };
  apply(work, [
    {
      path: '/models/driftwood_door_upper',
      after: { ...lower, slots: { ...lower.slots, face: 'saltmarsh:door/upper' } },
    },
    { path: '/blocks/driftwood_door', before: block, after: next },
  ]);
}

/** A thin wall that lets green light through and joins what stands beside it. */
function makePane(work: Work): void {
  const pictures = { face: 'saltmarsh:kelp/pane', edge: driftwood.edge };
  declare(work, 'kelp_pane', 'pane', 'timber', pictures, {
    note: 'Dried kelp between two films of varnish: light comes through, the wind does not.',
    names: { en: 'Kelp pane', de: 'Tangscheibe' },
    traits: {
      hardness: 0.6,
      alphaMode: 'blend',
      lightAbsorbed: 1,
      mapColour: '#7f9c63',
    },
    recipe: {
      kind: 'pattern',
      pattern: ['sss', 'sss'],
      keys: { s: 'saltmarsh:samphire' },
      gives: 'saltmarsh:kelp_pane',
      count: 6,
    },
  });
}
