import { Box, Typography } from '@mui/material';
import { ChevronDown, ChevronRight } from 'lucide-react';
import { contentOf, knownKind, type Node } from '../../../../core/index.ts';
import { edit } from '../../../state/edits.ts';
import { AudienceField } from '../../../site/AudienceField.tsx';
import { useAppDispatch } from '../../../state/store.ts';
import { quiet } from '../../../ui/theme.ts';
import { GroupTitle } from '../columns/GroupTitle.tsx';
import { FieldEditor } from '../../content/FieldEditor.tsx';

/** The fields of an element that cannot differ by view; editing one says that it concerns all views. */
export function SameInEveryView({
  node,
  fold,
}: {
  node: Node;
  /** Where it can be folded away. */
  fold?: { open: boolean; onFold: () => void };
}) {
  const dispatch = useAppDispatch();
  const kind = knownKind(node.kind);
  const fields = kind.content.filter(
    ({ varies, where }) => !varies && (!where || contentOf(kind, node, where.field) === where.is),
  );
  return (
    <Box
      component="section"
      aria-label="Same in every view"
      sx={{ position: 'relative', pb: 2, bgcolor: 'background.paper' }}
    >
      {fold ? (
        <h3 style={{ margin: 0 }}>
          <button type="button" className="group-heading" aria-expanded={fold.open} onClick={fold.onFold}>
            {fold.open ? <ChevronDown size={12} aria-hidden /> : <ChevronRight size={12} aria-hidden />}
            Same in every view
            {!fold.open && <span>{fields.length + 1} more</span>}
          </button>
        </h3>
      ) : (
        <GroupTitle level={3}>Same in every view</GroupTitle>
      )}
      {(fold?.open ?? true) && (
        <>
          <Typography sx={{ fontSize: 12, color: quiet, px: 1.25, mb: 1.5 }}>
            A change here applies to all views.
          </Typography>
          <Box sx={{ px: 1.25, display: 'grid', gap: 1.5 }}>
            <AudienceField
              label="Audience"
              node={node}
              help="Visitors who cannot see it do not get it; a copy in files has no sign-in."
            />
            {fields.map((field) => (
              <FieldEditor
                key={`${node.id} ${field.name}`}
                field={field}
                value={contentOf(kind, node, field.name)}
                onChange={(value) =>
                  dispatch(edit('setContent', { node: node.id, field: field.name, value }))
                }
              />
            ))}
          </Box>
        </>
      )}
    </Box>
  );
}
