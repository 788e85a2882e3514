import { declaredTags, tagsInside } from './filled.ts';
import { itemAt } from '../lists/index.ts';
import { idOf, taggedIn, type Mod, type Taggable, type TagKind } from '../mod/index.ts';

/** The parts of a mod that decide who is in which tag. */
export type Tagging = Pick<Mod, 'header' | TagKind> & Taggable;

/** What was worked out for one mod: kept for as long as nobody's tags change. */
interface Kept {
  items: Tagging['items'];
  tags: Mod[TagKind];
  namespace: string;
  direct: Map<string, Set<string>>;
  all?: Map<string, Set<string>>;
}
const kept = new WeakMap<Tagging['blocks'], Partial<Record<TagKind, Kept>>>();

function keptOf(mod: Tagging, kind: TagKind): Kept {
  const { namespace } = mod.header;
  const before = kept.get(mod.blocks);
  const one = before?.[kind];
  if (
    one &&
    one.tags === mod[kind] &&
    one.namespace === namespace &&
    (kind === 'blockTags' || one.items === mod.items)
  )
    return one;
  const made: Kept = { items: mod.items, tags: mod[kind], namespace, direct: directly(mod, kind) };
  kept.set(mod.blocks, { ...before, [kind]: made });
  return made;
}

/**
 * Every tag by its id with what stands in it outright: what its own entry names (ids, and other
 * tags with a leading #), then the blocks or items that say they are in it. Tags of other mods are
 * there when somebody of this mod says to be in them.
 */
export const directMembers = (
  mod: Tagging,
  kind: TagKind,
): ReadonlyMap<string, ReadonlySet<string>> => keptOf(mod, kind).direct;

function directly(mod: Tagging, kind: TagKind): Map<string, Set<string>> {
  const { namespace } = mod.header;
  const members = new Map<string, Set<string>>();
  const put = (tag: string, member?: string) => {
    let list = members.get(tag);
    if (!list) members.set(tag, (list = new Set()));
    if (member !== undefined) list.add(member);
  };
  for (const [name, tag] of Object.entries(mod[kind])) {
    put(idOf(namespace, name));
    for (const member of tag.members ?? []) put(idOf(namespace, name), member);
  }
  for (const { name, tags } of taggedIn(mod, kind))
    for (const tag of tags) put(tag, idOf(namespace, name));
  return members;
}

/**
 * Every tag with all that is in it, tags in tags followed to the end: only ids, and with a leading
 * # tags that this mod does not know. A circle adds nothing.
 *
 * @example membersOf(mod, 'itemTags').get('saltmarsh:metals')
 * // Set { 'saltmarsh:brack', 'saltmarsh:ebbite' }
 */
export function membersOf(mod: Tagging, kind: TagKind): ReadonlyMap<string, ReadonlySet<string>> {
  const of = keptOf(mod, kind);
  const { direct } = of;
  return (of.all ??= new Map(
    [...direct.keys()].map((tag) => {
      const all = new Set<string>();
      const inside = new Set([tag]);
      for (const id of inside)
        for (const member of direct.get(id) ?? []) {
          if (!member.startsWith('#')) all.add(member);
          else if (direct.has(member.slice(1))) inside.add(member.slice(1));
          else all.add(member);
        }
      return [tag, all];
    }),
  ));
}

/**
 * The circles among tags, each once: the ids in the order in which one is in the other, beginning
 * with the first by name. Depth first with a path; linear in tags and mentions (Tarjan, 1972, for
 * the idea of the stack).
 *
 * @example tagCircles(mod, 'blockTags')
 * // [['saltmarsh:a', 'saltmarsh:b', 'saltmarsh:c']]: a names b, b names c, c names a
 */
export function tagCircles(mod: Pick<Mod, 'header' | TagKind>, kind: TagKind): string[][] {
  const circles: string[][] = [];
  const done = new Set<string>();
  const path: string[] = [];
  const walk = (tag: string): void => {
    if (done.has(tag)) return;
    const at = path.indexOf(tag);
    if (at >= 0) {
      const circle = path.slice(at);
      const first = circle.indexOf(itemAt([...circle].sort(), 0));
      circles.push([...circle.slice(first), ...circle.slice(0, first)]);
      return;
    }
    path.push(tag);
    for (const inside of tagsInside(mod, kind, tag)) walk(inside);
    path.pop();
    done.add(tag);
  };
  for (const tag of declaredTags(mod, kind).sort()) walk(tag);
  return circles;
}

/**
 * Why one tag cannot be put into another, in a sentence: it would close a circle. Undefined when it
 * can.
 */
export function circleProblem(
  mod: Tagging,
  kind: TagKind,
  into: string,
  tag: string,
): string | undefined {
  if (into === tag) return `${tag} cannot be in itself.`;
  const direct = directMembers(mod, kind);
  const from = new Map([[tag, '']]);
  for (const id of from.keys()) {
    if (id === into) break;
    for (const member of direct.get(id) ?? [])
      if (member.startsWith('#') && !from.has(member.slice(1))) from.set(member.slice(1), id);
  }
  if (!from.has(into)) return undefined;
  const way = [into];
  for (let at = from.get(into)!; at; at = from.get(at)!) way.unshift(at);
  return `${tag} in ${into} would close a circle: ${[into, ...way].join(' names ')}.`;
}
