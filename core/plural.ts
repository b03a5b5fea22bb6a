const rules = new Intl.PluralRules('en');

/** The form of a word that goes with a count, in English. */
export const plural = (count: number, one: string, many: string): string =>
  rules.select(count) === 'one' ? one : many;

/** A count with its noun: “1 row”, “3 rows”. */
export const counted = (count: number, one: string, many = `${one}s`): string =>
  `${count} ${plural(count, one, many)}`;
