/** Videos behind pages, and what of them is fetched where. */
import { expect } from 'chai';
import {
  AT_WINDOW,
  compileSite,
  composed,
  contrastIn,
  findings,
  headOf,
  preview,
  print,
  type Addresses,
  type NodeId,
  type Site,
} from '../../core/index.ts';
import { bodyMarkup } from '../../core/compile/body.ts';
import { conditionOf } from '../../core/layered/bands.ts';
import { frame, home, made, refusal, site, view } from './acting.ts';

const set = (property: string, at: string, value: unknown, on = site, node: string = home.root): Site =>
  made(
    'setValue',
    { nodes: [node as NodeId], property, view: view(at), value, reach: at === 'desktop' ? 'onward' : 'here' },
    on.pages[home.id],
    on,
  ).site;
const page = (on: Site): string =>
  (compileSite(on).find(({ path }) => path === 'index.html') as { text: string }).text;
const css = (on: Site): string =>
  (compileSite(on).find(({ path }) => path.startsWith('assets/index-')) as { text: string }).text;
const sources = (html: string) =>
  [...html.matchAll(/<div class="film f-([\w-]+)"[^>]*><video [^>]*><source ([^>]*)>/g)].map(
    ([, id, attributes]) => [id, /media="([^"]*)"/.exec(attributes)?.[1].replaceAll('&gt;', '>')],
  );
const film = 'turning-sky';
const MOVES = '(prefers-reduced-motion: no-preference)';

describe('a media condition of views', () => {
  const of = (...ids: string[]) => conditionOf(frame.views, ids.map(view));

  it('is one range for views that follow one another, and a list of ranges for others', () => {
    expect(of('mobile')).to.equal('(not (width >= 640px))');
    expect(of('desktop', 'tablet')).to.equal('(width >= 640px) and (not (width >= 1440px))');
    expect(of('wide', 'mobile')).to.equal('(not (width >= 640px)), (width >= 1440px)');
    expect(of()).to.equal('not all');
    expect(of('mobile', 'tablet', 'desktop', 'wide')).to.equal(undefined);
  });

  it('asks for something else besides in each range', () => {
    expect(conditionOf(frame.views, [view('mobile'), view('wide')], '(hover)')).to.equal(
      '(hover) and (not (width >= 640px)), (hover) and (width >= 1440px)',
    );
    expect(
      conditionOf(
        frame.views,
        frame.views.list.map(({ id }) => id),
        '(hover)',
      ),
    ).to.equal('(hover)');
  });
});

describe('a video behind a page', () => {
  const everywhere = set('backgroundFilm', 'desktop', film);

  it('is not there until one is chosen', () => {
    expect(page(site)).not.to.contain('<video');
    expect(css(site)).not.to.contain('.film');
  });

  it('is fetched in its views alone, where no less motion was asked for', () => {
    expect(sources(page(everywhere))).to.deep.equal([[film, MOVES]]);
    const none = set('backgroundFilm', 'mobile', 'none', everywhere);
    expect(sources(page(none))).to.deep.equal([[film, `${MOVES} and (width >= 640px)`]]);
    const another = { ...site.frame.assets.find(({ id }) => id === film)!, id: 'night', name: 'Night' };
    const two = set('backgroundFilm', 'mobile', 'night', {
      ...everywhere,
      frame: { ...everywhere.frame, assets: [...everywhere.frame.assets, another] },
    });
    expect(sources(page(two))).to.have.deep.members([
      ['night', `${MOVES} and (not (width >= 640px))`],
      [film, `${MOVES} and (width >= 640px)`],
    ]);
  });

  it('is in a sheet at every width that the sheet may get', () => {
    const addresses: Addresses = { page: () => '#', picture: (id) => id, anyWidth: true };
    const narrow = set('backgroundFilm', 'mobile', film);
    const body = print(bodyMarkup(narrow.frame, narrow.pages[home.id], addresses));
    expect(sources(body)).to.deep.equal([[film, undefined]]);
    // And comes and goes there with its value.
    const before = preview(site.frame, home, addresses);
    const after = preview(narrow.frame, narrow.pages[home.id], addresses, before);
    expect(print(after.body)).to.equal(body);
    expect(after.shared.some(({ selector }) => selector === AT_WINDOW)).to.equal(true);
    expect(print(preview(site.frame, home, addresses, after).body)).not.to.contain('film');
  });

  it('can be stopped, in words of one’s own', () => {
    expect(page(everywhere)).to.contain(
      '<label class="film-stop"><input type="checkbox"><span>Stop the video</span>',
    );
    const said = made(
      'setContent',
      { node: home.root, field: 'stopFilm', value: 'Video <anhalten>' },
      everywhere.pages[home.id],
      everywhere,
    ).site;
    expect(page(said)).to.contain('<span>Video &lt;anhalten&gt;</span>');
  });

  it('goes with its file, and is none then', () => {
    const without = made('removeAsset', { asset: film }, everywhere.pages[home.id], everywhere).site;
    expect(page(without)).not.to.contain('class="film');
    expect(headOf(without.frame, home.id).title).to.equal('Brindle Hill Observatory');
  });

  it('is refused where it is no video of the site', () => {
    const args = {
      nodes: [home.root],
      property: 'backgroundFilm',
      view: view('desktop'),
      reach: 'here' as const,
    };
    for (const value of ['dome-close', 'gone'])
      expect(refusal('setValue', { ...args, value })).to.match(/no video/);
  });
});

