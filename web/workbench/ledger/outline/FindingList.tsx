import { Box, MenuItem, Select, Typography } from '@mui/material';
import { useEffect, useState } from 'react';
import {
  placeKey,
  viewOf,
  type Finding,
  type Page,
  type SiteFrame,
  type ViewId,
} from '../../../../core/index.ts';
import { FindingLine } from '../../../checks/FindingLine.tsx';
import { goTo, mend, dismissFinding, tryMend } from '../../../checks/findingactions.ts';
import { SweepKeys } from '../../../checks/SweepKeys.tsx';
import { tried } from '../../../state/desk.ts';
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

/** Findings under what they have in common, in the order in which that comes first. */
function grouped(list: readonly Finding[], by: (finding: Finding) => string): [string, Finding[]][] {
  const groups = new Map<string, Finding[]>();
  for (const each of list) groups.set(by(each), [...(groups.get(by(each)) ?? []), each]);
  return [...groups];
}

const select = { variant: 'standard', disableUnderline: true, sx: { fontSize: 12.5 } } as const;

/** What the checks found on the page: where, at which widths, what to do. In the active view alone, or in all; by rule or by place. */
export function FindingList({ site, page, active, text }: FindingListProps) {
  const dispatch = useAppDispatch();
  const { page: looked, list, asides } = useAppSelector((state) => state.findings);
  const [where, setWhere] = useState<'here' | 'all' | 'aside'>('all');
  const [by, setBy] = useState<'weight' | 'rule' | 'place'>('weight');
  // What is pointed at may have gone from the list.
  useEffect(() => () => void dispatch(tried(null)), [list, dispatch]);
  const { name } = viewOf(site.views, active);
  const wanted = text.trim().toLowerCase();
  const here = list.filter(({ views }) => views.includes(active));
  // Where nothing is dismissed, all are listed, and stay listed when something is dismissed again.
  if (where === 'aside' && asides.length === 0) setWhere('all');
  const shown = { here, all: list, aside: asides }[where].filter(
    (each) =>
      !wanted ||
      [each.sentence, each.rule, nameOf(site, page, each)].some((words) =>
        words.toLowerCase().includes(wanted),
      ),
  );
  const empty =
    looked === null
      ? 'The page is being checked.'
      : wanted
        ? `No finding matches “${text.trim()}”.`
        : where === 'here' && list.length > 0
          ? `No problems found in ${name}.`
          : 'No problems found on this page, in any view and at any width that was checked.';
  const groups =
    by === 'weight'
      ? ([['', shown]] as [string, Finding[]][])
      : grouped(shown, (each) => (by === 'rule' ? each.rule : nameOf(site, page, each)));
  return (
    <>
      <SweepKeys />
      <Box
        sx={{ flex: 'none', display: 'flex', gap: 2, px: 1.25, py: 0.25, borderBottom: `1px solid ${line}` }}
      >
        <Select
          {...select}
          value={where}
          onChange={({ target }) => setWhere(target.value)}
          inputProps={{ 'aria-label': 'Findings listed' }}
        >
          <MenuItem value="all">In all views: {list.length}</MenuItem>
          <MenuItem value="here">
            In {name}: {here.length}
          </MenuItem>
          <MenuItem value="aside" disabled={asides.length === 0}>
            Dismissed: {asides.length}
          </MenuItem>
        </Select>
        <Select
          {...select}
          value={by}
          onChange={({ target }) => setBy(target.value)}
          inputProps={{ 'aria-label': 'Order of findings' }}
        >
          <MenuItem value="weight">by severity</MenuItem>
          <MenuItem value="rule">by rule</MenuItem>
          <MenuItem value="place">by place</MenuItem>
        </Select>
      </Box>
      {shown.length === 0 ? (
        <Typography sx={{ p: 3, color: quiet, textAlign: 'center' }}>{empty}</Typography>
      ) : (
        <div data-scroller className="ledger-scroller">
          {groups.map(([heading, findings]) => (
            <section key={heading}>
              {heading && <h2 className="finding-heading">{heading}</h2>}
              <ul role="list" aria-label="Findings" className="finding-list">
                {findings.map((each) => (
                  <FindingLine
                    key={`${each.rule} ${placeKey(each.of)} ${each.sentence}`}
                    site={site}
                    finding={each}
                    onGo={() => dispatch(goTo(site, each, active))}
                    onFix={(index) => dispatch(mend(each, index))}
                    onTry={(index) => dispatch(tryMend(site, page, each, index))}
                    onDismiss={(reason) => dispatch(dismissFinding(each, reason))}
                  />
                ))}
              </ul>
            </section>
          ))}
        </div>
      )}
    </>
  );
}
