import type { ClashedUnit, FolderAnswer } from '../../core/api/index.ts';
import { digestOf, type Files } from '../../core/bytes/index.ts';
import {
  blobsOfUnit,
  digestsAfter,
  exchangeUnits,
  filesOfUnit,
  folderBroughtForward,
  givesInOrder,
  giveUnit,
  labelOf,
  touchedUnits,
  unitsInWords,
  valueOfUnit,
  withUnits,
  type Agreed,
  type Clash,
  type Exchange,
  type Side,
  type Unit,
} from '../../core/linked/index.ts';
import type { FilesChange } from '../../core/mend/index.ts';
import { diffDocuments, type Change, type Mod } from '../../core/mod/index.ts';
import { ChangedMeanwhile, DiskProblem, readTree, saveChanges } from '../../disk/index.ts';
import type { Logger } from 'pino';
import { pointer } from '../../core/json/index.ts';
import { count, listed } from '../../core/words/index.ts';
import { Problem } from '../problem.ts';
import { isNowhere, keepLink, noteAgreed, type LinkRecord } from '../store/links.ts';
import { folderAuthor, type HeldMod, type Store } from '../store/store.ts';
import { storageProblem } from '../store/transaction.ts';
import { Changed, FolderSide, type Look } from './folder-side.ts';

/** What a link needs of the machine; tests end it in the middle, and have time stand still. */
export interface Machine {
  saveChanges: typeof saveChanges;
  /** Does work after so many milliseconds; gives how to call that off. */
  later: (work: () => void, wait: number) => () => void;
}

const machine: Machine = {
  saveChanges,
  later: (work, wait) => {
    const timer = setTimeout(work, wait);
    return () => clearTimeout(timer);
  },
};

/** So long the page's edits are gathered, in milliseconds: they stand in the folder soon after. */
const gatheringMs = 60;
/** After so long it is tried again what could not be done. */
const retryMs = 2000;
/** So many files that cannot be read, and so many that clash, are told at once. */
const toldAtMost = 200;
/** So often an exchange begins anew at once, when one side moves on while it is under way. */
const mostAttempts = 8;

/** Thrown where a side moved on while an exchange was under way. */
class MovedOn extends Error {}

/**
 * A mod and the folder that it lives in: carries over what one side changed to the other. The
 * database is written first, whichever side a change comes from, so that a program that ends in the
 * middle goes on where it was.
 */
export class Link {
  private changed = new Changed();
  private readonly clashes = new Map<Unit, Clash[]>();
  private readonly side: FolderSide;
  private queue: Promise<unknown> = Promise.resolve();
  private callOff: (() => void) | undefined;
  private isClosed = false;
  private problem: string | undefined;

  constructor(
    private readonly record: LinkRecord,
    private readonly agreed: Map<Unit, Agreed>,
    private readonly store: Store,
    private readonly log: Pick<Logger, 'error'>,
    /** Hears of every change of the state, and whether the folder was away before. */
    private readonly onState: (wasAway: boolean) => void = () => undefined,
    private readonly outside: Machine = machine,
  ) {
    this.side = new FolderSide(record.folder);
    this.changed.isWhole = true;
  }

  /** How the link stands, for people. */
  get state(): FolderAnswer {
    const { folder, taken, given } = this.record;
    return {
      folder,
      ...(this.problem === undefined ? {} : { problem: this.problem }),
      ...(taken && { taken }),
      ...(given && { given }),
      unread: this.side.unread.slice(0, toldAtMost),
      clashes: [...this.clashes]
        .slice(0, toldAtMost)
        .map(([unit, values]) => toClashed(unit, values)),
    };
  }

  /** Whether nothing can be exchanged at the moment. */
  get isWaiting(): boolean {
    return this.problem !== undefined;
  }

  /** Files of the folder may have changed; none named means any. */
  filesChanged(files: ReadonlySet<string>): void {
    for (const file of files) this.changed.files.add(file);
    if (files.size === 0) this.changed.isWhole = true;
    this.exchangeIn(0);
  }

