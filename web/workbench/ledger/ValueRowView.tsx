import { Box, IconButton, Tooltip } from '@mui/material';
import { ArrowDownUp } from 'lucide-react';
import { viewOf, type SiteFrame, type ViewId } from '../../../core/index.ts';
import { gridColumns } from './columns.ts';
import { InlineEditor } from './InlineEditor.tsx';
import type { FilledRow, Place, ValueTable } from './useValueTable.ts';
import { ValueCellView } from './ValueCellView.tsx';

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

interface ValueRowProps {
  site: SiteFrame;
  active: ViewId;
  table: ValueTable;
  filled: FilledRow;
  index: number;
  onPoint(at: Place): void;
}

/** A row of the values table: the property's name and its cell in every view. */
export function ValueRowView({ site, active, table, filled: { row, cells }, index, onPoint }: ValueRowProps) {
  const { place, opened } = table;
  return (
    <Box
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
            onClick={() => table.reverse(row)}
          />
        )}
      </Box>
      {cells.map((cell, column) => {
        const at = { row: index, column };
        const focused = index === place.row && column === place.column;
        const typing = opened?.how === 'typing' && opened.at.row === index && opened.at.column === column;
        return (
          <ValueCellView
            key={cell.view.id}
            site={site}
            row={row}
            cell={cell}
            column={column}
            focused={focused}
            aimed={index === place.row && !focused && table.aimed.has(cell.view.id)}
            onFocus={() => table.focus(at)}
            onOpen={() => table.open(at)}
            onPoint={() => onPoint(at)}
            onReach={(reach) => table.changeReach(at, reach)}
          >
            {typing && (
              <InlineEditor
                label={`${row.label} in ${cell.view.name}`}
                type={row.property.type}
                initial={opened.text}
                reach={table.reach}
                onCommit={(text, reach) => table.commit(at, text, reach)}
                onClose={table.close}
              />
            )}
          </ValueCellView>
        );
      })}
    </Box>
  );
}
