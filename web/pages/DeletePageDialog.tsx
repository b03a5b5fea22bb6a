import { Checkbox, FormControlLabel, Typography } from '@mui/material';
import { useState } from 'react';
import { leadsTo, linking, publishedTrees, type NodeId, type Site } from '../../core/index.ts';
import { quiet } from '../ui/theme.ts';
import { LinkingList, linkingFrom } from './LinkingList.tsx';
import { FormDialog } from '../ui/FormDialog.tsx';

interface DeletePageDialogProps {
  site: Site;
  page: NodeId;
  onDelete(unlink: boolean): void;
  onClose(): void;
}

/** Tells what links to a page before it is deleted, and offers to take those links off in the same step. */
export function DeletePageDialog({ site, page, onDelete, onClose }: DeletePageDialogProps) {
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
    <FormDialog
      title={`Delete ${nameOf(page)}`}
      verb="Delete"
      danger
      onDone={() => onDelete(unlink && links.length > 0)}
      width="sm"
      wide
      onClose={onClose}
    >
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
              <Checkbox size="small" checked={unlink} onChange={({ target }) => setUnlink(target.checked)} />
            }
            label={
              <Typography sx={{ fontSize: 13 }}>
                Remove these links in the same step; their text stays
              </Typography>
            }
          />
        </>
      )}
    </FormDialog>
  );
}
