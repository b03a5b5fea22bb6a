import { TextField } from '@mui/material';
import { useRef, useState } from 'react';

interface FieldProps {
  /** Absent where what stands before it says it; then it has a name. */
  label?: string;
  value: string;
  help?: string;
  most: number;
  multiline?: boolean;
  /** As high as its text, which has no lines of its own. */
  wraps?: boolean;
  disabled?: boolean;
  /** Whether it holds a whole number. */
  numeric?: boolean;
  /** What it is called by itself, where the label leaves out what stands around it. */
  name?: string;
  /** Answers whether it was taken. */
  onDone(value: string): boolean;
}

/** A field whose value is an edit once it is left, or Enter is pressed; Escape gives what was typed up. */
export function Field({
  label,
  value,
  help,
  most,
  multiline,
  wraps,
  disabled,
  numeric,
  name,
  onDone,
}: FieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const [refused, setRefused] = useState(false);
  const givenUp = useRef(false);
  const finish = () => {
    if (givenUp.current || typed === null || typed.trim() === value) {
      givenUp.current = false;
      setTyped(null);
      setRefused(false);
      return;
    }
    const taken = onDone(typed);
    setRefused(!taken);
    if (taken) setTyped(null);
  };
  return (
    <TextField
      label={label}
      size="small"
      fullWidth
      hiddenLabel={label === undefined}
      disabled={disabled}
      multiline={multiline || wraps}
      minRows={multiline ? 3 : undefined}
      value={typed ?? value}
      error={refused}
      helperText={refused ? `Not saved; it is still ${value === '' ? 'empty' : `“${value}”`}.` : help}
      onChange={({ target }) => setTyped(target.value)}
      onBlur={finish}
      onKeyDown={(event) => {
        // What was typed is given up first, and what the field stands in after that.
        if (event.key === 'Escape' && typed !== null) event.stopPropagation();
        if (event.key === 'Escape') givenUp.current = true;
        if (event.key === 'Escape' || (event.key === 'Enter' && !multiline))
          (event.target as HTMLInputElement).blur();
      }}
      slotProps={{
        htmlInput: { maxLength: most, 'aria-label': name, inputMode: numeric ? 'numeric' : undefined },
      }}
    />
  );
}
