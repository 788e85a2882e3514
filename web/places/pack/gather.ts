import { usualBounds } from '../../../core/bytes/index.ts';
import type { PackSource } from '../../workers/pack-protocol.ts';

const bytesOf = async (file: File): Promise<Uint8Array> => new Uint8Array(await file.arrayBuffer());

/** A pack as one file. */
export const fromFile = async (file: File): Promise<PackSource> => ({
  name: file.name,
  archive: await bytesOf(file),
});

/** A file with its path below the folder that was chosen. */
type Found = [path: string, file: File];

/** A pack from the files of a chosen folder; hidden ones are left out. Throws what is too much. */
export async function fromFolder(name: string, found: readonly Found[]): Promise<PackSource> {
  const seen = found.filter(([path]) => !/(^|\/)\./.test(path));
  const total = seen.reduce((sum, [, { size }]) => sum + size, 0);
  if (seen.length > usualBounds.files || total > usualBounds.bytes)
    throw new Error(
      `${name} holds more than ${usualBounds.files.toLocaleString('en')} files or ` +
        `${usualBounds.bytes / 1024 / 1024} MB, so it is no pack.`,
    );
  const files: [string, Uint8Array][] = [];
  for (const [path, file] of seen) files.push([path, await bytesOf(file)]);
  return { name, files };
}

/** What a folder picker gives: each file knows its path, with the folder's own name before it. */
export const fromPicked = (list: readonly File[]): Promise<PackSource> => {
  const [top = 'The folder'] = (list[0]?.webkitRelativePath ?? '').split('/');
  return fromFolder(
    top,
    list.map((file) => [file.webkitRelativePath.slice(top.length + 1), file]),
  );
};

/**
 * What was dropped on the page: a file, or a folder with all that is in it. Called while the drop is
 * handled; the browser forgets afterwards. Rejects with a sentence.
 */
export function fromDrop({ items, files }: DataTransfer): Promise<PackSource> {
  const entries = [...items].flatMap((item) => item.webkitGetAsEntry() ?? []);
  const [file] = files;
  const [first] = entries;
  if (first?.isDirectory) return walked(first as FileSystemDirectoryEntry);
  if (file) return fromFile(file);
  return Promise.reject(new Error('Drop a folder, or a file that ends in .obpack or .zip.'));
}

async function walked(folder: FileSystemDirectoryEntry): Promise<PackSource> {
  const found: Found[] = [];
  const walk = async (at: FileSystemDirectoryEntry, below: string): Promise<void> => {
    for (const entry of await entriesOf(at)) {
      if (found.length > usualBounds.files) return;
      const path = `${below}${entry.name}`;
      if (entry.isDirectory) await walk(entry as FileSystemDirectoryEntry, `${path}/`);
      else found.push([path, await fileOf(entry as FileSystemFileEntry)]);
    }
  };
  await walk(folder, '');
  return fromFolder(folder.name, found);
}

/** All entries of a folder: the browser gives them a hundred at a time. */
async function entriesOf(folder: FileSystemDirectoryEntry): Promise<FileSystemEntry[]> {
  const reader = folder.createReader();
  const all: FileSystemEntry[] = [];
  for (;;) {
    const some = await new Promise<FileSystemEntry[]>((resolve, reject) =>
      reader.readEntries(resolve, reject),
    );
    if (!some.length) return all;
    all.push(...some);
  }
}

const fileOf = (entry: FileSystemFileEntry): Promise<File> =>
  new Promise((resolve, reject) => entry.file(resolve, reject));
