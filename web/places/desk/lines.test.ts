import { describe, expect, test } from '@jest/globals';
import type { Box } from '../../../core/mod/index.ts';
import { itemAt } from '../../../core/lists/index.ts';
import type { Vec3 } from '../../../core/space/index.ts';
import type { Pixel } from '../../stage/view.tsx';
import { asPoints, dimensionLines, faceOf, facesSeen, sideAt } from './lines.ts';

/** Ten pixels a texel, seen from the front, left and above as the stage shows it at first. */
const project = ([x, y, z]: Vec3): Pixel => [(x - z) * 8.66 + 200, (x + z) * 5 - y * 10 + 300];
const leg: Box = { at: [2, 0, 2], size: [2, 10, 3], sides: {} };

describe('dimension lines', () => {
  const lines = dimensionLines(leg, project, [400, 300]);

  test('one for each axis, with its length, between the sides that its ends move', () => {
    expect(lines.map(({ axis, length, moves }) => [axis, length, moves])).toEqual([
      [0, 2, ['right', 'left']],
      [1, 10, ['bottom', 'top']],
      [2, 3, ['back', 'front']],
    ]);
    expect(lines.map(({ scale }) => Math.round(scale))).toEqual([10, 10, 10]);
  });

  test('the height stands beside the box, away from the middle; the others lie below it', () => {
    const [width, height, depth] = lines;
    const bounds = facesSeen(leg, project).flat();
    expect(Math.max(...height!.line.map(([x]) => x))).toBeLessThan(
      Math.min(...bounds.map(([x]) => x)),
    );
    for (const line of [width!, depth!])
      expect(Math.min(...line.line.map(([, y]) => y))).toBeGreaterThan(
        Math.min(...line.edge.map(([, y]) => y)),
      );
    const onRight = dimensionLines(leg, project, [0, 300])[1]!;
    expect(Math.min(...onRight.line.map(([x]) => x))).toBeGreaterThan(
      Math.max(...bounds.map(([x]) => x)),
    );
  });

  test('every line is as long as its edge and as far from it at both ends', () => {
    for (const { edge, line } of lines) {
      const apart = [0, 1].map((end) =>
        Math.hypot(
          itemAt(edge, end)[0] - itemAt(line, end)[0],
          itemAt(edge, end)[1] - itemAt(line, end)[1],
        ),
      );
      expect(apart[0]).toBeCloseTo(30);
      expect(apart[1]).toBeCloseTo(30);
    }
  });

  test('an axis that one looks along has none', () => {
    const fromFront = ([x, y]: Vec3): Pixel => [x * 10, -y * 10];
    expect(dimensionLines(leg, fromFront, [0, 0]).map(({ axis }) => axis)).toEqual([0, 1]);
  });
});

test('of a box three faces look at the viewer, and each side has its own', () => {
  const faces = facesSeen(leg, project).map(asPoints);
  expect(faces).toHaveLength(3);
  for (const side of ['front', 'left', 'top'] as const)
    expect(faces).toContain(asPoints(faceOf(leg, side, project)));
  expect(sideAt(1, 1)).toBe('top');
  expect(sideAt(0, -1)).toBe('right');
});
