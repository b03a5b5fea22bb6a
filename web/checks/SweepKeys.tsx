import { Button, LinearProgress } from '@mui/material';
import { SWEPT } from '../../core/index.ts';
import { sweepingSet } from '../state/findings.ts';
import { useAppDispatch, useAppSelector } from '../state/store.ts';

const percent = ({ measured, of }: { measured: number; of: number }): number =>
  Math.floor((100 * measured) / Math.max(1, of));

/** Has the page swept over all widths, says how far that is, and stops it. */
export function SweepKeys() {
  const dispatch = useAppDispatch();
  const { sweep, sweeping } = useAppSelector((state) => state.findings);
  const set = (wanted: boolean) => dispatch(sweepingSet(wanted));
  const going = sweeping && sweep !== null && typeof sweep === 'object' ? percent(sweep) : undefined;
  const words =
    going !== undefined
      ? `Sweeping: ${going} %`
      : sweep === 'all'
        ? `Swept at every width from ${SWEPT.from} to ${SWEPT.to} px.`
        : sweep === 'some'
          ? 'Stopped: some widths have not been checked.'
          : sweep === 'before'
            ? 'Swept before the last changes.'
            : sweep === 'failed'
              ? 'The page could not be measured; it is tried again with the next change.'
              : 'Problems that only show in the page layout have not been checked.';
  return (
    <div className="sweep-keys">
      <span role="status" aria-label="Sweep">
        {words}
      </span>
      {going !== undefined && (
        <LinearProgress aria-label="Sweep" variant="determinate" value={going} color="secondary" />
      )}
      {sweeping ? (
        <Button size="small" onClick={() => set(false)}>
          {going === undefined ? 'Do not follow changes' : 'Stop'}
        </Button>
      ) : (
        <Button size="small" variant="outlined" onClick={() => set(true)}>
          Sweep all widths
        </Button>
      )}
    </div>
  );
}
