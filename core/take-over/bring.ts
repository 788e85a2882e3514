import { lookUp, pointer, sameData } from '../json/index.ts';
import {
  applyChanges,
  idOf,
  nextNumber,
  splitId,
  type Change,
  type Mod,
  type Reference,
  type Registered,
  type RenamedKind,
} from '../mod/index.ts';
import { arrivalsOf, idIn, Origin, type Arrival } from './arrivals.ts';
import { ladderBetween, type LadderBetween } from './ladder.ts';
import { scaledTo } from './scale.ts';

/** Blocks of one mod on their way into another. */
export interface Bringing {
  /** The edit of the mod that takes them in. */
  changes: Change[];
  /** What comes, and under which name. */
  arrivals: Arrival[];
  /** What a person should know, in sentences. */
  notes: string[];
  /** The SHA-256 of the pictures and of the sounds that the mod must be given first. */
  pictures: string[];
  sounds: string[];
}

const ledgerKinds: Partial<Record<RenamedKind, Registered>> = {
  groups: 'group',
  blocks: 'block',
  fluids: 'fluid',
  items: 'item',
};

/**
 * Takes blocks of another mod into this one, with the models, pictures, sounds, loot, items, tags
 * and recipes that they need: one edit. Ids move into this mod's namespace, and names that are taken
 * get a number or what `names` says. Grades of tools are found by their names, sizes in texels are
 * scaled, and what stays behind is named by its own id.
 *
 * @example bringBlocks(mod, pack, ['brine']).changes
 */
export function bringBlocks(
  target: Mod,
  source: Mod,
  chosen: readonly string[],
  names: Readonly<Record<string, string>> = {},
): Bringing {
  const ladder = ladderBetween(source, target);
  const origin = new Origin(scaledTo(ladder.applied, target.header.texels));
  const found = arrivalsOf(target, origin, chosen, names);
  const arrivals = found.arrivals.filter(
    ({ kind, from }) =>
      kind !== 'blockTags' || ladder.tagIn(idOf(source.header.namespace, from)) === undefined,
  );
  const coming = arrivals.filter(({ how }) => how !== 'there');
  const mover = new Mover(target, origin, arrivals, ladder);
  const entries = coming.flatMap((arrival) => mover.changesFor(arrival));
  const blocks = coming.flatMap(({ kind, from }) => (kind === 'blocks' ? [from] : []));
  const header = [...mover.headerChanges(coming), ...ladder.missingKinds(blocks)];
  return {
    changes: [...header, ...entries, ...registered(target, coming)],
    arrivals,
    notes: [
      ...mover.notes(),
      ...ladder.notes(coming),
      ...found.behind.map(
        ({ recipe, lacks }) =>
          `The recipe ${recipe} stays behind: it takes ${lacks}, which does not come along.`,
      ),
    ],
    pictures: coming.flatMap(({ kind, from }) =>
      kind === 'textures' ? (lookUp(source.textures, from)?.picture.sha256 ?? []) : [],
    ),
    sounds: coming.flatMap(({ kind, from }) =>
      kind === 'sounds' ? (lookUp(source.sounds, from)?.sha256 ?? []) : [],
    ),
  };
}

/** Writes entries of one mod anew for another. */
class Mover {
  private readonly byKey: ReadonlyMap<string, Arrival>;
  /** The namespaces of others that are named by what comes. */
  private readonly named = new Set<string>();
  private readonly leftLanguages = new Set<string>();

  constructor(
    private readonly target: Mod,
    private readonly origin: Origin,
    arrivals: readonly Arrival[],
    private readonly ladder: LadderBetween,
  ) {
    this.byKey = new Map(arrivals.map((one) => [`${one.kind} ${one.from}`, one]));
  }

  /** The changes that put an entry into the target. */
  changesFor(arrival: Arrival): Change[] {
    const { kind, from, to } = arrival;
    if (kind === 'groups') return [];
    if (kind === 'blockTags' || kind === 'itemTags') return this.tagChanges(kind, arrival);
    return [{ path: pointer([kind, to]), after: this.moved(kind, from) }];
  }

  /** An entry with everything that it names under the name that this has in the target. */
  private moved(kind: Exclude<RenamedKind, 'groups'>, name: string): unknown {
    const entry = lookUp<unknown>(this.origin.mod[kind], name);
    const changes = this.origin.referencesOf(kind, name).flatMap((reference): Change[] => {
      const { path, text } = reference;
      const after = this.textIn(reference);
      return after === text ? [] : [{ path, before: text, after }];
    });
    const moved = applyChanges<Record<string, Record<string, unknown>>>(
      { [kind]: { [name]: entry } },
      changes,
    );
    return this.inLanguages(moved[kind]?.[name]);
  }

