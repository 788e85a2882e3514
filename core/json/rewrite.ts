import { diffArrays } from 'diff';
import { findNodeAtLocation, parseTree, type Node } from 'jsonc-parser';
import { itemAt } from '../lists/index.ts';
import { sameData } from './plain.ts';
import { pointerSteps } from './pointer.ts';
import { printJson } from './print.ts';
import type { TextEdit } from './text-edit.ts';

/**
 * The edits that make a JSON text hold a value, and leave everything else of it as its author wrote
 * it: the order of keys, the spaces, the line ends. What is new is written in the way of what stands
 * beside it. Lists are compared by their elements (Myers, "An O(ND) difference algorithm", 1986), so
 * that one that goes takes only its own characters away. Undefined where the text is too damaged to
 * hold a value.
 *
 * @example applyTextEdits('{"a":1, "b":2}', rewriteJson('{"a":1, "b":2}', { a: 1, b: 3 })!)
 * // '{"a":1, "b":3}'
 */
export function rewriteJson(text: string, value: unknown): TextEdit[] | undefined {
  const tree = parseTree(text, [], { allowTrailingComma: true });
  if (!tree) return undefined;
  const edits: TextEdit[] = [];
  rewrite({ text, edits, style: styleOf(text, tree) }, tree, value);
  return edits;
}

/**
 * The edits that call a key otherwise, by the pointer of its value. Undefined where it is not there.
 *
 * @example renameKey('{"colr":1}', '/colr', 'colour') // [{ offset: 1, length: 6, insert: '"colour"' }]
 */
export function renameKey(text: string, at: string, key: string): TextEdit[] | undefined {
  const tree = parseTree(text, [], { allowTrailingComma: true });
  const steps = pointerSteps(at).map((step) => (/^\d+$/.test(step) ? Number(step) : step));
  const name = tree && findNodeAtLocation(tree, steps)?.parent?.children?.[0];
  if (typeof name?.value !== 'string' || name.value !== steps.at(-1)) return undefined;
  return [{ offset: name.offset, length: name.length, insert: JSON.stringify(key) }];
}

/** How a text is written. */
interface Style {
  lineEnd: string;
  /** One level of indentation. */
  indent: string;
  /** Whether anything stands between brackets, colons, commas and what follows them. */
  isTight: boolean;
}

interface Work {
  text: string;
  style: Style;
  edits: TextEdit[];
}

function styleOf(text: string, tree: Node): Style {
  const indents = [...text.matchAll(/\n([ \t]+)(?=\S)/g)].map(([, spaces]) => spaces!);
  const [colon] = /"\s*:\s*/.exec(text) ?? [];
  return {
    lineEnd: text.includes('\r\n') ? '\r\n' : '\n',
    indent: indents.length ? indents.reduce((a, b) => (b.length < a.length ? b : a)) : '  ',
    isTight: tree.type === 'object' && colon !== undefined && !colon.endsWith(' '),
  };
}

