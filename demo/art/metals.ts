import { noShift, recoloured } from '../../core/textures/facts/index.ts';
import type { Pixels } from '../../core/textures/index.ts';
import { chance, clear, hex, paint, shade, step, tilingNoise, type Colour } from './canvas.ts';

const rock = ['#5b5651', '#6a645e', '#79726b', '#878079', '#968f87'].map(hex);
const shell = ['#8d7d72', '#a49488', '#baaba0', '#cfc3b9', '#e2d9d0', '#f1ebe4'].map(hex);
const palettes: Record<string, readonly Colour[]> = {
  brack: ['#6b4a1c', '#8d6526', '#b08234', '#cfa04a', '#e8c377'].map(hex),
  ebbite: ['#1f4c5c', '#2c6b7d', '#3f8b9b', '#62acb6', '#95cdd0'].map(hex),
  siltium: ['#5c6a38', '#788747', '#96a45c', '#b3bf78', '#d2d9a2'].map(hex),
  wrackel: ['#4a2444', '#66345c', '#864a76', '#a86a94', '#c997b6'].map(hex),
};
const metals = Object.keys(palettes);

/** Rock with a slanting vein of metal in it. */
function seam(metal: string, seed: number): Pixels {
  const grain = tilingNoise(16, 8, seed);
  const drift = tilingNoise(16, 4, seed + 5);
  const vein = tilingNoise(16, 4, seed + 11);
  return paint(16, 16, (x, y) => {
    // The vein goes round: what leaves on the right comes back on the left.
    const off = ((((x + y * 2 + vein(x, y) * 5) % 16) + 16) % 16) - 8;
    const near = Math.abs(off) - 2.2 - drift(x, y) * 1.6;
    if (near < 0) return step(palettes[metal]!, 0.3 - near * 0.1 + grain(x, y) * 0.8);
    return step(rock, (near < 0.9 ? -0.8 : 0) + drift(x, y) * 0.5 + grain(x, y) * 0.5);
  });
}

/** A lump as it comes out of the ground. */
function lump(metal: string, seed: number): Pixels {
  const grain = tilingNoise(16, 8, seed);
  const random = chance(seed);
  const bumps = Array.from({ length: 9 }, () => random() * 1.6 - 0.6);
  return paint(16, 16, (x, y) => {
    const [dx, dy] = [x - 7.5, y - 8.5];
    const edge = 5.1 + bumps[Math.floor(((Math.atan2(dy, dx) + Math.PI) / (2 * Math.PI)) * 9) % 9]!;
    const far = Math.hypot(dx, dy * 1.15);
    if (far > edge) return clear;
    return step(
      palettes[metal]!,
      0.35 - (dx + dy) / 11 + grain(x, y) * 0.55 - (far > edge - 1 ? 0.5 : 0),
    );
  });
}

/** A cast bar that lies slantwise, lit from the upper left. */
const bar = (metal: string): Pixels =>
  paint(16, 16, (x, y) => {
    const along = x - y;
    const across = x + y;
    if (Math.abs(along) > 9 || across < 10 || across > 21 || x < 1 || y < 1 || x > 14 || y > 14)
      return clear;
    const rim = Math.abs(along) > 8 || across < 11 || across > 20;
    return step(palettes[metal]!, rim ? -0.7 : across < 14 ? 0.95 : across < 18 ? 0.25 : -0.25);
  });

/** Courses of shell brick, each second one shifted by half. */
const oysterBrick = (): Pixels => {
  const grain = tilingNoise(16, 8, 31);
  const random = chance(17);
  const tones = Array.from({ length: 8 }, () => random() * 0.7 - 0.3);
  return paint(16, 16, (x, y) => {
    const course = y >> 2;
    const along = (x + (course % 2) * 4) % 16;
    if (y % 4 === 3 || along % 8 === 7) return shade(hex('#857668'), Math.round(grain(x, y) * 8));
    return step(
      shell,
      tones[course * 2 + (along >> 3)]! + grain(x, y) * 0.35 + (y % 4 === 0 ? 0.25 : 0),
    );
  });
};

/** Four tiles, each with a curl of shell in it. */
const oysterTile = (): Pixels => {
  const grain = tilingNoise(16, 16, 47);
  return paint(16, 16, (x, y) => {
    const [tx, ty] = [x % 8, y % 8];
    if (tx === 7 || ty === 7) return hex('#7b6d61');
    const curl = Math.abs(Math.hypot(tx - 1.5, ty - 5) - 3.4) < 0.7 ? -0.55 : 0;
    return step(shell, 0.35 + curl + grain(x, y) * 0.3 + (tx === 0 || ty === 0 ? 0.3 : 0));
  });
};

/** A shell, hinge below, with its growth lines. */
const oysterShell = (): Pixels =>
  paint(16, 16, (x, y) => {
    const [dx, dy] = [x - 7.5, y - 13];
    const far = Math.hypot(dx * 1.05, dy);
    if (dy > 0.5 || far > 10.6 || Math.abs(Math.atan2(dx, -dy)) > 0.95) return clear;
    return step(
      shell,
      (Math.round(far * 1.4) % 3 === 0 ? -0.75 : 0.35) - dx / 12 + (far > 9.8 ? -0.5 : 0),
    );
  });

const seeds = (): Pixels => {
  const random = chance(5);
  const at = [
    [4, 5],
    [8, 3],
    [11, 6],
    [5, 9],
    [9, 8],
    [12, 11],
    [7, 12],
    [3, 12],
  ].map(([x, y]) => [x!, y!, random() * 0.6 - 0.2] as const);
  const husk = ['#4d5a2a', '#6b7a3a', '#8b9a50', '#aebb74'].map(hex);
  return paint(16, 16, (x, y) => {
    const seed = at.find(([sx, sy]) => Math.abs(x - sx) + Math.abs(y - sy) <= 1);
    return seed ? step(husk, seed[2] + (x <= seed[0] && y <= seed[1] ? 0.6 : -0.4)) : clear;
  });
};

