import { freeName } from '../../lists/index.ts';
import type { Box } from '../../mod/entries.schema.ts';
import { vector, type AxisIndex, type PlainBox, type Vec3 } from '../../space/index.ts';
import { plainBox } from '../facts.ts';
import { around } from '../fit.ts';
import { changed, moved, type Chosen } from './change.ts';

/** Boxes after something was added, with the numbers of what is new. */
export interface Added {
  boxes: Box[];
  chosen: Set<number>;
}

const namesOf = (boxes: readonly Box[]): string[] => boxes.flatMap(({ name }) => name ?? []);

/** Boxes put behind others, each with a name that no other has. */
export function added(boxes: readonly Box[], more: readonly Box[]): Added {
  const all = [...boxes];
  for (const box of more) {
    const taken = namesOf(all);
    const isFree = box.name !== undefined && !taken.includes(box.name);
    all.push({ ...box, name: isFree ? box.name : freeName(base(box.name ?? 'box'), taken) });
  }
  const chosen = new Set(more.map((_, i) => boxes.length + i));
  return { boxes: all, chosen };
}

/** A name without the number that was put behind it to make it free. */
const base = (name: string): string => name.replace(/_\d+$/, '');

/** The chosen boxes a second time, moved by so many texels. */
export const again = (boxes: readonly Box[], chosen: Chosen, by: Vec3): Added =>
  repeated(boxes, chosen, 2, by);

/**
 * The chosen boxes `times` times in all, each set a step away from the one before.
 *
 * @example repeated(rack, new Set([5]), 3, [0, 0, 5]) // three laths, five texels apart
 */
export function repeated(boxes: readonly Box[], chosen: Chosen, times: number, step: Vec3): Added {
  const originals = boxes.filter((_, i) => chosen.has(i));
  const all = new Set(originals.keys());
  const copies = Array.from({ length: Math.max(0, times - 1) }, (_, n) =>
    moved(
      originals,
      all,
      vector((axis) => step[axis] * (n + 1)),
    ),
  );
  return added(boxes, copies.flat());
}

/** Where boxes are laid: at the low end of what holds them along an axis, its middle, its high end. */
export type Alignment = 'low' | 'middle' | 'high';

/**
 * The chosen boxes in one line along an axis: of several within the space they take up together, of
 * one within the cell.
 */
export function aligned(
  boxes: readonly Box[],
  chosen: Chosen,
  axis: AxisIndex,
  to: Alignment,
  texels: number,
): Box[] {
  const cell: PlainBox = { at: [0, 0, 0], size: [texels, texels, texels] };
  const held = chosen.size > 1 ? spaceOf(boxes, chosen) : cell;
  return changed(boxes, chosen, (box) => {
    const lies = plainBox(box);
    const room = held.size[axis] - lies.size[axis];
    const share = { low: 0, middle: 0.5, high: 1 }[to];
    const by = held.at[axis] + room * share - lies.at[axis];
    const [one] = moved(
      [box],
      new Set([0]),
      vector((i) => (i === axis ? by : 0)),
    );
    return one ?? box;
  });
}

/** The least space around the chosen boxes as they lie. */
export const spaceOf = (boxes: readonly Box[], chosen: Chosen): PlainBox =>
  around(boxes.filter((_, i) => chosen.has(i)).map(plainBox));

/** The boxes without the chosen ones. */
export const without = (boxes: readonly Box[], chosen: Chosen): Box[] =>
  boxes.filter((_, i) => !chosen.has(i));

/** The chosen boxes put into a group, or out of theirs. */
export const grouped = (boxes: readonly Box[], chosen: Chosen, group: string | undefined): Box[] =>
  changed(boxes, chosen, ({ group: _, ...box }) => (group === undefined ? box : { ...box, group }));
