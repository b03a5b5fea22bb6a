/** The rules that look at a page: what fails them and what does not, and that what is offered mends it. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  composed,
  findings,
  performCall,
  placeKey,
  unbreakable,
  wordsToMeasure,
  type Finding,
  type LongWord,
  type NodeId,
  type Page,
  type BrowserFacts,
  type Site,
} from '../../core/index.ts';
import { contrasts } from '../../core/checks/contrast.ts';
import { RULES } from '../../core/checks/registry.ts';
import { cased } from '../../core/markup/language.ts';
import { frame, home, made, site, view } from './acting.ts';
import { siteArbitrary } from './arbitrary.ts';

const node = (id: string) => id as NodeId;
const set = (on: string, property: string, value: unknown, where = 'desktop', page = home): Page =>
  made(
    'setValue',
    { nodes: [node(on)], property, view: view(where), value, reach: where === 'desktop' ? 'onward' : 'here' },
    page,
  ).page;
const everywhere = (on: string, property: string, value: unknown): Page =>
  made('setValue', {
    ...{ nodes: [node(on)], property, view: view('desktop') },
    ...{ value, reach: 'everywhere' as const },
  }).page;
const of = (page: Page, facts?: BrowserFacts) => findings(frame, page, { facts });
const sentencesOf = (list: readonly Finding[]) =>
  list.map(({ rule, of: place }) => `${placeKey(place)}: ${rule}`);

/** Of a rule and a place, what was found there; mended one after another, until nothing is offered any more. */
function mended(page: Page, rule: string, facts?: BrowserFacts): { left: Finding[]; steps: number } {
  let now: Site = { ...site, pages: { ...site.pages, [home.id]: page } };
  const left = () => findings(now.frame, now.pages[home.id], { facts }).filter((each) => each.rule === rule);
  let steps = 0;
  for (let next = left().find(({ fixes }) => fixes); next && steps < 12; steps += 1) {
    const step = performCall(now, home.id, next.fixes![0].call);
    if (!step.ok) throw new Error(step.sentence);
    now = step.value.site;
    next = left().find(({ fixes }) => fixes);
  }
  return { left: left(), steps };
}

