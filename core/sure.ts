/**
 * What has to be there by what was made sure of before, where types cannot say so: each gives it, or throws a `RangeError` that says what is
 * missing, in place of going on with nothing. For what people or files say none of these is right: that is validated.
 */

/** What is there. `what` names it in the error. */
export function sure<T>(value: T, what = 'Something'): NonNullable<T> {
  if (value === undefined || value === null) throw new RangeError(`${what} is missing where it has to be.`);
  return value;
}

/** The last entry of a list that has one. */
export function lastOf<T>(list: readonly T[]): T {
  if (list.length === 0) throw new RangeError('A list is empty that has to have an entry.');
  return list[list.length - 1];
}

/** What a map has under a key that it has. */
export function knownIn<K, V>(map: { get(key: K): V | undefined }, key: K): V {
  return sure(map.get(key), `The entry ${String(key)}`);
}

/** The entry of a list that is as asked, where there is one. */
export function theOne<T>(list: readonly T[], is: (entry: T) => boolean): T {
  return sure(list.find(is), 'An entry of a list');
}
