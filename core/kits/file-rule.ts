import type { Place } from '../json/index.ts';

/** error: the game would misbehave or refuse. warning: surely not meant. hint: worth a look. */
export const severities = ['error', 'warning', 'hint'] as const;
export type Severity = (typeof severities)[number];

/** What every rule says of itself. The docs, the tests and the list of rules are made from this. */
export interface RuleFacts {
  /** `facet/what-is-wrong` */
  id: string;
  severity: Severity;
  /** What is wrong, in a few words. */
  title: string;
  /** Why it matters, for a newcomer. */
  why: string;
}

/**
 * Changes to the files that a kit makes of the sample mod: whole files by path, as text, or null to
 * take the file away; or values at
 * pointers inside one: `{ 'pack.json#/edition': 2 }`.
 */
export type FileExample = Record<string, unknown>;

/** What a rule of a kit says of the built files, and where. */
export interface FileReport {
  message: string;
  file: string;
  place?: Place;
}

/**
 * A rule of a kit over the files of its target, never over the declaration. It looks at what the
 * kit's reader made of them.
 */
export interface FileRule<Read = never> extends RuleFacts {
  over: 'files';
  fails: FileExample;
  passes: FileExample;
  check: (read: Read) => FileReport[];
}

/** A report with what its rule says of itself. */
export type RuledReport = FileReport & Pick<RuleFacts, 'severity'> & { rule: string };

/** What all rules of a kit report of one reading. */
export const reportsOf = <Read>(rules: readonly FileRule<Read>[], read: Read): RuledReport[] =>
  rules.flatMap(({ id, severity, check }) =>
    check(read).map((report) => ({ ...report, rule: id, severity })),
  );
