import type { Layered } from '../layered/layered.ts';
import type { Node, PartStyle, Style } from './node.ts';
import type { Page, Site } from './site.ts';

/** The entries of an object without those that come out empty; undefined where none is left. */
function without<T extends object>(entries: T, clean: (value: T[keyof T]) => unknown): T | undefined {
  const left = Object.entries(entries).flatMap(([key, value]) => {
    const cleaned = clean(value as T[keyof T]);
    return cleaned === undefined ? [] : [[key, cleaned] as const];
  });
  return left.length > 0 ? (Object.fromEntries(left) as T) : undefined;
}

const cleanLayered = (layered: Layered<unknown>): Layered<unknown> | undefined =>
  without(layered, (value) =>
    value === layered.at && Object.keys(value ?? {}).length === 0 ? undefined : value,
  );

const holdsEmpty = (style: Style): boolean =>
  Object.values(style).some(
    (part) =>
      Object.keys(part).length === 0 ||
      Object.values(part).some(
        ({ base, at }) => (at && Object.keys(at).length === 0) || (base === undefined && !at),
      ),
  );

/**
 * A style in the one form it is kept in: no part, no value and no set of overrides that holds nothing. What is in that
 * form already stays the same object.
 */
export const canonicalStyle = (style: Style): Style =>
  holdsEmpty(style) ? (without(style, (part) => without(part as PartStyle, cleanLayered)) ?? {}) : style;

/** An element with the keys of its values in a fixed order, without those that say nothing. */
export function canonicalNode(node: Node): Node {
  const style = canonicalStyle(node.style);
  return style === node.style ? node : { ...node, style };
}

const canonicalPage = (page: Page): Page => ({
  ...page,
  nodes: Object.fromEntries(Object.entries(page.nodes).map(([id, node]) => [id, canonicalNode(node)])),
});

const canonicalPages = <P extends Readonly<Record<string, Page>>>(pages: P): P =>
  Object.fromEntries(Object.entries(pages).map(([id, page]) => [id, canonicalPage(page)])) as unknown as P;

/** A site whose styles are all in the form they are kept in. */
export function canonicalSite({ frame, pages }: Site): Site {
  return {
    frame: {
      ...frame,
      textStyles: frame.textStyles.map((each) => ({ ...each, style: canonicalStyle(each.style) })),
      ...(frame.shared && { shared: canonicalPages(frame.shared as Record<string, Page>) }),
    },
    pages: canonicalPages(pages),
  };
}
