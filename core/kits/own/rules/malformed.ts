import type { Files } from '../../../bytes/index.ts';
import { fileRule } from '../../file-rule.ts';
import { mistakeIn, syntaxOf } from '../syntax.ts';

export const writtenMalformed = fileRule<Files>({
  id: 'written/malformed',
  severity: 'error',
  title: 'File that cannot be read',
  why: 'The ending of its name says what it is, and it is not that: its engine would refuse it.',
  messages: { malformed: 'It cannot be read as {syntax}: {mistake}' },
  fails: { 'rules/loot/bank.json': '{ "block": "saltmarsh:bank", "draws": [], }\n' },
  passes: {},
  check: (files) =>
    [...files].flatMap(([file, bytes]) => {
      const syntax = syntaxOf(file);
      const mistake = mistakeIn(new TextDecoder().decode(bytes), syntax);
      const parts = { syntax: syntax.toUpperCase(), mistake: mistake?.message ?? '' };
      return mistake ? [{ file, place: mistake.place, says: 'malformed', parts }] : [];
    }),
});