  /** What a reference says in the target. What stays behind keeps its own id. */
  private textIn(reference: Pick<Reference, 'text' | 'kinds'>): string {
    const { text, kinds } = reference;
    const alias = kinds.includes('blockTags') ? this.ladder.tagIn(text) : undefined;
    if (alias !== undefined) return alias;
    const after = idIn(this.target, text, this.arrivalOf(reference)) ?? text;
    if (after.includes(':')) this.named.add(splitId(after.replace(/^#/, '')).namespace);
    return after;
  }

  private arrivalOf(reference: Pick<Reference, 'text' | 'kinds'>): Arrival | undefined {
    const meant = this.origin.meant(reference);
    return meant && this.byKey.get(`${meant.kind} ${meant.name}`);
  }

  /** An entry without names in languages that the target does not have. */
  private inLanguages(entry: unknown): unknown {
    const { names } = entry as { names?: Record<string, string> };
    if (!names) return entry;
    const { languages } = this.target.header;
    for (const language of Object.keys(names))
      if (!languages.includes(language)) this.leftLanguages.add(language);
    const kept = Object.entries(names).filter(([language]) => languages.includes(language));
    return { ...(entry as object), names: Object.fromEntries(kept) };
  }

  /** A tag comes with those of its members that come or are others'; one that is there gets them. */
  private tagChanges(kind: 'blockTags' | 'itemTags', { from, to, how }: Arrival): Change[] {
    const entry = lookUp(this.origin.mod[kind], from);
    if (!entry) return [];
    const { namespace } = this.origin.mod.header;
    const members = (entry.members ?? []).flatMap((text) => {
      const reference = { text, kinds: memberKinds(kind, text) };
      const isOwn = splitId(text.replace(/^#/, '')).namespace === namespace;
      return isOwn && !this.arrivalOf(reference) ? [] : [this.textIn(reference)];
    });
    const there = lookUp(this.target[kind], to);
    if (how !== 'joined') {
      const note = entry.note === undefined ? {} : { note: entry.note };
      return [
        { path: pointer([kind, to]), after: { ...note, ...(members.length && { members }) } },
      ];
    }
    const all = [...new Set([...(there?.members ?? []), ...members])];
    return sameData(all, there?.members ?? [])
      ? []
      : [{ path: pointer([kind, to, 'members']), before: there?.members, after: all }];
  }

  /** What the header gets, once the entries are written: catalogue groups, mods that are named. */
  headerChanges(coming: readonly Arrival[]): Change[] {
    const { header } = this.target;
    const groups = coming.flatMap(({ kind, from, to, how }) => {
      const group = this.origin.mod.header.groups.find(({ name }) => name === from);
      if (kind !== 'groups' || how === 'joined' || !group) return [];
      const { icon: _, ...rest } = group;
      return [{ ...(this.inLanguages(rest) as typeof rest), name: to }];
    });
    const needs = this.newNeeds();
    return [
      ...(groups.length
        ? [{ path: '/header/groups', before: header.groups, after: [...header.groups, ...groups] }]
        : []),
      ...(needs.length
        ? [
            {
              path: '/header/needs',
              before: header.needs,
              after: [...(header.needs ?? []), ...needs],
            },
          ]
        : []),
    ];
  }

  private newNeeds(): { namespace: string }[] {
    const { namespace, needs = [] } = this.target.header;
    const known = new Set([namespace, 'obrank', ...needs.map((one) => one.namespace)]);
    return [...this.named].filter((one) => !known.has(one)).map((one) => ({ namespace: one }));
  }

  notes(): string[] {
    const left = [...this.leftLanguages];
    return [
      ...(left.length
        ? [
            `Names in ${left.join(', ')} stay behind: the mod is not in ${left.length > 1 ? 'these languages' : 'this language'}.`,
          ]
        : []),
      ...this.newNeeds().map(
        ({ namespace }) =>
          `The mod then needs ${namespace}: something that comes names things of it.`,
      ),
    ];
  }
}

/** What can stand in a tag: tags after a `#`, and what the tag is of. */
const memberKinds = (kind: 'blockTags' | 'itemTags', member: string): RenamedKind[] =>
  member.startsWith('#') ? [kind] : kind === 'blockTags' ? ['blocks'] : ['blocks', 'items'];

/** What comes gets the next numbers of the ledger: groups, blocks, fluids, then items. */
function registered({ ledger }: Mod, coming: readonly Arrival[]): Change[] {
  const first = nextNumber(ledger);
  const entries = (['groups', 'blocks', 'fluids', 'items'] as const)
    .flatMap((kind) => coming.filter((one) => one.kind === kind && one.how !== 'joined'))
    .map(({ kind, to }, i) => ({ number: first + i, kind: ledgerKinds[kind], name: to }));
  return entries.length
    ? [
        {
          path: '/ledger/entries',
          before: ledger.entries,
          after: [...ledger.entries, ...entries],
        },
      ]
    : [];
}
