import { zipSync } from 'fflate';
import { crc32 } from './crc.ts';
import { InflateProblem, inflateWithin } from './inflate.ts';

/** Files by their path, with forward slashes, relative to their folder. */
export type Files = Map<string, Uint8Array>;

/** Why an archive was refused, in one sentence. */
export class ZipProblem extends Error {
  override name = 'ZipProblem';
}

/** Bounds of what is unpacked, so that a small archive cannot fill the memory. */
export interface ZipBounds {
  files: number;
  bytes: number;
}
export const usualBounds: ZipBounds = { files: 50_000, bytes: 256 * 1024 * 1024 };

/** The earliest time that a ZIP can hold: the same on every run and machine. */
const fixedTime = new Date(1980, 0, 1);

/** Files as a ZIP (APPNOTE 6.3.3). The same files give the same bytes. */
export const writeZip = (files: Files): Uint8Array =>
  zipSync(
    Object.fromEntries(
      [...files].map(
        ([path, bytes]) => [path, [bytes, { level: /\.(png|ogg)$/.test(path) ? 0 : 6 }]] as const,
      ),
    ),
    { mtime: fixedTime },
  );

/** One file as the directory of an archive tells of it. */
interface Entry {
  name: string;
  method: number;
  packed: number;
  size: number;
  checksum: number;
  at: number;
  isLocked: boolean;
}

const marks = { entry: 0x02014b50, file: 0x04034b50, end: 0x06054b50 } as const;
const endLength = 22;
const maxComment = 0xffff;

/**
 * The files of a ZIP, folders left out (APPNOTE 6.3.3, stored and deflated files). Paths, sizes and
 * places are checked from the directory of the archive before anything is unpacked; no file is
 * unpacked beyond the size that it says, and no byte belongs to two files. Throws a {@link
 * ZipProblem}.
 */
export function readZip(bytes: Uint8Array, bounds: ZipBounds = usualBounds): Files {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const entries = directory(view, bytes, bounds);
  refuseUnfit(entries, bounds);
  const files: Files = new Map();
  let free = 0;
  for (const entry of [...entries].sort((a, b) => a.at - b.at)) {
    const from = dataOf(view, entry);
    if (entry.at < free)
      throw new ZipProblem(
        `Two files of the archive share the same bytes, "${entry.name}" among them. Nothing ` +
          'was unpacked.',
      );
    free = from + entry.packed;
    files.set(entry.name, unpack(entry, bytes.subarray(from, free)));
  }
  return new Map(entries.map(({ name }) => [name, files.get(name) ?? new Uint8Array()]));
}

const notWhole = (why: string): ZipProblem =>
  new ZipProblem(`This is not a whole ZIP archive: ${why}.`);

/** The place of the record that ends an archive; only a comment may follow it. */
function endOf(view: DataView): number {
  const least = Math.max(0, view.byteLength - endLength - maxComment);
  for (let at = view.byteLength - endLength; at >= least; at -= 1)
    if (
      view.getUint32(at, true) === marks.end &&
      at + endLength + view.getUint16(at + 20, true) <= view.byteLength
    )
      return at;
  throw notWhole('its directory is missing');
}

function directory(view: DataView, bytes: Uint8Array, bounds: ZipBounds): Entry[] {
  const end = endOf(view);
  const [count, length, from] = [
    view.getUint16(end + 10, true),
    view.getUint32(end + 12, true),
    view.getUint32(end + 16, true),
  ];
  if (count === 0xffff || from === 0xffffffff)
    throw new ZipProblem(
      'The archive is in the form for very large archives, which packs do not need. Pack it ' +
        'again without.',
    );
  if (count > bounds.files) throw tooMany(bounds);
  if (from + length > end) throw notWhole('its directory lies outside of it');
  const entries: Entry[] = [];
  for (let at = from, left = count; left > 0; left -= 1) {
    if (at + 46 > end || view.getUint32(at, true) !== marks.entry)
      throw notWhole('its directory is damaged');
    const [nameLength, extra, comment] = [
      view.getUint16(at + 28, true),
      view.getUint16(at + 30, true),
      view.getUint16(at + 32, true),
    ];
    if (at + 46 + nameLength > end) throw notWhole('its directory is damaged');
    const name = nameOf(bytes.subarray(at + 46, at + 46 + nameLength));
    if (!name.endsWith('/'))
      entries.push({
        name,
        isLocked: (view.getUint16(at + 8, true) & 1) === 1,
        method: view.getUint16(at + 10, true),
        checksum: view.getUint32(at + 16, true),
        packed: view.getUint32(at + 20, true),
        size: view.getUint32(at + 24, true),
        at: view.getUint32(at + 42, true),
      });
    at += 46 + nameLength + extra + comment;
  }
  return entries;
}

