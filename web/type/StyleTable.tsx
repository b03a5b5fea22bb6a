import { Tooltip } from '@mui/material';
import { useEffect, useRef } from 'react';
import {
  curveAt,
  describeWidths,
  knownProperty,
  styleCurve,
  styleValueIn,
  type Finding,
  type SiteFrame,
  type TextStyle,
  type View,
} from '../../core/index.ts';
import { edit } from '../state/edits.ts';
import { useAppDispatch, useAppSelector } from '../state/store.ts';
import { Field } from '../ui/Field.tsx';
import { fluidWidths } from '../values/cells.ts';
import { columnsOf } from '../values/columns.ts';

interface StyleTableProps {
  site: SiteFrame;
  /** The text style that is looked at. */
  chosen: string;
  findings: readonly Finding[];
  /** px; the marked width. */
  width: number;
  onChoose(style: string): void;
}

const size = knownProperty('size');

/** px as they are read: in tenths. */
export const tenths = (px: number): string => String(Math.round(px * 10) / 10);

/** The text styles with their sizes in each view, to be typed as in the values, and what they are at the marked width. */
export function StyleTable({ site, chosen, findings, width, onChoose }: StyleTableProps) {
  const views = columnsOf(site);
  const row = useRef<HTMLTableRowElement>(null);
  useEffect(() => {
    // Browsers may answer with a promise, which is nothing to clean up.
    void row.current?.scrollIntoView({ block: 'nearest' });
  }, [chosen]);
  return (
    <div className="type-table">
      <table aria-label="Sizes of text styles">
        <thead>
          <tr>
            <th scope="col">Style</th>
            {views.map((view) => (
              <th key={view.id} scope="col" title={`${describeWidths(site.views, view.id)} px`}>
                {view.name}
              </th>
            ))}
            <th scope="col">At {width}</th>
          </tr>
        </thead>
        <tbody>
          {site.textStyles.map((style) => {
            const problems = findings.filter(({ of }) => 'textStyle' in of && of.textStyle === style.id);
            return (
              <tr
                key={style.id}
                ref={style.id === chosen ? row : undefined}
                className={style.id === chosen ? 'chosen' : undefined}
                onClick={() => onChoose(style.id)}
              >
                <th scope="row">
                  <button type="button" aria-pressed={style.id === chosen} onClick={() => onChoose(style.id)}>
                    {style.name}
                  </button>
                  {problems.length > 0 && (
                    <Tooltip title={problems.map(({ sentence }) => sentence).join(' ')}>
                      <span className="type-amiss" role="img" aria-label={`${problems.length} found`} />
                    </Tooltip>
                  )}
                </th>
                {views.map((view) => (
                  <td key={view.id}>
                    <SizeCell site={site} style={style} view={view} />
                  </td>
                ))}
                <td className="type-at">{tenths(curveAt(styleCurve(site, style), width))}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

/** The size of a text style in a view; what is typed is kept as far as edits go. */
function SizeCell({ site, style, view }: { site: SiteFrame; style: TextStyle; view: View }) {
  const dispatch = useAppDispatch();
  const reach = useAppSelector((state) => state.desk.reach);
  const own = style.style.self?.size;
  const set = view.id === site.views.base ? own?.base !== undefined : own?.at?.[view.id] !== undefined;
  const value = styleValueIn(site, style, 'size', view.id);
  const context = { site, fluidWidths: fluidWidths(site, view.id, reach) };
  const take = (text: string): boolean => {
    const target = { textStyle: style.id, property: 'size', view: view.id };
    if (text.trim() === '') return dispatch(edit('clearValue', target));
    const read = size.type.parse(text, context);
    return read.ok && dispatch(edit('setValue', { ...target, value: read.value, reach }));
  };
  return (
    <div className={`type-size${set ? (view.id === site.views.base ? ' base' : ' own') : ''}`}>
      <Field
        name={`Size of ${style.name} in ${view.name}`}
        value={size.type.format(value, context)}
        most={40}
        onDone={take}
      />
    </div>
  );
}
