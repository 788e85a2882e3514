import { pointer } from '../../../json/index.ts';
import { lookUp, idsIn, ownName } from '../../../mod/index.ts';
import { heldIds, isHeld } from '../../../recipes/index.ts';
import { meantBy } from '../../meant.ts';
import { modRule } from '../../rule.ts';

export const unknownThing = modRule({
  id: 'recipes/unknown-thing',
  severity: 'error',
  title: 'Ingredient or result missing',
  why:
    'A recipe that takes or gives what does not exist, or what cannot be held, can never ' +
    'be made.',
  messages: {
    unknownThing: 'The recipe {name} {does} {id}, which {flaw}.{hint}',
  },
  fails: { '/recipes/bank': { kind: 'mix', takes: ['saltmarsh:lmap'], gives: 'saltmarsh:bank' } },
  passes: { '/recipes/bank': { kind: 'mix', takes: ['saltmarsh:lamp'], gives: 'saltmarsh:bank' } },
  check(mod) {
    const { namespace } = mod.header;
    const holding = { items: mod.items, blocks: mod.identities };
    return Object.entries(mod.recipes).flatMap(([name, recipe]) =>
      idsIn(recipe).flatMap(({ id, at, what }) => {
        const isTag = id.startsWith('#');
        const own = ownName(namespace, isTag ? id.slice(1) : id);
        const odd = !/^#?[a-z][a-z0-9_]*:./.test(id) || (isTag && what === 'result');
        // A tag that nobody declared is empty, which another rule tells.
        if (!odd && (own === undefined || isTag || isHeld(holding, own))) return [];
        const isHeldless = own !== undefined && lookUp(mod.identities, own) !== undefined;
        const { id: meant, hint } = isHeldless
          ? { id: undefined, hint: '' }
          : meantBy(`${namespace}:${own ?? id.replace(/^#/, '')}`, {
              ledger: mod.ledger,
              namespace,
              candidates: heldIds({ header: mod.header, ...holding }),
              kinds: ['block', 'item'],
            });
        const place = ['recipes', name, ...at];
        return [
          {
            at: place,
            cause: `${id} ${isHeldless ? 'cannot be held' : 'does not exist'}.`,
            says: 'unknownThing',
            parts: {
              name,
              does: what === 'result' ? 'gives' : 'takes',
              id: id || 'nothing',
              flaw: isHeldless ? 'cannot be held' : 'does not exist',
              hint,
            },
            fix:
              meant && meant !== id
                ? {
                    title: `${what === 'result' ? 'Give' : 'Take'} ${meant}`,
                    changes: [{ path: pointer(place), before: id, after: meant }],
                  }
                : undefined,
          },
        ];
      }),
    );
  },
});
