import type { Files } from '../bytes/index.ts';
import { rules } from './rules/index.ts';
import type { Declared } from '../kits/index.ts';
import { count } from '../words/index.ts';
import { pointer } from '../json/index.ts';
import { lookUp, type Strip } from '../mod/index.ts';
import { decodePicture, encodePicture } from '../textures/index.ts';
import { mendedStrip, mendPicture } from '../textures/mending/index.ts';
import type { Finding, Fix, PictureMend } from './finding.ts';
import type { Form } from './form.ts';
import { mendAll, mendFiles } from './mend-files.ts';
import type { OnProgress, Reading } from './run.ts';

/** A file that was changed: what it was, and what it is; undefined where there is or was none. */
export interface ChangedFile {
  file: string;
  before: Uint8Array | undefined;
  after: Uint8Array | undefined;
}

interface Step {
  label: string;
  files: Files;
  findings: Finding[];
  /** What the files declare, where that can be read back. */
  declared: Declared | undefined;
  mend?: Reading['mend'];
  /** What each fix would make of the files, once somebody asked. */
  previews: Map<Fix, Files | undefined>;
}

/** So many steps can be taken back. */
const mostSteps = 200;

/** Whether the fix of a finding does what was surely meant, and chooses nothing. */
export const isSafe = ({ rule, fix }: Finding): boolean =>
  fix !== undefined && !rules.some(({ id, guesses }) => id === rule && guesses);

/**
 * A copy of a pack from elsewhere on which somebody reads and mends: its files as they are, what is
 * wrong with them, and what was done. The files that were given stay untouched.
 *
 * @example const copy = new PackCopy(formOf(kit), files); copy.mendAll(String, isSafe)
 */
export class PackCopy {
  private at: Step;
  private readonly before: Step[] = [];
  private readonly after: Step[] = [];

  constructor(
    readonly form: Form,
    private given: Files,
    onProgress?: OnProgress,
  ) {
    this.at = this.read('', given, onProgress);
  }

  get files(): Files {
    return this.at.files;
  }
  get findings(): readonly Finding[] {
    return this.at.findings;
  }
  get declared(): Declared | undefined {
    return this.at.declared;
  }
  /** What would be taken back, and what would be done again. */
  get undo(): string | undefined {
    return this.before.length ? this.at.label : undefined;
  }
  get redo(): string | undefined {
    return this.after.at(-1)?.label;
  }

  /** Mends findings that are told of now. Gives back how many were mended. */
  mend(findings: readonly Finding[]): number {
    const fixes = findings.flatMap(({ fix }) => fix ?? []);
    const { files, made } = mendFiles(this.form, this.files, fixes, this.at);
    const [first] = made;
    if (first)
      this.step(made.length === 1 ? first.title : count(made.length, 'fix', 'fixes'), files);
    return made.length;
  }

  /**
   * Puts the picture right that a finding is about. False where it is not there. Throws a {@link
   * PictureProblem} where it cannot be read.
   */
  mendPicture({ mend }: Finding): boolean {
    const declared = this.declared;
    const texture = mend && declared && lookUp(declared.mod.textures, mend.texture);
    const file = mend && declared?.placeOf(pointer(['textures', mend.texture]))?.file;
    const bytes = file === undefined ? undefined : this.files.get(file);
    if (!mend || !texture || file === undefined || !bytes) return false;
    const pixels = mendPicture(decodePicture(bytes), mend.mending);
    const files = new Map(this.withStrip(mend, texture.strip)).set(file, encodePicture(pixels));
    this.step(mend.title, files);
    return true;
  }

  /** The files with the timing that fits a mended picture. */
  private withStrip({ texture, mending }: PictureMend, before: Strip | undefined): Files {
    const after = before && mendedStrip(before, mending);
    if (!after || after.frameHeight === before.frameHeight) return this.files;
    const path = pointer(['textures', texture, 'strip']);
    const fix = { title: '', changes: [{ path, before, after }] };
    return mendFiles(this.form, this.files, [fix], this.at).files;
  }

  /** Mends every finding that is chosen, also those that come to light on the way. */
  mendAll(label: (mended: number) => string, isChosen: (finding: Finding) => boolean): number {
    const { files, mended } = mendAll(this.form, this.files, isChosen);
    if (mended) this.step(label(mended), files);
    return mended;
  }

  private read(label: string, files: Files, onProgress?: OnProgress): Step {
    return { label, files, ...this.form.read(files, onProgress), previews: new Map() };
  }

  private step(label: string, files: Files): void {
    this.before.push(this.at);
    if (this.before.length > mostSteps) this.before.shift();
    this.after.length = 0;
    this.at = this.read(label, files);
  }

  /** Takes the last step back, or does it again. False where there is none. */
  go(way: 'back' | 'on'): boolean {
    const [from, to] = way === 'back' ? [this.before, this.after] : [this.after, this.before];
    const next = from.pop();
    if (!next) return false;
    to.push(this.at);
    this.at = next;
    return true;
  }

  /** What a fix would change, without changing it. */
  preview({ fix }: Finding): Files | undefined {
    if (!fix) return undefined;
    const { previews } = this.at;
    if (!previews.has(fix)) {
      const { files, made } = mendFiles(this.form, this.files, [fix], this.at);
      previews.set(fix, made.length ? files : undefined);
    }
    return previews.get(fix);
  }

  /** Takes the files as they are for those that were given: they have been saved. */
  keepAsGiven(): void {
    this.given = this.files;
  }

  /** What is otherwise than it was given. */
  changes(): ChangedFile[] {
    return changesBetween(this.given, this.files);
  }
}

/** The files that two sets of files do not share, by path. */
export const changesBetween = (before: Files, after: Files): ChangedFile[] =>
  [...new Set([...before.keys(), ...after.keys()])]
    .filter((file) => !sameBytes(before.get(file), after.get(file)))
    .sort()
    .map((file) => ({ file, before: before.get(file), after: after.get(file) }));

const sameBytes = (a: Uint8Array | undefined, b: Uint8Array | undefined): boolean =>
  a === b ||
  (a !== undefined &&
    b !== undefined &&
    a.length === b.length &&
    a.every((byte, i) => byte === b[i]));
