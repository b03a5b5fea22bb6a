/** Areas of overlays as Chromium lays them out: what a person is told of columns, rows, holding and offsets is what visitors get. */
import { expect } from 'chai';
import fc from 'fast-check';
import { type Site } from '../../core/index.ts';
import { branch, layered, pageOf, type Branch } from '../../core/starts/tree.ts';
import { frame, view } from '../core/acting.ts';
import { openBrowser, resize, visit, type Browser } from './browser.ts';
import { fileServer, type FileServer } from './files.ts';

interface Part {
  column: number;
  span: number;
  row: number;
  rows: number;
  across: 'start' | 'center' | 'end' | 'stretch';
  down: 'start' | 'center' | 'end' | 'stretch';
  /** px */
  x: number;
  y: number;
}

const HOLDS = ['start', 'center', 'end', 'stretch'] as const;
const GUTTER = 20;
const ROW = 30;

const siteOf = (children: Branch[], style: Branch['style'] = {}): Site => {
  const { slug, title, description, ...page } = pageOf(
    { id: 'home', slug: '', title: 'Areas', description: '' },
    branch('page', 'root', 'Areas', {
      children: [
        branch('section', 'part', 'Part', {
          style: { paddingTop: layered(0), paddingBottom: layered(0) },
          children: [
            branch('overlay', 'over', 'Overlay', { style: { rowHeight: layered(ROW), ...style }, children }),
          ],
        }),
      ],
    }),
  );
  const { shared: _shared, ...rest } = frame;
  const views = {
    base: view('desktop'),
    list: (
      [
        ['mobile', 0, 390, 4],
        ['desktop', 700, 1000, 12],
      ] as const
    ).map(([id, from, width, columns]) => ({
      id: view(id),
      name: id,
      from,
      sheet: { width, height: 800 },
      grid: { columns, gutter: GUTTER, margin: 0, maxWidth: 4000 },
    })),
  };
  return {
    frame: {
      ...rest,
      views,
      spacing: [],
      textStyles: [],
      pages: [{ id: page.id, slug, title, description }],
    },
    pages: { [page.id]: page },
  };
};

/** Where a box of so many px stands in an area that begins at a place and is so long: CSS Box Alignment 3, §4 and §6. */
function along(
  start: number,
  length: number,
  size: number,
  held: Part['across'],
  offset: number,
): [number, number] {
  switch (held) {
    case 'start':
      return [start + offset, size];
    case 'end':
      return [start + length - offset - size, size];
    case 'center':
      return [start + (length - size) / 2 + offset, size];
    case 'stretch':
      return [start + offset, length - 2 * offset];
  }
}

