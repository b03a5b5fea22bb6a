import {
  callOf,
  counted,
  knownIn,
  scaledSize,
  SCALES,
  type SiteFrame,
  sizeInSheet,
  SMALLEST_READ,
  styleValueIn,
  suggestedSizes,
  viewId,
  type ViewId,
  viewOf,
} from '../../core/index.ts';
import { Box, Checkbox, MenuItem, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { edit } from '../state/edits.ts';
import { useAppDispatch, useAppSelector } from '../state/store.ts';
import { quiet } from '../ui/theme.ts';
import { useToggled } from '../ui/toggled.ts';
import { columnsOf } from '../values/columns.ts';
import { Choice } from './Choice.tsx';
import { PreviewCurves } from './PreviewCurves.tsx';
import { tenths } from './StyleTable.tsx';
import { FormDialog } from '../ui/FormDialog.tsx';

/** Sizes for a view, suggested from the base view's or by a factor, seen before they are taken: all, some or none. */
export function ViewSizesDialog({ site, onClose }: { site: SiteFrame; onClose(): void }) {
  const dispatch = useAppDispatch();
  const reach = useAppSelector((state) => state.desk.reach);
  const views = columnsOf(site);
  const [view, setView] = useState<ViewId>(() => site.views.list[0].id);
  const [way, setWay] = useState<'suggested' | 'factor'>(view === site.views.base ? 'factor' : 'suggested');
  const [typed, setTyped] = useState('90');
  const [left, toggle] = useToggled<string>();
  const percent = typed.trim() === '' ? NaN : Number(typed.replace(',', '.').replace('%', ''));
  const wrong = way === 'factor' && !(percent >= SCALES.least && percent <= SCALES.most);
  const suggested = suggestedSizes(site, view);
  const lines = wrong
    ? []
    : site.textStyles.map((style) => {
        const size = styleValueIn(site, style, 'size', view);
        const next =
          way === 'suggested' ? knownIn(suggested, style.id) : scaledSize(size, percent, SMALLEST_READ);
        const now = sizeInSheet(site, style, view);
        const then =
          way === 'suggested'
            ? knownIn(suggested, style.id)
            : (scaledSize(now, percent, SMALLEST_READ) as number);
        const kept = way === 'factor' && (scaledSize(now, percent, 0) as number) < then;
        return { style, next, now, then, kept, changes: way === 'factor' ? then !== now : size !== next };
      });
  const taken = lines.filter(({ style, changes }) => changes && !left.has(style.id));
  const sizes = taken.map(({ style, next }) => ({ textStyle: style.id, size: next }));
  const take = () => {
    if (dispatch(edit('setStyleSizes', { sizes, view, reach }))) onClose();
  };
  const { name, sheet } = viewOf(site.views, view);
  return (
    <FormDialog
      title="Sizes for a view"
      verb={`Change ${counted(taken.length, 'style')} in ${name}`}
      disabled={wrong || taken.length === 0}
      onDone={take}
      width="sm"
      wide
      onClose={onClose}
    >
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', mb: 2, mt: 0.75 }}>
        <TextField
          select
          size="small"
          label="View"
          value={view}
          onChange={({ target }) => {
            setView(viewId(target.value));
            if (viewId(target.value) === site.views.base) setWay('factor');
          }}
          sx={{ width: 150 }}
        >
          {views.map((each) => (
            <MenuItem key={each.id} value={each.id}>
              {each.name}
            </MenuItem>
          ))}
        </TextField>
        <Choice<'suggested' | 'factor'>
          label="How"
          value={way}
          options={{ suggested: 'Suggested', factor: 'By a factor' }}
          onChange={(next) => setWay(view === site.views.base ? 'factor' : next)}
        />
        {way === 'factor' && (
          <TextField
            size="small"
            label="Percent"
            value={typed}
            error={wrong}
            onChange={({ target }) => setTyped(target.value)}
            sx={{ width: 96 }}
            slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          />
        )}
      </Box>
      <Typography sx={{ fontSize: 13, color: quiet, mb: 1 }}>
        {way === 'suggested'
          ? `From the sizes of the base view: the narrower a view, the closer the larger sizes are to the body size. At ${sheet.width} px.`
          : `All by one factor, in proportion; ${SMALLEST_READ} px or more. At ${sheet.width} px.`}
      </Typography>
      {wrong ? (
        <Typography role="alert" sx={{ fontSize: 13, color: 'error.main' }}>
          A factor is from {SCALES.least} to {SCALES.most} %.
        </Typography>
      ) : (
        <>
          <PreviewCurves site={site} call={callOf('setStyleSizes', { sizes, view, reach })} />
          <div className="type-table" style={{ maxHeight: 260, overflowY: 'auto' }}>
            <table aria-label={`Sizes in ${name}`}>
              <thead>
                <tr>
                  <th scope="col">Style</th>
                  <th scope="col">Now</th>
                  <th scope="col">After</th>
                </tr>
              </thead>
              <tbody>
                {lines.map(({ style, now, then, kept, changes }) => (
                  <tr key={style.id}>
                    <th scope="row">
                      <Checkbox
                        size="small"
                        sx={{ p: 0.25, mr: 0.5 }}
                        checked={changes && !left.has(style.id)}
                        disabled={!changes}
                        onChange={() => toggle(style.id)}
                        slotProps={{ input: { 'aria-label': `Change ${style.name}` } }}
                      />
                      {style.name}
                    </th>
                    <td>{tenths(now)}</td>
                    <td>
                      {tenths(then)}
                      {kept && ', the smallest allowed'}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </>
      )}
    </FormDialog>
  );
}
