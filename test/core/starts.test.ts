/** What new sites begin with: valid, legible in every view, and with an address of their own. */
import { createHash } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { expect } from 'chai';
import {
  applied,
  composed,
  contrastIn,
  findings,
  knownKind,
  knownProperty,
  LOOK_PICTURES,
  LOOKS,
  newSite,
  type NodeId,
  type Page,
  pagesOf,
  type Part,
  PARTS,
  perform,
  READY_PAGES,
  readyPage,
  type Site,
  siteFaults,
  siteIdOf,
  sizeAt,
  sourceOrder,
  trace,
  VIEW_SETS,
  viewOf,
} from '../../core/index.ts';
import { site as demo } from './acting.ts';

const homeOf = (site: Site): Page => composed(site.frame, pagesOf(site)[0]);

const made = (look: string, views: string, lang = 'en'): Site =>
  newSite({ id: 'trial', name: 'Hall & Yard <2>', lang, look, views });

describe('a new site', () => {
  it('can begin with eight looks and with two to five views', () => {
    expect(LOOKS).to.have.length(8);
    expect(new Set(LOOKS.map(({ name }) => name)).size).to.equal(8);
    // No two begin alike: image, ground, letters and what follows differ.
    const rhythm = LOOKS.map(({ opening, sections }) => JSON.stringify([opening, sections]));
    expect(new Set(rhythm).size).to.equal(8);
    expect(VIEW_SETS.map(({ views }) => views.list.length)).to.deep.equal([2, 3, 4, 5]);
    expect(VIEW_SETS.map(({ views }) => views.list.map(({ from }) => from))).to.deep.equal([
      [0, 768],
      [0, 640, 1024],
      [0, 640, 1024, 1440],
      [0, 480, 768, 1024, 1440],
    ]);
    for (const { views } of VIEW_SETS) expect(views.base).to.equal('desktop');
  });

  for (const { id, name } of LOOKS) {
    it(`is valid and legible in the look ${name}, in every view of every set`, () => {
      for (const { id: views } of VIEW_SETS) {
        const site = made(id, views);
        expect(siteFaults(site), views).to.deep.equal([]);
        const page = homeOf(site);
        const sections = page.nodes[page.root].children.length;
        expect(sections, 'head, opening, two or three more, foot').to.be.within(5, 6);
        for (const node of sourceOrder(page)) {
          const parts = PARTS.filter((part) => part === 'self' || knownKind(node.kind).parts?.[part as Part]);
          for (const { id: view } of site.frame.views.list) {
            for (const part of parts) {
              const contrast = contrastIn(site.frame, page, node, part, view);
              if (!contrast) continue;
              expect(contrast.ratio, `${node.name}, ${part}, ${view}`).to.be.at.least(contrast.needed);
            }
          }
        }
      }
    });
  }

  it('shows three images of its look, which stand on its shelf with what they show in words', () => {
    for (const { id: look } of LOOKS) {
      const site = made(look, '4');
      const images = LOOK_PICTURES[look];
      expect(site.frame.assets, look).to.deep.equal(images);
      for (const { alt, colour } of images) {
        expect(alt, look).to.match(/\w{3}/);
        expect(colour, look).to.match(/^#/);
      }
      const [page] = pagesOf(site);
      expect(page.nodes['opening-picture' as NodeId].style.self!.source, look).to.deep.equal({
        base: images[0].id,
      });
    }
  });

  it('has files for its images, byte for byte those that its shelf speaks of', async () => {
    for (const images of Object.values(LOOK_PICTURES))
      for (const { id, hash } of images) {
        const bytes = await readFile(new URL(`../../web/public/starts/${id}.webp`, import.meta.url));
        expect(createHash('sha256').update(bytes).digest('hex'), id).to.equal(hash);
      }
  });

  it('has nothing wrong, but buttons that do not lead anywhere yet and sample texts', () => {
    for (const { id: look } of LOOKS)
      for (const { id: views } of VIEW_SETS) {
        const site = made(look, views);
        const found = findings(site.frame, homeOf(site)).filter(
          ({ rule }) => rule !== 'link without a target' && rule !== 'sample text',
        );
        expect(
          found.map(({ sentence }) => sentence),
          `${look}, ${views} views`,
        ).to.deep.equal([]);
      }
  });

  it('has headings that grow with the width of the view, level by level', () => {
    const site = made('orchard', '4');
    const page = homeOf(site);
    const size = (view: string) => {
      const { value } = trace(
        site.frame,
        page,
        page.nodes['headline' as NodeId],
        'self',
        knownProperty('size'),
        view as never,
      );
      return sizeAt(value, viewOf(site.frame.views, view as never).sheet.width);
    };
    const sizes = ['mobile', 'tablet', 'desktop', 'wide'].map(size);
    expect(sizes).to.deep.equal([...sizes].sort((one, other) => one - other));
    // 17 px times 1.3 to the fifth: a scale of five steps, as typographers count it (common practice).
    expect(sizes[2]).to.equal(63);
  });

  it('stacks its columns where the view is narrow, and says its name as text', () => {
    const site = made('quarry', '2');
    const page = homeOf(site);
    const span = (view: string) =>
      trace(site.frame, page, page.nodes['card-one' as NodeId], 'self', knownProperty('span'), view as never)
        .value;
    expect([span('mobile'), span('desktop')]).to.deep.equal([4, 4]);
    expect(site.frame.views.list.map(({ grid }) => grid.columns)).to.deep.equal([4, 12]);
    expect(page.nodes['shared-foot-foot-address' as NodeId].content.text).to.include(
      'Hall &amp; Yard &lt;2&gt;',
    );
  });
});

describe('the id of a new site', () => {
  it('is its name in letters of an address, and another one than those that are taken', () => {
    const taken = new Set(['hall-and-yard', 'hall-and-yard-2']);
    const ids: [string, string][] = [
      ['Hall & Yard', 'hall-and-yard-3'],
      ['Über den Dächern', 'ueber-den-daechern'],
      ['Ёлка', 'yolka'],
      ['preview', 'preview-2'],
      ['../../etc/passwd', 'etc-passwd'],
      ['日本', 'site'],
      ['‮evil‬', 'evil'],
      ['x'.repeat(200), 'x'.repeat(54)],
    ];
    for (const [name, id] of ids)
      expect(
        siteIdOf(name, (each) => taken.has(each)),
        name,
      ).to.equal(id);
  });
});

describe('a ready-made page', () => {
  const own = made('kiln', '5');
  for (const { id, label } of READY_PAGES) {
    it(`begins as ${label}, right and legible on sites with and without the colours it knows`, () => {
      const ready = READY_PAGES.find((each) => each.id === id)!;
      for (const on of [demo, own]) {
        const [like] = pagesOf(on);
        const tree = readyPage(on.frame, ready, 'Wool & <yarn>', like);
        const outcome = perform(on, like.id, 'addPage', {
          id: 'fresh' as NodeId,
          title: 'Wool & <yarn>',
          slug: 'fresh',
          after: null,
          tree,
        });
        if (!outcome.ok) throw new Error(outcome.sentence);
        const { site } = outcome.value;
        expect(siteFaults(site)).to.deep.equal([]);
        const page = composed(site.frame, site.pages['fresh' as NodeId]);
        expect(sourceOrder(page).find(({ kind }) => kind === 'heading')!.content.text).to.equal(
          'Wool &amp; &lt;yarn&gt;',
        );
        for (const node of sourceOrder(page))
          for (const { id: view } of site.frame.views.list) {
            const contrast = contrastIn(site.frame, page, node, 'self', view);
            if (contrast) expect(contrast.ratio, `${node.name} in ${view}`).to.be.at.least(contrast.needed);
          }
        const back = applied(site, outcome.value.inverse);
        expect(back.ok && back.value.site).to.deep.equal(on);
      }
    });
  }

  it('is refused where it is not right, with what is wrong', () => {
    const [like] = pagesOf(own);
    const { root, nodes } = readyPage(own.frame, READY_PAGES[0], 'x', like);
    const wrong = { ...nodes, [root]: { ...nodes[root], kind: 'section' } };
    const outcome = perform(own, like.id, 'addPage', {
      id: 'fresh' as NodeId,
      title: 'x',
      slug: 'fresh',
      after: null,
      tree: { root, nodes: wrong },
    });
    expect(outcome.ok ? '' : outcome.sentence).to.match(
      /^The page cannot be added: .* Nothing was changed\.$/,
    );
  });
});
