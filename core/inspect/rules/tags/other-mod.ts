import { idOfShown, idsIn, splitId, type Mod } from '../../../mod/index.ts';
import { foundInTagged } from '../../found-in-tagged.ts';
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
    const first = new Map<string, ModReport>();
    const look = (id: string, path: (string | number)[], what: string, block?: string) => {
      const { namespace: other } = splitId(id.replace('#', ''));
      if (!other || isKnown(mod.header, other) || first.has(other)) return;
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
      for (const { tag, at, name, block } of ofOthers(mod, kind, mod.header).sort(byName))
        look(tag, at, name, block);
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

/** The tags of mods that it does not need in which a block or item says it is. */
const ofOthers = foundInTagged(({ name, kind, at, tags }, header: Mod['header']) =>
  tags.flatMap((tag, i) =>
    isKnown(header, splitId(tag).namespace)
      ? []
      : [{ tag, at: [...at, i], name, block: kind === 'blocks' ? name : undefined }],
  ),
);

/**
 * Whether a namespace is that of the mod, of one that it needs, or of the stock, which every engine
 * brings along.
 */
const isKnown = ({ namespace, needs = [] }: Mod['header'], other: string): boolean =>
  other === namespace || other === 'obrank' || needs.some((one) => one.namespace === other);

const byName = (a: { name: string }, b: { name: string }): number => (a.name < b.name ? -1 : 1);
