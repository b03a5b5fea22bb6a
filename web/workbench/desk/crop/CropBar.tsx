import { Button, MenuItem, Paper, Popper, Slider, TextField, Typography } from '@mui/material';
import { Check } from 'lucide-react';
import {
  ASPECT_RATIOS,
  knownProperty,
  ownLayered,
  viewsNamed,
  wouldReach,
  ZOOM,
} from '../../../../core/index.ts';
import { useAppSelector } from '../../../state/store.ts';
import { quiet } from '../../../ui/theme.ts';
import { type Cropping, type CropOf } from './useCropping.ts';

/** What happens in the bar does not end the crop. */
const own = (event: { stopPropagation(): void }) => event.stopPropagation();

/** What is chosen of a crop besides what is drawn: its shape, the zoom, and the end of it. */
export function CropBar({
  of: { site, node, view },
  cropping,
  anchor,
}: {
  of: CropOf;
  cropping: Cropping;
  anchor: HTMLElement | null;
}) {
  const reach = useAppSelector((state) => state.desk.reach);
  const { shape, zoomed } = cropping;
  const reached = wouldReach(ownLayered(node, 'self', knownProperty('focalPoint')), site.views, view, reach);
  return (
    <Popper
      role="region"
      aria-label="Crop"
      open={anchor !== null}
      anchorEl={anchor}
      placement="bottom-start"
      modifiers={[
        { name: 'offset', options: { offset: [0, 12] } },
        { name: 'preventOverflow', options: { padding: 8, altAxis: true, tether: false } },
      ]}
      sx={{ zIndex: 'modal' }}
    >
      <Paper
        role="toolbar"
        aria-label={`Crop of ${node.name}`}
        elevation={3}
        onPointerDown={own}
        onKeyDown={(event) => {
          own(event);
          if (event.key === 'Escape') cropping.cancel();
        }}
        sx={{ p: 1, display: 'flex', alignItems: 'center', gap: 1.5 }}
      >
        {shape === 'area' ? (
          <Typography sx={{ fontSize: 12, color: quiet }}>In the shape of its area</Typography>
        ) : (
          <TextField
            select
            size="small"
            label="Aspect ratio"
            value={shape}
            onChange={({ target }) => cropping.take(target.value)}
            sx={{ minWidth: 128 }}
          >
            <MenuItem value="auto">As the image</MenuItem>
            {ASPECT_RATIOS.map((each) => (
              <MenuItem key={each} value={each}>
                {each}
              </MenuItem>
            ))}
            <MenuItem value="free">Free</MenuItem>
          </TextField>
        )}
        <Typography component="label" id="crop-zoom" sx={{ fontSize: 12, color: quiet }}>
          Zoom
        </Typography>
        <Slider
          size="small"
          aria-labelledby="crop-zoom"
          min={ZOOM.least}
          max={ZOOM.most}
          step={5}
          value={zoomed}
          getAriaValueText={(percent) => `${Math.round(percent)} %`}
          onChange={(_event, percent) => cropping.zoom(percent)}
          sx={{ width: 110 }}
        />
        <Typography sx={{ fontSize: 12, minWidth: 42, fontVariantNumeric: 'tabular-nums' }}>
          {Math.round(zoomed)} %
        </Typography>
        <Typography sx={{ fontSize: 12, color: quiet }}>Changes {viewsNamed(site, reached)}</Typography>
        <Button size="small" onClick={cropping.whole}>
          Whole image
        </Button>
        <Button size="small" onClick={cropping.cancel}>
          Cancel
        </Button>
        <Button size="small" variant="contained" startIcon={<Check size={14} />} onClick={cropping.done}>
          Done
        </Button>
      </Paper>
    </Popper>
  );
}
