import { Box, ButtonBase } from '@mui/material';
import { paths } from '../../../api/paths.ts';
import { petrol } from '../../ui/theme.ts';
import type { EditorProps } from './editor.ts';

/** One of the site's pictures. */
export function PictureEditor({ site, cell, onSet, onClose }: EditorProps) {
  return (
    <Box
      role="group"
      aria-label="Pictures of the site"
      sx={{
        p: 1,
        width: 268,
        maxHeight: 300,
        overflowY: 'auto',
        display: 'grid',
        gridTemplateColumns: 'repeat(3, 1fr)',
        gap: 0.75,
      }}
    >
      {site.assets.map((asset) => (
        <ButtonBase
          key={asset.id}
          aria-label={asset.name}
          aria-pressed={asset.id === cell.value}
          onClick={() => onSet(asset.id) && onClose()}
          sx={{
            flexDirection: 'column',
            p: 0.5,
            borderRadius: 0.5,
            outline: asset.id === cell.value ? `2px solid ${petrol}` : undefined,
            '&:hover': { bgcolor: 'action.hover' },
          }}
        >
          <img
            src={paths.asset(site.id, asset.id)}
            alt=""
            style={{ width: 72, height: 52, objectFit: 'cover', borderRadius: 2 }}
          />
          <span
            style={{
              fontSize: 11,
              lineHeight: '15px',
              maxWidth: 76,
              overflow: 'hidden',
              textOverflow: 'ellipsis',
              whiteSpace: 'nowrap',
            }}
          >
            {asset.name}
          </span>
        </ButtonBase>
      ))}
    </Box>
  );
}
