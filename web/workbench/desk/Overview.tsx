import {
  inRowIn,
  isOnAllPages,
  isShown,
  type NodeId,
  type Page,
  type Preview,
  type SiteFrame,
  sure,
  type View,
  type ViewId,
} from '../../../core/index.ts';
import { Box, IconButton, Typography } from '@mui/material';
import { Eye } from 'lucide-react';
import { useLayoutEffect, useMemo, useState, type PointerEvent } from 'react';
import { selected as select, viewChosen } from '../../state/desk.ts';
import { edit } from '../../state/edits.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { EMPTY_SHEET, type SheetContent } from '../../page/sheetdocument.ts';
import { boxIn } from '../../page/sheetdocument.ts';
import { useSheet } from '../../page/useSheet.ts';
import { draw, DRAGGED } from '../../ui/draw.ts';
import { useMeasuredWidth } from '../../ui/measuredwidth.ts';
import { petrol, quiet, raised, sun } from '../../ui/theme.ts';
import { OrderQuestion } from '../ledger/outline/DropMark.tsx';
import { useMove } from '../ledger/outline/useMove.ts';
import { moveBehind } from '../../state/sequence.ts';
import { insertionAt } from './insertion.ts';
import { SectionMark, Tools } from './SectionMark.tsx';

/** px; between the columns. */
const GAP = 16;

/** px, and the share of a column, for the names of sections, which stand beside them. */
const NAMES = { least: 52, most: 130, share: 0.34 };

interface OverviewProps {
  site: SiteFrame;
  page: Page;
  content: Preview;
  active: ViewId;
}

/** A page as its sections, small, in every view beside each other: to order, hide, copy and delete them, and to go to one. */
export function Overview({ site, page, content, active }: OverviewProps) {
  const dispatch = useAppDispatch();
  const room = useMeasuredWidth();
  const move = useMove(site, page);
  const views = [...site.views.list].reverse();
  const column = (room.width - GAP * (views.length - 1)) / views.length;
  const names = Math.round(Math.max(NAMES.least, Math.min(NAMES.most, column * NAMES.share)));
  const across = Math.max(60, column - names);
  return (
    <div role="region" aria-label="Overview" className="desk-sheets" tabIndex={0}>
      <div ref={room.ref} style={{ display: 'flex', gap: GAP, alignItems: 'flex-start' }}>
        {views.map((view) => (
          <Column
            key={view.id}
            site={site}
            page={page}
            content={content}
            view={view}
            across={across}
            names={names}
            active={view.id === active}
            onMove={(id, place) =>
              view.id === site.views.base
                ? move.request([id], { parent: page.root, after: place.after })
                : dispatch(moveBehind(id, view.id, place.after))
            }
          />
        ))}
      </div>
      {move.question && <OrderQuestion page={page} question={move.question} onAnswer={move.answer} />}
    </div>
  );
}

interface ColumnProps extends Omit<OverviewProps, 'active'> {
  view: View;
  /** px on screen. */
  across: number;
  /** px on screen for the names beside it. */
  names: number;
  active: boolean;
  /** Moves a section behind another, null: before all; in the order of the view, or, under the base, in that of the source. */
  onMove(id: NodeId, place: { after: NodeId | null }): void;
}

interface SectionBox {
  id: NodeId;
  /** px of the page. */
  top: number;
  height: number;
}

