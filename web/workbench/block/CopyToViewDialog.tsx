import {
  carriedOver,
  counted,
  countOverrides,
  keysOf,
  type NodeId,
  type Page,
  type SiteFrame,
  type View,
  viewId,
  type ViewId,
} from '../../../core/index.ts';
import { Box, MenuItem, TextField, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import { edit } from '../../state/edits.ts';
import { useAppDispatch } from '../../state/store.ts';
import { quiet } from '../../ui/theme.ts';
import { columnsOf } from '../../values/columns.ts';
import { WillChange } from './WillChange.tsx';
import { FormDialog } from '../../ui/FormDialog.tsx';

interface CarryOverProps {
  site: SiteFrame;
  page: Page;
  /** The selected elements with what is in them. */
  within: NodeId[];
  active: ViewId;
  onClose(): void;
}

/** The view that stands beside one, the next narrower where there is one: what was repaired in a view is wanted there most. */
function besideOf(views: readonly View[], id: ViewId): ViewId | '' {
  const at = views.findIndex((view) => view.id === id);
  return (views[at + 1] ?? views[at - 1])?.id ?? '';
}

/** Carries the overrides of one view over to another, for the selection or the page, and shows first what will change. */
export function CopyToViewDialog({ site, page, within, active, onClose }: CarryOverProps) {
  const dispatch = useAppDispatch();
  const others = columnsOf(site).filter((view) => view.id !== site.views.base);
  const [from, setFrom] = useState<ViewId>(others.some(({ id }) => id === active) ? active : others[0]?.id);
  const [to, setTo] = useState<ViewId | ''>(() => besideOf(others, from));
  const [scope, setScope] = useState<'selection' | 'page'>(() =>
    countOverrides(page, within, from) > 0 ? 'selection' : 'page',
  );
  const nodes = scope === 'selection' ? within : keysOf(page.nodes);
  const changes = useMemo(
    () => (to && from !== to ? carriedOver(site, page, { nodes, from, to }) : []),
    // The list of nodes is made again on each drawing; what it depends on is the scope.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [site, page, scope, from, to],
  );
  const changing = changes.filter(({ same }) => !same);
  const view = (id: string) => site.views.list.find((each) => each.id === id) as View;
  const choice = (label: string, value: string, choose: (id: ViewId) => void, without?: string) => (
    <TextField
      select
      size="small"
      label={label}
      value={value}
      sx={{ width: 150 }}
      onChange={(event) => choose(viewId(event.target.value))}
    >
      {others
        .filter(({ id }) => id !== without)
        .map(({ id, name }) => (
          <MenuItem key={id} value={id}>
            {name}
          </MenuItem>
        ))}
    </TextField>
  );
  const carry = () => {
    if (to && dispatch(edit('carryOver', { nodes, from, to }))) onClose();
  };
  return (
    <FormDialog
      title="Copy overrides to another view"
      verb={`Copy ${counted(changes.length, 'override')}`}
      disabled={changes.length === 0}
      onDone={carry}
      width="sm"
      wide
      onClose={onClose}
    >
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', pt: 1, pb: 1.5, flexWrap: 'wrap' }}>
        {choice('From', from, (id) => {
          setFrom(id);
          if (id === to) setTo(besideOf(others, id));
        })}
        {choice('To', to, setTo, from)}
        <ToggleButtonGroup
          exclusive
          size="small"
          aria-label="For"
          value={scope}
          onChange={(_event, next: typeof scope | null) => next && setScope(next)}
          sx={{ '& .MuiToggleButton-root': { textTransform: 'none', py: 0.5 } }}
        >
          <ToggleButton value="selection">The selection</ToggleButton>
          <ToggleButton value="page">The page</ToggleButton>
        </ToggleButtonGroup>
      </Box>
      {changing.length === 0 ? (
        <Typography sx={{ color: quiet, py: 2 }}>
          {changes.length === 0
            ? `There are no overrides in ${view(from).name} to copy.`
            : `${to && view(to).name} has these values already.`}
        </Typography>
      ) : (
        <WillChange site={site} page={page} view={viewId(to)} changes={changing} />
      )}
    </FormDialog>
  );
}
