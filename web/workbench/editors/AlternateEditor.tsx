import { letterOf, type NodeId, shownOf, sure } from '../../../core/index.ts';
import { Box, ListItemIcon, MenuItem, MenuList } from '@mui/material';
import { openPage } from '../../state/documents.ts';
import { useAppSelector } from '../../state/store.ts';
import { slate } from '../../ui/theme.ts';
import { reachOf } from '../../values/reach.ts';
import type { EditorProps } from './editor.ts';

/** Which of a set of alternates shows: each by its letter and name. */
export function AlternateEditor({ row, cell, context, reach, onSet, onClose }: EditorProps) {
  const page = useAppSelector((state) => sure(openPage(state)).page);
  const { source } = sure(context.siblings, 'siblings');
  const shown = shownOf(source, cell.value as NodeId);
  return (
    <MenuList
      dense
      autoFocusItem
      aria-label={`${row.label} in ${cell.view.name}`}
      sx={{ py: 0, minWidth: 180, maxWidth: 340 }}
    >
      {source.map((id, place) => (
        <MenuItem
          key={id}
          selected={id === shown}
          onClick={(event) => onSet(id, reachOf(event, reach)) && onClose()}
        >
          <ListItemIcon sx={{ minWidth: '28px !important' }}>
            <Box component="span" sx={{ fontWeight: 700, color: slate }}>
              {letterOf(place)}
            </Box>
          </ListItemIcon>
          <span style={{ overflow: 'hidden', textOverflow: 'ellipsis' }}>{page.nodes[id]?.name}</span>
        </MenuItem>
      ))}
    </MenuList>
  );
}
