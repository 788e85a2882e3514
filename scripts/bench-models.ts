import { readGltf, writeGlb } from '../core/exchange/index.ts';
import { fitBoxes, unwrapBoxes } from '../core/models/index.ts';
import type { Box } from '../core/mod/index.ts';
import { sides, type PlainBox } from '../core/space/index.ts';
import { chance } from '../demo/art/canvas.ts';
import type { Line, Median } from './figures.ts';

/** Boxes scattered over a cell, of whole texels. */
function scattered(many: number, seed: number): PlainBox[] {
  const random = chance(seed);
  const whole = (least: number, most: number) => least + Math.floor(random() * (most - least + 1));
  return Array.from({ length: many }, () => ({
    at: [whole(0, 12), whole(0, 12), whole(0, 12)],
    size: [whole(1, 4), whole(1, 4), whole(1, 4)],
  }));
}

/** Fitting shapes to models, unwrapping them, and reading back what was written. */
export function benchModels(median: Median, line: Line): void {
  const [few, many] = [20, 40].map((boxes) => {
    const parts = scattered(boxes, boxes);
    fitBoxes(parts, 6);
    return median(7, () => fitBoxes(parts, 6));
  });
  line(
    'models.fit.40',
    'fit 40 boxes with one to six',
    `${many!.toFixed(0)} ms`,
    `× ${(many! / few!).toFixed(1)} for × 2 boxes`,
  );
  const boxes = scattered(200, 3).map((box): Box => ({
    ...box,
    sides: Object.fromEntries(sides.map((side) => [side, { slot: 'skin' }])),
  }));
  const options = { slot: 'skin', texels: 16, most: 1024 };
  const placed = unwrapBoxes(boxes, options);
  const unwrap = median(5, () => unwrapBoxes(boxes, options));
  const again = median(5, () => unwrapBoxes(placed.boxes, { ...options, least: placed }));
  line(
    'models.unwrap.200',
    'unwrap 200 boxes',
    `${unwrap.toFixed(0)} ms`,
    `${again.toFixed(0)} ms where every side lies well already`,
  );
  const parts = boxes.map(({ at: [x, y, z], size: [w, h, d] }, i) => ({
    name: `box_${i}`,
    faces: [
      {
        material: 0,
        corners: [
          [x, y + h, z + d],
          [x, y, z + d],
          [x + w, y, z + d],
          [x + w, y + h, z + d],
        ].map(([a = 0, b = 0, c = 0]) => ({
          at: [a, b, c] as const,
          uv: [a / 16, b / 16] as const,
        })),
      },
    ],
  }));
  const material = { name: 'a', alphaMode: 'opaque', alphaCutoff: 0.5, tint: [1, 1, 1] } as const;
  const scene = { name: 'bench', parts, materials: [material] };
  const bytes = writeGlb(scene);
  const write = median(7, () => writeGlb(scene));
  const read = median(7, () => readGltf(bytes, 'bench', () => undefined));
  line(
    'models.glb.read-ratio',
    'read 200 parts of a GLB ÷ write them',
    (read / write).toFixed(2),
    `${read.toFixed(1)} ms ÷ ${write.toFixed(1)} ms`,
  );
}
