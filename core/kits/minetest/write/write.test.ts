import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readObj } from '../../../exchange/index.ts';
import { anyBlock, randomMod } from '../../../inspect/testing/random-blocks.ts';
import { sampleMod } from '../../../inspect/sample.ts';
import { resolveBlock, resolveBlocks, type Mod, type Recipe } from '../../../mod/index.ts';
import { decodePicture, encodePicture } from '../../../textures/index.ts';
import { digTime, toolsOf } from '../../../traits/index.ts';
import { fileGone } from '../rules/all.ts';
import { bodyOf } from '../states/body.ts';
import { facesOfMesh } from '../verdict/meshes.ts';
import { capabilities, ladderTools, Ways } from './digging.ts';
import { writeEngineBlock, writeEngineMod } from './index.ts';
import { lua, luaString } from './lua.ts';
import { engineLight, slipperiness } from './nodes.ts';
import { recipeForEngine } from './recipes.ts';
import { cubeFaces, drawnBoxes, meshText } from './shape.ts';
import { soundFiles, soundsOf } from './sounds.ts';
import { pictureFor } from './tiles.ts';
import { localeFiles } from './words.ts';

const grey = encodePicture({ width: 16, height: 16, data: new Uint8Array(1024).fill(140) });
const text = (files: ReadonlyMap<string, Uint8Array>, path: string) =>
  new TextDecoder().decode(files.get(path));

describe('Lua', () => {
  test('strings, numbers, names and tables as Lua reads them', () => {
    expect(luaString('a "b" \\ c\nd\0')).toBe('"a \\"b\\" \\\\ c\\nd\\0"');
    expect(lua({ name: 'salt', end: 1, 'a-b': true, gone: undefined })).toBe(
      '{ name = "salt", ["end"] = 1, ["a-b"] = true }',
    );
    expect(lua([0.1 + 0.2, -0, 1e-9])).toBe('{ 0.3, 0, 0 }');
    expect(lua([])).toBe('{}');
  });

  test('no line is longer than a screen is wide, whatever is printed', () =>
    fc.assert(
      fc.property(fc.array(fc.integer()), (numbers) => {
        const printed = lua(numbers);
        for (const line of printed.split('\n')) expect(line.length).toBeLessThanOrEqual(110);
        expect(printed.match(/-?\d+/g) ?? []).toEqual(numbers.map((n) => String(n + 0)));
      }),
    ));
});

