import type { Vec3 } from '../../space/index.ts';
import { open } from './numbers.ts';

/** A bounded world as numbers: x first, then z, then y. */
export class Cells {
  readonly numbers: Uint32Array;

  constructor(readonly size: Vec3) {
    this.numbers = new Uint32Array(size[0] * size[1] * size[2]);
  }

  isInside([x, y, z]: Vec3): boolean {
    const [w, h, d] = this.size;
    return x >= 0 && y >= 0 && z >= 0 && x < w && y < h && z < d;
  }

  indexOf([x, y, z]: Vec3): number {
    return x + this.size[0] * (z + this.size[2] * y);
  }

  /** Nothing outside of the world. */
  at(place: Vec3): number {
    return this.numberAt(place[0], place[1], place[2]);
  }

  /** The same by its three parts. */
  numberAt(x: number, y: number, z: number): number {
    const [w, h, d] = this.size;
    if (x < 0 || y < 0 || z < 0 || x >= w || y >= h || z >= d) return open;
    return this.numbers[x + w * (z + d * y)] ?? open;
  }

  /** Throws a RangeError outside of the world. */
  set(place: Vec3, number: number): void {
    if (!this.isInside(place)) throw new RangeError(`${place.join(' ')} is outside of the world`);
    this.numbers[this.indexOf(place)] = number;
  }
}
