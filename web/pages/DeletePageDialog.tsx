import {
  Button,
  Checkbox,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  FormControlLabel,
  Typography,
} from '@mui/material';
import { useId, useState } from 'react';
import { leadsTo, linking, publishedTrees, type NodeId, type Site } from '../../core/index.ts';
import { quiet } from '../ui/theme.ts';
import { LinkingList, linkingFrom } from './LinkingList.tsx';

interface DeletePageDialogProps {
  site: Site;
  page: NodeId;
  onDelete(unlink: boolean): void;
  onClose(): void;
}

/** Tells what links to a page before it is deleted, and offers to take those links off in the same step. */
export function DeletePageDialog({ site, page, onDelete, onClose }: DeletePageDialogProps) {
  const heading = useId();
  const [unlink, setUnlink] = useState(true);
  const nameOf = (id: NodeId) => site.pages[id].nodes[site.pages[id].root].name;
  const links = publishedTrees(site)
    .filter(({ id }) => id !== page)
    .flatMap((other) =>
      linking(other, leadsTo(page)).map(({ node, count }) =>
        linkingFrom(site, other, node, count > 1 ? `${count} links` : undefined),
      ),
    );
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby={heading}>
      <DialogTitle id={heading}>Delete {nameOf(page)}</DialogTitle>
      <DialogContent>
        <Typography>
          The page goes with all that is on it; undo brings it back. What is published stays until the site is
          published again.
        </Typography>
        {links.length === 0 ? (
          <Typography sx={{ mt: 1.5, color: quiet }}>No other page links to it.</Typography>
        ) : (
          <>
            <Typography sx={{ mt: 1.5, mb: 0.5, fontWeight: 700, fontSize: 13 }}>What links to it</Typography>
            <LinkingList label="What links to it" links={links} />
            <FormControlLabel
              sx={{ mt: 1 }}
              control={
                <Checkbox
                  size="small"
                  checked={unlink}
                  onChange={({ target }) => setUnlink(target.checked)}
                />
              }
              label={
                <Typography sx={{ fontSize: 13 }}>
                  Remove these links in the same step; their text stays
                </Typography>
              }
            />
          </>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button color="error" variant="contained" onClick={() => onDelete(unlink && links.length > 0)}>
          Delete
        </Button>
      </DialogActions>
    </Dialog>
  );
}
