import type { Mod, OwnKit } from '../../mod/index.ts';
import { checkKit, type Expected } from './check.ts';
import { modelFor } from './model/mod.ts';
import type { KitProblem } from './problem.ts';
import { subjectsOf } from './subjects.ts';
import { KitWriter, type WrittenText } from './writer.ts';

/** What a kit is, as somebody is writing it. */
export interface Draft {
  name: string;
  own: OwnKit;
  texts: Readonly<Record<string, string>>;
}

/** What one rule of a kit writes for one thing, and what else it could be shown for. */
export interface Preview {
  /** Everything of the mod that the rule writes a file for, as sentences call it. */
  subjects: string[];
  /** What is written; undefined where the rule writes nothing for it. */
  written?: WrittenText;
  /** What is wrong with the kit before anything is written. */
  problems: KitProblem[];
}

const writerOf = ({ name, own, texts }: Draft): KitWriter =>
  new KitWriter(name, own, new Map(Object.entries(texts)));

/** How a kit that is being written fares with a mod. */
export interface DraftCheck {
  problems: KitProblem[];
  /** How many files it writes. */
  files: number;
  expected: Expected[];
}

/** Writes a whole mod with a kit, and compares with what it is expected to write. */
export function checkDraft(draft: Draft, mod: Mod): DraftCheck {
  const texts = new Map(Object.entries(draft.texts));
  // What is copied is not looked at.
  const { problems, files, expected } = checkKit(writerOf(draft), texts, mod, () => nothing);
  return { problems, files: files.size, expected };
}

const nothing = new Uint8Array();

/**
 * What a rule of a kit writes for a thing of a mod, with where each letter comes from. Without a
 * thing, or with one that there is not, for the first.
 *
 * @example previewOf(draft, 0, 'block tide_lantern', mod).written?.text
 */
export function previewOf(draft: Draft, rule: number, called: string, mod: Mod): Preview {
  const writer = writerOf(draft);
  const problems = writer.problems();
  const wanted = draft.own.files[rule];
  if (!wanted) return { subjects: [], problems };
  const model = modelFor(mod);
  const subjects = subjectsOf(wanted.for, model);
  const subject = subjects.find((one) => one.called === called) ?? subjects[0];
  const written = subject && writer.preview(rule, wanted, subject, model);
  return { subjects: subjects.map((one) => one.called), ...(written && { written }), problems };
}
