import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import fc from 'fast-check';
import { sampleMod } from '../../core/inspect/sample.ts';
import { pointer, valueAt } from '../../core/json/index.ts';
import {
  applyChange,
  applyChanges,
  invertChanges,
  type Change,
  type Mod,
} from '../../core/mod/index.ts';
import type { LoggedEdit, ModAnswer } from '../../core/api/index.ts';
import { windowName } from './client.ts';
import { Session } from './session.ts';

/**
 * A server in a few lines: one mod, a log, and the rule that a write names the revision that it was
 * made at.
 */
class Server {
  mod: Mod = sampleMod();
  log: LoggedEdit[] = [];
  down = false;
  refuse: string | undefined;
  told: ((edit: LoggedEdit) => void) | undefined;
  greets: (greeting: { revision: number; undo?: string }) => void = () => undefined;

  write(
    author: string,
    label: string,
    changes: Change[],
    kind: LoggedEdit['kind'] = 'edit',
  ): LoggedEdit {
    this.mod = applyChanges(this.mod, changes);
    const edit: LoggedEdit = {
      revision: this.log.length + 1,
      time: '2026-11-23T12:00:00.000Z',
      stepRevision: null,
      author,
      kind,
      label,
      changes,
    };
    this.log.push(edit);
    return edit;
  }

  /** Somebody else's edit of one place, told to the page only when asked for. */
  other(path: string, after: unknown, tell = true): void {
    const edit = this.write('window tide', 'Somebody else', [
      { path, before: valueAt(this.mod, path), after },
    ]);
    if (tell) this.told?.(edit);
  }

  /** The whole mod as the server answers it. */
  whole(revision: number): ModAnswer {
    return { mod: this.mod, revision, built: null, unfit: [] };
  }

  answer(
    address: string,
    body: { label?: string; changes?: Change[] },
    revision: number,
  ): [number, unknown] {
    if (address.includes('?after=')) return [200, this.log.slice(Number(address.split('=')[1]))];
    if (this.refuse) return [422, { title: 'Edit refused', detail: this.refuse }];
    if (revision !== this.log.length)
      return [412, { title: 'stale', detail: 'stale', edits: this.log.slice(revision) }];
    if (address.endsWith('/undo')) {
      const last = this.log.at(-1)!;
      return [201, this.write(windowName, last.label, invertChanges(last.changes), 'undo')];
    }
    return [201, this.write(windowName, body.label!, body.changes!)];
  }
}

let server: Server;
let session: Session;
const hardness = '/blocks/lamp/traits/hardness';
const blast = '/blocks/lamp/traits/blastRating';
const edit = (path: string, after: unknown, label = 'Change it') =>
  session.edit(label, [{ path, before: valueAt(session.view.mod, path), after }]);
const at = (path: string) => valueAt(session.view.mod, path);

beforeEach(() => {
  jest.useFakeTimers();
  server = new Server();
  const events: { listeners: Map<string, (event: { data: string }) => void> }[] = [];
  Object.assign(globalThis, {
    EventSource: class {
      listeners = new Map<string, (event: { data: string }) => void>();
      constructor() {
        events.push(this);
        server.greets = (greeting) =>
          this.listeners.get('hello')?.({ data: JSON.stringify(greeting) });
        server.told = (told) =>
          this.listeners.get('edit')?.({ data: JSON.stringify({ edit: told, undo: told.label }) });
      }

      addEventListener(kind: string, listener: (event: { data: string }) => void) {
        this.listeners.set(kind, listener);
      }

      close() {
        this.listeners.clear();
      }
    },
    fetch: async (address: string, options: { body?: string; headers?: HeadersInit } = {}) => {
      if (server.down) throw new TypeError('connection refused');
      const [status, body] = server.answer(
        address,
        JSON.parse(options.body ?? '{}') as object,
        Number((new Headers(options.headers).get('If-Match') ?? '"0"').replaceAll('"', '')),
      );
      return { ok: status < 400, status, json: async () => structuredClone(body) };
    },
  });
  session = new Session('saltmarsh', { mod: sampleMod(), revision: 0 });
});
afterEach(() => {
  session.close();
  jest.useRealTimers();
});

test('what was done while nobody listened is fetched, and undo says what it would take', async () => {
  server.write('the folder', 'From the folder: lamp.json', [{ path: hardness, after: 6 }]);
  server.greets({ revision: 1, undo: 'From the folder: lamp.json' });
  await jest.advanceTimersByTimeAsync(10);
  expect(at(hardness)).toBe(6);
  expect(session.view).toMatchObject({ revision: 1, undo: 'From the folder: lamp.json' });
});

