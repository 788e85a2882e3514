import { chanceAt, noise, scattered } from '../noise.ts';
import { number, share, type Pattern } from '../pattern.ts';

export const stone: Pattern = {
  title: 'Stone',
  says: 'Patches and grain; with layers it is slate, without cracks it is earth or sand.',
  tones: ['#56524d', '#68635d', '#7b756e', '#8f8981', '#a39d94'],
  amounts: [
    number('patches', 'Patches', [1, 8, 4]),
    share('layers', 'Layers', 0),
    share('depth', 'Depth', 0.5),
    share('grain', 'Grain', 0.4),
    share('cracks', 'Cracks', 0.3),
  ],
  draw({ texels, seed, amount }) {
    const patches = amount('patches');
    const layered = Math.max(1, Math.round(patches * (1 + amount('layers') * 3)));
    const coarse = noise(patches, layered, seed);
    const middle = noise(patches * 2, layered * 2, seed + 1);
    const plates = scattered(Math.max(2, Math.round(patches * 0.75)), seed + 2);
    const cracks = amount('cracks');
    return (x, y) => {
      const [across, down] = [(x + 0.5) / texels, (y + 0.5) / texels];
      const { nearest, next } = plates(across, down);
      const crack = cracks > 0 && next - nearest < 0.16 * cracks + 0.02 ? 0.35 + cracks * 0.2 : 0;
      const smooth = coarse(across, down) * 0.6 + middle(across, down) * 0.4;
      const rough = chanceAt(x, y, seed + 3) - 0.5;
      return { tone: 0.52 + smooth * amount('depth') + rough * amount('grain') - crack };
    };
  },
};
