import { Box, Typography } from '@mui/material';
import { useId, useMemo, useState } from 'react';
import { counted, likeInSet, plural, valuesInView, VIEW_SETS, type Site } from '../../core/index.ts';
import { edit } from '../state/edits.ts';
import { useAppDispatch } from '../state/store.ts';
import { ViewSetChoice } from '../ui/ViewSetChoice.tsx';
import { ValueLines } from './ValueLines.tsx';
import { FormDialog } from '../ui/FormDialog.tsx';

/** Takes a ready-made set of views in place of those of the site, and shows first what goes with those that it has not. */
export function ViewSetDialog({ site, onClose }: { site: Site; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const label = useId();
  const { views } = site.frame;
  const [chosen, setChosen] = useState(() => String(views.list.length));
  const set = VIEW_SETS.find(({ id }) => id === chosen);
  const gone = useMemo(() => {
    if (!set) return [];
    const like = new Set(set.views.list.map((view) => likeInSet(views, view)));
    return views.list.filter(({ id }) => !like.has(id));
  }, [set, views]);
  const dropped = useMemo(() => gone.flatMap(({ id }) => valuesInView(site, id)), [gone, site]);
  const names = gone.map(({ name }) => name).join(', ');
  const take = () => {
    if (set && dispatch(edit('takeViewSet', { set: set.id }))) onClose();
  };
  return (
    <FormDialog
      title="Ready-made sets of views"
      verb="Use this set"
      disabled={!set}
      onDone={take}
      width="md"
      wide
      onClose={onClose}
    >
      <Typography id={label} sx={{ mb: 1 }}>
        Views of the same name stay, with their grid and all that is set in them; new ones begin as the view
        in which their sheet lies.
      </Typography>
      <Box sx={{ mb: 1.5 }}>
        <ViewSetChoice labelledBy={label} value={chosen} onChange={setChosen} />
      </Box>
      {gone.length > 0 && (
        <>
          <Typography sx={{ fontWeight: 700, fontSize: 13, mb: 0.75 }}>
            {names} {plural(gone.length, 'goes', 'go')}
            {dropped.length === 0 ? '; nothing is set there.' : `, with ${counted(dropped.length, 'value')}:`}
          </Typography>
          {dropped.length > 0 && <ValueLines site={site} values={dropped} />}
        </>
      )}
    </FormDialog>
  );
}
