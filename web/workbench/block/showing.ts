import {
  AUDIENCES,
  headOf,
  isShown,
  offeringIn,
  viewOf,
  type Page,
  type SiteFrame,
  type ViewId,
} from '../../../core/index.ts';
import { edit } from '../../state/edits.ts';
import { hideOrShow } from '../../state/structure.ts';
import { standAlone, type ActionGroup, type BlockAction, type Selected } from './action.ts';

/** Where the page itself is offered. */
function offering(site: SiteFrame, page: Page, active: ViewId): ActionGroup {
  const head = headOf(site, page.id);
  const { name } = viewOf(site.views, active);
  const there = (view: ViewId) => offeringIn(head, site, view) !== 'withheld';
  return {
    heading: 'Appears',
    entries: [
      {
        label: there(active) ? `Hide page in ${name}` : `Show page in ${name}`,
        keys: 'H',
        run: hideOrShow([page.root], active),
      },
      ...[...site.views.list].reverse().map((view): BlockAction => ({
        label: `In ${view.name}`,
        checked: there(view.id),
        run: edit('offerPage', {
          page: page.id,
          offering: there(view.id) ? 'withheld' : 'listed',
          views: [view.id],
        }),
      })),
    ],
  };
}

/** Where the elements are shown: the view that is looked at, all others, and only here. */
export function showing({ site, page, nodes, active }: Selected): ActionGroup[] {
  const ids = nodes.map(({ id }) => id);
  if (nodes.length === 1 && nodes[0].parent === null) return [offering(site, page, active)];
  if (!standAlone(page, nodes)) return [];
  const { name } = viewOf(site.views, active);
  const there = (view: ViewId) => nodes.every((node) => isShown(site, page, node, view));
  return [
    {
      heading: 'Shown',
      entries: [
        {
          label: there(active) ? `Hide in ${name}` : `Show in ${name}`,
          keys: 'H',
          run: hideOrShow(ids, active),
        },
        {
          label: `Show only in ${name}`,
          run: edit('showInViews', { nodes: ids, shown: true, views: [active], only: true }),
        },
        ...[...site.views.list].reverse().map((view): BlockAction => ({
          label: `In ${view.name}`,
          checked: there(view.id),
          run: edit('showInViews', { nodes: ids, shown: !there(view.id), views: [view.id] }),
        })),
      ],
    },
    {
      heading: 'Audience',
      entries: (['everyone', ...AUDIENCES] as const).map((audience): BlockAction => ({
        label:
          audience === 'everyone'
            ? 'Everyone'
            : `${audience === 'signed-in' ? 'Signed-in' : 'Signed-out'} visitors`,
        checked: nodes.every((node) => (node.audience ?? 'everyone') === audience),
        run: edit('setAudience', { nodes: ids, audience }),
      })),
    },
  ];
}
