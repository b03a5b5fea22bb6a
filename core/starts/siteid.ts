import slugify from '@sindresorhus/slugify';

/** Names under which the host serves other things than sites. */
const RESERVED = ['preview'];

/** Characters of an id; room is left for a number behind it. */
const MOST = 54;

/**
 * The id of a new site, which is also its folder at the host: from its name, in letters that every address can hold, and
 * another one than those that are taken.
 */
export function siteIdOf(name: string, isTaken: (id: string) => boolean = () => false): string {
  const plain = slugify(name).slice(0, MOST).replace(/-$/, '') || 'site';
  const free = (id: string) => !RESERVED.includes(id) && !isTaken(id);
  let id = plain;
  for (let count = 2; !free(id); count++) id = `${plain}-${count}`;
  return id;
}
