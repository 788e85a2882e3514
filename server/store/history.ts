import { declaredChanges, expandFamilies } from '../../core/families/index.ts';
import { deflateRawSync, inflateRawSync } from 'node:zlib';
import type { Logger } from 'pino';
import type { EntityManager } from 'typeorm';
import type { HistoryAnswer, HistoryLine, Point } from '../../core/api/index.ts';
import { bringBlockBack, pathsOfBlock, touchedBlocks } from '../../core/history/index.ts';
import {
  bringChangesForward,
  currentEdition,
  lookUp,
  type Change,
  type Mod,
} from '../../core/mod/index.ts';
import { Problem } from '../problem.ts';
import type { HeldMod } from './held.ts';
import { modIn, takenBack } from './snapshot.ts';
import { readSteps } from './steps.ts';
import { everyMod, type LoggedEdit, type Store } from './store.ts';
import { EditTable, PointTable, type EditRow } from './tables.ts';

/**
 * How much of the past is kept: so many steps of a mod, and none older than so many days but for the
 * last few. After every so many the mod is kept whole; of those so many stay where the log is gone.
 * Named points and releases stay for ever.
 */
export const historyBounds = {
  steps: 10_000,
  days: 365,
  atLeast: 500,
  every: 1000,
  checkpoints: 24,
};
const dayMs = 86_400_000;

/** So many lines are told at once. */
const linesAtOnce = 100;
/** What a longer step touched is not looked up for the list. */
const longestRead = 200_000;

/** What was done to the mods of a store, as far back as it is kept. */
export class History {
  constructor(
    private readonly store: Store,
    private readonly now: () => Date = () => new Date(),
    private readonly bounds = historyBounds,
  ) {}

  /** Keeps the log within its bounds from now on; what fails is logged. Gives how to stop. */
  follow(log: Pick<Logger, 'warn'>): () => void {
    return this.store.listen(everyMod, ({ revision }, _held, name) => {
      if (revision % this.bounds.every !== 0) return;
      this.fold(name).catch((error: unknown) => log.warn({ err: error }, 'log not folded'));
    });
  }

  /** Steps before a revision, newest first, perhaps only those that touch a block. */
  async lines(
    name: string,
    { before, block }: { before?: number | undefined; block?: string | undefined },
  ): Promise<HistoryAnswer> {
    const held = await this.store.mod(name);
    return this.store.transact(async (manager) => {
      const paths = block === undefined ? [] : pathsOfBlock(held.mod, block);
      const rows = await rowsOf(manager, name, { before: before ?? held.revision + 1, paths });
      const points = await manager
        .getRepository(PointTable)
        .find({ where: { mod: name }, select: { revision: true, name: true, time: true } });
      return {
        lines: rows.map((row) => lineOf(held.mod, row)),
        points: points.sort((a, b) => b.revision - a.revision).map(toPoint),
        earliest: await earliest(manager, name, held),
      };
    });
  }

  /** The mod as it stood at a revision. Throws a 404 {@link Problem} where that is not kept. */
  async modAt(name: string, revision: number): Promise<Mod> {
    const held = await this.store.mod(name);
    return this.store.transact((manager) => modAt(manager, held, name, revision));
  }

  /** Brings one block back as it was at a revision. Throws a 409 where there was none of that name. */
  async bringBack(
    name: string,
    baseRevision: number,
    author: string,
    { block, revision }: { block: string; revision: number },
  ): Promise<LoggedEdit> {
    const then = expandFamilies(await this.modAt(name, revision));
    const { mod } = await this.store.mod(name);
    if (!lookUp(then.blocks, block))
      throw new Problem(409, 'No such block', `There was no block called ${block} then.`);
    const changes = declaredChanges(mod, bringBlockBack(expandFamilies(mod), then, block));
    if (changes.length === 0)
      throw new Problem(409, 'Nothing to bring back', `${block} is as it was then.`);
    const label = `Bring ${block} back as it was at revision ${revision}`;
    return this.store.edit(name, baseRevision, author, { label, changes });
  }

  /** Names a point of the history, or takes its name away. */
  async namePoint(name: string, revision: number, called: string | null): Promise<void> {
    const held = await this.store.mod(name);
    await this.store.transact(async (manager) => {
      const points = manager.getRepository(PointTable);
      const known = await points.findOneBy({ mod: name, revision });
      if (called === null && !known?.document) {
        await points.delete({ mod: name, revision });
        return;
      }
      if (!known) await modAt(manager, held, name, revision);
      const time =
        known?.time ?? (await timeOf(manager, name, revision)) ?? this.now().toISOString();
      const row = { mod: name, revision, name: called, time, edition: currentEdition };
      await points.upsert(known ? { ...row, edition: known.edition } : { ...row, document: null }, [
        'mod',
        'revision',
      ]);
    });
  }

