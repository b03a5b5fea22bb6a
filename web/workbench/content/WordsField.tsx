import { sure } from '../../../core/index.ts';
import { Box, Typography } from '@mui/material';
import type { Editor } from '@tiptap/core';
import { useEffect, useId, useRef, useState } from 'react';
import { line, petrol, quiet, raised } from '../../ui/theme.ts';
import { textEditor } from '../text/editor.ts';
import { BlockMarks, InlineMarks } from '../text/marks.tsx';
import type { FieldProps } from '../../ui/LineField.tsx';

/** Words with marks and links, kept when they are left or, in a single run, Enter is pressed; Escape gives them up. */
export function WordsField({
  label,
  value,
  onChange,
  form = 'inline',
}: FieldProps<string> & { form?: 'rich' | 'inline' }) {
  const place = useRef<HTMLDivElement>(null);
  const [editor, setEditor] = useState<Editor | null>(null);
  const [writing, setWriting] = useState(false);
  const id = useId();

  useEffect(() => {
    const made = textEditor(sure(place.current, 'current'), '', form, { autofocus: false });
    setEditor(made);
    return () => {
      made.destroy();
      setEditor(null);
    };
  }, [form]);
  useEffect(() => {
    if (editor && editor.getHTML() !== value) editor.commands.setContent(value);
  }, [editor, value]);

  const keep = () => {
    const words = editor?.getHTML() ?? value;
    if (words !== value) onChange(words);
  };
  return (
    <Box
      onFocus={() => setWriting(true)}
      onBlur={(event) => {
        if (event.currentTarget.contains(event.relatedTarget)) return;
        setWriting(false);
        keep();
      }}
      onKeyDown={(event) => {
        if (event.target !== place.current) return;
        if (event.key === 'Enter' && form === 'inline') {
          event.preventDefault();
          keep();
        }
        if (event.key === 'Escape') editor?.commands.setContent(value);
      }}
      sx={{ minWidth: 0 }}
    >
      <Typography id={id} sx={{ fontSize: 11, color: quiet, mb: 0.25 }}>
        {label}
      </Typography>
      <Box
        ref={place}
        aria-labelledby={id}
        sx={{
          bgcolor: raised,
          border: `1px solid ${line}`,
          borderRadius: 0.5,
          px: 1,
          py: 0.5,
          minHeight: 32,
          fontSize: 13,
          lineHeight: '22px',
          overflowWrap: 'anywhere',
          whiteSpace: 'break-spaces',
          outline: 0,
          '&:focus': { borderColor: petrol, boxShadow: `0 0 0 1px ${petrol}` },
          '& a': { color: petrol },
        }}
      />
      {writing && editor && (
        <Box
          role="toolbar"
          aria-label={`Marks of ${label}`}
          sx={{ display: 'flex', flexWrap: 'wrap', mt: 0.25 }}
        >
          <InlineMarks editor={editor}>{form === 'rich' && <BlockMarks editor={editor} />}</InlineMarks>
        </Box>
      )}
    </Box>
  );
}
