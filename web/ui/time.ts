/** Moments as the reader's own language and country write them. */
const CLOCK = new Intl.DateTimeFormat(undefined, { timeStyle: 'short' });
const MOMENT = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' });

export const clock = (at: number | Date): string => CLOCK.format(at);
export const moment = (at: number | Date): string => MOMENT.format(at);
