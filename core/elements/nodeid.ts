import { Type } from '@sinclair/typebox';
import { completeOrder, ranked } from '../layout/order.ts';
import { NOT_OF_EVERY_OBJECT } from '../lookup.ts';

/** What the ids of elements begin with that all pages share: what stands above all sections of a page, and what stands below them. */
const ABOVE = 'shared-head-';
const BELOW = 'shared-foot-';

/** Where an element stands among its siblings whatever an order says: the header first and the footer last, in every view. */
const rankOf = (id: string): number => (id.startsWith(ABOVE) ? 0 : id.startsWith(BELOW) ? 2 : 1);

/** A stored order of children made whole for those there are now (`completeOrder`), with what all pages share in its place. */
export const childOrder = (children: readonly NodeId[], stored: readonly NodeId[] | undefined): NodeId[] =>
  stored ? ranked(completeOrder(children, stored), rankOf) : [...children];

declare const nodeBrand: unique symbol;
export type NodeId = string & { readonly [nodeBrand]: true };

/** A text as the id of a node, where it comes from what has been validated, or names one that is made. */
export const nodeId = (text: string): NodeId => text as NodeId;

export const NodeIdSchema = Type.Unsafe<NodeId>(
  Type.String({ pattern: `^${NOT_OF_EVERY_OBJECT}[A-Za-z][A-Za-z0-9_-]{0,39}$` }),
);
