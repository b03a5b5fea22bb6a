import { MenuItem, TextField } from '@mui/material';
import type { Audience, Node, NodeId } from '../../core/index.ts';
import { edit } from '../state/edits.ts';
import { useAppDispatch } from '../state/store.ts';

interface AudienceFieldProps {
  label: string;
  node: Node;
  /** The page that it stands on, where that is not the one that is open. */
  page?: NodeId;
  /** What it means that something is not for everyone. */
  help: string;
}

/** For which visitors an element is, or a page. */
export function AudienceField({ label, node, page, help }: AudienceFieldProps) {
  const dispatch = useAppDispatch();
  return (
    <TextField
      select
      size="small"
      label={label}
      value={node.audience ?? 'everyone'}
      helperText={node.audience && help}
      onChange={({ target }) =>
        dispatch(
          edit('setAudience', { nodes: [node.id], audience: target.value as Audience | 'everyone' }, page),
        )
      }
    >
      <MenuItem value="everyone">everyone</MenuItem>
      <MenuItem value="signed-in">signed-in visitors</MenuItem>
      <MenuItem value="signed-out">signed-out visitors</MenuItem>
    </TextField>
  );
}
