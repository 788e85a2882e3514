import { beforeEach, expect, test } from '@jest/globals';
import { diffFindings, fixAll, inspect, type Finding } from '../../core/inspect/index.ts';
import { sampleMod } from '../../core/inspect/sample.ts';
import { valueAt } from '../../core/json/index.ts';
import { applyChanges, resolveBlock, type Change, type Mod } from '../../core/mod/index.ts';
import { mixedRadix, withCode, type CodeLayout } from '../../core/states/index.ts';
import type { FromWorker, ToWorker } from '../workers/protocol.ts';
import { Inspector } from './inspector.ts';
import type { Session, View } from './session.ts';

/** The worker's side, which answers only when it is asked to. */
class Behind {
  onmessage: ((event: { data: FromWorker }) => void) | null = null;
  private readonly asked: ToWorker[] = [];
  private mod!: Mod;
  private told: Finding[] = [];

  postMessage(message: ToWorker): void {
    this.asked.push(message);
  }

  terminate(): void {}

  catchUp(): void {
    for (let message = this.asked.shift(); message; message = this.asked.shift())
      this.onmessage?.({ data: this.answer(message) });
  }

  private answer(message: ToWorker): FromWorker {
    if (message.kind === 'fix all')
      return { kind: 'all fixed', id: message.id, ...fixAll(this.mod, message.rule) };
    if (message.kind === 'mod') this.mod = message.mod;
    let changes = 1;
    if (message.kind === 'changes') this.mod = applyChanges(this.mod, message.changes);
    // Changes that lie there together are inspected together.
    for (let next = this.asked[0]; next?.kind === 'changes'; next = this.asked[0], changes += 1) {
      this.mod = applyChanges(this.mod, next.changes);
      this.asked.shift();
    }
    const findings = inspect(this.mod);
    const diff = diffFindings(this.told, findings);
    this.told = findings;
    return { kind: 'findings', diff, changes };
  }
}

let worker: Behind;
let inspector: Inspector;
let mod: Mod;
let labels: string[];
let listener: (changes: Change[], mod: Mod) => void;
let view: View;
let viewed: () => void;

const codes = '/ledger/entries/2/codes';
/** The lamp's layout by hand, with these codes for its first states. */
function table(...first: number[]): CodeLayout {
  const { space } = resolveBlock(mod, 'lamp', mod.blocks['lamp']!);
  return first.reduce(
    (layout, code, state) => withCode(layout, space, state, code),
    mixedRadix(space),
  );
}

function edit(label: string, changes: Change[]): void {
  if (!changes.length) return;
  mod = applyChanges(mod, changes);
  labels.push(label);
  listener(changes, mod);
}
const put = (path: string, after: unknown) =>
  edit('By hand', [{ path, before: valueAt(mod, path), after }]);
/** What is found of codes that two states share. */
const collision = () => inspector.findings!.find(({ rule }) => rule === 'states/codes-collide')!;

beforeEach(() => {
  mod = sampleMod();
  labels = [];
  worker = new Behind();
  Object.assign(globalThis, {
    Worker: function () {
      return worker;
    },
  });
  view = { mod, declared: mod, revision: 0, saving: 'saved' };
  const session = {
    get view() {
      return view;
    },
    edit,
    subscribe: (heard: typeof viewed) => {
      viewed = heard;
      return () => undefined;
    },
    onMod: (heard: typeof listener) => {
      listener = heard;
      return () => undefined;
    },
  };
  inspector = new Inspector(session as unknown as Session);
  worker.catchUp();
});

test('a fix that is asked for before the inspection has caught up is that of the mod as it is', () => {
  put(codes, table(0, 0));
  worker.catchUp();
  const shown = collision();
  put(codes, table(1, 1, 0));
  inspector.mend(shown);
  expect(labels).toEqual(['By hand', 'By hand']);
  worker.catchUp();
  expect(labels.at(-1)).toBe(shown.fix!.title);
  expect(valueAt(mod, codes)).toBeUndefined();
});

test('a fix that is no longer needed changes nothing, and one that is current is done at once', () => {
  put(codes, table(0, 0));
  worker.catchUp();
  const shown = collision();
  put(codes, undefined);
  inspector.mend(shown);
  worker.catchUp();
  expect(labels).toEqual(['By hand', 'By hand']);
  put(codes, table(0, 0));
  worker.catchUp();
  inspector.mend(collision());
  expect(valueAt(mod, codes)).toBeUndefined();
});

test('mending a whole rule takes in what is changed while it is worked out', async () => {
  put('/blocks/bank/names', {});
  put('/blocks/lamp/names', {});
  const fixed = inspector.fixAll('names/missing', (mended) => `Name ${mended}`);
  worker.catchUp();
  put('/blocks/lamp/names', { en: 'Lantern' });
  await Promise.resolve();
  await Promise.resolve();
  worker.catchUp();
  await fixed;
  expect(labels.at(-1)).toBe('Name 1');
  expect(mod.blocks['lamp']!.names).toEqual({ en: 'Lantern' });
  expect(valueAt(mod, '/blocks/bank/names/en')).toBeDefined();
});

test('a file of the linked folder that cannot be read is a finding with its place, until it is whole', () => {
  const unread = {
    rule: 'files/malformed-json',
    unit: '/blocks/bank',
    file: 'blocks/bank.json',
    line: 2,
    column: 17,
    message: 'There is a comma after the last entry. Remove it.',
  };
  view = { ...view, folder: { folder: '/home/ada/saltmarsh', unread: [unread], clashes: [] } };
  viewed();
  expect(inspector.findings).toMatchObject([
    {
      rule: 'files/malformed-json',
      severity: 'error',
      block: 'bank',
      file: 'blocks/bank.json',
      message: expect.stringMatching(/^blocks\/bank\.json, line 2, column 17: There is a comma/),
    },
  ]);
  view = { ...view, folder: { folder: '/home/ada/saltmarsh', unread: [], clashes: [] } };
  viewed();
  expect(inspector.findings).toEqual([]);
});
