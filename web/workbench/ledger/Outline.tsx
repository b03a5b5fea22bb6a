import { Box, Typography } from '@mui/material';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { isShown, viewOf, type NodeId, type Page, type SiteFrame, type ViewId } from '../../../core/index.ts';
import { selected as select } from '../../state/editor.ts';
import { edit } from '../../state/edits.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { quiet } from '../../ui/theme.ts';
import { ActiveColumn } from './ActiveColumn.tsx';
import { columnsOf } from './columns.ts';
import { Differences } from './Differences.tsx';
import { isFiltering, NO_FILTER, passing } from './filter.ts';
import { ancestorsOf, outlineRows } from './outline.ts';
import { OutlineBar, type OutlineMode } from './OutlineBar.tsx';
import { OutlineRowView } from './OutlineRowView.tsx';

/** Where the keyboard is: a row, and a column (-1 for the name). */
interface Cursor {
  id: NodeId;
  column: number;
}

/** The tree of elements with a tile a view. Arrows walk, Space shows and hides, F2 renames. */
export function Outline({ site, page, active }: { site: SiteFrame; page: Page; active: ViewId }) {
  const dispatch = useAppDispatch();
  const selected = useAppSelector((state) => state.editor.selected);
  const reach = useAppSelector((state) => state.editor.reach);
  const [folded, setFolded] = useState<ReadonlySet<NodeId>>(new Set());
  const [cursor, setCursor] = useState<Cursor>({ id: page.root, column: -1 });
  const [renaming, setRenaming] = useState<NodeId | null>(null);
  const grid = useRef<HTMLDivElement>(null);
  const columns = columnsOf(site);
  const [filter, setFilter] = useState(NO_FILTER);
  const [mode, setMode] = useState<OutlineMode>('tree');
  const found = useMemo(
    () => (isFiltering(filter) ? passing(site, page, active, filter) : null),
    [site, page, active, filter],
  );
  const rows = useMemo(() => outlineRows(page, folded, found?.shown), [page, folded, found]);
  const at = Math.max(
    0,
    rows.findIndex((row) => row.node.id === cursor.id),
  );

  // What is selected in a sheet comes into view here.
  useEffect(() => {
    if (!selected) return;
    const above = ancestorsOf(page, selected);
    setFolded((before) =>
      above.some((id) => before.has(id)) ? new Set([...before].filter((id) => !above.includes(id))) : before,
    );
    setCursor((before) => (before.id === selected ? before : { id: selected, column: -1 }));
    requestAnimationFrame(() =>
      grid.current?.querySelector('[aria-selected="true"]')?.scrollIntoView({ block: 'nearest' }),
    );
    // Only a new selection moves the outline; an edit of the page must not.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [selected]);

  const focusCell = (id: NodeId, column: number) =>
    requestAnimationFrame(() =>
      grid.current
        ?.querySelector<HTMLElement>(`[data-row="${CSS.escape(id)}"] [data-column="${column}"]`)
        ?.focus(),
    );
  const go = (id: NodeId, column: number) => {
    setCursor({ id, column });
    dispatch(select(id));
    focusCell(id, column);
  };
  const fold = (id: NodeId, closed: boolean) =>
    setFolded((before) => {
      const next = new Set(before);
      if (closed) next.add(id);
      else next.delete(id);
      return next;
    });
  const toggleShown = (id: NodeId, view: ViewId) => {
    const value = !isShown(site, page, page.nodes[id], view);
    dispatch(edit('setValue', { nodes: [id], property: 'shown', view, value, reach }));
  };
  const rename = (id: NodeId, name: string | null) => {
    setRenaming(null);
    if (name !== null) dispatch(edit('rename', { node: id, name }));
    focusCell(id, -1);
  };

  const keys = (event: KeyboardEvent) => {
    if (renaming || event.ctrlKey || event.metaKey || event.altKey) return;
    const { node, expanded } = rows[at];
    const { column } = cursor;
    const right = () => {
      if (column === -1 && expanded === false) fold(node.id, false);
      else if (column < columns.length - 1) go(node.id, column + 1);
    };
    const left = () => {
      if (column > -1) go(node.id, column - 1);
      else if (expanded) fold(node.id, true);
      else if (node.parent) go(node.parent, -1);
    };
    const actions: Record<string, (() => void) | undefined> = {
      ArrowDown: () => rows[at + 1] && go(rows[at + 1].node.id, column),
      ArrowUp: () => rows[at - 1] && go(rows[at - 1].node.id, column),
      Home: () => go(rows[0].node.id, column),
      End: () => go(rows.at(-1)!.node.id, column),
      ArrowRight: right,
      ArrowLeft: left,
      Enter: () => go(node.id, column),
      ' ': () => (column >= 0 ? toggleShown(node.id, columns[column].id) : go(node.id, column)),
      F2: () => setRenaming(node.id),
    };
    const action = actions[event.key];
    if (!action) return;
    event.preventDefault();
    action();
  };

  return (
    <Box sx={{ height: '100%', display: 'flex', flexDirection: 'column', bgcolor: 'background.paper' }}>
      <OutlineBar
        mode={mode}
        filter={filter}
        viewName={viewOf(site.views, active).name}
        onMode={setMode}
        onFilter={setFilter}
      />
      {mode === 'differences' ? (
        <Differences site={site} page={page} active={active} text={filter.text} />
      ) : (
        <Box
          sx={{ flex: 1, minHeight: 0, overflowY: 'auto', scrollbarGutter: 'stable', scrollbarWidth: 'thin' }}
        >
          {rows.length === 0 && (
            <Typography sx={{ p: 3, color: quiet, textAlign: 'center' }}>No element matches.</Typography>
          )}
          <Box
            ref={grid}
            role="treegrid"
            aria-label="Outline"
            onKeyDown={keys}
            sx={{ position: 'relative', minHeight: '100%' }}
          >
            <ActiveColumn site={site} view={active} />
            {rows.map((row) => (
              <OutlineRowView
                key={row.node.id}
                site={site}
                page={page}
                row={row}
                active={active}
                selected={row.node.id === selected}
                dimmed={found !== null && !found.found.has(row.node.id)}
                focusColumn={row === rows[at] ? cursor.column : null}
                renaming={renaming === row.node.id}
                onGo={(column) => go(row.node.id, column)}
                onToggle={(view) => toggleShown(row.node.id, view)}
                onFold={() => fold(row.node.id, row.expanded === true)}
                onRename={() => setRenaming(row.node.id)}
                onRenamed={(name) => rename(row.node.id, name)}
              />
            ))}
          </Box>
        </Box>
      )}
    </Box>
  );
}
