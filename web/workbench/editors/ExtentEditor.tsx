import { Box, Button, TextField, ToggleButton, ToggleButtonGroup } from '@mui/material';
import { useState } from 'react';
import type { Extent, Offset } from '../../../core/index.ts';
import { propertyOfRow } from '../../values/rows.ts';
import type { EditorProps } from './editor.ts';

/** A width: as it comes, a share of the container, or px. An offset: a share of its area, or px. */
export function ExtentEditor({ cell, row, context, onSet, onClose }: EditorProps) {
  const value = cell.value as Extent | Offset;
  const name = propertyOfRow(row).type.editor === 'offset' ? 'Offset' : 'Width';
  const [unit, setUnit] = useState<'auto' | '%' | 'px'>(
    value === 'auto' ? 'auto' : 'px' in value ? 'px' : '%',
  );
  const [number, setNumber] = useState(
    value === 'auto' ? '100' : String('px' in value ? value.px : value.percent),
  );
  const made = propertyOfRow(row).type.parse(unit === 'auto' ? 'auto' : `${number} ${unit}`, context);
  return (
    <Box
      component="form"
      sx={{ p: 1.5, width: 230 }}
      onSubmit={(event) => (event.preventDefault(), made.ok && onSet(made.value) && onClose())}
    >
      <ToggleButtonGroup
        exclusive
        fullWidth
        size="small"
        aria-label={`Unit of the ${name.toLowerCase()}`}
        value={unit}
        onChange={(_event, next: typeof unit | null) => next && setUnit(next)}
        sx={{ mb: 1.5, '& .MuiToggleButton-root': { py: 0.25, textTransform: 'none' } }}
      >
        {name === 'Width' && <ToggleButton value="auto">auto</ToggleButton>}
        <ToggleButton value="%">%</ToggleButton>
        <ToggleButton value="px">px</ToggleButton>
      </ToggleButtonGroup>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
        <TextField
          size="small"
          label={name}
          disabled={unit === 'auto'}
          value={unit === 'auto' ? '' : number}
          error={!made.ok}
          helperText={made.ok ? undefined : made.sentence}
          onChange={(event) => setNumber(event.target.value)}
        />
        <Button type="submit" variant="outlined" disabled={!made.ok} sx={{ mt: 0.25 }}>
          Set
        </Button>
      </Box>
    </Box>
  );
}
