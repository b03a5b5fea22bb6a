import { Box } from '@mui/material';
import { useLayoutEffect, useState } from 'react';
import { overrideCount, type NodeId, type Page, type ViewId } from '../../../core/index.ts';
import { petrol } from '../../ui/theme.ts';
import type { SheetDocument } from './sheetdocument.ts';

interface MarksProps {
  sheet: SheetDocument;
  page: Page;
  view: ViewId;
  scale: number;
  /** Changes whenever things may have moved. */
  moved: number;
  selected: NodeId | null;
  hovered: NodeId | null;
}

interface MarkedBox {
  left: number;
  top: number;
  width: number;
  height: number;
}

function useBox({ sheet, scale, moved, page }: MarksProps, id: NodeId | null): MarkedBox | null {
  const [box, setBox] = useState<MarkedBox | null>(null);
  useLayoutEffect(() => {
    const element = id && sheet.elementOf(id);
    if (!element || element.getClientRects().length === 0) {
      setBox(null);
      return;
    }
    const { left, top, width, height } = element.getBoundingClientRect();
    setBox({ left: left * scale, top: top * scale, width: width * scale, height: height * scale });
  }, [sheet, scale, moved, page, id]);
  return box;
}

/** The frames around what is selected and what the pointer is over, with the name and the count of overrides. */
export function Marks(props: MarksProps) {
  const { page, view, selected, hovered } = props;
  const box = useBox(props, selected);
  const over = useBox(props, hovered === selected ? null : hovered);
  const node = selected ? page.nodes[selected] : undefined;
  const count = node ? overrideCount(node, view) : 0;
  return (
    <Box aria-hidden sx={{ position: 'absolute', inset: 0, overflow: 'hidden', pointerEvents: 'none' }}>
      {over && (
        <Box style={over} sx={{ position: 'absolute', outline: `1px dashed ${petrol}`, outlineOffset: -1 }} />
      )}
      {box && node && (
        <Box style={box} sx={{ position: 'absolute', outline: '2px solid #2aa9a4', outlineOffset: -1 }}>
          <Box
            sx={{
              position: 'absolute',
              left: -1,
              ...(box.top > 20 ? { bottom: '100%' } : { top: 0 }),
              bgcolor: '#2aa9a4',
              color: '#0c1f1f',
              fontSize: 11,
              fontWeight: 700,
              lineHeight: '18px',
              px: 0.75,
              whiteSpace: 'nowrap',
              borderRadius: '2px 2px 0 0',
            }}
          >
            {node.name}
            {count > 0 && ` · ${count} ${count === 1 ? 'override' : 'overrides'} here`}
          </Box>
        </Box>
      )}
    </Box>
  );
}
