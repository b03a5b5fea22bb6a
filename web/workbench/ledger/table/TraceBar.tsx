import { useLayoutEffect, useRef, useState } from 'react';
import { counted, TEXT_CONTRAST, type Page, type SiteFrame } from '../../../../core/index.ts';
import { valueAimed } from '../../../state/desk.ts';
import { useAppDispatch, useAppSelector } from '../../../state/store.ts';
import { layeredIn } from '../../../values/cells.ts';
import { traceChain } from '../../../values/chain.ts';
import { contrastSaid } from '../../../values/contrast.ts';
import { foundAt } from '../../../values/found.ts';
import { leading, propertyOfRow } from '../../../values/rows.ts';
import type { Place, ValueTable } from './useValueTable.ts';

/** The trace of the cell that is pointed at, or has the keyboard. Each link leads to the cell it speaks of. */
export function TraceBar(props: { site: SiteFrame; page: Page; table: ValueTable; traced: Place }) {
  const { site, page, table, traced } = props;
  const dispatch = useAppDispatch();
  const row = table.rows[traced.row];
  const cell = row && table.cells(traced.row)[traced.column];
  const chain = cell ? traceChain(site, page, row, cell) : [];
  const list = useAppSelector((state) => state.findings.list);
  const found = cell ? foundAt(list, row, cell.view.id) : [];
  // Where it was found to be too little, that is said already.
  const tooLittle = found.some(({ rule }) => rule === TEXT_CONTRAST);
  const contrast = cell && !tooLittle && contrastSaid(site, page, row, cell);
  const replaced =
    row && table.reach === 'everywhere'
      ? Object.keys(layeredIn(row, leading(row.holders), propertyOfRow(row))?.at ?? {}).length
      : 0;
  const { ref, cut, whole, turn } = useTwoLines(
    `${traced.row} ${traced.column}`,
    [...chain.map(({ text }) => text), contrast, ...found.map(({ sentence }) => sentence), replaced].join(
      ' ',
    ),
  );
  return (
    <div className="trace-bar">
      <div
        ref={ref}
        role="status"
        aria-label="Trace"
        className={whole ? 'trace' : 'trace short'}
        data-trace
        onKeyDown={(event) => {
          if (event.key !== 'Escape') return;
          event.stopPropagation();
          table.grid.current?.querySelector<HTMLElement>('[role=gridcell][tabindex="0"]')?.focus();
        }}
      >
        {cell && (
          <b>
            {row.label} in {cell.view.name}:{' '}
          </b>
        )}
        {chain.map(({ text, to }, index) => (
          <span key={text}>
            {index > 0 && ' · '}
            {to ? (
              <button type="button" onClick={() => dispatch(valueAimed(to))}>
                {text}
              </button>
            ) : (
              text
            )}
          </span>
        ))}
        {contrast && ` · ${contrast}`}
        {found.map(({ sentence }) => (
          <span key={sentence} className="trace-found">
            {' · '}
            {sentence}
          </span>
        ))}
        {replaced > 0 && ` · Everywhere replaces ${counted(replaced, 'override')}`}
      </div>
      {(cut || whole) && (
        <button type="button" className="trace-more" aria-expanded={whole} onClick={turn}>
          {whole ? 'Less' : 'More'}
        </button>
      )}
    </div>
  );
}

/** Keeps a text within two lines until all of it is asked for, of one thing after the other. */
function useTwoLines(of: string, said: string) {
  const [asked, setAsked] = useState<string | null>(null);
  const [cut, setCut] = useState(false);
  const ref = useRef<HTMLDivElement>(null);
  const whole = asked === of;
  useLayoutEffect(() => {
    const element = ref.current;
    if (element && !whole) setCut(element.scrollHeight > element.clientHeight + 1);
  }, [of, said, whole]);
  return { ref, cut, whole, turn: () => setAsked(whole ? null : of) };
}
