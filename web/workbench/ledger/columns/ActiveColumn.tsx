import { Box } from '@mui/material';
import type { SiteFrame, ViewId } from '../../../../core/index.ts';
import { petrolTint } from '../../../ui/theme.ts';
import { COLUMN, columnsOf } from '../../../values/columns.ts';

/** The tint of the active view's column, from top to bottom of what it lies in. */
export function ActiveColumn({ site, view }: { site: SiteFrame; view: ViewId }) {
  const columns = columnsOf(site);
  const fromRight = columns.length - 1 - columns.findIndex((candidate) => candidate.id === view);
  return (
    <Box
      aria-hidden
      style={{ right: fromRight * COLUMN, width: COLUMN }}
      sx={{ position: 'absolute', top: 0, bottom: 0, bgcolor: petrolTint, pointerEvents: 'none' }}
    />
  );
}
