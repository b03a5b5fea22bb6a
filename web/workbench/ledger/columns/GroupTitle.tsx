import { Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { quiet } from '../../../ui/theme.ts';

/** The heading of things that belong together in the ledger. */
export function GroupTitle({ level, children }: { level: 2 | 3; children: ReactNode }) {
  return (
    <Typography
      component={`h${level}`}
      sx={{
        fontSize: 11,
        fontWeight: 700,
        letterSpacing: '.06em',
        textTransform: 'uppercase',
        color: quiet,
        px: 1.25,
        pt: 1.25,
        pb: 0.25,
      }}
    >
      {children}
    </Typography>
  );
}
