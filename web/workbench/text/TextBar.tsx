import {
  counted,
  knownProperty,
  type Node,
  ownLayered,
  plainText,
  type SiteFrame,
  theOne,
  wouldReach,
} from '../../../core/index.ts';
import { Check } from 'lucide-react';
import { useAppSelector } from '../../state/store.ts';
import { quiet } from '../../ui/theme.ts';
import { Box, Button, Paper, Typography } from '@mui/material';
import { BlockMarks, InlineMarks, useEditorChanges } from './marks.tsx';
import type { TextInEditing } from './useTextEditing.ts';

/** How many lines the words in an element take. */
function linesOf(element: HTMLElement): number {
  const range = element.ownerDocument.createRange();
  range.selectNodeContents(element);
  const tops = [...range.getClientRects()].filter(({ width }) => width > 0).map(({ bottom }) => bottom);
  return tops
    .sort((one, other) => one - other)
    .filter((top, index) => index === 0 || top - tops[index - 1] > 3).length;
}

/** The bar over a text in editing: its marks, and the end of editing. */
export function TextBar(props: {
  site: SiteFrame;
  node: Node;
  editing: TextInEditing;
  scale: number;
  onDone: () => void;
}) {
  // What is active is read from the editor, which changes without becoming another object.
  'use no memo';
  const { site, node, editing, scale, onDone } = props;
  const { editor } = editing;
  const reach = useAppSelector((state) => state.desk.reach);
  useEditorChanges(editor);
  const box = editing.element.getBoundingClientRect();
  const property = editing.property === undefined ? undefined : knownProperty(editing.property);
  const views = property
    ? wouldReach(ownLayered(node, 'self', property), site.views, editing.view, reach)
    : site.views.list.map(({ id }) => id);
  const names = site.views.list.filter(({ id }) => views.includes(id)).map(({ name }) => name);
  const length = [...(editing.element.textContent ?? '')].length;
  const count = `${length} characters, ${counted(linesOf(editing.element), 'line')}`;
  const beside =
    editing.view === site.views.base || !property
      ? ''
      : `; ${[...plainText(editing.base)].length} in ${theOne(site.views.list, ({ id }) => id === site.views.base).name}`;
  const summary = `Changes ${names.reverse().join(', ')} · ${count}${beside}`;
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
        aria-label={`Text of ${editing.name}`}
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
            {editing.form === 'rich' && <BlockMarks editor={editor} />}
          </InlineMarks>
        )}
        <Typography sx={{ fontSize: 12, color: quiet, px: 0.75, maxWidth: 320 }}>{summary}</Typography>
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
