/** Kits that people write: a `kit.json` with limits and rules, and templates over a model. */
import type { Mod, OwnKit } from '../../mod/index.ts';
import { reportsOf } from '../file-rule.ts';
import type { Kit } from '../kit.ts';
import { limitsOf } from './limits.ts';
import { placed } from './problem.ts';
import { rulesOfOwn } from './rules/index.ts';
import { KitWriter } from './writer.ts';

export { KitError, placed, type KitProblem } from './problem.ts';
export { askedOf, holdsWay, type Asked } from './asked.ts';
export { checkKit, type Expected, type KitCheck } from './check.ts';
export { expectedFolder, readKit, writeKit, type KitFolder } from './folder.ts';
export { limitsOf } from './limits.ts';
export { modelFor } from './model/mod.ts';
export { checkDraft, previewOf, type Draft, type DraftCheck, type Preview } from './preview.ts';
export type { Span } from './run.ts';
export { subjectsOf, type Subject } from './subjects.ts';
export { KitWriter, offsetOf, sourceOf, type WrittenText } from './writer.ts';

/** A kit that somebody wrote, and what writes with it. */
export interface WrittenKit extends Kit {
  own: OwnKit;
  writer: KitWriter;
}

/**
 * The kit that a `kit.json` and its texts, by their paths beside it, stand for.
 *
 * @example kitFrom('tidal', { model: 1, title: 'Tidal', files: [] }, new Map()).ending // '.zip'
 */
export function kitFrom(name: string, own: OwnKit, texts: ReadonlyMap<string, string>): WrittenKit {
  const writer = new KitWriter(name, own, texts);
  return {
    name,
    title: own.title,
    limits: limitsOf(own),
    ...(own.physics && { physics: own.physics }),
    ending: own.ending ?? '.zip',
    write: (mod, blobOf, onProgress) => writer.write(mod, blobOf, onProgress),
    writeBlock: (mod, block) => textsOfBlock(writer, mod, block),
    isText: (path) => !/\.(png|wav|ogg)$/i.test(path),
    isList: (path) => ['.csv', ...(own.lists ?? [])].some((ending) => path.endsWith(ending)),
    // Only whoever wrote it knows how such files are called.
    recognises: () => false,
    recordedDigests: () => undefined,
    check: (files) => ({ reports: reportsOf(rulesOfOwn, files) }),
    rules: rulesOfOwn,
    own,
    writer,
  };
}

/** The texts that follow from one block; where one cannot be written, why. */
function textsOfBlock(writer: KitWriter, mod: Mod, block: string): Map<string, string> {
  return new Map(
    writer
      .textsOfBlock(mod, block)
      .map(({ path, text, problem }) => [path, text || (problem ? placed(problem) : '')]),
  );
}
