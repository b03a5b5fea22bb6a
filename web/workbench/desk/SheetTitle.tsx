import { ButtonBase, Typography } from '@mui/material';
import { widthSet } from '../../state/desk.ts';
import { useAppDispatch } from '../../state/store.ts';
import { desk, petrol } from '../../ui/theme.ts';

/** What stands over a sheet: its view, width and scale. A click makes it the active one. */
export function SheetTitle(props: { name: string; width: number; scale: number; active: boolean }) {
  const { name, width, scale, active } = props;
  const dispatch = useAppDispatch();
  return (
    <ButtonBase
      onClick={() => dispatch(widthSet(width))}
      aria-pressed={active}
      sx={{ mb: 0.75, gap: 1, borderRadius: 0.5, px: 0.5, minHeight: 24 }}
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
  );
}
