import type { Files } from '../../bytes/index.ts';
import { parseJson, pointer, printJson } from '../../json/index.ts';
import { itemAt } from '../../lists/index.ts';

/** One mistake in a pack, as a tired author makes it. */
export interface Mutation {
  kind: string;
  /** What was done, in words. */
  what: string;
  /** The file in which it is to be found; where it was taken away, the one that was. */
  file: string;
  /** The line on which it is to be found, in text. */
  line?: number;
  /** Why it changes nothing that the game does, or why nobody could know; undefined where it shows. */
  silent?: string;
  files: Files;
}

type Steps = (string | number)[];
const textOf = (bytes: Uint8Array | undefined) => new TextDecoder().decode(bytes);
const bytesOf = (text: string) => new TextEncoder().encode(text);
const isJson = (file: string) => file.endsWith('.json');

/** Every mutation of a pack, file by file; `wanted` chooses among them by their place in the order. */
export function* mutationsOf(
  files: Files,
  wanted: (index: number) => boolean = () => true,
): Generator<Mutation> {
  let index = 0;
  for (const file of files.keys())
    for (const make of [...ofFile(files, file), ...(isJson(file) ? ofJson(files, file) : [])])
      if (wanted(index++)) yield make();
}

type Make = () => Mutation;

/** A copy of the files with some put in their place; undefined takes one away. */
function withFiles(files: Files, changed: Record<string, Uint8Array | undefined>): Files {
  const copy = new Map(files);
  for (const [file, bytes] of Object.entries(changed))
    if (bytes) copy.set(file, bytes);
    else copy.delete(file);
  return copy;
}

/** What is done to a file whatever it holds. */
function* ofFile(files: Files, file: string): Generator<Make> {
  const bytes = files.get(file)!;
  const slash = file.lastIndexOf('/');
  const dot = file.lastIndexOf('.');
  const folder = file.slice(0, slash + 1);
  const moved =
    (kind: string, to: string): Make =>
    () => ({
      kind,
      what: `${file} is called ${to}`,
      file: to,
      silent: nobodyAsks(file),
      files: withFiles(files, { [file]: undefined, [to]: bytes }),
    });
  yield () => ({
    kind: 'deleted',
    what: `${file} is gone`,
    file,
    silent: nobodyAsks(file),
    files: withFiles(files, { [file]: undefined }),
  });
  yield moved('file misspelt', `${file.slice(0, dot - 1)}q${file.slice(dot)}`);
  yield moved('file in capitals', folder + file.slice(slash + 1).toUpperCase());
  if (slash > 0) {
    yield moved('folder misspelt', `${file.slice(0, slash - 1)}${file.slice(slash)}`);
    yield moved('folder in capitals', folder.toUpperCase() + file.slice(slash + 1));
  }
  if (/\.(png|wav|ogg)$/.test(file))
    yield () => ({
      kind: 'cut short',
      what: `${file} is cut short`,
      file,
      files: withFiles(files, { [file]: bytes.subarray(0, Math.floor(bytes.length / 2)) }),
    });
  const other = nextOfItsKind(files, file);
  if (other !== undefined)
    yield () => ({
      kind: 'swapped',
      what: `${file} and ${other} have changed places`,
      file,
      silent:
        isJson(file) && !/\/(recipes|models)\//.test(file) ? undefined : 'it is as good as meant',
      files: withFiles(files, { [file]: files.get(other)!, [other]: bytes }),
    });
}

/** Files that nothing else names: without digests nobody can know that they were there. */
const nobodyAsks = (file: string): string | undefined =>
  /^(code|rules\/recipes|rules\/tags)\//.test(file) || file.endsWith('.strip.json')
    ? 'nothing asks for it'
    : undefined;

function nextOfItsKind(files: Files, file: string): string | undefined {
  const folder = file.slice(0, file.lastIndexOf('/') + 1);
  const ending = file.slice(file.lastIndexOf('.'));
  const alike = [...files.keys()].filter(
    (one) =>
      one.startsWith(folder) && one.endsWith(ending) && !one.slice(folder.length).includes('/'),
  );
  return folder === '' ? undefined : alike[alike.indexOf(file) + 1];
}

