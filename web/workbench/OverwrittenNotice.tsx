import { Alert, Button, Snackbar } from '@mui/material';
import { overwrote } from '../state/editor.ts';
import { takeBackOverwritten } from '../state/edits.ts';
import { useAppDispatch, useAppSelector } from '../state/store.ts';

/** Tells what an edit from here has replaced that was changed elsewhere meanwhile, and gives it back on request. */
export function OverwrittenNotice() {
  const dispatch = useAppDispatch();
  const overwritten = useAppSelector((state) => state.editor.overwritten);
  if (!overwritten) return null;
  return (
    <Snackbar open anchorOrigin={{ vertical: 'bottom', horizontal: 'center' }}>
      <Alert
        severity="warning"
        variant="filled"
        sx={{ maxWidth: 560, alignItems: 'center', bgcolor: '#f6d894', color: 'text.primary' }}
        onClose={() => dispatch(overwrote(null))}
        action={
          <>
            <Button
              color="inherit"
              variant="outlined"
              size="small"
              onClick={() => dispatch(takeBackOverwritten())}
            >
              Have it back
            </Button>
            <Button color="inherit" size="small" onClick={() => dispatch(overwrote(null))}>
              Leave it
            </Button>
          </>
        }
      >
        Your change replaced what another window had just kept: {overwritten.sentences.join('; ')}.
      </Alert>
    </Snackbar>
  );
}
