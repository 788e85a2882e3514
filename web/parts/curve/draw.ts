import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  Filler,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
  type ChartConfiguration,
  type ChartDataset,
} from 'chart.js';
import { itemAt } from '../../../core/lists/index.ts';
import { hues, type CurveProps, type Line } from './lines.ts';

Chart.register(
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

/** A colour of the page by its name, as it is where the canvas stands. */
type Ink = (name: string) => string;
type Drawn = Pick<CurveProps, 'x' | 'y' | 'lines' | 'say' | 'most' | 'bars'>;

const inkOn =
  (canvas: HTMLCanvasElement): Ink =>
  (name) =>
    getComputedStyle(canvas).getPropertyValue(name).trim();

/** Draws the lines anew. */
export const drawChart = (canvas: HTMLCanvasElement, drawn: Drawn): Chart =>
  new Chart(canvas, configuration(drawn, inkOn(canvas)));

/** Moves the lines of a chart whose names and axes stay as they are. */
export function moveLines(chart: Chart, { lines, bars = false }: Drawn): void {
  const datasets = datasetsOf(lines, bars, inkOn(chart.canvas));
  chart.data.datasets.forEach((dataset, i) => (dataset.data = itemAt(datasets, i).data));
  chart.update('none');
}

function datasetsOf(lines: readonly Line[], bars: boolean, ink: Ink): ChartDataset<'line'>[] {
  return lines.flatMap((line, i) => {
    const colour = ink(itemAt(hues, i % hues.length));
    const isBar = bars && i === 0;
    const own = {
      ...(bars && (isBar ? { type: 'bar', maxBarThickness: 34, order: 2 } : { showLine: false })),
      label: line.name,
      data: [...line.values],
      borderColor: colour,
      backgroundColor: colour,
      borderWidth: isBar ? 0 : 2,
      borderDash: [...(line.dash ?? [])],
      pointRadius: bars ? 4 : line.values.length > 30 ? 0 : 2,
      tension: 0,
    } as ChartDataset<'line'>;
    return [own, ...bandOf(line, colour)];
  });
}

/** The bounds of an estimate as two lines without ink and the colour between them. */
function bandOf({ low, high }: Line, colour: string): ChartDataset<'line'>[] {
  if (!low || !high) return [];
  const plain = { borderWidth: 0, pointRadius: 0, pointHitRadius: 0, tension: 0, label: '' };
  return [
    { ...plain, data: [...high], fill: '+1', backgroundColor: `${colour}33` },
    { ...plain, data: [...low] },
  ];
}

function configuration(drawn: Drawn, ink: Ink): ChartConfiguration<'line'> {
  const { x, y, lines, say, most, bars = false } = drawn;
  const soft = ink('--soft');
  const font = { size: 11 };
  const axis = (text: string) => ({
    title: { display: true, text, color: soft, font },
    ticks: { color: soft, font, maxRotation: 0, autoSkipPadding: 6 },
    grid: { color: ink('--hair') },
    border: { color: ink('--line') },
  });
  return {
    type: 'line',
    data: { labels: [...x.values], datasets: datasetsOf(lines, bars, ink) },
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
          ticks: { color: soft, font, maxTicksLimit: 5, callback: (value) => say(Number(value)) },
        },
      },
    },
  };
}
