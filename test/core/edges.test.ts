/** What stays at the edges of the window: a strip of actions, and a back-to-top button. */
import { expect } from 'chai';
import {
  compileSite,
  composed,
  findings,
  inRow,
  inRowIn,
  placeOfSection,
  preview,
  print,
  printRules,
  siteFaults,
  type Addresses,
  type Laid,
  type LaidElement,
  type NodeId,
  type Site,
} from '../../core/index.ts';
import { LaidPage } from '../../core/checks/measured/rule.ts';
import { MEASURED_RULES } from '../../core/checks/measured/registry.ts';
import { pageRules } from '../../core/compile/rules.ts';
import { home, made, node, refusal, site, undoneOf, view, withPage } from './acting.ts';
import { printed } from './printing.ts';

/** The home page with something more at the edges of the window. */
function having(...kinds: string[]): Site {
  let page = home;
  for (const kind of kinds)
    page = made('addElement', { kind, id: node(`the-${kind}`), parent: page.root, after: null }, page).page;
  return withPage(site, page);
}

const htmlOf = (given: Site): string => {
  const file = compileSite(given).find(({ path }) => path === 'index.html')!;
  return 'text' in file ? file.text : '';
};

const cssOf = (given: Site): string => {
  const [, path] = /href="(assets\/[^"]+\.css)"/.exec(htmlOf(given))!;
  const file = compileSite(given).find((each) => each.path === path)!;
  return 'text' in file ? file.text : '';
};

