import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { applyChange } from '../mod/index.ts';
import { foundInEach, moving } from './index.ts';

type Texts = Record<string, string>;
const name = fc.constantFrom('bank', 'lamp', 'salt', 'reed');
const anyTexts: fc.Arbitrary<Texts> = fc.dictionary(name, fc.constantFrom('', 'wet', 'dry'));
const anyEdits = fc.array(fc.tuple(name, fc.option(fc.constantFrom('', 'wet', 'dry'))), {
  maxLength: 12,
});

const edited = (texts: Texts, at: string, after: string | null): Texts =>
  applyChange(texts, { path: `/${at}`, before: texts[at], after: after ?? undefined });

test('what is kept up to date is what is worked out anew, whatever is edited and undone', () =>
  fc.assert(
    fc.property(anyTexts, anyEdits, fc.nat(12), (texts, edits, back) => {
      const looked: string[] = [];
      const wet = foundInEach((key: string, text: string, word: string) => {
        looked.push(key);
        return text === word ? [key] : [];
      });
      const fresh = (all: Texts, word: string) =>
        Object.keys(all)
          .filter((key) => all[key] === word)
          .sort();
      const states = [texts];
      for (const [at, after] of edits) states.push(edited(states.at(-1)!, at, after));
      for (const state of [...states, states[Math.min(back, edits.length)]!])
        expect(wet(state, 'wet').sort()).toEqual(fresh(state, 'wet'));
      // Under other circumstances all is looked at again.
      expect(wet(texts, 'dry').sort()).toEqual(fresh(texts, 'dry'));
    }),
  ));

test('after an edit only what changed is looked at, also over several edits at once', () => {
  const looked: string[] = [];
  const lengths = moving(
    () => new Map<string, number>(),
    (map, key, text: string | undefined, before: string | undefined) => {
      looked.push(`${key}: ${before} → ${text}`);
      if (text === undefined) map.delete(key);
      else map.set(key, text.length);
    },
  );
  const first: Texts = { bank: 'silt', lamp: 'light' };
  expect([...lengths(first)]).toEqual([
    ['bank', 4],
    ['lamp', 5],
  ]);
  looked.length = 0;
  const next = edited(edited(edited(first, 'salt', 'white'), 'lamp', null), 'bank', 'mud');
  expect(Object.fromEntries(lengths(next))).toEqual({ bank: 3, salt: 5 });
  expect(looked.sort()).toEqual([
    'bank: silt → mud',
    'lamp: light → undefined',
    'salt: undefined → white',
  ]);
});
