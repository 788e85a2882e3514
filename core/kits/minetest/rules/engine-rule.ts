import type { Files } from '../../../bytes/index.ts';
import { fileRule, type FileRule } from '../../file-rule.ts';

/** A rule over the files of a mod for the engine. */
export const engineRule = (rule: Parameters<typeof fileRule<Files>>[0]): FileRule<Files> =>
  fileRule(rule);
