import { Button } from '@mui/material';
import type { Finding, SiteFrame } from '../../core/index.ts';
import './checks.css';

interface FindingLineProps {
  site: SiteFrame;
  finding: Finding;
  onGo(): void;
  onFix(index: number): void;
}

/** What was found, where it comes from, what to do, the way there, and what mends it. */
export function FindingLine({ site, finding, onGo, onFix }: FindingLineProps) {
  const { clause, views, sentence, cure, fixes = [], severity } = finding;
  const names = site.views.list.filter(({ id }) => views.includes(id)).map(({ name }) => name);
  return (
    <li className={`finding ${severity}`}>
      <span>
        <b>{sentence}</b> {cure}{' '}
        <i>
          {names.join(', ')} · {clause}
        </i>
      </span>
      <span className="finding-keys">
        <Button size="small" onClick={onGo}>
          Go there
        </Button>
        {fixes.map(({ label }, index) => (
          <Button key={label} size="small" variant="outlined" onClick={() => onFix(index)}>
            {label}
          </Button>
        ))}
      </span>
    </li>
  );
}
