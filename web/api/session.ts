import { itemAt } from '../../core/lists/index.ts';
import {
  applyChanges,
  firstClash,
  sameData,
  squashChanges,
  type Change,
  type Edit,
  type Mod,
} from '../../core/mod/index.ts';
import { declaredChanges, expandFamilies } from '../../core/families/index.ts';
import { pointer, valueAt } from '../../core/json/index.ts';
import {
  addressOf,
  endpoints,
  LoggedEdits,
  modEvents,
  type FolderAnswer,
  type LoggedEdit,
  type ModAnswer,
  type ModEvent,
  type ModEventName,
  type UnfitEntry,
} from '../../core/api/index.ts';
import { call, Refused, windowName } from './client.ts';
import { loadMod } from './load-mod.ts';

/** Two people at one place: what this page wants, and what somebody else wrote there meanwhile. */
export interface Conflict {
  mine: Change;
  theirs: Change;
  edit: LoggedEdit;
}

/** What the page knows of the mod that it works on. */
export interface View {
  /** The mod with its families spread out, as everybody but their editors sees it. */
  mod: Mod;
  /** The mod as it is declared. */
  declared: Mod;
  /** The revision of the server that the mod stands on. */
  revision: number;
  undo?: string;
  redo?: string;
  saving: 'saved' | 'saving' | 'offline';
  savedAt?: Date;
  /** While it is offline: why nothing is saved, in a few words. */
  notSaved?: string;
  conflict?: Conflict;
  /** What the server refused last, in words. */
  refused?: string;
  /** What the server keeps and cannot show. */
  unfit?: UnfitEntry[];
  /** The folder that the mod lives in, once the server has told of it. */
  folder?: FolderAnswer;
  /** The mod is shown as it was at its revision: nothing can be changed. */
  isPast?: boolean;
}

type Loaded = Pick<ModAnswer, 'mod' | 'revision' | 'undo' | 'redo'> &
  Pick<View, 'unfit' | 'isPast'>;

/** What is said to whoever edits the mod as it was. */
const past = 'This is the mod as it was, so nothing can be changed here. Go back to now first.';

/** So long this page waits before it sends again what could not be saved, in milliseconds. */
const retryMs = 3000;

/**
 * The mod in this page. Edits apply at once and are sent one after the other, each with the
 * revision that it was made at. What others did meanwhile is put underneath; only when both touched
 * the same place is the person asked.
 */
export class Session {
  private base: Mod;
  private pending: Edit[] = [];
  private sending = false;
  private flight: Promise<void> | undefined;
  private journey: Promise<void> = Promise.resolve();
  private later: ReturnType<typeof setTimeout> | undefined;
  private readonly listeners = new Set<() => void>();
  private readonly modListeners = new Set<(changes: Change[] | undefined, mod: Mod) => void>();
  private readonly events: EventSource | undefined;
  private heard: LoggedEdit[] = [];
  view: View;

  constructor(
    /** What the addresses of the page call it: the mod's name or, as it was, `saltmarsh@120`. */
    readonly name: string,
    loaded: Loaded,
  ) {
    this.base = loaded.mod;
    this.view = {
      ...loaded,
      declared: loaded.mod,
      mod: expandFamilies(loaded.mod),
      saving: 'saved',
    };
    if (loaded.isPast) return;
    this.events = new EventSource(addressOf(endpoints.streamEvents, { mod: name }));
    this.hear('edit', ({ edit, undo, redo }) => {
      this.heard.push(edit);
      this.update({ undo, redo });
      this.takeIn();
    });
    // An edit that is too long for an event is only named.
    this.hear('moved', ({ revision, undo, redo }) => {
      this.update({ undo, redo });
      if (revision > this.view.revision && !this.sending) void this.catchUp();
    });
    this.hear('folder', (folder) => this.update({ folder }));
    this.hear('hello', ({ revision, undo, redo }) => {
      // After a lost connection there may be edits that nobody told of.
      this.update({ undo, redo });
      if (revision > this.view.revision) void this.catchUp();
      if (this.pending.length) this.flushSoon(0);
    });
  }

  /** Hears of one kind of event. One that is not understood tells no more than that there is news. */
  private hear<Name extends ModEventName>(
    name: Name,
    listener: (event: ModEvent<Name>) => void,
  ): void {
    this.events?.addEventListener(name, ({ data }: MessageEvent<string>) => {
      const fits = modEvents[name].safeParse(JSON.parse(data));
      if (fits.success) listener(fits.data as ModEvent<Name>);
      else void this.catchUp();
    });
  }

  close(): void {
    this.events?.close();
    clearTimeout(this.later);
  }

  /** Hears of every change of the view. */
  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /**
   * Hears of every change of the mod as it is declared, as changes or, when it was put together
   * anew, as a whole.
   */
  onMod(listener: (changes: Change[] | undefined, mod: Mod) => void): () => void {
    this.modListeners.add(listener);
    return () => this.modListeners.delete(listener);
  }

  private update(part: Partial<View>): void {
    this.view = { ...this.view, ...part };
    for (const listener of this.listeners) listener();
  }