describe('areas of overlays', function () {
  this.timeout(120_000);
  let browser: Browser;
  let files: FileServer;
  before(async () => {
    browser = await openBrowser();
    files = await fileServer();
  });
  after(async () => {
    await browser.close();
    files.close();
  });

  const boxes = (selector = '.over > *') =>
    browser.driver.executeScript<{ left: number; top: number; width: number; height: number }[]>(
      `const { left: x, top: y } = document.querySelector('.n-over').getBoundingClientRect();
       return [...document.querySelectorAll(arguments[0])].map((each) => { const { left, top, width, height } = each.getBoundingClientRect(); return { left: left - x, top: top - y, width, height }; })`,
      selector.replace('.over', '.n-over'),
    );

  it('are where columns, rows, holding and offsets say, on both sides of a limit', async () => {
    const part = fc.record({
      column: fc.integer({ min: 1, max: 14 }),
      span: fc.integer({ min: 2, max: 14 }),
      row: fc.integer({ min: 1, max: 9 }),
      rows: fc.integer({ min: 3, max: 5 }),
      across: fc.constantFrom(...HOLDS),
      down: fc.constantFrom(...HOLDS),
      x: fc.integer({ min: 0, max: 12 }),
      y: fc.integer({ min: 0, max: 12 }),
    });
    await fc.assert(
      fc.asyncProperty(fc.array(part, { minLength: 2, maxLength: 5 }), async (parts) => {
        // Boxes of 60 by 40 px are smaller than the least area, so that no row has to grow.
        const children = parts.map((each, index) =>
          branch('column', `part-${index}`, `Part ${index}`, {
            style: {
              areaColumn: layered(each.column),
              span: layered(each.span),
              areaRow: layered(each.row),
              areaRows: layered(each.rows),
              heldAcross: layered(each.across),
              offsetAcross: layered({ px: each.x }),
              heldDown: layered(each.down),
              offsetDown: layered({ px: each.y }),
              ...(each.across === 'stretch' ? {} : { width: layered({ px: 60 }) }),
              ...(each.down === 'stretch' ? {} : { height: layered(40) }),
            },
          }),
        );
        const url = await files.put('areas', siteOf(children));
        for (const [width, columns] of [
          [699, 4],
          [700, 12],
          [1000, 12],
        ]) {
          await resize(browser.driver, width, 800);
          await visit(browser.driver, url);
          const found = await boxes();
          const track = (width - (columns - 1) * GUTTER) / columns;
          parts.forEach((each, index) => {
            // A grid of few columns takes as much of an area as it has room for.
            const span = Math.min(each.span, columns);
            const column = Math.min(each.column, columns - span + 1);
            const start = (column - 1) * (track + GUTTER);
            const length = span * track + (span - 1) * GUTTER;
            const [left, wide] = along(start, length, 60, each.across, each.x);
            const [top, high] = along((each.row - 1) * ROW, each.rows * ROW, 40, each.down, each.y);
            const at = `part ${index} at ${width} px`;
            expect(found[index].left, `left of ${at}`).to.be.closeTo(left, 0.5);
            expect(found[index].width, `width of ${at}`).to.be.closeTo(wide, 0.5);
            expect(found[index].top, `top of ${at}`).to.be.closeTo(top, 0.5);
            expect(found[index].height, `height of ${at}`).to.be.closeTo(high, 0.5);
          });
        }
      }),
      { numRuns: 12 },
    );
  });

  it('that have no cell in common hold boxes that do not meet, however large the text is', async () => {
    const words = 'Clear nights are rare on the hill, and all the better for it.';
    const texts = [
      { column: 1, span: 6, row: 1, rows: 2 },
      { column: 7, span: 6, row: 2, rows: 1 },
      { column: 1, span: 4, row: 3, rows: 1 },
      { column: 5, span: 8, row: 3, rows: 2 },
      { column: 1, span: 12, row: 5, rows: 1 },
    ];
    const children = texts.map(({ column, span, row, rows }, index) =>
      branch('text', `text-${index}`, `Text ${index}`, {
        content: { text: `<p>${words}</p>` },
        style: {
          areaColumn: layered(column),
          span: layered(span),
          areaRow: layered(row),
          areaRows: layered(rows),
          size: layered(18),
        },
      }),
    );
    const url = await files.put('words', siteOf(children));
    for (const width of [720, 1000]) {
      await resize(browser.driver, width, 800);
      await visit(browser.driver, url);
      const heights: number[] = [];
      for (const percent of [100, 200]) {
        await browser.driver.executeScript(`document.documentElement.style.fontSize = '${percent}%'`);
        const found = await boxes();
        heights.push(found[4].top);
        found.forEach((one, index) =>
          found.slice(index + 1).forEach((other) => {
            const across =
              Math.min(one.left + one.width, other.left + other.width) - Math.max(one.left, other.left);
            const down =
              Math.min(one.top + one.height, other.top + other.height) - Math.max(one.top, other.top);
            expect(Math.min(across, down), `${index} at ${width} px and ${percent} %`).to.be.at.most(0.5);
          }),
        );
      }
      // What is below was pushed down.
      expect(heights[1]).to.be.above(heights[0] * 1.5);
    }
  });

  it('keep to what people measure in a drawing', async () => {
    // Common practice: a banner 600 px high; one row between two boxes and two columns in; held to the top at 20 px; 32 and 62 px apart.
    const box = (id: string, style: Branch['style']) =>
      branch('column', id, id, { style: { height: layered(40), ...style } });
    const url = await files.put(
      'banner',
      siteOf(
        [
          box('first', {
            areaColumn: layered(3),
            span: layered(4),
            areaRows: layered(2),
            offsetDown: layered({ px: 20 }),
          }),
          box('second', {
            areaColumn: layered(3),
            span: layered(4),
            areaRow: layered(4),
            areaRows: layered(2),
          }),
          box('third', {
            areaRow: layered(8),
            areaRows: layered(4),
            heldDown: layered('end'),
            offsetDown: layered({ px: 32 }, { mobile: { px: 62 } }),
          }),
        ],
        { minHeight: layered(600), leastRows: layered(20) },
      ),
    );
    await resize(browser.driver, 1000, 800);
    await visit(browser.driver, url);
    const [first, second, third] = await boxes();
    const [overlay] = await boxes('.over');
    expect(overlay.height).to.equal(600);
    const track = (1000 - 11 * GUTTER) / 12;
    expect(first.left).to.be.closeTo(2 * (track + GUTTER), 0.5);
    expect(first.top).to.equal(20);
    // Two rows of 30 px, one between.
    expect(second.top).to.equal(90);
    expect(11 * ROW - third.top - third.height).to.equal(32);
    await resize(browser.driver, 390, 800);
    const [, , narrow] = await boxes();
    expect(11 * ROW - narrow.top - narrow.height).to.equal(62);
    for (const px of [123, 179]) {
      await resize(browser.driver, 1000, 800);
      await visit(
        browser.driver,
        await files.put(
          `rows-${px}`,
          siteOf([box('only', { areaRow: layered(3) })], { rowHeight: layered(px) }),
        ),
      );
      expect((await boxes())[0].top).to.equal(2 * px);
    }
  });

  it('eight overlays deep are laid out like one', async () => {
    let inner = branch('column', 'deep', 'Deep', { style: { height: layered(40), areaRow: layered(2) } });
    for (let depth = 1; depth < 8; depth += 1)
      inner = branch('overlay', `deep-${depth}`, `Deep ${depth}`, {
        style: { areaRow: layered(2), rowHeight: layered(ROW) },
        children: [inner],
      });
    await resize(browser.driver, 1000, 800);
    await visit(browser.driver, await files.put('deep', siteOf([inner])));
    const [deep] = await boxes('.over .n-deep');
    // One row of 30 px above it in each of the eight.
    expect(deep.top).to.equal(8 * ROW);
  });
});
