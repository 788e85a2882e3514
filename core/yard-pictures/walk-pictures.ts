import { digestOf } from '../bytes/index.ts';
import { drawIsometric, fillingView, type DrawnModel, type PixelsOf } from '../draw/index.ts';
import type { Quad } from '../models/index.ts';
import { identityOrientation, type Vec3 } from '../space/index.ts';
import { encodePicture, tintColour, type Pixels } from '../textures/index.ts';
import {
  called,
  lightIn,
  litByNight,
  Looks,
  Numbers,
  statesTried,
  type DrawnFace,
  type PackWorld,
  type ReportPicture,
  type WalkPart,
  type YardBlock,
} from '../yard/index.ts';

/** A picture is so many pixels wide and high; of one try at most so many are shown. */
const size = 96;
const mostPictures = 8;
/** Where the middle of the world lies for what a place chooses: any place would do. */
const place: Vec3 = [0, 0, 0];
const byDay = [1, 1, 1] as const;
/** What is behind the pictures of the night: light enough for what is dark to stand before it. */
const nightSky = [54, 68, 84];

/** The pictures of a walk, and the files that they are. */
export interface WalkPictures {
  of: (block: string, part: WalkPart) => readonly ReportPicture[];
  /** By their names beside the report, as PNG: of all that was asked for so far. */
  files: ReadonlyMap<string, Uint8Array>;
}

/**
 * Draws what a test walk comes upon, from the files of the pack alone: for each block and try the
 * states, each look once, when they are asked for first. A picture is called by its digest, so that the same look has one file.
 *
 * @example walkPictures(world).of('saltmarsh:sluice_gate', 'Turned')[0]?.file // 'pictures/5b1….png'
 */
export function walkPictures(world: PackWorld): WalkPictures {
  const numbers = new Numbers(world);
  const looks = new Looks(world, numbers);
  const pixelsOf = pixelsIn(world);
  const files = new Map<string, Uint8Array>();
  // Many states may show the same faces: those are drawn once.
  const drawn = new Map<string, string>();
  const draw: Draw = (block, state, part) => {
    const faces = looks.at(numbers.of({ block: block.id, state }), place);
    const light = part === 'By night' ? lightIn(block, state) : undefined;
    const key = `${light ?? 'day'} ${faces.map(({ id }) => id).join(' ')}`;
    const before = drawn.get(key);
    if (before !== undefined) return before;
    const models = modelsOf(faces, world.texels, light === undefined ? byDay : litByNight(light));
    const view = fillingView(models, world.texels, pixelsOf);
    const shown = drawIsometric(models, world.texels, size, pixelsOf, view);
    const png = encodePicture(light === undefined ? shown : onGround(shown, nightSky));
    const file = `pictures/${digestOf(png).slice(0, 24)}.png`;
    files.set(file, png);
    drawn.set(key, file);
    return file;
  };
  const known = new Map<string, Partial<Record<WalkPart, ReportPicture[]>>>();
  const ofBlock = (id: string): Partial<Record<WalkPart, ReportPicture[]>> => {
    const block = world.stock.has(id) ? undefined : world.blocks.get(id);
    const tried = Object.entries(block ? statesTried(block) : {}) as [WalkPart, number[]][];
    const found = tried.map(
      ([part, states]) => [part, eachLook(block!, states, part, draw)] as const,
    );
    return Object.fromEntries(found);
  };
  const of = (id: string, part: WalkPart): readonly ReportPicture[] => {
    const found = known.get(id) ?? ofBlock(id);
    known.set(id, found);
    return found[part] ?? [];
  };
  return { of, files };
}

/** Draws a state as a try comes upon it, and tells the file. */
type Draw = (block: YardBlock, state: number, part: WalkPart) => string;

/** The pictures of states, each look once, under the name of the first state that has it. */
function eachLook(
  block: YardBlock,
  states: readonly number[],
  part: WalkPart,
  draw: Draw,
): ReportPicture[] {
  const found = new Map<string, string>();
  for (const state of states) {
    if (found.size === mostPictures) break;
    const file = draw(block, state, part);
    const light = part === 'By night' ? `, light ${lightIn(block, state)}` : '';
    if (!found.has(file)) found.set(file, called(block, state) + light);
  }
  return [...found].map(([file, shows]) => ({ file, shows }));
}

/** The faces of a cell as the models that are drawn, one for each way in which faces are shown. */
function modelsOf(
  faces: readonly DrawnFace[],
  texels: number,
  lit: readonly [number, number, number],
): DrawnModel[] {
  return faces.map(({ corners, uv, normal, picture, display, isTinted }) => {
    const scaled = corners.map((corner) => corner.map((part) => part * texels) as unknown as Vec3);
    const quad: Quad = {
      corners: scaled as unknown as Quad['corners'],
      normal,
      side: 'top',
      texture: picture,
      slot: '',
      box: 0,
      uv,
    };
    const [red, green, blue] = tintColour(isTinted ? display.tint : 'none');
    return {
      quads: [quad],
      orientation: identityOrientation,
      alphaMode: display.alphaMode,
      tint: [red * lit[0], green * lit[1], blue * lit[2]] as const,
      ...(display.alphaCutoff !== undefined && { alphaCutoff: display.alphaCutoff }),
    };
  });
}

/** A picture before a colour, of which it leaves nothing open. */
function onGround({ width, height, data }: Pixels, ground: readonly number[]): Pixels {
  const over = data.map((part, i) => {
    const alpha = (data[i | 3] ?? 0) / 255;
    return (i & 3) === 3 ? 255 : Math.round(part * alpha + (ground[i & 3] ?? 0) * (1 - alpha));
  });
  return { width, height, data: over };
}

/** The first frame of each picture of a pack. */
function pixelsIn({ view }: PackWorld): PixelsOf {
  const known = new Map<string, ReturnType<PixelsOf>>();
  return (id) => {
    if (!known.has(id)) {
      const picture = view.pictureOf(id);
      const data = picture?.pixels();
      const { width = 0, height = 0 } = picture ?? {};
      known.set(id, data && { width, height, data: data.subarray(0, width * height * 4) });
    }
    return known.get(id);
  };
}
