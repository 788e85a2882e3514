import { itemAt } from '../../core/lists/index.ts';
import { useComputedColorScheme } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import type { Chart, ChartDataset } from 'chart.js';

/** One line of a curve; `low` and `high` are the bounds of an estimate, drawn as a band. */
export interface Line {
  name: string;
  values: readonly number[];
  low?: readonly number[];
  high?: readonly number[];
  dash?: readonly number[];
}

interface Props {
  label: string;
  x: { label: string; values: readonly (number | string)[] };
  y: string;
  lines: readonly Line[];
  /** How a value is said. */ say: (value: number) => string;
  most?: number;
  /**
   * Values that have nothing between them: the first as bars, others as points with their bounds.
   */
  bars?: boolean;
}

const hues = ['--brass-deep', '--tide', '--brick', '--moss'] as const;

/**
 * Curves over one scale, drawn by Chart.js, which is loaded when the first one is shown; the
 * numbers are a click away as a table.
 */
export function Curve({ label, x, y, lines, say, most, bars = false }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const chart = useRef<Chart | undefined>(undefined);
  const [table, setTable] = useState(false);
  const scheme = useComputedColorScheme('light');
  const key = JSON.stringify([x, y, lines, most, scheme]);
  const shape = JSON.stringify([
    x,
    y,
    lines.map((line) => [line.name, line.low === undefined]),
    most,
    scheme,
  ]);
  const drawnAs = useRef('');
  useEffect(() => {
    if (table) return;
    let gone = false;
    void import('chart.js').then(
      ({
        BarController,
        BarElement,
        CategoryScale,
        Chart: Made,
        Filler,
        LinearScale,
        LineController,
        LineElement,
        PointElement,
        Tooltip,
      }) => {
        if (gone || !canvas.current) return;
        Made.register(
          BarController,
          BarElement,
          CategoryScale,
          Filler,
          LinearScale,
          LineController,
          LineElement,
          PointElement,
          Tooltip,
        );
        const ink = (name: string) =>
          getComputedStyle(canvas.current!).getPropertyValue(name).trim();
        const datasets = lines.flatMap((line, i) => {
          const colour = ink(hues[i % hues.length]!);
          const plain = { borderWidth: 0, pointRadius: 0, pointHitRadius: 0, tension: 0 };
          return [
            {
              ...(bars &&
                (i === 0
                  ? { type: 'bar' as const, maxBarThickness: 34, order: 2 }
                  : { showLine: false })),
              label: line.name,
              data: [...line.values],
              borderColor: colour,
              backgroundColor: colour,
              borderWidth: bars && i === 0 ? 0 : 2,
              borderDash: [...(line.dash ?? [])],
              pointRadius: bars ? 4 : line.values.length > 30 ? 0 : 2,
              tension: 0,
            },
            ...(line.low && line.high
              ? [
                  {
                    ...plain,
                    label: '',
                    data: [...line.high],
                    fill: '+1',
                    backgroundColor: `${colour}33`,
                  },
                  { ...plain, label: '', data: [...line.low] },
                ]
              : []),
          ];
        });
        const soft = ink('--soft');
        const axis = (text: string) => ({
          title: { display: true, text, color: soft, font: { size: 11 } },
          ticks: { color: soft, font: { size: 11 }, maxRotation: 0, autoSkipPadding: 6 },
          grid: { color: ink('--hair') },
          border: { color: ink('--line') },
        });
        // While only the numbers change the chart stays, so that dragging a number moves its
        // curves.
        if (chart.current && chart.current.canvas === canvas.current && drawnAs.current === shape) {
          chart.current.data.datasets.forEach(
            (dataset, i) => (dataset.data = itemAt(datasets, i).data),
          );
          chart.current.update('none');
          return;
        }
        drawnAs.current = shape;
        chart.current?.destroy();
        chart.current = new Made(canvas.current, {
          type: 'line',
          data: { labels: [...x.values], datasets: datasets as ChartDataset<'line'>[] },
          options: {
            animation: false,
            responsive: true,
            maintainAspectRatio: false,
            font: { family: 'IBM Plex Sans' },
            interaction: { mode: 'index', intersect: false },
            plugins: {
              tooltip: {
                filter: (item) => item.dataset.label !== '',
                callbacks: { label: (item) => `${item.dataset.label}: ${say(item.parsed.y ?? 0)}` },
              },
            },
            scales: {
              x: axis(x.label),
              y: {
                ...axis(y),
                min: 0,
                ...(most !== undefined && { max: most }),
                ticks: {
                  color: soft,
                  font: { size: 11 },
                  maxTicksLimit: 5,
                  callback: (value) => say(Number(value)),
                },
              },
            },
          },
        });
      },
    );
    return () => {
      gone = true;
    };
    // The key holds everything that is drawn.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, table]);
  useEffect(() => () => chart.current?.destroy(), [table]);
  return (
    <figure className="curve" aria-label={label}>
      <figcaption>
        {lines.map((line, i) => (
          <span key={line.name}>
            <i style={{ background: `var(${hues[i % hues.length]!})` }} />
            {line.name}
          </span>
        ))}
        <button
          type="button"
          className="tiny"
          aria-pressed={table}
          onClick={() => setTable(!table)}
        >
          {table ? 'As a drawing' : 'As a table'}
        </button>
      </figcaption>
      {table ? (
        <div className="numbers">
          <table>
            <thead>
              <tr>
                <th>{x.label}</th>
                {lines.map((line) => (
                  <th key={line.name}>{line.name}</th>
                ))}
              </tr>
            </thead>
            <tbody>
              {x.values.map((value, i) => (
                <tr key={value}>
                  <td>{value}</td>
                  {lines.map((line) => (
                    <td key={line.name}>
                      {say(itemAt(line.values, i))}
                      {line.low &&
                        ` (${say(itemAt(line.low, i))} to ${say(itemAt(line.high!, i))})`}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      ) : (
        <div className="drawing">
          <canvas ref={canvas} role="img" aria-label={label} />
        </div>
      )}
    </figure>
  );
}
