import { Button, TextField } from '@mui/material';
import { useState } from 'react';
import type { Finding, SiteFrame } from '../../core/index.ts';
import './checks.css';

interface FindingLineProps {
  site: SiteFrame;
  finding: Finding;
  onGo(): void;
  onFix(index: number): void;
  /** Sets it aside with a reason; without one takes it up again. */
  onAside?(reason: string): void;
}

/** Asks why a finding is set aside. */
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
        label="Why it may stay as it is"
        value={reason}
        onChange={({ target }) => setReason(target.value)}
        slotProps={{ htmlInput: { maxLength: 300 } }}
        sx={{ flex: '1 1 220px', mt: 1 }}
      />
      <Button size="small" type="submit" variant="outlined" disabled={reason.trim() === ''} sx={{ mt: 1 }}>
        Set aside
      </Button>
      <Button size="small" onClick={onClose} sx={{ mt: 1 }}>
        Cancel
      </Button>
    </form>
  );
}

/** What was found, where it comes from, what to do, the way there, and what mends it. */
export function FindingLine({ site, finding, onGo, onFix, onAside }: FindingLineProps) {
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
      {aside !== undefined && <span className="finding-reason">Set aside: {aside}</span>}
      <span className="finding-keys">
        <Button size="small" onClick={onGo}>
          Go there
        </Button>
        {aside === undefined &&
          fixes.map(({ label }, index) => (
            <Button key={label} size="small" variant="outlined" onClick={() => onFix(index)}>
              {label}
            </Button>
          ))}
        {onAside && aside === undefined && !asking && (
          <Button size="small" color="inherit" onClick={() => setAsking(true)}>
            Set aside …
          </Button>
        )}
        {onAside && aside !== undefined && (
          <Button size="small" variant="outlined" onClick={() => onAside('')}>
            Take up again
          </Button>
        )}
      </span>
      {onAside && asking && (
        <Reason
          onGiven={(reason) => {
            setAsking(false);
            onAside(reason);
          }}
          onClose={() => setAsking(false)}
        />
      )}
    </li>
  );
}
