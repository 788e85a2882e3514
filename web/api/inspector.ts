import {
  applyFindingsDiff,
  unfitFinding,
  unreadFinding,
  type Finding,
} from '../../core/inspect/index.ts';
import type { Change, Mod } from '../../core/mod/index.ts';
import type { Draft, DraftCheck, Preview } from '../../core/kits/index.ts';
import type { Fit } from '../../core/models/index.ts';
import type { PlainBox } from '../../core/space/index.ts';
import type { Pixels } from '../../core/textures/index.ts';
import type {
  BlastAnswer,
  BreaksAnswer,
  FromWorker,
  SheetAnswer,
  ToWorker,
} from '../workers/protocol.ts';
import type { Session, View } from './session.ts';

/** A square drawing as RGBA, or nothing when there is no such block. */
export type Drawing = { size: number; data: Uint8Array } | undefined;

/** What the mod does not hold because it cannot be read: in the database, or in the folder. */
const unreadIn = ({ unfit = [], folder }: View): Finding[] => [
  ...unfit.map(unfitFinding),
  ...(folder?.unread ?? []).map(unreadFinding),
];

/** The page's side of the worker that inspects and draws. It follows a session's every edit. */
export class Inspector {
  private readonly worker = new Worker(new URL('../workers/inspector.ts', import.meta.url), {
    type: 'module',
  });
  private readonly waiting = new Map<number, (message: FromWorker) => void>();
  private readonly progress = new Map<number, (done: number, total: number) => void>();
  private readonly listeners = new Set<() => void>();
  private readonly stopFollowing: () => void;
  private next = 1;
  private folder: View['folder'];
  /** What the worker has found, without what the server left out. */
  private told: Finding[] = [];
  /** How often the worker was told of the mod, and how many of those it has answered. */
  private sent = 0;
  private answered = 0;
  /** What mends as soon as the findings are those of the mod as it is. */
  private mending: (() => void)[] = [];
  /** Undefined until the first inspection is done. */
  findings: Finding[] | undefined;

  constructor(private readonly session: Session) {
    this.worker.onmessage = ({ data }: MessageEvent<FromWorker>) => {
      if (data.kind === 'findings') {
        this.told = applyFindingsDiff(this.told, data.diff);
        this.answered += data.changes;
        this.tell();
        this.mendWaiting();
      } else if (data.kind === 'progress') {
        this.progress.get(data.id)?.(data.done, data.total);
      } else {
        this.waiting.get(data.id)?.(data);
        this.waiting.delete(data.id);
      }
    };
    this.follow(undefined, session.view.declared);
    const stops = [
      session.onMod((changes, mod) => this.follow(changes, mod)),
      session.subscribe(() => {
        if (session.view.folder === this.folder) return;
        this.folder = session.view.folder;
        if (this.findings) this.tell();
      }),
    ];
    this.stopFollowing = () => {
      for (const stop of stops) stop();
    };
  }

  private tell(): void {
    this.findings = [...unreadIn(this.session.view), ...this.told];
    for (const listener of this.listeners) listener();
  }

  private follow(changes: Change[] | undefined, mod: Mod): void {
    this.sent++;
    this.send(changes ? { kind: 'changes', changes } : { kind: 'mod', mod });
  }

