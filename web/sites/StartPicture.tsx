import { Box, Slider, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import { paths } from '../../api/paths.ts';
import type { DemoPage } from '../../api/responses.ts';
import { composed, preview, viewAt, viewOf, type Addresses, type SiteFrame } from '../../core/index.ts';
import { sheetAddresses } from '../page/addresses.ts';
import { PagePreview } from '../page/PagePreview.tsx';
import { ink, line, quiet, shade } from '../ui/theme.ts';
import { useMeasuredWidth } from '../ui/measuredwidth.ts';

/** px; the windows that the page can be shown in. */
const NARROWEST = 320;
const WIDEST = 1600;
/** px on screen. */
const HEIGHT = 288;

/** The images of the demo as they are: nothing was made of them where the demo was not added. */
function demoAddresses(site: SiteFrame): Addresses {
  const hashes = new Map(site.assets.map(({ id, hash }) => [id, hash]));
  const file = (asset: string) => paths.demoAsset(hashes.get(asset) ?? '');
  return { ...sheetAddresses(site), picture: file, file, made: ({ hash }) => paths.demoAsset(hash) };
}

/** One page at any width: its right edge is drawn, and the page is in the view of that width. */
export function StartPicture({ frame, page }: DemoPage) {
  const { views } = frame;
  const [width, setWidth] = useState(viewOf(views, views.base).sheet.width);
  const { ref, width: room } = useMeasuredWidth();
  const content = useMemo(() => preview(frame, composed(frame, page), demoAddresses(frame)), [frame, page]);
  const view = viewAt(views, width);
  const scale = room / WIDEST;
  return (
    <Box component="section" aria-label="One page in every view">
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5, mb: 1 }}>
        <ToggleButtonGroup
          exclusive
          size="small"
          aria-label="View of the page"
          value={view.id}
          onChange={(_event, next: typeof view.id | null) =>
            next && setWidth(viewOf(views, next).sheet.width)
          }
          sx={{ '& .MuiToggleButton-root': { py: 0.25, fontSize: 13, color: ink } }}
        >
          {views.list.map(({ id, name }) => (
            <ToggleButton key={id} value={id}>
              {name}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <Typography sx={{ fontSize: 13, color: quiet }}>
          {width} px · drag to see the page at other widths
        </Typography>
      </Box>
      <Box
        ref={ref}
        sx={{
          bgcolor: shade,
          border: `1px solid ${line}`,
          borderRadius: 1,
          overflow: 'hidden',
          height: HEIGHT,
        }}
      >
        {room > 0 && (
          <PagePreview
            site={frame}
            content={content}
            across={width}
            width={Math.round(width * scale)}
            height={HEIGHT}
          />
        )}
      </Box>
      <Box sx={{ height: 26 }} style={{ marginLeft: NARROWEST * scale }}>
        <Slider
          size="small"
          aria-label="Width of the window"
          min={NARROWEST}
          max={WIDEST}
          step={10}
          value={width}
          onChange={(_event, next) => setWidth(next)}
          getAriaValueText={(value) => `${value} px, ${viewAt(views, value).name}`}
          sx={{ py: 1, display: 'block' }}
        />
      </Box>
    </Box>
  );
}