/** A spade: a shaft from the lower left, its blade at the upper right. */
const spade = (): Pixels => {
  const wood = ['#4a3a28', '#755d40', '#9f8460'].map(hex);
  return paint(16, 16, (x, y) => {
    const [along, across] = [x - y, x + y - 15];
    if (along > 2 && along <= 13 && Math.abs(across) <= (along > 10 ? 13 - along : 3))
      return step(
        palettes['brack']!,
        Math.abs(across) === 3 ? -0.7 : across < 0 ? 0.7 : across === 0 ? 0.2 : -0.3,
      );
    return along <= 2 && along >= -12 && Math.abs(across) <= 1
      ? step(wood, across < 0 ? 0.9 : across === 0 ? 0 : -0.9)
      : clear;
  });
};

/** A pick: a shaft from the lower left, its head bent across the upper right. */
const pick = (): Pixels => {
  const wood = ['#4a3a28', '#755d40', '#9f8460'].map(hex);
  return paint(16, 16, (x, y) => {
    const [along, across] = [x - y, x + y - 15];
    const bend = along - 8 + (across * across) / 22;
    if (Math.abs(bend) <= 1.6 && Math.abs(across) <= 9)
      return step(palettes['brack']!, bend > 0.8 ? 0.8 : bend < -0.8 ? -0.7 : 0.1);
    return along <= 8 && along >= -12 && Math.abs(across) <= 1
      ? step(wood, across < 0 ? 0.9 : across === 0 ? 0 : -0.9)
      : clear;
  });
};

/** A pail of staves with a hoop and a bail, empty or full to below its rim. */
const pail = (filled: readonly Colour[] | undefined): Pixels => {
  const wood = ['#4a3a28', '#6d563a', '#8f7450', '#ab8f66'].map(hex);
  const iron = ['#45484a', '#6b7072', '#8f9597'].map(hex);
  return paint(16, 16, (x, y) => {
    // The bail, a bow over the rim.
    const bow = Math.hypot(x - 7.5, (y - 5) * 1.25);
    if (y < 5 && bow > 4.4 && bow <= 5.5) return step(iron, x < 8 ? 0.5 : -0.3);
    const narrowing = (y - 5) * 0.18;
    const [left, right] = [2 + narrowing, 13 - narrowing];
    if (y < 5 || y > 14 || x < left || x > right) return clear;
    if (y === 5) return step(wood, 0.9);
    if (y === 6 && x > left + 1 && x < right - 1)
      return filled ? step(filled, x % 4 === 0 ? 0.7 : 0.1) : step(wood, -1);
    if (y === 9 || y === 13) return step(iron, 7 - x > 2 ? 0.6 : -0.2);
    const isSeam = Math.round(x - narrowing * (x < 8 ? 1 : -1)) % 3 === 0;
    return step(wood, (isSeam ? -0.8 : 0.2) + (7 - x) * 0.07);
  });
};

/** Bars in a stack, seen along them: two rows of ends. */
const barEnds = (): Pixels => {
  const grain = tilingNoise(16, 8, 77);
  return paint(16, 16, (x, y) => {
    const [column, row] = [x % 8, y % 8];
    if (column === 7 || row === 7) return step(palettes['brack']!, -1);
    const rim = column === 0 || row === 0 ? 0.8 : column === 6 || row === 6 ? -0.5 : 0.1;
    return step(palettes['brack']!, rim + grain(x, y) * 0.25);
  });
};

/** The same from the side: four bars that lie on each other. */
const barSides = (): Pixels => {
  const grain = tilingNoise(16, 8, 83);
  return paint(16, 16, (x, y) => {
    const row = y % 4;
    if (row === 3) return step(palettes['brack']!, -1);
    const light = row === 0 ? 0.8 : row === 2 ? -0.4 : 0.15;
    return step(palettes['brack']!, light + grain(x, y) * 0.2);
  });
};

/** A picture of brack in the tones of another metal: what is grey, as the rock around it, stays. */
const inMetal = (picture: Pixels, metal: string): Pixels =>
  metal === 'brack'
    ? picture
    : recoloured(picture, {
        tones: palettes[metal]!.map(([r, g, b]) => ({ colour: [r, g, b, 255] as const, many: 1 })),
        greysStay: true,
        shift: noShift,
      });

/** The textures of seams, metals and what is made of shells, by the path of their names. */
export const metalTextures: Record<string, () => Pixels> = {
  ...Object.fromEntries(
    metals.flatMap((metal) => [
      [`seam/${metal}`, () => inMetal(seam('brack', 101), metal)],
      [`item/raw_${metal}`, () => inMetal(lump('brack', 203), metal)],
      [`item/${metal}_bar`, () => inMetal(bar('brack'), metal)],
      [`item/${metal}_pick`, () => inMetal(pick(), metal)],
      [`bars/${metal}_end`, () => inMetal(barEnds(), metal)],
      [`bars/${metal}_side`, () => inMetal(barSides(), metal)],
    ]),
  ),
  oyster_brick: oysterBrick,
  oyster_tile: oysterTile,
  'item/oyster_shell': oysterShell,
  'item/samphire_seeds': seeds,
  'item/brack_spade': spade,
  'item/pail': () => pail(undefined),
  'item/brine_pail': () => pail(['#2a7d80', '#3a9190', '#57a9a2'].map(hex)),
};
