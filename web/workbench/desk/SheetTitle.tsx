import { Button, ButtonBase, Typography } from '@mui/material';
import { Footprints } from 'lucide-react';
import { walkSet, widthSet } from '../../state/desk.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { desk, petrol } from '../../ui/theme.ts';

/** What stands over a sheet: its view, width and scale. A click makes it the active one, whose sections can be walked through. */
export function SheetTitle(props: { name: string; width: number; scale: number; active: boolean }) {
  const { name, width, scale, active } = props;
  const dispatch = useAppDispatch();
  const offered = useAppSelector(({ desk: { walking, sheets } }) => !walking && sheets === 'one');
  return (
    <div style={{ display: 'flex', justifyContent: 'space-between', marginBottom: 6 }}>
      <ButtonBase
        onClick={() => dispatch(widthSet(width))}
        aria-pressed={active}
        sx={{ gap: 1, borderRadius: 0.5, px: 0.5, minHeight: 24 }}
      >
        <Typography
          component="span"
          sx={{ fontWeight: 700, fontSize: 13, color: active ? petrol : 'text.primary' }}
        >
          {name}
        </Typography>
        <Typography component="span" sx={{ fontSize: 12, color: 'text.secondary', bgcolor: desk }}>
          {width} px at {Math.round(scale * 100)} %
        </Typography>
      </ButtonBase>
      {active && offered && (
        <Button
          size="small"
          startIcon={<Footprints size={13} />}
          title={`Look at ${name} section after section, and say which are fine`}
          sx={{ py: 0, minHeight: 24, whiteSpace: 'nowrap' }}
          onClick={() => dispatch(walkSet(true))}
        >
          Walk through
        </Button>
      )}
    </div>
  );
}
