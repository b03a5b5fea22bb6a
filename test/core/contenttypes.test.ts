/** What content takes, in which form it is kept, and what is said of what it does not take. */
import { expect } from 'chai';
import { knownKind } from '../../core/index.ts';
import { type ContentType } from '../../core/elements/content/contenttypes.ts';
import { frame } from './acting.ts';

describe('content', () => {
  const typeOf = (kind: string, field: string): ContentType =>
    knownKind(kind).content.find(({ name }) => name === field)!.type;

  it('is kept in one form', () => {
    const clean = (kind: string, field: string, value: unknown): unknown => typeOf(kind, field).clean(value);
    expect(clean('button', 'label', '  a \n  b ')).to.equal('a b');
    expect(clean('heading', 'text', '<p>a <b>b</b></p>')).to.equal('a <strong>b</strong>');
    expect(clean('text', 'text', 'a')).to.equal('<p>a</p>');
    expect(clean('button', 'link', ' https://a.example/\n ')).to.equal('https://a.example/');
    expect(clean('form', 'to', ' a@b.example ')).to.equal('a@b.example');
    expect(clean('form', 'fields', [{ label: ' a  b ', options: 'x\n\n y  z ' }])).to.deep.equal([
      { label: 'a b', type: 'text', required: false, options: 'x\ny z' },
    ]);
  });

  it('says what is wrong with it', () => {
    const fault = (kind: string, field: string, value: unknown) => typeOf(kind, field).fault?.(value, frame);
    expect(fault('button', 'link', '')).to.equal(undefined);
    expect(fault('button', 'link', 'tel:+44123')).to.equal(undefined);
    expect(fault('button', 'link', 'javascript:1')).to.match(/^“javascript:1” is not a link to a page/);
    for (const mail of ['', 'a@b.example', "o'neil+x@a-b.example.org"])
      expect(fault('form', 'to', mail), mail).to.equal(undefined);
    for (const mail of ['a', 'a@b', '@b.example', 'a@b..example', 'a b@c.example', 'a@.example'])
      expect(fault('form', 'to', mail), mail).to.equal(`“${mail}” isn’t an email address.`);
    expect(fault('gallery', 'pictures', [{ picture: 'saturn' }, { picture: 'gone' }])).to.equal(
      'The site has no image “gone”.',
    );
    expect(fault('gallery', 'pictures', [{ picture: '' }])).to.equal(undefined);
    expect(fault('video', 'file', 'saturn')).to.equal('The site has no video “saturn”.');
    expect(fault('video', 'poster', 'saturn')).to.equal(undefined);
  });

  it('goes as far as is written down here', () => {
    const most: [kind: string, field: string, limit: 'maxLength' | 'maxItems', value: number][] = [
      ['heading', 'text', 'maxLength', 50_000],
      ['text', 'text', 'maxLength', 50_000],
      ['button', 'label', 'maxLength', 400],
      ['button', 'link', 'maxLength', 2000],
      ['form', 'to', 'maxLength', 254],
      ['video', 'file', 'maxLength', 40],
      ['form', 'fields', 'maxItems', 60],
    ];
    for (const [kind, field, limit, value] of most)
      expect(typeOf(kind, field).schema[limit], `${kind} ${field}`).to.equal(value);
    const options = typeOf('form', 'fields').fields!.find(({ name }) => name === 'options')!;
    expect(options.type.schema.maxLength).to.equal(4000);
    expect(typeOf('form', 'fields').schema.items).to.have.property('additionalProperties', false);
  });
});
