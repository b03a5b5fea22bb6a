import { Box, Button, Link, Typography } from '@mui/material';
import type { Letter } from '../../api/responses.ts';
import { isMailAddress } from '../../core/index.ts';
import { quiet } from '../ui/theme.ts';
import { moment } from '../ui/time.ts';

interface LetterViewProps {
  letter: Letter;
  doubtful: boolean;
  onMark(said: { read?: boolean; doubtful?: boolean }): void;
  onDelete(): void;
}

/** A letter as it was written. */
export function LetterView({ letter, doubtful, onMark, onDelete }: LetterViewProps) {
  return (
    <Box component="section" aria-label="Message">
      <Typography component="h2" sx={{ fontSize: 18, fontWeight: 700 }}>
        {letter.formName}
      </Typography>
      <Typography sx={{ fontSize: 13, color: quiet }}>
        {moment(new Date(letter.arrivedAt))} · sent from /{letter.page}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 1.5 }}>
        <Button size="small" variant="outlined" onClick={() => onMark({ read: !letter.read })}>
          Mark as {letter.read ? 'not read' : 'read'}
        </Button>
        <Button size="small" variant="outlined" onClick={() => onMark({ doubtful: !doubtful })}>
          {doubtful ? 'Not spam' : 'Spam'}
        </Button>
        <Button size="small" color="error" onClick={onDelete}>
          Delete …
        </Button>
      </Box>
      <dl className="letter-words">
        {letter.lines.map(({ label, value }, index) => (
          <Box key={index} sx={{ display: 'contents' }}>
            <dt>{label}</dt>
            <dd>
              {isMailAddress(value) ? (
                <Link href={`mailto:${value}`}>{value}</Link>
              ) : (
                value || <span style={{ color: quiet }}>–</span>
              )}
            </dd>
          </Box>
        ))}
      </dl>
    </Box>
  );
}
