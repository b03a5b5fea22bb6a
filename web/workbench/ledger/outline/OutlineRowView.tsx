import { InputBase } from '@mui/material';
import { ChevronDown, ChevronRight, Layers } from 'lucide-react';
import { useRef } from 'react';
import { sharedPlaceOf, type Page, type SiteFrame } from '../../../../core/index.ts';
import { petrol } from '../../../ui/theme.ts';
import { columnsOf, gridColumns } from '../../values/columns.ts';
import { KindIcon } from '../../../ui/KindIcon.tsx';
import { tileOf, type OutlineRow, type Tile } from './outline.ts';
import type { OutlineTree } from './useOutline.ts';

interface RowProps {
  site: SiteFrame;
  page: Page;
  row: OutlineRow;
  /** Where it stands among the rows. */
  index: number;
  /** px from the top of the tree. */
  offset: number;
  selected: boolean;
  /** It stands here only because something in it was found. */
  dimmed: boolean;
  /** The column that has the keyboard in this row; null when it is in another row. */
  focusColumn: number | null;
  renaming: boolean;
  outline: OutlineTree;
}

function tileClass({ shown, hiddenAbove, overrides }: Tile): string {
  if (!shown) return 'tile hidden';
  if (hiddenAbove) return 'tile hidden-above';
  return overrides > 0 ? 'tile overridden' : 'tile';
}

function NameField({ name, onDone }: { name: string; onDone: (name: string | null) => void }) {
  const ended = useRef(false);
  return (
    <InputBase
      autoFocus
      defaultValue={name}
      inputProps={{ 'aria-label': `New name of ${name}`, maxLength: 120 }}
      onFocus={(event) => event.target.select()}
      onBlur={(event) => {
        if (!ended.current) onDone(event.target.value === name ? null : event.target.value);
      }}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key !== 'Escape' && event.key !== 'Enter') return;
        event.preventDefault();
        ended.current = true;
        const { value } = event.target as HTMLInputElement;
        onDone(event.key === 'Escape' || value === name ? null : value);
      }}
      sx={{
        flex: 1,
        fontSize: 13,
        bgcolor: 'white',
        px: 0.5,
        '& input': { p: 0 },
        outline: `1px solid ${petrol}`,
      }}
    />
  );
}

/** A row of the outline: the element's name, and a tile in each view's column. */
export function OutlineRowView(props: RowProps) {
  const { site, page, row, index, offset, selected, dimmed, focusColumn, renaming, outline } = props;
  const { level, expanded } = row;
  const node = page.nodes[row.id];
  if (!node) return null;
  const fixed = node.kind === 'page';
  const shared = sharedPlaceOf(node.id) !== undefined && node.parent === page.root;
  return (
    <div
      role="row"
      className="ledger-row outline-row"
      aria-level={level}
      aria-rowindex={index + 1}
      aria-expanded={expanded}
      aria-selected={selected}
      data-row={node.id}
      style={{ gridTemplateColumns: gridColumns(site), transform: `translateY(${offset}px)` }}
    >
      <div
        role="gridcell"
        className={dimmed ? 'outline-name dimmed' : 'outline-name'}
        data-column={-1}
        tabIndex={focusColumn === -1 ? 0 : -1}
        onClick={(event) => outline.go(node.id, -1, event)}
        onDoubleClick={() => outline.beginRenaming(node.id)}
        title={node.name}
        style={{ paddingLeft: 4 + (level - 1) * 13 }}
      >
        <span
          className="outline-fold"
          aria-hidden
          onClick={(event) => (event.stopPropagation(), outline.fold(node.id, expanded === true))}
          style={{ cursor: expanded === undefined ? undefined : 'pointer' }}
        >
          {expanded === true && <ChevronDown size={13} />}
          {expanded === false && <ChevronRight size={13} />}
        </span>
        <KindIcon kind={node.kind} />
        {renaming ? (
          <NameField name={node.name} onDone={(name) => outline.rename(node.id, name)} />
        ) : (
          <>
            <span>{node.name}</span>
            {shared && (
              <i className="outline-shared" title="On all pages">
                <Layers size={12} aria-hidden />
              </i>
            )}
          </>
        )}
      </div>
      {columnsOf(site).map((view, column) => {
        const tile = tileOf(site, page, node, view.id);
        return (
          <div
            key={view.id}
            role="gridcell"
            className={fixed ? 'outline-cell fixed' : 'outline-cell'}
            data-column={column}
            tabIndex={focusColumn === column ? 0 : -1}
            aria-label={tile.label}
            title={tile.label}
            onClick={(event) => {
              const more = event.shiftKey || event.ctrlKey || event.metaKey;
              if (more || !selected) outline.go(node.id, column, event);
              else outline.point(node.id, column);
              if (!fixed && !more) outline.toggleShown(node.id, view.id);
            }}
          >
            <span className={tileClass(tile)}>{tile.shown && tile.overrides > 0 ? tile.overrides : ''}</span>
          </div>
        );
      })}
    </div>
  );
}
