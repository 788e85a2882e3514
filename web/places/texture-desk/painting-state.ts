import { useLocalStorage } from '@mantine/hooks';
import { createContext, useCallback, useContext, useEffect, useRef, useState } from 'react';
import { pointer } from '../../../core/json/index.ts';
import { idOf, lookUp, type Texture } from '../../../core/mod/index.ts';
import { encodePicture, frameCount, frameSize, type Pixels } from '../../../core/textures/index.ts';
import {
  afterStroke,
  areaBetween,
  colourAt,
  isIn,
  isSamePicture,
  strokeWay,
  type Area,
  type Colour,
  type PaintingTool,
  type Stroke,
  type Symmetry,
  type Texel,
} from '../../../core/textures/painting/index.ts';
import { useModPart, useSession } from '../../api/hooks.tsx';
import type { Session } from '../../api/session.ts';
import { uploadPicture } from '../../api/textures.ts';
import { complain } from '../../parts/complain.ts';
import { keepPixels, useKnownPixels } from '../../api/known-pixels.ts';

/** How one paints; kept in this browser. */
export interface Ways {
  tool: PaintingTool;
  colour: Colour;
  /** What the alpha brush sets, 0 to 255. */
  alpha: number;
  symmetry: Symmetry;
  isFilled: boolean;
  /** Whether the frame before shows through. */
  showsBefore: boolean;
}

const usual: Ways = {
  tool: 'draw',
  colour: [28, 42, 48, 255],
  alpha: 0,
  symmetry: { across: false, down: false },
  isFilled: false,
  showsBefore: false,
};

/** A texture on its desk: its pixels as they are at this moment, and the ways to change them. */
export interface Painting {
  name: string;
  id: string;
  texture: Texture;
  /** The whole picture, with the stroke that is being made; undefined until it has been read. */
  pixels: Pixels | undefined;
  /** The same as it is saved. */
  saved: Pixels | undefined;
  problem: string | undefined;
  frames: number;
  frame: number;
  setFrame: (frame: number) => void;
  /** The frame that is worked on. */
  area: Area;
  ways: Ways;
  setWays: (part: Partial<Ways>) => void;
  /** What is marked, to be moved. */
  marked: Area | undefined;
  mark: (area: Area | undefined) => void;
  /** Where a stroke of the keys began that takes two ends. */
  anchor: Texel | undefined;
  setAnchor: (texel: Texel | undefined) => void;
  /** The texel under the pointer, or under the cursor of the keys, on its frame. */
  hovered: Texel | undefined;
  hover: (texel: Texel | undefined) => void;
  /** A stroke: texels of the frame. */
  press: (texel: Texel, isJoined?: boolean) => void;
  drag: (texels: readonly Texel[]) => void;
  release: () => void;
  cancel: () => void;
  isPainting: () => boolean;
  /**
   * Shows what would become of the picture, or a frame of it; undefined shows it as it is.
   */
  preview: (pixels: Pixels | undefined, frame?: Area) => void;
  /** Changes the picture in one step. */
  change: (label: string, make: (pixels: Pixels, area: Area) => Pixels) => void;
}

const labels: Record<PaintingTool, string> = {
  draw: 'Draw on',
  line: 'Draw a line on',
  rectangle: 'Draw a rectangle on',
  fill: 'Fill on',
  change: 'Change a colour of',
  alpha: 'Change how solid is',
  pick: 'Pick from',
  move: 'Move a part of',
};

export const PaintingContext = createContext<Painting | undefined>(undefined);

/** The texture that lies on the desk. */
export function usePainting(): Painting {
  const painting = useContext(PaintingContext);
  if (!painting) throw new Error('no texture lies on the desk');
  return painting;
}

/** The ways of painting that this browser remembers. */
function useWays(): [Ways, (part: Partial<Ways>) => void] {
  const [kept, setKept] = useLocalStorage<Ways>({
    key: 'obrank.painting',
    defaultValue: usual,
    getInitialValueInEffect: false,
  });
  const ways = { ...usual, ...kept };
  return [ways, (part) => setKept((before) => ({ ...usual, ...before, ...part }))];
}

