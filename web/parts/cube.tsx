import clsx from 'clsx';
import type { ReactNode } from 'react';
import {
  vector,
  directions,
  directionStep,
  type Direction,
  type Vec3,
} from '../../core/space/index.ts';
import styles from './cube.module.css';

const side = 40;
const cos30 = Math.cos(Math.PI / 6);
/** A point of the world on the screen, seen from the south-east and above: as in every drawing. */
export const onScreen = ([x, y, z]: Vec3): [number, number] => [
  (x - z) * cos30 * side,
  ((x + z) / 2 - y) * side,
];
const path = (points: readonly Vec3[]): string =>
  points
    .map((point) =>
      onScreen(point)
        .map((value) => value.toFixed(1))
        .join(','),
    )
    .join(' ');

/** The four corners of a side of the unit cube around the origin, moved outward by `apart`. */
function corners(direction: Direction, apart: number): Vec3[] {
  const normal = directionStep(direction);
  const across: Vec3 = normal[1] !== 0 ? [1, 0, 0] : [0, 1, 0];
  const along: Vec3 = [
    Math.abs(normal[1] * across[2] - normal[2] * across[1]),
    Math.abs(normal[2] * across[0] - normal[0] * across[2]),
    Math.abs(normal[0] * across[1] - normal[1] * across[0]),
  ];
  return (
    [
      [-1, -1],
      [1, -1],
      [1, 1],
      [-1, 1],
    ] as const
  ).map(([a, b]): Vec3 =>
    vector((axis) => normal[axis] * (0.5 + apart) + (across[axis] * a + along[axis] * b) / 2),
  );
}

const letters: Record<Direction, string> = {
  north: 'N',
  east: 'E',
  south: 'S',
  west: 'W',
  up: 'U',
  down: 'D',
};
const hidden: readonly Direction[] = ['north', 'west', 'down'];

/**
 * A little cube whose six sides can be clicked: the three that one sees, and the three behind as
 * panels that stand apart. Letters do
 * the same: N, E, S, W, U, D.
 */
export function Cube({
  label,
  mark,
  disabled = () => false,
  onSide,
  children,
  height = 176,
}: {
  label: string;
  /** How a side is marked, and with which words. */ mark: (
    side: Direction,
  ) => { as: 'front' | 'top'; says?: string } | undefined;
  disabled?: (side: Direction) => boolean;
  onSide: (side: Direction) => void;
  children?: ReactNode;
  height?: number;
}) {
  const draw = (direction: Direction) => {
    const points = corners(direction, hidden.includes(direction) ? 0.75 : 0);
    const middle = onScreen(
      vector((axis) => points.reduce((sum, point) => sum + point[axis] / 4, 0)),
    );
    const marked = mark(direction);
    const off = disabled(direction);
    return (
      <g
        key={direction}
        role="button"
        tabIndex={off ? undefined : 0}
        aria-disabled={off}
        aria-pressed={marked !== undefined}
        aria-label={`${direction}${marked?.says ? `, ${marked.says}` : ''}`}
        className={clsx(
          styles['side'],
          hidden.includes(direction) && styles['behind'],
          marked && styles[marked.as],
          off && styles['off'],
        )}
        onClick={() => !off && onSide(direction)}
        onKeyDown={(event) => {
          if ((event.key === 'Enter' || event.key === ' ') && !off) {
            event.preventDefault();
            onSide(direction);
          }
        }}
      >
        <title>{direction}</title>
        <polygon points={path(points)} />
        <text x={middle[0]} y={middle[1] + 4}>
          {letters[direction]}
        </text>
      </g>
    );
  };
  return (
    <svg
      className={styles['cube']}
      viewBox={`-92 -${height / 2 + 2} 184 ${height}`}
      width={184}
      height={height}
      role="group"
      aria-label={label}
      onKeyDown={(event) => {
        const direction = directions.find(
          (one) => letters[one].toLowerCase() === event.key.toLowerCase(),
        );
        if (!direction || disabled(direction) || event.ctrlKey || event.metaKey) return;
        event.stopPropagation();
        onSide(direction);
      }}
    >
      {hidden.map(draw)}
      {children}
      {directions.filter((direction) => !hidden.includes(direction)).map(draw)}
    </svg>
  );
}
