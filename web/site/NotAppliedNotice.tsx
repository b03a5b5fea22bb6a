import {
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  List,
  ListItem,
  ListItemText,
  Typography,
} from '@mui/material';
import { useState } from 'react';
import { unappliedDismissed } from '../state/documents.ts';
import type { UnappliedEdit } from '../state/pending.ts';
import { useAppDispatch, useAppSelector } from '../state/store.ts';
import { saveFile } from '../ui/saveFile.ts';

/** Gives the person what could not be kept as a file: the sentences, and what was to be changed. */
function save(site: string, aside: readonly UnappliedEdit[]): void {
  const changes = aside.map(({ edit, why }) => ({
    change: edit.sentence,
    why,
    made: new Date(edit.at).toISOString(),
    operations: edit.operations,
  }));
  saveFile(`${site}-not-saved.json`, { site, changes });
}

/** Says that changes could not be kept; shows which and why, and lets them be saved before they are done with. */
export function NotAppliedNotice() {
  const dispatch = useAppDispatch();
  const aside = useAppSelector((state) => state.documents.aside);
  const site = useAppSelector((state) => state.documents.open?.site.frame.id ?? 'site');
  const [open, setOpen] = useState(false);
  if (aside.length === 0) return null;
  const count = aside.length === 1 ? '1 change' : `${aside.length} changes`;
  return (
    <>
      <Button
        size="small"
        onClick={() => setOpen(true)}
        sx={{ bgcolor: '#ffd9cf', color: '#5c1406', flex: 'none', '&:hover': { bgcolor: '#ffc7b8' } }}
      >
        {count} not applied
      </Button>
      <Dialog
        open={open}
        onClose={() => setOpen(false)}
        fullWidth
        maxWidth="sm"
        aria-labelledby="aside-title"
      >
        <DialogTitle id="aside-title">{count} could not be saved</DialogTitle>
        <DialogContent>
          <Typography>
            Everything else is saved. This browser keeps these until you are done with them.
          </Typography>
          <List dense>
            {aside.map(({ edit, why }) => (
              <ListItem key={edit.key} disableGutters>
                <ListItemText primary={edit.sentence} secondary={why} />
              </ListItem>
            ))}
          </List>
        </DialogContent>
        <DialogActions>
          <Button onClick={() => save(site, aside)}>Save to a file</Button>
          <Button
            onClick={() => {
              setOpen(false);
              dispatch(unappliedDismissed());
            }}
          >
            Discard them
          </Button>
          <Button variant="contained" onClick={() => setOpen(false)}>
            Close
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
