import { Box, Button, MenuItem, Slider, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { aliasTo, cssColour, type Gradient } from '../../../core/index.ts';
import { swatchOf } from '../../values/swatch.ts';
import type { EditorProps } from './editor.ts';

/** A gradient from one of the site's colours to another, at an angle; or none. */
export function GradientEditor({ site, cell, onSet, onClose }: EditorProps) {
  const first = site.colours[0] ? aliasTo(site.colours[0].id) : 'black';
  const start: Gradient =
    cell.value === 'none' || cell.mixed
      ? { angle: 180, from: first, to: 'transparent' }
      : (cell.value as Gradient);
  const [gradient, setGradient] = useState(start);
  const colours = [
    ...site.colours.map(({ id, name }) => ({ value: aliasTo(id), name })),
    { value: 'transparent', name: 'transparent' },
  ];
  const known = (value: string) => colours.some((colour) => colour.value === value);
  const choice = (end: 'from' | 'to', label: string) => (
    <TextField
      select
      size="small"
      label={label}
      value={gradient[end]}
      onChange={(event) => setGradient({ ...gradient, [end]: event.target.value })}
    >
      {!known(gradient[end]) && cssColour(gradient[end]) && (
        <MenuItem value={gradient[end]}>{gradient[end]}</MenuItem>
      )}
      {colours.map(({ value, name }) => (
        <MenuItem key={value} value={value}>
          {name}
        </MenuItem>
      ))}
    </TextField>
  );
  return (
    <Box
      component="form"
      sx={{ p: 1.5, width: 250, display: 'grid', gap: 1.25 }}
      onSubmit={(event) => (event.preventDefault(), onSet(gradient) && onClose())}
    >
      <Box
        aria-hidden
        sx={{ height: 44, borderRadius: 0.5, border: '1px solid rgba(0,0,0,.25)' }}
        style={{
          background: `linear-gradient(${gradient.angle}deg, ${swatchOf(site, gradient.from)}, ${swatchOf(site, gradient.to)})`,
        }}
      />
      {choice('from', 'From')}
      {choice('to', 'To')}
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5 }}>
        <Typography sx={{ fontSize: 12, width: 70, flex: 'none' }}>{`Angle ${gradient.angle}°`}</Typography>
        <Slider
          size="small"
          aria-label="Angle in degrees"
          min={0}
          max={360}
          step={5}
          value={gradient.angle}
          onChange={(_event, angle) => setGradient({ ...gradient, angle: angle })}
        />
      </Box>
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button type="submit" variant="outlined" sx={{ flex: 1 }}>
          Set gradient
        </Button>
        <Button onClick={() => onSet('none') && onClose()}>None</Button>
      </Box>
    </Box>
  );
}
