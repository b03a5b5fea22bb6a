import {
  held,
  isFluid,
  same,
  type SiteFrame,
  type SpacingStep,
  stepType,
  sure,
  theOne,
  type View,
} from '../../../../core/index.ts';
import { Button, ButtonBase, InputBase } from '@mui/material';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { documents } from '../../../state/documents.ts';
import { edit } from '../../../state/edits.ts';
import { fluidWidths } from '../../../values/cells.ts';
import { useAppDispatch, useAppSelector } from '../../../state/store.ts';
import { columnsOf, gridColumns } from '../../../values/columns.ts';
import { reachOf } from '../../../values/reach.ts';
import { ThemeCard } from './ThemeCard.tsx';

const { refusedEdit } = documents.actions;

/** A step's size in a view; typing and Enter set it with the current reach, an emptied cell is inherited again. “16–24” is fluid. */
function SizeCell({ site, step, view }: { site: SiteFrame; step: SpacingStep; view: View }) {
  const dispatch = useAppDispatch();
  const reach = useAppSelector((state) => state.desk.reach);
  const [text, setText] = useState<string | null>(null);
  const size = sure(held(step.size, site.views, view.id));
  const own = step.size.at?.[view.id];
  const look =
    view.id === site.views.base
      ? 'base'
      : own
        ? 'own'
        : size.view === site.views.base
          ? 'inherited'
          : 'reached';
  const keep = (wanted = reach) => {
    if (text === null) return;
    setText(null);
    const target = { id: step.id, name: step.name, view: view.id, reach: wanted };
    if (text.trim() === '') {
      dispatch(edit('setSpacing', target));
      return;
    }
    const made = stepType.parse(text, { site, fluidWidths: fluidWidths(site, view.id, wanted) });
    if (!made.ok) dispatch(refusedEdit(`${made.sentence} The step was not changed.`));
    else if (!same(made.value, size.value) || (wanted !== own?.reach && own))
      dispatch(edit('setSpacing', { ...target, size: made.value }));
  };
  const whole = sure(stepType.written, 'written')(size.value, { site });
  return (
    <InputBase
      value={text ?? stepType.format(size.value, { site })}
      // What is edited is seen in full, with the widths that it grows between.
      onFocus={(event) => {
        if (isFluid(size.value)) setText(whole);
        event.target.select();
      }}
      onChange={(event) => setText(event.target.value)}
      onBlur={() => (text === whole ? setText(null) : keep())}
      onKeyDown={(event) => {
        if (event.key === 'Enter') keep(reachOf(event, reach));
        else if (event.key === 'Escape') setText(null);
        else return;
        event.stopPropagation();
      }}
      className={`value-bar ${look}${own?.reach === 'here' ? ' bounded' : ''}`}
      inputProps={{
        'aria-label': `${step.name} in ${view.name}`,
        title: sure(stepType.describe, 'describe')(size.value),
        style: { textAlign: 'center', padding: 0 },
      }}
      sx={{ fontSize: 12, fontWeight: 'inherit', height: 21 }}
    />
  );
}

/** A step's name, which can be another, and the way to let go of it. */
function StepCard({ step, anchor, onClose }: { step: SpacingStep; anchor: HTMLElement; onClose(): void }) {
  const dispatch = useAppDispatch();
  const [name, setName] = useState(step.name);
  return (
    <ThemeCard
      label={`Step ${step.name}`}
      anchor={anchor}
      name={name}
      onName={setName}
      keep="Rename"
      onKeep={() => name.trim() === step.name || dispatch(edit('nameSpacing', { id: step.id, name }))}
      of={{ list: 'spacing', id: step.id }}
      onClose={onClose}
    />
  );
}

/** The steps of the spacing scale by view. Every distance that takes a step follows it. */
export function SpacingList({ site }: { site: SiteFrame }) {
  const dispatch = useAppDispatch();
  const [open, setOpen] = useState<{ step: SpacingStep; anchor: HTMLElement } | null>(null);
  const add = () => {
    const sizes = site.spacing.map(({ size: { base = 0 } }) => (isFluid(base) ? base.max : base));
    const name = theOne(
      Array.from({ length: 100 }, (_each, index) => `Step ${index + 1}`),
      (each) => !site.spacing.some((step) => step.name === each),
    );
    dispatch(
      edit('setSpacing', {
        name,
        view: site.views.base,
        size: Math.min(600, Math.max(0, ...sizes) + 16),
        reach: 'everywhere',
      }),
    );
  };
  return (
    <div role="group" aria-label="Spacing scale">
      {site.spacing.map((step) => (
        <div key={step.id} className="theme-row" style={{ gridTemplateColumns: gridColumns(site) }}>
          <div className="outline-name" style={{ paddingLeft: 10 }}>
            <ButtonBase
              aria-label={`Step ${step.name}`}
              title="Rename or remove"
              onClick={(event) => setOpen({ step, anchor: event.currentTarget })}
              sx={{ fontSize: 'inherit', px: 0.5, ml: -0.5, borderRadius: 0.5, minHeight: 24 }}
            >
              {step.name}
            </ButtonBase>
          </div>
          {columnsOf(site).map((view) => (
            <SizeCell key={view.id} site={site} step={step} view={view} />
          ))}
        </div>
      ))}
      <Button size="small" startIcon={<Plus size={14} />} sx={{ ml: 0.5 }} onClick={add}>
        Add a step
      </Button>
      {open && <StepCard {...open} onClose={() => setOpen(null)} />}
    </div>
  );
}
