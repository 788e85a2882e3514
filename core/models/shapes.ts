import type { Candidate, Shape } from '../mod/block.schema.ts';
import type { Mod } from '../mod/mod.schema.ts';
import type { ResolvedBlock } from '../mod/resolve.ts';
import { isOrientation, orientBox, usualTop, type PlainBox } from '../space/index.ts';
import { expandRows, rowsFromValues, type Row, type Rows } from '../states/index.ts';
import { plainBoxes } from './facts.ts';
import { resolvedModelOf } from './find.ts';

/** The boxes of a shape by state, worked out for every state: a shape that follows the model turns with it. */
export function shapeByState(mod: Mod, block: ResolvedBlock, shape: Rows<Shape>): Row<PlainBox[]>[] {
  const { texels } = mod.header;
  const shapes = expandRows(shape, block.space);
  const shown = shapes.includes('model') || shapes.includes(undefined) ? shownByState(block) : [];
  const turned = new Map<string, PlainBox[]>();
  const fromModel = (candidate: Candidate | undefined): PlainBox[] => {
    const key = candidate ? `${candidate.model} ${candidate.front} ${candidate.top}` : '';
    const boxes = turned.get(key) ?? modelBoxes(mod, candidate) ?? [cell(texels)];
    turned.set(key, boxes);
    return boxes;
  };
  const values = shapes.map((asked = 'model', state) => {
    if (asked === 'none') return [];
    if (asked === 'whole') return [cell(texels)];
    if (asked !== 'model') return asked;
    const layers = shown[state] ?? [];
    // A look of one model is that model's boxes; layers are all of theirs together.
    return layers.length === 1 || block.looks.mode === 'one-of' ? fromModel(layers[0]) : layers.flatMap(fromModel);
  });
  return rowsFromValues(values, block.space);
}

/** The first candidate of each row that a state shows. */
function shownByState({ looks, space }: ResolvedBlock): Candidate[][] {
  if (looks.mode === 'one-of') return expandRows(looks.rows, space).map((use) => (use?.[0] ? [use[0]] : []));
  const shown = Array.from({ length: space.size }, (): Candidate[] => []);
  for (const { when, value } of looks.rows) space.matching(when).forEach((state) => value[0] && shown[state]!.push(value[0]));
  return shown;
}

const cell = (texels: number): PlainBox => ({ at: [0, 0, 0], size: [texels, texels, texels] });

/** The boxes of the model that a candidate shows, turned as it is shown; undefined when there is no such model. */
function modelBoxes(mod: Mod, candidate: Candidate | undefined): PlainBox[] | undefined {
  const model = candidate && resolvedModelOf(mod, candidate.model);
  if (!model) return undefined;
  const { front = 'south', top = usualTop(front) } = candidate;
  const boxes = plainBoxes(model);
  return isOrientation({ front, top }) ? boxes.map((box) => orientBox(box, { front, top }, mod.header.texels)) : boxes;
}
