import { useEffect, useRef } from 'react';

/** Pixels that were drawn beside the page, `size` on each side, RGBA. */
export function Drawn({ size, data, label }: { size: number; data: Uint8Array; label: string }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    canvas.current
      ?.getContext('2d')
      ?.putImageData(new ImageData(new Uint8ClampedArray(data), size, size), 0, 0);
  }, [data, size]);
  return <canvas ref={canvas} width={size} height={size} role="img" aria-label={label} />;
}
