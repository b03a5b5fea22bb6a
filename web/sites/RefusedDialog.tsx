import { Box, Typography } from '@mui/material';
import { line, quiet } from '../ui/theme.ts';
import type { Refused } from './useSiteImport.ts';
import { FormDialog } from '../ui/FormDialog.tsx';

/** Says why a file was not imported: each fault with where in the file it is. */
export function RefusedDialog({ refused, onClose }: { refused: Refused; onClose: () => void }) {
  const { file, sentence, faults } = refused;
  return (
    <FormDialog title={`${file} was not imported`} width="sm" wide onClose={onClose}>
      <Typography sx={{ mb: 1.5 }}>{sentence}</Typography>
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {faults.map(({ path, sentence: what }, index) => (
          <Box component="li" key={index} sx={{ py: 0.75, borderTop: `1px solid ${line}` }}>
            <Typography sx={{ fontSize: 13 }}>{what}</Typography>
            {path && (
              <Typography sx={{ fontSize: 12, color: quiet, overflowWrap: 'anywhere' }}>at {path}</Typography>
            )}
          </Box>
        ))}
      </Box>
    </FormDialog>
  );
}
