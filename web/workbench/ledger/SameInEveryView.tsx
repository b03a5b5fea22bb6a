import { Box, Button, IconButton, MenuItem, TextField, Typography } from '@mui/material';
import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import {
  cleanLink,
  contentOf,
  kindOf,
  plainText,
  type ContentField,
  type MenuEntry,
  type Node,
  type Page,
  type PageReference,
} from '../../../core/index.ts';
import { edit } from '../../state/edits.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { quiet } from '../../ui/theme.ts';

interface FieldProps<T> {
  label: string;
  value: T;
  onChange: (value: T) => void;
}

/** A line of text that is kept when it is left or Enter is pressed; Escape gives it up. */
function LineField({
  label,
  value,
  onChange,
  fault,
}: FieldProps<string> & { fault?: (text: string) => string | undefined }) {
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
      label={label}
      value={shown}
      error={wrong !== undefined}
      helperText={wrong}
      onChange={(event) => setText(event.target.value)}
      onBlur={keep}
      onKeyDown={(event) => {
        if (event.key === 'Enter') keep();
        if (event.key === 'Escape') setText(null);
      }}
    />
  );
}

const OTHER = 'other';

/** Where a link leads: one of the site's pages, or an address. */
function LinkField({ label, value, onChange, pages }: FieldProps<string> & { pages: PageReference[] }) {
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

/** The links of a navigation. */
function LinksField({ label, value, onChange, pages }: FieldProps<MenuEntry[]> & { pages: PageReference[] }) {
  const put = (index: number, entry: MenuEntry) =>
    onChange(value.map((before, at) => (at === index ? entry : before)));
  return (
    <Box role="group" aria-label={label} sx={{ display: 'grid', gap: 1.25 }}>
      {value.map((entry, index) => (
        <Box
          key={index}
          sx={{
            display: 'grid',
            gridTemplateColumns: 'minmax(0, 1fr) minmax(0, 1.3fr) auto',
            gap: 1,
            alignItems: 'center',
          }}
        >
          <LineField
            label="Label"
            value={entry.label}
            fault={(text) => (text.trim() ? undefined : 'A link needs a label.')}
            onChange={(next) => put(index, { ...entry, label: next })}
          />
          <LinkField
            label="Leads to"
            value={entry.link}
            pages={pages}
            onChange={(link) => put(index, { ...entry, link })}
          />
          <IconButton
            size="small"
            aria-label={`Remove ${entry.label}`}
            onClick={() => onChange(value.filter((_entry, at) => at !== index))}
          >
            <X size={16} />
          </IconButton>
        </Box>
      ))}
      <Button
        size="small"
        startIcon={<Plus size={14} />}
        sx={{ justifySelf: 'start' }}
        onClick={() => onChange([...value, { label: 'New link', link: '' }])}
      >
        Add a link
      </Button>
    </Box>
  );
}

function FieldEditor({
  field,
  node,
  value,
  onChange,
}: { field: ContentField; node: Node } & Omit<FieldProps<unknown>, 'label'>) {
  const pages = useAppSelector((state) => state.editor.open!.pages);
  switch (field.type.editor) {
    case 'line':
      return <LineField label={field.label} value={value as string} onChange={onChange} />;
    case 'link':
      return <LinkField label={field.label} value={value as string} pages={pages} onChange={onChange} />;
    case 'links':
      return (
        <LinksField label={field.label} value={value as MenuEntry[]} pages={pages} onChange={onChange} />
      );
    case 'choice':
      return (
        <TextField
          select
          size="small"
          fullWidth
          label={field.label}
          value={value}
          onChange={(event) => onChange(event.target.value)}
        >
          {field.type.options!.map((option) => (
            <MenuItem key={option.value} value={option.value}>
              {option.label}
            </MenuItem>
          ))}
        </TextField>
      );
    default:
      return (
        <Typography sx={{ fontSize: 12, color: quiet }}>
          <b>{field.label}:</b> {plainText(value as string).slice(0, 90) || `no words yet in ${node.name}`} —
          double-click it in a sheet to edit.
        </Typography>
      );
  }
}

/** The fields of an element that cannot differ by view. */
export function SameInEveryView({ page, node }: { page: Page; node: Node }) {
  const dispatch = useAppDispatch();
  const kind = kindOf(page.nodes[node.id].kind)!;
  if (kind.content.length === 0) return null;
  return (
    <Box
      component="section"
      aria-label="Same in every view"
      sx={{ position: 'relative', px: 1.25, pt: 1.25, pb: 2, bgcolor: 'background.paper' }}
    >
      <Typography
        component="h3"
        sx={{
          fontSize: 11,
          fontWeight: 700,
          letterSpacing: '.06em',
          textTransform: 'uppercase',
          color: quiet,
          mb: 1.25,
        }}
      >
        Same in every view
      </Typography>
      <Box sx={{ display: 'grid', gap: 1.5 }}>
        {kind.content.map((field) => (
          <FieldEditor
            key={`${node.id} ${field.name}`}
            field={field}
            node={node}
            value={contentOf(kind, node, field.name)}
            onChange={(value) => dispatch(edit('setContent', { node: node.id, field: field.name, value }))}
          />
        ))}
      </Box>
    </Box>
  );
}
