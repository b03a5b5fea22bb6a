import { useNavigate } from 'react-router';
import { placeKey, type Finding, type Page, type SiteFrame } from '../../core/index.ts';
import { FindingLine } from '../checks/FindingLine.tsx';
import { goTo, mend, dismissFinding } from '../checks/findingactions.ts';
import { useAppDispatch } from '../state/store.ts';

interface FindingsProps {
  site: SiteFrame;
  page: Page;
  findings: readonly Finding[];
  /** A text style is to be looked at. */
  onGo(style: string): void;
}

/** What is wrong with texts, each with where it comes from and what to do. */
export function Findings({ site, page, findings, onGo }: FindingsProps) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const go = (finding: Finding) => {
    if ('textStyle' in finding.of) {
      onGo(finding.of.textStyle);
      return;
    }
    dispatch(goTo(site, finding, finding.views[0]));
    void navigate(`/sites/${site.id}/pages/${page.id}`);
  };
  if (findings.length === 0)
    return <p className="type-sound">No problems found from 280 to 2559 px of the window.</p>;
  return (
    <ul role="list" className="finding-list type-findings" aria-label="Problems">
      {findings.map((finding) => (
        <FindingLine
          key={`${finding.rule} ${placeKey(finding.of)} ${finding.sentence}`}
          site={site}
          finding={finding}
          onGo={() => go(finding)}
          onFix={(index) => dispatch(mend(finding, index))}
          onDismiss={(reason) => dispatch(dismissFinding(finding, reason))}
        />
      ))}
    </ul>
  );
}
