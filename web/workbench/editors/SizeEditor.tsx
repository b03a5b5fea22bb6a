import {
  enlargeable,
  fluid,
  isFluid,
  isProportional,
  measureAt,
  notEnlarged,
  type Outcome,
  proportional,
  sizeAt,
  sure,
  type TextSize,
  type ValueContext,
  type View,
  wholePlace,
  widthsIn,
  knownProperty,
} from '../../../core/index.ts';
import { Box, Button, TextField, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import { openPage } from '../../state/documents.ts';
import { useAppSelector } from '../../state/store.ts';
import { isNode, leading } from '../../values/rows.ts';
import type { EditorProps } from './editor.ts';
import { FitWords } from './FitWords.tsx';

type Form = 'fixed' | 'fluid' | 'proportional';

/** What is typed for a size of each form. */
type Typed = Record<'fixed' | 'min' | 'max' | 'fromWidth' | 'toWidth' | 'share' | 'least' | 'most', string>;

const formOf = (size: TextSize): Form =>
  typeof size === 'number' ? 'fixed' : isFluid(size) ? 'fluid' : 'proportional';

/** What a size is in a place so wide, in px, and what it could be in the other forms. */
function typedOf(size: TextSize, { sheet }: View, across: number, { fluidWidths }: ValueContext): Typed {
  const now = Number(sizeAt(size, sheet.width, across).toFixed(1));
  const growing =
    typeof size === 'object' && isFluid(size)
      ? size
      : { min: now, max: now, ...sure(fluidWidths, 'fluidWidths') };
  const shared =
    typeof size === 'object' && isProportional(size)
      ? size
      : { share: Number(((now / Math.max(1, across)) * 100).toFixed(2)), least: undefined, most: undefined };
  return {
    fixed: String(now),
    min: String(growing.min),
    max: String(growing.max),
    fromWidth: String(growing.fromWidth),
    toWidth: String(growing.toWidth),
    share: String(shared.share),
    least: String(shared.least ?? ''),
    most: String(shared.most ?? ''),
  };
}

const read = (text: string): number => (text.trim() === '' ? NaN : Number(text.replace(',', '.')));
const optional = (text: string): number | undefined => (text.trim() === '' ? undefined : read(text));

function sizeOf(form: Form, typed: Typed, parse: (text: string) => Outcome<TextSize>): Outcome<TextSize> {
  if (form === 'fixed') return parse(typed.fixed);
  if (form === 'fluid')
    return fluid({
      min: read(typed.min),
      max: read(typed.max),
      fromWidth: read(typed.fromWidth),
      toWidth: read(typed.toWidth),
    });
  return proportional({
    share: read(typed.share.replace('%', '')),
    least: optional(typed.least),
    most: optional(typed.most),
  });
}

/** The fields of each form: what they are called in sight, and where that is not enough, what they are called to those who hear it. */
const FIELDS: Record<Form, [name: keyof Typed, label: string, heard?: string][]> = {
  fixed: [['fixed', 'Size in px']],
  fluid: [
    ['min', 'Smallest'],
    ['fromWidth', 'At width', 'Width of the smallest size'],
    ['max', 'Largest'],
    ['toWidth', 'At width', 'Width of the largest size'],
  ],
  proportional: [
    ['share', 'Percent of its container'],
    ['least', 'Min., px'],
    ['most', 'Max., px'],
  ],
};

/** A text size: one number, two with the widths between which it grows, or a share of the width of its place. */
export function SizeEditor({ site, cell, row, context, onSet, onClose }: EditorProps) {
  const value = cell.value as TextSize;
  const [form, setForm] = useState(() => formOf(value));
  const page = useAppSelector((state) => sure(openPage(state)).page);
  const holder = leading(row.holders);
  const across = useMemo(() => {
    const { id, sheet } = cell.view;
    const place = isNode(holder) ? widthsIn(site, page).placeIn(holder.id, id) : wholePlace(site, id);
    return measureAt(place, sheet.width);
  }, [site, page, holder, cell.view]);
  const [typed, setTyped] = useState(() => typedOf(value, cell.view, across, context));
  const made = sizeOf(form, typed, (text) => knownProperty('size').type.parse(text, context));
  const following = made.ok && typeof made.value === 'object' ? made.value : undefined;
  const fails = following && notEnlarged(following);
  const better = following && fails && enlargeable(following);
  const take = (next: Partial<Typed>) => setTyped({ ...typed, ...next });
  const said = () => {
    if (!made.ok) return made.sentence;
    if (!following) return 'The same at every width of the view';
    return `${Number(sizeAt(following, cell.view.sheet.width, across).toFixed(1))} px at the ${cell.view.name} sheet’s ${cell.view.sheet.width} px`;
  };
  return (
    <Box
      component="form"
      sx={{ p: 1.5, width: 276 }}
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
        onChange={(_event, next: Form | null) => next && setForm(next)}
        sx={{ mb: 1.5, '& .MuiToggleButton-root': { py: 0.25, textTransform: 'none' } }}
      >
        <ToggleButton value="fixed">Fixed</ToggleButton>
        <ToggleButton value="fluid">Fluid</ToggleButton>
        <ToggleButton value="proportional">Proportional</ToggleButton>
      </ToggleButtonGroup>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.25 }}>
        {FIELDS[form].map(([name, label, heard], index) => (
          <TextField
            key={name}
            size="small"
            label={label}
            value={typed[name]}
            autoFocus={form === 'fixed'}
            onChange={(event) => take({ [name]: event.target.value })}
            sx={form !== 'fluid' && index === 0 ? { gridColumn: '1 / -1' } : undefined}
            slotProps={{ htmlInput: { inputMode: 'decimal', 'aria-label': heard ?? label } }}
          />
        ))}
      </Box>
      {form === 'proportional' && isNode(holder) && row.part === 'self' && (
        <FitWords
          site={site}
          node={holder}
          view={cell.view}
          onShare={(share) => take({ share: String(share) })}
        />
      )}
      <Typography
        sx={{ fontSize: 12, mt: 1, minHeight: 32, color: made.ok ? 'text.secondary' : 'error.main' }}
        role={made.ok ? undefined : 'alert'}
      >
        {said()}
      </Typography>
      {better && (
        <Typography sx={{ fontSize: 12, mb: 1 }}>
          Zoom cannot double it in windows from {fails.from} to {fails.to} px (WCAG 1.4.4).{' '}
          <Button
            size="small"
            sx={{ p: 0, minWidth: 0, verticalAlign: 'baseline' }}
            onClick={() =>
              take(
                isFluid(better)
                  ? { min: String(better.min) }
                  : { least: String(better.least), most: String(better.most) },
              )
            }
          >
            {isFluid(better)
              ? `Take ${better.min} as the smallest`
              : `Take ${better.least} and ${better.most} as limits`}
          </Button>
        </Typography>
      )}
      <Button type="submit" variant="outlined" fullWidth disabled={!made.ok}>
        Set size
      </Button>
    </Box>
  );
}
