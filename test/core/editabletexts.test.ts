/** Texts that can be edited in place: the selector of each content field finds its text in the markup, and nothing else. */
import { expect } from 'chai';
import { JSDOM } from 'jsdom';
import { KINDS, plainText, type ContentField } from '../../core/index.ts';
import { printed } from './printing.ts';

/** What entries need besides texts, so that they are printed. */
const ALSO: Record<string, Record<string, unknown>> = {
  gallery: { picture: 'dome', alt: '' },
  form: { type: 'text', required: true, options: '' },
  navigation: { link: 'page:home' },
  social: { icon: 'rss', link: 'https://a.example/' },
  strip: { icon: 'phone', link: 'tel:+44' },
};

const select = (within: Element, selector: string): Element[] =>
  selector === ':scope' ? [within] : [...within.querySelectorAll(selector)];

const FIELDS = KINDS.flatMap((kind) =>
  kind.content.filter(({ selector }) => selector !== undefined).map((field) => ({ kind: kind.name, field })),
);

describe('a text that can be edited in place', () => {
  it('exists for every kind with several texts', () => {
    expect([...new Set(FIELDS.map(({ kind }) => kind))]).to.have.members([
      ...['list', 'quote', 'gallery', 'video', 'navigation', 'social', 'prices', 'hours', 'timetable'],
      ...['questions', 'form', 'strip'],
    ]);
  });

  for (const { kind, field } of FIELDS)
    it(`is found by its selector: ${kind}, ${field.name}`, () => {
      const texts = (field.type.fields ?? []).filter(({ selector }) => selector !== undefined);
      const entry = (number: number) => ({
        ...ALSO[kind],
        ...Object.fromEntries(texts.map(({ name }: ContentField) => [name, `${name} ${number}`])),
      });
      const content = { [field.name]: field.type.fields ? [entry(1), entry(2)] : 'One text' };
      const whole = new JSDOM(printed(kind, content)).window.document.body.firstElementChild!;
      const found = select(whole, field.selector!);
      if (!field.type.fields) {
        expect(found.map(({ textContent }) => textContent)).to.deep.equal(['One text']);
        return;
      }
      expect(texts, 'an entry has texts').to.not.have.length(0);
      expect(found).to.have.length(2);
      found.forEach((each, index) => {
        for (const { name, selector } of texts) {
          const [element, ...others] = select(each, selector!);
          expect(others, name).to.have.length(0);
          expect(element.textContent, name).to.equal(plainText(`${name} ${index + 1}`));
          // Plain text is edited as such, which needs an element without others in it.
          expect(element.childElementCount, name).to.equal(0);
        }
      });
    });
});
