/** What a form takes: written by hand after what HTML's own fields take. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  compileSite,
  formsSentToHost,
  lackedWithoutHost,
  filled,
  readMessage,
  SYSTEM_MESSAGES,
  type MessageFault,
  type MessageForm,
} from '../../core/index.ts';
import { home, made, node, site, withPage } from './acting.ts';

const field = (type: string, more: Partial<MessageForm['fields'][number]> = {}) => ({
  ...{ label: type, type, required: false, options: '' },
  ...more,
});

const formOf = (...fields: MessageForm['fields']): MessageForm => ({
  element: 'ask',
  id: 'ask',
  name: 'Ask',
  fields,
});

const sentenceOf = ({ says, filled: values }: MessageFault) => filled(SYSTEM_MESSAGES[says].says, values);

/** Reads one field, beside another that is filled in. */
const read = (one: MessageForm['fields'][number], value: string | null) => {
  const sent = new URLSearchParams({ 'field-2': 'x' });
  if (value !== null) sent.set('field-1', value);
  const { lines, faults } = readMessage(formOf(one, field('text')), sent);
  return { value: lines[0].value, fault: faults.length > 0 ? sentenceOf(faults[0]) : undefined };
};

describe('a letter', () => {
  it('is taken as it was written, on one line where the field has one', () => {
    expect(read(field('text'), '  Nell\r\n  Ashby\t')).to.deep.equal({
      value: 'Nell Ashby',
      fault: undefined,
    });
    expect(read(field('lines'), 'one\r\n\r\ntwo\rthree ')).to.deep.equal({
      value: 'one\n\ntwo\nthree',
      fault: undefined,
    });
    expect(read(field('text'), 'a\u0000b\u001b[31m\u0085c').value).to.equal('ab[31mc');
    expect(read(field('tick'), 'on').value).to.equal('yes');
    expect(read(field('tick'), null).value).to.equal('no');
  });

  it('lacks what has to be there', () => {
    for (const type of ['text', 'name', 'email', 'tel', 'number', 'date', 'lines', 'choice'])
      for (const given of ['', ' \n ', null])
        expect(read(field(type, { required: true }), given).fault, type).to.equal('This must be filled in.');
    expect(read(field('tick', { required: true }), null).fault).to.equal('This must be ticked.');
    expect(readMessage(formOf(field('text'), field('tick')), new URLSearchParams()).faults).to.deep.equal([
      { says: 'nothing-written' },
    ]);
    expect(readMessage(formOf(), new URLSearchParams()).faults).to.deep.equal([]);
  });

  // HTML Standard, §2.3.4.3 (numbers), §2.3.5.2 (dates), §4.10.5.1.5 (mail addresses), and their examples.
  it('has in each field what a browser would let through, whoever sends it', () => {
    const day = 'This must be a date as year, month and day: 2031-06-21.';
    const number = 'This must be a number.';
    const mail = 'This must be an email address.';
    const takes: [string, string, string | undefined][] = [
      ['date', '2031-06-21', undefined],
      ['date', '2028-02-29', undefined],
      ['date', '2031-02-29', day],
      ['date', '1900-02-29', day],
      ['date', '2000-02-29', undefined],
      ['date', '2031-13-01', day],
      ['date', '2031-04-31', day],
      ['date', '2031-06-00', day],
      ['date', '0000-06-01', day],
      ['date', '21.6.2031', day],
      ['number', '-1.5e3', undefined],
      ['number', '.5', undefined],
      ['number', '1,5', number],
      ['number', '1.', number],
      ['number', '+1', number],
      ['number', 'Infinity', number],
      ['email', 'nell@b.example', undefined],
      ['email', 'nell@', mail],
      ['email', 'nell@b.example\nBcc: all@b.example', mail],
      ['email', '<nell@b.example>', mail],
    ];
    for (const [type, given, fault] of takes) expect(read(field(type), given).fault, given).to.equal(fault);
    const choice = field('choice', { options: 'Mon\n\nTue' });
    expect(read(choice, 'Tue').fault).to.equal(undefined);
    for (const given of ['Wed', 'Mon\nTue', 'tue'])
      expect(read(choice, given).fault).to.equal('This isn’t one of the choices.');
    expect(read(field('text'), 'x'.repeat(1000)).fault).to.equal(undefined);
    expect(read(field('text'), 'x'.repeat(1001)).fault).to.equal(
      'This is too long: it takes 1000 characters.',
    );
    expect(read(field('lines'), 'x'.repeat(20_001)).fault).to.match(/20000 characters/);
  });

  it('holds nothing but the fields of its form, whatever is sent', () => {
    const form = formOf(field('text'), field('lines'), field('tick'));
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.string(), fc.string({ unit: 'binary' }))),
        fc.string({ unit: 'binary' }),
        (pairs, words) => {
          const { lines } = readMessage(form, new URLSearchParams([...pairs, ['field-1', words]]));
          expect(lines.map(({ label }) => label)).to.deep.equal(['text', 'lines', 'tick']);
          expect(lines[0].value).to.not.match(/[\u0000-\u001f\u007f-\u009f]/);
        },
      ),
    );
  });

  it('is doubtful where a field is filled in that nobody sees', () => {
    const sent = (trap: string) => new URLSearchParams({ 'field-1': 'x', website: trap });
    expect(readMessage(formOf(field('text')), sent('http://spam.example')).doubtful).to.equal(true);
    expect(readMessage(formOf(field('text')), sent('')).doubtful).to.equal(false);
  });
});

