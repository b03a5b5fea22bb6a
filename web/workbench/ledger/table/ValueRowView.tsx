import { ArrowDownUp, Link2, Link2Off } from 'lucide-react';
import { viewOf, type SiteFrame, type ViewId } from '../../../../core/index.ts';
import { gridColumns } from '../../../values/columns.ts';
import { InlineEditor } from './InlineEditor.tsx';
import { useAppSelector } from '../../../state/store.ts';
import { foundAt } from '../../../values/found.ts';
import { isLinked, leading, propertyOfRow, type ValueRow } from '../../../values/rows.ts';
import type { Place, ValueTable } from './useValueTable.ts';
import { ValueCellView } from './ValueCellView.tsx';

function RowButton({ name, sign: Sign, onClick }: { name: string; sign: typeof Link2; onClick: () => void }) {
  return (
    <button type="button" className="row-button" aria-label={name} title={name} onClick={onClick}>
      <Sign size={14} aria-hidden />
    </button>
  );
}

/** What can be done with a row as a whole: turn an order round, put sides together or take them apart. */
function RowButtons({
  site,
  active,
  table,
  row,
}: {
  site: SiteFrame;
  active: ViewId;
  table: ValueTable;
  row: ValueRow;
}) {
  const { name: property, sides } = propertyOfRow(row);
  if (property === 'order') {
    const name = `Reverse the order of ${leading(row.holders).name} in ${viewOf(site.views, active).name}`;
    return <RowButton name={name} sign={ArrowDownUp} onClick={() => table.reverse(row)} />;
  }
  if (!sides) return null;
  if (isLinked(row))
    return (
      <RowButton
        name={`Set the sides of the ${sides} apart`}
        sign={Link2}
        onClick={() => table.join(row, 'apart')}
      />
    );
  if (!row.label.endsWith('top')) return null;
  return (
    <RowButton
      name={`Set all sides of the ${sides} together`}
      sign={Link2Off}
      onClick={() => table.join(row, 'together')}
    />
  );
}

interface ValueRowProps {
  site: SiteFrame;
  active: ViewId;
  table: ValueTable;
  index: number;
  /** Where it stands among the rows and the headings of groups. */
  line: number;
  offset: number;
  onPoint(at: Place): void;
}

/** A row of the values table: the property's name and its cell in every view. */
export function ValueRowView({ site, active, table, index, line, offset, onPoint }: ValueRowProps) {
  const { place, opened } = table;
  const found = useAppSelector((state) => state.findings.list);
  const row = table.rows[index];
  return (
    <div
      role="row"
      className="ledger-row value-row"
      data-value-row={index}
      aria-rowindex={line + 1}
      style={{
        gridTemplateColumns: gridColumns(site),
        transform: `translateY(${offset}px)`,
        // What hangs below an open cell lies over the rows that follow.
        zIndex: opened?.at.row === index ? 2 : undefined,
      }}
    >
      <div role="rowheader" className="value-name" title={row.label}>
        <span>{row.label}</span>
        <RowButtons site={site} active={active} table={table} row={row} />
      </div>
      {table.cells(index).map((cell, column) => {
        const at = { row: index, column };
        const focused = index === place.row && column === place.column;
        const typing = opened?.how === 'typing' && opened.at.row === index && opened.at.column === column;
        return (
          <ValueCellView
            key={cell.view.id}
            site={site}
            row={row}
            cell={cell}
            column={column}
            problems={foundAt(found, row, cell.view.id).length}
            focused={focused}
            aimed={index === place.row && !focused && table.aimed.has(cell.view.id)}
            onFocus={() => table.focus(at)}
            onOpen={() => table.open(at)}
            onPoint={() => onPoint(at)}
            onReach={(reach) => table.changeReach(at, reach)}
            onFiles={propertyOfRow(row).type.brings ? (files) => table.takeFiles(at, files) : undefined}
          >
            {typing && (
              <InlineEditor
                label={`${row.label} in ${cell.view.name}`}
                type={propertyOfRow(row).type}
                initial={opened.text}
                mixed={cell.mixed}
                reach={table.reach}
                onCommit={(text, reach) => table.commit(at, text, reach)}
                onLeave={(text) => table.leave(at, text)}
                understood={(text) => table.understood(at, text)}
                onStep={(steps) => table.step(at, steps)}
                onClose={table.close}
              />
            )}
          </ValueCellView>
        );
      })}
    </div>
  );
}
