import type { Columns } from '../../layout/spans.ts';
import type { EditReach } from '../../layered/change.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import { done } from '../../outcome.ts';
import type { ViewId } from '../../layered/views.ts';
import type { Command } from '../command.ts';
import { setValue } from '../values/values.ts';

/** Columns that elements are to take of their rows; their first column stays as it is where none is given. */
export interface TakeColumns extends Columns {
  nodes: NodeId[];
  view: ViewId;
  reach: EditReach;
}

/** Gives elements another share of the columns of their rows, in one step: how many, and from which one. */
export const takeColumns: Command<TakeColumns> = {
  run(site, draft, { span, start, ...where }, pages) {
    const wider = setValue.run(site, draft, { ...where, property: 'span', value: span }, pages);
    if (!wider.ok || start === undefined) return wider;
    const moved = setValue.run(site, draft, { ...where, property: 'start', value: start }, pages);
    return moved.ok ? done(`${wider.value}, from column ${start}`) : moved;
  },
};
