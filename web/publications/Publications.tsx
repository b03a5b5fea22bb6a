import { Alert, Box, LinearProgress, MenuItem, TextField, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import type { NodeId, Site } from '../../core/index.ts';
import { WholeSiteScreen } from '../site/WholeSiteScreen.tsx';
import { troubleOf, usePublicationsQuery, usePublishedQuery } from '../state/server.ts';
import { line, quiet } from '../ui/theme.ts';
import { PublicationList } from './PublicationList.tsx';
import './publications.css';
import { PublishPanel } from './PublishPanel.tsx';
import { Review } from './Review.tsx';
import { useSiteFindings } from './useSiteFindings.ts';

/** A publication, or the site as it is now. */
type State = number | 'now';

const titleOf = (state: State): string => (state === 'now' ? 'the draft' : `publication ${state}`);

/** The states of a site that are compared, as far as they have come. */
function useCompared(site: Site, state: State | undefined) {
  const asked = typeof state === 'number';
  const { data, error } = usePublishedQuery(
    { site: site.frame.id, number: asked ? state : 0 },
    { skip: !asked },
  );
  const is = state === 'now' ? site : asked ? data : undefined;
  return {
    error,
    compared: useMemo(
      () => (is && state !== undefined ? { site: is, title: titleOf(state) } : undefined),
      [is, state],
    ),
  };
}

function PublicationsOf({ site, page }: { site: Site; page: NodeId }) {
  const { id } = site.frame;
  const { data: publications, error } = usePublicationsQuery(id, { refetchOnMountOrArgChange: true });
  const found = useSiteFindings(site);
  const [chosen, setChosen] = useState<{ before?: State; after: State }>({ after: 'now' });
  const comparable = publications?.filter((each) => each.comparable) ?? [];
  // What visitors have now; where they have nothing, what they had last.
  const usual = (comparable.find(({ live }) => live) ?? comparable.at(0))?.number;
  const before = useCompared(site, chosen.before ?? usual);
  const after = useCompared(site, chosen.after);
  const select = (label: string, value: State, among: readonly State[], take: (state: State) => void) => (
    <TextField
      select
      size="small"
      label={label}
      value={value}
      onChange={({ target }) => take(target.value === 'now' ? 'now' : Number(target.value))}
      sx={{ minWidth: 150 }}
    >
      {among.map((each) => (
        <MenuItem key={each} value={each}>
          {each === 'now' ? 'The draft' : `Publication ${each}`}
        </MenuItem>
      ))}
    </TextField>
  );
  const numbers = comparable.map(({ number }) => number);
  const trouble = before.error ?? after.error;
  return (
    <Box sx={{ height: '100%', display: 'flex' }}>
      <Box sx={{ width: 320, flex: 'none', overflow: 'auto', p: 2.5, borderRight: `1px solid ${line}` }}>
        <Typography component="h1" sx={{ fontSize: 22, fontWeight: 700, mb: 1.5 }}>
          Publish
        </Typography>
        <PublishPanel site={site} found={found} before={(publications?.length ?? 0) > 0} />
        {error && <Alert severity="error">{troubleOf(error).sentence}</Alert>}
        {publications && (
          <PublicationList
            site={id}
            publications={publications}
            onCompare={(number) => setChosen({ before: number, after: 'now' })}
          />
        )}
      </Box>
      <Box sx={{ flex: 1, minWidth: 0, overflow: 'auto', p: 2.5 }}>
        {usual !== undefined && (
          <Box sx={{ display: 'flex', gap: 2, mb: 2 }}>
            {select('Before', chosen.before ?? usual, numbers, (state) =>
              setChosen({ ...chosen, before: state }),
            )}
            {select('After', chosen.after, ['now', ...numbers], (state) =>
              setChosen({ ...chosen, after: state }),
            )}
          </Box>
        )}
        {trouble && <Alert severity="error">{troubleOf(trouble).sentence}</Alert>}
        {publications && usual === undefined && (
          <Typography sx={{ color: quiet, textAlign: 'center', mt: 12 }}>
            Once the site is published, this is where you see what the next publication changes for visitors.
          </Typography>
        )}
        {usual !== undefined && !trouble && (!before.compared || !after.compared) && (
          <LinearProgress aria-label="Reading the publication" />
        )}
        {before.compared && after.compared && (
          <Review before={before.compared} after={after.compared} first={page} />
        )}
      </Box>
    </Box>
  );
}

/** What publishing would change for visitors, publishing, and the publications of the site. */
export const Publications = () => (
  <WholeSiteScreen screen="Publications">
    {(site, page) => <PublicationsOf key={site.frame.id} site={site} page={page} />}
  </WholeSiteScreen>
);
