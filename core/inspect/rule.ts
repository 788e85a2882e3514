import type { FileRule, Kit, RuleFacts } from '../kits/index.ts';
import type { ResolvedBlock } from '../mod/index.ts';
import type { BlockContext } from './context.ts';
import type { ModView } from './view.ts';
import type { Fix } from './finding.ts';

/** Values to put at JSON Pointers of the sample mod. `null` takes the value there away. */
export type ModExample = Record<string, unknown>;

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

/**
 * A rule that looks at one block and at what the block names. It is run again only when one of
 * these changes.
 */
export interface BlockRule extends RuleFacts {
  over: 'block';
  fails: ModExample;
  passes: ModExample;
  check: (block: ResolvedBlock, context: BlockContext) => BlockReport[];
}
/**
 * A rule that looks at the whole declaration at once. It is asked again only when a part that it
 * looked at has changed.
 */
export interface ModRule extends RuleFacts {
  over: 'mod';
  fails: ModExample;
  passes: ModExample;
  check: (mod: ModView, kit: Kit) => ModReport[];
}

export type Rule = BlockRule | ModRule | FileRule;

export const blockRule = (rule: Omit<BlockRule, 'over'>): BlockRule => ({ over: 'block', ...rule });
export const modRule = (rule: Omit<ModRule, 'over'>): ModRule => ({ over: 'mod', ...rule });
