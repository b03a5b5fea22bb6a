/** Linked blocks where they land: only what means something there is published. */
import { expect } from 'chai';
import {
  compileSite,
  pagesOf,
  siteFaults,
  type SavedBlockName,
  type Page,
  type Site,
} from '../../core/index.ts';
import { home, made, node, site } from './acting.ts';

const kept = 'kept-one' as SavedBlockName;
const visits = pagesOf(site)[1];
const treeOf = (on: Site): Page => on.frame.shared![kept]!;

describe('a linked block in another place', () => {
  it('with a span in a row is as wide as its place where it lands in none', () => {
    const parent = home.nodes[home.nodes[node('lead')].parent!];
    const spanned = made('setValue', {
      ...{ nodes: [parent.id], property: 'span', view: site.frame.views.base },
      ...{ value: 3, reach: 'everywhere' },
    });
    const on = made(
      'keepBlock',
      { node: parent.id, id: kept, name: 'Three columns', linked: true },
      spanned.page,
      spanned.site,
    );
    const section = visits.nodes[visits.root].children[0];
    const column = Object.values(visits.nodes).find(({ kind }) => kind === 'column' || kind === 'group')!;
    const css = (site: Site) =>
      compileSite(site)
        .flatMap((file) => ('text' in file && /^assets\/visits.*css$/.test(file.path) ? [file.text] : []))
        .join();
    const { root } = treeOf(on.site);
    for (const place of [section, column.id]) {
      const landed = made(
        'linkBlock',
        { block: kept, parent: place, after: null },
        on.site.pages[visits.id],
        on.site,
      );
      expect(siteFaults(landed.site)).to.deep.equal([]);
      const rules = [...css(landed.site).matchAll(new RegExp(`\\.n-${root}[,{][^}]*}`, 'g'))].map(
        ([rule]) => rule,
      );
      expect(rules.join(), place).not.to.contain('grid-column');
    }
  });
});
