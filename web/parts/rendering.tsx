import { useEffect, useRef } from 'react';
import { useDrawing } from '../api/hooks.tsx';

/** A block as itself: isometric, lit from the upper left, crisp. `size` in CSS pixels. */
export function Rendering({
  block,
  state,
  size,
  pick = 0,
  title,
}: {
  block: string;
  state: number;
  size: number;
  pick?: number;
  title?: string;
}) {
  const pixels = Math.round(size * Math.min(3, Math.max(1, window.devicePixelRatio)));
  const drawing = useDrawing(block, state, pixels, pick);
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    context.clearRect(0, 0, pixels, pixels);
    if (drawing && drawing.size === pixels)
      context.putImageData(
        new ImageData(new Uint8ClampedArray(drawing.data), pixels, pixels),
        0,
        0,
      );
  }, [drawing, pixels]);
  return (
    <canvas
      ref={canvas}
      width={pixels}
      height={pixels}
      style={{ width: size, height: size, display: 'block', flex: 'none' }}
      role={title ? 'img' : undefined}
      aria-label={title}
      aria-hidden={title ? undefined : true}
    />
  );
}
