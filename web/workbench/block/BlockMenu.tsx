import { lastOf, type Node, type Page, type SiteFrame, subtree, type ViewId } from '../../../core/index.ts';
import { Divider, IconButton, ListSubheader, Menu, MenuItem, Typography } from '@mui/material';
import { Check, EllipsisVertical } from 'lucide-react';
import { useId, useState } from 'react';
import { menuClosed } from '../../state/desk.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { quiet } from '../../ui/theme.ts';
import { rememberedCopy } from '../../values/clipboard.ts';
import type { BlockDialog } from './action.ts';
import { blockActions, runAround } from './actions.ts';
import { LayoutDialog } from '../layout/LayoutDialog.tsx';
import { CopyToViewDialog } from './CopyToViewDialog.tsx';
import { lazily } from '../../ui/lazily.tsx';

const ArrangeDialog = lazily(async () => (await import('../arrange/ArrangeDialog.tsx')).ArrangeDialog);
const EvenRowsDialog = lazily(async () => (await import('./EvenRowsDialog.tsx')).EvenRowsDialog);
const PasteDialog = lazily(async () => (await import('./PasteDialog.tsx')).PasteDialog);
const ScaleDialog = lazily(async () => (await import('./ScaleDialog.tsx')).ScaleDialog);

interface BlockMenuProps {
  site: SiteFrame;
  page: Page;
  nodes: Node[];
  active: ViewId;
}

/** What can be done with what is selected, opened at a button or where the pointer was. */
function OpenMenu(
  props: BlockMenuProps & {
    at: { anchor: HTMLElement } | { left: number; top: number };
    onClose(): void;
    onDialog(which: BlockDialog): void;
  },
) {
  const { site, page, nodes, active, at, onClose, onDialog } = props;
  const dispatch = useAppDispatch();
  const reach = useAppSelector((state) => state.desk.reach);
  const groups = blockActions({ site, page, nodes, active, reach, onDialog });
  const menu = useId();
  const place =
    'anchor' in at
      ? { anchorEl: at.anchor }
      : { anchorReference: 'anchorPosition' as const, anchorPosition: at };
  return (
    <Menu open {...place} onClose={onClose} slotProps={{ list: { dense: true } }}>
      {groups.flatMap(({ heading, entries }, index) => [
        ...(index > 0 ? [<Divider key={`${heading} line`} />] : []),
        <ListSubheader key={heading} id={`${menu}${index}`}>
          {heading}
        </ListSubheader>,
        ...entries.map(({ label, keys, run, disabled, checked }) => (
          <MenuItem
            key={label}
            disabled={disabled}
            aria-describedby={`${menu}${index}`}
            role={checked === undefined ? undefined : 'menuitemcheckbox'}
            aria-checked={checked}
            onClick={() => {
              if (checked === undefined) onClose();
              dispatch(run);
            }}
            sx={{ gap: 2 }}
          >
            {checked !== undefined && (
              <Check size={14} aria-hidden style={{ opacity: checked ? 1 : 0, marginRight: -8 }} />
            )}
            <span style={{ flex: 1, overflow: 'hidden', textOverflow: 'ellipsis' }}>{label}</span>
            {keys && (
              <Typography component="span" aria-hidden sx={{ fontSize: 12, color: quiet }}>
                {keys}
              </Typography>
            )}
          </MenuItem>
        )),
      ])}
    </Menu>
  );
}

/** The dialogs that entries of the menu lead to. */
function Dialogs({
  site,
  page,
  nodes,
  active,
  which,
  onClose,
}: BlockMenuProps & { which: BlockDialog | null; onClose(): void }) {
  const copied = which === 'paste' ? rememberedCopy() : null;
  const run = which === 'even rows' ? runAround(site, page, lastOf(nodes)) : undefined;
  return (
    <>
      {copied && copied.of !== 'value' && (
        <PasteDialog site={site} page={page} nodes={nodes} copied={copied} onClose={onClose} />
      )}
      {run && <EvenRowsDialog site={site} page={page} run={run} onClose={onClose} />}
      {which === 'layout' && <LayoutDialog site={site} page={page} onClose={onClose} />}
      {which === 'scale' && (
        <ScaleDialog site={site} page={page} nodes={nodes} active={active} onClose={onClose} />
      )}
      {(which === 'arrange' || which === 'tidy') && (
        <ArrangeDialog
          site={site}
          page={page}
          root={lastOf(nodes)}
          active={active}
          tidying={which === 'tidy'}
          onClose={onClose}
        />
      )}
      {which === 'copy overrides' && (
        <CopyToViewDialog
          site={site}
          page={page}
          within={[...new Set(nodes.flatMap(({ id }) => subtree(page, id)))]}
          active={active}
          onClose={onClose}
        />
      )}
    </>
  );
}

/** The button at what is selected, and the menu behind it. */
export function BlockMenuButton(props: BlockMenuProps) {
  const { nodes } = props;
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [dialog, setDialog] = useState<BlockDialog | null>(null);
  const name = nodes.length > 1 ? `${nodes.length} elements` : lastOf(nodes).name;
  return (
    <>
      <IconButton
        size="small"
        aria-label={`More for ${name}`}
        aria-haspopup="menu"
        title="More"
        onClick={(event) => setAnchor(event.currentTarget)}
        sx={{ p: 0.25 }}
      >
        <EllipsisVertical size={16} />
      </IconButton>
      {anchor && <OpenMenu {...props} at={{ anchor }} onClose={() => setAnchor(null)} onDialog={setDialog} />}
      <Dialogs {...props} which={dialog} onClose={() => setDialog(null)} />
    </>
  );
}

/** The same menu where the pointer asked for it, in a sheet or in the outline. */
export function BlockContextMenu({ site, page, active }: Omit<BlockMenuProps, 'nodes'>) {
  const dispatch = useAppDispatch();
  const at = useAppSelector((state) => state.desk.menu);
  const selected = useAppSelector((state) => state.desk.selected);
  const [dialog, setDialog] = useState<BlockDialog | null>(null);
  const nodes = selected.flatMap((id) => (page.nodes[id] ? [page.nodes[id]] : []));
  if (nodes.length === 0) return null;
  const props = { site, page, nodes, active };
  return (
    <>
      {at && <OpenMenu {...props} at={at} onClose={() => dispatch(menuClosed())} onDialog={setDialog} />}
      <Dialogs {...props} which={dialog} onClose={() => setDialog(null)} />
    </>
  );
}
