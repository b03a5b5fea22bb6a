import { FormInput } from 'lucide';
import { entries, line, lines, mailAddress, oneOf, yesOrNo } from '../content/contenttypes.ts';
import {
  choicesOf,
  fieldName,
  LETTER,
  longestIn,
  sentPlace,
  TRAP,
  type FormField,
} from '../content/message.ts';
import { element, type Markup } from '../../markup/markup.ts';
import { contentOf, type Kind, type MarkupContext, type Filled } from './kind.ts';
import { lookup } from '../../lookup.ts';

const FIELD_TYPES = [
  { value: 'text', label: 'one line' },
  { value: 'name', label: 'a person’s name' },
  { value: 'email', label: 'email address' },
  { value: 'tel', label: 'telephone number' },
  { value: 'number', label: 'number' },
  { value: 'date', label: 'date' },
  { value: 'lines', label: 'several lines' },
  { value: 'choice', label: 'one of a list' },
  { value: 'tick', label: 'checkbox' },
];

/** What browsers and their helpers fill in by themselves (WCAG 2.2, 1.3.5; HTML Standard, §4.10.18.7). */
const AUTOCOMPLETE: Record<string, string> = { name: 'name', email: 'email', tel: 'tel' };

/** Types of field whose `type` in HTML has another name. */
const INPUTS: Record<string, string> = { tick: 'checkbox', name: 'text' };

function control(field: FormField, attributes: Markup['attributes']): Markup {
  const maxlength = longestIn(field);
  if (field.type === 'lines') return element('textarea', { ...attributes, rows: 4, maxlength });
  if (field.type === 'choice') {
    const options = choicesOf(field);
    // Nothing is chosen beforehand, and what need not be chosen can be left (HTML Standard, §4.10.7, placeholder label option).
    const none = element('option', { value: '' }, '–');
    return element('select', attributes, none, ...options.map((option) => element('option', {}, option)));
  }
  return element('input', {
    ...attributes,
    type: lookup(INPUTS, field.type) ?? field.type,
    autocomplete: lookup(AUTOCOMPLETE, field.type),
    // What is not typed has no length (HTML Standard, §4.10.5.3.1).
    maxlength: ['number', 'date', 'tick'].includes(field.type) ? undefined : maxlength,
  });
}

function fieldMarkup(
  node: Filled,
  field: FormField,
  { index, name }: { index: number; name: string },
  { part }: MarkupContext,
): Markup {
  const id = `${node.id}-${fieldName(index)}`;
  const required = field.required ? '' : undefined;
  const tick = field.type === 'tick';
  // To the eye; a screen reader is told by the control.
  const mark = field.required ? [element('span', { 'aria-hidden': 'true' }, ' *')] : [];
  const label = element('label', { for: id, ...part('label') }, element('span', {}, field.label), ...mark);
  const made = control(field, { id, name, required, ...(tick ? {} : part('field')) });
  return element('p', tick ? { class: 'tick' } : {}, ...(tick ? [made, label] : [label, made]));
}

/** What a letter needs besides its fields: which form it was written in, a trap, and where it says that it has arrived. */
const aroundMessage = (
  node: Filled,
  formMessage: string,
  { part, say }: MarkupContext,
): { before: Markup[]; after: Markup[] } => ({
  before: [
    element(
      'p',
      { class: 'sent', id: sentPlace(node.id), tabindex: -1 },
      contentOf<string>(form, node, 'thanks'),
    ),
    element('input', { type: 'hidden', name: LETTER, value: formMessage }),
  ],
  after: [
    element(
      'p',
      { class: 'trap', 'aria-hidden': 'true' },
      element('label', { for: `${node.id}-${TRAP}`, ...part('label') }, say('leave-empty')),
      element('input', {
        id: `${node.id}-${TRAP}`,
        name: TRAP,
        type: 'text',
        tabindex: -1,
        autocomplete: 'off',
        ...part('field'),
      }),
    ),
  ],
});

/**
 * A form. What it sends arrives as a letter at the host, or, where it has a mail address, is sent by the visitor's own mail program,
 * which works wherever the site is served.
 */
