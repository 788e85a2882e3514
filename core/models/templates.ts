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
const sidesOf = (slot: string, ...seen: (keyof Box['sides'])[]): Box['sides'] =>
  Object.fromEntries(seen.map((side) => [side, { slot }]));
const endsOf = (slot: string): Box['sides'] => sidesOf(slot, 'top', 'bottom');
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
  template(
    'plane',
    'Plane',
    'A picture that lies on the ground, seen from both sides.',
    ['face'],
    [{ at: [0, 0.25, 0], size: [16, 0, 16], sides: sidesOf('face', 'top', 'bottom') }],
  ),
  template(
    'stair',
    'Stair',
    'A step in front, the whole height behind.',
    ['side', 'end'],
    [
      { at: [0, 0, 0], size: [16, 8, 16], sides: columnSides('side', 'end') },
      {
        at: [0, 8, 0],
        size: [16, 8, 8],
        sides: {
          ...sidesOf('side', 'front', 'back', 'left', 'right'),
          ...sidesOf('end', 'top'),
        },
      },
    ],
  ),
  template(
    'stair_outer',
    'Outer corner of a stair',
    'A step on two sides, the whole height at the back on the left.',
    ['side', 'end'],
    [
      { at: [0, 0, 0], size: [16, 8, 16], sides: columnSides('side', 'end') },
      {
        at: [8, 8, 0],
        size: [8, 8, 8],
        sides: {
          ...sidesOf('side', 'front', 'back', 'left', 'right'),
          ...sidesOf('end', 'top'),
        },
      },
    ],
  ),
  template(
    'stair_inner',
    'Inner corner of a stair',
    'The whole height behind and at the front on the left, a step in the corner.',
    ['side', 'end'],
    [
      { at: [0, 0, 0], size: [16, 8, 16], sides: columnSides('side', 'end') },
      {
        at: [0, 8, 0],
        size: [16, 8, 8],
        sides: {
          ...sidesOf('side', 'front', 'back', 'left', 'right'),
          ...sidesOf('end', 'top'),
        },
      },
      {
        at: [8, 8, 8],
        size: [8, 8, 8],
        sides: { ...sidesOf('side', 'front', 'left', 'right'), ...sidesOf('end', 'top') },
      },
    ],
  ),
  template(
    'post',
    'Post',
    'An upright in the middle, to which arms are added.',
    ['side', 'end'],
    [{ at: [6, 0, 6], size: [4, 16, 4], sides: columnSides('side', 'end') }],
  ),
  template(
    'arms',
    'Arms',
    'Two rails from a post to the front.',
    ['side'],
    [3, 10].map((height) => ({
      at: [7, height, 10],
      size: [2, 3, 6],
      sides: sidesOf('side', 'front', 'left', 'right', 'top', 'bottom'),
    })),
  ),
  template(
    'wall_post',
    'Post of a wall',
    'A thick upright in the middle, to which wings are added.',
    ['side', 'end'],
    [{ at: [4, 0, 4], size: [8, 16, 8], sides: columnSides('side', 'end') }],
  ),
  template(
    'wall_wing',
    'Wing of a wall',
    'A wall from its post to the front, a little lower.',
    ['side', 'end'],
    [
      {
        at: [5, 0, 12],
        size: [6, 14, 4],
        sides: { ...sidesOf('side', 'front', 'left', 'right'), ...endsOf('end') },
      },
    ],
  ),
  template(
    'pane_middle',
    'Middle of a pane',
    'The upright of a pane, to which wings are added.',
    ['face', 'edge'],
    [
      {
        at: [7, 0, 7],
        size: [2, 16, 2],
        sides: { ...sidesOf('face', 'front', 'back', 'left', 'right'), ...endsOf('edge') },
      },
    ],
  ),
  template(
    'pane_wing',
    'Wing of a pane',
    'A pane from its middle to the front.',
    ['face', 'edge'],
    [
      {
        at: [7, 0, 9],
        size: [2, 16, 7],
        sides: {
          ...sidesOf('face', 'left', 'right'),
          ...sidesOf('edge', 'front'),
          ...endsOf('edge'),
        },
      },
    ],
  ),
  template(
    'leaf',
    'Leaf of a door',
    'A thin slab that stands at the front.',
    ['face', 'edge'],
    [
      {
        at: [0, 0, 13],
        size: [16, 16, 3],
        sides: {
          ...sidesOf('face', 'front', 'back'),
          ...sidesOf('edge', 'left', 'right'),
          ...endsOf('edge'),
        },
      },
    ],
  ),
  template(
    'lid',
    'Lid',
    'A thin slab that lies on the ground, as a hatch does.',
    ['face', 'edge'],
    [
      {
        at: [0, 0, 0],
        size: [16, 3, 16],
        sides: { ...endsOf('face'), ...sidesOf('edge', 'front', 'back', 'left', 'right') },
      },
    ],
  ),
  template(
    'gate',
    'Gate',
    'Two posts with rails between them.',
    ['side', 'end'],
    [
      ...[0, 14].map((x): Box => ({
        at: [x, 0, 7],
        size: [2, 14, 2],
        sides: columnSides('side', 'end'),
      })),
      ...[4, 10].map((y): Box => ({
        at: [2, y, 7],
        size: [12, 3, 2],
        sides: { ...sidesOf('side', 'front', 'back'), ...endsOf('end') },
      })),
    ],
  ),
  template(
    'gate_open',
    'Open gate',
    'Two posts, their rails swung to the front.',
    ['side', 'end'],
    [
      ...[0, 14].map((x): Box => ({
        at: [x, 0, 7],
        size: [2, 14, 2],
        sides: columnSides('side', 'end'),
      })),
      ...[0, 14].flatMap((x) =>
        [4, 10].map((y): Box => ({
          at: [x, y, 9],
          size: [2, 3, 6],
          sides: { ...sidesOf('side', 'left', 'right', 'front'), ...endsOf('end') },
        })),
      ),
    ],
  ),
  template(
    'rungs',
    'Rungs',
    'A picture that stands close to what is behind, as a ladder does.',
    ['face'],
    [{ at: [0, 0, 0.5], size: [16, 16, 0], sides: sidesOf('face', 'front', 'back') }],
  ),
  template(
    'button',
    'Button',
    'A small knob that stands out from behind.',
    ['face'],
    [{ at: [5, 6, 0], size: [6, 4, 2], sides: allSides('face') }],
  ),
  template(
    'button_pressed',
    'Pressed button',
    'A small knob, pressed in.',
    ['face'],
    [{ at: [5, 6, 0], size: [6, 4, 1], sides: allSides('face') }],
  ),
  template(
    'plate',
    'Plate',
    'A low plate on the ground, smaller than the cell.',
    ['face'],
    [{ at: [1, 0, 1], size: [14, 1, 14], sides: allSides('face') }],
  ),
  template(
    'plate_pressed',
    'Pressed plate',
    'A plate that lies half as high.',
    ['face'],
    [{ at: [1, 0, 1], size: [14, 0.5, 14], sides: allSides('face') }],
  ),
  template(
    'carpet',
    'Carpet',
    'A thin cover of the whole ground.',
    ['face'],
    [{ at: [0, 0, 0], size: [16, 1, 16], sides: allSides('face') }],
  ),
];

/** The built-in template of that id. */
export const templateNamed = (id: string): Template | undefined =>
  templates.find((one) => one.id === id);
