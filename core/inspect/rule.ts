import type { ReadPack } from '../kits/block-pack/read/index.ts';
import type { Kit } from '../kits/index.ts';
import type { ResolvedBlock } from '../mod/index.ts';
import type { BlockContext } from './context.ts';
import type { ModView } from './view.ts';
import type { Fix, Severity } from './finding.ts';
import type { Place } from '../json/index.ts';

/** What every rule says of itself. The docs, the tests and the list of rules are made from this. */
interface RuleFacts {
  /** `facet/what-is-wrong` */
  id: string;
  severity: Severity;
  /** What is wrong, in a few words. */
  title: string;
  /** Why it matters, for a newcomer. */
  why: string;
}

/** Values to put at JSON Pointers of the sample mod. `null` takes the value there away. */
export type ModExample = Record<string, unknown>;
/** Whole files of the sample pack by path: text, or null to take the file away. Or values at pointers inside one: `{ 'pack.json#/edition': 2 }`. */
export type PackExample = Record<string, unknown>;

/** A finding over one block, its place relative to the block. */
export interface BlockReport {
  message: string;
  at?: (string | number)[];
  fix?: Fix;
}
/** A finding over the whole declaration. */
export interface ModReport {
  message: string;
  at: (string | number)[];
  block?: string;
  fix?: Fix;
}
/** A finding over the files of a pack. */
export interface PackReport {
  message: string;
  file: string;
  place?: Place;
}

/** A rule that looks at one block and at what the block names. It is run again only when one of these changes. */
export interface BlockRule extends RuleFacts {
  over: 'block';
  fails: ModExample;
  passes: ModExample;
  check(block: ResolvedBlock, context: BlockContext): BlockReport[];
}
/** A rule that looks at the whole declaration at once. It is asked again only when a part that it looked at has changed. */
export interface ModRule extends RuleFacts {
  over: 'mod';
  fails: ModExample;
  passes: ModExample;
  check(mod: ModView, kit: Kit): ModReport[];
}
/** A rule that looks at the files of a pack, never at the declaration. */
export interface PackRule extends RuleFacts {
  over: 'pack';
  fails: PackExample;
  passes: PackExample;
  check(pack: ReadPack): PackReport[];
}

export type Rule = BlockRule | ModRule | PackRule;

export const blockRule = (rule: Omit<BlockRule, 'over'>): BlockRule => ({ over: 'block', ...rule });
export const modRule = (rule: Omit<ModRule, 'over'>): ModRule => ({ over: 'mod', ...rule });
export const packRule = (rule: Omit<PackRule, 'over'>): PackRule => ({ over: 'pack', ...rule });
