import {
  homePageOf,
  nodeId,
  type NodeId,
  pageSlugOf,
  READY_PAGES,
  readyPage,
  type ReadyPage,
  type Site,
  viewOf,
} from '../../core/index.ts';
import { Checkbox, Divider, FormControlLabel, MenuItem, TextField, Typography } from '@mui/material';
import { nanoid } from 'nanoid';
import { useMemo, useState } from 'react';
import { usePreviewOf } from '../page/usePreview.ts';
import { PagePreview } from '../page/PagePreview.tsx';
import { edit } from '../state/edits.ts';
import { useAppDispatch } from '../state/store.ts';
import { onEnter } from '../ui/enter.ts';
import { FormDialog } from '../ui/FormDialog.tsx';

interface AddPageDialogProps {
  site: Site;
  /** The page it goes behind. */
  after: NodeId;
  /** The page that it is a copy of; empty for an empty one. */
  from: NodeId | '';
  onAdded(page: NodeId): void;
  onClose(): void;
}

/** What tells ready-made pages from pages of the site among the choices. */
const READY = 'ready ';

/** px */
const PICTURE = { width: 396, height: 220 };

/** How a ready-made page will look on the site, in the base view. */
function ReadyPicture(props: { site: Site; ready: ReadyPage; title: string; like: NodeId }) {
  const { site, ready, title, like } = props;
  const { frame } = site;
  const id = nodeId('ready');
  const name = title.trim() || 'The title';
  const tree = useMemo(
    () => readyPage(frame, ready, name, site.pages[like]),
    [frame, ready, name, site, like],
  );
  const shown = useMemo(
    () => ({ ...frame, pages: [...frame.pages, { id, slug: '', title: name, description: '' }] }),
    [frame, name, id],
  );
  const page = useMemo(() => ({ id, ...tree }), [id, tree]);
  const content = usePreviewOf(shown, page);
  return (
    <PagePreview
      site={frame}
      content={content}
      across={viewOf(frame.views, frame.views.base).sheet.width}
      {...PICTURE}
    />
  );
}

/** Adds a page: what it is called, and whether it begins empty, ready-made or as a copy of another. */
export function AddPageDialog({ site, after, from, onAdded, onClose }: AddPageDialogProps) {
  const dispatch = useAppDispatch();
  const [title, setTitle] = useState('');
  const [source, setSource] = useState<string>(from);
  const [missing, setMissing] = useState(false);
  const [inMenus, setInMenus] = useState(true);
  const { pages } = site.frame;
  const { id: home } = homePageOf(site.frame);
  const ready = READY_PAGES.find((each) => source === `${READY}${each.id}`);
  const slug = pageSlugOf(title, (address) => pages.some((head) => head.slug === address));
  const add = () => {
    if (title.trim() === '') return setMissing(true);
    const id = nodeId(`p${nanoid(10).replaceAll(/[^A-Za-z0-9]/g, 'x')}`);
    const tree = ready && readyPage(site.frame, ready, title.trim(), site.pages[home]);
    const added = dispatch(
      source === '' || tree
        ? edit('addPage', { id, title, slug, after, tree, inMenus })
        : edit('copyPage', { page: nodeId(source), id, title, slug, inMenus }),
    );
    if (!added) return;
    onAdded(id);
    onClose();
  };
  return (
    <FormDialog title="Add a page" verb="Add" onDone={add} width="xs" wide fields onClose={onClose}>
      <TextField
        autoFocus
        label="Title"
        size="small"
        sx={{ mt: 1 }}
        value={title}
        error={missing}
        helperText={
          missing ? 'A page has a title; it can be changed at any time.' : `Its address will be /${slug}/`
        }
        onChange={({ target }) => {
          setTitle(target.value);
          setMissing(false);
        }}
        onKeyDown={onEnter(add)}
        slotProps={{ htmlInput: { maxLength: 120 } }}
      />
      <TextField
        select
        label="Start with"
        size="small"
        value={source}
        onChange={({ target }) => setSource(target.value)}
        slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
      >
        <MenuItem value="">an empty page</MenuItem>
        {READY_PAGES.map((each) => (
          <MenuItem key={each.id} value={`${READY}${each.id}`}>
            {each.label}
          </MenuItem>
        ))}
        <Divider />
        {pages.map(({ id }) => (
          <MenuItem key={id} value={id}>
            a copy of {site.pages[id].nodes[site.pages[id].root].name}
          </MenuItem>
        ))}
      </TextField>
      <FormControlLabel
        sx={{ my: -1 }}
        control={
          <Checkbox size="small" checked={inMenus} onChange={({ target }) => setInMenus(target.checked)} />
        }
        label={<Typography sx={{ fontSize: 13 }}>Put a link to it in the menus</Typography>}
      />
      {ready && <ReadyPicture site={site} ready={ready} title={title} like={home} />}
    </FormDialog>
  );
}
