import { Box, Link, Typography } from '@mui/material';
import type { Page, SiteFrame } from '../../../core/index.ts';
import { valueAimed } from '../../state/editor.ts';
import { useAppDispatch } from '../../state/store.ts';
import { line, quiet, shade } from '../../ui/theme.ts';
import { traceChain } from './chain.ts';
import type { Place, ValueTable } from './useValueTable.ts';

/** The trace of the cell that is pointed at, or has the keyboard. Each link leads to the cell it speaks of. */
export function TraceBar(props: { site: SiteFrame; page: Page; table: ValueTable; told: Place }) {
  const { site, page, table, told } = props;
  const dispatch = useAppDispatch();
  const row = table.rows[told.row];
  const cell = row && table.cells(told.row)[told.column];
  const chain = cell ? traceChain(site, page, row, cell) : [];
  return (
    <Box
      role="status"
      aria-label="Trace"
      data-trace
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return;
        event.stopPropagation();
        table.grid.current?.querySelector<HTMLElement>('[role=gridcell][tabindex="0"]')?.focus();
      }}
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
      {cell && (
        <Typography
          component="span"
          sx={{ fontSize: 12, lineHeight: '16px', fontWeight: 600, color: 'text.primary' }}
        >
          {row.label} in {cell.view.name}:{' '}
        </Typography>
      )}
      {chain.map(({ text, to }, index) => (
        <span key={text}>
          {index > 0 && ' · '}
          {to ? (
            <Link
              component="button"
              color="inherit"
              sx={{ fontSize: 12, lineHeight: '16px', verticalAlign: 'baseline', textAlign: 'start' }}
              onClick={() => dispatch(valueAimed(to))}
            >
              {text}
            </Link>
          ) : (
            text
          )}
        </span>
      ))}
    </Box>
  );
}
