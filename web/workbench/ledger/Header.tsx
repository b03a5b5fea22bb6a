import { Box, ButtonBase, Menu, MenuItem, Typography } from '@mui/material';
import { ChevronDown } from 'lucide-react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import {
  describeWidths,
  overrideCount,
  type Page,
  type PageReference,
  type SiteFrame,
  type ViewId,
} from '../../../core/index.ts';
import { viewChosen } from '../../state/editor.ts';
import { useAppDispatch } from '../../state/store.ts';
import { line, petrol, quiet, shade } from '../../ui/theme.ts';
import { columnsOf, gridColumns } from './columns.ts';

const counted = (count: number, one: string, many: string) => `${count} ${count === 1 ? one : many}`;

/** The page's name with its counts, and the ledger's only header of columns: the views. Clicking one makes it active. */
export function Header(props: { site: SiteFrame; pages: PageReference[]; page: Page; active: ViewId }) {
  const { site, pages, page, active } = props;
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [menu, setMenu] = useState<HTMLElement | null>(null);
  const nodes = Object.values(page.nodes);
  const columns = columnsOf(site);
  const overrides = columns.reduce(
    (sum, view) => sum + nodes.reduce((inner, node) => inner + overrideCount(node, view.id), 0),
    0,
  );
  const name = page.nodes[page.root].name;
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
          {counted(nodes.length - 1, 'block', 'blocks')} · {counted(overrides, 'override', 'overrides')}
        </Typography>
        <Menu open={menu !== null} anchorEl={menu} onClose={() => setMenu(null)}>
          {pages.map((reference) => (
            <MenuItem
              key={reference.id}
              selected={reference.id === page.id}
              onClick={() => {
                setMenu(null);
                void navigate(`/sites/${site.id}/pages/${reference.id}`);
              }}
            >
              {reference.title}
            </MenuItem>
          ))}
        </Menu>
      </Box>
      {columns.map((view) => {
        const on = view.id === active;
        return (
          <ButtonBase
            key={view.id}
            aria-pressed={on}
            onClick={() => dispatch(viewChosen(view.id))}
            sx={{
              flexDirection: 'column',
              minWidth: 0,
              bgcolor: on ? petrol : 'transparent',
              color: on ? 'white' : 'text.primary',
              '&:hover': { bgcolor: on ? petrol : '#e6decd' },
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
              <Box
                sx={{ border: '1.5px solid currentColor', borderRadius: 0.5, height: 9 }}
                style={{ width: 8 + (18 * view.sheet.width) / widest }}
              />
              {view.id === site.views.base && 'base'}
            </Box>
            <span style={{ fontSize: 13, fontWeight: 700, lineHeight: '16px' }}>{view.name}</span>
            <span
              style={{
                fontSize: 10.5,
                lineHeight: '14px',
                color: on ? 'white' : quiet,
                whiteSpace: 'nowrap',
              }}
            >
              {describeWidths(site.views, view.id)}
            </span>
          </ButtonBase>
        );
      })}
    </Box>
  );
}
