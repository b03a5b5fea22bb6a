/** Our formulas and placements against what Chromium does with the standards they lean on. */
import { expect } from 'chai';
import { calculateClamp } from 'utopia-core';
import { newSite, placeColumns, sizeAt, type NodeId, type Site } from '../../core/index.ts';
import { completeOrder } from '../../core/layout/order.ts';
import { heldSpan, heldStart } from '../../core/layout/spans.ts';
import { textSizeCss } from '../../core/type/textsize.ts';
import { openBrowser, type Browser } from './browser.ts';
import { fileServer, type FileServer } from './files.ts';

describe('standards in Chromium', () => {
  let browser: Browser;
  let files: FileServer;
  before(async () => {
    browser = await openBrowser();
    files = await fileServer();
    await browser.driver.get(`${files.url}/frame`);
  });
  after(async () => {
    await browser?.close();
    files?.close();
  });

  const run = <T>(script: string, ...args: unknown[]) => browser.driver.executeScript<T>(script, ...args);

  it('a fluid size is at 20 widths what clamp() computes, ours and that of utopia-core', async () => {
    const sizes = [
      { min: 44, max: 56, fromWidth: 640, toWidth: 1024 },
      { min: 16, max: 18, fromWidth: 320, toWidth: 1280 },
      { min: 28, max: 96, fromWidth: 360, toWidth: 1440 },
    ];
    const widths = Array.from({ length: 20 }, (_, index) => 280 + index * 80);
    for (const size of sizes) {
      const reference = calculateClamp({
        minSize: size.min,
        maxSize: size.max,
        minWidth: size.fromWidth,
        maxWidth: size.toWidth,
      });
      const found = await run<[number, number][]>(
        `const [widths, ours, theirs] = arguments; const frame = document.getElementById('frame'); const doc = frame.contentDocument;
         doc.body.innerHTML = '<p></p><p></p>'; const [a, b] = doc.body.children; a.style.fontSize = ours; b.style.fontSize = theirs;
         const size = (element) => parseFloat(frame.contentWindow.getComputedStyle(element).fontSize);
         return widths.map((width) => { frame.style.width = width + 'px'; frame.getBoundingClientRect(); return [size(a), size(b)]; });`,
        widths,
        textSizeCss(size),
        reference,
      );
      widths.forEach((width, index) => {
        expect(found[index][0], `${width} px`).to.be.closeTo(sizeAt(size, width), 0.01);
        expect(found[index][1], `${width} px, utopia-core`).to.be.closeTo(sizeAt(size, width), 0.02);
      });
    }
  });

  it('a fluid size never shrinks when a person enlarges text, however steep it is', async () => {
    // WCAG 2.2, 1.4.4 Resize Text; the root's font size is what a person sets in the browser.
    const sizes = [
      { min: 28, max: 60, fromWidth: 640, toWidth: 1024 },
      { min: 10, max: 20, fromWidth: 500, toWidth: 1000 },
      { min: 16, max: 18, fromWidth: 320, toWidth: 1280 },
    ];
    const roots = [16, 18, 20, 24, 32];
    for (const size of sizes) {
      const found = await run<number[][]>(
        `const [css, roots] = arguments; const frame = document.getElementById('frame'); const doc = frame.contentDocument;
         doc.body.innerHTML = '<p></p>'; doc.body.firstChild.style.fontSize = css;
         const made = Array.from({ length: 40 }, (_, index) => { frame.style.width = 320 + index * 32 + 'px';
           return roots.map((root) => { doc.documentElement.style.fontSize = root + 'px'; return parseFloat(frame.contentWindow.getComputedStyle(doc.body.firstChild).fontSize); }); });
         doc.documentElement.style.fontSize = ''; return made;`,
        textSizeCss(size),
        roots,
      );
      for (const [index, row] of found.entries()) {
        const sorted = [...row].sort((one, other) => one - other);
        expect(row, `${size.min}–${size.max} at ${320 + index * 32} px`).to.deep.equal(sorted);
        expect(row[4], 'larger at twice the size').to.be.greaterThan(row[0] * 1.3);
      }
    }
  });

  it('a place in a row is what `order` means in flex and in grid containers', async () => {
    // CSS Flexible Box Layout 1, §5.4 https://www.w3.org/TR/css-flexbox-1/#order-property, with its example of a
    // sequence changed by `order`; CSS Grid Layout 2, §6.3 https://www.w3.org/TR/css-grid-2/#order-property.
    const children = ['a', 'b', 'c', 'd'] as NodeId[];
    const stored = ['c', 'a', 'gone', 'd'] as NodeId[];
    const wanted = completeOrder(children, stored);
    for (const display of ['flex', 'grid']) {
      const visual = await run<string[]>(
        `const [children, wanted, display] = arguments; const doc = document.getElementById('frame').contentDocument;
         doc.body.innerHTML = '<div style="display:' + display + ';' + (display === 'flex' ? 'flex-direction:column' : '') + '">' + children.map((id) => '<p id="' + id + '" style="order:' + wanted.indexOf(id) + '">x</p>').join('') + '</div>';
         return children.slice().sort((x, y) => doc.getElementById(x).getBoundingClientRect().top - doc.getElementById(y).getBoundingClientRect().top);`,
        children,
        wanted,
        display,
      );
      expect(visual, display).to.deep.equal(wanted);
    }
  });

  it('spans and starts break into rows as CSS grid places them', async () => {
    const of = (...list: (number | [start: number, span: number])[]) =>
      list.map((each) => (typeof each === 'number' ? { span: each } : { start: each[0], span: each[1] }));
    for (const [columns, asked] of [
      [12, of(7, 5, 6, 8, 4)],
      [12, of(12, 3, 3, 3, 3, 3)],
      [4, of(1, 4, 2, 7, 3, 1)],
      [1, of(1, 5, 2)],
      [5, of(2, 2, 2, 3, 1, 1)],
      [12, of([3, 4], 4, [9, 2], 2, [11, 6], 1)],
      [6, of(2, [2, 2], [4, 2], [4, 1], 5, [1, 1])],
      [3, of([9, 1], [1, 9], 1, [2, 1], [2, 2])],
    ] as const) {
      const placed = placeColumns(asked, columns);
      const written = asked.map(({ span, start }) =>
        start === undefined
          ? `auto / span ${heldSpan(span, columns)}`
          : `${heldStart(start, span, columns)} / span ${heldSpan(span, columns)}`,
      );
      const found = await run<{ row: number; column: number }[]>(
        `const [written, columns] = arguments; const doc = document.getElementById('frame').contentDocument;
         document.getElementById('frame').style.width = '1200px'; doc.body.style.margin = 0;
         doc.body.innerHTML = '<div style="display:grid;width:1200px;grid-template-columns:repeat(' + columns + ',minmax(0,1fr));grid-auto-rows:10px">' + written.map((each) => '<p style="margin:0;grid-column:' + each + '"></p>').join('') + '</div>';
         return [...doc.body.firstChild.children].map((element) => { const box = element.getBoundingClientRect(); return { row: Math.round(box.top / 10), column: Math.round(box.left / (1200 / columns)) }; });`,
        written,
        columns,
      );
      expect(found).to.deep.equal(placed.map(({ row, column }) => ({ row, column })));
    }
  });

  it('what stands on one line of a listing shares its baseline, in whatever sizes it is set', async () => {
    // Cells of one row: CSS 2.2, §17.5.3 https://www.w3.org/TR/CSS22/tables.html#height-layout; a grid’s: CSS Box Alignment 3, §9.
    const begun = newSite({ id: 'listings', name: 'Listings', lang: 'en', look: 'kiln', views: '4' });
    const [page] = Object.values(begun.pages);
    const { hours, prices } = Object.fromEntries(Object.values(page.nodes).map((node) => [node.kind, node]));
    const large = (size: number) => ({ size: { base: size } });
    const items = [{ time: '9:30', what: 'Doors open', note: 'At the entrance' }];
    const nodes = {
      [hours.id]: { ...hours, style: { ...hours.style, label: large(11) } },
      [prices.id]: { ...prices, style: { ...prices.style, heading: large(40) } },
      times: {
        ...{ id: 'times', kind: 'timetable', name: 'Times', parent: hours.parent, children: [] },
        ...{ content: { caption: 'Times', items }, style: { label: large(36) } },
      },
    };
    const beside = page.nodes[hours.parent!];
    const site = {
      ...begun,
      pages: {
        [page.id]: {
          ...page,
          nodes: {
            ...page.nodes,
            ...nodes,
            [beside.id]: { ...beside, children: [...beside.children, 'times'] },
          },
        },
      },
    } as unknown as Site;
    await browser.driver.get(await files.put('listings', site));
    const lines = await run<number[][]>(
      `return [...document.querySelectorAll('tr, li:has(> b)')].map((line) => [...line.querySelectorAll('th, td, b, span')].map((cell) => {
         const probe = document.createElement('i'); probe.style.cssText = 'display: inline-block; width: 0; height: 0'; cell.prepend(probe);
         return probe.getBoundingClientRect().bottom; }));`,
    );
    expect(lines).to.have.length.above(6);
    for (const [name, said] of lines) expect(said).to.be.closeTo(name, 0.5);
    await browser.driver.get(`${files.url}/frame`);
  });
});