  /** Somebody edited the mod. */
  modChanged(author: string, changes: readonly Change[]): void {
    if (author === folderAuthor) return;
    for (const unit of touchedUnits(changes)) this.changed.units.add(unit);
    this.exchangeIn(gatheringMs);
  }

  private exchangeIn(wait: number): void {
    if (this.isClosed) return;
    this.callOff?.();
    this.callOff = this.outside.later(() => void this.exchange(), wait);
  }

  /** Exchanges what changed. Resolves once that is done, or could not be done. */
  exchange(): Promise<void> {
    return this.alone(async () => {
      while (!this.changed.isNothing && !this.isClosed) {
        const work = this.changed;
        this.changed = new Changed();
        if (await this.isDone(work)) continue;
        this.changed.add(work);
        this.exchangeIn(retryMs);
        return;
      }
    });
  }

  private async isDone(work: Changed): Promise<boolean> {
    const before = JSON.stringify(this.state);
    const wasAway = this.isWaiting;
    try {
      // Where the folder was away, anything may have changed there meanwhile.
      if (this.isWaiting) work.isWhole = true;
      await this.steadily((held) => this.exchangeOnce(work, held));
      this.problem = undefined;
      return true;
    } catch (error) {
      this.problem = sentenceOf(error) ?? 'The server could not do this; its log says more.';
      if (sentenceOf(error) === undefined) this.log.error({ err: error }, 'exchange failed');
      return false;
    } finally {
      if (JSON.stringify(this.state) !== before) this.onState(wasAway && !this.isWaiting);
    }
  }

  /** Does work on the mod as it stands, and again where a side moves on meanwhile. */
  private async steadily(work: (held: HeldMod) => Promise<void>): Promise<void> {
    for (let attempt = 1; ; attempt += 1)
      try {
        await work(await this.store.mod(this.record.mod));
        return;
      } catch (error) {
        const isMoving = error instanceof MovedOn || error instanceof ChangedMeanwhile;
        if (!isMoving || attempt === mostAttempts) throw error;
      }
  }

  /** What is to be done about what may have changed, and what the folder holds of it. */
  private async compare(work: Changed, held: HeldMod): Promise<{ look: Look; done: Exchange }> {
    const look = await this.side.look(work, held.mod, this.agreed);
    // What does not fit is kept in the database as it is, and so is its file.
    const unfit = new Set(
      held.unfit.map(({ kind, name }) => pointer(name ? [kind, name] : [kind])),
    );
    const units = look.units.filter((unit) => !unfit.has(unit));
    for (const unit of units) this.clashes.delete(unit);
    const { agreed } = this;
    const done = exchangeUnits(units, { mod: held.mod, agreed, inFolder: look.inFolder });
    for (const [unit, clashes] of done.clashes) this.clashes.set(unit, clashes);
    return { look, done };
  }

  private async exchangeOnce(work: Changed, held: HeldMod): Promise<void> {
    const { look, done } = await this.compare(work, held);
    await this.take(done, held, look);
    await this.give(done, withUnits(held.mod, done.takes), look);
  }

  /**
   * Begins a link: brings both sides together. Where they differ `keep` says who wins. Throws a 409
   * {@link Problem} without it, with nothing written.
   */
  join(keep?: Side): Promise<void> {
    const everything = new Changed();
    everything.isWhole = true;
    return this.alone(() =>
      this.steadily(async (held) => {
        const { look, done } = await this.compare(everything, held);
        const clashed = [...done.clashes.keys()];
        if (clashed.length && keep === undefined) throw differs(clashed);
        await this.store.transact((manager) => keepLink(manager, this.record));
        if (keep && clashed.length) {
          await this.choosing(clashed, keep, held, look);
          return;
        }
        await this.take(done, held, look);
        await this.give(done, withUnits(held.mod, done.takes), look);
        this.changed = new Changed();
      }),
    );
  }

