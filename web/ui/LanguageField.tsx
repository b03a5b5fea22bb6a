import { MenuItem, TextField } from '@mui/material';
import { LANGUAGES } from './languages.ts';

interface LanguageFieldProps {
  label?: string;
  /** BCP 47 tag; empty: what `none` says. */
  value: string;
  /** The words for no language of its own; absent: there has to be one. */
  none?: string;
  onChange(tag: string): void;
}

/** One of the common languages, or the one that is there already. */
export const LanguageField = ({ label = 'Language', value, none, onChange }: LanguageFieldProps) => (
  <TextField
    select
    label={label}
    size="small"
    value={value}
    onChange={({ target }) => onChange(target.value)}
    slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
  >
    {none !== undefined && <MenuItem value="">{none}</MenuItem>}
    {value !== '' && !LANGUAGES.some(({ tag }) => tag === value) && (
      <MenuItem value={value}>{value}</MenuItem>
    )}
    {LANGUAGES.map(({ tag, label }) => (
      <MenuItem key={tag} value={tag}>
        {label}
      </MenuItem>
    ))}
  </TextField>
);
