import { Box, MenuItem, Select, Typography } from '@mui/material';
import { useState } from 'react';
import {
  placeKey,
  viewOf,
  type Finding,
  type Page,
  type SiteFrame,
  type ViewId,
} from '../../../../core/index.ts';
import { FindingLine } from '../../../checks/FindingLine.tsx';
import { goTo, mend } from '../../../checks/going.ts';
import { SweepKeys } from '../../../checks/SweepKeys.tsx';
import { useAppDispatch, useAppSelector } from '../../../state/store.ts';
import { line, quiet } from '../../../ui/theme.ts';

interface FindingListProps {
  site: SiteFrame;
  page: Page;
  active: ViewId;
  text: string;
}

const nameOf = (site: SiteFrame, page: Page, { of }: Finding): string =>
  'node' in of
    ? (page.nodes[of.node]?.name ?? '')
    : (site.textStyles.find(({ id }) => id === of.textStyle)?.name ?? '');

/** What the checks found on the page: where, at which widths, what to do. In the active view alone, or in all. */
export function FindingList({ site, page, active, text }: FindingListProps) {
  const dispatch = useAppDispatch();
  const { page: looked, list } = useAppSelector((state) => state.findings);
  const [where, setWhere] = useState<'here' | 'all'>('all');
  const { name } = viewOf(site.views, active);
  const wanted = text.trim().toLowerCase();
  const here = list.filter(({ views }) => views.includes(active));
  const shown = (where === 'here' ? here : list).filter(
    (each) =>
      !wanted ||
      [each.sentence, each.rule, nameOf(site, page, each)].some((words) =>
        words.toLowerCase().includes(wanted),
      ),
  );
  const empty =
    looked === null
      ? 'The page is being looked over.'
      : wanted
        ? `No finding matches “${text.trim()}”.`
        : where === 'here' && list.length > 0
          ? `Nothing is amiss in ${name}.`
          : 'Nothing is amiss on this page, in any view and at any width.';
  return (
    <>
      <SweepKeys />
      <Box sx={{ flex: 'none', px: 1.25, py: 0.25, borderBottom: `1px solid ${line}` }}>
        <Select
          variant="standard"
          disableUnderline
          value={where}
          onChange={({ target }) => setWhere(target.value)}
          inputProps={{ 'aria-label': 'Findings listed' }}
          sx={{ fontSize: 12.5 }}
        >
          <MenuItem value="all">In all views: {list.length}</MenuItem>
          <MenuItem value="here">
            In {name}: {here.length}
          </MenuItem>
        </Select>
      </Box>
      {shown.length === 0 ? (
        <Typography sx={{ p: 3, color: quiet, textAlign: 'center' }}>{empty}</Typography>
      ) : (
        <div data-scroller className="ledger-scroller">
          <ul role="list" aria-label="Findings" className="finding-list">
            {shown.map((each) => (
              <FindingLine
                key={`${each.rule} ${placeKey(each.of)} ${each.sentence}`}
                site={site}
                finding={each}
                onGo={() => dispatch(goTo(site, each, active))}
                onFix={(index) => dispatch(mend(each, index))}
              />
            ))}
          </ul>
        </div>
      )}
    </>
  );
}
