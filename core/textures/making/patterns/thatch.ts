import { chanceAt, modulo } from '../noise.ts';
import { number, share, type Pattern } from '../pattern.ts';

export const thatch: Pattern = {
  title: 'Thatch',
  says: 'Stalks side by side in layers, bound by cords.',
  tones: ['#6d5a2e', '#8a7440', '#a58c50', '#bfa562', '#d8c281'],
  amounts: [
    number('layers', 'Layers', [1, 4, 2]),
    share('uneven', 'Uneven', 0.6),
    share('ragged', 'Ragged', 0.5),
    number('cords', 'Cords', [0, 4, 1]),
  ],
  draw({ texels, seed, amount }) {
    const layers = amount('layers');
    const tall = texels / layers;
    const cords = amount('cords');
    const fine = Math.max(1, Math.round(texels / 16));
    return (x, y) => {
      const stalk = Math.floor(x / fine);
      // Each stalk of a layer ends at a height of its own, over the layer below.
      const hang = chanceAt(stalk, 1, seed) * amount('ragged') * tall * 0.4;
      const layer = Math.floor(modulo(y - hang, texels) / tall);
      const down = modulo(y - hang, texels) - layer * tall;
      const cord = cords ? modulo((y + 0.5) * cords, texels) / cords : Infinity;
      const middle = cords ? texels / cords / 2 : 0;
      if (cords && cord >= middle - fine && cord < middle)
        return { tone: chanceAt(stalk, 0, seed) < 0.7 ? 0.12 : 0.3 };
      const shade = cords && cord >= middle && cord < middle + fine ? -0.25 : 0;
      const own = (chanceAt(stalk, layer + 2, seed) - 0.5) * amount('uneven');
      const end = down < fine ? -0.35 : (down / tall) * 0.2;
      return { tone: 0.5 + own + end + shade };
    };
  },
};
