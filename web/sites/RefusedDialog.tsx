import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from '@mui/material';
import { useId } from 'react';
import { line, quiet } from '../ui/theme.ts';
import type { Refused } from './useSiteImport.ts';

/** Says why a file was not imported: each fault with where in the file it is. */
export function RefusedDialog({ refused, onClose }: { refused: Refused; onClose: () => void }) {
  const title = useId();
  const { file, sentence, faults } = refused;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby={title}>
      <DialogTitle id={title} sx={{ overflowWrap: 'anywhere' }}>
        {file} was not imported
      </DialogTitle>
      <DialogContent>
        <Typography sx={{ mb: 1.5 }}>{sentence}</Typography>
        <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
          {faults.map(({ path, sentence: what }, index) => (
            <Box component="li" key={index} sx={{ py: 0.75, borderTop: `1px solid ${line}` }}>
              <Typography sx={{ fontSize: 13 }}>{what}</Typography>
              {path && (
                <Typography sx={{ fontSize: 12, color: quiet, overflowWrap: 'anywhere' }}>
                  at {path}
                </Typography>
              )}
            </Box>
          ))}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose} autoFocus>
          Close
        </Button>
      </DialogActions>
    </Dialog>
  );
}
