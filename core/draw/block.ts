import { modelQuads, resolvedModelOf, templateNamed, textureSizes, textureOf, type Quad } from '../models/index.ts';
import type { Mod, ResolvedBlock, Candidate } from '../mod/index.ts';
import { asMade, isOrientation, usualTop } from '../space/index.ts';
import { decodePicture, frameSize, tintColour, type Pixels } from '../textures/index.ts';
import type { DrawnModel, PixelsOf } from './isometric.ts';

/** The candidates that a state shows: of the first row that matches, or of every row of a layered look. */
export function candidatesIn(block: ResolvedBlock, state: number): Candidate[][] {
  const matching = block.looks.rows.filter((row) => block.space.matching(row.when).has(state)).map((row) => row.value);
  return block.looks.mode === 'layered' ? matching : matching.slice(0, 1);
}

/**
 * The candidate that a position shows: by share, from a whole number spread evenly over 32 bits.
 *
 * @example pickCandidate([{ model: 'a', share: 3 }, { model: 'b', share: 1 }], 0) // 0
 */
export function pickCandidate(candidates: readonly Candidate[], even: number): number {
  const shares = candidates.map(({ share = 1 }) => Math.max(0, share));
  let left = (even / 2 ** 32) * shares.reduce((sum, share) => sum + share, 0);
  const at = shares.findIndex((share) => (left -= share) < 0);
  return Math.max(0, at);
}

/** What is drawn for a state, taking of each row the candidate number `pick`. A state without a look is a cube of the marker. */
export function drawnModels(mod: Mod, block: ResolvedBlock, state: number, pick = 0): DrawnModel[] {
  const chosen = candidatesIn(block, state).map((candidates) => candidates[pick % candidates.length]!);
  const { alphaMode, alphaCutoff } = block.traits;
  if (!chosen.length) return [{ quads: markerCube(mod.header.texels), orientation: asMade, alphaMode: 'opaque' }];
  return chosen.map((candidate): DrawnModel => {
    const { front = 'south', top = usualTop(front) } = candidate;
    return { quads: quadsOf(mod, candidate.model), orientation: isOrientation({ front, top }) ? { front, top } : asMade, alphaMode, alphaCutoff, tint: tintColour(block.traits.tint) };
  });
}

const known = new WeakMap<Mod['models'], { textures: Mod['textures']; texels: number; quads: Map<string, Quad[]> }>();

/** The quads of a model; of one that does not resolve, a cube of the marker. The same array for as long as no model and no texture changes. */
function quadsOf(mod: Mod, id: string): Quad[] {
  const { models, textures, header: { texels } } = mod;
  let cache = known.get(models);
  if (!cache || cache.textures !== textures || cache.texels !== texels) known.set(models, (cache = { textures, texels, quads: new Map() }));
  const before = cache.quads.get(id);
  if (before) return before;
  const model = resolvedModelOf(mod, id);
  const quads = model && !model.missing && !model.circle ? modelQuads(model, texels, textureSizes(mod)) : markerCube(texels);
  cache.quads.set(id, quads);
  return quads;
}

const cubes = new Map<number, Quad[]>();
function markerCube(texels: number): Quad[] {
  const cube = cubes.get(texels) ?? modelQuads({ boxes: templateNamed('obrank:cube')!.model.boxes!.map((box) => (
    { ...box, size: [texels, texels, texels], sides: Object.fromEntries(Object.entries(box.sides).map(([side, made]) => [side, { ...made, texture: undefined }])) })), slots: new Map(), unusedSlots: [] }, texels, () => undefined);
  cubes.set(texels, cube);
  return cube;
}

/** The textures that the drawn models need, by id. */
export const neededTextures = (models: readonly DrawnModel[]): string[] => [...new Set(models.flatMap((model) => model.quads.map((quad) => quad.texture)))].filter((id) => id !== undefined);

/** Pixels of the mod's textures from the bytes of their pictures: of a strip, its first frame. Remembered by digest. */
export function texturePixels(mod: Mod, bytesOf: (sha256: string) => Uint8Array | undefined, known = new Map<string, Pixels>()): PixelsOf {
  return (id) => {
    const texture = textureOf(mod, id);
    if (!texture) return undefined;
    const { sha256 } = texture.picture;
    let pixels = known.get(sha256);
    if (!pixels) {
      const bytes = bytesOf(sha256);
      if (!bytes) return undefined;
      known.set(sha256, (pixels = decodePicture(bytes)));
    }
    const { width, height } = frameSize(texture);
    return height >= pixels.height ? pixels : { width, height, data: pixels.data.subarray(0, width * height * 4) };
  };
}
