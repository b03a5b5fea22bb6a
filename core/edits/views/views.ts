import { knownIn, lastOf, sure } from '../../sure.ts';
import { express } from '../../layered/express.ts';
import type { Layered } from '../../layered/layered.ts';
import { held } from '../../layered/resolve.ts';
import {
  viewAt,
  viewIndex,
  viewOf,
  ViewSchema,
  widthsOf,
  type Grid,
  type View,
  type ViewId,
  type Views,
} from '../../layered/views.ts';
import { knownProperty } from '../../elements/propertytable.ts';
import { schemaFaults } from '../../faults.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import { canonicalStyle } from '../../site/canonical.ts';
import type { Page, SiteFrame } from '../../site/site.ts';
import { forgetViews } from '../../values/reviewed.ts';
import { isFluid } from '../../type/fluid.ts';
import { resolve } from '../../values/trace.ts';
import { VIEW_SETS } from '../../layered/viewsets.ts';
import type { Command } from '../command.ts';
import { allTrees, canHandOver, everyLayered, keyOf, towardsBase, type Place } from './viewvalues.ts';
import { counted } from '../../plural.ts';
import { lookup } from '../../lookup.ts';

/** How many views a site has at most, and how many px lie between the beginnings of two at least. */
export const VIEW_LIMITS = { most: 8, apart: 40, widest: 10_000 } as const;

const GONE = refused('The view is no longer on this site.');

/** What a layered value is in a view, undefined where it says nothing there. */
type Wanted = (view: ViewId) => unknown;

/**
 * All layered values of a site said again for other views, so that each view has what is wanted of it; worked out before anything is
 * changed, as values follow from each other.
 */
function saidAnew(
  site: SiteFrame,
  pages: readonly Page[],
  after: Views,
  wantedOf: (layered: Layered<unknown>, at: Place) => Outcome<Wanted>,
): Outcome<() => void> {
  const changes: (() => void)[] = [];
  for (const { layered, at, put } of everyLayered(site, pages)) {
    const wanted = wantedOf(layered, at);
    if (!wanted.ok) return wanted;
    const next = express(after, ({ id }) => wanted.value(id));
    if (next.base === undefined) delete next.base;
    changes.push(() => put(next));
  }
  return done(() => {
    changes.forEach((change) => change());
    site.views = after;
    for (const style of site.textStyles) style.style = canonicalStyle(style.style);
    for (const page of pages)
      for (const node of Object.values(page.nodes)) {
        node.style = canonicalStyle(node.style);
        forgetViews(node, after);
      }
  });
}

/** What an element's value is in a view: what is wanted there, or what it had from elsewhere. */
const filled =
  (site: SiteFrame, { page, node, part, name }: Place, wanted: Wanted): Wanted =>
  (view) =>
    wanted(view) ?? resolve(site, sure(page, 'page'), sure(node, 'node'), knownProperty(name), view, part);

/** A sheet that is as wide as its view allows, as near to what it was as can be. */
function heldSheets(views: Views): Views {
  return {
    ...views,
    list: views.list.map((view) => {
      const { from = 0, below = VIEW_LIMITS.widest + 1 } = widthsOf(views, view.id);
      const width = Math.min(Math.max(view.sheet.width, from, 200), below - 1);
      return width === view.sheet.width ? view : { ...view, sheet: { ...view.sheet, width } };
    }),
  };
}

