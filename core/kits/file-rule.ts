import { inWords, type Messages, type Said } from '../words/index.ts';
import type { Place } from '../json/index.ts';
import type { FileFix } from '../mend/index.ts';

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
  /**
   * Whether its fix chooses one of several things that may have been meant, so that it is done only
   * when a person asks for it.
   */
  guesses?: true;
  /** What it says, by name, with named parts in braces. A reader's rule has none of its own. */
  messages?: Messages;
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
  fix?: FileFix;
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

/** What the check of a rule says of a file, by the name of its sentence. */
export type SaidOfFile = Omit<FileReport, 'message'> & Said;

/**
 * A rule over files from its sentences and a check that names them.
 *
 * @example fileRule<ReadPack>({ …, messages: { gone: '{file} is gone.' }, check: … })
 */
export const fileRule = <Read>({
  check,
  ...rule
}: Omit<FileRule<Read>, 'over' | 'check'> & {
  messages: Messages;
  check: (read: Read) => SaidOfFile[];
}): FileRule<Read> => ({
  over: 'files',
  ...rule,
  check: (read) =>
    check(read).map(({ says, parts, ...report }) => ({
      ...report,
      message: inWords(rule.messages, { says, parts }),
    })),
});

/** A report with what its rule says of itself. */
export type RuledReport = FileReport & Pick<RuleFacts, 'severity'> & { rule: string };

/** What all rules of a kit report of one reading. */
export const reportsOf = <Read>(rules: readonly FileRule<Read>[], read: Read): RuledReport[] =>
  rules.flatMap(({ id, severity, check }) =>
    check(read).map((report) => ({ ...report, rule: id, severity })),
  );
