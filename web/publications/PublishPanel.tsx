import { Alert, Button, LinearProgress, Link, TextField, Typography } from '@mui/material';
import { ExternalLink } from 'lucide-react';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import type { Site } from '../../core/index.ts';
import { keep } from '../state/edits.ts';
import { troubleOf, useMakingQuery, usePublishMutation, useSiteQuery } from '../state/server.ts';
import { useAppDispatch, useAppSelector } from '../state/store.ts';
import { quiet } from '../ui/theme.ts';
import type { SiteFindings } from './useSiteFindings.ts';

/** How far publishing is: what takes long are the pictures that are made in the widths of the views. */
function Making({ site }: { site: string }) {
  const { data } = useMakingQuery(site, { pollingInterval: 1000, refetchOnMountOrArgChange: true });
  const left = data && data.made < data.wanted ? data : undefined;
  return (
    <div>
      <LinearProgress
        aria-label="Publishing"
        variant={left ? 'determinate' : 'indeterminate'}
        value={left && (100 * left.made) / left.wanted}
      />
      {left && (
        <Typography sx={{ fontSize: 13, mt: 0.5 }} role="status">
          Pictures are made in the sizes of the views: {left.made} of {left.wanted}
        </Typography>
      )}
    </div>
  );
}

/** How many barriers are listed at once. */
const LISTED = 6;

/** What keeps somebody out, or leads nowhere, each with the way to its page; of the rest how much it is. */
function Found({ site, found }: { site: Site; found: SiteFindings }) {
  if (found.state === 'looking')
    return <Typography sx={{ fontSize: 13, color: quiet }}>The pages are being looked over …</Typography>;
  if (found.state === 'failed')
    return <Typography sx={{ fontSize: 13, color: quiet }}>The pages could not be looked over.</Typography>;
  const all = found.pages.flatMap(({ page, findings }) => findings.map((finding) => ({ page, finding })));
  const first = all.filter(
    ({ finding: { severity, rule } }) => severity === 'barrier' || rule === 'link leads nowhere',
  );
  const rest = all.length - first.length;
  const nameOf = (page: keyof Site['pages']) => site.pages[page].nodes[site.pages[page].root].name;
  return (
    <div role="region" aria-label="Findings">
      {first.length > 0 && (
        <Alert severity="warning" sx={{ py: 0 }}>
          <ul style={{ margin: 0, paddingLeft: 16 }}>
            {first.slice(0, LISTED).map(({ page, finding }, index) => (
              <li key={index}>
                <Link component={RouterLink} to={`/sites/${site.frame.id}/pages/${page}`}>
                  {nameOf(page)}
                </Link>
                : {finding.sentence}
              </li>
            ))}
          </ul>
          {first.length > LISTED && `and ${first.length - LISTED} more`}
        </Alert>
      )}
      <Typography sx={{ fontSize: 13, color: quiet, mt: first.length > 0 ? 0.5 : 0 }}>
        {first.length === 0 && 'The checks find nothing that keeps anybody out. '}
        {rest > 0 && `${rest} ${rest === 1 ? 'piece' : 'pieces'} of advice; the workbench lists them.`}
      </Typography>
    </div>
  );
}

/** Says what publishing will do and what stands in its way, does it, and links to the live site. */
export function PublishPanel({ site, found }: { site: Site; found: SiteFindings }) {
  const dispatch = useAppDispatch();
  const { id } = site.frame;
  const { data } = useSiteQuery(id, { refetchOnMountOrArgChange: true });
  const [publish, { data: published, error, isLoading, reset }] = usePublishMutation();
  const pending = useAppSelector((state) => state.documents.open?.pending.length ?? 0);
  const [note, setNote] = useState('');
  const changed = data?.pages.filter((page) => data.unpublished.includes(page.id)) ?? [];
  const live = data?.live;
  const nothing = live && changed.length === 0 && pending === 0;
  const start = async () => {
    reset();
    await dispatch(keep());
    const { data: made } = await publish({ site: id, note });
    if (made) setNote('');
  };
  return (
    <section aria-label="Publish the site" style={{ display: 'grid', gap: 10 }}>
      <Typography sx={{ fontSize: 13 }}>
        {!live
          ? 'Visitors see nothing of the site yet: all of it is new to them.'
          : nothing
            ? `Visitors see publication ${live.number}; nothing has changed since.`
            : `Changed since publication ${live.number}: ${changed.map(({ name }) => name).join(', ') || 'what was done last'}.`}
      </Typography>
      <Found site={site} found={found} />
      <TextField
        size="small"
        label="Note (what is new)"
        value={note}
        multiline
        maxRows={4}
        onChange={({ target }) => setNote(target.value)}
        slotProps={{ htmlInput: { maxLength: 500 } }}
      />
      {isLoading && <Making site={id} />}
      {error && (
        <Alert severity="error">
          The site was not published; what was live stays live. {troubleOf(error).sentence}
        </Alert>
      )}
      {published && !isLoading && (
        <Alert severity="success">Publication {published.number} is live. Visitors see it now.</Alert>
      )}
      <div style={{ display: 'flex', gap: 12, alignItems: 'center' }}>
        <Button
          variant="contained"
          color="secondary"
          disabled={isLoading || !data || Boolean(nothing)}
          onClick={() => void start()}
        >
          Publish
        </Button>
        {live && (
          <Link
            href={live.url}
            target="_blank"
            rel="noreferrer"
            sx={{ display: 'inline-flex', alignItems: 'center', gap: 0.5, fontSize: 13 }}
          >
            Open the published site <ExternalLink size={14} aria-hidden />
          </Link>
        )}
      </div>
    </section>
  );
}
