import { nodeId } from '../elements/nodeid.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { branch, pageOf } from './tree.ts';

/** A page on which each text style of a site is seen, one below another; its words say which is which. */
export function specimen(site: SiteFrame): { frame: SiteFrame; page: Page } {
  const head = { id: nodeId('specimen'), slug: 'specimen', title: 'Specimen', description: '' };
  const texts = site.textStyles.map(({ id, name }) =>
    branch('text', `style-${id}`, name, {
      textStyle: id,
      content: { text: `<p>${name.replaceAll('&', '&amp;').replaceAll('<', '&lt;')} 0123456789</p>` },
    }),
  );
  const {
    slug: _slug,
    title: _title,
    description: _description,
    ...page
  } = pageOf(
    head,
    branch('page', 'specimen', 'Specimen', {
      children: [
        branch('section', 'styles', 'Styles', {
          style: { gap: { base: 20 }, paddingTop: { base: 32 }, paddingBottom: { base: 32 } },
          children: texts,
        }),
      ],
    }),
  );
  return { frame: { ...site, pages: [...site.pages, head] }, page };
}
