import { Box } from '@mui/material';
import { useCallback, useEffect, useLayoutEffect, useRef, useState, type ComponentProps } from 'react';
import {
  hasTrait,
  applies,
  counted,
  isOpened,
  knownProperty,
  overrideCount,
  type Node,
  type NodeId,
  type Page,
  type SiteFrame,
  type ViewId,
} from '../../../core/index.ts';
import { afterPaint } from '../../ui/afterpaint.ts';
import { petrol } from '../../ui/theme.ts';
import { AreaGrips } from './AreaGrips.tsx';
import { EdgeGrip } from './EdgeGrip.tsx';
import { MoveGrip } from './MoveGrip.tsx';
import type { TagSide } from './NameTag.tsx';
import { SpanGrips } from './SpanGrips.tsx';
import { boxIn, type SheetDocument } from '../../page/sheetdocument.ts';

interface MarksProps {
  site: SiteFrame;
  sheet: SheetDocument;
  page: Page;
  view: ViewId;
  scale: number;
  /** Screen px; how wide the sheet is drawn. */
  across: number;
  /** Changes whenever things may have moved. */
  moved: number;
  /** The last one leads. */
  selected: NodeId[];
  hovered: NodeId | null;
  /** Brings what gets selected into view. */
  follow: boolean;
}

interface MarkedBox {
  id: NodeId;
  left: number;
  top: number;
  width: number;
  height: number;
}

function boxOf(sheet: SheetDocument, scale: number, id: NodeId): MarkedBox | null {
  const box = boxIn(sheet.elementOf(id));
  if (!box) return null;
  const { left, top, width, height } = box;
  return { id, left: left * scale, top: top * scale, width: width * scale, height: height * scale };
}

/** Where elements are drawn in a sheet; those that are not shown there fall out. */
function useBoxes({ sheet, scale, moved, page }: MarksProps, ids: readonly NodeId[]): MarkedBox[] {
  const [boxes, setBoxes] = useState<MarkedBox[]>([]);
  const key = ids.join(' ');
  const measure = useCallback(() => {
    const made = key === '' ? [] : (key.split(' ') as NodeId[]).map((id) => boxOf(sheet, scale, id));
    setBoxes(made.filter((box) => box !== null));
  }, [sheet, scale, key]);
  useLayoutEffect(measure, [measure]);
  // After an edit the page is laid out and painted first: measuring before would make it be laid out twice.
  useEffect(() => afterPaint(measure), [measure, moved, page]);
  return boxes;
}

const NOTHING: NodeId[] = [];

const placeOf = ({ left, top, width, height }: MarkedBox) => ({ left, top, width, height });

const parentOf = (page: Page, node: Node | undefined): Node | undefined =>
  node && node.parent !== null ? page.nodes[node.parent] : undefined;

/** Whether an element takes columns of the row that holds it. */
const takesColumns = (page: Page, node: Node): boolean =>
  applies(knownProperty('start'), node.kind, parentOf(page, node)?.kind);

/** Whether the height of an element is drawn by its lower edge, or its width by one at a side: in rows and overlays it takes columns. */
function hasDrawnEdge(site: SiteFrame, page: Page, node: Node, view: ViewId): boolean {
  const parent = parentOf(page, node);
  if (hasTrait(node, 'image'))
    return parent !== undefined && hasTrait(parent, 'directed') && !isOpened(site, page, parent, view);
  return hasTrait(node, 'section') || (hasTrait(node, 'overlaying') && !hasTrait(parent, 'overlaying'));
}

/** px; so much of a frame has to be seen in the desk. */
const SEEN = 24;

/** Whether a frame is seen in the desk, as far as it can be scrolled to. */
function isInSight(frame: HTMLElement | null): boolean {
  const desk = frame?.closest('.desk-sheets')?.getBoundingClientRect();
  if (!frame || !desk) return false;
  const { top, bottom } = frame.getBoundingClientRect();
  return top < desk.bottom - SEEN && bottom > desk.top + SEEN;
}

