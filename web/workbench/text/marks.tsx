import { Box, Button, IconButton, TextField, Tooltip } from '@mui/material';
import type { Editor } from '@tiptap/core';
import { Bold, Italic, Link2 } from 'lucide-react';
import { useEffect, useState, type ReactNode } from 'react';
import { cleanLink } from '../../../core/index.ts';

export function Mark(props: { label: string; active: boolean; onClick: () => void; children: ReactNode }) {
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
function LinkField({ editor, onClose }: { editor: Editor; onClose: () => void }) {
  const [target, setTarget] = useState<string>(
    () => (editor.getAttributes('link').href as string | undefined) ?? '',
  );
  const link = cleanLink(target);
  const set = () => {
    const chain = editor.chain().focus().extendMarkRange('link');
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

/** Draws again whenever the editor's text or selection has changed. */
export function useEditorChanges(editor: Editor | null | undefined): void {
  const [, redraw] = useState(0);
  useEffect(() => {
    if (!editor) return;
    const changed = () => redraw((count) => count + 1);
    editor.on('transaction', changed);
    return () => void editor.off('transaction', changed);
  }, [editor]);
}

/** The marks that any text may have: bold, italic, a link. `children` stand between them and where a link leads. */
export function InlineMarks({ editor, children }: { editor: Editor; children?: ReactNode }) {
  // What is active is read from the editor, which changes without becoming another object.
  'use no memo';
  const [linking, setLinking] = useState(false);
  useEditorChanges(editor);
  return (
    <>
      <Mark
        label="Bold"
        active={editor.isActive('bold')}
        onClick={() => editor.chain().focus().toggleBold().run()}
      >
        <Bold size={16} />
      </Mark>
      <Mark
        label="Italic"
        active={editor.isActive('italic')}
        onClick={() => editor.chain().focus().toggleItalic().run()}
      >
        <Italic size={16} />
      </Mark>
      <Mark label="Link" active={editor.isActive('link')} onClick={() => setLinking(!linking)}>
        <Link2 size={16} />
      </Mark>
      {children}
      {linking && <LinkField editor={editor} onClose={() => setLinking(false)} />}
    </>
  );
}
