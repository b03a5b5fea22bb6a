import { Box, IconButton, Tooltip } from '@mui/material';
import type { Editor } from '@tiptap/core';
import { Bold, Heading, Italic, Link2, List, ListOrdered, Quote } from 'lucide-react';
import { useEffect, useState, type ReactNode } from 'react';
import { LinkChooser } from '../links/LinkChooser.tsx';

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
function LinkField({ editor, onClose }: { editor: Editor; onClose: () => void }) {
  const link = (editor.getAttributes('link').href as string | undefined) ?? '';
  const set = (next: string) => {
    const chain = editor.chain().focus().extendMarkRange('link');
    if (next === '') chain.unsetLink().run();
    else chain.setLink({ href: next }).run();
    onClose();
  };
  return (
    <Box role="group" aria-label="Link" sx={{ width: 260, p: 0.5 }}>
      <LinkChooser label="Leads to" value={link} onChange={set} />
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

/** The marks of running text: lists, headings, quotes. */
export function BlockMarks({ editor }: { editor: Editor }) {
  // What is active is read from the editor, which changes without becoming another object.
  'use no memo';
  useEditorChanges(editor);
  const chain = () => editor.chain().focus();
  return (
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
  );
}
