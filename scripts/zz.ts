import { inspect } from '../core/inspect/index.ts';
import { modRules, findingsRules, rulesById } from '../core/inspect/rules/index.ts';
import { inspectBlocks } from '../core/inspect/blocks.ts';
import { viewOf, watchedView } from '../core/inspect/view.ts';
import { kitNamed } from '../core/kits/index.ts';
import { applyChange, type Mod } from '../core/mod/index.ts';
import { bigMod } from './big-mod.ts';
let { mod: at } = bigMod(8000);
const kit = kitNamed('block-pack');
inspect(at);
const name = Object.keys(at.blocks)[4000]!;
const edits: Record<string, (mod: Mod, run: number) => any> = {
  trait: (mod, run) => ({ path: `/blocks/${name}/traits/hardness`, before: mod.blocks[name]!.traits.hardness, after: 3 + run }),
  name: (mod, run) => ({ path: `/blocks/${name}/names/en`, before: mod.blocks[name]!.names['en'], after: `Named ${run}` }),
  loot: (mod, run) => ({ path: `/blocks/${name}/loot`, before: mod.blocks[name]!.loot, after: { draws: [{ times: run + 1, lots: [{ give: `saltmarsh:${name}` }] }] } }),
  tag: (mod, run) => ({ path: `/blocks/${name}/tags`, before: mod.blocks[name]!.tags, after: run % 2 ? ['saltmarsh:pick_dug'] : ['saltmarsh:axe_dug', 'saltmarsh:spade_dug'] }),
  recipe: (mod, run) => ({ path: '/recipes/fired', before: mod.recipes['fired'], after: { kind: 'fire', takes: `saltmarsh:${name}`, gives: 'saltmarsh:bank_0001', seconds: run + 1 } }),
};
for (const [what, make] of Object.entries(edits)) {
  const sums = new Map<string, number[]>();
  const t = <T,>(k: string, f: () => T): T => { const s = performance.now(); const r = f(); (sums.get(k) ?? sums.set(k, []).get(k)!).push(performance.now() - s); return r; };
  for (let run = 0; run < 9; run += 1) {
    at = t('apply', () => applyChange<Mod>(at, make(at, run)));
    const before = at;
    t('blocks', () => inspectBlocks(at));
    t('view', () => viewOf(at));
    t('ALL after', () => inspect(at));
    void before;
  }
  // per rule, what it reads
  const mid = (x: number[]) => [...x].sort((a, b) => a - b)[x.length >> 1]!;
  console.log(what, [...sums].map(([k, v]) => `${k} ${mid(v).toFixed(2)}`).join(', '));
  const rows: [string, number, string][] = [];
  for (const rule of modRules) {
    const { view, reads } = watchedView(at);
    const times = [0, 1, 2].map((run) => { at = applyChange<Mod>(at, make(at, run + 20)); const w = watchedView(at); const s = performance.now(); rule.check(w.view, kit); return performance.now() - s; });
    rule.check(view, kit);
    rows.push([rule.id, mid(times), [...reads.keys()].join(' ')]);
  }
  if (what === 'tag') for (const [id, ms, parts] of rows.sort((a, b) => b[1] - a[1]).slice(0, 40)) console.log('  ', ms.toFixed(2), id, parts);
}
