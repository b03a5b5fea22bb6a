import {
  composed,
  counted,
  countOverrides,
  keysOf,
  type NodeId,
  type Site,
  theOne,
} from '../../core/index.ts';
import { Box, Button, ListItemButton, Typography } from '@mui/material';
import { FilePlus2, FileQuestion, Globe, House } from 'lucide-react';
import { useMemo, useState } from 'react';
import { pageShown } from '../state/documents.ts';
import { edit } from '../state/edits.ts';
import { useAppDispatch } from '../state/store.ts';
import { WholeSiteScreen } from '../site/WholeSiteScreen.tsx';
import { line, marigoldPale, petrol, petrolTint, quiet, raised } from '../ui/theme.ts';
import { AddPageDialog } from './AddPageDialog.tsx';
import { DeletePageDialog } from './DeletePageDialog.tsx';
import { SiteDetails } from './SiteDetails.tsx';
import { PageDetails } from './PageDetails.tsx';

/** All overrides of a page, in all views. */
const overridesOf = ({ frame, pages }: Site, page: NodeId): number => {
  const whole = composed(frame, pages[page]);
  const ids = keysOf(whole.nodes);
  return frame.views.list.reduce((sum, { id }) => sum + countOverrides(whole, ids, id), 0);
};

/** What is chosen from, each with a border of its own. */
const CARD = {
  gap: 1.5,
  border: '1px solid',
  borderRadius: 1,
  bgcolor: raised,
  '&.Mui-selected, &.Mui-selected:hover': { bgcolor: petrolTint },
} as const;

function PageList({
  site,
  chosen,
  onChoose,
}: {
  site: Site;
  chosen: NodeId | null;
  onChoose: (page: NodeId) => void;
}) {
  const counts = useMemo(
    () => new Map(site.frame.pages.map(({ id }) => [id, overridesOf(site, id)])),
    [site],
  );
  return (
    <Box
      component="ul"
      aria-label="Pages"
      sx={{
        m: 0,
        p: 0,
        listStyle: 'none',
        display: 'grid',
        gridTemplateColumns: 'minmax(0, 1fr)',
        gap: 0.75,
      }}
    >
      {site.frame.pages.map(({ id, slug, missing }) => {
        const page = site.pages[id];
        const { name } = page.nodes[page.root];
        const count = counts.get(id) ?? 0;
        return (
          <li key={id}>
            <ListItemButton
              selected={id === chosen}
              aria-pressed={id === chosen}
              onClick={() => onChoose(id)}
              sx={{ ...CARD, borderColor: id === chosen ? petrol : line }}
            >
              <Box sx={{ flex: 1, minWidth: 0 }}>
                <Typography noWrap sx={{ fontWeight: 700 }} title={name}>
                  {name}
                </Typography>
                <Typography noWrap sx={{ fontSize: 12, color: quiet }}>
                  {slug === '' ? '/' : `/${slug}/`}
                </Typography>
              </Box>
              {slug === '' && <House size={16} aria-label="Home page" role="img" />}
              {missing && <FileQuestion size={16} aria-label="Shown where there is no page" role="img" />}
              <Typography
                sx={{
                  fontSize: 12,
                  px: 0.75,
                  borderRadius: 0.5,
                  bgcolor: count > 0 ? marigoldPale : 'transparent',
                  color: count > 0 ? 'text.primary' : quiet,
                  whiteSpace: 'nowrap',
                }}
              >
                {counted(count, 'override')}
              </Typography>
            </ListItemButton>
          </li>
        );
      })}
    </Box>
  );
}

interface PagesOfProps {
  site: Site;
  chosen: NodeId;
  /** The page that is open in the workbench. */
  open: NodeId;
  onChoose(page: NodeId): void;
}

function PagesOf({ site, chosen, open, onChoose }: PagesOfProps) {
  const dispatch = useAppDispatch();
  /** Whether what is shown is not of a page, but of the site. */
  const [whole, setWhole] = useState(false);
  const [adding, setAdding] = useState<{ from: NodeId | '' } | null>(null);
  const [deleting, setDeleting] = useState<NodeId | null>(null);

  const remove = (gone: NodeId, unlink: boolean) => {
    // What is open must be there, also for the steps that follow.
    const next = theOne(site.frame.pages, ({ id }) => id !== gone).id;
    if (gone === open) dispatch(pageShown(next));
    if (dispatch(edit('removePage', { page: gone, unlink }, next))) onChoose(next);
    setDeleting(null);
  };

  return (
    <>
      <Box sx={{ height: '100%', overflowY: 'auto' }}>
        <Box
          sx={{
            maxWidth: 1120,
            mx: 'auto',
            px: 3,
            py: 3,
            display: 'grid',
            gridTemplateColumns: 'minmax(0, 1fr) minmax(0, 1.3fr)',
            gap: 4,
          }}
        >
          <Box>
            <Box sx={{ display: 'flex', alignItems: 'center', mb: 1.5 }}>
              <Typography component="h1" sx={{ fontSize: 22, fontWeight: 700, flex: 1 }}>
                Pages
              </Typography>
              <Button
                variant="outlined"
                size="small"
                startIcon={<FilePlus2 size={15} />}
                onClick={() => setAdding({ from: '' })}
              >
                Add a page
              </Button>
            </Box>
            <PageList
              site={site}
              chosen={whole ? null : chosen}
              onChoose={(page) => {
                setWhole(false);
                onChoose(page);
              }}
            />
            <ListItemButton
              selected={whole}
              aria-pressed={whole}
              onClick={() => setWhole(true)}
              sx={{ ...CARD, mt: 2, borderColor: whole ? petrol : line }}
            >
              <Box sx={{ flex: 1, minWidth: 0 }}>
                <Typography sx={{ fontWeight: 700 }}>Whole site</Typography>
                <Typography noWrap sx={{ fontSize: 12, color: quiet }}>
                  Name, language, icon, system messages
                </Typography>
              </Box>
              <Globe size={16} aria-hidden />
            </ListItemButton>
          </Box>
          {whole ? (
            <SiteDetails site={site.frame} />
          ) : (
            <PageDetails
              site={site}
              page={chosen}
              onCopy={() => setAdding({ from: chosen })}
              onDelete={() => setDeleting(chosen)}
            />
          )}
        </Box>
      </Box>
      {adding && (
        <AddPageDialog
          site={site}
          after={chosen}
          from={adding.from}
          onAdded={onChoose}
          onClose={() => setAdding(null)}
        />
      )}
      {deleting && site.pages[deleting] && (
        <DeletePageDialog
          site={site}
          page={deleting}
          onDelete={(unlink) => remove(deleting, unlink)}
          onClose={() => setDeleting(null)}
        />
      )}
    </>
  );
}

/** The pages of a site: which there are, in which order, at which addresses. */
export function Pages() {
  const [wanted, setWanted] = useState<NodeId | null>(null);
  return (
    <WholeSiteScreen wanted={wanted}>
      {(site, page, open) => <PagesOf site={site} chosen={page} open={open} onChoose={setWanted} />}
    </WholeSiteScreen>
  );
}
