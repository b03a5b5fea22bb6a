import { Divider, IconButton, ListSubheader, Menu, MenuItem } from '@mui/material';
import { EllipsisVertical } from 'lucide-react';
import { useState } from 'react';
import {
  countOverrides,
  sharedPlaceOf,
  siblingsLike,
  subtree,
  viewOf,
  type Node,
  type NodeId,
  type Page,
  type SiteFrame,
  type ViewId,
} from '../../../../core/index.ts';
import { edit } from '../../../state/edits.ts';
import { duplicate, remove } from '../../../state/structure.ts';
import { useAppDispatch } from '../../../state/store.ts';
import { CarryOverDialog } from './CarryOverDialog.tsx';
import { rememberCopy, rememberedCopy } from '../../values/clipboard.ts';
import { PasteDialog } from './PasteDialog.tsx';

interface Entry {
  label: string;
  run(): void;
  disabled?: boolean;
}

const counted = (count: number) => `${count} ${count === 1 ? 'override' : 'overrides'}`;

interface ElementMenuProps {
  site: SiteFrame;
  page: Page;
  nodes: Node[];
  /** The one of them whose values lead. */
  lead: Node;
  active: ViewId;
}

/** What can be done with all values of the selected elements at once. Counts say beforehand what a clear will take. */
function OpenMenu(
  props: ElementMenuProps & {
    anchor: HTMLElement;
    onClose(): void;
    onDialog(which: 'paste' | 'carry over'): void;
  },
) {
  const { site, page, nodes, lead, active, anchor, onClose, onDialog } = props;
  const dispatch = useAppDispatch();
  const view = viewOf(site.views, active);
  const isBase = active === site.views.base;
  const selected = nodes.map((node) => node.id);
  const within = [...new Set(selected.flatMap((id) => subtree(page, id)))];
  const whole = Object.keys(page.nodes) as NodeId[];
  const copied = rememberedCopy();

  const clear = (ids: NodeId[], what: string, at?: ViewId): Entry => {
    const count = countOverrides(page, ids, at);
    return {
      label: `Clear ${counted(count)} ${at ? `in ${view.name}` : 'in every view'}${what}`,
      disabled: count === 0,
      run: () => dispatch(edit('clearOverrides', at ? { nodes: ids, view: at } : { nodes: ids })),
    };
  };
  const clears = (ids: NodeId[], what: string) => [
    ...(isBase ? [] : [clear(ids, what, active)]),
    clear(ids, what),
  ];
  const siblings = siblingsLike(page, lead.id).length;
  const isPage = nodes.some(({ parent }) => parent === null);
  const name = nodes.length > 1 ? `${nodes.length} elements` : lead.name;
  const inIt = within.length - selected.length;
  const groups: { heading: string; entries: Entry[] }[] = [
    {
      heading: 'Element',
      entries: [
        {
          label: `Duplicate ${lead.name}`,
          disabled: isPage || nodes.length > 1,
          run: () => dispatch(duplicate(lead.id)),
        },
        {
          label: `Delete ${name}${inIt > 0 ? ` and the ${inIt} in it` : ''}${selected.some(sharedPlaceOf) ? ', on all pages' : ''}`,
          disabled: isPage,
          run: () => dispatch(remove(selected)),
        },
      ],
    },
    {
      heading: 'Clear',
      entries: [
        ...clears(selected, ''),
        ...(within.length > selected.length ? clears(within, ' with what is in it') : []),
        ...(within.length < whole.length ? clears(whole, ' on the whole page') : []),
      ],
    },
    {
      heading: 'Copy',
      entries: [
        {
          label: nodes.length > 1 ? `Copy values of ${lead.name}` : 'Copy values',
          run: () => rememberCopy({ of: 'element', style: lead.style, name: lead.name }),
        },
        {
          label: copied && copied.of !== 'value' ? `Paste values of ${copied.name} …` : 'Paste values …',
          disabled: !copied || copied.of === 'value',
          run: () => onDialog('paste'),
        },
        {
          label: `Give these overrides to ${siblings} ${siblings === 1 ? 'sibling' : 'siblings'} of its kind`,
          disabled: siblings === 0 || nodes.length > 1,
          run: () => dispatch(edit('matchSiblings', { node: lead.id })),
        },
        { label: 'Carry over to another view …', run: () => onDialog('carry over') },
      ],
    },
  ];

  return (
    <Menu open anchorEl={anchor} onClose={onClose} slotProps={{ list: { dense: true } }}>
      {groups.flatMap(({ heading, entries }, index) => [
        ...(index > 0 ? [<Divider key={`${heading} line`} />] : []),
        <ListSubheader key={heading} sx={{ lineHeight: '26px', bgcolor: 'transparent' }}>
          {heading}
        </ListSubheader>,
        ...entries.map(({ label, run, disabled }) => (
          <MenuItem
            key={label}
            disabled={disabled}
            onClick={() => {
              onClose();
              run();
            }}
          >
            {label}
          </MenuItem>
        )),
      ])}
    </Menu>
  );
}

/** The menu of what can be done with all values at once, and the dialogs it leads to. */
export function ElementMenu(props: ElementMenuProps) {
  const { site, page, nodes, lead, active } = props;
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [dialog, setDialog] = useState<'paste' | 'carry over' | null>(null);
  const copied = dialog === 'paste' ? rememberedCopy() : null;
  const name = nodes.length > 1 ? `${nodes.length} elements` : lead.name;
  return (
    <>
      <IconButton
        size="small"
        aria-label={`All values of ${name}`}
        aria-haspopup="menu"
        title="All values"
        onClick={(event) => setAnchor(event.currentTarget)}
        sx={{ p: 0.25 }}
      >
        <EllipsisVertical size={16} />
      </IconButton>
      {anchor && <OpenMenu {...props} anchor={anchor} onClose={() => setAnchor(null)} onDialog={setDialog} />}
      {copied && copied.of !== 'value' && (
        <PasteDialog site={site} page={page} nodes={nodes} copied={copied} onClose={() => setDialog(null)} />
      )}
      {dialog === 'carry over' && (
        <CarryOverDialog
          site={site}
          page={page}
          within={[...new Set(nodes.flatMap(({ id }) => subtree(page, id)))]}
          active={active}
          onClose={() => setDialog(null)}
        />
      )}
    </>
  );
}
