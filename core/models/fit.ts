import { itemAt } from '../lists/index.ts';
import { seededRandom, type PlainBox, type Vec3 } from '../space/index.ts';

/** A cover of a model by few boxes, and what it costs in truth. */
export interface Fit {
  boxes: PlainBox[];
  /** How much of the cover is air: 0 where it is the model itself, towards 1 where most is not there. */
  air: number;
  /** How far into the air one bumps at most, in texels: from the farthest texel to the model. */
  deepest: number;
}

type Group = readonly PlainBox[];

/**
 * The best covers of a model that were found with 1, 2, … up to `most` boxes: every box of the
 * model lies whole in one of them, and as little air as can be lies there too. With one box more it
 * is never worse. For each number the boxes are put together pair by pair (agglomerative clustering
 * by the volume gained, as in Ward, 1963), and the best cover before is split, and some are begun by lot;
 * then single boxes change groups for as long as that helps.
 *
 * @example fitBoxes(plainBoxes(rack), 4).map(({ air }) => air) // [0.61, 0.24, 0.11, 0.04]
 */
export function fitBoxes(boxes: readonly PlainBox[], most: number): Fit[] {
  const parts = withoutCovered(boxes);
  if (!parts.length) return [];
  const solid = unionVolume(parts);
  const many = Math.min(most, parts.length);
  const merged = mergedGroups(parts, many);
  const fits: Fit[] = [];
  let best = [holding(parts)];
  // The same model has the same covers each time.
  const random = seededRandom(parts.length);
  for (let count = 1; count <= many; count += 1) {
    const starts =
      count === 1
        ? [best]
        : [
            itemAt(merged, count - 1).map(holding),
            ...splits(best),
            ...seeded(parts, count, random),
          ];
    const found = starts.map(improved).sort((a, b) => coverVolume(a) - coverVolume(b));
    best = itemAt(found, 0);
    fits.push(fitOf(best, parts, solid));
  }
  return fits;
}

/** The boxes that do not lie whole in another one; of equal ones the first. */
function withoutCovered(boxes: readonly PlainBox[]): PlainBox[] {
  const isIn = (inner: PlainBox, outer: PlainBox) => sameBox(around([inner, outer]), outer);
  const real = boxes.filter(({ size }) => size.every((length) => length > 0));
  return real.filter(
    (box, i) =>
      !real.some((other, j) => i !== j && isIn(box, other) && (j < i || !sameBox(box, other))),
  );
}

const sameBox = (a: PlainBox, b: PlainBox): boolean =>
  a.at.every((value, axis) => value === b.at[axis] && a.size[axis] === b.size[axis]);

/** The least box around several. */
export function around(boxes: Group): PlainBox {
  const least = [Infinity, Infinity, Infinity];
  const end = [-Infinity, -Infinity, -Infinity];
  for (const { at, size } of boxes)
    for (let axis = 0; axis < 3; axis += 1) {
      least[axis] = Math.min(itemAt(least, axis), itemAt(at, axis));
      end[axis] = Math.max(itemAt(end, axis), itemAt(at, axis) + itemAt(size, axis));
    }
  const [x = 0, y = 0, z = 0] = least;
  const [toX = 0, toY = 0, toZ = 0] = end;
  return { at: [x, y, z], size: [toX - x, toY - y, toZ - z] };
}

const volume = ({ size: [x, y, z] }: PlainBox): number => x * y * z;

function overlap(a: PlainBox, b: PlainBox): PlainBox | undefined {
  const at: PlainBox['at'] = [0, 0, 0];
  const size: PlainBox['size'] = [0, 0, 0];
  for (let axis = 0 as 0 | 1 | 2; axis < 3; axis += 1) {
    at[axis] = Math.max(a.at[axis], b.at[axis]);
    size[axis] = Math.min(a.at[axis] + a.size[axis], b.at[axis] + b.size[axis]) - at[axis];
    if (size[axis] <= 0) return undefined;
  }
  return { at, size };
}

/**
 * The volume that boxes fill together. Few boxes by inclusion and exclusion, leaving out what does
 * not meet; many by slabs between all their planes.
 */
