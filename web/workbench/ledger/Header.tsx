import { Box, ButtonBase, Menu, MenuItem, Typography } from '@mui/material';
import { ChevronDown } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import type { PageSummary } from '../../../api/responses.ts';
import {
  counted,
  countOverrides,
  describeWidths,
  lastOf,
  type NodeId,
  type Page,
  type SiteFrame,
  type View,
  type ViewId,
} from '../../../core/index.ts';
import { usePageNames } from '../../site/usePageNames.ts';
import { viewChosen } from '../../state/desk.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { line, marigold, onMarigold, petrol, petrolFill, quiet, shade, tile } from '../../ui/theme.ts';
import { Ring, useProgress } from '../walk/Ring.tsx';
import { pageCounts, treeOf } from './outline/outline.ts';
import { columnsOf, gridColumns } from '../../values/columns.ts';

const overridesOf = (counts: readonly PageSummary[], page: string): number =>
  Object.values(counts.find(({ id }) => id === page)?.overrides ?? {}).reduce((sum, count) => sum + count, 0);

/** The page's name with its counts, and the ledger's only header of columns: the views. Clicking one makes it active. */
export function Header(props: { site: SiteFrame; counts: PageSummary[]; page: Page; active: ViewId }) {
  const { site, counts, page, active } = props;
  const navigate = useNavigate();
  const [menu, setMenu] = useState<HTMLElement | null>(null);
  const names = usePageNames();
  const columns = columnsOf(site);
  const inView = pageCounts(page);
  const overrides = columns.reduce((sum, view) => sum + (inView.get(view.id) ?? 0), 0);
  const tree = treeOf(page);
  const blocks = useMemo(() => Object.keys(tree.nodes).length - 1, [tree]);
  const name = page.nodes[page.root].name;
  const selected = useAppSelector((state) => state.desk.selected).filter((id) => page.nodes[id]);
  const widest = Math.max(...columns.map((view) => view.sheet.width));
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: gridColumns(site),
        height: 58,
        flex: 'none',
        bgcolor: shade,
        borderBottom: `1px solid ${line}`,
        overflow: 'hidden',
        scrollbarGutter: 'stable',
        scrollbarWidth: 'thin',
      }}
    >
      <Box sx={{ minWidth: 0, px: 1.25, alignSelf: 'center' }}>
        <ButtonBase
          aria-haspopup="menu"
          aria-label={`Page ${name}; choose another`}
          onClick={(event) => setMenu(event.currentTarget)}
          sx={{ gap: 0.5, maxWidth: '100%' }}
        >
          <Typography component="h1" noWrap sx={{ fontSize: 14, fontWeight: 700 }}>
            {name}
          </Typography>
          <ChevronDown size={14} aria-hidden />
        </ButtonBase>
        <Typography noWrap sx={{ fontSize: 12, color: quiet }}>
          {counted(blocks, 'block')} · {counted(overrides, 'override')}
        </Typography>
        <Menu open={menu !== null} anchorEl={menu} onClose={() => setMenu(null)}>
          {site.pages.map((reference) => (
            <MenuItem
              key={reference.id}
              selected={reference.id === page.id}
              onClick={() => {
                setMenu(null);
                void navigate(`/sites/${site.id}/pages/${reference.id}`);
              }}
            >
              <span style={{ flex: 1 }}>{names.get(reference.id)}</span>
              <Typography component="span" sx={{ fontSize: 12, color: quiet, ml: 3 }}>
                {counted(
                  reference.id === page.id ? overrides : overridesOf(counts, reference.id),
                  'override',
                  'overrides',
                )}
              </Typography>
            </MenuItem>
          ))}
        </Menu>
      </Box>
      {columns.map((view) => (
        <ViewHead
          key={view.id}
          site={site}
          page={page}
          view={view}
          active={active}
          widest={widest}
          selected={selected}
        />
      ))}
    </Box>
  );
}

interface ViewHeadProps {
  site: SiteFrame;
  page: Page;
  view: View;
  active: ViewId;
  /** px; the widest sheet of all views. */
  widest: number;
  selected: readonly NodeId[];
}

/** A view at the head of its column: how many overrides it has, how far the walk through it is. Clicking makes it active. */
function ViewHead({ site, page, view, active, widest, selected }: ViewHeadProps) {
  const dispatch = useAppDispatch();
  const walked = useProgress(site, page, view.id);
  const who =
    selected.length > 1 ? 'of what is selected' : `of ${page.nodes[lastOf([page.root, ...selected])].name}`;
  const on = view.id === active;
  const base = view.id === site.views.base;
  const count = pageCounts(page).get(view.id) ?? 0;
  const own = selected.length > 0 ? countOverrides(page, selected, view.id) : undefined;
  const among = own === undefined ? '' : `, ${own === 0 ? 'none' : own} ${who}`;
  const progress = walked ? `; ${walked.fine} of ${walked.of} sections fine` : '';
  return (
    <ButtonBase
      aria-pressed={on}
      title={`${base ? 'The base: its values are the default for all' : `${counted(count, 'override')}${among}`}${progress}`}
      onClick={() => dispatch(viewChosen(site.views, view.id))}
      sx={{
        flexDirection: 'column',
        minWidth: 0,
        bgcolor: on ? petrolFill : 'transparent',
        color: on ? 'white' : 'text.primary',
        '&:hover': { bgcolor: on ? petrolFill : tile },
        '&:focus-visible': { outlineOffset: -3, outlineColor: on ? 'white' : petrol },
      }}
    >
      <Box
        sx={{
          display: 'flex',
          alignItems: 'center',
          gap: 0.5,
          height: 12,
          mb: 0.25,
          fontSize: 10,
          color: on ? 'white' : quiet,
        }}
      >
        {walked ? (
          <Ring {...walked} />
        ) : (
          <Box
            sx={{ border: '1.5px solid currentColor', borderRadius: 0.5, height: 9, minWidth: 8 }}
            style={{ width: 8 + (18 * view.sheet.width) / widest }}
          />
        )}
        {base && 'base'}
        {count > 0 && (
          <Box
            component="span"
            aria-hidden
            sx={{
              bgcolor: marigold,
              color: onMarigold,
              fontWeight: 700,
              borderRadius: 0.5,
              px: 0.5,
              lineHeight: '12px',
              whiteSpace: 'nowrap',
            }}
          >
            {own ? `${own} of ${count}` : count}
          </Box>
        )}
      </Box>
      <Typography
        component="span"
        noWrap
        title={view.name}
        sx={{ fontSize: 13, fontWeight: 700, lineHeight: '16px', maxWidth: '100%', px: 0.25 }}
      >
        {view.name}
      </Typography>
      <span
        style={{
          fontSize: 10.5,
          padding: '0 2px',
          lineHeight: '14px',
          color: on ? 'white' : quiet,
          whiteSpace: 'nowrap',
        }}
      >
        {describeWidths(site.views, view.id)}
      </span>
    </ButtonBase>
  );
}
