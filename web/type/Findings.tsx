import { Button } from '@mui/material';
import type { Finding, SiteFrame } from '../../core/index.ts';

interface FindingsProps {
  site: SiteFrame;
  findings: readonly Finding[];
  onGo(style: string): void;
}

/** What is amiss with the sizes, each with where it comes from and what to do. */
export function Findings({ site, findings, onGo }: FindingsProps) {
  if (findings.length === 0)
    return <p className="type-sound">Nothing is amiss with the sizes, from 280 to 2559 px of the window.</p>;
  return (
    <ul role="list" className="type-findings" aria-label="What is amiss">
      {findings.map((finding) => {
        const { rule, clause, of, views, sentence, cure } = finding;
        const style = 'textStyle' in of ? of.textStyle : '';
        const names = site.views.list.filter(({ id }) => views.includes(id)).map(({ name }) => name);
        return (
          <li key={`${rule} ${style} ${sentence}`}>
            <span>
              <b>{sentence}</b> {cure}{' '}
              <i>
                {names.join(', ')} · {clause}
              </i>
            </span>
            <Button size="small" onClick={() => onGo(style)}>
              Go there
            </Button>
          </li>
        );
      })}
    </ul>
  );
}