export function unionVolume(boxes: Group): number {
  if (boxes.length > 10) return slabVolume(boxes);
  const add = (from: number, within: PlainBox | undefined, sign: number): number => {
    let sum = 0;
    for (let i = from; i < boxes.length; i += 1) {
      const box = itemAt(boxes, i);
      const met = within ? overlap(within, box) : box;
      if (met) sum += sign * volume(met) + add(i + 1, met, -sign);
    }
    return sum;
  };
  return add(0, undefined, 1);
}

/** The volume of a union by sweeping: areas between planes of x, lengths between planes of y. */
function slabVolume(boxes: Group): number {
  const measure = (list: Group, axis: 0 | 1 | 2): number => {
    const planes = [
      ...new Set(list.flatMap(({ at, size }) => [at[axis], at[axis] + size[axis]])),
    ].sort((a, b) => a - b);
    let sum = 0;
    for (let i = 1; i < planes.length; i += 1) {
      const [from, to] = [itemAt(planes, i - 1), itemAt(planes, i)];
      const met = list.filter(({ at, size }) => at[axis] <= from && at[axis] + size[axis] >= to);
      if (met.length) sum += (to - from) * (axis === 2 ? 1 : measure(met, (axis + 1) as 1 | 2));
    }
    return sum;
  };
  return measure(boxes, 0);
}

/** Boxes of the model that one box of the cover holds, and that box. */
interface Held {
  parts: Group;
  box: PlainBox;
}
const holding = (parts: Group): Held => ({ parts, box: around(parts) });
const coverVolume = (cover: readonly Held[]): number => unionVolume(cover.map(({ box }) => box));

/** Groups for every number up to `most`, put together pair by pair; at place n − 1 those of n. */
function mergedGroups(parts: Group, most: number): Group[][] {
  let held = parts.map((part) => ({ parts: [part] as Group, box: part }));
  const kept: Group[][] = [];
  for (;;) {
    if (held.length <= most) kept[held.length - 1] = held.map((one) => one.parts);
    if (held.length === 1) return kept;
    const [first, second] = cheapestPair(held);
    const [a, b] = [itemAt(held, first), itemAt(held, second)];
    const joined = { parts: [...a.parts, ...b.parts], box: around([a.box, b.box]) };
    held = held.flatMap((one, i) => (i === first ? [joined] : i === second ? [] : [one]));
  }
}

/** The two that gain the least air by being put together. */
function cheapestPair(held: readonly Held[]): [first: number, second: number] {
  const volumes = held.map(({ box }) => volume(box));
  let best: [number, number] = [0, 1];
  let least = Infinity;
  for (let i = 0; i < held.length; i += 1)
    for (let j = i + 1; j < held.length; j += 1) {
      const [a, b] = [itemAt(held, i).box, itemAt(held, j).box];
      const met = overlap(a, b);
      const apart = itemAt(volumes, i) + itemAt(volumes, j) - (met ? volume(met) : 0);
      const gained = volume(around([a, b])) - apart;
      if (gained < least) [best, least] = [[i, j], gained];
    }
  return best;
}

/** The covers in which one box is cut in two across an axis; the two best of all cuts. */
function splits(cover: readonly Held[]): Held[][] {
  const cuts = cover.flatMap((held, index) => {
    const others = cover.filter((_, i) => i !== index);
    return ([0, 1, 2] as const).flatMap((axis) => {
      const middle = ({ at, size }: PlainBox) => at[axis] + size[axis] / 2;
      const sorted = [...held.parts].sort((a, b) => middle(a) - middle(b));
      const before = grown(sorted);
      const after = grown(sorted.toReversed()).reverse();
      return sorted.slice(1).map((_, i) => {
        const cut = [itemAt(before, i), itemAt(after, i + 1)];
        const cost = unionVolume([...others.map(({ box }) => box), ...cut]);
        const halves = () => [holding(sorted.slice(0, i + 1)), holding(sorted.slice(i + 1))];
        return { cost, cover: () => [...others, ...halves()] };
      });
    });
  });
  return cuts
    .sort((a, b) => a.cost - b.cost)
    .slice(0, 2)
    .map((cut) => cut.cover());
}

/** So many times a cover is begun from boxes drawn by lot: for few boxes it pays most. */
const draws = (count: number): number => (count <= 3 ? 12 : 2);

