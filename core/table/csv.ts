import { itemAt } from '../lists/index.ts';
import Papa from 'papaparse';
import { pointer } from '../json/index.ts';
import {
  isTraitRows,
  lookUp,
  resolveBlock,
  resolveBlocks,
  sameData,
  TraitsSchema,
  type Change,
  type Mod,
  type TraitName,
  type Traits,
} from '../mod/index.ts';
import { closest, didYouMean } from '../words/index.ts';
import { columns, traitOf } from './columns.ts';
import { writtenValue } from './read-cell.ts';

/**
 * Every block and its traits as CSV (RFC 4180), a line a block. Values by state are their rows as
 * JSON.
 */
export function writeCsv(mod: Mod): string {
  const rows = resolveBlocks(mod).map((block) => [
    block.name,
    ...columns.map(({ trait }) => cellOf(traitOf(block, trait))),
  ]);
  return `${Papa.unparse([['block', ...columns.map(({ trait }) => trait)], ...rows], { newline: '\r\n' })}\r\n`;
}

/** A trait as a cell of the file. */
const cellOf = (value: Traits[TraitName]): string =>
  isTraitRows(value) ? JSON.stringify(value) : String(value);

/** What a CSV file would change, and what is wrong with it, by its line; lines count from 1. */
export interface CsvPlan {
  changed: {
    line: number;
    block: string;
    trait: TraitName;
    before: Traits[TraitName];
    after: Traits[TraitName];
  }[];
  problems: { line: number; message: string }[];
  changes: Change[];
}

/** Larger files are no table of traits. */
const maxLength = 8_000_000;

/**
 * Reads a table of traits. Only cells that differ from what the block has become changes; a column
 * that is not there and an empty cell change nothing. A line with something wrong in it is named
 * and changes nothing at all.
 *
 * @example readCsv(mod, 'block,hardness\r\nsalt_crust,2\r\n').changed
 * // [{ line: 2, block: 'salt_crust', trait: 'hardness', before: 1.2, after: 2 }]
 */
export function readCsv(mod: Mod, file: Uint8Array | string): CsvPlan {
  const plan: CsvPlan = { changed: [], problems: [], changes: [] };
  const refused = (message: string): CsvPlan => ({ ...plan, problems: [{ line: 1, message }] });
  if (file.length > maxLength) return refused('The file is too large to be a table of traits.');
  const text = typeof file === 'string' ? file.replace(/^\uFEFF/, '') : csvText(file);
  if (text === undefined)
    return refused('The file is neither UTF-8 nor UTF-16 text. Save it as CSV in UTF-8.');
  const delimiter = delimiterOf(text);
  const all = linesOf(text, delimiter);
  const lines = separatorLine.test(text) ? all.slice(1) : all;
  const head = lines[0];
  if (!head || head.cells.every((cell) => cell.trim() === ''))
    return {
      ...plan,
      problems: [
        {
          line: 1,
          message:
            'The file is empty. Its first line must name the columns: block, hardness and so on.',
        },
      ],
    };
  const traits = head.cells.map((cell) => columnNamed(cell.trim()));
  const at = traits.indexOf('block');
  if (at < 0)
    plan.problems.push({
      line: head.line,
      message: 'No column is called block, so nobody knows which line is which block.',
    });
  traits.forEach((trait, i) => {
    if (trait === 'block' ? traits.indexOf('block') !== i : traits.indexOf(trait) !== i)
      plan.problems.push({ line: head.line, message: `The column ${trait} is there twice.` });
    else if (trait !== 'block' && !columns.some((column) => column.trait === trait))
      plan.problems.push({
        line: head.line,
        message: `There is no trait called ${trait || 'nothing'}.${didYouMean(
          closest(
            trait,
            columns.map((column) => column.trait),
          ),
        )}`,
      });
  });
  if (plan.problems.length) return plan;
  const seen = new Map<string, number>();
  for (const { cells, line, problem } of lines.slice(1)) {
    if (problem) plan.problems.push({ line, message: problem });
    else if (cells.length === 1 && itemAt(cells, 0).trim() === '') continue;
    else if (cells.length !== traits.length)
      plan.problems.push({
        line,
        message: `It has ${cells.length} cells, the first line has ${traits.length}.`,
      });
    else
      readLine(
        mod,
        plan,
        {
          line,
          name: itemAt(cells, at).trim(),
          cells: cells.flatMap((cell, i): [TraitName, string][] =>
            i === at || cell.trim() === ''
              ? []
              : [[traits[i] as TraitName, decimal(cell.trim(), delimiter)]],
          ),
        },
        seen,
      );
  }
  return plan;
}

