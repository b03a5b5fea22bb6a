/** What a published page says of itself in its head, and what a site tells those who search. */
import { expect } from 'chai';
import { parse, type DefaultTreeAdapterTypes } from 'parse5';
import { assetUses, changesBetween, compileSite, siteFaults, type Site } from '../../core/index.ts';
import { home, made, refusal, site, undoneOf, view } from './acting.ts';

/** The colour of the demo’s header. */
const NIGHT = site.frame.colours.find(({ id }) => id === 'night')!.value;
const AT = { address: 'https://hill.example/stars/' };
const fileOf = (on: Site, path: string, at = {}) =>
  (compileSite(on, at).find((file) => file.path === path) as { text: string } | undefined)?.text;

/** The elements of a page's head, each by its name and its attributes. */
function headOf(html: string): Record<string, string>[] {
  const root = parse(html).childNodes.find(
    ({ nodeName }) => nodeName === 'html',
  ) as DefaultTreeAdapterTypes.Element;
  const head = root.childNodes.find(({ nodeName }) => nodeName === 'head') as DefaultTreeAdapterTypes.Element;
  return head.childNodes.map((node) => ({
    tag: node.nodeName,
    ...Object.fromEntries(
      ((node as DefaultTreeAdapterTypes.Element).attrs ?? []).map(({ name, value }) => [name, value]),
    ),
  }));
}
const colours = (on: Site) =>
  headOf(fileOf(on, 'index.html')!)
    .filter(({ name }) => name === 'theme-color')
    .map(({ content, media }) => [content, media].filter(Boolean).join(' '));
const bar = (property: string, at: string, value: string, on = site): Site =>
  made(
    'setValue',
    { nodes: [home.root], property, view: view(at), value, reach: at === 'desktop' ? 'onward' : 'here' },
    on.pages[home.id],
    on,
  ).site;

