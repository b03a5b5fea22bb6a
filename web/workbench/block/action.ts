import {
  hasTrait,
  isLinked,
  isOnAllPages,
  isShown,
  sharedPlaceOf,
  type EditReach,
  type Node,
  type Page,
  type SiteFrame,
  type ViewId,
} from '../../../core/index.ts';
import type { Thunk } from '../../state/store.ts';

export type BlockDialog = 'paste' | 'copy overrides' | 'even rows' | 'arrange' | 'tidy' | 'scale' | 'layout';

/** Something that can be done with what is selected. */
export interface BlockAction {
  label: string;
  /** The keys that do the same. */
  keys?: string;
  disabled?: boolean;
  /** Set for what is on or off. */
  checked?: boolean;
  run: Thunk<unknown>;
}

export interface ActionGroup {
  heading: string;
  entries: BlockAction[];
}

export interface Selected {
  site: SiteFrame;
  page: Page;
  nodes: Node[];
  active: ViewId;
  reach: EditReach;
  onDialog(which: BlockDialog): void;
}

/** What concerns every view says so where another than the base is looked at. */
export const scope = (site: SiteFrame, active: ViewId): string =>
  active === site.views.base ? '' : ' in every view';

/** From where elements go that are deleted, where that is not this page alone. */
export function whereGone(nodes: readonly Node[]): string {
  if (nodes.some(({ id }) => isOnAllPages(id))) return ', on all pages';
  if (nodes.some((node) => sharedPlaceOf(node.id) && !isLinked(node))) return ', wherever it is linked';
  return nodes.some(isLinked) ? ' from this page' : '';
}

/** Whether elements are hidden and shown by themselves: a page is offered, and of alternates one shows. */
export const standAlone = (page: Page, nodes: readonly Node[]): boolean =>
  nodes.every(({ parent }) => parent !== null && !hasTrait(page.nodes[parent], 'alternating'));

/** Whether elements can be hidden in a view, as some of them show there. */
export const canHide = (site: SiteFrame, page: Page, nodes: readonly Node[], view: ViewId): boolean =>
  standAlone(page, nodes) && nodes.some((node) => isShown(site, page, node, view));
