/** The header and the footer in the order of a page's sections. */
import { expect } from 'chai';
import { childrenIn, compileSite, composed, type Node } from '../../core/index.ts';
import { home, site, view } from './acting.ts';

describe('the header and the footer', () => {
  const own = home.nodes[home.root].children;
  const [head, foot] = [site.frame.shared!.head!.root, site.frame.shared!.foot!.root];

  it('are first and last in every view, whatever an order says or leaves out', () => {
    const orders = {
      'names neither, and the last section of its own first': [own.at(-1)!, ...own.slice(0, -1)],
      'names only some': [own[2]],
      'names both in the middle': [own[1], foot, own[0], head, ...own.slice(2)],
    };
    for (const [which, value] of Object.entries(orders)) {
      const root: Node = {
        ...home.nodes[home.root],
        style: { self: { order: { at: { [view('mobile')]: { value, reach: 'here' } } } } },
      };
      const page = composed(site.frame, { ...home, nodes: { ...home.nodes, [home.root]: root } });
      for (const { id } of site.frame.views.list) {
        const order = childrenIn(site.frame, page.nodes[page.root], id);
        expect([order[0], order.at(-1)], `${which} in ${id}`).to.deep.equal([head, foot]);
        expect([...order].sort()).to.deep.equal([...page.nodes[page.root].children].sort());
      }
      // And so they are published: the number of each child in the style sheet.
      const only = {
        ...site,
        pages: { ...site.pages, [home.id]: { ...home, nodes: { ...home.nodes, [home.root]: root } } },
      };
      const css = compileSite(only)
        .flatMap((file) => ('text' in file && /^assets\/index-.*css$/.test(file.path) ? [file.text] : []))
        .join();
      const number = (id: string): number =>
        Math.max(
          ...[...css.matchAll(new RegExp(`n-${id}[^{}]*\\{[^}]*\\border:\\s?(-?\\d+)`, 'g'))].map(([, at]) =>
            Number(at),
          ),
        );
      expect(number(foot), which).to.equal(own.length + 1);
    }
  });
});
