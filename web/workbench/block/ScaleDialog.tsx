import {
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  FormControlLabel,
  InputAdornment,
  Radio,
  RadioGroup,
  TextField,
  Typography,
} from '@mui/material';
import { useState } from 'react';
import {
  SMALLEST_READ,
  SCALES,
  scalings,
  viewOf,
  type Node,
  type Page,
  type SiteFrame,
  type ViewId,
} from '../../../core/index.ts';
import { edit } from '../../state/edits.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { quiet } from '../../ui/theme.ts';
import { WillChange } from './WillChange.tsx';

interface ScaleProps {
  site: SiteFrame;
  page: Page;
  nodes: Node[];
  active: ViewId;
  onClose(): void;
}

/** Brings what is in the selected elements to another scale in a view. */
export function ScaleDialog({ site, page, nodes, active, onClose }: ScaleProps) {
  const dispatch = useAppDispatch();
  const reach = useAppSelector((state) => state.desk.reach);
  const [typed, setTyped] = useState('80');
  const [only, setOnly] = useState<'text' | 'all'>('all');
  const percent = Number(typed);
  const valid = typed.trim() !== '' && percent >= SCALES.least && percent <= SCALES.most;
  const name = nodes.length > 1 ? `${nodes.length} elements` : nodes[0].name;
  const view = viewOf(site.views, active).name;
  const args = {
    ...{ nodes: nodes.map(({ id }) => id), view: active, percent },
    ...(only === 'text' && { only }),
  };
  const made = valid ? scalings(site, page, args) : [];
  const changing = made.filter(({ then }) => then !== undefined);
  const kept = made.filter((each) => each.kept).length;
  const scale = () => {
    if (dispatch(edit('scaleContent', { ...args, reach }))) onClose();
  };
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="scale-title">
      <form onSubmit={(event) => (event.preventDefault(), changing.length > 0 && scale())}>
        <DialogTitle id="scale-title">
          Scale the content of {name} in {view}
        </DialogTitle>
        <DialogContent>
          <Typography sx={{ fontSize: 13, color: quiet, mb: 2 }}>
            Scales everything in it in proportion. Text stays at {SMALLEST_READ} px or more.
          </Typography>
          <RadioGroup
            aria-label="What to scale"
            value={only}
            onChange={(_event, next) => setOnly(next as typeof only)}
            sx={{ mb: 2 }}
          >
            <FormControlLabel
              value="all"
              control={<Radio size="small" sx={{ py: 0.25 }} />}
              label="Text sizes, gaps, paddings and lengths in px"
            />
            <FormControlLabel
              value="text"
              control={<Radio size="small" sx={{ py: 0.25 }} />}
              label="Text sizes alone"
            />
          </RadioGroup>
          <TextField
            size="small"
            autoFocus
            label="Scale"
            value={typed}
            error={!valid}
            helperText={valid ? ' ' : `A number from ${SCALES.least} to ${SCALES.most}.`}
            onChange={(event) => setTyped(event.target.value)}
            slotProps={{
              input: { endAdornment: <InputAdornment position="end">%</InputAdornment> },
              htmlInput: { inputMode: 'decimal' },
            }}
            sx={{ width: 140 }}
          />
          {changing.length > 0 ? (
            <WillChange site={site} page={page} view={active} changes={changing} />
          ) : (
            valid && (
              <Typography sx={{ fontSize: 13, color: quiet }}>
                Nothing in it would change at that scale.
              </Typography>
            )
          )}
          <Typography role="status" sx={{ fontSize: 13, color: quiet, mt: 1, minHeight: 20 }}>
            {kept > 0 &&
              `${kept === 1 ? 'One text is' : `${kept} texts are`} kept at ${SMALLEST_READ} px or more.`}
          </Typography>
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" disabled={changing.length === 0}>
            Scale
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
