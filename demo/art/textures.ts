import type { Pixels } from '../../core/textures/index.ts';
import { chance, clear, hex, paint, shade, step, tilingNoise, type Colour } from './canvas.ts';
import { madeTextures } from './made.ts';
import { metalTextures } from './metals.ts';
import { shoreTextures } from './shore.ts';

const salt = ['#b9b4a8', '#cfcabd', '#dfdace', '#ebe7dc', '#f5f2e9', '#fdfcf6'].map(hex);
const straw = ['#6d5a2e', '#8a7440', '#a58c50', '#bfa562', '#d3bb78', '#e4d092'].map(hex);
const brass = ['#5e4019', '#7c5722', '#9a6f2c', '#b98a3c', '#d2a552', '#ebc878'].map(hex);
const wood = ['#4a3a28', '#5f4b33', '#755d40', '#8a704e', '#9f8460', '#b59a75'].map(hex);
const iron = ['#3b464c', '#4a565d', '#5b686f', '#6d7a80', '#829096'].map(hex);

/** A crust of salt: plates of drifted crystal with cracks between them and a few bright grains. */
function saltCrust(seed: number): Pixels {
  const random = chance(seed);
  const centres = Array.from(
    { length: 6 },
    () => [random() * 16, random() * 16, random() * 0.7 - 0.35] as const,
  );
  const drift = tilingNoise(16, 4, seed + 7);
  const grain = tilingNoise(16, 16, seed + 13);
  const wrap = (d: number) => Math.min(Math.abs(d), 16 - Math.abs(d));
  return paint(16, 16, (x, y) => {
    const near = centres
      .map(([cx, cy, tone]) => [Math.hypot(wrap(x + 0.5 - cx), wrap(y + 0.5 - cy)), tone] as const)
      .sort((a, b) => a[0] - b[0]);
    const edge = near[1]![0] - near[0]![0];
    const height = 0.34 + near[0]![1] * 0.6 + drift(x, y) * 0.3 + grain(x, y) * 0.22;
    return edge < 0.62 ? step(salt, -0.75 + grain(x, y) * 0.3) : step(salt, height);
  });
}

/** Bundled reed seen from the side: stalks of different tone, bound by two cords. */
const thatchSide = (): Pixels => {
  const random = chance(41);
  const stalks = Array.from({ length: 16 }, (_, x) =>
    x % 3 === 2 ? -0.75 : random() * 0.9 - 0.15,
  );
  const knots = Array.from({ length: 16 }, () => Math.floor(random() * 16));
  return paint(16, 16, (x, y) => {
    if (y === 4 || y === 11) return shade(hex('#5a4526'), x % 3 === 0 ? 14 : x % 3 === 2 ? -14 : 0);
    const bound = y === 5 || y === 12 ? -0.35 : y === 3 || y === 10 ? 0.2 : 0;
    return step(straw, stalks[x]! + bound + (y === knots[x] ? -0.6 : 0) + (random() - 0.5) * 0.22);
  });
};

/** The cut ends of the bundle: small rings. */
const thatchEnd = (): Pixels => {
  const random = chance(97);
  const tones = Array.from({ length: 64 }, () => random() * 0.7 - 0.1);
  return paint(16, 16, (x, y) => {
    const row = Math.floor(y / 4);
    const shifted = (x + (row % 2) * 2) % 16;
    const [cx, cy] = [shifted % 4, y % 4];
    const corner = (cx === 0 || cx === 3) && (cy === 0 || cy === 3);
    const tone = tones[row * 8 + Math.floor(shifted / 4)]!;
    if (corner) return step(straw, -0.95);
    if ((cx === 1 || cx === 2) && (cy === 1 || cy === 2))
      return step(straw, cx === 1 && cy === 1 ? -0.5 : tone - 0.25);
    return step(straw, tone + (cy === 0 ? 0.35 : cy === 3 ? -0.25 : 0.1));
  });
};

/** Beaten metal: a soft grain, lighter at the upper left edge and darker at the lower right. */
const metal = (palette: readonly Colour[], seed: number, rivets: boolean): Pixels => {
  const grain = tilingNoise(16, 8, seed);
  return paint(16, 16, (x, y) => {
    const edge = x === 0 || y === 0 ? 0.5 : x === 15 || y === 15 ? -0.6 : 0;
    const rivet =
      rivets && [3, 12].includes(x) && [3, 12].includes(y)
        ? 0.9
        : rivets && [4, 13].includes(x) && [4, 13].includes(y)
          ? -0.7
          : 0;
    return step(palette, 0.05 + edge + rivet + grain(x, y) * 0.35);
  });
};

/** A pane: bright in the middle when it is lit, dull tide green when it is not. */
const pane = (lit: boolean): Pixels =>
  paint(16, 16, (x, y) => {
    const [dx, dy] = [x - 7.5, y - 8.5];
    const glow = Math.max(0, 1 - Math.hypot(dx * 1.1, dy * 0.8) / 9);
    const glint = x - y === 3 || x - y === 4 ? 16 : 0;
    if (!lit) return shade(hex('#57736f'), Math.round(-18 + glow * 26 + glint) - (y > 12 ? 8 : 0));
    const [low, high] = [hex('#ec9a1f'), hex('#ffe58f')];
    return shade(
      [0, 1, 2].map(
        (i) => low[i]! + ((high[i]! - low[i]!) * Math.round(glow * 6)) / 6,
      ) as unknown as Colour,
      glint / 2,
    );
  });

