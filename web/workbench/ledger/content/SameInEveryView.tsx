import { Box, MenuItem, TextField, Typography } from '@mui/material';
import { contentOf, knownKind, type Node } from '../../../../core/index.ts';
import { edit } from '../../../state/edits.ts';
import { useAppDispatch } from '../../../state/store.ts';
import { quiet } from '../../../ui/theme.ts';
import { GroupTitle } from '../columns/GroupTitle.tsx';
import { FieldEditor } from '../../content/FieldEditor.tsx';

/** The fields of an element that cannot differ by view; editing one says that it concerns all views. */
export function SameInEveryView({ node }: { node: Node }) {
  const dispatch = useAppDispatch();
  const kind = knownKind(node.kind);
  const fields = kind.content.filter(({ varies }) => !varies);
  const { audience = 'everyone' } = node;
  if (fields.length === 0 && node.parent === null) return null;
  return (
    <Box
      component="section"
      aria-label="Same in every view"
      sx={{ position: 'relative', pb: 2, bgcolor: 'background.paper' }}
    >
      <GroupTitle>Same in every view</GroupTitle>
      <Typography sx={{ fontSize: 12, color: quiet, px: 1.25, mb: 1.5 }}>
        A change here concerns all views at once.
      </Typography>
      <Box sx={{ px: 1.25, display: 'grid', gap: 1.5 }}>
        {node.parent !== null && (
          <TextField
            select
            size="small"
            label="Audience"
            value={audience}
            helperText={
              audience === 'everyone'
                ? undefined
                : 'Who may not see it is not sent it; a copy in files has no sign-in.'
            }
            onChange={({ target }) =>
              dispatch(edit('setAudience', { nodes: [node.id], audience: target.value as typeof audience }))
            }
          >
            <MenuItem value="everyone">everyone</MenuItem>
            <MenuItem value="signed-in">signed-in visitors</MenuItem>
            <MenuItem value="signed-out">signed-out visitors</MenuItem>
          </TextField>
        )}
        {fields.map((field) => (
          <FieldEditor
            key={`${node.id} ${field.name}`}
            field={field}
            value={contentOf(kind, node, field.name)}
            onChange={(value) => dispatch(edit('setContent', { node: node.id, field: field.name, value }))}
          />
        ))}
      </Box>
    </Box>
  );
}
