import type { Files } from '../../bytes/index.ts';
import { parseFitting, parseJson, pointer, printJson, withoutSchema } from '../../json/index.ts';
import {
  kitBounds,
  kitFile,
  kitPathPattern,
  OwnKitSchema,
  schemaProblems,
  type OwnKit,
} from '../../mod/index.ts';
import type { KitProblem } from './problem.ts';

/** A kit as it lies in a folder: what its `kit.json` says, and its texts by their paths. */
export interface KitFolder {
  own: OwnKit | undefined;
  texts: Map<string, string>;
  problems: KitProblem[];
}

/** Where in a kit's folder lies what it is expected to write, by the paths of a build. */
export const expectedFolder = 'expected/';

/**
 * Reads a kit from the files of its folder. What is wrong is told with line and column; hidden files
 * are nobody's business.
 *
 * @example readKit(new Map([['kit.json', bytes]])).own?.title // 'Tidal'
 */
export function readKit(files: Files): KitFolder {
  const problems: KitProblem[] = [];
  const texts = new Map<string, string>();
  const others = [...files.keys()].filter(
    (file) => file !== kitFile && !file.split('/').some((part) => part.startsWith('.')),
  );
  if (others.length > kitBounds.files)
    problems.push({
      file: kitFile,
      message: `A kit has ${kitBounds.files} files at most; here lie ${others.length}.`,
    });
  for (const file of others.sort().slice(0, kitBounds.files)) {
    const text = textOf(files.get(file));
    if (typeof text === 'string' && kitPathPattern.test(file)) texts.set(file, text);
    else if (typeof text === 'string')
      problems.push({
        file,
        message: 'Name the files of a kit in letters, digits, dots, dashes and underscores.',
      });
    else problems.push({ file, ...text });
  }
  return { own: ownKitIn(files, problems), texts, problems };
}

/** The text of a file of a kit, or why it is none. */
function textOf(bytes: Uint8Array | undefined): string | Pick<KitProblem, 'message'> {
  if (!bytes || bytes.length > kitBounds.letters * 4) return { message: 'It is too large.' };
  try {
    const text = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return text.length > kitBounds.letters ? { message: 'It is too large.' } : text;
  } catch {
    return { message: 'This is no text in UTF-8.' };
  }
}

function ownKitIn(files: Files, problems: KitProblem[]): OwnKit | undefined {
  const bytes = files.get(kitFile);
  if (!bytes) {
    problems.push({ file: kitFile, message: 'The folder has no kit.json, so it is no kit.' });
    return undefined;
  }
  const text = textOf(bytes);
  if (typeof text !== 'string') {
    problems.push({ file: kitFile, ...text });
    return undefined;
  }
  const read = parseJson(text);
  for (const { at, message } of read.problems) problems.push({ file: kitFile, place: at, message });
  if (read.value === undefined || read.problems.length) return undefined;
  const fits = parseFitting(OwnKitSchema, withoutSchema(read.value));
  if (fits.success) return fits.data;
  for (const { path, message } of schemaProblems(fits.error, OwnKitSchema)) {
    const at = pointer(path);
    problems.push({ file: kitFile, pointer: at, place: read.placeOf(at), message });
  }
  return undefined;
}

/** The files of a kit's folder. */
export function writeKit(own: OwnKit, texts: ReadonlyMap<string, string>): Files {
  const encoder = new TextEncoder();
  const files: Files = new Map([[kitFile, encoder.encode(printJson(own))]]);
  for (const [path, text] of texts) files.set(path, encoder.encode(text));
  return files;
}
