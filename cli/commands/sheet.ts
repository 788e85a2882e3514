import path from 'node:path';
import {
  compareSheets,
  drawSheet,
  sheetCells,
  sheetColumns,
  sheetProblem,
  texturePixels,
} from '../../core/draw/index.ts';
import { expandFamilies } from '../../core/families/index.ts';
import { readModFolder } from '../../core/folder/index.ts';
import {
  decodePicture,
  encodePicture,
  PictureProblem,
  type Pixels,
} from '../../core/textures/index.ts';
import { count } from '../../core/words/index.ts';
import {
  DiskProblem,
  inWords as sayWhy,
  maxBytes,
  readModOrPack,
  readOrdinary,
  shown,
  writeNew,
} from '../../disk/index.ts';

export interface SheetOptions {
  block?: string;
  out: string;
  size: string;
  columns?: string;
  tick: string;
  against?: string;
  overwrite?: boolean;
}

/**
 * Draws a contact sheet of a mod folder: every state of one block, or every block. With `against`
 * an earlier sheet is laid over it, the pixels that differ are marked, and the exit code is 1 when
 * there are any.
 */
export async function sheet(folder: string, options: SheetOptions): Promise<number> {
  const { kind, files } = await readModOrPack(folder);
  if (kind !== 'mod')
    throw new DiskProblem(
      `${shown(folder)} is a pack. Give the folder of a mod, the one with mod.json.`,
    );
  if (!options.out.endsWith('.png'))
    throw new DiskProblem(`${shown(options.out)} must end in .png.`);
  const size = wholeNumber('--size', options.size, 8, 512);
  const tick = wholeNumber('--tick', options.tick, 0, 1_000_000);
  const { mod: declared, blobs } = readModFolder(files);
  const mod = expandFamilies(declared);
  const cells = refusing(() => sheetCells(mod, options.block));
  const columns =
    options.columns === undefined
      ? sheetColumns(mod, cells)
      : wholeNumber('--columns', options.columns, 1, 1024);
  const problem = sheetProblem(cells.length, { size, columns });
  if (problem) throw new DiskProblem(problem);
  const drawn = drawSheet(mod, cells, {
    size,
    columns,
    pixelsOf: texturePixels(mod, (sha256) => blobs.get(sha256), undefined, tick),
  });
  const made =
    `${count(cells.length, options.block === undefined ? 'block' : 'state')} in ` +
    count(columns, 'column');
  if (options.against === undefined) {
    await write(options.out, drawn, options.overwrite);
    console.log(`${shown(options.out)}: ${made}, ${drawn.width} × ${drawn.height} pixels.`);
    return 0;
  }
  const before = await picture(options.against);
  const { pixels, differing, cells: marked } = refusing(() => compareSheets(drawn, before, size));
  await write(options.out, pixels, options.overwrite);
  const where = marked
    .slice(0, 8)
    .map((index) => `row ${Math.floor(index / columns) + 1}, column ${(index % columns) + 1}`)
    .join('; ');
  console.log(
    differing
      ? `${shown(options.out)}: ${count(differing, 'pixel')} in ` +
          `${count(marked.length, 'picture')} of ${made} differ from ${shown(options.against)}: ` +
          `${where}${marked.length > 8 ? ' and more' : ''}.`
      : `${shown(options.out)}: ${made}, the same as ${shown(options.against)}.`,
  );
  return differing ? 1 : 0;
}

function wholeNumber(flag: string, given: string, least: number, most: number): number {
  const value = Number(given);
  if (!/^\d+$/.test(given) || value < least || value > most)
    throw new DiskProblem(`${flag} must be a whole number from ${least} to ${most}, not ${given}.`);
  return value;
}

/** Says what core refuses as what a person did wrong. */
function refusing<T>(work: () => T): T {
  try {
    return work();
  } catch (error) {
    if (error instanceof RangeError) throw new DiskProblem(error.message);
    throw error;
  }
}

async function picture(file: string): Promise<Pixels> {
  try {
    return decodePicture(await readOrdinary(file, maxBytes, { followLink: true }));
  } catch (error) {
    throw error instanceof PictureProblem
      ? new DiskProblem(`${shown(file)}: ${error.message}`)
      : sayWhy(error, file);
  }
}

const write = (file: string, pixels: Pixels, overwrite = false): Promise<void> =>
  writeNew(path.dirname(file), new Map([[path.basename(file), encodePicture(pixels)]]), overwrite);
