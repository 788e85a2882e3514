import {
  axes,
  orientations,
  rotationOf,
  type Axis,
  type Orientation,
  type Vec3,
} from '../../../space/index.ts';

/** How an engine is told of a turn: about which axes one after the other, which way, in what. */
export interface Angles {
  about: readonly Axis[];
  sense?: 'counterclockwise' | 'clockwise' | undefined;
  unit?: 'degrees' | 'quarters' | undefined;
}

type Quarters = readonly (0 | 1 | 2 | 3)[];

const cosines = [1, 0, -1, 0] as const;
const sines = [0, 1, 0, -1] as const;

/** A step turned by quarters about an axis of the world, by the right-hand rule. */
function turned([x, y, z]: Vec3, axis: Axis, quarters: 0 | 1 | 2 | 3): Vec3 {
  const [c, s] = [cosines[quarters], sines[quarters]];
  if (axis === 'x') return [x, y * c - z * s, y * s + z * c];
  if (axis === 'y') return [x * c + z * s, y, z * c - x * s];
  return [x * c - y * s, x * s + y * c, z];
}

/** Every choice of quarters for so many axes, those with few turns first. */
function choices(count: number): Quarters[] {
  const all = Array.from({ length: 4 ** count }, (_, index) =>
    Array.from({ length: count }, (__, axis) => (index >> (2 * axis)) % 4),
  ) as unknown as Quarters[];
  const turns = (quarters: Quarters): number => quarters.filter((many) => many > 0).length;
  return all.sort((a, b) => turns(a) - turns(b));
}

const known = new Map<string, ReadonlyMap<string, Quarters>>();
const nameOf = ({ front, top }: Orientation): string => `${front} ${top}`;

/** The quarters about each axis by the orientation that they give, of all that can be given so. */
function table(about: readonly Axis[]): ReadonlyMap<string, Quarters> {
  const key = about.join('');
  const before = known.get(key);
  if (before) return before;
  const made = new Map<string, Quarters>();
  for (const quarters of choices(about.length)) {
    const bring = (step: Vec3): string =>
      about
        .reduce<Vec3>((at, axis, index) => turned(at, axis, quarters[index] ?? 0), step)
        .map((value) => value + 0)
        .join();
    const found = orientations.find((orientation) => {
      const [, top, front] = rotationOf(orientation);
      return bring([0, 0, 1]) === front.join() && bring([0, 1, 0]) === top.join();
    });
    if (found && !made.has(nameOf(found))) made.set(nameOf(found), quarters);
  }
  known.set(key, made);
  return made;
}

/**
 * The angles that turn a model from how it was made (front south, top up) to an orientation: about
 * the axes of the world, one after the other. Undefined where no such angles lead there; about two
 * axes sixteen of the 24 orientations can be said.
 *
 * Axis turns composed in order as fixed-axis rotations: Diebel, "Representing Attitude", 2006,
 * section 5; with whole quarters every sine is exact, so all are tried and none is rounded.
 *
 * @example anglesTo({ front: 'east', top: 'up' }, { about: ['y'] }) // { y: 90 }
 */
export function anglesTo(
  orientation: Orientation,
  { about, sense, unit }: Angles,
): Partial<Record<Axis, number>> | undefined {
  const quarters = table(about).get(nameOf(orientation));
  if (!quarters) return undefined;
  const step = unit === 'quarters' ? 1 : 90;
  const said = (many: number) => (sense === 'clockwise' ? (4 - many) % 4 : many) * step;
  return Object.fromEntries(about.map((axis, index) => [axis, said(quarters[index] ?? 0)]));
}

/** The orientations that can be said as angles about such axes. */
export const sayable = (about: readonly Axis[]): Orientation[] =>
  orientations.filter((orientation) => table(about).has(nameOf(orientation)));

/** Axes as a template names them in one word, such as `yx`; undefined for what is no such word. */
export function axesIn(word: string): Axis[] | undefined {
  const named = [...word];
  const isAxis = (letter: string): letter is Axis => (axes as readonly string[]).includes(letter);
  const isWord = named.length > 0 && named.length <= 3 && new Set(named).size === named.length;
  return isWord && named.every(isAxis) ? named : undefined;
}
