/** One text of a PO file. */
export interface PoEntry {
  context: string | undefined;
  id: string;
  plural: string | undefined;
  /** The translation; of a text with plural forms, each form. */
  texts: string[];
  isUnsure: boolean;
  isObsolete: boolean;
  /** The line on which its first keyword stands, from 1. */
  line: number;
}

/** What a PO file holds, and what of it could not be read, in sentences. */
export interface PoFile {
  headers: ReadonlyMap<string, string>;
  entries: PoEntry[];
  problems: string[];
}

/** So many problems of one file are told; the rest is counted. */
const maxProblems = 50;

/**
 * Reads a PO file as the tools of GNU gettext write it: any charset that the platform knows, with
 * what was translated before, flags, obsolete texts, escapes and plural forms (GNU gettext manual,
 * The Format of PO Files). Never throws: what cannot be read is told.
 *
 * @example readPo(new TextEncoder().encode('msgctxt "block.brine"\nmsgid "Brine"\nmsgstr "Sole"\n')).entries[0]?.texts
 * // ['Sole']
 */
export function readPo(bytes: Uint8Array): PoFile {
  const decoded = decode(bytes);
  if ('problem' in decoded) return { headers: new Map(), entries: [], problems: [decoded.problem] };
  const { entries, problems } = parse(decoded.text, decoded.charset);
  const header = entries.find(
    ({ id, context, isObsolete }) => id === '' && context === undefined && !isObsolete,
  );
  const hidden = problems.length - maxProblems;
  return {
    headers: headersIn(header?.texts[0] ?? ''),
    entries: entries.filter((entry) => entry !== header),
    problems:
      hidden > 0
        ? [...problems.slice(0, maxProblems), `There are ${hidden} more problems like these.`]
        : problems,
  };
}

type Decoded = { text: string; charset: string } | { problem: string };

/**
 * The text, by the charset that the header names. Its own name stands in ASCII in every charset
 * that gettext allows.
 */
function decode(bytes: Uint8Array): Decoded {
  if ((bytes[0] === 0xff && bytes[1] === 0xfe) || (bytes[0] === 0xfe && bytes[1] === 0xff))
    return { problem: 'The file is in UTF-16, which PO files may not be. Save it as UTF-8.' };
  const named = /charset=([A-Za-z0-9_.:-]+)/i.exec(
    new TextDecoder('latin1').decode(bytes.subarray(0, 20_000)),
  )?.[1];
  // What a template says before somebody fills it in.
  const charset = named === undefined || named.toUpperCase() === 'CHARSET' ? 'utf-8' : named;
  let decoder: TextDecoder;
  try {
    decoder = new TextDecoder(charset, { fatal: true });
  } catch {
    return {
      problem:
        `The file says that it is in ${charset}, which cannot be read here. Convert it to ` +
        'UTF-8 first, for example with msgconv -t UTF-8.',
    };
  }
  try {
    return { text: decoder.decode(bytes), charset };
  } catch {
    return {
      problem:
        `The file says that it is in ${charset}, and it is not: some of its bytes are no ` +
        'letters there. Say the right charset in its header, or save it as UTF-8.',
    };
  }
}

const headersIn = (text: string): Map<string, string> =>
  new Map(
    text.split('\n').flatMap((line) => {
      const colon = line.indexOf(':');
      return colon > 0
        ? [[line.slice(0, colon).trim(), line.slice(colon + 1).trim()] as const]
        : [];
    }),
  );

type Field = 'context' | 'id' | 'plural' | number;
const keywords: Readonly<Record<string, Field>> = {
  msgctxt: 'context',
  msgid: 'id',
  msgid_plural: 'plural',
  msgstr: 0,
};

function fieldOf(keyword: string): Field | undefined {
  const form = /^msgstr\[(\d{1,2})\]$/.exec(keyword)?.[1];
  if (form !== undefined) return Number(form);
  return Object.hasOwn(keywords, keyword) ? keywords[keyword] : undefined;
}

interface Reading {
  entries: PoEntry[];
  problems: string[];
  current: PoEntry | undefined;
  field: Field | undefined;
  isUnsure: boolean;
}

function parse(source: string, charset: string): { entries: PoEntry[]; problems: string[] } {
  const reading: Reading = {
    entries: [],
    problems: [],
    current: undefined,
    field: undefined,
    isUnsure: false,
  };
  const unescape = unescaper(charset);
  for (const [index, raw] of source.split(/\r\n|\r|\n/).entries())
    readLine(reading, raw.trim(), index + 1, unescape);
  return reading;
}

