import { useEffect, useMemo, useRef } from 'react';
import { edgesOf, seamsIn } from '../../../../core/textures/facts/index.ts';
import { count } from '../../../../core/words/index.ts';
import styles from './facts.module.css';
import type { PictureProps } from './facts.tsx';

/** Three by three of the frame, and where a seam shows. */
export function Tiling({ pixels, area }: PictureProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { left, top, width, height } = area;
  const edges = useMemo(
    () => edgesOf(pixels, { left, top, width, height }),
    [pixels, left, top, width, height],
  );
  const rows = seamsIn(edges.across, edges.usual);
  const columns = seamsIn(edges.down, edges.usual);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    const from = top * width * 4;
    const data = new Uint8ClampedArray(pixels.data.subarray(from, from + width * height * 4));
    if (data.length !== width * height * 4) return;
    const image = new ImageData(data, width, height);
    for (let i = 0; i < 9; i += 1)
      context.putImageData(image, (i % 3) * width, Math.floor(i / 3) * height);
  }, [pixels, top, width, height]);
  return (
    <>
      <div className={styles['tiling']} style={{ aspectRatio: `${width} / ${height}` }}>
        <canvas
          ref={canvas}
          className="crisp"
          width={width * 3}
          height={height * 3}
          role="img"
          aria-label="The frame, three by three"
        />
        <svg viewBox={`0 0 ${width * 3} ${height * 3}`} aria-hidden="true">
          {rows.map((row) => (
            <line
              key={`row ${row}`}
              x1={width}
              x2={width}
              y1={height + row}
              y2={height + row + 1}
            />
          ))}
          {columns.map((column) => (
            <line
              key={`column ${column}`}
              x1={width + column}
              x2={width + column + 1}
              y1={height}
              y2={height}
            />
          ))}
        </svg>
      </div>
      <p className="note">{seamsInWords(rows.length, height, columns.length, width)}</p>
    </>
  );
}

function seamsInWords(rows: number, height: number, columns: number, width: number): string {
  if (!rows && !columns) return 'No seam: it goes on where the next one begins.';
  const parts = [
    rows && `left and right in ${rows} of ${count(height, 'row')}`,
    columns && `above and below in ${columns} of ${count(width, 'column')}`,
  ].filter(Boolean);
  return `A seam shows ${parts.join(', ')}: the step there is larger than any usual one inside.`;
}
