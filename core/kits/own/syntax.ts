import luaparse from 'luaparse';
import Papa from 'papaparse';
import { SaxesParser } from 'saxes';
import { parse as parseToml } from 'smol-toml';
import { parseJson, type Place } from '../../json/index.ts';
import type { FileSyntax } from '../../mod/index.ts';
import { count } from '../../words/index.ts';

/** A mistake in a written file, and where. */
export interface SyntaxMistake {
  place: Place;
  message: string;
}

const endings: Readonly<Record<string, FileSyntax>> = {
  json: 'json',
  xml: 'xml',
  toml: 'toml',
  csv: 'csv',
  lua: 'lua',
};

/** What a file is parsed as, by the ending of its name. */
export const syntaxOf = (path: string): FileSyntax =>
  endings[path.slice(path.lastIndexOf('.') + 1).toLowerCase()] ?? 'text';

/**
 * The first mistake in a text of some syntax; undefined where it can be read: JSON by RFC 8259, XML
 * as well-formed by XML 1.0, TOML 1.0, CSV by RFC 4180 with as many fields in each row, Lua 5.3.
 *
 * @example mistakeIn('{"a": 1,}', 'json')?.place // { line: 1, column: 8 }
 */
export function mistakeIn(text: string, syntax: FileSyntax): SyntaxMistake | undefined {
  return syntax === 'text' ? undefined : readers[syntax](text);
}

const sentence = (words: string): string => {
  const first = words.charAt(0).toUpperCase() + words.slice(1);
  return /[.?!]$/.test(first) ? first : `${first}.`;
};

const readers: Record<Exclude<FileSyntax, 'text'>, (text: string) => SyntaxMistake | undefined> = {
  json(text) {
    const [first] = parseJson(text).problems;
    return first && { place: first.at, message: first.message };
  },
  xml(text) {
    let first: SyntaxMistake | undefined;
    const parser = new SaxesParser({ position: true });
    parser.on('error', ({ message }) => {
      const { line, column } = parser;
      first ??= {
        place: { line, column: Math.max(1, column) },
        message: sentence(message.replace(/^(?:undefined:)?\d+:\d+: /, '')),
      };
    });
    parser.write(text).close();
    return first;
  },
  toml: (text) =>
    mistakeOf(
      () => parseToml(text),
      (error) => {
        const { line = 1, column = 1, message } = error as Partial<Place> & Error;
        const [, first = message] =
          /^Invalid TOML document: (.*)/.exec(message.split('\n')[0] ?? '') ?? [];
        return { place: { line, column }, message: sentence(first) };
      },
    ),
  csv(text) {
    const { data, errors } = Papa.parse<string[]>(text, { skipEmptyLines: true });
    const lineOf = (row: number): number =>
      data.slice(0, row).reduce((line, cells) => line + 1 + breaksIn(cells), 1);
    const odd = data.findIndex((cells) => cells.length !== data[0]?.length);
    const [quotes] = errors.filter(({ type }) => type === 'Quotes');
    if (quotes)
      return {
        place: { line: lineOf(quotes.row ?? 0), column: 1 },
        message: sentence(quotes.message),
      };
    if (odd < 0) return undefined;
    return {
      place: { line: lineOf(odd), column: 1 },
      message:
        `This row has ${count(data[odd]?.length ?? 0, 'field')}, the first one ` +
        `${data[0]?.length ?? 0}.`,
    };
  },
  lua: (text) =>
    mistakeOf(
      () => luaparse.parse(text, { luaVersion: '5.3', comments: false }),
      (error) => {
        const { line = 1, column = 0, message } = error as Partial<Place> & Error;
        return {
          place: { line, column: column + 1 },
          message: sentence(message.replace(/^\[\d+:\d+\] /, '')),
        };
      },
    ),
};

const breaksIn = (cells: readonly string[]): number =>
  cells.reduce((sum, cell) => sum + (cell.split('\n').length - 1), 0);

function mistakeOf(
  read: () => unknown,
  told: (error: unknown) => SyntaxMistake,
): SyntaxMistake | undefined {
  try {
    read();
    return undefined;
  } catch (error) {
    // A reader that gives up on what goes too deep says so without a place.
    if (error instanceof RangeError)
      return { place: { line: 1, column: 1 }, message: 'It goes too deep to be read.' };
    return told(error);
  }
}
