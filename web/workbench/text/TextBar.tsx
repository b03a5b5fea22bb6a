import { Box, Button, IconButton, Paper, TextField, Tooltip } from '@mui/material';
import { Bold, Check, Italic, Link2, List, ListOrdered, Heading, Quote } from 'lucide-react';
import { useEffect, useState, type ReactNode } from 'react';
import { cleanLink } from '../../../core/index.ts';
import type { SheetDocument } from '../desk/sheetdocument.ts';
import type { TextInEditing } from './useTextEditing.ts';

function Mark(props: { label: string; active: boolean; onClick: () => void; children: ReactNode }) {
  const { label, active, onClick, children } = props;
  return (
    <Tooltip title={label}>
      <IconButton
        size="small"
        aria-label={label}
        aria-pressed={active}
        color={active ? 'primary' : 'default'}
        // Keeps the focus in the text.
        onMouseDown={(event) => event.preventDefault()}
        onClick={onClick}
      >
        {children}
      </IconButton>
    </Tooltip>
  );
}

/** Says where the text in editing links to, and lets it be changed. */
function LinkField({ editing, onClose }: { editing: TextInEditing; onClose: () => void }) {
  const [target, setTarget] = useState<string>(
    () => (editing.editor?.getAttributes('link').href as string) ?? '',
  );
  const link = cleanLink(target);
  const set = () => {
    const chain = editing.editor!.chain().focus().extendMarkRange('link');
    if (target.trim() === '') chain.unsetLink().run();
    else if (link) chain.setLink({ href: link }).run();
    onClose();
  };
  return (
    <Box
      component="form"
      onSubmit={(event) => (event.preventDefault(), set())}
      sx={{ display: 'flex', gap: 0.5 }}
    >
      <TextField
        size="small"
        autoFocus
        label="Leads to"
        placeholder="https://… or page:visits"
        value={target}
        error={target.trim() !== '' && !link}
        helperText={
          target.trim() !== '' && !link ? 'No page, web address, mail or telephone number' : undefined
        }
        onChange={(event) => setTarget(event.target.value)}
      />
      <Button type="submit" disabled={target.trim() !== '' && !link}>
        Set
      </Button>
    </Box>
  );
}

/** The bar over a text in editing: its marks, and the end of editing. */
export function TextBar(props: {
  sheet: SheetDocument;
  editing: TextInEditing;
  scale: number;
  onDone: () => void;
}) {
  // What is active is read from the editor, which changes without becoming another object.
  'use no memo';
  const { editing, scale, onDone } = props;
  const { editor } = editing;
  const [linking, setLinking] = useState(false);
  const [, redraw] = useState(0);
  useEffect(() => {
    if (!editor) return;
    const changed = () => redraw((count) => count + 1);
    editor.on('transaction', changed);
    return () => void editor.off('transaction', changed);
  }, [editor]);
  const box = editing.element.getBoundingClientRect();
  const chain = () => editor!.chain().focus();
  return (
    <>
      <Box
        sx={{
          position: 'absolute',
          pointerEvents: 'none',
          left: box.left * scale - 3,
          top: box.top * scale - 3,
          width: box.width * scale + 6,
          height: box.height * scale + 6,
          outline: '2px solid',
          outlineColor: 'primary.main',
        }}
      />
      <Paper
        role="toolbar"
        aria-label={`Words of ${editing.name}`}
        elevation={3}
        sx={{
          position: 'absolute',
          left: Math.max(0, box.left * scale - 3),
          top: Math.max(0, box.top * scale - 46),
          p: 0.5,
          display: 'flex',
          alignItems: 'center',
          gap: 0.25,
          zIndex: 2,
        }}
      >
        {editor && (
          <>
            <Mark label="Bold" active={editor.isActive('bold')} onClick={() => chain().toggleBold().run()}>
              <Bold size={16} />
            </Mark>
            <Mark
              label="Italic"
              active={editor.isActive('italic')}
              onClick={() => chain().toggleItalic().run()}
            >
              <Italic size={16} />
            </Mark>
            <Mark label="Link" active={editor.isActive('link')} onClick={() => setLinking(!linking)}>
              <Link2 size={16} />
            </Mark>
          </>
        )}
        {editor && editing.form === 'rich' && (
          <>
            <Mark
              label="List"
              active={editor.isActive('bulletList')}
              onClick={() => chain().toggleBulletList().run()}
            >
              <List size={16} />
            </Mark>
            <Mark
              label="Numbered list"
              active={editor.isActive('orderedList')}
              onClick={() => chain().toggleOrderedList().run()}
            >
              <ListOrdered size={16} />
            </Mark>
            <Mark
              label="Heading"
              active={editor.isActive('heading')}
              onClick={() => chain().toggleHeading({ level: 3 }).run()}
            >
              <Heading size={16} />
            </Mark>
            <Mark
              label="Quote"
              active={editor.isActive('blockquote')}
              onClick={() => chain().toggleBlockquote().run()}
            >
              <Quote size={16} />
            </Mark>
          </>
        )}
        {linking && <LinkField editing={editing} onClose={() => setLinking(false)} />}
        <Button
          size="small"
          startIcon={<Check size={14} />}
          onMouseDown={(event) => event.preventDefault()}
          onClick={onDone}
        >
          Done
        </Button>
      </Paper>
    </>
  );
}
