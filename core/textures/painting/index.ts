/** Touching up: which texels a tool covers, and what becomes of a picture. */
export {
  colourAt,
  isIn,
  isSameColour,
  wholeOf,
  type Area,
  type Colour,
  type Texel,
} from './area.ts';
export {
  alikeTexels,
  areaBetween,
  areaTexels,
  edgeTexels,
  lineTexels,
  symmetricTexels,
  touchingTexels,
  type Symmetry,
} from './texels.ts';
export {
  mirroredArea,
  painted,
  pieceOf,
  shifted,
  turnedArea,
  withAlpha,
  withPiece,
  type Piece,
} from './paint.ts';
export {
  afterStroke,
  isSamePicture,
  paintingTools,
  strokeTexels,
  strokeWay,
  type PaintingTool,
  type Stroke,
} from './stroke.ts';
