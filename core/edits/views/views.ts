import { knownIn, sure } from '../../sure.ts';
import { express } from '../../layered/express.ts';
import type { Layered } from '../../layered/layered.ts';
import { held } from '../../layered/resolve.ts';
import { viewAt, viewIndex, viewOf, type View, type ViewId, type Views } from '../../layered/views.ts';
import { knownProperty } from '../../elements/propertytable.ts';
import { done, type Outcome } from '../../outcome.ts';
import { canonicalStyle } from '../../site/canonical.ts';
import type { Page, SiteFrame } from '../../site/site.ts';
import { forgetViews } from '../../values/reviewed.ts';
import { resolve } from '../../values/trace.ts';
import { VIEW_SETS } from '../../layered/viewsets.ts';
import type { Command } from '../command.ts';
import { GONE, heldSheets, kept, limitFault } from './viewlimits.ts';
import { allTrees, canHandOver, everyLayered, keyOf, towardsBase, type Place } from './viewvalues.ts';
import { counted } from '../../plural.ts';

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
