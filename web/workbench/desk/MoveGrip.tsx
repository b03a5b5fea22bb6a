import {
  isAtEdge,
  lookup,
  type Node,
  type Page,
  sequenceIn,
  type SiteFrame,
  sure,
  type ViewId,
  viewOf,
} from '../../../core/index.ts';
import { Box, ListSubheader, Menu, MenuItem } from '@mui/material';
import { useState, type KeyboardEvent, type PointerEvent } from 'react';
import { boxIn, type SheetDocument } from '../../page/sheetdocument.ts';
import { placeFreely } from '../block/measured.ts';
import { documents, openPage } from '../../state/documents.ts';
import { edit } from '../../state/edits.ts';
import { useAppDispatch, type Thunk } from '../../state/store.ts';
import { putInSequence } from '../../state/sequence.ts';
import { draw } from '../../ui/draw.ts';
import { coral, sun } from '../../ui/theme.ts';
import { OrderQuestion } from '../ledger/outline/DropMark.tsx';
import { useMove } from '../ledger/outline/useMove.ts';
import { NameTag, type TagSide } from './NameTag.tsx';
import { dropAt, freelyAt, type SheetDrop } from './sheetdrop.ts';

interface MoveGripProps {
  site: SiteFrame;
  page: Page;
  node: Node;
  view: ViewId;
  sheet: SheetDocument;
  scale: number;
  side: TagSide;
  /** Screen px from the selection's left side to the edge of the sheet. */
  room: number;
  children: string;
}

/** A drop that can mean two things, and where it was made, px of the window. */
interface Offered {
  drop: SheetDrop;
  at: { left: number; top: number };
}

/** The name over a selected block, by which it is dragged: among what it stands among in the sheet's view, or into another container. */
export function MoveGrip({ site, page, node, view, sheet, scale, side, room, children }: MoveGripProps) {
  const dispatch = useAppDispatch();
  const moving = useMove(site, page);
  const [drop, setDrop] = useState<SheetDrop | null>(null);
  const [offered, setOffered] = useState<Offered | null>(null);
  const movable = node.parent !== null && !isAtEdge(node.kind);

  const meant = (event: { clientX: number; clientY: number; altKey: boolean }, press: Offered['at']) => {
    const dragged = { site, page, node, view, sheet };
    if (event.altKey)
      return freelyAt(dragged, {
        x: (event.clientX - press.left) / scale,
        y: (event.clientY - press.top) / scale,
      });
    const frame = sure(sure(sheet.document.defaultView, 'defaultView').frameElement).getBoundingClientRect();
    const point = { x: (event.clientX - frame.left) / scale, y: (event.clientY - frame.top) / scale };
    return dropAt(dragged, point);
  };
  const put = (goal: SheetDrop, at: Offered['at']) => {
    if (goal.free && goal.fault !== undefined)
      dispatch(documents.actions.refusedEdit(`${goal.fault} Nothing was changed.`));
    else if (goal.free) void dispatch(placeFreely({ node: node.id, view, ...goal.free }));
    else if (goal.order) dispatch(putInSequence(node.id, goal.order.sequence, view, goal.order.place));
    else if (goal.interleave) setOffered({ drop: goal, at });
    else if (goal.move) moving.request([node.id], goal.move, goal.fault !== undefined);
  };
  const down = (press: PointerEvent<HTMLElement>) => {
    if (!movable) return;
    const from = { left: press.clientX, top: press.clientY };
    let goal: SheetDrop | null = null;
    const show = (next: SheetDrop | null) => {
      goal = next;
      setDrop(next);
    };
    draw(press, {
      move: (event) => show(meant(event, from) ?? null),
      end: (event) => {
        if (goal) put(goal, { left: event.clientX, top: event.clientY });
        show(null);
      },
      cancel: () => show(null),
    });
  };

  /** Keys may come faster than what they did is shown. */
  const latest: Thunk<ReturnType<typeof sequenceIn>> = (_dispatch, getState) => {
    const open = sure(openPage(getState()));
    return sequenceIn(open.site, open.page, open.page.nodes[node.id], view);
  };
  /** The arrows by one, Home and End to the first and the last place. */
  const keys = (event: KeyboardEvent) => {
    const sequence = dispatch(latest);
    if (!sequence) return;
    const { order } = sequence;
    const at = order.indexOf(node.id);
    const goals: Record<string, number | undefined> = {
      ArrowUp: at - 1,
      ArrowLeft: at - 1,
      ArrowDown: at + 1,
      ArrowRight: at + 1,
      Home: 0,
      End: order.length - 1,
    };
    const goal = lookup(goals, event.key);
    if (goal === undefined) return;
    event.preventDefault();
    dispatch(putInSequence(node.id, sequence, view, Math.max(0, Math.min(order.length - 1, goal))));
  };
  const interleave = ({ drop: { interleave: goal } }: Offered) => {
    setOffered(null);
    if (goal) dispatch(edit('interleaveParts', { ...goal, node: node.id, view, reach: 'here' }));
  };
  const move = ({ drop: { move: goal } }: Offered) => {
    setOffered(null);
    if (goal) moving.request([node.id], goal);
  };

  return (
    <>
      <NameTag
        side={side}
        room={room}
        drawing={drop !== null}
        onPointerDown={down}
        onKeyDown={keys}
        label={movable ? `${children}, move` : undefined}
        title={movable ? 'Drag to move, with Alt freely, or use the arrow keys' : undefined}
      >
        {children}
      </NameTag>
      {drop && <InsertionMark own={boxIn(sheet.elementOf(node.id))} drop={drop} scale={scale} room={room} />}
      {offered && (
        <Menu
          open
          onClose={() => setOffered(null)}
          anchorReference="anchorPosition"
          anchorPosition={offered.at}
          slotProps={{ list: { 'aria-label': `Where ${node.name} goes` } }}
        >
          <ListSubheader>{node.name}</ListSubheader>
          <MenuItem autoFocus onClick={() => interleave(offered)}>
            Interleave columns in {viewOf(site.views, view).name}; other views stay
          </MenuItem>
          <MenuItem onClick={() => move(offered)}>
            Move into {page.nodes[sure(offered.drop.move).parent].name} in every view
          </MenuItem>
        </Menu>
      )}
      {moving.question && <OrderQuestion page={page} question={moving.question} onAnswer={moving.answer} />}
    </>
  );
}

interface MarkProps {
  own: DOMRect | null;
  drop: SheetDrop;
  scale: number;
  /** Screen px from the block's left side to the edge of the sheet, where what is drawn ends. */
  room: number;
}

/** px; the words of a place have at least so much. */
const LEAST_WORDS = 160;

/** Where a block would go, drawn from the frame of the block, and what comes of it in words. */
function InsertionMark({ own, drop, scale, room }: MarkProps) {
  if (!own) return null;
  const { line, sentence, fault, free } = drop;
  const [left, top] = [(line.left - own.left) * scale, (line.top - own.top) * scale];
  return (
    <>
      <Box
        sx={{
          position: 'absolute',
          borderRadius: 1,
          pointerEvents: 'none',
          ...(free ? { outline: `2px dashed ${fault ? coral : sun}` } : { bgcolor: fault ? coral : sun }),
        }}
        style={{
          left,
          top,
          width: Math.max(4, line.width * scale),
          height: Math.max(4, line.height * scale),
        }}
      />
      <div
        className="drop-words"
        role="status"
        style={{ left, top: top + 8, maxWidth: Math.max(LEAST_WORDS, room - left) }}
      >
        {sentence}
      </div>
    </>
  );
}
