import type { Mod, ResolvedBlock } from '../../../mod/index.ts';
import { membersOf } from '../../../tags/index.ts';
import { groupName } from './names.ts';

/** The group that stands for an item tag. */
export const itemTagGroup = (tag: string): string => groupName(tag);
/** The group that stands for a block tag: apart from an item tag of the same id. */
export const blockTagGroup = (tag: string): string => `block_${groupName(tag)}`;
/** The group that stands for a catalogue group. */
export const catalogueGroup = (namespace: string, name: string): string =>
  `catalogue_${groupName(`${namespace}:${name}`)}`;

/** Tags and catalogue groups as the engine's groups. */
export class Groups {
  private readonly blockTags: ReadonlyMap<string, readonly string[]>;
  private readonly itemTags: ReadonlyMap<string, readonly string[]>;
  private readonly namespace: string;

  constructor(mod: Mod) {
    this.namespace = mod.header.namespace;
    this.blockTags = byMember(mod, 'blockTags');
    this.itemTags = byMember(mod, 'itemTags');
  }

  /** The groups of a block and of its item, which are one thing to the engine. */
  ofBlock({ id, declared }: ResolvedBlock): Record<string, number> {
    return {
      ...ones((this.blockTags.get(id) ?? []).map(blockTagGroup)),
      ...this.ofItem(id, declared.identity.group),
    };
  }

  ofItem(id: string, group: string | undefined): Record<string, number> {
    return ones([
      ...(this.itemTags.get(id) ?? []).map(itemTagGroup),
      ...(group === undefined ? [] : [catalogueGroup(this.namespace, group)]),
    ]);
  }
}

const ones = (names: readonly string[]): Record<string, number> =>
  Object.fromEntries([...names].sort().map((name) => [name, 1]));

/** For each block or item the tags that it is in, through other tags as well. */
function byMember(mod: Mod, kind: 'blockTags' | 'itemTags'): Map<string, string[]> {
  const found = new Map<string, string[]>();
  for (const [tag, members] of membersOf(mod, kind))
    for (const member of members) {
      const list = found.get(member) ?? [];
      found.set(member, list);
      list.push(tag);
    }
  return found;
}