function readLine(
  reading: Reading,
  given: string,
  line: number,
  unescape: (text: string) => string,
): void {
  let text = given;
  let isObsolete = false;
  if (text.startsWith('#')) {
    if (text.startsWith('#,') || text.startsWith('#=')) {
      if (
        text
          .slice(2)
          .split(',')
          .some((flag) => flag.trim() === 'fuzzy')
      )
        reading.isUnsure = true;
      return;
    }
    if (!text.startsWith('#~') || text.startsWith('#~|')) return;
    isObsolete = true;
    text = text.slice(2).trim();
  }
  if (text === '') return;
  const found = /^([a-z_]+(?:\[\d+\])?)?\s*((?:"(?:[^"\\]|\\.)*"\s*)+)$/.exec(text);
  if (!found)
    return void reading.problems.push(`Line ${line} is not understood: “${text.slice(0, 60)}”.`);
  const [, keyword, quoted = ''] = found;
  const value = [...quoted.matchAll(/"((?:[^"\\]|\\.)*)"/g)]
    .map(([, inside = '']) => unescape(inside))
    .join('');
  if (keyword === undefined) {
    append(reading, value, line);
    return;
  }
  const field = fieldOf(keyword);
  if (field === undefined)
    return void reading.problems.push(
      `Line ${line} begins with ${keyword}, which is no keyword of PO files.`,
    );
  begin(reading, field, { line, isObsolete });
  append(reading, value, line);
}

/** A keyword: the next field of the text that is being read, or the first of another. */
function begin(
  reading: Reading,
  field: Field,
  { line, isObsolete }: { line: number; isObsolete: boolean },
): void {
  const { current } = reading;
  const isNext =
    field === 'context' ||
    (field === 'id' && (!current || current.texts.length > 0 || reading.field !== 'context'));
  if (isNext || !current) {
    reading.current = {
      context: undefined,
      id: '',
      plural: undefined,
      texts: [],
      isUnsure: reading.isUnsure,
      isObsolete,
      line,
    };
    reading.entries.push(reading.current);
    reading.isUnsure = false;
  }
  reading.field = field;
}

function append({ current, field, problems }: Reading, value: string, line: number): void {
  if (!current || field === undefined)
    return void problems.push(`Line ${line} is a text that belongs to nothing.`);
  if (field === 'context') current.context = (current.context ?? '') + value;
  else if (field === 'id') current.id += value;
  else if (field === 'plural') current.plural = (current.plural ?? '') + value;
  else {
    while (current.texts.length <= field) current.texts.push('');
    current.texts[field] = (current.texts[field] ?? '') + value;
  }
}

const letters: Readonly<Record<string, string>> = {
  n: '\n',
  t: '\t',
  r: '\r',
  b: '\b',
  f: '\f',
  v: '\v',
  a: '\u0007',
};

/**
 * Escapes as in C. Octal and hexadecimal ones are bytes of the file's charset: several in a row may
 * make one letter.
 */
function unescaper(charset: string): (text: string) => string {
  const decoder = new TextDecoder(charset);
  const byteOf = (escape: string) =>
    (escape[1] === 'x' ? parseInt(escape.slice(2), 16) : parseInt(escape.slice(1), 8)) & 255;
  return (text) =>
    text.replaceAll(
      /((?:\\[0-7]{1,3}|\\x[0-9a-fA-F]{1,2})+)|\\(.)/g,
      (_, bytes: string | undefined, letter: string | undefined) => {
        if (bytes !== undefined)
          return decoder.decode(Uint8Array.from(bytes.match(/\\x?[0-9a-fA-F]+/g) ?? [], byteOf));
        return letters[letter ?? ''] ?? letter ?? '';
      },
    );
}

const escapes: Readonly<Record<string, string>> = {
  '\n': '\\n',
  '\t': '\\t',
  '\r': '\\r',
  '"': '\\"',
  '\\': '\\\\',
};

/** A text in quotation marks; one of several lines begins on a line of its own. */
function quoted(text: string): string {
  const safe = (part: string) =>
    part.replaceAll(
      /["\\\u0000-\u001f\u007f]/g,
      (sign) => escapes[sign] ?? `\\${sign.charCodeAt(0).toString(8).padStart(3, '0')}`,
    );
  const lines = text.split(/(?<=\n)/);
  return lines.length < 2
    ? `"${safe(text)}"`
    : ['""', ...lines.map((line) => `"${safe(line)}"`)].join('\n');
}

/** A PO file in UTF-8, which `msgfmt --check` takes. */
export function printPo(
  headers: ReadonlyMap<string, string>,
  entries: readonly Pick<PoEntry, 'context' | 'id' | 'texts'>[],
): string {
  const head = [...headers]
    .map(([name, value]) => `${name}: ${value.replaceAll(/[\r\n]/g, ' ')}\n`)
    .join('');
  const body = entries.map(({ context, id, texts }) =>
    [
      ...(context === undefined ? [] : [`msgctxt ${quoted(context)}`]),
      `msgid ${quoted(id)}`,
      `msgstr ${quoted(texts[0] ?? '')}`,
    ].join('\n'),
  );
  return `${[`msgid ""\nmsgstr ${quoted(head)}`, ...body].join('\n\n')}\n`;
}
