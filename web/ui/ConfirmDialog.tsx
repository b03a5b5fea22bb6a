import { Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from '@mui/material';
import { useId } from 'react';

/** Asks before something happens that is not undone with a step. */
export function ConfirmDialog({
  title,
  words,
  verb,
  onYes,
  onClose,
}: {
  title: string;
  words: string;
  verb: string;
  onYes(): void;
  onClose(): void;
}) {
  const id = useId();
  return (
    <Dialog open onClose={onClose} aria-labelledby={id}>
      <DialogTitle id={id}>{title}</DialogTitle>
      <DialogContent>
        <Typography>{words}</Typography>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" onClick={() => (onClose(), onYes())}>
          {verb}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
