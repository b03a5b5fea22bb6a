/** What ids of the site's colours and spacing steps look like, as a pattern. */
export const TOKEN = '[a-z][a-z0-9-]*';

const ALIAS = new RegExp(`^\\{(${TOKEN})\\}$`);

/** `{name}`: an alias of a value of the site, as the W3C Design Tokens format writes aliases. */
export const aliasTo = (id: string): string => `{${id}}`;

/** The id that an alias names; undefined for what is no alias. */
export const aliasOf = (value: string): string | undefined => ALIAS.exec(value)?.[1];
