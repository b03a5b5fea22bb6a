import {
  callOf,
  counted,
  curveAt,
  knownIn,
  lastOf,
  lookup,
  RATIOS,
  type Scale,
  type ScaleEnd,
  scaleFault,
  type ScaleRounding,
  scaleSize,
  type SiteFrame,
  sizeAt,
  styleCurve,
} from '../../core/index.ts';
import { Box, Checkbox, MenuItem, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { edit } from '../state/edits.ts';
import { useAppDispatch } from '../state/store.ts';
import { quiet } from '../ui/theme.ts';
import { useToggled } from '../ui/toggled.ts';
import { PreviewCurves } from './PreviewCurves.tsx';
import { tenths } from './StyleTable.tsx';
import { FormDialog } from '../ui/FormDialog.tsx';

const ROUNDINGS: readonly { value: ScaleRounding; label: string }[] = [
  { value: 1, label: 'whole px' },
  { value: 0.5, label: 'halves of a px' },
  { value: 0.25, label: 'quarters of a px' },
  { value: 'none', label: 'not at all' },
];

const BODY = 'body';

/** px; the widths of the narrowest and the widest sheet that a site is looked at in. */
const endsOf = ({ views }: SiteFrame): [number, number] => [
  views.list[0].sheet.width,
  lastOf(views.list).sheet.width,
];

const number = (text: string): number => (text.trim() === '' ? NaN : Number(text.replace(',', '.')));

type Typed = Record<keyof ScaleEnd, string>;

const ended = ({ width, base, ratio }: Typed): ScaleEnd => ({
  width: number(width),
  base: number(base),
  ratio: number(ratio),
});

/** How many steps a size is from the body's, on the scale that the wide end has. */
const stepOf = (px: number, body: number, ratio: number): number =>
  ratio > 1 ? Math.round(Math.log(px / body) / Math.log(ratio)) : 0;

/** Sizes for all text styles from a size and a ratio at each of two widths, seen before they are taken. */
export function ScaleStylesDialog({ site, onClose }: { site: SiteFrame; onClose(): void }) {
  const dispatch = useAppDispatch();
  const [narrowWidth, wideWidth] = endsOf(site);
  const curves = new Map(site.textStyles.map((style) => [style.id, styleCurve(site, style)]));
  const now = (id: string, width: number) => curveAt(knownIn(curves, id), width);
  const body = site.textStyles.find(({ id }) => id === BODY) ?? site.textStyles[0];
  const [narrow, setNarrow] = useState<Typed>({
    width: String(narrowWidth),
    base: tenths(now(body.id, narrowWidth)),
    ratio: '1.2',
  });
  const [wide, setWide] = useState<Typed>({
    width: String(wideWidth),
    base: tenths(now(body.id, wideWidth)),
    ratio: '1.25',
  });
  const [rounding, setRounding] = useState<ScaleRounding>(0.5);
  const [moved, setMoved] = useState<Record<string, number>>({});
  const [heldBack, hold] = useToggled<string>();
  const scale: Scale = { narrow: ended(narrow), wide: ended(wide), rounding };
  const fault = scaleFault(scale);
  const lines = site.textStyles.map((style) => {
    const step =
      lookup(moved, style.id) ?? stepOf(now(style.id, wideWidth), now(body.id, wideWidth), scale.wide.ratio);
    const size = scaleSize(scale, step);
    return { style, step, size };
  });
  const taken = lines.filter(({ style }) => !heldBack.has(style.id));
  const wrong = fault ?? taken.map(({ size }) => (size.ok ? undefined : size.sentence)).find(Boolean);
  const steps = taken.map(({ style, step }) => ({ textStyle: style.id, step }));
  const take = () => {
    if (dispatch(edit('scaleStyles', { scale, steps }))) onClose();
  };
  return (
    <FormDialog
      title="Sizes from a scale"
      verb={`Give ${counted(taken.length, 'style')} these sizes`}
      disabled={wrong !== undefined || taken.length === 0}
      onDone={take}
      width="md"
      onClose={onClose}
    >
      <Typography sx={{ fontSize: 13, color: quiet, mb: 2 }}>
        Each step is a ratio larger than the one before. Sizes grow from the narrow end to the wide one, in
        all views; a style that is not included keeps its own.
      </Typography>
      <End label="Narrow end" typed={narrow} onType={setNarrow} />
      <End label="Wide end" typed={wide} onType={setWide} />
      <TextField
        select
        size="small"
        label="Rounded to"
        value={rounding}
        onChange={({ target }) => setRounding(target.value as ScaleRounding)}
        sx={{ width: 180, mb: 1.5 }}
      >
        {ROUNDINGS.map(({ value, label }) => (
          <MenuItem key={value} value={value}>
            {label}
          </MenuItem>
        ))}
      </TextField>
      <PreviewCurves site={site} call={wrong ? undefined : callOf('scaleStyles', { scale, steps })} />
      <div className="type-table" style={{ maxHeight: 300, overflowY: 'auto' }}>
        <table aria-label="What each style gets">
          <thead>
            <tr>
              <th scope="col">Style</th>
              <th scope="col">Step</th>
              <th scope="col">Narrow end</th>
              <th scope="col">Wide end</th>
            </tr>
          </thead>
          <tbody>
            {lines.map(({ style, step, size }) => (
              <tr key={style.id}>
                <th scope="row">
                  <Checkbox
                    size="small"
                    sx={{ p: 0.25, mr: 0.5 }}
                    checked={!heldBack.has(style.id)}
                    onChange={() => hold(style.id)}
                    slotProps={{ input: { 'aria-label': `${style.name} follows the scale` } }}
                  />
                  {style.name}
                </th>
                <td>
                  <input
                    type="number"
                    className="type-step"
                    aria-label={`Step of ${style.name}`}
                    value={step}
                    disabled={heldBack.has(style.id)}
                    onChange={({ target }) =>
                      setMoved({ ...moved, [style.id]: Math.round(number(target.value)) })
                    }
                  />
                </td>
                {[scale.narrow.width, scale.wide.width].map((width, index) => (
                  <td key={index === 0 ? 'narrow' : 'wide'}>
                    {fault || !size.ok || heldBack.has(style.id)
                      ? heldBack.has(style.id)
                        ? 'as it is'
                        : '–'
                      : `${tenths(now(style.id, width))} → ${tenths(sizeAt(size.value, width))}`}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {wrong && (
        <Typography role="alert" sx={{ fontSize: 13, color: 'error.main', mt: 1 }}>
          {wrong}
        </Typography>
      )}
    </FormDialog>
  );
}

interface EndProps {
  label: string;
  typed: Typed;
  onType(typed: Typed): void;
}

/** One end of a scale: the width at which it holds, the body's size there, and the ratio, by name or as a number. */
function End({ label, typed, onType }: EndProps) {
  const field = (name: keyof Typed, words: string, width: number) => (
    <TextField
      size="small"
      label={words}
      value={typed[name]}
      onChange={({ target }) => onType({ ...typed, [name]: target.value })}
      sx={{ width }}
      slotProps={{ htmlInput: { inputMode: 'decimal', 'aria-label': `${label}: ${words}` } }}
    />
  );
  const named = RATIOS.find(({ value }) => value === number(typed.ratio));
  return (
    <Box role="group" aria-label={label} sx={{ display: 'flex', gap: 1.25, alignItems: 'center', mb: 1.5 }}>
      <Typography sx={{ fontSize: 13, fontWeight: 700, width: 84 }}>{label}</Typography>
      {field('width', 'Window, px', 104)}
      {field('base', 'Body, px', 90)}
      {field('ratio', 'Ratio', 80)}
      <TextField
        select
        size="small"
        label="Name"
        value={named ? String(named.value) : ''}
        onChange={({ target }) => onType({ ...typed, ratio: target.value })}
        sx={{ width: 190 }}
        slotProps={{ select: { 'aria-label': `${label}: named` } }}
      >
        {!named && <MenuItem value="">a custom ratio</MenuItem>}
        {RATIOS.map(({ name, value }) => (
          <MenuItem key={name} value={String(value)}>
            {name}, {value}
          </MenuItem>
        ))}
      </TextField>
    </Box>
  );
}
