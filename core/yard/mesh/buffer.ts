import type { Vec3 } from '../../space/index.ts';

/** Faces as arrays for drawing, four points each, to be handed over whole. */
export interface MeshArrays {
  /** x, y, z from the middle of the chunk. */
  positions: Float32Array;
  /** Across and down; beyond 1 the picture repeats. */
  uvs: Float32Array;
  /** Red, green, blue, and what chooses the colour: 0 these three, 1 grass, 2 leaf, 3 water. */
  tints: Uint8Array;
  /** The light of blocks and that of the day, 0 to 15; shade, and the least alpha, 0 to 255. */
  lights: Uint8Array;
  /** The number of the picture. */
  pictures: Uint16Array;
  faces: number;
}

/** A point of a face. */
export interface Corner {
  at: Vec3;
  uv: readonly [number, number];
  /** 0 to 1. */
  shade: number;
}

/** What the four points of a face have in common. */
export interface FaceLook {
  picture: number;
  tint: readonly [number, number, number, number];
  block: number;
  sky: number;
  /** 0 to 255; 0 where alpha does not count. */
  cutoff: number;
}

const first = 64;

/** Gathers faces into arrays that grow by doubling. */
export class FaceBuffer {
  private made: MeshArrays = allocate(first);

  add(corners: readonly Corner[], look: FaceLook): void {
    if (this.made.faces * 12 >= this.made.positions.length) this.grow();
    const { positions, uvs, tints, lights, pictures } = this.made;
    let point = this.made.faces * 4;
    for (const { at, uv, shade } of corners) {
      for (let i = 0; i < 3; i += 1) positions[point * 3 + i] = at[i]!;
      for (let i = 0; i < 2; i += 1) uvs[point * 2 + i] = uv[i]!;
      for (let i = 0; i < 4; i += 1) tints[point * 4 + i] = look.tint[i]!;
      lights[point * 4] = look.block;
      lights[point * 4 + 1] = look.sky;
      lights[point * 4 + 2] = Math.round(shade * 255);
      lights[point * 4 + 3] = look.cutoff;
      pictures[point] = look.picture;
      point += 1;
    }
    this.made.faces += 1;
  }

  /** What was gathered, cut to its length. */
  done(): MeshArrays {
    const { positions, uvs, tints, lights, pictures, faces } = this.made;
    return {
      positions: positions.slice(0, faces * 12),
      uvs: uvs.slice(0, faces * 8),
      tints: tints.slice(0, faces * 16),
      lights: lights.slice(0, faces * 16),
      pictures: pictures.slice(0, faces * 4),
      faces,
    };
  }

  private grow(): void {
    const before = this.made;
    this.made = allocate((before.positions.length / 12) * 2);
    this.made.faces = before.faces;
    this.made.positions.set(before.positions);
    this.made.uvs.set(before.uvs);
    this.made.tints.set(before.tints);
    this.made.lights.set(before.lights);
    this.made.pictures.set(before.pictures);
  }
}

const allocate = (faces: number): MeshArrays => ({
  positions: new Float32Array(faces * 12),
  uvs: new Float32Array(faces * 8),
  tints: new Uint8Array(faces * 16),
  lights: new Uint8Array(faces * 16),
  pictures: new Uint16Array(faces * 4),
  faces: 0,
});
