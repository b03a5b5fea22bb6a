import {
  Chart,
  LinearScale,
  LineController,
  LineElement,
  LogarithmicScale,
  PointElement,
  type ChartOptions,
  type ChartType,
  type Plugin,
} from 'chart.js';
import { Box, Slider, ToggleButton, ToggleButtonGroup } from '@mui/material';
import { useEffect, useMemo, useState } from 'react';
import { Line } from 'react-chartjs-2';
import {
  curveAt,
  curvePoints,
  CURVE_WIDTHS,
  jumpsIn,
  styleCurve,
  viewAt,
  widthsOf,
  type Curve,
  type Finding,
  type SiteFrame,
  type TextStyle,
} from '../../core/index.ts';
import { coral, ink, line, petrol, petrolTint, quiet } from '../ui/theme.ts';
import { tenths } from './StyleTable.tsx';

Chart.register(LineController, LineElement, PointElement, LinearScale, LogarithmicScale);

interface CurvesProps {
  site: SiteFrame;
  chosen: string;
  findings: readonly Finding[];
  /** px; the marked width. */
  width: number;
  onChoose(style: string): void;
  onWidth(width: number): void;
}

interface Drawn {
  style: TextStyle;
  curve: Curve;
}

const { from: NARROWEST, to } = CURVE_WIDTHS;
const WIDEST = to - 1;

/** How near, in px on screen, a click has to be to a curve to mean it. */
const NEAR = 8;

const FONT = { family: '"Atkinson Hyperlegible Next Variable", sans-serif', size: 11 };

