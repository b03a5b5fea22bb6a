import { Alert, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import type { SiteSummary } from '../../api/responses.ts';
import { sentenceOf } from '../state/request.ts';
import { useRemoveSiteMutation } from '../state/server.ts';
import { FormDialog } from '../ui/FormDialog.tsx';

/** Removes a site for good, once its name has been typed. */
export function RemoveDialog({ site, onClose }: { site: SiteSummary; onClose: () => void }) {
  const [typed, setTyped] = useState('');
  const [remove, { error, isLoading }] = useRemoveSiteMutation();
  const confirmed = typed.trim() === site.name;
  const start = async () => {
    const { error: failed } = await remove(site.id);
    if (!failed) onClose();
  };
  return (
    <FormDialog
      title={`Remove ${site.name} for good`}
      verb="Remove"
      danger
      disabled={!confirmed || isLoading}
      onDone={start}
      width="xs"
      fields
      wide
      onClose={onClose}
    >
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
    </FormDialog>
  );
}
