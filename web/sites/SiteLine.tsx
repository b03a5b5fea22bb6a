import { counted, LIMITS, sure } from '../../core/index.ts';
import { Box, Button, IconButton, Link, Menu, MenuItem, Skeleton, Typography } from '@mui/material';
import { Ellipsis, ExternalLink } from 'lucide-react';
import { useRef, useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { paths } from '../../api/paths.ts';
import type { SiteSummary } from '../../api/responses.ts';
import { usePageQuery } from '../state/server.ts';
import { Boundary } from '../ui/Boundary.tsx';
import { lazily } from '../ui/lazily.tsx';
import { NameField } from '../ui/NameField.tsx';
import { line, quiet, raised } from '../ui/theme.ts';
import { moment } from '../ui/time.ts';
import type { SiteActions } from './useSiteActions.ts';

const PICTURE = { width: 156, height: 102 };

/** What is there until an image of a page is drawn. */
const EMPTY = <Skeleton variant="rectangular" animation={false} {...PICTURE} sx={{ flex: 'none' }} />;

/** Drawing a page takes much code, which the list does not wait for. */
const SitePreview = lazily(async () => (await import('./SitePreview.tsx')).SitePreview, EMPTY);

/** The top of the home page, as it is now. */
function Picture({ site: { id, firstPage, revision } }: { site: SiteSummary }) {
  const { data } = usePageQuery({ site: id, page: firstPage, revision });
  if (!data) return EMPTY;
  return (
    <Boundary of={data} notice={() => EMPTY}>
      {(shown) => <SitePreview {...shown} {...PICTURE} />}
    </Boundary>
  );
}

function Published({ live }: Pick<SiteSummary, 'live'>) {
  if (!live) return <Typography sx={{ color: quiet, fontSize: 13 }}>Not published</Typography>;
  return (
    <Link
      href={live.url}
      target="_blank"
      rel="noreferrer"
      title={live.url}
      sx={{ display: 'inline-flex', alignItems: 'center', gap: 0.5, fontSize: 13, whiteSpace: 'nowrap' }}
    >
      Publication {live.number} is live <ExternalLink size={14} aria-hidden />
    </Link>
  );
}

interface LineProps {
  site: SiteSummary;
  actions: SiteActions;
}

function LineMenu({ site, actions, onRename }: LineProps & { onRename: () => void }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const close = () => setAnchor(null);
  // What is chosen is done once the menu has gone and given the focus back: a field that opens keeps it then.
  const chosen = useRef<(() => void) | null>(null);
  const gone = () => {
    chosen.current?.();
    chosen.current = null;
  };
  const item = (label: string, run: () => void) => (
    <MenuItem
      key={label}
      dense
      onClick={() => {
        chosen.current = run;
        close();
      }}
    >
      {label}
    </MenuItem>
  );
  return (
    <>
      <IconButton
        aria-label={`More for ${site.name}`}
        aria-haspopup="menu"
        onClick={({ currentTarget }) => setAnchor(currentTarget)}
      >
        <Ellipsis size={18} />
      </IconButton>
      <Menu
        open={anchor !== null}
        anchorEl={anchor}
        onClose={close}
        slotProps={{ transition: { onExited: gone } }}
      >
        {item('Rename', onRename)}
        {item('Duplicate', () => actions.duplicate(site))}
        <MenuItem dense component="a" href={paths.file(site.id)} download onClick={close}>
          Export as a site file
        </MenuItem>
        <MenuItem dense component="a" href={paths.zip(site.id)} download onClick={close}>
          Export its pages as a zip
        </MenuItem>
        {site.live && item('Take down the published pages', () => actions.takeDown(site))}
        {item('Archive', () => actions.archive(site))}
      </Menu>
    </>
  );
}

/** A site in the list: what it looks like, what is known of it, and what can be done with it. */
export function SiteLine({ site, actions }: LineProps) {
  const [renaming, setRenaming] = useState(false);
  return (
    <Box
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 2,
        p: 1,
        pr: 2,
        border: `1px solid ${line}`,
        borderRadius: 1,
        bgcolor: raised,
      }}
    >
      <Picture site={site} />
      <Box sx={{ flex: 1, minWidth: 0 }}>
        {renaming ? (
          <NameField
            name={site.name}
            most={80}
            size={18}
            widest={380}
            onDone={(name) => {
              setRenaming(false);
              if (name !== null && name.trim() !== site.name) actions.rename(site, name);
            }}
          />
        ) : (
          <Typography component="h2" noWrap sx={{ fontSize: 18, fontWeight: 700 }} title={site.name}>
            {site.name}
          </Typography>
        )}
        <Typography noWrap sx={{ color: quiet, mt: 0.25, fontSize: 13 }}>
          {counted(site.pages, 'page')} · changed {moment(new Date(site.changedAt))}
        </Typography>
        <Box sx={{ mt: 0.25 }}>
          <Published live={site.live} />
        </Box>
      </Box>
      <Button
        variant="contained"
        component={RouterLink}
        to={`/sites/${site.id}/pages/${site.firstPage}`}
        aria-label={`Open ${site.name} in the workbench`}
      >
        Open
      </Button>
      <LineMenu site={site} actions={actions} onRename={() => setRenaming(true)} />
    </Box>
  );
}

/** A site that was archived: until when it can be had back. */
export function PutAwayLine({ site, actions }: LineProps) {
  const since = new Date(sure(site.putAwayAt, 'putAwayAt'));
  return (
    <Box
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 2,
        p: 1,
        pr: 2,
        border: `1px dashed ${line}`,
        borderRadius: 1,
      }}
    >
      <Box sx={{ opacity: 0.6, display: 'flex' }}>
        <Picture site={site} />
      </Box>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Typography component="h2" noWrap sx={{ fontSize: 18, fontWeight: 700 }} title={site.name}>
          {site.name}
        </Typography>
        <Typography sx={{ color: quiet, mt: 0.25, fontSize: 13 }}>
          Archived {moment(since)} ·{' '}
          {site.live
            ? 'archived until its published pages are taken down'
            : `archived until ${moment(new Date(since.getTime() + LIMITS.keptAway))}`}
        </Typography>
        <Published live={site.live} />
      </Box>
      <Button variant="outlined" onClick={() => actions.haveBack(site)} aria-label={`Restore ${site.name}`}>
        Restore{' '}
      </Button>
      {site.live ? (
        <Button
          color="error"
          onClick={() => actions.takeDown(site)}
          aria-label={`Take down the pages of ${site.name}`}
        >
          Take down
        </Button>
      ) : (
        <Button color="error" onClick={() => actions.askToRemove(site)} aria-label={`Remove … ${site.name}`}>
          Remove …
        </Button>
      )}
    </Box>
  );
}