describe('checks of a page', () => {
  it('find in the demo what is so, and nothing that keeps somebody out', () => {
    expect(sentencesOf(of(home))).to.deep.equal([
      // From 34 to 44 px at 640 px.
      'headline self: size jumps',
      'lead self: lines too long',
      'invitation-text self: lines too long',
      // Beside images on a tablet.
      'eyes-text self: lines too short',
      'glass-text self: lines too short',
      'chart-text self: lines too short',
    ]);
  });

  it('each have a name of their own, a clause and a severity', () => {
    expect(new Set(RULES.map(({ name }) => name)).size).to.equal(RULES.length);
    for (const { clause, severity } of RULES) {
      expect(clause).to.match(/^(WCAG 2\.2, \d\.\d\.\d{1,2}|common practice)$/);
      // Common practice keeps nobody out.
      if (clause === 'common practice') expect(severity).to.equal('advice');
    }
  });

  it('look at the sizes that elements have of their own, and offer what mends them', () => {
    const cases: [string, Page, string, string][] = [
      ['text too small', set('lead', 'size', 10), 'lead self', 'barely read'],
      ['text too small', set('lead', 'size', 14, 'mobile'), 'lead self', 'under 16 px where it is narrow'],
      ['lines too close', set('lead', 'lineHeight', 1), 'lead self', ''],
      [
        'lines too close',
        set('lead', 'lineHeight', { min: 1.1, max: 1.5, fromWidth: 1280, toWidth: 320 }),
        'lead self',
        'at its closest',
      ],
      ['size jumps', set('headline', 'size', 20, 'mobile'), 'headline self', ''],
      ['size grows as the width shrinks', set('week-title', 'size', 70, 'mobile'), 'week-title self', ''],
      [
        'text cannot be enlarged enough',
        everywhere('headline', 'size', { min: 16, max: 96, fromWidth: 320, toWidth: 1280 }),
        'headline self',
        'too steep',
      ],
      [
        'text cannot be enlarged enough',
        everywhere('headline', 'size', { share: 12 }),
        'headline self',
        'as large as its place',
      ],
      [
        'order of sizes inverted',
        set('saturn-title', 'size', 60),
        'week-title self',
        'larger than the one above',
      ],
    ];
    for (const [rule, page, place, why] of cases) {
      const found = of(page).filter((each) => each.rule === rule);
      expect(sentencesOf(found), `${rule} ${why}`).to.include(`${place}: ${rule}`);
      const { left, steps } = mended(page, rule);
      expect(sentencesOf(left), `${rule} ${why}, mended in ${steps}`).to.deep.equal([]);
    }
  });

  it('find lines that are too short only where there are more than four of them', () => {
    // In a window of 1024 px the column is 280 px wide: 35 characters of 16 px, as a character is half as wide as it is high.
    const lines = (count: number): Finding[] => {
      const narrow = everywhere('lead', 'maxWidth', { px: 280 });
      const sized = set('lead', 'size', 16, 'desktop', narrow);
      const page = made(
        'setContent',
        { node: node('lead'), field: 'text', value: `<p>${'x'.repeat(count)}</p>` },
        sized,
      ).page;
      return of(page).filter(({ rule }) => rule === 'lines too short');
    };
    const inDesktop = (list: readonly Finding[]) =>
      list.some(({ of: place, views }) => placeKey(place) === 'lead self' && views.includes(view('desktop')));
    expect(inDesktop(lines(4 * 35))).to.equal(false);
    expect(inDesktop(lines(4 * 35 + 1))).to.equal(true);
  });

  it('leave alone what is not shown where it would be wrong', () => {
    const small = set('lead', 'size', 14, 'mobile');
    expect(sentencesOf(of(small))).to.include('lead self: text too small');
    expect(sentencesOf(of(set('lead', 'shown', false, 'mobile', small)))).not.to.include(
      'lead self: text too small',
    );
  });

  it('find sizes that are hard to tell apart', () => {
    // 20 and 21 are nearer than 8 %, and so on, five in a row.
    const sizes = {
      ...{ 'saturn-title': 20, 'moon-title': 21, 'cluster-title': 22, 'week-title': 23.5 },
      lead: 25,
    };
    const page = Object.entries(sizes).reduce(
      (now, [id, size]) => set(id, 'size', size, 'desktop', now),
      home,
    );
    const found = of(page).filter(({ rule }) => rule === 'too many sizes close together');
    expect(found.map(({ sentence }) => sentence)[0]).to.match(
      /^\d+ sizes are close together in Mobile: .*20 px, 21 px, 22 px, 23\.5 px, 25 px/,
    );
    expect(found[0].of).to.deep.equal({ node: home.root });
  });

  it('limit lines that are too long to ones that are read well', () => {
    const { left } = mended(set('invitation-text', 'maxWidth', 'auto'), 'lines too long');
    expect(left).to.deep.equal([]);
  });

  it('say nothing wrong of any site, and offer only what can be done', () => {
    let offered = 0;
    fc.assert(
      fc.property(siteArbitrary, (any) => {
        const [page] = Object.values(any.pages);
        for (const { widths, views, sentence, fixes = [] } of findings(any.frame, page)) {
          expect(widths.length).to.be.above(0);
          expect(views.length).to.be.above(0);
          for (const { from, to } of widths) expect(from).to.be.at.most(to);
          expect(sentence).not.to.match(/NaN|undefined|Infinity/);
          for (const { call } of fixes) {
            const step = performCall(any, page.id, call);
            expect(step.ok, step.ok ? '' : `${sentence} ${step.sentence}`).to.equal(true);
            offered += 1;
          }
        }
      }),
      { numRuns: 60 },
    );
    expect(offered).to.be.above(20);
  });
});

