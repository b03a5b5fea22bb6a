import { Button, Menu, MenuItem, Typography } from '@mui/material';
import { ChevronDown } from 'lucide-react';
import { useState } from 'react';
import { DEVICES, widthsOf, type SiteFrame, type View } from '../../core/index.ts';
import { quiet } from '../ui/theme.ts';

/** Sizes of common devices that lie in the view, to take as its sheet. */
export function Devices({
  site,
  view,
  onTake,
}: {
  site: SiteFrame;
  view: View;
  onTake: (sheet: View['sheet']) => void;
}) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const { from = 0, below = Infinity } = widthsOf(site.views, view.id);
  const within = DEVICES.filter(({ width }) => width >= from && width < below);
  return (
    <>
      <Button
        size="small"
        aria-haspopup="menu"
        aria-label={`Common devices, ${view.name}`}
        endIcon={<ChevronDown size={13} />}
        onClick={({ currentTarget }) => setAnchor(currentTarget)}
        sx={{ px: 0.5, minWidth: 0, whiteSpace: 'nowrap' }}
      >
        Devices
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {within.length === 0 && (
          <MenuItem dense disabled>
            No common device is as wide as this view
          </MenuItem>
        )}
        {within.map(({ name, width, height }) => (
          <MenuItem
            key={name}
            dense
            selected={width === view.sheet.width && height === view.sheet.height}
            onClick={() => {
              setAnchor(null);
              onTake({ width, height });
            }}
          >
            <span style={{ flex: 1 }}>{name}</span>
            <Typography component="span" sx={{ fontSize: 12, color: quiet, ml: 3 }}>
              {width} × {height}
            </Typography>
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
