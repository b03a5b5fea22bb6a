import {
  hasTrait,
  knownKind,
  layoutOf,
  type Page,
  type SiteFrame,
  sure,
  termsOf,
  viewAt,
} from '../../../core/index.ts';
import { Box, IconButton, InputBase, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { Search, X } from 'lucide-react';
import { useMemo, useRef, useState, type ReactNode } from 'react';
import { addingSet } from '../../state/desk.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { placeFor } from '../../state/structure.ts';
import { line, quiet, raised } from '../../ui/theme.ts';
import { DropMark } from '../ledger/outline/DropMark.tsx';
import { Carried } from './Carried.tsx';
import { ElementOffers } from './ElementOffers.tsx';
import { KeptBar, KeptTools, PlacedAs } from './SavedBlocks.tsx';
import {
  groundOf,
  isLinkedAlready,
  isWanted,
  savedBlockOffers,
  KIND_OFFERS,
  sectionOffers,
  type Offer,
} from './offers.ts';
import { SectionOffer } from './SectionOffer.tsx';
import { useAddDrag } from './useAddDrag.ts';
import { useReturnedFocus } from '../../ui/keepfocus.ts';
import { useAddKey } from './useAddKey.ts';
import { WhereItGoes } from './WhereItGoes.tsx';

/** px; how wide the panel is. */
const WIDTH = 300;

/** Why a block is not offered. */
const ONCE = 'This page already links it, and a page can link a block only once.';

function Titled({ label, children }: { label: string; children: ReactNode }) {
  return (
    <Box component="section" aria-label={label} sx={{ mb: 2 }}>
      <Typography sx={{ fontSize: 12, fontWeight: 700, color: quiet, mb: 0.75 }}>{label}</Typography>
      {children}
    </Box>
  );
}

/** What can be added to the page, beside the ledger; it stays open while one adds, by click, key or drag. */
export function AddPanel({ site, page }: { site: SiteFrame; page: Page }) {
  const dispatch = useAppDispatch();
  const selected = useAppSelector((state) => state.desk.selected);
  const view = useAppSelector((state) => viewAt(site.views, state.desk.width));
  const from = page.nodes[selected.findLast((each) => page.nodes[each]) ?? page.root];
  const holds = knownKind(from.kind).accepts.length > 0;
  const [wanted, setWanted] = useState<'inside' | 'below'>('inside');
  const shelf = useAppSelector((state) => state.desk.adding);
  const [text, setText] = useState('');
  const field = useRef<HTMLInputElement>(null);
  useReturnedFocus();
  useAddKey(() => field.current?.focus());
  const drag = useAddDrag(site, page);
  const { id, root } = page;
  const { style } = page.nodes[root];
  // What is offered follows the ground and the corners of the page, and not each edit on it.
  const ground = useMemo(() => groundOf(id, root, style), [id, root, style]);
  const { ground: colour, button, card } = termsOf(page);
  const sections = useMemo(
    () => sectionOffers(site, { page: id, ground: colour, button, card }),
    [site, id, colour, button, card],
  );
  const [linked, setLinked] = useState(false);
  const kept = useMemo(() => savedBlockOffers(site, linked), [site, linked]);
  const hasLayout = layoutOf(page) !== undefined;
  const finding = text.trim() !== '';
  const close = () => dispatch(addingSet(null));

  const goal = (offer: Offer) => {
    if (isLinkedAlready(site, page, offer)) return undefined;
    const asked = offer.linked !== undefined;
    return (
      placeFor(page, offer.kind, from.id, holds ? wanted : 'below', asked) ??
      placeFor(page, offer.kind, page.root, 'inside', asked)
    );
  };
  const describe = (offer: Offer) => {
    if (isLinkedAlready(site, page, offer)) return ONCE;
    const place = goal(offer);
    return place
      ? `Goes into ${page.nodes[place.parent].name}; or draw it to a place in a sheet or the outline`
      : `Nothing near ${from.name} takes one; add a section first`;
  };
  const put = (offer: Offer) => {
    const place = goal(offer);
    if (place) drag.put(offer, place);
  };

  const shownSavedBlocks = kept.filter((offer) => isWanted(offer, text));
  const shownSections = sections.filter((offer) => isWanted(offer, text));
  const shownKinds = KIND_OFFERS.map(({ label, offers }) => ({
    label,
    // Regions are for pages that have a layout.
    offers: offers.filter((offer) => isWanted(offer, text) && (hasLayout || !hasTrait(offer, 'region'))),
  })).filter(({ offers }) => offers.length > 0);
  const first = shownKinds[0]?.offers[0] ?? shownSections[0] ?? shownSavedBlocks[0];

  const drawn = (offers: readonly Offer[], tools?: (offer: Offer) => ReactNode) => (
    <Box role="list" sx={{ display: 'grid', gap: 1.25 }}>
      {offers.map((offer) => (
        <SectionOffer
          key={offer.id}
          site={site}
          ground={ground}
          label={offer.label}
          copy={sure(offer.copy, 'copy')}
          view={view}
          title={describe(offer)}
          disabled={!goal(offer)}
          note={isLinkedAlready(site, page, offer) ? ONCE : undefined}
          onPress={(press) => drag.down(press, offer)}
          onAdd={() => put(offer)}
          tools={tools?.(offer)}
        />
      ))}
    </Box>
  );

  return (
    <Box
      component="section"
      aria-label="Add"
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return;
        event.stopPropagation();
        if (text) setText('');
        else close();
      }}
      sx={{
        width: WIDTH,
        flex: 'none',
        height: '100%',
        display: 'flex',
        flexDirection: 'column',
        bgcolor: 'background.paper',
        borderRight: `1px solid ${line}`,
        boxShadow: '4px 0 14px rgba(35,33,28,.12)',
        zIndex: 2,
      }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center', px: 1.5, height: 38, flex: 'none' }}>
        <Typography component="h2" sx={{ fontWeight: 700, flex: 1 }}>
          Add
        </Typography>
        <IconButton size="small" aria-label="Close Add" title="Close (Escape)" onClick={close}>
          <X size={16} />
        </IconButton>
      </Box>
      <Box
        role="search"
        aria-label="What can be added"
        sx={{
          display: 'flex',
          alignItems: 'center',
          gap: 0.75,
          mx: 1.5,
          px: 1,
          height: 30,
          flex: 'none',
          border: `1px solid ${line}`,
          borderRadius: 0.75,
          bgcolor: raised,
        }}
      >
        <Search size={14} aria-hidden style={{ flex: 'none', opacity: 0.6 }} />
        <InputBase
          inputRef={field}
          autoFocus
          value={text}
          placeholder="Name or purpose"
          inputProps={{ 'aria-label': 'Find what to add', spellCheck: false }}
          onChange={(event) => setText(event.target.value)}
          onKeyDown={(event) => {
            if (event.key !== 'Enter' || !finding || !first) return;
            event.preventDefault();
            put(first);
          }}
          sx={{ flex: 1, fontSize: 13, '& input::placeholder': { opacity: 0.75 } }}
        />
      </Box>
      <WhereItGoes site={site} from={from} view={view} wanted={wanted} onWanted={setWanted} />
      {!finding && (
        <ToggleButtonGroup
          exclusive
          fullWidth
          size="small"
          aria-label="What to add"
          value={shelf}
          onChange={(_event, next: typeof shelf) => next && dispatch(addingSet(next))}
          sx={{
            px: 1.5,
            pt: 1.25,
            flex: 'none',
            '& .MuiToggleButton-root': {
              textTransform: 'none',
              py: 0.125,
              fontSize: 12.5,
              color: 'text.primary',
            },
          }}
        >
          <ToggleButton value="sections">Sections</ToggleButton>
          <ToggleButton value="elements">Elements</ToggleButton>
          <ToggleButton value="kept">Saved blocks</ToggleButton>
        </ToggleButtonGroup>
      )}
      <Box sx={{ flex: 1, overflow: 'auto', minHeight: 0, px: 1.5, pt: 1.25 }}>
        {finding && first === undefined && (
          <Typography sx={{ color: quiet, textAlign: 'center', pt: 3, fontSize: 13 }}>
            Nothing to add matches “{text.trim()}”. Try its purpose: text, images, links, hours.
          </Typography>
        )}
        {(finding || shelf === 'elements') &&
          shownKinds.map(({ label, offers }) => (
            <Titled key={label} label={label}>
              <ElementOffers
                offers={offers}
                describe={describe}
                possible={(offer) => goal(offer) !== undefined}
                onPress={drag.down}
                onAdd={put}
              />
            </Titled>
          ))}
        {(finding ? shownSections.length > 0 : shelf === 'sections') && (
          <Titled label="Ready-made sections">{drawn(shownSections)}</Titled>
        )}
        {(finding ? shownSavedBlocks.length > 0 : shelf === 'kept') && (
          <Titled label="Saved blocks">
            {!finding && <KeptBar />}
            {kept.length > 0 && <PlacedAs linked={linked} onLinked={setLinked} />}
            {kept.length === 0 && (
              <Typography sx={{ fontSize: 13, color: quiet, py: 1 }}>
                No saved blocks yet. Select a block, open its ⋮ menu and choose <i>Save … as a block</i>: it
                appears here, with all its overrides, ready to place on any page.
              </Typography>
            )}
            {drawn(shownSavedBlocks, (offer) => (
              <KeptTools offer={offer} />
            ))}
          </Titled>
        )}
      </Box>
      {drag.drop && <DropMark drop={drag.drop} />}
      {drag.carried && <Carried {...drag.carried} />}
    </Box>
  );
}
