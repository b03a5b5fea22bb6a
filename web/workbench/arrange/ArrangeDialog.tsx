import {
  Box,
  Button,
  ButtonBase,
  Checkbox,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  FormControlLabel,
  LinearProgress,
  Typography,
} from '@mui/material';
import { useEffect, useMemo, useState } from 'react';
import {
  isSetByHand,
  preview,
  viewOf,
  type LaidOut,
  type Node,
  type NodeId,
  type Page,
  type SiteFrame,
  type View,
  type ViewId,
} from '../../../core/index.ts';
import { sheetAddresses } from '../../page/content.ts';
import { PagePicture } from '../../page/PagePicture.tsx';
import { edit } from '../../state/edits.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { line, petrol, quiet } from '../../ui/theme.ts';
import { leavesShared, proposalsFor, type Proposal, type Proposals } from './proposals.ts';
import { changeInWords } from './words.ts';

interface ArrangeProps {
  site: SiteFrame;
  page: Page;
  /** A block, a section or the page. */
  root: Node;
  active: ViewId;
  onClose(): void;
}

const WAYS: Record<Proposal['way'], string> = {
  now: 'As it is now',
  stacked: 'Stacked',
  'two across': 'Two across',
  'pictures first': 'Pictures first',
};

/** px on screen; how large layouts are drawn at most. */
const DRAWN = { width: 190, height: 2400 };

