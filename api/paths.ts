/** Where things are under the application's origin. One place for the server's routes and the browser's requests. */
export const API = '/api';

/** A value for each name in a template, in their order. */
type Values<T extends string> = T extends `${string}/:${infer Rest}`
  ? [value: string | number, ...Values<Rest>]
  : [];

/** The name that a rest of a template begins with. */
type FirstName<T extends string> = T extends `${infer Name}/${string}`
  ? Name
  : T extends `${infer Name}.${string}`
    ? Name
    : T;

/** The names in a template: `site` and `page` of `/sites/:site/pages/:page`. */
export type NamesIn<T extends string> = T extends `${string}/:${infer Rest}`
  ? FirstName<Rest> | NamesIn<Rest>
  : never;

/** An address of the API: called with the values of its names it gives a path under the origin. */
export interface Path<T extends string = string> {
  (...values: Values<T>): string;
  /** The path below `/api` with its names, each after a colon. */
  readonly template: T;
}

/** An address by its template. */
function at<T extends string>(template: T): Path<T> {
  const path = (...values: readonly (string | number)[]): string => {
    let index = 0;
    return API + template.replace(/:\w+/g, () => encodeURIComponent(values[index++]));
  };
  return Object.assign(path, { template });
}

export const paths = {
  health: at('/health'),
  /** What this file and `endpoints.ts` say, as an OpenAPI document. */
  description: at('/openapi.json'),
  backups: at('/backups'),
  sites: at('/sites'),
  site: at('/sites/:site'),
  demo: at('/sites/demo'),
  /** The demo site’s home page, for those who have not added it. */
  demoPage: at('/demo'),
  demoAsset: at('/demo/assets/:hash'),
  copies: at('/sites/:site/copies'),
  /** Whether a site is archived. */
  archived: at('/sites/:site/put-away'),
  /** The pages of a site as they would be published, in one file. */
  zip: at('/sites/:site/zip'),
  file: at('/sites/:site/file'),
  page: at('/sites/:site/pages/:page'),
  assets: at('/sites/:site/assets'),
  /** An image or video of a site, by the SHA-256 of its bytes. */
  asset: at('/sites/:site/assets/:hash'),
  /** An image that was made of one; `madeName` says which. */
  made: at('/sites/:site/assets/:hash/:made'),
  /** How far the images are that a publication makes of others. */
  making: at('/sites/:site/making'),
  previews: at('/sites/:site/previews'),
  publications: at('/sites/:site/publications'),
  /** A publication by its number: the site as it was. */
  publication: at('/sites/:site/publications/:number'),
  /** Which publication is live. */
  live: at('/sites/:site/live'),
  /** What visitors sent with a site's forms. */
  messages: at('/sites/:site/letters'),
  /** How many of them nobody has read. */
  unreadMessages: at('/sites/:site/letters-unread'),
  /** The same as CSV (RFC 4180), of one form. */
  messageTable: at('/sites/:site/letters/:form.csv'),
  /** For how long messages are kept. */
  messageRetention: at('/sites/:site/letters-kept'),
  /** The log of a site's edits; edits are posted to it. */
  edits: at('/sites/:site/edits'),
  edit: at('/sites/:site/edits/:revision'),
  steps: at('/sites/:site/steps'),
  /** The fonts of a site's own; one is known by its SHA-256. */
  ownFonts: at('/sites/:site/fonts'),
  ownFont: at('/sites/:site/fonts/:hash'),
  font: at('/fonts/:file'),
};

/** The name of an image made of another: its width in px, and, where it is made of a part, that part's left, top, width and height in px. */
export const madeName = (
  width: number,
  type: 'webp' | 'avif' = 'webp',
  part: readonly number[] = [],
): string => `${[width, ...part].join('-')}.${type}`;
