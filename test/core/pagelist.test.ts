/** Lists of pages: which pages they have, in which order, and what pages say of themselves for them. */
import { expect } from 'chai';
import fc from 'fast-check';
import { HtmlValidate } from 'html-validate';
import { compileSite, type PageHead, type Site } from '../../core/index.ts';
import { dateInWords, isDate } from '../../core/markup/date.ts';
import { listedPages } from '../../core/values/listedpages.ts';
import { after, attempt, home, made, node, refusal, site, undoneOf, view } from './acting.ts';

const said = (page: string, what: Partial<PageHead>, on: Site = site) =>
  after(on, 'changePage', { page: node(page), ...what });

const added = (id: string, title: string, on: Site) =>
  after(on, 'addPage', {
    ...{ id: node(id), title, slug: `journal-the-${id}`, description: `What happened: ${title}` },
    after: null,
  });

/** The demo with two entries of a journal, and with days, authors and tags. */
const entries = added('comet', 'The comet', added('shutter', 'The shutter', site));
const journal = (
  [
    ['shutter', { date: '2026-02-14', author: 'Ada Pell', tags: ['nights', 'mishaps'], picture: 'saturn' }],
    ['comet', { date: '2026-11-02', tags: ['nights', 'comets'] }],
    ['hire', { tags: ['Nights'] }],
  ] as [string, Partial<PageHead>][]
).reduce((on, [page, what]) => said(page, what, on), entries);

const list = (content: Record<string, unknown>, on = journal, page = 'home') =>
  listedPages(on.frame, node(page), { content }).map(({ id }) => id as string);

describe('a list of pages', () => {
  it('has all others until it is said which, the newest first, and those without a day behind', () => {
    expect(list({ most: 60 })).to.deep.equal([...['comet', 'shutter'], ...['visits', 'hire', 'find-us']]);
    expect(list({ most: 3 })).to.deep.equal(['comet', 'shutter', 'visits']);
    expect(list({ most: 60 }, journal, 'comet'))
      .to.include('home')
      .and.not.include('comet');
  });

  it('has those below an address, however that is typed', () => {
    for (const address of ['journal', '/journal/', ' Journal-'])
      expect(list({ which: 'address', address }), address).to.deep.equal(['comet', 'shutter']);
    expect(list({ which: 'address', address: 'jour' })).to.deep.equal([]);
  });

  it('has those with a tag, in whatever case it is written', () => {
    expect(list({ which: 'tag', tag: 'NIGHTS' })).to.deep.equal(['comet', 'shutter', 'hire']);
    expect(list({ which: 'tag', tag: 'mishaps ' })).to.deep.equal(['shutter']);
    expect(list({ which: 'tag', tag: '' })).to.deep.equal([]);
  });

  it('has those that were chosen as they were chosen, without what is gone or leads elsewhere', () => {
    const pages = ['page:visits', 'page:gone', 'https://example.org/', 'page:comet#top', 'page:home'].map(
      (link) => ({ link }),
    );
    expect(list({ which: 'chosen', order: 'site', pages })).to.deep.equal(['visits', 'comet']);
  });

  it('is in the order of titles, as the language of the site sorts them', () => {
    // Swedish sorts Å behind Z, German beside A (CLDR root and Swedish collation).
    const titled = [
      ['visits', 'Årets'],
      ['hire', 'Zenit'],
      ['find-us', 'Bilder'],
    ].reduce((on, [page, title]) => said(page, { title }, on), site);
    const named = (lang: string) =>
      list(
        { which: 'all', order: 'title', most: 60 },
        { ...titled, frame: { ...titled.frame, lang } },
      ).filter((id) => ['visits', 'hire', 'find-us'].includes(id));
    expect(named('sv')).to.deep.equal(['find-us', 'hire', 'visits']);
    expect(named('de')).to.deep.equal(['visits', 'find-us', 'hire']);
  });

  it('never has the page it stands on, what stands for missing pages, a page twice, or more than it may', () => {
    const missing = said('visits', { missing: true }, journal);
    fc.assert(
      fc.property(
        fc.record(
          {
            which: fc.constantFrom('all', 'address', 'tag'),
            order: fc.constantFrom('newest', 'site', 'title'),
            address: fc.string(),
            tag: fc.constantFrom('nights', 'x', ''),
            most: fc.constantFrom(1, 2, 6, 60),
          },
          { requiredKeys: [] },
        ),
        fc.constantFrom(...missing.frame.pages.map(({ id }) => id as string)),
        (content, on) => {
          const found = list(content, missing, on);
          expect(found).to.not.include(on).and.not.include('visits');
          expect(new Set(found).size).to.equal(found.length);
          expect(found.length).to.be.at.most(content.most ?? 6);
        },
      ),
    );
  });

  it('stands in the published page with what the pages say now, and not in views whose menus leave a page out', async () => {
    const { site: on } = made(
      'addElement',
      { kind: 'pages', id: node('latest'), parent: node('opening-words'), after: null },
      journal.pages[home.id],
      after(journal, 'offerPage', { page: node('visits'), offering: 'unlisted', views: [view('mobile')] }),
    );
    const published = (of: Site) => {
      const file = compileSite(of).find(({ path }) => path === 'index.html');
      if (!file || !('text' in file)) throw new Error('There is no home page.');
      return file.text;
    };
    const html = published(on);
    const shown = html.slice(
      html.indexOf('<ul class="pages'),
      html.indexOf('</ul>', html.indexOf('<ul class="pages')),
    );
    const places = ['/journal-the-comet/', '/journal-the-shutter/', '/telescope-hire/'].map((address) =>
      shown.indexOf(address.slice(1)),
    );
    expect(places)
      .to.deep.equal([...places].sort((one, other) => one - other))
      .and.not.include(-1);
    expect(shown).to.include('<time datetime="2026-02-14">').and.include('Ada Pell');
    expect(shown).to.match(/<li class="to-visits">/);
    const renamed = published(said('shutter', { title: 'A shutter that stuck' }, on));
    expect(renamed).to.include('>A shutter that stuck</a>');
    const report = await new HtmlValidate({
      extends: ['html-validate:standard', 'html-validate:a11y'],
      rules: { 'doctype-style': 'off', 'no-trailing-whitespace': 'off', 'long-title': 'off' },
    }).validateString(html);
    expect(report.results.flatMap(({ messages }) => messages)).to.deep.equal([]);
  });
});

