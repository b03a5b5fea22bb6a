/** A generated page of a wanted size: sections of rows of cards, with ten overrides on every element that takes them. */
import { demoSite } from '../demo/site.ts';
import {
  canonicalSite,
  type Layered,
  type Node,
  type NodeId,
  type Page,
  type Site,
  type TextSize,
  type ViewId,
} from '../core/index.ts';

const at = <T>(tablet: T, mobile: T): Layered<T>['at'] => ({
  ['tablet' as ViewId]: { value: tablet, reach: 'onward' },
  ['mobile' as ViewId]: { value: mobile, reach: 'here' },
});

const TEXT = {
  size: { base: 18, at: at<TextSize>(17, { min: 14, max: 16, fromWidth: 320, toWidth: 640 }) },
  lineHeight: { base: 1.5, at: at(1.45, 1.4) },
  align: { base: 'start', at: at('center', 'start') },
  paddingTop: { base: 12, at: at(10, 8) },
  paddingBottom: { base: 12, at: at(10, 8) },
};
const CARD = {
  span: { base: 3, at: at(6, 4) },
  gap: { base: 16, at: at(12, 8) },
  paddingLeft: { base: 24, at: at(16, 12) },
  paddingRight: { base: 24, at: at(16, 12) },
  backgroundColour: { base: '{sand}', at: at('{paper}', '{moon}') },
};

/** A site with one page of about `size` elements. */
export async function siteOf(size: number): Promise<Site> {
  const { site } = await demoSite();
  const nodes: Record<NodeId, Node> = {};
  let count = 0;
  const add = (
    kind: string,
    parent: NodeId | null,
    style: Node['style'],
    content: Node['content'] = {},
  ): NodeId => {
    const id = `e${count++}` as NodeId;
    nodes[id] = { id, kind, name: `${kind} ${id}`, parent, children: [], style, content };
    if (parent) nodes[parent].children.push(id);
    return id;
  };
  const root = add('page', null, { self: {} });
  while (count < size) {
    const section = add('section', root, { self: { paddingTop: { base: 96, at: at(64, 40) } } });
    const row = add('row', section, { self: { gap: { base: 32, at: at(24, 16) } } });
    for (let card = 0; card < 8; card++) {
      const column = add('column', row, { self: CARD });
      add('heading', column, { self: TEXT }, { text: `Card ${card}`, level: 3 });
      add(
        'text',
        column,
        { self: TEXT },
        { text: '<p>Low in the south after supper, rings tilted our way.</p>' },
      );
    }
  }
  const sections = nodes[root].children;
  nodes[sections[0]].content.landmark = 'header';
  nodes[sections.at(-1)!].content.landmark = 'footer';
  const page: Page = { id: 'home' as NodeId, root, nodes };
  const pages = [{ id: page.id, slug: '', title: 'Benchmark', description: '' }];
  return canonicalSite({ frame: { ...site.frame, pages }, pages: { [page.id]: page } });
}