describe('a contact bar', () => {
  it('prints its actions with sign and word, in a landmark with a name', () => {
    const html = printed('strip', {
      label: 'Reach us',
      actions: [
        { icon: 'phone', label: 'Call', link: 'tel:+44' },
        { icon: 'pin', label: 'Find us', link: 'page:home' },
      ],
    });
    expect(html.replace(/<svg.*?<\/svg>/g, '<svg>')).to.equal(
      '<nav class="x" aria-label="Reach us"><ul><li><a href="tel:+44"><svg><span>Call</span></a></li><li><a href="../"><svg><span>Find us</span></a></li></ul></nav>',
    );
    expect(html.match(/aria-hidden="true"/g)).to.have.length(2);
  });

  it('has no place among the sections of its page, whose order it leaves as it is', () => {
    const given = having('strip');
    const page = given.pages[home.id];
    expect(inRow(page, page.nodes[page.root])).to.deep.equal(home.nodes[home.root].children);
    const root = { nodes: [page.root], property: 'order', reach: 'here' as const };
    const turned = [...home.nodes[home.root].children].reverse();
    const on = made('setValue', { ...root, view: view('mobile'), value: turned }, page, given);
    expect(inRowIn(on.frame, on.page, on.page.nodes[page.root], view('mobile'))).to.deep.equal(turned);
    expect(inRowIn(on.frame, on.page, on.page.nodes[page.root], view('desktop'))).to.deep.equal(
      home.nodes[home.root].children,
    );
    const alone = made('removeElements', { nodes: home.nodes[home.root].children.slice(1) }, page, given);
    const { shared: _shared, ...bare } = alone.site.frame;
    const mobile = { node: page.root, view: view('mobile'), reach: 'here' as const };
    expect(refusal('reverseOrder', mobile, alone.page, { ...alone.site, frame: bare })).to.match(
      /fewer than two parts/,
    );
  });

  it('stands behind the page’s foot in the source, wherever it was put, and before its head where it stays above', () => {
    const html = htmlOf(having('strip'));
    expect(html.indexOf('<nav class="strip ')).to.be.greaterThan(html.indexOf('</footer>'));
    const base = site.frame.views.base;
    const upper = made(
      'setValue',
      { nodes: [node('the-strip')], property: 'edge', view: base, value: 'upper', reach: 'onward' },
      having('strip').pages[home.id],
      having('strip'),
    ).site;
    expect(htmlOf(upper)).to.match(/<body[^>]*><nav class="strip /);
    // Its sections are what they were: one head, one foot, all else between.
    for (const given of [having('strip'), upper]) {
      const text = htmlOf(given);
      expect(text.match(/<main>/g)).to.have.length(1);
      expect(text.slice(text.indexOf('<main>'), text.indexOf('</main>'))).to.not.match(
        /<header|<footer|class="strip/,
      );
    }
  });

  it('keeps its own place when the sections of a page stand in another order', () => {
    const with2 = having('strip');
    const page = with2.pages[home.id];
    const order = [...page.nodes[page.root].children].reverse();
    const turned = made(
      'setValue',
      { nodes: [page.root], property: 'order', view: view('mobile'), value: order, reach: 'here' },
      page,
      with2,
    ).site;
    const css = printRules(pageRules(turned.frame, turned.pages[home.id], { picture: () => '' }));
    expect(css).to.match(/\.n-opening\b[^}]*\{[^}]*order:/);
    expect(css).to.not.match(/\.n-the-strip\b[^}]*\{[^}]*order:/);
  });

  it('makes room at the lower edge where it shows there, and nowhere else', () => {
    const given = having('strip');
    const hidden = made(
      'setValue',
      { nodes: [node('the-strip')], property: 'shown', view: view('desktop'), value: false, reach: 'onward' },
      given.pages[home.id],
      given,
    ).site;
    const onMobile = made(
      'setValue',
      { nodes: [node('the-strip')], property: 'shown', view: view('mobile'), value: true, reach: 'here' },
      hidden.pages[home.id],
      hidden,
    ).site;
    const css = cssOf(onMobile);
    expect(css).to.match(/:root\{--strip-room:0px\}/);
    expect(css).to.match(/@media not \(width >= 640px\)\{\n:root\{--strip-room:4\.5rem\}/);
    expect(cssOf(hidden)).to.not.include('4.5rem}');
    expect(cssOf(having('strip'))).to.match(/:root\{--strip-room:4\.5rem\}/);
    expect(cssOf(site)).to.not.include('--strip-room');
  });

  it('lets the page have the whole screen of a device, and says so only where there is one', () => {
    expect(htmlOf(having('strip'))).to.include('initial-scale=1, viewport-fit=cover"');
    expect(htmlOf(site)).to.include('initial-scale=1">');
  });

  it('can be on all pages, like their foot, and be had back', () => {
    const given = having('strip');
    const page = given.pages[home.id];
    expect(placeOfSection(page, page.nodes[node('the-strip')])).to.equal('strip');
    const shared = made('shareSection', { node: node('the-strip') }, page, given);
    expect(shared.sentence).to.equal('Contact bar: now on all pages');
    expect(Object.keys(shared.site.frame.shared ?? {})).to.include('strip');
    for (const file of compileSite(shared.site))
      if ('text' in file && /^(?!404|signed).*index\.html$/.test(file.path) && file.movedTo === undefined)
        expect(file.text, file.path).to.match(/<nav class="strip /);
    const own = made('unshareSection', { place: 'strip' }, shared.page, shared.site).site;
    expect(own.frame.shared?.strip).to.equal(undefined);
    expect(undoneOf(shared)).to.deep.equal(given);
  });

  it('stands in nothing but a page', () => {
    const [first] = home.nodes[home.root].children;
    expect(refusal('addElement', { kind: 'strip', id: node('no'), parent: first, after: null })).to.match(
      /cannot|takes no|does not/i,
    );
  });
});

describe('a back-to-top button', () => {
  it('is a link to a place before all else, where the focus goes on', () => {
    const html = htmlOf(having('up'));
    expect(html).to.match(/<body[^>]*><span class="place" id="top-of-page" tabindex="-1"><\/span>/);
    expect(html).to.match(/<a class="up [^"]*" href="#top-of-page" aria-label="Back to the top"><svg/);
    expect(htmlOf(site)).to.not.include('top-of-page');
  });

  it('shows a sign, words or both, and is named in each', () => {
    const shows = (value: string) => printed('up', { shows: value }).replace(/<svg.*?<\/svg>/, '<svg>');
    expect(shows('sign')).to.equal('<a class="x" href="#top-of-page" aria-label="Back to the top"><svg></a>');
    expect(shows('words')).to.equal('<a class="x" href="#top-of-page">Back to the top</a>');
    expect(shows('both')).to.equal('<a class="x" href="#top-of-page"><svg>Back to the top</a>');
  });

  it('comes by an animation that scrolling drives, in the published style sheet alone', () => {
    expect(cssOf(having('up'))).to.include(
      '@keyframes come-up{from{filter:opacity(0);visibility:hidden}to{filter:none;visibility:visible}}',
    );
    expect(cssOf(having('strip'))).to.not.include('@keyframes');
    const given = having('up');
    const rules = printRules(pageRules(given.frame, given.pages[home.id], { picture: () => '' }));
    expect(rules).to.not.include('@keyframes');
  });
});

describe('an splash screen', () => {
  it('is for the eye alone: its words and its sign are kept from those who hear the page', () => {
    expect(printed('openingscreen', { words: 'Look up', logo: 'dome' })).to.equal(
      '<div class="x" aria-hidden="true"><img src="/dome.jpg" alt="" width="800" height="600"><span class="words">Look up</span></div>',
    );
    const html = htmlOf(having('openingscreen'));
    // The page is whole below it.
    expect(html.slice(html.indexOf('<main>'))).to.include('<h1');
  });

  it('goes by itself, at a touch, when the keyboard goes into the page, and without moving for who asked for that', () => {
    const css = cssOf(having('openingscreen'));
    for (const way of ['fading', 'rising', 'setting'])
      expect(css).to.match(new RegExp(`@keyframes leave-${way}\\{from\\{.*\\}to\\{visibility:hidden;`));
    expect(css).to.include(
      ':is(.openingscreen:active, :root:has(:focus-visible) .openingscreen){translate:0 -200vh;transition:none}',
    );
    expect(css).to.include(
      '@media (prefers-reduced-motion: reduce){\n.openingscreen{animation-duration:0s}\n}',
    );
  });

  it('is no part of all pages, and is told where it would come again and again', () => {
    const given = having('openingscreen');
    const page = given.pages[home.id];
    expect(placeOfSection(page, page.nodes[node('the-openingscreen')])).to.equal(undefined);
    const reported = (on: Site, id: NodeId) =>
      findings(on.frame, composed(on.frame, on.pages[id])).filter(
        ({ rule }) => rule === 'splash screen within the site',
      );
    expect(reported(given, home.id)).to.deep.equal([]);
    const visits = site.pages[node('visits')];
    const elsewhere = made(
      'addElement',
      { kind: 'openingscreen', id: node('again'), parent: visits.root, after: null },
      visits,
    );
    expect(reported(elsewhere.site, visits.id).map(({ sentence }) => sentence)).to.deep.equal([
      'Splash screen comes each time that this page is opened.',
    ]);
  });
});

/** The findings of a measured rule, at 390 px, where the strip lies at the lower edge of a screen of 800 px. */
const measured = (rule: string, strip: number, more: Partial<Laid> = {}) => {
  const given = having('strip');
  const page = given.pages[home.id];
  const at = (id: string, top: number, bottom: number, rest: Partial<LaidElement> = {}): LaidElement => ({
    ...{ node: node(id), box: { left: 0, top, right: 390, bottom }, lines: [], targets: [] },
    ...rest,
  });
  const button = {
    left: 20,
    top: 1200,
    right: 200,
    bottom: 1240,
    name: 'Book',
    inWords: false,
    native: false,
  };
  const laid: Laid = {
    ...{ width: 390, scrolls: 390, rightToLeft: false, keptClear: 0, keptClearBelow: 0 },
    elements: [
      at('invitation', 1000, 1400),
      at('invitation-button', 1200, 1240, { targets: [button] }),
      at('the-strip', 1400, 1400 + strip, { stays: true }),
    ],
    ...more,
  };
  const found = MEASURED_RULES.find(({ name }) => name === rule)!;
  return found.find(new LaidPage(given.frame, page, laid));
};

describe('checks on a contact bar', () => {
  it('tell where it lies over what has the focus, unless the browser keeps that clear', () => {
    const [found] = measured('focus covered', 60);
    expect(found).to.include({ node: 'the-strip', other: 'invitation-button' });
    expect(found.sentence).to.match(/stays at the lower edge and lies over/);
    expect(found.fixes?.map(({ label }) => label)).to.deep.equal(['Hide it in Mobile']);
    expect(measured('focus covered', 60, { keptClearBelow: 72 })).to.deep.equal([]);
    expect(measured('focus covered', 111, { keptClearBelow: 72 })).to.deep.equal([]);
    expect(measured('focus covered', 112, { keptClearBelow: 72 })).to.have.length(1);
  });

  it('tell where it covers more than a third of the screen', () => {
    expect(measured('covers much of the screen', 280)).to.deep.equal([]);
    const [found] = measured('covers much of the screen', 300);
    expect(found.sentence).to.match(/stays at the lower edge and covers up to 36 % of the screen/);
    expect(found.fixes?.map(({ label }) => label)).to.deep.equal(['Hide it in Mobile']);
  });

  it('tell where it has too many actions, or one alone', () => {
    const action = { icon: 'phone', label: 'Call', link: 'tel:+44' };
    const reported = (count: number) => {
      const given = having('strip');
      const set = made(
        'setContent',
        { node: node('the-strip'), field: 'actions', value: Array.from({ length: count }, () => action) },
        given.pages[home.id],
        given,
      );
      return findings(set.frame, set.page)
        .filter(({ rule }) => rule === 'too many actions in a contact bar')
        .map(({ sentence }) => sentence);
    };
    expect([2, 6].flatMap(reported)).to.deep.equal([]);
    expect(reported(1)).to.deep.equal(['Contact bar has one action alone.']);
    expect(reported(7)).to.deep.equal(['Contact bar has 7 actions; there is room for 6.']);
  });
});

describe('a page with something at its edges', () => {
  it('is in a sheet that is brought up to date as in one that is made again', () => {
    const given = having('strip');
    const { frame } = given;
    const addresses: Addresses = { page: () => '#', picture: (id) => id };
    const before = composed(frame, given.pages[home.id]);
    for (const [property, at, value] of [
      ['edge', frame.views.base, 'upper'],
      ['edge', view('mobile'), 'upper'],
      ['shown', view('mobile'), false],
    ] as const) {
      const { page } = made(
        'setValue',
        { nodes: [node('the-strip')], property, view: at, value, reach: 'here' },
        given.pages[home.id],
        given,
      );
      const after = composed(frame, page);
      const fresh = preview(frame, after, addresses);
      const followed = preview(frame, after, addresses, preview(frame, before, addresses));
      expect(printRules(followed.shared), `${property} in ${at}`).to.equal(printRules(fresh.shared));
      expect(print(followed.body), `${property} in ${at}`).to.equal(print(fresh.body));
    }
  });

  it('stays right whatever is done to it', () => {
    const kinds = ['strip', 'up', 'openingscreen'];
    const given = having(...kinds);
    const page = given.pages[home.id];
    for (const kind of kinds) {
      const id = node(`the-${kind}`);
      const { name } = page.nodes[id];
      const done = [
        made('keepBlock', { node: id, id: 'kept-a', name: 'Kept' }, page, given),
        made('duplicateElement', { node: id, id: node('more') }, page, given),
        made('moveElements', { nodes: [id], parent: page.root, after: null }, page, given),
        made('setAudience', { nodes: [id], audience: 'signed-in' }, page, given),
      ];
      for (const { site: after, sentence } of done)
        expect(siteFaults(after), `${kind}, ${sentence}`).to.deep.equal([]);
      const alternate = {
        node: id,
        view: view('mobile'),
        reach: 'here',
        set: node('set'),
        copy: node('copy'),
      } as const;
      expect(refusal('makeAlternate', alternate, page, given)).to.equal(
        `${name} cannot have alternates here. Nothing was changed.`,
      );
      const [, into] = page.nodes[page.root].children.filter((each) => page.nodes[each].kind === 'section');
      expect(refusal('moveElements', { nodes: [id], parent: into, after: null }, page, given)).to.match(
        new RegExp(`takes no ${name.toLowerCase()}\\.`),
      );
    }
  });

  it('gets new sections before its foot as ever', () => {
    const given = having('strip', 'up');
    const page = given.pages[home.id];
    const children = page.nodes[page.root].children;
    const added = made(
      'addElement',
      { kind: 'section', id: node('more'), parent: page.root, after: children.at(-1) as NodeId },
      page,
      given,
    ).site;
    const html = htmlOf(added);
    expect(html.indexOf('n-more')).to.be.lessThan(html.indexOf('</main>'));
  });
});
