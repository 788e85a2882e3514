import type { Files } from '../../../bytes/index.ts';
import type { FileRule } from '../../file-rule.ts';
import * as all from './all.ts';

/** What inspection finds in the files of a mod for this engine, whoever wrote it. */
export const engineRules: readonly FileRule<Files>[] = Object.values(all);
