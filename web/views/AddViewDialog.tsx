import { TextField } from '@mui/material';
import { useState } from 'react';
import { viewAt, widestGap, type SiteFrame } from '../../core/index.ts';
import { newViewId } from '../site/newview.ts';
import { edit } from '../state/edits.ts';
import { pxIn } from '../ui/px.ts';
import { useAppDispatch } from '../state/store.ts';
import { onEnter } from '../ui/enter.ts';
import { FormDialog } from '../ui/FormDialog.tsx';

/** Adds a view: at first in the middle of the widest gap, and looking as the view that it parts. */
export function AddViewDialog({ site, onClose }: { site: SiteFrame; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const [name, setName] = useState('');
  const [from, setFrom] = useState(() => String(widestGap(site.views)));
  const [fault, setFault] = useState<string | null>(null);
  const width = pxIn(from);
  const add = () => {
    if (name.trim() === '') return setFault('A view has a name; it can be changed at any time.');
    if (dispatch(edit('addView', { id: newViewId(), name, from: width }))) onClose();
  };
  return (
    <FormDialog title="Add a view" verb="Add" onDone={add} width="xs" wide fields onClose={onClose}>
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
    </FormDialog>
  );
}
