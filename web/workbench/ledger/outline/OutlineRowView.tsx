import { ChevronDown, ChevronRight, Layers, Link2, UserCheck, UserX } from 'lucide-react';
import type { PointerEvent } from 'react';
import {
  hasTrait,
  counted,
  isLinked,
  isOnAllPages,
  type NodeId,
  type Page,
  type SiteFrame,
  type ViewId,
} from '../../../../core/index.ts';
import { NameField } from '../../../ui/NameField.tsx';
import { columnsOf, gridColumns } from '../../../values/columns.ts';
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
  /** How many findings it has in each view. */
  problems?: ReadonlyMap<ViewId, number>;
  outline: OutlineTree;
  /** A press on the name that may become a drag. */
  onDrag(press: PointerEvent<HTMLElement>, id: NodeId): void;
}

function tileClass({ shown, hiddenAbove, overrides, letter, nowhere }: Tile): string {
  if (nowhere) return 'tile hidden nowhere';
  if (!shown) return 'tile hidden';
  if (hiddenAbove) return 'tile hidden-above';
  if (letter) return 'tile letter';
  return overrides > 0 ? 'tile overridden' : 'tile';
}

const tileText = ({ shown, letter, overrides }: Tile): string | number => {
  if (!shown) return '';
  return letter ?? (overrides > 0 ? overrides : '');
};

/** A row of the outline: the element's name, and a tile in each view's column. */
export function OutlineRowView(props: RowProps) {
  const {
    site,
    page,
    row,
    index,
    offset,
    selected,
    dimmed,
    focusColumn,
    renaming,
    problems,
    outline,
    onDrag,
  } = props;
  const { level, expanded } = row;
  const node = page.nodes[row.id];
  if (!node) return null;
  const fixed = hasTrait(node, 'page');
  const shared = isOnAllPages(node.id) && node.parent === page.root;
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
      onContextMenu={(event) => {
        event.preventDefault();
        outline.openMenu(node.id, { left: event.clientX, top: event.clientY });
      }}
    >
      <div
        role="gridcell"
        className={dimmed ? 'outline-name dimmed' : 'outline-name'}
        data-column={-1}
        tabIndex={focusColumn === -1 ? 0 : -1}
        onClick={(event) => outline.go(node.id, -1, event)}
        onPointerDown={(press) => !renaming && onDrag(press, node.id)}
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
          <NameField name={node.name} most={120} onDone={(name) => outline.rename(node.id, name)} />
        ) : (
          <>
            <span>{node.name}</span>
            {node.audience && (
              <i className="outline-shared" title={`For ${node.audience} visitors`}>
                {node.audience === 'signed-in' ? (
                  <UserCheck size={12} aria-hidden />
                ) : (
                  <UserX size={12} aria-hidden />
                )}
              </i>
            )}
            {shared && (
              <i className="outline-shared" title="On all pages">
                <Layers size={12} aria-hidden />
              </i>
            )}
            {isLinked(node) && (
              <i className="outline-shared" title="Linked: changes apply wherever it is linked">
                <Link2 size={12} aria-hidden />
              </i>
            )}
          </>
        )}
      </div>
      {columnsOf(site).map((view, column) => {
        const tile = tileOf(site, page, node, view.id);
        const found = problems?.get(view.id) ?? 0;
        const label = found === 0 ? tile.label : `${tile.label}, ${counted(found, 'finding')}`;
        return (
          <div
            key={view.id}
            role="gridcell"
            className={fixed ? 'outline-cell fixed' : 'outline-cell'}
            data-column={column}
            tabIndex={focusColumn === column ? 0 : -1}
            aria-label={label}
            title={label}
            onClick={(event) => {
              const more = event.shiftKey || event.ctrlKey || event.metaKey;
              if (more || !selected) outline.go(node.id, column, event);
              else outline.point(node.id, column);
              // The page itself only where it is selected already: that is much at once.
              if (!more && (!fixed || selected)) outline.toggleShown(node.id, view.id);
            }}
          >
            <span className={tileClass(tile)}>{tileText(tile)}</span>
            {found > 0 && <span aria-hidden className="tile-amiss" />}
          </div>
        );
      })}
    </div>
  );
}
