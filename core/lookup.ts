/** A pattern (ECMA-262 lookahead) that no name passes to which every object answers, such as `constructor`. */
export const NOT_OF_EVERY_OBJECT = `(?!(${Object.getOwnPropertyNames(Object.prototype).join('|')})$)`;

/** Whether every object answers to a name. */
export const isOfEveryObject = (name: string): boolean => name in Object.prototype;

/**
 * What a table holds under a name; undefined where it has nothing of its own there. Every object also answers to `constructor`,
 * `toString` and the like, so that a name from outside must not be looked up in any other way.
 */
export const lookup = <T>(
  table: Readonly<Record<string, T>> | null | undefined,
  name: PropertyKey | undefined,
): T | undefined =>
  // eslint-disable-next-line names/own-lookups -- the one place where it is asked first
  table && name !== undefined && Object.hasOwn(table, name) ? table[name as string] : undefined;

/** The names in a table, as its type has them. */
export const keysOf = <K extends string>(table: Readonly<Record<K, unknown>>): K[] =>
  Object.keys(table) as K[];
