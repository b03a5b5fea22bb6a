import { Alert, Box, Button } from '@mui/material';
import type { ReactNode } from 'react';

/** A whole area that has something to say instead of its content: what happened, and what to do. */
export function Notice(props: {
  severity: 'info' | 'error';
  children: ReactNode;
  action?: { label: string; run: () => void };
}) {
  const { severity, children, action } = props;
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
    </Box>
  );
}
