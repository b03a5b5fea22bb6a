import { Box, Button, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import { isOnAllPages, viewOf, type Page, type SiteFrame, type ViewId } from '../../../../core/index.ts';
import { countsByTile } from '../../../checks/trouble.ts';
import { quiet } from '../../../ui/theme.ts';
import { VirtualRows } from '../../../ui/VirtualRows.tsx';
import { addingSet, outlineShown } from '../../../state/desk.ts';
import { openAdd } from '../../../state/structure.ts';
import { useAppDispatch, useAppSelector } from '../../../state/store.ts';
import { ActiveColumn } from '../columns/ActiveColumn.tsx';
import { useRowHeights } from '../columns/density.ts';
import { isFiltering, NO_FILTER, passing } from './filter.ts';
import { OutlineBar } from './OutlineBar.tsx';
import { DropMark, OrderQuestion } from './DropMark.tsx';
import { OutlineRowView } from './OutlineRowView.tsx';
import { ThemeList } from '../theme/ThemeList.tsx';
import { useOutline } from './useOutline.ts';
import { useOutlineDrag } from './useOutlineDrag.ts';
import { lazily } from '../../../ui/lazily.tsx';

const Differences = lazily(async () => (await import('./Differences.tsx')).Differences);
const NotShown = lazily(async () => (await import('./NotShown.tsx')).NotShown);
const FindingList = lazily(async () => (await import('./FindingList.tsx')).FindingList);

/** px; the height of a row. */

interface OutlineProps {
  site: SiteFrame;
  page: Page;
  active: ViewId;
}

/** The tree of elements with a tile a view. Arrows walk, Shift and Ctrl select several, Space shows and hides, F2 renames. */
function Tree({
  site,
  page,
  active,
  found,
  onAdd,
}: OutlineProps & { found: ReturnType<typeof passing> | null; onAdd(): void }) {
  const { outline: height } = useRowHeights();
  const outline = useOutline(site, page, found?.shown, onAdd);
  const { rows, virtual, cursor, selected, renaming } = outline;
  const findings = useAppSelector((state) => state.findings.list);
  const problems = useMemo(() => countsByTile(findings), [findings]);
  const drag = useOutlineDrag(site, page);
  const draw = (index: number, start: number) => {
    const row = rows[index];
    return (
      <OutlineRowView
        site={site}
        page={page}
        row={row}
        index={index}
        offset={start}
        selected={selected.includes(row.id)}
        dimmed={found !== null && !found.found.has(row.id)}
        focusColumn={row.id === cursor.id ? cursor.column : null}
        renaming={renaming === row.id}
        problems={problems.get(row.id)}
        outline={outline}
        onDrag={drag.down}
      />
    );
  };
  return (
    <div ref={outline.scroller} data-scroller className="ledger-scroller">
      {rows.length === 0 && (
        <Typography sx={{ p: 3, color: quiet, textAlign: 'center' }}>No element matches.</Typography>
      )}
      {page.nodes[page.root].children.every(isOnAllPages) && (
        <Box sx={{ p: 3, textAlign: 'center', color: quiet }}>
          <Typography sx={{ mb: 1 }}>This page is empty. Start with a section.</Typography>
          <Button variant="outlined" size="small" onClick={onAdd}>
            Add to this page
          </Button>
        </Box>
      )}
      {drag.drop && <DropMark drop={drag.drop} />}
      {drag.question && <OrderQuestion page={page} question={drag.question} onAnswer={drag.answer} />}
      <Box sx={{ position: 'relative', minHeight: '100%' }}>
        <ActiveColumn site={site} view={active} />
        <VirtualRows
          role="treegrid"
          aria-label="Outline"
          aria-multiselectable
          aria-rowcount={rows.length}
          onKeyDown={outline.keys}
          count={rows.length}
          key={height}
          sizeOf={() => height}
          keyOf={(index) => rows[index].id}
          overscan={8}
          handle={virtual}
          draw={draw}
        />
      </Box>
    </div>
  );
}

/** The upper half of the ledger: the elements of the page, what differs in the active view, or the site's theme. */
export function Outline({ site, page, active }: OutlineProps) {
  const [filter, setFilter] = useState(NO_FILTER);
  const mode = useAppSelector((state) => state.desk.outline);
  const dispatch = useAppDispatch();
  const adding = useAppSelector((state) => state.desk.adding);
  const add = () => dispatch(openAdd());
  const found = useMemo(
    () => (isFiltering(filter) ? passing(page, active, filter) : null),
    [page, active, filter],
  );
  const hidden = useAppSelector(({ findings }) => findings.hidden[active] ?? 0);
  return (
    <Box sx={{ height: '100%', display: 'flex', flexDirection: 'column', bgcolor: 'background.paper' }}>
      <OutlineBar
        mode={mode}
        filter={filter}
        viewName={viewOf(site.views, active).name}
        hidden={hidden}
        onMode={(next) => dispatch(outlineShown(next))}
        onFilter={setFilter}
        adding={adding !== null}
        onAdd={() => dispatch(adding ? addingSet(null) : openAdd())}
      />
      {mode === 'tree' && <Tree site={site} page={page} active={active} found={found} onAdd={add} />}
      {mode === 'differences' && <Differences site={site} page={page} active={active} text={filter.text} />}
      {mode === 'not shown' && <NotShown site={site} page={page} active={active} text={filter.text} />}
      {mode === 'findings' && <FindingList site={site} page={page} active={active} text={filter.text} />}
      {mode === 'theme' && <ThemeList site={site} active={active} />}
    </Box>
  );
}
