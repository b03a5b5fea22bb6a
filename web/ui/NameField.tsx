import { InputBase } from '@mui/material';
import { useRef } from 'react';
import { petrol, raised } from './theme.ts';

interface NameFieldProps {
  name: string;
  /** Characters. */
  most: number;
  /** The new name; null where it stays as it was. */
  onDone: (name: string | null) => void;
  /** Px; of its letters. */
  size?: number;
  /** Px; how wide it is at most. */
  widest?: number;
}

/** A name that is changed where it stands: kept when it is left or Enter is pressed; Escape gives it up. */
export function NameField({ name, most, onDone, size = 13, widest }: NameFieldProps) {
  const ended = useRef(false);
  return (
    <InputBase
      autoFocus
      defaultValue={name}
      inputProps={{ 'aria-label': `New name of ${name}`, maxLength: most }}
      onFocus={(event) => event.target.select()}
      onBlur={(event) => {
        if (!ended.current) onDone(event.target.value === name ? null : event.target.value);
      }}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key !== 'Escape' && event.key !== 'Enter') return;
        event.preventDefault();
        ended.current = true;
        const { value } = event.target as HTMLInputElement;
        onDone(event.key === 'Escape' || value === name ? null : value);
      }}
      sx={{
        flex: 1,
        width: '100%',
        maxWidth: widest,
        fontSize: size,
        bgcolor: raised,
        px: 0.5,
        '& input': { p: 0 },
        outline: `1px solid ${petrol}`,
      }}
    />
  );
}
