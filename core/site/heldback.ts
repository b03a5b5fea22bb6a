import { theOne } from '../sure.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { done, refused, type Outcome } from '../outcome.ts';
import type { PageHead, Site } from './site.ts';
import { savedBlocks } from './shared.ts';
import { siteFaults } from './validate.ts';

/** Entries, and those that only another one has. */
const withThose = <E extends { id: string }>(entries: readonly E[], others: readonly E[]): E[] => [
  ...entries,
  ...others.filter(({ id }) => !entries.some((each) => each.id === id)),
];

/** Two pages of one address; none where each has its own. */
function sameAddress(heads: readonly PageHead[]): PageHead[] {
  const second = heads.find(({ slug }, index) => heads.findIndex((each) => each.slug === slug) < index);
  return second ? [theOne(heads, ({ slug }) => slug === second.slug), second] : [];
}

/**
 * A site in which some pages stay as they were: what goes live while they are held back. A page that is new is not there then; one that
 * has gone since stays, behind the others. All that pages share is as it is now. Refused where a page as it was does not go with that,
 * or where no page would be left.
 */
export function heldBack(now: Site, before: Site, held: ReadonlySet<NodeId>): Outcome<Site> {
  const was = new Map(before.frame.pages.map((head) => [head.id, head]));
  const is = new Set(now.frame.pages.map(({ id }) => id));
  const heads = [
    ...now.frame.pages.flatMap((head): PageHead[] => {
      const earlier = was.get(head.id);
      if (!held.has(head.id)) return [head];
      return earlier ? [earlier] : [];
    }),
    ...before.frame.pages.filter(({ id }) => held.has(id) && !is.has(id)),
  ];
  if (heads.length === 0) return refused('The site would have no page. Include at least one page.');
  const [one, other] = sameAddress(heads);
  if (other)
    return refused(
      `“${one.title}” and “${other.title}” would have the same address: one has it now, the other had it before. Publish both of them, or neither.`,
    );
  const pages = Object.fromEntries(
    heads.map(({ id }) => [id, held.has(id) ? before.pages[id] : now.pages[id]]),
  ) as Site['pages'];
  // What pages as they were may need of the stock, and what changes nothing where nobody names it.
  const site: Site = {
    frame: {
      ...now.frame,
      pages: heads,
      assets: withThose(now.frame.assets, before.frame.assets),
      colours: withThose(now.frame.colours, before.frame.colours),
      spacing: withThose(now.frame.spacing, before.frame.spacing),
      fonts: withThose(now.frame.fonts, before.frame.fonts),
      textStyles: withThose(now.frame.textStyles, before.frame.textStyles),
      ...(before.frame.shared && {
        shared: {
          ...Object.fromEntries(savedBlocks(before.frame).map((tree) => [tree.id, tree])),
          ...now.frame.shared,
        },
      }),
    },
    pages,
  };
  const [fault] = siteFaults(site);
  if (!fault) return done(site);
  const page = heads.find(({ id }) => fault.path.startsWith(`/pages/${id}/`));
  return refused(
    page && held.has(page.id)
      ? `“${page.title}” as it is published does not match what has changed for all pages: ${fault.sentence} Publish it, too.`
      : `The pages that are not included do not match the rest: ${fault.sentence} Include more pages.`,
  );
}
