import { pointer } from '../../../json/index.ts';
import { neighbourRule, type ModReport } from '../../rule.ts';
import { looksOver } from '../../new-looks.ts';

const tinted = {
  '/newLooks/driftwood~1bank': {
    states: { properties: [] },
    tint: 'leaf',
    looks: { mode: 'one-of', rows: [{ use: [{ model: 'saltmarsh:bank' }] }] },
  },
};

export const neighbourTintWithoutEffect = neighbourRule({
  id: 'neighbours/tint-without-effect',
  severity: 'warning',
  title: 'Tint over a block that its owner does not tint',
  why:
    'Whoever owns a block says whether it takes a colour from the climate. A new look cannot: where ' +
    'the owner says no, a grey picture that waits for a tint stays grey.',
  messages: {
    withoutEffect: 'The tint {tint} over {id} has no effect: {title} does not tint that block.',
  },
  fails: tinted,
  passes: tinted,
  beside: { fails: {}, passes: { '/blocks/bank/traits': { tint: 'grass' } } },
  check: (mod, { title, mod: other }) =>
    looksOver(mod, other).flatMap(({ name, id, look: { tint }, block }): ModReport[] =>
      tint === undefined || tint === 'none' || (block.traits.tint ?? 'none') !== 'none'
        ? []
        : [
            {
              at: ['newLooks', name, 'tint'],
              block: name,
              says: 'withoutEffect',
              parts: { tint, id, title },
              fix: {
                title: 'Leave the tint out',
                changes: [{ path: pointer(['newLooks', name, 'tint']), before: tint }],
              },
            },
          ],
    ),
});
