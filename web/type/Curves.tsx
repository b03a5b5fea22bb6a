import { Box, Button, Slider } from '@mui/material';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import {
  counted,
  curveAt,
  jumpsIn,
  placeKey,
  sizedTexts,
  styleCurve,
  viewAt,
  type Curve,
  type Finding,
  type Page,
  type Place,
  type SiteFrame,
} from '../../core/index.ts';
import { valueAimed, widthSet } from '../state/desk.ts';
import { useAppDispatch } from '../state/store.ts';
import { coral, faint, petrol, raised, usePainter, type Paint } from '../ui/theme.ts';
import { Choice } from './Choice.tsx';
import { tenths } from './StyleTable.tsx';
import { NARROWEST, pointsOf, WIDEST, WidthChart } from './WidthChart.tsx';
import { WidthTable } from './WidthTable.tsx';

interface CurvesProps {
  site: SiteFrame;
  /** The page whose texts can be drawn instead. */
  page: Page;
  chosen: string;
  findings: readonly Finding[];
  /** px; the marked width. */
  width: number;
  onChoose(style: string): void;
  onWidth(width: number): void;
}

/** Something whose size is drawn: a text style, or a text of the page. */
interface Drawn {
  id: string;
  name: string;
  curve: Curve;
  of: Place;
}

const ofStyles = (site: SiteFrame): Drawn[] =>
  site.textStyles.map((style) => ({
    id: style.id,
    name: style.name,
    curve: styleCurve(site, style),
    of: { textStyle: style.id },
  }));

const ofTexts = (site: SiteFrame, page: Page): Drawn[] =>
  sizedTexts(site, page).map(({ node, part, name, curve }) => {
    const of: Place = part === 'self' ? { node } : { node, part };
    return { id: placeKey(of), name, curve, of };
  });

/** Where sizes cross that should not: the ends of the stretches in which one that should be larger is not. */
const crossingsOf = (drawn: readonly Drawn[], findings: readonly Finding[]): { x: number; y: number }[] =>
  findings
    .filter(({ rule }) => rule === 'order of sizes inverted')
    .flatMap(({ of, widths }) => {
      const curve = drawn.find((each) => placeKey(each.of) === placeKey(of))?.curve;
      if (!curve) return [];
      const ends = widths.flatMap(({ from, to }) => [from, to]);
      return ends.filter((x) => x > NARROWEST && x < WIDEST).map((x) => ({ x, y: curveAt(curve, x) }));
    });

/** How near, in px on screen, a click has to be to a curve to mean it. */
const NEAR = 8;

/** px; sizes that are written on an axis by ratio. */
export const SIZES = [8, 10, 12, 14, 16, 20, 24, 32, 40, 48, 64, 80, 96, 128, 160, 200];

/** A line of a chart; the chosen one stands out. */
export const lineOf = (label: string, data: { x: number; y: number }[], chosen: boolean, paint: Paint) => ({
  label,
  data,
  borderColor: paint(chosen ? petrol : faint),
  borderWidth: chosen ? 2.5 : 1.25,
  order: chosen ? 0 : 1,
  pointRadius: 0,
});

/** What the chart shows, in words. */
function described({ name, curve }: Drawn, site: SiteFrame, crossings: number): string {
  const sizes = site.views.list.map(
    ({ name, sheet }) => `${tenths(curveAt(curve, sheet.width))} px in ${name}`,
  );
  const jumps = jumpsIn(curve).map(
    ({ width, narrower, wider }) => `jumps from ${tenths(narrower)} to ${tenths(wider)} px at ${width} px`,
  );
  const crossed = crossings === 0 ? '' : ` Sizes cross at ${counted(crossings, 'width')}.`;
  return `Size against width, from ${NARROWEST} to ${WIDEST} px. ${name}: ${[...sizes, ...jumps].join(', ')}.${crossed}`;
}

