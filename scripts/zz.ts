import { rules, inspect } from '../core/inspect/index.ts';
import { sampleMod, withExample } from '../core/inspect/sample.ts';
const seen = new Map<string,string[]>();
for (const rule of rules) {
  if (rule.over === 'files') continue;
  for (const f of inspect(withExample(sampleMod(), rule.fails)).filter((f) => f.rule === rule.id && f.fix)) {
    for (const c of f.fix!.changes) {
      const key = c.path.replace(/^\/(blocks|items|models|textures|sounds|soundSets|recipes|lootTables|blockTags|itemTags|words)\/[^/]+/, '/$1/*').replace(/\/\d+/g,'/#');
      (seen.get(key) ?? seen.set(key, []).get(key)!).push(rule.id + (c.after===undefined?' (away)': c.before===undefined?' (new)':''));
    }
  }
}
for (const [k, v] of [...seen].sort()) console.log(k.padEnd(40), [...new Set(v)].join(', '));
