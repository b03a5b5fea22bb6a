import { lookup } from '../../lookup.ts';
import { sure } from '../../sure.ts';
import { viewOf, widthsOf, type Grid, type View, type ViewId } from '../../layered/views.ts';
import { done } from '../../outcome.ts';
import type { Page, SiteFrame } from '../../site/site.ts';
import { isFluid } from '../../type/fluid.ts';
import type { Command } from '../command.ts';
import { GONE, heldSheets, kept, limitFault } from './viewlimits.ts';
import { allTrees, everyLayered } from './viewvalues.ts';

export interface ChangeView {
  view: ViewId;
  name?: string;
  /** px */
  from?: number;
  /** px */
  sheet?: { width: number; height: number };
  grid?: Grid;
}

/** A fluid value whose ends at one width are at another; as it is where that leaves no span, or turns it round. */
function withLimit(value: unknown, before: number, now: number): unknown {
  if (!isFluid(value)) return value;
  const moved = (width: number) => (width === before ? now : width);
  const [fromWidth, toWidth] = [moved(value.fromWidth), moved(value.toWidth)];
  const changed = fromWidth !== value.fromWidth || toWidth !== value.toWidth;
  const alike = Math.sign(toWidth - fromWidth) === Math.sign(value.toWidth - value.fromWidth);
  return changed && alike ? { ...value, fromWidth, toWidth } : value;
}

/** Fluid values whose ends were a limit follow it, on all pages and in the theme. */
function followLimit(site: SiteFrame, pages: readonly Page[], before: number, now: number): void {
  for (const { layered, put } of everyLayered(site, pages)) {
    const base = withLimit(layered.base, before, now);
    const overrides = Object.entries(layered.at ?? {}).map(
      ([id, override]) => [id, { ...override, value: withLimit(override.value, before, now) }] as const,
    );
    if (
      base === layered.base &&
      overrides.every(([id, { value }]) => value === sure(lookup(sure(layered.at, 'at'), id)).value)
    )
      continue;
    put({
      ...(base !== undefined && { base }),
      ...(overrides.length > 0 && { at: Object.fromEntries(overrides) }),
    });
  }
}

/** Changes what a view is called, where it begins, its sheet and its grid. No value is changed but fluid sizes that end at its limit. */
export const changeView: Command<ChangeView> = {
  on: ({ from }) => (from === undefined ? 'frame' : 'site'),
  run(site, _page, { view: id, ...given }, pages) {
    const { views } = site;
    const before = views.list.find((view) => view.id === id);
    if (!before) return GONE;
    const name = given.name?.trim() ?? before.name;
    const next: View = { ...before, ...given, name };
    if (before.from === 0 && next.from !== 0) return kept('The narrowest view starts at 0.');
    const list = views.list.map((view) => (view.id === id ? next : view));
    const changed = { ...views, list };
    const fault = limitFault(changed);
    if (fault) return kept(fault);
    const after = given.from === undefined ? changed : heldSheets(changed);
    const { from = 0, below = Infinity } = widthsOf(after, id);
    const { width } = viewOf(after, id).sheet;
    if (width < from || width >= below) return kept(`A sheet of ${name} is as wide as the view allows.`);
    if (next.from !== before.from) followLimit(site, allTrees(site, pages), before.from, next.from);
    site.views = after;
    const sentences = [
      ...(name === before.name ? [] : [`name → ${name}`]),
      ...(next.from === before.from ? [] : [`from ${before.from} → ${next.from} px`]),
      ...(given.sheet ? [`sheet ${given.sheet.width} × ${given.sheet.height} px`] : []),
      ...(given.grid ? ['grid changed'] : []),
    ];
    return done(`View ${before.name}: ${sentences.join(', ') || 'unchanged'}`);
  },
};
