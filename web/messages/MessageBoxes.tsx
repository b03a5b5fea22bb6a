import { theOne } from '../../core/index.ts';
import { Alert, Button, MenuItem, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import type { MessagesResponse } from '../../api/responses.ts';
import { paths } from '../../api/paths.ts';
import { sentenceOf } from '../state/request.ts';
import { useKeepMessagesForMutation } from '../state/server.ts';
import { ConfirmDialog } from '../ui/ConfirmDialog.tsx';
import './messages.css';

/** Which messages are looked at: those of one form, all, or those that may come from robots. */
export type Box = { form: string } | 'all' | 'doubtful';

/** For how long messages can be kept: days. */
const SPANS: readonly { days: number; label: string }[] = [
  { days: 30, label: 'for 30 days' },
  { days: 90, label: 'for 90 days' },
  { days: 365, label: 'for a year' },
  { days: 1095, label: 'for three years' },
  { days: 0, label: 'until I delete them' },
];

/** How long messages are kept; a shorter time deletes some at once, so it is asked. */
function RetentionChoice({ site, days }: { site: string; days: number }) {
  const [asked, setAsked] = useState<number | null>(null);
  const [keep, { error }] = useKeepMessagesForMutation();
  const spans = SPANS.some((span) => span.days === days)
    ? SPANS
    : [{ days, label: `for ${days} days` }, ...SPANS];
  const choose = (next: number) => {
    const shorter = next !== 0 && (days === 0 || next < days);
    if (shorter) setAsked(next);
    else void keep({ site, days: next });
  };
  return (
    <>
      <TextField
        select
        size="small"
        fullWidth
        label="Keep messages"
        value={days}
        onChange={({ target }) => choose(Number(target.value))}
        sx={{ mt: 3 }}
      >
        {spans.map((span) => (
          <MenuItem key={span.days} value={span.days}>
            {span.label}
          </MenuItem>
        ))}
      </TextField>
      {error && <Alert severity="error">Nothing was changed. {sentenceOf(error)}</Alert>}
      {asked !== null && (
        <ConfirmDialog
          title="Keep messages for a shorter time?"
          words={`They are then kept ${theOne(spans, (span) => span.days === asked).label}. Older ones are deleted now and cannot be restored.`}
          verb="Change"
          onYes={() => void keep({ site, days: asked })}
          onClose={() => setAsked(null)}
        />
      )}
    </>
  );
}

interface LetterBoxesProps {
  site: string;
  found: MessagesResponse;
  box: Box;
  onChoose(box: Box): void;
}

/** The forms that messages came from, and what holds for all. */
export function MessageBoxes({ site, found, box, onChoose }: LetterBoxesProps) {
  const { forms, doubtful, keptFor } = found;
  const sum = (of: 'letters' | 'unread') => forms.reduce((all, each) => all + each[of], 0);
  const form = typeof box === 'object' ? forms.find((each) => each.form === box.form) : undefined;
  const entry = (name: string, to: Box, { letters, unread }: { letters: number; unread: number }) => {
    const current = typeof to === 'object' ? typeof box === 'object' && to.form === box.form : to === box;
    return (
      <li key={typeof to === 'object' ? to.form : `all ${to}`}>
        <button
          type="button"
          className="letter-box"
          aria-current={current ? 'true' : undefined}
          onClick={() => onChoose(to)}
        >
          <span>{name}</span>
          <span className="letter-count">
            {unread > 0 && <b>{unread} new · </b>}
            {letters}
          </span>
        </button>
      </li>
    );
  };
  return (
    <>
      <Typography component="h1" sx={{ fontSize: 22, fontWeight: 700, mb: 1.5 }}>
        Messages
      </Typography>
      <nav aria-label="Forms">
        <ul className="letter-boxes">
          {entry('All messages', 'all', { letters: sum('letters'), unread: sum('unread') })}
          {forms.map((each) => entry(each.formName, { form: each.form }, each))}
          {doubtful > 0 && entry('Possible spam', 'doubtful', { letters: doubtful, unread: 0 })}
        </ul>
      </nav>
      {form && (
        <Button size="small" href={paths.messageTable(site, form.form)} sx={{ mt: 1.5 }}>
          Export as CSV
        </Button>
      )}
      <RetentionChoice site={site} days={keptFor} />
    </>
  );
}
