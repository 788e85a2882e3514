import { tintOf, type PackWorld, type YardPicture } from '../../core/yard/index.ts';
import type { Sight } from './yard-protocol.ts';

/** How far one sees in each fluid that says so, and the mean colour of its picture. */
export const sightsIn = ({ view }: PackWorld): Record<string, Sight> =>
  Object.fromEntries(
    [...view.fluidLooks].flatMap(([id, { sight, still, tint = 'none' }]): [string, Sight][] => {
      if (sight === undefined) return [];
      const [r, g, b] = meanOf(still === undefined ? undefined : view.pictureOf(still));
      const [byR, byG, byB] = tintOf(tint);
      return [[id, { blocks: sight, colour: [r * byR, g * byG, b * byB] }]];
    }),
  );

/** The mean colour of a picture as far as it is solid, in shares of 255. */
function meanOf(picture: YardPicture | undefined): readonly [number, number, number] {
  const pixels = picture?.pixels() ?? new Uint8Array();
  const sums = [0, 0, 0, 0];
  for (let at = 0; at + 3 < pixels.length; at += 4) {
    const solid = pixels[at + 3]!;
    [0, 1, 2].forEach((channel) => (sums[channel]! += pixels[at + channel]! * solid));
    sums[3]! += solid;
  }
  const [r = 0, g = 0, b = 0, all = 0] = sums;
  const part = (sum: number) => (all ? sum / all : 128) / 255 / 255;
  return [part(r), part(g), part(b)];
}
