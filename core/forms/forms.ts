import type { Looks, Placing } from '../mod/index.ts';
import {
  headings,
  opposite,
  orientationAlong,
  type Heading,
  type Orientation,
} from '../space/index.ts';
import { valuesOf, type When } from '../states/index.ts';
import { cornerValues } from '../placing/index.ts';
import { filledUp, ofTwoHalves, opening, pressedByFoot, pressedByHand } from './answers.ts';
import type { Form, FormModel, FormProperty } from './form.ts';

type LookRow = Looks['rows'][number];

const heading: FormProperty = { name: 'heading', kind: 'heading', default: 'south' };
const pressed: FormProperty = { name: 'pressed', kind: 'toggle', default: false };
const half: FormProperty = {
  name: 'half',
  kind: 'choice',
  values: ['lower', 'upper'],
  default: 'lower',
};
const corner: FormProperty = {
  name: 'corner',
  kind: 'choice',
  values: [...cornerValues],
  default: 'straight',
  mirrored: {
    inner_left: 'inner_right',
    inner_right: 'inner_left',
    outer_left: 'outer_right',
    outer_right: 'outer_left',
  },
};
const hinge: FormProperty = {
  name: 'hinge',
  kind: 'choice',
  values: ['left', 'right'],
  default: 'left',
  mirrored: { left: 'right', right: 'left' },
};
const opened: FormProperty = { name: 'open', kind: 'toggle', default: false };
const towardPlayer: Placing = { set: 'heading', to: 'toward the player' };
/** What is not a whole cube hides nothing behind it and lets light through. */
const open = { hidesNeighbours: 'never', lightAbsorbed: 0 } as const;
/** What is drawn with the holes of its picture. */
const withHoles = { ...open, alphaMode: 'mask' } as const;

const show = (model: string, { front, top }: Partial<Orientation> = {}): LookRow['use'] => [
  { model, ...(front && { front }), ...(top && { top }) },
];
/** One look for all states. */
const always = (model: string): Looks => ({ mode: 'one-of', rows: [{ use: show(model) }] });
const looks = (rows: LookRow[]): Looks => ({ mode: 'one-of', rows });

/** A row for each value of a property, the model turned along it. */
const turnedAlong = (property: FormProperty, model: string, when: When = {}): LookRow[] =>
  valuesOf(property).map((value) => {
    const upright = { front: 'south', top: 'up' } as const;
    const { front, top } = orientationAlong(value as Heading, upright);
    return {
      when: { [property.name]: value, ...when },
      use: show(model, { ...(front !== 'south' && { front }), ...(top !== 'up' && { top }) }),
    };
  });

/** The heading that is a quarter turn clockwise from another, seen from above. */
const clockwise: Readonly<Record<Heading, Heading>> = {
  north: 'east',
  east: 'south',
  south: 'west',
  west: 'north',
};

/**
 * The model of a stair that goes round a corner. Inner and outer corners are made with their high part
 * on the left; the right one is that turned by a quarter. Hanging from its top, left is right.
 */
function cornerShown(
  heading: Heading,
  half: 'lower' | 'upper',
  shape: (typeof cornerValues)[number],
): LookRow['use'] {
  const model = shape === 'straight' ? 'main' : shape.startsWith('outer') ? 'outer' : 'inner';
  const isUpper = half === 'upper';
  const isAsMade = shape === 'straight' || shape.endsWith(isUpper ? 'right' : 'left');
  const turned = isUpper ? clockwise[heading] : counterclockwise(heading);
  const front = isAsMade ? heading : turned;
  return isUpper
    ? [{ model, front, top: 'down', upright: true }]
    : show(model, front === 'south' ? {} : { front });
}

const counterclockwise = (heading: Heading): Heading => clockwise[clockwise[clockwise[heading]]];

