import { describe, expect, test } from '@jest/globals';
import { playedFor } from '../../../sounds/index.ts';
import { seededRandom, type Vec3 } from '../../../space/index.ts';
import { encodePicture, marker } from '../../../textures/index.ts';
import { climateColour } from '../../../textures/facts/index.ts';
import {
  atlasOf,
  catalogueOf,
  drops,
  flawsOf,
  frameAt,
  groupTitle,
  itemIn,
  Looks,
  meshItem,
  nameIn,
  Numbers,
  placed,
  Run,
  tintOf,
  type Breaking,
} from '../../../yard/index.ts';
import { blockIn, clause, cube, handWorld } from './hand-pack.ts';

const lit = { name: 'lit', kind: 'toggle', default: false };

/** A picture of so many frames of 16 × 16, each of one grey. */
const strip = (frames: number): Uint8Array =>
  encodePicture({
    width: 16,
    height: 16 * frames,
    data: Uint8Array.from({ length: 16 * 16 * frames * 4 }, (_, i) =>
      i % 4 === 3 ? 255 : 20 * Math.floor(i / (16 * 16 * 4)),
    ),
  });

describe('Textures and colours', () => {
  const pictureOf = (timing: object, frames = 3) =>
    handWorld({
      blocks: { thing: {} },
      files: {
        'view/textures/wave.png': strip(frames),
        'view/textures/wave.strip.json': timing,
      },
    }).view.pictureOf('saltmarsh:wave')!;
  const shown = (timing: object, ticks: number) => {
    const picture = pictureOf(timing);
    return Array.from({ length: ticks }, (_, tick) => frameAt(picture, tick).frame).join('');
  };

  test(
    clause(
      'Textures and colours',
      'A `strip` stacks frames from the top',
      'Each shows for `ticks` ticks, in their `order` or, without one',
      'An entry of the `order` is the number of a frame',
    ),
    () => {
      const picture = pictureOf({ frameHeight: 16, ticks: 2 });
      expect(picture).toMatchObject({ frames: 3, width: 16, height: 16 });
      const pixels = picture.pixels()!;
      expect([0, 1, 2].map((frame) => pixels[frame * 16 * 16 * 4])).toEqual([0, 20, 40]);
      expect(shown({ frameHeight: 16, ticks: 2 }, 9)).toBe('001122001');
      const order = [0, { frame: 2, ticks: 3 }, 1];
      expect(shown({ frameHeight: 16, ticks: 1, order }, 10)).toBe('0222102221');
    },
  );
  test(clause('Textures and colours', 'With `blend` a frame goes over into the next one'), () => {
    const picture = pictureOf({ frameHeight: 16, ticks: 4, blend: true });
    expect(frameAt(picture, 1)).toEqual({ frame: 0, next: 1, share: 0.25 });
    expect(frameAt(picture, 11)).toEqual({ frame: 2, next: 0, share: 0.75 });
    expect(frameAt({ ...picture, blend: false }, 11).share).toBe(0);
  });
  test(
    clause(
      'Textures and colours',
      'A `tint` multiplies the texture channel by channel',
      'The climate says what `grass`, `leaf` and `water` are where the block stands',
    ),
    () => {
      expect(tintOf('#102030')).toEqual([16, 32, 48, 0]);
      expect(tintOf('none')).toEqual([255, 255, 255, 0]);
      expect((['grass', 'leaf', 'water'] as const).map((tint) => climateColour(tint, 0.5))).toEqual(
        ['#8fae5d', '#6f9a4a', '#4f8f9e'],
      );
    },
  );
  test(
    clause('Reference physics', 'A reference that does not resolve is drawn as a marker'),
    () => {
      const world = handWorld({
        blocks: { thing: {} },
        looks: { thing: { rows: [{ use: [{ ...cube, model: 'saltmarsh:nowhere' }] }] } },
      });
      const numbers = new Numbers(world);
      const number = numbers.of({ block: 'saltmarsh:thing', state: 0 });
      const faces = new Looks(world, numbers).at(number, [0, 0, 0]);
      expect(faces.map(({ picture }) => picture)).toEqual(Array.from({ length: 6 }));
      expect(flawsOf(world).map(({ text }) => text)).toEqual([
        'The model saltmarsh:nowhere is not there: it is a marker.',
      ]);
      const blank = { width: 16, height: 16, frames: 1, steps: [], blend: false };
      const atlas = atlasOf(world.view, [], { ...blank, pixels: () => marker.data });
      expect(atlas.levels[0]!.data.subarray(0, 16)).toEqual(marker.data.subarray(0, 16));
    },
  );
});