/** Layouts that are proposed for what stands in an element in a view, drawn beside the one that is there; taken whole, in part, or not. */
export function ArrangeDialog({ site, page, root, active, onClose }: ArrangeProps) {
  const dispatch = useAppDispatch();
  const reach = useAppSelector((state) => state.desk.reach);
  const [made, setMade] = useState<Proposals | null>(null);
  const [fault, setFault] = useState('');
  const [chosen, setChosen] = useState(1);
  const [left, setLeft] = useState<ReadonlySet<NodeId>>(new Set());
  const [untouched, setUntouched] = useState(false);
  const view = viewOf(site.views, active);
  useEffect(() => {
    let open = true;
    proposalsFor(site, page, root, view)
      .then((found) => open && setMade(found))
      .catch(
        () =>
          open &&
          setFault('No layout could be worked out. Nothing was changed; close this and try it again.'),
      );
    return () => {
      open = false;
    };
  }, [site, page, root, view]);
  const proposals = made?.proposals;
  const proposal = proposals?.at(chosen);
  const free = (part: LaidOut) => !untouched || !isSetByHand(page, part, active);
  const taken = proposal?.laid.filter((part) => !left.has(part.node) && free(part)) ?? [];
  const whole = proposal && taken.length === proposal.laid.length;
  const take = () => {
    const asked = { node: root.id, laid: taken, view: active, reach, done: 'arranged' } as const;
    if (dispatch(edit('arrange', asked))) onClose();
  };
  const toggle = (node: NodeId) =>
    setLeft((before) => {
      const next = new Set(before);
      if (!next.delete(node)) next.add(node);
      return next;
    });
  return (
    <Dialog open onClose={onClose} maxWidth="lg" aria-labelledby="arrange-title">
      <DialogTitle id="arrange-title">
        Arrange {root.name} in {view.name}
      </DialogTitle>
      <DialogContent sx={{ minWidth: 560 }}>
        {fault && <Typography role="alert">{fault}</Typography>}
        {!proposals && !fault && <LinearProgress aria-label="Layouts are worked out" />}
        {proposals && proposals.length < 2 && (
          <Typography>
            {made?.refusal
              ? `No layout fits. ${made.refusal}`
              : 'It stands as it would be arranged already; there is nothing to propose.'}
          </Typography>
        )}
        {proposals && proposals.length > 1 && (
          <>
            <Box
              role="group"
              aria-label="Layouts"
              tabIndex={0}
              sx={{
                display: 'flex',
                alignItems: 'flex-start',
                gap: 1.5,
                mb: 2,
                maxHeight: 380,
                overflowY: 'auto',
              }}
            >
              {proposals.map((each, index) => (
                <Drawn
                  key={each.way}
                  site={site}
                  proposal={each}
                  view={view}
                  chosen={index === chosen}
                  onChoose={index === 0 ? undefined : () => setChosen(index)}
                />
              ))}
            </Box>
            <Box
              component="ul"
              aria-label="What it would change"
              sx={{ m: 0, p: 0, listStyle: 'none', maxHeight: 190, overflowY: 'auto' }}
            >
              {proposal?.laid.map((part) => {
                const { name } = page.nodes[part.node];
                const words = changeInWords(site, page, proposal.page, part, active);
                return (
                  <Box component="li" key={part.node} sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
                    <Checkbox
                      size="small"
                      sx={{ p: 0.5 }}
                      checked={!left.has(part.node) && free(part)}
                      disabled={!free(part)}
                      onChange={() => toggle(part.node)}
                      slotProps={{ input: { 'aria-label': `Place ${name}` } }}
                    />
                    <Typography noWrap sx={{ fontSize: 13, width: 190, flex: 'none' }} title={name}>
                      {name}
                    </Typography>
                    <Typography noWrap sx={{ fontSize: 12.5, color: quiet }} title={words}>
                      {words}
                    </Typography>
                  </Box>
                );
              })}
            </Box>
            <FormControlLabel
              control={
                <Checkbox
                  size="small"
                  checked={untouched}
                  onChange={(event) => setUntouched(event.target.checked)}
                />
              }
              label={`Only where nothing was set by hand in ${view.name}`}
              slotProps={{ typography: { sx: { fontSize: 13 } } }}
            />
            {leavesShared(root) && (
              <Typography sx={{ fontSize: 12.5, color: quiet }}>
                Sections that other pages share stay as they are; arrange them by themselves.
              </Typography>
            )}
          </>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it as it is</Button>
        <Button variant="contained" disabled={taken.length === 0} onClick={take}>
          {whole || taken.length === 0
            ? `Arrange in ${view.name}`
            : `Place ${taken.length} of ${proposal?.laid.length} elements`}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

interface DrawnProps {
  site: SiteFrame;
  proposal: Proposal;
  view: View;
  chosen: boolean;
  /** Absent: it is there already. */
  onChoose?: () => void;
}

/** A layout as the section would look, with its height. */
function Drawn({ site, proposal, view, chosen, onChoose }: DrawnProps) {
  const { way, page, height, laid } = proposal;
  const content = useMemo(() => preview(site, page, sheetAddresses(site)), [site, page]);
  const words = (
    <>
      <PagePicture site={site} content={content} view={view} {...DRAWN} fit />
      <Typography sx={{ fontSize: 13, fontWeight: 700, mt: 0.75 }}>{WAYS[way]}</Typography>
      <Typography sx={{ fontSize: 12, color: quiet }}>
        {Math.round(height)} px high
        {laid.length > 0 && `, ${laid.length} ${laid.length === 1 ? 'element' : 'elements'} placed`}
      </Typography>
    </>
  );
  const frame = {
    display: 'flex',
    flexDirection: 'column',
    alignItems: 'flex-start',
    justifyContent: 'flex-start',
    textAlign: 'left',
    p: 1,
    borderRadius: 1,
    border: '2px solid transparent',
  } as const;
  if (!onChoose)
    return <Box sx={{ ...frame, borderRight: `1px solid ${line}`, borderRadius: 0 }}>{words}</Box>;
  return (
    <ButtonBase
      aria-pressed={chosen}
      aria-label={`${WAYS[way]}, ${Math.round(height)} px high`}
      onClick={onChoose}
      sx={{
        ...frame,
        ...(chosen && { borderColor: petrol }),
        '&:focus-visible': { outline: `2px solid ${petrol}` },
      }}
    >
      {words}
    </ButtonBase>
  );
}