export const form: Kind = {
  name: 'form',
  label: 'Form',
  icon: FormInput,
  offered: 'lists',
  traits: ['form', 'block', 'box', 'backed', 'words', 'coloured', 'gapped', 'aligned'],
  allInParts: true,
  accepts: [],
  destination: true,
  sentToHost: (node) => contentOf<string>(form, node, 'to') === '',
  display: 'grid',
  structure: { display: 'grid' },
  inner: {
    p: { margin: '0', display: 'grid', gap: '0.375rem' },
    'p.tick': { display: 'flex', 'align-items': 'center' },
    // Said when a letter has arrived: the address leads to it then.
    'p.sent': { display: 'none', padding: '1rem', border: '2px solid', 'scroll-margin-top': '6rem' },
    'p.sent:target': { display: 'block' },
    '.faults': { padding: '1rem', border: '2px solid' },
    '.faults a': { color: 'inherit' },
    '.fault': { 'font-weight': '700' },
    'p.trap': {
      position: 'absolute',
      width: '1px',
      height: '1px',
      overflow: 'hidden',
      'clip-path': 'inset(50%)',
    },
    ':is(input, select, textarea)': {
      font: 'inherit',
      color: 'inherit',
      'min-width': '0',
      'max-width': '100%',
      'min-height': '2.75rem',
    },
    'input[type=checkbox]': { width: '1.5rem', height: '1.5rem', 'min-height': '0', margin: '0' },
    button: { font: 'inherit', 'justify-self': 'start', cursor: 'pointer', 'min-height': '2.75rem' },
  },
  defaults: { gap: 16 },
  parts: {
    label: { label: 'Labels', selector: 'label', textStyle: 'label' },
    field: {
      label: 'Fields',
      selector: ':is(input:not([type=checkbox], [type=hidden]), select, textarea)',
      defaults: {
        backgroundColour: 'white',
        colour: 'black',
        paddingTop: 8,
        paddingRight: 12,
        paddingBottom: 8,
        paddingLeft: 12,
        borderTop: 1,
        borderRight: 1,
        borderBottom: 1,
        borderLeft: 1,
        borderColour: '#767676',
        radius: 4,
      },
    },
    button: {
      label: 'Submit button',
      selector: 'button',
      textStyle: 'button',
      defaults: {
        colour: 'white',
        backgroundColour: 'black',
        paddingTop: 12,
        paddingRight: 24,
        paddingBottom: 12,
        paddingLeft: 24,
        radius: 6,
      },
    },
  },
  textStyle: () => 'body',
  content: [
    { name: 'name', label: 'Name', type: line, initial: 'Form' },
    {
      name: 'fields',
      selector: 'p:has(> label):not(.trap)',
      label: 'Fields',
      type: entries('field', [
        {
          name: 'label',
          label: 'Label',
          type: line,
          initial: 'New field',
          selector: 'label > span:first-child',
        },
        { name: 'type', label: 'Type', type: oneOf(FIELD_TYPES), initial: 'text' },
        { name: 'required', label: 'Required', type: yesOrNo, initial: false },
        { name: 'options', label: 'Choices, one per line', type: lines, initial: '' },
      ]),
      initial: [],
    },
    { name: 'send', label: 'Text of the button', type: line, initial: 'Send', selector: ':scope > button' },
    {
      name: 'thanks',
      label: 'Message after sending',
      type: line,
      initial: 'Thank you. Your message has arrived.',
    },
    { name: 'to', label: 'Email address, if not to Messages', type: mailAddress, initial: '' },
  ],
  markup: (node, context) => {
    const to = contentOf<string>(form, node, 'to');
    const name = contentOf<string>(form, node, 'name');
    const fields = contentOf<FormField[]>(form, node, 'fields');
    const formMessage = to ? undefined : context.formMessage({ id: node.id, name, fields });
    const { before, after } =
      formMessage === undefined ? { before: [], after: [] } : aroundMessage(node, formMessage, context);
    const sent = to
      ? { action: `mailto:${to}`, method: 'post', enctype: 'text/plain' }
      : formMessage !== undefined && { action: './', method: 'post' };
    return element(
      'form',
      { ...context.attributes, 'aria-label': name, ...sent },
      ...before,
      ...fields.map((field, index) =>
        // In a mail, people read the names.
        fieldMarkup(node, field, { index, name: to ? field.label : fieldName(index) }, context),
      ),
      ...after,
      // Where no host takes letters there is nowhere to send it to.
      element(
        'button',
        { type: 'submit', disabled: sent ? undefined : '', ...context.part('button') },
        contentOf<string>(form, node, 'send'),
      ),
    );
  },
};
