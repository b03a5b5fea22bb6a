import { MenuItem, TextField } from '@mui/material';
import { languageName } from '../../core/index.ts';
import { LANGUAGES } from './languages.ts';

interface LanguageFieldProps {
  label?: string;
  /** BCP 47 tag; empty: what `none` says. */
  value: string;
  /** The words for no language of its own; absent: there has to be one. */
  none?: string;
  /** The languages to choose from, by their tags; absent: the common ones. */
  among?: readonly string[];
  onChange(tag: string): void;
}

/** One of some languages, or the one that is there already. */
export const LanguageField = ({
  label = 'Language',
  value,
  none,
  among = LANGUAGES,
  onChange,
}: LanguageFieldProps) => (
  <TextField
    select
    label={label}
    size="small"
    value={value}
    onChange={({ target }) => onChange(target.value)}
    slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
  >
    {none !== undefined && <MenuItem value="">{none}</MenuItem>}
    {[...(value === '' || among.includes(value) ? [] : [value]), ...among].map((tag) => (
      <MenuItem key={tag} value={tag}>
        {languageName(tag)}
      </MenuItem>
    ))}
  </TextField>
);
