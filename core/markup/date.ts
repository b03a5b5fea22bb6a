/** A day as `2026-11-30`, the calendar date of ISO 8601. */
const DAY = /^\d{4}-\d{2}-\d{2}$/;

/** Whether a text is a day that there is, as `2026-11-30`. */
export function isDay(text: string): boolean {
  if (!DAY.test(text)) return false;
  const moment = new Date(`${text}T00:00:00Z`);
  return !Number.isNaN(moment.getTime()) && moment.toISOString().startsWith(text);
}

/** A day in words of a language (BCP 47), as `30 November 2026`; the day itself where the language is not known or there is no such day. */
export function dateInWords(day: string, language: string): string {
  if (!isDay(day)) return day;
  return new Intl.DateTimeFormat(language, {
    dateStyle: 'long',
    timeZone: 'UTC',
    calendar: 'gregory',
  }).format(new Date(`${day}T00:00:00Z`));
}
