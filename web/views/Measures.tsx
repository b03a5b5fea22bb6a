import { Box, IconButton, Tooltip } from '@mui/material';
import { RotateCw } from 'lucide-react';
import type { Grid, SiteFrame, View } from '../../core/index.ts';
import { Field } from '../ui/Field.tsx';
import { pxIn } from '../ui/px.ts';
import { Devices } from './Devices.tsx';

/** px; the widest content that a grid can have, which is as wide as its view. */
const UNLIMITED = 4000;

interface MeasureProps {
  label: string;
  /** Whether the row says what it is. */
  alone?: boolean;
  view: View;
  value: number;
  disabled?: boolean;
  onDone(value: number): boolean;
}

/** A field for a number of a view. */
export function Measure({ label, alone, view, value, disabled, onDone }: MeasureProps) {
  return (
    <Field
      label={alone ? undefined : label}
      name={`${label}, ${view.name}`}
      numeric
      value={String(value)}
      most={9}
      disabled={disabled}
      onDone={(text) => onDone(pxIn(text))}
    />
  );
}

interface SheetFieldsProps {
  site: SiteFrame;
  view: View;
  onTake(sheet: View['sheet']): boolean;
}

/** How large the sheet of a view is at first, typed, taken from a device, or turned. */
export function SheetFields({ site, view, onTake }: SheetFieldsProps) {
  const { width, height } = view.sheet;
  return (
    <>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 0.75 }}>
        <Measure label="Width" view={view} value={width} onDone={(next) => onTake({ width: next, height })} />
        <Measure
          label="Height"
          view={view}
          value={height}
          onDone={(next) => onTake({ width, height: next })}
        />
      </Box>
      <Box sx={{ display: 'flex', justifyContent: 'space-between', mt: 0.25 }}>
        <Devices site={site} view={view} onTake={onTake} />
        <Tooltip title={`Turn it: ${height} × ${width}`}>
          <IconButton
            size="small"
            aria-label={`Turn the sheet of ${view.name} to ${height} × ${width}`}
            onClick={() => onTake({ width: height, height: width })}
          >
            <RotateCw size={15} />
          </IconButton>
        </Tooltip>
      </Box>
    </>
  );
}

const GRID: { label: string; name: keyof Grid }[] = [
  { label: 'Columns', name: 'columns' },
  { label: 'Gutter', name: 'gutter' },
  { label: 'Margin', name: 'margin' },
];

/** The longest of their names has room where there are five views. */
const GRID_FIELDS = {
  display: 'grid',
  gridTemplateColumns: '1.2fr 1fr 1fr',
  gap: 0.75,
  '& .MuiInputLabel-shrink': { maxWidth: 'none' },
};

interface GridProps {
  view: View;
  onChange(grid: Grid): boolean;
}

/** The columns of a view's grid, with what lies between and beside them. */
export function GridFields({ view, onChange }: GridProps) {
  return (
    <Box sx={GRID_FIELDS}>
      {GRID.map(({ label, name }) => (
        <Measure
          key={name}
          label={label}
          view={view}
          value={view.grid[name]}
          onDone={(value) => onChange({ ...view.grid, [name]: value })}
        />
      ))}
    </Box>
  );
}

/** How wide the content of a view is: fluid with it, or limited. */
export function ContentField({ view, onChange }: GridProps) {
  const { maxWidth } = view.grid;
  const fluid = maxWidth >= UNLIMITED;
  const change = (most: number) => onChange({ ...view.grid, maxWidth: most });
  return (
    <Field
      name={`Content max., ${view.name}`}
      value={fluid ? 'fluid' : String(maxWidth)}
      most={9}
      onDone={(text) => change(['', 'fluid'].includes(text.trim().toLowerCase()) ? UNLIMITED : pxIn(text))}
    />
  );
}
