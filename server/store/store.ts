import type { DataSource, EntityManager } from 'typeorm';
import type { BaselineAnswer, LoggedEdit, ModSummary } from '../../core/api/index.ts';
import { digestOf } from '../../core/bytes/index.ts';
import { pointer } from '../../core/json/index.ts';
import {
  bringChangesForward,
  currentEdition,
  entryKinds,
  invertChanges,
  squashChanges,
  type Change,
  type Edit,
  type Mod,
  type Picture,
  type Sound,
} from '../../core/mod/index.ts';
import { readSound, SoundProblem } from '../../core/sounds/index.ts';
import { decodePicture, pictureFacts, PictureProblem } from '../../core/textures/index.ts';
import { Problem } from '../problem.ts';
import { applyEdit, checkChanges, checkEntries, entryIn, touchedEntries } from './apply.ts';
import { readHeld, type HeldMod } from './held.ts';
import { keepSnapshot, readSnapshot, takenBack } from './snapshot.ts';
import { readSteps } from './steps.ts';
import { backupTo } from './backup.ts';
import { binMod, emptyBin, modExists, readSummaries, unbinMod } from './mods.ts';
import { BlobTable, EditTable, EntryTable, ModTable, type EditRow } from './tables.ts';
import { inTransaction } from './transaction.ts';

export type { LoggedEdit } from '../../core/api/index.ts';
export type { HeldMod } from './held.ts';

type Listener = (edit: LoggedEdit, held: HeldMod, name: string) => void;
type Made = Edit & Pick<LoggedEdit, 'stepRevision'>;
/** What is written in the same transaction as an edit, before it. */
type Beside = (manager: EntityManager) => Promise<void>;

/**
 * So much of the log is handed out at once: at most so many edits, and, after the first, so many
 * characters of changes.
 */
const logBounds = { edits: 200, characters: 2_000_000 };

/** Who listens to this hears of every mod. */
export const everyMod = '*';

/** Whose edits they are that came from a linked folder. */
export const folderAuthor = 'the folder';

/**
 * The mods of this machine. Every write is one transaction: the entries it touches, and one line of
 * the log. Whatever touches the database waits its turn, so that nothing is read from a transaction
 * that may yet fail and a mod is read only once.
 */
export class Store {
  private readonly held = new Map<string, HeldMod>();
  private readonly listeners = new Map<string, Set<Listener>>();
  private queue: Promise<unknown> = Promise.resolve();

  constructor(
    private readonly source: DataSource,
    private readonly now: () => Date = () => new Date(),
  ) {}

  /** The mods by name, also those in the bin. */
  names(): Promise<ModSummary[]> {
    return this.alone(() => readSummaries(this.source.manager));
  }

  /**
   * Puts a mod into the bin or, where it is there, takes it away for good. Throws a 404 {@link
   * Problem} when there is none of that name.
   */
  remove(name: string): Promise<void> {
    return this.write(
      (manager) => binMod(manager, name, this.now().toISOString()),
      () => void this.held.delete(name),
    );
  }

  /** Brings a mod back out of the bin. Throws a 404 {@link Problem} when it is not there. */
  restore(name: string): Promise<void> {
    return this.write((manager) => unbinMod(manager, name));
  }

  /** Takes away for good what has lain in the bin for long enough. */
  emptyBin(): Promise<void> {
    return this.write((manager) => emptyBin(manager, this.now()));
  }

  /** The mod of that name. Throws a 404 {@link Problem}. */
  async mod(name: string): Promise<HeldMod> {
    return this.held.get(name) ?? this.alone(() => this.load(name));
  }

  /**
   * The mod as it is held, or read now. Only for work that is alone: two readers at once would hold
   * two mods.
   */
  private async load(name: string): Promise<HeldMod> {
    const known = this.held.get(name);
    if (known) return known;
    const held = await readHeld(this.source, name);
    this.held.set(name, held);
    return held;
  }

