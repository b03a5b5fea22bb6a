/**
 * Which image a browser fetches: the smallest that suffices for how large it is shown. What suffices is reckoned from the boxes that
 * Chromium lays out, not from what core says of them.
 */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  composed,
  knownProperty,
  resolve,
  placementIn,
  takes,
  viewAt,
  type Asset,
  type Node,
  type NodeId,
  type Page,
  type Site,
} from '../../core/index.ts';
import { onlyPages, site as demo } from '../core/acting.ts';
import { siteArbitrary } from '../core/arbitrary.ts';
import { openBrowser, type Browser } from './browser.ts';
import { fileServer, type FileServer } from './files.ts';

/** px; the widths in which images are offered, besides their own. */
const OFFERED = [320, 480, 640, 800, 1040, 1280, 1600, 1920, 2560];

interface ShownImage {
  /** The class by which its element is known. */
  of: string;
  box: { width: number; height: number };
  fit: string;
  /** What its markup says of its shape, of the source that was taken. */
  shape: number;
  source: string;
  /** The page fetches the same file as a background too. */
  behind: boolean;
}

/** Runs in the browser: sets the frame to each width, and tells what each image that is displayed has fetched. */
const LOOK = `
  const [url, widths, done] = arguments;
  const frames = () => new Promise((next) => requestAnimationFrame(() => requestAnimationFrame(next)));
  document.body.replaceChildren();
  const loaded = async (width) => {
    const frame = document.body.appendChild(document.createElement('iframe'));
    frame.style.cssText = 'border: 0; height: 300px; position: absolute; left: 0; width: ' + width + 'px';
    await frames();
    // A browser that has a larger picture already takes that: each width is that of a visitor of its own.
    await new Promise((next) => { frame.onload = next; frame.src = url.replace(/\\/$/, '~' + width + '/'); });
    return frame;
  };
  const lookAt = async (width) => {
      const frame = await loaded(width);
      const page = frame.contentDocument;
      const view = frame.contentWindow;
      for (const image of page.images) image.loading = 'eager';
      const shown = () => [...page.images].filter((image) => image.getClientRects().length > 0 && image.className !== 'still');
      for (let turn = 0; turn < 500 && !shown().every((image) => image.complete && image.currentSrc); turn++) await frames();
      const behind = new Set(view.performance.getEntriesByType('resource').filter((each) => each.initiatorType === 'css').map((each) => each.name));
      const seen = shown().map((image) => {
        const style = view.getComputedStyle(image);
        const px = (name) => parseFloat(style[name]);
        const { width, height } = image.getBoundingClientRect();
        const sources = image.parentElement.localName === 'picture' ? [...image.parentElement.querySelectorAll('source')] : [];
        const taken = sources.find((source) => !source.media || view.matchMedia(source.media).matches) || image;
        return {
          of: image.closest('[class*="n-"]').className.match(/(?:^| )n-(\\S+)/)[1],
          box: { width: width - px('borderLeftWidth') - px('borderRightWidth'), height: height - px('borderTopWidth') - px('borderBottomWidth') },
          fit: style.objectFit,
          shape: taken.getAttribute('width') / taken.getAttribute('height'),
          source: image.currentSrc,
          behind: behind.has(image.currentSrc),
        };
      });
      frame.remove();
      return seen;
  };
  (async () => {
    const seen = [];
    // So many at once that the browser is not kept waiting.
    for (let at = 0; at < widths.length; at += 8) seen.push(...(await Promise.all(widths.slice(at, at + 8).map(lookAt))));
    done(seen);
  })();`;

/** px; how wide the file is that was fetched: its name says it, or it is the image itself. */
function fetched(source: string, assets: readonly Asset[]): { width: number; asset: Asset } {
  const name = /assets\/([^/]+)$/.exec(source)?.[1];
  if (name === undefined) throw new Error(`Fetched: “${source}”.`);
  const asset = assets.find(({ id }) => name.startsWith(`${id}-`))!;
  const made = /-(\d+)-[0-9a-f]{10}\.\w+$/.exec(name.slice(asset.id.length));
  return { asset, width: made ? Number(made[1]) : asset.width! };
}

