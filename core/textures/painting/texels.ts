import type { Pixels } from '../png.ts';
import { colourAt, isIn, isSameColour, type Area, type Texel } from './area.ts';

/**
 * The texels of a straight line between two, both among them, each touching the one before (J. E.
 * Bresenham, 1965, *Algorithm for computer control of a digital plotter*).
 *
 * @example lineTexels([0, 0], [2, 1]) // [[0, 0], [1, 1], [2, 1]]
 */
export function lineTexels([fromX, fromY]: Texel, [toX, toY]: Texel): Texel[] {
  const [right, down] = [Math.abs(toX - fromX), Math.abs(toY - fromY)];
  const [stepX, stepY] = [Math.sign(toX - fromX), Math.sign(toY - fromY)];
  const line: Texel[] = [[fromX, fromY]];
  let [x, y, off] = [fromX, fromY, right - down];
  while (x !== toX || y !== toY) {
    const twice = 2 * off;
    if (twice > -down) {
      off -= down;
      x += stepX;
    }
    if (twice < right) {
      off += right;
      y += stepY;
    }
    line.push([x, y]);
  }
  return line;
}

/** The area between two texels, both in it. */
export function areaBetween([ax, ay]: Texel, [bx, by]: Texel): Area {
  const [left, top] = [Math.min(ax, bx), Math.min(ay, by)];
  return { left, top, width: Math.abs(ax - bx) + 1, height: Math.abs(ay - by) + 1 };
}

/** Every texel of an area, row by row. */
export const areaTexels = ({ left, top, width, height }: Area): Texel[] =>
  Array.from({ length: width * height }, (_, i): Texel => [
    left + (i % width),
    top + Math.floor(i / width),
  ]);

/** The texels at the edge of an area. */
export const edgeTexels = (area: Area): Texel[] =>
  areaTexels(area).filter(
    ([x, y]) =>
      x === area.left ||
      y === area.top ||
      x === area.left + area.width - 1 ||
      y === area.top + area.height - 1,
  );

/**
 * The texels of one colour that hang together with one, side by side, within an area: what *Fill*
 * covers. None where that one lies outside.
 */
export function touchingTexels(pixels: Pixels, start: Texel, area: Area): Texel[] {
  if (!isIn(area, start)) return [];
  const colour = colourAt(pixels, start);
  const { left, top, width, height } = area;
  const seen = new Uint8Array(width * height);
  const found: Texel[] = [];
  const look = (x: number, y: number) => {
    if (x < left || y < top || x >= left + width || y >= top + height) return;
    const place = (y - top) * width + x - left;
    if (seen[place]) return;
    seen[place] = 1;
    if (isSameColour(colourAt(pixels, [x, y]), colour)) found.push([x, y]);
  };
  look(...start);
  // A list hears of what is put into it while it is walked.
  for (const [x, y] of found) {
    look(x + 1, y);
    look(x - 1, y);
    look(x, y + 1);
    look(x, y - 1);
  }
  return found;
}

/** Every texel of an area that has the colour of one of them: what *Replace* covers. */
export function alikeTexels(pixels: Pixels, start: Texel, area: Area): Texel[] {
  if (!isIn(area, start)) return [];
  const colour = colourAt(pixels, start);
  return areaTexels(area).filter((texel) => isSameColour(colourAt(pixels, texel), colour));
}

/** Over which middle lines of an area what is drawn is drawn again. */
export interface Symmetry {
  /** Left is right. */
  across: boolean;
  /** Up is down. */
  down: boolean;
}

/** The texels with those that lie across the middle of the area, each once, none outside. */
export function symmetricTexels(
  texels: readonly Texel[],
  { across, down }: Symmetry,
  area: Area,
): Texel[] {
  const { left, top, width, height } = area;
  const overX = (x: number) => 2 * left + width - 1 - x;
  const overY = (y: number) => 2 * top + height - 1 - y;
  const seen = new Uint8Array(width * height);
  const all: Texel[] = [];
  const add = (x: number, y: number) => {
    if (!isIn(area, [x, y])) return;
    const place = (y - top) * width + x - left;
    if (seen[place]) return;
    seen[place] = 1;
    all.push([x, y]);
  };
  for (const [x, y] of texels) {
    add(x, y);
    if (across) add(overX(x), y);
    if (down) add(x, overY(y));
    if (across && down) add(overX(x), overY(y));
  }
  return all;
}
