import {
  hasTrait,
  headOf,
  isListedEverywhere,
  keysOf,
  leadingIn,
  leadsTo,
  type NodeId,
  type Offering as Offered,
  offeringIn,
  publishedTrees,
  type Site,
  systemMessagesOn,
  viewsOffering,
  wayOn,
} from '../../core/index.ts';
import { Box, Button, MenuItem, TextField, Typography } from '@mui/material';
import { AudienceField } from '../site/AudienceField.tsx';
import { edit } from '../state/edits.ts';
import { useAppDispatch } from '../state/store.ts';
import { Field } from '../ui/Field.tsx';
import { quiet } from '../ui/theme.ts';
import { LinkingList, linkingFrom } from './LinkingList.tsx';

const LABELS: Record<Offered, string> = {
  listed: 'In menus',
  unlisted: 'Not in menus',
  withheld: 'Does not appear',
};

/** In which views a page is offered, and how; where it is not, what stands in its place, and what leads there. */
export function Offering({ site, page }: { site: Site; page: NodeId }) {
  const dispatch = useAppDispatch();
  const { frame } = site;
  const head = headOf(frame, page);
  const views = [...frame.views.list].reverse();
  const withheld = viewsOffering(frame, head, 'withheld');
  const names = views.filter(({ id }) => withheld.includes(id)).map(({ name }) => name);
  const on = wayOn(frame, head);
  const tree = site.pages[page];
  const root = tree.nodes[tree.root];
  // Menus leave it out by themselves.
  const leading = publishedTrees(site).flatMap((tree) =>
    leadingIn(frame, tree, withheld, leadsTo(page)).map((node) => ({ tree, node })),
  );
  const isMenu = ({ node }: (typeof leading)[number]) => hasTrait(node, 'menu');
  return (
    <Box component="section" aria-label="Where it appears" sx={{ display: 'grid', gap: 1.75 }}>
      <Typography component="h3" sx={{ fontSize: 13, fontWeight: 700 }}>
        Where it appears
      </Typography>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: `repeat(${Math.min(4, views.length)}, minmax(0, 1fr))`,
          gap: 1,
        }}
      >
        {views.map(({ id, name }) => (
          <TextField
            key={id}
            select
            size="small"
            label={name}
            value={offeringIn(head, frame, id)}
            onChange={({ target }) =>
              dispatch(edit('offerPage', { page, offering: target.value as Offered, views: [id] }))
            }
          >
            {keysOf(LABELS).map((each) => (
              <MenuItem key={each} value={each} disabled={each === 'withheld' && head.slug === ''}>
                {LABELS[each]}
              </MenuItem>
            ))}
          </TextField>
        ))}
      </Box>
      <AudienceField
        label="Who can see it"
        node={root}
        page={page}
        help="Others get a notice instead and none of its content; a copy in files has no sign-in."
      />
      {isListedEverywhere(head) && (
        <Typography sx={{ fontSize: 12, color: quiet }}>
          {head.slug === ''
            ? 'The home page is where every path leads: it can be left out of menus, but always appears.'
            : 'Where it isn’t in menus, visitors reach it through links only. Where it doesn’t appear, they see a short notice.'}
        </Typography>
      )}
      {(withheld.length > 0 || root.audience) && (
        <Field
          key={`${page} notice`}
          label="Notice in its place"
          help={
            withheld.length === 0
              ? 'Shown to visitors who cannot see the page, with a link to sign in or out below.'
              : on
                ? `Below it is a link to ${on.title}.`
                : 'There is no page to continue to where it does not appear.'
          }
          value={
            head.notice ??
            systemMessagesOn(
              frame,
              head,
            )(withheld.length > 0 ? 'not-offered' : root.audience === 'signed-in' ? 'members' : 'strangers')
          }
          most={320}
          multiline
          onDone={(notice) => dispatch(edit('changePage', { page, notice: notice.trim() || null }))}
        />
      )}
      {withheld.length > 0 && (
        <>
          <Typography sx={{ fontSize: 13, fontWeight: 700 }}>
            What links there in {names.join(', ')}
          </Typography>
          {leading.length === 0 ? (
            <Typography sx={{ fontSize: 13, color: quiet }}>Nothing links to it there.</Typography>
          ) : (
            <LinkingList
              label="What links there"
              links={leading.map((each) =>
                linkingFrom(
                  site,
                  each.tree,
                  each.node.id,
                  isMenu(each) ? 'leaves it out there automatically' : undefined,
                ),
              )}
            />
          )}
          {leading.some((each) => !isMenu(each)) && (
            <Button
              size="small"
              variant="outlined"
              sx={{ justifySelf: 'start' }}
              onClick={() => dispatch(edit('hideLinksTo', { page, views: withheld }))}
            >
              Hide those links in these views too
            </Button>
          )}
        </>
      )}
    </Box>
  );
}
