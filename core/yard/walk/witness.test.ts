import { beforeAll, describe, expect, test } from '@jest/globals';
import { readFiles } from '../../../demo/art/read-files.ts';
import { flattened } from '../../families/index.ts';
import { readModFolder } from '../../folder/index.ts';
import { loadPack } from '../../kits/index.ts';
import { writeBlockPack } from '../../kits/block-pack/write/index.ts';
import { broken, lootSource } from '../../loot/index.ts';
import { idOf, resolveBlocks, type Mod, type ResolvedBlock } from '../../mod/index.ts';
import { placedState, turningOf, usualSituation } from '../../placing/index.ts';
import { decodePicture, encodePicture } from '../../textures/index.ts';
import { directions, directionStep, headings, opposite, seededRandom } from '../../space/index.ts';
import { digTime } from '../../traits/index.ts';
import type { Files } from '../../bytes/index.ts';
import {
  drops,
  dug,
  handsOf,
  moved,
  placed,
  testWalk,
  walkDifferences,
  walkReport,
  wasInWords,
} from '../index.ts';
import type { PackWorld } from '../index.ts';

let mod: Mod;
let files: Files;
let world: PackWorld;
let pairs: { block: ResolvedBlock; read: NonNullable<ReturnType<PackWorld['blocks']['get']>> }[];
beforeAll(() => {
  const folder = readModFolder(readFiles('demo/saltmarsh'));
  mod = flattened(folder.mod);
  files = writeBlockPack(mod, (sha256) => folder.blobs.get(sha256)!);
  const loaded = loadPack(files);
  expect(loaded.log).toEqual([]);
  world = loaded.world;
  pairs = resolveBlocks(mod).map((block) => ({
    block,
    read: world.blocks.get(idOf('saltmarsh', block.name))!,
  }));
});

const placingOf = ({ name }: ResolvedBlock) => mod.blocks[name]!.states.placing ?? [];

describe('what the declaration foretells, the Yard finds in the files of the demo', () => {
  test('placed on six sides from four headings, level, up and down, crouching or not', () => {
    let asked = 0;
    for (const { block, read } of pairs)
      for (const clicked of directions)
        for (const looks of headings)
          for (const pitch of ['level', 'up', 'down'] as const)
            for (const crouching of [false, true])
              for (const half of ['upper', 'lower'] as const) {
                const back = opposite(clicked);
                const neighbours = {
                  ...usualSituation.neighbours,
                  down: 'open' as const,
                  [back]: 'solid' as const,
                };
                const situation = {
                  ...usualSituation,
                  clicked,
                  half,
                  looks,
                  pitch,
                  crouching,
                  neighbours,
                };
                const foretold = placedState(placingOf(block), block.space, situation);
                const [x, , z] = directionStep(looks);
                const steep = { level: 0, up: 2, down: -2 }[pitch];
                const found = placed(
                  read,
                  {
                    side: clicked,
                    height: half === 'upper' ? 0.8 : 0.2,
                    looks: [x, steep, z],
                    crouching,
                  },
                  { isSolid: (side) => side === back, hasSignal: false, ownKind: () => undefined },
                );
                expect([block.name, clicked, looks, pitch, found.state]).toEqual([
                  block.name,
                  clicked,
                  looks,
                  pitch,
                  foretold,
                ]);
                asked += 1;
              }
    expect(asked).toBe(pairs.length * 288);
  });

  test('dug with bare hands and with every tool', () => {
    for (const { block, read } of pairs)
      for (const hand of handsOf(world.tools)) {
        const tool = hand ? { kind: hand.kind as 'pick', grade: hand.grade } : 'bare hands';
        const foretold = digTime(block.traits, tool, mod.header);
        const found = dug(read, hand, world);
        expect([block.name, found?.ticks, found?.yields ?? false]).toEqual([
          block.name,
          foretold.ticks,
          foretold.yields,
        ]);
      }
  });

  test('turned and mirrored, in every state', () => {
    for (const { block, read } of pairs) {
      const turning = turningOf(block.space, placingOf(block));
      for (let state = 0; state < block.space.size; state += 1)
        expect([
          block.name,
          state,
          moved(read, state, 'turned'),
          moved(read, state, 'mirrored'),
        ]).toEqual([block.name, state, turning.quarter[state], turning.mirror[state]]);
    }
  });

  test('what drops comes as often as the odds say', () => {
    const runs = 4000;
    for (const { block, read } of pairs) {
      const hand = handsOf(world.tools).findLast((one) => dug(read, one, world)?.yields);
      const tool = hand ? { kind: hand.kind as 'pick', grade: hand.grade } : 'bare hands';
      const state = block.space.defaultState;
      const foretold = broken(block, { tool, careful: false, state }, lootSource(mod, block));
      if (typeof foretold === 'string') continue;
      const random = seededRandom(11);
      const sums = new Map<string, number>();
      const breaking = { state: block.space.decode(state), tool: hand };
      for (let i = 0; i < runs; i += 1)
        for (const { item, count } of drops(read.draws, breaking, { ...world, random }))
          sums.set(item, (sums.get(item) ?? 0) + count);
      const means = new Map<string, number>();
      for (const { give, mean } of foretold) means.set(give, (means.get(give) ?? 0) + mean);
      for (const [item, mean] of means)
        expect(Math.abs((sums.get(item) ?? 0) / runs - mean)).toBeLessThan(0.05 + mean * 0.1);
      const named = [...means].flatMap(([item, mean]) => (mean > 0 ? [item] : []));
      expect([...sums.keys()].sort()).toEqual(named.sort());
    }
  });
});

