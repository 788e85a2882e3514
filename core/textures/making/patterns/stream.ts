import { noise } from '../noise.ts';
import { number, share, type Pattern } from '../pattern.ts';

export const stream: Pattern = {
  title: 'Flowing liquid',
  says: 'A surface that runs down, as a strip; a slow one and a quick one over each other.',
  tones: ['#256a73', '#2f7f86', '#3d959a', '#58acad', '#86c6c3'],
  frames: 16,
  amounts: [
    number('streaks', 'Streaks', [2, 16, 6]),
    number('speed', 'Speed blocks a round', [1, 4, 1]),
    share('foam', 'Foam', 0.4),
    share('depth', 'Depth', 0.9),
    share('solid', 'Solid', 0.75),
  ],
  draw({ texels, seed, amount }) {
    const streaks = noise(amount('streaks'), 2, seed);
    const broad = noise(Math.max(1, Math.round(amount('streaks') / 2)), 1, seed + 1);
    const foam = noise(8, 4, seed + 2);
    const alpha = Math.round(amount('solid') * 255);
    return (x, y, time) => {
      const [across, down] = [(x + 0.5) / texels, (y + 0.5) / texels];
      // Whole rounds in its frames, so that the last one leads to the first.
      const quick = down - time * amount('speed');
      const lines = streaks(across, quick) * 0.6 + broad(across, down - time) * 0.4;
      const isFoam = foam(across, quick) > 1 - amount('foam') * 0.8;
      return { tone: isFoam ? 1 : 0.42 + lines * amount('depth'), alpha };
    };
  },
};
