import { SYSTEM_MESSAGES, type SystemMessage } from '../elements/content/systemmessages.ts';
import { express } from '../layered/express.ts';
import { element, type Markup } from '../markup/markup.ts';
import { isListedEverywhere, offeringIn, viewsOffering, wayOn } from '../site/offering.ts';
import { isClosed, type Visitor } from '../site/audience.ts';
import { systemMessagesOn } from '../site/systemmessages.ts';
import { headOf, type Page, type PageHead, type SiteFrame, type TextStyle } from '../site/site.ts';
import { listingClass, MATTER, NOTICE_CLASS, textStyleClass } from './selectors.ts';
import type { CssRule } from './stack.ts';
import { stylingOf } from './styling.ts';

/** The class of menus' entries for a page; undefined where it is in menus everywhere. */
export function listingOf(site: SiteFrame, page: string | undefined): string | undefined {
  const head = page === undefined ? undefined : site.pages.find(({ id }) => id === page);
  return head && !isListedEverywhere(head) ? listingClass(head.id) : undefined;
}

/** In which views each page that is not in menus everywhere is. */
export const listingRules = (site: SiteFrame): CssRule[] =>
  site.pages
    .filter((head) => !isListedEverywhere(head))
    .flatMap((head) => {
      const stack = stylingOf(site.views).stack();
      stack.layered(
        express(site.views, ({ id }) => ({
          '--listed': offeringIn(head, site, id) === 'listed' ? 'list-item' : 'none',
        })),
      );
      return stack.rules(`.${listingClass(head.id)}`, 'foundation');
    });

/** Whether a page has a notice in its place in some view. */
export const isWithheld = (site: SiteFrame, page: Page): boolean =>
  viewsOffering(site, headOf(site, page.id), 'withheld').length > 0;

/** The text styles that a notice is set in, where the site has them. */
export const noticeStyles = (site: SiteFrame): (TextStyle | undefined)[] =>
  ['heading-2', 'body'].map((wanted) => site.textStyles.find(({ id }) => id === wanted));

/** What stands in place of a page for those whom it is not for, until someone says it otherwise. */
const CLOSED: Record<Visitor, { notice: SystemMessage; way: 'in' | 'out'; words: SystemMessage }> = {
  'signed-out': { notice: 'members', way: 'in', words: 'sign-in' },
  'signed-in': { notice: 'strangers', way: 'out', words: 'sign-out' },
};

/** What pages said before there were words for it in each language. */
const USUAL: string = SYSTEM_MESSAGES['not-offered'].says;

const noticeMarkup = (
  site: SiteFrame,
  head: PageHead,
  words: string,
  on?: { href?: string; words: string },
): Markup => {
  const [heading, body] = noticeStyles(site).map((style) =>
    style ? { class: textStyleClass(style.id) } : {},
  );
  return element(
    'div',
    { class: NOTICE_CLASS },
    element('h1', heading, head.title),
    element('p', body, head.notice === undefined || head.notice === USUAL ? words : head.notice),
    ...(on ? [element('p', body, element('a', { href: on.href }, on.words))] : []),
  );
};

/** What stands in place of a page for a visitor whom it is not for, with the way to where it is, where there is one. */
export function closedNotice(
  site: SiteFrame,
  page: Page,
  visitor: Visitor,
  way: ((way: 'in' | 'out') => string | undefined) | undefined,
): Markup {
  const closed = CLOSED[visitor];
  const href = way?.(closed.way);
  const head = headOf(site, page.id);
  const say = systemMessagesOn(site, head);
  const on = href === undefined ? undefined : { href, words: say(closed.words) };
  return noticeMarkup(site, head, say(closed.notice), on);
}

/** What is on a page, and what stands in its place in views in which it is not offered: only one of them is there. */
export function withNotice(
  site: SiteFrame,
  page: Page,
  matter: Markup['children'],
  address: (id: string) => string | undefined,
): Markup['children'] {
  if (!isWithheld(site, page)) return matter;
  const head = headOf(site, page.id);
  const on = wayOn(site, head);
  const notice = noticeMarkup(
    site,
    head,
    systemMessagesOn(site, head)('not-offered'),
    on && { href: address(on.id), words: on.title },
  );
  return [element('div', { class: MATTER }, ...matter), notice];
}

/** The rules of a page that is not offered in some views, or not to a visitor. */
export function noticeRules(site: SiteFrame, page: Page, visitor?: Visitor): CssRule[] {
  const closed = isClosed(page, visitor);
  if (!isWithheld(site, page) && !closed) return [];
  const head = headOf(site, page.id);
  const shown = (selector: string, matter: string, notice: string) => {
    const stack = stylingOf(site.views).stack();
    stack.layered(
      express(site.views, ({ id }) => ({
        display: offeringIn(head, site, id) === 'withheld' ? notice : matter,
      })),
    );
    return stack.rules(selector, 'foundation');
  };
  return [
    {
      layer: 'foundation',
      distance: 0,
      selector: `.${NOTICE_CLASS}`,
      declarations: {
        'align-content': 'center',
        'justify-items': 'center',
        gap: '1rem',
        'min-height': '24rem',
        padding: '4rem 1.5rem',
        'text-align': 'center',
      },
    },
    { layer: 'foundation', distance: 0, selector: `.${NOTICE_CLASS} > *`, declarations: { margin: '0' } },
    { layer: 'foundation', distance: 0, selector: `.${NOTICE_CLASS} a`, declarations: { color: 'inherit' } },
    ...(closed
      ? [
          {
            layer: 'foundation',
            distance: 0,
            selector: `.${NOTICE_CLASS}`,
            declarations: { display: 'grid' },
          } as const,
        ]
      : [...shown(`.${MATTER}`, 'contents', 'none'), ...shown(`.${NOTICE_CLASS}`, 'none', 'grid')]),
  ];
}
