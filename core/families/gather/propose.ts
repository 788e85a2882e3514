import { lookUp } from '../../json/index.ts';
import { freeName } from '../../lists/index.ts';
import { namePattern, type Mod } from '../../mod/index.ts';

/** Which block or item stands for which material in which form. */
export interface Grid {
  materials: string[];
  forms: { name: string; called: string }[];
  /** Names of blocks and items by material and form. */
  cells: Record<string, Record<string, string>>;
}

/** Every way to see a name as a material within a pattern: `raw_brack` as `brack` in `raw_*`. */
function readings(name: string): { material: string; pattern: string }[] {
  const parts = name.split('_');
  const found: { material: string; pattern: string }[] = [];
  for (let from = 0; from < parts.length; from += 1)
    for (let to = from + 1; to <= parts.length; to += 1) {
      const material = parts.slice(from, to).join('_');
      // A material is called as a name may be.
      if (!/^[a-z]/.test(material)) continue;
      const pattern = [...parts.slice(0, from), '*', ...parts.slice(to)].join('_');
      found.push({ material, pattern });
    }
  return found;
}

/** The names by material, for each pattern that some of them have. */
function byPattern(names: readonly string[]): Map<string, Map<string, string>> {
  const patterns = new Map<string, Map<string, string>>();
  for (const name of names)
    for (const { material, pattern } of readings(name)) {
      const column = patterns.get(pattern) ?? new Map<string, string>();
      patterns.set(pattern, column.set(material, name));
    }
  return patterns;
}

/**
 * How telling each material is: in how many names others stand in the same way. A whole name counts
 * as a material only where nothing else does.
 */
function scoresOf(names: readonly string[]): Map<string, number> {
  const patterns = byPattern(names);
  const several = [...patterns].filter(([, column]) => column.size > 1);
  const telling = several.filter(([pattern]) => pattern !== '*');
  const score = new Map<string, number>();
  for (const [, column] of telling.length ? telling : several)
    for (const material of column.keys())
      score.set(material, (score.get(material) ?? 0) + column.size);
  return score;
}

/** The materials that are in the most names, in as many forms as can be. */
function materialsIn(names: readonly string[]): string[] {
  const ranked = [...scoresOf(names)].sort(
    ([a, x], [b, y]) => y - x || b.split('_').length - a.split('_').length || (a < b ? -1 : 1),
  );
  const left = new Set(names);
  const chosen: string[] = [];
  for (const [material] of ranked) {
    const having = [...left].filter((name) =>
      readings(name).some((one) => one.material === material),
    );
    if (having.length === 0) continue;
    for (const name of having) left.delete(name);
    chosen.push(material);
  }
  return chosen;
}

/**
 * What each form is called: what its pattern has that not all have, `seam` for `*_seam`; where
 * nothing is left it is the material itself, a cube or a thing.
 */
function formNames(mod: Mod, columns: ReadonlyMap<string, string>): Map<string, string> {
  const parts = (pattern: string) => pattern.split('_').filter((part) => part !== '*');
  const all = [...columns.keys()].map(parts);
  const common = new Set((all[0] ?? []).filter((part) => all.every((one) => one.includes(part))));
  const taken: string[] = [];
  return new Map(
    [...columns].map(([pattern, first]) => {
      const own = parts(pattern)
        .filter((part) => !common.has(part))
        .join('_');
      const plain = lookUp(mod.blocks, first) ? 'cube' : 'thing';
      const name = freeName(namePattern.test(own) ? own : plain, taken);
      taken.push(name);
      return [pattern, name];
    }),
  );
}

/**
 * How blocks and items would stand in a family, by their names: materials that several of them name
 * in the same ways. Undefined where nothing of that kind is seen in them.
 *
 * @example proposeFamily(mod, ['brack_seam', 'ebbite_seam', 'raw_brack'])?.materials // ['brack', 'ebbite']
 */
export function proposeFamily(mod: Mod, names: readonly string[]): Grid | undefined {
  const materials = materialsIn(names);
  const read = names.flatMap((name) => {
    const reading = readings(name).find(({ material }) => materials.includes(material));
    return reading ? [{ ...reading, name }] : [];
  });
  const columns = new Map(read.map(({ pattern, name }) => [pattern, name]));
  const forms = formNames(mod, columns);
  const cells: Grid['cells'] = {};
  for (const { material, pattern, name } of read)
    (cells[material] ??= {})[forms.get(pattern) ?? ''] = name;
  const used = materials.filter((material) => cells[material]);
  if (used.length < 2) return undefined;
  return {
    materials: used,
    forms: [...forms].map(([pattern, name]) => ({
      name,
      called: pattern.replace('*', '{material}'),
    })),
    cells,
  };
}
