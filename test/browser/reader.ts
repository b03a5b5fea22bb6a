/** Reading a published page in Chromium: what is computed of each element, at given widths. */

/** What the browser tells of one element at one width. */
export interface SeenElement {
  style: Record<string, string>;
  shown: boolean;
  /** How many elements that stand in for one another are displayed. */
  times: number;
  words: string;
  left: number;
  top: number;
  width: number;
  source: string | null;
}

export interface SeenAt {
  /** px; the width the browser really gave the page, as its root element has it. */
  width: number;
  elements: Record<string, SeenElement>;
  /** Declarations that, written on an element itself, changed what it computes. */
  changed: { id: string; what: string; from: string; to: string }[];
}

export const READ = [
  'fontFamily',
  'fontSize',
  'lineHeight',
  'fontWeight',
  'textAlign',
  'color',
  'display',
  'gridColumnStart',
  'gridRowStart',
  'gridRowEnd',
  'alignSelf',
  'zIndex',
  'marginLeft',
  'marginRight',
  'gridColumnEnd',
  'gridTemplateColumns',
  'order',
  'justifySelf',
  'alignItems',
  'rowGap',
  'columnGap',
  'paddingTop',
  'paddingRight',
  'paddingBottom',
  'paddingLeft',
  'backgroundColor',
  'width',
  'borderLeftWidth',
  'borderRightWidth',
];

/**
 * Runs in the browser: sets the frame to each width and reads every element. `zoom` makes widths fractional. A
 * image's address counts without its folder: written on the element it is seen from the page, not from the style sheet.
 */
export const READER = `
  const [url, widths, classes, properties, declared, done] = arguments;
  const frame = document.getElementById('frame');
  const displayed = (all) =>
    all.find((each) => each.checkVisibility()) ??
    all.find((each) => each.ownerDocument.defaultView.getComputedStyle(each).display !== 'none') ??
    all[0];
  const ticks = (win) => new Promise((resolve) => win.requestAnimationFrame(() => win.requestAnimationFrame(resolve)));
  (async () => {
    frame.style.zoom = '';
    frame.style.width = '1000px';
    await new Promise((resolve) => { frame.onload = resolve; frame.src = url; });
    const win = frame.contentWindow, doc = frame.contentDocument;
    await doc.fonts.ready;
    const out = [];
    for (const { width, zoom, view } of widths) {
      frame.style.zoom = String(zoom);
      frame.style.width = width + 'px';
      await ticks(win);
      const elements = {};
      for (const [id, name] of classes) {
        const all = [...doc.getElementsByClassName(name)];
        const element = displayed(all);
        const style = win.getComputedStyle(element);
        const box = element.getBoundingClientRect();
        elements[id] = {
          style: Object.fromEntries(properties.map((property) => [property, style[property]])),
          shown: element.checkVisibility(),
          times: all.filter((each) => each.checkVisibility()).length,
          words: element.innerText,
          left: box.left, top: box.top, width: box.width,
          source: element.querySelector(':scope > img') ? element.querySelector(':scope > img').currentSrc : null,
        };
      }
      // All is read, then all is written, then all is read again: so a page is laid out twice, and not twice an element.
      const written = [];
      for (const [id, name] of classes) {
        const element = displayed([...doc.getElementsByClassName(name)]);
        if (!element.checkVisibility()) continue;
        for (const { inside, declarations } of (declared[view] || {})[id] || [])
          for (const target of inside ? element.querySelectorAll(inside) : [element])
            for (const property in declarations) written.push({ id, inside, target, property, value: declarations[property] });
      }
      const read = ({ target, property }) => win.getComputedStyle(target).getPropertyValue(property).replace(/url\\("[^"]*\\//g, 'url("');
      const before = written.map(read);
      for (const { target, property, value } of written) target.style.setProperty(property, value);
      const after = written.map(read);
      for (const { target } of written) target.removeAttribute('style');
      const changed = written.flatMap(({ id, inside, property }, index) =>
        before[index] === after[index] ? [] : [{ id, what: (inside + ' ' + property).trim(), from: before[index], to: after[index] }]);
      out.push({ changed, width: doc.documentElement.getBoundingClientRect().width, elements });
    }
    return out;
  })().then(done, (error) => done({ error: String(error && error.stack || error) }));
`;