/** Screen px that a name needs above a frame. */
const ROOM = 20;
/** Screen px up to which a frame is low enough for what is below it to be in sight with it. */
const LOW = 160;

const sideFor = ({ top, height }: { top: number; height: number }): TagSide =>
  top > ROOM ? 'above' : height < LOW ? 'below' : 'inside';

type GripProps = ComponentProps<typeof MoveGrip> &
  Partial<Pick<ComponentProps<typeof AreaGrips>, 'overlay' | 'nodes'>>;

/** The name of what is selected, by which it is drawn: among its siblings, or to another area of its overlay. */
const Grip = ({ overlay, nodes, ...props }: GripProps) =>
  overlay && nodes ? <AreaGrips {...props} overlay={overlay} nodes={nodes} /> : <MoveGrip {...props} />;

/** The frames around what is selected and what the pointer is over, with the name and the count of overrides. */
export function Marks(props: MarksProps) {
  const { page, view, selected, hovered } = props;
  const boxes = useBoxes(props, selected);
  const lead = selected.at(-1);
  const box = boxes.find(({ id }) => id === lead);
  const [over] = useBoxes(props, hovered && !selected.includes(hovered) ? [hovered] : NOTHING);
  const node = lead ? page.nodes[lead] : undefined;
  const parent = parentOf(page, node);
  const count = node ? overrideCount(node, view) : 0;
  const frame = useRef<HTMLDivElement>(null);
  const followed = useRef('');
  useEffect(() => {
    // Another selection or another view moves the desk; an edit, which measures the same box again, must not.
    const seen = box ? `${view} ${box.id}` : '';
    if (!props.follow || seen === followed.current) return;
    const show = () => {
      frame.current?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
      // What is new makes its page taller, for which there is no room until that is measured: then it is shown again.
      if (seen === '' || isInSight(frame.current)) followed.current = seen;
    };
    show();
    // A sheet of another view gets its height a frame later; only then is there room to scroll to.
    afterPaint(() => afterPaint(show));
  }, [props.follow, box, view]);
  return (
    <Box sx={{ position: 'absolute', inset: 0, overflow: 'clip', pointerEvents: 'none' }}>
      {over && (
        <Box
          style={placeOf(over)}
          sx={{ position: 'absolute', outline: `1px dashed ${petrol}`, outlineOffset: -1 }}
        />
      )}
      {boxes
        .filter(({ id }) => id !== lead)
        .map((each) => (
          <Box
            key={each.id}
            style={placeOf(each)}
            sx={{ position: 'absolute', outline: '2px solid #2aa9a4', outlineOffset: -1, opacity: 0.75 }}
          />
        ))}
      {box && node && (
        <Box
          ref={frame}
          style={placeOf(box)}
          sx={{ position: 'absolute', scrollMargin: '28px', outline: '2px solid #2aa9a4', outlineOffset: -1 }}
        >
          <Grip
            site={props.site}
            page={page}
            node={node}
            view={view}
            sheet={props.sheet}
            scale={props.scale}
            side={sideFor(box)}
            room={props.across - box.left}
            {...(parent &&
              hasTrait(parent, 'overlaying') && {
                overlay: parent,
                nodes: selected.filter((id) => page.nodes[id]?.parent === parent.id),
              })}
          >
            {count > 0 ? `${node.name} · ${counted(count, 'override')} here` : node.name}
          </Grip>
          {hasDrawnEdge(props.site, page, node, view) && (
            <EdgeGrip
              site={props.site}
              page={page}
              node={node}
              view={view}
              sheet={props.sheet}
              scale={props.scale}
              width={box.width}
              height={box.height}
            />
          )}
          {parent &&
            !hasTrait(parent, 'overlaying') &&
            takesColumns(page, node) &&
            !isOpened(props.site, page, node, view) && (
              <SpanGrips
                site={props.site}
                page={page}
                node={node}
                row={parent}
                nodes={selected.filter((id) => page.nodes[id] && takesColumns(page, page.nodes[id]))}
                view={view}
                sheet={props.sheet}
                scale={props.scale}
              />
            )}
        </Box>
      )}
    </Box>
  );
}