/** Why views cannot be as they are, or undefined. */
function limitFault({ list }: Views): string | undefined {
  if (list.length > VIEW_LIMITS.most) return `A site has at most ${VIEW_LIMITS.most} views.`;
  for (const [index, view] of list.entries()) {
    if (schemaFaults(ViewSchema.properties.name, view.name).length > 0)
      return 'The name of a view has 1 to 40 characters.';
    if (list.some((other) => other.id !== view.id && other.name.toLowerCase() === view.name.toLowerCase()))
      return `There is a view ${view.name} already.`;
    if (!Number.isInteger(view.from) || view.from < 0 || view.from > VIEW_LIMITS.widest)
      return `A view starts at a whole number of px, up to ${VIEW_LIMITS.widest}.`;
    const before = list[index - 1];
    if (before && view.from - before.from < VIEW_LIMITS.apart)
      return `${view.name} would start ${view.from - before.from} px after ${before.name}; views start at least ${VIEW_LIMITS.apart} px apart.`;
  }
  const odd = list.find((view) => schemaFaults(ViewSchema, view).length > 0);
  if (odd)
    return `A value of ${odd.name} is out of range for a view: 1 to 24 columns, a gutter of 0 to 200 px, a margin of 0 to 400, content of 200 to 4000, a sheet of 200 to 10000.`;
  if (list[0].from !== 0) return `The narrowest view starts at 0.`;
  if (list.length > 1 && list[1].from <= 200)
    return 'The second view starts above 200 px, the narrowest sheet.';
  return undefined;
}

/** px; where a view begins that is added to the middle of the widest gap between limits. Beyond the last it counts as far as 1920. */
export function widestGap({ list }: Views): number {
  const ends = [0, ...list.slice(1).map(({ from }) => from), Math.max(1920, lastOf(list).from)];
  // Below the narrowest sheet there is no room for a view.
  const gaps = ends.slice(1).map((end, index) => ({ from: Math.max(200, ends[index]), end }));
  const widest = gaps.reduce((most, gap) => (gap.end - gap.from > most.end - most.from ? gap : most));
  return Math.round((widest.from + widest.end) / 2);
}

const kept = (fault: string): Outcome<never> => refused(`${fault} Nothing was changed.`);

export interface AddView {
  /** The new view's id; no view of the site has it yet. */
  id: ViewId;
  name: string;
  /** px; where it begins. What lay there goes on as it was. */
  from: number;
}

/** Adds a view: it parts the one in which it begins, and looks as that one does until something is changed. */
export const addView: Command<AddView> = {
  on: () => 'site',
  run(site, _page, { id, name, from }, pages) {
    const { views } = site;
    if (views.list.some((view) => view.id === id)) return kept('There is a view of this id already.');
    const parted = views.list.findLast((view) => view.from <= from);
    if (!parted) return kept('A view starts at 0 or wider.');
    const view: View = {
      ...parted,
      id,
      name: name.trim(),
      from,
      sheet: { ...parted.sheet },
      grid: { ...parted.grid },
    };
    const list = [...views.list];
    list.splice(viewIndex(views, parted.id) + 1, 0, view);
    const after = heldSheets({ ...views, list });
    const fault = limitFault(after);
    if (fault) return kept(fault);
    const outcome = saidAnew(site, allTrees(site, pages), after, (layered) =>
      done((each) => held(layered, views, each === id ? parted.id : each)?.value),
    );
    if (!outcome.ok) return outcome;
    outcome.value();
    return done(`View ${view.name} added from ${from} px`);
  },
};

export interface RemoveView {
  view: ViewId;
  /**
   * What becomes of the values that are set in it: they go with it, or its neighbour on the base's side gets them; a list says which
   * it gets, by the keys of `valuesInView`.
   */
  values: 'drop' | 'hand over' | string[];
}

/** Takes a view off the site. Its widths go to the next narrower one; every other view looks as it did. */
export const removeView: Command<RemoveView> = {
  on: () => 'site',
  run(site, _page, { view: id, values }, pages) {
    const { views } = site;
    const gone = views.list.find((view) => view.id === id);
    if (!gone) return GONE;
    if (id === views.base)
      return kept(`${gone.name} is the base, which has the defaults. Choose another base first.`);
    const neighbour = towardsBase(views, id);
    const list = views.list.filter((view) => view.id !== id);
    list[0] = { ...list[0], from: 0 };
    const after = heldSheets({ ...views, list });
    const fault = limitFault(after);
    if (fault) return kept(fault);
    const chosen = Array.isArray(values) ? new Set(values) : undefined;
    const count = { handed: 0, dropped: 0 };
    const outcome = saidAnew(site, allTrees(site, pages), after, (layered, at) => {
      const own = layered.at?.[id];
      const toBase = neighbour.id === views.base && layered.base === undefined;
      const wantedOver = chosen ? chosen.has(keyOf(at)) : values === 'hand over';
      const hands = own !== undefined && wantedOver && canHandOver(views, id, layered, at);
      if (own) count[hands ? 'handed' : 'dropped'] += 1;
      const wanted: Wanted = (each) =>
        hands && each === neighbour.id ? own.value : held(layered, views, each)?.value;
      return done(hands && toBase ? filled(site, at, wanted) : wanted);
    });
    if (!outcome.ok) return outcome;
    outcome.value();
    const { handed, dropped } = count;
    const became = [
      ...(handed > 0 ? [`${counted(handed, 'value')} moved to ${neighbour.name}`] : []),
      ...(dropped > 0 ? [`${counted(dropped, 'value')} dropped`] : []),
    ];
    return done(`View ${gone.name}: deleted${became.map((each) => `, ${each}`).join('')}`);
  },
};

