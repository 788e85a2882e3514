import { useEffect, useRef } from 'react';
import { useDrawing } from '../api/hooks.tsx';
import styles from './rendering.module.css';

/**
 * A block as itself: isometric, lit from the upper left, crisp. `size` in CSS pixels. Where it
 * `fills` its picture, small things are
 * shown larger than to scale: for lists, not where states are compared.
 */
export function Rendering({
  block,
  state,
  size,
  pick = 0,
  fills = false,
  title,
}: {
  block: string;
  state: number;
  size: number;
  pick?: number;
  fills?: boolean;
  title?: string;
}) {
  const pixels = Math.round(size * Math.min(3, Math.max(1, window.devicePixelRatio)));
  const drawing = useDrawing({ block, state, size: pixels, pick, fills });
  const canvas = useRef<HTMLCanvasElement>(null);
  const isDrawn = useRef(false);
  useEffect(() => {
    const fitting = drawing?.size === pixels ? drawing : undefined;
    // A canvas begins clear, and making ready to draw costs more than all the rest.
    if (!fitting && !isDrawn.current) return;
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    isDrawn.current = fitting !== undefined;
    if (fitting) {
      const bytes = new Uint8ClampedArray(fitting.data);
      context.putImageData(new ImageData(bytes, pixels, pixels), 0, 0);
    } else context.clearRect(0, 0, pixels, pixels);
  }, [drawing, pixels]);
  return (
    <canvas
      ref={canvas}
      width={pixels}
      height={pixels}
      className={styles[fills ? 'filling' : 'whole']}
      style={{ width: size, height: size }}
      role={title ? 'img' : undefined}
      aria-label={title}
      aria-hidden={title ? undefined : true}
    />
  );
}
