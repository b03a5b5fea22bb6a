/** What is for some visitors only: it is not in what is sent to the others. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  applied,
  childrenIn,
  cleanLink,
  compileSite,
  composed,
  copyElements,
  hasAudiences,
  lackedWithoutHost,
  notShown,
  pagesOf,
  perform,
  signedInPath,
  siteFaults,
  targetOf,
  type Audience,
  type Site,
} from '../../core/index.ts';
import { pageFor } from '../../core/site/audience.ts';
import { home, made, node, onlyPages, refusal, site, view } from './acting.ts';
import { record, siteArbitrary } from './arbitrary.ts';

const give = (id: string, audience: Audience | 'everyone', on: Site = site) =>
  made('setAudience', { nodes: [node(id)], audience }, on.pages[home.id], on);
const text = (target: Site, path: string, at = {}) =>
  (compileSite(target, at).find((file) => file.path === path) as { text: string } | undefined)?.text;

describe('what is for some visitors only', () => {
  it('is said of an element, of one or many, and undone', () => {
    const step = give('moon-strip', 'signed-in');
    expect(step.sentence).to.equal('Moon phase strip: for signed-in visitors');
    expect(siteFaults(step.site)).to.deep.equal([]);
    const back = applied(step.site, step.inverse);
    expect(back.ok && back.value.site).to.deep.equal(site);
    expect(give('moon-strip', 'everyone', step.site).site).to.deep.equal(site);
  });

  it('is refused for one of a set of alternates, of which each visitor is to see one', () => {
    const set = made('makeAlternate', {
      node: node('dome'),
      view: view('mobile'),
      reach: 'here',
      set: node('set'),
      copy: node('copy'),
    });
    expect(
      refusal('setAudience', { nodes: [node('dome')], audience: 'signed-in' }, set.page, set.site),
    ).to.match(/exactly one alternate shows, to everyone/);
    const whole = made('setAudience', { nodes: [node('set')], audience: 'signed-out' }, set.page, set.site);
    expect(siteFaults(whole.site)).to.deep.equal([]);
    const wrong = structuredClone(whole.site);
    wrong.pages[home.id].nodes[node('dome')].audience = 'signed-in';
    expect(siteFaults(wrong).map(({ path }) => path)).to.deep.equal(['/pages/home/nodes/dome/audience']);
  });

  it('may be a page as a whole: others get a notice with the way to sign in, and nothing of what is on it', () => {
    const { site: closed, sentence } = give(home.root, 'signed-in');
    expect(sentence).to.equal('Home: for signed-in visitors');
    expect(siteFaults(closed)).to.deep.equal([]);
    const [everyones, theirs] = ['index.html', signedInPath('index.html')].map((path) => text(closed, path)!);
    expect(theirs).to.include('The dome opens at dusk').and.not.include('class="notice"');
    expect(everyones)
      .to.not.include('The dome opens at dusk')
      .and.not.include(site.frame.pages[0].description);
    expect(everyones)
      .to.include('<p class="t-body">This page is for visitors who are signed in.</p>')
      .and.include('<a href="sign-in/">Sign in</a>')
      .and.include('<meta name="robots" content="noindex">');
    // What it shares with other pages is still there, and one heading of the first level.
    expect(everyones).to.include('<header').and.include('<footer');
    expect(everyones.match(/<h1/g)).to.have.length(1);
    // Neither its styles nor its images are sent to them.
    const files = compileSite(closed, { address: 'https://hill.example/' });
    const open = files.filter(({ audience }) => !audience);
    // What only this page shows: nobody else finds it under any address.
    const others = compileSite(onlyPages(site, 'visits', 'hire', 'find-us')).map(({ path }) => path);
    const own = compileSite(site).flatMap(({ path }) =>
      /^assets\/(?!fonts|index)/.test(path) && !others.includes(path) ? [path] : [],
    );
    expect(own.length).to.be.above(5);
    expect(open.filter(({ path }) => own.includes(path)).map(({ path }) => path)).to.deep.equal([]);
    for (const file of open) if ('text' in file) expect(file.text, file.path).to.not.include('n-headline');
    const map = (files.find(({ path }) => path === 'sitemap.xml') as { text: string }).text;
    expect(map)
      .to.include('https://hill.example/visits/')
      .and.not.include('<loc>https://hill.example/</loc>');
  });

  it('may be a page as a whole for those who have not signed in, in words of its own, and closed in a copy in files', () => {
    const { site: out } = give(home.root, 'signed-out');
    const theirs = text(out, signedInPath('index.html'))!;
    expect(theirs)
      .to.include('This page is for visitors who are not signed in.')
      .and.include('href="sign-out/"');
    const { site: members } = give(home.root, 'signed-in');
    const said = made(
      'changePage',
      { page: home.id, notice: 'Members, this way' },
      members.pages[home.id],
      members,
    ).site;
    expect(text(said, 'index.html')).to.include('Members, this way');
    const still = text(said, 'index.html', { still: true })!;
    expect(still).to.include('Members, this way').and.not.include('sign-in');
    expect(lackedWithoutHost(said)).to.match(/not included: Home\./);
  });

  it('leaves nothing behind of a page that is closed but its colours', () => {
    let target = give(home.root, 'signed-in').site;
    for (const [property, value] of [
      ['backgroundFilm', 'turning-sky'],
      ['backgroundPicture', 'saturn'],
      ['backgroundColour', '#0a0b0c'],
    ] as const)
      target = made(
        'setValue',
        { nodes: [home.root], property, view: view('desktop'), value, reach: 'here' },
        target.pages[home.id],
        target,
      ).site;
    const pruned = pageFor(composed(target.frame, target.pages[home.id]), 'signed-out');
    expect(Object.keys(pruned.nodes).every((id) => id === home.root || id.startsWith('shared-'))).to.equal(
      true,
    );
    expect(Object.keys(pruned.nodes[home.root].style.self ?? {}))
      .to.include('backgroundColour')
      .and.not.include('backgroundPicture');
    expect(text(target, 'index.html')).to.not.include('<video');
    expect(text(target, signedInPath('index.html'))).to.include('<video');
  });

  it('is not what is shown for missing pages', () => {
    const missing = made('changePage', { page: node('visits'), missing: true }).site;
    expect(
      refusal(
        'setAudience',
        { nodes: [missing.pages[node('visits')].root], audience: 'signed-in' },
        missing.pages[node('visits')],
        missing,
      ),
    ).to.match(/^The page for missing pages is for everyone/);
  });

  it('leaves a page as the same object where everything is for everyone', () => {
    expect(hasAudiences(home)).to.equal(false);
    expect(pageFor(home, 'signed-in')).to.equal(home);
    const { page } = give('lead', 'signed-out');
    const pruned = pageFor(page, 'signed-in');
    expect(Object.keys(page.nodes).filter((id) => !pruned.nodes[node(id)])).to.deep.equal(['lead']);
    expect(pruned.nodes[node('opening-words')].children).to.not.include('lead');
  });

  it('is in no file that is sent to others: neither words nor styles nor images', () => {
    const members = give('moon-strip', 'signed-in');
    const both = give('lead', 'signed-out', members.site).site;
    const words = 'with a volunteer at each';
    const [everyones, theirs] = ['index.html', signedInPath('index.html')].map((path) => text(both, path)!);
    expect(everyones).to.include(words).and.not.include('n-moon-strip');
    expect(theirs).to.include('n-moon-strip').and.not.include(words);
    const files = compileSite(both);
    const only = files.filter(({ audience }) => audience === 'signed-in').map(({ path }) => path);
    expect(only.filter((path) => path.endsWith('.html'))).to.deep.equal([signedInPath('index.html')]);
    expect(only.some((path) => path.endsWith('.css'))).to.equal(true);
    const before = compileSite(site).map(({ path }) => path);
    const publicPaths = files.filter(({ audience }) => !audience).map(({ path }) => path);
    const strip = before.filter((path) => /moon-phases/.test(path));
    expect(strip.length).to.be.greaterThan(0);
    expect(publicPaths.filter((path) => /moon-phases/.test(path))).to.deep.equal([]);
    expect(only).to.include.members(strip);
    for (const file of files.filter(({ audience }) => !audience))
      if ('text' in file) expect(file.text, file.path).to.not.include('n-moon-strip-');
  });

  it('is named where a copy of the pages knows no visitors', () => {
    const forms = lackedWithoutHost(site)!;
    expect(forms).to.match(/^Files in a folder cannot receive messages/);
    const { site: both } = give('moon-strip', 'signed-in');
    const link = made(
      'setContent',
      { node: node('book'), field: 'link', value: 'visitor:in' },
      both.pages[home.id],
      both,
    ).site;
    expect(lackedWithoutHost(link)).to.equal(
      `Files in a folder cannot sign visitors in. Content for signed-in visitors is not included: Moon phase strip. Links to sign in or out do nothing. ${forms}`,
    );
    const still = compileSite(link, { still: true });
    expect(still.some(({ audience }) => audience)).to.equal(false);
    expect(text(link, 'index.html', { still: true })).to.not.include('sign-in/');
    expect(text(link, 'index.html')).to.include('href="sign-in/"');
    expect(text(link, 'visits/index.html')).to.not.include('sign-in/');
  });

  it('has links of its own to where visitors sign in and out, and no others of that form', () => {
    expect(cleanLink(' visitor:in ')).to.equal('visitor:in');
    expect(targetOf('visitor:out')).to.deep.equal({ visitor: 'out' });
    for (const link of ['visitor:up', 'visitor:', 'VISITOR:in2', 'visitor:in/../x'])
      expect(cleanLink(link), link).to.equal(undefined);
  });

  it('is a reason of what a visitor does not see, and is copied along', () => {
    const { page, frame } = give('moon-strip', 'signed-in');
    const whole = composed(frame, page);
    const reasons = (visitor?: Audience) =>
      notShown(frame, whole, view('desktop'), undefined, visitor).filter(
        ({ reason }) => reason === 'audience',
      );
    expect(reasons()).to.deep.equal([]);
    expect(reasons('signed-in')).to.deep.equal([]);
    expect(reasons('signed-out')[0]).to.deep.equal({ node: 'moon-strip', reason: 'audience' });
    expect(reasons('signed-out')[1].by).to.equal('moon-strip');
    const copied = copyElements(frame, page, [node('moon-strip')]);
    const pasted = perform(site, home.id, 'pasteElements', {
      copied,
      id: node('again'),
      parent: home.root,
      after: null,
    });
    expect(pasted.ok && pasted.value.site.pages[home.id].nodes[node('again')].audience).to.equal('signed-in');
  });
});

describe('whom elements are for', () => {
  it('stays right whatever happens to them: sets, groups, moves and copies', () => {
    const acts = fc.array(
      record({
        act: fc.constantFrom(
          'audience',
          'alternate',
          'dissolve',
          'group',
          'ungroup',
          'move',
          'copy',
          'duplicate',
          'unite',
        ),
        one: fc.nat(),
        other: fc.nat(),
        audience: fc.constantFrom('everyone', 'signed-in', 'signed-out'),
      }),
      { minLength: 4, maxLength: 14 },
    );
    let made = 0;
    fc.assert(
      fc.property(siteArbitrary, acts, (begun, list) => {
        let now = begun;
        list.forEach(({ act, one, other, audience }, count) => {
          const [page] = pagesOf(now);
          const ids = Object.keys(page.nodes).map(node);
          const [a, b] = [ids[one % ids.length], ids[other % ids.length]];
          const id = node(`n${count}`);
          const at = now.frame.views.list[other % now.frame.views.list.length].id;
          const step = {
            audience: () => perform(now, page.id, 'setAudience', { nodes: [a], audience }),
            alternate: () =>
              perform(now, page.id, 'makeAlternate', {
                node: a,
                view: at,
                reach: 'here',
                set: id,
                copy: node(`${id}-copy`),
              }),
            dissolve: () => perform(now, page.id, 'dissolveAlternates', { set: a }),
            group: () => perform(now, page.id, 'groupElements', { nodes: [a, b], id }),
            ungroup: () => perform(now, page.id, 'ungroupElement', { node: a }),
            move: () => perform(now, page.id, 'moveElements', { nodes: [a], parent: b, after: null }),
            copy: () =>
              perform(now, page.id, 'pasteElements', {
                copied: copyElements(now.frame, page, [a]),
                id,
                parent: b,
                after: null,
              }),
            duplicate: () => perform(now, page.id, 'duplicateElement', { node: a, id }),
            unite: () => perform(now, page.id, 'uniteAlternates', { nodes: [a, b], set: id }),
          }[act]();
          if (!step.ok) return;
          made += 1;
          expect(siteFaults(step.value.site), act).to.deep.equal([]);
          now = step.value.site;
        });
        // Each visitor's page is one tree, and what is on neither is for nobody.
        const [page] = pagesOf(now);
        for (const visitor of ['signed-in', 'signed-out'] as const) {
          const seen = pageFor(page, visitor);
          for (const { id, parent, children } of Object.values(seen.nodes)) {
            expect(children.every((child) => seen.nodes[child].parent === id)).to.equal(true);
            if (parent !== null) expect(seen.nodes[parent].children).to.include(id);
          }
        }
      }),
      { numRuns: 80 },
    );
    expect(made).to.be.greaterThan(100);
  });

  it('leaves the others the order that they have with it, in each view', () => {
    const on = give('moon-strip', 'signed-in');
    const page = on.site.pages[home.id];
    const { children } = page.nodes[page.root];
    const at = children.indexOf(node('moon-strip'));
    const after = children[at + 1];
    // An order that does not name what follows the strip: that stands behind it, wherever it is.
    const value = [node('moon-strip'), ...children.filter((id) => id !== after && id !== 'moon-strip')];
    const nodes = {
      ...page.nodes,
      [page.root]: {
        ...page.nodes[page.root],
        style: { self: { order: { at: { [view('mobile')]: { value, reach: 'here' as const } } } } },
      },
    };
    const whole = { ...page, nodes };
    const orderFor = (who: Audience) => {
      const seen = pageFor(whole, who);
      return childrenIn(site.frame, seen.nodes[seen.root], view('mobile'));
    };
    const expected = ['moon-strip', after, ...value.slice(1)];
    expect(orderFor('signed-in')).to.deep.equal(expected);
    expect(orderFor('signed-out')).to.deep.equal(expected.slice(1));
  });
});
