import slugify from '@sindresorhus/slugify';

/** Names under which the host serves other things than sites. */
const RESERVED = ['preview', 'publication'];

/** Names of folders that every published site has for itself. */
const RESERVED_IN_SITES = ['assets'];

/** Characters of an address; room is left for a number behind it. */
const MOST = 54;

/** A name in letters that every address can hold, with a number behind it until it is free. */
function addressOf(name: string, otherwise: string, isFree: (address: string) => boolean): string {
  const plain = slugify(name).slice(0, MOST).replace(/-$/, '') || otherwise;
  let address = plain;
  for (let count = 2; !isFree(address); count++) address = `${plain}-${count}`;
  return address;
}

/** The id of a new site, which is also its folder at the host: after its name, and another than those that are taken. */
export const siteIdOf = (name: string, isTaken: (id: string) => boolean = () => false): string =>
  addressOf(name, 'site', (id) => !RESERVED.includes(id) && !isTaken(id));

/** The address of a page in its site: after its title, and another than those that are taken. */
export const pageSlugOf = (title: string, isTaken: (slug: string) => boolean): string =>
  addressOf(title, 'page', (slug) => !RESERVED_IN_SITES.includes(slug) && !isTaken(slug));
