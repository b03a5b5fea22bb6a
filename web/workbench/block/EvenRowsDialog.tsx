import {
  Box,
  Checkbox,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  ToggleButton,
  ToggleButtonGroup,
  Typography,
} from '@mui/material';
import { useState } from 'react';
import {
  firstInRow,
  stacksIn,
  type AlternatingRun,
  type First,
  type Page,
  type SiteFrame,
  type ViewId,
} from '../../../core/index.ts';
import { edit } from '../../state/edits.ts';
import { useAppDispatch } from '../../state/store.ts';
import { quiet } from '../../ui/theme.ts';
import { columnsOf } from '../../values/columns.ts';
import { FormDialog } from '../../ui/FormDialog.tsx';

interface EvenRowsProps {
  site: SiteFrame;
  page: Page;
  run: AlternatingRun;
  onClose(): void;
}

/** Whether the rows of a run stack in a view and do not all begin with the same there. */
function isScrambled(site: SiteFrame, page: Page, { rows }: AlternatingRun, view: ViewId): boolean {
  const nodes = rows.map((id) => page.nodes[id]);
  const firsts = new Set(nodes.map((row) => firstInRow(site, page, row, view)));
  return firsts.size > 1 && nodes.some((row) => stacksIn(site, page, row, view));
}

/** What each view gets of rows that alternate image and words, and how they are evened out in chosen views in one step. */
export function EvenRowsDialog({ site, page, run, onClose }: EvenRowsProps) {
  const dispatch = useAppDispatch();
  const columns = columnsOf(site);
  const [first, setFirst] = useState<First>('picture');
  const [views, setViews] = useState<ViewId[]>(() =>
    columns.filter(({ id }) => isScrambled(site, page, run, id)).map(({ id }) => id),
  );
  const toggle = (view: ViewId) =>
    setViews((before) =>
      before.includes(view) ? before.filter((each) => each !== view) : [...before, view],
    );
  const even = () => {
    if (dispatch(edit('evenRows', { nodes: run.rows, views, first }))) onClose();
  };
  return (
    <FormDialog
      title={`Even out ${run.rows.length} rows that alternate`}
      verb="Even out"
      disabled={views.length === 0}
      onDone={even}
      width="md"
      onClose={onClose}
    >
      <Typography sx={{ fontSize: 13, color: quiet, mb: 1.5 }}>
        Side by side, image and text alternate. Stacked, each row starts with whatever is first in it: choose
        the views in which all rows should start with the same.
      </Typography>
      <Table size="small" aria-label="Result in each view" sx={{ '& td, & th': { fontSize: 13 } }}>
        <TableHead>
          <TableRow>
            <TableCell>Row</TableCell>
            {columns.map((view) => (
              <TableCell key={view.id} align="center" sx={{ whiteSpace: 'nowrap' }}>
                <Checkbox
                  size="small"
                  checked={views.includes(view.id)}
                  onChange={() => toggle(view.id)}
                  slotProps={{ input: { 'aria-label': `Even out in ${view.name}` } }}
                  sx={{ p: 0.25, mr: 0.5 }}
                />
                {view.name}
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {run.rows.map((id) => (
            <TableRow key={id}>
              <TableCell sx={{ maxWidth: 220 }}>
                <Typography noWrap sx={{ fontSize: 13 }} title={page.nodes[id].name}>
                  {page.nodes[id].name}
                </Typography>
              </TableCell>
              {columns.map((view) => {
                const stacked = stacksIn(site, page, page.nodes[id], view.id);
                const now = firstInRow(site, page, page.nodes[id], view.id);
                const then = views.includes(view.id) ? first : now;
                return (
                  <TableCell key={view.id} align="center">
                    <Box component="span" sx={{ fontWeight: then === now ? 400 : 700 }}>
                      {then === 'picture' ? 'image' : 'text'} first
                    </Box>
                    <Box sx={{ fontSize: 11.5, color: quiet }}>{stacked ? 'stacked' : 'side by side'}</Box>
                  </TableCell>
                );
              })}
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <ToggleButtonGroup
        exclusive
        size="small"
        aria-label="What comes first"
        value={first}
        onChange={(_event, next: First | null) => next && setFirst(next)}
        sx={{ mt: 2, '& .MuiToggleButton-root': { textTransform: 'none', py: 0.25 } }}
      >
        <ToggleButton value="picture">Image first</ToggleButton>
        <ToggleButton value="words">Text first</ToggleButton>
      </ToggleButtonGroup>
    </FormDialog>
  );
}
