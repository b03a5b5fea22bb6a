/** What is not shown in a view costs no download there. */
import { expect } from 'chai';
import { demoSite } from '../demo.ts';
import { pagesOf, type NodeId, type ViewId } from '../../core/index.ts';
import { type Browser, eventually, openBrowser, resize } from './browser.ts';
import { fileServer, type FileServer } from './files.ts';

describe('downloads', () => {
  let browser: Browser;
  let files: FileServer;
  before(async () => {
    browser = await openBrowser();
    files = await fileServer();
  });
  after(async () => {
    await browser?.close();
    files?.close();
  });

  /** Until everything that is in sight is there. */
  const loaded = () =>
    eventually('all that is in sight', () =>
      browser.driver.executeScript<boolean>(
        `return document.readyState === 'complete' && document.fonts.status === 'loaded' &&
          [...document.images].filter((image) => image.checkVisibility()).every((image) => image.complete && image.naturalWidth > 0)`,
      ),
    );

  /** The images fetched while the page is shown at a width, as tall as it is, so that all that could load does. */
  async function fetched(url: string, width: number): Promise<string> {
    await resize(browser.driver, width, 7000);
    files.asked();
    await browser.driver.get(`${url}?${width}`);
    await loaded();
    return files
      .asked()
      .filter((path) => path.endsWith('.avif') || path.endsWith('.webp'))
      .join(' ');
  }

  it('of images are those that the view shows, and no other', async () => {
    const { site, files: pictures } = await demoSite();
    const target = structuredClone(site);
    const mobile = 'mobile' as ViewId;
    pagesOf(target)[0].nodes['opening-row' as NodeId].style.self!.shown = {
      at: { [mobile]: { value: false, reach: 'here' } },
    };
    await browser.driver.sendDevToolsCommand('Network.setCacheDisabled', { cacheDisabled: true });
    const url = await files.put('downloads', target, pictures);
    const narrow = await fetched(url, 390);
    expect(narrow).to.include('milky-way').and.include('saturn');
    expect(narrow, 'in a row that Mobile hides').not.to.match(/dome/);
    expect(narrow, 'in a section that Mobile hides').not.to.include('moon-phases');
    const tablet = await fetched(url, 820);
    expect(tablet).to.include('dome-close').and.include('moon-phases').and.not.include('dome-at-dusk');
    expect(await fetched(url, 1280))
      .to.include('dome-at-dusk')
      .and.not.include('dome-close');
  });

  it('of images behind elements are as wide as a screen of the view needs, and twice that on dense screens', async () => {
    const { site, files: pictures } = await demoSite();
    const target = structuredClone(site);
    // One that stands nowhere else.
    const chart = target.frame.assets.find(({ id }) => id === 'star-chart')!;
    target.frame.assets.push({ ...chart, id: 'behind', width: 3000, height: 2000 });
    pagesOf(target)[0].nodes['evening' as NodeId].style.self!.backgroundPicture = { base: 'behind' };
    const url = await files.put('behind', target, pictures);
    const widths: string[] = [];
    for (const [width, density] of [
      [390, 1],
      [390, 2],
      [1280, 1],
      [1600, 1],
    ]) {
      await browser.driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
        width,
        height: 7000,
        deviceScaleFactor: density,
        mobile: false,
      });
      files.asked();
      await browser.driver.get(`${url}?${width}-${density}`);
      await loaded();
      widths.push(...files.asked().flatMap((path) => /behind-(\d+)-\w+\.avif$/.exec(path)?.[1] ?? []));
    }
    // 844 px of height ask for 1266 px of an image of 3 : 2; Desktop ends at 1439 px, and Wide nowhere.
    expect(widths).to.deep.equal(['1280', '2560', '1600', '2560']);
    await resize(browser.driver, 1280, 7000);
  });

  it('of fonts are the subsets and styles that the page’s characters need', async () => {
    const { site, files: pictures } = await demoSite();
    const url = await files.put('fonts', site, pictures);
    files.asked();
    await browser.driver.get(url);
    await loaded();
    const fonts = files
      .asked()
      .filter((path) => path.endsWith('.woff2'))
      .map((path) => path.split('/').at(-1));
    expect(fonts.sort()).to.deep.equal([
      'figtree-latin-wght-normal-4ba7d3d096.woff2',
      'fraunces-latin-wght-normal-7f9d191d99.woff2',
    ]);
  });
});
