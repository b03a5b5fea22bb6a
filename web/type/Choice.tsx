import { keysOf } from '../../core/index.ts';
import { ToggleButton, ToggleButtonGroup } from '@mui/material';

interface ChoiceProps<T extends string> {
  label: string;
  value: T;
  options: Record<T, string>;
  onChange: (value: T) => void;
}

/** One of a few ways. */
export const Choice = <T extends string>({ label, value, options, onChange }: ChoiceProps<T>) => (
  <ToggleButtonGroup
    exclusive
    size="small"
    aria-label={label}
    value={value}
    onChange={(_event, next: T | null) => next && onChange(next)}
    sx={{ '& .MuiToggleButton-root': { py: 0.25, px: 1.25, textTransform: 'none', color: 'text.primary' } }}
  >
    {keysOf(options).map((each) => (
      <ToggleButton key={each} value={each}>
        {options[each]}
      </ToggleButton>
    ))}
  </ToggleButtonGroup>
);
