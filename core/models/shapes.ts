import { itemAt } from '../lists/index.ts';
import type { Candidate, Shape } from '../mod/block.schema.ts';
import type { Mod } from '../mod/mod.schema.ts';
import type { ResolvedBlock } from '../mod/resolve.ts';
import { isOrientation, orientBox, usualTop, type PlainBox } from '../space/index.ts';
import { expandRows, rowsFromValues, valueIn, type Row, type Rows } from '../states/index.ts';
import { plainBoxes } from './facts.ts';
import { resolvedModelOf } from './find.ts';

/**
 * The boxes of a shape by state, worked out for every state: a shape that follows the model turns
 * with it.
 */
export function shapeByState(
  mod: Mod,
  block: ResolvedBlock,
  shape: Rows<Shape>,
): Row<PlainBox[]>[] {
  const shapes = expandRows(shape, block.space);
  const shown = shapes.includes('model') || shapes.includes(undefined) ? shownByState(block) : [];
  const boxesOf = boxMaker(mod, block);
  return rowsFromValues(
    shapes.map((asked, state) => boxesOf(asked, shown[state] ?? [])),
    block.space,
  );
}

/** The boxes of a shape in one state, without working out the others. */
export function shapeIn(
  mod: Mod,
  block: ResolvedBlock,
  shape: Rows<Shape>,
  state: number,
): PlainBox[] {
  const { looks, space } = block;
  const matching = looks.rows
    .filter((row) => space.matching(row.when).has(state))
    .flatMap(({ value: [first] }) => (first ? [first] : []));
  return boxMaker(mod, block)(
    valueIn(shape, space, state),
    looks.mode === 'layered' ? matching : matching.slice(0, 1),
  );
}

/**
 * Gives the boxes of what a state asks for and shows. The boxes of a model in one orientation are
 * the same list each time.
 */
function boxMaker(
  mod: Mod,
  block: ResolvedBlock,
): (asked: Shape | undefined, shown: readonly Candidate[]) => PlainBox[] {
  const { texels } = mod.header;
  const turned = new Map<string, PlainBox[]>();
  const fromModel = (candidate: Candidate | undefined): PlainBox[] => {
    const key = candidate ? `${candidate.model} ${candidate.front} ${candidate.top}` : '';
    const boxes = turned.get(key) ?? modelBoxes(mod, candidate) ?? [cell(texels)];
    turned.set(key, boxes);
    return boxes;
  };
  return (asked = 'model', shown) => {
    if (asked === 'none') return [];
    if (asked === 'whole') return [cell(texels)];
    if (asked !== 'model') return asked;
    // A look of one model is that model's boxes; layers are all of theirs together.
    return shown.length === 1 || block.looks.mode === 'one-of'
      ? fromModel(shown[0])
      : shown.flatMap(fromModel);
  };
}

/** The first candidate of each row that a state shows. */
export function shownByState({ looks, space }: ResolvedBlock): Candidate[][] {
  if (looks.mode === 'one-of')
    return expandRows(looks.rows, space).map((use) => (use?.[0] ? [use[0]] : []));
  const shown = Array.from({ length: space.size }, (): Candidate[] => []);
  for (const { when, value } of looks.rows)
    space.matching(when).forEach((state) => value[0] && itemAt(shown, state).push(value[0]));
  return shown;
}

const cell = (texels: number): PlainBox => ({ at: [0, 0, 0], size: [texels, texels, texels] });

/**
 * The boxes of the model that a candidate shows, turned as it is shown; undefined when there is no
 * such model.
 */
function modelBoxes(mod: Mod, candidate: Candidate | undefined): PlainBox[] | undefined {
  const model = candidate && resolvedModelOf(mod, candidate.model);
  if (!model) return undefined;
  const { front = 'south', top = usualTop(front) } = candidate;
  const boxes = plainBoxes(model);
  return isOrientation({ front, top })
    ? boxes.map((box) => orientBox(box, { front, top }, mod.header.texels))
    : boxes;
}
