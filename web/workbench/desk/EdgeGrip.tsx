import {
  counted,
  hasTrait,
  lookup,
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
import { useState, type CSSProperties, type KeyboardEvent, type PointerEvent } from 'react';
import type { SheetDocument } from '../../page/sheetdocument.ts';
import { openPage } from '../../state/documents.ts';
import { edit } from '../../state/edits.ts';
import { useAppDispatch, useAppSelector, type Thunk } from '../../state/store.ts';
import { draw } from '../../ui/draw.ts';
import { directionIn, tracksOf } from './tracks.ts';

interface EdgeGripProps {
  site: SiteFrame;
  page: Page;
  /** A section or an overlay, whose lower edge it is; or an image in a column, of which it is the edge at a side. */
  node: Node;
  view: ViewId;
  sheet: SheetDocument;
  scale: number;
  /** Screen px; how large it is drawn. */
  width: number;
  height: number;
}

/** How far an edge of an element may be drawn, and what says so. */
interface Edge {
  side: 'bottom' | 'left' | 'right';
  property: string;
  /** What it is now, in units. */
  now: number;
  /** The least that fits. */
  least: number;
  most: number;
  /** px of the page by which a unit makes it larger. */
  unit: number;
  /** px of the page that the edge goes for a unit: half as much where the other edge goes too. */
  travel: number;
  /** Units; what drawing goes by, and the arrow keys. */
  step: number;
  /** What is set for so many units. */
  value(units: number): unknown;
  /** What is said where nothing has to be set. */
  usual: string;
  /** A number of units, in words. */
  words(units: number): string;
}

/** px. */
const STEP = 8;
/** Per cent. */
const SHARE = { step: 5, least: 5, whole: 100 };
/** Alignments by which a block without a width fills its place (CSS Box Alignment 3, §6.1). */
const STRETCHED: ReadonlySet<string> = new Set(['normal', 'stretch']);

/** px; how high a section is with what is in it, whatever is set. */
function fittingHeight(sheet: SheetDocument, { id }: Node): number {
  const element = sheet.elementOf(id);
  if (!element) return 0;
  element.style.minHeight = '0px';
  const { height } = element.getBoundingClientRect();
  element.removeAttribute('style');
  return height;
}

/** The edge of an image in a column, which it fills up to so many per cent: the one at which lines end, unless it keeps to that. */
function sideEdge({ site, page, node, view, sheet }: EdgeGripProps): Edge | undefined {
  const element = sheet.elementOf(node.id);
  const column = element?.parentElement;
  if (!element || !column) return undefined;
  const box = element.getBoundingClientRect();
  const way = directionIn(column);
  const middle = (way * (box.left + box.right)) / 2;
  const track = tracksOf(column).find(({ start, end }) => start <= middle && middle <= end);
  if (!track) return undefined;
  const styleOf = sure(sheet.document.defaultView, 'defaultView').getComputedStyle;
  const own = styleOf(element).justifySelf;
  const align = own === 'auto' ? styleOf(column).justifyItems : own;
  const unit = (track.end - track.start) / SHARE.whole;
  const set = resolve(site, page, node, knownProperty('width'), view);
  return {
    side: (align === 'end') === (way === 1) ? 'left' : 'right',
    property: 'width',
    now: set !== 'auto' && 'percent' in set ? set.percent : Math.round(box.width / unit),
    least: SHARE.least,
    most: SHARE.whole,
    unit,
    travel: align === 'center' ? unit / 2 : unit,
    step: SHARE.step,
    // What is stretched is as wide as its column by itself; what keeps to a side is as wide as its content.
    value: (percent) => (percent === SHARE.whole && STRETCHED.has(align) ? 'auto' : { percent }),
    usual: '',
    words: (percent) => `${percent} % of the column`,
  };
}

function edgeOf(props: EdgeGripProps): Edge | undefined {
  const { site, page, node, view, sheet } = props;
  if (hasTrait(node, 'image')) return sideEdge(props);
  if (hasTrait(node, 'overlaying')) {
    const least = rowsTaken(partsIn(site, page, node, view).map(({ at }) => at));
    const set = resolve(site, page, node, knownProperty('leastRows'), view);
    return {
      ...downTo(least, rowHeightIn(site, page, node, view)),
      property: 'leastRows',
      now: Math.max(set, least),
      most: sure(knownProperty('leastRows').type.maximum),
      step: 1,
      words: (rows) => counted(rows, 'row'),
    };
  }
  const fits = fittingHeight(sheet, node);
  const set = resolve(site, page, node, knownProperty('minHeight'), view);
  return {
    ...downTo(Math.ceil(fits), 1),
    property: 'minHeight',
    now: Math.max(set, Math.ceil(fits)),
    most: sure(knownProperty('minHeight').type.maximum),
    step: STEP,
    words: (px) => `${px} px high`,
  };
}

/** A lower edge, no higher than what is in the element needs. */
const downTo = (least: number, unit: number) => ({
  ...{ side: 'bottom' as const, least, unit, travel: unit },
  // What is as high as what is in it needs says nothing.
  value: (units: number) => (units === least ? 0 : units),
  usual: ', the minimum that fits',
});

/** Where an edge comes to stand: on a step, and within what fits. */
function held({ least, most, step: usual }: Edge, wanted: number, free: boolean): number {
  const step = free ? 1 : usual;
  return Math.min(most, Math.max(least, Math.round(wanted / step) * step));
}

/** The frame that an element would have; where both edges go, it grows to both sides. */
function shapeOf(
  { to, edge }: { to: number; edge: Edge },
  before: { height: number } | { width: number },
  scale: number,
): CSSProperties {
  const more = (to - edge.now) * edge.unit * scale;
  if ('height' in before) return { height: before.height + more };
  const width = before.width + more;
  const centred = edge.travel < edge.unit;
  return { width, ...(centred ? { left: -more / 2 } : { [edge.side === 'left' ? 'right' : 'left']: 0 }) };
}

/** What the arrow keys do to an edge. */
const KEYS: Readonly<Record<Edge['side'], Readonly<Record<string, number>>>> = {
  bottom: { ArrowUp: -1, ArrowDown: 1 },
  left: { ArrowRight: -1, ArrowLeft: 1 },
  right: { ArrowLeft: -1, ArrowRight: 1 },
};

/**
 * An edge that is drawn, or moved by the arrow keys: the lower one of a section or an overlay says how high that is at least in the
 * view, one of an image in a column how wide that is.
 */
export function EdgeGrip(props: EdgeGripProps) {
  const { node, view, scale, width, height } = props;
  const dispatch = useAppDispatch();
  const reach = useAppSelector((state) => state.desk.reach);
  const [drawn, setDrawn] = useState<{ to: number; edge: Edge } | null>(null);
  const take = (edge: Edge, to: number) => {
    if (to === edge.now) return;
    const value = edge.value(to);
    dispatch(edit('setValue', { nodes: [node.id], property: edge.property, view, value, reach }));
  };
  /** Keys may come faster than what they did is shown. */
  const latest: Thunk<Edge | undefined> = (_dispatch, getState) => {
    const { site, page } = sure(openPage(getState()));
    return edgeOf({ ...props, site, page, node: page.nodes[node.id] });
  };
  const down = (press: PointerEvent<HTMLElement>) => {
    const edge = edgeOf(props);
    if (!edge) return;
    const along = ({ clientX, clientY }: { clientX: number; clientY: number }) =>
      ({ bottom: clientY, right: clientX, left: -clientX })[edge.side];
    const from = along(press);
    press.currentTarget.focus();
    const meant = (event: { clientX: number; clientY: number; altKey: boolean }) =>
      held(edge, edge.now + (along(event) - from) / scale / edge.travel, event.altKey);
    draw(press, {
      move: (event) => setDrawn({ to: meant(event), edge }),
      end: (event) => {
        setDrawn(null);
        if (along(event) !== from) take(edge, meant(event));
      },
      cancel: () => setDrawn(null),
    });
  };
  const key = (event: KeyboardEvent) => {
    const by = lookup(KEYS[side], event.key);
    if (by === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    const edge = dispatch(latest);
    if (edge) take(edge, held(edge, edge.now + by * (event.altKey ? 1 : edge.step), event.altKey));
  };
  // What a section needs is only found out where its edge is moved.
  const isSection = hasTrait(node, 'section') && !hasTrait(node, 'page layout');
  const known = isSection ? undefined : edgeOf(props);
  if (!known && !isSection) return null;
  const side = known?.side ?? 'bottom';
  const now = known?.now ?? Math.round(height / scale);
  const isHeight = side === 'bottom';
  return (
    <>
      {drawn && (
        <div
          className={`edge-drawn ${side}`}
          style={shapeOf(drawn, isHeight ? { height } : { width }, scale)}
        >
          <div role="status" className="area-words">
            {drawn.edge.words(drawn.to)}
            {drawn.to === drawn.edge.least && drawn.edge.usual}
          </div>
        </div>
      )}
      <div
        className={`area-grip ${side}`}
        role="slider"
        tabIndex={0}
        aria-label={`${isHeight ? 'Lower edge' : 'Width'} of ${node.name}`}
        aria-orientation={isHeight ? 'vertical' : 'horizontal'}
        aria-valuemin={known?.least ?? 0}
        aria-valuenow={now}
        aria-valuetext={known?.words(now) ?? `${now} px high`}
        title={`Draw, or use the arrow keys, to make it ${isHeight ? 'higher or lower' : 'wider or narrower'}; Alt frees from steps`}
        onPointerDown={down}
        onKeyDown={key}
      />
    </>
  );
}