/** What is drawn around the curves. */
interface Around {
  site: SiteFrame;
  /** px; where the marker stands. */
  width: number;
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
  beforeDatasetsDraw({ ctx, chartArea: { top, bottom }, scales: { x } }, _args, { site: { views } }) {
    ctx.save();
    ctx.font = `600 11px ${FONT.family}`;
    ctx.textAlign = 'center';
    views.list.forEach((view, index) => {
      const { from = NARROWEST, below = to } = widthsOf(views, view.id);
      const left = x.getPixelForValue(Math.max(from, NARROWEST));
      const right = x.getPixelForValue(Math.min(below, to));
      if (right <= left) return;
      ctx.fillStyle = index % 2 === 0 ? 'rgba(35, 33, 28, 0.035)' : 'transparent';
      ctx.fillRect(left, top, right - left, bottom - top);
      ctx.fillStyle = quiet;
      if (ctx.measureText(view.name).width < right - left - 4)
        ctx.fillText(view.name, (left + right) / 2, top - 6);
    });
    ctx.restore();
  },
  afterDatasetsDraw({ ctx, chartArea: { top, bottom }, scales: { x } }, _args, { width }) {
    const at = x.getPixelForValue(width);
    ctx.save();
    ctx.strokeStyle = ink;
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

/** What the chart shows, in words. */
function described({ style, curve }: Drawn, site: SiteFrame): string {
  const sizes = site.views.list.map(
    ({ name, sheet }) => `${tenths(curveAt(curve, sheet.width))} px in ${name}`,
  );
  const jumps = jumpsIn(curve).map(
    ({ width, narrower, wider }) => `jumps from ${tenths(narrower)} to ${tenths(wider)} px at ${width} px`,
  );
  return `Size against width, from ${NARROWEST} to ${WIDEST} px. ${style.name}: ${[...sizes, ...jumps].join(', ')}.`;
}

/** The size of each text style against the width of the window; the chosen one stands out. */
export function Curves({ site, chosen, findings, width, onChoose, onWidth }: CurvesProps) {
  const [scale, setScale] = useState<'linear' | 'logarithmic'>('logarithmic');
  const fonts = useFonts();
  const [shown, setShown] = useState<'chart' | 'table'>('chart');
  const drawn = useMemo(
    () => site.textStyles.map((style): Drawn => ({ style, curve: styleCurve(site, style) })),
    [site],
  );
  const told = drawn.find(({ style }) => style.id === chosen) ?? drawn[0];
  const jumps = jumpsIn(told.curve).flatMap((jump) => [
    { x: jump.width, y: jump.narrower },
    { x: jump.width, y: jump.wider },
  ]);
  const amiss = findings.flatMap(({ of, widths: stretches }) =>
    'textStyle' in of && of.textStyle === told.style.id ? stretches : [],
  );
  const marked = jumps.map(({ x }) =>
    amiss.some(({ from, to: end }) => from <= x && end >= x - 1) ? coral : petrol,
  );
  const data = {
    datasets: [
      ...drawn.map(({ style, curve }) => ({
        label: style.name,
        data: curvePoints(curve).map((point) => ({ x: point.width, y: point.size })),
        borderColor: style.id === told.style.id ? petrol : 'rgba(92, 86, 75, 0.35)',
        borderWidth: style.id === told.style.id ? 2.5 : 1.25,
        order: style.id === told.style.id ? 0 : 1,
        pointRadius: 0,
      })),
      {
        label: 'Jumps',
        data: jumps,
        showLine: false,
        pointRadius: 3.5,
        pointBackgroundColor: 'white',
        pointBorderColor: marked,
        pointBorderWidth: 2,
        order: -1,
      },
    ],
  };
  const options: ChartOptions<'line'> = {
    animation: false,
    maintainAspectRatio: false,
    layout: { padding: { top: 20, right: 8 } },
    events: [],
    plugins: { around: { site, width } },
    scales: {
      x: {
        type: 'linear',
        min: NARROWEST,
        max: to,
        title: { display: true, text: 'Width of the window, px', font: FONT, color: quiet },
        ticks: { font: FONT, color: quiet, maxRotation: 0, callback: String },
        afterBuildTicks: (axis) => {
          axis.ticks = widthTicks(site).map((value) => ({ value }));
        },
        grid: { color: line },
      },
      y: {
        type: scale,
        min: scale === 'linear' ? 0 : undefined,
        title: { display: true, text: 'Size, px', font: FONT, color: quiet },
        ticks: {
          font: FONT,
          color: quiet,
          callback: (value) => (SIZES.includes(Number(value)) || scale === 'linear' ? String(value) : ''),
        },
        grid: { color: line },
      },
    },
  };
  const limits = site.views.list.flatMap(({ from }) =>
    from > NARROWEST && from < to ? [from - 1, from] : [],
  );
  const widths = [NARROWEST, ...limits, WIDEST];
  return (
    <section aria-label="Curves" className="type-curves">
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', mb: 1 }}>
        <Choice<'chart' | 'table'>
          label="Shown as"
          value={shown}
          options={{ chart: 'Curves', table: 'Table' }}
          onChange={setShown}
        />
        {shown === 'chart' && (
          <Choice<'linear' | 'logarithmic'>
            label="Sizes on the axis"
            value={scale}
            options={{ logarithmic: 'By ratio', linear: 'By px' }}
            onChange={setScale}
          />
        )}
      </Box>
      {shown === 'chart' ? (
        <>
          <div className="type-chart">
            <Line
              key={String(fonts)}
              role="img"
              aria-label={described(told, site)}
              data={data}
              options={options}
              plugins={[AROUND]}
              onClick={(event) => {
                const chart = Chart.getChart(event.currentTarget)!;
                const box = event.currentTarget.getBoundingClientRect();
                const at = chart.scales.x.getValueForPixel(event.clientX - box.left)!;
                const near = drawn
                  .map((each) => ({
                    id: each.style.id,
                    away: Math.abs(
                      chart.scales.y.getPixelForValue(curveAt(each.curve, at)) - (event.clientY - box.top),
                    ),
                  }))
                  .sort((one, other) => one.away - other.away)[0];
                onWidth(Math.round(Math.min(WIDEST, Math.max(NARROWEST, at))));
                if (near && near.away <= NEAR) onChoose(near.id);
              }}
            />
          </div>
          <Box sx={{ px: '46px', mr: '-30px' }}>
            <Slider
              size="small"
              aria-label="Marked width"
              min={NARROWEST}
              max={WIDEST}
              value={width}
              onChange={(_event, next) => onWidth(next)}
              getAriaValueText={(value) => `${value} px, ${viewAt(site.views, value).name}`}
            />
          </Box>
          <p className="type-told">
            <b>{told.style.name}</b> is {tenths(curveAt(told.curve, width))} px at {width} px,{' '}
            {viewAt(site.views, width).name}.
          </p>
        </>
      ) : (
        <div className="type-table">
          <table aria-label="Sizes by width">
            <thead>
              <tr>
                <th scope="col">Width, px</th>
                {widths.map((each) => (
                  <th key={each} scope="col">
                    {each}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {drawn.map(({ style, curve }) => (
                <tr key={style.id} style={style.id === chosen ? { background: petrolTint } : undefined}>
                  <th scope="row">{style.name}</th>
                  {widths.map((each) => (
                    <td key={each}>{tenths(curveAt(curve, each))}</td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}

/** px; the widths that are written on the axis: the limits of the views, and some others where there is room. */
function widthTicks({ views }: SiteFrame): number[] {
  const limits = views.list.map(({ from }) => from).filter((from) => from > NARROWEST && from < to);
  const others = [NARROWEST, 1280, 1920, to].filter((width) =>
    limits.every((limit) => Math.abs(limit - width) > 140),
  );
  return [...limits, ...others].sort((one, other) => one - other);
}

/** px; sizes that are written on an axis by ratio. */
const SIZES = [8, 10, 12, 14, 16, 20, 24, 32, 40, 48, 64, 80, 96, 128, 160, 200];

interface ChoiceProps<T extends string> {
  label: string;
  value: T;
  options: Record<T, string>;
  onChange: (value: T) => void;
}

const Choice = <T extends string>({ label, value, options, onChange }: ChoiceProps<T>) => (
  <ToggleButtonGroup
    exclusive
    size="small"
    aria-label={label}
    value={value}
    onChange={(_event, next: T | null) => next && onChange(next)}
    sx={{ '& .MuiToggleButton-root': { py: 0.25, px: 1.25, textTransform: 'none', color: 'text.primary' } }}
  >
    {(Object.keys(options) as T[]).map((each) => (
      <ToggleButton key={each} value={each}>
        {options[each]}
      </ToggleButton>
    ))}
  </ToggleButtonGroup>
);
