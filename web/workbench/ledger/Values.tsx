import { Box, IconButton, Tooltip, Typography } from '@mui/material';
import { ArrowDownUp } from 'lucide-react';
import { useCallback, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import {
  kindOf,
  PROPERTY_GROUPS,
  textStyleOf,
  wouldReach,
  ownLayered,
  viewOf,
  type EditReach,
  type Node,
  type NodeId,
  type Page,
  type SiteFrame,
  type ViewId,
} from '../../../core/index.ts';
import { edit } from '../../state/edits.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { line, quiet, shade } from '../../ui/theme.ts';
import { ValueCard } from '../editors/ValueCard.tsx';
import { ActiveColumn } from './ActiveColumn.tsx';
import { contextOf, describeTrace, valueCells, valueRows, type ValueCell, type ValueRow } from './cells.ts';
import { columnsOf, gridColumns } from './columns.ts';
import { InlineEditor } from './InlineEditor.tsx';
import { ReachChoice } from './ReachChoice.tsx';
import { SameInEveryView } from './SameInEveryView.tsx';
import { ValueCellView } from './ValueCellView.tsx';

interface Place {
  row: number;
  column: number;
}

/** What is open in the table: typing in a cell, or the card below it. */
type Opened = { at: Place; how: 'typing'; text: string } | { at: Place; how: 'card'; anchor: HTMLElement };

/** The value last copied, with the editor it suits. It outlives the table, so that it can be pasted on another element. */
let copied: { property: string; value: unknown } | null = null;

const typed = (event: KeyboardEvent): boolean =>
  event.key.length === 1 && event.key !== ' ' && !event.ctrlKey && !event.metaKey && !event.altKey;

/** Turns an order round in the active view. */
function ReverseButton({ name, onClick }: { name: string; onClick: () => void }) {
  return (
    <Tooltip title={name}>
      <IconButton size="small" aria-label={name} onClick={onClick} sx={{ p: 0.5 }}>
        <ArrowDownUp size={15} />
      </IconButton>
    </Tooltip>
  );
}

/** The selected element's properties, a row each, in the columns of the views. */
export function Values({
  site,
  page,
  node,
  active,
}: {
  site: SiteFrame;
  page: Page;
  node: Node;
  active: ViewId;
}) {
  const dispatch = useAppDispatch();
  const reach = useAppSelector((state) => state.editor.reach);
  const columns = columnsOf(site);
  const rows = useMemo(
    () => valueRows(page, node).map((row) => ({ row, cells: valueCells(site, page, row) })),
    [site, page, node],
  );
  const [focus, setFocus] = useState<Place>({
    row: 0,
    column: columns.findIndex((view) => view.id === active),
  });
  const [opened, setOpened] = useState<Opened | null>(null);
  const [pointed, setPointed] = useState<Place | null>(null);
  const grid = useRef<HTMLDivElement>(null);

  const place: Place = { row: Math.min(focus.row, rows.length - 1), column: focus.column };
  const cellAt = (at: Place): { row: ValueRow; cell: ValueCell } => ({
    row: rows[at.row].row,
    cell: rows[at.row].cells[at.column],
  });
  const elementAt = (at: Place) =>
    grid.current?.querySelector<HTMLElement>(`[data-value-row="${at.row}"] [data-column="${at.column}"]`) ??
    null;
  const close = useCallback(() => {
    setOpened((before) => {
      if (before) requestAnimationFrame(() => elementAt(before.at)?.focus());
      return null;
    });
  }, []);

  const target = (at: Place) => {
    const { row, cell } = cellAt(at);
    return { nodes: [row.holder.id] as NodeId[], property: row.property.name, view: cell.view.id };
  };
  const set = (at: Place, value: unknown, wanted: EditReach = reach) =>
    dispatch(edit('setValue', { ...target(at), value, reach: wanted }));
  const clear = (at: Place) => dispatch(edit('clearValue', target(at)));
  const commitText = (at: Place, text: string, wanted: EditReach): string | undefined => {
    const { row, cell } = cellAt(at);
    const parsed = row.property.type.parse(text, contextOf(site, row, cell.view, wanted));
    if (!parsed.ok) return parsed.sentence;
    set(at, parsed.value, wanted);
    return undefined;
  };
  const open = (at: Place, text?: string) => {
    const { row, cell } = cellAt(at);
    if (text === undefined && row.property.type.editor !== 'number') {
      const anchor = elementAt(at);
      if (anchor) setOpened({ at, how: 'card', anchor });
    } else setOpened({ at, how: 'typing', text: text ?? row.property.type.format(cell.value, { site }) });
  };
  const go = (at: Place) => {
    const next = {
      row: Math.max(0, Math.min(rows.length - 1, at.row)),
      column: Math.max(0, Math.min(columns.length - 1, at.column)),
    };
    setFocus(next);
    elementAt(next)?.focus();
  };
  const changeReach = (at: Place, wanted: 'here' | 'onward') =>
    dispatch(edit('setReach', { ...target(at), reach: wanted }));

  const keys = (event: KeyboardEvent) => {
    if (opened || !(event.target as HTMLElement).matches('[role=gridcell]')) return;
    const { row, cell } = cellAt(place);
    const command = event.ctrlKey || event.metaKey;
    const key = event.key.toLowerCase();
    const move = (down: number, across: number) =>
      go({ row: place.row + down, column: place.column + across });
    if (command && key === 'c') {
      copied = { property: row.property.name, value: cell.value };
      void navigator.clipboard?.writeText(cell.text).catch(() => undefined);
    } else if (command && key === 'v') {
      if (copied && copied.property === row.property.name) set(place, copied.value);
      else if (copied) commitText(place, String(copied.value), reach);
    } else if (event.altKey && (key === 'arrowright' || key === 'arrowleft')) {
      changeReach(place, key === 'arrowright' ? 'onward' : 'here');
    } else if (key === 'arrowdown') move(1, 0);
    else if (key === 'arrowup') move(-1, 0);
    else if (key === 'arrowright') move(0, 1);
    else if (key === 'arrowleft') move(0, -1);
    else if (key === 'home') go({ row: place.row, column: 0 });
    else if (key === 'end') go({ row: place.row, column: columns.length - 1 });
    else if (key === 'enter' || key === 'f2') open(place);
    else if (key === 'delete' || key === 'backspace') clear(place);
    else if (typed(event)) open(place, event.key);
    else return;
    event.preventDefault();
  };

  /** The cells that an edit at the focus would change. */
  const aimed = useMemo(() => {
    const at = rows[place.row];
    if (!at || !grid.current?.contains(document.activeElement)) return new Set<ViewId>();
    return new Set(
      wouldReach(
        ownLayered(at.row.holder, 'self', at.row.property),
        site.views,
        at.cells[place.column].view.id,
        reach,
      ),
    );
  }, [rows, place.row, place.column, reach, site.views]);

  const told = pointed && rows[pointed.row] ? pointed : rows[place.row] ? place : null;
  const card = opened?.how === 'card' ? opened : null;
  const carded = card && cellAt(card.at);
  const style = textStyleOf(node, site);

  return (
    <Box
      component="section"
      aria-label={`Values of ${node.name}`}
      sx={{ height: '100%', display: 'flex', flexDirection: 'column', bgcolor: 'background.paper' }}
    >
      <Box
        sx={{
          flex: 'none',
          display: 'flex',
          alignItems: 'center',
          gap: 1,
          px: 1.25,
          height: 40,
          bgcolor: shade,
          borderBottom: `1px solid ${line}`,
          borderTop: `1px solid ${line}`,
        }}
      >
        <Typography
          component="h2"
          noWrap
          sx={{ fontSize: 13, fontWeight: 700, minWidth: 0, flexShrink: 1 }}
          title={node.name}
        >
          {node.name}
        </Typography>
        <Typography noWrap sx={{ fontSize: 12, color: quiet, flex: 1, minWidth: 30 }}>
          {style?.name ?? kindOf(node.kind)!.label}
        </Typography>
        <Typography sx={{ fontSize: 12, color: quiet }}>Reach</Typography>
        <ReachChoice />
      </Box>
      <Box
        sx={{ flex: 1, overflowY: 'auto', scrollbarGutter: 'stable', scrollbarWidth: 'thin', minHeight: 0 }}
        onPointerLeave={() => setPointed(null)}
      >
        <Box sx={{ position: 'relative', minHeight: '100%' }}>
          <ActiveColumn site={site} view={active} />
          <Box ref={grid} role="grid" aria-label={`Values of ${node.name}`} onKeyDown={keys}>
            {PROPERTY_GROUPS.map((group) => {
              const inGroup = rows
                .map((entry, index) => ({ ...entry, index }))
                .filter(({ row }) => row.property.group === group.id);
              if (inGroup.length === 0) return null;
              return (
                <Box key={group.id} role="rowgroup" aria-label={group.label}>
                  <Typography
                    aria-hidden
                    sx={{
                      fontSize: 11,
                      fontWeight: 700,
                      letterSpacing: '.06em',
                      textTransform: 'uppercase',
                      color: quiet,
                      px: 1.25,
                      pt: 1,
                      pb: 0.25,
                    }}
                  >
                    {group.label}
                  </Typography>
                  {inGroup.map(({ row, cells, index }) => (
                    <Box
                      key={row.key}
                      role="row"
                      data-value-row={index}
                      sx={{
                        display: 'grid',
                        gridTemplateColumns: gridColumns(site),
                        alignItems: 'center',
                        borderBottom: '1px solid #ece5d7',
                      }}
                    >
                      <Box
                        role="rowheader"
                        sx={{
                          px: 1.25,
                          fontSize: 13,
                          whiteSpace: 'nowrap',
                          overflow: 'hidden',
                          textOverflow: 'ellipsis',
                          display: 'flex',
                          alignItems: 'center',
                        }}
                      >
                        <span style={{ flex: 1 }}>{row.label}</span>
                        {row.property.onChildren && (
                          <ReverseButton
                            name={`Reverse the order of ${row.holder.name} in ${viewOf(site.views, active).name}`}
                            onClick={() =>
                              dispatch(edit('reverseOrder', { node: row.holder.id, view: active, reach }))
                            }
                          />
                        )}
                      </Box>
                      {cells.map((cell, column) => {
                        const at = { row: index, column };
                        const here = index === place.row && column === place.column;
                        const typing =
                          opened?.how === 'typing' && opened.at.row === index && opened.at.column === column
                            ? opened
                            : null;
                        return (
                          <ValueCellView
                            key={cell.view.id}
                            site={site}
                            row={row}
                            cell={cell}
                            column={column}
                            focused={here}
                            aimed={index === place.row && !here && aimed.has(cell.view.id)}
                            onFocus={() => (index !== focus.row || column !== focus.column) && setFocus(at)}
                            onOpen={() => open(at)}
                            onPoint={() => setPointed(at)}
                            onReach={(wanted) => changeReach(at, wanted)}
                          >
                            {typing && (
                              <InlineEditor
                                label={`${row.label} in ${cell.view.name}`}
                                type={row.property.type}
                                initial={typing.text}
                                reach={reach}
                                onCommit={(text, wanted) => commitText(at, text, wanted)}
                                onClose={close}
                              />
                            )}
                          </ValueCellView>
                        );
                      })}
                    </Box>
                  ))}
                </Box>
              );
            })}
          </Box>
          <SameInEveryView page={page} node={node} />
        </Box>
      </Box>
      <Typography
        role="status"
        aria-label="Trace"
        sx={{
          flex: 'none',
          px: 1.25,
          py: 0.5,
          minHeight: 40,
          fontSize: 12,
          lineHeight: '16px',
          color: quiet,
          borderTop: `1px solid ${line}`,
          bgcolor: shade,
        }}
      >
        {told && describeTrace(site, page, rows[told.row].row, rows[told.row].cells[told.column])}
      </Typography>
      {card && carded && (
        <ValueCard
          anchor={card.anchor}
          site={site}
          row={carded.row}
          cell={carded.cell}
          context={contextOf(site, carded.row, carded.cell.view, reach)}
          reach={reach}
          onSet={(value, wanted) => set(card.at, value, wanted)}
          onClose={close}
          onClear={
            carded.cell.state === 'own' || carded.cell.state === 'base'
              ? () => (clear(card.at), close())
              : undefined
          }
        />
      )}
    </Box>
  );
}
