import { itemAt } from '../lists/index.ts';
import { digestOf, type Files } from '../bytes/index.ts';
import {
  parseJson,
  pointer,
  printJson,
  withoutSchema,
  type JsonText,
  type Place,
} from '../json/index.ts';
import { decodePicture, pictureFacts, PictureProblem } from '../textures/index.ts';
import { readSound, SoundProblem } from '../sounds/index.ts';
import { didYouMean, closest } from '../words/index.ts';
import {
  bringEntryForward,
  currentEdition,
  editionOf,
  emptyMod,
  entrySchemas,
  inOrder,
  jsonFolders,
  namePatternOf,
  pathPattern,
  schemaProblems,
  type EntryKind,
  type Mod,
  type Sound,
} from '../mod/index.ts';

/**
 * Something wrong with a file as such: its place, and the rule under which inspection reports it.
 */
export interface FileProblem {
  file: string;
  place: Place;
  rule:
    | 'files/malformed-json'
    | 'files/key-twice'
    | 'files/does-not-fit'
    | 'files/unknown-file'
    | 'textures/unreadable'
    | 'files/missing';
  message: string;
}

export interface ModFolder {
  mod: Mod;
  problems: FileProblem[];
  /** Pictures and sounds by their SHA-256. */
  blobs: Map<string, Uint8Array>;
  /**
   * The file and place of a part of the mod, for findings:
   * `placeOf('/blocks/brine/traits/hardness')`.
   */
  placeOf: (path: string) => { file: string; place: Place } | undefined;
}

const start: Place = { line: 1, column: 1 };

/**
 * Reads a mod from the files of its folder. A file with a problem is left out and the problem told;
 * the rest is read all the same.
 */
export function readModFolder(files: Files): ModFolder {
  const mod = emptyMod('unnamed', 'Unnamed');
  mod.ledger = { entries: [], retired: [] };
  const problems: FileProblem[] = [];
  const blobs = new Map<string, Uint8Array>();
  const texts = new Map<string, { file: string; text: JsonText }>();
  const report = (file: string, rule: FileProblem['rule'], message: string, place = start) =>
    problems.push({ file, rule, message, place });

  const edition = editionIn(files);
  if (edition > currentEdition) {
    report(
      'mod.json',
      'files/does-not-fit',
      `The mod was written by a newer Obrank: its documents are of edition ${edition}, and this ` +
        `one knows editions up to ${currentEdition}. Open it with the newer one.`,
    );
    return { mod, problems, blobs, placeOf: () => undefined };
  }

  const readJson = (file: string, kind: keyof typeof entrySchemas, at: string): unknown => {
    const text = parseJson(new TextDecoder().decode(files.get(file)));
    for (const problem of text.problems)
      report(
        file,
        problem.kind === 'malformed' ? 'files/malformed-json' : 'files/key-twice',
        problem.message,
        problem.at,
      );
    if (text.value === undefined) return undefined;
    texts.set(at, { file, text });
    const document = bringEntryForward(kind, withoutSchema(text.value), edition);
    const fits = entrySchemas[kind].safeParse(document, { reportInput: true });
    if (fits.success) return fits.data;
    for (const { path, message } of schemaProblems(fits.error))
      report(
        file,
        'files/does-not-fit',
        path.length ? `${pointer(path)}: ${message}` : message,
        text.placeOf(pointer(path)),
      );
    return undefined;
  };
  const put = (kind: EntryKind, name: string, document: unknown) => {
    if (document !== undefined) (mod[kind] as Record<string, unknown>)[name] = document;
  };

  if (!files.has('mod.json'))
    report(
      'mod.json',
      'files/missing',
      'The folder has no mod.json, so it is not a mod: mod.json names the namespace, title ' +
        'and version.',
    );
  for (const file of [...files.keys()].sort()) {
    const dot = file.lastIndexOf('.');
    const stem = file.slice(0, Math.max(0, dot));
    const ending = file.slice(dot + 1);
    const kind = jsonFolders.find(([, folder]) => file.startsWith(`${folder}/`));
    if (file === 'mod.json')
      mod.header = (readJson(file, 'header', '/header') as Mod['header'] | undefined) ?? mod.header;
    else if (file === 'ledger.json')
      mod.ledger = (readJson(file, 'ledger', '/ledger') as Mod['ledger'] | undefined) ?? mod.ledger;
    else if (kind && ending === 'json') {
      const name = stem.slice(kind[1].length + 1);
      const pattern = namePatternOf(kind[0]);
      if (!pattern.test(name))
        report(
          file,
          'files/unknown-file',
          `The name "${name}" is not allowed: use lowercase letters, digits and underscores, ` +
            'beginning with a letter.',
        );
      else put(kind[0], name, readJson(file, kind[0], pointer([kind[0], name])));
    } else if (stem.startsWith('textures/') && ending === 'png') {
      if (!pathPattern.test(stem.slice(9)))
        report(
          file,
          'files/unknown-file',
          `The name "${stem.slice(9)}" is not allowed: use lowercase letters, digits and ` +
            'underscores, beginning with a letter.',
        );
      else readTexture(file, stem.slice(9));
    } else if (
      stem.startsWith('sounds/') &&
      (ending === 'wav' || ending === 'ogg') &&
      pathPattern.test(stem.slice(7))
    ) {
      const bytes = files.get(file)!;
      put('sounds', stem.slice(7), {
        sha256: keep(bytes),
        bytes: bytes.length,
        ...soundEntry(bytes, ending),
      });
      texts.set(pointer(['sounds', stem.slice(7)]), {
        file,
        text: { value: undefined, problems: [], placeOf: () => start },
      });
    } else if (
      !(file.startsWith('textures/') && file.endsWith('.strip.json')) &&
      !file.split('/').at(-1)!.startsWith('.') &&
      !/\.(md|txt)$/.test(file)
    ) {
      const first = itemAt(file.split('/'), 0);
      const near = closest(first, [
        'mod.json',
        'ledger.json',
        'textures',
        'sounds',
        'tags',
        ...jsonFolders.map(([, folder]) => itemAt(folder.split('/'), 0)),
      ]);
      report(
        file,
        'files/unknown-file',
        `Nothing in a mod folder is kept at this path.${near === first ? '' : didYouMean(near)}`,
      );
    }
  }
  return {
    mod,
    problems,
    blobs,
    placeOf(path) {
      for (const [at, { file, text }] of texts)
        if (path === at || path.startsWith(`${at}/`))
          return { file, place: text.placeOf(path.slice(at.length)) };
      return undefined;
    },
  };

  function keep(bytes: Uint8Array): string {
    const digest = digestOf(bytes);
    blobs.set(digest, bytes);
    return digest;
  }

  function readTexture(file: string, name: string): void {
    const bytes = files.get(file)!;
    try {
      const picture = {
        sha256: keep(bytes),
        bytes: bytes.length,
        ...pictureFacts(decodePicture(bytes)),
      };
      const stripFile = `textures/${name}.strip.json`;
      const texture: Record<string, unknown> = { picture };
      if (files.has(stripFile)) {
        const text = parseJson(new TextDecoder().decode(files.get(stripFile)));
        for (const problem of text.problems)
          report(
            stripFile,
            problem.kind === 'malformed' ? 'files/malformed-json' : 'files/key-twice',
            problem.message,
            problem.at,
          );
        texture['strip'] = withoutSchema(text.value);
      }
      const document = bringEntryForward('textures', texture, edition);
      const fits = entrySchemas.textures.safeParse(document, { reportInput: true });
      if (fits.success) put('textures', name, fits.data);
      else
        for (const { path, message } of schemaProblems(fits.error))
          report(stripFile, 'files/does-not-fit', `${pointer(path.slice(1))}: ${message}`);
      texts.set(pointer(['textures', name]), {
        file,
        text: { value: undefined, problems: [], placeOf: () => start },
      });
    } catch (error) {
      if (!(error instanceof PictureProblem)) throw error;
      report(file, 'textures/unreadable', error.message);
    }
  }
}

