import { Box, Button, Paper } from '@mui/material';
import { Check, List, ListOrdered, Heading, Quote } from 'lucide-react';
import type { SheetDocument } from '../../page/sheetdocument.ts';
import { InlineMarks, Mark, useEditorChanges } from './marks.tsx';
import type { TextInEditing } from './useTextEditing.ts';

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
  useEditorChanges(editor);
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
          <InlineMarks editor={editor}>
            {editing.form === 'rich' && (
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
          </InlineMarks>
        )}
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