test('the mod as it was takes no edit, asks nobody, and says why', async () => {
  const past = new Session('saltmarsh@0', { mod: sampleMod(), revision: 0, isPast: true });
  past.edit('Change it', [{ path: hardness, after: 4 }]);
  await past.undoOrRedo('undo');
  await jest.advanceTimersByTimeAsync(1000);
  expect(valueAt(past.view.mod, hardness)).toBeUndefined();
  expect(past.view.refused).toMatch(/as it was/);
  expect(server.log).toHaveLength(0);
  past.close();
});

test('an edit shows at once and is saved a moment later', async () => {
  edit(hardness, 4);
  expect(at(hardness)).toBe(4);
  expect(session.view.saving).toBe('saving');
  expect(server.log).toHaveLength(0);
  await jest.advanceTimersByTimeAsync(300);
  expect(session.view).toMatchObject({ saving: 'saved', revision: 1 });
  expect(server.mod).toEqual(session.view.mod);
});

test(
  'steps on the same place within a moment are one step; another place or another label ' +
    'begins a new one',
  async () => {
    edit(hardness, 4);
    edit(hardness, 5);
    edit(hardness, 6);
    edit(blast, 9);
    edit(blast, 10, 'Something else');
    await jest.advanceTimersByTimeAsync(300);
    expect(server.log.map(({ changes }) => changes[0])).toEqual([
      { path: hardness, after: 6 },
      { path: blast, after: 9 },
      { path: blast, before: 9, after: 10 },
    ]);
  },
);

test('typing and taking it back within a moment leaves nothing to save', async () => {
  edit(hardness, 4);
  edit(hardness, undefined);
  await jest.advanceTimersByTimeAsync(300);
  expect(server.log).toHaveLength(0);
  expect(session.view.saving).toBe('saved');
});

test('what the server will never take is taken back, and said', async () => {
  server.refuse = 'The field is wrong.';
  edit(hardness, 4);
  await jest.advanceTimersByTimeAsync(300);
  expect(at(hardness)).toBeUndefined();
  expect(session.view).toMatchObject({ saving: 'saved', refused: 'The field is wrong.' });
});

test('without an answer the edit stays in the page and is sent again', async () => {
  server.down = true;
  edit(hardness, 4);
  await jest.advanceTimersByTimeAsync(300);
  expect(session.view.saving).toBe('offline');
  edit(blast, 7);
  server.down = false;
  await jest.advanceTimersByTimeAsync(4000);
  expect(session.view).toMatchObject({ saving: 'saved', revision: 2 });
  expect(valueAt(server.mod, blast)).toBe(7);
});

test('others are put underneath: what they did elsewhere is there, and mine is sent on top', async () => {
  edit(hardness, 4);
  server.other(blast, 8, false);
  await jest.advanceTimersByTimeAsync(300);
  expect([at(hardness), at(blast)]).toEqual([4, 8]);
  expect(server.mod).toEqual(session.view.mod);
  server.other(blast, 9);
  expect(at(blast)).toBe(9);
  expect(session.view.revision).toBe(3);
});

test.each([
  ['mine', 4],
  ['theirs', 7],
] as const)('the same place asks, and keeps %s', async (keep, value) => {
  edit(hardness, 4, 'Mine');
  edit(blast, 5, 'Elsewhere');
  server.other(hardness, 7, false);
  await jest.advanceTimersByTimeAsync(300);
  expect(session.view.conflict).toMatchObject({
    mine: { after: 4 },
    theirs: { after: 7 },
    edit: { author: 'window tide', label: 'Somebody else' },
  });
  expect(at(hardness)).toBe(4);
  session.decide(keep);
  await jest.advanceTimersByTimeAsync(300);
  expect([at(hardness), at(blast), session.view.saving]).toEqual([value, 5, 'saved']);
  expect(server.mod).toEqual(session.view.mod);
});

test('the same value in the same place is no conflict', async () => {
  edit(hardness, 7);
  server.other(hardness, 7, false);
  await jest.advanceTimersByTimeAsync(300);
  expect(session.view).toMatchObject({ saving: 'saved', revision: 1 });
  expect(session.view.conflict).toBeUndefined();
});

