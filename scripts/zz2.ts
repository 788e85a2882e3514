import { inspect } from '../core/inspect/index.ts';
import { applyChange, type Mod } from '../core/mod/index.ts';
import { bigMod } from './big-mod.ts';
let { mod: at } = bigMod(8000);
inspect(at);
const name = Object.keys(at.blocks)[4000]!;
const edits: Record<string, (mod: Mod, run: number) => any> = {
  trait: (mod, run) => ({ path: `/blocks/${name}/traits/hardness`, before: mod.blocks[name]!.traits.hardness, after: 3 + run }),
  name: (mod, run) => ({ path: `/blocks/${name}/names/en`, before: mod.blocks[name]!.names['en'], after: `Named ${run}` }),
  loot: (mod, run) => ({ path: `/blocks/${name}/loot`, before: mod.blocks[name]!.loot, after: { draws: [{ times: run + 1, lots: [{ give: `saltmarsh:${name}` }] }] } }),
  tag: (mod, run) => ({ path: `/blocks/${name}/tags`, before: mod.blocks[name]!.tags, after: run % 2 ? ['saltmarsh:pick_dug'] : ['saltmarsh:axe_dug', 'saltmarsh:spade_dug'] }),
  recipe: (mod, run) => ({ path: '/recipes/fired', before: mod.recipes['fired'], after: { kind: 'fire', takes: `saltmarsh:${name}`, gives: 'saltmarsh:bank_0001', seconds: run + 1 } }),
};
const make = edits[process.argv[2]!]!;
const ts: number[] = [];
for (let run = 0; run < 60; run += 1) { at = applyChange<Mod>(at, make(at, run)); const s = performance.now(); inspect(at); ts.push(performance.now() - s); }
console.log(process.argv[2], ts.sort((a, b) => a - b)[30]!.toFixed(1));
