import { Alert, Button, Snackbar } from '@mui/material';
import { overwrittenDone } from '../state/documents.ts';
import { takeBackOverwritten } from '../state/edits.ts';
import { useAppDispatch, useAppSelector } from '../state/store.ts';
import { onMarigold } from '../ui/theme.ts';

const WHOSE = {
  me: 'Your change replaced what another window had just saved',
  others: 'Another window replaced what you had set',
};

/** Tells what one window has replaced of another's, and gives it back on request. */
export function OverwrittenNotice() {
  const dispatch = useAppDispatch();
  const overwritten = useAppSelector((state) => state.documents.overwritten);
  if (!overwritten) return null;
  return (
    <Snackbar open anchorOrigin={{ vertical: 'bottom', horizontal: 'center' }} sx={{ mb: 4 }}>
      <Alert
        severity="warning"
        variant="filled"
        sx={{ maxWidth: 600, alignItems: 'center', bgcolor: '#f6d894', color: onMarigold }}
        onClose={() => dispatch(overwrittenDone())}
        action={
          <>
            <Button
              color="inherit"
              variant="outlined"
              size="small"
              sx={{ whiteSpace: 'nowrap' }}
              onClick={() => dispatch(takeBackOverwritten())}
            >
              {overwritten.by === 'me' ? 'Restore it' : 'Restore mine'}
            </Button>
            <Button
              color="inherit"
              size="small"
              sx={{ whiteSpace: 'nowrap' }}
              onClick={() => dispatch(overwrittenDone())}
            >
              Close
            </Button>
          </>
        }
      >
        {WHOSE[overwritten.by]}: {overwritten.sentences.join('; ')}.
      </Alert>
    </Snackbar>
  );
}
