import { entries, line, lines, mailAddress, oneOf, yesOrNo } from '../content/contenttypes.ts';
import { element, type Markup } from '../../markup/markup.ts';
import { contentOf, type Kind, type MarkupContext, type Filled } from './kind.ts';

interface FormField {
  label: string;
  type: string;
  required: boolean;
  options: string;
}

const FIELD_TYPES = [
  { value: 'text', label: 'one line' },
  { value: 'name', label: 'a person’s name' },
  { value: 'email', label: 'mail address' },
  { value: 'tel', label: 'telephone number' },
  { value: 'number', label: 'number' },
  { value: 'date', label: 'date' },
  { value: 'lines', label: 'several lines' },
  { value: 'choice', label: 'one of a list' },
  { value: 'tick', label: 'a tick' },
];

/** What browsers and their helpers fill in by themselves (WCAG 2.2, 1.3.5; HTML Standard, §4.10.18.7). */
const AUTOCOMPLETE: Record<string, string> = { name: 'name', email: 'email', tel: 'tel' };

/** Types of field whose `type` in HTML has another name. */
const INPUTS: Record<string, string> = { tick: 'checkbox', name: 'text' };

function control(field: FormField, attributes: Markup['attributes']): Markup {
  if (field.type === 'lines') return element('textarea', { ...attributes, rows: 4 });
  if (field.type === 'choice') {
    const options = field.options.split('\n').filter(Boolean);
    // One that has to be chosen is not chosen beforehand (HTML Standard, §4.10.7, placeholder label option).
    const none = field.required ? [element('option', { value: '' }, '–')] : [];
    return element('select', attributes, ...none, ...options.map((option) => element('option', {}, option)));
  }
  return element('input', {
    ...attributes,
    type: INPUTS[field.type] ?? field.type,
    autocomplete: AUTOCOMPLETE[field.type],
  });
}

function fieldMarkup(node: Filled, field: FormField, index: number, { part }: MarkupContext): Markup {
  const id = `${node.id}-field-${index + 1}`;
  const required = field.required ? '' : undefined;
  const tick = field.type === 'tick';
  // To the eye; a screen reader is told by the control.
  const mark = field.required ? [element('span', { 'aria-hidden': 'true' }, ' *')] : [];
  const label = element('label', { for: id, ...part('label') }, field.label, ...mark);
  const made = control(field, { id, name: field.label, required, ...(tick ? {} : part('field')) });
  return element('p', tick ? { class: 'tick' } : {}, ...(tick ? [made, label] : [label, made]));
}

/** A form that is sent as mail: by the visitor's own mail program, so that it works wherever the site is served. */
export const form: Kind = {
  name: 'form',
  label: 'Form',
  traits: ['block', 'box', 'backed', 'words', 'coloured', 'gapped', 'aligned'],
  allInParts: true,
  accepts: [],
  display: 'grid',
  structure: { display: 'grid' },
  inner: {
    p: { margin: '0', display: 'grid', gap: '0.375rem' },
    'p.tick': { display: 'flex', 'align-items': 'center' },
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
      selector: ':is(input:not([type=checkbox]), select, textarea)',
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
      label: 'Button that sends it',
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
      label: 'Fields',
      type: entries('field', [
        { name: 'label', label: 'Label', type: line, initial: 'New field' },
        { name: 'type', label: 'Type', type: oneOf(FIELD_TYPES), initial: 'text' },
        { name: 'required', label: 'Must be filled in', type: yesOrNo, initial: false },
        { name: 'options', label: 'Choices, one a line', type: lines, initial: '' },
      ]),
      initial: [],
    },
    { name: 'send', label: 'Words of the button', type: line, initial: 'Send' },
    { name: 'to', label: 'Sent to (mail address)', type: mailAddress, initial: '' },
  ],
  markup: (node, context) => {
    const to = contentOf<string>(form, node, 'to');
    return element(
      'form',
      {
        ...context.attributes,
        'aria-label': contentOf<string>(form, node, 'name'),
        ...(to && { action: `mailto:${to}`, method: 'post', enctype: 'text/plain' }),
      },
      ...contentOf<FormField[]>(form, node, 'fields').map((field, index) =>
        fieldMarkup(node, field, index, context),
      ),
      // Without an address there is nowhere to send it to.
      element(
        'button',
        { type: 'submit', disabled: to ? undefined : '', ...context.part('button') },
        contentOf<string>(form, node, 'send'),
      ),
    );
  },
};
