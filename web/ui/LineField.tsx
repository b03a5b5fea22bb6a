import { TextField } from '@mui/material';
import { useState } from 'react';

export interface FieldProps<T> {
  label: string;
  value: T;
  onChange: (value: T) => void;
}

/** Text that is kept when it is left or, in one line, Enter is pressed; Escape gives it up. */
export function LineField({
  label,
  value,
  onChange,
  fault,
  lines = false,
}: FieldProps<string> & { fault?: (text: string) => string | undefined; lines?: boolean }) {
  const [text, setText] = useState<string | null>(null);
  const shown = text ?? value;
  const wrong = text !== null ? fault?.(text) : undefined;
  const keep = () => {
    if (text !== null && text !== value && !wrong) onChange(text);
    setText(null);
  };
  return (
    <TextField
      size="small"
      fullWidth
      multiline={lines}
      label={label}
      value={shown}
      error={wrong !== undefined}
      helperText={wrong}
      onChange={(event) => setText(event.target.value)}
      onBlur={keep}
      onKeyDown={(event) => {
        if (event.key === 'Enter' && !lines) keep();
        if (event.key === 'Escape') setText(null);
      }}
    />
  );
}
