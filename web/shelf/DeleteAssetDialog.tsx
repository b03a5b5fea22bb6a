import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from '@mui/material';
import { useId } from 'react';
import type { Asset, AssetUse, Site } from '../../core/index.ts';
import { line, quiet } from '../ui/theme.ts';
import { describeUse } from './AssetDetails.tsx';

interface DeleteAssetDialogProps {
  site: Site;
  asset: Asset;
  uses: readonly AssetUse[];
  onDelete(): void;
  onClose(): void;
}

/** Tells what will be missing before a picture or film goes off the shelf. */
export function DeleteAssetDialog({ site, asset, uses, onDelete, onClose }: DeleteAssetDialogProps) {
  const heading = useId();
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby={heading}>
      <DialogTitle id={heading}>Delete {asset.name}</DialogTitle>
      <DialogContent>
        <Typography>
          {uses.length === 0
            ? 'It stands nowhere. Undo brings it back.'
            : 'It will be missing in these places; where it is set for one view only, what holds in the others is shown. Undo brings it back everywhere. What is published stays until the site is published again.'}
        </Typography>
        {uses.length > 0 && (
          <Box
            component="ul"
            sx={{ m: 0, mt: 1.5, p: 0, listStyle: 'none', maxHeight: 260, overflowY: 'auto' }}
          >
            {uses.map((use) => {
              const page = site.pages[use.page];
              return (
                <Box
                  component="li"
                  key={`${use.page} ${use.node} ${use.as}`}
                  sx={{ py: 0.5, borderTop: `1px solid ${line}`, fontSize: 13 }}
                >
                  {page.nodes[use.node ?? page.root].name}
                  <Box component="span" sx={{ color: quiet }}>
                    {' '}
                    on {page.nodes[page.root].name}, {describeUse(site, use)}
                  </Box>
                </Box>
              );
            })}
          </Box>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Keep it</Button>
        <Button color="error" variant="contained" onClick={onDelete}>
          Delete
        </Button>
      </DialogActions>
    </Dialog>
  );
}
