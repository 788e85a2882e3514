import { pointer } from '../json/index.ts';
import { heldUnder } from '../lists/index.ts';
import { ownModel, resolveModel, type BoxFace, type ResolvedModel } from '../models/index.ts';
import { idOf, type Box, type Mod, type Model } from '../mod/index.ts';
import { listed } from '../words/index.ts';
import type { Fix } from './finding.ts';

type Own = Pick<Mod, 'header' | 'models'>;
const known = new WeakMap<Mod['models'], Map<string, ResolvedModel>>();

/**
 * All models of a mod with their templates followed. Remembered for as long as no model changes.
 */
export function resolvedModels(mod: Own): Map<string, ResolvedModel> {
  const before = known.get(mod.models);
  if (before) return before;
  const made = new Map(
    Object.entries(mod.models).map(([name, model]) => [
      name,
      resolveModel(model, (id) => ownModel(mod, id), mod.header.texels),
    ]),
  );
  known.set(mod.models, made);
  return made;
}

/** The models that other models start from. */
export const usedAsTemplate = (mod: Own): Set<string> =>
  new Set(
    Object.values(mod.models)
      .map((model: Model) => model.template)
      .filter((id) => id !== undefined),
  );

/** `saltmarsh:lamp` for a model of the mod. */
export const modelId = (mod: Own, name: string): string => idOf(mod.header.namespace, name);

/** How a box is called in sentences: by its name or, without one, by its number. */
export const boxWord = (boxes: readonly Pick<Box, 'name'>[], index: number): string | number =>
  boxes[index]?.name ?? index + 1;

/**
 * A fix that changes a model's boxes. The boxes are replaced whole, so that a fix may change several.
 */
export const boxesFix = (mod: Own, name: string, title: string, boxes: readonly Box[]): Fix => ({
  title,
  changes: [
    {
      path: pointer(['models', name, 'boxes']),
      before: heldUnder(mod.models, name).boxes,
      after: [...boxes],
    },
  ],
});

/** A fix that leaves sides of a model out. */
export const leaveOutFix = (
  mod: Own,
  name: string,
  boxes: readonly Box[],
  faces: readonly BoxFace[],
): Fix =>
  boxesFix(
    mod,
    name,
    `Leave out ${faces.length === 1 ? 'this side' : `these ${faces.length} sides`}`,
    withoutSides(boxes, faces),
  );

/** Boxes without some of their sides. */
const withoutSides = (boxes: readonly Box[], faces: readonly BoxFace[]): Box[] =>
  boxes.map((box, index) => {
    const gone = faces.filter((face) => face.box === index).map(({ side }) => side);
    if (!gone.length) return box;
    const kept = Object.entries(box.sides).filter(([side]) => !gone.some((one) => one === side));
    return { ...box, sides: Object.fromEntries(kept) };
  });

/** Sides in words: "the top of 2 and the front of leg", the first few of many. */
export function facesInWords(boxes: readonly Box[], faces: readonly BoxFace[]): string {
  const words = faces.slice(0, 3).map(({ box, side }) => `the ${side} of ${boxWord(boxes, box)}`);
  return faces.length > 3 ? `${words.join(', ')} and ${faces.length - 3} more` : listed(words);
}

/**
 * What is found in the boxes of each model, remembered for as long as a model stays the same
 * object: an edit of one model looks at that one alone.
 */
export function foundInBoxes<T>(
  find: (boxes: readonly Box[]) => T,
): (mod: Own) => { name: string; boxes: readonly Box[]; found: T }[] {
  const memory = new WeakMap<readonly Box[], T>();
  return (mod) =>
    Object.entries(mod.models).flatMap(([name, { boxes }]) => {
      if (!boxes) return [];
      const found = memory.has(boxes) ? memory.get(boxes)! : find(boxes);
      memory.set(boxes, found);
      return [{ name, boxes, found }];
    });
}
