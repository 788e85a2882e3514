import { chanceAt, modulo, noise } from '../noise.ts';
import { number, share, type Pattern } from '../pattern.ts';

export const planks: Pattern = {
  title: 'Planks',
  says: 'Boards one above the other, with their grain, ends and nails.',
  tones: ['#4b3b2a', '#655038', '#7f6748', '#997f5b', '#b39770'],
  amounts: [
    number('boards', 'Boards', [1, 8, 4]),
    share('gap', 'Gaps', 0.7),
    share('grain', 'Grain', 0.5),
    share('uneven', 'Uneven', 0.4),
    number('ends', 'Ends a board', [0, 2, 1]),
    share('nails', 'Nails', 0.5),
  ],
  draw({ texels, seed, amount }) {
    const boards = Math.min(amount('boards'), texels);
    const fibres = noise(2, boards * 3, seed);
    const broad = noise(1, boards, seed + 1);
    const thick = texels / boards;
    const fine = Math.max(1, Math.round(texels / 16));
    const ends = amount('ends');
    return (x, y) => {
      const board = modulo(Math.floor(y / thick), boards);
      const inBoard = modulo(y, thick);
      if (amount('gap') > 0 && thick - inBoard <= fine && thick > fine)
        return { tone: 0.45 - amount('gap') * 0.45 };
      const [across, down] = [(x + 0.5) / texels, (y + 0.5) / texels];
      // Each board is cut at places of its own.
      const along = (across + chanceAt(board, 1, seed)) % 1;
      const piece = Math.floor(along * Math.max(1, ends));
      const beyond = ends ? (along * ends - piece) * (texels / ends) : Infinity;
      if (beyond < fine) return { tone: 0.5 - amount('gap') * 0.4 };
      const isNailRow = Math.floor(inBoard / fine) === Math.floor((thick / fine - 1) / 2);
      if (ends && isNailRow && beyond >= fine && beyond < fine * 2 && amount('nails') > 0)
        return { tone: 0.5 - amount('nails') * 0.5 };
      const own = chanceAt(board, 2 + piece, seed) - 0.5;
      const lines = fibres(across, down) * 0.6 + broad(across * 3, down) * 0.2;
      return { tone: 0.55 + lines * amount('grain') + own * amount('uneven') };
    };
  },
};
