import { lookUp, pointer } from '../json/index.ts';
import {
  idOf,
  ownName,
  type Change,
  type Header,
  type LotWhen,
  type Mod,
  type ToolKind,
} from '../mod/index.ts';
import type { Arrival } from './arrivals.ts';

type Tools = Header['tools'];

/** How the tool ladder of one mod is said on that of another. */
export interface LadderBetween {
  /** The mod with its grades as the other ladder counts them. */
  applied: Mod;
  /** The tag of the other ladder for the tag of a kind of tool; undefined for any other id. */
  tagIn: (id: string) => string | undefined;
  /** The kinds of tools that the blocks are dug with and the other ladder does not know. */
  missingKinds: (blocks: readonly string[]) => Change[];
  /** What cannot be said on the other ladder, in sentences. */
  notes: (coming: readonly Arrival[]) => string[];
}

/**
 * Compares the tool ladders of two mods: a grade is the grade of the same name, wherever it stands; one whose
 * name the other does not know keeps its place.
 */
export function ladderBetween(source: Mod, target: Mod): LadderBetween {
  const [from, to] = [source.header.tools, target.header.tools];
  const gradeIn = (grade: number): number => {
    const name = from.grades[grade]?.name;
    const at = name === undefined ? -1 : to.grades.findIndex((one) => one.name === name);
    return at < 0 ? grade : at;
  };
  const isSame = from.grades.every((_, grade) => gradeIn(grade) === grade);
  const tags = new Map(
    Object.entries(from.kinds).flatMap(([kind, { tag }]) => {
      const there = to.kinds[kind as ToolKind]?.tag;
      return there === undefined ? [] : [[tag, there] as const];
    }),
  );
  return {
    applied: isSame ? source : withGrades(source, gradeIn),
    tagIn: (id) => tags.get(id),
    missingKinds: (blocks) => missingKinds(source, target, blocks),
    notes: (coming) => unknownGrades(from, to, coming, source),
  };
}

/** The mod with every grade replaced: what digs a block, what a tool is, what a lot asks for. */
function withGrades(mod: Mod, gradeIn: (grade: number) => number): Mod {
  const over = <T, R>(record: Record<string, T>, make: (one: T) => R): Record<string, R> =>
    Object.fromEntries(Object.entries(record).map(([name, one]) => [name, make(one)]));
  const inWhen = (when: LotWhen): LotWhen => ({
    ...when,
    ...(when.grade !== undefined && { grade: gradeIn(when.grade) }),
    ...(when.all && { all: when.all.map(inWhen) }),
    ...(when.any && { any: when.any.map(inWhen) }),
    ...(when.not && { not: inWhen(when.not) }),
  });
  const inDraws = (draws: Mod['lootTables'][string]['draws']) =>
    draws.map((draw) => ({
      ...draw,
      lots: draw.lots.map((lot) => (lot.when ? { ...lot, when: inWhen(lot.when) } : lot)),
    }));
  return {
    ...mod,
    lootTables: over(mod.lootTables, (table) => ({ ...table, draws: inDraws(table.draws) })),
    items: over(mod.items, (item) =>
      item.tool ? { ...item, tool: { ...item.tool, grade: gradeIn(item.tool.grade) } } : item,
    ),
    blocks: over(mod.blocks, ({ traits, loot, ...block }) => ({
      ...block,
      traits:
        traits.leastGrade === undefined
          ? traits
          : { ...traits, leastGrade: gradeIn(traits.leastGrade) },
      ...(loot !== undefined && {
        loot: typeof loot === 'object' ? { draws: inDraws(loot.draws) } : loot,
      }),
    })),
  };
}

function missingKinds(source: Mod, target: Mod, blocks: readonly string[]): Change[] {
  const [from, to] = [source.header, target.header];
  const wanted = new Set(blocks.map((name) => lookUp(source.blocks, name)?.traits.toolKind));
  return [...wanted].flatMap((kind): Change[] => {
    if (kind === undefined || kind === 'none' || to.tools.kinds[kind]) return [];
    const tag = from.tools.kinds[kind]?.tag;
    if (tag === undefined) return [];
    const own = ownName(from.namespace, tag);
    const after = { tag: own === undefined ? tag : idOf(to.namespace, own) };
    return [{ path: pointer(['header', 'tools', 'kinds', kind]), after }];
  });
}

/** Grades that what comes asks for, and whose names the other ladder does not have. */
function unknownGrades(from: Tools, to: Tools, coming: readonly Arrival[], mod: Mod): string[] {
  return coming.flatMap(({ kind, from: name, to: there }) => {
    const grade =
      kind === 'blocks'
        ? lookUp(mod.blocks, name)?.traits.leastGrade
        : kind === 'items'
          ? lookUp(mod.items, name)?.tool?.grade
          : undefined;
    const word = grade === undefined ? undefined : from.grades[grade]?.name;
    if (!grade || word === undefined || to.grades.some((one) => one.name === word)) return [];
    return [`${there} asks for the grade ${word}, which the tool ladder here does not have.`];
  });
}
