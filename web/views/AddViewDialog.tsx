import { Button, Dialog, DialogActions, DialogContent, DialogTitle, TextField } from '@mui/material';
import { useId, useState } from 'react';
import { viewAt, widestGap, type SiteFrame } from '../../core/index.ts';
import { newViewId } from '../site/newview.ts';
import { edit } from '../state/edits.ts';
import { pxIn } from '../ui/px.ts';
import { useAppDispatch } from '../state/store.ts';
import { onEnter } from '../ui/enter.ts';

/** Adds a view: at first in the middle of the widest gap, and looking as the view that it parts. */
export function AddViewDialog({ site, onClose }: { site: SiteFrame; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const heading = useId();
  const [name, setName] = useState('');
  const [from, setFrom] = useState(() => String(widestGap(site.views)));
  const [fault, setFault] = useState<string | null>(null);
  const width = pxIn(from);
  const add = () => {
    if (name.trim() === '') return setFault('A view has a name; it can be changed at any time.');
    if (dispatch(edit('addView', { id: newViewId(), name, from: width }))) onClose();
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby={heading}>
      <DialogTitle id={heading}>Add a view</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 2 }}>
        <TextField
          autoFocus
          label="Name"
          size="small"
          sx={{ mt: 1 }}
          value={name}
          error={fault !== null}
          helperText={fault ?? ' '}
          onChange={({ target }) => {
            setName(target.value);
            setFault(null);
          }}
          onKeyDown={onEnter(add)}
          slotProps={{ htmlInput: { maxLength: 40 } }}
        />
        <TextField
          label="Starts at, px"
          size="small"
          value={from}
          helperText={
            !Number.isInteger(width) || width < 0
              ? 'A view starts at a whole number of px.'
              : `It splits ${viewAt(site.views, width).name}, and looks the same until something is changed.`
          }
          onChange={({ target }) => setFrom(target.value)}
          onKeyDown={onEnter(add)}
          slotProps={{ htmlInput: { maxLength: 9, inputMode: 'numeric' } }}
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" onClick={add}>
          Add
        </Button>
      </DialogActions>
    </Dialog>
  );
}