describe('the head of a published page', () => {
  it('names its own whole address where that is known, in the way in which it is served', () => {
    const links = (path: string, at = {}) =>
      headOf(fileOf(site, path, at)!)
        .filter(({ rel, property }) => rel === 'canonical' || property === 'og:url')
        .map(({ href, content }) => href ?? content);
    expect(links('index.html', AT)).to.deep.equal([
      'https://hill.example/stars/',
      'https://hill.example/stars/',
    ]);
    expect(links('visits/index.html', AT)).to.deep.equal([
      'https://hill.example/stars/visits/',
      'https://hill.example/stars/visits/',
    ]);
    expect(links('visits/index.html')).to.deep.equal([]);
  });

  it('has a sign of its own for the tab, in two colours of the site', () => {
    const { href } = headOf(fileOf(site, 'visits/index.html')!).find(({ rel }) => rel === 'icon')!;
    expect(href).to.match(/^\.\.\/assets\/icon-[0-9a-f]{10}\.svg$/);
    const svg = fileOf(site, href.slice(3))!;
    for (const { value } of site.frame.colours.slice(0, 2)) expect(svg).to.contain(`fill="${value}"`);
    const hostile = { ...site.frame.colours[0], value: '"/><script>' };
    const frame = { ...site.frame, colours: [hostile] as typeof site.frame.colours };
    const drawn = compileSite({ ...site, frame }).find(({ path }) => /icon-.*\.svg$/.test(path)) as {
      text: string;
    };
    expect(drawn.text).not.to.contain('<script>');
  });

  it('has forms of one image as its sign, where one is chosen, for tabs and home screens', () => {
    const chosen = made('changeSite', { icon: 'saturn' }).site;
    const files = compileSite(chosen);
    const links = headOf(fileOf(chosen, 'visits/index.html')!).filter(({ rel }) => /icon|manifest/.test(rel));
    expect(links.map(({ rel, type, sizes }) => [rel, type, sizes])).to.deep.equal([
      ['icon', 'image/png', '32x32'],
      ['apple-touch-icon', undefined, '180x180'],
      ['manifest', undefined, undefined],
    ]);
    const manifest = JSON.parse(fileOf(chosen, 'site.webmanifest')!) as {
      icons: { src: string; sizes: string; purpose?: string }[];
    };
    // The sizes that https://www.w3.org/TR/appmanifest/ and makers of browsers ask for (common practice).
    expect(manifest.icons.map(({ sizes, purpose }) => [sizes, purpose])).to.deep.equal([
      ['192x192', undefined],
      ['512x512', undefined],
      ['512x512', 'maskable'],
    ]);
    // All that is named is there, once.
    const named = [...links.map(({ href }) => href.slice(3)), ...manifest.icons.map(({ src }) => src)];
    for (const path of named)
      expect(
        files.filter((file) => file.path === path),
        path,
      ).to.have.length(1);
    expect(new Set(named).size).to.equal(6);
    expect(files.some(({ path }) => /^assets\/icon-/.test(path))).to.equal(false);
  });

  it('keeps a drawing as it is beside the forms that are made of it', () => {
    const frame = {
      ...site.frame,
      icon: 'mark',
      assets: [
        ...site.frame.assets,
        {
          id: 'mark',
          name: 'Mark',
          type: 'image/svg+xml' as const,
          width: 40,
          height: 40,
          hash: 'a'.repeat(64),
        },
      ],
    };
    const drawn = compileSite({ ...site, frame });
    const links = headOf((drawn.find(({ path }) => path === 'index.html') as { text: string }).text);
    const { href } = links.find(({ rel, type }) => rel === 'icon' && type === 'image/svg+xml')!;
    expect(drawn.filter(({ path }) => path === href)).to.have.length(1);
  });

  it('says in its manifest what the site is called, in its own colours', () => {
    const manifest = (on: Site) => JSON.parse(fileOf(on, 'site.webmanifest')!) as Record<string, unknown>;
    expect(manifest(site)).to.deep.include({
      ...{ name: 'Brindle Hill Observatory', lang: 'en', dir: 'ltr' },
      ...{ start_url: './', scope: './', display: 'browser' },
    });
    expect(manifest(site)).not.to.have.property('theme_color');
    expect((manifest(site).icons as { type: string }[])[0].type).to.equal('image/svg+xml');
    const coloured = bar('backgroundColour', 'desktop', '#0a0b0c', bar('barColour', 'desktop', '{night}'));
    expect(manifest(coloured)).to.deep.include({
      theme_color: site.frame.colours.find(({ id }) => id === 'night')!.value,
      background_color: '#0a0b0c',
    });
  });

  it('loses its sign with the image, and has back what it was', () => {
    const chosen = made('changeSite', { icon: 'saturn' });
    expect(chosen.sentence).to.equal('Brindle Hill Observatory: its icon is Saturn');
    expect(made('removeAsset', { asset: 'saturn' }, undefined, chosen.site).site.frame).not.to.have.property(
      'icon',
    );
    expect(made('changeSite', { icon: null }, undefined, chosen.site).site.frame).not.to.have.property(
      'icon',
    );
    expect(undoneOf(chosen).frame).to.deep.equal(site.frame);
    expect(refusal('changeSite', { icon: 'turning-sky' })).to.match(/no longer on the shelf/);
    expect(siteFaults({ ...site, frame: { ...site.frame, icon: 'gone' } })[0].sentence).to.match(
      /no image “gone”/,
    );
    expect(assetUses(chosen.site).get('saturn')).to.deep.include({ page: home.id, as: 'site icon' });
    expect(changesBetween(site, chosen.site).map(({ what, after }) => [what, after])).to.deep.equal([
      ['icon', 'Saturn'],
    ]);
  });

  it('gives the browser the colour behind the header, where the page says none', () => {
    expect(colours(site)).to.deep.equal([NIGHT]);
  });

  it('gives the browser a colour in all views, or in each its own, and for dark surroundings first', () => {
    const all = bar('barColour', 'desktop', '{night}');
    expect(colours(all)).to.deep.equal([site.frame.colours.find(({ id }) => id === 'night')!.value]);
    const narrow = bar('barColour', 'mobile', '#123456');
    const others = [
      `${NIGHT} ((width >= 640px) and (not (width >= 1024px)))`,
      `${NIGHT} ((width >= 1024px) and (not (width >= 1440px)))`,
      `${NIGHT} ((width >= 1440px))`,
    ];
    expect(colours(narrow)).to.deep.equal(['#123456 (not (width >= 640px))', ...others]);
    const dark = bar('barColourDark', 'desktop', '#000000', narrow);
    expect(colours(dark)).to.deep.equal([
      '#000000 (prefers-color-scheme: dark)',
      '#123456 (not (width >= 640px))',
      ...others,
    ]);
    const both = bar('barColourDark', 'tablet', '#111111', dark);
    expect(colours(both)).to.include(
      '#111111 (prefers-color-scheme: dark) and ((width >= 640px) and (not (width >= 1024px)))',
    );
  });
});

