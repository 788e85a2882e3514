/**
 * The Yard: meshing and lighting a world beside a plain sweep over the same arrays, loading a large
 * pack, and a walk in Chromium beside a bare scene of as many triangles.
 */
import { kitNamed, loadPack } from '../core/kits/index.ts';
import {
  atlasOf,
  chunksOf,
  daylight,
  drawingOf,
  flood,
  Looks,
  meshChunk,
  Run,
  type Drawing,
  type PackWorld,
} from '../core/yard/index.ts';
import { demoWorld } from '../demo/art/demo-world.ts';
import { markerPicture } from '../web/workers/marker-picture.ts';
import { bigMod } from './big-mod.ts';
import { benchYardWalk } from './bench-yard-walk.ts';
import { medians, type Line, type Median } from './figures.ts';

/** A world of a pack in a scene, as it is drawn. */
function standingIn(pack: PackWorld, scene: string): { drawing: Drawing; run: Run } {
  const run = new Run(pack, { scene, seed: 1 });
  const { numberOf } = atlasOf(pack.view, pack.view.pictures, markerPicture);
  const drawing = drawingOf(run.now, {
    looks: new Looks(pack, run.now.numbers),
    pictureNumber: (id) => (id === undefined ? 0 : (numberOf.get(id) ?? 0)),
    fluidLook: () => ({ isClear: true }),
  });
  return { drawing, run };
}

/** Looks at each cell and at its neighbour on each of six sides, in all arrays that a mesh is of. */
function swept({ cells, block, sky }: Drawing): number {
  const { numbers, size } = cells;
  let seen = 0;
  for (const step of [1, -1, size[0], -size[0], size[0] * size[2], -size[0] * size[2]])
    for (let i = 0; i < numbers.length; i += 1)
      if (numbers[i] !== numbers[i + step])
        seen += Math.max(block[i] ?? 0, block[i + step] ?? 0, sky[i] ?? 0, sky[i + step] ?? 0);
  return seen;
}

const million = (cells: number, ms: number): string =>
  `${ms.toFixed(1)} ms, ${(cells / ms / 1000).toFixed(1)} million cells a second`;

export async function benchYard(median: Median, line: Line): Promise<void> {
  const { world } = demoWorld();
  for (const [scene, name] of [
    ['Ground and wall', 'ground'],
    ['Every state', 'states'],
  ] as const) {
    const { drawing } = standingIn(world, scene);
    const { cells } = drawing;
    const many = cells.numbers.length;
    const chunks = chunksOf(cells.size);
    let seen = 0;
    const [plain, mesh] = await medians(
      25,
      () => (seen += swept(drawing)),
      () => {
        for (const chunk of chunks) seen += meshChunk(drawing, chunk).solid.faces;
      },
    );
    if (!seen) throw new Error('nothing was drawn');
    line(
      `yard.${name}.mesh-ratio`,
      `yard: mesh "${scene}" ÷ a plain sweep along six axes`,
      (mesh / plain).toFixed(1),
      million(many, mesh),
    );
    const absorbs = Uint8Array.from(cells.numbers, (number) => drawing.facts(number).absorbs);
    const emits = Uint8Array.from(cells.numbers, (number) => drawing.facts(number).emits);
    const [again, light] = await medians(
      25,
      () => (seen += swept(drawing)),
      () => {
        const levels = emits.slice();
        flood(levels, absorbs, cells.size);
        seen += daylight(absorbs, cells.size).length;
      },
    );
    line(
      `yard.${name}.light-ratio`,
      `yard: light of blocks and day in "${scene}" ÷ the same sweep`,
      (light / again).toFixed(1),
      million(many, light),
    );
  }
  benchLoad(median, line);
  await benchYardWalk(standingIn(world, 'Ground and wall'), line);
}

function benchLoad(median: Median, line: Line): void {
  const { mod, blobs } = bigMod(2000);
  const files = kitNamed('block-pack').write(mod, (sha256) => blobs.get(sha256)!);
  const load = median(3, () => {
    const { world } = loadPack(files);
    const run = new Run(world, { scene: 'Every state', seed: 1 });
    atlasOf(world.view, world.view.pictures, markerPicture);
    if (run.ticks !== 0) throw new Error('nobody stands in it');
  });
  line('yard.load', 'yard: load a pack of 2,000 blocks and stand in it', `${load.toFixed(0)} ms`);
}