function rewrite(work: Work, node: Node, value: unknown): void {
  if (sameData(valueOf(node), value)) return;
  if (node.type === 'array' && Array.isArray(value) && value.length)
    rewriteParts(work, node, partsOfList(node, value), value);
  else if (node.type === 'object' && isObject(value) && Object.keys(value).length)
    rewriteParts(work, node, partsOfObject(node, value), value);
  else put(work, node, value);
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * What a list or an object will hold, in order: what it has, perhaps with another value or on its
 * way out, and what is new, under a key in an object.
 */
type Part =
  | { had: Node; turned?: [node: Node, value: unknown]; goes?: boolean }
  | { key?: string; comes: unknown };

function partsOfList(node: Node, value: readonly unknown[]): Part[] {
  const children = node.children ?? [];
  const parts: Part[] = [];
  let at = 0;
  const runs = diffArrays(children.map(valueOf), [...value], { comparator: sameData });
  for (const [i, { added, removed, value: run }] of runs.entries()) {
    if (added) {
      // What came where others went is what they have become, as far as there are enough.
      const gone = itemBefore(runs, i)?.removed ? itemBefore(runs, i)!.value.length : 0;
      for (const [j, item] of run.entries())
        if (j < gone) {
          const had = itemAt(children, at - gone + j);
          parts[parts.length - gone + j] = { had, turned: [had, item] };
        }
      for (const comes of run.slice(gone)) parts.push({ comes });
    } else {
      for (const had of children.slice(at, at + run.length))
        parts.push({ had, ...(removed ? { goes: true } : {}) });
      at += run.length;
    }
  }
  return parts;
}

const itemBefore = <T>(list: readonly T[], i: number): T | undefined => list[i - 1];

function partsOfObject(node: Node, value: Record<string, unknown>): Part[] {
  const entries = (node.children ?? []).flatMap((entry) => {
    const [key, held] = entry.children ?? [];
    return key && held ? [{ entry, key: String(key.value), held }] : [];
  });
  const last = new Map(entries.map(({ key, entry }) => [key, entry]));
  const parts = entries.map(({ entry, key, held }): Part => {
    const next = Object.hasOwn(value, key) ? value[key] : undefined;
    if (next === undefined) return { had: entry, goes: true };
    // Of a key that stands twice the last counts.
    return { had: entry, ...(last.get(key) === entry ? { turned: [held, next] } : {}) };
  });
  for (const [key, comes] of Object.entries(value))
    if (comes !== undefined && !last.has(key)) parts.push({ key, comes });
  return parts;
}

function rewriteParts(work: Work, node: Node, parts: readonly Part[], value: unknown): void {
  if (!parts.some((part) => 'had' in part && !part.goes)) {
    put(work, node, value);
    return;
  }
  const children = node.children ?? [];
  const between = spaceBetween(work.text, node);
  const indent = between.includes('\n') ? between.slice(between.lastIndexOf('\n') + 1) : undefined;
  let before: Node | undefined;
  let leading = '';
  for (const part of parts) {
    if ('comes' in part) {
      const text = withKey(work.style, part.key, printed(work.style, part.comes, indent));
      if (before)
        work.edits.push({ offset: endOf(before), length: 0, insert: `,${between}${text}` });
      else leading += `${text},${between}`;
    } else if (!part.goes) {
      if (!before && leading)
        work.edits.push({ offset: itemAt(children, 0).offset, length: 0, insert: leading });
      if (part.turned) rewrite(work, ...part.turned);
      before = part.had;
    }
  }
  removeRuns(work, children, parts);
}

/** Takes away what goes, each run with the comma that divides it from what stays. */
function removeRuns({ edits }: Work, children: readonly Node[], parts: readonly Part[]): void {
  const goes = new Set(parts.flatMap((part) => ('had' in part && part.goes ? [part.had] : [])));
  for (let i = 0; i < children.length; i += 1) {
    if (!goes.has(itemAt(children, i))) continue;
    const from = i;
    while (i + 1 < children.length && goes.has(itemAt(children, i + 1))) i += 1;
    const start = from ? endOf(itemAt(children, from - 1)) : itemAt(children, 0).offset;
    const end = from ? endOf(itemAt(children, i)) : itemAt(children, i + 1).offset;
    edits.push({ offset: start, length: end - start, insert: '' });
  }
}

const endOf = ({ offset, length }: Node): number => offset + length;

/** What divides two parts, but for the comma: as the author did it here. */
function spaceBetween(text: string, node: Node): string {
  const [first, second] = node.children ?? [];
  if (first && second) return text.slice(endOf(first), second.offset).replace(/^[^,]*,/, '');
  const lead = text.slice(node.offset + 1, first!.offset);
  return lead.includes('\n') ? lead : ' ';
}

/** Another value in the place of one. */
function put({ text, style, edits }: Work, { offset, length }: Node, value: unknown): void {
  const line = text.lastIndexOf('\n', offset) + 1;
  const [indent] = /^[ \t]*/.exec(text.slice(line, offset)) ?? [];
  const insert = printed(style, value, text.includes('\n') ? indent : undefined);
  edits.push({ offset, length, insert });
}

/** A value in the author's way, its further lines indented so far; on one line without that. */
function printed(
  { indent, lineEnd, isTight }: Style,
  value: unknown,
  base: string | undefined,
): string {
  if (base === undefined && isTight) return JSON.stringify(value);
  const lines = printJson(value).trimEnd().split('\n');
  if (base === undefined) return lines.map((line) => line.trim()).join(' ');
  return lines
    .map((line, i) => {
      const bare = line.trimStart();
      return i ? base + indent.repeat((line.length - bare.length) / 2) + bare : bare;
    })
    .join(lineEnd);
}

const withKey = ({ isTight }: Style, key: string | undefined, text: string): string =>
  key === undefined ? text : `${JSON.stringify(key)}:${isTight ? '' : ' '}${text}`;

/** The plain value of a node. */
function valueOf(node: Node): unknown {
  if (node.type === 'array') return (node.children ?? []).map(valueOf);
  if (node.type !== 'object') return node.value;
  return Object.fromEntries(
    (node.children ?? []).flatMap(({ children: [key, held] = [] }) =>
      key && held ? [[String(key.value), valueOf(held)] as const] : [],
    ),
  );
}