  /**
   * Keeps the mod whole as it stands, and folds away the steps that are beyond the bounds. Where an
   * earlier mod cannot be worked out, as when an entry does not fit, the log stays as it is.
   */
  async fold(name: string): Promise<void> {
    const held = await this.store.mod(name);
    try {
      await this.store.transact(async (manager) => {
        await keepWhole(manager, name, held, this.now().toISOString());
        const cut = await this.cutOf(manager, name);
        if (cut === undefined) return;
        await nameReleases(manager, name, held, cut);
        await keepPoints(manager, name, held, cut);
        await manager
          .createQueryBuilder()
          .delete()
          .from(EditTable)
          .where('mod = :name AND revision <= :cut', { name, cut })
          .execute();
        // What undo would take may have been folded away.
        const none = { undo: undefined, redo: undefined };
        Object.assign(held, none, await readSteps(manager, name));
        await this.thin(manager, name, cut);
      });
    } catch (error) {
      if (!(error instanceof Problem)) throw error;
    }
  }

  /** The last step to fold away; undefined when all are within the bounds. */
  private async cutOf(manager: EntityManager, name: string): Promise<number | undefined> {
    const { steps, days, atLeast } = this.bounds;
    const before = new Date(this.now().getTime() - days * dayMs).toISOString();
    const nth = (n: number) =>
      `(SELECT revision FROM edits WHERE mod = ? ORDER BY revision DESC LIMIT 1 OFFSET ${n})`;
    const [found] = await manager.query<{ size: number | null; age: number | null }[]>(
      `SELECT ${nth(steps)} AS size, (SELECT MAX(revision) FROM edits WHERE mod = ? AND ` +
        `time < ? AND revision <= ${nth(atLeast)}) AS age`,
      [name, name, before, name],
    );
    const cut = Math.max(found?.size ?? 0, found?.age ?? 0);
    if (cut === 0) return undefined;
    // A step that a later undo or redo is about stays with it, and so does what that one is about.
    let last = cut;
    for (let previous = Infinity; last < previous;) {
      previous = last;
      const [named] = await manager.query<{ first: number | null }[]>(
        'SELECT MIN(stepRevision) AS first FROM edits WHERE mod = ? AND revision > ?',
        [name, last],
      );
      last = Math.min(last, (named?.first ?? Infinity) - 1);
    }
    const [some] = await manager.query<{ many: number }[]>(
      'SELECT COUNT(*) AS many FROM edits WHERE mod = ? AND revision <= ?',
      [name, last],
    );
    return some?.many ? last : undefined;
  }

  /** Of the points without a name where the log is gone, leaves so many, spread over the time. */
  private async thin(manager: EntityManager, name: string, cut: number): Promise<void> {
    const points = manager.getRepository(PointTable);
    const rows = await points.find({
      where: { mod: name },
      select: { revision: true, name: true },
      order: { revision: 'ASC' },
    });
    const nameless = rows.filter((point) => point.name === null && point.revision <= cut);
    if (nameless.length <= this.bounds.checkpoints) return;
    for (const [i, { revision }] of nameless.entries())
      if (i % 2 === 1) await points.delete({ mod: name, revision });
  }
}

const packed = (mod: Mod): Buffer => deflateRawSync(JSON.stringify(mod));
const unpacked = (document: Buffer): string => inflateRawSync(document).toString('utf8');

/** The text of a point's mod, for whoever looks for what it names. */
export const textOfPoint = unpacked;

const toPoint = ({
  revision,
  name,
  time,
}: {
  revision: number;
  name: string | null;
  time: string;
}): Point => ({ revision, name, time });

type LineRow = Pick<
  EditRow,
  'revision' | 'time' | 'author' | 'kind' | 'label' | 'stepRevision' | 'edition'
> & { changes: string | null };

function rowsOf(
  manager: EntityManager,
  name: string,
  { before, paths }: { before: number; paths: readonly string[] },
): Promise<LineRow[]> {
  const asked = paths.map(() => 'INSTR(changes, ?) > 0');
  const touches = asked.length ? `AND (${asked.join(' OR ')})` : '';
  return manager.query<LineRow[]>(
    'SELECT revision, time, author, kind, label, stepRevision, edition, CASE WHEN ' +
      `LENGTH(changes) <= ${longestRead} THEN changes END AS changes FROM edits WHERE mod = ? ` +
      `AND revision < ? ${touches} ORDER BY revision DESC LIMIT ${linesAtOnce}`,
    [name, before, ...paths],
  );
}

