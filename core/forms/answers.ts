import type { Reaction } from '../mod/index.ts';

/** So many ticks something that was pressed stays down: a second at the usual rate. */
const staysDown = 20;

/** What is pressed gives a signal, and comes back by itself. */
const pressing = (press: Pick<Reaction, 'when' | 'by'>): Reaction[] => [
  {
    ...press,
    if: { state: { pressed: false } },
    then: [
      { do: 'set', property: 'pressed', to: true },
      { do: 'signal', strength: 15, ticks: staysDown },
    ],
  },
  {
    when: 'after ticks',
    ticks: staysDown,
    if: { state: { pressed: true } },
    then: [{ do: 'set', property: 'pressed', to: false }],
  },
];
/** A button, pressed by hand. */
export const pressedByHand = (): Reaction[] => pressing({ when: 'used', by: 'players' });
/** A plate, pressed by whatever steps on it. */
export const pressedByFoot = (): Reaction[] => pressing({ when: 'stepped on' });

/** What is opened by hand, and stands open for as long as a signal comes. */
export const opening = (): Reaction[] => [
  { when: 'used', by: 'players', then: [{ do: 'flip', property: 'open' }] },
  { when: 'signal comes', then: [{ do: 'set', property: 'open', to: true }] },
  { when: 'signal goes', then: [{ do: 'set', property: 'open', to: false }] },
];

/**
 * A door of two halves, `lower` and `upper`: placed, it puts its upper half on top; each half does
 * what the other did, and goes when that is gone.
 */
export const ofTwoHalves = (id: string): Reaction[] => [
  {
    when: 'placed',
    if: { neighbour: { side: 'up', is: 'nothing' } },
    then: [{ do: 'place', block: id, side: 'up', keeps: true, state: { half: 'upper' } }],
  },
  ...(
    [
      ['lower', 'up'],
      ['upper', 'down'],
    ] as const
  ).flatMap(([half, side]): Reaction[] => [
    ...[true, false].map((open): Reaction => ({
      when: 'neighbour changes',
      if: { state: { half, open: !open }, neighbour: { side, is: id, state: { open } } },
      then: [{ do: 'set', property: 'open', to: open }],
    })),
    {
      when: 'neighbour changes',
      if: { state: { half }, neighbour: { side, is: 'nothing' } },
      then: [{ do: 'vanish' }],
    },
  ]),
  ...opening(),
];

/** A half is filled up with another one of its kind. */
export const filledUp = (id: string): Reaction[] => [
  {
    when: 'used',
    by: 'players',
    if: { state: { half: ['lower', 'upper'] }, holds: id },
    then: [{ do: 'set', property: 'half', to: 'both' }, { do: 'take' }],
  },
];
