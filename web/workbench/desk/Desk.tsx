import { useEffect, useMemo, useRef, useState } from 'react';
import {
  curveAt,
  preview,
  sectionOf,
  styleCurve,
  viewAt,
  viewOf,
  type Addresses,
  type Page,
  type Preview,
  type SiteFrame,
  type ViewId,
} from '../../../core/index.ts';
import { selected as select, viewsBeside } from '../../state/desk.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { afterPaint, useAfterPaint } from '../../ui/afterpaint.ts';
import { useMeasuredWidth } from '../../ui/measuredwidth.ts';
import { desk } from '../../ui/theme.ts';
import { sheetAddresses } from '../../page/addresses.ts';
import { DeskBar } from './DeskBar.tsx';
import { Sheet } from './Sheet.tsx';
import { useTrial } from './trial.ts';
import { WidthBar } from './WidthBar.tsx';
import './desk.css';
import { lazily } from '../../ui/lazily.tsx';

const Overview = lazily(async () => (await import('./Overview.tsx')).Overview);
const Walk = lazily(async () => (await import('../walk/Walk.tsx')).Walk);

const GAP = 24;
const SMALLEST_SCALE = 0.18;

/** px on screen; smaller text of a page is not read (common practice). */
const READABLE = 9;

/** The text style of running text, in every site that has not done away with it. */
const BODY = 'body';

/** px; the size of body text of sites that have no style for it. */
const USUAL_SIZE = 16;

/** The least scale at which body text can be read in all of some views. */
function readableScale(site: SiteFrame, views: readonly ViewId[]): number {
  const style = site.textStyles.find(({ id }) => id === BODY);
  const curve = style && styleCurve(site, style);
  const sizes = views.map((view) =>
    curve ? curveAt(curve, viewOf(site.views, view).sheet.width) : USUAL_SIZE,
  );
  return Math.min(1, READABLE / Math.min(...sizes));
}

interface ShownSheet {
  key: string;
  view: ViewId;
  width: number;
  active: boolean;
}

/** The sheets to show: the active one at the marker's width, and beside it the chosen views, wide to narrow. */
function sheetsToShow(
  site: SiteFrame,
  width: number,
  sideBySide: boolean,
  beside: readonly ViewId[],
): ShownSheet[] {
  const active = viewAt(site.views, width).id;
  const others = sideBySide ? viewsBeside(site.views, active, beside) : [];
  return site.views.list
    .filter((view) => view.id === active || others.includes(view.id))
    .map((view) => ({
      // The active sheet keeps its frame while the marker crosses from one view into the next.
      key: view.id === active ? 'active' : view.id,
      view: view.id,
      width: view.id === active ? width : viewOf(site.views, view.id).sheet.width,
      active: view.id === active,
    }))
    .reverse();
}

/** The page compiled for the sheets; each time from what it was the time before. */
function usePreview(site: SiteFrame, page: Page, addresses: Addresses): Preview {
  const [compile] = useState(() => {
    let last: Preview | undefined;
    return (...made: [SiteFrame, Page, Addresses]) => {
      last = preview(...made, last);
      return last;
    };
  });
  return useMemo(() => compile(site, page, addresses), [compile, site, page, addresses]);
}

/** The right side of the workbench: the width bar, the sheets, and how they are shown. */
export function Desk({ site: kept, page: keptPage }: { site: SiteFrame; page: Page }) {
  const { site, page } = useTrial(kept, keptPage);
  const dispatch = useAppDispatch();
  const width = useAppSelector((state) => state.desk.width);
  const sheets = useAppSelector((state) => state.desk.sheets);
  const beside = useAppSelector((state) => state.desk.beside);
  const zoom = useAppSelector((state) => state.desk.zoom);
  const comparing = useAppSelector((state) => state.desk.comparing);
  const walking = useAppSelector((state) => state.desk.walking);
  const lead = useAppSelector((state) => state.desk.selected.at(-1));
  const section = sheets === 'side by side' && comparing.section ? sectionOf(page, lead) : undefined;
  const { id, pages, assets } = site;
  const density = useAppSelector((state) => state.desk.density) ?? undefined;
  const addresses = useMemo(
    () => sheetAddresses({ id, pages, assets }, density),
    [id, pages, assets, density],
  );
  const content = usePreview(site, page, addresses);
  // What is marked over the sheets follows a frame after what is in them.
  const marked = useAfterPaint(page);
  const row = useMeasuredWidth();
  const shown = sheetsToShow(site, width, sheets === 'side by side', beside);
  const room = row.width - GAP * (shown.length - 1);
  const least =
    sheets === 'side by side' && !comparing.whole
      ? readableScale(
          site,
          shown.map(({ view }) => view),
        )
      : SMALLEST_SCALE;
  const needed = shown.reduce((sum, sheet) => sum + sheet.width, 0);
  const scale = zoom === 'full' ? 1 : Math.max(least, Math.min(1, room / needed));
  const active = viewAt(site.views, width).id;
  const scrolled = useRef<HTMLDivElement>(null);
  // A section that stands alone is seen from its top.
  useEffect(() => {
    if (section !== undefined) return afterPaint(() => scrolled.current?.scrollTo({ top: 0 }));
    return undefined;
  }, [section]);

  return (
    <section aria-label="Desk" className="desk" style={{ background: desk }}>
      <WidthBar site={site} width={width} />
      {walking && <Walk site={kept} page={keptPage} view={active} />}
      {sheets === 'overview' ? (
        <Overview site={site} page={marked} content={content} active={active} />
      ) : (
        <div
          ref={scrolled}
          tabIndex={0}
          role="region"
          aria-label="Sheets"
          className="desk-sheets"
          onClick={(event) => event.target === event.currentTarget && dispatch(select(null))}
        >
          <div ref={row.ref} className="desk-row" style={{ gap: GAP }}>
            {shown.map((sheet) => (
              <Sheet
                key={sheet.key}
                site={site}
                page={marked}
                content={content}
                width={sheet.width}
                scale={scale}
                active={sheet.active}
                section={section}
              />
            ))}
          </div>
        </div>
      )}
      <DeskBar site={site} page={page} active={active} />
    </section>
  );
}
