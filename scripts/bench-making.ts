import { inspect } from '../core/inspect/index.ts';
import { seededRandom } from '../core/space/index.ts';
import { distribution, lootSource, simulate, truthTable } from '../core/loot/index.ts';
import { applyChange, resolveBlock, type Draw, type Mod, type Recipe } from '../core/mod/index.ts';
import { acceptsIn, clashes, gains, findObtainable } from '../core/recipes/index.ts';
import { bigMod } from './big-mod.ts';
import type { Line, Median } from './figures.ts';

/**
 * A mod of many blocks in which each but the first tenth is made of two before it and of something
 * in one of twenty tags.
 */
function makingMod(many: number): Mod {
  const { mod } = bigMod(many);
  const names = Object.keys(mod.blocks);
  const raw = Math.floor(many / 10);
  const before = (i: number, back: number) => `saltmarsh:${names[Math.max(0, i - back)]!}`;
  const recipes = Object.fromEntries(
    names.slice(raw).map((name, at): [string, Recipe] => {
      const i = at + raw;
      const tag = `#saltmarsh:kind_${i % 20}`;
      return [
        name,
        i % 3
          ? {
              kind: 'mix',
              takes: [before(i, 1), before(i, 2 + (i % 7)), tag],
              gives: `saltmarsh:${name}`,
            }
          : {
              kind: 'pattern',
              pattern: ['ab', 'ba'],
              keys: { a: before(i, 2), b: tag },
              gives: `saltmarsh:${name}`,
            },
      ];
    }),
  );
  const blocks = Object.fromEntries(
    names.map((name, i) => [
      name,
      i < raw
        ? { ...mod.blocks[name]!, itemTags: [`saltmarsh:kind_${i % 20}`] }
        : mod.blocks[name]!,
    ]),
  );
  return {
    ...mod,
    blocks,
    recipes,
    itemTags: Object.fromEntries(Array.from({ length: 20 }, (_, i) => [`kind_${i}`, {}])),
  };
}

/** Measures what follows from loot, tags and recipes, as they grow tenfold. */
export function benchMaking(median: Median, line: Line): void {
  const made = (many: number) => {
    const mod = makingMod(many);
    const making = { ...mod, makings: mod.blocks };
    const accepts = acceptsIn(mod);
    return {
      mod,
      clash: median(7, () => clashes(mod.recipes, accepts)),
      had: median(7, () => findObtainable(making, accepts)),
      gain: median(7, () => gains(making, accepts)),
    };
  };
  made(200);
  const [small, large] = [made(200), made(2000)];
  for (const [what, key] of [
    ['compare recipes', 'clash'],
    ['what can be had, and at what cost', 'had'],
    ['circles that gain', 'gain'],
  ] as const)
    line(
      `making.${key}`,
      `${what}, 1,800 recipes`,
      `${large[key].toFixed(1)} ms`,
      `× ${(large[key] / small[key]).toFixed(1)} for × 10 recipes`,
    );
  let { mod } = large;
  inspect(mod);
  const name = Object.keys(mod.recipes)[900]!;
  const edits: [string, (at: Mod, run: number) => Mod][] = [
    [
      'a recipe',
      (at, run) =>
        applyChange<Mod>(at, {
          path: `/recipes/${name}/count`,
          before: (at.recipes[name] as { count?: number }).count,
          after: run + 2,
        }),
    ],
    [
      'a loot',
      (at, run) =>
        applyChange<Mod>(at, {
          path: `/blocks/${name}/loot`,
          before: at.blocks[name]!.loot,
          after: { draws: [{ times: 1, lots: [{ give: `saltmarsh:${name}`, count: run + 2 }] }] },
        }),
    ],
    [
      'a tag',
      (at, run) =>
        applyChange<Mod>(at, {
          path: `/blocks/${name}/tags`,
          before: at.blocks[name]!.tags,
          after: run % 2 ? ['saltmarsh:pick_dug'] : ['saltmarsh:pick_dug', 'saltmarsh:axe_dug'],
        }),
    ],
    [
      'a name',
      (at, run) =>
        applyChange<Mod>(at, {
          path: `/blocks/${name}/names/en`,
          before: at.blocks[name]!.names['en'],
          after: `Bank ${run}`,
        }),
    ],
  ];
  for (const [what, edit] of edits)
    line(
      `making.edit.${what.replaceAll(/[^a-z]+/g, '-')}`,
      `one edit of ${what} among 2,000 blocks and 1,800 recipes`,
      `${median(9, (run) => {
        mod = edit(mod, run);
        inspect(mod);
      }).toFixed(1)} ms`,
    );

  const draws: Draw[] = [
    {
      times: [1, 3],
      lots: [
        {
          give: 'saltmarsh:bank_0001',
          count: { tries: 8, chance: 0.3 },
          share: 3,
          when: { chance: 0.7 },
        },
        { give: 'saltmarsh:bank_0002', share: 2, luck: 1, when: { tool: 'pick' } },
        { share: 1 },
      ],
    },
  ];
  const block = { ...resolveBlock(mod, 'bank_0002', mod.blocks['bank_0002']!), draws };
  const source = lootSource(mod, block);
  const breaking = { tool: 'bare hands' as const, careful: false, state: 0 };
  const exact = median(21, () => distribution(draws, 'saltmarsh:bank_0001', breaking, source));
  const tried = median(5, (run) => {
    const steps = simulate(draws, breaking, source, 100_000, seededRandom(run + 1));
    while (!steps.next().done);
  });
  line(
    'loot.breaks-ratio',
    '100,000 breaks ÷ the exact odds of the same loot',
    (tried / exact).toFixed(0),
    `${tried.toFixed(0)} ms ÷ ${exact.toFixed(3)} ms`,
  );
  line(
    'loot.truth-table',
    'truth table of 5 ways × 8 states',
    `${median(21, () => truthTable(block, mod.header, source, ['heading', 'lit'])).toFixed(2)} ms`,
  );
}
