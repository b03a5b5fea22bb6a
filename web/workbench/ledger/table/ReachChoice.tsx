import { ToggleButton, ToggleButtonGroup, Tooltip } from '@mui/material';
import type { EditReach } from '../../../../core/index.ts';
import { reachChosen } from '../../../state/desk.ts';
import { preferReach } from '../../../state/preferences.ts';
import { useAppDispatch, useAppSelector } from '../../../state/store.ts';
import { petrolFill, raised } from '../../../ui/theme.ts';

const CHOICES: { value: EditReach; label: string; explained: string }[] = [
  {
    value: 'here',
    label: 'Here',
    explained: 'Edits change only the view of their column; every other view keeps what it shows',
  },
  {
    value: 'onward',
    label: 'Onward',
    explained:
      'Edits change the view of their column and every view further from the base on the same side; in the base’s column every view without an override',
  },
  {
    value: 'everywhere',
    label: 'Everywhere',
    explained: 'Edits set the base and remove the overrides of all views',
  },
];

/** How far the next edits go. */
export function ReachChoice() {
  const dispatch = useAppDispatch();
  const reach = useAppSelector((state) => state.desk.reach);
  const site = useAppSelector((state) => state.desk.site);
  const choose = (value: EditReach) => {
    if (site !== null) preferReach(site, value);
    dispatch(reachChosen(value));
  };
  return (
    <ToggleButtonGroup
      size="small"
      exclusive
      aria-label="Reach of edits"
      value={reach}
      onChange={(_event, value: EditReach | null) => value && choose(value)}
      sx={{
        bgcolor: raised,
        '& .MuiToggleButton-root': {
          py: 0.125,
          px: 1,
          textTransform: 'none',
          color: 'text.primary',
          '&.Mui-selected': {
            bgcolor: petrolFill,
            color: 'white',
            '&:hover': { bgcolor: petrolFill },
          },
        },
      }}
    >
      {CHOICES.map(({ value, label, explained }) => (
        <ToggleButton key={value} value={value}>
          <Tooltip title={explained} describeChild enterDelay={600}>
            <span>{label}</span>
          </Tooltip>
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
}
