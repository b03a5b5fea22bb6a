import { Box, Button, Typography } from '@mui/material';
import { FilePlus2, FolderInput, Telescope, type LucideIcon } from 'lucide-react';
import { line, petrol, quiet } from '../ui/theme.ts';

interface Way {
  Sign: LucideIcon;
  label: string;
  words: string;
  run: () => void;
}

/** What a newcomer sees: three ways on. */
export function StartScreen(props: {
  busy: boolean;
  onTry: () => void;
  onNew: () => void;
  onBring: () => void;
}) {
  const ways: Way[] = [
    {
      Sign: Telescope,
      label: 'Try it on the observatory',
      words:
        'A site with eight pages to adapt, change and publish as you like. It is yours; nothing can break.',
      run: props.onTry,
    },
    {
      Sign: FilePlus2,
      label: 'New site',
      words:
        'A name, a look and a set of views: a page that is right in all of them, ready for your own text.',
      run: props.onNew,
    },
    {
      Sign: FolderInput,
      label: 'Import a site file',
      words:
        'A site that was exported from Dimorphe before, here or elsewhere. Drop the file anywhere on this screen.',
      run: props.onBring,
    },
  ];
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(230px, 1fr))', gap: 2 }}>
      {ways.map(({ Sign, label, words, run }) => (
        <Box
          key={label}
          sx={{
            display: 'flex',
            flexDirection: 'column',
            gap: 1.25,
            p: 2.5,
            border: `1px solid ${line}`,
            borderRadius: 1,
            bgcolor: 'white',
          }}
        >
          <Sign size={26} color={petrol} aria-hidden />
          <Typography sx={{ color: quiet, flex: 1 }}>{words}</Typography>
          <Button variant="outlined" disabled={props.busy} onClick={run}>
            {label}
          </Button>
        </Box>
      ))}
    </Box>
  );
}
