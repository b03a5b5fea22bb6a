import { Alert, Box, LinearProgress, MenuItem, TextField, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import type { PublicationLine, PublicationsResponse } from '../../api/responses.ts';
import { changesBetween, counted, done, heldBack, type NodeId, type Site } from '../../core/index.ts';
import { WholeSiteScreen } from '../site/WholeSiteScreen.tsx';
import { sentenceOf } from '../state/request.ts';
import { usePublicationsInfiniteQuery, usePublishedQuery } from '../state/server.ts';
import { useAppSelector } from '../state/store.ts';
import { line, quiet } from '../ui/theme.ts';
import { HoldingBack, type ChangedPage } from './HoldingBack.tsx';
import { PublicationList } from './PublicationList.tsx';
import './publications.css';
import { PublishPanel } from './PublishPanel.tsx';
import { Review } from './Review.tsx';
import { StepsBetween } from './StepsBetween.tsx';
import { useSiteFindings } from './useSiteFindings.ts';

/** A publication, or the site as it is now. */
type State = number | 'now';

const capitalised = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** The states of a site that are compared, as far as they have come. */
function useCompared(site: Site, state: State | undefined, nowIs: string) {
  const asked = typeof state === 'number';
  const { data, error } = usePublishedQuery(
    { site: site.frame.id, number: asked ? state : 0 },
    { skip: !asked },
  );
  const is = state === 'now' ? site : asked ? data : undefined;
  return {
    error,
    compared: useMemo(
      () =>
        is && state !== undefined
          ? { site: is, title: state === 'now' ? nowIs : `publication ${state}` }
          : undefined,
      [is, state, nowIs],
    ),
  };
}

/** The pages of a site that are others than visitors have them, and whether what they share is. */
function changedPages(live: Site, site: Site): { pages: ChangedPage[]; shared: boolean } {
  const changes = changesBetween(live, site);
  const count = (id: NodeId) => changes.filter(({ page }) => page === id).length;
  const all = [...site.frame.pages, ...live.frame.pages.filter(({ id }) => !site.pages[id])];
  const pages = all.flatMap(({ id, title }): ChangedPage[] => {
    const some = count(id);
    if (some === 0) return [];
    const tree = site.pages[id] ?? live.pages[id];
    const changed = counted(some, 'change');
    const what = !site.pages[id] ? 'goes' : !live.pages[id] ? 'new' : changed;
    return [{ id, name: tree.nodes[tree.root].name || title, what }];
  });
  return { pages, shared: changes.some(({ page }) => page === undefined) };
}

/** What goes live next, while some pages are held back, and by what that is chosen. */
function useNext(site: Site, live: number | undefined) {
  const [held, setHeld] = useState<ReadonlySet<NodeId>>(new Set());
  const { data } = usePublishedQuery(
    { site: site.frame.id, number: live ?? 0 },
    { skip: live === undefined },
  );
  const was = live === undefined ? undefined : data;
  const changed = useMemo(() => was && changedPages(was, site), [was, site]);
  // What is the same again is not held back any more.
  const back = useMemo(
    () => new Set(changed?.pages.map(({ id }) => id).filter((id) => held.has(id))),
    [changed, held],
  );
  const next = useMemo(
    () => (was && back.size > 0 ? heldBack(site, was, back) : done(site)),
    [was, site, back],
  );
  const hold = (page: NodeId, keep: boolean) => {
    const pages = new Set(back);
    if (keep) pages.add(page);
    else pages.delete(page);
    setHeld(pages);
  };
  const choice = changed && (
    <HoldingBack {...changed} held={back} onHold={hold} trouble={next.ok ? undefined : next.sentence} />
  );
  return { choice, back, next: next.ok ? next.value : undefined };
}

/** The publications that have been read, the last one first, and the live one, however early that is. */
function listed(pages: readonly PublicationsResponse[]): PublicationLine[] {
  const read = pages.flatMap(({ publications }) => publications);
  const live = pages.at(-1)?.live;
  return live && !read.some(({ number }) => number === live.number) ? [...read, live] : read;
}

function PublicationsOf({ site: draft, page }: { site: Site; page: NodeId }) {
  const { id } = draft.frame;
  const { data, error, hasNextPage, isFetchingNextPage, fetchNextPage } = usePublicationsInfiniteQuery(id, {
    refetchOnMountOrArgChange: true,
  });
  const publications = data && listed(data.pages);
  const comparable = publications?.filter((each) => each.comparable) ?? [];
  const revision = useAppSelector((state) => state.documents.open?.revision);
  const { choice, back, next } = useNext(draft, comparable.find(({ live }) => live)?.number);
  const site = next ?? draft;
  const found = useSiteFindings(site);
  const [chosen, setChosen] = useState<{ before?: State; after: State }>({ after: 'now' });
  // What visitors have now; where they have nothing, what they had last.
  const usual = (comparable.find(({ live }) => live) ?? comparable.at(0))?.number;
  const nowIs = back.size > 0 ? 'what will be published' : 'the draft';
  const before = useCompared(site, chosen.before ?? usual, nowIs);
  const after = useCompared(site, chosen.after, nowIs);
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
          {each === 'now' ? capitalised(nowIs) : `Publication ${each}`}
        </MenuItem>
      ))}
    </TextField>
  );
  const revisionOf = (state: State | undefined) =>
    state === 'now' ? revision : comparable.find(({ number }) => number === state)?.revision;
  const [from, to] = [revisionOf(chosen.before ?? usual), revisionOf(chosen.after)];
  const numbers = comparable.map(({ number }) => number);
  const trouble = before.error ?? after.error;
  return (
    <Box sx={{ height: '100%', display: 'flex' }}>
      <Box sx={{ width: 320, flex: 'none', overflow: 'auto', p: 2.5, borderRight: `1px solid ${line}` }}>
        <Typography component="h1" sx={{ fontSize: 22, fontWeight: 700, mb: 1.5 }}>
          Publish
        </Typography>
        <PublishPanel
          site={site}
          found={found}
          before={publications && publications.length > 0}
          held={next && [...back]}
        >
          {choice}
        </PublishPanel>
        {error && <Alert severity="error">{sentenceOf(error)}</Alert>}
        {publications && (
          <PublicationList
            site={id}
            publications={publications}
            earlier={
              hasNextPage ? { reading: isFetchingNextPage, onRead: () => void fetchNextPage() } : undefined
            }
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
        {trouble && <Alert severity="error">{sentenceOf(trouble)}</Alert>}
        {publications && usual === undefined && (
          <Typography sx={{ color: quiet, textAlign: 'center', mt: 12 }}>
            Once the site is published, you see here what the next publication changes for visitors.
          </Typography>
        )}
        {usual !== undefined && !trouble && (!before.compared || !after.compared) && (
          <LinearProgress aria-label="Loading the publication" />
        )}
        {from !== undefined && to !== undefined && <StepsBetween site={id} after={from} to={to} />}
        {before.compared && after.compared && (
          <Review before={before.compared} after={after.compared} first={page} />
        )}
      </Box>
    </Box>
  );
}

/** What publishing would change for visitors, publishing, and the publications of the site. */
export const Publications = () => (
  <WholeSiteScreen>
    {(site, page) => <PublicationsOf key={site.frame.id} site={site} page={page} />}
  </WholeSiteScreen>
);
