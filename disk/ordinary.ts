import { constants } from 'node:fs';
import { open } from 'node:fs/promises';
import { DiskProblem, inWords, shown } from './problem.ts';

const mebibyte = 1024 * 1024;
/** Absent on systems that know no such flag. */
const {
  O_RDONLY,
  O_NOFOLLOW = 0,
  O_NONBLOCK = 0,
}: Partial<typeof constants> & Pick<typeof constants, 'O_RDONLY'> = constants;

/**
 * The bytes of an ordinary file of at most so many bytes. Never waits for a writer, as reading a
 * pipe would, and never reads on for ever, as from a device. Links are followed only where that is
 * asked for. Throws a {@link DiskProblem}.
 *
 * @example await readOrdinary('/home/ada/pack/pack.json', 1_000_000)
 */
export async function readOrdinary(
  file: string,
  maxBytes: number,
  { followLink = false } = {},
): Promise<Buffer> {
  let handle;
  try {
    handle = await open(file, O_RDONLY | O_NONBLOCK | (followLink ? 0 : O_NOFOLLOW));
    const found = await handle.stat();
    if (!found.isFile())
      throw new DiskProblem(`${shown(file)} is not an ordinary file, so it is not read.`);
    if (found.size > maxBytes) throw new DiskProblem(tooLarge(file, maxBytes));
    const bytes = Buffer.alloc(found.size);
    let length = 0;
    while (length < bytes.length) {
      const { bytesRead } = await handle.read(bytes, length, bytes.length - length, length);
      if (bytesRead === 0) break;
      length += bytesRead;
    }
    return bytes.subarray(0, length);
  } catch (error) {
    throw inWords(error, file);
  } finally {
    await handle?.close();
  }
}

export const tooLarge = (file: string, maxBytes: number): string =>
  `${shown(file)} is larger than ${maxBytes / mebibyte} MB, so it is not read.`;
