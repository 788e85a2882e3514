import { memo } from 'react';
import type { Box, Mod } from '../../../core/mod/index.ts';
import { cornersOf, textureOf } from '../../../core/models/index.ts';
import { itemAt } from '../../../core/lists/index.ts';
import type { Side } from '../../../core/space/index.ts';

/** The three sides that one sees from the front, above and to the left of the model. */
const seen: readonly { side: Side; corners: readonly number[]; light: number }[] = [
  { side: 'top', corners: [2, 6, 7, 3], light: 1 },
  { side: 'front', corners: [6, 4, 5, 7], light: 0.84 },
  { side: 'left', corners: [7, 5, 1, 3], light: 0.66 },
];

interface PictureProps {
  box: Box;
  mod: Mod;
  slots: ReadonlyMap<string, string | undefined>;
  texels: number;
}

/** A box drawn to scale in the mean colours of its pictures: for the bill of parts. */
export const PartPicture = memo(function PartPicture({ box, mod, slots, texels }: PictureProps) {
  const corners = cornersOf(box).map(([x, y, z]): [number, number] => [
    ((x - z) * 0.866) / texels,
    ((x + z) * 0.5 - y) / texels,
  ]);
  const middle = [0, 1].map(
    (i) => corners.reduce((sum, corner) => sum + itemAt(corner, i), 0) / corners.length,
  );
  const reach = Math.max(
    ...corners.map((corner) => Math.max(...corner.map((v, i) => Math.abs(v - itemAt(middle, i))))),
  );
  // Small parts are drawn a little larger than to scale, so that one can tell them apart.
  const scale = 15 / Math.max(0.55, reach + 0.1);
  return (
    <svg width="34" height="34" viewBox="-17 -17 34 34" aria-hidden="true">
      {seen.map(({ side, corners: four, light }) => (
        <polygon
          key={side}
          points={four
            .map((i) =>
              itemAt(corners, i)
                .map((v, n) => ((v - itemAt(middle, n)) * scale).toFixed(2))
                .join(),
            )
            .join(' ')}
          fill={colourOf(box, side, mod, slots)}
          style={{ filter: `brightness(${light})` }}
          stroke={box.sides[side] ? 'var(--line)' : 'var(--tide)'}
          strokeWidth={box.sides[side] ? 0.4 : 1}
        />
      ))}
    </svg>
  );
});

function colourOf(
  box: Box,
  side: Side,
  mod: Mod,
  slots: ReadonlyMap<string, string | undefined>,
): string {
  const made = box.sides[side];
  if (!made) return 'none';
  const texture = textureOf(mod, slots.get(made.slot) ?? '');
  return texture?.picture.mean ?? 'var(--brick-soft)';
}
