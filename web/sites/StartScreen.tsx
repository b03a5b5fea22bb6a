import { Box, Button, Typography } from '@mui/material';
import { FilePlus2, FolderInput, Telescope, type LucideIcon } from 'lucide-react';
import { useDemoPageQuery } from '../state/server.ts';
import { Boundary } from '../ui/Boundary.tsx';
import { lazily } from '../ui/lazily.tsx';
import { line, petrol, quiet, raised } from '../ui/theme.ts';

interface Way {
  Sign: LucideIcon;
  title: string;
  label: string;
  words: string;
  run: () => void;
}

/** px; what is there until the page is drawn. */
const PICTURE = 360;

/** Drawing a page takes much code, which the three ways do not wait for. */
const StartPicture = lazily(async () => (await import('./StartPicture.tsx')).StartPicture, <></>);

/** The demo’s home page, drawn small. Where it cannot be had, the ways on stand alone. */
function Picture() {
  const { data, isError } = useDemoPageQuery();
  if (isError) return null;
  return (
    <Box sx={{ minHeight: PICTURE, mb: 1.5 }}>
      {data && (
        <Boundary of={data} notice={() => null}>
          {(shown) => <StartPicture {...shown} />}
        </Boundary>
      )}
    </Box>
  );
}

/** What a newcomer sees: what the program does, and three ways on. */
export function StartScreen(props: {
  busy: boolean;
  onTry: () => void;
  onNew: () => void;
  onBring: () => void;
}) {
  const ways: Way[] = [
    {
      Sign: Telescope,
      title: 'See what it does',
      label: 'Try it on the observatory',
      words:
        'A site with eight pages to adapt, change and publish as you like. It is yours; nothing can break.',
      run: props.onTry,
    },
    {
      Sign: FilePlus2,
      title: 'Start from a design',
      label: 'New site',
      words:
        'A name, a look and a set of views: a page that is right in all of them, ready for your own text.',
      run: props.onNew,
    },
    {
      Sign: FolderInput,
      title: 'Continue with a site',
      label: 'Import a site file',
      words:
        'A site that was exported from Dimorphe before, here or elsewhere. Drop the file anywhere on this screen.',
      run: props.onBring,
    },
  ];
  return (
    <>
      <Picture />
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(230px, 1fr))', gap: 2 }}>
        {ways.map(({ Sign, title, label, words, run }) => (
          <Box
            component="section"
            key={label}
            sx={{
              display: 'flex',
              flexDirection: 'column',
              gap: 1,
              p: 2,
              border: `1px solid ${line}`,
              borderRadius: 1,
              bgcolor: raised,
            }}
          >
            <Typography
              component="h2"
              sx={{ display: 'flex', alignItems: 'center', gap: 1, fontWeight: 700 }}
            >
              <Sign size={20} color={petrol} aria-hidden />
              {title}
            </Typography>
            <Typography sx={{ color: quiet, flex: 1 }}>{words}</Typography>
            <Button variant="outlined" disabled={props.busy} onClick={run}>
              {label}
            </Button>
          </Box>
        ))}
      </Box>
    </>
  );
}
