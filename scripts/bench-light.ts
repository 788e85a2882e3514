import { cellAt, darkVolume, floodLight, setLight } from '../core/traits/index.ts';
import { chance } from '../demo/art/canvas.ts';
import type { Line, Median } from './figures.ts';

/**
 * Flooding a volume with light, in cells a second and beside a plain sweep over the same typed
 * arrays; and one lamp that comes and goes.
 */
export function benchLight(median: Median, line: Line): void {
  const times = [32, 64].map((side) => {
    const volume = darkVolume(side, side, side);
    const random = chance(side);
    for (let cell = 0; cell < volume.levels.length; cell += 1) {
      if (random() < 0.25) volume.absorbed[cell] = 15;
      else if (random() < 0.004) volume.emitted[cell] = 8 + Math.floor(random() * 8);
    }
    const sweep = new Uint8Array(volume.levels.length);
    const plain = median(7, () => {
      for (let pass = 0; pass < 6; pass += 1)
        for (let cell = 1; cell < sweep.length; cell += 1)
          sweep[cell] = Math.max(
            volume.emitted[cell]!,
            sweep[cell - 1]! - Math.max(1, volume.absorbed[cell]!),
          );
    });
    const flood = median(7, () => floodLight(volume));
    const at = cellAt(volume, side >> 1, side >> 1, side >> 1);
    const one = median(21, (run) =>
      setLight(volume, at, { emitted: run % 2 ? 0 : 15, absorbed: 0 }),
    );
    line(
      `light.${side}.flood-ratio`,
      `light: flood ${side}³ cells ÷ a plain sweep along six axes`,
      (flood / plain).toFixed(1),
      `${flood.toFixed(1)} ms, ${(volume.levels.length / flood / 1000).toFixed(1)} million cells a second; one lamp ${one.toFixed(2)} ms`,
    );
    return flood;
  });
  line('light.growth', 'light: × 8 cells', `× ${(times[1]! / times[0]!).toFixed(1)}`);
}
