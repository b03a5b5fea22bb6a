import { Alert, Box, Button, Link } from '@mui/material';
import type { ReactNode } from 'react';
import { Link as RouterLink } from 'react-router';

/** A whole area that has something to say instead of its content: what happened, and what to do. */
export function Notice(props: {
  severity: 'info' | 'error';
  children: ReactNode;
  action?: { label: string; run: () => void };
  /** Offers the way back to the list of sites. */
  wayBack?: boolean;
  /** Ways on that are nearer. */
  ways?: readonly { label: string; to: string }[];
}) {
  const { severity, children, action, wayBack, ways = [] } = props;
  const offered = [...ways, ...(wayBack ? [{ label: 'To the list of sites', to: '/' }] : [])];
  return (
    <Box sx={{ p: 4, maxWidth: 640, mx: 'auto' }}>
      <Alert
        severity={severity}
        variant="outlined"
        action={
          action && (
            <Button color="inherit" size="small" onClick={action.run}>
              {action.label}
            </Button>
          )
        }
      >
        {children}
      </Alert>
      {offered.map(({ label, to }) => (
        <Link key={to} component={RouterLink} to={to} sx={{ display: 'inline-block', mt: 2, mr: 3 }}>
          {label}
        </Link>
      ))}
    </Box>
  );
}
