import { Box, Button, Checkbox, FormControlLabel, MenuItem, TextField, Typography } from '@mui/material';
import { ArrowDown, ArrowUp, Copy, House, SquarePen, Trash2 } from 'lucide-react';
import { Link as RouterLink } from 'react-router';
import {
  headOf,
  isImage,
  pageSlugOf,
  sharedTrees,
  sharingImage,
  type Arguments,
  type NodeId,
  type SharedPlace,
  type Site,
} from '../../core/index.ts';
import { edit } from '../state/edits.ts';
import { useAppDispatch } from '../state/store.ts';
import { line, quiet } from '../ui/theme.ts';
import { Field } from '../ui/Field.tsx';
import { LanguageField } from '../ui/LanguageField.tsx';
import { Offering } from './Offering.tsx';

interface PageDetailsProps {
  site: Site;
  page: NodeId;
  onCopy(): void;
  onDelete(): void;
}

/** What the site says of one page, and what can be done with it. */
export function PageDetails({ site, page: id, onCopy, onDelete }: PageDetailsProps) {
  const dispatch = useAppDispatch();
  const { pages } = site.frame;
  const head = headOf(site.frame, id);
  const page = site.pages[id];
  const root = page.nodes[page.root];
  const at = pages.findIndex((each) => each.id === id);
  const home = head.slug === '';
  const change = (what: Omit<Arguments<'changePage'>, 'page'>) =>
    dispatch(edit('changePage', { page: id, ...what }));
  const move = (after: NodeId | null) => dispatch(edit('movePage', { page: id, after }));
  const { picture: _chosen, ...without } = head;
  const chosenByItself = sharingImage(site.frame, page, without);
  const before = pages.find(({ slug }) => slug === '');
  const makeHome = () => {
    const slugOfBefore = before
      ? pageSlugOf(before.title, (address) =>
          pages.some(({ slug, id: other }) => slug === address && other !== id),
        )
      : '';
    dispatch(edit('makeHome', { page: id, slugOfBefore }));
  };
  return (
    <Box
      component="section"
      aria-label={`Page ${root.name}`}
      sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 2, alignContent: 'start' }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
        <Typography component="h2" noWrap sx={{ fontSize: 18, fontWeight: 700, flex: 1 }} title={root.name}>
          {root.name}
        </Typography>
        <Button
          variant="contained"
          size="small"
          startIcon={<SquarePen size={15} />}
          sx={{ flex: 'none' }}
          component={RouterLink}
          to={`/sites/${site.frame.id}/pages/${id}`}
        >
          Open in the workbench
        </Button>
      </Box>
      <Field
        key={`${id} name`}
        label="Name in the workbench"
        value={root.name}
        most={120}
        onDone={(name) => dispatch(edit('rename', { node: page.root, name }, id))}
      />
      <Field
        key={`${id} title`}
        label="Title"
        help="Appears in the browser’s tab and in search results."
        value={head.title}
        most={120}
        onDone={(title) => change({ title })}
      />
      <Field
        key={`${id} slug`}
        label="Address"
        help={
          home
            ? 'The home page has the address of the site itself.'
            : 'Lowercase letters, digits and hyphens. Links on the site update automatically, and the old address redirects here.'
        }
        value={home ? '/' : head.slug}
        disabled={home}
        most={60}
        onDone={(slug) => change({ slug })}
      />
      <Field
        key={`${id} description`}
        label="Description"
        help={`One or two sentences for search engines; ${head.description.length} of 320 characters.`}
        value={head.description}
        most={320}
        multiline
        onDone={(description) => change({ description })}
      />
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 2 }}>
        <LanguageField
          value={head.lang ?? ''}
          none="same as the site"
          onChange={(lang) => change({ lang: lang || null })}
        />
        <TextField
          select
          label="Sharing image"
          helperText={head.picture ? 'Also shown in page lists.' : 'Choose one to show it in page lists.'}
          size="small"
          value={head.picture ?? ''}
          onChange={({ target }) => change({ picture: target.value || null })}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
        >
          <MenuItem value="">
            {chosenByItself ? `automatic: ${chosenByItself.name}` : 'automatic: no image is large enough'}
          </MenuItem>
          {site.frame.assets.filter(isImage).map(({ id: asset, name }) => (
            <MenuItem key={asset} value={asset}>
              {name}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 2, alignItems: 'start' }}>
        <Field
          key={`${id} date`}
          label="Date"
          help="Shown in page lists. For example 2026-11-30."
          value={head.date ?? ''}
          most={10}
          onDone={(date) => change({ date: date || null })}
        />
        <Field
          key={`${id} author`}
          label="Author"
          value={head.author ?? ''}
          most={120}
          onDone={(author) => change({ author: author || null })}
        />
      </Box>
      <Field
        key={`${id} tags`}
        label="Tags"
        help="Separated by commas. A page list can show the pages with a tag."
        value={(head.tags ?? []).join(', ')}
        most={500}
        onDone={(tags) => change({ tags: tags.split(',') })}
      />
      {head.earlier && (
        <Typography sx={{ fontSize: 12, color: quiet }}>
          Still redirects here: {head.earlier.map((slug) => `/${slug}/`).join(', ')}
        </Typography>
      )}
      <Box sx={{ display: 'grid', justifyItems: 'start' }}>
        {!home && (
          <FormControlLabel
            control={
              <Checkbox
                size="small"
                checked={head.missing ?? false}
                onChange={({ target }) => change({ missing: target.checked })}
              />
            }
            label={
              <Typography sx={{ fontSize: 13 }}>
                Shown to visitors at addresses where there is no page
              </Typography>
            }
          />
        )}
        {sharedTrees(site.frame).map(({ id: tree, root: section, nodes }) => {
          const place = tree as string as SharedPlace;
          const without = head.without ?? [];
          return (
            <FormControlLabel
              key={place}
              control={
                <Checkbox
                  size="small"
                  checked={!without.includes(place)}
                  onChange={({ target }) =>
                    change({
                      without: target.checked
                        ? without.filter((each) => each !== place)
                        : [...without, place],
                    })
                  }
                />
              }
              label={
                <Typography sx={{ fontSize: 13 }}>
                  Shows “{nodes[section].name}”, which all pages share
                </Typography>
              }
            />
          );
        })}
      </Box>
      <Offering site={site} page={id} />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, pt: 1, borderTop: `1px solid ${line}` }}>
        <Button
          size="small"
          startIcon={<ArrowUp size={15} />}
          disabled={at === 0}
          onClick={() => move(at < 2 ? null : pages[at - 2].id)}
        >
          Move up
        </Button>
        <Button
          size="small"
          startIcon={<ArrowDown size={15} />}
          disabled={at === pages.length - 1}
          onClick={() => move(pages[at + 1].id)}
        >
          Move down
        </Button>
        <Button size="small" startIcon={<Copy size={15} />} onClick={onCopy}>
          Copy …
        </Button>
        <Button size="small" startIcon={<House size={15} />} disabled={home} onClick={makeHome}>
          Make it the home page
        </Button>
        <Button
          size="small"
          color="error"
          startIcon={<Trash2 size={15} />}
          disabled={home || pages.length === 1}
          onClick={onDelete}
        >
          Delete …
        </Button>
      </Box>
      {home && (
        <Typography sx={{ fontSize: 12, color: quiet }}>
          The home page cannot be deleted; make another page the home page first.
        </Typography>
      )}
    </Box>
  );
}