function Column({ site, page, content, view, across, names, active, onMove }: ColumnProps) {
  const dispatch = useAppDispatch();
  const lead = useAppSelector((state) => state.desk.selected.at(-1));
  const shown = useMemo<SheetContent>(() => ({ preview: content, ghosts: [] }), [content]);
  const { frame, sheet, height, moved, loaded } = useSheet(shown, false);
  const scale = across / view.sheet.width;
  const [boxes, setBoxes] = useState<SectionBox[]>([]);
  const [line, setLine] = useState<number | null>(null);
  const order = inRowIn(site, page, page.nodes[page.root], view.id);
  const key = order.join(' ');
  useLayoutEffect(() => {
    if (!sheet) return;
    setBoxes(
      (key === '' ? [] : (key.split(' ') as NodeId[])).flatMap((id) => {
        const box = boxIn(sheet.elementOf(id));
        return box ? [{ id, top: box.top, height: box.height }] : [];
      }),
    );
  }, [sheet, key, moved]);
  const hidden = order.filter((id) => !isShown(site, page, page.nodes[id], view.id));
  const choose = (id: NodeId) => {
    dispatch(select(id));
    if (!active) dispatch(viewChosen(site.views, view.id));
  };

  /** Draws a section to another place among those that show here; let go, it stands behind the one before that place. */
  const down = (press: PointerEvent<HTMLElement>, id: NodeId) => {
    if (press.button !== 0 || isOnAllPages(id)) return;
    const others = boxes.filter((box) => box.id !== id);
    let place: number | null = null;
    draw(press, {
      after: DRAGGED,
      move(event) {
        const at = sure(frame.current, 'current').getBoundingClientRect();
        const pointer = { x: 1, y: (event.clientY - at.top) / scale };
        const found = insertionAt(
          others.map(({ top, height: tall }) => ({ left: 0, top, width: view.sheet.width, height: tall })),
          pointer,
        );
        place = found?.place ?? null;
        setLine(found ? found.line.top : null);
      },
      end() {
        setLine(null);
        if (place !== null) onMove(id, { after: others[place - 1]?.id ?? null });
      },
      cancel: () => setLine(null),
    });
  };

  return (
    <Box
      component="section"
      aria-label={`Overview: ${view.name}`}
      sx={{ width: across + names, flex: 'none' }}
    >
      <Typography
        noWrap
        title={view.name}
        sx={{ fontSize: 13, fontWeight: 700, lineHeight: 1.3, color: active ? petrol : 'text.primary' }}
      >
        {view.name}
      </Typography>
      <Typography noWrap sx={{ fontSize: 12, lineHeight: 1.3, color: quiet, mb: 0.75 }}>
        {Math.round(height).toLocaleString('en-GB')} px tall
      </Typography>
      <Box
        sx={{
          position: 'relative',
          ml: `${names}px`,
          bgcolor: raised,
          boxShadow: '0 2px 8px rgb(35 33 28 / .2)',
          height: height * scale,
        }}
      >
        <Box sx={{ height: '100%', overflow: 'hidden' }}>
          <iframe
            ref={frame}
            inert
            tabIndex={-1}
            title={`The whole page in ${view.name}`}
            sandbox="allow-same-origin"
            srcDoc={EMPTY_SHEET}
            onLoad={loaded}
            style={{
              width: view.sheet.width,
              height: Math.ceil(height),
              border: 0,
              pointerEvents: 'none',
              transform: `scale(${scale})`,
              transformOrigin: '0 0',
            }}
          />
        </Box>
        {boxes.map(({ id, top, height: tall }) => (
          <SectionMark
            key={id}
            name={page.nodes[id].name}
            view={view}
            top={top * scale}
            height={tall * scale}
            tall={tall}
            beside={names}
            selected={id === lead}
            onPress={(press) => down(press, id)}
            onChoose={() => choose(id)}
          >
            {id === lead && active && (
              <Tools
                page={page}
                id={id}
                view={view}
                where={view.id === site.views.base ? 'in every view' : `in ${view.name}`}
                shown={boxes.map((box) => box.id)}
                onMove={onMove}
                inside={tall * scale > 44}
              />
            )}
          </SectionMark>
        ))}
        {line !== null && (
          <Box
            sx={{ position: 'absolute', insetInline: 0, height: 4, bgcolor: sun, pointerEvents: 'none' }}
            style={{ top: line * scale }}
          />
        )}
      </Box>
      {hidden.length > 0 && (
        <Box sx={{ mt: 1 }}>
          <Typography sx={{ fontSize: 11.5, color: quiet }}>Not shown in {view.name}</Typography>
          {hidden.map((id) => (
            <Box key={id} sx={{ display: 'flex', alignItems: 'center' }}>
              <Box
                component="button"
                type="button"
                onClick={() => choose(id)}
                sx={{ ...PLAIN, flex: 1, fontSize: 12, fontWeight: id === lead ? 700 : 400 }}
              >
                {page.nodes[id].name}
              </Box>
              <IconButton
                size="small"
                aria-label={`Show ${page.nodes[id].name} in ${view.name}`}
                title={`Show in ${view.name}`}
                onClick={() => dispatch(edit('showInViews', { nodes: [id], shown: true, views: [view.id] }))}
              >
                <Eye size={13} />
              </IconButton>
            </Box>
          ))}
        </Box>
      )}
    </Box>
  );
}

const PLAIN = {
  border: 0,
  p: 0,
  minWidth: 0,
  bgcolor: 'transparent',
  textAlign: 'start',
  overflow: 'hidden',
  textOverflow: 'ellipsis',
  whiteSpace: 'nowrap',
  color: 'inherit',
  cursor: 'pointer',
} as const;