describe('shapes', () => {
  const mod = randomMod(1, 1);

  test('a whole cube is six tiles in the order of the engine; what is turned keeps its tiles', () => {
    const bank = resolveBlocks(sampleMod()).find(({ name }) => name === 'bank')!;
    const faces = cubeFaces(bodyOf(sampleMod(), bank, 0))!;
    const way = faces.map(({ corners: [a, , c] }) =>
      a.map((value, axis) => Math.round(value + c[axis]!)).join(' '),
    );
    // Up, down, east, west, north, south: our north is where z falls.
    expect(way).toEqual(['0 1 0', '0 -1 0', '1 0 0', '-1 0 0', '0 0 -1', '0 0 1']);
    const lamp = resolveBlocks(sampleMod()).find(({ name }) => name === 'lamp')!;
    expect(cubeFaces(bodyOf(sampleMod(), lamp, 0))).toBeUndefined();
  });

  test('boxes that the engine draws itself are those whose pictures lie as it lays them', () => {
    const drawn = (name: string) => {
      const declared = { ...mod.blocks['block_0']!, states: { properties: [] }, traits: {} };
      const looks: typeof declared.looks = {
        mode: 'one-of',
        rows: [{ use: [{ model: `saltmarsh:${name}` }] }],
      };
      const block = resolveBlock(mod, 'tried', { ...declared, looks });
      return drawnBoxes(bodyOf(mod, block, 0));
    };
    expect(drawn('slab')!.boxes).toEqual([
      [
        [-0.5, -0.5, -0.5],
        [0.5, -0.0625, 0.5],
      ],
    ]);
    expect(drawn('slab')!.tiles).toHaveLength(6);
    expect(drawn('pane')!.boxes[0]).toEqual([
      [-0.4375, -0.375, 0.375],
      [0.375, 0.375, 0.4375],
    ]);
    // A box that is spun, or that shows another part of its picture, is a mesh.
    expect(drawn('post')).toBeUndefined();
  });

  test('a mesh holds the faces of the body where the engine takes them, with the same pictures', () =>
    fc.assert(
      fc.property(anyBlock, (declared) => {
        const { faces } = bodyOf(mod, resolveBlock(mod, 'tried', declared), 0);
        const written = meshText('tried', {
          ...bodyOf(mod, resolveBlock(mod, 'tried', declared), 0),
        });
        const points = (all: readonly (readonly number[])[]) =>
          all.map((point) => point.map((v) => v.toFixed(4)).join(' ')).join(', ');
        const read = facesOfMesh(written).map(points).sort();
        expect(read).toEqual(faces.map(({ corners }) => points(corners)).sort());
        // Another reader finds as many faces, and groups for as many pictures.
        const scene = readObj(new TextEncoder().encode(written), 'tried', () => undefined);
        const count = scene.parts.reduce((sum, part) => sum + part.faces.length, 0);
        expect(count).toBe(faces.length);
        expect(scene.materials).toHaveLength(
          new Set(faces.map((f) => `${f.texture} ${f.tinted}`)).size,
        );
      }),
      { numRuns: 30 },
    ));
});

describe('numbers', () => {
  test('every tool digs every block in exactly the declared time', () => {
    const mod = randomMod(40, 5);
    const blocks = resolveBlocks(mod);
    const ways = new Ways(blocks);
    for (const block of blocks)
      for (const tool of toolsOf(mod.header, block.traits.toolKind)) {
        const { seconds } = digTime(block.traits, tool, mod.header);
        const rating = ways.ratingOf(block.traits);
        const caps = capabilities(mod.header, ways, tool) as {
          groupcaps: Record<string, { times: number[] }>;
        };
        expect(rating && caps.groupcaps['saltmarsh_dig']!.times[rating - 1]).toBe(seconds);
      }
  });

  test('the ladder has every kind and grade once', () => {
    const tools = ladderTools(sampleMod());
    const { kinds, grades } = sampleMod().header.tools;
    expect(tools).toHaveLength(Object.keys(kinds).length * grades.length);
    expect(new Set(tools.map(({ name }) => name)).size).toBe(tools.length);
  });

  test('light and friction are brought to the engine’s scale', () => {
    expect([-1, 0, 3.4, 13, 14, 15, 99].map(engineLight)).toEqual([0, 0, 3, 13, 14, 14, 14]);
    expect([1, 0.6, 0.5, 0.3, 0].map(slipperiness)).toEqual([0, 0, 1, 3, 5]);
  });
});