describe('text contrast of a page', () => {
  const parent = home.nodes[node('headline')].parent!;
  const inColour = (colour: string, ground: Record<string, unknown>) =>
    Object.entries(ground).reduce(
      (page, [property, value]) => set(parent, property, value, 'desktop', page),
      set('headline', 'colour', colour),
    );
  const ratioOf = (page: Page, facts: BrowserFacts = {}) =>
    contrasts(frame, page, facts.tones).contrastIn(page.nodes[node('headline')], 'self', view('desktop'));

  it('is found by view, and mended with the nearest colour of the site that is enough', () => {
    const page = set('lead', 'colour', '#26304c', 'tablet');
    const [found, ...others] = of(page).filter(({ rule }) => rule === 'text contrast too low');
    expect(others).to.deep.equal([]);
    expect(found.of).to.deep.equal({ node: 'lead' });
    expect(found.views).to.deep.equal([view('tablet')]);
    expect(found.sentence).to.match(
      /^Lead paragraph has a contrast of 1\.\d : 1 in Tablet; text of its size needs 4\.5 : 1\.$/,
    );
    expect(mended(page, 'text contrast too low')).to.deep.include({ left: [], steps: 1 });
  });

  it('is looked at wherever words are: in lists of what an element says, in links where there are any', () => {
    const rule = 'text contrast too low';
    const all = Object.values(site.pages).flatMap((each) => {
      const whole = composed(frame, each);
      return Object.values(whole.nodes).map((on) => [whole, on] as const);
    });
    for (const kind of ['list', 'hours', 'prices', 'navigation']) {
      const [whole, on] = all.find(([, each]) => each.kind === kind)!;
      const faint = {
        ...on,
        style: { ...on.style, self: { ...on.style.self, colour: { base: '#fdfaf4' } } },
      };
      const parts = Object.keys(on.style).filter((part) => part !== 'self');
      for (const part of parts) delete faint.style[part as 'link'];
      const ground = { backgroundColour: { base: '#ffffff' } };
      const lit = { ...faint, style: { self: { ...faint.style.self, ...ground } } };
      const found = findings(frame, { ...whole, nodes: { ...whole.nodes, [on.id]: lit } });
      const places = found.flatMap(({ rule: name, of: place }) =>
        name === rule && 'node' in place && place.node === on.id ? [place.part ?? 'self'] : [],
      );
      // A menu has its words in links; of the others the whole is found, and what has its colour goes along with it.
      expect(places, kind).to.include(kind === 'navigation' ? 'link' : 'self');
      if (kind === 'list') expect(places).to.deep.equal(['self']);
    }
  });

  it('is that of the worst place of a gradient', () => {
    // Grey on a gradient from black to white meets its own luminance somewhere: 1 to 1 there, whatever its ends say.
    const through = ratioOf(
      inColour('#777777', { gradient: { angle: 90, from: '#000000', to: '#ffffff' } }),
    )!;
    expect(through.ratio).to.be.below(1.2);
    expect(through.over).to.equal('gradient');
    // White on dark: the lighter end is the worse one. #404040 has a luminance of 0.0513 (WCAG 2.2, relative luminance).
    const dark = ratioOf(inColour('#ffffff', { gradient: { angle: 0, from: '#000000', to: '#404040' } }))!;
    expect(dark.ratio).to.be.closeTo(1.05 / (0.0513 + 0.05), 0.03);
  });

  it('is that of the worst part of an image, under its tint and through its opacity', () => {
    const picture = frame.assets.find(({ type }) => type.startsWith('image/'))!.id;
    const behind = (tones: [number, number, number][]): BrowserFacts => ({
      tones: new Map([[picture, tones]]),
    });
    const page = inColour('#ffffff', { backgroundPicture: picture });
    expect(ratioOf(page), 'nobody has seen it').to.equal(undefined);
    const halves = behind([
      [0, 0, 0],
      [0.5, 0.5, 0.5],
    ]);
    // White on rgb(127.5 …), of a luminance of 0.2140.
    expect(ratioOf(page, halves)!.ratio).to.be.closeTo(1.05 / (0.214 + 0.05), 0.02);
    expect(ratioOf(page, halves)!.over).to.equal('picture');
    // Half of black over it: rgb(63.75 …), of a luminance of 0.0513.
    const tinted = set(parent, 'tint', 'rgb(0 0 0 / 0.5)', 'desktop', page);
    expect(ratioOf(tinted, halves)!.ratio).to.be.closeTo(1.05 / (0.0511 + 0.05), 0.03);
    expect(ratioOf(set(parent, 'tint', '#000000', 'desktop', page))!.over).to.equal('colour');
  });
});

