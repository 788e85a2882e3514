import { itemAt } from '../lists/index.ts';
import type { Shape } from '../mod/block.schema.ts';
import type { Mod } from '../mod/mod.schema.ts';
import type { ResolvedBlock } from '../mod/resolve.ts';
import {
  inverse,
  isOrientation,
  orientBox,
  usualTop,
  type Orientation,
  type PlainBox,
} from '../space/index.ts';
import { expandRows, rowsFromValues, type Row } from '../states/index.ts';
import { farthest, unionVolume, type Far } from './fit.ts';
import { shapeIn, shownByState } from './shapes.ts';

/** How far a shape is off the model that it stands for. */
export interface ShapeOff {
  /** How much of it is air, 0 to 1. */
  air: number;
  /** Where one bumps into air farthest from the model. */
  bump: Far | undefined;
  /** Where one reaches deepest into the model without touching the shape. */
  through: Far | undefined;
}

/**
 * How far boxes that people bump into are off the boxes of a model.
 *
 * @example shapeOff([{ at: [0, 0, 0], size: [16, 16, 16] }], chair).bump // { by: 7.5, at: … }
 */
export function shapeOff(shape: readonly PlainBox[], model: readonly PlainBox[]): ShapeOff {
  const [cover, both] = [unionVolume(shape), unionVolume([...shape, ...model])];
  const solid = unionVolume(model);
  // What both fill is what is left when the parts that only one fills are taken away.
  const shared = cover + solid - both;
  return {
    air: cover > 0 ? Math.max(0, (cover - shared) / cover) : 0,
    bump: model.length ? farthest(shape, model) : undefined,
    through: shape.length ? farthest(model, shape) : undefined,
  };
}

type Which = 'collision' | 'outline';

/** How each state that shows a model alone has it turned; undefined for every other state. */
function turnedByState(block: ResolvedBlock, model: string): (Orientation | undefined)[] {
  return shownByState(block).map(([shown, ...others]) => {
    if (!shown || others.length || shown.model !== model) return undefined;
    const { front = 'south', top = usualTop(front) } = shown;
    return isOrientation({ front, top }) ? { front, top } : undefined;
  });
}

/**
 * What a block has for a shape where it shows a model alone, turned back to lie as the model was
 * made: of the first such state. Undefined where no state shows it alone.
 */
export function shapeOfModel(
  mod: Mod,
  block: ResolvedBlock,
  which: Which,
  model: string,
): PlainBox[] | undefined {
  if (block.space.tooLarge) return undefined;
  const turned = turnedByState(block, model);
  const state = turned.findIndex((orientation) => orientation !== undefined);
  if (state < 0) return undefined;
  return shapeIn(mod, block, block.shapes[which], state).map((box) =>
    orientBox(box, inverse(itemAt(turned, state)!), mod.header.texels),
  );
}

/**
 * The shape of a block with these boxes in every state that shows a model alone, turned as the
 * model is turned there. Other states keep what they have.
 */
export function shapeWithModel(
  mod: Mod,
  block: ResolvedBlock,
  which: Which,
  model: string,
  boxes: readonly PlainBox[],
): Row<Shape>[] {
  const turned = turnedByState(block, model);
  const now = expandRows(block.shapes[which], block.space);
  const known = new Map<string, PlainBox[]>();
  const turnedTo = ({ front, top }: Orientation): PlainBox[] => {
    const key = `${front} ${top}`;
    const made =
      known.get(key) ?? boxes.map((box) => orientBox(box, { front, top }, mod.header.texels));
    known.set(key, made);
    return made;
  };
  return rowsFromValues(
    now.map((shape, state): Shape => {
      const orientation = turned[state];
      return orientation ? turnedTo(orientation) : (shape ?? 'model');
    }),
    block.space,
  );
}
