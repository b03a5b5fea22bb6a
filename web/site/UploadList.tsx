import { Box, IconButton, LinearProgress, Paper, Tooltip, Typography } from '@mui/material';
import { X } from 'lucide-react';
import { stopUpload } from '../state/uploading.ts';
import type { Upload } from '../state/uploads.ts';
import { useAppDispatch, useAppSelector } from '../state/store.ts';
import { coral, quiet } from '../ui/theme.ts';

const STATES: Record<Upload['state'], string> = {
  waits: 'waiting',
  sent: 'is sent',
  examined: 'being checked',
  failed: 'was not imported',
};

/** The files that are on their way in, and those that were refused, with the reason. */
export function UploadList({ site }: { site: string }) {
  const dispatch = useAppDispatch();
  const all = useAppSelector((state) => state.uploads);
  const own = all.filter((upload) => upload.site === site);
  if (own.length === 0) return null;
  return (
    <Paper
      component="section"
      aria-label="Files being imported"
      elevation={6}
      sx={{
        position: 'absolute',
        left: 16,
        bottom: 16,
        zIndex: 'snackbar',
        width: 380,
        maxHeight: 320,
        overflowY: 'auto',
        p: 1.5,
        display: 'grid',
        gap: 1,
      }}
    >
      {own.map(({ key, name, state, sent, sentence }) => (
        <Box key={key} sx={{ display: 'grid', gridTemplateColumns: '1fr auto', columnGap: 1 }}>
          <Box sx={{ minWidth: 0 }} role={state === 'failed' ? 'alert' : undefined}>
            <Typography noWrap sx={{ fontSize: 13 }} title={name}>
              <b>{name}</b>{' '}
              <Box component="span" sx={{ color: state === 'failed' ? coral : quiet }}>
                {STATES[state]}
              </Box>
            </Typography>
            {sentence && <Typography sx={{ fontSize: 12.5, lineHeight: 1.35 }}>{sentence}</Typography>}
            {state !== 'failed' && (
              <LinearProgress
                aria-label={`${name} ${STATES[state]}`}
                variant={state === 'sent' ? 'determinate' : 'indeterminate'}
                value={sent * 100}
                sx={{ mt: 0.5, visibility: state === 'waits' ? 'hidden' : 'visible' }}
              />
            )}
          </Box>
          <Tooltip title={state === 'failed' ? 'Close' : 'Stop'}>
            <IconButton
              size="small"
              aria-label={state === 'failed' ? `Close the message about ${name}` : `Stop ${name}`}
              onClick={() => dispatch(stopUpload(key))}
            >
              <X size={15} />
            </IconButton>
          </Tooltip>
        </Box>
      ))}
    </Paper>
  );
}