  private setMod(declared: Mod, changes: Change[] | undefined, part: Partial<View> = {}): void {
    this.update({ ...part, declared, mod: expandFamilies(declared) });
    for (const listener of this.modListeners) listener(changes, declared);
  }

  /**
   * Does what a person did: at once here, soon on the server. Steps on the same places within a
   * moment become one step. What is changed of a block that a family makes is a difference of its
   * cell.
   */
  edit(label: string, changes: Change[]): void {
    this.editDeclared(label, declaredChanges(this.view.declared, changes));
  }

  /** The same of the mod as it is declared: what a family makes is no entry of it. */
  editDeclared(label: string, changes: Change[]): void {
    if (this.view.isPast) {
      this.update({ refused: undefined });
      this.update({ refused: past });
      return;
    }
    const real = squashChanges(changes);
    if (!real.length) return;
    const mod = applyChanges(this.view.declared, real);
    const last = this.pending.at(-1);
    const waiting = last && !(this.sending && this.pending.length === 1);
    if (
      waiting &&
      last.label === label &&
      sameData(
        last.changes.map((change) => change.path),
        real.map((change) => change.path),
      )
    )
      last.changes = squashChanges(
        last.changes.map((change, i) => ({ ...change, after: itemAt(real, i).after })),
      );
    else this.pending.push({ label, changes: real });
    this.setMod(mod, real, { saving: 'saving', refused: undefined });
    this.flushSoon(250);
  }

  /** Puts a value at a place of the mod. */
  set(label: string, steps: (string | number)[], after: unknown): void {
    const path = pointer(steps);
    this.edit(label, [{ path, before: valueAt(this.view.mod, path), after }]);
  }

  /**
   * Takes back the last step of the mod, or brings it back. Asked for twice at once it goes two
   * steps.
   */
  undoOrRedo(kind: 'undo' | 'redo'): Promise<void> {
    this.journey = this.journey.then(() => this.step(kind));
    return this.journey;
  }

  private async step(kind: 'undo' | 'redo'): Promise<void> {
    if (this.view.isPast) return;
    if (this.pending.length) await this.flush();
    if (this.pending.length || this.view.conflict) return;
    try {
      const logged = await call(
        endpoints[kind],
        { mod: this.name },
        { baseRevision: this.view.revision },
      );
      // What was done while the server answered stays on top.
      if (this.pending.length) this.rebase([logged]);
      else this.acknowledge(logged, []);
    } catch (error) {
      if (error instanceof Refused && error.status === 412) await this.catchUp();
      else this.update({ refused: (error as Error).message });
    }
  }

  private flushSoon(wait: number): void {
    clearTimeout(this.later);
    this.later = setTimeout(() => void this.flush(), wait);
  }

  /**
   * Sends what is waiting. Resolves when nothing waits any more, or when the server does not
   * answer; whoever asks meanwhile waits along.
   */
  flush(): Promise<void> {
    clearTimeout(this.later);
    this.flight ??= this.fly();
    return this.flight;
  }

  /**
   * Sends until nothing is left to send. What came after the last look into the list is looked for
   * before the flight is over: nobody who joined it may be left behind.
   */
  private async fly(): Promise<void> {
    try {
      do await this.send();
      while (this.pending.length && this.view.saving === 'saving' && !this.view.conflict);
    } finally {
      this.flight = undefined;
    }
  }

  private async send(): Promise<void> {
    if (this.view.conflict) return;
    this.sending = true;
    try {
      while (this.pending.length) {
        const edit = itemAt(this.pending, 0);
        if (!edit.changes.length) this.pending.shift();
        else {
          const logged = await call(
            endpoints.edit,
            { mod: this.name },
            { body: edit, baseRevision: this.view.revision },
          );
          this.acknowledge(logged, this.pending.slice(1));
        }
      }
      this.update({ saving: 'saved', savedAt: new Date() });
    } catch (error) {
      this.sending = false;
      await this.failed(error);
    } finally {
      this.sending = false;
      this.takeIn();
    }
  }

  private async failed(error: unknown): Promise<void> {
    if (!(error instanceof Refused)) throw error;
    if (error.status === 412) {
      this.heard = [];
      if (await this.meet(LoggedEdits.safeParse(error.more['edits']).data ?? [])) await this.send();
    } else if (error.status === 0 || error.status >= 500) {
      this.goOffline(error);
    } else {
      // The server will never take this step: it is taken back here, and said.
      this.pending.shift();
      this.setMod(
        this.pending.reduce((mod, edit) => applyChanges(mod, edit.changes), this.base),
        undefined,
        { saving: this.pending.length ? 'saving' : 'saved', refused: error.message },
      );
      if (this.pending.length) this.flushSoon(0);
    }
  }

  /**
   * Meets a server that stands at another revision, with the edits that it told of. True when what
   * waits may be sent again at once: never twice at one revision, so that a server that refuses
   * without telling anything new is not asked without a pause.
   */
  private async meet(edits: LoggedEdit[]): Promise<boolean> {
    const before = this.view.revision;
    if (!this.rebase(edits)) return false;
    if (this.view.revision === before && !(await this.catchUp())) return false;
    if (this.view.revision !== before) return true;
    try {
      await this.loadAgain();
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      this.goOffline(error);
      return false;
    }
    if (this.view.revision !== before) return true;
    this.goOffline(
      new Refused(
        500,
        'Not taken',
        'The server does not take what was changed at the revision that it names itself. It ' +
          'is tried again.',
      ),
    );
    return false;
  }