describe('the test walk', () => {
  test('of the demo finds nothing amiss, and is the same each time', () => {
    const walk = testWalk(world);
    expect(walk).toHaveLength(pairs.length * 6);
    expect(walk.filter(({ amiss }) => amiss)).toEqual([]);
    expect(walkDifferences(walk, testWalk(world))).toEqual([]);
    // What light does is what the pack says of light, whatever the shape.
    const night = new Map(
      walk.flatMap((one) => (one.part === 'By night' ? [[one.block, one.found]] : [])),
    );
    for (const { block, read } of pairs) {
      if (read.lightEmitted.some(({ value }) => value)) continue;
      const isDark = read.lightAbsorbed.every(({ value }) => value === 15);
      expect([block.name, night.get(read.id) === 'dark, keeps out light']).toEqual([
        block.name,
        isDark,
      ]);
    }
    expect(
      walk.find(({ block, part }) => block.endsWith('tide_lantern') && part === 'Placed')?.found,
    ).toMatch(/^\d+ of 24 states: heading=/);
  });

  test('of a pack that only looks otherwise says so, at the blocks that do', () => {
    const other = new Map(files);
    const path = 'view/textures/gate/boards.png';
    const { data, ...size } = decodePicture(files.get(path)!);
    const painted = data.slice();
    painted[0]! ^= 1;
    other.set(path, encodePicture({ ...size, data: painted }));
    const [before, now] = [testWalk(world), testWalk(loadPack(other).world)];
    const differences = walkDifferences(before, now);
    expect(new Set(differences.map(({ block }) => block))).toEqual(
      new Set(['saltmarsh:sluice_gate']),
    );
    expect(differences.map(({ part, looksOther }) => [part, looksOther])).toEqual([
      ['Placed', true],
      ['Shown', true],
      ['Turned', true],
      ['By night', true],
    ]);
    expect(wasInWords(differences[0]!)).toBe('looks otherwise than the last time');
  });

  test('tells a picture that is not there, a file that is cut, a block that is gone', () => {
    const bad = new Map(files);
    bad.delete('view/textures/gate/boards.png');
    bad.set('rules/blocks/salt_oven.json', files.get('rules/blocks/salt_oven.json')!.slice(0, 40));
    bad.delete('view/looks/kelp_pane.json');
    const loaded = loadPack(bad);
    expect(loaded.log.join('\n')).toMatch(/^rules\/blocks\/salt_oven\.json:\d+:\d+: /m);
    const walk = testWalk(loaded.world);
    expect(
      walk.filter(({ amiss }) => amiss).map(({ block, amiss }) => `${block}: ${amiss}`),
    ).toEqual([
      'saltmarsh:kelp_pane: The pack has no look of it: it is a marker.',
      expect.stringMatching(
        /^saltmarsh:sluice_gate: The picture saltmarsh:gate\/boards of the model/,
      ),
    ]);
    const differences = walkDifferences(testWalk(world), walk);
    expect(differences.filter(({ now }) => now === undefined).map(({ block }) => block)).toEqual(
      Array.from({ length: 6 }, () => 'saltmarsh:salt_oven'),
    );
    const html = walkReport({
      title: 'Salt & <marsh>',
      version: '1',
      checks: walk,
      differences,
      nameOf: (id) => id,
    });
    expect(html).toContain('Salt &amp; &lt;marsh>');
    expect(html).toContain('class="amiss"');
    expect(html).toContain('was: ');
  });

  test('whatever is cut or gone: a pack loads, and the walk comes to its end', () => {
    // A picture takes long to read, and a walk looks at none.
    const texts = new Map([...files].filter(([path]) => path.endsWith('.json')));
    for (const [i, path] of [...texts.keys()].entries()) {
      if (i % 17) continue;
      const bad = new Map(texts);
      if (i % 2) bad.delete(path);
      else bad.set(path, texts.get(path)!.slice(0, 30));
      expect(() => testWalk(loadPack(bad).world)).not.toThrow();
    }
  });
});
