import type { Box, Model } from '../mod/entries.schema.ts';
import { sides } from '../space/index.ts';

/** A model that Obrank brings along; measures are in sixteenths of a block. */
export interface Template {
  id: string;
  title: string;
  note: string;
  model: Model;
  slots: readonly string[];
}

const allSides = (slot: string): Box['sides'] =>
  Object.fromEntries(sides.map((side) => [side, { slot }]));
const cell = { at: [0, 0, 0], size: [16, 16, 16] } satisfies Partial<Box>;
const aroundMiddle = (by: number): Box['spin'] => ({ about: 'y', by, pivot: [8, 0, 8] });
const columnSides = (side: string, end: string): Box['sides'] => ({
  ...allSides(side),
  top: { slot: end },
  bottom: { slot: end },
});

const template = (
  name: string,
  title: string,
  note: string,
  slots: string[],
  boxes: Box[],
): Template => ({ id: `obrank:${name}`, title, note, slots, model: { boxes } });

/** The built-in templates. Their boxes name slots that a model fills. */
export const templates: readonly Template[] = [
  template(
    'cube',
    'Cube',
    'One texture on all six sides.',
    ['face'],
    [{ ...cell, sides: allSides('face') }],
  ),
  template(
    'cube_sided',
    'Sided cube',
    'A texture for each side.',
    [...sides],
    [{ ...cell, sides: Object.fromEntries(sides.map((side) => [side, { slot: side }])) }],
  ),
  template(
    'column',
    'Column',
    'One texture round the sides, one on both ends.',
    ['side', 'end'],
    [{ ...cell, sides: columnSides('side', 'end') }],
  ),
  template(
    'slab',
    'Slab',
    'The lower half of a cube.',
    ['side', 'end'],
    [{ at: [0, 0, 0], size: [16, 8, 16], sides: columnSides('side', 'end') }],
  ),
  template(
    'cross',
    'Cross',
    'Two crossed planes, for plants.',
    ['plant'],
    [45, -45].map((by) => ({
      at: [0, 0, 8],
      size: [16, 16, 0],
      spin: aroundMiddle(by),
      sides: { front: { slot: 'plant' }, back: { slot: 'plant' } },
    })),
  ),
];

/** The built-in template of that id. */
export const templateNamed = (id: string): Template | undefined =>
  templates.find((one) => one.id === id);
