import { parse, serialize, type DefaultTreeAdapterTypes } from 'parse5';
import { fieldName, LETTER, type MessageFault, type MessageForm } from '../../core/index.ts';
import type { Said } from './systemmessages.ts';

type Element = DefaultTreeAdapterTypes.Element;
type Parent = DefaultTreeAdapterTypes.ParentNode;

const isElement = (node: DefaultTreeAdapterTypes.Node): node is Element => 'tagName' in node;

/** All elements below a node, in their order. */
function* within(node: Parent): Generator<Element> {
  for (const child of node.childNodes) {
    if (!isElement(child)) continue;
    yield child;
    yield* within(child);
  }
}

const valueOf = (element: Element, name: string): string | undefined =>
  element.attrs.find((attribute) => attribute.name === name)?.value;

function set(element: Element, name: string, value: string): void {
  element.attrs = [...element.attrs.filter((attribute) => attribute.name !== name), { name, value }];
}

function made(tag: string, attributes: Record<string, string>, ...children: (Element | string)[]): Element {
  const element = {
    nodeName: tag,
    tagName: tag,
    attrs: Object.entries(attributes).map(([name, value]) => ({ name, value })),
    namespaceURI: 'http://www.w3.org/1999/xhtml' as Element['namespaceURI'],
    parentNode: null,
    childNodes: [],
  } as Element;
  element.childNodes = children.map((child) =>
    typeof child === 'string'
      ? { nodeName: '#text' as const, value: child, parentNode: element }
      : Object.assign(child, { parentNode: element }),
  );
  return element;
}

/** Puts what was written back into a control. */
function fill(control: Element, value: string | null): void {
  if (control.tagName === 'textarea') control.childNodes = made('textarea', {}, value ?? '').childNodes;
  else if (control.tagName === 'select') {
    for (const option of within(control))
      if (option.childNodes.some((text) => 'value' in text && text.value === value))
        set(option, 'selected', '');
  } else if (valueOf(control, 'type') === 'checkbox') {
    if (value !== null) set(control, 'checked', '');
  } else if (value !== null) set(control, 'value', value);
}

/** What is said of a letter that was not taken. */
export interface NotTaken {
  /** The name by which the page says which form it is. */
  message: string;
  form: MessageForm;
  sent: URLSearchParams;
  sentence: string;
  messages: Said;
  faults: readonly MessageFault[];
}

/**
 * A page with a form as it was filled in, and with what is wrong there: said at its beginning, where the focus goes, and at each
 * field. Undefined where the page has no such form.
 */
export function filledPage(
  html: string,
  { message, form, sent, sentence, faults, messages }: NotTaken,
): string | undefined {
  const page = parse(html);
  const elements = [...within(page)];
  const found = elements.find(
    (element) =>
      element.tagName === 'form' &&
      [...within(element)].some(
        (each) => valueOf(each, 'name') === LETTER && valueOf(each, 'value') === message,
      ),
  );
  if (!found) return undefined;
  const wrong = ({ says, filled }: MessageFault) => messages.say(says, filled);
  const listed = faults.map((fault) => {
    if (fault.field === undefined) return made('li', {}, wrong(fault));
    const place = `#${form.id}-${fieldName(fault.field)}`;
    return made('li', {}, made('a', { href: place }, form.fields[fault.field].label), `: ${wrong(fault)}`);
  });
  const controls = new Map([...within(found)].map((each) => [valueOf(each, 'name'), each]));
  form.fields.forEach((_field, index) => {
    const name = fieldName(index);
    const control = controls.get(name);
    if (!control) return;
    fill(control, sent.get(name));
    const fault = faults.find(({ field }) => field === index);
    if (!fault) return;
    const id = `${form.id}-${name}-fault`;
    set(control, 'aria-invalid', 'true');
    set(control, 'aria-describedby', id);
    const messages = made('span', { class: 'fault', id }, wrong(fault));
    const parent = control.parentNode as Element;
    messages.parentNode = parent;
    parent.childNodes.push(messages);
  });
  const summary = made(
    'div',
    { class: 'faults', role: 'alert', tabindex: '-1', autofocus: '' },
    made('p', {}, sentence),
    ...(listed.length > 0 ? [made('ul', {}, ...listed)] : []),
  );
  summary.parentNode = found;
  found.childNodes.unshift(summary);
  const title = elements.find(({ tagName }) => tagName === 'title');
  if (title)
    title.childNodes = [
      ...made('title', {}, `${messages.say('not-sent')}: `).childNodes,
      ...title.childNodes,
    ];
  return serialize(page);
}
