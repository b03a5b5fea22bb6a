import { Box, Button, IconButton, Tooltip, Typography } from '@mui/material';
import { Plus, X } from 'lucide-react';
import { useRef } from 'react';
import { FAMILIES, type SiteFrame } from '../../../../core/index.ts';
import { editWhole } from '../../../state/edits.ts';
import { importFiles } from '../../../state/uploading.ts';
import { useAppDispatch } from '../../../state/store.ts';
import { quiet } from '../../../ui/theme.ts';

/** The families that a site can use: those shipped with the application, and woff2 files of its own. */
export function FontList({ site }: { site: SiteFrame }) {
  const dispatch = useAppDispatch();
  const input = useRef<HTMLInputElement>(null);
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
              onClick={() => void dispatch(editWhole('removeFromTheme', { list: 'fonts', id }))}
            >
              <X size={13} />
            </IconButton>
          </Tooltip>
        </Box>
      ))}
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
          void dispatch(importFiles([...(event.target.files ?? [])]));
          event.target.value = '';
        }}
      />
    </Box>
  );
}
