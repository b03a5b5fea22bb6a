import { Box, InputBase } from '@mui/material';
import { ChevronDown, ChevronRight } from 'lucide-react';
import { useRef } from 'react';
import type { Page, SiteFrame, ViewId } from '../../../core/index.ts';
import { ink, marigold, petrol, petrolTint, quiet } from '../../ui/theme.ts';
import { columnsOf, gridColumns } from './columns.ts';
import { KindIcon } from './icons.tsx';
import { tileOf, type OutlineRow, type Tile } from './outline.ts';

interface RowProps {
  site: SiteFrame;
  page: Page;
  row: OutlineRow;
  active: ViewId;
  selected: boolean;
  /** It stands here only because something in it was found. */
  dimmed: boolean;
  /** The column that has the keyboard in this row; null when it is in another row. */
  focusColumn: number | null;
  renaming: boolean;
  onGo(column: number): void;
  onToggle(view: ViewId): void;
  onFold(): void;
  onRename(): void;
  onRenamed(name: string | null): void;
}

const HATCH = 'repeating-linear-gradient(135deg, #6d665a 0 1px, transparent 1px 4px)';

function tileLook({ shown, hiddenAbove, overrides }: Tile) {
  if (!shown) return { border: '1px solid #8b8371', background: `${HATCH}, #faf7f0` };
  if (hiddenAbove) return { border: '1px dashed #b3aa97', background: 'transparent' };
  return { background: overrides > 0 ? marigold : '#e7e0d1' };
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
  const {
    site,
    page,
    row,
    active,
    selected,
    dimmed,
    focusColumn,
    renaming,
    onGo,
    onToggle,
    onFold,
    onRename,
    onRenamed,
  } = props;
  const { node, level, expanded } = row;
  const fixed = node.kind === 'page';
  return (
    <Box
      role="row"
      aria-level={level}
      aria-expanded={expanded}
      aria-selected={selected}
      data-row={node.id}
      sx={{
        display: 'grid',
        gridTemplateColumns: gridColumns(site),
        height: 25,
        alignItems: 'stretch',
        bgcolor: selected ? '#cfe6e3' : undefined,
        '&:hover': { bgcolor: selected ? '#cfe6e3' : petrolTint },
      }}
    >
      <Box
        role="gridcell"
        data-column={-1}
        tabIndex={focusColumn === -1 ? 0 : -1}
        onClick={() => onGo(-1)}
        onDoubleClick={onRename}
        title={node.name}
        sx={{
          display: 'flex',
          alignItems: 'center',
          gap: 0.75,
          minWidth: 0,
          pl: `${4 + (level - 1) * 13}px`,
          cursor: 'default',
          '&:focus-visible': { outlineOffset: -2 },
        }}
      >
        <Box
          component="span"
          aria-hidden
          onClick={(event) => (event.stopPropagation(), onFold())}
          sx={{
            width: 14,
            flex: 'none',
            display: 'inline-flex',
            cursor: expanded === undefined ? undefined : 'pointer',
            opacity: 0.6,
          }}
        >
          {expanded === true && <ChevronDown size={13} />}
          {expanded === false && <ChevronRight size={13} />}
        </Box>
        <KindIcon kind={node.kind} />
        {renaming ? (
          <NameField name={node.name} onDone={onRenamed} />
        ) : (
          <Box
            component="span"
            sx={{
              fontSize: 13,
              fontWeight: selected ? 700 : 400,
              fontStyle: dimmed ? 'italic' : undefined,
              color: dimmed ? quiet : undefined,
              overflow: 'hidden',
              textOverflow: 'ellipsis',
              whiteSpace: 'nowrap',
              minWidth: 0,
            }}
          >
            {node.name}
          </Box>
        )}
      </Box>
      {columnsOf(site).map((view, column) => {
        const tile = tileOf(site, page, node, view.id);
        return (
          <Box
            key={view.id}
            role="gridcell"
            data-column={column}
            tabIndex={focusColumn === column ? 0 : -1}
            aria-label={tile.label}
            title={tile.label}
            onClick={() => {
              onGo(column);
              if (!fixed) onToggle(view.id);
            }}
            sx={{
              position: 'relative',
              display: 'grid',
              placeItems: 'center',
              cursor: fixed ? 'default' : 'pointer',
              '&:focus-visible': { outlineOffset: -2 },
              '&:hover span': fixed ? {} : { boxShadow: `0 0 0 1px ${view.id === active ? petrol : ink}` },
            }}
          >
            <Box
              component="span"
              sx={{
                width: 25,
                height: 16,
                borderRadius: 0.5,
                fontSize: 11,
                fontWeight: 700,
                lineHeight: '16px',
                textAlign: 'center',
                color: ink,
                ...tileLook(tile),
              }}
            >
              {tile.shown && tile.overrides > 0 ? tile.overrides : ''}
            </Box>
          </Box>
        );
      })}
    </Box>
  );
}
