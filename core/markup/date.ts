/** A calendar date of ISO 8601, such as `2026-11-30`. */
const DATE = /^\d{4}-\d{2}-\d{2}$/;

/** Checks that a text is a valid calendar date, such as `2026-11-30`. */
export function isDate(text: string): boolean {
  if (!DATE.test(text)) return false;
  const moment = new Date(`${text}T00:00:00Z`);
  return !Number.isNaN(moment.getTime()) && moment.toISOString().startsWith(text);
}

/** Formats a date as `30 November 2026`, in a language (BCP 47 tag); returns an invalid date unchanged. */
export function dateInWords(date: string, language: string): string {
  if (!isDate(date)) return date;
  return new Intl.DateTimeFormat(language, {
    dateStyle: 'long',
    timeZone: 'UTC',
    calendar: 'gregory',
  }).format(new Date(`${date}T00:00:00Z`));
}