  /** Edits the mod as the folder says, and notes what is alike, in one transaction. */
  private async take({ takes, agreed }: Exchange, held: HeldMod, { blobs }: Look): Promise<void> {
    const { record, store } = this;
    const changes = changesTo(held.mod, takes);
    const label = labelOf(takes.keys());
    const taken = { time: new Date().toISOString(), label };
    if (changes.length)
      await this.editing(() =>
        store.takeIn(
          record.mod,
          held.revision,
          { label, changes },
          blobsFor(takes, blobs),
          async (manager) => {
            await noteAgreed(manager, record.mod, agreed);
            await keepLink(manager, { ...record, taken });
          },
        ),
      );
    else if (agreed.size)
      await store.transact((manager) => noteAgreed(manager, record.mod, agreed));
    if (changes.length) record.taken = taken;
    this.remember(agreed);
  }

  /** Does an edit of the mod; that the mod has moved on is a reason to look again. */
  private async editing<T>(edit: () => Promise<T>): Promise<T> {
    try {
      return await edit();
    } catch (error) {
      if (error instanceof Problem && error.status === 412) throw new MovedOn();
      throw error;
    }
  }

  /** Writes into the folder what the mod says, noted before and after. */
  private async give(done: Exchange, mod: Mod, look: Look): Promise<void> {
    if (done.gives.size === 0) return;
    if (await this.bringForward(look)) throw new MovedOn();
    const gives = givesInOrder(mod, done.gives);
    const blobs = await this.store.blobsOf(digestsGiven(gives));
    const all: FilesChange = new Map();
    const [during, after] = [new Map<Unit, Agreed>(), new Map<Unit, Agreed>()];
    for (const [unit, { from, to }] of gives) {
      const change = giveUnit(unit, { from, to }, look.files, (sha256) => blobs.get(sha256)!);
      for (const [file, bytes] of change) all.set(file, bytes);
      const previous = look.inFolder.get(unit)?.files ?? {};
      const files = digestsAfter(unit, previous, change);
      during.set(unit, { files, value: to, previous });
      after.set(unit, { files, value: to });
    }
    const { record, store } = this;
    await store.transact((manager) => noteAgreed(manager, record.mod, during));
    this.remember(during);
    await this.save(all, look.files);
    const given = { time: new Date().toISOString(), label: unitsInWords(gives.keys()) };
    await store.transact(async (manager) => {
      await noteAgreed(manager, record.mod, after);
      await keepLink(manager, { ...record, given });
    });
    record.given = given;
    this.remember(after);
  }

  /** Brings a folder of an earlier edition to this one. True when there was anything to do. */
  private async bringForward({ files }: Look): Promise<boolean> {
    const mark = new Map([['mod.json', files.get('mod.json')!]]);
    if (folderBroughtForward(mark).size === 0) return false;
    const { files: all } = await readTree(this.record.folder);
    await this.save(folderBroughtForward(all), all);
    this.changed.isWhole = true;
    return true;
  }

  private save(change: FilesChange, files: Files): Promise<void> {
    const toSave = [...change].map(([file, after]) => {
      const bytes = files.get(file);
      return { file, before: bytes && digestOf(bytes), after };
    });
    return this.outside.saveChanges(this.record.folder, toSave);
  }

  private remember(agreed: ReadonlyMap<Unit, Agreed>): void {
    for (const [unit, one] of agreed)
      if (isNowhere(one)) this.agreed.delete(unit);
      else this.agreed.set(unit, one);
  }

  /**
   * Chooses a side for units in which both changed the same values. What the folder says is logged
   * first, whichever side wins, so that the other can be had back by undoing. Throws a 409 {@link
   * Problem} where there is nothing to choose.
   */
  async choose(units: readonly Unit[], keep: Side): Promise<void> {
    await this.alone(() =>
      this.steadily(async (held) => {
        const work = new Changed();
        for (const unit of units) if (this.clashes.has(unit)) work.units.add(unit);
        const { look, done } = await this.compare(work, held);
        const clashed = [...done.clashes.keys()];
        if (clashed.length === 0)
          throw new Problem(409, 'Nothing to choose', 'Both sides agree there by now.');
        await this.choosing(clashed, keep, held, look);
      }),
    );
    await this.exchange();
  }

