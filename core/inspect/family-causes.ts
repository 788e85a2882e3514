import { expansionOf, type CellPlace } from '../families/index.ts';
import { pointer, pointerSteps } from '../json/index.ts';
import type { Mod } from '../mod/index.ts';
import type { Finding } from './finding.ts';

/** A finding in what a family makes, and where it stands in every cell alike. */
interface InCell {
  finding: Finding;
  place: CellPlace;
  /** The rule and the place within the cell. */
  same: string;
}

/** The cell that a finding is in, if any. */
function inCell(mod: Mod, finding: Finding): InCell | undefined {
  if (finding.cause !== undefined || finding.at === undefined) return undefined;
  const [kind = '', name = '', ...rest] = pointerSteps(finding.at);
  const { owners } = expansionOf(mod);
  if (kind !== 'blocks' && kind !== 'items' && kind !== 'models' && kind !== 'recipes')
    return undefined;
  const owner = owners[kind].get(name);
  if (!owner) return undefined;
  const at = pointer([...owner.steps, ...rest]);
  return { finding, place: owner.place, same: `${finding.rule} ${at}` };
}

/**
 * Findings with their cause where a family is it: the same, at the same place, in several materials
 * of one form or in several forms of one material is one mistake of that form or that material.
 */
export function withFamilyCauses(mod: Mod, findings: readonly Finding[]): Finding[] {
  if (Object.keys(mod.families).length === 0) return [...findings];
  const cells = findings.flatMap((finding) => inCell(mod, finding) ?? []);
  const many = new Map<string, number>();
  const keys = ({ place, same }: InCell) => ({
    form: `form ${place.family} ${place.form} ${same}`,
    material: `material ${place.family} ${place.material} ${same}`,
  });
  for (const cell of cells)
    for (const key of Object.values(keys(cell))) many.set(key, (many.get(key) ?? 0) + 1);
  const causes = new Map(
    cells.flatMap((cell) => {
      const { place, finding } = cell;
      const { form, material } = keys(cell);
      const [inForm = 0, inMaterial = 0] = [many.get(form), many.get(material)];
      if (inForm < 2 && inMaterial < 2) return [];
      const of = inForm >= inMaterial ? `The form ${place.form}` : `The material ${place.material}`;
      return [[finding, `${of} of the family ${place.family} has it.`] as const];
    }),
  );
  return findings.map((finding) => {
    const cause = causes.get(finding);
    return cause === undefined ? finding : { ...finding, cause };
  });
}
