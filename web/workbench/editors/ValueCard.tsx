import { Box, Button, Popover, Typography, type PopoverActions } from '@mui/material';
import { useCallback, useRef, type ComponentType } from 'react';
import { counted, wouldReach, type EditorName } from '../../../core/index.ts';
import { line, quiet } from '../../ui/theme.ts';
import { layeredIn } from '../../values/cells.ts';
import { leading, propertyOfRow } from '../../values/rows.ts';
import { AlternateEditor } from './AlternateEditor.tsx';
import { ChoiceEditor } from './ChoiceEditor.tsx';
import { ColourEditor } from './ColourEditor.tsx';
import type { EditorProps } from './editor.ts';
import { ExtentEditor } from './ExtentEditor.tsx';
import { OrderEditor } from './OrderEditor.tsx';
import { PointEditor } from './PointEditor.tsx';
import { ImageEditor } from './ImageEditor.tsx';
import { GradientEditor } from './GradientEditor.tsx';
import { SizeEditor } from './SizeEditor.tsx';
import { SpaceEditor } from './SpaceEditor.tsx';
import { TextByViewEditor } from './TextByViewEditor.tsx';

/** The editor that suits each kind of value; a plain number is typed in its cell. */
const EDITORS: Record<Exclude<EditorName, 'number'>, ComponentType<EditorProps>> = {
  choice: ChoiceEditor,
  colour: ColourEditor,
  size: SizeEditor,
  extent: ExtentEditor,
  offset: ExtentEditor,
  picture: ImageEditor,
  order: OrderEditor,
  ratio: ChoiceEditor,
  point: PointEditor,
  space: SpaceEditor,
  gradient: GradientEditor,
  wording: TextByViewEditor,
  alternate: AlternateEditor,
};

/** Keeps a card within the window while what is in it grows: `content` goes on that. */
function useRoomToGrow() {
  const card = useRef<PopoverActions>(null);
  const content = useCallback((element: Element | null) => {
    if (!element) return undefined;
    const observer = new ResizeObserver(() => card.current?.updatePosition());
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return { card, content };
}

interface ValueCardProps extends EditorProps {
  anchor: HTMLElement;
  /** Set when the cell has something of its own to clear. */
  onClear?: () => void;
}

/** The card below a cell: its editor, which views an edit would change, and a way to clear. */
export function ValueCard({ anchor, onClear, ...props }: ValueCardProps) {
  const { site, row, cell, reach, onClose } = props;
  const { editor } = propertyOfRow(row).type;
  const { card, content } = useRoomToGrow();
  const Editor = editor === 'number' ? null : EDITORS[editor];
  if (!Editor) return null;
  const layered = layeredIn(row, leading(row.holders), propertyOfRow(row));
  const reached = wouldReach(layered, site.views, cell.view.id, reach);
  const replaced = reach === 'everywhere' ? Object.keys(layered?.at ?? {}).length : 0;
  const names = site.views.list.filter((view) => reached.includes(view.id)).map((view) => view.name);
  return (
    <Popover
      open
      action={card}
      anchorEl={anchor}
      onClose={onClose}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
      slotProps={{ paper: { role: 'dialog', 'aria-label': `${row.label} in ${cell.view.name}` } as object }}
    >
      <div ref={content}>
        <Editor {...props} />
      </div>
      <Box
        sx={{
          borderTop: `1px solid ${line}`,
          px: 1.5,
          py: 0.75,
          display: 'flex',
          alignItems: 'center',
          gap: 1,
          maxWidth: editor === 'wording' ? 400 : 290,
        }}
      >
        <Typography sx={{ fontSize: 12, color: quiet, flex: 1 }}>
          Changes {names.reverse().join(', ')}
          {replaced > 0 && `; replaces ${counted(replaced, 'override')}`}
        </Typography>
        {onClear && (
          <Button size="small" onClick={onClear}>
            Clear
          </Button>
        )}
      </Box>
    </Popover>
  );
}