/** The edition that mod.json says; the current one when it cannot be read, which is told elsewhere. */
function editionIn(files: Files): number {
  const { value } = parseJson(new TextDecoder().decode(files.get('mod.json')));
  return editionOf(value) ?? currentEdition;
}

/**
 * The facts of a sound, or why it cannot be read: the rest of the mod can be worked on all the
 * same.
 */
function soundEntry(bytes: Uint8Array, format: 'wav' | 'ogg'): Omit<Sound, 'sha256' | 'bytes'> {
  try {
    const facts = readSound(bytes);
    return facts.format === format
      ? facts
      : {
          format,
          problem:
            `It is named .${format}, but it is ${facts.format === 'wav' ? 'a WAV' : 'an Ogg'} ` +
            'file.',
        };
  } catch (error) {
    if (error instanceof SoundProblem) return { format, problem: error.message };
    throw error;
  }
}

/**
 * A mod as the files of its folder: one JSON file an entry, pictures and sounds beside. Throws when
 * a blob is not given.
 */
export function writeModFolder(given: Mod, blob: (sha256: string) => Uint8Array): Files {
  const mod = inOrder(given);
  const files: Files = new Map();
  const text = (path: string, value: unknown) =>
    files.set(path, new TextEncoder().encode(printJson(value)));
  text('mod.json', mod.header);
  text('ledger.json', mod.ledger);
  for (const [kind, folder] of jsonFolders)
    for (const [name, entry] of Object.entries(mod[kind])) text(`${folder}/${name}.json`, entry);
  for (const [name, { picture, strip }] of Object.entries(mod.textures)) {
    files.set(`textures/${name}.png`, blob(picture.sha256));
    if (strip) text(`textures/${name}.strip.json`, strip);
  }
  for (const [name, sound] of Object.entries(mod.sounds))
    files.set(`sounds/${name}.${sound.format}`, blob(sound.sha256));
  return new Map([...files].sort(([a], [b]) => (a < b ? -1 : 1)));
}
