import { freeName } from '../lists/index.ts';
import { pointerSteps, sameData } from '../json/index.ts';
import {
  entryKinds,
  idOf,
  lookUp,
  namePatternOf,
  ownName,
  referencesIn,
  renamed,
  resolveBlock,
  usualStack,
  type Block,
  type EntryKind,
  type Item,
  type Mod,
  type Reference,
  type RenamedKind,
} from '../mod/index.ts';
import { directMembers } from '../tags/index.ts';
import { sameBlock } from './meaning.ts';
import { moveToNamespace } from './namespace.ts';

/**
 * How something comes into a mod: because it was chosen, because something chosen needs it, or not
 * at all, since the mod has the very same; a tag or a catalogue group is joined where the mod has
 * one of that name.
 */
export type Coming = 'chosen' | 'along' | 'there' | 'joined';

/** Something that comes out of one mod into another, and the name that it has there. */
export interface Arrival {
  kind: RenamedKind;
  from: string;
  to: string;
  how: Coming;
}

const keyOf = (kind: string, name: string): string => `${kind} ${name}`;

/** A mod of which parts are taken, with what each entry names. */
export class Origin {
  private readonly references = new Map<string, Reference[]>();

  constructor(readonly mod: Mod) {
    for (const reference of referencesIn(mod)) {
      const [kind = '', name = ''] = pointerSteps(reference.path);
      const key = keyOf(kind, name);
      const list = this.references.get(key);
      if (list) list.push(reference);
      else this.references.set(key, [reference]);
    }
  }

  /** What an entry names. */
  referencesOf(kind: string, name: string): readonly Reference[] {
    return this.references.get(keyOf(kind, name)) ?? [];
  }

  /**
   * What of the mod's own a reference means; undefined for others' things. A tag needs no entry to
   * be one.
   */
  meant({
    text,
    kinds,
  }: Pick<Reference, 'text' | 'kinds'>): { kind: RenamedKind; name: string } | undefined {
    const { header } = this.mod;
    const bare = text.startsWith('#') ? text.slice(1) : text;
    const name = bare.includes(':') ? ownName(header.namespace, bare) : bare;
    if (name === undefined) return undefined;
    const kind = kinds.find((one) =>
      one === 'groups'
        ? header.groups.some((group) => group.name === name)
        : one === 'blockTags' || one === 'itemTags' || Object.hasOwn(this.mod[one], name),
    );
    return kind && { kind, name };
  }
}

const isTag = (kind: RenamedKind): kind is 'blockTags' | 'itemTags' =>
  kind === 'blockTags' || kind === 'itemTags';

/** What comes, by kind and name, each thing with all that it needs. */
class Closure {
  readonly coming = new Map<string, Arrival>();

  constructor(private readonly origin: Origin) {}

  has(kind: RenamedKind, name: string): boolean {
    return this.coming.has(keyOf(kind, name));
  }

  /** Adds something with all that it needs. */
  add(kind: RenamedKind, name: string, how: Coming = 'along'): void {
    const queue: Arrival[] = [];
    const put = (arrival: Arrival) => {
      if (this.has(arrival.kind, arrival.from)) return;
      this.coming.set(keyOf(arrival.kind, arrival.from), arrival);
      queue.push(arrival);
    };
    put({ kind, from: name, to: name, how });
    for (let next = queue.shift(); next; next = queue.shift()) {
      // Who else is in a tag does not come along with it.
      if (isTag(next.kind)) continue;
      for (const reference of this.origin.referencesOf(next.kind, next.from)) {
        const meant = this.origin.meant(reference);
        if (meant) put({ kind: meant.kind, from: meant.name, to: meant.name, how: 'along' });
      }
    }
  }
}

/** A recipe that stays behind although it makes something that comes, and what it lacks. */
export interface LeftRecipe {
  recipe: string;
  lacks: string;
}

/**
 * Adds the recipes that make something of what comes, out of what comes, is others', is there, or
 * is in a tag of which somebody comes or is there. Gives back those that stay behind.
 */
