import {
  headOf,
  isSavedBlock,
  knownIn,
  type Node,
  type NodeId,
  type Page,
  pagesLinking,
  placeOfSection,
  type SavedBlockName,
  SHARED_NAMES,
  type SharedPlace,
  sharedPlaceOf,
  type SiteFrame,
  sure,
} from '../../../../core/index.ts';
import { Box, Button, Menu, MenuItem, Typography } from '@mui/material';
import { Layers, Link2, type LucideIcon } from 'lucide-react';
import { useEffect, useState, type ReactNode } from 'react';
import { selected as select } from '../../../state/desk.ts';
import { edit, editWhole, load } from '../../../state/edits.ts';
import { useAppDispatch, useAppSelector } from '../../../state/store.ts';
import { usePageNames } from '../../../site/usePageNames.ts';
import { line, petrol, petrolTint } from '../../../ui/theme.ts';
import { ShareDialog } from './ShareDialog.tsx';

function Strip({
  icon: Icon = Layers,
  children,
  action,
}: {
  icon?: LucideIcon;
  children: ReactNode;
  action: ReactNode;
}) {
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
      <Icon size={14} color={petrol} aria-hidden style={{ flex: 'none' }} />
      <Typography sx={{ fontSize: 12, flex: 1, minWidth: 0 }}>{children}</Typography>
      {action}
    </Box>
  );
}

/** What can be done about a page that shows what all share. */
function SharedMenu({ site, page, place }: { site: SiteFrame; page: NodeId; place: SharedPlace }) {
  const dispatch = useAppDispatch();
  const { without = [] } = headOf(site, page);
  const name = knownIn(usePageNames(), page);
  return (
    <ChangeMenu
      entries={[
        {
          label: `Leave it out on ${name}`,
          run: () => dispatch(edit('changePage', { page, without: [...without, place] })),
        },
        {
          label: `Give ${name} its own`,
          run: () => void dispatch(editWhole('unshareSection', { place, page })),
        },
        { label: 'Give each page its own', run: () => void dispatch(editWhole('unshareSection', { place })) },
      ]}
    />
  );
}

/** What can be done about a block that a page links. */
function LinkedMenu({ page, block }: { page: NodeId; block: SavedBlockName }) {
  const dispatch = useAppDispatch();
  const name = knownIn(usePageNames(), page);
  return (
    <ChangeMenu
      entries={[
        {
          label: `Give ${name} its own`,
          run: () => void dispatch(editWhole('unlinkBlock', { block, page })),
        },
        { label: 'Give each page its own', run: () => void dispatch(editWhole('unlinkBlock', { block })) },
      ]}
    />
  );
}

function ChangeMenu({ entries }: { entries: { label: string; run(): unknown }[] }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
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

/** Where else a block is changed with what is changed here, in words. */
function LinkingPages({ block }: { block: SavedBlockName }) {
  const dispatch = useAppDispatch();
  const site = useAppSelector((state) => sure(state.documents.open, 'open').site);
  const names = usePageNames();
  const missing = site.frame.pages.filter(({ id }) => !site.pages[id]).map(({ id }) => id);
  const wanted = missing.join(' ');
  useEffect(() => {
    if (wanted) void dispatch(load(wanted.split(' ')));
  }, [dispatch, wanted]);
  if (missing.length > 0) return 'a change here changes it wherever it is linked.';
  const pages = pagesLinking(site, block).map(({ id }) => knownIn(names, id));
  if (pages.length === 1) return 'on this page only, so far.';
  return <span title={pages.join(', ')}>a change here changes it on {pages.length} pages.</span>;
}

/** Says of what is selected that all pages share it, or could; and lets that be changed. */
export function Sharing({ site, page, nodes }: { site: SiteFrame; page: Page; nodes: Node[] }) {
  const dispatch = useAppDispatch();
  const [asking, setAsking] = useState<NodeId | null>(null);
  const place = nodes.map(({ id }) => sharedPlaceOf(id)).find(Boolean);
  if (isSavedBlock(place)) {
    const all = nodes.every(({ id }) => sharedPlaceOf(id) === place);
    return (
      <Strip icon={Link2} action={<LinkedMenu page={page.id} block={place} />}>
        {all ? 'Linked' : 'Some of it is linked'}: <LinkingPages block={place} />
      </Strip>
    );
  }
  if (place) {
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
      dispatch(select(sure(shared, 'shared').root));
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
