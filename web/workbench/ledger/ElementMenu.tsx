import { Divider, IconButton, ListSubheader, Menu, MenuItem, Tooltip } from '@mui/material';
import { EllipsisVertical } from 'lucide-react';
import { useState } from 'react';
import {
  countOverrides,
  siblingsLike,
  subtree,
  viewOf,
  type Node,
  type Page,
  type PartStyle,
  type SiteFrame,
  type ViewId,
} from '../../../core/index.ts';
import { edit } from '../../state/edits.ts';
import { useAppDispatch } from '../../state/store.ts';
import { columnsOf } from './columns.ts';

/** The values last copied from an element, and its name. They outlive the page, so that they can be pasted on another. */
let copied: { style: PartStyle; name: string } | null = null;

interface Entry {
  label: string;
  run(): void;
  disabled?: boolean;
}

const counted = (count: number) => `${count} ${count === 1 ? 'override' : 'overrides'}`;

/** What can be done with all values of the selected element at once. Counts say beforehand what a clear will take. */
export function ElementMenu(props: { site: SiteFrame; page: Page; node: Node; active: ViewId }) {
  const { site, page, node, active } = props;
  const dispatch = useAppDispatch();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const view = viewOf(site.views, active);
  const within = subtree(page, node.id);
  const isBase = active === site.views.base;

  const clear = (nodes: Node['id'][], at?: ViewId): Entry => {
    const count = countOverrides(page, nodes, at);
    const what = nodes.length > 1 ? ' with what is in it' : '';
    return {
      label: `Clear ${counted(count)} ${at ? `in ${view.name}` : 'in every view'}${what}`,
      disabled: count === 0,
      run: () => dispatch(edit('clearOverrides', at ? { nodes, view: at } : { nodes })),
    };
  };
  const siblings = siblingsLike(page, node.id).length;
  const groups: { heading: string; entries: Entry[] }[] = [
    {
      heading: 'Clear',
      entries: [
        ...(isBase ? [] : [clear([node.id], active)]),
        clear([node.id]),
        ...(within.length > 1 ? [...(isBase ? [] : [clear(within, active)]), clear(within)] : []),
      ],
    },
    {
      heading: 'Copy',
      entries: [
        {
          label: 'Copy values',
          run: () => {
            copied = { style: node.style.self ?? {}, name: node.name };
          },
        },
        {
          label: copied ? `Paste values of ${copied.name}` : 'Paste values',
          disabled: !copied,
          run: () => copied && dispatch(edit('pasteValues', { nodes: [node.id], style: copied.style })),
        },
        {
          label: `Give these overrides to ${siblings} ${siblings === 1 ? 'sibling' : 'siblings'} of its kind`,
          disabled: siblings === 0,
          run: () => dispatch(edit('matchSiblings', { node: node.id })),
        },
      ],
    },
    {
      heading: within.length > 1 ? `Carry over, with what is in it` : 'Carry over',
      entries: isBase
        ? []
        : columnsOf(site)
            .filter((other) => other.id !== active)
            .map((other) => ({
              label: `${counted(countOverrides(page, within, active))} of ${view.name} to ${other.name}`,
              disabled: countOverrides(page, within, active) === 0,
              run: () => dispatch(edit('carryOver', { nodes: within, from: active, to: other.id })),
            })),
    },
  ];

  const close = () => setAnchor(null);
  return (
    <>
      <Tooltip title="All values of this element">
        <IconButton
          size="small"
          aria-label={`All values of ${node.name}`}
          aria-haspopup="menu"
          onClick={(event) => setAnchor(event.currentTarget)}
          sx={{ p: 0.25 }}
        >
          <EllipsisVertical size={16} />
        </IconButton>
      </Tooltip>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={close} slotProps={{ list: { dense: true } }}>
        {groups
          .filter(({ entries }) => entries.length > 0)
          .flatMap(({ heading, entries }, index) => [
            ...(index > 0 ? [<Divider key={`${heading} line`} />] : []),
            <ListSubheader key={heading} sx={{ lineHeight: '26px', bgcolor: 'transparent' }}>
              {heading}
            </ListSubheader>,
            ...entries.map(({ label, run, disabled }) => (
              <MenuItem
                key={label}
                disabled={disabled}
                onClick={() => {
                  close();
                  run();
                }}
              >
                {label}
              </MenuItem>
            )),
          ])}
      </Menu>
    </>
  );
}
