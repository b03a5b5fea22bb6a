import { Box, Button, Checkbox, FormControlLabel, ToggleButton, ToggleButtonGroup } from '@mui/material';
import { useEffect, useMemo, useRef, useState } from 'react';
import {
  preview,
  viewAt,
  viewOf,
  type Addresses,
  type Page,
  type PageReference,
  type Preview,
  type SiteFrame,
  type ViewId,
} from '../../../core/index.ts';
import {
  besideToggled,
  ghostsSet,
  selected as select,
  sheetsChosen,
  zoomChosen,
} from '../../state/editor.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { desk, line, paper } from '../../ui/theme.ts';
import { sheetAddresses } from './content.ts';
import { Sheet } from './Sheet.tsx';
import { WidthBar } from './WidthBar.tsx';

const GAP = 24;
const SMALLEST_SCALE = 0.18;

interface ShownSheet {
  key: string;
  width: number;
  active: boolean;
}

/** The sheets to show: the active one at the marker's width, and beside it the chosen views, wide to narrow. */
function sheetsToShow(
  site: SiteFrame,
  width: number,
  sideBySide: boolean,
  beside: readonly ViewId[],
): ShownSheet[] {
  const active = viewAt(site.views, width).id;
  const others = sideBySide ? beside.filter((id) => id !== active) : [];
  return site.views.list
    .filter((view) => view.id === active || others.includes(view.id))
    .map((view) => ({
      // The active sheet keeps its frame while the marker crosses from one view into the next.
      key: view.id === active ? 'active' : view.id,
      width: view.id === active ? width : viewOf(site.views, view.id).sheet.width,
      active: view.id === active,
    }))
    .reverse();
}

/** The page compiled for the sheets; each time from what it was the time before. */
function usePreview(site: SiteFrame, page: Page, addresses: Addresses): Preview {
  const [compile] = useState(() => {
    let last: Preview | undefined;
    return (...made: [SiteFrame, Page, Addresses]) => {
      last = preview(...made, last);
      return last;
    };
  });
  return useMemo(() => compile(site, page, addresses), [compile, site, page, addresses]);
}

function useSize() {
  const ref = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(800);
  useEffect(() => {
    const observer = new ResizeObserver(([entry]) => setWidth(entry.contentRect.width));
    observer.observe(ref.current!);
    return () => observer.disconnect();
  }, []);
  return { ref, width };
}

/** The right side of the workbench: the width bar, the sheets, and how they are shown. */
export function Desk({ site, pages, page }: { site: SiteFrame; pages: PageReference[]; page: Page }) {
  const dispatch = useAppDispatch();
  const { width, sheets, beside, ghosts, zoom } = useAppSelector((state) => state.editor);
  const addresses = useMemo(() => sheetAddresses(site.id, pages), [site.id, pages]);
  const content = usePreview(site, page, addresses);
  const size = useSize();
  const shown = sheetsToShow(site, width, sheets === 'side by side', beside);
  const room = size.width - GAP * (shown.length - 1);
  const needed = shown.reduce((sum, sheet) => sum + sheet.width, 0);
  const scale = zoom === 'full' ? 1 : Math.max(SMALLEST_SCALE, Math.min(1, room / needed));
  const active = viewAt(site.views, width).id;

  return (
    <Box
      component="section"
      aria-label="Desk"
      sx={{ height: '100%', display: 'flex', flexDirection: 'column', bgcolor: desk, minWidth: 0 }}
    >
      <WidthBar site={site} width={width} />
      <Box
        tabIndex={0}
        role="region"
        aria-label="Sheets"
        sx={{ flex: 1, overflow: 'auto', p: 3, pt: 1.5, scrollbarGutter: 'stable' }}
        onClick={(event) => event.target === event.currentTarget && dispatch(select(null))}
      >
        <Box
          ref={size.ref}
          sx={{ display: 'flex', gap: `${GAP}px`, alignItems: 'flex-start', justifyContent: 'safe center' }}
        >
          {shown.map((sheet) => (
            <Sheet
              key={sheet.key}
              site={site}
              page={page}
              content={content}
              width={sheet.width}
              scale={scale}
              active={sheet.active}
            />
          ))}
        </Box>
      </Box>
      <Box
        sx={{
          flex: 'none',
          minHeight: 40,
          px: 1.5,
          display: 'flex',
          alignItems: 'center',
          gap: 1.5,
          flexWrap: 'wrap',
          bgcolor: paper,
          borderTop: `1px solid ${line}`,
        }}
      >
        <ToggleButtonGroup
          size="small"
          exclusive
          aria-label="Sheets shown"
          value={sheets}
          onChange={(_event, value: typeof sheets | null) => value && dispatch(sheetsChosen(value))}
          sx={{
            '& .MuiToggleButton-root': { py: 0.25, px: 1.25, textTransform: 'none', color: 'text.primary' },
          }}
        >
          <ToggleButton value="one">One sheet</ToggleButton>
          <ToggleButton value="side by side">Side by side</ToggleButton>
        </ToggleButtonGroup>
        {sheets === 'side by side' &&
          [...site.views.list]
            .reverse()
            .map((view) => (
              <FormControlLabel
                key={view.id}
                label={view.name}
                slotProps={{ typography: { sx: { fontSize: 13 } } }}
                sx={{ mr: 0 }}
                control={
                  <Checkbox
                    size="small"
                    sx={{ p: 0.5 }}
                    checked={view.id === active || beside.includes(view.id)}
                    disabled={view.id === active}
                    onChange={() => dispatch(besideToggled(view.id))}
                  />
                }
              />
            ))}
        <Box sx={{ flex: 1 }} />
        <FormControlLabel
          label="Ghosts of hidden elements"
          slotProps={{ typography: { sx: { fontSize: 13 } } }}
          sx={{ mr: 0 }}
          control={
            <Checkbox
              size="small"
              sx={{ p: 0.5 }}
              checked={ghosts}
              onChange={(_event, on) => dispatch(ghostsSet(on))}
            />
          }
        />
        <Button
          size="small"
          variant="text"
          onClick={() => dispatch(zoomChosen(zoom === 'fit' ? 'full' : 'fit'))}
        >
          {zoom === 'fit' ? 'Show at 100 %' : 'Fit to the desk'}
        </Button>
      </Box>
    </Box>
  );
}