describe('words that no line breaks', () => {
  // Unicode Line Breaking Algorithm (UAX #14, revision 53): after a hyphen and a soft hyphen, between ideographs, not inside a number.
  it('are what the algorithm of Unicode leaves together', () => {
    expect(unbreakable('A long-expected evening')).to.deep.equal(['A', 'long-', 'expected', 'evening']);
    expect(unbreakable('Stern\u00adwarte')).to.deep.equal(['Stern', 'warte']);
    expect(unbreakable('日本語')).to.deep.equal(['日', '本', '語']);
    expect(unbreakable('1,200.50 px')).to.deep.equal(['1,200.50', 'px']);
    expect(unbreakable('a\u00a0b c')).to.deep.equal(['a\u00a0b', 'c']);
    expect(unbreakable('')).to.deep.equal([]);
  });

  it('are asked for by view, with the font that they are set in, but for what is hyphenated', () => {
    const asked = wordsToMeasure(frame, home).filter((each) => each.node === 'headline');
    expect(asked.map((each) => each.view)).to.deep.equal(frame.views.list.map(({ id }) => id));
    expect(asked[0]).to.deep.include({ family: 'fraunces' });
    expect(asked[0].words).to.include('opens');
    const hyphenated = wordsToMeasure(frame, set('headline', 'hyphenation', 'auto', 'mobile'));
    expect(hyphenated.filter((each) => each.node === 'headline').map((each) => each.view)).not.to.include(
      'mobile',
    );
  });

  // Unicode 15.1, SpecialCasing.txt (tr, az; ß); CSS Text 3, §2.1: letters are cased by the language of the content.
  it('are asked for as they are drawn, by the rules of the language of their page', () => {
    const capitals = set('headline', 'case', 'uppercase', 'mobile');
    const asked = (lang: string) =>
      wordsToMeasure({ ...frame, lang }, capitals).find(
        (each) => each.node === 'headline' && each.view === 'mobile',
      )!.words;
    expect(asked('en')).to.include('OPENS');
    expect(cased('istanbul', 'uppercase', 'tr-TR')).to.equal('İSTANBUL');
    expect(cased('istanbul', 'uppercase', 'en')).to.equal('ISTANBUL');
    expect(cased('DIŞ', 'lowercase', 'tr')).to.equal('dış');
    expect(cased('straße', 'uppercase', 'de')).to.equal('STRASSE');
    expect(cased('(long o’clock', 'capitalize', 'en')).to.equal('(Long O’clock');
    expect(cased('As it is', 'none', 'en')).to.equal('As it is');
    // Of the form of a tag, but none.
    expect(cased('ij', 'uppercase', 'en-12')).to.equal('IJ');
    expect(asked('tr')).to.include('BRİNG');
  });

  it('are found where they are wider than their place, to the px, and mended', () => {
    const words = (ems: number): LongWord[] =>
      frame.views.list.map(({ id }) => ({
        ...{ node: node('invitation-title'), view: id },
        ...{ word: 'Kilonovaforschungsverbund', ems },
      }));
    const page = set('invitation-title', 'size', 40, 'mobile');
    const found = of(page, { words: words(12) }).filter(
      ({ rule }) => rule === 'word wider than its container',
    );
    // 12 em of 40 px are 480 px; the section leaves 20 px free at both sides of the window on a phone.
    expect(found.map(({ widths }) => widths)).to.deep.equal([[{ from: 280, to: 519 }]]);
    expect(found[0].views).to.deep.equal([view('mobile')]);
    expect(found[0].fixes!.map(({ label }) => label)).to.deep.equal([
      'Make it 20 px in Mobile',
      'Hyphenate it in Mobile',
    ]);
    expect(mended(page, 'word wider than its container', { words: words(12) }).left).to.deep.equal([]);
    expect(
      of(page, { words: words(5) }).some(({ rule }) => rule === 'word wider than its container'),
    ).to.equal(false);
  });
});
