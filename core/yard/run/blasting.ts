import type { Vec3 } from '../../space/index.ts';

/** In slow motion the front of a blast goes so many blocks a tick. */
const slowPace = 0.25;

interface Wave {
  /** The nearest last. */
  left: { place: Vec3; distance: number }[];
  reached: number;
}

/** Charges that have gone off slowly: what they take goes as their front reaches it. */
export class Blasting {
  private waves: Wave[] = [];

  /** A charge goes off in a cell; `gone` is what it takes. */
  begin(from: Vec3, gone: readonly Vec3[]): void {
    const left = gone.map((place) => ({
      place,
      distance: Math.hypot(...place.map((part, axis) => part - from[axis]!)),
    }));
    this.waves.push({ left: left.sort((a, b) => b.distance - a.distance), reached: 0 });
  }

  /** One tick: the cells that the fronts reached in it, the nearest first. */
  tick(): Vec3[] {
    const reached: Vec3[] = [];
    for (const wave of this.waves) {
      wave.reached += slowPace;
      while ((wave.left.at(-1)?.distance ?? Infinity) <= wave.reached)
        reached.push(wave.left.pop()!.place);
    }
    this.waves = this.waves.filter(({ left }) => left.length > 0);
    return reached;
  }
}
