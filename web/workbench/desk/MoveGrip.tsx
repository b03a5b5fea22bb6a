import {
  inRow,
  inRowIn,
  isAtEdge,
  lookup,
  moveTo,
  type Node,
  type NodeId,
  type Page,
  same,
  type SiteFrame,
  sure,
  type ViewId,
} from '../../../core/index.ts';
import { Box } from '@mui/material';
import { useState, type KeyboardEvent, type PointerEvent } from 'react';
import { openPage } from '../../state/documents.ts';
import { edit } from '../../state/edits.ts';
import { useAppDispatch, useAppSelector, type Thunk } from '../../state/store.ts';
import { draw } from '../../ui/draw.ts';
import { sun } from '../../ui/theme.ts';
import { NameTag } from './NameTag.tsx';
import { insertionAt, type Insertion } from './insertion.ts';
import type { SheetDocument } from '../../page/sheetdocument.ts';

interface MoveGripProps {
  site: SiteFrame;
  page: Page;
  node: Node;
  view: ViewId;
  sheet: SheetDocument;
  scale: number;
  /** Whether the label stands inside the frame of the selection, for want of room above. */
  inside: boolean;
  /** Screen px from the selection's left side to the edge of the sheet. */
  room: number;
  children: string;
}

/** The name over a selected block, by which it is drawn to another place among its siblings in the sheet's view. */
export function MoveGrip({ site, page, node, view, sheet, scale, inside, room, children }: MoveGripProps) {
  const dispatch = useAppDispatch();
  const reach = useAppSelector((state) => state.desk.reach);
  const [insertion, setInsertion] = useState<Insertion | null>(null);
  const parent = node.parent === null ? undefined : page.nodes[node.parent];
  const movable = parent !== undefined && inRow(page, parent).length > 1 && !isAtEdge(node.kind);

  /** The siblings that show in this view, without the block itself, in their order. */
  const siblings = (): { id: NodeId; box: DOMRect }[] =>
    inRowIn(site, page, sure(parent, 'parent'), view).flatMap((id) => {
      const element = id === node.id ? null : sheet.elementOf(id);
      return element && element.getClientRects().length > 0
        ? [{ id, box: element.getBoundingClientRect() }]
        : [];
    });

  const meant = (event: { clientX: number; clientY: number }) => {
    const frame = sure(sure(sheet.document.defaultView, 'defaultView').frameElement).getBoundingClientRect();
    const pointer = { x: (event.clientX - frame.left) / scale, y: (event.clientY - frame.top) / scale };
    return (
      insertionAt(
        siblings().map(({ box }) => box),
        pointer,
      ) ?? null
    );
  };
  const put = (place: number) => {
    const order = inRowIn(site, page, sure(parent, 'parent'), view);
    const next = siblings()[place];
    const rest = order.filter((id) => id !== node.id);
    const value = moveTo(order, node.id, next ? rest.indexOf(next.id) : rest.length);
    if (!same(value, order))
      dispatch(
        edit('setValue', { nodes: [sure(parent, 'parent').id], property: 'order', view, value, reach }),
      );
  };
  const down = (press: PointerEvent<HTMLElement>) => {
    if (!movable) return;
    let goal: Insertion | null = null;
    const show = (next: Insertion | null) => {
      goal = next;
      setInsertion(next);
    };
    draw(press, {
      move: (event) => show(meant(event)),
      end: () => {
        if (goal) put(goal.place);
        show(null);
      },
      cancel: () => show(null),
    });
  };

  /** Keys may come faster than what they did is shown. */
  const latest: Thunk<NodeId[]> = (_dispatch, getState) => {
    const open = sure(openPage(getState()));
    return inRowIn(open.site, open.page, open.page.nodes[sure(parent, 'parent').id], view);
  };
  /** The arrows by one, Home and End to the first and the last place. */
  const keys = (event: KeyboardEvent) => {
    const order = dispatch(latest);
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
    const value = moveTo(order, node.id, Math.max(0, Math.min(order.length - 1, goal)));
    if (!same(value, order))
      dispatch(
        edit('setValue', { nodes: [sure(parent, 'parent').id], property: 'order', view, value, reach }),
      );
  };

  return (
    <>
      <NameTag
        inside={inside}
        room={room}
        drawing={insertion !== null}
        onPointerDown={down}
        onKeyDown={keys}
        label={movable ? `${children}, move` : undefined}
        title={movable ? 'Drag to move, or use the arrow keys' : undefined}
      >
        {children}
      </NameTag>
      {insertion && (
        <InsertionMark own={sheet.elementOf(node.id)?.getBoundingClientRect()} at={insertion} scale={scale} />
      )}
    </>
  );
}

/** Where a block would go, drawn from the frame of the block. */
function InsertionMark({ own, at, scale }: { own?: DOMRect; at: Insertion; scale: number }) {
  if (!own) return null;
  return (
    <Box
      sx={{ position: 'absolute', bgcolor: sun, borderRadius: 1, pointerEvents: 'none' }}
      style={{
        left: (at.line.left - own.left) * scale,
        top: (at.line.top - own.top) * scale,
        width: Math.max(4, at.line.width * scale),
        height: Math.max(4, at.line.height * scale),
      }}
    />
  );
}
