import { mkdirSync, mkdtempSync, readFileSync, realpathSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { readModFolder, writeModFolder } from '../../../core/folder/index.ts';
import { sampleMod } from '../../../core/inspect/sample.ts';
import { valueAt } from '../../../core/json/index.ts';
import type { Mod } from '../../../core/mod/index.ts';
import { inWords, readFolder, saveChanges } from '../../../disk/index.ts';
import { openDatabase } from '../../store/database.ts';
import { keepLink, readAgreed } from '../../store/links.ts';
import { Store } from '../../store/store.ts';
import { Link } from '../link.ts';

/** Thrown where the program is to end. */
class Killed extends Error {}

/** The sample mod without textures: those must have been uploaded first. */
const plainMod = (): Mod => ({ ...sampleMod(), textures: {} });

/**
 * A real database and a real folder with a link between them, which can be killed after so many
 * steps of writing. Nothing is watched: whoever changes a file says so.
 */
export class TwoSides {
  readonly root = realpathSync(mkdtempSync(path.join(os.tmpdir(), 'obrank-two-sides-')));
  readonly folder = path.join(this.root, 'mod');
  readonly errors: unknown[] = [];
  store!: Store;
  link!: Link;
  private stepsLeft = Infinity;
  private refusal: string | undefined;

  /** Begins with the same mod on both sides. */
  static async begin(mod = plainMod()): Promise<TwoSides> {
    const sides = new TwoSides();
    mkdirSync(sides.folder);
    for (const [file, bytes] of writeModFolder(mod, () => new Uint8Array())) sides.put(file, bytes);
    sides.store = await sides.openStore();
    await sides.store.addMod(mod, new Map());
    await sides.store.transact((manager) => keepLink(manager, sides.record));
    await sides.openLink();
    return sides;
  }

  private get record() {
    return { mod: 'saltmarsh', folder: this.folder };
  }

  /** A store whose writes count as steps. */
  private async openStore(): Promise<Store> {
    const store = new Store(await openDatabase(path.join(this.root, 'data')));
    const transact = store.transact.bind(store);
    store.transact = async (work) => {
      this.step();
      const result = await transact(work);
      this.step();
      return result;
    };
    return store;
  }

  private async openLink(): Promise<void> {
    const agreed = await this.store.transact((manager) => readAgreed(manager, 'saltmarsh'));
    const log = { error: ({ err }: { err: unknown }) => void this.errors.push(err) };
    this.link = new Link(this.record, agreed, this.store, log as never, undefined, {
      saveChanges: async (folder, changes) => {
        if (this.refusal !== undefined) throw inWords({ code: this.refusal }, folder);
        for (const change of changes) {
          this.step();
          await saveChanges(folder, [change]);
        }
        this.step();
      },
      // Nothing is exchanged until the test says so.
      later: () => () => undefined,
    });
    this.store.listen('saltmarsh', ({ author, changes }) => this.link.modChanged(author, changes));
    await this.link.exchange();
  }

  private step(): void {
    this.stepsLeft -= 1;
    if (this.stepsLeft < 0) throw new Killed();
  }

  /** Ends the program after so many more steps of an exchange, and starts it again. */
  async killAfter(steps: number): Promise<void> {
    this.stepsLeft = steps;
    await this.link.exchange();
    await this.link.halt();
    this.stepsLeft = Infinity;
    await this.store.close();
    this.errors.splice(0, this.errors.length, ...this.errors.filter((e) => !(e instanceof Killed)));
    this.store = await this.openStore();
    await this.openLink();
  }

  /** Has the disk refuse every write with a code of the system's, or take them again. */
  refuse(code: string | undefined): void {
    this.refusal = code;
  }

  /** Puts a file into the folder, as a text editor does; undefined takes it away. */
  put(file: string, bytes: string | Uint8Array | undefined): void {
    const full = path.join(this.folder, file);
    if (bytes === undefined) rmSync(full, { force: true });
    else {
      mkdirSync(path.dirname(full), { recursive: true });
      writeFileSync(full, bytes);
    }
    // The field has no value while the first files are written.
    (this.link as Link | undefined)?.filesChanged(new Set([file]));
  }

  text(file: string): string {
    return readFileSync(path.join(this.folder, file), 'utf8');
  }

  /** Edits the mod as a page does. */
  async edit(at: string, after: unknown): Promise<void> {
    const { mod, revision } = await this.store.mod('saltmarsh');
    const change = { path: at, before: valueAt(mod, at), after };
    await this.store.edit('saltmarsh', revision, 'a test', { label: 'Edit', changes: [change] });
  }

  async page(): Promise<Mod> {
    return (await this.store.mod('saltmarsh')).mod;
  }

  /** The mod as the folder says it, with what cannot be read left out. */
  async inFolder(): Promise<Mod> {
    return readModFolder(await readFolder(this.folder)).mod;
  }

  async end(): Promise<void> {
    await this.link.halt();
    await this.store.close();
    rmSync(this.root, { recursive: true, force: true });
  }
}
