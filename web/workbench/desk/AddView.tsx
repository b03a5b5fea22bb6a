import { IconButton, Tooltip } from '@mui/material';
import { Plus } from 'lucide-react';
import { viewAt, type Views } from '../../../core/index.ts';
import { newViewId } from '../../site/newview.ts';
import { editWhole } from '../../state/edits.ts';
import { useAppDispatch } from '../../state/store.ts';

/** Adds a view that begins at the marker; it is named after that, and gets its own name on the screen of the views. */
export function AddView({ views, width }: { views: Views; width: number }) {
  const dispatch = useAppDispatch();
  const label = `Add a view from ${width} px`;
  const add = () => {
    const name = `${viewAt(views, width).name} ${width}`.slice(-40);
    void dispatch(editWhole('addView', { id: newViewId(), name, from: width }));
  };
  return (
    <Tooltip title={label}>
      <IconButton size="small" aria-label={label} onClick={add} sx={{ alignSelf: 'start', mt: -0.25 }}>
        <Plus size={16} />
      </IconButton>
    </Tooltip>
  );
}