/** The size of each text style, or of each text of a page, against the width of the window; the chosen one stands out. */
export function Curves({ site, page, chosen, findings, width, onChoose, onWidth }: CurvesProps) {
  const dispatch = useAppDispatch();
  const paint = usePainter();
  const navigate = useNavigate();
  const [scale, setScale] = useState<'linear' | 'logarithmic'>('logarithmic');
  const [shown, setShown] = useState<'chart' | 'table'>('chart');
  const [what, setWhat] = useState<'styles' | 'texts'>('styles');
  const [text, setText] = useState('');
  const texts = useMemo(() => ofTexts(site, page), [site, page]);
  const drawn = useMemo(
    () => (what === 'styles' || texts.length === 0 ? ofStyles(site) : texts),
    [site, texts, what],
  );
  const told = drawn.find(({ id }) => id === (what === 'styles' ? chosen : text)) ?? drawn[0];
  const crossings = crossingsOf(drawn, findings);
  const jumps = jumpsIn(told.curve).flatMap((jump) => [
    { x: jump.width, y: jump.narrower },
    { x: jump.width, y: jump.wider },
  ]);
  const problems = findings.flatMap(({ of, widths }) => (placeKey(of) === placeKey(told.of) ? widths : []));
  const marked = jumps.map(({ x }) =>
    problems.some(({ from, to }) => from <= x && to >= x - 1) ? paint(coral) : paint(petrol),
  );
  const goToValue = () => {
    if (!('node' in told.of)) return;
    const { node, part = 'self' } = told.of;
    dispatch(widthSet(width));
    dispatch(valueAimed({ node, part, property: 'size', view: viewAt(site.views, width).id }));
    void navigate(`/sites/${site.id}/pages/${page.id}`);
  };
  const choose = (at: number, down: number, downTo: (value: number) => number) => {
    const away = drawn.map(({ id, curve }) => ({
      id,
      px: Math.abs(downTo(curveAt(curve, at)) - down),
    }));
    const [nearest] = away.sort((one, other) => one.px - other.px);
    onWidth(at);
    if (nearest.px > NEAR) return;
    if (what === 'styles') onChoose(nearest.id);
    else setText(nearest.id);
  };
  return (
    <section aria-label="Curves">
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', mb: 1, flexWrap: 'wrap' }}>
        {texts.length > 0 && (
          <Choice<'styles' | 'texts'>
            label="Sizes of"
            value={what}
            options={{ styles: 'Text styles', texts: `Texts on ${page.nodes[page.root].name}` }}
            onChange={setWhat}
          />
        )}
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
            label={described(told, site, crossings.length)}
            upright={{
              title: 'Size, px',
              type: scale,
              written: scale === 'logarithmic' ? SIZES : undefined,
            }}
            datasets={[
              ...drawn.map(({ id, name, curve }) => lineOf(name, pointsOf(curve), id === told.id, paint)),
              {
                label: 'Crossings',
                data: crossings,
                showLine: false,
                pointStyle: 'crossRot',
                pointRadius: 6,
                pointBorderColor: paint(coral),
                pointBorderWidth: 2.5,
                order: -2,
              },
              {
                label: 'Jumps',
                data: jumps,
                showLine: false,
                pointRadius: 3.5,
                pointBackgroundColor: paint(raised),
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
            <b>{told.name}</b> is {tenths(curveAt(told.curve, width))} px at {width} px,{' '}
            {viewAt(site.views, width).name}.
            {'node' in told.of && (
              <Button size="small" sx={{ ml: 1, py: 0 }} onClick={goToValue}>
                Go to its value
              </Button>
            )}
          </p>
        </>
      ) : (
        <WidthTable
          label="Sizes by width"
          site={site}
          chosen={told.id}
          lines={drawn.map(({ id, name, curve }) => ({
            id,
            name,
            at: (each) => tenths(curveAt(curve, each)),
          }))}
        />
      )}
    </section>
  );
}
