import { Button, TextField, Tooltip } from '@mui/material';
import { useState } from 'react';
import type { Finding, SiteFrame } from '../../core/index.ts';
import './checks.css';

interface FindingLineProps {
  site: SiteFrame;
  finding: Finding;
  onGo(): void;
  onFix(index: number): void;
  /** Shows what a mend would do, and says it; with null shows what is there again. */
  onTry?(index: number | null): string;
  /** Sets it aside with a reason; without one takes it up again. */
  onDismiss?(reason: string): void;
}

/** Asks why a finding is dismissed. */
function Reason({ onGiven, onClose }: { onGiven(reason: string): void; onClose(): void }) {
  const [reason, setReason] = useState('');
  return (
    <form
      className="finding-keys"
      onSubmit={(event) => {
        event.preventDefault();
        onGiven(reason.trim());
      }}
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return;
        event.stopPropagation();
        onClose();
      }}
    >
      <TextField
        autoFocus
        size="small"
        label="Why it can stay as it is"
        value={reason}
        onChange={({ target }) => setReason(target.value)}
        slotProps={{ htmlInput: { maxLength: 300 } }}
        sx={{ flex: '1 1 220px', mt: 1 }}
      />
      <Button size="small" type="submit" variant="outlined" disabled={reason.trim() === ''} sx={{ mt: 1 }}>
        Dismiss
      </Button>
      <Button size="small" onClick={onClose} sx={{ mt: 1 }}>
        Cancel
      </Button>
    </form>
  );
}

interface FixProps {
  label: string;
  onFix(): void;
  onTry?(trying: boolean): string;
}

/** Mends what was found; while it is pointed at, or has the focus, what it would do is shown and told. */
function Fix({ label, onFix, onTry }: FixProps) {
  const [sentence, setSentence] = useState('');
  const left = () => {
    setSentence('');
    onTry?.(false);
  };
  return (
    <Tooltip
      describeChild
      title={sentence}
      open={sentence !== ''}
      onOpen={() => onTry && setSentence(onTry(true))}
      onClose={left}
    >
      <Button
        size="small"
        variant="outlined"
        onClick={() => {
          left();
          onFix();
        }}
      >
        {label}
      </Button>
    </Tooltip>
  );
}

/** What was found, where it comes from, what to do, the way there, and what mends it. */
export function FindingLine({ site, finding, onGo, onFix, onTry, onDismiss: onDismiss }: FindingLineProps) {
  const [asking, setAsking] = useState(false);
  const { clause, views, sentence, cure, fixes = [], severity, aside } = finding;
  const names = site.views.list.filter(({ id }) => views.includes(id)).map(({ name }) => name);
  return (
    <li className={`finding ${severity}${aside === undefined ? '' : ' aside'}`}>
      <span>
        <b>{sentence}</b> {cure}{' '}
        <i>
          {names.join(', ')} · {clause}
        </i>
      </span>
      {aside !== undefined && <span className="finding-reason">Dismissed: {aside}</span>}
      <span className="finding-keys">
        <Button size="small" onClick={onGo}>
          Go there
        </Button>
        {aside === undefined &&
          fixes.map(({ label }, index) => (
            <Fix
              key={label}
              label={label}
              onFix={() => onFix(index)}
              onTry={onTry && ((trying) => onTry(trying ? index : null))}
            />
          ))}
        {onDismiss && aside === undefined && !asking && (
          <Button size="small" color="inherit" onClick={() => setAsking(true)}>
            Dismiss …
          </Button>
        )}
        {onDismiss && aside !== undefined && (
          <Button size="small" variant="outlined" onClick={() => onDismiss('')}>
            Reopen
          </Button>
        )}
      </span>
      {onDismiss && asking && (
        <Reason
          onGiven={(reason) => {
            setAsking(false);
            onDismiss(reason);
          }}
          onClose={() => setAsking(false)}
        />
      )}
    </li>
  );
}
