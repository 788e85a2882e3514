import { pointer } from '../../../json/index.ts';
import { isOverStock, stepsToShown } from '../../../mod/index.ts';
import { blockRule } from '../../rule.ts';

export const tintWithoutEffect = blockRule({
  id: 'looks/tint-without-effect',
  severity: 'warning',
  title: 'Tint over a stock material',
  why:
    'Whoever owns a block says whether it takes a colour from the climate. The stock materials ' +
    'take none, so a grey picture that waits for a tint stays grey.',
  messages: {
    withoutEffect: '{block}: the tint {tint} has no effect, since no stock material is tinted.',
  },
  newLooks: 'alone',
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
  check: ({ name, called, declared }) => {
    const { tint } = declared.traits;
    if (tint === undefined || tint === 'none' || !isOverStock(name)) return [];
    return [
      {
        at: ['tint'],
        says: 'withoutEffect',
        parts: { block: called, tint },
        fix: {
          title: 'Leave the tint out',
          changes: [{ path: pointer([...stepsToShown(name), 'tint']), before: tint }],
        },
      },
    ];
  },
});