  /**
   * Brings in a whole mod, with its pictures and sounds. Throws a 409 {@link Problem} when one of
   * that namespace is there.
   */
  async addMod(mod: Mod, blobs: ReadonlyMap<string, Uint8Array>): Promise<void> {
    const name = mod.header.namespace;
    await this.write(async (manager) => {
      const known = await manager.getRepository(ModTable).findOneBy({ name });
      if (known) throw modExists(known);
      await manager.getRepository(ModTable).insert({
        name,
        revision: 0,
        created: this.now().toISOString(),
        built: null,
        removed: null,
      });
      for (const bytes of blobs.values()) await this.putBlob(bytes, manager);
      const entries = [
        ...entryKinds.flatMap((kind) =>
          Object.entries<unknown>(mod[kind]).map(([entry, document]) => ({
            kind,
            name: entry,
            document,
          })),
        ),
        { kind: 'header', name: '', document: mod.header },
        { kind: 'ledger', name: '', document: mod.ledger },
      ];
      const rows = entries.map((entry) => ({
        mod: name,
        kind: entry.kind,
        name: entry.name,
        document: JSON.stringify(entry.document),
        revision: 0,
        edition: currentEdition,
      }));
      await keepSnapshot(manager, name, { revision: 0, mod });
      for (let i = 0; i < rows.length; i += 100)
        await manager.getRepository(EntryTable).insert(rows.slice(i, i + 100));
    });
  }

  /**
   * Applies a person's edit that was made at a revision. Throws 412 when the mod has moved on, 422
   * when the result does not fit.
   */
  edit(
    name: string,
    baseRevision: number,
    author: string,
    { label, changes }: Edit,
  ): Promise<LoggedEdit> {
    return this.append(name, baseRevision, author, 'edit', () => ({
      label,
      changes,
      stepRevision: null,
    }));
  }

  /**
   * The same for what came from a linked folder, with the pictures and sounds that it names and
   * what else must be noted with it, all or nothing.
   */
  takeIn(
    name: string,
    baseRevision: number,
    { label, changes }: Edit,
    blobs: Iterable<Uint8Array>,
    beside: Beside,
  ): Promise<LoggedEdit> {
    const made = () => ({ label, changes, stepRevision: null });
    return this.append(name, baseRevision, folderAuthor, 'edit', made, async (manager) => {
      for (const bytes of blobs) await this.putBlob(bytes, manager);
      await beside(manager);
    });
  }

  /** Does work on the database as one transaction. */
  transact<T>(work: (manager: EntityManager) => Promise<T>): Promise<T> {
    return this.write(work);
  }

  /**
   * Takes back the last edit, or brings back the last one taken back, whoever made it. Throws 409
   * when there is none.
   */
  undoOrRedo(
    name: string,
    baseRevision: number,
    author: string,
    kind: 'undo' | 'redo',
  ): Promise<LoggedEdit> {
    return this.append(name, baseRevision, author, kind, async (held) => {
      const last = held[kind];
      if (!last) throw new Problem(409, `Nothing to ${kind}`, `There is nothing to ${kind}.`);
      const line = await this.source
        .getRepository(EditTable)
        .findOneByOrFail({ mod: name, revision: last.revision });
      const changes = changesOf(line);
      return {
        label: last.label,
        changes: kind === 'undo' ? invertChanges(changes) : changes,
        stepRevision: last.revision,
      };
    });
  }

