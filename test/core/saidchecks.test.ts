/** The rules that look at what a page says: what fails them and what does not. */
import { expect } from 'chai';
import {
  composed,
  findings,
  pagesWithLinkedPlaces,
  performCall,
  placeKey,
  siteFindings,
  type Finding,
  type Node,
  type NodeId,
  type Page,
  type SiteFrame,
} from '../../core/index.ts';
import { frame, home, made, site, view } from './acting.ts';

const id = (name: string) => name as NodeId;
const whole = composed(frame, home);

/** The page with other content of an element. */
const saying = (name: string, content: Node['content'], page = whole): Page => {
  const node = page.nodes[id(name)];
  return { ...page, nodes: { ...page.nodes, [name]: { ...node, content: { ...node.content, ...content } } } };
};
const of = (rule: string, page: Page, on: SiteFrame = frame): Finding[] =>
  findings(on, page).filter((each) => each.rule === rule);
const sentences = (list: readonly Finding[]) =>
  list.map(({ of: place, sentence }) => [placeKey(place), sentence]);

describe('checks of what a page says', () => {
  it('find nothing wrong in the demo', () => {
    const sentencesOf = findings(frame, whole).filter(({ rule }) => !/size|lines/.test(rule));
    expect(sentences(sentencesOf)).to.deep.equal([]);
  });

  it('find images of which nothing is said, neither there nor on the shelf', () => {
    const silent: SiteFrame = {
      ...frame,
      assets: frame.assets.map((asset) => ('alt' in asset ? { ...asset, alt: '' } : asset)),
    };
    const rule = 'image without a text alternative';
    const page = saying('dome', { alt: '' });
    expect(sentences(of(rule, page, silent))).to.deep.equal([
      ['dome self', 'Dome image has no text alternative.'],
    ]);
    expect(of(rule, saying('dome', { alt: 'A dome' }), silent)).to.deep.equal([]);
    const known: SiteFrame = {
      ...frame,
      assets: frame.assets.map((asset) => ('width' in asset ? { ...asset, alt: 'A dome' } : asset)),
    };
    expect(of(rule, page, known)).to.deep.equal([]);
  });

  it('find file names that stand for a text alternative, here or on the shelf', () => {
    const rule = 'file name as text alternative';
    for (const alt of ['IMG_2041.JPG', 'dome-night.webp', 'DSC 0042', 'image', 'Screenshot 2024-05-01'])
      expect(sentences(of(rule, saying('dome', { alt }))), alt).to.deep.equal([
        ['dome self', `The text alternative of Dome image is a file name: “${alt}”.`],
      ]);
    for (const alt of ['A dome', 'Image of a dome', 'Dome 2', 'The dome (photo: A. Vale)', ''])
      expect(of(rule, saying('dome', { alt })), alt).to.deep.equal([]);
    const named = {
      ...frame,
      assets: frame.assets.map((asset) => ('width' in asset ? { ...asset, alt: 'dome_final.png' } : asset)),
    } as SiteFrame;
    expect(of(rule, saying('dome', { alt: '' }), named)).to.have.length(1);
  });

  it('find links without words, and links that lead nowhere', () => {
    const wordless = of('link without text', saying('book', { label: ' ' }));
    expect(sentences(wordless)).to.deep.equal([['book self', 'Book a night has a link without text.']]);
    expect(wordless[0].severity).to.equal('barrier');
    const rule = 'link without a target';
    expect(sentences(of(rule, saying('book', { link: '' })))).to.deep.equal([
      ['book self', 'Book a night has no link.'],
    ]);
    for (const [link, what] of [
      ['page:gone', 'a page'],
      ['shelf:gone', 'a file'],
      ['#gone', 'a place'],
    ])
      expect(sentences(of(rule, saying('book', { link })))[0]?.[1], link).to.equal(
        `Book a night leads to ${what} that no longer exists.`,
      );
    for (const link of ['page:home', 'https://a.example/', 'mailto:a@b.example', '#week'])
      expect(of(rule, saying('book', { link })), link).to.deep.equal([]);
  });

  it('find what is wrong only in the views in which it is shown, and name them', () => {
    const page = made('setValue', {
      ...{ nodes: [id('book')], property: 'shown', view: view('mobile') },
      ...{ value: false, reach: 'here' as const },
    }).page;
    const [found] = of('link without a target', saying('book', { link: '' }, composed(frame, page)));
    expect(found.views).to.deep.equal(['tablet', 'desktop', 'wide']);
    expect(found.widths[0]).to.deep.equal({ from: 640, to: 1023 });
    expect(found.sentence).to.equal('Book a night has no link in Wide, Desktop, Tablet.');
  });

  it('find headings that leave a level out, by view, and mend them', () => {
    const rule = 'skipped heading level';
    const page = made('setContent', { node: id('saturn-title'), field: 'level', value: 5 });
    const [found] = of(rule, page.page);
    expect(found.sentence).to.match(/is a heading of level 5 right after one of level 2\.$/);
    const mended = performCall(page.site, home.id, found.fixes![0].call);
    expect(mended.ok).to.equal(true);
    if (mended.ok) expect(of(rule, mended.value.site.pages[home.id])).to.deep.equal([]);
    // Hidden in one view, what stands before it there is another one.
    const hidden = made(
      'setValue',
      {
        ...{ nodes: [id('week-title')], property: 'shown', view: view('mobile') },
        ...{ value: false, reach: 'here' as const },
      },
      made('setContent', { node: id('saturn-title'), field: 'level', value: 3 }).page,
    ).page;
    expect(of(rule, hidden)).to.deep.equal([]);
  });

  it('tell what is shared once, of all pages', () => {
    const [[place, tree]] = (Object.entries(frame.shared!) as [string, Page][]).filter(([, { nodes }]) =>
      Object.values(nodes).some(({ kind }) => kind === 'navigation'),
    );
    const menu = Object.values(tree.nodes).find(({ kind }) => kind === 'navigation')!;
    const links = (menu.content.links as object[]).map((link, index) => ({
      ...link,
      ...(index === 0 && { label: '' }),
    }));
    const nodes = { ...tree.nodes, [menu.id]: { ...menu, content: { ...menu.content, links } } };
    const all = siteFindings({
      ...site,
      frame: { ...frame, shared: { ...frame.shared, [place]: { ...tree, nodes } } },
    });
    expect(all.map(({ page }) => page)).to.deep.equal(frame.pages.map(({ id: page }) => page));
    const found = all
      .flatMap(({ findings: list }) => list)
      .filter(({ rule }) => rule === 'link without text');
    expect(found).to.have.length(1);
  });

  it('find fields without a label', () => {
    const page = Object.values(site.pages).find(({ nodes }) =>
      Object.values(nodes).some(({ kind }) => kind === 'form'),
    )!;
    const form = Object.values(page.nodes).find(({ kind }) => kind === 'form')!;
    const rule = 'field without a label';
    expect(of(rule, composed(frame, page))).to.deep.equal([]);
    const fields = (form.content.fields as object[]).map((field, index) => ({
      ...field,
      ...(index < 2 && { label: '' }),
    }));
    const [found] = of(rule, saying(form.id, { fields }, composed(frame, page)));
    expect(found.sentence).to.equal(`${form.name} has 2 fields without a label.`);
    expect(found.clause).to.equal('WCAG 2.2, 3.3.2');
  });

  it('find views without a menu, and titles that are missing or there twice', () => {
    const menu = Object.values(whole.nodes).find(({ kind }) => kind === 'navigation')!;
    const hidden = { base: true, at: { mobile: { value: false, reach: 'here' } } };
    const page = {
      ...whole,
      nodes: {
        ...whole.nodes,
        [menu.id]: { ...menu, style: { ...menu.style, self: { ...menu.style.self, shown: hidden } } },
      },
    };
    expect(sentences(of('no menu in a view', page))).to.deep.equal([
      [`${home.root} self`, 'There is no menu in Mobile.'],
    ]);
    const titled = (title: string): SiteFrame => ({
      ...frame,
      pages: frame.pages.map((each) => (each.id === home.id ? { ...each, title } : each)),
    });
    const rule = 'page without a title of its own';
    expect(of(rule, whole, titled(' '))[0].sentence).to.equal('The page has no title.');
    const other = frame.pages.find((each) => each.id !== home.id)!.title;
    expect(of(rule, whole, titled(other.toUpperCase()))[0].sentence).to.match(
      /^Another page is also called “/,
    );
  });

  it('find links to what a view does not show: a place on the page, or a page that is not offered', () => {
    const rule = 'link to hidden content';
    const hidden = made('setValue', {
      ...{ nodes: [id('week')], property: 'shown', view: view('mobile') },
      ...{ value: false, reach: 'here' as const },
    }).page;
    const page = saying('book', { link: '#week' }, composed(frame, hidden));
    expect(sentences(of(rule, page))).to.deep.equal([
      ['book self', 'Book a night leads to What is up this week, which is not shown in Mobile.'],
    ]);
    expect(of(rule, page)[0].views).to.deep.equal(['mobile']);
    expect(of(rule, saying('book', { link: '#week' }))).to.deep.equal([]);
    const withheld: SiteFrame = {
      ...frame,
      pages: frame.pages.map((head) =>
        head.id === 'visits' ? { ...head, offered: { base: 'withheld' as const } } : head,
      ),
    };
    const leads = sentences(of(rule, saying('book', { link: 'page:visits' }), withheld));
    // The invitation leads there, too.
    expect(leads).to.have.length(2);
    expect(leads[0][1]).to.match(/^Book a night leads to .*, which is not shown\.$/);
    expect(of(rule, saying('book', { link: 'page:visits' }))).to.deep.equal([]);
  });

  it('find links to places on other pages that are gone, or that a view does not show, where those pages are known', () => {
    const visits = site.pages[id('visits')];
    const [section] = visits.nodes[visits.root].children;
    const page = saying('book', { link: `page:visits#${section}` });
    const on = (rule: string, other: Page | undefined) =>
      findings(frame, page, { pages: other ? { visits: other } : {} })
        .filter((each) => each.rule === rule)
        .map(({ sentence, views }) => [sentence, views]);
    const hidden = made(
      'setValue',
      {
        ...{ nodes: [section], property: 'shown', view: view('tablet') },
        ...{ value: false, reach: 'onward' as const },
      },
      visits,
    ).site.pages[id('visits')];
    const name = visits.nodes[section].name;
    const title = frame.pages.find((head) => head.id === 'visits')!.title;
    expect(on('link to hidden content', hidden)).to.deep.equal([
      [
        `Book a night leads to ${name} on ${title}, which is not shown in Tablet, Mobile.`,
        ['mobile', 'tablet'],
      ],
    ]);
    const gone = made('removeElements', { nodes: [section] }, visits).site.pages[id('visits')];
    expect(on('link without a target', gone).map(([sentence]) => sentence)).to.deep.equal([
      'Book a night leads to a place that no longer exists.',
    ]);
    for (const rule of ['link to hidden content', 'link without a target'])
      for (const other of [visits, undefined]) expect(on(rule, other), rule).to.deep.equal([]);
    // What is on the other page alone is no matter of this one.
    expect(pagesWithLinkedPlaces(page)).to.deep.equal(['visits']);
    expect(pagesWithLinkedPlaces(saying('book', { link: 'page:visits' }))).to.deep.equal([]);
    expect(pagesWithLinkedPlaces(saying('book', { link: `page:home#week` }))).to.deep.equal([]);
  });

  it('find landmarks that those who hear the page cannot tell apart', () => {
    const rule = 'landmarks with the same name';
    expect(sentences(of(rule, saying('week', { landmark: 'footer' })))).to.deep.equal([
      ['shared-foot-foot self', 'Footer and What is up this week are both marked as footer.'],
    ]);
    const two = saying('moon-strip', { landmark: 'aside' }, saying('week', { landmark: 'aside' }));
    expect(sentences(of(rule, two))).to.deep.equal([
      [
        'moon-strip self',
        'Moon phase strip is marked as complementary content and has no name in Wide, Desktop, Tablet.',
      ],
    ]);
    expect(of(rule, saying('moon-strip', { label: 'The moon' }, two))).to.deep.equal([]);
    const named = saying('shared-head-pages', { label: 'Pages' });
    const menu = saying('week', { landmark: 'nav', label: 'pages' }, named);
    expect(sentences(of(rule, menu))[0][1]).to.match(
      /is marked as navigation and is called “pages” like Page links/,
    );
    // Where only one of them shows, there is nothing to tell apart.
    const apart = made('setValue', {
      ...{ nodes: [id('week')], property: 'shown', view: view('mobile') },
      ...{ value: false, reach: 'here' as const },
    }).page;
    const [found] = of(rule, saying('week', { landmark: 'footer' }, composed(frame, apart)));
    expect(found.views).not.to.include('mobile');
  });
});

