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
}) {
  const { severity, children, action, wayBack } = props;
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
      {wayBack && (
        <Link component={RouterLink} to="/" sx={{ display: 'inline-block', mt: 2 }}>
          To the list of sites
        </Link>
      )}
    </Box>
  );
}