describe('Sounds', () => {
  const set = {
    dig: [{ sound: 'saltmarsh:a', volume: [0.5, 1], pitch: [0.8, 1.2] }, { sound: 'saltmarsh:b' }],
  } as const;
  test(
    clause(
      'Sounds',
      'For an event of a sound set one of its sounds is chosen evenly',
      'An event without a sound is silent',
    ),
    () => {
      const random = seededRandom(5);
      const sounds = structuredClone(set) as unknown as Parameters<typeof playedFor>[0];
      const played = Array.from({ length: 4000 }, () => playedFor(sounds, 'dig', random)!);
      const first = played.filter(({ sound }) => sound === 'saltmarsh:a');
      expect(Math.abs(first.length / 4000 - 0.5)).toBeLessThan(0.03);
      const mean = (part: 'volume' | 'pitch') =>
        first.reduce((sum, one) => sum + one[part] / first.length, 0);
      expect(mean('volume')).toBeCloseTo(0.75, 1);
      expect(mean('pitch')).toBeCloseTo(1, 1);
      expect(Math.min(...first.map(({ pitch }) => pitch))).toBeGreaterThanOrEqual(0.8);
      expect(played.find(({ sound }) => sound === 'saltmarsh:b')).toMatchObject({ volume: 1, pitch: 1 }); // prettier-ignore
      expect(playedFor(sounds, 'land', random)).toBeUndefined();
    },
  );
});

describe('Words', () => {
  const parts = {
    blocks: { reed: {}, moss: {} },
    files: {
      'pack.json': {
        format: 'obrank-block-pack',
        edition: 1,
        namespace: 'saltmarsh',
        version: '1.0.0',
        title: 'Words',
        authors: [],
        license: 'MIT',
        texels: 16,
        tickRate: 20,
        languages: ['en', 'de'],
      },
      'view/words/en.json': {
        language: 'en',
        texts: { 'block.reed': 'Reed', 'group.wet': 'Wet things', 'fluid.brine': 'Brine', 'item.salt': 'Salt {name}' }, // prettier-ignore
      },
      'view/words/de.json': { language: 'de', texts: { 'block.reed': 'Schilf' } },
    },
  };
  test(
    clause(
      'Words',
      '`view/words/<language>.json` holds texts by their keys',
      'A text that a language does not have is taken from the first language',
    ),
    () => {
      const german = handWorld(parts, 'de');
      expect(nameIn(german, 'saltmarsh:reed')).toBe('Schilf');
      expect(nameIn(german, 'saltmarsh:brine', 'fluid')).toBe('Brine');
      expect(groupTitle(german, 'saltmarsh:wet')).toBe('Wet things');
      expect(nameIn(german, 'saltmarsh:moss')).toBe('block.moss');
      expect(nameIn(handWorld(parts), 'saltmarsh:reed')).toBe('Reed');
    },
  );
  test(clause('Words', '`{name}` in a text is a place that the code fills in'), () =>
    expect(nameIn(handWorld(parts), 'saltmarsh:salt', 'item')).toBe('Salt {name}'),
  );
});

