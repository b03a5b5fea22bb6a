import {
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  MenuItem,
  TextField,
} from '@mui/material';
import { nanoid } from 'nanoid';
import { useId, useState } from 'react';
import { pageSlugOf, type NodeId, type Site } from '../../core/index.ts';
import { edit } from '../state/edits.ts';
import { useAppDispatch } from '../state/store.ts';
import { onEnter } from '../ui/enter.ts';

interface AddPageDialogProps {
  site: Site;
  /** The page it goes behind. */
  after: NodeId;
  /** The page that it is a copy of; empty for an empty one. */
  from: NodeId | '';
  onAdded(page: NodeId): void;
  onClose(): void;
}

/** Adds a page: what it is called, and whether it begins empty or as a copy of another. */
export function AddPageDialog({ site, after, from, onAdded, onClose }: AddPageDialogProps) {
  const dispatch = useAppDispatch();
  const heading = useId();
  const [title, setTitle] = useState('');
  const [source, setSource] = useState<NodeId | ''>(from);
  const [missing, setMissing] = useState(false);
  const { pages } = site.frame;
  const slug = pageSlugOf(title, (address) => pages.some((head) => head.slug === address));
  const add = () => {
    if (title.trim() === '') return setMissing(true);
    const id = `p${nanoid(10).replaceAll(/[^A-Za-z0-9]/g, 'x')}` as NodeId;
    const added = dispatch(
      source === ''
        ? edit('addPage', { id, title, slug, after })
        : edit('copyPage', { page: source, id, title, slug }),
    );
    if (!added) return;
    onAdded(id);
    onClose();
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby={heading}>
      <DialogTitle id={heading}>Add a page</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 2 }}>
        <TextField
          autoFocus
          label="Title"
          size="small"
          sx={{ mt: 1 }}
          value={title}
          error={missing}
          helperText={
            missing ? 'A page has a title; it can be changed at any time.' : `Its address will be /${slug}/`
          }
          onChange={({ target }) => {
            setTitle(target.value);
            setMissing(false);
          }}
          onKeyDown={onEnter(add)}
          slotProps={{ htmlInput: { maxLength: 120 } }}
        />
        <TextField
          select
          label="Begins as"
          size="small"
          value={source}
          onChange={({ target }) => setSource(target.value as NodeId | '')}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
        >
          <MenuItem value="">an empty page</MenuItem>
          {pages.map(({ id }) => (
            <MenuItem key={id} value={id}>
              a copy of {site.pages[id].nodes[site.pages[id].root].name}
            </MenuItem>
          ))}
        </TextField>
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
