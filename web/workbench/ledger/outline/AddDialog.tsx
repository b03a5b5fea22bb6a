import {
  Box,
  Button,
  ButtonBase,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  ToggleButton,
  ToggleButtonGroup,
  Typography,
} from '@mui/material';
import { useState } from 'react';
import { knownKind, type Node, type Page } from '../../../../core/index.ts';
import { add, placeFor } from '../../../state/structure.ts';
import { useAppDispatch } from '../../../state/store.ts';
import { line, petrol, quiet } from '../../../ui/theme.ts';
import { KindIcon } from '../../../ui/KindIcon.tsx';

/** The kinds in the order in which they are offered; a page is no element to add. */
const OFFERED: readonly { label: string; kinds: readonly string[] }[] = [
  { label: 'What holds others', kinds: ['section', 'row', 'column', 'card'] },
  { label: 'Words', kinds: ['heading', 'text', 'list', 'quote', 'button'] },
  { label: 'Pictures and films', kinds: ['picture', 'gallery', 'video', 'icon', 'logo'] },
  { label: 'Lists, links and forms', kinds: ['navigation', 'social', 'prices', 'hours', 'form'] },
  { label: 'Between others', kinds: ['divider', 'spacer'] },
];

interface AddDialogProps {
  page: Page;
  /** What the new element's place is seen from. */
  from: Node;
  onClose(): void;
}

/** Chooses the kind of a new element, and whether it goes into the selected one or below it. */
export function AddDialog({ page, from, onClose }: AddDialogProps) {
  const dispatch = useAppDispatch();
  const holds = knownKind(from.kind).accepts.length > 0;
  const choice = holds && from.parent !== null;
  const [wanted, setWanted] = useState<'inside' | 'below'>(holds ? 'inside' : 'below');
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="add-title">
      <DialogTitle id="add-title" sx={{ pb: 1 }}>
        Add an element
      </DialogTitle>
      <DialogContent>
        {choice ? (
          <ToggleButtonGroup
            exclusive
            size="small"
            aria-label="Where it goes"
            value={wanted}
            onChange={(_event, next: typeof wanted | null) => next && setWanted(next)}
            sx={{
              mb: 2,
              maxWidth: '100%',
              '& .MuiToggleButton-root': { textTransform: 'none', py: 0.25, minWidth: 0 },
            }}
          >
            <ToggleButton value="inside">
              <Typography noWrap sx={{ fontSize: 13 }}>
                Inside {from.name}
              </Typography>
            </ToggleButton>
            <ToggleButton value="below">
              <Typography noWrap sx={{ fontSize: 13 }}>
                Below {from.name}
              </Typography>
            </ToggleButton>
          </ToggleButtonGroup>
        ) : (
          <Typography sx={{ mb: 2, fontSize: 13, color: quiet }} noWrap>
            {holds ? 'At the end of' : 'Below'} {from.name}
          </Typography>
        )}
        {OFFERED.map(({ label, kinds }) => (
          <Box key={label} component="section" aria-label={label} sx={{ mb: 1.75 }}>
            <Typography sx={{ fontSize: 12, fontWeight: 700, color: quiet, mb: 0.5 }}>{label}</Typography>
            <Box
              sx={{
                display: 'grid',
                gridTemplateColumns: 'repeat(auto-fill, minmax(150px, 1fr))',
                gap: 0.75,
              }}
            >
              {kinds.map((kind) => {
                const place = placeFor(page, kind, from.id, wanted);
                const beside = place && page.nodes[place.parent].name;
                return (
                  <ButtonBase
                    key={kind}
                    disabled={!place}
                    title={
                      beside
                        ? `Goes into ${beside}`
                        : `Nothing around ${from.name} takes one; add a section first`
                    }
                    onClick={() => {
                      onClose();
                      if (place) dispatch(add(kind, place));
                    }}
                    sx={{
                      justifyContent: 'flex-start',
                      gap: 1,
                      fontFamily: 'inherit',
                      px: 1,
                      height: 34,
                      fontSize: 13,
                      border: `1px solid ${line}`,
                      borderRadius: 0.75,
                      bgcolor: 'white',
                      '&:hover, &:focus-visible': { borderColor: petrol, color: petrol },
                      '&.Mui-disabled': { opacity: 0.45 },
                    }}
                  >
                    <KindIcon kind={kind} />
                    {knownKind(kind).label}
                  </ButtonBase>
                );
              })}
            </Box>
          </Box>
        ))}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
      </DialogActions>
    </Dialog>
  );
}
