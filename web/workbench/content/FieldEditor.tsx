import { type ContentField, lookup, plainText, sure } from '../../../core/index.ts';
import {
  Box,
  Button,
  Checkbox,
  FormControlLabel,
  IconButton,
  MenuItem,
  TextField,
  Tooltip,
  Typography,
} from '@mui/material';
import { ArrowDown, ArrowUp, Plus, X } from 'lucide-react';
import { lazily } from '../../ui/lazily.tsx';
import { useAppSelector } from '../../state/store.ts';
import { line, quiet } from '../../ui/theme.ts';
import { LineField, type FieldProps } from '../../ui/LineField.tsx';
import { LinkChooser } from '../links/LinkChooser.tsx';

const WordsField = lazily(async () => (await import('./WordsField.tsx')).WordsField);

type Entry = Record<string, unknown>;

function EntryButton(props: { name: string; sign: typeof X; disabled?: boolean; onClick: () => void }) {
  const { name, sign: Sign, disabled, onClick } = props;
  return (
    <Tooltip title={name}>
      <span>
        <IconButton size="small" aria-label={name} disabled={disabled} onClick={onClick} sx={{ p: 0.25 }}>
          <Sign size={14} />
        </IconButton>
      </span>
    </Tooltip>
  );
}

/** A list of entries with the same fields: each can be changed, moved and taken out, and one more added. */
function EntriesField({
  field,
  value,
  onChange,
}: { field: ContentField } & Omit<FieldProps<Entry[]>, 'label'>) {
  const { fields = [], entry = 'entry' } = field.type;
  const put = (index: number, next: Entry) =>
    onChange(value.map((before, at) => (at === index ? next : before)));
  const move = (index: number, by: number) => {
    const next = [...value];
    const [taken] = next.splice(index, 1);
    next.splice(index + by, 0, taken);
    onChange(next);
  };
  const nameOf = (index: number) => `${entry} ${index + 1}`;
  return (
    <Box role="group" aria-label={field.label} sx={{ display: 'grid', gap: 1.25 }}>
      <Typography sx={{ fontSize: 12, color: quiet }}>
        {field.label}
        {value.length === 0 && `: no ${entry} yet`}
      </Typography>
      {value.map((each, index) => (
        <Box
          key={index}
          role="group"
          aria-label={nameOf(index)}
          sx={{
            display: 'flex',
            gap: 0.5,
            alignItems: 'flex-start',
            pb: 1.25,
            borderBottom: `1px solid ${line}`,
          }}
        >
          <Box
            sx={{
              flex: 1,
              minWidth: 0,
              display: 'grid',
              gap: 1,
              gridTemplateColumns: fields.length > 1 ? '1fr 1fr' : '1fr',
            }}
          >
            {fields.map((inner) => (
              <FieldEditor
                key={inner.name}
                field={inner}
                value={lookup(each, inner.name) ?? inner.initial}
                onChange={(next) => put(index, { ...each, [inner.name]: next })}
                inline
              />
            ))}
          </Box>
          <Box sx={{ display: 'grid' }}>
            <EntryButton
              name={`Move ${nameOf(index)} up`}
              sign={ArrowUp}
              disabled={index === 0}
              onClick={() => move(index, -1)}
            />
            <EntryButton
              name={`Move ${nameOf(index)} down`}
              sign={ArrowDown}
              disabled={index === value.length - 1}
              onClick={() => move(index, 1)}
            />
            <EntryButton
              name={`Remove ${nameOf(index)}`}
              sign={X}
              onClick={() => onChange(value.filter((_each, at) => at !== index))}
            />
          </Box>
        </Box>
      ))}
      <Button
        size="small"
        startIcon={<Plus size={14} />}
        sx={{ justifySelf: 'start' }}
        onClick={() =>
          onChange([...value, Object.fromEntries(fields.map(({ name, initial }) => [name, initial]))])
        }
      >
        {`Add ${/^[aeiou]/.test(entry) ? 'an' : 'a'} ${entry}`}
      </Button>
    </Box>
  );
}

function ChoiceField({
  field,
  value,
  onChange,
  optional,
}: { field: ContentField; optional: boolean } & Omit<FieldProps<string | number>, 'label'>) {
  const site = useAppSelector((state) => sure(state.documents.open, 'open').site.frame);
  const options = field.type.options?.(site) ?? [];
  return (
    <TextField
      select
      size="small"
      fullWidth
      label={field.label}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
    >
      {optional && <MenuItem value="">none</MenuItem>}
      {options.map((option) => (
        <MenuItem key={option.value} value={option.value}>
          {option.label}
        </MenuItem>
      ))}
    </TextField>
  );
}

interface FieldEditorProps extends Omit<FieldProps<unknown>, 'label'> {
  field: ContentField;
  /** Words of an entry cannot be edited on the page; they are typed here. */
  inline?: boolean;
}

/** The editor that suits a field of an element's content. */
export function FieldEditor({ field, value, onChange, inline = false }: FieldEditorProps) {
  const site = useAppSelector((state) => sure(state.documents.open, 'open').site.frame);
  const { type, label } = field;
  const fault = (text: string) => type.fault?.(type.clean(text), site);
  switch (type.editor) {
    case 'line':
    case 'lines':
      return (
        <LineField
          label={label}
          value={value as string}
          fault={fault}
          lines={type.editor === 'lines'}
          onChange={onChange}
        />
      );
    case 'link':
      return <LinkChooser label={label} value={value as string} onChange={onChange} />;
    case 'entries':
      return <EntriesField field={field} value={value as Entry[]} onChange={onChange} />;
    case 'choice':
    case 'asset':
      return (
        <ChoiceField
          field={field}
          value={value as string | number}
          optional={type.editor === 'asset'}
          onChange={onChange}
        />
      );
    case 'yes or no':
      return (
        <FormControlLabel
          label={label}
          slotProps={{ typography: { sx: { fontSize: 13 } } }}
          control={
            <Checkbox
              size="small"
              checked={value as boolean}
              onChange={(_event, checked) => onChange(checked)}
            />
          }
        />
      );
    default:
      if (inline)
        return <WordsField label={label} value={value as string} onChange={onChange} form={type.editor} />;
      return (
        <Typography sx={{ fontSize: 12, color: quiet }}>
          <b>{label}:</b> {plainText(value as string).slice(0, 90) || 'no text yet'} — double-click it in a
          sheet to edit.
        </Typography>
      );
  }
}
