import { pointer } from '../../../json/index.ts';
import { idOf, lookUp, ownName, type Action, type Reaction } from '../../../mod/index.ts';
import { closest, didYouMean } from '../../../words/index.ts';
import { modRule, type ModReport } from '../../rule.ts';
import type { ModView } from '../../view.ts';

const using = (then: object) => ({
  '/blocks/lamp/reactions': [{ when: 'used', then: [then] }],
});

export const reactionThingUnknown = modRule({
  id: 'reactions/thing-unknown',
  severity: 'error',
  title: 'Reaction that names what does not exist',
  why:
    'A reaction names blocks, fluids, items, tags and sounds by their ids. What does not exist ' +
    'never comes, and is never asked for.',
  messages: {
    unknown: '{block}: reaction {number} names the {kind} {id}, which does not exist.{hint}',
  },
  fails: using({ do: 'become', block: 'saltmarsh:bnak' }),
  passes: using({ do: 'become', block: 'saltmarsh:bank' }),
  check: (mod) =>
    Object.entries(mod.reacting).flatMap(([name, { reactions = [] }]) =>
      reactions.flatMap((reaction, i) =>
        namedBy(reaction).flatMap((named) => reportOf(mod, name, i, named)),
      ),
    ),
});

type Kind = 'block' | 'fluid' | 'item' | 'sound' | 'tag';
interface Named {
  id: string;
  at: (string | number)[];
  kind: Kind;
  among: (mod: ModView) => readonly Readonly<Record<string, unknown>>[];
}

const among = {
  block: (mod: ModView) => [mod.present],
  cell: (mod: ModView) => [mod.present, mod.fluids],
  fluid: (mod: ModView) => [mod.fluids],
  item: (mod: ModView) => [mod.items, mod.present],
  sound: (mod: ModView) => [mod.sounds],
  blockTag: (mod: ModView) => [mod.blockTags],
  itemTag: (mod: ModView) => [mod.itemTags],
};

function namedBy({ if: asked, then }: Reaction): Named[] {
  const { holds, neighbour } = asked ?? {};
  return [
    ...(holds === undefined
      ? []
      : [thingOrTag(holds, ['if', 'holds'], 'item', among.item, among.itemTag)]),
    ...(neighbour
      ? [thingOrTag(neighbour.is, ['if', 'neighbour', 'is'], 'block', among.cell, among.blockTag)]
      : []),
    ...then.flatMap((action, i) => namedByAction(action, ['then', i])),
  ];
}

const thingOrTag = (
  id: string,
  at: (string | number)[],
  kind: Kind,
  things: Named['among'],
  tags: Named['among'],
): Named =>
  id.startsWith('#') ? { id, at, kind: 'tag', among: tags } : { id, at, kind, among: things };

function namedByAction(action: Action, at: (string | number)[]): Named[] {
  switch (action.do) {
    case 'become':
    case 'place':
      return [{ id: action.block, at: [...at, 'block'], kind: 'block', among: among.block }];
    case 'drop':
    case 'give':
      return [{ id: action.item, at: [...at, 'item'], kind: 'item', among: among.item }];
    case 'play':
      return [{ id: action.sound, at: [...at, 'sound'], kind: 'sound', among: among.sound }];
    case 'pour':
      return [{ id: action.fluid, at: [...at, 'fluid'], kind: 'fluid', among: among.fluid }];
    case 'spread':
      return action.onto === undefined
        ? []
        : [thingOrTag(action.onto, [...at, 'onto'], 'block', among.block, among.blockTag)];
    default:
      return [];
  }
}

function reportOf(mod: ModView, block: string, i: number, named: Named): ModReport[] {
  const { namespace } = mod.header;
  const own = ownName(namespace, named.id.replace(/^#/, ''));
  const lists = named.among(mod);
  if (own === undefined || lists.some((list) => lookUp(list, own) !== undefined)) return [];
  const known = lists.flatMap((list) => Object.keys(list).map((name) => idOf(namespace, name)));
  const near = closest(idOf(namespace, own), known);
  const meant = near && (named.id.startsWith('#') ? `#${near}` : near);
  const path = ['blocks', block, 'reactions', i, ...named.at];
  return [
    {
      at: path,
      block,
      says: 'unknown',
      parts: { block, number: i + 1, kind: named.kind, id: named.id, hint: didYouMean(meant) },
      fix: meant
        ? {
            title: `Name ${meant}`,
            changes: [{ path: pointer(path), before: named.id, after: meant }],
          }
        : undefined,
    },
  ];
}
