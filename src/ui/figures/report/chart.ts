/** Charts of reports, drawn by Chart.js; loaded when the first is shown. */
import {
  BarController,
  BarElement,
  CategoryScale,
  Chart as ChartJs,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
  type ChartConfiguration,
} from 'chart.js';
import pattern from 'patternomaly';
import type { Chart } from '$core/traffic';
import { partText } from '../value';
import { valueText } from '$core/traffic';

ChartJs.register(
  BarController,
  BarElement,
  CategoryScale,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
);

/** Colours of the page, and beside each a dash, a point and a pattern: no series is told by colour alone. */
const LOOKS = [
  { colour: '--person', dash: [], point: 'circle', shape: null },
  { colour: '--group', dash: [8, 3], point: 'rect', shape: 'diagonal' },
  { colour: '--alarm', dash: [2, 3], point: 'triangle', shape: 'dot' },
  { colour: '--menu', dash: [10, 3, 2, 3], point: 'rectRot', shape: 'cross' },
  { colour: '--message', dash: [5, 5], point: 'star', shape: 'zigzag' },
  { colour: '--ended', dash: [1, 2], point: 'cross', shape: 'line' },
] as const;

export interface Drawn {
  /** Of what is drawn, as PNG on paper. */
  png(): Promise<Blob | null>;
  destroy(): void;
}

/** @param onbehind the key and the words of the point that was chosen */
export function draw(
  canvas: HTMLCanvasElement,
  chart: Chart,
  currency: string,
  onbehind: (key: string, title: string) => void,
  /** At once, for a picture. */
  still = matchMedia('(prefers-reduced-motion: reduce)').matches,
): Drawn {
  const style = getComputedStyle(canvas);
  const of = (name: string) => style.getPropertyValue(name).trim();
  const [ink, rule, sheet] = [of('--ink'), of('--rule'), of('--sheet')];
  const labels = chart.labels.map((label) => partText(label).replace(/ \d{4}$/, ''));
  const config: ChartConfiguration<'bar' | 'line'> = {
    type: chart.kind === 'bars' ? 'bar' : 'line',
    data: {
      labels,
      datasets: chart.series.map(({ name, values }, i) => {
        const { colour, dash, point, shape } = LOOKS[i % LOOKS.length]!;
        const is = of(colour);
        return {
          label: name,
          data: values,
          borderColor: is,
          borderWidth: chart.kind === 'bars' ? 1 : 2,
          borderDash: [...dash],
          pointStyle: point,
          pointRadius: values.length > 60 ? 0 : 3,
          pointHitRadius: 10,
          backgroundColor: chart.kind === 'bars' && shape ? pattern.draw(shape, is, sheet) : is,
        };
      }),
    },
    options: {
      responsive: true,
      maintainAspectRatio: false,
      animation: still ? false : { duration: 200 },
      interaction: { mode: 'nearest', intersect: true },
      scales: {
        x: {
          stacked: chart.stacked,
          ticks: { color: ink, maxRotation: 40, autoSkipPadding: 8 },
          grid: { display: false },
        },
        y: {
          stacked: chart.stacked,
          beginAtZero: true,
          ticks: {
            color: ink,
            precision: chart.unit === 'calls' ? 0 : undefined,
            callback: (v) => valueText(Number(v), chart.unit, currency),
          },
          grid: { color: rule },
        },
      },
      plugins: {
        legend: {
          labels: {
            color: ink,
            usePointStyle: chart.kind === 'lines',
            boxHeight: chart.kind === 'lines' ? 7 : 12,
          },
          display: chart.series.length > 1,
        },
        tooltip: {
          callbacks: {
            label: ({ dataset, raw }) => `${dataset.label}: ${valueText(Number(raw), chart.unit, currency)}`,
          },
        },
      },
      onClick: (_, [hit]) => {
        const series = hit && chart.series[hit.datasetIndex];
        const key = series?.keys[hit!.index];
        if (key) onbehind(key, `${labels[hit!.index]}: ${series.name}`);
      },
    },
    plugins: [
      {
        id: 'paper',
        beforeDraw: ({ ctx, width, height }) => {
          ctx.save();
          ctx.fillStyle = sheet;
          ctx.fillRect(0, 0, width, height);
          ctx.restore();
        },
      },
    ],
  };
  ChartJs.defaults.font.family = of('--font');
  const drawn = new ChartJs(canvas, config);
  return {
    png: () => new Promise((resolve) => canvas.toBlob(resolve, 'image/png')),
    destroy: () => drawn.destroy(),
  };
}
