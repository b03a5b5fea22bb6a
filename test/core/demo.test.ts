/** The demo site as a whole: every page it is to have, with something of all that differs by view, and one page to practise on. */
import { expect } from 'chai';
import { readFile } from 'node:fs/promises';
import { DEMO_PAGES, demoSite } from '../../demo/site.ts';
import {
  brokenLinks,
  compileSite,
  composed,
  countOverrides,
  FORMAT_VERSION,
  headOf,
  knownProperty,
  offeringIn,
  pagesOf,
  siteFaults,
  viewsWithoutMenu,
  type NodeId,
} from '../../core/index.ts';
import { view } from './acting.ts';

const { site } = await demoSite();
const pages = pagesOf(site);
const nodes = pages.flatMap((page) => Object.values(page.nodes));
const set = (name: string) => nodes.filter(({ style }) => style.self?.[name]?.at !== undefined);

describe('the demo site', () => {
  it('is a file of the present version, which is not upgraded when it is read', async () => {
    const file = await readFile(new URL('../../demo/brindle-hill.json', import.meta.url), 'utf8');
    expect((JSON.parse(file) as { version: number }).version).to.equal(FORMAT_VERSION);
  });

  it('is valid, with every page, no link that leads nowhere, and a menu in every view', () => {
    expect(siteFaults(site)).to.deep.equal([]);
    expect(site.frame.pages.map(({ title }) => title)).to.deep.equal([
      'Brindle Hill Observatory',
      'Tonight',
      'Visits',
      'Telescope hire',
      'Journal',
      'The night the shutter stuck',
      'The comet',
      'Find us',
    ]);
    expect(DEMO_PAGES).to.have.length(8);
    expect(brokenLinks(site)).to.deep.equal([]);
    for (const page of pages)
      expect(viewsWithoutMenu(site.frame, composed(site.frame, page)), page.id).to.deep.equal([]);
    expect(compileSite(site).filter(({ path }) => path.endsWith('.html'))).to.have.length(8);
  });

  it('has alternates, texts by view, images and orders by view, hidden things, and a page that a menu leaves out', () => {
    expect(nodes.filter(({ kind }) => kind === 'alternates').length).to.be.at.least(1);
    expect(
      nodes.some(({ style }) => Object.keys(style.self ?? {}).some((name) => knownProperty(name).wording)),
    ).to.equal(true);
    for (const name of ['source', 'order', 'shown', 'span', 'size'])
      expect(set(name).length, name).to.be.at.least(1);
    const journal = headOf(site.frame, 'journal' as NodeId);
    expect(offeringIn(journal, site.frame, view('mobile'))).to.equal('unlisted');
    expect(offeringIn(journal, site.frame, view('desktop'))).to.equal('listed');
  });

  it('has one page that is left as it was laid out, and no other', () => {
    const counts = pages.map(
      (page) => [page.id, countOverrides(page, Object.keys(page.nodes) as NodeId[])] as const,
    );
    expect(counts.filter(([, count]) => count === 0).map(([id]) => id)).to.deep.equal(['comet']);
  });
});