test('a place that is gone cannot be kept, and nothing breaks', async () => {
  edit(hardness, 4);
  const gone = server.mod.blocks['lamp'];
  server.write('window tide', 'Remove it', [{ path: '/blocks/lamp', before: gone }]);
  await jest.advanceTimersByTimeAsync(300);
  expect(session.view.conflict).toBeDefined();
  session.decide('mine');
  await jest.advanceTimersByTimeAsync(300);
  expect(session.view.mod.blocks['lamp']).toBeUndefined();
  expect(server.mod).toEqual(session.view.mod);
});

test('what is decided in the moment in which a flight ends is sent too', async () => {
  const title = '/header/title';
  edit(title, 'Mine');
  server.other(title, 'Theirs');
  session.decide('theirs');
  edit(title, 'Mine again');
  server.other(title, 'Theirs again');
  session.decide('mine');
  await jest.advanceTimersByTimeAsync(1000);
  expect(session.view.saving).toBe('saved');
  expect(valueAt(server.mod, title)).toBe('Mine again');
});

test('undo waits for what is being saved, and takes back the last step', async () => {
  edit(hardness, 4);
  const done = session.undoOrRedo('undo');
  await jest.advanceTimersByTimeAsync(10);
  await done;
  expect(at(hardness)).toBeUndefined();
  expect(server.log.map((one) => one.kind)).toEqual(['edit', 'undo']);
});

test('whoever follows the mod by its changes has the same mod', async () => {
  let followed = session.view.mod;
  session.onMod((changes, mod) => {
    followed = changes ? applyChanges(followed, changes) : mod;
  });
  edit(hardness, 4);
  server.other(blast, 2, false);
  await jest.advanceTimersByTimeAsync(300);
  const undone = session.undoOrRedo('undo');
  await jest.advanceTimersByTimeAsync(10);
  await undone;
  expect(followed).toEqual(session.view.mod);
});

const places = [hardness, blast, '/blocks/bank/traits/hardness', '/header/title'];
const anyAct = fc.oneof(
  fc.record({
    who: fc.constant('me'),
    path: fc.constantFrom(...places),
    value: fc.integer({ min: 1, max: 5 }),
  }),
  fc.record({
    who: fc.constant('other'),
    path: fc.constantFrom(...places),
    value: fc.integer({ min: 6, max: 9 }),
  }),
  fc.record({
    who: fc.constantFrom('wait', 'down', 'up', 'mine', 'theirs'),
    path: fc.constant(hardness),
    value: fc.constant(0),
  }),
);

test(
  'whatever people do in whatever order, page and server end with the same mod, and no ' +
    'edit of others is lost',
  async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(anyAct, { maxLength: 14 }), async (acts) => {
        server = new Server();
        session.close();
        session = new Session('saltmarsh', { mod: sampleMod(), revision: 0 });
        const values = (path: string, value: number) =>
          path === '/header/title' ? `Title ${value}` : value;
        for (const { who, path, value } of acts) {
          if (who === 'me') edit(path, values(path, value), `Change ${path}`);
          else if (who === 'other') server.other(path, values(path, value), value % 2 === 0);
          else if (who === 'wait') await jest.advanceTimersByTimeAsync(400);
          else if (who === 'mine' || who === 'theirs') session.decide(who);
          else server.down = who === 'down';
        }
        server.down = false;
        for (
          let tries = 0;
          tries < 40 &&
          (session.view.saving !== 'saved' || session.view.revision < server.log.length);
          tries += 1
        ) {
          if (session.view.conflict) session.decide('theirs');
          // Somebody else's last word reaches a page that was not told of it with its next write.
          if (session.view.saving === 'saved') edit('/header/license', `Asked ${tries}`);
          await jest.advanceTimersByTimeAsync(4000);
        }
        expect(session.view.mod).toEqual(server.mod);
        expect(session.view.revision).toBe(server.log.length);
      }),
      { numRuns: 60 },
    );
  },
  60_000,
);

test('a place is set by its steps', () => {
  session.set('Name it', ['blocks', 'lamp', 'names', 'en'], 'Lantern');
  expect(at(pointer(['blocks', 'lamp', 'names', 'en']))).toBe('Lantern');
  expect(
    applyChange(session.view.mod, { path: '/header/title', before: 'Saltmarsh', after: 'x' })
      .blocks,
  ).toBe(session.view.mod.blocks);
});

