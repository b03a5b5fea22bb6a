import { Box, Button, ButtonBase, TextField } from '@mui/material';
import { useState } from 'react';
import { formatHex } from 'culori';
import { HexColorPicker } from 'react-colorful';
import { aliasTo, cssColour } from '../../../core/index.ts';
import { petrol } from '../../ui/theme.ts';
import { swatchOf } from '../../values/swatch.ts';
import { propertyOfRow } from '../../values/rows.ts';
import type { EditorProps } from './editor.ts';

/** One of the site's colours, or a colour of its own. */
export function ColourEditor({ site, row, cell, context, onSet, onClose }: EditorProps) {
  const current = cell.value as string;
  const [text, setText] = useState(propertyOfRow(row).type.format(current, context));
  const parsed = propertyOfRow(row).type.parse(text, context);
  const shown = parsed.ok ? swatchOf(site, parsed.value as string) : swatchOf(site, current);
  const use = () => parsed.ok && onSet(parsed.value) && onClose();
  return (
    <Box sx={{ p: 1.5, width: 236 }}>
      <Box
        role="group"
        aria-label="Colours of the site"
        sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.75, mb: 1.5 }}
      >
        {site.colours.map((colour) => (
          <ButtonBase
            key={colour.id}
            aria-label={colour.name}
            title={colour.name}
            aria-pressed={current === aliasTo(colour.id)}
            onClick={() => onSet(aliasTo(colour.id)) && onClose()}
            style={{ background: colour.value }}
            sx={{
              width: 26,
              height: 26,
              borderRadius: '50%',
              border: '1px solid rgba(0,0,0,.3)',
              outline: current === aliasTo(colour.id) ? `2px solid ${petrol}` : undefined,
              outlineOffset: 2,
            }}
          />
        ))}
      </Box>
      <HexColorPicker
        color={formatHex(cssColour(shown)) ?? '#000000'}
        onChange={setText}
        style={{ width: '100%', height: 130 }}
      />
      <Box
        component="form"
        onSubmit={(event) => (event.preventDefault(), use())}
        sx={{ display: 'flex', gap: 1, mt: 1.5, alignItems: 'flex-start' }}
      >
        <TextField
          size="small"
          label="Colour"
          value={text}
          onChange={(event) => setText(event.target.value)}
          error={!parsed.ok}
          helperText={parsed.ok ? undefined : parsed.sentence}
        />
        <Button type="submit" variant="outlined" disabled={!parsed.ok} sx={{ mt: 0.25 }}>
          Use
        </Button>
      </Box>
    </Box>
  );
}
