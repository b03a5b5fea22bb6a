import { Box, Typography } from '@mui/material';
import { useState } from 'react';
import {
  kindOf,
  PROPERTY_GROUPS,
  textStyleOf,
  type Node,
  type Page,
  type SiteFrame,
  type ViewId,
} from '../../../core/index.ts';
import { line, quiet, shade } from '../../ui/theme.ts';
import { ValueCard } from '../editors/ValueCard.tsx';
import { ActiveColumn } from './ActiveColumn.tsx';
import { contextOf, describeTrace } from './cells.ts';
import { ElementMenu } from './ElementMenu.tsx';
import { ReachChoice } from './ReachChoice.tsx';
import { SameInEveryView } from './SameInEveryView.tsx';
import { useValueTable, type Place, type ValueTable } from './useValueTable.ts';
import { ValueRowView } from './ValueRowView.tsx';

interface ValuesProps {
  site: SiteFrame;
  page: Page;
  node: Node;
  active: ViewId;
}

/** The name of the selected element, what it takes its text from, and the reach of edits. */
function ValuesHead({ site, page, node, active }: ValuesProps) {
  return (
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
        {textStyleOf(node, site)?.name ?? kindOf(node.kind)!.label}
      </Typography>
      <ReachChoice />
      <ElementMenu site={site} page={page} node={node} active={active} />
    </Box>
  );
}

/** The card of the cell that is open, if one is. */
function OpenCard({ site, table }: { site: SiteFrame; table: ValueTable }) {
  const { opened, reach, rows } = table;
  if (opened?.how !== 'card') return null;
  const { at, anchor } = opened;
  const { row, cells } = rows[at.row];
  const cell = cells[at.column];
  const clear = () => {
    table.clear(at);
    table.close();
  };
  return (
    <ValueCard
      anchor={anchor}
      site={site}
      row={row}
      cell={cell}
      context={contextOf(site, row, cell.view, reach)}
      reach={reach}
      onSet={(value, wanted) => table.set(at, value, wanted)}
      onClose={table.close}
      onClear={cell.state === 'own' || cell.state === 'base' ? clear : undefined}
    />
  );
}

/** The selected element's properties, a row each, in the columns of the views. */
export function Values({ site, page, node, active }: ValuesProps) {
  const table = useValueTable(site, page, node, active);
  const [pointed, setPointed] = useState<Place | null>(null);
  const told = pointed && table.rows[pointed.row] ? pointed : table.place;
  const toldRow = table.rows[told.row];
  return (
    <Box
      component="section"
      aria-label={`Values of ${node.name}`}
      sx={{ height: '100%', display: 'flex', flexDirection: 'column', bgcolor: 'background.paper' }}
    >
      <ValuesHead site={site} page={page} node={node} active={active} />
      <Box
        sx={{ flex: 1, overflowY: 'auto', scrollbarGutter: 'stable', scrollbarWidth: 'thin', minHeight: 0 }}
        onPointerLeave={() => setPointed(null)}
      >
        <Box sx={{ position: 'relative', minHeight: '100%' }}>
          <ActiveColumn site={site} view={active} />
          <Box ref={table.grid} role="grid" aria-label={`Values of ${node.name}`} onKeyDown={table.keys}>
            {PROPERTY_GROUPS.map((group) => {
              const inGroup = table.rows
                .map((filled, index) => ({ filled, index }))
                .filter(({ filled }) => filled.row.property.group === group.id);
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
                  {inGroup.map(({ filled, index }) => (
                    <ValueRowView
                      key={filled.row.key}
                      site={site}
                      active={active}
                      table={table}
                      filled={filled}
                      index={index}
                      onPoint={setPointed}
                    />
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
        {toldRow && describeTrace(site, page, toldRow.row, toldRow.cells[told.column])}
      </Typography>
      <OpenCard site={site} table={table} />
    </Box>
  );
}
