import { Box, Typography } from '@mui/material';
import type { Asset, AssetUse, Site } from '../../core/index.ts';
import { UseList } from './AssetDetails.tsx';
import { FormDialog } from '../ui/FormDialog.tsx';

interface DeleteAssetDialogProps {
  site: Site;
  asset: Asset;
  uses: readonly AssetUse[];
  onDelete(): void;
  onClose(): void;
}

/** Tells what will be missing before an image or video goes off the shelf. */
export function DeleteAssetDialog({ site, asset, uses, onDelete, onClose }: DeleteAssetDialogProps) {
  return (
    <FormDialog
      title={`Delete ${asset.name}`}
      verb="Delete"
      danger
      onDone={onDelete}
      width="sm"
      wide
      onClose={onClose}
    >
      <Typography>
        {uses.length === 0
          ? 'It is not used anywhere. Undo restores it.'
          : 'It will be missing in these places; where it is set for one view only, what holds in the others is shown. Undo brings it back everywhere. What is published stays until the site is published again.'}
      </Typography>
      {uses.length > 0 && (
        <Box sx={{ mt: 1.5, maxHeight: 260, overflowY: 'auto' }}>
          <UseList site={site} uses={uses} />
        </Box>
      )}
    </FormDialog>
  );
}