  private async append(
    name: string,
    baseRevision: number,
    author: string,
    kind: EditRow['kind'],
    make: (held: HeldMod) => Promise<Made> | Made,
    beside?: Beside,
  ): Promise<LoggedEdit> {
    return this.write(
      async (manager) => {
        const held = await this.load(name);
        if (baseRevision !== held.revision) throw await this.stale(name, baseRevision, held);
        const { label, changes: given, stepRevision } = await make(held);
        checkChanges(held, given);
        // What is held is what is on disk, to the last sign of a zero.
        const stored = JSON.stringify(squashChanges(given));
        const changes = JSON.parse(stored) as Change[];
        const mod = applyEdit(held.mod, changes);
        checkEntries(mod, changes);
        await beside?.(manager);
        await this.checkPictures(mod, changes, manager);
        const logged: LoggedEdit = {
          revision: held.revision + 1,
          time: this.now().toISOString(),
          author,
          kind,
          label,
          stepRevision,
          changes,
        };
        await manager
          .getRepository(EditTable)
          .insert({ ...logged, mod: name, changes: stored, edition: currentEdition });
        await manager.getRepository(ModTable).update({ name }, { revision: logged.revision });
        await saveEntries(manager, name, mod, changes, logged.revision);
        const steps =
          kind === 'edit'
            ? { undo: { revision: logged.revision, label }, redo: undefined }
            : { undo: undefined, redo: undefined, ...(await readSteps(manager, name)) };
        return { held, mod, logged, steps };
      },
      ({ held, mod, logged, steps }) => {
        Object.assign(held, { mod, revision: logged.revision, ...steps });
        for (const to of [name, everyMod])
          for (const listener of this.listeners.get(to) ?? []) listener(logged, held, name);
        return logged;
      },
    );
  }

  /** A texture, and the header, must say the truth about their pictures. */
  private async checkPictures(
    mod: Mod,
    changes: readonly Change[],
    manager: EntityManager,
  ): Promise<void> {
    for (const entry of touchedEntries(changes)) {
      if (entry.kind === 'header') {
        await this.checkKept(mod, manager);
        const { picture } = mod.header;
        if (picture) await checkPicture(picture, ['header', 'picture'], manager);
      }
      const texture =
        entry.kind === 'textures'
          ? (entryIn(mod, entry) as Mod['textures'][string] | undefined)
          : undefined;
      if (texture)
        await checkPicture(texture.picture, ['textures', entry.name, 'picture'], manager);
    }
  }

  /** A file that a build carries along must be there. */
  private async checkKept({ header }: Mod, manager: EntityManager): Promise<void> {
    for (const [path, { sha256 }] of Object.entries(header.kept ?? {}))
      if (!(await manager.getRepository(BlobTable).existsBy({ sha256 })))
        throw new Problem(422, 'Edit refused', `The file ${path} is not in the database.`, {
          errors: [
            {
              pointer: pointer(['header', 'kept', path]),
              detail: 'Keep only what was taken over.',
            },
          ],
        });
  }

  private async stale(name: string, baseRevision: number, held: HeldMod): Promise<Problem> {
    const isEarlier = baseRevision < held.revision && baseRevision >= 0;
    const edits = isEarlier ? await this.readLog(name, baseRevision) : [];
    return new Problem(
      412,
      'The mod has moved on',
      `The edit was made at revision ${baseRevision}, but the mod is at revision ${held.revision}.`,
      { revision: held.revision, edits },
    );
  }

  /**
   * Notes that the mod was built as it stood at a revision, so that pages can show what the next
   * build will change.
   */
  async noteBuilt(name: string, revision: number, mod: Mod): Promise<void> {
    await this.write(
      async (manager) => {
        const held = await this.load(name);
        await manager.getRepository(ModTable).update({ name }, { built: revision });
        await keepSnapshot(manager, name, { revision, mod });
        return held;
      },
      (held) => {
        held.built = revision;
      },
    );
  }

  /**
   * The mod as it was built last or, before that, as it was brought in. Where nothing was kept, as
   * in databases of earlier programs, it is worked out from the log and kept. Throws a 404
   * {@link Problem}.
   */
  async baseline(name: string): Promise<BaselineAnswer> {
    return this.write(async (manager) => {
      const held = await this.load(name);
      const revision = held.built ?? 0;
      const isBuilt = held.built !== null;
      const kept = await readSnapshot(manager, name);
      if (kept?.revision === revision) return { ...kept, isBuilt };
      const mod = takenBack(held, await this.readLogSince(name, revision));
      await keepSnapshot(manager, name, { revision, mod });
      return { revision, isBuilt, mod };
    });
  }

