import { Alert, Box, Button } from '@mui/material';
import type { ReactNode } from 'react';
import { paths } from '../../api/paths.ts';
import { nextStep } from '../state/steps.ts';
import { undo } from '../state/traversal.ts';
import { useAppDispatch, useAppSelector } from '../state/store.ts';

/**
 * What stands in for a page that cannot be drawn: what happened, ways on, and below them the page as it was before, to be
 * looked at.
 */
export function Fault({ site, before, again }: { site: string; before?: ReactNode; again: () => void }) {
  const dispatch = useAppDispatch();
  const last = useAppSelector((state) => nextStep(state, 'undo')?.sentence);
  return (
    <Box sx={{ height: '100%', display: 'flex', flexDirection: 'column' }}>
      <Box sx={{ p: 2, flex: 'none' }}>
        <Alert severity="error" variant="outlined" sx={{ maxWidth: 900, mx: 'auto' }}>
          This page cannot be shown as it is now: the program ran into an error. Everything the top bar shows
          as saved is saved, and nothing was undone.{' '}
          {last
            ? `The last step here was “${last}”; taking it back is likely to help. `
            : 'Steps can be undone from the list of steps above. '}
          {before !== undefined && 'Below is the page as it was before, read-only.'}
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 1.5 }}>
            {last && (
              <Button size="small" variant="contained" onClick={() => dispatch(undo())}>
                Undo the last step
              </Button>
            )}
            <Button size="small" variant="outlined" onClick={again}>
              Show again
            </Button>
            <Button size="small" variant="outlined" href={paths.file(site)} download>
              Save the site file
            </Button>
          </Box>
        </Alert>
      </Box>
      {before !== undefined && (
        <Box inert sx={{ flex: 1, minHeight: 0, opacity: 0.6 }}>
          {before}
        </Box>
      )}
    </Box>
  );
}
