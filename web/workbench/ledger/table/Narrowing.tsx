import { Box, Checkbox, FormControlLabel, InputBase } from '@mui/material';
import { Search } from 'lucide-react';
import type { RefObject } from 'react';
import { line, paper } from '../../../ui/theme.ts';
import type { Narrowed } from '../../../values/rows.ts';

interface NarrowingProps {
  narrowed: Narrowed;
  field: RefObject<HTMLInputElement | null>;
  onChange(next: Narrowed): void;
}

/** Narrows the table to properties by name, of the trade or of CSS, and to what is set. */
export function Narrowing({ narrowed, field, onChange }: NarrowingProps) {
  return (
    <Box
      role="search"
      aria-label="Values"
      sx={{
        flex: 'none',
        height: 28,
        display: 'flex',
        alignItems: 'center',
        gap: 0.75,
        px: 1.25,
        bgcolor: paper,
        borderBottom: `1px solid ${line}`,
      }}
    >
      <Search size={13} aria-hidden style={{ flex: 'none', opacity: 0.6 }} />
      <InputBase
        inputRef={field}
        value={narrowed.text}
        placeholder="Property ( / )"
        inputProps={{ 'aria-label': 'Find a property', spellCheck: false }}
        onChange={(event) => onChange({ ...narrowed, text: event.target.value })}
        onKeyDown={(event) => {
          if (event.key === 'Escape' && narrowed.text !== '') {
            event.stopPropagation();
            onChange({ ...narrowed, text: '' });
          }
          if (event.key !== 'Enter' && event.key !== 'ArrowDown') return;
          event.preventDefault();
          document.querySelector<HTMLElement>('[role=grid] [role=gridcell][tabindex="0"]')?.focus();
        }}
        sx={{ flex: 1, minWidth: 40, fontSize: 12.5, '& input::placeholder': { opacity: 0.75 } }}
      />
      <FormControlLabel
        label="Only what is set"
        slotProps={{ typography: { sx: { fontSize: 12 } } }}
        sx={{ m: 0 }}
        control={
          <Checkbox
            size="small"
            sx={{ p: 0.25 }}
            checked={narrowed.onlySet}
            onChange={(_event, onlySet) => onChange({ ...narrowed, onlySet })}
          />
        }
      />
    </Box>
  );
}
