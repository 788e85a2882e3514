import { engineKit } from '../../../kits/index.ts';
import { idOfShown } from '../../../mod/index.ts';
import { modRule } from '../../rule.ts';

const overThatch = {
  '/newLooks/obrank~1thatch': {
    looks: { mode: 'one-of', rows: [{ use: [{ model: 'saltmarsh:bank' }] }] },
  },
};

export const lookKitLeavesOut = modRule({
  id: 'looks/kit-leaves-out',
  severity: 'warning',
  title: 'New look that the kit leaves out',
  why:
    'Not every target lets a mod change how the blocks of others look. What is left out, the ' +
    'block looks as its owner made it.',
  messages: {
    leftOut: 'The new look of {id} is left out: {kit} has none over blocks of others.',
  },
  fails: { '/header/kit': engineKit.name, ...overThatch },
  passes: overThatch,
  check: ({ header, newLooks }, { limits, title }) =>
    limits.newLooks
      ? []
      : Object.keys(newLooks).map((name) => ({
          at: ['newLooks', name],
          block: name,
          says: 'leftOut',
          parts: { id: idOfShown(header.namespace, name), kit: title },
        })),
});
