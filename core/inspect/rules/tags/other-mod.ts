import { idOfShown, idsIn, splitId, taggedIn } from '../../../mod/index.ts';
import { modRule, type ModReport } from '../../rule.ts';

export const otherModUndeclared = modRule({
  id: 'tags/other-mod-undeclared',
  severity: 'warning',
  title: 'Another mod that is not declared',
  why:
    'The mod names something of another mod, but does not say that it needs that mod. ' +
    'Where the other one is missing, tags stay empty and recipes cannot be made, and ' +
    'nobody is told why.',
  messages: {
    otherModUndeclared: '{what} names {id}, but the mod does not say that it needs {other}.',
  },
  fails: { '/blocks/bank/tags': ['saltmarsh:spade_dug', 'driftwood:diggable'] },
  passes: {
    '/blocks/bank/tags': ['saltmarsh:spade_dug', 'driftwood:diggable'],
    '/header/needs': [{ namespace: 'driftwood' }],
  },
  check(mod) {
    const { namespace, needs = [] } = mod.header;
    // The stock comes with every engine.
    const known = new Set([namespace, 'obrank', ...needs.map((one) => one.namespace)]);
    const first = new Map<string, ModReport>();
    const look = (id: string, path: (string | number)[], what: string, block?: string) => {
      const { namespace: other } = splitId(id.replace('#', ''));
      if (!other || known.has(other) || first.has(other)) return;
      first.set(other, {
        at: path,
        block,
        says: 'otherModUndeclared',
        parts: { what, id, other },
        fix: {
          title: `Say that it needs ${other}`,
          changes: [
            {
              path: '/header/needs',
              before: mod.header.needs,
              after: [...needs, { namespace: other }],
            },
          ],
        },
      });
    };
    for (const kind of ['blockTags', 'itemTags'] as const) {
      for (const { name, kind: of, at, tags } of taggedIn(mod, kind))
        tags.forEach((tag, i) => look(tag, [...at, i], name, of === 'blocks' ? name : undefined));
      for (const [name, { members = [] }] of Object.entries(mod[kind]))
        members.forEach((member, i) => look(member, [kind, name, 'members', i], `The tag ${name}`));
    }
    for (const name of Object.keys(mod.newLooks))
      look(idOfShown(namespace, name), ['newLooks', name], 'A new look', name);
    for (const [name, recipe] of Object.entries(mod.recipes))
      for (const { id, at } of idsIn(recipe))
        look(id, ['recipes', name, ...at], `The recipe ${name}`);
    return [...first.values()];
  },
});
