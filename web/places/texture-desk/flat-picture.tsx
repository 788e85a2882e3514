import clsx from 'clsx';
import { useEffect, useRef, useState, type PointerEvent } from 'react';
import type { Pixels } from '../../../core/textures/index.ts';
import { hexOf } from '../../../core/textures/facts/index.ts';
import { colourAt, isIn, type Area, type Texel } from '../../../core/textures/painting/index.ts';
import { followPointer } from '../../parts/follow-pointer.ts';
import { actOnKey } from '../../parts/keys/act-on-key.ts';
import { pictureKeys } from './desk-keys.ts';
import { usePainting, type Painting } from './painting-state.ts';
import styles from './flat-picture.module.css';

/** The picture lies at most so large; a texel is a whole number of pixels if there is room. */
const roomAround = 18;

/** How large a texel is drawn, for the room that there is. */
function useScale(width: number, height: number) {
  const holder = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState<[number, number]>([320, 320]);
  useEffect(() => {
    if (!holder.current) return;
    const watch = new ResizeObserver(([entry]) => {
      if (entry) setRoom([entry.contentRect.width, entry.contentRect.height]);
    });
    watch.observe(holder.current);
    return () => watch.disconnect();
  }, []);
  const fits = Math.min((room[0] - 2 * roomAround) / width, (room[1] - 2 * roomAround) / height);
  return { holder, scale: fits > 1 ? Math.floor(fits) : Math.max(0.1, fits) };
}

/** The frame that is worked on, flat: painted with the pointer, or with the keys. */
export function FlatPicture({ isPainted }: { isPainted: boolean }) {
  const painting = usePainting();
  const { area, pixels, problem, frame, frames } = painting;
  const { holder, scale } = useScale(area.width, area.height);
  const picture = useRef<HTMLDivElement>(null);
  const press = useStrokes(painting, picture, scale);
  return (
    <div ref={holder} className={styles['holder']}>
      <div
        ref={picture}
        className={clsx(styles['picture'], isPainted && styles['painted'])}
        style={{ width: area.width * scale, height: area.height * scale }}
        role="application"
        tabIndex={0}
        aria-label={
          `The picture, ${area.width} by ${area.height} texels` +
          (frames > 1 ? `, frame ${frame + 1} of ${frames}` : '')
        }
        aria-description={spoken(painting)}
        onKeyDown={isPainted ? (event) => actOnKey(event, pictureKeys(painting)) : undefined}
        onPointerDown={isPainted ? press : undefined}
        onPointerMove={(event) => {
          if (!painting.isPainting()) painting.hover(texelAt(event, picture.current, scale));
        }}
        onPointerLeave={() => painting.hover(undefined)}
      >
        {painting.ways.showsBefore && frames > 1 && (
          <Frame pixels={pixels} area={frameBefore(painting)} className={styles['before']} />
        )}
        <Frame pixels={pixels} area={area} />
        <Marks painting={painting} scale={scale} />
      </div>
      {problem !== undefined && (
        <p className="bad" role="alert">
          {problem}
        </p>
      )}
    </div>
  );
}

/** Where the cursor stands and what is there, for those who do not see it. */
function spoken({ hovered, ways, pixels, area }: Painting): string {
  if (!hovered || !pixels) return `Tool: ${ways.tool}.`;
  const texel: Texel = [hovered[0], hovered[1] + area.top];
  if (!isIn(area, texel)) return `Tool: ${ways.tool}.`;
  const colour = colourAt(pixels, texel);
  const place = `Column ${hovered[0] + 1}, row ${hovered[1] + 1}`;
  return `${place}: ${colour[3] ? hexOf(colour) : 'clear'}.`;
}

const frameBefore = ({ area, frame, frames }: Painting): Area => ({
  ...area,
  top: ((frame - 1 + frames) % frames) * area.height,
});

type Pointed = Pick<PointerEvent, 'clientX' | 'clientY'>;

/** The texel under the pointer, which may lie outside the frame. */
function texelAt(event: Pointed, picture: HTMLElement | null, scale: number): Texel {
  const bounds = picture?.getBoundingClientRect();
  if (!bounds) return [0, 0];
  const place = (at: number, from: number) => Math.floor((at - from) / scale);
  return [place(event.clientX, bounds.left), place(event.clientY, bounds.top)];
}

/** Begins a stroke on a press and follows it until the pointer is let go. */
function useStrokes(
  painting: Painting,
  picture: React.RefObject<HTMLDivElement | null>,
  scale: number,
) {
  const now = useRef(painting);
  useEffect(() => {
    now.current = painting;
  });
  return (event: PointerEvent<HTMLDivElement>) => {
    if (event.button !== 0) return;
    now.current.press(texelAt(event, picture.current, scale));
    followPointer(event, {
      reach: 0,
      move: (moved) => {
        const all = moved.getCoalescedEvents();
        const texels = (all.length ? all : [moved]).map((one) =>
          texelAt(one, picture.current, scale),
        );
        now.current.drag(texels);
        now.current.hover(texels.at(-1));
      },
      end: () => now.current.release(),
      cancel: () => now.current.cancel(),
    });
  };
}

interface FrameProps {
  pixels: Pixels | undefined;
  area: Area;
  className?: string;
}

/** One frame as it is. */
export function Frame({ pixels, area, className }: FrameProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { top, width, height } = area;
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    context.clearRect(0, 0, width, height);
    if (!pixels || pixels.width !== width) return;
    const from = top * width * 4;
    const data = new Uint8ClampedArray(pixels.data.subarray(from, from + width * height * 4));
    if (data.length === width * height * 4)
      context.putImageData(new ImageData(data, width, height), 0, 0);
  }, [pixels, top, width, height]);
  return (
    <canvas
      ref={canvas}
      width={width}
      height={height}
      className={className ? `crisp ${className}` : 'crisp'}
      aria-hidden="true"
    />
  );
}

/** What is drawn over the picture: its grid, the middle lines, what is marked, the texel pointed at. */
function Marks({ painting, scale }: { painting: Painting; scale: number }) {
  const { area, ways, marked, anchor, hovered } = painting;
  const [width, height] = [area.width * scale, area.height * scale];
  const isOn = hovered && hovered.every((at, i) => at >= 0 && at < [area.width, area.height][i]!);
  return (
    <svg className={styles['marks']} width={width} height={height} aria-hidden="true">
      {scale >= 8 && (
        <path
          className={styles['grid']}
          d={
            steps(area.width, (x) => `M${x * scale} 0V${height}`) +
            steps(area.height, (y) => `M0 ${y * scale}H${width}`)
          }
        />
      )}
      {ways.symmetry.across && (
        <line className={styles['middle']} x1={width / 2} x2={width / 2} y2={height} />
      )}
      {ways.symmetry.down && (
        <line className={styles['middle']} x2={width} y1={height / 2} y2={height / 2} />
      )}
      {anchor && (
        <rect
          className={styles['anchor']}
          x={anchor[0] * scale}
          y={anchor[1] * scale}
          width={scale}
          height={scale}
        />
      )}
      {marked && (
        <rect
          className={styles['marked']}
          x={marked.left * scale}
          y={marked.top * scale}
          width={marked.width * scale}
          height={marked.height * scale}
        />
      )}
      {isOn && (
        <rect
          className={styles['pointed']}
          x={hovered[0] * scale}
          y={hovered[1] * scale}
          width={scale}
          height={scale}
        />
      )}
    </svg>
  );
}

const steps = (many: number, line: (at: number) => string): string =>
  Array.from({ length: many - 1 }, (_, i) => line(i + 1)).join('');
