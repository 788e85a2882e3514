import type { Files } from '../../../bytes/index.ts';
import type { FileRule } from '../../file-rule.ts';
import * as all from './all.ts';

/** What inspection finds in the files that a kit of one's own wrote, whoever changed them since. */
export const rulesOfOwn: readonly FileRule<Files>[] = Object.values(all);
