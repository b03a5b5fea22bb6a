/** Messages: what visitors send with the forms of a published site, over real HTTP. */
import { expect } from 'chai';
import { parse as parseCsv } from 'csv-parse/sync';
import { parse, type DefaultTreeAdapterTypes } from 'parse5';
import { paths } from '../../api/paths.ts';
import type { MessagesResponse, LivePublication, Problem } from '../../api/responses.ts';
import { editor, set, SITE } from './editing.ts';
import { served, type Served } from './serving.ts';

/** The fields of the demo's booking form, in their order. */
const [NAME, MAIL, TELESCOPE, FROM, WORDS, BLANKET] = [1, 2, 3, 4, 5, 6].map((each) => `field-${each}`);
const FILLED = { [NAME]: 'Nell Ashby', [MAIL]: 'nell@b.example', [WORDS]: 'Saturn,\nand “its” rings' };
const HIRE = 'telescope-hire/';
const LOOSE = { 'Content-Type': 'application/x-www-form-urlencoded' };

/** All elements of a page. */
function elementsOf(html: string): DefaultTreeAdapterTypes.Element[] {
  const below = (node: DefaultTreeAdapterTypes.Node): DefaultTreeAdapterTypes.Element[] => [
    ...('tagName' in node ? [node] : []),
    ...('childNodes' in node ? node.childNodes.flatMap(below) : []),
  ];
  return below(parse(html));
}

const attributesOf = (element?: DefaultTreeAdapterTypes.Element): Record<string, string> =>
  Object.fromEntries((element?.attrs ?? []).map(({ name, value }) => [name, value]));

