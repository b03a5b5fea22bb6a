import { Box, Button, Link, Typography } from '@mui/material';
import type { FormMessage } from '../../api/responses.ts';
import { isMailAddress } from '../../core/index.ts';
import { quiet } from '../ui/theme.ts';
import { moment } from '../ui/time.ts';

interface MessageViewProps {
  message: FormMessage;
  doubtful: boolean;
  onMark(marks: { read?: boolean; doubtful?: boolean }): void;
  onDelete(): void;
}

/** A message as it was written. */
export function MessageView({ message, doubtful, onMark, onDelete }: MessageViewProps) {
  return (
    <Box component="section" aria-label="Message">
      <Typography component="h2" sx={{ fontSize: 18, fontWeight: 700 }}>
        {message.formName}
      </Typography>
      <Typography sx={{ fontSize: 13, color: quiet }}>
        {moment(new Date(message.arrivedAt))} · sent from /{message.page}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 1.5 }}>
        <Button size="small" variant="outlined" onClick={() => onMark({ read: !message.read })}>
          Mark as {message.read ? 'not read' : 'read'}
        </Button>
        <Button size="small" variant="outlined" onClick={() => onMark({ doubtful: !doubtful })}>
          {doubtful ? 'Not spam' : 'Spam'}
        </Button>
        <Button size="small" color="error" onClick={onDelete}>
          Delete …
        </Button>
      </Box>
      <dl className="letter-words">
        {message.lines.map(({ label, value }, index) => (
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
