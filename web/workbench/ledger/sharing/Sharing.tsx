import { Box, Button, Menu, MenuItem, Typography } from '@mui/material';
import { Layers } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import {
  isKept,
  headOf,
  placeOfSection,
  SHARED_NAMES,
  sharedPlaceOf,
  type Node,
  type NodeId,
  type Page,
  type SharedPlace,
  type SiteFrame,
} from '../../../../core/index.ts';
import { selected as select } from '../../../state/desk.ts';
import { edit, editWhole } from '../../../state/edits.ts';
import { useAppDispatch } from '../../../state/store.ts';
import { usePageNames } from '../../../site/usePageNames.ts';
import { line, petrol, petrolTint } from '../../../ui/theme.ts';
import { ShareDialog } from './ShareDialog.tsx';

function Strip({ children, action }: { children: ReactNode; action: ReactNode }) {
  return (
    <Box
      role="note"
      sx={{
        flex: 'none',
        display: 'flex',
        alignItems: 'center',
        gap: 0.75,
        px: 1.25,
        minHeight: 30,
        bgcolor: petrolTint,
        borderBottom: `1px solid ${line}`,
      }}
    >
      <Layers size={14} color={petrol} aria-hidden style={{ flex: 'none' }} />
      <Typography sx={{ fontSize: 12, flex: 1, minWidth: 0 }}>{children}</Typography>
      {action}
    </Box>
  );
}

/** What can be done about a page that shows what all share. */
function SharedMenu({ site, page, place }: { site: SiteFrame; page: NodeId; place: SharedPlace }) {
  const dispatch = useAppDispatch();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const { without = [] } = headOf(site, page);
  const name = usePageNames().get(page)!;
  const entries = [
    {
      label: `Leave it out on ${name}`,
      run: () => dispatch(edit('changePage', { page, without: [...without, place] })),
    },
    {
      label: `Give ${name} its own`,
      run: () => void dispatch(editWhole('unshareSection', { place, page })),
    },
    { label: 'Give each page its own', run: () => void dispatch(editWhole('unshareSection', { place })) },
  ];
  return (
    <>
      <Button
        size="small"
        aria-haspopup="menu"
        onClick={(event) => setAnchor(event.currentTarget)}
        sx={{ fontSize: 12, py: 0, whiteSpace: 'nowrap' }}
      >
        Change that …
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {entries.map(({ label, run }) => (
          <MenuItem
            key={label}
            onClick={() => {
              setAnchor(null);
              run();
            }}
          >
            {label}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}

/** Says of what is selected that all pages share it, or could; and lets that be changed. */
export function Sharing({ site, page, nodes }: { site: SiteFrame; page: Page; nodes: Node[] }) {
  const dispatch = useAppDispatch();
  const [asking, setAsking] = useState<NodeId | null>(null);
  const place = nodes.map(({ id }) => sharedPlaceOf(id)).find(Boolean);
  if (place && !isKept(place)) {
    const all = nodes.every(({ id }) => sharedPlaceOf(id));
    return (
      <Strip action={<SharedMenu site={site} page={page.id} place={place} />}>
        {all ? 'On all pages' : 'Some of it is on all pages'}: a change here changes them all.
      </Strip>
    );
  }
  const [node] = nodes;
  const could = nodes.length === 1 ? placeOfSection(page, node) : undefined;
  if (!could) return null;
  const shared = site.shared?.[could];
  const take = async () => {
    if (await dispatch(editWhole('takeShared', { place: could, page: page.id })))
      dispatch(select(shared!.root));
  };
  return (
    <>
      <Strip
        action={
          <Button
            size="small"
            sx={{ fontSize: 12, py: 0, whiteSpace: 'nowrap' }}
            onClick={() => (shared ? void take() : setAsking(node.id))}
          >
            {shared ? 'Show theirs' : 'Put on all pages …'}
          </Button>
        }
      >
        {shared
          ? `Only on this page; the others share a ${SHARED_NAMES[could]}.`
          : `This ${SHARED_NAMES[could]} is only on this page.`}
      </Strip>
      {asking === node.id && (
        <ShareDialog site={site} page={page} section={node} place={could} onClose={() => setAsking(null)} />
      )}
    </>
  );
}