function addRecipes(target: Mod, moved: Mod, origin: Origin, closure: Closure): LeftRecipe[] {
  const behind: LeftRecipe[] = [];
  const isThere = (kind: RenamedKind, name: string): boolean =>
    isTag(kind)
      ? isFilled(target, name) ||
        [...closure.coming.values()].some((one) => isIn(origin, one, name))
      : closure.has(kind, name) || (kind !== 'groups' && isSame(target, moved, kind, name));
  for (const recipe of Object.keys(origin.mod.recipes)) {
    const references = origin.referencesOf('recipes', recipe);
    const named = references.map((reference) => ({ reference, meant: origin.meant(reference) }));
    const makes = named.some(
      ({ reference, meant }) =>
        reference.path.endsWith('/gives') && meant && closure.has(meant.kind, meant.name),
    );
    if (!makes) continue;
    const lacking = named.find(({ meant }) => meant && !isThere(meant.kind, meant.name));
    if (lacking) behind.push({ recipe, lacks: lacking.reference.text });
    else closure.add('recipes', recipe);
  }
  return behind;
}

/** Whether something that comes says that it is in an item tag of the mod it comes from. */
const isIn = (origin: Origin, { kind, from }: Arrival, tag: string): boolean =>
  origin
    .referencesOf(kind, from)
    .some((one) => one.kinds.includes('itemTags') && origin.meant(one)?.name === tag);

const isFilled = (target: Mod, tag: string): boolean =>
  (directMembers(target, 'itemTags').get(idOf(target.header.namespace, tag))?.size ?? 0) > 0;

/**
 * What comes into a mod when blocks of another one are taken over, in the order in which it is
 * found: each under a name that is free there. `names` says other names by kind and name, as
 * `{ 'blocks brine': 'brine_pool' }`; one that is taken gets a number all the same, and what is no
 * name is passed over.
 *
 * @example arrivalsOf(mod, new Origin(pack), ['brine']).arrivals[0]
 * // { kind: 'blocks', from: 'brine', to: 'brine_2', how: 'chosen' }
 */
export function arrivalsOf(
  target: Mod,
  origin: Origin,
  chosen: readonly string[],
  names: Readonly<Record<string, string>> = {},
): { arrivals: Arrival[]; behind: LeftRecipe[] } {
  const moved = moveToNamespace(origin.mod, target.header.namespace);
  const closure = new Closure(origin);
  for (const name of chosen)
    if (lookUp(origin.mod.blocks, name)) closure.add('blocks', name, 'chosen');
  const behind = addRecipes(target, moved, origin, closure);
  const { coming } = closure;
  const taken = takenIn(target);
  findWhatIsThere(target, moved, origin, coming);
  for (const arrival of coming.values()) {
    const list = taken(arrival.kind);
    const asked = lookUp(names, keyOf(arrival.kind, arrival.from));
    const wanted = asked !== undefined && isName(arrival.kind, asked) ? asked : arrival.from;
    if (arrival.how === 'there') continue;
    if (isJoined(target, arrival.kind, wanted)) {
      Object.assign(arrival, { to: wanted, how: 'joined' });
      continue;
    }
    arrival.to = freeName(wanted, list);
    list.push(arrival.to);
  }
  return { arrivals: namedByComing(origin, [...coming.values()]), behind };
}

/** No name that is asked for is longer; a number may come behind it. */
const longestName = 60;

const isName = (kind: RenamedKind, text: string): boolean =>
  text.length <= longestName && namePatternOf(kind).test(text);

/** Whether what comes under a name joins what is there: tags and catalogue groups do. */
const isJoined = (target: Mod, kind: RenamedKind, name: string): boolean =>
  kind === 'groups'
    ? target.header.groups.some((group) => group.name === name)
    : isTag(kind) &&
      (Object.hasOwn(target[kind], name) ||
        directMembers(target, kind).has(idOf(target.header.namespace, name)));