function readLine(
  mod: Mod,
  plan: CsvPlan,
  { line, name, cells }: { line: number; name: string; cells: [TraitName, string][] },
  seen: Map<string, number>,
): void {
  const declared = lookUp(mod.blocks, name);
  const say = (message: string) => plan.problems.push({ line, message });
  if (!declared)
    return void say(
      'There is no block called ' +
        `${name || 'nothing'}.${didYouMean(closest(name, Object.keys(mod.blocks)))}`,
    );
  if (seen.has(name)) return void say(`${name} is already on line ${seen.get(name)}.`);
  seen.set(name, line);
  const block = resolveBlock(mod, name, declared);
  // Nearly all cells of a table that was taken out and in again are as they were: these need no
  // closer look.
  const read = cells
    .filter(([trait, cell]) => cell !== cellOf(traitOf(block, trait)))
    .map(([trait, cell]) => ({
      trait,
      cell,
      parsed: TraitsSchema.shape[trait].safeParse(writtenValue(trait, cell)),
    }));
  const wrong = read.find(({ parsed }) => !parsed.success);
  if (wrong)
    return void say(
      `${name}: ${wrong.cell.slice(0, 60)} is no ` +
        `${columns.find((column) => column.trait === wrong.trait)!.words}.`,
    );
  for (const { trait, parsed } of read) {
    const [before, after] = [traitOf(block, trait), parsed.data as Traits[TraitName]];
    if (sameData(before, after)) continue;
    plan.changed.push({ line, block: name, trait, before, after });
    plan.changes.push({
      path: pointer(['blocks', name, 'traits', trait]),
      before: declared.traits[trait],
      after,
    });
  }
}

/**
 * The lines of a CSV file with the number of the line on which each begins; quoted cells may go
 * over several.
 */
function linesOf(
  text: string,
  delimiter: string,
): { cells: string[]; line: number; problem?: string }[] {
  const found: { cells: string[]; line: number; problem?: string }[] = [];
  let [line, from] = [1, 0];
  Papa.parse<string[]>(text, {
    delimiter,
    step({ data, errors, meta }) {
      const quote = errors.find((error) => error.type === 'Quotes');
      found.push({
        cells: data,
        line,
        ...(quote && {
          problem: 'A quoted cell is not closed, or something stands after its closing quote.',
        }),
      });
      for (
        let at = text.indexOf('\n', from);
        at >= 0 && at < meta.cursor;
        at = text.indexOf('\n', at + 1)
      )
        line += 1;
      from = meta.cursor;
    },
  });
  return found;
}

/** What some spreadsheets put first, so that others know what stands between the cells. */
const separatorLine = /^"?sep=(.)"?[ \t]*(?=\r?\n|$)/i;

/**
 * Commas by the standard; semicolons and tabs as spreadsheets of other countries write them, or
 * what the file says itself.
 */
function delimiterOf(text: string): string {
  const said = separatorLine.exec(text)?.[1];
  if (said !== undefined) return said;
  const head = text.slice(0, Math.max(0, text.search(/[\r\n]|$/)));
  return [',', ';', '\t'].reduce(
    (best, one) => (head.split(one).length > head.split(best).length ? one : best),
    ',',
  );
}

/**
 * A number with a decimal comma, where commas do not stand between the cells. Rows are JSON and
 * stay as they are.
 */
const decimal = (cell: string, delimiter: string): string =>
  delimiter !== ',' && /^[+-]?\d*,\d+$/.test(cell) ? cell.replace(',', '.') : cell;

/** The column that a head means, whatever its capitals. */
const columnNamed = (head: string): string =>
  ['block', ...columns.map(({ trait }) => trait)].find(
    (name) => name.toLowerCase() === head.toLowerCase(),
  ) ?? head;

/** The text of a file in UTF-8 or UTF-16, by its first bytes. Undefined when it is neither. */
function csvText(bytes: Uint8Array): string | undefined {
  const [first, second] = bytes;
  const isLittle = (first === 0xff && second === 0xfe) || (first !== 0 && second === 0);
  const isBig =
    (first === 0xfe && second === 0xff) || (first === 0 && second !== 0 && second !== undefined);
  try {
    return new TextDecoder(isLittle ? 'utf-16le' : isBig ? 'utf-16be' : 'utf-8', {
      fatal: true,
    }).decode(bytes);
  } catch {
    return undefined;
  }
}