  private async choosing(units: Unit[], keep: Side, held: HeldMod, look: Look): Promise<void> {
    const sides = { mod: held.mod, agreed: this.agreed, inFolder: look.inFolder };
    const takesFor = (prefer: Side) => exchangeUnits(units, { ...sides, prefer }).takes;
    const [folders, pages] = [takesFor('folder'), takesFor('page')];
    // The store goes on with the mod that it holds, so what the page has is noted before it does.
    const wanted = withUnits(held.mod, pages);
    // From here on what the folder holds is what both held: the page's edit goes on top.
    const agreed = new Map(units.map((unit) => [unit, asAgreed(look, unit)]));
    await this.take({ takes: folders, gives: new Map(), agreed, clashes: new Map() }, held, look);
    for (const unit of units) {
      this.clashes.delete(unit);
      this.changed.units.add(unit);
    }
    if (keep === 'page') await this.putBack(units, wanted);
  }

  /** Edits units to what the page made of them, on top of what the folder had. */
  private async putBack(units: Unit[], wanted: Mod): Promise<void> {
    const now = await this.store.mod(this.record.mod);
    const values = new Map(units.map((unit) => [unit, valueOfUnit(wanted, unit)]));
    const changes = changesTo(now.mod, values);
    const label = `Keep what the page has: ${unitsInWords(units)}`.slice(0, 200);
    if (changes.length)
      await this.store.edit(this.record.mod, now.revision, folderAuthor, { label, changes });
  }

  /** Exchanges what there is, and stops. */
  async close(): Promise<void> {
    this.callOff?.();
    await this.exchange();
    await this.halt();
  }

  /** Stops at once. What was not exchanged yet is exchanged when the link is opened again. */
  async halt(): Promise<void> {
    this.isClosed = true;
    this.callOff?.();
    await this.queue;
  }

  private alone<T>(work: () => Promise<T>): Promise<T> {
    const next = this.queue.then(work, work);
    this.queue = next.catch(() => undefined);
    return next;
  }
}

/** What the folder holds of a unit, as what both sides held. */
function asAgreed({ inFolder }: Look, unit: Unit): Agreed {
  const found = inFolder.get(unit) ?? { files: {}, value: undefined };
  return { files: found.files, value: 'value' in found ? found.value : undefined };
}

/** So many files that differ are called by name. */
const namedAtMost = 3;

function differs(units: readonly Unit[]): Problem {
  const files = units.map((unit) => filesOfUnit(unit)[0] ?? unit);
  const named = files.slice(0, namedAtMost);
  const others = files.length - named.length;
  return new Problem(
    409,
    'Both sides differ',
    `The folder and the page hold different things in ${count(files.length, 'file')}: ` +
      `${listed([...named, ...(others ? [`${others} more`] : [])])}. Choose which of the two counts ` +
      'there; the other stays in the history.',
    { differing: files.length },
  );
}

const toClashed = (unit: Unit, values: Clash[]): ClashedUnit => ({
  unit,
  file: filesOfUnit(unit)[0] ?? unit,
  values: values.map((value) => ({ ...value })),
});

/** The changes that make units of a mod hold other values. */
const changesTo = (mod: Mod, values: ReadonlyMap<Unit, unknown>): Change[] => {
  const after = withUnits(mod, values);
  const parts = new Set([...values.keys()].map((unit) => unit.split('/')[1] as keyof Mod));
  return [...parts].flatMap((part) => diffDocuments(mod[part], after[part], `/${part}`));
};

/** The bytes that values name, as far as they came from the folder. */
const blobsFor = (
  values: ReadonlyMap<Unit, unknown>,
  blobs: ReadonlyMap<string, Uint8Array>,
): Uint8Array[] =>
  [...values].flatMap(([unit, value]) =>
    blobsOfUnit(unit, value).flatMap(([, sha256]) => blobs.get(sha256) ?? []),
  );

const digestsGiven = (gives: Exchange['gives']): string[] => [
  ...new Set(
    [...gives].flatMap(([unit, { to }]) => blobsOfUnit(unit, to).map(([, sha256]) => sha256)),
  ),
];

/** What went wrong, in a sentence; undefined for what nobody foresaw. */
function sentenceOf(error: unknown): string | undefined {
  if (error instanceof DiskProblem || error instanceof Problem) return error.message;
  if (error instanceof MovedOn) return 'Both sides are changing all the time. It is tried again.';
  return storageProblem(error)?.message;
}
