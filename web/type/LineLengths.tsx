import { Box } from '@mui/material';
import { useMemo, useState } from 'react';
import {
  GOOD_LINE,
  runningTexts,
  viewAt,
  type Page,
  type RunningText,
  type SiteFrame,
} from '../../core/index.ts';
import { Choice } from './Choice.tsx';
import { lineOf } from './Curves.tsx';
import { NARROWEST, WIDEST, WidthChart } from './WidthChart.tsx';
import { WidthTable } from './WidthTable.tsx';
import { usePainter } from '../ui/theme.ts';

interface LineLengthsProps {
  site: SiteFrame;
  page: Page;
  /** px; the marked width. */
  width: number;
  onWidth(width: number): void;
}

/** px; how far the points of a line are apart, and how near a click has to be to mean it. */
const STEP = 16;
const NEAR = 8;

/** Characters; longer lines are drawn along the upper edge. */
const MOST = 140;

/** A line's points; where the text is not shown there are none. */
function pointsOf({ lineAt }: RunningText, site: SiteFrame): { x: number; y: number }[] {
  const widths = new Set<number>();
  for (let width = NARROWEST; width <= WIDEST; width += STEP) widths.add(width);
  for (const { from } of site.views.list) for (const width of [from - 1, from]) widths.add(width);
  return [...widths]
    .filter((width) => width >= NARROWEST && width <= WIDEST)
    .sort((one, other) => one - other)
    .map((x) => ({ x, y: Math.min(MOST, lineAt(x) ?? NaN) }));
}

const said = ({ lineAt }: RunningText, width: number): string => {
  const characters = lineAt(width);
  return characters === undefined ? 'not shown' : String(Math.round(characters));
};

/** How many characters the lines of a page's texts have, against the width of the window, and what is read well. */
export function LineLengths({ site, page, width, onWidth }: LineLengthsProps) {
  const texts = useMemo(() => runningTexts(site, page), [site, page]);
  const lines = useMemo(() => texts.map((text) => pointsOf(text, site)), [texts, site]);
  const paint = usePainter();
  const [chosen, setChosen] = useState('');
  const [shown, setShown] = useState<'chart' | 'table'>('chart');
  const told = texts.find(({ node }) => node === chosen) ?? texts.at(0);
  const { name } = page.nodes[page.root];
  if (!told) return <p className="type-sound">{name} has no text longer than one line.</p>;
  const sizes = site.views.list.map((view) => `${said(told, view.sheet.width)} in ${view.name}`).join(', ');
  return (
    <section aria-label="Length of lines">
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', mb: 1 }}>
        <h2 className="type-heading">Length of lines on {name}</h2>
        <Choice<'chart' | 'table'>
          label="Lengths shown as"
          value={shown}
          options={{ chart: 'Curves', table: 'Table' }}
          onChange={setShown}
        />
      </Box>
      {shown === 'chart' ? (
        <>
          <WidthChart
            site={site}
            width={width}
            good={GOOD_LINE}
            label={`Characters per line against width, from ${NARROWEST} to ${WIDEST} px. ${told.name}: ${sizes}.`}
            upright={{ title: 'Characters per line', type: 'linear', most: MOST }}
            datasets={texts.map((text, index) => lineOf(text.name, lines[index], text === told, paint))}
            onClick={(at, down, downTo) => {
              const away = texts.map((text) => ({
                id: text.node,
                px: Math.abs(downTo(Math.min(MOST, text.lineAt(at) ?? NaN)) - down),
              }));
              const [nearest] = away
                .filter(({ px }) => Number.isFinite(px))
                .sort((one, other) => one.px - other.px);
              onWidth(at);
              if (nearest && nearest.px <= NEAR) setChosen(nearest.id);
            }}
          />
          <p className="type-told">
            <b>{told.name}</b> has about {said(told, width)} characters per line at {width} px,{' '}
            {viewAt(site.views, width).name}; {GOOD_LINE.least} to {GOOD_LINE.most} are easy to read.
          </p>
        </>
      ) : (
        <WidthTable
          label="Characters per line by width"
          site={site}
          chosen={told.node}
          lines={texts.map((text) => ({
            id: text.node,
            name: text.name,
            at: (each) => said(text, each),
          }))}
        />
      )}
    </section>
  );
}
