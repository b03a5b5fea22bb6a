import { Box, Button, Typography } from '@mui/material';
import { Columns3, Plus } from 'lucide-react';
import { useState } from 'react';
import { VIEW_LIMITS, type NodeId, type Site, type ViewId } from '../../core/index.ts';
import { WholeSiteScreen } from '../site/WholeSiteScreen.tsx';
import { quiet } from '../ui/theme.ts';
import { AddViewDialog } from './AddViewDialog.tsx';
import { DeleteViewDialog } from './DeleteViewDialog.tsx';
import { ViewSetDialog } from './ViewSetDialog.tsx';
import { ViewTable } from './ViewTable.tsx';

function ViewsOf({ site, page }: { site: Site; page: NodeId }) {
  const [dialog, setDialog] = useState<'add' | 'sets' | { remove: ViewId } | null>(null);
  const removed = typeof dialog === 'object' ? dialog?.remove : undefined;
  const { views } = site.frame;
  const gone = views.list.find(({ id }) => id === removed && id !== views.base);
  const { list } = views;
  const close = () => setDialog(null);
  return (
    <>
      <Box sx={{ height: '100%', overflow: 'auto' }}>
        <Box sx={{ px: 3, pt: 3, pb: 12, maxWidth: 240 + 360 * list.length, mx: 'auto' }}>
          <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, mb: 0.5 }}>
            <Typography component="h1" sx={{ fontSize: 22, fontWeight: 700, flex: 1 }}>
              Views
            </Typography>
            <Button
              variant="outlined"
              size="small"
              startIcon={<Columns3 size={15} />}
              onClick={() => setDialog('sets')}
            >
              Ready-made sets …
            </Button>
            <Button
              variant="outlined"
              size="small"
              startIcon={<Plus size={15} />}
              disabled={list.length >= VIEW_LIMITS.most}
              onClick={() => setDialog('add')}
            >
              Add a view …
            </Button>
          </Box>
          <Typography sx={{ color: quiet, mb: 2 }}>
            They apply to all pages of the site. {site.pages[page].nodes[site.pages[page].root].name} is shown
            in each.
          </Typography>
          <ViewTable site={site} page={page} onDelete={(remove) => setDialog({ remove })} />
        </Box>
      </Box>
      {dialog === 'add' && <AddViewDialog site={site.frame} onClose={close} />}
      {dialog === 'sets' && <ViewSetDialog site={site} onClose={close} />}
      {gone && <DeleteViewDialog site={site} view={gone} onClose={close} />}
    </>
  );
}

/** The views of a site: where each begins, how it is looked at, its grid, and which of them is the base. */
export const Views = () => (
  <WholeSiteScreen>{(site, page) => <ViewsOf site={site} page={page} />}</WholeSiteScreen>
);
