import { Box, ButtonBase } from '@mui/material';
import { paths } from '../../../api/paths.ts';
import { petrol, quiet } from '../../ui/theme.ts';
import { propertyOfRow } from '../values/rows.ts';
import type { EditorProps } from './editor.ts';

/** One of the site's pictures; or none, where there may be none. */
export function PictureEditor({ site, row, cell, context, onSet, onClose }: EditorProps) {
  const options = (propertyOfRow(row).type.options?.(context) ?? []) as { value: string; label: string }[];
  const isAsset = (id: string) => site.assets.some((asset) => asset.id === id);
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
      {options.map(({ value, label }) => (
        <ButtonBase
          key={value}
          aria-label={label}
          aria-pressed={value === cell.value}
          onClick={() => onSet(value) && onClose()}
          sx={{
            flexDirection: 'column',
            p: 0.5,
            borderRadius: 0.5,
            outline: value === cell.value ? `2px solid ${petrol}` : undefined,
            '&:hover': { bgcolor: 'action.hover' },
          }}
        >
          {isAsset(value) ? (
            <img
              src={paths.asset(site.id, value)}
              alt=""
              style={{ width: 72, height: 52, objectFit: 'cover', borderRadius: 2 }}
            />
          ) : (
            <Box sx={{ width: 72, height: 52, borderRadius: 0.5, border: `1px dashed ${quiet}` }} />
          )}
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
            {label}
          </span>
        </ButtonBase>
      ))}
    </Box>
  );
}