  /**
   * The edits after a revision, oldest first: as many as one answer may hold, and at least one when
   * there is any.
   */
  log(name: string, after: number): Promise<LoggedEdit[]> {
    return this.alone(() => this.readLog(name, after));
  }

  /** The whole log after a revision, oldest first. */
  private async readLogSince(name: string, revision: number): Promise<LoggedEdit[]> {
    const edits: LoggedEdit[] = [];
    for (;;) {
      const more = await this.readLog(name, edits.at(-1)?.revision ?? revision);
      if (more.length === 0) return edits;
      edits.push(...more);
    }
  }

  private async readLog(name: string, after: number): Promise<LoggedEdit[]> {
    const rows = this.source
      .getRepository(EditTable)
      .createQueryBuilder('e')
      .where('e.mod = :name AND e.revision > :after', { name, after })
      .orderBy('e.revision', 'ASC');
    const lengths = await rows
      .clone()
      .select('LENGTH(e.changes)', 'length')
      .limit(logBounds.edits)
      .getRawMany<{ length: number }>();
    let [fitting, characters] = [0, 0];
    for (const { length } of lengths) {
      characters += length;
      if (fitting > 0 && characters > logBounds.characters) break;
      fitting += 1;
    }
    if (fitting === 0) return [];
    const found = await rows.limit(fitting).getMany();
    return found.map((row) => {
      const { revision, time, author, kind, label, stepRevision } = row;
      return { revision, time, author, kind, label, stepRevision, changes: changesOf(row) };
    });
  }

  /** Hears of every edit of a mod, or of every mod. Gives back how to stop. */
  listen(name: string, listener: Listener): () => void {
    const set = this.listeners.get(name) ?? new Set();
    this.listeners.set(name, set.add(listener));
    return () => void set.delete(listener);
  }

  /**
   * Takes in a PNG, checked, and gives its facts. Throws a 422 {@link Problem} for anything else.
   */
  async addPicture(bytes: Uint8Array): Promise<Picture> {
    const facts = saying(PictureProblem, 'Picture refused', () =>
      pictureFacts(decodePicture(bytes)),
    );
    const picture: Picture = { sha256: digestOf(bytes), bytes: bytes.length, ...facts };
    await this.write((manager) => this.putBlob(bytes, manager, picture));
    return picture;
  }

  /**
   * Takes in a WAV or Ogg file, checked, and gives its facts. Throws a 422 {@link Problem} for
   * anything else.
   */
  async addSound(bytes: Uint8Array): Promise<Sound> {
    const facts = saying(SoundProblem, 'Sound refused', () => readSound(bytes));
    await this.write((manager) => this.putBlob(bytes, manager));
    return { sha256: digestOf(bytes), bytes: bytes.length, ...facts };
  }

  private async putBlob(bytes: Uint8Array, manager: EntityManager, known?: Picture): Promise<void> {
    const sha256 = digestOf(bytes);
    const sound = ['RIFF', 'OggS'].find(
      (mark) => new TextDecoder('latin1').decode(bytes.subarray(0, 4)) === mark,
    );
    const facts = known ?? (sound ? undefined : factsOf(bytes, sha256));
    const other = facts ? 'image/png' : 'application/octet-stream';
    const type = sound === 'RIFF' ? 'audio/wav' : sound ? 'audio/ogg' : other;
    await manager.getRepository(BlobTable).upsert(
      {
        sha256,
        type,
        size: bytes.length,
        facts: facts ? JSON.stringify(facts) : null,
        bytes: Buffer.from(bytes),
        added: this.now().toISOString(),
      },
      ['sha256'],
    );
  }

  /** A picture or sound by its digest. */
  blob(sha256: string): Promise<{ type: string; bytes: Buffer } | undefined> {
    return this.alone(
      async () => (await this.source.getRepository(BlobTable).findOneBy({ sha256 })) ?? undefined,
    );
  }

