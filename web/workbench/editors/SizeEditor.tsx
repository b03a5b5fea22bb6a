import { Box, Button, TextField, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useState } from 'react';
import { enlargeable, fluid, notEnlarged, sizeAt, type Fluid, type TextSize } from '../../../core/index.ts';
import { propertyOfRow } from '../values/rows.ts';
import type { EditorProps } from './editor.ts';

const NUMBERS = { min: 'Smallest', max: 'Largest', fromWidth: 'At width', toWidth: 'At width' } as const;
type Field = keyof typeof NUMBERS;

/** A text size: one number, or two with the widths between which it grows. */
export function SizeEditor({ cell, row, context, onSet, onClose }: EditorProps) {
  const value = cell.value as TextSize;
  const start = typeof value === 'number' ? { min: value, max: value, ...context.fluidWidths! } : value;
  const [form, setForm] = useState<'fixed' | 'fluid'>(typeof value === 'number' ? 'fixed' : 'fluid');
  const [fixed, setFixed] = useState(
    String(typeof value === 'number' ? value : sizeAt(value, cell.view.sheet.width)),
  );
  const [fields, setFields] = useState<Record<Field, string>>({
    min: String(start.min),
    max: String(start.max),
    fromWidth: String(start.fromWidth),
    toWidth: String(start.toWidth),
  });
  const read = (text: string) => (text.trim() === '' ? NaN : Number(text.replace(',', '.')));
  const made =
    form === 'fixed'
      ? propertyOfRow(row).type.parse(fixed, context)
      : fluid({
          min: read(fields.min),
          max: read(fields.max),
          fromWidth: read(fields.fromWidth),
          toWidth: read(fields.toWidth),
        });
  const fluidly = made.ok && form === 'fluid' ? (made.value as Fluid) : undefined;
  const fails = fluidly && notEnlarged(fluidly);
  const better = fluidly && fails && enlargeable(fluidly);
  const number = (name: Field, label: string) => (
    <TextField
      size="small"
      label={label}
      value={fields[name]}
      onChange={(event) => setFields({ ...fields, [name]: event.target.value })}
      slotProps={{
        htmlInput: {
          inputMode: 'decimal',
          'aria-label':
            name === 'fromWidth'
              ? 'Width of the smallest size'
              : name === 'toWidth'
                ? 'Width of the largest size'
                : label,
        },
      }}
    />
  );
  return (
    <Box
      component="form"
      sx={{ p: 1.5, width: 250 }}
      onSubmit={(event) => {
        event.preventDefault();
        if (made.ok && onSet(made.value)) onClose();
      }}
    >
      <ToggleButtonGroup
        exclusive
        fullWidth
        size="small"
        aria-label="Kind of size"
        value={form}
        onChange={(_event, next: typeof form | null) => next && setForm(next)}
        sx={{ mb: 1.5, '& .MuiToggleButton-root': { py: 0.25, textTransform: 'none' } }}
      >
        <ToggleButton value="fixed">Fixed</ToggleButton>
        <ToggleButton value="fluid">Fluid</ToggleButton>
      </ToggleButtonGroup>
      {form === 'fixed' ? (
        <TextField
          size="small"
          fullWidth
          autoFocus
          label="Size in px"
          value={fixed}
          onChange={(event) => setFixed(event.target.value)}
        />
      ) : (
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.25 }}>
          {number('min', NUMBERS.min)}
          {number('fromWidth', NUMBERS.fromWidth)}
          {number('max', NUMBERS.max)}
          {number('toWidth', NUMBERS.toWidth)}
        </Box>
      )}
      <Typography
        sx={{ fontSize: 12, mt: 1, minHeight: 32, color: made.ok ? 'text.secondary' : 'error.main' }}
        role={made.ok ? undefined : 'alert'}
      >
        {made.ok
          ? form === 'fluid'
            ? `${Number(sizeAt(made.value as TextSize, cell.view.sheet.width).toFixed(1))} px at the ${cell.view.name} sheet’s ${cell.view.sheet.width} px`
            : 'The same at every width of the view'
          : made.sentence}
      </Typography>
      {better && (
        <Typography sx={{ fontSize: 12, mb: 1 }}>
          Zoom cannot double it in windows from {fails?.from} to {fails?.to} px (WCAG 1.4.4).{' '}
          <Button
            size="small"
            sx={{ p: 0, minWidth: 0, verticalAlign: 'baseline' }}
            onClick={() => setFields({ ...fields, min: String(better.min) })}
          >
            Take {better.min} as the smallest
          </Button>
        </Typography>
      )}
      <Button type="submit" variant="outlined" fullWidth disabled={!made.ok}>
        Set size
      </Button>
    </Box>
  );
}
