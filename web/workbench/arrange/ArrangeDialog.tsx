import {
  Box,
  Button,
  Checkbox,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  FormControlLabel,
  LinearProgress,
  Typography,
} from '@mui/material';
import { useEffect, useState, type ReactNode } from 'react';
import {
  isSetByHand,
  viewOf,
  type LaidOut,
  type Node,
  type NodeId,
  type Page,
  type SiteFrame,
  type ViewId,
} from '../../../core/index.ts';
import { edit } from '../../state/edits.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { quiet } from '../../ui/theme.ts';
import { useToggled } from '../../ui/toggled.ts';
import { Layouts } from './Layouts.tsx';
import { leavesShared, proposalsFor, type Proposals } from './proposals.ts';
import { changeInWords, mendInWords } from './words.ts';

interface ArrangeProps {
  site: SiteFrame;
  page: Page;
  /** A block, a section or the page. */
  root: Node;
  active: ViewId;
  /** Only what is wrong is mended. */
  tidying: boolean;
  onClose(): void;
}

/** Layouts that are proposed for what stands in an element in a view, drawn beside the one that is there; taken whole, in part, or not. */
export function ArrangeDialog({ site, page, root, active, tidying, onClose }: ArrangeProps) {
  const dispatch = useAppDispatch();
  const reach = useAppSelector((state) => state.desk.reach);
  const [made, setMade] = useState<Proposals | null>(null);
  const [fault, setFault] = useState('');
  const [chosen, setChosen] = useState(1);
  const [left, toggle] = useToggled<NodeId>();
  const [untouched, setUntouched] = useState(false);
  const view = viewOf(site.views, active);
  useEffect(() => {
    let open = true;
    proposalsFor(site, page, root, view, tidying)
      .then((found) => open && setMade(found))
      .catch(
        () =>
          open &&
          setFault('No layout could be worked out. Nothing was changed; close this and try it again.'),
      );
    return () => {
      open = false;
    };
  }, [site, page, root, view, tidying]);
  const proposals = made?.proposals;
  const proposal = proposals?.at(chosen);
  // What was there when the layouts were worked out: others may have taken something away since.
  const before = proposals?.[0].page ?? page;
  const free = (part: LaidOut) => !untouched || !isSetByHand(before, part, active);
  const taken = proposal?.laid.filter((part) => !left.has(part.node) && free(part)) ?? [];
  const whole = proposal && taken.length === proposal.laid.length;
  const take = () => {
    const act = tidying ? 'tidied' : 'arranged';
    if (dispatch(edit('arrange', { node: root.id, laid: taken, view: active, reach, done: act }))) onClose();
  };
  const verb = tidying ? 'Tidy' : 'Arrange';
  const nothing = tidying
    ? 'Nothing in it is covered, outside, out of order, unevenly spaced or in an area that is too large.'
    : 'It is already arranged that way; there is nothing to propose.';
  return (
    <Dialog open onClose={onClose} maxWidth="lg" aria-labelledby="arrange-title">
      <DialogTitle id="arrange-title">
        {verb} {root.name} in {view.name}
      </DialogTitle>
      <DialogContent sx={{ minWidth: 560 }}>
        {fault && <Typography role="alert">{fault}</Typography>}
        {!proposals && !fault && <LinearProgress aria-label="Calculating layouts" />}
        {proposals && proposals.length < 2 && (
          <Typography>{made?.refusal ? `No layout fits. ${made.refusal}` : nothing}</Typography>
        )}
        {proposals && proposals.length > 1 && (
          <>
            <Layouts site={site} view={view} proposals={proposals} chosen={chosen} onChoose={setChosen} />
            {tidying ? (
              <Listed label="What is fixed">
                {proposal?.mends?.map((mend) => (
                  <Typography component="li" key={`${mend.id} ${mend.why}`} sx={{ fontSize: 13, py: 0.25 }}>
                    {mendInWords(before, mend)}
                  </Typography>
                ))}
              </Listed>
            ) : (
              <>
                <Listed label="What it would change">
                  {proposal?.laid.map((part) => (
                    <Change
                      key={part.node}
                      name={before.nodes[part.node].name}
                      words={changeInWords(site, before, proposal.page, part, active)}
                      checked={!left.has(part.node) && free(part)}
                      disabled={!free(part)}
                      onChange={() => toggle(part.node)}
                    />
                  ))}
                </Listed>
                <FormControlLabel
                  control={
                    <Checkbox
                      size="small"
                      checked={untouched}
                      onChange={(event) => setUntouched(event.target.checked)}
                    />
                  }
                  label={`Only where nothing was set manually in ${view.name}`}
                  slotProps={{ typography: { sx: { fontSize: 13 } } }}
                />
              </>
            )}
            {leavesShared(root) && (
              <Typography sx={{ fontSize: 12.5, color: quiet }}>
                Sections that other pages share stay as they are; open their menu for them.
              </Typography>
            )}
          </>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{proposals && proposals.length < 2 ? 'Close' : 'Keep it as it is'}</Button>
        {(!proposals || proposals.length > 1) && (
          <Button variant="contained" disabled={taken.length === 0} onClick={take}>
            {whole || taken.length === 0
              ? `${verb} in ${view.name}`
              : `Place ${taken.length} of ${proposal?.laid.length} elements`}
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}

const Listed = ({ label, children }: { label: string; children: ReactNode }) => (
  <Box
    component="ul"
    // Without marks it would not be told as a list everywhere.
    role="list"
    aria-label={label}
    sx={{ m: 0, p: 0, listStyle: 'none', maxHeight: 190, overflowY: 'auto' }}
  >
    {children}
  </Box>
);

interface ChangeProps {
  name: string;
  words: string;
  checked: boolean;
  disabled: boolean;
  onChange(): void;
}

/** What a layout changes of an element; it can be left as it is. */
const Change = ({ name, words, ...checkbox }: ChangeProps) => (
  <Box component="li" sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
    <Checkbox
      size="small"
      sx={{ p: 0.5 }}
      {...checkbox}
      slotProps={{ input: { 'aria-label': `Place ${name}` } }}
    />
    <Typography noWrap sx={{ fontSize: 13, width: 190, flex: 'none' }} title={name}>
      {name}
    </Typography>
    <Typography noWrap sx={{ fontSize: 12.5, color: quiet, minWidth: 0 }} title={words}>
      {words}
    </Typography>
  </Box>
);