/** What is done to the text of a JSON file, and to each value in it. */
function* ofJson(files: Files, file: string): Generator<Make> {
  const text = textOf(files.get(file));
  const value = parseJson(text).value;
  const made =
    (kind: string, what: string, after: string, more: Partial<Mutation> = {}): Make =>
    () => ({
      kind,
      what: `${file}: ${what}`,
      file,
      ...more,
      files: withFiles(files, { [file]: bytesOf(after) }),
    });
  const lines = text.split('\n').length;
  yield made('syntax', 'a comma after the last entry', text.replace(/(\n?\s*\}\s*)$/, ',$1'), {
    line: text.trimEnd().split('\n').length > 1 ? lines - 2 : 1,
  });
  yield made('syntax', 'a comment', `// mine\n${text}`, { line: 1 });
  yield made('syntax', 'cut short', text.slice(0, Math.floor(text.length / 2)));
  yield made('syntax', 'a byte order mark', `\uFEFF${text}`, { line: 1 });
  yield made('syntax', 'a quote is missing', text.replace('"', ''));
  yield made('syntax', 'text after the end', `${text}}`);
  for (const [at, leaf] of leavesOf(value)) yield* ofValue(at, leaf);

  function* ofValue(at: Steps, leaf: unknown): Generator<Make> {
    const silent = silentAt(file, at) ?? silentTool(files, file, at);
    const put =
      (kind: string, after: unknown): Make =>
      () => {
        const changed = printJson(withValue(value, at, after));
        const { line } = parseJson(changed).placeOf(pointer(at));
        const what = `${pointer(at)} was ${JSON.stringify(leaf)} and is ${JSON.stringify(after)}`;
        return made(kind, what, changed, { line, silent })();
      };
    if (typeof leaf === 'number') yield put('number', leaf + 1e7);
    if (typeof leaf === 'number') yield put('number', -leaf - 1e7);
    if (typeof leaf === 'boolean') yield put('type', String(leaf));
    if (typeof leaf === 'string' && leaf.length > 2) {
      yield put('misspelt', `${leaf.slice(0, -2)}q${leaf.slice(-1)}`);
      if (/^[a-z_]+$/.test(leaf)) yield put('in capitals', leaf.toUpperCase());
      if (/^#?[a-z_]+:[a-z_/]+$/.test(leaf))
        yield put('points elsewhere', leaf.replace(/:.*/, ':zz'));
    }
    const key = at.findLastIndex((step) => typeof step === 'string');
    const path = at.slice(0, key + 1);
    if (key >= 0 && at.slice(key + 1).every((step) => step === 0))
      yield () => {
        const name = String(itemAt(path, key));
        const after = printJson(withKey(value, path, `${name}q`));
        const { line } = parseJson(after).placeOf(pointer([...path.slice(0, -1), `${name}q`]));
        return made('key', `${pointer(path)} is misspelt`, after, {
          line,
          silent: silentKey(file),
        })();
      };
  }
}

/** Values that the game passes over, or of which any is as good as another. */
function silentAt(file: string, at: Steps): string | undefined {
  const last = at.findLast((step) => typeof step === 'string') ?? '';
  if (file.startsWith('view/words/') && at[0] === 'texts') return 'any text is as good';
  if (file === 'pack.json' && /^(title|authors|license|version)$/.test(String(at[0])))
    return 'any text is as good';
  if (file.startsWith('view/models/') && /^(name|group)$/.test(last))
    return 'only its author reads it';
  if (last === 'number') return 'any free number is as good';
  return last === 'share' || last === 'luck' ? 'any weight is as good' : undefined;
}

/** A kind of tool with which nothing is dug may dig any tag. */
const silentTool = (files: Files, file: string, at: Steps): string | undefined =>
  file === 'rules/tools.json' &&
  at.at(-1) === 'tag' &&
  ![...files].some(
    ([name, bytes]) => name.startsWith('rules/blocks/') && textOf(bytes).includes(`"${at[1]}"`),
  )
    ? 'nothing is dug with it'
    : undefined;

const silentKey = (file: string): string | undefined =>
  file.startsWith('view/words/') ? 'any text may be there' : undefined;

/** Every value in a document that is no list and no object, and where it stands. */
function leavesOf(value: unknown, at: Steps = []): [Steps, unknown][] {
  if (value === null || typeof value !== 'object') return [[at, value]];
  return Object.entries(value).flatMap(([key, inner]) =>
    leavesOf(inner, [...at, Array.isArray(value) ? Number(key) : key]),
  );
}

function withValue(value: unknown, [step, ...rest]: Steps, after: unknown): unknown {
  if (step === undefined) return after;
  if (Array.isArray(value))
    return value.with(Number(step), withValue(value[Number(step)], rest, after));
  const record = value as Record<string, unknown>;
  return { ...record, [step]: withValue(record[step], rest, after) };
}

function withKey(value: unknown, [step, ...rest]: Steps, after: string): unknown {
  if (Array.isArray(value))
    return value.with(Number(step), withKey(value[Number(step)], rest, after));
  return Object.fromEntries(
    Object.entries(value as Record<string, unknown>).map(([key, inner]) =>
      key !== String(step)
        ? [key, inner]
        : rest.length
          ? [key, withKey(inner, rest, after)]
          : [after, inner],
    ),
  );
}