test('undo while a step is still on its way waits for it and takes it back', async () => {
  edit(hardness, 7);
  void session.flush();
  await session.undoOrRedo('undo');
  expect(server.log.map(({ kind }) => kind)).toEqual(['edit', 'undo']);
  expect(session.view.mod).toEqual(server.mod);
});

test('undo asked for while another undo is on its way is not lost', async () => {
  edit(hardness, 7, 'One');
  await session.flush();
  await Promise.all([session.undoOrRedo('undo'), session.undoOrRedo('undo')]);
  expect(server.log.map(({ kind }) => kind)).toEqual(['edit', 'undo', 'undo']);
  expect(session.view.mod).toEqual(server.mod);
});

test('what is done while an undo is on its way is kept, and sent after it', async () => {
  edit(hardness, 7);
  await session.flush();
  const undone = session.undoOrRedo('undo');
  await Promise.resolve();
  edit(blast, 9);
  await undone;
  await session.flush();
  expect([at(blast), valueAt(server.mod, blast)]).toEqual([9, 9]);
  expect(session.view.mod).toEqual(server.mod);
  expect(session.view.saving).toBe('saved');
});

test('a refusal that brings nothing new is not answered by sending again without a pause', async () => {
  let asked = 0;
  const { answer } = server;
  server.answer = function (address, body, revision) {
    if (address.includes('?after=')) return [200, []];
    if (address.endsWith('/edits')) {
      asked += 1;
      return [412, { detail: 'stale', edits: [] }];
    }
    if (!address.includes('/edits')) return [200, this.whole(0)];
    return answer.call(this, address, body, revision);
  };
  edit(hardness, 7);
  await jest.advanceTimersByTimeAsync(2000);
  expect(asked).toBe(1);
  expect(session.view).toMatchObject({ saving: 'offline' });
  expect(at(hardness)).toBe(7);
  server.answer = answer;
  await jest.advanceTimersByTimeAsync(4000);
  expect(session.view.saving).toBe('saved');
  expect(valueAt(server.mod, hardness)).toBe(7);
});

test('an answer that the page does not understand keeps what waits, and is asked for again', async () => {
  const { answer } = server;
  server.answer = function (address, body, revision) {
    answer.call(this, address, body, revision);
    return [200, { surprise: true }];
  };
  edit(hardness, 7);
  await jest.advanceTimersByTimeAsync(500);
  expect(session.view).toMatchObject({
    saving: 'offline',
    refused: expect.stringMatching(/does not understand/),
  });
  server.answer = answer;
  await jest.advanceTimersByTimeAsync(4000);
  expect(session.view.saving).toBe('saved');
  expect(at(hardness)).toBe(7);
  expect(server.log).toHaveLength(1);
});

test(
  'a server whose data was put back to an earlier day: the page takes what is there and ' +
    'puts its own on top',
  async () => {
    edit(hardness, 7);
    await jest.advanceTimersByTimeAsync(300);
    server.mod = sampleMod();
    server.log = [];
    const { answer } = server;
    server.answer = function (address, body, revision) {
      if (!address.includes('/edits')) return [200, this.whole(this.log.length)];
      return answer.call(this, address, body, revision);
    };
    edit(blast, 9);
    await jest.advanceTimersByTimeAsync(500);
    expect([valueAt(server.mod, blast), session.view.saving, session.view.revision]).toEqual([
      9,
      'saved',
      1,
    ]);
  },
);

test('the rest of a long log is fetched part by part before anything is sent again', async () => {
  for (let value = 1; value <= 5; value += 1) server.other(blast, value, false);
  const { answer } = server;
  server.answer = function (address, body, revision) {
    const [status, found] = answer.call(this, address, body, revision);
    if (status === 412) return [412, { detail: 'stale', edits: [] }];
    return [status, Array.isArray(found) ? found.slice(0, 2) : found];
  };
  edit(hardness, 7);
  await jest.advanceTimersByTimeAsync(500);
  expect([session.view.saving, at(blast), valueAt(server.mod, hardness)]).toEqual(['saved', 5, 7]);
});

test('an edit that is too long for an event is fetched when it is named', async () => {
  server.other(blast, 3, false);
  server.told?.({ ...server.log[0]!, revision: 0 });
  (
    session as unknown as { events: { listeners: Map<string, (event: { data: string }) => void> } }
  ).events.listeners.get('moved')!({ data: '{"revision":1,"undo":"Long"}' });
  await jest.advanceTimersByTimeAsync(10);
  expect([at(blast), session.view.undo]).toEqual([3, 'Long']);
});
