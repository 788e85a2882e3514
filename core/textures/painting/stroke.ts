import type { Pixels } from '../png.ts';
import type { Area, Colour, Texel } from './area.ts';
import { painted, pieceOf, withAlpha, withPiece } from './paint.ts';
import {
  alikeTexels,
  areaBetween,
  areaTexels,
  edgeTexels,
  lineTexels,
  symmetricTexels,
  touchingTexels,
  type Symmetry,
} from './texels.ts';

/** What one does with a picture by pressing, moving and letting go. */
export const paintingTools = [
  'draw',
  'line',
  'rectangle',
  'fill',
  'change',
  'alpha',
  'pick',
  'move',
] as const;
export type PaintingTool = (typeof paintingTools)[number];

/** One stroke: where it went, and with what. */
export interface Stroke {
  tool: PaintingTool;
  /** The texels under the pointer from the press on. */
  path: readonly Texel[];
  /** Whether texels of the path are joined by lines: not where they come from faces of a block. */
  isJoined: boolean;
  colour: Colour;
  /** What the alpha brush sets. */
  alpha: number;
  symmetry: Symmetry;
  /** A rectangle with its inside. */
  isFilled: boolean;
  /** What was marked before and is moved now. */
  marked?: Area;
}

/** The texels of an area that a stroke covers, those of its symmetry among them. */
export function strokeTexels(pixels: Pixels, stroke: Stroke, area: Area): Texel[] {
  const { tool, path, isJoined, symmetry, isFilled } = stroke;
  const [first] = path;
  const last = path.at(-1);
  if (!first || !last) return [];
  const covered = (): readonly Texel[] => {
    switch (tool) {
      case 'draw':
      case 'alpha':
        return isJoined
          ? path.flatMap((texel, i) => lineTexels(path[i - 1] ?? texel, texel))
          : path;
      case 'line':
        return lineTexels(first, last);
      case 'rectangle':
        return (isFilled ? areaTexels : edgeTexels)(areaBetween(first, last));
      case 'fill':
        return touchingTexels(pixels, first, area);
      case 'change':
        return alikeTexels(pixels, first, area);
      case 'pick':
      case 'move':
        return [];
    }
  };
  return symmetricTexels(covered(), symmetry, area);
}

/**
 * A picture after a stroke on one area of it. The same picture where nothing becomes of it.
 *
 * @example afterStroke(pixels, { tool: 'fill', path: [[3, 3]], colour: brown, … }, frame)
 */
export function afterStroke(pixels: Pixels, stroke: Stroke, area: Area): Pixels {
  if (stroke.tool === 'move') return stroke.marked ? pushed(pixels, stroke, area) : pixels;
  const texels = strokeTexels(pixels, stroke, area);
  if (!texels.length) return pixels;
  return stroke.tool === 'alpha'
    ? withAlpha(pixels, texels, stroke.alpha)
    : painted(pixels, texels, stroke.colour);
}

/** How far a stroke went, right and down. */
export function strokeWay({ path }: Pick<Stroke, 'path'>): Texel {
  const [[fromX, fromY] = [0, 0]] = path;
  const [toX, toY] = path.at(-1) ?? [fromX, fromY];
  return [toX - fromX, toY - fromY];
}

const clear: Colour = [0, 0, 0, 0];

/** The picture with what was marked moved; what it left is clear. */
function pushed(pixels: Pixels, stroke: Stroke, area: Area): Pixels {
  const marked = stroke.marked!;
  const [right, down] = strokeWay(stroke);
  if (!right && !down) return pixels;
  const piece = pieceOf(pixels, marked);
  const without = painted(pixels, areaTexels(marked), clear);
  return withPiece(without, piece, [marked.left + right, marked.top + down], area);
}

/** Whether two pictures are the same, byte for byte. */
export function isSamePicture(a: Pixels, b: Pixels): boolean {
  if (a === b) return true;
  if (a.width !== b.width || a.height !== b.height) return false;
  for (let at = 0; at < a.data.length; at += 1) if (a.data[at] !== b.data[at]) return false;
  return true;
}