describe('messages', function () {
  this.timeout(120_000);
  let running: Served;
  let live: LivePublication;
  let message: string;
  const api = (path: string, method = 'GET', body?: unknown) =>
    fetch(running.url + path, {
      method,
      ...(body !== undefined && {
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(body),
      }),
    });
  const publish = async () => {
    live = (await (await api(paths.publications(SITE), 'POST')).json()) as LivePublication;
    const html = await (await fetch(live.url + HIRE)).text();
    message = /name="letter" value="([^"]+)"/.exec(html)![1];
  };
  const post = (
    fields: Record<string, string>,
    path = HIRE,
    more: Record<string, string> = { letter: message },
  ) =>
    fetch(new URL(path, live.url), {
      method: 'POST',
      redirect: 'manual',
      body: new URLSearchParams({ ...more, ...fields }),
    });
  const box = async (query = '') =>
    (await (await api(paths.messages(SITE) + query)).json()) as MessagesResponse;
  const empty = async () => {
    for (const query of ['', '?doubtful=yes'])
      for (let found = await box(query); found.letters.length > 0; found = await box(query))
        await api(paths.messages(SITE), 'DELETE', { letters: found.letters.map(({ id }) => id) });
  };

  before(async () => {
    running = await served({ demo: ['hire', 'home'], messagesFromOne: 100_000 });
    await publish();
  });
  after(() => running.end());
  afterEach(empty);

  it('arrive as they were written, and the page says so', async () => {
    const answer = await post({
      ...FILLED,
      [TELESCOPE]: 'The rocker',
      [FROM]: '2031-06-19',
      [BLANKET]: 'on',
    });
    expect(answer.status).to.equal(303);
    expect(answer.headers.get('Location')).to.equal(`/${SITE}/${HIRE}#hire-form-sent`);
    const { letters, forms, keptFor, more } = await box();
    expect(letters).to.have.length(1);
    expect(letters[0]).to.include({
      form: 'hire-form',
      formName: 'Book a telescope',
      page: HIRE,
      read: false,
    });
    expect(letters[0].lines).to.deep.equal([
      { label: 'Your name', value: 'Nell Ashby' },
      { label: 'Email address', value: 'nell@b.example' },
      { label: 'Telescope', value: 'The rocker' },
      { label: 'From which Thursday', value: '2031-06-19' },
      { label: 'What would you love to see?', value: 'Saturn,\nand “its” rings' },
      { label: 'Please put a blanket in', value: 'yes' },
    ]);
    expect(forms).to.deep.equal([{ form: 'hire-form', formName: 'Book a telescope', letters: 1, unread: 1 }]);
    expect([keptFor, more]).to.deep.equal([365, false]);
  });

  it('that cannot be taken come back in the page as they were, with what is wrong at each field', async () => {
    const answer = await post({
      [NAME]: '"><script>alert(1)</script>',
      [MAIL]: 'nell@',
      [TELESCOPE]: 'The rocker',
      [WORDS]: '</textarea>&',
      [BLANKET]: 'on',
    });
    expect(answer.status).to.equal(422);
    const html = await answer.text();
    expect(html).to.not.include('<script');
    const elements = elementsOf(html);
    const named = (name: string) => elements.find((each) => attributesOf(each).name === name)!;
    expect(attributesOf(named(NAME))).to.include({ value: '"><script>alert(1)</script>' });
    expect(attributesOf(named(NAME))).to.not.have.property('aria-invalid');
    expect(attributesOf(named(MAIL))).to.include({ value: 'nell@', 'aria-invalid': 'true' });
    const fault = elements.find(
      (each) => attributesOf(each).id === attributesOf(named(MAIL))['aria-describedby'],
    )!;
    expect(fault.childNodes[0]).to.include({ value: 'This must be an email address.' });
    expect(named(WORDS).childNodes[0]).to.include({ value: '</textarea>&' });
    expect(attributesOf(named(BLANKET))).to.have.property('checked');
    const chosen = elements.filter((each) => 'selected' in attributesOf(each));
    expect(chosen.map((each) => (each.childNodes[0] as { value: string }).value)).to.deep.equal([
      'The rocker',
    ]);
    const alert = elements.find((each) => attributesOf(each).role === 'alert')!;
    expect(attributesOf(alert)).to.include({ tabindex: '-1', autofocus: '' });
    const link = elements.find((each) => attributesOf(each).href === '#hire-form-field-2')!;
    expect(link.childNodes[0]).to.include({ value: 'Email address' });
    expect(html).to.match(/<title>Not sent: /);
    expect((await box()).letters).to.deep.equal([]);
  });

  it('sent twice are kept once, and others are not taken for the same', async () => {
    for (const [name, status] of [
      ['Nell', 303],
      ['Nell', 303],
      ['Ada', 303],
    ] as const)
      expect((await post({ ...FILLED, [NAME]: name })).status).to.equal(status);
    const together = await Promise.all(
      Array.from({ length: 8 }, () => post({ ...FILLED, [NAME]: 'At once' })),
    );
    expect(together.map(({ status }) => status)).to.deep.equal(Array(8).fill(303));
    expect((await box()).letters.map(({ lines }) => lines[0].value)).to.deep.equal([
      'At once',
      'Ada',
      'Nell',
    ]);
  });

  it('that may come from robots are kept apart, and can be told to be from people', async () => {
    expect((await post({ ...FILLED, website: 'http://spam.example' })).status).to.equal(303);
    expect((await box()).letters).to.deep.equal([]);
    expect((await box()).doubtful).to.equal(1);
    const [{ id }] = (await box('?doubtful=yes')).letters;
    expect((await api(paths.messages(SITE), 'PATCH', { letters: [id], doubtful: false })).status).to.equal(
      204,
    );
    expect((await box()).letters.map((each) => each.id)).to.deep.equal([id]);
    expect((await box()).doubtful).to.equal(0);
  });

  it('are marked as read and not read, and counted', async () => {
    await post(FILLED);
    await post({ ...FILLED, [NAME]: 'Ada' });
    const unread = async () => (await (await api(paths.unreadMessages(SITE))).json()) as unknown;
    expect(await unread()).to.deep.equal({ unread: 2 });
    const [{ id }] = (await box()).letters;
    await api(paths.messages(SITE), 'PATCH', { letters: [id], read: true });
    expect(await unread()).to.deep.equal({ unread: 1 });
    expect((await box()).letters.map(({ read }) => read)).to.deep.equal([true, false]);
    await api(paths.messages(SITE), 'PATCH', { letters: [id], read: false });
    expect(await unread()).to.deep.equal({ unread: 2 });
  });

  it('come out as a table that any program reads, and that works nothing out', async () => {
    await post({ ...FILLED, [NAME]: '=HYPERLINK("http://spam.example")' });
    await post({ ...FILLED, [NAME]: 'A, "B"', [WORDS]: '+1 -2 @x' });
    const answer = await api(paths.messageTable(SITE, 'hire-form'));
    expect(answer.headers.get('Content-Type')).to.equal('text/csv; charset=utf-8');
    expect(answer.headers.get('Content-Disposition')).to.equal('attachment; filename="Book a telescope.csv"');
    const text = await answer.text();
    const [head, ...rows] = parseCsv(text.replace(/^\ufeff/, ''));
    expect(head).to.deep.equal([
      ...['Arrived', 'Page', 'Your name', 'Email address', 'Telescope', 'From which Thursday'],
      ...['What would you love to see?', 'Please put a blanket in'],
    ]);
    expect(rows.map((row) => [row[1], row[2], row[6], row[7]])).to.deep.equal([
      [`/${HIRE}`, 'A, "B"', "'+1 -2 @x", 'no'],
      [`/${HIRE}`, `'=HYPERLINK("http://spam.example")`, 'Saturn,\nand “its” rings', 'no'],
    ]);
    for (const [arrived] of rows) expect(new Date(arrived).toISOString()).to.equal(arrived);
  });

  it('are read by the form that the visitor had, also when it is another or gone by now', async () => {
    const { made } = editor(() => running.url);
    const old = message;
    await made([
      set('/pages/hire/nodes/hire-form/content/fields', [
        { label: 'Which night', type: 'text', required: true, options: '' },
      ]),
    ]);
    await publish();
    expect(message).to.not.equal(old);
    expect((await post(FILLED, HIRE, { letter: old })).status).to.equal(303);
    expect((await post({ [NAME]: 'Friday' })).status).to.equal(303);
    expect(
      (await box()).letters.map(({ lines }) => lines.map(({ label }) => label).join(', ')),
    ).to.deep.equal([
      'Which night',
      'Your name, Email address, Telescope, From which Thursday, What would you love to see?, Please put a blanket in',
    ]);
    // What is wrong with it is said on a page of the host’s own: the form that it was written in is not there any more.
    const wrong = await post({ [NAME]: 'Nell' }, HIRE, { letter: old });
    expect([wrong.status, await wrong.text()]).to.satisfy(
      ([status, text]: [number, string]) =>
        status === 422 &&
        /Go back to what you wrote/.test(text) &&
        /Email address: This must be filled in\./.test(text),
    );
    await api(paths.publication(SITE, 1).replace(/publications\/1$/, 'live'), 'PUT', { number: 1 });
    message = old;
  });

  it('are taken from no draft, no earlier publication, no form that was never there, and nothing too long', async () => {
    const { url } = (await (await api(paths.previews(SITE), 'POST')).json()) as { url: string };
    const page = await (await fetch(url + HIRE)).text();
    const draft = /name="letter" value="([^"]+)"/.exec(page)![1];
    const fields = new URLSearchParams({ letter: draft, [NAME]: 'Friday' });
    const answer = await fetch(url + HIRE, { method: 'POST', body: fields });
    expect([answer.status, /This page is a draft/.test(await answer.text())]).to.deep.equal([200, true]);
    const { publications } = (await (await api(paths.publications(SITE))).json()) as {
      publications: { url: string }[];
    };
    const earlier = await fetch(publications[0].url + HIRE, { method: 'POST', body: fields });
    expect(earlier.status).to.equal(403);
    expect((await post(FILLED, HIRE, { letter: 'hire-form-0000000000' })).status).to.equal(404);
    for (const name of ['', '../../x', 'hire-form', 'signed-in:index.html', `${'x'.repeat(5000)}-0123456789`])
      expect((await post(FILLED, HIRE, { letter: name })).status, name).to.equal(404);
    expect((await post({ ...FILLED, [WORDS]: 'x'.repeat(20_001) })).status).to.equal(422);
    expect((await post({ ...FILLED, [WORDS]: 'x'.repeat(300_000) })).status).to.equal(413);
    const json = await fetch(live.url + HIRE, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: '{}',
    });
    expect(json.status).to.equal(405);
    expect((await box()).letters).to.deep.equal([]);
  });

  it('go to the page from which they came, and nowhere else', async () => {
    const answer = await post(FILLED, './?x=1#y');
    expect(answer.headers.get('Location')).to.equal(`/${SITE}/#hire-form-sent`);
    expect((await box()).letters[0].page).to.equal('');
    const elsewhere = await fetch(`${new URL(live.url).origin}//evil.example/`, {
      ...{ method: 'POST', redirect: 'manual', headers: LOOSE },
      body: `letter=${message}&${NAME}=x`,
    });
    expect(elsewhere.status).to.equal(404);
  });

  it('are hostile in a thousand ways, and nothing breaks', async () => {
    const parts = [
      '%',
      '%00',
      '%ff',
      '+',
      '&',
      '=',
      ';',
      '\u202e',
      '🌖',
      "' or 1=1 --",
      '${x}',
      '\\',
      '%E0%A4%A',
      '<b>',
      'a'.repeat(999),
    ];
    let seed = 1;
    const next = () => (seed = (seed * 48_271) % 2_147_483_647);
    const names = [NAME, MAIL, TELESCOPE, FROM, WORDS, BLANKET, 'letter', '__proto__', 'field-7', 'field-1'];
    const sendOne = async (count: number) => {
      const fields = Array.from(
        { length: next() % 8 },
        () => `${names[next() % names.length]}=${parts[next() % parts.length]}`,
      );
      const good = count % 10 === 0 ? `&${NAME}=N${count}&${MAIL}=n${count}@b.example` : '';
      const answer = await fetch(live.url + HIRE, {
        ...{ method: 'POST', redirect: 'manual', headers: LOOSE },
        body: `letter=${message}${good}&${fields.join('&')}`,
      });
      await answer.arrayBuffer();
      return answer.status;
    };
    const seen = new Map<number, number>();
    for (let at = 0; at < 1000; at += 50) {
      const statuses = await Promise.all(Array.from({ length: 50 }, (_, index) => sendOne(at + index)));
      for (const status of statuses) seen.set(status, (seen.get(status) ?? 0) + 1);
    }
    expect([...seen.keys()].sort()).to.deep.equal([303, 422]);
    const { forms, doubtful } = await box();
    // Those that were filled in, but for what chance spoilt of them.
    expect(forms[0].letters + doubtful).to.be.within(10, 100);
    expect(forms[0].letters + doubtful).to.equal(seen.get(303));
    // Every one can be reached, a hundred at a time.
    for (let at = 0; at < 120; at += 1) await post({ ...FILLED, [NAME]: `More ${at}` });
    let read = 0;
    for (let found = await box(); ; found = await box(`?before=${found.letters.at(-1)!.id}`)) {
      read += found.letters.length;
      if (!found.more) break;
    }
    expect(read).to.equal(forms[0].letters + 120);
  });

  it('are kept for a time of choice', async () => {
    await post(FILLED);
    for (const days of [0, 30, 3650])
      expect((await api(paths.messageRetention(SITE), 'PUT', { days })).status, `${days}`).to.equal(204);
    expect((await box()).keptFor).to.equal(3650);
    expect((await box()).letters).to.have.length(1);
    for (const days of [-1, 1.5, 3651, '30', null]) {
      const answer = await api(paths.messageRetention(SITE), 'PUT', { days });
      expect(answer.status, `${days}`).to.equal(422);
      expect(((await answer.json()) as Problem).detail).to.match(
        /^Messages are kept for .* Nothing was changed\.$/,
      );
    }
    expect((await api(paths.messageRetention('nowhere'), 'PUT', { days: 30 })).status).to.equal(404);
    expect((await api(paths.messages('nowhere'))).status).to.equal(404);
  });
});
