import { stocks, type Stock } from '../../../mod/stock.ts';
import { mix } from '../../../space/index.ts';
import { StateSpace } from '../../../states/index.ts';
import type { Rows, YardBlock, YardLook, YardModel, YardPicture } from '../../../yard/index.ts';

const texels = 16;
const stockId = (name: string): string => `obrank:${name}`;
const modelId = (name: string): string => `obrank:stock/${name}`;

/** Of a stock material nothing depends on its state: it has one. */
const asRows = (value: Rows<number> | number): Rows<number> =>
  typeof value === 'number' ? [{ value }] : value;

const look = ({ name, traits }: Stock): YardLook => ({
  mode: 'one-of',
  display: {
    alphaMode: traits.alphaMode,
    alphaCutoff: traits.alphaCutoff,
    hidesNeighbours: traits.hidesNeighbours,
    joinsOwnKind: traits.joinsOwnKind,
    tint: 'none',
    scatter: 0,
    shadedCorners: traits.shadedCorners,
    soundSet: traits.soundSet,
  },
  rows: [{ use: [{ model: modelId(name), front: 'south', top: 'up' }] }],
});

/**
 * The stock materials as blocks that stand in the world of every pack: whole cubes of one state,
 * with the numbers of the table in the section Files. Their shapes are the whole cell.
 */
export function stockBlocks(): YardBlock[] {
  const space = new StateSpace([]);
  return stocks.map((stock) => {
    const { traits } = stock;
    return {
      id: stockId(stock.name),
      space,
      reactions: [],
      placement: [],
      hardness: traits.hardness,
      blastRating: traits.blastRating,
      ...(traits.toolKind !== 'none' && {
        tool: { kind: traits.toolKind, leastGrade: traits.leastGrade },
      }),
      gated: traits.gated,
      lightEmitted: asRows(traits.lightEmitted),
      lightAbsorbed: asRows(traits.lightAbsorbed),
      friction: asRows(traits.friction),
      bounce: traits.bounce,
      speedOnTop: traits.speedOnTop,
      dragInside: traits.dragInside,
      catchesFire: traits.catchesFire,
      burnsAway: traits.burnsAway,
      collision: [],
      outline: [],
      draws: [{ times: 1, lots: [{ give: stockId(stock.name) }] }],
      look: look(stock),
    };
  });
}

/** The model of a stock material; undefined for any other id. */
export const stockModel = (id: string): YardModel | undefined =>
  stocks.some(({ name }) => modelId(name) === id)
    ? { template: 'obrank:cube', slots: { face: id }, texels }
    : undefined;

/** The pictures of the stock materials. */
export const stockPictures: readonly string[] = stocks.map(({ name }) => modelId(name));

/** The picture of a stock material: its colour, a little lighter and darker from texel to texel. */
export function stockPicture(id: string): YardPicture | undefined {
  const stock = stocks.find(({ name }) => modelId(name) === id);
  if (!stock) return undefined;
  return {
    width: texels,
    height: texels,
    frames: 1,
    steps: [{ frame: 0, ticks: 1 }],
    blend: false,
    pixels: () => speckled(stock),
  };
}

function speckled({ name, traits: { mapColour, alphaMode } }: Stock): Uint8Array {
  const seed = [...name].reduce((sum, letter) => sum * 31 + letter.charCodeAt(0), 7);
  const base = [1, 3, 5].map((at) => Number.parseInt(mapColour.slice(at, at + 2), 16));
  const data = new Uint8Array(texels * texels * 4);
  for (let i = 0; i < texels * texels; i += 1) {
    // Grains of two texels, and finer ones on them.
    const [x, y] = [i % texels, Math.floor(i / texels)];
    const grain = mix(x >> 1, seed, y >> 1) / 2 ** 32 - 0.5;
    const fine = mix(x, seed + 1, y) / 2 ** 32 - 0.5;
    const by = 1 + grain * 0.1 + fine * 0.06;
    base.forEach((part, at) => (data[i * 4 + at] = Math.min(255, Math.round(part * by))));
    data[i * 4 + 3] = alphaMode === 'blend' ? 96 : 255;
  }
  return data;
}
