import { Alert, Button, LinearProgress, Link, TextField, Typography } from '@mui/material';
import { ExternalLink } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import {
  brokenLinks,
  composed,
  counted,
  isOnAllPages,
  LIMITS,
  mergedFindings,
  SAMPLE_TEXT,
  SWEPT,
  type NodeId,
  type PageFindings,
  type Site,
} from '../../core/index.ts';
import { selected } from '../state/desk.ts';
import { keep } from '../state/edits.ts';
import { ownName, rememberName } from '../state/preferences.ts';
import { sentenceOf } from '../state/request.ts';
import { useMakingQuery, usePublishMutation, useSiteQuery } from '../state/server.ts';
import { useStore } from 'react-redux';
import { useAppDispatch, useAppSelector, type State } from '../state/store.ts';
import { quiet } from '../ui/theme.ts';
import type { SiteFindings } from './useSiteFindings.ts';
import { useSiteSweep, type SiteSweep } from './useSiteSweep.ts';

/** How far publishing is: what takes long are the images that are made in the widths of the views. */
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
          Images are being made in the sizes of the views: {left.made} of {left.wanted}
        </Typography>
      )}
    </div>
  );
}

/** How much that stands in the way is listed at once. */
const LISTED = 6;

const GONE = { page: 'a page', place: 'a place', file: 'a file' } as const;

/** Something that visitors would stumble over: where, and what. */
interface Stumbling {
  page: NodeId;
  node?: NodeId;
  name: string;
  sentence: string;
}

/** The links that lead to what is not there any more, what keeps somebody out, and sample texts. */
function stumbling(site: Site, pages: readonly PageFindings[]): Stumbling[] {
  const composedPage = (page: NodeId) => composed(site.frame, site.pages[page]);
  const pageName = (page: NodeId, node?: NodeId) => {
    const { nodes, root } = site.pages[page];
    return node && isOnAllPages(node) ? 'all pages' : nodes[root].name;
  };
  const links = brokenLinks(site).map(({ page, node, gone }): Stumbling => ({
    ...{ page, node, name: composedPage(page).nodes[node].name },
    sentence: `on ${pageName(page, node)} leads to ${GONE[gone]} that no longer exists.`,
  }));
  const barriers = pages.flatMap(({ page, findings }) =>
    findings
      .filter(({ severity, rule }) => severity === 'barrier' || rule === SAMPLE_TEXT)
      .map(({ of, sentence }): Stumbling => ({
        ...{ page, name: pageName(page), sentence: `: ${sentence}` },
        ...('node' in of && { node: of.node }),
      })),
  );
  return [...links, ...barriers];
}

/** Offers to measure the pages at every width, and says how far that is. */
function Sweeping({ site, sweep }: { site: Site; sweep: SiteSweep }) {
  const { state, done, pages, start, stop } = sweep;
  const left = site.frame.pages.length - pages.length;
  const words: Record<SiteSweep['state'], string> = {
    none: 'Problems that only show in the page layout have not been checked.',
    going: `Sweeping all pages: ${Math.floor(100 * done)} %`,
    some: `${counted(left, 'page')} not swept since the last change.`,
    stopped: `Stopped: ${counted(left, 'page')} not swept.`,
    all: `All pages were swept at every width from ${SWEPT.from} to ${SWEPT.to} px.`,
    failed: 'A page could not be measured. Your work is safe; try it again.',
  };
  return (
    <div style={{ marginTop: 4 }}>
      <Typography role="status" aria-label="Sweep" sx={{ fontSize: 13, color: quiet }}>
        {words[state]}
      </Typography>
      {state === 'going' && (
        <LinearProgress aria-label="Sweep" variant="determinate" value={100 * done} color="secondary" />
      )}
      {state === 'going' ? (
        <Button size="small" variant="outlined" sx={{ mt: 0.5 }} onClick={stop}>
          Stop
        </Button>
      ) : (
        state !== 'all' && (
          <Button size="small" variant="outlined" sx={{ mt: 0.5 }} onClick={start}>
            {state === 'some' || state === 'stopped' ? 'Sweep the rest' : 'Sweep all pages'}
          </Button>
        )
      )}
    </div>
  );
}

