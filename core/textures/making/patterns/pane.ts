import { noise } from '../noise.ts';
import { number, share, sixteenths, type Pattern } from '../pattern.ts';

export const pane: Pattern = {
  title: 'Pane in a frame',
  says: 'A solid frame, with bars if wanted, around glass that lets light through.',
  tones: ['#4f4438', '#6b5d4c', '#877863', '#a9c4b4', '#c8dccd', '#e4f0e6'],
  amounts: [
    sixteenths('frame', 'Frame', [0, 4, 1]),
    number('bars', 'Bars each way', [0, 3, 0]),
    share('solid', 'Solid', 0.4),
    share('glint', 'Glint', 0.5),
    share('bubbles', 'Bubbles', 0.2),
  ],
  draw({ texels, seed, amount }) {
    const frame = Math.round((amount('frame') * texels) / 16);
    const bars = amount('bars');
    const half = Math.max(0.5, texels / 32);
    const grain = noise(8, 8, seed);
    const bubbles = noise(4, 4, seed + 1);
    const isBar = (place: number): boolean => {
      for (let bar = 1; bar <= bars; bar += 1)
        if (Math.abs(place + 0.5 - (texels * bar) / (bars + 1)) <= half) return true;
      return false;
    };
    const alpha = Math.round(amount('solid') * 255);
    return (x, y) => {
      const rim = Math.min(x, y, texels - 1 - x, texels - 1 - y);
      const [across, down] = [(x + 0.5) / texels, (y + 0.5) / texels];
      if (rim < frame || isBar(x) || isBar(y)) {
        const isLit = x < frame || y < frame;
        return { tone: (isLit ? 0.3 : 0.15) + grain(across, down) * 0.15 };
      }
      const slant = (across + down) % 1;
      const isGlint = amount('glint') > 0 && (slant < 0.08 || (slant > 0.18 && slant < 0.22));
      const mist = bubbles(across, down) * amount('bubbles') * 0.4;
      const more = Math.round(alpha + (isGlint ? amount('glint') * 110 : 0));
      return { tone: isGlint ? 1 : 0.72 + mist, alpha: Math.min(255, more) };
    };
  },
};
