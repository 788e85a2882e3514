import { type Files } from '../bytes/index.ts';
import { decoded } from '../mend/index.ts';
import { parseJson, pointer, withoutSchema, type Place } from '../json/index.ts';
import { itemAt } from '../lists/index.ts';
import {
  besidePictures,
  currentEdition,
  editionOf,
  HeaderSchema,
  jsonFolders,
  namePatternOf,
  pathPattern,
  type Mod,
  type Sound,
} from '../mod/index.ts';
import { soundEntry } from '../sounds/index.ts';
import { pictureEntry, PictureProblem } from '../textures/index.ts';
import { closest, didYouMean } from '../words/index.ts';
import { keptFolder, keptIn, keptProblem, pictureFile } from './kept.ts';
import { kitPart, type KitPart } from './kits.ts';
import { FolderReader, type FileProblem, type UnreadEntry } from './reader.ts';

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
  /** What is there and was left out because it could not be read. */
  unread: readonly UnreadEntry[];
}

/**
 * Reads a mod from the files of its folder. A file with a problem is left out and the problem told;
 * the rest is read all the same. Where it goes on, so is a text whose mistakes leave no doubt what
 * was meant.
 *
 * @example readModFolder(new Map([['mod.json', bytes]])).problems // []
 */
export function readModFolder(files: Files, { goesOn = false } = {}): ModFolder {
  const edition = editionIn(files);
  const reader = new FolderReader(files, edition, goesOn);
  if (edition > currentEdition || !files.has('mod.json')) reader.putWhole('header', undefined);
  if (edition > currentEdition)
    reader.report(
      'mod.json',
      'files/does-not-fit',
      `The mod was written by a newer Obrank: its documents are of edition ${edition}, and this ` +
        `one knows editions up to ${currentEdition}. Open it with the newer one.`,
    );
  else {
    if (!files.has('mod.json'))
      reader.report(
        'mod.json',
        'files/missing',
        'The folder has no mod.json, so it is not a mod: mod.json names the namespace, title ' +
          'and version.',
      );
    for (const file of [...files.keys()].sort()) readFile(reader, file);
    takeKept(reader, files);
    takePicture(reader, files);
  }
  const { mod, problems, blobs, unread } = reader;
  return { mod, problems, blobs, unread, placeOf: (path) => reader.placeOf(path) };
}

/** The edition that mod.json says; the current one when it cannot be read, which is told elsewhere. */
export function editionIn(files: Files): number {
  const { value } = parseJson(decoded(files.get('mod.json')), { goesOn: true });
  return editionOf(value) ?? currentEdition;
}

/** Reads one file into the mod, by where it lies and how it ends. */
function readFile(reader: FolderReader, file: string): void {
  const dot = file.lastIndexOf('.');
  const stem = file.slice(0, Math.max(0, dot));
  const ending = file.slice(dot + 1);
  const folder = jsonFolders.find(([, name]) => file.startsWith(`${name}/`));
  const kit = kitPart(file);
  if (file === 'mod.json') reader.putWhole('header', reader.documentOf(file, 'header', '/header'));
  else if (file === 'ledger.json')
    reader.putWhole('ledger', reader.documentOf(file, 'ledger', '/ledger'));
  else if (kit) readKitPart(reader, file, kit);
  else if (folder && ending === 'json')
    readEntry(reader, file, folder[0], stem.slice(folder[1].length + 1));
  else if (stem.startsWith('textures/') && ending === 'png')
    readTexture(reader, file, stem.slice('textures/'.length));
  else if (stem.startsWith('sounds/') && (ending === 'wav' || ending === 'ogg'))
    readSoundFile(reader, file, stem.slice('sounds/'.length), ending);
  else if (file !== pictureFile && !file.startsWith(keptFolder) && !mayLieThere(file))
    reportUnknown(reader, file);
}

/** Takes in what a build only carries along. */
function takeKept(reader: FolderReader, files: Files): void {
  const kept = keptIn(files);
  const problem = keptProblem(kept);
  const [first = ''] = Object.keys(kept ?? {});
  if (problem) reader.report(keptFolder + first, 'files/unknown-file', `In kept/: ${problem}.`);
  // What mod.json itself says of such files is nothing: they say what they are.
  const { kept: _, picture: __, ...header } = reader.mod.header;
  reader.mod.header = header;
  if (!kept || problem) return;
  reader.mod.header = { ...header, kept };
  for (const [path, { sha256 }] of Object.entries(kept))
    reader.keep(sha256, reader.bytesOf(keptFolder + path));
}

/** Takes in the picture of the mod. */
function takePicture(reader: FolderReader, files: Files): void {
  if (!files.has(pictureFile)) return;
  const bytes = reader.bytesOf(pictureFile);
  try {
    const picture = pictureEntry(bytes);
    const problem = HeaderSchema.shape.picture.safeParse(picture).error?.issues[0]?.message;
    if (problem) reader.report(pictureFile, 'files/does-not-fit', `${firstUpper(problem)}.`);
    else {
      reader.mod.header = { ...reader.mod.header, picture };
      reader.keep(picture.sha256, bytes);
    }
  } catch (error) {
    if (!(error instanceof PictureProblem)) throw error;
    reader.report(pictureFile, 'textures/unreadable', error.message);
  }
}

