import { Box } from '@mui/material';
import { isOnAllPages, type NodeId, type Page, type Site } from '../../core/index.ts';
import { line, quiet } from '../ui/theme.ts';

/** An element that links to a page, and where it stands. */
export interface Linking {
  key: string;
  name: string;
  on: string;
  /** What more is said of it. */
  more?: string;
}

/** An element of a page, or of what all pages share, as one that links somewhere. */
export function linkingFrom(site: Site, tree: Page, node: NodeId, more?: string): Linking {
  const page = site.pages[tree.id] as Page | undefined;
  const on = page ? page.nodes[page.root].name : isOnAllPages(node) ? 'all pages' : 'pages that link it';
  return { key: `${tree.id} ${node}`, name: tree.nodes[node].name, on, more };
}

/** What links to a page, a line each. */
export function LinkingList({ label, links }: { label: string; links: readonly Linking[] }) {
  return (
    <Box
      component="ul"
      role="list"
      aria-label={label}
      sx={{ m: 0, p: 0, listStyle: 'none', maxHeight: 220, overflowY: 'auto' }}
    >
      {links.map(({ key, name, on, more }) => (
        <Box component="li" key={key} sx={{ py: 0.5, borderTop: `1px solid ${line}`, fontSize: 13 }}>
          {name}
          <Box component="span" sx={{ color: quiet }}>
            {` on ${on}`}
            {more && `, ${more}`}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
