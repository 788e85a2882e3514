import type { Vec3 } from '../../space/index.ts';
import { usualFriction, type Body, type CellFacts } from '../grid/facts.ts';

/** Somebody in the Yard: where their feet are, how fast they go, and where they look. */
export interface Player {
  at: Vec3;
  /** In blocks a second. */
  speed: Vec3;
  /** Degrees clockwise from north; upward from level. */
  yaw: number;
  pitch: number;
  crouches: boolean;
  flies: boolean;
  isStanding: boolean;
  /** So many blocks they have fallen since they stood last. */
  fallen: number;
}

/** Where the legs want to go: each −1, 0 or 1. */
export interface Gait {
  forward: number;
  right: number;
  up: number;
}

/** What a body meets. */
export interface Ground {
  factsAt: (place: Vec3) => CellFacts;
  tickRate: number;
}

/** What came of a tick for the feet: the cell that they came to stand on, and after which fall. */
export interface Landing {
  place: Vec3;
  fallen: number;
}

const half = 0.35;
const height = 1.75;
const crouchedHeight = 1.4;
/** Whoever walks against something no higher than this climbs it. */
const climbs = 1.01;
const gravity = 9.8;
const legs = 6;
const crouchedLegs = 0.4;
const flight = 9;
const leap = 5;
const tiny = 1e-4;

/** How high the eyes are above the feet. */
export const eyesOf = ({ at: [x, y, z], crouches }: Player): Vec3 => [
  x,
  y + (crouches ? 1.25 : 1.6),
  z,
];

/** Where the body is: its low and its high corner. */
export const bodyOf = ({ at: [x, y, z], crouches }: Player): Body => [
  x - half,
  y,
  z - half,
  x + half,
  y + (crouches ? crouchedHeight : height),
  z + half,
];

/** Whether a body in a cell would be within somebody. */
export function isInTheWay(player: Player, place: Vec3, bodies: readonly Body[]): boolean {
  const own = bodyOf(player);
  return bodies.some((body) =>
    [0, 1, 2].every(
      (axis) =>
        body[axis]! + place[axis]! < own[axis + 3]! - tiny &&
        body[axis + 3]! + place[axis]! > own[axis]! + tiny,
    ),
  );
}

/**
 * One tick of walking or flying, by the sentences Surface and Contact of the section Reference
 * physics: the legs push, the ground takes its share of the speed, then what one is in takes its
 * own; after a fall a share of the speed is left, upward.
 *
 * @example walked(player, { forward: 1, right: 0, up: 0 }, ground).player.at
 */
export function walked(
  player: Player,
  gait: Gait,
  ground: Ground,
): { player: Player; landing?: Landing } {
  const pushed = player.flies ? flown(player, gait) : pushedOn(player, gait, ground);
  const [dx, dy, dz] = [0, 1, 2].map((axis) => pushed[axis]! / ground.tickRate) as [
    number,
    number,
    number,
  ];
  return moved({ ...player, speed: pushed }, [dx, dy, dz], ground);
}

/** Where the legs push, as a step of length 1 or less. */
function wanted({ yaw }: Player, { forward, right }: Gait): [number, number] {
  const angle = (yaw / 180) * Math.PI;
  const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
  const [x, z] = [forward * sin + right * cos, right * sin - forward * cos];
  const length = Math.sqrt(x * x + z * z);
  return length > 1 ? [x / length, z / length] : [x, z];
}

function flown(player: Player, gait: Gait): Vec3 {
  const [x, z] = wanted(player, gait);
  const toward = [x * flight, gait.up * flight, z * flight];
  return [0, 1, 2].map((axis) => {
    const speed = player.speed[axis]! + (toward[axis]! - player.speed[axis]!) * 0.4;
    return Math.abs(speed) < tiny ? 0 : speed;
  }) as unknown as Vec3;
}

function pushedOn(player: Player, gait: Gait, { factsAt, tickRate }: Ground): Vec3 {
  const [x, z] = wanted(player, gait);
  const under = factsAt(cellUnder(player));
  const { friction, speedOnTop } = player.isStanding
    ? under
    : { friction: usualFriction, speedOnTop: 1 };
  const push = legs * speedOnTop * (player.crouches ? crouchedLegs : 1);
  const drag = dragOn(player, factsAt);
  const leaps = gait.up > 0 && player.isStanding;
  const swims = gait.up > 0 && drag > 0 ? (gravity + leap * 2) / tickRate : 0;
  const rising = leaps ? leap : player.speed[1] - gravity / tickRate + swims;
  const left = 1 - drag;
  const still = (speed: number) => (Math.abs(speed) < tiny ? 0 : speed);
  return [
    still((player.speed[0] + x * push) * (1 - friction) * left),
    rising * left,
    still((player.speed[2] + z * push) * (1 - friction) * left),
  ];
}

const cellOf = ([x, y, z]: Vec3): Vec3 => [Math.floor(x), Math.floor(y), Math.floor(z)];
/** The cell on which the feet stand; a little below them. */
const cellUnder = ({ at: [x, y, z] }: Player): Vec3 => cellOf([x, y - 0.02, z]);

