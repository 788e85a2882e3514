import path from 'node:path';
import type { Logger } from 'pino';
import type { FolderAnswer } from '../../core/api/index.ts';
import { readModFolder } from '../../core/folder/index.ts';
import { parseJson } from '../../core/json/index.ts';
import { giveUnit, valueOfUnit, type Agreed, type Side } from '../../core/linked/index.ts';
import {
  DiskProblem,
  folderAt,
  lockFolder,
  makeFolder,
  readSome,
  readTree,
  saveChanges,
  watchFolder,
} from '../../disk/index.ts';
import { Problem } from '../problem.ts';
import { dropLink, readAgreed, readLinks, type LinkRecord } from '../store/links.ts';
import type { Store } from '../store/store.ts';
import { Link } from './link.ts';

/** So often a folder is asked for that another program has, in milliseconds. */
const relockMs = 2000;

const nowhere: FolderAnswer = { folder: null, unread: [], clashes: [] };

/** A link that runs, and what ends what it holds. */
interface Running {
  record: LinkRecord;
  link?: Link;
  /** Why it does not run: another program has the folder. */
  problem?: string;
  /** Watches the folder anew. */
  renew?: () => Promise<void>;
  end: () => Promise<void>;
}

/** What watches a folder, as long as there is one. */
class Watching {
  private stop: Promise<() => Promise<void>> | undefined;
  private isEnded = false;

  constructor(
    private readonly folder: string,
    private readonly onChanged: (files: ReadonlySet<string>) => void,
  ) {}

  /** Watches from now on; what changed meanwhile is looked for. */
  async renew(): Promise<void> {
    await this.stopNow();
    if (this.isEnded) return;
    this.stop = watchFolder(this.folder, this.onChanged);
    await this.stop;
    this.onChanged(new Set());
  }

  async end(): Promise<void> {
    this.isEnded = true;
    await this.stopNow();
  }

  private async stopNow(): Promise<void> {
    const stop = await this.stop;
    this.stop = undefined;
    await stop?.();
  }
}

/** The folders that the mods of this server live in. */
export class Links {
  private readonly running = new Map<string, Running>();
  private readonly listeners = new Map<string, Set<(state: FolderAnswer) => void>>();
  private queue: Promise<unknown> = Promise.resolve();

  constructor(
    private readonly store: Store,
    private readonly log: Pick<Logger, 'error'>,
  ) {}

  /** Goes on with every link that the database knows. */
  async start(): Promise<void> {
    for (const record of await this.store.transact(readLinks)) await this.run(record);
  }

  /** The folder that a mod lives in, and how it stands. */
  async state(mod: string): Promise<FolderAnswer> {
    await this.store.mod(mod);
    return this.stateNow(mod);
  }

  /** The same of a mod that is known to be there. */
  stateNow(mod: string): FolderAnswer {
    const running = this.running.get(mod);
    if (!running) return nowhere;
    const { link, problem, record } = running;
    return link?.state ?? { ...nowhere, folder: record.folder, ...(problem && { problem }) };
  }

  /** Hears of every change of a link. Gives back how to stop. */
  listen(mod: string, listener: (state: FolderAnswer) => void): () => void {
    const set = this.listeners.get(mod) ?? new Set();
    this.listeners.set(mod, set.add(listener));
    return () => void set.delete(listener);
  }

  private tell(mod: string): void {
    for (const listener of this.listeners.get(mod) ?? []) listener(this.stateNow(mod));
  }

  /**
   * Opens the mod that lives in a folder, and links it. Throws a {@link DiskProblem} or {@link
   * Problem} that says why that cannot be.
   */
  open(given: string): Promise<string> {
    return this.alone(async () => {
      const { folder, isThere } = await folderAt(given);
      if (!isThere) throw new DiskProblem(`${folder} does not exist.`);
      const linked = [...this.running.values()].find(({ record }) => record.folder === folder);
      if (linked) return linked.record.mod;
      const { mod, blobs, problems, unread } = readModFolder((await readTree(folder)).files);
      if (unread.some(({ kind }) => kind === 'header')) {
        const first = problems.find(({ file }) => file === 'mod.json');
        throw new Problem(422, 'No mod', `${folder}: mod.json: ${first?.message ?? 'unreadable'}`);
      }
      const name = mod.header.namespace;
      const names = await this.store.names();
      if (!names.some((known) => known.name === name)) await this.store.addMod(mod, blobs);
      await this.linkNow(name, folder);
      return name;
    });
  }

  /**
   * Has a mod live in a folder: one that is not there yet or empty is filled, one that holds the mod
   * is joined. Where both hold something else, `keep` says who wins. Throws a 409 {@link Problem}
   * without it, with the files that differ, and for a folder that is not the mod's.
   */
  link(mod: string, given: string, keep?: Side): Promise<FolderAnswer> {
    return this.alone(async () => {
      await this.store.mod(mod);
      const { folder, isThere } = await folderAt(given);
      if (!isThere) await makeFolder(folder);
      await this.linkNow(mod, folder, keep);
      return this.stateNow(mod);
    });
  }

  private async linkNow(mod: string, folder: string, keep?: Side): Promise<void> {
    this.refuseTaken(mod, folder);
    const release = await lockFolder(folder);
    try {
      await this.prepare(folder, mod);
      const record: LinkRecord = { mod, folder };
      const link = this.makeLink(record, new Map());
      await link.join(keep);
      await this.watch(record, link, release);
    } catch (error) {
      await release();
      throw error;
    }
    this.tell(mod);
  }

