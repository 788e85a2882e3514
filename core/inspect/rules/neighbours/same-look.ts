import { idOfShown } from '../../../mod/index.ts';
import { neighbourRule } from '../../rule.ts';

const overThatch = (model: string) => ({
  '/newLooks/obrank~1thatch': { looks: { mode: 'one-of', rows: [{ use: [{ model }] }] } },
});

export const neighbourSameLook = neighbourRule({
  id: 'neighbours/same-look',
  severity: 'warning',
  title: 'Two new looks for one block',
  why:
    'Both mods give the same block a new look. It can have one, and which of the two players see is ' +
    'up to the order in which they load the mods.',
  messages: { both: 'This mod and {title} both give {id} a new look.' },
  fails: overThatch('saltmarsh:bank'),
  passes: overThatch('saltmarsh:bank'),
  beside: { fails: overThatch('driftwood:bank'), passes: {} },
  check: (mod, { title, mod: other }) =>
    Object.keys(mod.newLooks)
      .filter((name) => Object.hasOwn(other.newLooks, name))
      .map((name) => ({
        at: ['newLooks', name],
        block: name,
        says: 'both',
        parts: { title, id: idOfShown(mod.header.namespace, name) },
      })),
});
