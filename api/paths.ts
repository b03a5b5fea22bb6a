/** Where things are under the application's origin. One place for the server's routes and the browser's requests. */
export const API = '/api';

const part = encodeURIComponent;

export const paths = {
  health: () => `${API}/health`,
  backups: () => `${API}/backups`,
  sites: () => `${API}/sites`,
  site: (site: string) => `${API}/sites/${part(site)}`,
  demo: () => `${API}/sites/demo`,
  copies: (site: string) => `${API}/sites/${part(site)}/copies`,
  putAway: (site: string) => `${API}/sites/${part(site)}/put-away`,
  /** The pages of a site as they would be published, in one file. */
  zip: (site: string) => `${API}/sites/${part(site)}/zip`,
  file: (site: string) => `${API}/sites/${part(site)}/file`,
  page: (site: string, page: string) => `${API}/sites/${part(site)}/pages/${part(page)}`,
  assets: (site: string) => `${API}/sites/${part(site)}/assets`,
  /** An image or video of a site, by the SHA-256 of its bytes. */
  asset: (site: string, hash: string) => `${API}/sites/${part(site)}/assets/${part(hash)}`,
  /** An image that was made of one, so many px wide; of all of it, or of a part: its left and top, its width and height in px. */
  made: (
    site: string,
    hash: string,
    width: number,
    type: 'webp' | 'avif' = 'webp',
    of: readonly number[] = [],
  ) => `${API}/sites/${part(site)}/assets/${part(hash)}/${[width, ...of].join('-')}.${type}`,
  /** How far the images are that a publication makes of others. */
  making: (site: string) => `${API}/sites/${part(site)}/making`,
  previews: (site: string) => `${API}/sites/${part(site)}/previews`,
  publications: (site: string) => `${API}/sites/${part(site)}/publications`,
  /** A publication by its number: the site as it was. */
  publication: (site: string, number: number) => `${API}/sites/${part(site)}/publications/${number}`,
  /** Which publication is live. */
  live: (site: string) => `${API}/sites/${part(site)}/live`,
  /** What visitors sent with a site's forms. */
  letters: (site: string) => `${API}/sites/${part(site)}/letters`,
  /** How many of them nobody has read. */
  unreadLetters: (site: string) => `${API}/sites/${part(site)}/letters-unread`,
  /** The same as CSV (RFC 4180), of one form. */
  letterTable: (site: string, form: string) => `${API}/sites/${part(site)}/letters/${part(form)}.csv`,
  /** For how long letters are kept. */
  lettersKept: (site: string) => `${API}/sites/${part(site)}/letters-kept`,
  /** The log of a site's edits; edits are posted to it. */
  edits: (site: string) => `${API}/sites/${part(site)}/edits`,
  edit: (site: string, revision: number) => `${API}/sites/${part(site)}/edits/${revision}`,
  steps: (site: string) => `${API}/sites/${part(site)}/steps`,
  /** The fonts of a site's own; one is known by its SHA-256. */
  ownFonts: (site: string) => `${API}/sites/${part(site)}/fonts`,
  ownFont: (site: string, hash: string) => `${API}/sites/${part(site)}/fonts/${part(hash)}`,
  font: (file: string) => `${API}/fonts/${part(file)}`,
};
