import { Box, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import { viewOf, type Page, type SiteFrame, type ViewId } from '../../../core/index.ts';
import { quiet } from '../../ui/theme.ts';
import { ActiveColumn } from './ActiveColumn.tsx';
import { Differences } from './Differences.tsx';
import { isFiltering, NO_FILTER, passing } from './filter.ts';
import { OutlineBar, type OutlineMode } from './OutlineBar.tsx';
import { OutlineRowView } from './OutlineRowView.tsx';
import { ThemeList } from './ThemeList.tsx';
import { useOutline } from './useOutline.ts';

interface OutlineProps {
  site: SiteFrame;
  page: Page;
  active: ViewId;
}

/** The tree of elements with a tile a view. Arrows walk, Shift and Ctrl select several, Space shows and hides, F2 renames. */
function Tree({ site, page, active, found }: OutlineProps & { found: ReturnType<typeof passing> | null }) {
  // What is in sight is read from the list's virtualizer, which changes without becoming another object.
  'use no memo';
  const outline = useOutline(site, page, found?.shown);
  const { rows, virtual, cursor, selected, renaming } = outline;
  return (
    <Box
      ref={outline.scroller}
      sx={{ flex: 1, minHeight: 0, overflowY: 'auto', scrollbarGutter: 'stable', scrollbarWidth: 'thin' }}
    >
      {rows.length === 0 && (
        <Typography sx={{ p: 3, color: quiet, textAlign: 'center' }}>No element matches.</Typography>
      )}
      <Box sx={{ position: 'relative', minHeight: '100%' }}>
        <ActiveColumn site={site} view={active} />
        <div
          role="treegrid"
          aria-label="Outline"
          aria-multiselectable
          aria-rowcount={rows.length}
          onKeyDown={outline.keys}
          style={{ position: 'relative', height: virtual.getTotalSize() }}
        >
          {virtual.getVirtualItems().map(({ index, start }) => {
            const row = rows[index];
            return (
              <OutlineRowView
                key={row.id}
                site={site}
                page={page}
                row={row}
                offset={start}
                selected={selected.includes(row.id)}
                dimmed={found !== null && !found.found.has(row.id)}
                focusColumn={row.id === cursor.id ? cursor.column : null}
                renaming={renaming === row.id}
                outline={outline}
              />
            );
          })}
        </div>
      </Box>
    </Box>
  );
}

/** The upper half of the ledger: the elements of the page, what differs in the active view, or the site's theme. */
export function Outline({ site, page, active }: OutlineProps) {
  const [filter, setFilter] = useState(NO_FILTER);
  const [mode, setMode] = useState<OutlineMode>('tree');
  const found = useMemo(
    () => (isFiltering(filter) ? passing(site, page, active, filter) : null),
    [site, page, active, filter],
  );
  return (
    <Box sx={{ height: '100%', display: 'flex', flexDirection: 'column', bgcolor: 'background.paper' }}>
      <OutlineBar
        mode={mode}
        filter={filter}
        viewName={viewOf(site.views, active).name}
        onMode={setMode}
        onFilter={setFilter}
      />
      {mode === 'tree' && <Tree site={site} page={page} active={active} found={found} />}
      {mode === 'differences' && <Differences site={site} page={page} active={active} text={filter.text} />}
      {mode === 'theme' && <ThemeList site={site} active={active} />}
    </Box>
  );
}
