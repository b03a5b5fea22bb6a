import { Box, Button, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import { towardsBase, valuesInView, type Site, type View } from '../../core/index.ts';
import { edit } from '../state/edits.ts';
import { useAppDispatch } from '../state/store.ts';
import { ValueLines } from './ValueLines.tsx';
import { FormDialog } from '../ui/FormDialog.tsx';

interface DeleteViewDialogProps {
  site: Site;
  view: View;
  onClose(): void;
}

/** Shows everything that is set in a view before it is deleted, and what becomes of each. */
export function DeleteViewDialog({ site, view, onClose }: DeleteViewDialogProps) {
  const dispatch = useAppDispatch();
  const values = useMemo(() => valuesInView(site, view.id), [site, view.id]);
  const [keys, setKeys] = useState<ReadonlySet<string>>(new Set());
  const { views } = site.frame;
  const neighbour = towardsBase(views, view.id);
  const narrower = views.list[views.list.findIndex(({ id }) => id === view.id) - 1];
  const takes = narrower ?? views.list[1];
  const possible = values.filter(({ canHandOver }) => canHandOver).map(({ key }) => key);
  // What somebody else has changed meanwhile is not handed over unseen.
  const handed = possible.filter((key) => keys.has(key));
  const turn = (key: string) => {
    const next = new Set(keys);
    if (!next.delete(key)) next.add(key);
    setKeys(next);
  };
  const remove = () => {
    if (dispatch(edit('removeView', { view: view.id, values: handed }))) onClose();
  };
  return (
    <FormDialog
      title={`Delete ${view.name}`}
      verb="Delete"
      danger
      onDone={remove}
      width="md"
      wide
      onClose={onClose}
    >
      <Typography>
        Its widths go to {takes.name}; every other view looks as it did, and undo brings all of it back.{' '}
        {values.length === 0
          ? 'Nothing is set in it, on any page or in the theme.'
          : `What is set in it is deleted too, unless it moves to ${neighbour.name}, where it replaces what is there.`}
      </Typography>
      {values.length > 0 && (
        <>
          <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, my: 1 }}>
            <Typography sx={{ flex: 1, fontWeight: 700, fontSize: 13 }} role="status">
              {handed.length} moved to {neighbour.name}, {values.length - handed.length} deleted
            </Typography>
            <Button size="small" onClick={() => setKeys(new Set(possible))}>
              Move all
            </Button>
            <Button size="small" onClick={() => setKeys(new Set())}>
              Delete all
            </Button>
          </Box>
          <ValueLines site={site} values={values} handing={{ to: neighbour.name, keys, onTurn: turn }} />
        </>
      )}
    </FormDialog>
  );
}
