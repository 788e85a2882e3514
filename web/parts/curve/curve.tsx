import { useComputedColorScheme } from '@mantine/core';
import type { Chart } from 'chart.js';
import { useEffect, useRef, useState, type RefObject } from 'react';
import { itemAt } from '../../../core/lists/index.ts';
import { hues, type CurveProps } from './lines.ts';
import styles from './curve.module.css';

export type { Line } from './lines.ts';

/**
 * Curves over one scale, drawn by Chart.js, which is loaded when the first one is shown; the
 * numbers are a click away as a table.
 */
export function Curve(props: CurveProps) {
  const { label, lines } = props;
  const [asTable, setAsTable] = useState(false);
  return (
    <figure className={styles['curve']} aria-label={label}>
      <figcaption>
        {lines.map((line, i) => (
          <span key={line.name}>
            <i style={{ background: `var(${itemAt(hues, i % hues.length)})` }} />
            {line.name}
          </span>
        ))}
        <button
          type="button"
          className="tiny"
          aria-pressed={asTable}
          onClick={() => setAsTable(!asTable)}
        >
          {asTable ? 'As a drawing' : 'As a table'}
        </button>
      </figcaption>
      {asTable ? <Numbers {...props} /> : <Drawing {...props} />}
    </figure>
  );
}

function Drawing(props: CurveProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useChart(canvas, props);
  return (
    <div className={styles['drawing']}>
      <canvas ref={canvas} role="img" aria-label={props.label} />
    </div>
  );
}

/** Keeps a chart on a canvas. While only the numbers change it stays, and its curves move. */
function useChart(canvas: RefObject<HTMLCanvasElement | null>, props: CurveProps): void {
  const { x, y, lines, most } = props;
  const scheme = useComputedColorScheme('light');
  const chart = useRef<Chart | undefined>(undefined);
  const shapeDrawn = useRef('');
  const key = JSON.stringify([x, y, lines, most, scheme]);
  const names = lines.map(({ name, low }) => [name, low === undefined]);
  const shape = JSON.stringify([x, y, names, most, scheme]);
  useEffect(() => {
    let isGone = false;
    void import('./draw.ts').then(({ drawChart, moveLines }) => {
      if (isGone || !canvas.current) return;
      if (chart.current && shapeDrawn.current === shape) {
        moveLines(chart.current, props);
        return;
      }
      shapeDrawn.current = shape;
      chart.current?.destroy();
      chart.current = drawChart(canvas.current, props);
    });
    return () => {
      isGone = true;
    };
    // The key holds everything that is drawn.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  useEffect(() => () => chart.current?.destroy(), []);
}

const Numbers = ({ x, lines, say }: CurveProps) => (
  <div className={styles['numbers']}>
    <table>
      <thead>
        <tr>
          <th>{x.label}</th>
          {lines.map(({ name }) => (
            <th key={name}>{name}</th>
          ))}
        </tr>
      </thead>
      <tbody>
        {x.values.map((value, i) => (
          <tr key={value}>
            <td>{value}</td>
            {lines.map(({ name, values, low, high }) => (
              <td key={name}>
                {say(itemAt(values, i))}
                {low && high && ` (${say(itemAt(low, i))} to ${say(itemAt(high, i))})`}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  </div>
);
