import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readFolder } from '../../disk/index.ts';
import { flattened } from '../families/index.ts';
import { readModFolder } from '../folder/index.ts';
import { applyChanges, type Mod, type Picture } from '../mod/index.ts';
import {
  blocksShowing,
  matchPictures,
  openSlots,
  takePictures,
  type PictureGoal,
} from './index.ts';

const { mod: declared } = readModFolder(await readFolder('demo/saltmarsh'));
const demo = flattened(declared);
/** The demo with a crate whose two slots are open, and a kettle with one. */
const mod = applyChanges<Mod>(demo, [
  { path: '/blocks/kelp_crate', after: bareBlock('obrank:column') },
  { path: '/blocks/brine_kettle', after: bareBlock('obrank:cube') },
]);

function bareBlock(model: string) {
  return {
    identity: {},
    traits: {},
    states: { properties: [] },
    looks: { mode: 'one-of', rows: [{ use: [{ model }] }] },
    tags: [],
    names: {},
  };
}
const picture = (digit: number): Picture => ({
  sha256: String(digit % 10).repeat(64),
  bytes: 9,
  width: 16,
  height: 16,
  alpha: 'none',
  mean: '#808080',
  grey: true,
});

describe('what becomes of picture files', () => {
  test.each<[string, PictureGoal]>([
    ['oyster_brick.png', { kind: 'replace', name: 'oyster_brick' }],
    ['Oyster Brick.PNG', { kind: 'replace', name: 'oyster_brick' }],
    ['oven_front.png', { kind: 'replace', name: 'oven/front' }],
    [
      'kelp_crate_end.png',
      { kind: 'fill', name: 'kelp_crate_end', block: 'kelp_crate', slot: 'end' },
    ],
    [
      'brine-kettle.png',
      { kind: 'fill', name: 'brine_kettle', block: 'brine_kettle', slot: 'face' },
    ],
    ['kelp_crate.png', { kind: 'new', name: 'kelp_crate' }],
    ['mud.png', { kind: 'new', name: 'mud' }],
    ['???.png', { kind: 'new', name: 'texture' }],
  ])('%s', (file, goal) => {
    expect(matchPictures(mod, [file])).toEqual([goal]);
  });

  test('no two files get one place', () => {
    expect(
      matchPictures(mod, ['mud.png', 'Mud.png', 'oyster_brick.png', 'oyster-brick.png']),
    ).toEqual([
      { kind: 'new', name: 'mud' },
      { kind: 'new', name: 'mud_2' },
      { kind: 'replace', name: 'oyster_brick' },
      { kind: 'new', name: 'oyster_brick_2' },
    ]);
  });
});

describe('taking pictures in', () => {
  test('replaces, fills and adds in one step, and leaves out what is left out', () => {
    const goals = matchPictures(mod, [
      'oyster_brick.png',
      'kelp_crate_end.png',
      'kelp_crate_side.png',
      'mud.png',
    ]);
    const arriving = [...goals, { kind: 'leave' } as const].map((goal, i) => ({
      goal,
      picture: picture(i),
    }));
    const after = applyChanges<Mod>(mod, takePictures(mod, arriving));
    expect(after.textures['oyster_brick']?.picture).toEqual(picture(0));
    expect(blocksShowing(after, 'saltmarsh:kelp_crate_end')).toEqual(['kelp_crate']);
    expect(blocksShowing(after, 'saltmarsh:kelp_crate_side')).toEqual(['kelp_crate']);
    expect(openSlots(after).map(({ block }) => block)).toEqual(['brine_kettle']);
    expect(after.textures['mud']?.picture).toEqual(picture(3));
    expect(Object.keys(after.textures)).toHaveLength(Object.keys(mod.textures).length + 3);
  });

  test('a strip keeps its frames when its picture is replaced', () => {
    const [strip] = Object.entries(demo.textures).find(([, texture]) => texture.strip)!;
    const goal = { kind: 'replace', name: strip } as const;
    const after = applyChanges<Mod>(mod, takePictures(mod, [{ goal, picture: picture(1) }]));
    const before = demo.textures[strip]!;
    expect(before.made).toBeDefined();
    // It is no longer what it was made from.
    expect(after.textures[strip]).toEqual({ picture: picture(1), strip: before.strip });
    // A picture that moves brings its own timing.
    const moving = { goal, picture: picture(2), strip: { ticks: 9 } };
    const moved = applyChanges<Mod>(mod, takePictures(mod, [moving]));
    expect(moved.textures[strip]).toEqual({ picture: picture(2), strip: { ticks: 9 } });
  });

  test('whatever the files are called, nothing of the mod is lost and every one is found again', () => {
    const file = fc.oneof(
      fc.constantFrom(...Object.keys(mod.textures), 'kelp_crate_end', 'brine_kettle'),
      fc.string({ maxLength: 12 }),
    );
    fc.assert(
      fc.property(fc.array(file, { maxLength: 8 }), (files) => {
        const goals = matchPictures(
          mod,
          files.map((name) => `${name}.png`),
        );
        const arriving = goals.map((goal, i) => ({ goal, picture: picture(i) }));
        const after = applyChanges<Mod>(mod, takePictures(mod, arriving));
        for (const name of Object.keys(mod.textures)) expect(after.textures).toHaveProperty([name]);
        goals.forEach((goal, i) => {
          const { name } = goal as { name: string };
          expect(after.textures[name]?.picture).toEqual(picture(i));
        });
      }),
    );
  });
});
