/** Reads, judges and mends one pack from elsewhere, beside the page. */
import { readZip, writeZip, type Files } from '../../core/bytes/index.ts';
import {
  changesBetween,
  folderForm,
  formOf,
  isSafe,
  PackCopy,
  progressInWords,
  type OnProgress,
} from '../../core/inspect/index.ts';
import { kitOf } from '../../core/kits/index.ts';
import { count, messageOf } from '../../core/words/index.ts';
import { consequenceOf, drawingOf } from './consequence.ts';
import type {
  Chosen,
  PackAnswer,
  PackAsk,
  PackSource,
  PackView,
  Preview,
  ShownFile,
} from './pack-protocol.ts';
import { besideOf, broughtInto, bytesOf, modFolderOf, partsIn, wholeModOf } from './take-over.ts';

let name = '';
let copy: PackCopy | undefined;

const opened = (): PackCopy => {
  if (!copy) throw new Error('No pack is open.');
  return copy;
};

function open(source: PackSource, onProgress: OnProgress): PackView {
  const files = withoutTop('archive' in source ? readZip(source.archive) : new Map(source.files));
  const kit = kitOf(files);
  const form = files.has('mod.json') ? folderForm : kit && formOf(kit);
  if (!form)
    throw new Error(
      `${source.name} is no pack that Obrank knows, and no mod folder: it has no pack.json, no ` +
        'folders rules and view, and no mod.json.',
    );
  copy = new PackCopy(form, files, onProgress);
  ({ name } = source);
  return viewOf(copy);
}

/** Files out of a folder in which all of them lie, as archives often have one. */
function withoutTop(files: Files): Files {
  const [first = ''] = files.keys();
  const top = first.slice(0, first.indexOf('/') + 1);
  const isWithin = top !== '' && [...files.keys()].every((path) => path.startsWith(top));
  if (!isWithin || kitOf(files) || files.has('mod.json')) return files;
  return new Map([...files].map(([path, bytes]) => [path.slice(top.length), bytes]));
}

const viewOf = (at: PackCopy): PackView => ({
  name,
  kind: at.form === folderForm ? 'mod' : 'pack',
  form: at.form.title,
  files: [...at.files].map(([path, { length: size }]) => ({ path, size })),
  findings: at.findings.map((finding) => ({
    ...finding,
    fix: finding.fix && { title: finding.fix.title, changes: [] },
    safe: isSafe(finding),
  })),
  undo: at.undo,
  redo: at.redo,
  changed: at.changes().map(({ file }) => file),
});

function mend(chosen: Chosen): { view: PackView; mended: number } {
  const at = opened();
  const label = (mended: number) => `Mend ${count(mended, 'finding')}`;
  const mended =
    chosen === 'safe'
      ? at.mendAll(label, isSafe)
      : 'rule' in chosen
        ? at.mendAll(label, ({ rule }) => rule === chosen.rule)
        : at.mend(at.findings.slice(chosen.finding, chosen.finding + 1));
  return { view: viewOf(at), mended };
}

function mendedPicture(index: number): { view: PackView; mended: number } {
  const at = opened();
  const finding = at.findings[index];
  const mended = finding && at.mendPicture(finding) ? 1 : 0;
  return { view: viewOf(at), mended };
}

const isText = (path: string): boolean => /\.(json|ts|md|txt)$/i.test(path);
const textOf = (bytes: Uint8Array | undefined): string | undefined =>
  bytes && new TextDecoder().decode(bytes);

function shown(path: string): ShownFile {
  const bytes = opened().files.get(path);
  if (!bytes) return { gone: true };
  return isText(path) ? { text: textOf(bytes)! } : { bytes };
}

function preview(index: number): Preview {
  const at = opened();
  const finding = at.findings[index];
  const after = finding && at.preview(finding);
  if (!after) return { files: [] };
  return {
    files: changesBetween(at.files, after).map(({ file, before, after: then }) => ({
      path: file,
      ...(isText(file) && { before: textOf(before), after: textOf(then) }),
    })),
  };
}

function answerTo(one: PackAsk): unknown {
  if (one.ask === 'open') return open(one.source, toldOf(one.id));
  if (one.ask === 'mend') return mend(one.chosen);
  if (one.ask === 'mendPicture') return mendedPicture(one.finding);
  if (one.ask === 'file') return shown(one.path);
  if (one.ask === 'preview') return preview(one.finding);
  if (one.ask === 'archive') return writeZip(opened().files);
  if (one.ask === 'changes') return opened().changes();
  if (one.ask === 'parts') return partsIn(opened());
  if (one.ask === 'drawing') return drawingOf(opened(), one.block, one.size);
  if (one.ask === 'wholeMod') return wholeModOf(opened(), one.how);
  if (one.ask === 'modFolder') return modFolderOf(opened(), one.how, one.title);
  if (one.ask === 'bring') return broughtInto(opened(), one.target, one.blocks, one.names);
  if (one.ask === 'beside') return besideOf(opened(), one.target);
  if (one.ask === 'blobs') return bytesOf(opened(), one.digests);
  if (one.ask === 'consequence') {
    const at = opened();
    const finding = at.findings[one.finding];
    return finding && consequenceOf(at, finding, one.size);
  }
  if (one.ask === 'go') opened().go(one.way);
  else opened().keepAsGiven();
  return viewOf(opened());
}

const say = (answer: PackAnswer) => (self as unknown as Worker).postMessage(answer);

/** Says how far something is, as often as people can read it. */
function toldOf(id: number): OnProgress {
  let since = performance.now();
  return (...far) => {
    if (performance.now() - since < 100) return;
    since = performance.now();
    say({ id, progress: progressInWords(...far) });
  };
}

/** What was asked and is not answered yet. */
const asked: PackAsk[] = [];
/** What takes a while, and what nobody waits for once something newer of its kind is asked. */
const slow = new Set<PackAsk['ask']>(['preview', 'consequence', 'wholeMod', 'bring', 'beside']);

/** The next to answer: what is quick before what is slow, and of that only the newest. */
function next(): PackAsk | undefined {
  const quick = asked.findIndex(({ ask }) => !slow.has(ask));
  if (quick >= 0) return asked.splice(quick, 1)[0];
  const [first] = asked.splice(0, 1);
  if (!first || !asked.some(({ ask }) => ask === first.ask)) return first;
  say({ id: first.id, problem: 'Something newer was asked.' });
  return next();
}

function answerNext(): void {
  const one = next();
  if (!one) return;
  try {
    say({ id: one.id, answer: answerTo(one) as never });
  } catch (error) {
    say({ id: one.id, problem: messageOf(error) });
  }
}

self.onmessage = ({ data }: MessageEvent<PackAsk>) => {
  asked.push(data);
  // What arrived meanwhile is heard before the next is begun.
  setTimeout(answerNext);
};