  /**
   * Sees to it that a folder holds the mod's header, so that it is a mod of that name. Throws a 409
   * {@link Problem} for a folder that holds something else.
   */
  private async prepare(folder: string, mod: string): Promise<void> {
    const header = (await readSome(folder, ['mod.json'])).files.get('mod.json');
    if (header) {
      const called = namespaceIn(header);
      const { namespace } = (await this.store.mod(mod)).mod.header;
      if (called === undefined || called === namespace) return;
      throw new Problem(
        409,
        'Another mod',
        `${folder} holds the mod ${called}, not ${namespace}. Choose another folder, or open that one.`,
      );
    }
    const { files } = await readTree(folder);
    const other = [...files.keys()].find((file) => !/\.(md|txt)$/.test(file));
    if (other !== undefined)
      throw new Problem(
        409,
        'Folder not empty',
        `${folder} holds ${other} and no mod.json. Choose an empty folder, or that of a mod.`,
      );
    const held = await this.store.mod(mod);
    const none = { from: undefined, to: valueOfUnit(held.mod, '/header') };
    const [change] = [giveUnit('/header', none, new Map(), () => new Uint8Array())];
    await saveChanges(
      folder,
      [...change].map(([file, after]) => ({ file, after })),
    );
  }

  private refuseTaken(mod: string, folder: string): void {
    for (const { record } of this.running.values()) {
      if (record.mod === mod)
        throw new Problem(
          409,
          'Linked already',
          `${mod} lives in ${record.folder}. Unlink that first.`,
        );
      const isInside = [
        [record.folder, folder],
        [folder, record.folder],
      ].some(([outer, inner]) => `${inner}${path.sep}`.startsWith(`${outer}${path.sep}`));
      if (isInside)
        throw new Problem(
          409,
          'Folder taken',
          `${record.mod} lives in ${record.folder}. Each mod needs a folder of its own.`,
        );
    }
  }

  /** Lets go of a folder; both sides stay as they are. */
  unlink(mod: string): Promise<FolderAnswer> {
    return this.alone(async () => {
      await this.store.mod(mod);
      const running = this.running.get(mod);
      if (running) {
        this.running.delete(mod);
        await running.end();
        await this.store.transact((manager) => dropLink(manager, mod));
        this.tell(mod);
      }
      return nowhere;
    });
  }

  /** Chooses a side where both changed the same values. */
  async choose(mod: string, units: readonly string[], keep: Side): Promise<FolderAnswer> {
    await this.store.mod(mod);
    const link = this.running.get(mod)?.link;
    if (!link) throw new Problem(409, 'Not linked', `${mod} lives in no folder.`);
    await link.choose(units, keep);
    this.tell(mod);
    return this.stateNow(mod);
  }

  /** Goes on with a link that the database knows. */
  private async run(record: LinkRecord): Promise<void> {
    const { mod, folder } = record;
    try {
      const release = await lockFolder(folder);
      const agreed = await this.store.transact((manager) => readAgreed(manager, mod));
      await this.watch(record, this.makeLink(record, agreed), release);
    } catch (error) {
      if (!(error instanceof DiskProblem)) throw error;
      this.wait(record, error.message);
    }
  }

  /** Tries again in a while, until the other program lets go of the folder. */
  private wait(record: LinkRecord, problem: string): void {
    const { mod } = record;
    const again = async () => {
      if (this.running.get(mod)?.record !== record) return;
      await this.run(record);
      this.tell(mod);
    };
    const timer = setTimeout(() => this.noting(this.alone(again), 'not linked'), relockMs).unref();
    const end = () => {
      clearTimeout(timer);
      return Promise.resolve();
    };
    this.running.set(mod, { record, problem, end });
  }

  private makeLink(record: LinkRecord, agreed: Map<string, Agreed>): Link {
    return new Link(record, agreed, this.store, this.log, (cameBack) => {
      // Nobody watches a folder that went and came back.
      if (cameBack) this.noting(this.running.get(record.mod)?.renew?.(), 'not watched');
      this.tell(record.mod);
    });
  }

  /** Watches both sides of a link and exchanges what changes, until it is ended. */
  private async watch(record: LinkRecord, link: Link, release: () => Promise<void>): Promise<void> {
    const { mod, folder } = record;
    const watching = new Watching(folder, (files) => link.filesChanged(files));
    const stop = this.store.listen(mod, ({ author, changes }) => link.modChanged(author, changes));
    const end = async () => {
      stop();
      await watching.end();
      await link.close();
      await release();
    };
    this.running.set(mod, { record, link, renew: () => watching.renew(), end });
    await link.exchange();
    // Nobody waits until the last of thousands of files is watched: what changes until then is found
    // when they all are.
    this.noting(watching.renew(), 'not watched');
  }

  /** Logs what goes wrong with work that nobody waits for. */
  private noting(work: Promise<void> | undefined, words: string): void {
    work?.catch((error: unknown) => this.log.error({ err: error }, words));
  }

  /** Ends everything; what changed until now is exchanged first. */
  async end(): Promise<void> {
    await this.alone(async () => {
      for (const { end } of this.running.values()) await end();
      this.running.clear();
    });
  }

  private alone<T>(work: () => Promise<T>): Promise<T> {
    const next = this.queue.then(work, work);
    this.queue = next.catch(() => undefined);
    return next;
  }
}

/** The namespace that a `mod.json` names; undefined where it cannot be read. */
function namespaceIn(header: Uint8Array): string | undefined {
  const { value } = parseJson(new TextDecoder().decode(header), { goesOn: true });
  const { namespace } = (value ?? {}) as { namespace?: unknown };
  return typeof namespace === 'string' ? namespace : undefined;
}