/** px; how wide the whole file is drawn: that of its box, or more where the box cuts off its sides. */
const drawn = ({ box, fit, shape }: ShownImage): number =>
  fit === 'cover' ? Math.max(box.width, box.height * shape) : box.width;

/** Whether an element’s width, or that of one around it, follows its words: then core tells how wide it can be at most. */
function followsWords(site: Site, page: Page, id: string, width: number): boolean {
  const view = viewAt(site.frame.views, width).id;
  const value = (node: Node, name: string) => resolve(site.frame, page, node, knownProperty(name), view);
  for (let node = page.nodes[id as never]; node.parent !== null; node = page.nodes[node.parent]) {
    const parent = page.nodes[node.parent];
    const own = value(node, parent.kind === 'overlay' ? 'heldAcross' : 'blockAlign');
    const align = own === 'auto' ? value(parent, 'justifyItems') : own;
    if (parent.parent === null) return false;
    // What shows one image is asked for it; a gallery is as wide as those that are in it.
    if ((node.id !== id || node.kind === 'gallery') && align !== 'stretch' && value(node, 'width') === 'auto')
      return true;
  }
  return false;
}

/**
 * Whether something around an element is as wide as its shape makes of the height of what is in it: it is no less high than that (CSS Sizing 4,
 * §5.1, automatic minimum sizes), which nobody knows before the page is laid out.
 */
function isWideByContent({ frame }: Site, page: Page, id: string, width: number): boolean {
  const view = viewAt(frame.views, width).id;
  const value = (node: Node, name: string) => resolve(frame, page, node, knownProperty(name), view);
  for (let node = page.nodes[id as never]; node.parent !== null; node = page.nodes[node.parent]) {
    const parent = page.nodes[node.parent];
    const own = value(node, 'blockAlign');
    const align = own === 'auto' ? value(parent, 'justifyItems') : own;
    const shaped = node.children.length > 0 && value(node, 'aspectRatio') !== 'auto';
    if (shaped && align !== 'stretch' && value(node, 'width') === 'auto') return true;
  }
  return false;
}

/** How many times larger than the whole of it an image is drawn at a width of the window; 1 where it is not zoomed in. */
function zoomOf({ frame }: Site, page: Page, id: string, width: number): number {
  const node = page.nodes[id as NodeId];
  const zoom = knownProperty('zoom');
  return node && takes(node.kind, zoom)
    ? resolve<number>(frame, page, node, zoom, viewAt(frame.views, width).id) / 100
    : 1;
}

/** Whether an image is as large as its area in an overlay. */
function fills({ frame }: Site, page: Page, id: string, width: number): boolean {
  const node = page.nodes[id as NodeId];
  if (!node?.parent || page.nodes[node.parent].kind !== 'overlay') return false;
  return placementIn(frame, page, node, viewAt(frame.views, width).id).heldDown === 'stretch';
}

