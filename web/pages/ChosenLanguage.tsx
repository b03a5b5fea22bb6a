import { MenuItem, TextField } from '@mui/material';
import { languageName } from '../../core/index.ts';

interface ChosenLanguageProps {
  /** BCP 47 tags. */
  languages: readonly string[];
  value: string;
  onChange(tag: string): void;
}

/** One of the languages that a site is written in. */
export const ChosenLanguage = ({ languages, value, onChange }: ChosenLanguageProps) => (
  <TextField
    select
    label="Language"
    size="small"
    value={value}
    onChange={({ target }) => onChange(target.value)}
    sx={{ mb: 2, minWidth: 220 }}
  >
    {languages.map((tag) => (
      <MenuItem key={tag} value={tag}>
        {languageName(tag)}
      </MenuItem>
    ))}
  </TextField>
);
