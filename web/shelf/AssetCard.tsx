import { Box, ButtonBase, Typography } from '@mui/material';
import { Captions, Clapperboard, FileText } from 'lucide-react';
import { isCaptions, isVideo, isImage, type Asset } from '../../core/index.ts';
import { imageUrl } from '../page/addresses.ts';
import { line, petrol, quiet, raised, tile } from '../ui/theme.ts';
import { TYPES } from './types.ts';

interface AssetCardProps {
  site: string;
  asset: Asset;
  /** In how many places it stands. */
  uses: number;
  chosen: boolean;
  onChoose(): void;
}

/** One thing of the shelf, to know it by. */
export function AssetCard({ site, asset, uses, chosen, onChoose }: AssetCardProps) {
  const Sign = isVideo(asset) ? Clapperboard : isCaptions(asset) ? Captions : FileText;
  const where = uses === 0 ? 'not used' : uses === 1 ? 'in 1 place' : `in ${uses} places`;
  return (
    // What is drawn around the card, as where the keyboard is, has room in the item: that clips what is outside of it.
    <li style={{ contentVisibility: 'auto', containIntrinsicSize: '168px 190px', padding: 4, margin: -4 }}>
      <ButtonBase
        aria-pressed={chosen}
        onClick={onChoose}
        sx={{
          width: '100%',
          display: 'block',
          textAlign: 'left',
          borderRadius: 1,
          overflow: 'hidden',
          border: `1px solid ${chosen ? petrol : line}`,
          outline: chosen ? `1px solid ${petrol}` : 'none',
          bgcolor: raised,
        }}
      >
        <Box
          sx={{
            height: 124,
            display: 'grid',
            placeItems: 'center',
            bgcolor: asset.colour ?? tile,
            color: quiet,
          }}
        >
          {!isImage(asset) ? (
            <Sign size={34} aria-hidden />
          ) : (
            <img
              src={imageUrl(site, asset, 320)}
              alt=""
              loading="lazy"
              style={{ width: '100%', height: 124, objectFit: 'cover' }}
            />
          )}
        </Box>
        <Box sx={{ px: 1.25, py: 0.75 }}>
          <Typography noWrap sx={{ fontWeight: 700, fontSize: 13 }} title={asset.name}>
            {asset.name}
          </Typography>
          <Typography noWrap sx={{ fontSize: 12, color: quiet }}>
            {asset.width !== undefined ? `${asset.width} × ${asset.height} · ` : `${TYPES[asset.type]} · `}
            {where}
          </Typography>
        </Box>
      </ButtonBase>
    </li>
  );
}
