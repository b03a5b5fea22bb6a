import { Typography } from '@mui/material';
import { counted, LIMITS, madeIn } from '../../core/index.ts';
import type { StepEntry } from '../../api/responses.ts';
import { useStepsQuery } from '../state/server.ts';
import { quiet } from '../ui/theme.ts';
import { moment } from '../ui/time.ts';

const BY = { edit: '', undo: 'Undone: ', redo: 'Redone: ' } as const;

const saying = ({ by, sentence }: StepEntry): string => `${BY[by]}${sentence}`;

/** What was done between two revisions of a site, in the words of its steps. */
export function StepsBetween({ site, after, to }: { site: string; after: number; to: number }) {
  const { data } = useStepsQuery({ site, after, to }, { skip: to <= after });
  if (to <= after || !data) return null;
  const steps = madeIn(data);
  if (steps.length === 0) return null;
  const more = data.length === LIMITS.steps;
  return (
    <details className="steps-between">
      <summary>
        How it got here: {counted(steps.length, 'step')}
        {more && ', and earlier ones'}
      </summary>
      <ul aria-label="Steps, the latest first">
        {[...steps].reverse().map((step) => (
          <li key={step.key}>
            {saying(step)}{' '}
            <Typography component="span" sx={{ fontSize: 12, color: quiet, whiteSpace: 'nowrap' }}>
              {moment(new Date(step.madeAt))}
            </Typography>
          </li>
        ))}
      </ul>
    </details>
  );
}