const firstUpper = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** Whether a name is allowed; one that is not is reported. */
function isAllowed(reader: FolderReader, file: string, name: string, pattern: RegExp): boolean {
  if (pattern.test(name)) return true;
  reader.report(
    file,
    'files/unknown-file',
    `The name "${name}" is not allowed: use lowercase letters, digits and underscores, ` +
      'beginning with a letter.',
  );
  return false;
}

type JsonKind = (typeof jsonFolders)[number][0];

function readEntry(reader: FolderReader, file: string, kind: JsonKind, name: string): void {
  if (!isAllowed(reader, file, name, namePatternOf(kind))) return;
  reader.put(kind, name, reader.documentOf(file, kind, pointer([kind, name])));
}

/** A kit, or one of its texts: a template, or what it is expected to write. */
function readKitPart(reader: FolderReader, file: string, { kind, name }: KitPart): void {
  if (!namePatternOf(kind).test(name)) reader.report(file, 'files/unknown-file', oddKit);
  else if (kind === 'kits')
    reader.put(kind, name, reader.documentOf(file, kind, pointer([kind, name])));
  else readKitText(reader, file, name);
}

function readKitText(reader: FolderReader, file: string, name: string): void {
  const kind = 'kitFiles';
  const bytes = reader.bytesOf(file);
  const text = textIn(bytes);
  if (text === undefined) reader.report(file, 'files/does-not-fit', 'This is no text in UTF-8.');
  reader.put(
    kind,
    name,
    text === undefined
      ? undefined
      : reader.fitting(kind, { text }, ({ message }) =>
          reader.report(file, 'files/does-not-fit', message),
        ),
  );
  reader.standsIn(file, kind, name);
}

const oddKit =
  'A kit lies in kits/ under a name such as tidal-engine, and its files have letters, digits, ' +
  'dots, dashes and underscores in their names.';

/** The text of a file; undefined for bytes that are none in UTF-8. */
function textIn(bytes: Uint8Array): string | undefined {
  try {
    return new TextDecoder('utf-8', { fatal: true, ignoreBOM: true }).decode(bytes);
  } catch {
    return undefined;
  }
}

/** A picture, with its strip and how it was made where files beside it say so. */
function readTexture(reader: FolderReader, file: string, name: string): void {
  if (!isAllowed(reader, file, name, pathPattern)) return;
  const bytes = reader.bytesOf(file);
  const fileOf = (part: string) => `textures/${name}.${part}.json`;
  try {
    const picture = pictureEntry(bytes);
    reader.keep(picture.sha256, bytes);
    const given: Record<string, unknown> = { picture };
    for (const part of besidePictures)
      if (reader.has(fileOf(part))) given[part] = withoutSchema(reader.textOf(fileOf(part)).value);
    const texture = reader.fitting('textures', given, ({ path: [part, ...path], message }) =>
      reader.report(fileOf(String(part)), 'files/does-not-fit', `${pointer(path)}: ${message}`),
    );
    reader.put('textures', name, texture);
    reader.standsIn(file, 'textures', name);
  } catch (error) {
    if (!(error instanceof PictureProblem)) throw error;
    reader.report(file, 'textures/unreadable', error.message);
    reader.put('textures', name, undefined);
  }
}

function readSoundFile(
  reader: FolderReader,
  file: string,
  name: string,
  ending: Sound['format'],
): void {
  if (!isAllowed(reader, file, name, pathPattern)) return;
  const bytes = reader.bytesOf(file);
  const sound = soundEntry(bytes, ending);
  reader.keep(sound.sha256, bytes);
  reader.put('sounds', name, sound);
  reader.standsIn(file, 'sounds', name);
}

/** What is said of pictures is read with them; hidden files and words about the mod are nobody's business. */
const mayLieThere = (file: string): boolean =>
  (file.startsWith('textures/') && besidePictures.some((part) => file.endsWith(`.${part}.json`))) ||
  (file.split('/').at(-1) ?? '').startsWith('.') ||
  /\.(md|txt)$/.test(file);

/** Says of a file that nothing is kept there, and where it may have been meant to lie. */
function reportUnknown(reader: FolderReader, file: string): void {
  const first = itemAt(file.split('/'), 0);
  const near = closest(first, [
    'mod.json',
    'ledger.json',
    'textures',
    'sounds',
    'tags',
    'kits',
    ...jsonFolders.map(([, folder]) => itemAt(folder.split('/'), 0)),
  ]);
  const isNear = near !== undefined && near !== first;
  const movesTo = isNear ? near + file.slice(first.length) : file;
  const meant = jsonFolders.find(([, folder]) => movesTo.startsWith(`${folder}/`));
  if (isNear && meant && movesTo.endsWith('.json'))
    reader.put(meant[0], movesTo.slice(meant[1].length + 1, -'.json'.length), undefined);
  reader.report(
    file,
    'files/unknown-file',
    `Nothing in a mod folder is kept at this path.${isNear ? didYouMean(near) : ''}`,
    undefined,
    isNear && !reader.has(movesTo)
      ? { title: `Move it to ${movesTo}`, files: [{ file, movesTo }] }
      : undefined,
  );
}
