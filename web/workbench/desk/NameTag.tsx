import { Box } from '@mui/material';
import { GripVertical } from 'lucide-react';
import type { KeyboardEventHandler, PointerEventHandler } from 'react';

/** Where a name is, seen from the frame of the selection. */
export type TagSide = 'above' | 'inside' | 'below';

const PLACE = { above: { bottom: '100%' }, inside: { top: 0 }, below: { top: '100%' } };

interface NameTagProps {
  /** Below or inside where there is no room above. A name inside covers what is there. */
  side: TagSide;
  /** Screen px from the selection's left side to the edge of the sheet. */
  room: number;
  drawing: boolean;
  /** Absent: it is nothing but a name. */
  label?: string;
  title?: string;
  onPointerDown?: PointerEventHandler<HTMLElement>;
  onKeyDown?: KeyboardEventHandler;
  children: string;
}

/** The name over a selected block, by which it is drawn elsewhere where it can be. */
export function NameTag({
  side,
  room,
  drawing,
  label,
  title,
  onPointerDown,
  onKeyDown,
  children,
}: NameTagProps) {
  const movable = label !== undefined;
  return (
    <Box
      data-move-grip
      onPointerDown={onPointerDown}
      // What is read begins with what is seen (WCAG 2.2, 2.5.3).
      {...(movable && { role: 'button', tabIndex: 0, 'aria-label': label, onKeyDown })}
      title={title}
      style={{ maxWidth: Math.min(280, room) }}
      sx={{
        position: 'absolute',
        left: -1,
        ...PLACE[side],
        bgcolor: '#2aa9a4',
        color: '#0c1f1f',
        fontSize: 11,
        fontWeight: 700,
        lineHeight: '18px',
        px: 0.75,
        whiteSpace: 'nowrap',
        borderRadius: side === 'below' ? '0 0 2px 2px' : '2px 2px 0 0',
        display: 'flex',
        alignItems: 'center',
        pointerEvents: movable ? 'auto' : 'none',
        cursor: drawing ? 'grabbing' : 'grab',
        touchAction: 'none',
        userSelect: 'none',
      }}
    >
      {movable && <GripVertical size={11} aria-hidden style={{ marginLeft: -3, flex: 'none' }} />}
      <Box component="span" sx={{ overflow: 'hidden', textOverflow: 'ellipsis' }}>
        {children}
      </Box>
    </Box>
  );
}
