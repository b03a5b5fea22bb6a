import {
  counted,
  hasTrait,
  knownProperty,
  type Node,
  type Page,
  partsIn,
  resolve,
  rowHeightIn,
  rowsTaken,
  type SiteFrame,
  sure,
  type ViewId,
} from '../../../core/index.ts';
import { useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { SheetDocument } from '../../page/sheetdocument.ts';
import { openPage } from '../../state/documents.ts';
import { edit } from '../../state/edits.ts';
import { useAppDispatch, useAppSelector, type Thunk } from '../../state/store.ts';
import { draw } from '../../ui/draw.ts';

interface EdgeGripProps {
  site: SiteFrame;
  page: Page;
  /** A section, or an overlay. */
  node: Node;
  view: ViewId;
  sheet: SheetDocument;
  scale: number;
  /** Screen px; how high it is drawn. */
  height: number;
}

/** How low the lower edge of an element may be drawn, and what says so. */
interface Edge {
  property: string;
  /** What it is now, in units. */
  now: number;
  /** The least that fits. */
  least: number;
  most: number;
  /** px that a unit is high. */
  unit: number;
  /** A number of units, in words. */
  words(units: number): string;
}

/** px; what drawing goes by, and the arrow keys. */
const STEP = 8;

/** px; how high a section is with what is in it, whatever is set. */
function fittingHeight(sheet: SheetDocument, { id }: Node): number {
  const element = sheet.elementOf(id);
  if (!element) return 0;
  element.style.minHeight = '0px';
  const { height } = element.getBoundingClientRect();
  element.removeAttribute('style');
  return height;
}

function edgeOf({ site, page, node, view, sheet }: EdgeGripProps): Edge {
  if (hasTrait(node, 'overlaying')) {
    const least = rowsTaken(partsIn(site, page, node, view).map(({ at }) => at));
    const set = resolve(site, page, node, knownProperty('leastRows'), view);
    return {
      property: 'leastRows',
      now: Math.max(set, least),
      least,
      most: sure(knownProperty('leastRows').type.maximum),
      unit: rowHeightIn(site, page, node, view),
      words: (rows) => counted(rows, 'row'),
    };
  }
  const fits = fittingHeight(sheet, node);
  const set = resolve(site, page, node, knownProperty('minHeight'), view);
  return {
    property: 'minHeight',
    now: Math.max(set, Math.ceil(fits)),
    least: Math.ceil(fits),
    most: sure(knownProperty('minHeight').type.maximum),
    unit: 1,
    words: (px) => `${px} px high`,
  };
}

/** Where an edge comes to stand: on a step, and no higher than what is in it needs. */
function held({ least, most, unit }: Edge, wanted: number, free: boolean): number {
  const step = unit === 1 && !free ? STEP : 1;
  return Math.min(most, Math.max(least, Math.round(wanted / step) * step));
}

/** The lower edge of a section or an overlay: drawn, or moved by the arrow keys, it says how high that is at least in the view. */
export function EdgeGrip(props: EdgeGripProps) {
  const { node, view, scale, height } = props;
  const dispatch = useAppDispatch();
  const reach = useAppSelector((state) => state.desk.reach);
  const [drawn, setDrawn] = useState<{ to: number; edge: Edge } | null>(null);
  const take = (edge: Edge, to: number) => {
    if (to === edge.now) return;
    // What is as high as what is in it needs to say nothing.
    const value = to === edge.least ? 0 : to;
    dispatch(edit('setValue', { nodes: [node.id], property: edge.property, view, value, reach }));
  };
  /** Keys may come faster than what they did is shown. */
  const latest: Thunk<Edge> = (_dispatch, getState) => {
    const { site, page } = sure(openPage(getState()));
    return edgeOf({ ...props, site, page, node: page.nodes[node.id] });
  };
  const down = (press: PointerEvent<HTMLElement>) => {
    const edge = edgeOf(props);
    const from = press.clientY;
    press.currentTarget.focus();
    const meant = (event: { clientY: number; altKey: boolean }) =>
      held(edge, edge.now + (event.clientY - from) / scale / edge.unit, event.altKey);
    draw(press, {
      move: (event) => setDrawn({ to: meant(event), edge }),
      end: (event) => {
        setDrawn(null);
        if (event.clientY !== from) take(edge, meant(event));
      },
      cancel: () => setDrawn(null),
    });
  };
  const key = (event: KeyboardEvent) => {
    const by = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    const edge = dispatch(latest);
    const step = edge.unit === 1 && !event.altKey ? STEP : 1;
    take(edge, held(edge, edge.now + by * step, event.altKey));
  };
  const rows = hasTrait(node, 'overlaying') ? edgeOf(props) : undefined;
  const now = rows?.now ?? Math.round(height / scale);
  return (
    <>
      {drawn && (
        <div
          className="edge-drawn"
          style={{ height: height + (drawn.to - drawn.edge.now) * drawn.edge.unit * scale }}
        >
          <div role="status" className="area-words">
            {drawn.edge.words(drawn.to)}
            {drawn.to === drawn.edge.least && ', the minimum that fits'}
          </div>
        </div>
      )}
      <div
        className="area-grip bottom"
        role="slider"
        tabIndex={0}
        aria-label={`Lower edge of ${node.name}`}
        aria-orientation="vertical"
        aria-valuemin={rows?.least ?? 0}
        aria-valuenow={now}
        aria-valuetext={rows?.words(now) ?? `${now} px high`}
        title="Draw, or use the arrow keys, to make it higher or lower; Alt frees from steps"
        onPointerDown={down}
        onKeyDown={key}
      />
    </>
  );
}
