import { Box } from '@mui/material';
import type { PointerEvent, ReactNode } from 'react';
import { aliasedColour, colourCss, type SiteFrame } from '../../../core/index.ts';
import { ink, marigold, marigoldPale, petrol, quiet } from '../../ui/theme.ts';
import type { ValueCell, ValueRow } from './cells.ts';

interface CellProps {
  site: SiteFrame;
  row: ValueRow;
  cell: ValueCell;
  column: number;
  focused: boolean;
  /** The next edit would change this cell. */
  aimed: boolean;
  onFocus(): void;
  onOpen(): void;
  onPoint(): void;
  /** The right or left end of an override was drawn outwards (`onward`) or back (`here`). */
  onReach(reach: 'here' | 'onward'): void;
  /** The editor, when this cell is being edited. */
  children?: ReactNode;
}

/** The colour itself, where the value is one: an alias is looked up, so that a swatch needs no style sheet. */
export const swatchOf = (site: SiteFrame, value: string): string => {
  const alias = aliasedColour(value);
  return alias
    ? (site.colours.find((colour) => colour.id === alias)?.value ?? 'transparent')
    : colourCss(value);
};

function look({ state, bounded, joinsLeft, joinsRight }: ValueCell) {
  const left = joinsLeft ? 0 : '3px';
  const right = joinsRight ? 0 : '3px';
  const edges = {
    borderRadius: `${left} ${right} ${right} ${left}`,
    marginLeft: joinsLeft ? 0 : '2px',
    marginRight: joinsRight ? 0 : '2px',
  };
  if (state === 'base') return { border: '1px solid #a79d89', bgcolor: 'white', ...edges };
  if (state === 'own')
    return {
      bgcolor: marigold,
      ...edges,
      ...(bounded && { boxShadow: 'inset 3px 0 #a87408, inset -3px 0 #a87408' }),
    };
  if (state === 'reached') return { bgcolor: marigoldPale, ...edges };
  return {};
}

/** px of travel after which a drawn end counts. */
const DRAWN = 12;

/** The end of an override: drawn away from the base it reaches onward, drawn back it holds only here. */
function ReachHandle({ outwards, onReach }: { outwards: 1 | -1; onReach: CellProps['onReach'] }) {
  const down = (event: PointerEvent<HTMLElement>) => {
    event.preventDefault();
    event.stopPropagation();
    const handle = event.currentTarget;
    const start = event.clientX;
    handle.setPointerCapture(event.pointerId);
    const up = (end: globalThis.PointerEvent) => {
      handle.removeEventListener('pointerup', up);
      const travel = (end.clientX - start) * outwards;
      if (Math.abs(travel) >= DRAWN) onReach(travel > 0 ? 'onward' : 'here');
    };
    handle.addEventListener('pointerup', up);
  };
  return (
    <Box
      data-reach-handle
      aria-hidden
      title="Draw outwards to reach onward, back to hold only here"
      onPointerDown={down}
      onClick={(event) => event.stopPropagation()}
      sx={{
        position: 'absolute',
        top: 2,
        bottom: 2,
        width: 9,
        cursor: 'ew-resize',
        touchAction: 'none',
        ...(outwards > 0 ? { right: 0 } : { left: 0 }),
      }}
    />
  );
}

/** A cell of the values table. */
export function ValueCellView(props: CellProps) {
  const { site, row, cell, column, focused, aimed, onFocus, onOpen, onPoint, onReach, children } = props;
  const colour =
    row.property.type.editor === 'colour' && cell.written ? swatchOf(site, cell.value as string) : null;
  const narrower =
    site.views.list.findIndex((view) => view.id === cell.view.id) <
    site.views.list.findIndex((view) => view.id === site.views.base);
  return (
    <Box
      role="gridcell"
      data-column={column}
      tabIndex={focused ? 0 : -1}
      aria-label={`${row.label} in ${cell.view.name}: ${cell.text}${cell.state === 'own' ? (cell.bounded ? ', override, here' : ', override, onward') : cell.state === 'base' ? ', base value' : ''}`}
      onFocus={onFocus}
      onClick={(event) => event.currentTarget.focus()}
      onDoubleClick={onOpen}
      onPointerEnter={onPoint}
      sx={{
        position: 'relative',
        height: 29,
        py: '4px',
        '&:focus-visible, &:focus': { outline: `2px solid ${petrol}`, outlineOffset: -2, borderRadius: 0.5 },
        ...(aimed && {
          '&::after': {
            content: '""',
            position: 'absolute',
            inset: '2px 1px',
            border: `1px dashed ${petrol}`,
            borderRadius: 0.5,
            pointerEvents: 'none',
          },
        }),
      }}
    >
      <Box
        sx={{
          height: 21,
          display: 'flex',
          alignItems: 'center',
          justifyContent: 'center',
          gap: 0.5,
          px: 0.5,
          fontSize: 12,
          fontVariantNumeric: 'tabular-nums',
          fontWeight: cell.state === 'inherited' ? 400 : 600,
          color: cell.state === 'inherited' ? quiet : ink,
          ...look(cell),
        }}
      >
        {cell.written ? (
          <>
            {colour && (
              <Box
                component="span"
                sx={{
                  width: 10,
                  height: 10,
                  borderRadius: '50%',
                  flex: 'none',
                  border: '1px solid rgba(0,0,0,.35)',
                }}
                style={{ background: colour }}
              />
            )}
            <Box component="span" sx={{ overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}>
              {cell.text}
            </Box>
          </>
        ) : (
          cell.state === 'inherited' && (
            <Box component="span" sx={{ height: '1px', width: '100%', bgcolor: '#bdb4a1' }} />
          )
        )}
      </Box>
      {cell.state === 'own' && <ReachHandle outwards={narrower ? 1 : -1} onReach={onReach} />}
      {children}
    </Box>
  );
}