/** Without the tags and groups that only things name which are there already. */
function namedByComing(origin: Origin, arrivals: readonly Arrival[]): Arrival[] {
  const named = new Set(
    arrivals
      .filter(({ how }) => how !== 'there')
      .flatMap(({ kind, from }) => origin.referencesOf(kind, from))
      .flatMap((reference) => {
        const meant = origin.meant(reference);
        return meant ? [keyOf(meant.kind, meant.name)] : [];
      }),
  );
  return arrivals.filter(
    ({ kind, from }) => !(isTag(kind) || kind === 'groups') || named.has(keyOf(kind, from)),
  );
}

const isNamed = (kind: EntryKind): kind is EntryKind & RenamedKind =>
  (renamed as readonly string[]).includes(kind);

/** The names that are taken, by kind; blocks and items share theirs with all that was retired. */
function takenIn({ header, ledger, ...mod }: Mod): (kind: RenamedKind) => string[] {
  const lists = new Map<RenamedKind, string[]>();
  for (const kind of entryKinds) if (isNamed(kind)) lists.set(kind, Object.keys(mod[kind]));
  const things = [
    ...Object.keys(mod.blocks),
    ...Object.keys(mod.fluids),
    ...Object.keys(mod.items),
    ...ledger.retired.map(({ name }) => name),
  ];
  lists.set('blocks', things).set('fluids', things).set('items', things);
  lists.set(
    'groups',
    [...header.groups, ...ledger.retired.filter(({ kind }) => kind === 'group')].map(
      ({ name }) => name,
    ),
  );
  return (kind) => {
    const list = lists.get(kind) ?? [];
    lists.set(kind, list);
    return list;
  };
}

/**
 * Marks what the target has already, entry for entry the same: it needs no second one. What names
 * something that the target has otherwise is not the same either.
 */
function findWhatIsThere(
  target: Mod,
  moved: Mod,
  origin: Origin,
  coming: ReadonlyMap<string, Arrival>,
): void {
  const before = new Map<Arrival, Coming>();
  for (const arrival of coming.values()) {
    const { kind, from, how } = arrival;
    if (isTag(kind) || kind === 'groups') continue;
    if (!isSame(target, moved, kind, from)) continue;
    before.set(arrival, how);
    arrival.how = 'there';
  }
  for (let isSettled = false; !isSettled;) {
    isSettled = true;
    for (const [arrival, how] of before) {
      const others = origin.referencesOf(arrival.kind, arrival.from).flatMap((reference) => {
        const meant = origin.meant(reference);
        return meant ? (coming.get(keyOf(meant.kind, meant.name)) ?? []) : [];
      });
      if (others.every(({ kind, how }) => how === 'there' || isTag(kind) || kind === 'groups'))
        continue;
      arrival.how = how;
      before.delete(arrival);
      isSettled = false;
    }
  }
}

/** Whether two mods have the same under a name; of blocks and items, what means the same. */
function isSame(a: Mod, b: Mod, kind: Exclude<RenamedKind, 'groups'>, name: string): boolean {
  const [one, other] = [lookUp<unknown>(a[kind], name), lookUp<unknown>(b[kind], name)];
  if (one === undefined || other === undefined) return false;
  if (kind === 'items') return sameData(plainItem(one as Item), plainItem(other as Item));
  if (kind !== 'blocks') return sameData(one, other);
  const [block, second] = [one as Block, other as Block];
  return (
    sameData(tagsOf(block), tagsOf(second)) &&
    sameBlock(resolveBlock(a, name, block), resolveBlock(b, name, second))
  );
}

/** An item without what is usual, and without what a pack does not say. */
const plainItem = ({ stack, natural: _, tags, ...item }: Item) => ({
  ...item,
  stack: stack ?? usualStack,
  tags: [...(tags ?? [])].sort(),
});

const tagsOf = ({ tags, itemTags }: Block) => [[...tags].sort(), [...(itemTags ?? [])].sort()];

/** The id that a reference has in the target, as it is written there: with its `#`, or bare. */
export function idIn(target: Mod, text: string, arrival: Arrival | undefined): string | undefined {
  if (!arrival) return undefined;
  if (!text.includes(':')) return arrival.to;
  return (text.startsWith('#') ? '#' : '') + idOf(target.header.namespace, arrival.to);
}
