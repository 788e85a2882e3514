import { chanceAt, wayRound } from '../noise.ts';
import { clear, number, share, sixteenths, type Pattern } from '../pattern.ts';

export const leaves: Pattern = {
  title: 'Leaves',
  says: 'Leaves over each other with holes between them, grey if a tint is to colour them.',
  tones: ['#5a5a5a', '#787878', '#969696', '#b4b4b4', '#d2d2d2'],
  amounts: [
    number('leaves', 'Leaves', [4, 96, 44]),
    sixteenths('length', 'Length', [2, 8, 4]),
    share('slim', 'Slim', 0.4),
    share('depth', 'Depth', 0.7),
    share('rib', 'Ribs', 0.5),
  ],
  draw({ texels, seed, amount }) {
    const long = amount('length') / 16;
    const wide = long * (1 - amount('slim') * 0.7);
    const grown = Array.from({ length: amount('leaves') }, (_, i) => {
      const turn = chanceAt(i, 2, seed) * 2 * Math.PI;
      return {
        across: chanceAt(i, 0, seed),
        down: chanceAt(i, 1, seed),
        cos: Math.cos(turn),
        sin: Math.sin(turn),
        height: i / amount('leaves'),
      };
    }).reverse();
    return (x, y) => {
      const [across, down] = [(x + 0.5) / texels, (y + 0.5) / texels];
      // The last ones lie on top.
      for (const leaf of grown) {
        const [dx, dy] = [wayRound(leaf.across, across), wayRound(leaf.down, down)];
        const along = dx * leaf.cos + dy * leaf.sin;
        const aside = dy * leaf.cos - dx * leaf.sin;
        const out = Math.hypot((along * 2) / long, (aside * 2) / wide);
        if (out > 1) continue;
        const isRib = Math.abs(aside) < 0.4 / texels;
        const shape = (1 - out) * 0.2 - (isRib ? amount('rib') * 0.3 : 0);
        return { tone: 0.55 + (leaf.height - 0.5) * amount('depth') + shape };
      }
      return clear;
    };
  },
};