describe('the images that a page fetches', function () {
  this.timeout(240_000);
  let browser: Browser;
  let files: FileServer;
  let count = 0;
  before(async () => {
    [browser, files] = await Promise.all([openBrowser(), fileServer()]);
  });
  after(async () => {
    await browser?.close();
    files?.close();
  });

  async function seenIn(site: Site, widths: number[], density = 1): Promise<ShownImage[][]> {
    await browser.driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
      width: 1280,
      height: 800,
      deviceScaleFactor: density,
      mobile: false,
    });
    await browser.driver.get(`${files.url}/frame`);
    const url = await files.put(`sizes-${count++}`, site);
    const seen: ShownImage[][] = [];
    for (let at = 0; at < widths.length; at += 24)
      seen.push(
        ...(await browser.driver.executeAsyncScript<ShownImage[][]>(LOOK, url, widths.slice(at, at + 24))),
      );
    return seen;
  }

  /** The widths on offer of what was fetched, narrow to wide; of a part of an image, its own. */
  const offered = (natural: number) => [
    ...OFFERED.filter((width) => width < Math.min(natural, 2560)),
    Math.min(natural, 2560),
  ];

  /** What is wrong with what was fetched at widths of the window. */
  function faults(site: Site, page: Page, widths: number[], seen: ShownImage[][], density: number): string[] {
    return seen.flatMap((pictures, index) =>
      pictures.flatMap((picture) => {
        const { width, asset } = fetched(picture.source, site.frame.assets);
        const [w, h] = [asset.width!, asset.height!];
        const whole = picture.shape < w / h - 0.01 ? h * picture.shape : w;
        const natural = Math.round(whole / zoomOf(site, page, picture.of, widths[index]));
        const steps = offered(natural);
        const needed = drawn(picture) * density;
        const suffices = (least: number) => steps.find((step) => step >= least) ?? steps.at(-1)!;
        // A hundredth of a px, in which layouts are rounded, must not decide.
        const right = new Set([suffices(needed - 0.1), suffices(needed + 0.1)]);
        // Nor the whole px in which the heights of files are.
        const { box } = picture;
        right.add(suffices(drawn({ ...picture, box: { ...box, height: box.height - 1 } }) * density));
        if (picture.box.width <= 0 || right.has(width)) return [];
        // Chromium takes a larger one that the same page has fetched already (HTML Standard, §4.8.4.3.7, leaves that to it).
        if (picture.behind && width >= suffices(needed)) return [];
        // On dense screens Chromium takes the smaller of two as long as it is nearer in the geometric mean.
        if (density > 1 && steps[steps.indexOf(suffices(needed)) - 1] === width) return [];
        // Of an area only the least height is known; its rows grow with what is in them.
        if (fills(site, page, picture.of, widths[index]) && width >= suffices(picture.box.width * density))
          return [];
        if (isWideByContent(site, page, picture.of, widths[index])) return [];
        if (followsWords(site, page, picture.of, widths[index]) && width >= suffices(needed)) return [];
        return [
          `${picture.of} at ${widths[index]} px: ${width} of ${steps.join(' ')} fetched for ${needed.toFixed(2)}`,
        ];
      }),
    );
  }

  it('are the smallest that suffice, at every fiftieth width of the demo and where its views end, on screens of one, two and three px to the px', async () => {
    const limits = demo.frame.views.list.flatMap(({ from }) => (from > 0 ? [from - 1, from] : []));
    for (const [id, density, step] of [
      ['home', 1, 50],
      ['home', 2, 200],
      ['home', 3, 200],
    ] as const) {
      const site = onlyPages(demo, id);
      const page = composed(site.frame, Object.values(site.pages)[0]);
      const at = [...Array.from({ length: 1680 / step }, (_, index) => 290 + step * index), ...limits];
      const seen = await seenIn(site, at, density);
      expect(seen.flat().length, id).to.be.greaterThan(30);
      expect(faults(site, page, at, seen, density).slice(0, 8).join('\n'), `${id}, ${density}x`).to.equal('');
    }
  });

  it('are the smallest that suffice in generated rows, columns and galleries', async () => {
    const large = { alpha: [3000, 2000], beta: [1400, 1400], gamma: [900, 1600] } as Record<string, number[]>;
    const sites = fc.sample(siteArbitrary, { numRuns: 20, seed: 7 });
    let compared = 0;
    for (const site of sites) {
      const assets = site.frame.assets.map((asset) => {
        const [width, height] = large[asset.id];
        return { ...asset, width, height };
      });
      const grown = { ...site, frame: { ...site.frame, assets } };
      const [page] = Object.values(grown.pages);
      if (!Object.values(page.nodes).some(({ kind }) => ['picture', 'gallery', 'logo'].includes(kind)))
        continue;
      const widths = [300, 610, 1001, 1340, 1800];
      const seen = await seenIn(grown, widths);
      compared += seen.flat().length;
      expect(
        faults(grown, page, widths, seen, 1).slice(0, 5),
        JSON.stringify(grown.frame.views),
      ).to.deep.equal([]);
    }
    expect(compared).to.be.greaterThan(40);
  });
});
