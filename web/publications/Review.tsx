import {
  type Change,
  changesBetween,
  counted,
  nodeId,
  type NodeId,
  type Site,
  sure,
  viewId,
  type ViewId,
} from '../../core/index.ts';
import { Box, Button, MenuItem, TextField, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import { quiet } from '../ui/theme.ts';
import { ComparedPreviews } from './ComparedPreviews.tsx';
import { viewsThatDiffer } from './pageof.ts';

/** A state of the site that is compared. */
export interface Compared {
  site: Site;
  title: string;
}

/** How many changes are shown before all of them are asked for. */
const FIRST = 8;

function Changes({ changes }: { changes: readonly Change[] }) {
  const [all, setAll] = useState(false);
  const shown = all ? changes : changes.slice(0, FIRST);
  return (
    <>
      <table className="changes" aria-label="Changes">
        <thead>
          <tr>
            <th scope="col">Where</th>
            <th scope="col">What</th>
            <th scope="col">Before</th>
            <th scope="col">After</th>
          </tr>
        </thead>
        <tbody>
          {shown.map(({ name, what, before, after }, index) => (
            <tr key={index}>
              <td>{name}</td>
              <td>{what}</td>
              <td>{before}</td>
              <td>{after}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {changes.length > FIRST && (
        <Button size="small" onClick={() => setAll(!all)}>
          {all ? 'Show fewer' : `Show all ${changes.length}`}
        </Button>
      )}
    </>
  );
}

interface ReviewProps {
  before: Compared;
  after: Compared;
  /** The page that is looked at first. */
  first: NodeId;
}

/** What visitors see change, page by page and view by view: in words, as values, and in images. */
export function Review({ before, after, first }: ReviewProps) {
  const changes = useMemo(() => changesBetween(before.site, after.site), [before.site, after.site]);
  const pages = [
    ...after.site.frame.pages,
    ...before.site.frame.pages.filter(({ id }) => !after.site.pages[id]),
  ];
  const everywhere = changes.filter(({ page }) => page === undefined);
  const on = (page: NodeId) => changes.filter((each) => each.page === page);
  const changed = pages.find(({ id }) => on(id).length > 0)?.id;
  const [chosen, setChosen] = useState<NodeId | null>(null);
  const isThere = (id: NodeId | null | undefined): id is NodeId => pages.some((each) => each.id === id);
  const page = sure([chosen, on(first).length > 0 ? first : changed, first].find(isThere), 'A page');
  const { views } = after.site.frame;
  const differ = useMemo(
    () => viewsThatDiffer(before.site, after.site, page),
    [before.site, after.site, page],
  );
  const [chosenView, setChosenView] = useState<ViewId | null>(null);
  // The one that is asked for; else the base, where something may look different there.
  const meant = chosenView ?? (differ.includes(views.base) ? views.base : (differ.at(-1) ?? views.base));
  const view = views.list.find(({ id }) => id === meant) ?? views.list[0];
  const nameOf = (id: NodeId) => {
    const tree = after.site.pages[id] ?? before.site.pages[id];
    return tree.nodes[tree.root].name;
  };
  const shown = [...everywhere, ...on(page)];
  return (
    <section aria-label="Review">
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap', mb: 2 }}>
        <Typography component="h2" sx={{ fontSize: 15, fontWeight: 700, flex: 1 }}>
          {changes.length === 0
            ? `No differences: ${after.title} is the same as ${before.title}.`
            : `From ${before.title} to ${after.title}: ${counted(changes.length, 'change')}`}
        </Typography>
        <TextField
          select
          size="small"
          label="Page"
          value={page}
          onChange={({ target }) => setChosen(nodeId(target.value))}
          sx={{ minWidth: 180 }}
        >
          {pages.map(({ id }) => (
            <MenuItem key={id} value={id}>
              {nameOf(id)}
              {on(id).length > 0 && ` · ${on(id).length}`}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          size="small"
          label="View"
          value={view.id}
          onChange={({ target }) => setChosenView(viewId(target.value))}
          sx={{ minWidth: 130 }}
        >
          {[...views.list].reverse().map(({ id, name }) => (
            <MenuItem key={id} value={id}>
              {name}
              {differ.includes(id) && ' · differs'}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      {shown.length > 0 ? (
        <Changes key={`${page} ${before.title}`} changes={shown} />
      ) : (
        changes.length > 0 && (
          <Typography sx={{ color: quiet, mb: 1 }}>No values changed on {nameOf(page)}.</Typography>
        )
      )}
      <Box sx={{ mt: 2 }}>
        <ComparedPreviews before={before} after={after} page={page} view={view} />
      </Box>
    </section>
  );
}