describe('Loot', () => {
  const times = 3000;
  /** How many of each item drop in the mean. */
  function meansOf(draws: object[], how: Partial<Breaking> = {}, tables: object = {}) {
    const world = handWorld({
      blocks: { thing: { properties: [lit] } },
      files: {
        'rules/loot/thing.json': { block: 'saltmarsh:thing', draws },
        ...Object.fromEntries(
          Object.entries(tables).map(([name, of]) => [
            `rules/loot/tables/${name}.json`,
            { id: `saltmarsh:${name}`, draws: of as object },
          ]),
        ),
      },
    });
    const random = seededRandom(11);
    const block = blockIn(world, 'thing');
    const sums: Record<string, number> = {};
    for (let i = 0; i < times; i += 1)
      for (const { item, count } of drops(
        block.draws,
        { state: { lit: false }, ...how },
        { tables: world.tables, random },
      ))
        sums[item.slice(7)] = (sums[item.slice(7)] ?? 0) + count / times;
    return Object.fromEntries(
      Object.entries(sums).map(([item, mean]) => [item, Math.round(mean * 10) / 10]),
    );
  }
  const chalk = { give: 'obrank:chalk' };
  const sand = { give: 'obrank:sand' };
  const once = (...lots: object[]) => [{ times: 1, lots }];

  test(
    clause(
      'Loot',
      'Each draw is made `times` times',
      'A lot brings `count` (1 when left out) of the item',
      'Counts and times are a whole number',
    ),
    () => {
      expect(meansOf([{ times: 3, lots: [chalk] }])).toEqual({ chalk: 3 });
      expect(meansOf([{ times: [1, 3], lots: [chalk] }])).toEqual({ chalk: 2 });
      const tries = { tries: 4, chance: 0.25 };
      expect(meansOf([{ times: tries, lots: [{ ...chalk, count: 2 }] }])).toEqual({ chalk: 2 });
      expect(meansOf(once({ ...chalk, count: [2, 4] }, sand))).toEqual({ chalk: 3 });
      expect(meansOf(once({}))).toEqual({});
    },
  );
  test(clause('Loot', 'In a draw, the lots without a share come first, in their order'), () => {
    const half = { when: { chance: 0.5 } };
    expect(meansOf(once({ ...sand, share: 9 }, chalk))).toEqual({ chalk: 1 });
    expect(meansOf(once({ ...chalk, ...half }, sand))).toEqual({ chalk: 0.5, sand: 0.5 });
  });
  test(
    clause(
      'Loot',
      'Otherwise one lot is chosen by share among those whose conditions hold',
      'Where all of these are 0, the draw brings nothing',
    ),
    () => {
      const lots = once({ ...chalk, share: 1 }, { ...sand, share: 4, when: { careful: true } });
      expect(meansOf(lots)).toEqual({ chalk: 1 });
      expect(meansOf(lots, { careful: true })).toEqual({ chalk: 0.2, sand: 0.8 });
      const luck = once({ ...chalk, share: 1, luck: 1 }, { ...sand, share: 2, luck: -1 });
      expect(meansOf(luck, { luck: 1 })).toEqual({ chalk: 0.7, sand: 0.3 });
      expect(meansOf(luck, { luck: 2 })).toEqual({ chalk: 1 });
      expect(meansOf(once({ ...chalk, share: 0 }))).toEqual({});
    },
  );
  test(clause('Loot', 'A table that leads back to itself brings nothing the second time'), () => {
    const round = { round: [{ times: 1, lots: [{ table: 'saltmarsh:round', count: 1 }] }, ...once(chalk)] }; // prettier-ignore
    expect(meansOf(once({ table: 'saltmarsh:round', count: 2 }), {}, round)).toEqual({ chalk: 2 });
  });
  test(
    clause(
      'Loot',
      'Under `when` all that is named must hold',
      'A blast uses no tool and is never careful',
    ),
    () => {
      const falls = (when: object, how: Partial<Breaking>) =>
        meansOf(once({ ...chalk, when }), how)['chalk'] ?? 0;
      const pick = { kind: 'pick', grade: 1 };
      expect(falls({ careful: true }, { careful: true })).toBe(1);
      expect(falls({ blast: true }, {})).toBe(0);
      expect(falls({ tool: 'pick', grade: 1 }, { tool: pick })).toBe(1);
      expect(falls({ tool: 'pick', grade: 2 }, { tool: pick })).toBe(0);
      expect(falls({ tool: 'axe' }, { tool: pick })).toBe(0);
      expect(falls({ grade: 0 }, { tool: pick })).toBe(1);
      expect(falls({ grade: 0 }, {})).toBe(0);
      expect(falls({ state: { lit: true } }, { state: { lit: true } })).toBe(1);
      expect(falls({ chance: 0.2 }, {})).toBe(0.2);
      expect(falls({ all: [{ chance: 0.5 }, { chance: 0.4 }] }, {})).toBe(0.2);
      expect(falls({ any: [{ blast: true }, { careful: true }] }, { careful: true })).toBe(1);
      expect(falls({ any: [] }, {})).toBe(0);
      expect(falls({ not: { careful: true } }, {})).toBe(1);
      const blast = { blast: true, careful: true, tool: pick };
      expect(falls({ blast: true }, blast)).toBe(1);
      expect(falls({ careful: true }, blast)).toBe(0);
      expect(falls({ tool: 'pick' }, blast)).toBe(0);
    },
  );
  test(
    clause(
      'Loot',
      '`keeps` names properties whose values the item carries',
      'Placing takes them back where a rule of placing says `from the item`',
    ),
    () => {
      const world = handWorld({
        blocks: { lamp: { properties: [lit], placement: [{ set: 'lit', to: 'from the item' }] } },
        files: {
          'rules/loot/lamp.json': {
            block: 'saltmarsh:lamp',
            draws: once({ give: 'saltmarsh:lamp', keeps: ['lit'] }),
          },
          'view/items/lamp.json': { id: 'saltmarsh:lamp', block: 'saltmarsh:lamp', form: 'block', stack: 9 }, // prettier-ignore
        },
      });
      const lamp = blockIn(world, 'lamp');
      const state = { lit: true };
      const [drop] = drops(lamp.draws, { state }, { tables: world.tables, random: () => 0 });
      expect(drop!.carries).toEqual(state);
      const click = { side: 'up', height: 1, looks: [0, 0, -1], crouching: false } as const;
      const around = { isSolid: () => false, hasSignal: false, ownKind: () => undefined };
      const again = placed(lamp, { ...click, carried: drop!.carries }, around);
      expect(lamp.space.decode(again.state)).toEqual(state);
    },
  );
  test(clause('Loot', 'Neither hardness nor gate keeps a block that a blast breaks'), () => {
    const world = handWorld({
      blocks: {
        vault: { hardness: 'unbreakable', gated: true, tool: { kind: 'pick', leastGrade: 0 } },
      },
      files: {
        'rules/loot/vault.json': { block: 'saltmarsh:vault', draws: once(chalk) },
        'rules/tools.json': { kinds: {}, grades: [] },
      },
    });
    const run = new Run(world, { scene: 'Bare ground', seed: 1 });
    run.tick([{ do: 'look', yaw: 0, pitch: -6000 }]);
    const { place } = run.aim()!;
    run.now.put(place, { block: 'saltmarsh:vault', state: 0 });
    run.tick([{ do: 'blast', strength: 4 }]);
    expect(run.now.standingAt(place)).toBeUndefined();
    const lying = [...run.after.flying.map(({ drop }) => drop), ...run.after.collected.values()];
    expect(lying.some(({ item }) => item === 'obrank:chalk')).toBe(true);
  });
});

