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
  viewOf,
  type Node,
  type SiteFrame,
  type ViewId,
} from '../../../core/index.ts';
import { edit } from '../../state/edits.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { quiet } from '../../ui/theme.ts';

interface ScaleProps {
  site: SiteFrame;
  nodes: Node[];
  active: ViewId;
  onClose(): void;
}

/** Brings what is in the selected elements to another scale in a view. */
export function ScaleDialog({ site, nodes, active, onClose }: ScaleProps) {
  const dispatch = useAppDispatch();
  const reach = useAppSelector((state) => state.desk.reach);
  const [typed, setTyped] = useState('80');
  const [only, setOnly] = useState<'text' | 'all'>('all');
  const percent = Number(typed);
  const valid = typed.trim() !== '' && percent >= SCALES.least && percent <= SCALES.most;
  const name = nodes.length > 1 ? `${nodes.length} elements` : nodes[0].name;
  const view = viewOf(site.views, active).name;
  const scale = () => {
    const ids = nodes.map(({ id }) => id);
    if (
      dispatch(
        edit('scaleContent', {
          ...{ nodes: ids, view: active, reach, percent },
          ...(only === 'text' && { only }),
        }),
      )
    )
      onClose();
  };
  return (
    <Dialog open onClose={onClose} maxWidth="xs" aria-labelledby="scale-title">
      <form onSubmit={(event) => (event.preventDefault(), valid && scale())}>
        <DialogTitle id="scale-title">
          Content of {name} to scale in {view}
        </DialogTitle>
        <DialogContent>
          <Typography sx={{ fontSize: 13, color: quiet, mb: 2 }}>
            All that is in it, in proportion. Text stays at {SMALLEST_READ} px at least.
          </Typography>
          <RadioGroup
            aria-label="What is brought to scale"
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
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Leave it</Button>
          <Button type="submit" variant="contained" disabled={!valid}>
            Bring to scale
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