describe('what a site tells those who search', () => {
  const urls = (xml: string) => [...xml.matchAll(/<loc>([^<]*)<\/loc>/g)].map(([, url]) => url);

  it('is a list of its pages by their whole addresses, without those that are not offered or stand for none', () => {
    const xml = fileOf(site, 'sitemap.xml', AT)!;
    // The form of https://www.sitemaps.org/protocol.html.
    expect(xml).to.match(
      /^<\?xml version="1\.0" encoding="UTF-8"\?>\n<urlset xmlns="http:\/\/www\.sitemaps\.org\/schemas\/sitemap\/0\.9">/,
    );
    expect(urls(xml)).to.deep.equal(
      ['', 'visits/', 'telescope-hire/', 'find-us/'].map((path) => `https://hill.example/stars/${path}`),
    );
    const pages = site.frame.pages.map((head) =>
      head.id === 'visits'
        ? { ...head, offered: { base: 'withheld' as const } }
        : head.id === 'hire'
          ? { ...head, missing: true as const }
          : head,
    );
    const fewer = { ...site, frame: { ...site.frame, pages } };
    expect(urls(fileOf(fewer, 'sitemap.xml', AT)!)).to.deep.equal([
      'https://hill.example/stars/',
      'https://hill.example/stars/find-us/',
    ]);
    // A list of addresses has to name them whole.
    expect(fileOf(site, 'sitemap.xml')).to.equal(undefined);
  });

  it('is that robots may read all of it, and where the list is (RFC 9309)', () => {
    expect(fileOf(site, 'robots.txt', AT)).to.equal(
      'User-agent: *\nDisallow:\n\nSitemap: https://hill.example/stars/sitemap.xml\n',
    );
    expect(fileOf(site, 'robots.txt')).to.equal('User-agent: *\nDisallow:\n');
  });

  it('has the colour behind its header for the browser’s bar, unless the page says another, or the header lets something through', () => {
    const header = site.frame.shared!.head!.root;
    const behind = (value: string, at = 'desktop', on = site): Site =>
      made(
        'setValue',
        { nodes: [header], property: 'backgroundColour', view: view(at), value, reach: 'everywhere' },
        on.pages[home.id],
        on,
      ).site;
    expect(colours(behind('#123456'))).to.deep.equal(['#123456']);
    expect(colours(behind('rgb(1 2 3 / 0.5)'))).to.deep.equal([]);
    expect(colours(behind('transparent'))).to.deep.equal([]);
    expect(colours(bar('barColour', 'desktop', '#abcdef', behind('#123456')))).to.deep.equal(['#abcdef']);
    expect(
      colours(bar('barColour', 'desktop', 'transparent', behind('#123456'))),
      'the browser’s own',
    ).to.deep.equal([]);
  });

  it('has the first large image of the page for sharing, unless it names one', () => {
    const pictures = (on: Site, path = 'index.html') =>
      headOf(fileOf(on, path, AT)!)
        .filter(({ property }) => property === 'og:image')
        .map(({ content }) => content.replace(/^.*assets\/|-.*$/g, ''));
    // The opening of the home page shows the dome.
    expect(pictures(site)).to.deep.equal(['dome']);
    const named = {
      ...site,
      frame: { ...site.frame, pages: site.frame.pages.map((each) => ({ ...each, picture: 'saturn' })) },
    };
    expect(pictures(named)).to.deep.equal(['saturn']);
    const small = {
      ...site,
      frame: {
        ...site.frame,
        assets: site.frame.assets.map((each) => ({ ...each, ...(each.width && { width: 599 }) })),
      },
    };
    expect(pictures(small)).to.deep.equal([]);
  });
});
