import { Box, Button, IconButton, Menu, MenuItem, Typography } from '@mui/material';
import { ChevronDown, ChevronLeft, ChevronRight, Check, X } from 'lucide-react';
import { useMemo, useState, type ReactNode } from 'react';
import {
  counted,
  differences,
  placeKey,
  sectionOf,
  viewOf,
  type Difference,
  type NodeId,
  type Page,
  type SiteFrame,
  type ViewId,
} from '../../../core/index.ts';
import { goTo } from '../../checks/findingactions.ts';
import {
  besideChosen,
  selected as select,
  sheetsChosen,
  valueAimed,
  viewChosen,
  walkSet,
} from '../../state/desk.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { useAfterPaint } from '../../ui/afterpaint.ts';
import { coral, line, paper, petrol, quiet } from '../../ui/theme.ts';
import { propertyInWords, valueInWords } from '../../values/valuesentences.ts';
import {
  comparedWith,
  defaultsOf,
  markFine,
  markOpen,
  nextToReview,
  nextView,
  stopsIn,
  type Stop,
} from './walking.ts';

interface WalkProps {
  site: SiteFrame;
  page: Page;
  view: ViewId;
}

/** Something that a section has some of, as a menu that leads to each; nothing where there is none. */
function Listed({ label, entries }: { label: string; entries: { key: string; says: string; go(): void }[] }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  if (entries.length === 0) return null;
  return (
    <>
      <Button
        size="small"
        aria-haspopup="menu"
        endIcon={<ChevronDown size={13} />}
        onClick={({ currentTarget }) => setAnchor(currentTarget)}
        sx={{ whiteSpace: 'nowrap', flex: 'none' }}
      >
        {label}
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {entries.map(({ key, says, go }) => (
          <MenuItem
            key={key}
            dense
            sx={{ maxWidth: 520, whiteSpace: 'normal', fontSize: 13 }}
            onClick={() => {
              setAnchor(null);
              go();
            }}
          >
            {says}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}

/** What a view says otherwise in a section than the view whose values it takes by itself. */
function Differing({ site, page, view, list }: WalkProps & { list: readonly Difference[] }) {
  const dispatch = useAppDispatch();
  const from = defaultsOf(site, view);
  if (from === undefined) return null;
  const says = (each: Difference) =>
    `${each.node.name}: ${propertyInWords(each).toLowerCase()} ${valueInWords(site, page, each, view, each.value)} instead of ${valueInWords(site, page, each, view, each.instead)}`;
  return (
    <Listed
      label={`${list.length} ${list.length === 1 ? 'differs' : 'differ'} from ${viewOf(site.views, from).name}`}
      entries={list.map((each) => ({
        key: `${each.node.id} ${each.part} ${each.property.name}`,
        says: says(each),
        go: () =>
          dispatch(valueAimed({ node: each.node.id, part: each.part, property: each.property.name, view })),
      }))}
    />
  );
}

/** What the checks found in a section, in the view that is walked through. */
function Found({ site, page, view, section }: WalkProps & { section: string }) {
  const dispatch = useAppDispatch();
  const list = useAppSelector((state) => state.findings.list);
  const here = list.filter(
    ({ of, views }) => views.includes(view) && 'node' in of && sectionOf(page, of.node) === section,
  );
  return (
    <Listed
      label={counted(here.length, 'finding')}
      entries={here.map((each) => ({
        key: `${each.rule} ${placeKey(each.of)} ${each.sentence}`,
        says: each.sentence,
        go: () => void dispatch(goTo(site, each, view)),
      }))}
    />
  );
}

/** What is known of a section, beside its name. */
function Known({ reviewed }: Pick<Stop, 'reviewed'>) {
  if (!reviewed) return null;
  const fine = reviewed === 'fine';
  return (
    <Typography
      component="span"
      sx={{ fontSize: 12, fontWeight: 600, color: fine ? petrol : coral, flex: 'none' }}
    >
      {fine ? 'fine' : 'changed since it was fine'}
    </Typography>
  );
}

/** Where every section of a view is fine: what can come next. */
function Finished({ site, page, view }: WalkProps) {
  const dispatch = useAppDispatch();
  const other = comparedWith(site, view);
  const next = nextView(site, page, view);
  const compare = (id: ViewId) => {
    dispatch(besideChosen([id]));
    dispatch(sheetsChosen('side by side'));
  };
  return (
    <>
      {other !== undefined && other !== view && (
        <Button size="small" sx={{ flex: 'none' }} onClick={() => compare(other)}>
          Compare with {viewOf(site.views, other).name}
        </Button>
      )}
      {next === undefined ? (
        <Typography component="span" sx={{ fontSize: 13, color: quiet }}>
          Every other view is fine as well.
        </Typography>
      ) : (
        <Button
          size="small"
          variant="contained"
          sx={{ flex: 'none' }}
          onClick={() => dispatch(viewChosen(site.views, next))}
        >
          Next: {viewOf(site.views, next).name}
        </Button>
      )}
    </>
  );
}

function Turn({ label, onClick, children }: { label: string; onClick: () => void; children: ReactNode }) {
  return (
    <IconButton size="small" aria-label={label} title={label} onClick={onClick}>
      {children}
    </IconButton>
  );
}

/** A section of the walk: which it is, what there is to know of it, and what one says of it. */
function Section({ site, page, view, stops, at }: WalkProps & { stops: readonly Stop[]; at: number }) {
  const dispatch = useAppDispatch();
  const { node, reviewed } = stops[at];
  const all = useMemo(() => differences(site, page, view), [site, page, view]);
  const own = all.filter((each) => sectionOf(page, each.node.id) === node.id);
  const go = (id: NodeId | undefined) => id !== undefined && dispatch(select(id));
  const beside = (by: number) => go(stops[(at + by + stops.length) % stops.length].node.id);
  const fine = () => dispatch(markFine(site, page, node.id, view)) && go(nextToReview(stops, node.id));
  return (
    <>
      <Turn label="Previous section" onClick={() => beside(-1)}>
        <ChevronLeft size={15} />
      </Turn>
      <Typography noWrap title={node.name} sx={{ fontSize: 13, fontWeight: 700, minWidth: 60 }}>
        {node.name}
      </Typography>
      <Turn label="Next section" onClick={() => beside(1)}>
        <ChevronRight size={15} />
      </Turn>
      <Known reviewed={reviewed} />
      <span style={{ flex: 1 }} />
      <Differing site={site} page={page} view={view} list={own} />
      <Found site={site} page={page} view={view} section={node.id} />
      {reviewed === 'fine' ? (
        <Button size="small" sx={{ flex: 'none' }} onClick={() => dispatch(markOpen(node.id, view))}>
          Not fine
        </Button>
      ) : (
        <>
          <Button size="small" sx={{ flex: 'none' }} onClick={() => go(nextToReview(stops, node.id))}>
            Later
          </Button>
          <Button
            size="small"
            variant="contained"
            startIcon={<Check size={14} />}
            sx={{ flex: 'none' }}
            onClick={fine}
          >
            Fine
          </Button>
        </>
      )}
    </>
  );
}

/** The walk through a view: section after section, with what differs there and what was found, until each is fine. */
export function Walk({ site: siteNow, page: pageNow, view: viewNow }: WalkProps) {
  // The sheet shows an edit first. What is said to be fine is what was told here, as well.
  const now = useMemo(() => ({ site: siteNow, page: pageNow, view: viewNow }), [siteNow, pageNow, viewNow]);
  const { site, page, view } = useAfterPaint(now);
  const dispatch = useAppDispatch();
  const lead = useAppSelector((state) => state.desk.selected.at(-1));
  const stops = useMemo(() => stopsIn(site, page, view), [site, page, view]);
  const fine = stops.filter(({ reviewed }) => reviewed === 'fine').length;
  const done = fine === stops.length;
  const chosen = sectionOf(page, lead) ?? nextToReview(stops, undefined);
  const at = Math.max(
    0,
    stops.findIndex(({ node }) => node.id === chosen),
  );
  const { name } = viewOf(site.views, view);
  return (
    <Box
      component="section"
      aria-label={`Walk through ${name}`}
      sx={{
        flex: 'none',
        display: 'flex',
        alignItems: 'center',
        gap: 0.75,
        minHeight: 40,
        px: 1.5,
        overflow: 'hidden',
        bgcolor: paper,
        borderBottom: `1px solid ${line}`,
      }}
    >
      <Typography role="status" noWrap sx={{ fontSize: 13, flex: 'none' }}>
        {stops.length === 0
          ? `${name} shows no section`
          : done
            ? stops.length === 1
              ? `The section of ${name} is fine`
              : `All ${stops.length} sections of ${name} are fine`
            : `${name}: ${fine} of ${stops.length} fine`}
      </Typography>
      {done && <span style={{ flex: 1 }} />}
      {done && stops.length > 0 && <Finished site={site} page={page} view={view} />}
      {!done && <Section site={site} page={page} view={view} stops={stops} at={at} />}
      <Turn label="End the walk" onClick={() => dispatch(walkSet(false))}>
        <X size={15} />
      </Turn>
    </Box>
  );
}
