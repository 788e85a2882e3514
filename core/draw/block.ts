import {
  modelQuads,
  uprightQuads,
  resolvedModelOf,
  templateNamed,
  textureSizes,
  textureOf,
  type Quad,
} from '../models/index.ts';
import type { Mod, ResolvedBlock, Candidate } from '../mod/index.ts';
import {
  identityOrientation,
  isOrientation,
  mix,
  pickShare,
  scatterAt,
  usualTop,
  type Orientation,
  type Vec3,
} from '../space/index.ts';
import { expandRows } from '../states/index.ts';
import { decodePicture, shownAt, tintColour, type Pixels } from '../textures/index.ts';
import type { DrawnModel, PixelsOf } from './isometric.ts';

const shown = new WeakMap<ResolvedBlock, Candidate[][][]>();

/**
 * The candidates that a state shows: of the first row that matches, or of every row of a layered
 * look. Worked out for all states at once.
 */
export function candidatesIn(block: ResolvedBlock, state: number): Candidate[][] {
  let byState = shown.get(block);
  if (!byState) {
    const { looks, space } = block;
    const lists = Array.from({ length: space.size }, (): Candidate[][] => []);
    if (looks.mode === 'one-of')
      expandRows(looks.rows, space).forEach((use, index) => use && lists[index]!.push(use));
    else
      for (const row of looks.rows)
        space.matching(row.when).forEach((index) => lists[index]!.push(row.value));
    shown.set(block, (byState = lists));
  }
  return byState[state] ?? [];
}

/**
 * Which candidate to show of each row: always the one of that number, or those that a place in the
 * world picks.
 */
export type Pick = number | Vec3;

/**
 * The candidates that are shown: one of each row that counts. At a place in the world the choice
 * goes by share and by a number that follows from the place alone (`mix`); the rows of a layered
 * look choose one by one, as if they stood 65,536 cells apart.
 */
export function chosenCandidates(block: ResolvedBlock, state: number, pick: Pick): Candidate[] {
  return candidatesIn(block, state).map(
    (candidates, layer) =>
      candidates[
        typeof pick === 'number'
          ? pick % candidates.length
          : pickShare(
              candidates.map(({ share = 1 }) => share),
              mix(pick[0], pick[1], pick[2] + 65_536 * layer),
            )
      ]!,
  );
}

/**
 * What is drawn for a state. A state without a look is a cube of the marker; a layered look that
 * draws nothing there is nothing.
 */
export function drawnModels(
  mod: Mod,
  block: ResolvedBlock,
  state: number,
  pick: Pick = 0,
): DrawnModel[] {
  const chosen = chosenCandidates(block, state, pick);
  const { alphaMode, alphaCutoff, scatter } = block.traits;
  if (!chosen.length)
    return block.looks.mode === 'layered' && block.looks.rows.length
      ? []
      : [
          {
            quads: markerCube(mod.header.texels),
            orientation: identityOrientation,
            alphaMode: 'opaque',
          },
        ];
  const [shiftX, shiftZ] =
    typeof pick !== 'number' && scatter > 0 ? scatterAt(pick[0], pick[2], scatter) : [0, 0];
  return chosen.map((candidate): DrawnModel => {
    const { front = 'south', top = usualTop(front) } = candidate;
    const orientation = isOrientation({ front, top }) ? { front, top } : identityOrientation;
    return {
      quads: quadsOf(mod, candidate.model, candidate.upright ? orientation : undefined),
      orientation,
      alphaMode,
      alphaCutoff,
      tint: tintColour(block.traits.tint),
      ...(shiftX || shiftZ ? { shift: [shiftX, 0, shiftZ] } : {}),
    };
  });
}

const known = new WeakMap<
  Mod['models'],
  { textures: Mod['textures']; texels: number; quads: Map<string, Quad[]> }
>();

/**
 * The quads of a model; of one that does not resolve, a cube of the marker. The same array for as
 * long as no model and no texture changes.
 */
function quadsOf(mod: Mod, id: string, upright?: Orientation): Quad[] {
  const {
    models,
    textures,
    header: { texels },
  } = mod;
  let cache = known.get(models);
  if (!cache || cache.textures !== textures || cache.texels !== texels)
    known.set(models, (cache = { textures, texels, quads: new Map() }));
  const key = upright ? `${id} ${upright.front} ${upright.top}` : id;
  const before = cache.quads.get(key);
  if (before) return before;
  const model = resolvedModelOf(mod, id);
  const quads =
    !model || model.missing || model.circle
      ? markerCube(texels)
      : upright
        ? uprightQuads(model, upright, texels, textureSizes(mod))
        : modelQuads(model, texels, textureSizes(mod));
  cache.quads.set(key, quads);
  return quads;
}

const cubes = new Map<number, Quad[]>();
function markerCube(texels: number): Quad[] {
  const cube =
    cubes.get(texels) ??
    modelQuads(
      {
        boxes: templateNamed('obrank:cube')!.model.boxes!.map((box) => ({
          ...box,
          size: [texels, texels, texels],
          sides: Object.fromEntries(
            Object.entries(box.sides).map(([side, made]) => [
              side,
              { ...made, texture: undefined },
            ]),
          ),
        })),
        slots: new Map(),
        unusedSlots: [],
      },
      texels,
      () => undefined,
    );
  cubes.set(texels, cube);
  return cube;
}

/** The textures that the drawn models need, by id. */
export const neededTextures = (models: readonly DrawnModel[]): string[] =>
  [...new Set(models.flatMap((model) => model.quads.map((quad) => quad.texture)))].filter(
    (id) => id !== undefined,
  );

/**
 * Pixels of the mod's textures from the bytes of their pictures: of a strip, the frame that shows
 * after `tick` ticks. Remembered by digest.
 */
export function texturePixels(
  mod: Mod,
  bytesOf: (sha256: string) => Uint8Array | undefined,
  known = new Map<string, Pixels>(),
  tick = 0,
): PixelsOf {
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
    return shownAt(texture, pixels, tick);
  };
}
