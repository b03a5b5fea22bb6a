import type { DragEvent, PointerEvent, ReactNode } from 'react';
import { counted, type SiteFrame } from '../../../../core/index.ts';
import { draw } from '../../../ui/draw.ts';
import type { ValueCell } from '../../../values/cells.ts';
import { propertyOfRow, type ValueRow } from '../../../values/rows.ts';
import { swatchOf } from '../../../values/swatch.ts';

interface CellProps {
  site: SiteFrame;
  row: ValueRow;
  cell: ValueCell;
  column: number;
  focused: boolean;
  /** How many findings the value can mend. */
  problems: number;
  /** The next edit would change this cell. */
  aimed: boolean;
  onFocus(): void;
  onOpen(): void;
  onPoint(): void;
  /** The right or left end of an override was drawn outwards (`onward`) or back (`here`). */
  onReach(reach: 'here' | 'onward'): void;
  /** Takes files that are let go on the cell; absent: it takes none. */
  onFiles?(files: File[]): void;
  /** The editor, when this cell is being edited. */
  children?: ReactNode;
}

/** px of travel after which a drawn end counts. */
const DRAWN = 12;

/** The end of an override: drawn away from the base it reaches onward, drawn back it holds only here. */
function ReachHandle({ outwards, onReach }: { outwards: 1 | -1; onReach: CellProps['onReach'] }) {
  const down = (press: PointerEvent<HTMLElement>) => {
    press.stopPropagation();
    draw(press, {
      end: (_event, travel) => {
        const away = travel * outwards;
        if (Math.abs(away) >= DRAWN) onReach(away > 0 ? 'onward' : 'here');
      },
    });
  };
  return (
    <div
      className="reach-handle"
      data-reach-handle
      aria-hidden
      title="Drag outwards to reach onward, back to apply only here"
      onPointerDown={down}
      onClick={(event) => event.stopPropagation()}
      style={outwards > 0 ? { right: 0 } : { left: 0 }}
    />
  );
}

/** What a cell is, after its value, to assistive technology. */
function stateWords({ state, bounded, stale }: ValueCell): string {
  const follow = stale ? ', may need an update after a change of the base' : '';
  if (state === 'own') return `${bounded ? ', override, here' : ', override, onward'}${follow}`;
  return state === 'base' ? ', base value' : '';
}

const foundWords = (count: number): string | undefined =>
  count === 0 ? undefined : counted(count, 'finding');

function barClasses({ state, bounded, joinsLeft, joinsRight, mixed }: ValueCell, words: boolean): string {
  const classes = ['value-bar', state];
  if (words) classes.push('words');
  if (bounded) classes.push('bounded');
  if (mixed) classes.push('mixed');
  if (joinsLeft) classes.push('joins-left');
  if (joinsRight) classes.push('joins-right');
  return classes.join(' ');
}

/** What takes files that are let go on it. */
const filesLetGo = (onFiles: (files: File[]) => void) => ({
  onDragOver: (event: DragEvent) => event.preventDefault(),
  onDrop(event: DragEvent) {
    event.preventDefault();
    onFiles([...event.dataTransfer.files]);
  },
});

/** A cell of the values table. */
export function ValueCellView(props: CellProps) {
  const {
    site,
    row,
    cell,
    column,
    focused,
    problems,
    aimed,
    onFocus,
    onOpen,
    onPoint,
    onReach,
    onFiles,
    children,
  } = props;
  const property = propertyOfRow(row);
  const colour =
    property.type.editor === 'colour' && cell.written && !cell.mixed
      ? swatchOf(site, cell.value as string)
      : null;
  const index = (id: string) => site.views.list.findIndex((view) => view.id === id);
  const narrower = index(cell.view.id) < index(site.views.base);
  return (
    <div
      role="gridcell"
      className={aimed ? 'value-cell aimed' : 'value-cell'}
      data-column={column}
      tabIndex={focused ? 0 : -1}
      aria-label={`${row.label} in ${cell.view.name}: ${cell.text}${stateWords(cell)}`}
      aria-description={foundWords(problems)}
      onFocus={onFocus}
      onClick={(event) => event.currentTarget.focus()}
      onDoubleClick={onOpen}
      onPointerEnter={onPoint}
      {...(onFiles && filesLetGo(onFiles))}
    >
      <div className={barClasses(cell, property.group === 'content' || property.name === 'alternate')}>
        {cell.written ? (
          <>
            {colour && <span className="value-swatch" style={{ background: colour }} />}
            <span className="value-text">{cell.text}</span>
            {cell.stale && <i className="value-stale" />}
          </>
        ) : (
          cell.state === 'inherited' && <span className="value-line" />
        )}
      </div>
      {problems > 0 && <i className="value-amiss" aria-hidden />}
      {cell.state === 'own' && <ReachHandle outwards={narrower ? 1 : -1} onReach={onReach} />}
      {children}
    </div>
  );
}
