import { Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from '@mui/material';
import { decide } from '../state/edits.ts';
import { useAppDispatch, useAppSelector } from '../state/store.ts';

/** The same values were changed here and elsewhere: the person decides which stand. */
export function ConflictDialog() {
  const dispatch = useAppDispatch();
  const keeping = useAppSelector((state) => state.editor.keeping);
  const mine = useAppSelector((state) => state.editor.open?.pending) ?? [];
  if (keeping.state !== 'conflict') return null;
  const listed = (sentences: string[]) => (
    <ul style={{ margin: 0, paddingLeft: 20 }}>
      {sentences.map((sentence, index) => (
        <li key={index}>{sentence}</li>
      ))}
    </ul>
  );
  return (
    <Dialog open aria-labelledby="conflict-title" maxWidth="sm">
      <DialogTitle id="conflict-title">The same values were changed elsewhere</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.5 }}>
        <Typography>While you worked, another window changed and kept:</Typography>
        {listed(keeping.missed.map((missed) => missed.sentence))}
        <Typography>Your changes that are not kept yet:</Typography>
        {listed(mine.map((made) => made.sentence))}
      </DialogContent>
      <DialogActions>
        <Button onClick={() => dispatch(decide(false))}>Take theirs, drop mine</Button>
        <Button variant="contained" onClick={() => dispatch(decide(true))}>
          Put mine on top
        </Button>
      </DialogActions>
    </Dialog>
  );
}