describe('icons and fields', () => {
  const added = (
    kind: string,
    parent: string,
    values: Record<string, string>,
    part: 'self' | 'field',
    content = {},
  ) => {
    const white = made('setValue', {
      ...{ nodes: [id(parent)], property: 'backgroundColour', view: view('desktop') },
      ...{ value: '#ffffff', reach: 'everywhere' as const },
    }).page;
    const { page } = made('addElement', { kind, parent: id(parent), after: null, id: id('new-one') }, white);
    const node = page.nodes[id('new-one')];
    const withContent = {
      ...page,
      nodes: { ...page.nodes, 'new-one': { ...node, content: { ...node.content, ...content } } },
    };
    return Object.entries(values).reduce(
      (on, [property, value]) =>
        made(
          'setValue',
          {
            ...{ nodes: [id('new-one')], property, view: view('desktop'), part },
            ...{ value, reach: 'everywhere' as const },
          },
          on,
        ).page,
      withContent as Page,
    );
  };

  // #949494 and #959595 are the two sides of 3 : 1 on white (common practice).
  it('stand out by 3 to 1 from what is behind them', () => {
    for (const [colour, count] of [
      ['#949494', 0],
      ['#959595', 1],
    ] as const) {
      const icon = added('icon', 'evening', { colour }, 'self');
      expect(of('icon contrast too low', icon), colour).to.have.length(count);
    }
    const fields = { fields: [{ label: 'Name', type: 'text', required: false, options: '' }] };
    const form = (values: Record<string, string>, content = fields) =>
      sentences(of('field contrast too low', added('form', 'evening', values, 'field', content)));
    expect(form({ borderColour: '#949494' })).to.deep.equal([]);
    const faint = form({ borderColour: '#d0d0d0' });
    expect(faint).to.have.length(1);
    expect(faint[0][1]).to.match(/^The fields of Form stand out by only 1\.5 : 1 in every view; /);
    // A background of their own is enough.
    expect(form({ borderColour: '#d0d0d0', backgroundColour: '#333333' })).to.deep.equal([]);
    expect(form({ borderColour: '#d0d0d0' }, { fields: [] })).to.deep.equal([]);
  });
});
