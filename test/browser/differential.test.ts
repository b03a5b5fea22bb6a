/**
 * The claim of the product: what core resolves for a view is what a browser computes at every width of it. Pages are
 * published and read in Chromium on both sides of every breakpoint, fractional widths among them.
 */
import { expect } from 'chai';
import fc from 'fast-check';
import { demoSite as wholeDemo } from '../../demo/site.ts';
import { demoSite } from '../demo.ts';
import { headOf, pagesOf, nodeClass, viewAt, type NodeId, type Site } from '../../core/index.ts';
import { siteArbitrary } from '../core/arbitrary.ts';
import { openBrowser, type Browser } from './browser.ts';
import { Comparison, declarationsOf, widthsToRead } from './comparison.ts';
import { READ, READER, type SeenAt } from './reader.ts';
import { fileServer, type FileServer } from './files.ts';

/** A site of one page, and where that is published. */
const alone = ({ frame, pages }: Site, page: NodeId): Site => ({
  frame: { ...frame, pages: [headOf(frame, page)] },
  pages: { [page]: pages[page] },
});
const addressOf = ({ frame }: Site, page: NodeId) => {
  const { slug } = headOf(frame, page);
  return slug && `${slug}/`;
};

describe('what core resolves is what Chromium computes', () => {
  let browser: Browser;
  let files: FileServer;
  let count = 0;
  before(async () => {
    browser = await openBrowser();
    files = await fileServer();
    await browser.driver.get(`${files.url}/frame`);
  });
  after(async () => {
    await browser?.close();
    files?.close();
  });

  async function faultsOf(
    site: Site,
    pictures?: Record<string, string>,
  ): Promise<{ faults: string[]; widths: number[]; compared: number }> {
    const [page] = pagesOf(site);
    const url = (await files.put(`site-${count++}`, site, pictures)) + addressOf(site, page.id);
    const classes = Object.keys(page.nodes).map((id) => [id, nodeClass(id)]);
    const all = await browser.driver.executeAsyncScript<SeenAt[] | { error: string }>(
      READER,
      url,
      widthsToRead(site.frame.views),
      classes,
      READ,
      declarationsOf(site, page),
    );
    if (!Array.isArray(all)) throw new Error(all.error);
    const faults: string[] = [];
    for (const seen of all) {
      const comparison = new Comparison(site, page, viewAt(site.frame.views, seen.width), seen);
      Object.values(page.nodes).forEach((node) => comparison.element(node));
      faults.push(...comparison.faults);
      for (const { id, what, from, to } of seen.changed) {
        faults.push(
          `${page.nodes[id as NodeId].name} at ${seen.width} px: ${what} should be ${to} and is ${from}`,
        );
      }
    }
    return { faults, widths: all.map((seen) => seen.width), compared: all.length * classes.length };
  }

  it('on every page of the demo site', async () => {
    const { site, files: pictures } = await wholeDemo();
    for (const page of pagesOf(site)) {
      const { faults, widths, compared } = await faultsOf(alone(site, page.id), pictures);
      expect(faults.slice(0, 8)).to.deep.equal([]);
      expect(widths).to.include.members([639, 640, 641, 1023, 1024, 1025, 1439, 1440, 1441]);
      expect(widths.some((width) => !Number.isInteger(width))).to.equal(true);
      expect(compared).to.be.greaterThan(100);
    }
  });

  it('on generated pages: random views, random values of every property with both reaches', async function () {
    this.timeout(240_000);
    await fc.assert(
      fc.asyncProperty(siteArbitrary, async (site) => {
        const { faults } = await faultsOf(site);
        if (faults.length > 0) throw new Error(faults.slice(0, 4).join('\n'));
      }),
      { numRuns: 24, endOnFailure: true },
    );
  });

  it('and would notice a page that differs', async () => {
    const { site, files: pictures } = await demoSite();
    const [page] = pagesOf(site);
    const other = structuredClone(page);
    other.nodes['headline' as never]['style'].self!.size = { base: 65 };
    const url = await files.put(`site-${count++}`, alone(site, page.id), pictures);
    const classes = Object.keys(page.nodes).map((id) => [id, nodeClass(id)]);
    const [seen] = await browser.driver.executeAsyncScript<SeenAt[]>(
      READER,
      url,
      [{ width: 1280, zoom: 1, view: 'desktop' }],
      classes,
      READ,
      declarationsOf(site, other),
    );
    const comparison = new Comparison(site, other, viewAt(site.frame.views, 1280), seen);
    Object.values(other.nodes).forEach((node) => comparison.element(node));
    expect(comparison.faults.join('\n')).to.match(
      /Headline at 1280 px \(Desktop\): font-size should be 65 and is 64/,
    );
    expect(seen.changed).to.deep.include({ id: 'headline', what: 'font-size', from: '64px', to: '65px' });
  });
});
