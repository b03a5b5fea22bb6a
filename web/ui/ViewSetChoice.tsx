import { Box, FormControlLabel, Radio, RadioGroup, Typography } from '@mui/material';
import { VIEW_SETS } from '../../core/index.ts';
import { quiet } from './theme.ts';

interface ViewSetChoiceProps {
  /** The id of what names the choice. */
  labelledBy: string;
  value: string;
  onChange(id: string): void;
}

/** One of the ready-made sets of views, each with where its views begin. */
export function ViewSetChoice({ labelledBy, value, onChange }: ViewSetChoiceProps) {
  return (
    <RadioGroup
      aria-labelledby={labelledBy}
      value={value}
      onChange={(_event, id) => onChange(id)}
      sx={{ display: 'grid', gridTemplateColumns: 'repeat(2, 1fr)' }}
    >
      {VIEW_SETS.map(({ id, label, views: { list } }) => (
        <FormControlLabel
          key={id}
          value={id}
          control={<Radio size="small" />}
          label={
            <Typography sx={{ fontSize: 13 }}>
              {label}
              <Box component="span" sx={{ color: quiet, display: 'block', fontSize: 12 }}>
                from {list.map(({ from }) => from).join(', ')} px
              </Box>
            </Typography>
          }
        />
      ))}
    </RadioGroup>
  );
}
