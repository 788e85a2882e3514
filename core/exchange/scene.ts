import type { Vec3 } from '../space/index.ts';

/**
 * A file of a model that cannot be read; the message is a sentence for the one who chose it.
 */
export class ExchangeProblem extends Error {
  override name = 'ExchangeProblem';
}

/** How the faces of a part look. */
export interface Material {
  name: string;
  /** The PNG that it shows, and what that is called; none where it shows no picture. */
  picture?: { name: string; bytes: Uint8Array };
  alphaMode: 'opaque' | 'mask' | 'blend';
  alphaCutoff: number;
  /** A colour by which the picture is multiplied, in linear light, 0 to 1. */
  tint: readonly [number, number, number];
}

/** A corner of a face: where it is, and where on the picture, from its top left corner. */
export interface Corner {
  at: Vec3;
  uv: readonly [number, number];
}

/** A flat polygon, anticlockwise as seen from outside; `material` is its place in the scene. */
export interface Face {
  corners: readonly Corner[];
  material: number;
}

/** Faces that belong together under a name: a box, where they are one. */
export interface Part {
  name: string;
  group?: string;
  faces: Face[];
  /** The box that it is, where the writer knew: more than can be seen where sides are left out. */
  box?: PartBox;
}

/** A box as one of its corners and the three edges that leave from it; a flat one has one of 0. */
export interface PartBox {
  corner: Vec3;
  edges: readonly [Vec3, Vec3, Vec3];
}

/**
 * A model outside of Obrank: parts around the middle of a cell that is one unit wide and stands on
 * the ground, +Y up and the front towards +Z, as glTF 2.0 has it (3.4).
 */
export interface Scene {
  name: string;
  parts: Part[];
  materials: Material[];
}

/** A scene out of a file, with what could not be taken over, in sentences. */
export interface ReadScene extends Scene {
  notes: string[];
}

/** What may be read at most; whoever sends more is told so before memory is spent on it. */
export const exchangeLimits = {
  bytes: 32 * 1024 * 1024,
  vertices: 200_000,
  triangles: 200_000,
  parts: 4096,
  pictureBytes: 8 * 1024 * 1024,
} as const;
