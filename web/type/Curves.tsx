import { Box, Slider } from '@mui/material';
import { useMemo, useState } from 'react';
import {
  curveAt,
  curvePoints,
  jumpsIn,
  styleCurve,
  viewAt,
  type Curve,
  type Finding,
  type SiteFrame,
  type TextStyle,
} from '../../core/index.ts';
import { coral, petrol } from '../ui/theme.ts';
import { Choice } from './Choice.tsx';
import { tenths } from './StyleTable.tsx';
import { NARROWEST, WIDEST, WidthChart } from './WidthChart.tsx';
import { WidthTable } from './WidthTable.tsx';

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

/** How near, in px on screen, a click has to be to a curve to mean it. */
const NEAR = 8;

/** px; sizes that are written on an axis by ratio. */
const SIZES = [8, 10, 12, 14, 16, 20, 24, 32, 40, 48, 64, 80, 96, 128, 160, 200];

/** A line of a chart; the chosen one stands out. */
export const lineOf = (label: string, data: { x: number; y: number }[], chosen: boolean) => ({
  label,
  data,
  borderColor: chosen ? petrol : 'rgba(92, 86, 75, 0.35)',
  borderWidth: chosen ? 2.5 : 1.25,
  order: chosen ? 0 : 1,
  pointRadius: 0,
});

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
  const amiss = findings.flatMap(({ of, widths }) =>
    'textStyle' in of && of.textStyle === told.style.id ? widths : [],
  );
  const marked = jumps.map(({ x }) =>
    amiss.some(({ from, to }) => from <= x && to >= x - 1) ? coral : petrol,
  );
  const choose = (at: number, down: number, downTo: (value: number) => number) => {
    const away = drawn.map(({ style, curve }) => ({
      id: style.id,
      px: Math.abs(downTo(curveAt(curve, at)) - down),
    }));
    const [nearest] = away.sort((one, other) => one.px - other.px);
    onWidth(at);
    if (nearest.px <= NEAR) onChoose(nearest.id);
  };
  return (
    <section aria-label="Curves">
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
          <WidthChart
            site={site}
            width={width}
            label={described(told, site)}
            upright={{
              title: 'Size, px',
              type: scale,
              written: scale === 'logarithmic' ? SIZES : undefined,
            }}
            datasets={[
              ...drawn.map(({ style, curve }) =>
                lineOf(
                  style.name,
                  curvePoints(curve).map((point) => ({ x: point.width, y: point.size })),
                  style.id === told.style.id,
                ),
              ),
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
            ]}
            onClick={choose}
          />
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
        <WidthTable
          label="Sizes by width"
          site={site}
          chosen={chosen}
          lines={drawn.map(({ style, curve }) => ({
            id: style.id,
            name: style.name,
            at: (each) => tenths(curveAt(curve, each)),
          }))}
        />
      )}
    </section>
  );
}
