import { Box, Button, Typography } from '@mui/material';
import { selected as select } from '../../../state/desk.ts';
import { useAppDispatch } from '../../../state/store.ts';
import { quiet } from '../../../ui/theme.ts';
import { ChevronDown, ChevronRight } from 'lucide-react';
import { useRef, useState } from 'react';
import { counted, type Page, type SiteFrame, type ViewId } from '../../../../core/index.ts';
import { VirtualRows } from '../../../ui/VirtualRows.tsx';
import { ValueCard } from '../../editors/ValueCard.tsx';
import { ActiveColumn } from '../columns/ActiveColumn.tsx';
import { contextOf } from '../../../values/cells.ts';
import {
  foundAround,
  isNarrowing,
  overridesIn,
  propertyOfRow,
  type Narrowed,
  type RowGroup,
  type Subject,
} from '../../../values/rows.ts';
import { Narrowing } from './Narrowing.tsx';
import { SameInEveryView } from '../content/SameInEveryView.tsx';
import { TraceBar } from './TraceBar.tsx';
import { useValueTable, type Place, type ValueTable } from './useValueTable.ts';
import { ValueRowView } from './ValueRowView.tsx';
import { subjectName, ValuesHead } from './ValuesHead.tsx';
import { lazily } from '../../../ui/lazily.tsx';
import { useRowHeights } from '../columns/density.ts';

const Sharing = lazily(async () => (await import('../sharing/Sharing.tsx')).Sharing);

const EVERYTHING: Narrowed = { text: '', onlySet: false };

/** px; the heights of the heading of a group, and of a row. */
const HEADING = 27;

interface ValuesProps {
  site: SiteFrame;
  page: Page;
  subject: Subject;
  active: ViewId;
}

/** By what it is remembered whether what is the same in every view is unfolded. */
const SAME = 'same in every view';

/** The card of the cell that is open, if one is. */
function OpenCard({ site, page, table }: Pick<ValuesProps, 'site' | 'page'> & { table: ValueTable }) {
  const { opened, reach, rows } = table;
  if (opened?.how !== 'card' || !rows[opened.at.row]) return null;
  const { at, anchor } = opened;
  const row = rows[at.row];
  const cell = table.cells(at.row)[at.column];
  const clear = () => {
    table.clear(at);
    table.close();
  };
  return (
    <ValueCard
      anchor={anchor}
      site={site}
      row={row}
      cell={cell}
      context={contextOf(site, page, row, cell.view, reach)}
      reach={reach}
      onSet={(value, wanted) => table.set(at, value, wanted)}
      onClose={() => table.close()}
      onClear={
        cell.state === 'own' || (cell.state === 'base' && !propertyOfRow(row).wording) ? clear : undefined
      }
    />
  );
}

function GroupHeading({
  group,
  open,
  line,
  offset,
  onFold,
}: {
  group: RowGroup;
  open: boolean;
  line: number;
  offset: number;
  onFold: () => void;
}) {
  const count = open ? 0 : overridesIn(group);
  const Sign = open ? ChevronDown : ChevronRight;
  return (
    <div
      role="row"
      aria-rowindex={line + 1}
      className="ledger-row"
      style={{ transform: `translateY(${offset}px)` }}
    >
      <div role="rowheader">
        <button type="button" className="group-heading" aria-expanded={open} onClick={onFold}>
          <Sign size={12} aria-hidden />
          {group.label}
          {!open && <span>{group.rows.length} more</span>}
          {count > 0 && <span>{counted(count, 'override')}</span>}
        </button>
      </div>
    </div>
  );
}

/** The properties of what is selected, a row each, in the columns of the views. */
export function Values({ site, page, subject, active }: ValuesProps) {
  const { values: height } = useRowHeights();
  const [narrowed, setNarrowed] = useState<Narrowed>(EVERYTHING);
  const field = useRef<HTMLInputElement>(null);
  const table = useValueTable(site, page, subject, active, {
    narrowed,
    onNarrow: (next) => (next ? setNarrowed(next) : field.current?.focus()),
  });
  const [pointed, setPointed] = useState<Place | null>(null);
  const traced = pointed && table.rows[pointed.row] ? pointed : table.place;
  const name = subjectName(subject);
  const dispatch = useAppDispatch();
  const alone = subject.of === 'elements' && subject.nodes.length === 1 ? subject.nodes[0] : undefined;
  const around =
    alone && table.lines.length === 0 && narrowed.text.trim() !== '' && !narrowed.onlySet
      ? foundAround(site, page, alone, narrowed)
      : undefined;
  const draw = (index: number, start: number) => {
    const at = table.lines[index];
    return 'group' in at ? (
      <GroupHeading
        group={at.group}
        open={at.open}
        line={index}
        offset={start}
        onFold={() => table.fold(at.group)}
      />
    ) : (
      <ValueRowView
        site={site}
        active={active}
        table={table}
        index={at.row}
        line={index}
        offset={start}
        onPoint={setPointed}
      />
    );
  };
  return (
    <Box
      component="section"
      aria-label={`Values of ${name}`}
      sx={{ height: '100%', display: 'flex', flexDirection: 'column', bgcolor: 'background.paper' }}
    >
      <ValuesHead site={site} page={page} subject={subject} active={active} />
      <Narrowing narrowed={narrowed} field={field} onChange={setNarrowed} />
      {subject.of === 'elements' && <Sharing site={site} page={page} nodes={subject.nodes} />}
      <div ref={table.grid} data-scroller className="ledger-scroller" onPointerLeave={() => setPointed(null)}>
        <Box sx={{ position: 'relative', minHeight: '100%' }}>
          <ActiveColumn site={site} view={active} />
          {table.lines.length === 0 && (
            <Typography sx={{ position: 'relative', p: 3, color: quiet, textAlign: 'center' }}>
              {narrowed.onlySet && narrowed.text.trim() === ''
                ? 'Nothing is set here: all values come from the text style or the kind.'
                : `No value here matches “${narrowed.text.trim()}”.`}
              {around && (
                <>
                  <br />
                  {around.node.name}, which it stands in, has {around.label.toLowerCase()}.{' '}
                  <Button size="small" onClick={() => dispatch(select(around.node.id))}>
                    Select {around.node.name}
                  </Button>
                </>
              )}
            </Typography>
          )}
          <VirtualRows
            role="grid"
            aria-label={`Values of ${name}`}
            aria-rowcount={table.lines.length}
            onKeyDown={table.keys}
            count={table.lines.length}
            key={height}
            sizeOf={(index) => ('group' in table.lines[index] ? HEADING : height)}
            keyOf={(index) => {
              const at = table.lines[index];
              return 'group' in at ? `group ${at.group.id}` : table.rows[at.row].key;
            }}
            overscan={6}
            handle={table.virtual}
            draw={draw}
          />
          {subject.of === 'elements' && subject.nodes.length === 1 && !isNarrowing(narrowed) && (
            <SameInEveryView
              node={subject.nodes[0]}
              // In a view that adapts the base, what cannot differ there is on demand.
              {...(active !== site.views.base && {
                fold: { open: table.unfolded.has(SAME), onFold: () => table.fold({ id: SAME }) },
              })}
            />
          )}
        </Box>
      </div>
      <TraceBar site={site} page={page} table={table} traced={traced} />
      <OpenCard site={site} page={page} table={table} />
    </Box>
  );
}