  close(): void {
    this.stopFollowing();
    this.worker.terminate();
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  private send(message: ToWorker): void {
    this.worker.postMessage(message);
  }

  private ask(make: (id: number) => ToWorker): Promise<FromWorker> {
    const id = this.next++;
    return new Promise((resolve) => {
      this.waiting.set(id, resolve);
      this.send(make(id));
    });
  }

  /** Draws a block in a state, `size` pixels square. */
  async draw(asked: Omit<ToWorker & { kind: 'draw' }, 'kind' | 'id'>): Promise<Drawing> {
    const drawn = await this.ask((id) => ({ kind: 'draw', id, ...asked }));
    return drawn.kind === 'drawn' && drawn.data
      ? { size: asked.size, data: drawn.data }
      : undefined;
  }

  /**
   * Draws a contact sheet of a block's states or, without a block, of all blocks. `cancel` stops
   * it: it then gives no pixels.
   */
  sheet(
    asked: Omit<ToWorker & { kind: 'sheet' }, 'kind' | 'id'>,
    onProgress: (done: number, total: number) => void,
  ): { drawn: Promise<SheetAnswer>; cancel: () => void } {
    const { answer, cancel } = this.long((id) => ({ kind: 'sheet', id, ...asked }), onProgress);
    return {
      drawn: answer.then((drawn): SheetAnswer =>
        drawn.kind === 'sheet drawn' ? drawn : { cells: [], columns: 1 },
      ),
      cancel,
    };
  }

  /** Tries charges before walls of a block. `cancel` stops it: it then finds nothing. */
  blast(
    asked: Omit<ToWorker & { kind: 'blast' }, 'kind' | 'id'>,
    onProgress: (done: number, total: number) => void,
  ): { found: Promise<BlastAnswer | undefined>; cancel: () => void } {
    const { answer, cancel } = this.long((id) => ({ kind: 'blast', id, ...asked }), onProgress);
    return {
      found: answer.then((blasted) => (blasted.kind === 'blasted' ? blasted.found : undefined)),
      cancel,
    };
  }

  /** Breaks a block again and again. `cancel` stops it: it then finds nothing. */
  breaks(
    asked: Omit<ToWorker & { kind: 'breaks' }, 'kind' | 'id'>,
    onProgress: (done: number, total: number) => void,
  ): { found: Promise<BreaksAnswer | undefined>; cancel: () => void } {
    const { answer, cancel } = this.long((id) => ({ kind: 'breaks', id, ...asked }), onProgress);
    return {
      found: answer.then((broken) => (broken.kind === 'broken' ? broken.found : undefined)),
      cancel,
    };
  }

  /** Asks for something that takes its time: it tells how far it is and can be stopped. */
  private long(
    make: (id: number) => ToWorker,
    onProgress: (done: number, total: number) => void,
  ): { answer: Promise<FromWorker>; cancel: () => void } {
    let id = 0;
    const answer = this.ask((given) => {
      id = given;
      this.progress.set(id, onProgress);
      return make(id);
    }).finally(() => this.progress.delete(id));
    return { answer, cancel: () => this.send({ kind: 'cancel', id }) };
  }

  /** Pixels as the bytes of a PNG. */
  async encode(pixels: Pixels): Promise<Uint8Array> {
    const encoded = await this.ask((id) => ({ kind: 'encode', id, pixels }));
    return encoded.kind === 'encoded' ? encoded.png : new Uint8Array();
  }

  /** What a rule of a kit that is being written writes for one thing of the mod. */
  async tryKit(draft: Draft, rule: number, called: string): Promise<Preview> {
    const tried = await this.ask((id) => ({ kind: 'try kit', id, draft, rule, called }));
    return tried.kind === 'kit tried' ? tried.preview : { subjects: [], problems: [] };
  }

  /** How a kit that is being written fares with the whole mod. */
  async checkKit(draft: Draft): Promise<DraftCheck | undefined> {
    const checked = await this.ask((id) => ({ kind: 'check kit', id, draft }));
    return checked.kind === 'kit checked' ? checked.check : undefined;
  }

  /** What would be found if the mod were built for another kit. */
  async forKit(kit: string): Promise<Finding[]> {
    const found = await this.ask((id) => ({ kind: 'for kit', id, kit }));
    return found.kind === 'found for kit' ? found.findings : [];
  }

  /** Covers of boxes by one, two, … up to `most` boxes: see `fitBoxes`. */
  async fit(boxes: readonly PlainBox[], most: number): Promise<Fit[]> {
    const fitted = await this.ask((id) => ({ kind: 'fit', id, boxes, most }));
    return fitted.kind === 'fitted' ? fitted.fits : [];
  }

  /**
   * Mends one finding. What is shown may be a moment older than the mod: then the fix of the same
   * finding is taken from the next inspection, and nothing is done where it is not found again.
   */
  mend(shown: Finding): void {
    this.mending.push(() => {
      const same = (this.findings ?? []).filter(
        ({ rule, block, at, fix }) =>
          fix?.title === shown.fix?.title &&
          rule === shown.rule &&
          block === shown.block &&
          at === shown.at,
      );
      const { fix } = same.find(({ message }) => message === shown.message) ?? same[0] ?? {};
      if (fix) this.session.edit(fix.title, fix.changes);
    });
    this.mendWaiting();
  }

  /** One after the other, each on the findings of the mod that the one before has left. */
  private mendWaiting(): void {
    while (this.sent === this.answered && this.mending.length) this.mending.shift()?.();
  }

  /**
   * Mends every finding of a rule, as one step that is called after how many are mended. The page
   * does not wait while that is worked out; what a person changes meanwhile is taken into account.
   */
  async fixAll(rule: string, label: (mended: number) => string): Promise<void> {
    for (;;) {
      const { sent } = this;
      const fixed = await this.ask((id) => ({ kind: 'fix all', id, rule }));
      if (fixed.kind !== 'all fixed') return;
      if (sent !== this.sent) continue;
      this.session.edit(label(fixed.mended), fixed.changes);
      return;
    }
  }
}
