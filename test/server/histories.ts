/** What the history of a site does, for tests of each database: edits kept once, merged or refused; the log, and following it. */
import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import { paths } from '../../api/paths.ts';
import type {
  EditResponse,
  LogEntry,
  LogResponse,
  PageResponse,
  Problem,
  SiteResponse,
  StepsResponse,
} from '../../api/responses.ts';
import { clear, editor, inHome, put, set, SITE, take } from './editing.ts';
import type { Served } from './serving.ts';

const size = (node: string, at: string) => inHome(node, `style/self/size/${at}`);
const here = (value: unknown) => ({ value, reach: 'here' });

/** What the history of a site does, whatever database it is kept in. */
export function behavesAsHistory(start: () => Promise<Served>): void {
  let running: Served;
  before(async () => {
    running = await start();
  });
  after(() => running?.end());

  const read = async <T>(path: string, init?: RequestInit) =>
    (await (await fetch(running.url + path, init)).json()) as T;
  const mine = editor(() => running.url, 'mine');
  const others = editor(() => running.url, 'others');
  const nodeAt = async (id: string) => (await mine.page()).page.nodes[id as never] as any;

  it('keeps an edit once, however often it comes, and answers it the same', async () => {
    const on = await mine.revision();
    const key = randomUUID();
    const operations = [put(inHome('objects', 'children'), 'saturn', ['cluster', 'moon'])];
    const answers = await Promise.all([1, 2, 3].map(() => mine.post(operations, { on, key })));
    expect(answers.map(({ status }) => status)).to.deep.equal([200, 200, 200]);
    const revisions = await Promise.all(
      answers.map(async (each) => ((await each.json()) as EditResponse).revision),
    );
    expect(revisions).to.deep.equal([on + 1, on + 1, on + 1]);
    await others.made([set(inHome('lead', 'name'), 'Lead words')]);
    const late = await mine.post(operations, { on, key });
    expect(await late.json(), 'also after others came').to.deep.equal({ revision: on + 1 });
    expect(await mine.revision()).to.equal(on + 2);
    const reused = await mine.post([set(inHome('lead', 'name'), 'Other')], { on, key });
    expect(reused.status).to.equal(422);
    expect((await reused.json()) as Problem).to.include({ kept: on + 1 });
  });

  it('accepts what was made on an older revision where nothing touched the same, and tells what was missed', async () => {
    const on = await mine.revision();
    await others.made([set(size('headline', 'at/mobile'), here(31))], { sentence: 'Theirs' });
    const response = await mine.post([set(size('headline', 'at/tablet'), here(47))], { on });
    expect(response.status).to.equal(200);
    const { revision, missed } = (await response.json()) as EditResponse;
    expect(revision).to.equal(on + 2);
    expect(missed!.map(({ sentence, session }) => [sentence, session])).to.deep.equal([['Theirs', 'others']]);
    const { at } = (await nodeAt('headline')).style.self.size;
    expect([at.mobile, at.tablet]).to.deep.equal([here(31), here(47)]);
  });

  it('refuses what touches the same, with what was missed, and changes nothing', async () => {
    const on = await mine.revision();
    await others.made([set(size('lead', 'base'), 21)], { sentence: 'Theirs' });
    const response = await mine.post([set(size('lead', 'base'), 22)], { on });
    expect(response.status).to.equal(412);
    const { missed, revision } = (await response.json()) as Problem;
    expect(revision).to.equal(on + 1);
    expect(missed!.map(({ sentence }) => sentence)).to.deep.equal(['Theirs']);
    expect((await nodeAt('lead')).style.self.size.base).to.equal(21);
    const ahead = await mine.post([set(size('lead', 'base'), 22)], { on: revision! + 50 });
    expect(ahead.status, 'a history that is not this one').to.equal(412);
    expect((await ahead.json()) as Problem).not.to.have.property('missed');
  });

  it('refuses what only others’ edits made invalid as outdated: the sender makes it again and learns why', async () => {
    await others.made([set('/frame/colours/fog', { id: 'fog', name: 'Fog', value: '#cccccc' })]);
    const on = await mine.revision();
    await others.made([clear('/frame/colours/fog')]);
    const response = await mine.post([set(inHome('lead', 'style/self/colour/base'), '{fog}')], { on });
    expect(response.status).to.equal(412);
    const again = await mine.post([set(inHome('lead', 'style/self/colour/base'), '{fog}')], {
      on: await mine.revision(),
    });
    expect(again.status).to.equal(422);
    expect(((await again.json()) as Problem).detail).to.include('no colour “fog”');
  });

  it('puts what two have put behind the same neighbour both there', async () => {
    const on = await mine.revision();
    const column = (await nodeAt('headline')).parent as string;
    const text = (id: string) => ({
      id,
      kind: 'text',
      name: id,
      parent: column,
      children: [],
      style: {},
      content: { text: `<p>${id}</p>` },
    });
    const add = (id: string) => [
      set(`/pages/home/nodes/${id}`, text(id)),
      put(inHome(column, 'children'), id, ['headline']),
    ];
    expect((await others.post(add('theirs'), { on })).status).to.equal(200);
    expect((await mine.post(add('mine'), { on })).status).to.equal(200);
    const children = (await nodeAt(column)).children as string[];
    const at = children.indexOf('headline');
    expect(children.slice(at, at + 3)).to.deep.equal(['headline', 'mine', 'theirs']);
    // What takes mine back takes mine, wherever it stands now.
    await mine.made([take(inHome(column, 'children'), 'mine'), clear('/pages/home/nodes/mine')]);
    expect((await nodeAt(column)).children)
      .to.include('theirs')
      .and.not.include('mine');
  });

  it('changes several pages, their heads and which there are in one step', async () => {
    const on = await mine.revision();
    const root = {
      id: 'root',
      kind: 'page',
      name: 'Tonight',
      parent: null,
      children: [],
      style: {},
      content: {},
    };
    const head = { id: 'tonight', slug: 'tonight', title: 'Tonight', description: '' };
    const response = await mine.post(
      [
        set('/frame/pages/tonight', head),
        put('/frame/pages', 'tonight', ['home']),
        set('/pages/tonight', { id: 'tonight', root: 'root', nodes: { root } }),
        set(inHome('lead', 'name'), 'Lead to tonight'),
      ],
      { on },
    );
    expect(response.status).to.equal(200);
    const { frame, revision } = await read<SiteResponse>(paths.site(SITE));
    expect(revision).to.equal(on + 1);
    expect(frame.pages.map(({ id }) => id).slice(0, 3)).to.deep.equal(['home', 'tonight', 'visits']);
    expect((await mine.page('tonight')).page.nodes).to.have.all.keys('root');
    const entry = await read<LogEntry>(paths.edit(SITE, revision));
    await mine.made(entry.inverse, { sentence: 'Back', by: 'undo', of: entry.key });
    expect((await fetch(running.url + paths.page(SITE, 'tonight'))).status).to.equal(404);
    expect((await nodeAt('lead')).name).to.equal('Lead words');
    const taken = { ...head, slug: 'visits' };
    const twin = await mine.post(
      [
        set('/frame/pages/tonight', taken),
        set('/pages/tonight', { id: 'tonight', root: 'root', nodes: { root } }),
      ],
      { on: await mine.revision() },
    );
    expect(((await twin.json()) as Problem).detail).to.match(/“visits” is used twice/);
  });

  it('makes an edit that is larger than a request of its parts, in one step', async () => {
    const on = await mine.revision();
    const key = randomUUID();
    const parts = [
      [set(inHome('headline', 'name'), 'In parts')],
      [set(inHome('lead', 'name'), 'In parts')],
      [set(inHome('dome', 'name'), 'In parts')],
    ];
    const send = (part: number) => mine.post(parts[part - 1], { on, key, rest: { part, parts: 3 } });
    expect((await send(3)).status, 'the last without the others').to.equal(409);
    expect((await send(1)).status).to.equal(202);
    expect((await send(2)).status).to.equal(202);
    expect((await nodeAt('headline')).name, 'nothing before all are there').not.to.equal('In parts');
    expect(await (await send(3)).json()).to.deep.equal({ revision: on + 1 });
    expect(await (await send(3)).json(), 'once more').to.deep.equal({ revision: on + 1 });
    for (const id of ['headline', 'lead', 'dome']) expect((await nodeAt(id)).name).to.equal('In parts');
  });

  it('gives its log after a revision, a single edit, and its steps with who made them', async () => {
    const on = await mine.revision();
    await mine.made([set(inHome('headline', 'name'), 'Mine')], { sentence: 'Headline: renamed to Mine' });
    await others.made([set('/frame/colours/lamp/value', '#aabbcc')], { sentence: 'Lamp' });
    const log = await read<LogResponse>(`${paths.edits(SITE)}?after=${on}`);
    expect(log.revision).to.equal(on + 2);
    expect(log.edits!.map(({ revision, session, sentence }) => [revision, session, sentence])).to.deep.equal([
      [on + 1, 'mine', 'Headline: renamed to Mine'],
      [on + 2, 'others', 'Lamp'],
    ]);
    expect(log.edits![0].inverse).to.deep.equal([set(inHome('headline', 'name'), 'In parts')]);
    expect(await read<LogEntry>(paths.edit(SITE, on + 1))).to.deep.equal(log.edits![0]);
    const { steps } = await read<StepsResponse>(paths.steps(SITE));
    expect(steps.slice(-2).map(({ sentence, pages }) => [sentence, pages])).to.deep.equal([
      ['Headline: renamed to Mine', ['home']],
      ['Lamp', []],
    ]);
    const before = await read<StepsResponse>(`${paths.steps(SITE)}?before=${on + 1}`);
    expect(before.steps.at(-1)!.revision).to.equal(on);
    const own = await read<StepsResponse>(`${paths.steps(SITE)}?session=mine`);
    expect(own.steps.at(-1)!.revision).to.equal(on + 1);
    expect(new Set(own.steps.map(({ session }) => session))).to.deep.equal(new Set(['mine']));
    expect(
      (await read<LogResponse>(`${paths.edits(SITE)}?after=${on + 99}`)).edits,
      'not of this history',
    ).to.equal(undefined);
  });

  it('is followed as events, from any revision on, each edit once', async () => {
    const on = await mine.revision();
    await mine.made([set(inHome('headline', 'name'), 'Before')]);
    const events = await following(running.url, on);
    await others.made([set(inHome('headline', 'name'), 'After')]);
    expect(await events.next(2)).to.deep.equal([
      ['edit', on + 1, 'mine'],
      ['edit', on + 2, 'others'],
    ]);
    events.close();
    const resumed = await following(running.url, 0, on + 1);
    expect(await resumed.next(1)).to.deep.equal([['edit', on + 2, 'others']]);
    await mine.made([set(inHome('headline', 'name'), 'Headline')]);
    expect(await resumed.next(1)).to.deep.equal([['edit', on + 3, 'mine']]);
    resumed.close();
  });

  it('keeps what many send at once, each edit once and in one order', async () => {
    const before = await mine.revision();
    const writers = Array.from({ length: 8 }, (_each, index) => editor(() => running.url, `writer-${index}`));
    const nodes = ['headline', 'lead', 'dome', 'saturn', 'moon', 'cluster', 'week-title', 'evening-title'];
    await Promise.all(
      writers.map(async (writer, index) => {
        for (let turn = 1; turn <= 6; turn++) {
          // Each on the revision it began with: nobody touches what another does.
          const response = await writer.post([set(inHome(nodes[index], 'name'), `${index} ${turn}`)], {
            on: turn === 1 ? before : await writer.revision(),
          });
          expect(response.status).to.equal(200);
        }
      }),
    );
    expect(await mine.revision()).to.equal(before + 48);
    const { page } = await read<PageResponse>(paths.page(SITE, 'home'));
    nodes.forEach((id, index) => expect(page.nodes[id as never]).to.have.property('name', `${index} 6`));
  });
}

/** The events of a site's log, by what they are, their revision and their session. */
async function following(url: string, after: number, last?: number) {
  const ended = new AbortController();
  const response = await fetch(`${url}${paths.edits(SITE)}?after=${after}`, {
    headers: { Accept: 'text/event-stream', ...(last !== undefined && { 'Last-Event-ID': String(last) }) },
    signal: ended.signal,
  });
  expect(response.headers.get('Content-Type')).to.match(/^text\/event-stream/);
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
  let text = '';
  return {
    async next(count: number) {
      for (;;) {
        const events = text
          .split('\n\n')
          .slice(0, -1)
          .filter((event) => event.startsWith('event:'));
        if (events.length >= count) {
          const seen = events.slice(0, count).map((event) => {
            const field = (name: string) => new RegExp(`^${name}: (.*)$`, 'm').exec(event)![1];
            return [field('event'), Number(field('id')), (JSON.parse(field('data')) as LogEntry).session];
          });
          text = text.split('\n\n').slice(count).join('\n\n');
          return seen;
        }
        const { value, done } = await reader.read();
        if (done) throw new Error('The stream has ended.');
        text += value;
      }
    },
    close: () => ended.abort(),
  };
}
