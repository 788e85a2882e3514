import { useEffect, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { heldShare } from '../../../../core/draw/index.ts';
import type { HeldPlace, Pose } from '../../../../core/mod/index.ts';
import { tidy } from '../../../../core/models/index.ts';
import type { Pixels } from '../../../../core/textures/index.ts';
import { followPointer } from '../../../parts/follow-pointer.ts';
import styles from './held-picture.module.css';

interface HeldPictureProps {
  place: HeldPlace;
  pixels: Pixels | undefined;
  pose: Pose;
  onDraft: (pose: Pose | undefined) => void;
  onSettle: (pose: Pose) => void;
}

/** How many sixteenths of a block the picture is wide. */
const sixteenths = 16 / heldShare;
/** Degrees a CSS pixel of a drag, and how much one turn of the wheel enlarges. */
const [turnsBy, growsBy] = [0.6, 1.06];

/**
 * An item as it sits at one place: dragged it turns, with Shift it moves, the wheel makes it larger.
 * The arrow keys do the same in steps.
 */
export function HeldPicture({ place, pixels, pose, onDraft, onSettle }: HeldPictureProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const holder = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context || !pixels) return;
    context.putImageData(
      new ImageData(new Uint8ClampedArray(pixels.data), pixels.width, pixels.height),
      0,
      0,
    );
  }, [pixels]);
  useWheel(holder, (grows) =>
    onSettle({ ...pose, scale: clampScale(pose.scale * (grows ? growsBy : 1 / growsBy)) }),
  );
  const press = (event: PointerEvent) => {
    const size = canvas.current?.clientWidth ?? 1;
    let result = pose;
    followPointer(event, {
      move: (now) => {
        const [right, down] = [now.clientX - event.clientX, now.clientY - event.clientY];
        result = event.shiftKey
          ? moved(pose, (right / size) * sixteenths, (-down / size) * sixteenths)
          : turned(pose, down * turnsBy, right * turnsBy);
        onDraft(result);
      },
      end: (isDrag) => isDrag && onSettle(result),
      cancel: () => onDraft(undefined),
    });
  };
  const step = (event: KeyboardEvent) => {
    const [right, down] = arrows[event.key] ?? [0, 0];
    if (event.key === '+' || event.key === '-') {
      onSettle({ ...pose, scale: clampScale(pose.scale * (event.key === '+' ? 1.1 : 1 / 1.1)) });
    } else if (right || down) {
      onSettle(event.shiftKey ? moved(pose, right, -down) : turned(pose, down * 5, right * 5));
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <div
      ref={holder}
      className={styles['holder']}
      role="group"
      tabIndex={0}
      aria-label="Drag to turn it, with Shift to move it"
      onPointerDown={press}
      onKeyDown={step}
    >
      <Behind place={place} />
      <canvas ref={canvas} width={pixels?.width ?? 372} height={pixels?.height ?? 372} />
      <p>Drag to turn, Shift to move, the wheel for its size.</p>
    </div>
  );
}

const arrows: Readonly<Record<string, readonly [number, number]>> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowDown: [0, 1],
  ArrowUp: [0, -1],
};

const clampScale = (scale: number): number => tidy(Math.min(8, Math.max(0.05, scale)));
/** Within half a turn either way. */
const degrees = (by: number): number => tidy(Math.round(by - Math.round(by / 360) * 360));

const turned = (pose: Pose, down: number, right: number): Pose => ({
  ...pose,
  turn: [degrees(pose.turn[0] + down), degrees(pose.turn[1] + right), pose.turn[2]],
});
const moved = (pose: Pose, right: number, up: number): Pose => ({
  ...pose,
  shift: [
    tidy(Math.round((pose.shift[0] + right) * 4) / 4),
    tidy(Math.round((pose.shift[1] + up) * 4) / 4),
    pose.shift[2],
  ],
});

/** Hears of the wheel before the page scrolls. */
function useWheel(
  holder: React.RefObject<HTMLElement | null>,
  onWheel: (grows: boolean) => void,
): void {
  const act = useRef(onWheel);
  useEffect(() => {
    act.current = onWheel;
  });
  useEffect(() => {
    const element = holder.current;
    const hear = (event: WheelEvent) => {
      event.preventDefault();
      act.current(event.deltaY < 0);
    };
    element?.addEventListener('wheel', hear, { passive: false });
    return () => element?.removeEventListener('wheel', hear);
  }, [holder]);
}

/** The line of an open hand that comes in from the lower right. */
const palm =
  'M100 92C86 78 78 70 66 66 58 63 50 64 46 68 42 72 46 76 53 75 ' +
  '46 78 40 84 47 87 54 90 66 86 72 90 80 95 88 104 94 112';

/** What is behind the item: a palm, the ground with its shadow, a place in a list. */
function Behind({ place }: { place: HeldPlace }) {
  return (
    <svg viewBox="0 0 100 100" aria-hidden="true">
      {place === 'hand' && <path d={palm} />}
      {place === 'ground' && (
        <>
          <path d="M0 72H100" />
          <ellipse cx="50" cy="74" rx="20" ry="4" />
        </>
      )}
      {place === 'catalogue' && <rect x="18" y="18" width="64" height="64" rx="8" />}
    </svg>
  );
}
