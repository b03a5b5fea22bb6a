import { counted, siteFindings, viewOf, type Finding, type PageFindings, type Site } from '../core/index.ts';

/** What a check of a site says, and how the program ends: 0 where nothing keeps anybody out, else 2. */
export interface Checked {
  text: string;
  code: 0 | 2;
}

const lineOf = ({ frame }: Site, { severity, sentence, cure, views, clause }: Finding): string => {
  const names = views.map((view) => viewOf(frame.views, view).name).join(', ');
  return `  ${severity.padEnd(7)}  ${sentence} ${cure} (${names}; ${clause})`;
};

/** What a machine reads: everything but what mends it. */
const plain = (pages: readonly PageFindings[]): object[] =>
  pages.flatMap(({ page, findings }) => findings.map(({ fixes: _fixes, ...rest }) => ({ page, ...rest })));

/**
 * What was found on a site, in words, or as JSON for a machine. `swept`: what all rules found in a browser; absent: what those find that
 * need none.
 */
export function checked(site: Site, json: boolean, swept?: readonly PageFindings[]): Checked {
  const checked = swept ?? siteFindings(site);
  const asides = checked
    .flatMap(({ findings }) => findings)
    .filter(({ aside }) => aside !== undefined).length;
  const pages = checked
    .map(({ page, findings }) => ({ page, findings: findings.filter(({ aside }) => aside === undefined) }))
    .filter(({ findings }) => findings.length > 0);
  const all = pages.flatMap(({ findings }) => findings);
  const barriers = all.filter(({ severity }) => severity === 'barrier').length;
  const code = barriers > 0 ? 2 : 0;
  if (json) return { text: JSON.stringify(plain(checked), undefined, 2), code };
  const { name } = site.frame;
  const setAside = asides > 0 ? ` ${counted(asides, 'finding is', 'findings are')} dismissed.` : '';
  if (all.length === 0) return { text: `${name}: nothing is wrong.${setAside}`, code };
  const advice = counted(all.length - barriers, 'piece of advice', 'pieces of advice');
  const lines = pages.flatMap(({ page, findings }) => {
    const { nodes, root } = site.pages[page];
    return [nodes[root].name, ...findings.map((finding) => lineOf(site, finding))];
  });
  return {
    text: [
      `${name}: the file is valid. ${counted(barriers, 'barrier')}, ${advice}.${setAside}`,
      ...lines,
      ...(swept
        ? []
        : ['Problems that only show in the page layout were not checked; use --sweep for that.']),
    ].join('\n'),
    code,
  };
}
