/** The demo site, and commands run on it or on any other site, for tests of core. */
import { demoSite } from '../demo.ts';
import {
  applied,
  pagesOf,
  perform,
  type Arguments,
  type CommandName,
  type NodeId,
  type Page,
  type Site,
  type SiteFrame,
  type Step,
  type ViewId,
} from '../../core/index.ts';

export const { site, files } = await demoSite();
export const { frame } = site;
export const [home] = pagesOf(site);
export const node = (id: string) => id as NodeId;
export const view = (id: string) => id as ViewId;

/** A site with only some of its pages. */
export const onlyPages = (target: Site, ...ids: string[]): Site => ({
  frame: { ...target.frame, pages: target.frame.pages.filter(({ id }) => ids.includes(id)) },
  pages: Object.fromEntries(Object.entries(target.pages).filter(([id]) => ids.includes(id))),
});

export const withPage = (target: Site, page: Page): Site => ({
  ...target,
  pages: { ...target.pages, [page.id]: page },
});

/** What a command made, with the page it was used on. */
export type Made = Step & { frame: SiteFrame; page: Page };

/** Runs a command on a page of a site. */
export function attempt<N extends CommandName>(
  name: N,
  args: Arguments<N>,
  page: Page = home,
  on: Site = site,
): { ok: true; value: Made } | { ok: false; sentence: string } {
  const outcome = perform(withPage(on, page), page.id, name, args);
  if (!outcome.ok) return outcome;
  const step = outcome.value;
  return { ok: true, value: { ...step, frame: step.site.frame, page: step.site.pages[page.id] } };
}

/** What a command makes; one that is refused fails the test with its sentence. */
export function made<N extends CommandName>(name: N, args: Arguments<N>, page?: Page, on?: Site): Made {
  const outcome = attempt(name, args, page, on);
  if (!outcome.ok) throw new Error(outcome.sentence);
  return outcome.value;
}

/** A site after a command on its home page. */
export const after = <N extends CommandName>(on: Site, name: N, args: Arguments<N>): Site =>
  made(name, args, on.pages[home.id], on).site;

/** Why a command is refused. */
export function refusal<N extends CommandName>(name: N, args: Arguments<N>, page?: Page, on?: Site): string {
  const outcome = attempt(name, args, page, on);
  return outcome.ok ? `made: ${outcome.value.sentence}` : outcome.sentence;
}

/** The site after a step was undone. */
export function undoneOf({ site: after, inverse }: Pick<Step, 'site' | 'inverse'>): Site {
  const outcome = applied(after, inverse);
  if (!outcome.ok) throw new Error(outcome.sentence);
  return outcome.value.site;
}
