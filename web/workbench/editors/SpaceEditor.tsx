import { Box, Button, TextField, ToggleButton, ToggleButtonGroup } from '@mui/material';
import { useState } from 'react';
import { aliasTo, spaceAt, stepType } from '../../../core/index.ts';
import { propertyOfRow } from '../../values/rows.ts';
import type { EditorProps } from './editor.ts';

/** A distance: a step of the site's spacing scale, or a number of px. */
export function SpaceEditor({ site, row, cell, context, onSet, onClose }: EditorProps) {
  const { type } = propertyOfRow(row);
  const [text, setText] = useState(cell.mixed ? '' : type.format(cell.value, context));
  const made = type.parse(text, context);
  return (
    <Box
      component="form"
      sx={{ p: 1.5, width: 260, display: 'grid', gap: 1.5 }}
      onSubmit={(event) => (event.preventDefault(), made.ok && onSet(made.value) && onClose())}
    >
      {site.spacing.length > 0 && (
        <ToggleButtonGroup
          exclusive
          size="small"
          aria-label="Spacing scale"
          value={cell.mixed ? null : cell.value}
          onChange={(_event, next: string | null) => next && onSet(next) && onClose()}
          sx={{
            flexWrap: 'wrap',
            '& .MuiToggleButton-root': {
              py: 0.25,
              px: 1,
              textTransform: 'none',
              lineHeight: 1.2,
              flexDirection: 'column',
            },
          }}
        >
          {site.spacing.map(({ id, name }) => (
            <ToggleButton key={id} value={aliasTo(id)}>
              <b>{name}</b>
              <span style={{ fontSize: 11 }}>
                {stepType.format(spaceAt(site, aliasTo(id), cell.view.id), context)}
              </span>
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      )}
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
        <TextField
          size="small"
          label="px, or a step"
          autoFocus
          value={text}
          error={!made.ok && text !== ''}
          helperText={made.ok || text === '' ? undefined : made.sentence}
          onChange={(event) => setText(event.target.value)}
        />
        <Button type="submit" variant="outlined" disabled={!made.ok} sx={{ mt: 0.25 }}>
          Set
        </Button>
      </Box>
    </Box>
  );
}
