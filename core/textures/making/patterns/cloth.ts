import { chanceAt, noise } from '../noise.ts';
import { number, share, type Pattern } from '../pattern.ts';

export const cloth: Pattern = {
  title: 'Cloth',
  says: 'Threads over and under each other; with stripes it is a sail or a blanket.',
  tones: ['#8c8272', '#a59a88', '#bdb29f', '#d2c8b6', '#e5ddcd'],
  amounts: [
    number('threads', 'Threads', [2, 32, 8]),
    share('weave', 'Weave', 0.5),
    number('stripes', 'Stripes', [0, 4, 0]),
    share('contrast', 'Of stripes', 0.6),
    share('folds', 'Folds', 0.2),
    share('grain', 'Grain', 0.2),
  ],
  draw({ texels, seed, amount }) {
    const threads = Math.min(amount('threads'), texels);
    const wide = texels / threads;
    const folds = noise(2, 2, seed);
    const stripes = amount('stripes');
    return (x, y) => {
      const [warp, weft] = [Math.floor(x / wide), Math.floor(y / wide)];
      const isOver = (warp + weft) % 2 === 0;
      const [inX, inY] = [x - warp * wide, y - weft * wide];
      // A thread is round: it is lightest along its middle, where it is wide enough to have one.
      const from = isOver ? inY : inX;
      const round = wide >= 2 ? (from < wide / 2 ? 0.15 : -0.15) : 0;
      const [across, down] = [(x + 0.5) / texels, (y + 0.5) / texels];
      const isStripe = stripes > 0 && Math.floor(across * stripes * 2) % 2 === 1;
      return {
        tone:
          0.6 +
          ((isOver ? 0.25 : -0.25) + round) * amount('weave') +
          folds(across, down) * amount('folds') +
          (chanceAt(x, y, seed + 1) - 0.5) * amount('grain') -
          (isStripe ? amount('contrast') * 0.7 : 0),
      };
    };
  },
};
