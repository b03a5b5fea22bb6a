import { type Curve, CURVE_WIDTHS, curvePoints, type SiteFrame, sure, widthsOf } from '../../core/index.ts';
import {
  Chart,
  LinearScale,
  LineController,
  LineElement,
  LogarithmicScale,
  PointElement,
  type ChartDataset,
  type ChartType,
  type Plugin,
} from 'chart.js';
import { useEffect, useState } from 'react';
import { Line } from 'react-chartjs-2';
import { band, ink, line, painter, petrolTint, quiet, usePainter } from '../ui/theme.ts';

Chart.register(LineController, LineElement, PointElement, LinearScale, LogarithmicScale);

export const NARROWEST = CURVE_WIDTHS.from;
export const WIDEST = CURVE_WIDTHS.to - 1;
const { to } = CURVE_WIDTHS;

/** The points of a curve as a chart of widths draws them. */
export const pointsOf = (curve: Curve) =>
  curvePoints(curve, NARROWEST).map(({ width, size }) => ({ x: width, y: size }));

const FONT = { family: '"Atkinson Hyperlegible Next Variable", sans-serif', size: 11 };

/** What is drawn around the curves. */
interface Around {
  site: SiteFrame;
  /** px; where the marker stands; absent: there is none. */
  width?: number;
  /** What is good, on the upright axis. */
  good?: { least: number; most: number };
}

declare module 'chart.js' {
  interface PluginOptionsByType<TType extends ChartType> {
    around?: TType extends 'line' ? Around : never;
  }
}

/** The views as bands behind the curves, with their names, and the marker. */
const AROUND: Plugin<'line', Around> & { descriptors: object } = {
  id: 'around',
  descriptors: { _scriptable: false, _indexable: false },
  beforeDatasetsDraw(
    { ctx, chartArea: { top, bottom }, scales: { x, y } },
    _args,
    { site: { views }, good },
  ) {
    const paint = painter();
    ctx.save();
    ctx.font = `600 11px ${FONT.family}`;
    ctx.textAlign = 'center';
    views.list.forEach((view, index) => {
      const { from = NARROWEST, below = to } = widthsOf(views, view.id);
      const left = x.getPixelForValue(Math.max(from, NARROWEST));
      const right = x.getPixelForValue(Math.min(below, to));
      if (right <= left) return;
      ctx.fillStyle = index % 2 === 0 ? paint(band) : 'transparent';
      ctx.fillRect(left, top, right - left, bottom - top);
      ctx.fillStyle = paint(quiet);
      if (ctx.measureText(view.name).width < right - left - 4)
        ctx.fillText(view.name, (left + right) / 2, top - 6);
    });
    if (good) {
      const [upper, lower] = [y.getPixelForValue(good.most), y.getPixelForValue(good.least)];
      ctx.fillStyle = paint(petrolTint);
      ctx.fillRect(x.left, upper, x.right - x.left, lower - upper);
    }
    ctx.restore();
  },
  afterDatasetsDraw({ ctx, chartArea: { top, bottom }, scales: { x } }, _args, { width }) {
    if (width === undefined) return;
    const at = x.getPixelForValue(width);
    ctx.save();
    ctx.strokeStyle = painter()(ink);
    ctx.lineWidth = 1.5;
    ctx.beginPath();
    ctx.moveTo(at, top);
    ctx.lineTo(at, bottom);
    ctx.stroke();
    ctx.restore();
  },
};

/** Whether the fonts are there that the page asks for: what is drawn before has the system's. */
function useFonts(): boolean {
  const [there, setThere] = useState(false);
  useEffect(() => {
    let current = true;
    void document.fonts.ready.then(() => current && setThere(true));
    return () => {
      current = false;
    };
  }, []);
  return there;
}

/** px; the widths that are written on the axis: the limits of the views, and some others where there is room. */
function widthTicks({ views }: SiteFrame): number[] {
  const limits = views.list.map(({ from }) => from).filter((from) => from > NARROWEST && from < to);
  const others = [NARROWEST, 1280, 1920, to].filter((width) =>
    limits.every((limit) => Math.abs(limit - width) > 140),
  );
  return [...limits, ...others].sort((one, other) => one - other);
}

interface WidthChartProps extends Around {
  /** What it shows, in words. */
  label: string;
  datasets: ChartDataset<'line', { x: number; y: number }[]>[];
  /** The upright axis. */
  upright: { title: string; type: 'linear' | 'logarithmic'; most?: number; written?: readonly number[] };
  /** Where it was clicked: the width in px, and how far from the top of the chart, and what stands how far from there. */
  onClick?(width: number, down: number, downTo: (value: number) => number): void;
}

/** Something against the width of the window, over the views as bands; a click tells where. */
export function WidthChart({ site, width, good, label, datasets, upright, onClick }: WidthChartProps) {
  const fonts = useFonts();
  const { title, type, most, written } = upright;
  const paint = usePainter();
  const axis = { font: FONT, color: paint(quiet) };
  return (
    <div className="type-chart">
      <Line
        key={`${fonts} ${paint(ink)}`}
        role="img"
        aria-label={label}
        data={{ datasets }}
        plugins={[AROUND]}
        options={{
          animation: false,
          maintainAspectRatio: false,
          layout: { padding: { top: 20, right: 8 } },
          events: [],
          plugins: { around: { site, width, good } },
          scales: {
            x: {
              type: 'linear',
              min: NARROWEST,
              max: to,
              title: { display: true, text: 'Width of the window, px', ...axis },
              ticks: { ...axis, maxRotation: 0, callback: String },
              afterBuildTicks: (scale) => {
                scale.ticks = widthTicks(site).map((value) => ({ value }));
              },
              grid: { color: paint(line) },
            },
            y: {
              type,
              min: type === 'linear' ? 0 : undefined,
              max: most,
              title: { display: true, text: title, ...axis },
              ticks: {
                ...axis,
                callback: (value) => (!written || written.includes(Number(value)) ? String(value) : ''),
              },
              grid: { color: paint(line) },
            },
          },
        }}
        onClick={({ currentTarget, clientX, clientY }) => {
          const { scales } = sure(Chart.getChart(currentTarget));
          const box = currentTarget.getBoundingClientRect();
          const at = sure(scales.x.getValueForPixel(clientX - box.left));
          onClick?.(Math.round(Math.min(WIDEST, Math.max(NARROWEST, at))), clientY - box.top, (value) =>
            scales.y.getPixelForValue(value),
          );
        }}
      />
    </div>
  );
}
