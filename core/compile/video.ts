import type { Declarations } from '../elements/properties/property.ts';
import { knownKind } from '../elements/kinds/table.ts';
import { contentOf } from '../elements/kinds/kind.ts';
import { knownProperty } from '../elements/propertytable.ts';
import { NO_IMAGE } from '../elements/valuetypes/image.ts';
import { conditionOf } from '../layered/bands.ts';
import { held } from '../layered/resolve.ts';
import { STRIP_ROOM } from '../elements/properties/edge.ts';
import { familyCss } from '../elements/properties/text.ts';
import { express } from '../layered/express.ts';
import type { ViewId } from '../layered/views.ts';
import { element, type Markup } from '../markup/markup.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { resolve } from '../values/trace.ts';
import type { CssRule } from './stack.ts';
import { stylingOf } from './styling.ts';
import type { ImageAddresses } from './images.ts';

const FILM = 'film';
const STOP = 'film-stop';

/** The selector of what a video behind a page puts at a place of the window. */
export const AT_WINDOW = `:is(.${FILM}, .${STOP})`;

const videoClass = (id: string): string => `f-${id}`;

/** The video behind a page in a view; undefined where there is none. */
export function videoIn(site: SiteFrame, page: Page, view: ViewId): string | undefined {
  const id = resolve(site, page, page.nodes[page.root], knownProperty('backgroundFilm'), view);
  return id === NO_IMAGE ? undefined : id;
}

/** The videos behind a page, each with the views that have it. */
function videosOf(site: SiteFrame, page: Page): Map<string, ViewId[]> {
  const films = new Map<string, ViewId[]>();
  for (const { id: view } of site.views.list) {
    const id = videoIn(site, page, view);
    if (id !== undefined) films.set(id, [...(films.get(id) ?? []), view]);
  }
  return films;
}

/** By what visitors stop the videos behind a page, without a script (WCAG 2.2, 2.2.2). */
export function stopMarkup(site: SiteFrame, page: Page): Markup[] {
  if (videosOf(site, page).size === 0) return [];
  const words = contentOf<string>(knownKind('page'), page.nodes[page.root], 'stopFilm');
  return [
    element('label', { class: STOP }, element('input', { type: 'checkbox' }), element('span', {}, words)),
  ];
}

/**
 * The videos behind a page. A browser fetches each only in its views, and not where less motion was asked for (`media` of HTML, §4.8.2);
 * there the background is seen.
 */
export const videoMarkup = (site: SiteFrame, page: Page, addresses: ImageAddresses): Markup[] =>
  [...videosOf(site, page)].flatMap(([id, views]) => {
    const film = site.assets.find((asset) => asset.id === id);
    if (!film) return [];
    const media = conditionOf(site.views, views, '(prefers-reduced-motion: no-preference)');
    return element(
      'div',
      { class: `${FILM} ${videoClass(id)}`, 'aria-hidden': 'true' },
      element(
        'video',
        { autoplay: '', muted: '', loop: '', playsinline: '', width: film.width, height: film.height },
        element('source', {
          src: addresses.picture(id),
          type: film.type,
          media: addresses.anyWidth ? undefined : media,
        }),
      ),
    );
  });

/** The family of the site's common words. */
function wordsFamily({ textStyles, views }: SiteFrame): Declarations {
  const family = textStyles.find(({ id }) => id === 'body')?.style.self?.family;
  const label = family && held(family, views, views.base)?.value;
  return label ? { 'font-family': familyCss(label) } : {};
}

/** The rules of a page that has videos behind it. */
export function videoRules(site: SiteFrame, page: Page): CssRule[] {
  const films = videosOf(site, page);
  if (films.size === 0) return [];
  const rule = (selector: string, declarations: Declarations, condition?: string): CssRule => ({
    ...{ layer: 'foundation', distance: 0, condition, selector, declarations },
  });
  const shownIn = (selector: string, moving: string, views: (view: ViewId) => boolean) => {
    const stack = stylingOf(site.views).stack();
    stack.layered(express(site.views, ({ id }): Declarations => ({ display: views(id) ? moving : 'none' })));
    return stack.rules(selector, 'foundation');
  };
  // What lies over the image behind the page lies over its videos, too.
  const layers = { '--tint': 'inherit', '--gradient': 'inherit' };
  return [
    rule(`.${FILM}`, { position: 'fixed', inset: '0', 'z-index': '-1', overflow: 'hidden', ...layers }),
    rule(`.${FILM} > video`, { width: '100%', height: '100%', 'object-fit': 'cover', display: 'block' }),
    rule(`.${FILM}::after`, {
      ...{ content: '""', position: 'absolute', inset: '0', ...layers },
      'background-image': 'var(--tint, none), var(--gradient, none)',
    }),
    rule(`.${STOP}`, {
      ...{ position: 'fixed', 'z-index': '3', 'inset-inline-start': '1rem' },
      bottom: `calc(1rem + var(${STRIP_ROOM}, 0px))`,
      ...{ 'align-items': 'center', gap: '0.5rem', padding: '0.5rem 0.75rem', 'border-radius': '0.5rem' },
      ...{ background: 'Canvas', color: 'CanvasText', cursor: 'pointer' },
      ...{ 'font-size': '0.875rem', 'line-height': '1.5', ...wordsFamily(site) },
    }),
    rule(`.${STOP} > input`, { width: '1.125rem', height: '1.125rem', 'accent-color': 'currentcolor' }),
    ...[...films].flatMap(([id, views]) =>
      shownIn(`.${videoClass(id)}`, 'var(--moving, block)', (view) => views.includes(view)),
    ),
    ...shownIn(`.${STOP}`, 'var(--moving, flex)', (view) => videoIn(site, page, view) !== undefined),
    rule(`:root:has(.${STOP} :checked) .${FILM}`, { display: 'none' }),
    rule(AT_WINDOW, { display: 'none' }, 'print'),
  ];
}
