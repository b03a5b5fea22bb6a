/**
 * Brings what was written by an earlier version of the program to the present form. Version 1 had no spacing scale and
 * no fonts of the site's own, and one border width for all four sides.
 */
type Json = Record<string, unknown>;

const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const BORDERS = ['borderTop', 'borderRight', 'borderBottom', 'borderLeft'];

/** A site's frame in the present form; what is no frame of version 1 is left as it is. */
export function upgradedFrame<T>(frame: T): T {
  if (!isObject(frame) || frame.version !== 1) return frame;
  return { spacing: [], fonts: [], ...(frame as Json), version: 2 } as T;
}

/** An element of a version 1 site in the present form; one that is in it already stays the same object. */
export function upgradedNode(node: unknown): unknown {
  if (!isObject(node) || !isObject(node.style) || !isObject(node.style.self)) return node;
  const { borderWidth, ...self } = node.style.self;
  if (borderWidth === undefined) return node;
  const borders = Object.fromEntries(BORDERS.map((name) => [name, borderWidth]));
  return { ...node, style: { ...node.style, self: { ...self, ...borders } } };
}

/** A page of a version 1 site in the present form. */
function upgradedPage<T>(page: T): T {
  if (!isObject(page) || !isObject(page.nodes)) return page;
  const nodes = Object.entries(page.nodes).map(([id, node]) => [id, upgradedNode(node)]);
  return { ...(page as Json), nodes: Object.fromEntries(nodes) as Json } as T;
}

/** A whole site, with its pages. */
export function upgradedSite<T>(site: T): T {
  if (!isObject(site) || site.version !== 1) return site;
  const pages = Array.isArray(site.pages)
    ? site.pages.map((page: unknown) => upgradedPage(page))
    : site.pages;
  return upgradedFrame({ ...(site as Json), pages } as T);
}
