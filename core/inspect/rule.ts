import type { FileRule, Kit, RuleFacts } from '../kits/index.ts';
import type { Mod, ResolvedBlock } from '../mod/index.ts';
import { inWords, type Messages, type Said } from '../words/index.ts';
import type { BlockContext } from './context.ts';
import type { ModView } from './view.ts';
import type { Finding, Fix, PictureMend } from './finding.ts';

/** Values to put at JSON Pointers of the sample mod. `null` takes the value there away. */
export type ModExample = Record<string, unknown>;

/** What a rule says of one block, its place relative to the block. */
export interface BlockReport extends Said {
  at?: (string | number)[];
  cause?: string;
  fix?: Fix;
  mend?: PictureMend;
}
/** What a rule says of the whole declaration. */
export interface ModReport extends Said {
  at: (string | number)[];
  block?: string;
  cause?: string;
  fix?: Fix;
  mend?: PictureMend;
}
/** A report with its sentence written out. */
type Worded<Report extends Said> = Omit<Report, keyof Said> & { message: string };

interface Examples {
  fails: ModExample;
  passes: ModExample;
  /**
   * The kinds of entries of which it concludes something because none of them says otherwise: it
   * says nothing while one of them could not be read.
   */
  restsOn?: readonly string[];
}
/**
 * A rule that looks at one block and at what the block names. It is run again only when one of
 * these changes.
 */
export interface BlockRule extends RuleFacts, Examples {
  over: 'block';
  newLooks?: AskedOfNewLooks;
  check: (block: ResolvedBlock, context: BlockContext) => Worded<BlockReport>[];
}

/**
 * Whether a rule over blocks is asked of new looks too: of all, of those over a block whose states
 * are known, or of these alone and of no block. A rule without is asked of blocks alone.
 */
export type AskedOfNewLooks = 'all' | 'with states' | 'alone';
/**
 * A rule that looks at the whole declaration at once. It is asked again only when a part that it
 * looked at has changed.
 */
export interface ModRule extends RuleFacts, Examples {
  over: 'mod';
  check: (mod: ModView, kit: Kit) => Worded<ModReport>[];
}

/** What each rule looks at, by its id. */
export type RulesById = ReadonlyMap<string, Rule['over']>;

/** A rule that looks at what the others found. */
export interface FindingsRule extends RuleFacts, Examples {
  over: 'findings';
  check: (mod: Mod, findings: readonly Finding[], rules: RulesById) => Worded<ModReport>[];
}

/** Another mod, opened for reading only and laid beside one that is inspected. */
export interface Neighbour {
  /** As people call it. */
  title: string;
  mod: Mod;
}

/** A rule over a mod and another one that is laid beside it. */
export interface NeighbourRule extends RuleFacts, Pick<Examples, 'fails' | 'passes'> {
  over: 'neighbours';
  /** What is otherwise in the neighbour for the examples. */
  beside: { fails: ModExample; passes: ModExample };
  check: (mod: Mod, neighbour: Neighbour) => Worded<ModReport>[];
}

export type Rule = BlockRule | ModRule | FindingsRule | NeighbourRule | FileRule;

/** What the author of a rule writes: its sentences as data, and a check that names them. */
type Written = RuleFacts & Examples & { messages: Messages };

export const blockRule = ({
  check,
  ...rule
}: Written & {
  newLooks?: AskedOfNewLooks;
  check: (block: ResolvedBlock, context: BlockContext) => BlockReport[];
}): BlockRule => ({
  over: 'block',
  ...rule,
  check: (block, context) => check(block, context).map((report) => worded(rule.messages, report)),
});

export const modRule = ({
  check,
  ...rule
}: Written & {
  check: (mod: ModView, kit: Kit) => ModReport[];
}): ModRule => ({
  over: 'mod',
  ...rule,
  check: (mod, kit) => check(mod, kit).map((report) => worded(rule.messages, report)),
});

export const findingsRule = ({
  check,
  ...rule
}: Written & {
  check: (mod: Mod, findings: readonly Finding[], rules: RulesById) => ModReport[];
}): FindingsRule => ({
  over: 'findings',
  ...rule,
  check: (...asked) => check(...asked).map((report) => worded(rule.messages, report)),
});

export const neighbourRule = ({
  check,
  ...rule
}: RuleFacts &
  Pick<NeighbourRule, 'fails' | 'passes' | 'beside'> & { messages: Messages } & {
    check: (mod: Mod, neighbour: Neighbour) => ModReport[];
  }): NeighbourRule => ({
  over: 'neighbours',
  ...rule,
  check: (...asked) => check(...asked).map((report) => worded(rule.messages, report)),
});

const worded = <Report extends Said>(
  messages: Messages,
  { says, parts, ...report }: Report,
): Worded<Report> => ({ ...report, message: inWords(messages, { says, parts }) });