describe('Tags', () => {
  const tag = (id: string, ...members: string[]) => ({ id, members });
  const meant = handWorld({
    blocks: { reed: {}, moss: {} },
    files: {
      'rules/tags/blocks/wet.json': tag('saltmarsh:wet', 'saltmarsh:reed', '#saltmarsh:green'),
      'rules/tags/blocks/green.json': tag('saltmarsh:green', 'saltmarsh:moss', '#saltmarsh:wet'),
      'rules/tags/blocks/tideland/dry.json': tag('tideland:dry', 'saltmarsh:reed'),
      'pack.json': {
        format: 'obrank-block-pack',
        edition: 1,
        namespace: 'saltmarsh',
        version: '1.0.0',
        title: 'Tags',
        authors: [],
        license: 'MIT',
        needs: ['tideland'],
        texels: 16,
        tickRate: 20,
        languages: ['en'],
      },
    },
  }).isMeant;
  test(
    clause(
      'Tags',
      'A tag holds ids and, with a leading #, other tags',
      'Tags never contain themselves',
      'A file at `<namespace>/<name>` adds to a tag of another mod',
    ),
    () => {
      expect(meant('#saltmarsh:wet', 'saltmarsh:reed')).toBe(true);
      expect(meant('#saltmarsh:wet', 'saltmarsh:moss')).toBe(true);
      // One that does so all the same is gone round once.
      expect(meant('#saltmarsh:green', 'saltmarsh:reed')).toBe(true);
      expect(meant('#saltmarsh:green', 'obrank:sand')).toBe(false);
      expect(meant('#tideland:dry', 'saltmarsh:reed')).toBe(true);
      expect(meant('saltmarsh:reed', 'saltmarsh:reed')).toBe(true);
      expect(meant('saltmarsh:reed', 'saltmarsh:moss')).toBe(false);
    },
  );
});

