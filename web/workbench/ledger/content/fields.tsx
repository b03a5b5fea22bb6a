import { Box, MenuItem, TextField } from '@mui/material';
import { useState } from 'react';
import { cleanLink, type PageHead } from '../../../../core/index.ts';

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

const OTHER = 'other';

/** Where a link leads: one of the site's pages, or an address. */
export function LinkField({ label, value, onChange, pages }: FieldProps<string> & { pages: PageHead[] }) {
  const known = value === '' || pages.some((page) => value === `page:${page.id}`);
  const [other, setOther] = useState(!known);
  const fault = (text: string) =>
    text.trim() === '' || cleanLink(text)
      ? undefined
      : 'This is no web address, mail address or telephone number.';
  return (
    <Box sx={{ display: 'grid', gap: 1, minWidth: 0 }}>
      <TextField
        select
        size="small"
        fullWidth
        label={label}
        value={other || !known ? OTHER : value}
        onChange={(event) => {
          setOther(event.target.value === OTHER);
          if (event.target.value !== OTHER) onChange(event.target.value);
        }}
        slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
      >
        <MenuItem value="">nowhere</MenuItem>
        {pages.map((page) => (
          <MenuItem key={page.id} value={`page:${page.id}`}>
            {page.title}
          </MenuItem>
        ))}
        <MenuItem value={OTHER}>another address …</MenuItem>
      </TextField>
      {(other || !known) && (
        <LineField label="Address" value={known ? '' : value} fault={fault} onChange={onChange} />
      )}
    </Box>
  );
}
