import type { Pixels } from '../../core/textures/index.ts';
import { chance, hex, paint, shade, step, tilingNoise, type Colour } from './canvas.ts';

const drift = ['#6f675c', '#857c6f', '#9b9284', '#b0a798', '#c4bcad', '#d8d1c3'].map(hex);
const clay = ['#5b3f36', '#6f4d42', '#845c4e', '#996c5c', '#ab7d6c', '#bd9080'].map(hex);
const soot = ['#1f1c1b', '#2a2624', '#38322e', '#463e38'].map(hex);
const glow = ['#7a2a12', '#b4441a', '#de6d24', '#f49a3a', '#ffc863', '#ffe9a8'].map(hex);
const kelp = ['#2f4a2e', '#3d5c36', '#4f7140', '#66884c', '#83a35f'].map(hex);

/** Boards bleached by the sea: long grain, a gap between each, a nail here and there. */
function boards(seed: number, wide: number): Pixels {
  const grain = tilingNoise(16, 8, seed);
  const random = chance(seed);
  const tones = Array.from({ length: 16 }, () => random() * 0.6 - 0.2);
  return paint(16, 16, (x, y) => {
    const board = Math.floor(y / wide);
    if (y % wide === wide - 1) return step(drift, -0.95);
    const isNail = (x === 1 || x === 14) && y % wide === Math.floor((wide - 1) / 2);
    if (isNail) return hex('#54504a');
    return step(drift, (tones[board] ?? 0) + grain(x / 3, y) * 0.5);
  });
}

/** Fired clay bricks in courses. */
const bricks = (): Pixels => {
  const grain = tilingNoise(16, 8, 511);
  return paint(16, 16, (x, y) => {
    const row = Math.floor(y / 4);
    const isJoint = y % 4 === 3 || (x + (row % 2) * 4) % 8 === 7;
    const brick = Math.floor((x + (row % 2) * 4) / 8) + row * 3;
    return isJoint
      ? hex('#c9bfae')
      : step(clay, ((brick * 37) % 11) / 11 - 0.5 + grain(x, y) * 0.4);
  });
};

/** The plate on which salt is boiled down: soot, and a white crust along the rim. */
const plate = (): Pixels => {
  const grain = tilingNoise(16, 8, 77);
  return paint(16, 16, (x, y) => {
    const rim = Math.min(x, y, 15 - x, 15 - y);
    if (rim < 1) return step(clay, 0.1 + grain(x, y) * 0.3);
    if (rim < 2) return shade(hex('#e6e0d2'), grain(x, y) * 18);
    return step(soot, grain(x, y) * 0.8);
  });
};

/** The oven's front: an arched mouth in the bricks, dark or full of embers. */
function mouth(isLit: boolean): Pixels {
  const wall = bricks();
  const grain = tilingNoise(16, 8, 31);
  return paint(16, 16, (x, y) => {
    const isArch = y >= 6 && y <= 13 && Math.hypot(x - 7.5, Math.max(0, 9 - y) * 1.1) < 4.6;
    const isRim = y >= 5 && y <= 14 && Math.hypot(x - 7.5, Math.max(0, 9 - y) * 1.1) < 5.6;
    if (isArch) {
      const heat = (y - 6) / 7 - Math.abs(x - 7.5) / 9 + grain(x, y) * 0.35;
      return isLit ? step(glow, heat * 2 - 0.7) : step(soot, heat - 0.6);
    }
    if (isRim) return isLit ? step(clay, 0.95) : step(clay, -0.9);
    const at = (y * 16 + x) * 4;
    return [...wall.data.subarray(at, at + 3)] as unknown as Colour;
  });
}

/** Half of a door: upright boards between rails, the upper half with a round window. */
function doorHalf(isUpper: boolean): Pixels {
  const grain = tilingNoise(16, 8, 211);
  return paint(16, 16, (x, y) => {
    const isRail = isUpper ? y < 3 : y > 12;
    const isStile = x < 2 || x > 13;
    const tone = grain(x, y / 3) * 0.5;
    const far = Math.hypot(x - 7.5, y - 8.5);
    if (isUpper && far < 3.2) return step(kelp, 0.3 + grain(x, y) * 0.5);
    if (isUpper && far < 4.2) return step(drift, -0.9);
    if (!isUpper && x > 11 && x < 14 && y > 1 && y < 4) return hex('#54504a');
    if (isRail || isStile) return step(drift, 0.35 + tone);
    return x % 4 === 1 ? step(drift, -0.95) : step(drift, -0.1 + tone);
  });
}

/** Pictures of what people build by the shore. */
export const shoreTextures: Readonly<Record<string, () => Pixels>> = {
  'driftwood/boards': () => boards(3, 4),
  'driftwood/edge': () => boards(8, 8),
  'door/lower': () => doorHalf(false),
  'door/upper': () => doorHalf(true),
  'oven/side': bricks,
  'oven/top': plate,
  'oven/front': () => mouth(false),
  'oven/front_lit': () => mouth(true),
};
