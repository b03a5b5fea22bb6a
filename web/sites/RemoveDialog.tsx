import {
  Alert,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  TextField,
  Typography,
} from '@mui/material';
import { useId, useState } from 'react';
import type { SiteSummary } from '../../api/responses.ts';
import { sentenceOf } from '../state/request.ts';
import { useRemoveSiteMutation } from '../state/server.ts';

/** Removes a site for good, once its name has been typed. */
export function RemoveDialog({ site, onClose }: { site: SiteSummary; onClose: () => void }) {
  const title = useId();
  const [typed, setTyped] = useState('');
  const [remove, { error, isLoading }] = useRemoveSiteMutation();
  const confirmed = typed.trim() === site.name;
  const start = async () => {
    const { error: failed } = await remove(site.id);
    if (!failed) onClose();
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby={title}>
      <DialogTitle id={title}>Remove {site.name} for good</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.5 }}>
        <Typography>
          Its {site.pages === 1 ? 'page' : `${site.pages} pages`}, its steps and its publications are deleted
          and cannot be restored. A site file that was exported before can be imported again.
        </Typography>
        <TextField
          autoFocus
          size="small"
          label="Type its name to confirm"
          placeholder={site.name}
          value={typed}
          onChange={({ target }) => setTyped(target.value)}
          onKeyDown={(event) => {
            if (event.key !== 'Enter' || !confirmed) return;
            event.preventDefault();
            void start();
          }}
        />
        {error && <Alert severity="error">{sentenceOf(error)}</Alert>}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button
          color="error"
          variant="contained"
          disabled={!confirmed || isLoading}
          onClick={() => void start()}
        >
          Remove
        </Button>
      </DialogActions>
    </Dialog>
  );
}
