/** Cleans an SVG image, apart: parses it, keeps what is known to draw and nothing else, and draws it once, to see that this ends. */
import createDOMPurify from 'dompurify';
import { JSDOM } from 'jsdom';
import sharp from 'sharp';

const SVG = 'http://www.w3.org/2000/svg';

/** Addresses within the image itself, or images that are written out in it. */
const OWN = /^\s*(#|data:image\/(png|jpeg|webp|gif);base64,)/i;

/** What a style may not say: anything that is fetched, and what hides that from whoever reads it. */
const FETCHES =
  /@import|\\|url\(\s*(?!['"]?(#|data:image\/(png|jpeg|webp|gif);base64,))|image-set|expression\(|-moz-binding/i;

function cleaned(text) {
  const { window } = new JSDOM('');
  const parsed = new window.DOMParser().parseFromString(text, 'image/svg+xml');
  if (parsed.querySelector('parsererror') || parsed.documentElement.namespaceURI !== SVG) return undefined;
  if (parsed.documentElement.localName !== 'svg') return undefined;
  const purify = createDOMPurify(window);
  purify.addHook('uponSanitizeAttribute', (_node, attribute) => {
    const { attrName: name, attrValue: value } = attribute;
    if (/(^|:)href$|^src$/.test(name) && !OWN.test(value)) attribute.keepAttr = false;
    if (FETCHES.test(value)) attribute.keepAttr = false;
  });
  purify.addHook('uponSanitizeElement', (node, { tagName }) => {
    if (tagName === 'style' && FETCHES.test(node.textContent)) node.textContent = '';
  });
  // The lists of what is known are for the names that HTML's parser makes; what comes of it is written as XML again.
  const body = purify.sanitize(new window.XMLSerializer().serializeToString(parsed.documentElement), {
    USE_PROFILES: { svg: true, svgFilters: true },
    ADD_TAGS: ['use'],
    RETURN_DOM: true,
  });
  const root = body.querySelector('svg');
  if (!root) return undefined;
  const markup = new window.XMLSerializer().serializeToString(root);
  const again = new window.DOMParser().parseFromString(markup, 'image/svg+xml');
  if (again.querySelector('parsererror')) return undefined;
  const length = (name) => {
    const value = root.getAttribute(name) ?? '';
    return /^\s*\d+(\.\d+)?(px)?\s*$/.test(value) ? parseFloat(value) : undefined;
  };
  const box = (root.getAttribute('viewBox') ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  const boxed = box.length === 4 && box[2] > 0 && box[3] > 0 ? { width: box[2], height: box[3] } : undefined;
  // What says nothing of its size is as large as CSS has replaced elements be (CSS 2.2, §10.3.2).
  const width = length('width') ?? boxed?.width ?? 300;
  const height = length('height') ?? (boxed ? (width * boxed.height) / boxed.width : 150);
  return { markup, width: Math.max(1, Math.round(width)), height: Math.max(1, Math.round(height)) };
}

/** px; the width at which it is drawn for a trial. */
const TRIAL = 1024;

/** The image as it may be stored, with its size; undefined for what is no SVG. */
export async function work(text) {
  const clean = cleaned(text);
  if (clean) {
    // What cannot be drawn here may well be drawn by a browser: only how long it takes is asked.
    await sharp(Buffer.from(clean.markup), { limitInputPixels: false })
      .resize({ width: TRIAL, height: TRIAL, fit: 'inside' })
      .raw()
      .toBuffer()
      .catch(() => undefined);
  }
  return clean;
}
