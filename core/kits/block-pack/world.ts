import type { IsMeant } from '../../reactions/index.ts';
import { StateSpace } from '../../states/index.ts';
import type { PackWorld } from '../../yard/index.ts';
import type { ReadPack } from './read/index.ts';

/**
 * Reads the rules of a pack's fluids and blocks: `rules/fluids/`, `rules/blocks/` and `rules/tags/`.
 *
 * @example worldFrom(readPack(files)).fluids.get('saltmarsh:brine')?.reach // 6
 */
export const worldFrom = (pack: ReadPack): PackWorld => ({
  fluids: new Map([...pack.fluids.values()].map(({ value }) => [value.id, value])),
  blocks: new Map(
    [...pack.blocks.values()].map(({ value: { id, properties, reactions = [] } }) => [
      id,
      { id, space: new StateSpace(properties), reactions },
    ]),
  ),
  isMeant: meantIn(pack),
});

function meantIn({ blockTags, itemTags }: ReadPack): IsMeant {
  const members = new Map<string, Set<string>>();
  for (const { value } of [...blockTags.values(), ...itemTags.values()]) {
    const list = members.get(value.id) ?? new Set();
    for (const member of value.members) list.add(member);
    members.set(value.id, list);
  }
  const isIn = (tag: string, id: string, seen: Set<string>): boolean => {
    if (seen.has(tag)) return false;
    seen.add(tag);
    return [...(members.get(tag) ?? [])].some((member) =>
      member.startsWith('#') ? isIn(member.slice(1), id, seen) : member === id,
    );
  };
  return (meant, id) =>
    meant.startsWith('#') ? isIn(meant.slice(1), id, new Set()) : meant === id;
}