describe('a form without an email address', () => {
  const section = home.nodes[home.root].children[1];
  const added = made('addElement', { kind: 'form', id: node('ask'), parent: section, after: null });
  const fields = [field('text', { label: 'Your name', required: true })];
  const asking = withPage(
    site,
    made('setContent', { node: node('ask'), field: 'fields', value: fields }, added.page).page,
  );
  const messageFiles = (at: Parameters<typeof compileSite>[1]) =>
    compileSite(asking, at).filter(({ path }) => path.startsWith('letters/ask-'));

  it('says in its page by which name the host knows what it asks', () => {
    const [file, ...others] = messageFiles({});
    expect(others).to.deep.equal([]);
    expect(file.path).to.match(/^letters\/ask-[0-9a-f]{10}\.json$/);
    expect('text' in file && JSON.parse(file.text)).to.deep.equal({
      ...{ element: 'ask', id: 'ask', name: 'Form' },
      fields: [{ label: 'Your name', type: 'text', required: true, options: '' }],
    });
    const page = compileSite(asking).find(({ path }) => path === 'index.html')!;
    const name = /ask-[0-9a-f]{10}/.exec(file.path)![0];
    expect('text' in page && page.text)
      .to.include(`<input type="hidden" name="letter" value="${name}">`)
      .and.match(/<form [^>]*action="\.\/" method="post">/);
  });

  it('cannot be sent from files in a folder, and that is said', () => {
    expect(messageFiles({ still: true })).to.deep.equal([]);
    const page = compileSite(asking, { still: true }).find(({ path }) => path === 'index.html')!;
    expect('text' in page && page.text).to.match(
      /<button type="submit" disabled[^>]*>Send<\/button><\/form>/,
    );
    expect(formsSentToHost(asking)).to.include('Form');
    expect(lackedWithoutHost(asking)).to.match(
      /^Files in a folder cannot receive messages, so these forms cannot be sent from there: .*Form.*\. Give a form an email address, and visitors send it with their own mail program\.$/,
    );
    const mail = made(
      'setContent',
      { node: node('ask'), field: 'to', value: 'a@b.example' },
      asking.pages[home.id],
      asking,
    );
    expect(formsSentToHost(mail.site)).to.not.include('Form');
  });
});
