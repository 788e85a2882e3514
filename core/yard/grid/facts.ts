import type { PlainBox } from '../../space/index.ts';
import { valueIn } from '../block/rows.ts';
import { fullLight } from '../light.ts';
import type { PackWorld } from '../pack-world.ts';
import type { Meant, Numbers } from './numbers.ts';

/** A cuboid in its cell, which reaches from 0 to 1: its low and its high corner. */
export type Body = readonly [number, number, number, number, number, number];

/** What a number of a cell means for light, bodies and feet. */
export interface CellFacts {
  emits: number;
  absorbs: number;
  collision: readonly Body[];
  outline: readonly Body[];
  friction: number;
  bounce: number;
  speedOnTop: number;
  /** The share of the speed that who is in it loses each tick. */
  drag: number;
  /** The share of a whole life that a second of touching it costs. */
  harm: number;
  /** Whether it darkens the corners of faces beside it. */
  isTaken: boolean;
}

const whole: readonly Body[] = [[0, 0, 0, 1, 1, 1]];
/** The friction of stone, on which walking is measured. */
export const usualFriction = 0.6;

/** Of a cell in which nothing stands. */
export const ofOpen: CellFacts = {
  emits: 0,
  absorbs: 0,
  collision: [],
  outline: [],
  friction: usualFriction,
  bounce: 0,
  speedOnTop: 1,
  drag: 0,
  harm: 0,
  isTaken: false,
};
const ofUnknown: CellFacts = {
  ...ofOpen,
  absorbs: fullLight,
  collision: whole,
  outline: whole,
  isTaken: true,
};

/**
 * The facts of numbers, each worked out when it is first asked for.
 *
 * @example factsOf(world, numbers)(numbers.of({ block: 'saltmarsh:brine_glass', state: 0 })).absorbs
 */
export function factsOf(world: PackWorld, numbers: Numbers): (number: number) => CellFacts {
  const known: CellFacts[] = [];
  return (number) => (known[number] ??= factsFor(numbers.meant(number), world.texels));
}

function factsFor(meant: Meant | undefined, texels: number): CellFacts {
  if (!meant) return ofOpen;
  if (meant.kind === 'unknown') return ofUnknown;
  if (meant.kind === 'fluid') {
    const { light = 0, absorbs = 1, drag = 0, harm = 0 } = meant.fluid;
    return { ...ofOpen, emits: light, absorbs, drag, harm };
  }
  const { block } = meant;
  const state = block.space.decode(meant.state);
  const bodies = (boxes: readonly PlainBox[] | undefined) =>
    (boxes ?? []).map((box) => bodyOf(box, texels));
  return {
    emits: valueIn(block.lightEmitted, state) ?? 0,
    absorbs: valueIn(block.lightAbsorbed, state) ?? fullLight,
    collision: bodies(valueIn(block.collision, state)),
    outline: bodies(valueIn(block.outline, state)),
    friction: valueIn(block.friction, state) ?? usualFriction,
    bounce: block.bounce ?? 0,
    speedOnTop: block.speedOnTop ?? 1,
    drag: block.dragInside ?? 0,
    harm: block.harmOnTouch ?? 0,
    isTaken: block.look !== undefined && block.look.display.hidesNeighbours !== 'never',
  };
}

const bodyOf = ({ at: [x, y, z], size: [w, h, d] }: PlainBox, texels: number): Body => [
  x / texels,
  y / texels,
  z / texels,
  (x + w) / texels,
  (y + h) / texels,
  (z + d) / texels,
];