const lineOf = (mod: Mod, { edition, changes, ...line }: LineRow): HistoryLine => ({
  ...line,
  blocks:
    changes === null
      ? []
      : touchedBlocks(mod, bringChangesForward(JSON.parse(changes) as Change[], edition)),
});

/** The first revision from which on every one can be looked at. */
async function earliest(manager: EntityManager, name: string, held: HeldMod): Promise<number> {
  const [first] = await manager.query<{ first: number | null }[]>(
    'SELECT MIN(revision) AS first FROM edits WHERE mod = ?',
    [name],
  );
  return typeof first?.first === 'number' ? first.first - 1 : held.revision;
}

async function timeOf(
  manager: EntityManager,
  mod: string,
  revision: number,
): Promise<string | undefined> {
  return (await manager.getRepository(EditTable).findOneBy({ mod, revision }))?.time;
}

const notKept = (revision: number): Problem =>
  new Problem(
    404,
    'No longer kept',
    `The mod as it was at revision ${revision} is no longer kept, or there was none.`,
  );

/** The mod as it stood at a revision: from the next whole one that is kept, back along the log. */
async function modAt(
  manager: EntityManager,
  held: HeldMod,
  name: string,
  revision: number,
): Promise<Mod> {
  if (revision > held.revision) throw notKept(revision);
  const [point] = await manager.query<{ revision: number; edition: number; document: Buffer }[]>(
    'SELECT revision, edition, document FROM points WHERE mod = ? AND revision >= ? AND ' +
      'document IS NOT NULL ORDER BY revision LIMIT 1',
    [name, revision],
  );
  const from = point
    ? {
        revision: point.revision,
        mod: modIn({ document: unpacked(point.document), edition: point.edition }),
      }
    : held;
  const edits = await manager
    .getRepository(EditTable)
    .createQueryBuilder('e')
    .where('e.mod = :name AND e.revision > :revision AND e.revision <= :to', {
      name,
      revision,
      to: from.revision,
    })
    .orderBy('e.revision', 'ASC')
    .getMany();
  if (edits.length !== from.revision - revision) throw notKept(revision);
  return takenBack(
    from,
    edits.map(({ changes, edition }) => ({
      changes: bringChangesForward(JSON.parse(changes) as Change[], edition),
    })),
  );
}

/** Keeps the mod whole as it stands. */
async function keepWhole(
  manager: EntityManager,
  name: string,
  { mod, revision }: Pick<HeldMod, 'mod' | 'revision'>,
  time: string,
): Promise<void> {
  const points = manager.getRepository(PointTable);
  const known = await points.findOneBy({ mod: name, revision });
  await points.upsert(
    {
      mod: name,
      revision,
      name: known?.name ?? null,
      time: known?.time ?? time,
      edition: currentEdition,
      document: packed(mod),
    },
    ['mod', 'revision'],
  );
}

/** Makes a named point of every release among the steps that are folded away. */
async function nameReleases(
  manager: EntityManager,
  name: string,
  held: HeldMod,
  cut: number,
): Promise<void> {
  const steps = await manager.query<{ revision: number; time: string }[]>(
    'SELECT revision, time FROM edits WHERE mod = ? AND revision <= ? AND ' +
      `INSTR(changes, '"/ledger/releases') > 0`,
    [name, cut],
  );
  for (const { revision, time } of steps) {
    const mod = await modAt(manager, held, name, revision);
    const version = mod.ledger.releases?.at(-1)?.version;
    if (version === undefined) continue;
    await manager.getRepository(PointTable).upsert(
      {
        mod: name,
        revision,
        name: `Release ${version}`,
        time,
        edition: currentEdition,
        document: packed(mod),
      },
      ['mod', 'revision'],
    );
  }
}

/** Keeps the mods of named points whole whose steps are folded away. */
async function keepPoints(
  manager: EntityManager,
  name: string,
  held: HeldMod,
  cut: number,
): Promise<void> {
  const rows = await manager.getRepository(PointTable).findBy({ mod: name });
  for (const { revision, time, document } of rows) {
    if (document !== null || revision > cut) continue;
    const mod = await modAt(manager, held, name, revision);
    await keepWhole(manager, name, { mod, revision }, time);
  }
}
