import { inspect } from '../core/inspect/index.ts';
import { modRules } from '../core/inspect/rules/index.ts';
import { applyChange, type Mod } from '../core/mod/index.ts';
import { bigMod } from './big-mod.ts';
const many = Number(process.argv[2] ?? 8000);
let { mod: at } = bigMod(many);
const spent = new Map<string, [number, number]>();
for (const rule of modRules) { const old = rule.check; (rule as { check: unknown }).check = (...a: never[]) => { const t = performance.now(); const r = (old as (...x: never[]) => unknown)(...a); const s = spent.get(rule.id) ?? [0, 0]; s[0] += performance.now() - t; s[1]++; spent.set(rule.id, s); return r; }; }
inspect(at);
const name = Object.keys(at.blocks)[many >> 1]!;
const edits: Record<string, (i: number) => { path: string; before: unknown; after: unknown }> = {
  name: (i) => ({ path: `/blocks/${name}/names/en`, before: at.blocks[name]!.names['en'], after: `N ${i}` }),
  loot: (i) => ({ path: `/blocks/${name}/loot`, before: at.blocks[name]!.loot, after: { draws: [{ times: i + 1, lots: [{ give: `saltmarsh:${name}` }] }] } }),
  tag: (i) => ({ path: `/blocks/${name}/tags`, before: at.blocks[name]!.tags, after: i % 2 ? ['saltmarsh:pick_dug'] : ['saltmarsh:axe_dug', 'saltmarsh:spade_dug'] }),
  recipe: (i) => ({ path: `/recipes/r`, before: at.recipes['r'], after: { kind: 'fire', takes: `saltmarsh:${name}`, gives: 'saltmarsh:bank_0001', seconds: i + 1 } }),
};
for (const [what, make] of Object.entries(edits)) {
  spent.clear(); let total = 0;
  for (let i = 0; i < 10; i++) { at = applyChange<Mod>(at, make(i) as never); const s = performance.now(); inspect(at); total += performance.now() - s; }
  console.log(what, (total / 10).toFixed(1), [...spent].sort((a, b) => b[1][0] - a[1][0]).slice(0, 9).map(([k, [t]]) => `${k} ${(t / 10).toFixed(1)}`).join(' | '));
}
