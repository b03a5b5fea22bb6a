import { Button, InputBase } from '@mui/material';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { held, type SiteFrame, type SpacingStep, type View } from '../../../../core/index.ts';
import { edit } from '../../../state/edits.ts';
import { useAppDispatch, useAppSelector } from '../../../state/store.ts';
import { columnsOf, gridColumns } from '../../values/columns.ts';
import { reachOf } from '../../values/reach.ts';

/** A step's size in a view; typing and Enter set it with the current reach, an emptied cell is inherited again. */
function SizeCell({ site, step, view }: { site: SiteFrame; step: SpacingStep; view: View }) {
  const dispatch = useAppDispatch();
  const reach = useAppSelector((state) => state.desk.reach);
  const [text, setText] = useState<string | null>(null);
  const size = held(step.size, site.views, view.id)!;
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
    if (text.trim() === '') dispatch(edit('setSpacing', target));
    else if (Number(text.replace(',', '.')) !== size.value || (wanted !== own?.reach && own))
      dispatch(edit('setSpacing', { ...target, size: Number(text.replace(',', '.')) }));
  };
  return (
    <InputBase
      value={text ?? String(size.value)}
      onChange={(event) => setText(event.target.value)}
      onBlur={() => keep()}
      onKeyDown={(event) => {
        if (event.key === 'Enter') keep(reachOf(event, reach));
        else if (event.key === 'Escape') setText(null);
        else return;
        event.stopPropagation();
      }}
      className={`value-bar ${look}${own?.reach === 'here' ? ' bounded' : ''}`}
      inputProps={{
        'aria-label': `${step.name} in ${view.name}`,
        inputMode: 'decimal',
        style: { textAlign: 'center', padding: 0 },
      }}
      sx={{ fontSize: 12, fontWeight: 'inherit', height: 21 }}
    />
  );
}

/** The steps of the spacing scale by view. Every distance that takes a step follows it. */
export function SpacingList({ site }: { site: SiteFrame }) {
  const dispatch = useAppDispatch();
  const add = () => {
    const sizes = site.spacing.map(({ size }) => size.base ?? 0);
    const name = Array.from({ length: 100 }, (_each, index) => `Step ${index + 1}`).find(
      (each) => !site.spacing.some((step) => step.name === each),
    )!;
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
            <span>{step.name}</span>
          </div>
          {columnsOf(site).map((view) => (
            <SizeCell key={view.id} site={site} step={step} view={view} />
          ))}
        </div>
      ))}
      <Button size="small" startIcon={<Plus size={14} />} sx={{ ml: 0.5 }} onClick={add}>
        Add a step
      </Button>
    </div>
  );
}
