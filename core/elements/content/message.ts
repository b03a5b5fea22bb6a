import { isMailAddress } from './contenttypes.ts';
import type { Filled, SystemMessage } from './systemmessages.ts';
import { lookup } from '../../lookup.ts';

/** A field of a form. */
export interface FormField {
  label: string;
  type: string;
  required: boolean;
  /** What can be chosen, one a line. */
  options: string;
}

/** What a form asks, as visitors have it before them: what they send is read by that, also when the form is another by then. */
export interface MessageForm {
  /** The element. */
  element: string;
  /** Its id in the page. */
  id: string;
  name: string;
  /** BCP 47 tag of the language of its page, where that is not the site's. */
  lang?: string;
  fields: FormField[];
}

/** What a visitor wrote into a field, or that nothing was written. */
export interface MessageLine {
  label: string;
  value: string;
}

/** What keeps a letter from being taken, at a field where it is one that does. */
export interface MessageFault {
  field?: number;
  says: SystemMessage;
  /** What is filled in where it is said. */
  filled?: Filled;
}

export interface ReadMessage {
  lines: MessageLine[];
  /** None: it can be taken. */
  faults: MessageFault[];
  /** A field was filled in that people do not see: it may come from a robot. */
  doubtful: boolean;
}

/** The name under which a field is sent. */
export const fieldName = (index: number): string => `field-${index + 1}`;

/** The name under which it is said which form a letter was written in. */
export const LETTER = 'letter';

/** A field that people neither see nor reach; robots fill in what is there (common practice). */
export const TRAP = 'website';

/** The part of a page's address where it says that a letter has arrived. */
export const sentPlace = (id: string): string => `${id}-sent`;

/** Characters that a field takes. */
export const longestIn = ({ type }: Pick<FormField, 'type'>): number => (type === 'lines' ? 20_000 : 1000);

/** All that can be chosen. */
export const choicesOf = ({ options }: Pick<FormField, 'options'>): string[] =>
  options.split('\n').filter(Boolean);

const isDay = (value: string): boolean => {
  const [, year, month, day] = /^(\d{4,6})-(\d\d)-(\d\d)$/.exec(value) ?? [];
  if (year === undefined) return false;
  const months = [
    31,
    Number(year) % 4 === 0 && (Number(year) % 100 !== 0 || Number(year) % 400 === 0) ? 29 : 28,
  ];
  const days = [...months, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31][Number(month) - 1];
  return Number(year) > 0 && days !== undefined && Number(day) >= 1 && Number(day) <= days;
};

/** What is wrong with what was written into a field (HTML Standard, §4.10.5.1: what a control of its type takes). */
const FAULTS: Record<string, (value: string, field: FormField) => SystemMessage | undefined> = {
  email: (value) => (isMailAddress(value) ? undefined : 'no-mail'),
  // A valid floating-point number (HTML Standard, §2.3.4.3).
  number: (value) => (/^-?(\d+(\.\d+)?|\.\d+)(e[+-]?\d+)?$/i.test(value) ? undefined : 'no-number'),
  date: (value) => (isDay(value) ? undefined : 'no-date'),
  choice: (value, field) => (choicesOf(field).includes(value) ? undefined : 'no-choice'),
};

/** Line ends as one, no characters that are not for reading, nothing before or behind. */
const legible = (value: string): string =>
  value
    .replace(/\r\n?/g, '\n')
    .replace(/[\u0000-\u0008\u000b-\u001f\u007f-\u009f]/g, '')
    .trim();

/**
 * Reads what was sent with a form. Whoever sends is not believed to have used a browser: what a field does not take is refused
 * here too, and what is no field of the form is left out.
 */
export function readMessage(form: MessageForm, sent: { get(name: string): string | null }): ReadMessage {
  const faults: MessageFault[] = [];
  const lines = form.fields.map((field, index): MessageLine => {
    const { label, type, required } = field;
    const given = sent.get(fieldName(index));
    if (type === 'tick') {
      if (required && given === null) faults.push({ field: index, says: 'to-tick' });
      return { label, value: given === null ? 'no' : 'yes' };
    }
    const plain = legible(given ?? '');
    const value = type === 'lines' ? plain : plain.replace(/\s+/g, ' ');
    const most = longestIn(field);
    const fault: SystemMessage | undefined =
      value === ''
        ? required
          ? 'needed'
          : undefined
        : value.length > most
          ? 'too-long'
          : lookup(FAULTS, type)?.(value, field);
    if (fault)
      faults.push({ field: index, says: fault, ...(fault === 'too-long' && { filled: { number: most } }) });
    return { label, value };
  });
  if (form.fields.length > 0 && lines.every(({ value }) => value === '' || value === 'no'))
    faults.unshift({ says: 'nothing-written' });
  return { lines, faults, doubtful: (sent.get(TRAP) ?? '') !== '' };
}