/**
 * What becomes of a picture that was changed: kept by the server, then put into the mod. Gives its
 * digest. Throws where the mod has no longer the one that it was made from.
 */
async function putIntoMod(
  session: Session,
  name: string,
  from: string,
  { label, pixels }: { label: string; pixels: Pixels },
): Promise<string> {
  // The stroke is drawn first: packing a large picture takes longer than a frame.
  await new Promise((resolve) => setTimeout(resolve));
  const picture = await uploadPicture(encodePicture(pixels));
  const before = lookUp(session.view.mod.textures, name)?.picture;
  if (before?.sha256 !== from)
    throw new Error('The picture was changed meanwhile, so this is not kept. Do it again.');
  if (picture.sha256 === from) return from;
  keepPixels(picture.sha256, pixels);
  session.edit(label, [{ path: pointer(['textures', name, 'picture']), before, after: picture }]);
  return picture.sha256;
}

/** A stroke that is being made. */
interface StrokeNow {
  base: Pixels;
  path: Texel[];
  isJoined: boolean;
  /** What it moves, if it began on what was marked; marks afresh otherwise. */
  moves: Area | undefined;
}

/** Lays a texture of the mod on the desk. */
export function useOpenPainting(name: string, texture: Texture): Painting {
  const namespace = useModPart(({ header }) => header.namespace);
  const session = useSession();
  const [ways, setWays] = useWays();
  const [frame, setFrame] = useState(0);
  const [hovered, hover] = useState<Texel>();
  const [kept, mark] = useState<Area>();
  const [anchor, setAnchor] = useState<Texel>();
  const known = useKnownPixels(texture.picture.sha256);
  const [draft, setDraft] = useState<Pixels>();
  const [previewed, setPreviewed] = useState<{ pixels: Pixels; frame?: Area }>();
  const preview = useCallback(
    (pixels: Pixels | undefined, frame?: Area) => setPreviewed(pixels && { pixels, frame }),
    [],
  );
  const stroke = useRef<StrokeNow>(undefined);
  const sending = useRef<{ last: Promise<string>; many: number }>({
    last: Promise.resolve(''),
    many: 0,
  });
  // Strokes come faster than pages are drawn: each goes on from the last, not from what is drawn.
  const newest = useRef<Pixels>(undefined);
  // The digest of the picture of the mod that they were made from.
  const { sha256 } = texture.picture;
  const restsOn = useRef(sha256);
  useEffect(() => {
    if (sending.current.many > 0 || stroke.current) return;
    newest.current = known.pixels;
    restsOn.current = sha256;
  }, [known.pixels, sha256]);
  const { width, height } = frameSize(texture);
  const frames = Math.max(1, Math.floor(frameCount(texture)));
  const shownFrame = Math.min(frame, frames - 1);
  const area: Area = { left: 0, top: shownFrame * height, width, height };
  // Another picture in its place may be smaller.
  const marked =
    kept && kept.left + kept.width <= width && kept.top + kept.height <= height ? kept : undefined;
  const onPicture = ([x, y]: Texel): Texel => [x, y + area.top];

  const send = (label: string, pixels: Pixels) => {
    newest.current = pixels;
    setDraft(pixels);
    const queue = sending.current;
    // The first of several rests on what the mod has, each other one on the one before it.
    const from = queue.many ? queue.last : Promise.resolve(restsOn.current);
    queue.many += 1;
    queue.last = from.then((digest) => putIntoMod(session, name, digest, { label, pixels }));
    queue.last
      .then(
        (digest) => {
          restsOn.current = digest;
        },
        (error: unknown) => {
          newest.current = undefined;
          restsOn.current = lookUp(session.view.mod.textures, name)?.picture.sha256 ?? '';
          complain(error);
        },
      )
      .finally(() => {
        queue.many -= 1;
        if (queue.many === 0) setDraft((shown) => (shown === pixels ? undefined : shown));
      });
  };
  const base = () => newest.current ?? known.pixels;
  const strokeNow = ({ path, isJoined, moves }: StrokeNow): Stroke => ({
    tool: ways.tool,
    path: path.map(onPicture),
    isJoined,
    colour: ways.colour,
    alpha: ways.alpha,
    symmetry: ways.symmetry,
    isFilled: ways.isFilled,
    ...(moves && { marked: { ...moves, top: moves.top + area.top } }),
  });
  const show = () => {
    const now = stroke.current;
    if (!now) return;
    if (ways.tool === 'move' && !now.moves) markPath(now.path);
    else setDraft(afterStroke(now.base, strokeNow(now), area));
  };
  const markPath = (path: readonly Texel[]) => {
    const [first] = path;
    const last = path.at(-1);
    if (first && last) mark(areaBetween(clamped(first), clamped(last)));
  };
  const clamped = ([x, y]: Texel): Texel => [
    Math.max(0, Math.min(width - 1, x)),
    Math.max(0, Math.min(height - 1, y)),
  ];
  const pick = (texel: Texel) => {
    const pixels = base();
    if (!pixels || !isIn(area, onPicture(texel))) return;
    const colour = colourAt(pixels, onPicture(texel));
    if (colour[3] > 0) setWays({ colour: [colour[0], colour[1], colour[2], 255] });
  };

  return {
    name,
    id: idOf(namespace, name),
    texture,
    pixels: previewed?.pixels ?? draft ?? known.pixels,
    saved: known.pixels,
    preview,
    problem: known.problem,
    frames,
    frame: shownFrame,
    setFrame: (next) => {
      mark(undefined);
      setFrame(Math.max(0, next));
    },
    area: previewed?.frame ?? area,
    ways,
    setWays: (part) => {
      if (part.tool !== undefined && part.tool !== 'move') mark(undefined);
      setWays(part);
    },
    marked,
    mark,
    anchor,
    setAnchor,
    hovered,
    hover: (texel) => hover((before) => (before?.join() === texel?.join() ? before : texel)),
    press: (texel, isJoined = true) => {
      const pixels = base();
      if (!pixels) return;
      if (ways.tool === 'pick') pick(texel);
      else {
        const moves = marked && isIn(marked, texel) ? marked : undefined;
        stroke.current = { base: pixels, path: [texel], isJoined, moves };
        show();
      }
    },
    drag: (texels) => {
      if (!stroke.current) return;
      const last = stroke.current.path.at(-1);
      const next = texels.filter((texel, i) => texel.join() !== (texels[i - 1] ?? last)?.join());
      if (!next.length) return;
      stroke.current.path.push(...next);
      show();
    },
    release: () => {
      const now = stroke.current;
      stroke.current = undefined;
      if (!now || (ways.tool === 'move' && !now.moves)) return;
      const after = afterStroke(now.base, strokeNow(now), area);
      if (isSamePicture(after, now.base)) {
        if (sending.current.many === 0) setDraft(undefined);
        return;
      }
      if (now.moves) {
        const [right, down] = strokeWay(now);
        mark(movedWithin(now.moves, right, down, width, height));
      }
      send(`${labels[ways.tool]} ${name}`, after);
    },
    cancel: () => {
      stroke.current = undefined;
      setDraft(sending.current.many ? newest.current : undefined);
    },
    isPainting: () => stroke.current !== undefined,
    change: (label, make) => {
      const pixels = base();
      if (!pixels) return;
      const after = make(pixels, area);
      if (!isSamePicture(after, pixels)) send(`${label} ${name}`, after);
    },
  };
}

/** Where what was marked lies after it was moved, as far as it is still on the frame. */
function movedWithin(
  { left, top, width, height }: Area,
  right: number,
  down: number,
  across: number,
  along: number,
): Area | undefined {
  const [fromX, fromY] = [Math.max(0, left + right), Math.max(0, top + down)];
  const [toX, toY] = [Math.min(across, left + right + width), Math.min(along, top + down + height)];
  return toX > fromX && toY > fromY
    ? { left: fromX, top: fromY, width: toX - fromX, height: toY - fromY }
    : undefined;
}
