import { FluidWorld, solidCell, Spread, type FluidPhysics } from '../core/fluids/index.ts';
import type { Line, Median } from './figures.ts';

const physics: FluidPhysics = { reach: 15, pace: 1 };
const [wide, high, deep] = [64, 6, 64] as const;
/** So many ticks are lived through, with something poured in or taken away on every fifth. */
const ticks = 200;

/** Hilly ground of 64 × 64 cells. */
function ground(): FluidWorld {
  const world = new FluidWorld([wide, high, deep]);
  for (let x = 0; x < wide; x += 1)
    for (let z = 0; z < deep; z += 1) {
      const height = 1 + Math.floor(1.5 + 1.5 * Math.sin(x / 7) * Math.cos(z / 9));
      for (let y = 0; y < height; y += 1) world.put([x, y, z], solidCell());
    }
  return world;
}

/** What is poured where on a tick, or taken away again. */
function act(spread: Spread, tick: number): void {
  if (tick % 5 !== 0) return;
  const [x, z] = [(tick * 7) % wide, (tick * 13) % deep];
  const isPoured = tick % 15 !== 0;
  spread.put(
    [x, high - 1, z],
    isPoured ? { kind: 'fluid', level: 0, isSource: true } : { kind: 'open' },
  );
}

/** A fluid on 64 × 64 cells, tick by tick, beside a sweep over all of its cells. */
export function benchFluids(median: Median, line: Line): void {
  const kept = median(5, () => {
    const spread = new Spread(ground(), physics);
    for (let tick = 0; tick < ticks; tick += 1) {
      act(spread, tick);
      spread.step();
    }
  });
  const swept = median(3, () => {
    let world = ground();
    for (let tick = 0; tick < ticks; tick += 1) {
      // A new one looks at every cell.
      const spread = new Spread(world, physics);
      act(spread, tick);
      spread.step();
      world = spread.world;
    }
  });
  const tick = kept / ticks;
  line(
    'fluids.64.tick',
    'a tick of a fluid on 64 × 64 cells, six high',
    `${tick.toFixed(2)} ms`,
    `${(50 / tick).toFixed(0)} times as fast as 20 ticks a second ask for; 1/${(swept / kept).toFixed(1)} of a sweep`,
  );
}
