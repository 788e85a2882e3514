import { type Files } from '../bytes/index.ts';
import {
  parseFitting,
  parseJson,
  pointer,
  withoutSchema,
  type JsonText,
  type Place,
} from '../json/index.ts';
import { decoded, fixOfMisfit, fixOfText, type FileFix } from '../mend/index.ts';
import {
  bringEntryForward,
  emptyMod,
  entrySchemas,
  schemaProblems,
  type SchemaProblem,
  type EntryKind,
  type Mod,
} from '../mod/index.ts';

/**
 * Something wrong with a file as such: its place, and the rule under which inspection reports it.
 */
export interface FileProblem {
  file: string;
  place: Place;
  rule:
    | 'files/malformed-json'
    | 'files/key-twice'
    | 'files/does-not-fit'
    | 'files/unknown-file'
    | 'textures/unreadable'
    | 'files/missing';
  message: string;
  fix?: FileFix | undefined;
}

/** An entry that is there and could not be read; the header and the ledger have no name. */
export interface UnreadEntry {
  kind: EntryKind | 'header' | 'ledger';
  name: string;
}

const start: Place = { line: 1, column: 1 };
/** What stands for the text of a file that is no text. */
const noText: JsonText = { value: undefined, problems: [], placeOf: () => start };

/** A mod that comes together from files, with what is wrong with them and where its parts stand. */
export class FolderReader {
  readonly mod: Mod = {
    ...emptyMod('unnamed', 'Unnamed'),
    ledger: { entries: [], retired: [] },
  };
  readonly problems: FileProblem[] = [];
  readonly blobs = new Map<string, Uint8Array>();
  readonly unread: UnreadEntry[] = [];
  private readonly texts = new Map<string, { file: string; text: JsonText }>();

  constructor(
    private readonly files: Files,
    /** The edition that the documents are of. */
    private readonly edition: number,
    /** Whether texts with mistakes that leave no doubt what was meant are read all the same. */
    private readonly goesOn: boolean,
  ) {}

  report(
    file: string,
    rule: FileProblem['rule'],
    message: string,
    place = start,
    fix?: FileFix,
  ): void {
    this.problems.push({ file, rule, message, place, fix });
  }

  has(file: string): boolean {
    return this.files.has(file);
  }

  /** The bytes of a file that is there. */
  bytesOf(file: string): Uint8Array {
    return this.files.get(file) ?? new Uint8Array();
  }

  /** The text of a JSON file; what is wrong with it as JSON is reported. */
  textOf(file: string): JsonText {
    const text = parseJson(decoded(this.files.get(file)), { goesOn: this.goesOn });
    for (const problem of text.problems)
      this.report(
        file,
        problem.kind === 'malformed' ? 'files/malformed-json' : 'files/key-twice',
        problem.message,
        problem.at,
        fixOfText(file, problem),
      );
    return text;
  }

  /**
   * The document of a JSON file, brought to the present edition and checked; undefined where it
   * does not fit, which is reported. `entry` is its place in the mod, as a JSON pointer.
   */
  documentOf(file: string, kind: keyof typeof entrySchemas, entry: string): unknown {
    const text = this.textOf(file);
    if (text.value === undefined) return undefined;
    this.texts.set(entry, { file, text });
    return this.fitting(kind, withoutSchema(text.value), (problem) => {
      const at = pointer(problem.path);
      this.report(
        file,
        'files/does-not-fit',
        at ? `${at}: ${problem.message}` : problem.message,
        text.placeOf(at),
        fixOfMisfit(file, at, problem),
      );
    });
  }

  /** A document in the present edition, if it fits; `onProblem` hears of what does not. */
  fitting(
    kind: keyof typeof entrySchemas,
    value: unknown,
    onProblem: (problem: SchemaProblem) => void,
  ): unknown {
    const document = bringEntryForward(kind, value, this.edition);
    const fits = parseFitting(entrySchemas[kind], document);
    if (fits.success) return fits.data;
    schemaProblems(fits.error, entrySchemas[kind]).forEach(onProblem);
    return undefined;
  }

  /** Puts an entry into the mod; without a document it is unread. */
  put(kind: EntryKind, name: string, document: unknown): void {
    if (document === undefined) this.unread.push({ kind, name });
    else (this.mod[kind] as Record<string, unknown>)[name] = document;
  }

  /** The header or the ledger; without a document it is unread. */
  putWhole(kind: 'header' | 'ledger', document: unknown): void {
    if (document === undefined) this.unread.push({ kind, name: '' });
    else Object.assign(this.mod, { [kind]: document });
  }

  /** Keeps a picture or sound; gives its SHA-256. */
  keep(digest: string, bytes: Uint8Array): void {
    this.blobs.set(digest, bytes);
  }

  /** Says that an entry stands in a file that is no text. */
  standsIn(file: string, kind: EntryKind, name: string): void {
    this.texts.set(pointer([kind, name]), { file, text: noText });
  }

  /** The file and place of a part of the mod. */
  placeOf(path: string): { file: string; place: Place } | undefined {
    for (const [at, { file, text }] of this.texts)
      if (path === at || path.startsWith(`${at}/`))
        return { file, place: text.placeOf(path.slice(at.length)) };
    return undefined;
  }
}