/** The cage round the panes: bars with holes between, so it needs alpha mode mask. */
const cage = (): Pixels =>
  paint(16, 16, (x, y) => {
    const bar = x % 5 === 0 || y === 0 || y === 15 || y === 7;
    if (!bar) return clear;
    return step(
      brass,
      (x % 5 === 0 ? 0.2 : -0.1) +
        (y === 7 && x % 5 !== 0 ? -0.35 : 0) +
        (y === 0 ? 0.5 : y === 15 ? -0.5 : 0),
    );
  });

/** Weathered planks: `upright` boards with gaps between, or one beam with its grain along it. */
const planks = (seed: number, upright: boolean): Pixels => {
  const grain = tilingNoise(16, 8, seed);
  const random = chance(seed);
  const tones = Array.from({ length: 4 }, () => random() * 0.6 - 0.3);
  return paint(16, 16, (x, y) => {
    const [across, along] = upright ? [x, y] : [y, x];
    if (upright && across % 4 === 3) return step(wood, -0.9 + grain(x, y) * 0.2);
    const nail = upright && across % 4 === 1 && (along === 2 || along === 13);
    return nail
      ? hex('#3b464c')
      : step(
          wood,
          tones[upright ? across >> 2 : across >> 3]! +
            grain(across * 3, along >> 1) * 0.5 +
            (across % 4 === 0 ? 0.25 : 0),
        );
  });
};

/** The board of the gauge: light wood with a line for each step, a long one for every fifth. */
const gaugeScale = (): Pixels =>
  paint(16, 16, (x, y) => {
    const level = 15 - y;
    const line = level % 5 === 0 ? x < 7 : level % 5 !== 1 && level % 2 === 1 && x < 3;
    return line && y < 15 ? hex('#33423f') : step(salt, 0.35 + ((x * 7 + y * 3) % 5) / 14);
  });

/**
 * A tuft of samphire: jointed stems from the ground, grey, since the climate gives it its colour.
 */
const samphire = (seed: number, stems: number, tall: number): Pixels => {
  const random = chance(seed);
  const drawn = new Map<number, number>();
  const put = (x: number, y: number, tone: number) =>
    x >= 0 && x < 16 && y >= 0 && y < 16 && drawn.set(y * 16 + x, tone);
  for (let i = 0; i < stems; i += 1) {
    const base = 2 + ((i + 0.5) * 12) / stems;
    const height = Math.round(tall * (0.6 + random() * 0.4));
    const lean = (random() - 0.5) * 0.5;
    const shoot = random() < 0.5 ? 0 : 1;
    for (let up = 0; up < height; up += 1) {
      const x = Math.round(base + lean * up);
      put(x, 15 - up, (up % 4 === 3 ? -0.7 : -0.1) + (up / tall) * 0.9);
      if (up > 1 && up < height - 2 && up % 3 === 2) {
        const to = (up / 3 + shoot) & 1 ? 1 : -1;
        put(x + to, 15 - up - 1, 0.2);
        put(x + to * 2, 15 - up - 2, 0.7);
        put(x + to * 2, 15 - up - 3, 1);
      }
    }
  }
  const greys = ['#5c5c5c', '#7d7d7d', '#9d9d9d', '#bdbdbd', '#dadada'].map(hex);
  return paint(16, 16, (x, y) => {
    const tone = drawn.get(y * 16 + x);
    return tone === undefined ? clear : step(greys, tone);
  });
};

/** Every texture of the demo mod by the path of its name. */
export const textures: Record<string, () => Pixels> = {
  ...metalTextures,
  ...shoreTextures,
  ...madeTextures,
  salt_crust_a: () => saltCrust(3),
  salt_crust_b: () => saltCrust(18),
  salt_crust_c: () => saltCrust(29),
  salt_crust_d: () => saltCrust(44),
  reed_thatch_side: thatchSide,
  reed_thatch_end: thatchEnd,
  'lantern/brass': () => metal(brass, 5, true),
  'lantern/iron': () => metal(iron, 9, false),
  'lantern/cage': cage,
  'lantern/pane_lit': () => pane(true),
  'lantern/pane_dark': () => pane(false),
  'gate/timber': () => planks(61, false),
  'gate/boards': () => planks(67, true),
  'fence/rail': () => planks(71, false),
  'gauge/scale': gaugeScale,
  'gauge/dark': () => paint(16, 16, (x) => shade(hex('#2a3b40'), x % 2 ? 8 : 0)),
  samphire_a: () => samphire(11, 4, 11),
  samphire_b: () => samphire(23, 3, 14),
  samphire_c: () => samphire(37, 5, 8),
  samphire_d: () => samphire(53, 2, 15),
  samphire_e: () => samphire(79, 3, 6),
  salt: () => {
    const random = chance(7);
    return paint(16, 16, (x, y) => {
      const heap = y - (13 - 7.5 * Math.exp(-(((x - 7.5) / 4.4) ** 2)));
      if (heap < 0 || y > 13 || x < 1 || x > 14) return clear;
      return step(salt, (heap < 1.2 ? 0.9 : 0.25) - (x > 9 ? 0.5 : 0) + (random() - 0.5) * 0.5);
    });
  },
};
