import { knownIn, sure } from '../../../core/index.ts';
import { Box, Button, ButtonBase, Typography } from '@mui/material';
import { ImagePlus } from 'lucide-react';
import { useRef } from 'react';
import { paths } from '../../../api/paths.ts';
import { importFiles } from '../../state/uploading.ts';
import { useAppDispatch } from '../../state/store.ts';
import { imageUrl } from '../../page/addresses.ts';
import { petrol, quiet } from '../../ui/theme.ts';
import { propertyOfRow } from '../../values/rows.ts';
import type { EditorProps } from './editor.ts';

const TILE = { width: 72, height: 52, objectFit: 'cover', borderRadius: 2 } as const;

/** One of the site's images or videos; or none, where there may be none. */
export function ImageEditor({ site, row, cell, context, onSet, onClose }: EditorProps) {
  const dispatch = useAppDispatch();
  const file = useRef<HTMLInputElement>(null);
  const bring = async (files: readonly File[]) => {
    const [first] = await dispatch(importFiles(files));
    if (first && onSet(first)) onClose();
  };
  const { type } = propertyOfRow(row);
  const { word, accept } = sure(type.brings, 'brings');
  const options = (type.options?.(context) ?? []) as { value: string; label: string }[];
  const assets = new Map(site.assets.map((asset) => [asset.id, asset]));
  return (
    <>
      <Box sx={{ px: 1.5, pt: 1, display: 'flex', alignItems: 'center' }}>
        <Typography sx={{ fontSize: 12, color: quiet, flex: 1 }}>
          {!options.some(({ value }) => assets.has(value))
            ? `There is no ${word} on the shelf yet.`
            : 'On the shelf'}
        </Typography>
        <input
          ref={file}
          type="file"
          hidden
          accept={accept}
          aria-label={`${word === 'video' ? 'A video' : 'An image'} for the shelf`}
          onChange={({ target }) => void bring([...(target.files ?? [])])}
        />
        <Button size="small" startIcon={<ImagePlus size={14} />} onClick={() => file.current?.click()}>
          Import …
        </Button>
      </Box>
      <Box
        role="group"
        aria-label={word === 'video' ? 'Videos of the site' : 'Images of the site'}
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
            {!assets.has(value) ? (
              <Box sx={{ ...TILE, borderRadius: 0.5, border: `1px dashed ${quiet}` }} />
            ) : word === 'video' ? (
              <video
                src={paths.asset(site.id, knownIn(assets, value).hash)}
                preload="metadata"
                muted
                tabIndex={-1}
                aria-hidden
                style={TILE}
              />
            ) : (
              <img src={imageUrl(site.id, knownIn(assets, value), 320)} alt="" style={TILE} />
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
    </>
  );
}
