import {
  childOrder,
  childrenIn,
  counted,
  describeArea,
  knownProperty,
  type LaidOut,
  type Mend,
  type NodeId,
  type Page,
  placementIn,
  resolve,
  type SiteFrame,
  sure,
  type ViewId,
} from '../../../core/index.ts';
import { isPart } from '../../state/areas.ts';

/** What a layout would change of an element, in words: before and after. */
export function changeInWords(
  site: SiteFrame,
  before: Page,
  after: Page,
  { node: id, values }: LaidOut,
  view: ViewId,
): string {
  const node = before.nodes[id];
  const said: string[] = [];
  if (values.order) {
    const names = (order: readonly NodeId[]) => order.map((each) => before.nodes[each].name).join(', ');
    const next = childOrder(node.children, values.order as NodeId[]);
    said.push(`${names(childrenIn(site, node, view))} → ${names(next)}`);
  }
  if (isPart(before, node)) {
    const [from, to] = [before, after].map((page) =>
      describeArea(placementIn(site, page, page.nodes[id], view)),
    );
    said.push(from === to ? `${to}, held otherwise` : `${from} → ${to}`);
    return said.join(' · ');
  }
  for (const [name, value] of Object.entries(values)) {
    const property = knownProperty(name);
    if (name === 'order') continue;
    const words = (each: unknown) => property.type.format(each, { site });
    said.push(`${property.label}: ${words(resolve(site, before, node, property, view))} → ${words(value)}`);
  }
  return said.join(' · ');
}

const rows = (count: number): string => counted(count, 'row');

/** What is mended of a part, in words. */
export function mendInWords(page: Page, mend: Mend<NodeId>): string {
  const name = (id: NodeId) => page.nodes[id].name;
  const own = name(mend.id);
  switch (mend.why) {
    case 'outside':
      return `${own} stuck out of ${page.nodes[sure(page.nodes[mend.id].parent)].name}: it stays in its area`;
    case 'too large':
      return `${own} took ${rows(mend.from)} and needs ${mend.to}: what is below it moves up`;
    case 'crossed':
      return `${own} comes after ${name(mend.other)}, as in the base view`;
    case 'covered':
      return `${own} covered ${name(mend.other)}: it goes below it`;
    case 'uneven':
      return `${own} was ${rows(mend.from)} below ${name(mend.other)}: ${rows(mend.to)}, as the others`;
  }
}