describe('a video that plays by itself', () => {
  const hire = site.pages['hire' as NodeId];
  const block = Object.values(hire.nodes).find(({ kind }) => kind === 'video')!;
  const mediaOf = (on: Site) => {
    const { text } = compileSite(on).find(({ path }) => path === 'telescope-hire/index.html') as {
      text: string;
    };
    return /<source src="[^"]*" type="video\/webm"(?: media="([^"]*)")?>/
      .exec(text)?.[1]
      ?.replaceAll('&gt;', '>');
  };
  const hidden = (on: Site) =>
    made(
      'setValue',
      { nodes: [block.parent!], property: 'shown', view: view('mobile'), value: false, reach: 'here' },
      on.pages[hire.id],
      on,
    ).site;
  const always = made('setContent', { node: block.id, field: 'playing', value: 'always' }, hire).site;

  it('is not fetched in views that do not show it', () => {
    expect(mediaOf(always)).to.equal(undefined);
    expect(mediaOf(hidden(always))).to.equal('(width >= 640px)');
  });

  it('may be fetched anywhere where it waits to be asked', () => {
    const asked = made('setContent', { node: block.id, field: 'playing', value: 'asked' }, hire).site;
    expect(mediaOf(hidden(asked))).to.equal(undefined);
  });
});

describe('a video that nobody sees', () => {
  const sentences = (on: Site) =>
    findings(on.frame, composed(on.frame, on.pages[home.id]))
      .filter(({ rule }) => rule === 'video that is never visible')
      .map(({ sentence }) => sentence);
  const sections = Object.values(composed(frame, home).nodes).filter(({ kind }) => kind === 'section');
  const grounded = (colour: string, on: Site) =>
    sections
      .filter(({ id }) => !id.startsWith('shared-'))
      .reduce((target, { id }) => set('backgroundColour', 'desktop', colour, target, id), on);

  it('is told where each section lies over it', () => {
    const covered = grounded('#ffffff', set('backgroundFilm', 'desktop', film));
    expect(sentences(covered)).to.deep.equal([
      'Nobody sees the background video of Home: every section covers it with its own background.',
    ]);
    const narrow = grounded('#ffffff', set('backgroundFilm', 'mobile', film));
    expect(sentences(narrow)).to.deep.equal([
      'Nobody sees the background video of Home in Mobile: every section covers it with its own background.',
    ]);
  });

  it('is none where a section lets it through, or where there is no video', () => {
    const covered = grounded('#ffffff', set('backgroundFilm', 'desktop', film));
    expect(
      sentences(set('backgroundColour', 'desktop', 'rgb(255 255 255 / 0.9)', covered, 'week')),
    ).to.deep.equal([]);
    expect(sentences(grounded('#ffffff', site))).to.deep.equal([]);
  });
});

describe('words over a video', () => {
  const ratio = (on: Site) =>
    contrastIn(
      on.frame,
      on.pages[home.id],
      on.pages[home.id].nodes['week-title' as NodeId],
      'self',
      view('desktop'),
    );
  const clear = (on: Site) => set('backgroundColour', 'desktop', 'transparent', on, 'week');
  const black = set(
    'colour',
    'desktop',
    'black',
    clear(set('backgroundFilm', 'desktop', film)),
    'week-title',
  );

  it('stand before anything that it may show', () => {
    expect(ratio(black)).to.deep.include({ ratio: 1, over: 'film' });
  });

  it('stand out by what is laid over it, or by a ground of their own', () => {
    const tinted = set('tint', 'desktop', 'rgb(255 255 255 / 0.8)', black);
    // White at 80 % over black is a grey of 0.8; its luminance by WCAG 2.2 is ((0.8 + 0.055) / 1.055) ^ 2.4 = 0.6038.
    expect(ratio(tinted)!.ratio).to.be.closeTo((0.6038 + 0.05) / 0.05, 0.01);
    const own = set('backgroundColour', 'desktop', 'white', black, 'week');
    expect(ratio(own)).to.deep.include({ over: 'colour' });
    expect(ratio(own)!.ratio).to.be.closeTo(21, 1e-9);
  });
});
