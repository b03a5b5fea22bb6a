/** Menus that follow the pages of a site. */
import { expect } from 'chai';
import { siteFaults, staleTexts, type Site, type TextByView } from '../../core/index.ts';
import { home, made, node, site, undoneOf, view } from './acting.ts';

const add = { id: node('tonight'), title: 'Tonight at eight', slug: 'at-eight', after: node('home') };

describe('a page that is added or moved', () => {
  it('is put into the entries that a menu has in some views only, which are as right beside the others as before', () => {
    const menu = node('shared-head-pages');
    const { links } = site.frame.shared!.head!.nodes[menu].content as { links: { link: string }[] };
    const shorter = made('setValue', {
      nodes: [menu],
      property: 'navigation.links',
      view: view('mobile'),
      reach: 'here',
      value: { says: links.filter(({ link }) => link !== 'page:visits') },
    });
    const own = (target: Site) => target.frame.shared!.head!.nodes[menu];
    const labels = (target: Site) =>
      (
        own(target).style.self!['navigation.links'].at![view('mobile')].value as TextByView<
          { label: string }[]
        >
      ).says.map(({ label }) => label);
    expect(labels(shorter.site)).to.deep.equal(['Home', 'Telescope hire', 'Find us']);
    const step = made('addPage', { ...add, inMenus: true }, home, shorter.site);
    expect(labels(step.site)).to.deep.equal(['Home', 'Tonight at eight', 'Telescope hire', 'Find us']);
    expect(staleTexts(own(step.site))).to.deep.equal([]);
    expect(siteFaults(step.site)).to.deep.equal([]);
    expect(undoneOf(step)).to.deep.equal(shorter.site);
    const moved = made('movePage', { page: node('tonight'), after: node('hire') }, home, step.site);
    expect(labels(moved.site)).to.deep.equal(['Home', 'Telescope hire', 'Tonight at eight', 'Find us']);
    expect(staleTexts(own(moved.site))).to.deep.equal([]);
  });
});
