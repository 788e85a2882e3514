import { useEffect, useMemo, useRef, useState, type PointerEvent } from 'react';
import {
  patchesOf,
  texelUnder,
  type DrawnModel,
  type TexelPatch,
} from '../../../core/draw/index.ts';
import { textureSizes } from '../../../core/models/index.ts';
import type { Mod } from '../../../core/mod/index.ts';
import { vector } from '../../../core/space/index.ts';
import type { Pixels } from '../../../core/textures/index.ts';
import type { Texel } from '../../../core/textures/painting/index.ts';
import { followPointer } from '../../parts/follow-pointer.ts';
import { showDraft } from '../../stage/draft-picture.ts';
import { standingModels, useStageOptions } from '../../stage/options.ts';
import { Stage } from '../../stage/stage.tsx';
import { pixelOf, rayAt, type View } from '../../stage/view.tsx';
import type { Beside } from './beside.ts';
import { usePainting, type Painting } from './painting-state.ts';
import styles from './picture-stage.module.css';

/** Between two places of the pointer the face is looked at every so many CSS pixels. */
const sampleStep = 2;

interface PictureStageProps {
  beside: Beside;
  /** Whether one paints on the block here. */
  isPainted: boolean;
  /** Whether it shows the frame that is worked on, and does not play. */
  showsDraft: boolean;
}

/** The block beside its picture: the texel pointed at is lit on both, and is painted on both. */
export function PictureStage({ beside, isPainted, showsDraft }: PictureStageProps) {
  const painting = usePainting();
  const [view, setView] = useState<View>();
  const holder = useRef<HTMLDivElement>(null);
  const models = useStanding(beside);
  const texelOf = useTexelUnder({ beside, models, id: painting.id, view, holder });
  useDraftOnStage(painting, showsDraft);
  const strokes = useFaceStrokes(painting, texelOf);
  const { mod, block, state } = beside;
  return (
    <div
      ref={holder}
      className={styles['holder']}
      onPointerDownCapture={isPainted ? strokes.press : undefined}
      onPointerMove={(event) => {
        if (event.buttons === 0) painting.hover(texelOf(event));
      }}
      onPointerLeave={() => painting.hover(undefined)}
    >
      <Stage mod={mod} block={block} state={state} onView={setView} />
      {view && <LitTexel mod={mod} models={models} view={view} />}
      {beside.isStandIn && (
        <p className={styles['note']}>No block shows this picture: it lies on a plain cube.</p>
      )}
    </div>
  );
}

type Pointed = Pick<PointerEvent, 'clientX' | 'clientY'>;
type TexelOf = (event: Pointed) => Texel | undefined;

/** What stands on the stage at this moment. */
function useStanding({ mod, block, state }: Beside): readonly DrawnModel[] {
  const [{ arrangement }] = useStageOptions();
  return useMemo(
    () => standingModels(mod, block, state, arrangement),
    [mod, block, state, arrangement],
  );
}

interface Looking {
  beside: Beside;
  models: readonly DrawnModel[];
  /** The texture that is looked for. */
  id: string;
  view: View | undefined;
  holder: React.RefObject<HTMLDivElement | null>;
}

/** Tells which texel of the picture is seen under the pointer. */
function useTexelUnder({ beside: { mod }, models, id, view, holder }: Looking): TexelOf {
  return (event) => {
    const bounds = holder.current?.getBoundingClientRect();
    if (!view || !bounds) return undefined;
    const pixel = [event.clientX - bounds.left, event.clientY - bounds.top] as const;
    const { texels } = mod.header;
    const seen = texelUnder(models, rayAt(view, pixel, texels), texels, textureSizes(mod));
    return seen?.texture === id ? seen.texel : undefined;
  };
}

/** Shows the frame that is worked on, with the stroke that is being made. */
function useDraftOnStage({ id, pixels, area }: Painting, showsDraft: boolean): void {
  const { top, width, height } = area;
  const frame = useMemo((): Pixels | undefined => {
    if (!pixels || pixels.width !== width) return undefined;
    const from = top * width * 4;
    const data = pixels.data.subarray(from, from + width * height * 4);
    return data.length === width * height * 4 ? { width, height, data } : undefined;
  }, [pixels, top, width, height]);
  useEffect(() => {
    showDraft(showsDraft && frame ? { id, pixels: frame } : undefined);
  }, [id, frame, showsDraft]);
  useEffect(() => () => showDraft(undefined), []);
}

/** Strokes on the faces of the block. A press beside the picture turns the view as ever. */
function useFaceStrokes(painting: Painting, texelOf: TexelOf) {
  const now = useRef({ painting, texelOf });
  useEffect(() => {
    now.current = { painting, texelOf };
  });
  const press = (event: PointerEvent<HTMLDivElement>) => {
    if (!(event.target instanceof HTMLCanvasElement) || event.button !== 0) return;
    const first = now.current.texelOf(event);
    if (!first) return;
    event.stopPropagation();
    event.preventDefault();
    now.current.painting.press(first, false);
    let last: Pointed = event;
    followPointer(event, {
      reach: 0,
      move: (moved) => {
        const texels = between(last, moved)
          .map((place) => now.current.texelOf(place))
          .filter((texel) => texel !== undefined);
        last = moved;
        now.current.painting.drag(texels);
        now.current.painting.hover(texels.at(-1));
      },
      end: () => now.current.painting.release(),
      cancel: () => now.current.painting.cancel(),
    });
  };
  return { press };
}

/** Places on the way from one to another, so that a quick stroke leaves no gaps. */
function between(from: Pointed, to: Pointed): Pointed[] {
  const [right, down] = [to.clientX - from.clientX, to.clientY - from.clientY];
  const many = Math.max(1, Math.ceil(Math.hypot(right, down) / sampleStep));
  return Array.from({ length: many }, (_, i) => ({
    clientX: from.clientX + (right * (i + 1)) / many,
    clientY: from.clientY + (down * (i + 1)) / many,
  }));
}

interface LitProps {
  mod: Mod;
  models: readonly DrawnModel[];
  view: View;
}

/** The texel pointed at, wherever it shows on the sides that one sees. */
function LitTexel({ mod, models, view }: LitProps) {
  const { id, hovered } = usePainting();
  const { texels } = mod.header;
  const patches = useMemo(
    () =>
      hovered ? patchesOf(models, { texture: id, texel: hovered }, texels, textureSizes(mod)) : [],
    [mod, models, id, hovered, texels],
  );
  /** Whether the same texel is seen at its middle: nothing stands before it. */
  const isInSight = ({ corners: [a, , c] }: TexelPatch): boolean => {
    const middle = vector((axis) => (a[axis] + c[axis]) / 2);
    const ray = rayAt(view, pixelOf(view, middle, texels), texels);
    const seen = texelUnder(models, ray, texels, textureSizes(mod));
    return seen?.texture === id && seen.texel.join() === hovered?.join();
  };
  return (
    <svg className={styles['lit']} width={view.width} height={view.height} aria-hidden="true">
      {patches
        .filter((patch) => isSeen(patch, view, texels) && isInSight(patch))
        .map((patch, i) => (
          <polygon
            key={i}
            points={patch.corners.map((corner) => pixelOf(view, corner, texels).join()).join(' ')}
          />
        ))}
    </svg>
  );
}

/** Whether a patch looks towards the viewer: its corners then go round against the clock. */
function isSeen({ corners }: TexelPatch, view: View, texels: number): boolean {
  const [a, b, c] = corners.map((corner) => pixelOf(view, corner, texels));
  if (!a || !b || !c) return false;
  return (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]) < 0;
}
