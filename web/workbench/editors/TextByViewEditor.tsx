import {
  type ContentField,
  contentOf,
  counted,
  knownKind,
  knownProperty,
  type Node,
  plainText,
  staleTexts,
  sure,
  type TextByView,
  theOne,
} from '../../../core/index.ts';
import { Box, Button, Typography } from '@mui/material';
import { Check } from 'lucide-react';
import { edit } from '../../state/edits.ts';
import { useAppDispatch } from '../../state/store.ts';
import { line, quiet, slate } from '../../ui/theme.ts';
import { FieldEditor } from '../content/FieldEditor.tsx';
import { leading, propertyOfRow } from '../../values/rows.ts';
import type { EditorProps } from './editor.ts';

/** What a field says as plain words; undefined for a list of entries. */
function wordsOf({ type }: ContentField, says: unknown): string | undefined {
  if (type.editor === 'entries') return undefined;
  return type.editor === 'rich' || type.editor === 'inline' ? plainText(says as string) : (says as string);
}

const characters = (words: string): string => {
  const { length } = [...words];
  return counted(length, 'character');
};

/** The words of an element in a view, with what the base says beside them. */
export function TextByViewEditor({ site, row, cell, onSet, onClose }: EditorProps) {
  const dispatch = useAppDispatch();
  const { field } = sure(propertyOfRow(row).wording);
  const node = leading(row.holders) as Node;
  const { says } = cell.value as TextByView;
  const base: unknown = contentOf(knownKind(node.kind), node, field.name);
  const isBase = cell.view.id === site.views.base;
  const [words, baseWords] = [wordsOf(field, says), wordsOf(field, base)];
  const stale = staleTexts(node).some(
    ({ property, view }) => property.name === propertyOfRow(row).name && view === cell.view.id,
  );
  const baseName = theOne(site.views.list, ({ id }) => id === site.views.base).name;
  return (
    <Box sx={{ p: 1.5, width: 400, display: 'grid', gap: 1, maxHeight: '60vh', overflow: 'auto' }}>
      <FieldEditor field={field} value={says} onChange={(value) => onSet({ says: value })} inline />
      {words !== undefined && field.type.editor !== 'link' && (
        <Typography sx={{ fontSize: 12, color: quiet }}>{characters(words)}</Typography>
      )}
      {!isBase && baseWords !== undefined && (
        <Box sx={{ borderLeft: `3px solid ${line}`, pl: 1 }}>
          <Typography sx={{ fontSize: 12, color: quiet }}>
            {baseName}
            {field.type.editor !== 'link' && `, ${characters(baseWords)}`}
          </Typography>
          <Typography sx={{ fontSize: 13, overflowWrap: 'anywhere' }}>
            {field.type.editor === 'link'
              ? knownProperty(propertyOfRow(row).name).type.format({ says: base }, { site })
              : baseWords || 'no text'}
          </Typography>
        </Box>
      )}
      {stale && (
        <Box role="note" sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
          <Typography sx={{ fontSize: 12, flex: 1, color: slate }}>
            {baseName} has changed since this was written.
          </Typography>
          <Button
            size="small"
            startIcon={<Check size={14} />}
            onClick={() =>
              dispatch(edit('keepWording', { node: node.id, field: field.name, view: cell.view.id })) &&
              onClose()
            }
          >
            Still correct
          </Button>
        </Box>
      )}
    </Box>
  );
}
