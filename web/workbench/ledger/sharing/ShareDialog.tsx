import {
  idIn,
  type Node,
  type NodeId,
  ownSections,
  type Page,
  SHARED_NAMES,
  type SharedPlace,
  type SiteFrame,
  sure,
} from '../../../../core/index.ts';
import { Box, Checkbox, CircularProgress, FormControlLabel, Typography } from '@mui/material';
import { useEffect, useState } from 'react';
import { selected as select } from '../../../state/desk.ts';
import { edit, load } from '../../../state/edits.ts';
import { useAppDispatch, useAppSelector } from '../../../state/store.ts';
import { quiet } from '../../../ui/theme.ts';
import { FormDialog } from '../../../ui/FormDialog.tsx';

interface ShareDialogProps {
  site: SiteFrame;
  page: Page;
  section: Node;
  place: SharedPlace;
  onClose(): void;
}

/** Puts a section on all pages, and asks which of those that have one of their own keep it. */
export function ShareDialog({ site, page, section, place, onClose }: ShareDialogProps) {
  const dispatch = useAppDispatch();
  const pages = useAppSelector((state) => sure(state.documents.open, 'open').site.pages);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [keeping, setKeeping] = useState<ReadonlySet<NodeId>>(new Set());
  const ids = site.pages.map(({ id }) => id);
  const missing = ids.filter((id) => !pages[id]).join(' ');
  useEffect(() => {
    if (missing === '') return;
    void dispatch(load(missing.split(' '))).then((found) => setTrouble(found ?? null));
  }, [dispatch, missing]);
  const others =
    missing === ''
      ? ids.filter((id) => id !== page.id && ownSections(pages[id], place).length > 0).map((id) => pages[id])
      : [];
  const what = SHARED_NAMES[place];
  const turn = (id: NodeId) => {
    const next = new Set(keeping);
    if (!next.delete(id)) next.add(id);
    setKeeping(next);
  };
  const share = () => {
    if (dispatch(edit('shareSection', { node: section.id, keep: [...keeping] })))
      dispatch(select(idIn(place, section.id)));
    onClose();
  };
  return (
    <FormDialog
      title={`Put ${section.name} on all pages`}
      verb="Put on all pages"
      disabled={missing !== ''}
      cancel="Keep it on this page only"
      onDone={share}
      width="xs"
      wide
      onClose={onClose}
    >
      <Typography>
        It becomes one {what} for all {ids.length} pages, including future ones. A change on any page changes
        it on all pages.
      </Typography>
      {missing !== '' && trouble === null && (
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, mt: 2, color: quiet }}>
          <CircularProgress size={16} /> Checking the other pages …
        </Box>
      )}
      {trouble !== null && (
        <Typography role="alert" color="error" sx={{ mt: 2 }}>
          Not all pages could be loaded, so nothing was changed. {trouble}
        </Typography>
      )}
      {others.length > 0 && (
        <Box role="group" aria-label={`Pages that keep their own ${what}`} sx={{ mt: 2 }}>
          <Typography sx={{ fontSize: 13, fontWeight: 700 }}>
            These have a {what} of their own, which will be removed. Tick those that keep it:
          </Typography>
          {others.map(({ id, root, nodes }) => (
            <FormControlLabel
              key={id}
              sx={{ display: 'flex' }}
              control={<Checkbox size="small" checked={keeping.has(id)} onChange={() => turn(id)} />}
              label={
                <Typography noWrap sx={{ fontSize: 13 }}>
                  {nodes[root].name}
                </Typography>
              }
            />
          ))}
        </Box>
      )}
    </FormDialog>
  );
}