describe('Items and groups', () => {
  const item = (name: string, more: object) => [
    `view/items/${name}.json`,
    { id: `saltmarsh:${name}`, form: 'flat', stack: 50, ...more },
  ];
  const world = handWorld({
    blocks: { reed: {}, moss: {} },
    looks: { reed: { rows: [{ use: [{ ...cube, model: 'obrank:stock/brick' }] }] } },
    fluids: { brine: {} },
    files: Object.fromEntries([
      item('reed', { block: 'saltmarsh:reed', form: 'block', group: 'saltmarsh:b' }),
      item('moss', { block: 'saltmarsh:moss', model: 'obrank:stock/clay', form: 'block', group: 'saltmarsh:a' }), // prettier-ignore
      item('shell', { texture: 'saltmarsh:shell', poses: { hand: { turn: [0, 90, 0], scale: 2, shift: [0, 8, 0] } } }), // prettier-ignore
      item('hook', { tool: { kind: 'sickle', grade: 1 }, texture: 'saltmarsh:shell' }),
      item('pail', { texture: 'saltmarsh:shell' }),
      item('full', { texture: 'saltmarsh:shell', bucket: { of: 'saltmarsh:brine', empty: 'saltmarsh:pail' } }), // prettier-ignore
      item('potted', { texture: 'saltmarsh:shell', bucket: { of: 'saltmarsh:moss', empty: 'saltmarsh:pail' } }), // prettier-ignore
      ['view/textures/shell.png', strip(1)],
      [
        'view/groups.json',
        {
          groups: [
            { id: 'saltmarsh:a', icon: 'saltmarsh:moss' },
            { id: 'saltmarsh:b', icon: 'saltmarsh:reed' },
          ],
        },
      ],
    ]) as Record<string, object>,
  });
  const numbers = new Numbers(world);
  const { numberOf } = atlasOf(world.view, world.view.pictures, {
    width: 16,
    height: 16,
    frames: 1,
    steps: [],
    blend: false,
    pixels: () => marker.data,
  });
  const meshOf = (name: string, place: 'hand' | 'ground' = 'hand') =>
    meshItem(
      {
        pack: world,
        numbers,
        looks: new Looks(world, numbers),
        pictureNumber: (id) => (id === undefined ? 0 : (numberOf.get(id) ?? 0)),
      },
      itemIn(world, `saltmarsh:${name}`)!,
      place,
    );

  test(
    clause(
      'Items and groups',
      "An item's `form` is the block as it stands, or a flat picture",
      'Where the item of a block names a `model` it shows that instead',
    ),
    () => {
      expect([meshOf('reed').faces, meshOf('reed').pictures[0]]).toEqual([
        6,
        numberOf.get('obrank:stock/brick'),
      ]);
      expect(meshOf('moss').pictures[0]).toBe(numberOf.get('obrank:stock/clay'));
      expect([meshOf('shell').faces, meshOf('shell').pictures[0]]).toEqual([
        2,
        numberOf.get('saltmarsh:shell'),
      ]);
    },
  );
  test(clause('Items and groups', '`poses` say how it sits in the `hand`'), () => {
    const corner = (at: number) => [...meshOf('shell').positions.subarray(at * 3, at * 3 + 3)];
    // The top left of a flat picture, (−½, ½, 0): a quarter about y takes −X to +Z; twice as large;
    // half a block up.
    const near = (list: number[]) => list.map((part) => Math.round(part * 1e4) / 1e4 + 0);
    expect(near(corner(0))).toEqual([0, 1.5, 1]);
    // On the ground nothing is named: the engine chooses.
    expect(near([...meshOf('shell', 'ground').positions.subarray(0, 3)])).not.toEqual([0, 1.5, 1]);
  });
  test(clause('Items and groups', 'A `tool` is of a kind and a grade of the ladder'), () =>
    expect(itemIn(world, 'saltmarsh:hook')!.tool).toEqual({ kind: 'sickle', grade: 1 }),
  );
  test(clause('Items and groups', 'A `bucket` is filled with the fluid or block `of`'), () => {
    const run = new Run(world, { scene: 'Bare ground', seed: 1 });
    const goesRound = (full: string, stands: object) => {
      run.tick([
        { do: 'look', yaw: 0, pitch: -4500 },
        { do: 'hold', held: { item: `saltmarsh:${full}` } },
      ]);
      const told = run.tick([{ do: 'place' }]).find((one) => one.told === 'poured');
      const place: Vec3 = told?.told === 'poured' ? told.place : [0, 0, 0];
      expect(run.now.standingAt(place)).toMatchObject(stands);
      expect(run.held).toEqual({ item: 'saltmarsh:pail' });
      run.tick([{ do: 'use' }]);
      expect(run.held).toEqual({ item: `saltmarsh:${full}` });
      // What ran out of a source goes when that is gone.
      for (let tick = 0; tick < 40; tick += 1) run.tick();
      expect(run.now.standingAt(place)).toBeUndefined();
    };
    goesRound('full', { fluid: 'saltmarsh:brine' });
    goesRound('potted', { block: 'saltmarsh:moss', state: 0 });
  });
  test(clause('Items and groups', '`view/groups.json` lists the catalogue groups'), () =>
    expect(
      catalogueOf(world)
        .slice(0, 2)
        .map(({ id }) => id),
    ).toEqual(['saltmarsh:moss', 'saltmarsh:reed']),
  );
});
