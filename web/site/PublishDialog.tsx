import {
  Alert,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  LinearProgress,
  Link,
  Typography,
} from '@mui/material';
import { ExternalLink } from 'lucide-react';
import { useNavigate } from 'react-router';
import type { BrokenLinkLine } from '../../api/responses.ts';
import { selected } from '../state/desk.ts';
import { keep } from '../state/edits.ts';
import {
  troubleOf,
  useFindingsQuery,
  useMakingQuery,
  usePublishMutation,
  useSiteQuery,
} from '../state/server.ts';
import { useAppDispatch, useAppSelector } from '../state/store.ts';

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

/** How many links are listed at once. */
const LISTED = 8;

const GONE = {
  page: 'the page is gone',
  place: 'the place on the page is gone',
  file: 'the file is gone',
} as const;

/** The links that lead to what is not there any more, each with the way to it. */
function BrokenLinks({ site, links, onClose }: { site: string; links: BrokenLinkLine[]; onClose(): void }) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const go = async ({ page, node }: BrokenLinkLine) => {
    onClose();
    await navigate(`/sites/${site}/pages/${page}`);
    dispatch(selected(node));
  };
  return (
    <Alert severity="warning">
      {links.length === 1 ? 'One link leads nowhere:' : `${links.length} links lead nowhere:`}
      <ul style={{ margin: 0, paddingLeft: 16 }}>
        {links.slice(0, LISTED).map((each, index) => (
          <li key={index}>
            <Link component="button" type="button" onClick={() => void go(each)}>
              {each.name}
            </Link>{' '}
            on {each.pageName}, {GONE[each.gone]}
          </li>
        ))}
      </ul>
      {links.length > LISTED && `and ${links.length - LISTED} more`}
    </Alert>
  );
}

/** Says what publishing will do, does it, and links to the live page. */
export function PublishDialog({ site, onClose }: { site: string; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const { data } = useSiteQuery(site, { refetchOnMountOrArgChange: true });
  const { data: findings } = useFindingsQuery(site, { refetchOnMountOrArgChange: true });
  const [publish, { data: published, error, isLoading }] = usePublishMutation();
  const pending = useAppSelector((state) => state.documents.open?.pending.length ?? 0);
  const start = async () => {
    await dispatch(keep());
    await publish(site);
  };
  const live = published ?? data?.live;
  const changed = data?.pages.filter((page) => data.unpublished.includes(page.id)) ?? [];
  const next = (data?.live?.number ?? 0) + 1;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="publish-title">
      <DialogTitle id="publish-title">
        {published ? `Publication ${published.number} is live` : 'Publish the site'}
      </DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.5 }}>
        {published ? (
          <Typography>Visitors see it now. Earlier publications are kept unchanged.</Typography>
        ) : (
          <>
            <Typography>
              This makes publication {next} of {data?.frame.name ?? 'the site'} and shows it to visitors at
              once.
            </Typography>
            <Typography color="text.secondary">
              {data?.live
                ? changed.length === 0
                  ? `Nothing has changed since publication ${data.live.number}.`
                  : `Changed since publication ${data.live.number}: ${changed.map((page) => page.name).join(', ')}.`
                : 'The site has not been published before.'}
            </Typography>
          </>
        )}
        {!published && findings && findings.links.length > 0 && (
          <BrokenLinks site={site} links={findings.links} onClose={onClose} />
        )}
        {isLoading && <Making site={site} />}
        {error && (
          <Alert severity="error">
            The site was not published; what was live stays live. {troubleOf(error).sentence}
          </Alert>
        )}
        {pending > 0 && !published && (
          <Alert severity="info">Publishing waits until your last changes are kept.</Alert>
        )}
        {live && (
          <Link
            href={live.url}
            target="_blank"
            rel="noreferrer"
            sx={{ display: 'inline-flex', alignItems: 'center', gap: 0.5 }}
          >
            Open the published site <ExternalLink size={14} aria-hidden />
          </Link>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
        {!published && (
          <Button
            variant="contained"
            color="secondary"
            disabled={isLoading || !data}
            onClick={() => void start()}
          >
            Publish
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}