/** The greatest share of the speed that a cell takes in which somebody is. */
function dragOn(player: Player, factsAt: Ground['factsAt']): number {
  const [fromX, fromY, fromZ, toX, toY, toZ] = bodyOf(player);
  let most = 0;
  for (const place of cellsWithin([fromX, fromY, fromZ], [toX, toY, toZ]))
    most = Math.max(most, factsAt(place).drag);
  return most;
}

function* cellsWithin(from: Vec3, to: Vec3): Generator<Vec3> {
  for (let y = Math.floor(from[1]); y <= Math.floor(to[1] - tiny); y += 1)
    for (let z = Math.floor(from[2]); z <= Math.floor(to[2] - tiny); z += 1)
      for (let x = Math.floor(from[0]); x <= Math.floor(to[0] - tiny); x += 1) yield [x, y, z];
}

function moved(player: Player, way: Vec3, ground: Ground): { player: Player; landing?: Landing } {
  const body = bodyOf(player);
  let gone = cut(body, way, ground.factsAt);
  const isHeldUp = (axis: 0 | 2) => Math.abs(gone[axis] - way[axis]) > tiny;
  if (player.isStanding && !player.flies && (isHeldUp(0) || isHeldUp(2))) {
    // Over what is no higher than a step: up, along, and down again as far as it goes.
    const lifted = cut(body, [0, climbs, 0], ground.factsAt);
    const over = cut(shifted(body, lifted), [way[0], 0, way[2]], ground.factsAt);
    const down = cut(
      shifted(body, [over[0], lifted[1], over[2]]),
      [0, -lifted[1], 0],
      ground.factsAt,
    );
    const isFurther = Math.abs(over[0]) + Math.abs(over[2]) > Math.abs(gone[0]) + Math.abs(gone[2]);
    if (isFurther) gone = [over[0], lifted[1] + down[1], over[2]];
  }
  const isStopped = (axis: 0 | 1 | 2) => Math.abs(gone[axis] - way[axis]) > tiny;
  const isStanding = !player.flies && way[1] <= 0 && gone[1] > way[1] + tiny;
  const at: Vec3 = [player.at[0] + gone[0], player.at[1] + gone[1], player.at[2] + gone[2]];
  const after: Player = { ...player, at, isStanding };
  const fallen = player.isStanding || player.flies ? 0 : player.fallen + Math.max(0, -gone[1]);
  const { bounce } = ground.factsAt(cellUnder(after));
  const rebound = isStanding && !player.crouches && fallen > 0.2 ? -player.speed[1] * bounce : 0;
  const speed: Vec3 = [
    isStopped(0) && gone[1] <= 0 ? 0 : player.speed[0],
    isStanding || isStopped(1) ? rebound : player.speed[1],
    isStopped(2) && gone[1] <= 0 ? 0 : player.speed[2],
  ];
  const bounces = rebound > 0.5;
  return {
    player: {
      ...after,
      speed: bounces ? speed : [speed[0], Math.min(speed[1], isStanding ? 0 : speed[1]), speed[2]],
      isStanding: isStanding && !bounces,
      fallen: isStanding ? 0 : fallen,
    },
    ...(isStanding && { landing: { place: cellUnder(after), fallen } }),
  };
}

const shifted = (body: Body, [x, y, z]: Vec3): Body => [
  body[0] + x,
  body[1] + y,
  body[2] + z,
  body[3] + x,
  body[4] + y,
  body[5] + z,
];

/** How much of a way a body can go: along y first, then x, then z, each until something is met. */
function cut(body: Body, way: Vec3, factsAt: Ground['factsAt']): Vec3 {
  const low = [0, 1, 2].map((i) => Math.min(body[i]!, body[i]! + way[i]!)) as unknown as Vec3;
  const high = [3, 4, 5].map((i) => Math.max(body[i]!, body[i]! + way[i - 3]!));
  const near: Body[] = [];
  // A body may reach a cell beyond its own.
  const [first, last] = [low.map((part) => part - 1), high.map((part) => part + 1)];
  for (const place of cellsWithin(first as unknown as Vec3, last as unknown as Vec3))
    for (const one of factsAt(place).collision) near.push(shifted(one, place));
  const gone: [number, number, number] = [0, 0, 0];
  let at = body;
  for (const axis of [1, 0, 2] as const) {
    gone[axis] = along(at, near, axis, way[axis]);
    const step: [number, number, number] = [0, 0, 0];
    step[axis] = gone[axis];
    at = shifted(at, step);
  }
  return gone;
}

function along(body: Body, near: readonly Body[], axis: 0 | 1 | 2, way: number): number {
  const [b, c] = [(axis + 1) % 3, (axis + 2) % 3];
  let left = way;
  for (const other of near) {
    const isBeside = [b, c].every(
      (one) => other[one]! < body[one + 3]! - tiny && other[one + 3]! > body[one]! + tiny,
    );
    if (!isBeside) continue;
    if (way > 0 && other[axis] >= body[axis + 3]! - tiny)
      left = Math.min(left, Math.max(0, other[axis] - body[axis + 3]!));
    if (way < 0 && other[axis + 3]! <= body[axis] + tiny)
      left = Math.max(left, Math.min(0, other[axis + 3]! - body[axis]));
  }
  return left;
}
