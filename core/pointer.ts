/** A pointer to an entry below another, with the two characters that RFC 6901 escapes. */
export const pointer = (base: string, ...keys: (string | number)[]): string =>
  keys.reduce<string>((path, key) => `${path}/${String(key).replace(/~/g, '~0').replace(/\//g, '~1')}`, base);