describe('recipes, words, pictures', () => {
  test('each kind of recipe, mirrored where that counts; one that the engine lacks is left out', () => {
    const pattern: Recipe = {
      kind: 'pattern',
      pattern: ['ab', ' b'],
      keys: { a: 'saltmarsh:salt', b: '#saltmarsh:bars' },
      gives: 'saltmarsh:lamp',
      count: 2,
    };
    const [group, salt] = ['group:saltmarsh_bars', 'saltmarsh:salt'];
    expect(recipeForEngine(pattern)).toEqual([
      {
        output: 'saltmarsh:lamp 2',
        recipe: [
          [salt, group],
          ['', group],
        ],
      },
      {
        output: 'saltmarsh:lamp 2',
        recipe: [
          [group, salt],
          [group, ''],
        ],
      },
    ]);
    expect(recipeForEngine({ ...pattern, mirrored: false })).toHaveLength(1);
    expect(recipeForEngine({ ...pattern, pattern: ['aba'] })).toHaveLength(1);
    expect(
      recipeForEngine({ kind: 'fire', takes: salt, gives: 'saltmarsh:bank', seconds: 8 }),
    ).toEqual([{ type: 'cooking', output: 'saltmarsh:bank', recipe: salt, cooktime: 8 }]);
    expect(recipeForEngine({ kind: 'mix', takes: [salt], gives: salt })).toEqual([
      { type: 'shapeless', output: salt, recipe: [salt] },
    ]);
    expect(recipeForEngine({ kind: 'cut', takes: salt, choices: [] })).toEqual([]);
  });

  test('names are translated from the first language, with the signs that mean something', () => {
    const mod = sampleMod();
    const bank = { ...mod.blocks['bank']!, names: { en: 'Bank = @home', de: 'Ufer = @heim' } };
    const files = localeFiles({
      ...mod,
      header: { ...mod.header, languages: ['en', 'de', 'pt-BR'] },
      blocks: { bank },
    });
    expect([...files]).toEqual([
      ['locale/saltmarsh.de.tr', '# textdomain: saltmarsh\nBank @= @@home=Ufer @= @@heim\n'],
      ['locale/saltmarsh.pt_BR.tr', '# textdomain: saltmarsh\n'],
    ]);
  });

  test('a strip is laid in the order in which its frames show', () => {
    const rows = Uint8Array.from({ length: 4 * 4 * 3 * 4 }, (_, i) => Math.floor(i / 64) * 50 + 50);
    const bytes = encodePicture({ width: 4, height: 12, data: rows });
    const texture: Mod['textures'][string] = {
      picture: { ...sampleMod().textures['bank']!.picture, width: 4, height: 12 },
      strip: { ticks: 2, order: [2, 0, 7] },
    };
    const laid = decodePicture(pictureFor(texture, () => bytes));
    expect([laid.width, laid.height]).toEqual([4, 12]);
    expect([0, 1, 2].map((frame) => laid.data[frame * 64])).toEqual([150, 50, 50]);
    expect(pictureFor({ ...texture, strip: { ticks: 2 } }, () => bytes)).toBe(bytes);
    const lights = (strip: NonNullable<typeof texture.strip>) => {
      const { height, data } = decodePicture(pictureFor({ ...texture, strip }, () => bytes));
      return Array.from({ length: height / 4 }, (_, frame) => data[frame * 64]);
    };
    // The engine knows one time for all: what stays longer is laid more often.
    const timed = [{ frame: 2, ticks: 6 }, 0, { frame: 1, ticks: 2 }];
    expect(lights({ ticks: 4, order: timed })).toEqual([150, 150, 150, 50, 50, 100]);
    // What goes over is drawn tick by tick: the more solid one counts for more.
    expect(lights({ ticks: 2, order: [0, 2], blend: true })).toEqual([50, 125, 150, 125]);
  });
});

describe('sounds', () => {
  const facts = (format: 'ogg' | 'wav') => ({ sha256: format.repeat(21) + 'a', bytes: 9, format });
  const mod: Mod = {
    ...sampleMod(),
    sounds: { a: facts('ogg'), b: facts('wav'), c: facts('ogg') },
    soundSets: {
      wet: {
        step: [
          { sound: 'saltmarsh:a', volume: [0.2, 0.4] },
          { sound: 'saltmarsh:b', volume: [1, 1] },
          { sound: 'saltmarsh:c', volume: [0.4, 0.6], pitch: [0.8, 1] },
        ],
        dig: [{ sound: 'saltmarsh:b' }],
      },
    },
  };

  test('the Ogg files of an event are one name, as loud and high as they are on average', () => {
    expect(soundsOf(mod, 'saltmarsh:wet')).toEqual({
      footstep: {
        name: 'saltmarsh_wet_step',
        gain: expect.closeTo(0.4),
        pitch: expect.closeTo(0.95),
      },
    });
    expect(soundsOf(mod, 'obrank:stone')).toBeUndefined();
  });

  test('each is a file with its number; others are left out', () => {
    const files = soundFiles(mod, (sha256) => new TextEncoder().encode(sha256));
    expect([...files.keys()]).toEqual([
      'sounds/saltmarsh_wet_step.0.ogg',
      'sounds/saltmarsh_wet_step.1.ogg',
    ]);
  });
});

