import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { asOption, firstMatch } from './match.ts';

const models = [
  'saltmarsh:gate/open',
  'saltmarsh:gate/shut',
  'saltmarsh:gate',
  'saltmarsh:sluice_gate/shut',
];

test.each([
  ['gate/shut', 'saltmarsh:gate/shut'],
  ['saltmarsh:gate', 'saltmarsh:gate'],
  ['GATE', 'saltmarsh:gate/open'],
  ['  shut ', 'saltmarsh:gate/shut'],
  ['reed', undefined],
  ['', 'saltmarsh:gate/open'],
])('typing %j and pressing Enter takes %j', (typed, taken) =>
  expect(firstMatch(typed, models)?.value).toBe(taken),
);

test(
  'whatever is found holds what was typed, and the whole label always finds its own ' + 'option',
  () =>
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.string({ minLength: 1, maxLength: 6 }), {
          maxLength: 8,
          selector: (text) => text.trim().toLowerCase(),
        }),
        fc.string({ maxLength: 3 }),
        (labels, typed) => {
          const found = firstMatch(typed, labels);
          if (found) expect(found.label.toLowerCase()).toContain(typed.trim().toLowerCase());
          for (const label of labels.filter((one) => one === one.trim()))
            expect(firstMatch(label, labels)).toEqual(asOption(label));
        },
      ),
    ),
);
