import type { Files } from '../bytes/index.ts';
import { builtKits, type Checked, type Declared, type Kit } from '../kits/index.ts';
import { pointer } from '../json/index.ts';
import type { Mod } from '../mod/index.ts';
import { inspectBlocks } from './blocks.ts';
import { inspectDeclared } from './declared.ts';
import { forEachKit } from './each-kit.ts';
import { withFamilyCauses } from './family-causes.ts';
import { byWeight, facetOf, fileFinding, type Finding } from './finding.ts';
import type { ModRule } from './rule.ts';
import { findingsRules, modRules, rulesById } from './rules/index.ts';
import { toldOf } from './silence.ts';
import { partOf, watchedView, type ViewPart } from './view.ts';

/**
 * Everything that is wrong with a declaration, the gravest first. Only blocks that changed since
 * the last call, or whose surroundings did, are looked at again; the result is the same either way.
 *
 * @example inspect(mod).filter((finding) => finding.severity === 'error').length === 0
 */
export function inspect(mod: Mod): Finding[] {
  const findings = inspectBlocks(mod);
  const kits = builtKits(mod);
  for (const rule of modRules) findings.push(...inspectMod(mod, kits, rule));
  const told = toldOf(mod.header, [...findings, ...inspectFindings(mod, findings)]);
  return withFamilyCauses(mod, told).sort(byWeight);
}

/** What the rules over findings say of what the others found. */
export const inspectFindings = (mod: Mod, findings: readonly Finding[]): Finding[] =>
  findingsRules.flatMap((rule) =>
    rule.check(mod, findings, rulesById).map(({ at, ...report }): Finding => ({
      rule: rule.id,
      severity: rule.severity,
      facet: facetOf(rule.id),
      at: pointer(at),
      ...report,
    })),
  );

/**
 * For each header, that is for each mod that is being worked on: the findings of a rule with the
 * parts that they rest on.
 */
const answered = new WeakMap<
  Mod['header'],
  Map<ModRule, { reads: Map<ViewPart, unknown>; findings: Finding[] }>
>();

function inspectMod(mod: Mod, kits: readonly Kit[], rule: ModRule): Finding[] {
  const answers =
    answered.get(mod.header) ??
    new Map<ModRule, { reads: Map<ViewPart, unknown>; findings: Finding[] }>();
  answered.set(mod.header, answers);
  const before = answers.get(rule);
  if (before && [...before.reads].every(([part, value]) => partOf(mod, part) === value))
    return before.findings;
  const { view, reads } = watchedView(mod);
  // A kit may be one of the mod's own, and hold more or less from one moment to the next.
  reads.set('kits', mod.kits);
  const findings = forEachKit(kits, (kit) => rule.check(view, kit)).map(
    ({ at, ...report }): Finding => ({
      rule: rule.id,
      severity: rule.severity,
      facet: facetOf(rule.id),
      at: pointer(at),
      ...report,
    }),
  );
  answers.set(rule, { reads, findings });
  return findings;
}

/**
 * How far long work is, for people.
 *
 * @example progressInWords('files', 3000, 12010) // 'Reading: 3,000 of 12,010 files'
 */
export const progressInWords: (...told: Parameters<OnProgress>) => string = (things, done, total) =>
  `${things === 'files' ? 'Reading' : 'Asking the rules'}: ${done.toLocaleString('en')} of ` +
  `${total.toLocaleString('en')} ${things}`;

/**
 * Everything that is wrong with the files of a target, whoever wrote them, the gravest first. It
 * knows nothing of the declaration.
 */
export const inspectBuilt = (kit: Kit, files: Files, onProgress?: OnProgress): Finding[] =>
  readBuilt(kit, files, onProgress).findings;

/**
 * Is told how much of long work is done: of which things, how many, of how many. What it throws stops
 * the work.
 */
export type OnProgress = (things: 'files' | 'blocks', done: number, total: number) => void;

/** Files that were read: what is wrong with them, what they declare, and how that is mended. */
export interface Reading {
  findings: Finding[];
  /** What they declare, where that can be read back. */
  declared: Declared | undefined;
  /** Makes changes of that in these files. Undefined where one finds no place. */
  mend?: Checked['mend'];
}

/** The same with what the files declare, where that can be read back. */
export function readBuilt(kit: Kit, files: Files, onProgress?: OnProgress): Reading {
  const told = (things: 'files' | 'blocks') => (done: number, total: number) =>
    onProgress?.(things, done, total);
  const { reports, declared, mend } = kit.check(files, told('files'));
  const ofDeclared = declared ? inspectDeclared([kit], declared, told('blocks')) : [];
  return { findings: [...reports.map(fileFinding), ...ofDeclared].sort(byWeight), declared, mend };
}

/** How many findings there are of each severity. */
export function tally(findings: readonly Finding[]): {
  error: number;
  warning: number;
  hint: number;
} {
  const sums = { error: 0, warning: 0, hint: 0 };
  for (const { severity } of findings) sums[severity] += 1;
  return sums;
}
