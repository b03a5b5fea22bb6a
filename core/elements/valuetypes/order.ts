import { childOrder, nodeId, type NodeId, NodeIdSchema } from '../nodeid.ts';
import { Type } from '@sinclair/typebox';
import { moveTo } from '../../layout/order.ts';
import { done, refused } from '../../outcome.ts';
import { readNumber } from './number.ts';
import type { ValueType } from './valuetype.ts';

/** 1 → "1st", 2 → "2nd", 11 → "11th". */
export function ordinal(place: number): string {
  const lastTwo = place % 100;
  const suffix = lastTwo >= 11 && lastTwo <= 13 ? 'th' : ({ 1: 'st', 2: 'nd', 3: 'rd' }[place % 10] ?? 'th');
  return `${place}${suffix}`;
}

/**
 * The order of a container's children in a view: always the whole sequence. Seen from one child it reads as its
 * place ("2nd"); seen from the container, as the source places in their new order ("2·1·3").
 */
export const orderType: ValueType<NodeId[]> = {
  editor: 'order',
  schema: Type.Array(NodeIdSchema, { uniqueItems: true, maxItems: 500 }),
  parse(text, { siblings }) {
    const count = siblings?.order.length ?? 0;
    const place = readNumber(text.trim().replace(/(st|nd|rd|th)$/i, ''));
    if (!siblings?.child)
      return refused('Select one of the parts to give it a place, or drag them into order.');
    if (place === undefined || !Number.isInteger(place) || place < 1 || place > count) {
      return refused(`“${text.trim()}” isn’t a place from 1 to ${count}.`);
    }
    return done(childOrder(siblings.source, moveTo(siblings.order, siblings.child, place - 1)));
  },
  format(value, { siblings }) {
    if (!siblings) return `${value.length} parts`;
    const order = childOrder(siblings.source, value);
    if (siblings.child) return ordinal(order.indexOf(siblings.child) + 1);
    return order.map((id) => siblings.source.indexOf(id) + 1).join('·');
  },
  mentions: (value) => value.map((id) => ({ of: 'nodes', id })),
  renamed: (value, names) => value.map((id) => nodeId(names.get(id) ?? id)),
};

/** The sequence of what stands in the columns of a row in a view: all of it, or none where the columns stay as they are. */
export const interleaveType: ValueType<NodeId[]> = {
  ...orderType,
  parse(text, { siblings }) {
    const typed = text.trim().toLowerCase();
    if (['no', 'off', 'none'].includes(typed)) return done([]);
    if (['yes', 'on'].includes(typed) && siblings) return done(siblings.order);
    return refused(`“${text.trim()}” isn’t yes or no; drag the parts into order to interleave them.`);
  },
  format(value, { siblings }) {
    if (value.length === 0) return 'no';
    if (!siblings) return 'yes';
    const places = value.map((id) => siblings.source.indexOf(id) + 1);
    return places.filter((place) => place > 0).join('·');
  },
};
