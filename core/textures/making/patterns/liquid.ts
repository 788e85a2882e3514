import { movingNoise } from '../noise.ts';
import { number, share, type Pattern } from '../pattern.ts';

export const liquid: Pattern = {
  title: 'Still liquid',
  says: 'A surface that moves where it stands, as a strip that comes back to its first frame.',
  tones: ['#256a73', '#2f7f86', '#3d959a', '#58acad', '#86c6c3'],
  frames: 16,
  amounts: [
    number('waves', 'Waves', [1, 8, 3]),
    share('swell', 'Swell', 0.8),
    share('lines', 'Lines of light', 0.5),
    share('solid', 'Solid', 0.75),
  ],
  draw({ texels, seed, amount }) {
    const waves = amount('waves');
    const swell = movingNoise(waves, waves, 4, seed);
    const light = movingNoise(waves, waves, 4, seed + 1);
    const alpha = Math.round(amount('solid') * 255);
    return (x, y, time) => {
      const [across, down] = [(x + 0.5) / texels, (y + 0.5) / texels];
      const height = swell(across, down, time);
      // Light gathers where two slopes meet.
      const line = 1 - Math.min(1, Math.abs(light(across + height * 0.06, down, time)) * 6);
      return { tone: 0.4 + height * amount('swell') * 0.6 + line * amount('lines') * 0.6, alpha };
    };
  },
};
