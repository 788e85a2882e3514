import { chanceAt, noise } from './noise.ts';
import { share, sixteenths, type Amount, type Drawing } from './pattern.ts';

/** What any pattern may be finished with. */
export const finishes: readonly Amount[] = [
  share('bevel', 'Bevel', 0),
  sixteenths('bevel_width', 'Bevel width', [1, 4, 1]),
  share('noise', 'Noise', 0),
  share('wear', 'Worn edges', 0),
];

/**
 * How much lighter or darker the finish makes each texel, in tones: a ring lit from the upper left,
 * noise, and edges rubbed light here and there.
 */
export function finish({ texels, seed, amount }: Drawing): (x: number, y: number) => number {
  const [bevel, rough, wear] = [amount('bevel'), amount('noise'), amount('wear')];
  const width = Math.max(1, Math.round((amount('bevel_width') * texels) / 16));
  const rubbed = noise(6, 6, seed + 91);
  const worn = Math.max(1, Math.round(texels / 8));
  return (x, y) => {
    const [right, low] = [texels - 1 - x, texels - 1 - y];
    const lit = Math.min(x, y);
    const dark = Math.min(right, low);
    const rim = Math.min(lit, dark);
    const ring = rim < width && lit !== dark ? (lit < dark ? 1 : -1) * (1 - rim / (width + 1)) : 0;
    const rub = rubbed((x + 0.5) / texels, (y + 0.5) / texels) + 1 - (rim / worn) * 1.2;
    return (
      ring * bevel * 0.5 +
      (rough ? (chanceAt(x, y, seed + 92) - 0.5) * rough : 0) +
      (wear > 0 && rim < worn && rub > 2 - wear * 1.4 ? 0.4 : 0)
    );
  };
}