  /**
   * Pictures and sounds by their digests, for a build. Throws a 500 {@link Problem} when one is not
   * there.
   */
  async blobsOf(digests: readonly string[]): Promise<Map<string, Uint8Array>> {
    const found = new Map<string, Uint8Array>();
    for (let i = 0; i < digests.length; i += 200) {
      const some = digests.slice(i, i + 200);
      const rows = await this.alone(() =>
        this.source
          .getRepository(BlobTable)
          .createQueryBuilder('b')
          .where('b.sha256 IN (:...some)', { some })
          .getMany(),
      );
      for (const row of rows) found.set(row.sha256, row.bytes);
    }
    const lost = digests.find((sha256) => !found.has(sha256));
    if (lost !== undefined)
      throw new Problem(
        500,
        'Picture lost',
        `The picture or sound ${lost.slice(0, 12)} is not in the database.`,
      );
    return found;
  }

  /** Copies the whole database into a file. Throws a `DiskProblem`, with nothing written over. */
  backup(file: string, overwrite = false): Promise<void> {
    return this.alone(() => backupTo(this.source, file, { overwrite }));
  }

  close(): Promise<void> {
    return this.alone(() => this.source.destroy());
  }

  /** One transaction, and what follows from it once it is on disk: nobody else comes in between. */
  private write<T, R = T>(
    work: (manager: EntityManager) => Promise<T>,
    done?: (result: T) => R,
  ): Promise<R> {
    return this.alone(async () => {
      const result = await inTransaction(this.source, work);
      return done ? done(result) : (result as unknown as R);
    });
  }

  /** Runs what touches the database one after the other. */
  private alone<T>(work: () => Promise<T>): Promise<T> {
    const next = this.queue.then(work, work);
    this.queue = next.catch(() => undefined);
    return next;
  }
}

/** Throws a 422 {@link Problem} unless a picture was uploaded, and is what is said of it. */
async function checkPicture(picture: Picture, at: string[], manager: EntityManager): Promise<void> {
  const blob = await manager
    .getRepository(BlobTable)
    .findOne({ where: { sha256: picture.sha256 }, select: { sha256: true, facts: true } });
  const isTrue =
    blob?.facts &&
    JSON.stringify(sorted(JSON.parse(blob.facts) as object)) === JSON.stringify(sorted(picture));
  if (isTrue) return;
  throw new Problem(
    422,
    'Edit refused',
    'The picture has not been uploaded, or its facts are wrong.',
    {
      errors: [
        {
          pointer: pointer(at),
          detail: 'Upload the PNG first and use the facts in the answer.',
        },
      ],
    },
  );
}

/** The facts of a picture; undefined for a file that is none, as a mod may keep it. */
function factsOf(bytes: Uint8Array, sha256: string): Picture | undefined {
  try {
    return { sha256, bytes: bytes.length, ...pictureFacts(decodePicture(bytes)) };
  } catch (error) {
    if (error instanceof PictureProblem) return undefined;
    throw error;
  }
}

/** What work gives, its refusal said as a 422 {@link Problem}. */
function saying<T>(refusal: new (...args: never[]) => Error, title: string, work: () => T): T {
  try {
    return work();
  } catch (error) {
    if (error instanceof refusal) throw new Problem(422, title, error.message);
    throw error;
  }
}

/** The changes of a line of the log, in the current edition. */
const changesOf = ({ changes, edition }: Pick<EditRow, 'changes' | 'edition'>): Change[] =>
  bringChangesForward(JSON.parse(changes) as Change[], edition);

async function saveEntries(
  manager: EntityManager,
  mod: string,
  document: Mod,
  changes: readonly Change[],
  revision: number,
): Promise<void> {
  for (const entry of touchedEntries(changes)) {
    const value = entryIn(document, entry);
    if (value === undefined) await manager.getRepository(EntryTable).delete({ mod, ...entry });
    else
      await manager
        .getRepository(EntryTable)
        .upsert(
          { mod, ...entry, document: JSON.stringify(value), revision, edition: currentEdition },
          ['mod', 'kind', 'name'],
        );
  }
}

const sorted = (value: object): [string, unknown][] =>
  Object.entries(value as Record<string, unknown>).sort(([a], [b]) => (a < b ? -1 : 1));