describe('the whole mod', () => {
  test('the same mod gives the same bytes, in the order of their paths', () => {
    const write = () => writeEngineMod(sampleMod(), () => grey);
    expect([...write()]).toEqual([...write()]);
    expect([...write().keys()]).toEqual([...write().keys()].sort());
  });

  test('old names and retired blocks are aliases; what a node adds to its name stays', () => {
    const mod = sampleMod();
    const lamp = mod.ledger.entries.find(({ name }) => name === 'lamp')!;
    const renamed: Mod = {
      ...mod,
      ledger: {
        ...mod.ledger,
        entries: mod.ledger.entries.map((one) =>
          one === lamp ? { ...one, formerly: ['torch'] } : one,
        ),
        retired: [{ number: 9, kind: 'block', name: 'wick', successor: 'saltmarsh:lamp' }],
      },
    };
    const words = text(
      writeEngineMod(renamed, () => grey),
      'mod.lua',
    );
    expect(words).toContain('["saltmarsh:torch"] = "saltmarsh:lamp"');
    expect(words).toContain('["saltmarsh:torch_lit"] = "saltmarsh:lamp_lit"');
    expect(words).toContain('["saltmarsh:wick"] = "saltmarsh:lamp"');
  });

  test('what the mod says of itself is carried along, on one line each, with its picture', () => {
    const mod = sampleMod();
    const { picture } = Object.values(mod.textures)[0]!;
    const header = { ...mod.header, description: 'Salt works.\n  By the sea.', picture };
    const files = writeEngineMod({ ...mod, header }, () => grey);
    expect(text(files, 'mod.conf')).toContain('description = Salt works. By the sea. 0.1.0, ');
    expect(files.get('screenshot.png')).toBe(grey);
  });

  test('other mods that are needed are depended on; a block by itself brings its part and meshes', () => {
    const mod = sampleMod();
    const needing: Mod = { ...mod, header: { ...mod.header, needs: [{ namespace: 'driftwood' }] } };
    expect(
      text(
        writeEngineMod(needing, () => grey),
        'mod.conf',
      ),
    ).toContain('depends = driftwood');
    const spun = {
      ...mod.models['lamp']!.boxes![0]!,
      spin: { about: 'y' as const, by: 10, pivot: [8, 8, 8] as [number, number, number] },
    };
    const lamp = { ...mod.models['lamp']!, boxes: [spun] };
    const files = writeEngineBlock({ ...mod, models: { ...mod.models, lamp } }, 'lamp');
    expect([...files.keys()]).toEqual([
      'blocks.lua (this block)',
      'models/saltmarsh_lamp.obj',
      'models/saltmarsh_lamp_lit.obj',
    ]);
    expect(files.get('blocks.lua (this block)')).toContain('light_source = 12');
    // As it is it needs no mesh: the engine draws its box.
    expect([...writeEngineBlock(mod, 'lamp').keys()]).toEqual(['blocks.lua (this block)']);
    expect(writeEngineBlock(mod, 'nobody').size).toBe(0);
  });
});

test('what is missing is told at the line that names it', () => {
  const files = writeEngineMod(sampleMod(), () => grey);
  const lines = text(files, 'blocks.lua').split('\n');
  files.delete('textures/saltmarsh_bank.png');
  const [found] = fileGone.check(files);
  expect(found).toMatchObject({
    file: 'blocks.lua',
    message: expect.stringMatching(/^saltmarsh_bank/),
  });
  const { line, column } = found!.place!;
  expect(lines[line - 1]!.slice(column - 1)).toMatch(/^"saltmarsh_bank\.png"/);
});
