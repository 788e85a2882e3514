import type { z } from 'zod';
import {
  parseFitting,
  parseJson,
  pointer,
  withoutSchema,
  type JsonText,
  type Place,
} from '../../../json/index.ts';
import { schemaProblems } from '../../../mod/issues.ts';
import { fixOfMisfit, fixOfText, type FileFix } from '../../../mend/index.ts';
import { soundEntry } from '../../../sounds/entry.ts';
import { pictureEntry } from '../../../textures/entry.ts';
import { PictureProblem } from '../../../textures/png.ts';
import { unsafePath } from '../../../bytes/index.ts';
import { formatName, placeInPack, type FileKind, type FileRule } from '../format/index.ts';
import { readElsewhere } from './elsewhere.ts';
import type { ReadFile, ReadPack, ReadProblem } from './index.ts';

const start: Place = { line: 1, column: 1 };
type Listed = {
  [K in keyof ReadPack]: ReadPack[K] extends Map<string, ReadFile<infer _>> ? K : never;
}[keyof ReadPack];
const listOf: Partial<Record<FileKind, Listed>> = {
  block: 'blocks',
  look: 'looks',
  'new look': 'newLooks',
  fluid: 'fluids',
  'fluid look': 'fluidLooks',
  loot: 'loot',
  'loot table': 'lootTables',
  model: 'models',
  item: 'items',
  recipe: 'recipes',
  'block tag': 'blockTags',
  'item tag': 'itemTags',
  words: 'words',
  strip: 'strips',
  texture: 'textures',
  sound: 'sounds',
};

/** The files of which a pack has one. */
const singles = {
  pack: 'pack',
  'picture of the mod': 'picture',
  registry: 'registry',
  tools: 'tools',
  groups: 'groups',
  'sound sets': 'soundSets',
} as const satisfies Partial<Record<FileKind, keyof ReadPack>>;

type Report = (
  rule: ReadProblem['rule'],
  message: string,
  place?: Place,
  fix?: (file: string) => FileFix | undefined,
) => void;

/** Takes one file into the pack; what cannot be taken becomes a problem, and is unread. */
export function readFile(pack: ReadPack, file: string, bytes: Uint8Array): void {
  const report: Report = (rule, message, place = start, fix = () => undefined) => {
    pack.problems.push({ rule, file, place, message, fix: fix(file) });
  };
  const unsafe = unsafePath(file);
  const at = unsafe ? undefined : placeInPack(file);
  if (unsafe) report('files/unsafe-path', `This is ${unsafe}.`);
  else if (!at) readElsewhere(pack, file);
  else if (at.rule.kind !== 'code') {
    const { kind } = at.rule;
    const taken = take(at.rule, bytes, report);
    if (!taken) pack.unread.add(kind, at.name);
    else if (kind in singles)
      Object.assign(pack, {
        [singles[kind as keyof typeof singles]]: { file, name: at.name, ...taken },
      });
    else
      (pack[listOf[kind]!] as Map<string, ReadFile<unknown>>).set(at.name, {
        file,
        name: at.name,
        ...taken,
      });
  }
}

/** What a file holds; undefined, and reported, where it does not hold what it should. */
function take(
  rule: FileRule,
  bytes: Uint8Array,
  report: Report,
): Pick<ReadFile<unknown>, 'value' | 'placeOf'> | undefined {
  const whole = () => start;
  if (rule.kind === 'sound')
    return { value: soundEntry(bytes, rule.ending === '.wav' ? 'wav' : 'ogg'), placeOf: whole };
  if (rule.kind === 'texture' || rule.kind === 'picture of the mod')
    try {
      return { value: pictureEntry(bytes), placeOf: whole };
    } catch (error) {
      if (!(error instanceof PictureProblem)) throw error;
      report('textures/unreadable', error.message);
      return undefined;
    }
  const text = readJson(bytes, report);
  const fits = text && parseFitting(rule.schema!, withoutSchema(text.value));
  if (fits?.success) return { value: fits.data, placeOf: text!.placeOf };
  if (fits) tellMisfit(rule, text, fits.error, report);
  return undefined;
}

/** Says why a document is not what it should be. */
function tellMisfit(
  { kind, schema }: FileRule,
  text: JsonText,
  error: z.ZodError,
  report: Report,
): void {
  if (kind === 'pack' && (text.value as { format?: unknown } | null)?.format !== formatName)
    report(
      'pack/wrong-edition',
      `This is not the pack.json of a Block Pack: its "format" is not "${formatName}".`,
    );
  else
    for (const problem of schemaProblems(error, schema)) {
      const at = pointer(problem.path);
      report(
        'files/does-not-fit',
        at ? `${at}: ${problem.message}` : problem.message,
        text.placeOf(at),
        (file) => fixOfMisfit(file, at, problem),
      );
    }
}

function readJson(bytes: Uint8Array, problem: Report): JsonText | undefined {
  let source: string;
  try {
    source = new TextDecoder('utf-8', { fatal: true, ignoreBOM: true }).decode(bytes);
  } catch {
    problem('files/malformed-json', 'The file is not UTF-8 text. Save it as UTF-8.');
    return undefined;
  }
  const text = parseJson(source, { goesOn: true });
  for (const one of text.problems)
    problem(
      one.kind === 'malformed' ? 'files/malformed-json' : 'files/key-twice',
      one.message,
      one.at,
      (file) => fixOfText(file, one),
    );
  return text.value === undefined ? undefined : text;
}