/** What stands in the way, each with the way there; of the rest how much it is. */
function Found({ site, found }: { site: Site; found: SiteFindings }) {
  const sweep = useSiteSweep(site);
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  if (found.state === 'looking')
    return <Typography sx={{ fontSize: 13, color: quiet }}>Checking pages …</Typography>;
  const pages = mergedFindings([...(found.state === 'looked' ? found.pages : []), ...sweep.pages]);
  const first = stumbling(site, pages);
  const rest = pages
    .flatMap(({ findings }) => findings)
    .filter(
      ({ severity, rule }) =>
        severity !== 'barrier' && rule !== SAMPLE_TEXT && rule !== 'link without a target',
    ).length;
  const go = async ({ page, node }: Stumbling) => {
    await navigate(`/sites/${site.frame.id}/pages/${page}`);
    if (node) dispatch(selected(node));
  };
  return (
    <div role="region" aria-label="Must be fixed before publishing">
      {first.length > 0 && (
        <Alert severity="warning" sx={{ py: 0 }}>
          <ul style={{ margin: 0, paddingLeft: 16 }}>
            {first.slice(0, LISTED).map((each, index) => (
              <li key={index}>
                <Link component="button" type="button" onClick={() => void go(each)}>
                  {each.name}
                </Link>
                {each.sentence.startsWith(':') ? '' : ' '}
                {each.sentence}
              </li>
            ))}
          </ul>
          {first.length > LISTED && `and ${first.length - LISTED} more`}
        </Alert>
      )}
      <Typography sx={{ fontSize: 13, color: quiet, mt: first.length > 0 ? 0.5 : 0 }}>
        {found.state === 'failed' && 'The pages could not be checked. '}
        {found.state === 'looked' && first.length === 0 && 'No problems found. '}
        {rest > 0 && `${counted(rest, 'piece')} of advice; the workbench lists them.`}
      </Typography>
      <Sweeping site={site} sweep={sweep} />
    </div>
  );
}

/** Says what publishing will do and what stands in its way, does it, and links to the live site. */
export function PublishPanel({
  site,
  found,
  before,
  held,
  children,
}: {
  site: Site;
  found: SiteFindings;
  /** The pages that stay as visitors have them; undefined where it cannot go live like this. */
  held: readonly NodeId[] | undefined;
  /** By what it is chosen which pages go live. */
  children: ReactNode;
  /** It has been published before, whether that is live or not; undefined as long as that is not known. */
  before: boolean | undefined;
}) {
  const dispatch = useAppDispatch();
  const store = useStore<State>();
  const { id } = site.frame;
  const { data, error: unread } = useSiteQuery(id, { refetchOnMountOrArgChange: true });
  const [publish, { data: published, error, isLoading, reset }] = usePublishMutation();
  const pending = useAppSelector((state) => state.documents.open?.pending.length ?? 0);
  const [note, setNote] = useState('');
  const [by, setBy] = useState(ownName);
  const changed = data?.pages.filter((page) => data.unpublished.includes(page.id)) ?? [];
  const live = data?.live;
  // What was published is told as long as that is what visitors see.
  const told = !isLoading && live?.number === published?.number ? published : undefined;
  const nothing = live && changed.length === 0 && pending === 0;
  /** What visitors see now, and what that is to the draft. */
  const seen = () => {
    if (live && nothing) return `Visitors see publication ${live.number}; nothing has changed since.`;
    if (live)
      return `Changed since publication ${live.number}: ${changed.map(({ name }) => name).join(', ') || 'the last change'}.`;
    if (!data || before === undefined) return 'Loading the published version …';
    return before
      ? 'The site has been taken down: visitors see a plain notice.'
      : 'Nothing has been published yet: everything is new to visitors.';
  };
  const start = async () => {
    reset();
    await dispatch(keep());
    rememberName(by.trim());
    // What others save from now on has not been seen here, and is not published with it.
    const { revision } = store.getState().documents.open ?? {};
    if (revision === undefined) return;
    const { data: made } = await publish({ site: id, revision, note, by, heldBack: [...(held ?? [])] });
    if (made) setNote('');
  };
  return (
    <section aria-label="Publish the site" style={{ display: 'grid', gap: 10 }}>
      {unread && <Alert severity="error">{sentenceOf(unread)}</Alert>}
      {!unread && <Typography sx={{ fontSize: 13 }}>{seen()}</Typography>}
      {children}
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
      <TextField
        size="small"
        label="Your name"
        value={by}
        onChange={({ target }) => setBy(target.value)}
        helperText="Shown in the list of publications."
        slotProps={{ htmlInput: { maxLength: LIMITS.person, autoComplete: 'name' } }}
      />
      {isLoading && <Making site={id} />}
      {error && (
        <Alert severity="error">
          The site was not published; what was live stays live. {sentenceOf(error)}
        </Alert>
      )}
      {told && <Alert severity="success">Publication {told.number} is live. Visitors see it now.</Alert>}
      {told?.notDelivered && <Alert severity="warning">{told.notDelivered}</Alert>}
      <div style={{ display: 'flex', gap: 12, alignItems: 'center' }}>
        <Button
          variant="contained"
          color="secondary"
          disabled={isLoading || !data || !held || Boolean(nothing && !told?.notDelivered)}
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
