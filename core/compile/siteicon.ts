import type { PropertyName } from '../elements/propertyvalues.ts';
import { sure } from '../sure.ts';
import { knownProperty } from '../elements/propertytable.ts';
import { fingerprint } from '../fingerprint.ts';
import { directionOf } from '../markup/direction.ts';
import { escapeAttribute } from '../markup/fragment.ts';
import { element, type Markup } from '../markup/markup.ts';
import { homePageOf, type Site, type SiteFrame } from '../site/site.ts';
import type { Asset, MediaAsset } from '../theme/resources.ts';
import { resolve } from '../values/trace.ts';
import { namedColour } from './browserbar.ts';
import type { ImageForm } from './images.ts';

/** The sign of a site where no image is chosen for it: two of its colours, without letters, which every machine would draw in another font. */
function drawn({ colours }: SiteFrame): { path: string; text: string } {
  const [ground, sign] = [colours[0]?.value ?? 'black', colours[1]?.value ?? 'white'].map(escapeAttribute);
  const text = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 32 32"><rect width="32" height="32" rx="7" fill="${ground}"/><path d="M7 22a9 9 0 0 1 18 0z" fill="${sign}"/></svg>\n`;
  return { path: `assets/icon-${fingerprint(text)}.svg`, text };
}

/** The image that stands for a site in browsers and on home screens; undefined where none is chosen. */
const iconOf = ({ icon, assets }: SiteFrame): MediaAsset | undefined =>
  assets.find(({ id }) => id === icon) as MediaAsset | undefined;

const square = (width: number, square: NonNullable<ImageForm['square']> = {}): ImageForm => ({
  ...{ type: 'image/png', width, square },
});

/**
 * The forms in which an image stands for a site: in tabs; on the home screens of devices that show what lets light through on black;
 * and for a manifest, of which systems cut the last in a shape of their own: all that counts is in a circle of 80 % across its middle
 * (Web Application Manifest, “Icon masks and safe zone”, https://www.w3.org/TR/appmanifest/#icon-masks).
 */
const FORMS = {
  tab: square(32),
  touch: square(180, { ground: 'white' }),
  small: square(192),
  large: square(512),
  masked: square(512, { ground: 'white', inset: 0.1 }),
} satisfies Record<string, ImageForm>;

/** Where an image goes, as it is and in a form. */
export interface ImagePaths {
  picture(asset: Asset): string;
  made(asset: Asset, form: ImageForm): string;
}

/** A drawing is sharp in any size; a browser that knows none takes what is made of it. */
const isDrawn = ({ type }: Asset): boolean => type === 'image/svg+xml';

/** Where the manifest of a site is. */
const MANIFEST = 'site.webmanifest';

/** What the head of every page says of the sign of its site. `up`: how the page leads to the site. */
export function iconLinks(site: SiteFrame, up: string, paths: ImagePaths): Markup[] {
  const icon = iconOf(site);
  const link = (rel: string, path: string, more: Markup['attributes'] = {}) =>
    element('link', { rel, ...more, href: `${up}${path}` });
  const manifest = link('manifest', MANIFEST);
  if (!icon) return [link('icon', drawn(site).path, { type: 'image/svg+xml' }), manifest];
  return [
    link('icon', paths.made(icon, FORMS.tab), { type: 'image/png', sizes: '32x32' }),
    ...(isDrawn(icon) ? [link('icon', paths.picture(icon), { type: icon.type, sizes: 'any' })] : []),
    link('apple-touch-icon', paths.made(icon, FORMS.touch), { sizes: '180x180' }),
    manifest,
  ];
}

/** What a site says of itself to who puts it on a home screen (https://www.w3.org/TR/appmanifest/). */
function manifestOf(site: Site, paths: ImagePaths): string {
  const { frame } = site;
  const home = site.pages[homePageOf(frame).id];
  const colour = (name: PropertyName & ('barColour' | 'backgroundColour')) => {
    const value = resolve(frame, home, home.nodes[home.root], knownProperty(name), frame.views.base);
    return namedColour(frame, value);
  };
  const icon = iconOf(frame);
  const entry = (form: ImageForm, purpose?: string) => ({
    ...{
      src: paths.made(sure(icon, 'icon'), form),
      sizes: `${form.width}x${form.width}`,
      type: form.type,
      purpose,
    },
  });
  return JSON.stringify({
    ...{ name: frame.name, lang: frame.lang, dir: directionOf(frame.lang) },
    ...{ start_url: './', scope: './', display: 'browser' },
    theme_color: colour('barColour'),
    background_color: colour('backgroundColour'),
    icons: icon
      ? [entry(FORMS.small), entry(FORMS.large), entry(FORMS.masked, 'maskable')]
      : [{ src: drawn(frame).path, sizes: 'any', type: 'image/svg+xml' }],
  });
}

/** The files of the sign of a site: texts, and its image as it is and in its forms. */
export interface IconFiles {
  texts: { path: string; type: string; text: string }[];
  pictures: MediaAsset[];
  made: { asset: MediaAsset; form: ImageForm }[];
}

/** The files of the site icon, and what a page’s head says of them. */
export function iconFiles(site: Site, paths: ImagePaths): IconFiles {
  const icon = iconOf(site.frame);
  const manifest = { path: MANIFEST, type: 'application/manifest+json', text: manifestOf(site, paths) };
  if (!icon)
    return {
      texts: [{ ...drawn(site.frame), type: 'image/svg+xml' }, manifest],
      ...{ pictures: [], made: [] },
    };
  return {
    texts: [manifest],
    pictures: isDrawn(icon) ? [icon] : [],
    made: Object.values(FORMS).map((form) => ({ asset: icon, form })),
  };
}
