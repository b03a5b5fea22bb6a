import { knownProperty, type Node, type Point, resolve, sure } from '../../../core/index.ts';
import { Box, Button, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { imageUrl } from '../../page/addresses.ts';
import { FocalPointImage } from '../../ui/FocalPointImage.tsx';
import { openPage } from '../../state/documents.ts';
import { useAppSelector } from '../../state/store.ts';
import { leading, propertyOfRow } from '../../values/rows.ts';
import type { EditorProps } from './editor.ts';

const hundredth = (share: number): number => Math.round(Math.min(1, Math.max(0, share)) * 100);

/** The point of an image that stays in sight when it is cropped: chosen on the image, or typed. */
export function PointEditor({ site, row, cell, onSet, onClose }: EditorProps) {
  const page = useAppSelector((state) => sure(openPage(state)).page);
  const [point, setPoint] = useState(cell.value as Point);
  const shown = knownProperty(
    propertyOfRow(row).name === 'backgroundPosition' ? 'backgroundPicture' : 'source',
  );
  const source = resolve(site, page, leading(row.holders) as Node, shown, cell.view.id);
  const asset = site.assets.find(({ id }) => id === source);
  const number = (axis: keyof Point, label: string) => (
    <TextField
      size="small"
      type="number"
      label={label}
      value={point[axis]}
      slotProps={{ htmlInput: { min: 0, max: 100 } }}
      onChange={(event) => setPoint({ ...point, [axis]: hundredth(Number(event.target.value) / 100) })}
    />
  );
  return (
    <Box
      component="form"
      sx={{ p: 1.5, width: 260 }}
      onSubmit={(event) => {
        event.preventDefault();
        if (onSet(point)) onClose();
      }}
    >
      <FocalPointImage src={asset && imageUrl(site.id, asset, 640)} point={point} onChange={setPoint} />
      <Typography sx={{ fontSize: 12, color: 'text.secondary', my: 1 }}>
        In percent from the left and from the top
      </Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr auto', gap: 1 }}>
        {number('x', 'From left')}
        {number('y', 'From top')}
        <Button type="submit" variant="outlined">
          Set
        </Button>
      </Box>
    </Box>
  );
}