/** A middle with an arm to each side on which something stands. */
const joined = (arm: FormModel, middle: FormModel) =>
  ({
    properties: headings.map((name): FormProperty => ({ name, kind: 'toggle', default: false })),
    placing: headings.map((side): Placing => ({ set: side, to: 'joined', side })),
    models: { main: middle, arm },
    looks: {
      mode: 'layered',
      rows: [
        { use: show('main') },
        ...headings.map((side) => ({
          when: { [side]: true },
          use: show('arm', side === 'south' ? {} : { front: side }),
        })),
      ],
    } satisfies Looks,
    traits: open,
    shown: { north: true, south: true },
  }) as const;

const template = (name: string, slots: FormModel['slots']): FormModel => ({
  template: `obrank:${name}`,
  slots,
});
const plain = { properties: [], placing: [], traits: {} };
const ofColumn = { side: 'side', end: 'end' } as const;
const ofPane = { face: 'face', edge: 'edge' } as const;

/** The forms that Obrank brings along, the plain ones first. */
export const forms: readonly Form[] = [
  {
    ...plain,
    name: 'cube',
    title: 'Cube',
    note: 'One picture on all sides.',
    models: { main: template('cube', { face: 'face' }) },
    looks: always('main'),
  },
  {
    ...plain,
    name: 'ends_and_sides',
    title: 'Ends and sides',
    note: 'One picture round the sides, one above and below.',
    models: { main: template('column', ofColumn) },
    looks: always('main'),
  },
  {
    name: 'six_sides',
    title: 'Six sides',
    note: 'A front that faces the player who places it, a back, and ends.',
    properties: [heading],
    placing: [towardPlayer],
    models: {
      main: template('cube_sided', {
        front: 'front',
        back: 'side',
        left: 'side',
        right: 'side',
        top: 'end',
        bottom: 'end',
      }),
    },
    looks: looks(turnedAlong(heading, 'main')),
    traits: {},
  },
  (() => {
    const axis: FormProperty = { name: 'axis', kind: 'axis', default: 'y' };
    return {
      name: 'column',
      title: 'Column',
      note: 'It lies along the side that was clicked, as trunks do.',
      properties: [axis],
      placing: [{ set: 'axis', to: 'along the clicked side' }],
      models: { main: template('column', ofColumn) },
      looks: looks(turnedAlong(axis, 'main')),
      traits: {},
      shown: { axis: 'x' },
    } satisfies Form;
  })(),
  {
    ...plain,
    name: 'cross',
    title: 'Cross',
    note: 'Two crossed planes, for plants. One walks through it.',
    models: { main: template('cross', { plant: 'plant' }) },
    looks: always('main'),
    traits: { ...withHoles, shadedCorners: false },
    shapes: { collision: 'none' },
    item: 'flat',
  },
  {
    ...plain,
    name: 'plane',
    title: 'Flat on the ground',
    note: 'One picture that lies on what is below.',
    models: { main: template('plane', { face: 'pad' }) },
    looks: always('main'),
    traits: withHoles,
    shapes: { collision: 'none', outline: [{ at: [0, 0, 0], size: [16, 1, 16] }] },
    item: 'flat',
  },
  {
    name: 'slab',
    title: 'Slab',
    note: 'The lower or the upper half, by where one clicks; both of them drop two.',
    properties: [
      {
        name: 'half',
        kind: 'choice',
        values: ['lower', 'upper', 'both'],
        default: 'lower',
      },
    ],
    placing: [{ set: 'half', to: 'half of the clicked side', value: 'upper', otherwise: 'lower' }],
    models: { main: template('slab', ofColumn), whole: template('column', ofColumn) },
    looks: looks([
      { when: { half: 'lower' }, use: show('main') },
      {
        when: { half: 'upper' },
        use: [{ model: 'main', front: 'south', top: 'down', upright: true }],
      },
      { when: { half: 'both' }, use: show('whole') },
    ]),
    traits: {
      hidesNeighbours: 'by side',
      lightAbsorbed: [{ when: { half: 'both' }, value: 15 }, { value: 0 }],
    },
    drops: [{ when: { half: 'both' }, count: 2 }],
    reactions: filledUp,
  },
  {
    name: 'stair',
    title: 'Stair',
    note: 'It rises away from the player, upright or hanging by where one clicks, and goes round corners.',
    properties: [heading, half, corner],
    placing: [
      towardPlayer,
      { set: 'half', to: 'half of the clicked side', value: 'upper', otherwise: 'lower' },
      { set: 'corner', to: 'corner', alike: ['half'] },
    ],
    models: {
      main: template('stair', ofColumn),
      outer: template('stair_outer', ofColumn),
      inner: template('stair_inner', ofColumn),
    },
    looks: looks(
      headings.flatMap((value) =>
        (['lower', 'upper'] as const).flatMap((at) =>
          cornerValues.map((shape): LookRow => ({
            when: { heading: value, half: at, corner: shape },
            use: cornerShown(value, at, shape),
          })),
        ),
      ),
    ),
    traits: { hidesNeighbours: 'by side', lightAbsorbed: 0 },
  },
  {
    ...joined(template('arms', { side: 'side' }), template('post', ofColumn)),
    name: 'post_and_arms',
    title: 'Post and arms',
    note: 'Arms reach to whatever stands beside it.',
  },
  {
    ...joined(template('wall_wing', ofColumn), template('wall_post', ofColumn)),
    name: 'wall',
    title: 'Wall',
    note: 'Thick, a little lower between its posts; it joins what stands beside it.',
  },
  {
    ...joined(template('pane_wing', ofPane), template('pane_middle', ofPane)),
    name: 'pane',
    title: 'Pane',
    note: 'A thin wall that joins what stands beside it.',
  },
  {
    name: 'door_leaf',
    title: 'Door leaf',
    note: 'It faces the player, and opens by hand or by a signal.',
    properties: [heading, opened],
    placing: [towardPlayer],
    models: { main: template('leaf', ofPane) },
    looks: looks([
      ...turnedAlong(heading, 'main', { open: false }),
      ...headings.map((value) => ({
        when: { heading: value, open: true },
        use: show('main', clockwise[value] === 'south' ? {} : { front: clockwise[value] }),
      })),
    ]),
    traits: open,
    reactions: opening,
  },
  {
    name: 'door',
    title: 'Door',
    note: 'Two halves that open as one; crouching, one hangs it on the other side.',
    properties: [heading, half, hinge, opened],
    placing: [towardPlayer, { set: 'hinge', to: 'crouching', value: 'right', otherwise: 'left' }],
    models: {
      main: template('leaf', ofPane),
      upper: template('leaf', { face: 'front', edge: 'edge' }),
    },
    looks: looks(
      (['main', 'upper'] as const).flatMap((model) => {
        const at = model === 'main' ? 'lower' : 'upper';
        return [
          ...turnedAlong(heading, model, { half: at, open: false }),
          ...(['left', 'right'] as const).flatMap((side) =>
            headings.map((value): LookRow => {
              const front = side === 'left' ? clockwise[value] : opposite(clockwise[value]);
              return {
                when: { heading: value, half: at, open: true, hinge: side },
                use: show(model, front === 'south' ? {} : { front }),
              };
            }),
          ),
        ];
      }),
    ),
    traits: open,
    reactions: ofTwoHalves,
    onTop: { half: 'upper' },
    drops: [{ when: { half: 'upper' }, count: 0 }],
    item: 'flat',
  },
  {
    name: 'hatch',
    title: 'Hatch',
    note: 'A lid at the bottom or the top of its cell, lifted by hand or by a signal.',
    properties: [heading, half, opened],
    placing: [
      towardPlayer,
      { set: 'half', to: 'half of the clicked side', value: 'upper', otherwise: 'lower' },
    ],
    models: { main: template('lid', ofPane) },
    looks: looks([
      ...turnedAlong(heading, 'main', { half: 'lower', open: false }),
      ...headings.map((value): LookRow => ({
        when: { heading: value, half: 'upper', open: false },
        use: [{ model: 'main', front: value, top: 'down', upright: true }],
      })),
      ...headings.map((value): LookRow => ({
        when: { heading: value, open: true },
        use: show('main', { front: 'up', top: value }),
      })),
    ]),
    traits: open,
    reactions: opening,
  },
  {
    name: 'gate',
    title: 'Gate',
    note: 'Rails between two posts, which swing open by hand or by a signal.',
    properties: [heading, opened],
    placing: [towardPlayer],
    models: { main: template('gate', ofColumn), open: template('gate_open', ofColumn) },
    looks: looks([
      ...turnedAlong(heading, 'main', { open: false }),
      ...turnedAlong(heading, 'open', { open: true }),
    ]),
    traits: open,
    reactions: opening,
  },
  {
    name: 'ladder',
    title: 'Ladder',
    note: 'It leans on what is solid behind it. One walks through it.',
    properties: [heading],
    placing: [{ set: 'heading', to: 'away from a solid neighbour' }, towardPlayer],
    models: { main: template('rungs', { face: 'rungs' }) },
    looks: looks(turnedAlong(heading, 'main')),
    traits: withHoles,
    shapes: { collision: 'none' },
    item: 'flat',
  },
  {
    name: 'button',
    title: 'Button',
    note: 'It stands out from the wall, the floor or the ceiling that was clicked; pressed, it gives a signal and comes back.',
    properties: [
      {
        name: 'mount',
        kind: 'choice',
        values: ['wall', 'floor', 'ceiling'],
        default: 'wall',
      },
      heading,
      pressed,
    ],
    placing: [
      { set: 'mount', to: 'fixed', value: 'floor', when: { clicked: ['up'] } },
      { set: 'mount', to: 'fixed', value: 'ceiling', when: { clicked: ['down'] } },
      { set: 'mount', to: 'fixed', value: 'wall' },
      { set: 'heading', to: 'clicked side' },
      towardPlayer,
    ],
    models: {
      main: template('button', { face: 'face' }),
      pressed: template('button_pressed', { face: 'face' }),
    },
    looks: looks(
      (['main', 'pressed'] as const).flatMap((model) => {
        const isPressed = model === 'pressed';
        return [
          ...turnedAlong(heading, model, { mount: 'wall', pressed: isPressed }),
          ...headings.map((value): LookRow => ({
            when: { heading: value, mount: 'floor', pressed: isPressed },
            use: show(model, { front: 'up', top: value }),
          })),
          ...headings.map((value): LookRow => ({
            when: { heading: value, mount: 'ceiling', pressed: isPressed },
            use: show(model, { front: 'down', top: value }),
          })),
        ];
      }),
    ),
    traits: open,
    shapes: { collision: 'none' },
    reactions: pressedByHand,
  },
  {
    name: 'plate',
    title: 'Plate',
    note: 'A low plate that goes down under whoever steps on it, and gives a signal.',
    properties: [pressed],
    placing: [],
    models: {
      main: template('plate', { face: 'face' }),
      pressed: template('plate_pressed', { face: 'face' }),
    },
    looks: looks([
      { when: { pressed: false }, use: show('main') },
      { when: { pressed: true }, use: show('pressed') },
    ]),
    traits: open,
    reactions: pressedByFoot,
  },
  {
    ...plain,
    name: 'carpet',
    title: 'Carpet',
    note: 'A thin cover of what is below.',
    models: { main: template('carpet', { face: 'face' }) },
    looks: always('main'),
    traits: open,
  },
];

/** The form of that name. */
export const formNamed = (name: string): Form | undefined =>
  forms.find((form) => form.name === name);
