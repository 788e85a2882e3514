import { heldUnder } from '../../../lists/index.ts';
import { pointer } from '../../../json/index.ts';
import { lookUp, idsIn, ownName } from '../../../mod/index.ts';
import { closest, didYouMean } from '../../../words/index.ts';
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
    const held = [
      ...Object.keys(mod.items),
      ...Object.keys(mod.identities).filter(
        (name) => (heldUnder(mod.identities, name).identity.item ?? 'none') !== 'none',
      ),
    ];
    const there = new Set(held);
    return Object.entries(mod.recipes).flatMap(([name, recipe]) =>
      idsIn(recipe).flatMap(({ id, at, what }) => {
        const isTag = id.startsWith('#');
        const own = ownName(namespace, isTag ? id.slice(1) : id);
        const odd = !/^#?[a-z][a-z0-9_]*:./.test(id) || (isTag && what === 'result');
        // A tag that nobody declared is empty, which another rule tells.
        if (!odd && (own === undefined || isTag || there.has(own))) return [];
        const isHeldless = own !== undefined && lookUp(mod.identities, own) !== undefined;
        const near = isHeldless ? undefined : closest(own ?? id.replace(/^#/, ''), held);
        const meant = near && `${namespace}:${near}`;
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
              hint: didYouMean(meant),
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
