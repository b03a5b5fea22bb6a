import { type Node, type SiteFrame, sure, type View } from '../../../core/index.ts';
import { Box, Button, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { lineInEms } from '../../page/measuringwords.ts';
import { openPage } from '../../state/documents.ts';
import { useAppSelector } from '../../state/store.ts';

interface FitWordsProps {
  site: SiteFrame;
  node: Node;
  view: View;
  /** A share, in percent, at which the words are as wide as was asked for. */
  onShare(share: number): void;
}

/** Works out the size at which the words of an element take so much of the width of its place, on one line. */
export function FitWords({ site, node, view, onShare }: FitWordsProps) {
  const page = useAppSelector((state) => sure(openPage(state)).page);
  const [typed, setTyped] = useState('60');
  const [said, setSaid] = useState('');
  const [measuring, setMeasuring] = useState(false);
  const wanted = Number(typed.replace(',', '.').replace('%', ''));
  const work = async () => {
    setMeasuring(true);
    const ems = await lineInEms(site, page, node, view);
    setMeasuring(false);
    if (ems === 0) {
      setSaid(`${node.name} has no text in ${view.name}.`);
      return;
    }
    setSaid('');
    onShare(Math.round((wanted / ems) * 100) / 100);
  };
  return (
    <Box sx={{ mt: 1.25 }}>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
        <TextField
          size="small"
          label="Width of its text, %"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
        />
        <Button
          size="small"
          disabled={measuring || !(wanted > 0 && wanted <= 100)}
          onClick={() => void work()}
          sx={{ flex: 'none' }}
        >
          Calculate
        </Button>
      </Box>
      {said !== '' && (
        <Typography role="alert" sx={{ fontSize: 12, mt: 0.5, color: 'error.main' }}>
          {said}
        </Typography>
      )}
    </Box>
  );
}