/**
 * A site for other views: each is as an earlier one was. Every value is said again with the fewest overrides; what was set in views
 * that none is like is dropped.
 */
function likeBefore(
  site: SiteFrame,
  pages: readonly Page[],
  after: Views,
  like: (view: ViewId) => ViewId,
): Outcome<() => void> {
  const { views } = site;
  const base = like(after.base);
  return saidAnew(site, pages, after, (layered, at) => {
    const own = (each: ViewId) => held(layered, views, like(each))?.value;
    // The base is what holds where nothing is set; where it was set nowhere, other views need what they had from elsewhere.
    const whole = own(after.base) === undefined || after.list.every(({ id }) => own(id) !== undefined);
    if (whole) return done(own);
    if (!at.node) {
      const property = knownProperty(at.name).label.toLowerCase();
      return kept(
        `${at.holder} has a ${property} in ${viewOf(views, base).name}, but none in ${viewOf(views, views.base).name}; set one there first.`,
      );
    }
    return done(
      (each) =>
        own(each) ??
        resolve(
          site,
          sure(at.page, 'page'),
          sure(at.node, 'node'),
          knownProperty(at.name),
          like(each),
          at.part,
        ),
    );
  });
}

/** Makes another view the base; nothing looks other than it did. */
export const setBase: Command<{ view: ViewId }> = {
  on: () => 'site',
  run(site, _page, { view: id }, pages) {
    const { views } = site;
    const view = views.list.find((each) => each.id === id);
    if (!view) return GONE;
    if (id === views.base) return done(`Base: ${view.name} already`);
    const outcome = likeBefore(site, allTrees(site, pages), { ...views, base: id }, (each) => each);
    if (!outcome.ok) return outcome;
    const before = viewOf(views, views.base).name;
    outcome.value();
    return done(`Base: ${before} → ${view.name}`);
  },
};

/** The view of a site that each view of a set is as, at first: that of its id, else the one in which its sheet lies. */
export const likeInSet = (views: Views, { id, sheet }: View): ViewId =>
  (views.list.find((each) => each.id === id) ?? viewAt(views, sheet.width)).id;

/** Gives a site one of the ready-made sets of views, in place of its own. */
export const takeViewSet: Command<{ set: string }> = {
  on: () => 'site',
  run(site, _page, { set: wanted }, pages) {
    const set = VIEW_SETS.find(({ id }) => id === wanted);
    if (!set) return kept('There is no such set of views.');
    const { views } = site;
    const before = new Map(set.views.list.map((view) => [view.id, likeInSet(views, view)]));
    // A view that stays keeps its name and its grid.
    const list = set.views.list.map((view) => {
      const own = views.list.find(({ id }) => id === view.id);
      return own ? { ...view, name: own.name, grid: { ...own.grid } } : view;
    });
    const after = { ...set.views, list };
    const outcome = likeBefore(site, allTrees(site, pages), after, (id) => knownIn(before, id));
    if (!outcome.ok) return outcome;
    const gone = views.list.filter(({ id }) => ![...before.values()].includes(id));
    outcome.value();
    const without = gone.length > 0 ? `, without ${gone.map(({ name }) => name).join(', ')}` : '';
    return done(`Views: ${set.label}${without}`);
  },
};

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