  /** What waits stays here, and is sent again in a moment. */
  private goOffline({ status, message }: Refused): void {
    const notSaved =
      { 0: 'the server does not answer', 507: 'the disk cannot take it' }[status] ??
      'the server could not';
    this.update({ saving: 'offline', notSaved, refused: message });
    this.flushSoon(retryMs);
  }

  /**
   * Takes the mod as the server has it, when no edits lead there: its data was put back to an
   * earlier day. What waits here goes on top.
   */
  private async loadAgain(): Promise<void> {
    const { mod, revision, undo, redo } = await loadMod(this.name);
    if (revision === this.view.revision) return;
    this.base = mod;
    this.setMod(
      this.restack(() => true),
      undefined,
      { revision, undo, redo, saving: this.pending.length ? 'saving' : 'saved' },
    );
  }

  /** One step of our own has been logged. */
  private acknowledge(logged: LoggedEdit, pending: Edit[]): void {
    this.base = applyChanges(this.base, logged.changes);
    this.pending = pending;
    const mod = pending.reduce((node, edit) => applyChanges(node, edit.changes), this.base);
    this.update({ revision: logged.revision });
    if (!pending.length && logged.kind !== 'edit') this.setMod(mod, logged.changes);
    else if (logged.kind !== 'edit') this.setMod(mod, undefined);
  }

  /** Puts underneath what others did, as far as it was told of without a gap. */
  private takeIn(): void {
    if (this.sending) return;
    this.heard = this.heard
      .filter((edit) => edit.revision > this.view.revision)
      .sort((a, b) => a.revision - b.revision);
    const others: LoggedEdit[] = [];
    for (const edit of this.heard)
      if (edit.revision === this.view.revision + others.length + 1 && edit.author !== windowName)
        others.push(edit);
    if (others.length) this.rebase(others);
  }

  /**
   * Fetches what others did, a part of the log at a time. False when the person must decide, or the
   * server does not answer.
   */
  private async catchUp(): Promise<boolean> {
    try {
      for (;;) {
        const edits = await call(
          endpoints.listEdits,
          { mod: this.name },
          { query: { after: this.view.revision } },
        );
        if (edits.length === 0) return true;
        const before = this.view.revision;
        if (!this.rebase(edits)) return false;
        if (this.view.revision === before) return true;
      }
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      this.goOffline(error);
      return false;
    }
  }

  /**
   * The others' edits first, then what waits here. False when both touch one place: then the person
   * decides.
   */
  private rebase(edits: LoggedEdit[]): boolean {
    const news = edits.filter((edit) => edit.revision > this.view.revision);
    if (!news.length) return true;
    const clash = news.flatMap((edit) => {
      const found = firstClash(
        this.pending.flatMap((mine) => mine.changes),
        edit.changes,
      );
      return found && !sameData(found.mine.after, found.theirs.after) ? [{ ...found, edit }] : [];
    })[0];
    const base = news.reduce((mod, edit) => applyChanges(mod, edit.changes), this.base);
    const revision = news.at(-1)!.revision;
    if (clash) {
      this.base = base;
      this.update({ revision, conflict: clash, saving: 'saving' });
      return false;
    }
    this.base = base;
    const mod = this.restack(() => true);
    this.setMod(mod, undefined, { revision, saving: this.pending.length ? 'saving' : 'saved' });
    if (this.pending.length) this.flushSoon(0);
    return true;
  }

  /**
   * Ends a conflict: ours is written over theirs, or given up. Steps that do not touch the others'
   * places are kept either way.
   */
  decide(keep: 'mine' | 'theirs'): void {
    const { conflict } = this.view;
    if (!conflict) return;
    const mod = this.restack(
      (edit) => keep === 'mine' || !firstClash(edit.changes, conflict.edit.changes),
    );
    this.setMod(mod, undefined, {
      conflict: undefined,
      saving: this.pending.length ? 'saving' : 'saved',
    });
    void this.flush();
  }

  /**
   * Puts the waiting steps on top of a new base, each on the mod as the one before leaves it, and
   * gives the mod on top.
   */
  private restack(keep: (edit: Edit) => boolean): Mod {
    let mod = this.base;
    this.pending = this.pending.flatMap((edit) => {
      if (!keep(edit)) return [];
      try {
        const changes: Change[] = [];
        let at = mod;
        for (const { path, after } of edit.changes) {
          const change = { path, before: valueAt(at, path), after };
          at = applyChanges(at, [change]);
          changes.push(change);
        }
        mod = at;
        const left = squashChanges(changes);
        return left.length ? [{ ...edit, changes: left }] : [];
      } catch {
        // The place itself is gone: what was to be written there cannot be kept.
        return [];
      }
    });
    return mod;
  }
}