/** Covers begun from boxes drawn by lot, each other box going where it costs least. */
function seeded(parts: Group, count: number, random: () => number): Held[][] {
  return Array.from({ length: draws(count) }, () => {
    const order = [...parts];
    for (let i = order.length - 1; i > 0; i -= 1) {
      const j = Math.floor(random() * (i + 1));
      [order[i], order[j]] = [itemAt(order, j), itemAt(order, i)];
    }
    let cover = order.slice(0, count).map((part): Held => ({ parts: [part], box: part }));
    for (const part of order.slice(count)) {
      const ways = cover.map((target, to) => {
        const box = around([target.box, part]);
        const boxes = cover.map((held, i) => (i === to ? box : held.box));
        return { to, box, cost: unionVolume(boxes) };
      });
      const { to, box } = ways.reduce((a, b) => (b.cost < a.cost ? b : a));
      cover = cover.map((held, i) => (i === to ? { parts: [...held.parts, part], box } : held));
    }
    return cover;
  });
}

/** The box around the first one, the first two, and so on. */
function grown(boxes: Group): PlainBox[] {
  let box: PlainBox | undefined;
  return boxes.map((next) => (box = box ? around([box, next]) : next));
}

/** A cover after single boxes have gone where they cost least, for as long as that helps. */
function improved(start: readonly Held[]): Held[] {
  let cover = [...start];
  let least = coverVolume(cover);
  for (let goesOn = true; goesOn;) {
    goesOn = false;
    for (const part of cover.flatMap(({ parts }) => parts)) {
      const from = cover.findIndex(({ parts }) => parts.includes(part));
      const { parts } = itemAt(cover, from);
      if (parts.length === 1) continue;
      const left = holding(parts.filter((one) => one !== part));
      // One that does not hold the box open gives nothing by leaving it.
      if (sameBox(left.box, itemAt(cover, from).box)) continue;
      for (let to = 0; to < cover.length; to += 1) {
        if (to === from) continue;
        const target = itemAt(cover, to);
        const box = around([target.box, part]);
        const boxes = cover.map((held, i) => (i === to ? box : i === from ? left.box : held.box));
        const cost = unionVolume(boxes);
        if (cost >= least - 1e-9) continue;
        const met = { parts: [...target.parts, part], box };
        cover = cover.map((held, i) => (i === to ? met : i === from ? left : held));
        [least, goesOn] = [cost, true];
        break;
      }
    }
  }
  return cover;
}

function fitOf(held: readonly Held[], parts: Group, solid: number): Fit {
  const boxes = held.map(({ box }) => box);
  const cover = unionVolume(boxes);
  return {
    boxes,
    air: Math.max(0, (cover - solid) / cover),
    deepest: cover - solid > 1e-9 ? (farthest(boxes, parts)?.by ?? 0) : 0,
  };
}

/** A place, and how far it lies from something, in texels. */
export interface Far {
  by: number;
  at: Vec3;
}

/**
 * The middle of a texel of some boxes that lies farthest from others; undefined where they lie
 * whole in them.
 */
export function farthest(boxes: Group, from: Group): Far | undefined {
  let by = 0;
  let at: Vec3 | undefined;
  for (const box of boxes) {
    const middles = box.at.map((low, axis) => {
      const length = itemAt(box.size, axis);
      const steps = Math.max(1, Math.round(length));
      return Array.from({ length: steps }, (_, i) => low + ((i + 0.5) * length) / steps);
    });
    const [xs = [], ys = [], zs = []] = middles;
    for (const x of xs)
      for (const y of ys)
        for (const z of zs) {
          const apart = distanceTo(from, x, y, z, by);
          if (apart > by) [by, at] = [apart, [x, y, z]];
        }
  }
  return at && { by, at };
}

/** From a point to the nearest of the boxes; stops as soon as it is sure to be under `enough`. */
function distanceTo(parts: Group, x: number, y: number, z: number, enough: number): number {
  let least = Infinity;
  for (const { at, size } of parts) {
    const apartX = Math.max(0, at[0] - x, x - at[0] - size[0]);
    const apartY = Math.max(0, at[1] - y, y - at[1] - size[1]);
    const apartZ = Math.max(0, at[2] - z, z - at[2] - size[2]);
    least = Math.min(least, apartX * apartX + apartY * apartY + apartZ * apartZ);
    if (least <= enough * enough) return enough;
  }
  return Math.sqrt(least);
}
