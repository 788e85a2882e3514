import type { FileRule } from '../../file-rule.ts';
import type { ReadPack } from '../read/index.ts';
import * as all from './all.ts';

/** What inspection finds in the files of a Block Pack, whoever wrote it. */
export const packRules: readonly FileRule<ReadPack>[] = Object.values(all);