/** Names are UTF-8; what is none is read by its bytes, and refused for what it then is. */
function nameOf(bytes: Uint8Array): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    throw new ZipProblem(
      'The archive holds a file whose name is not text in UTF-8. Nothing was unpacked.',
    );
  }
}

const tooMany = (bounds: ZipBounds): ZipProblem =>
  new ZipProblem(`The archive holds more than ${bounds.files} files. Nothing was unpacked.`);

function refuseUnfit(entries: readonly Entry[], bounds: ZipBounds): void {
  const names = new Set<string>();
  let total = 0;
  for (const { name, method, packed, size, isLocked } of entries) {
    const why = unsafePath(name);
    if (why)
      throw new ZipProblem(
        `The archive holds "${name.slice(0, 200)}", ${why}. Nothing was unpacked.`,
      );
    if (names.has(name))
      throw new ZipProblem(`The archive holds "${name}" twice. Nothing was unpacked.`);
    names.add(name);
    if (isLocked)
      throw new ZipProblem(
        `"${name}" in the archive is locked with a password. Nothing was unpacked.`,
      );
    if (method !== 0 && method !== 8)
      throw new ZipProblem(
        `"${name}" in the archive is packed by method ${method}; only stored and deflated ` +
          'files are read. Nothing was unpacked.',
      );
    if (method === 0 && packed !== size)
      throw new ZipProblem(
        `"${name}" in the archive has another size than it says. Nothing was unpacked.`,
      );
    total += size;
    if (total > bounds.bytes)
      throw new ZipProblem(
        `The archive unpacks to more than ${Math.round(bounds.bytes / 1048576)} MB. Nothing ` +
          'was unpacked.',
      );
  }
  if (entries.length > bounds.files) throw tooMany(bounds);
}

/** Where the bytes of a file begin. */
function dataOf(view: DataView, { name, at, packed }: Entry): number {
  if (at + 30 > view.byteLength || view.getUint32(at, true) !== marks.file)
    throw notWhole(`"${name}" is not where its directory says`);
  const from = at + 30 + view.getUint16(at + 26, true) + view.getUint16(at + 28, true);
  if (from + packed > view.byteLength) throw notWhole(`"${name}" is cut short`);
  return from;
}

function unpack({ name, method, size, checksum }: Entry, packed: Uint8Array): Uint8Array {
  let unpacked = packed;
  if (method === 8) {
    try {
      unpacked = inflateWithin([packed], size);
    } catch (error) {
      if (!(error instanceof InflateProblem)) throw error;
      throw new ZipProblem(
        error.kind === 'damaged'
          ? `"${name}" in the archive is damaged and cannot be unpacked.`
          : `"${name}" in the archive unpacks to ${error.kind} than it says.`,
      );
    }
  }
  if (crc32(unpacked) !== checksum)
    throw new ZipProblem(`"${name}" in the archive is damaged: its checksum is another one.`);
  return unpacked;
}

/**
 * Paths of which one look says that nothing is wrong with them: steps of lowercase letters, digits
 * and underscores that no system reserves, and an ending.
 */
const isPlain =
  /^(?!.*(^|\/)(con|prn|aux|nul|com[1-9]|lpt[1-9])([./]|$))[a-z0-9_]+(\/[a-z0-9_]+)*(\.[a-z0-9]+)*$/;

/**
 * Why a path must not be used inside a pack; undefined when it may. The words follow "…holds
 * "path", ".
 */
export function unsafePath(path: string): string | undefined {
  if (isPlain.test(path) && path.length <= 200) return undefined;
  if (path === '' || path.length > 200) return 'a path that is empty or longer than 200 characters';
  if (path.startsWith('/') || /^[A-Za-z]:/.test(path))
    return 'a path that begins at the root of a disk';
  if (path.includes('\\')) return 'a path with a backslash';
  if (/[\u0000-\u001f<>:"|?*]/.test(path))
    return 'a path with characters that some systems cannot hold';
  for (const part of path.split('/')) {
    if (part === '..') return 'a path that leaves the pack';
    if (part === '' || part === '.') return 'a path with an empty step';
    if (/[. ]$/.test(part)) return 'a path with a step that ends in a dot or a space';
    if (/^(con|prn|aux|nul|com[1-9]|lpt[1-9])(\.|$)/i.test(part))
      return 'a path with a name that some systems reserve';
  }
  return undefined;
}
