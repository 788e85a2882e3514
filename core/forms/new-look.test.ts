import { expect, test } from '@jest/globals';
import { inspect } from '../inspect/index.ts';
import { sampleMod } from '../inspect/sample.ts';
import { applyChanges, invertChanges } from '../mod/index.ts';
import { forms, newLook, newLookProblem, rolesOf } from './index.ts';

/** Pictures that the sample has already. */
const picturesOf = (form: (typeof forms)[number]) =>
  Object.fromEntries(rolesOf(form).map((role) => [role, 'saltmarsh:bank']));

test.each(forms.map((form) => [form.name, form] as const))(
  'a new look begins as a %s in every state, with nothing wrong, and is one step back',
  (_, form) => {
    const mod = sampleMod();
    const changes = newLook(mod, 'driftwood:plank', { form, pictures: picturesOf(form) });
    const after = applyChanges(mod, changes);
    const { looks } = after.newLooks['driftwood/plank']!;
    expect(looks.rows).toHaveLength(1);
    expect(looks.rows[0]!.when).toBeUndefined();
    expect(looks.rows[0]!.use.length).toBeGreaterThan(0);
    expect(after.header.needs).toEqual([{ namespace: 'driftwood' }]);
    // A form of several models shows only one of them here; the others can be shown by hand.
    expect(inspect(after).filter(({ rule }) => rule !== 'models/unused')).toEqual([]);
    expect(applyChanges(after, invertChanges(changes))).toEqual(mod);
  },
);

test('what cannot have one says why', () => {
  const mod = sampleMod();
  const [form] = forms;
  const over = (id: string) => newLookProblem(mod, id);
  expect(over('plank')).toBe('Say whose block it is, as in driftwood:plank.');
  expect(over('driftwood:wet/plank')).toBe('Say whose block it is, as in driftwood:plank.');
  expect(over('saltmarsh:bank')).toMatch(/^That is a block of this mod/);
  expect(over('obrank:thacth')).toBe('There is no stock material called thacth.');
  expect(over('obrank:thatch')).toBeUndefined();
  const start = { form: form!, pictures: picturesOf(form!) };
  const after = applyChanges(mod, newLook(mod, 'obrank:thatch', start));
  expect(after.header.needs).toBeUndefined();
  expect(() => newLook(after, 'obrank:thatch', start)).toThrow('has a new look already');
});