describe('what a page says of itself', () => {
  it('is its day, its author and its tags, each said in the step and taken back by its undo', () => {
    const step = made('changePage', {
      page: node('visits'),
      date: ' 2026-11-02 ',
      author: ' Ada  Pell ',
      tags: [' comets', 'Comets', '', 'dark  sky'],
    });
    const head = step.site.frame.pages.find(({ id }) => id === 'visits')!;
    expect(head).to.include({ date: '2026-11-02', author: 'Ada Pell' });
    expect(head.tags).to.deep.equal(['comets', 'dark sky']);
    expect(step.sentence).to.equal(
      'Page Visits: date → 2026-11-02, author → Ada Pell, tags → comets, dark sky',
    );
    expect(undoneOf(step)).to.deep.equal(site);
    const none = made(
      'changePage',
      { page: node('visits'), date: null, author: null, tags: [] },
      home,
      step.site,
    );
    expect(none.site).to.deep.equal(site);
    expect(none.sentence).to.match(/: date removed, author removed, tags removed$/);
  });

  it('is no day that there is not, and no more tags than are kept', () => {
    for (const date of ['2026-02-29', '2026-13-01', '1.3.2026', 'soon'])
      expect(refusal('changePage', { page: node('visits'), date }), date).to.match(
        /isn’t a valid date. Nothing was changed. Try 2026-11-30|cannot be saved/,
      );
    expect(attempt('changePage', { page: node('visits'), date: '2028-02-29' }).ok).to.equal(true);
    const many = Array.from({ length: 13 }, (_each, at) => `tag ${at}`);
    expect(refusal('changePage', { page: node('visits'), tags: many })).to.match(/^The tags cannot be saved/);
  });

  it('is a day in words of the language of the page (CLDR, long dates), and the same in every time zone', () => {
    const zone = process.env.TZ;
    try {
      for (const TZ of ['UTC', 'Pacific/Kiritimati', 'America/Adak']) {
        process.env.TZ = TZ;
        expect(dateInWords('2026-11-30', 'en-GB')).to.equal('30 November 2026');
        expect(dateInWords('2026-11-30', 'de')).to.equal('30. November 2026');
        expect(dateInWords('2026-11-30', 'fr')).to.equal('30 novembre 2026');
      }
    } finally {
      if (zone === undefined) delete process.env.TZ;
      else process.env.TZ = zone;
    }
    expect(dateInWords('2026-02-30', 'en')).to.equal('2026-02-30');
  });

  it('is a day exactly where the calendar has it', () => {
    fc.assert(
      fc.property(
        fc.date({
          min: new Date('0001-01-01T00:00:00Z'),
          max: new Date('9999-12-31T00:00:00Z'),
          noInvalidDate: true,
        }),
        (moment) => isDate(moment.toISOString().slice(0, 10)),
      ),
    );
    expect(isDate('2100-02-29')).to.equal(false);
    expect(isDate('2000-02-29')).to.equal(true);
  });
});
