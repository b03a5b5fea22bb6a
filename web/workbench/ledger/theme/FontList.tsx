import { Box, Button, IconButton, LinearProgress, Tooltip, Typography } from '@mui/material';
import { Plus, X } from 'lucide-react';
import { useSnackbar } from 'notistack';
import { useRef } from 'react';
import { FAMILIES, type SiteFrame } from '../../../../core/index.ts';
import { edit } from '../../../state/edits.ts';
import { troubleOf, useFontMutation } from '../../../state/server.ts';
import { useAppDispatch } from '../../../state/store.ts';
import { quiet } from '../../../ui/theme.ts';

/** The families that a site can use: those shipped with the application, and woff2 files of its own. */
export function FontList({ site }: { site: SiteFrame }) {
  const dispatch = useAppDispatch();
  const { enqueueSnackbar } = useSnackbar();
  const [upload, { isLoading }] = useFontMutation();
  const input = useRef<HTMLInputElement>(null);
  const take = async (file: File | undefined) => {
    if (!file) return;
    const result = await upload({ site: site.id, file });
    if (result.data) dispatch(edit('addFont', result.data));
    else
      enqueueSnackbar(`“${file.name}” was not taken in. ${troubleOf(result.error).sentence}`, {
        variant: 'error',
      });
  };
  return (
    <Box sx={{ px: 1.25, display: 'grid', gap: 0.25, position: 'relative', justifyItems: 'start' }}>
      {FAMILIES.map(({ id, name }) => (
        <Typography key={id} sx={{ fontSize: 13 }}>
          {name} <span style={{ fontSize: 11, color: quiet }}>shipped</span>
        </Typography>
      ))}
      {site.fonts.map(({ id, name, weights, style }) => (
        <Box key={id} sx={{ display: 'flex', alignItems: 'center', gap: 0.5 }}>
          <Typography sx={{ fontSize: 13 }}>
            {name}{' '}
            <span style={{ fontSize: 11, color: quiet }}>
              {weights.replace(' ', '–')}
              {style === 'italic' && ' italic'}
            </span>
          </Typography>
          <Tooltip title={`Remove ${name}`}>
            <IconButton
              size="small"
              aria-label={`Remove the font ${name}`}
              sx={{ p: 0.25 }}
              onClick={() => dispatch(edit('removeFromTheme', { list: 'fonts', id }))}
            >
              <X size={13} />
            </IconButton>
          </Tooltip>
        </Box>
      ))}
      {isLoading && <LinearProgress aria-label="Taking in the font" sx={{ width: 120 }} />}
      <Button
        size="small"
        startIcon={<Plus size={14} />}
        sx={{ ml: -0.75 }}
        onClick={() => input.current?.click()}
      >
        Add a woff2 font …
      </Button>
      <input
        ref={input}
        type="file"
        accept=".woff2,font/woff2"
        aria-label="Font file"
        hidden
        onChange={(event) => {
          void take(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
    </Box>
  );
}
