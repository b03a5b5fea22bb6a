import { Button } from '@mui/material';
import { useNavigate } from 'react-router';
import type { Finding, Page, SiteFrame } from '../../core/index.ts';
import { selected, viewChosen } from '../state/desk.ts';
import { useAppDispatch } from '../state/store.ts';

interface FindingsProps {
  site: SiteFrame;
  page: Page;
  findings: readonly Finding[];
  /** A text style is to be looked at. */
  onGo(style: string): void;
}

/** What is amiss with texts, each with where it comes from and what to do. */
export function Findings({ site, page, findings, onGo }: FindingsProps) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const go = ({ of, views }: Finding) => {
    if ('textStyle' in of) {
      onGo(of.textStyle);
      return;
    }
    dispatch(viewChosen(site.views, views[0]));
    dispatch(selected(of.node));
    void navigate(`/sites/${site.id}/pages/${page.id}`);
  };
  if (findings.length === 0)
    return <p className="type-sound">Nothing is amiss, from 280 to 2559 px of the window.</p>;
  return (
    <ul role="list" className="type-findings" aria-label="What is amiss">
      {findings.map((finding) => {
        const { rule, clause, of, views, sentence, cure } = finding;
        const names = site.views.list.filter(({ id }) => views.includes(id)).map(({ name }) => name);
        return (
          <li key={`${rule} ${'textStyle' in of ? of.textStyle : of.node} ${sentence}`}>
            <span>
              <b>{sentence}</b> {cure}{' '}
              <i>
                {names.join(', ')} · {clause}
              </i>
            </span>
            <Button size="small" onClick={() => go(finding)}>
              Go there
            </Button>
          </li>
        );
      })}
    </ul>
  );
}
