import { describe, expect, test } from '@jest/globals';
import { sampleMod } from '../../../inspect/sample.ts';
import type { Loot, Mod } from '../../../mod/index.ts';
import { seededRandom } from '../../../space/index.ts';
import { dropChecks, probeItems } from './asks/drops.ts';
import type { Check } from './check.ts';

const times = 2000;
/** The checks of a bank with some loot. */
function checksFor(loot: Loot, traits: Mod['blocks'][string]['traits'] = {}): Check[] {
  const mod = sampleMod();
  const bank = { ...mod.blocks['bank']!, loot, traits };
  return dropChecks({ ...mod, blocks: { bank } }, times);
}
const withChance = (chance: number): Loot => ({
  draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp', when: { chance } }] }],
});

/** What an engine would count that drops a lamp so often. */
function counted(chance: number, seed: number, count = 1) {
  const draw = seededRandom(seed);
  const run = () => {
    const hits = Array.from({ length: times }, draw).filter((value) => value < chance).length;
    return hits
      ? { tally: { 'saltmarsh:lamp': hits }, sums: { 'saltmarsh:lamp': hits * count } }
      : { tally: null, sums: null };
  };
  return [run(), run()];
}

describe('counted drops are held against the exact odds', () => {
  const [check] = checksFor(withChance(0.3));

  test('fair results agree, whatever the seed', () => {
    for (let seed = 1; seed <= 60; seed += 1)
      expect([seed, check!.judge(counted(0.3, seed))]).toEqual([seed, undefined]);
  });

  test('another chance is told, with both', () => {
    for (const chance of [0, 0.2, 0.4, 1])
      expect(check!.judge(counted(chance, 7))).toMatchObject({
        ours: expect.stringMatching(/saltmarsh:lamp: 30\.00 %/),
        engine: expect.stringMatching(/%.*on average/),
      });
  });

  test('another number with the same chance is told', () => {
    expect(check!.judge(counted(0.3, 7, 2))).toBeDefined();
  });

  test('what should never drop is named', () => {
    const stray = { tally: { 'saltmarsh:salt': 3 }, sums: { 'saltmarsh:salt': 3 } };
    expect(check!.judge([stray, stray])).toEqual({
      ours: 'never saltmarsh:salt',
      engine: `3 times in ${times}`,
    });
  });

  test('chance alone in one of two runs is no difference', () => {
    const [fair] = counted(0.3, 3);
    const [other] = counted(0.5, 3);
    expect(check!.judge([fair, other])).toBeUndefined();
    expect(check!.judge([other, other])).toBeDefined();
    expect(check!.judge('nothing')).toEqual({ ours: 'drops', engine: 'nothing' });
  });
});

describe('ways of digging', () => {
  const tools = (checks: readonly Check[]) =>
    checks.map(({ ask: { tool } }) => (typeof tool === 'string' ? tool : ''));

  test('bare hands, every grade of its kind, and a tool of another kind', () => {
    const used = tools(checksFor('itself'));
    expect(used[0]).toBe('');
    expect(used.filter((tool) => /spade/.test(tool))).toHaveLength(
      sampleMod().header.tools.grades.length,
    );
    expect(used.filter((tool) => tool !== '' && !/spade/.test(tool))).toHaveLength(1);
  });

  test('careful ones are added where the loot asks, and the probe has an item for each', () => {
    const careful: Loot = {
      draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp', when: { careful: true } }] }],
    };
    const used = tools(checksFor(careful));
    const items = probeItems(sampleMod(), [
      { tool: { kind: 'spade', grade: 0 } },
      { tool: 'bare hands' },
    ]);
    expect(used.filter((tool) => tool.startsWith('obrank_probe:careful'))).toHaveLength(
      used.length / 2,
    );
    expect(items).toEqual({
      careful: { careful: 1 },
      careful_spade_0: { careful: 1, saltmarsh_tool_spade: 1 },
    });
  });

  test('a gated block drops nothing for the wrong tool; what nothing digs is not asked about', () => {
    const gated = checksFor('itself', { gated: true, toolKind: 'spade', hardness: 2 });
    const nothing = { tally: null, sums: null };
    expect(gated[0]!.judge([nothing, nothing])).toBeUndefined();
    expect(gated.at(-2)!.judge([nothing, nothing])).toBeDefined();
    expect(checksFor('itself', { hardness: 'unbreakable' })).toEqual([]);
  });

  test('each value that the loot asks for is dug', () => {
    const mod = sampleMod();
    const lamp = {
      ...mod.blocks['lamp']!,
      loot: {
        draws: [{ times: 1, lots: [{ give: 'saltmarsh:bank', when: { state: { lit: true } } }] }],
      },
    };
    const about = dropChecks({ ...mod, blocks: { lamp } }, times).map((check) => check.about);
    expect(about.some((words) => words.includes('lit = true'))).toBe(true);
    expect(about.some((words) => words.includes('lit = false'))).toBe(true);
  });
});
