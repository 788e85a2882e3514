import { pointer } from '../../../json/index.ts';
import { idOfShown, isOverStock } from '../../../mod/index.ts';
import { modRule, type ModReport } from '../../rule.ts';

export const tintWithoutEffect = modRule({
  id: 'looks/tint-without-effect',
  severity: 'warning',
  title: 'Tint over a stock material',
  why:
    'Whoever owns a block says whether it takes a colour from the climate. The stock materials ' +
    'take none, so a grey picture that waits for a tint stays grey.',
  messages: {
    withoutEffect: '{block}: the tint {tint} has no effect, since no stock material is tinted.',
  },
  fails: {
    '/newLooks/obrank~1thatch': {
      tint: 'leaf',
      looks: { mode: 'one-of', rows: [{ use: [{ model: 'saltmarsh:bank' }] }] },
    },
  },
  passes: {
    '/newLooks/obrank~1thatch': {
      looks: { mode: 'one-of', rows: [{ use: [{ model: 'saltmarsh:bank' }] }] },
    },
  },
  check: ({ header, newLooks }) =>
    Object.entries(newLooks).flatMap(([name, { tint }]): ModReport[] =>
      tint === undefined || tint === 'none' || !isOverStock(name)
        ? []
        : [
            {
              at: ['newLooks', name, 'tint'],
              block: name,
              says: 'withoutEffect',
              parts: { block: idOfShown(header.namespace, name), tint },
              fix: {
                title: 'Leave the tint out',
                changes: [{ path: pointer(['newLooks', name, 'tint']), before: tint }],
              },
            },
          ],
    ),
});
