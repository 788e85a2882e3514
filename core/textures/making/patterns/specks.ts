import { chanceAt, modulo, noise } from '../noise.ts';
import { number, share, type Draw, type Pattern } from '../pattern.ts';

export const specks: Pattern = {
  title: 'Ore in a rock',
  says: 'Specks or a vein over another picture, which stays as it is around them.',
  tones: ['#6b4a1c', '#8d6526', '#b08234', '#cfa04a', '#e8c377'],
  isLaidOn: true,
  amounts: [
    share('many', 'How much', 0.3),
    number('clusters', 'Clusters', [1, 8, 4]),
    share('vein', 'In a vein', 0),
    share('rim', 'Dark rim', 0.5),
    share('glitter', 'Glitter', 0.3),
  ],
  draw({ texels, seed, amount }): Draw {
    const blobs = noise(amount('clusters'), amount('clusters'), seed);
    const ragged = noise(8, 8, seed + 1);
    const vein = amount('vein');
    const heights = Float64Array.from({ length: texels * texels }, (_, i) => {
      const [across, down] = [
        ((i % texels) + 0.5) / texels,
        (Math.floor(i / texels) + 0.5) / texels,
      ];
      // A vein goes down slantwise and comes back on the other side.
      const slant = Math.cos(2 * Math.PI * (across + down + blobs(across, down) * 0.2));
      return blobs(across, down) * (1 - vein) + slant * vein + ragged(across, down) * 0.35;
    });
    const sorted = Float64Array.from(heights).sort();
    const many = Math.round(heights.length * (1 - amount('many')));
    const least = sorted[many] ?? Infinity;
    const height = (x: number, y: number) =>
      heights[modulo(y, texels) * texels + modulo(x, texels)] ?? 0;
    const isSpeck = (x: number, y: number) => height(x, y) >= least;
    const top = (sorted.at(-1) ?? 1) - least || 1;
    return (x, y) => {
      if (!isSpeck(x, y)) {
        const isRim = isSpeck(x - 1, y) || isSpeck(x, y - 1);
        return { below: isRim ? -0.5 * amount('rim') : 0 };
      }
      const isLit = !isSpeck(x - 1, y) || !isSpeck(x, y - 1);
      const glitter = (chanceAt(x, y, seed + 2) - 0.4) * amount('glitter');
      const inside = ((height(x, y) - least) / top) * 0.5;
      return { tone: 0.3 + inside + (isLit ? 0.3 : 0) + glitter };
    };
  },
};
