import { nodeId, type NodeId } from '../elements/nodeid.ts';
import { knownIn, sure } from '../sure.ts';
import { createDraft, freeze } from 'immer';
import { pointer } from '../pointer.ts';
import { done, refused, type Outcome } from '../outcome.ts';
import { composed, isSavedBlock } from '../site/shared.ts';
import type { Page, Site, SiteFrame, TreeName } from '../site/site.ts';
import type { Command, Scope } from './command.ts';
import { rename, setContent } from './values/content.ts';
import { difference } from './log/difference.ts';
import { draftPage, draftShown, finished, undrafted, type FinishedTree } from './log/draft.ts';
import { isKeepable, shortened } from './log/limits.ts';
import { addAsset, changeAsset, removeAsset, replaceAsset } from './pages/assets.ts';
import { carryOver, clearOverrides, matchSiblings } from './values/overrides.ts';
import { pasteValues } from './values/paste.ts';
import { pasteElements } from './structure/pasteelements.ts';
import { setTextStyle } from './theme/textstyles.ts';
import type { Operation } from './log/operation.ts';
import { dissolveAlternates, makeAlternate, nextAlternate, uniteAlternates } from './structure/alternates.ts';
import { groupElements, ungroupElement } from './structure/group.ts';
import { moveToPage } from './structure/movetopage.ts';
import { keepWording } from './values/confirmtext.ts';
import { moveElements } from './structure/move.ts';
import { dropKept, keepBlock, keepCopy, renameKept } from './structure/savedblocks.ts';
import { linkBlock, unlinkBlock } from './structure/linked.ts';
import { setAside } from './values/dismissfinding.ts';
import { setReviewed } from './values/setreviewed.ts';
import { setAudience } from './structure/audience.ts';
import { showInViews } from './structure/showing.ts';
import { interleaveParts } from './placement/interleave.ts';
import { evenRows, makeSourceOrder, orderAsInSource, reverseOrder } from './placement/order.ts';
import { hideLinksTo, offerPage } from './pages/offering.ts';
import { addPage, changePage, copyPage, makeHome, movePage, removePage } from './pages/pages.ts';
import { takeColumns } from './placement/place.ts';
import { shareSection, takeShared, unshareSection } from './structure/shared.ts';
import { arrange } from './placement/arrange.ts';
import { placeParts } from './placement/areas.ts';
import { keepLayout, removeRegion, takeLayout } from './structure/pagelayout.ts';
import { makeColumn } from './structure/column.ts';
import { makeOverlay } from './structure/overlay.ts';
import { cropImage } from './values/cropimage.ts';
import { scaleContent } from './values/scale.ts';
import { changeSite } from './pages/siteitself.ts';
import { tellVisitors } from './pages/systemmessages.ts';
import { shapeAt } from './log/shape.ts';
import { addElement, duplicateElement, removeElements } from './structure/structure.ts';
import { scaleStyles } from './values/scalestyles.ts';
import { setStyleSizes } from './values/stylesizes.ts';
import { addFont, nameSpacing, removeFromTheme, setColour, setSpacing } from './theme/theme.ts';
import { adjustValue, clearValue, setReach, setValue } from './values/values.ts';
import { changeView } from './views/changeview.ts';
import { addView, removeView, setBase, takeViewSet } from './views/views.ts';
import { lookup } from '../lookup.ts';

/** Every change that can be made, by name. */
export const COMMANDS = {
  setValue,
  adjustValue,
  cropImage,
  clearValue,
  setReach,
  reverseOrder,
  orderAsInSource,
  makeSourceOrder,
  evenRows,
  interleaveParts,
  makeAlternate,
  nextAlternate,
  dissolveAlternates,
  uniteAlternates,
  showInViews,
  keepWording,
  moveElements,
  groupElements,
  ungroupElement,
  takeColumns,
  placeParts,
  arrange,
  makeOverlay,
  makeColumn,
  takeLayout,
  removeRegion,
  keepLayout,
  scaleContent,
  addElement,
  duplicateElement,
  removeElements,
  setContent,
  rename,
  clearOverrides,
  pasteValues,
  pasteElements,
  matchSiblings,
  carryOver,
  setTextStyle,
  scaleStyles,
  setStyleSizes,
  setColour,
  setSpacing,
  nameSpacing,
  addFont,
  removeFromTheme,
  addAsset,
  changeAsset,
  replaceAsset,
  removeAsset,
  setAside,
  setReviewed,
  setAudience,
  keepBlock,
  keepCopy,
  renameKept,
  dropKept,
  linkBlock,
  unlinkBlock,
  offerPage,
  hideLinksTo,
  addPage,
  changePage,
  removePage,
  copyPage,
  movePage,
  makeHome,
  moveToPage,
  shareSection,
  unshareSection,
  takeShared,
  addView,
  changeView,
  removeView,
  setBase,
  takeViewSet,
  changeSite,
  tellVisitors,
};

export type CommandName = keyof typeof COMMANDS;
export type Arguments<N extends CommandName> = (typeof COMMANDS)[N] extends Command<infer A> ? A : never;

/** A command by its name, with what it is given. */
export type Call = { [N in CommandName]: { name: N; args: Arguments<N> } }[CommandName];

/** A call of a command: its name and arguments put together where both are only known as those of one command. */
export const callOf = <N extends CommandName>(name: N, args: Arguments<N>): Call => ({ name, args }) as Call;

/** Whether a call looks at all pages of a site, so that it can be run only where all of them are there. */
export const needsAllPages = ({ name, args }: Call): boolean =>
  (COMMANDS[name] as Command<unknown>).on?.(args) === 'site';

/** Runs a call as `perform` does. */
export const performCall = (site: Site, page: NodeId, { name, args }: Call): Outcome<Step> =>
  perform(site, page, name, args);

/** A change that was made: what is there after it, how to make it again and how to undo it, and its sentence. */
export interface Step {
  site: Site;
  operations: Operation[];
  inverse: Operation[];
  sentence: string;
}

/** The operations between two states of what stands at a path, there and back. */
const between = (before: unknown, after: unknown, ...keys: string[]) => {
  const path = pointer('', ...keys);
  const shape = shapeAt(keys);
  return {
    operations: difference(before, after, shape, path),
    inverse: difference(after, before, shape, path),
  };
};

/** The pages of a site as drafts, each made when it is first asked for; pages can be added and taken away. */
function draftPages(pages: Site['pages'], first: NodeId) {
  const drafts = new Map<string, ReturnType<typeof draftPage>>();
  const put = new Map<string, Page | undefined>();
  const drafted = (id: string): Page | undefined => {
    if (put.has(id)) return put.get(id);
    const page = Object.hasOwn(pages, id) ? lookup(pages, id) : undefined;
    if (!page) return undefined;
    if (!drafts.has(id)) drafts.set(id, draftPage(page));
    return knownIn(drafts, id).draft;
  };
  const proxy = new Proxy(
    {},
    {
      get: (_target, id) => (typeof id === 'string' ? drafted(id) : undefined),
      set: (_target, id, page: Page) => !!put.set(id as string, page),
      deleteProperty: (_target, id) => !!put.set(id as string, undefined),
    },
  );
  return {
    page: sure(drafted(first)),
    pages: proxy,
    finish() {
      const next = { ...pages };
      const changes: Change[] = [];
      for (const [id, { finish }] of drafts) {
        if (put.has(id)) continue;
        const before = sure(lookup(pages, id));
        const { after, changed } = finished(['pages', id], before, finish());
        next[nodeId(id)] = sure(after, 'after');
        for (const node of changed)
          changes.push(
            between(before.nodes[node], sure(after, 'after').nodes[node], 'pages', id, 'nodes', node),
          );
      }
      for (const [id, page] of put) {
        if (page) next[nodeId(id)] = page;
        else delete next[nodeId(id)];
        changes.push(between(lookup(pages, id), page, 'pages', id));
      }
      return { pages: next, changes };
    },
  };
}

interface Change {
  operations: Operation[];
  inverse: Operation[];
}

/** What became of a tree of the site, and of the site with it. */
function withTree(
  site: Site,
  { keys, before, after, changed }: FinishedTree,
): { site: Site; changes: Change[] } {
  if (changed.length === 0) return { site, changes: [] };
  const changes = after
    ? changed.map((id) => between(before.nodes[id], after.nodes[id], ...keys, 'nodes', id))
    : [between(before, after, ...keys)];
  if (keys[0] === 'pages')
    return { site: { ...site, pages: { ...site.pages, [before.id]: sure(after, 'after') } }, changes };
  const { [before.id as string as TreeName]: _before, ...others } = sure(site.frame.shared, 'shared');
  const shared = { ...others, ...(after && { [before.id]: after }) };
  const { shared: _shared, ...rest } = site.frame;
  const frame = Object.freeze(
    Object.keys(shared).length > 0 ? { ...rest, shared: Object.freeze(shared) } : rest,
  );
  return { site: { ...site, frame }, changes };
}

/** What a command did to a page as it is shown. */
interface Ran {
  site: Site;
  changes: Change[];
  sentence: string;
}

/** Runs a command on a page as it is shown; what it changes of the trees that pages share, it changes on all of them. */
function onPage(site: Site, page: NodeId, run: Command<unknown>['run'], args: unknown): Outcome<Ran> {
  const { draft, finish } = draftShown(site.frame, site.pages[page]);
  const outcome = run(site.frame, draft, args, site.pages);
  if (!outcome.ok) return outcome;
  const { own, shared, brokenBlocks: torn } = finish();
  if (torn)
    return refused(
      `${torn.nodes[torn.root].name} is a linked block and cannot be copied along: give this page its own first. Nothing was changed.`,
    );
  let next = site;
  const changes = [own, ...shared].flatMap((tree) => {
    const made = withTree(next, tree);
    next = made.site;
    return made.changes;
  });
  const where = shared.flatMap(({ before, changed }) =>
    changed.length === 0 ? [] : isSavedBlock(before.id) ? ', wherever it is linked' : ', on all pages',
  );
  return done({ site: next, changes, sentence: outcome.value + [...new Set(where)].join('') });
}

/** Runs a command on what all pages of a site share, or on all of it. */
function onSite(
  site: Site,
  page: NodeId,
  scope: Scope,
  run: Command<unknown>['run'],
  args: unknown,
): Outcome<Ran> {
  const frame = createDraft(site.frame) as SiteFrame;
  const drafts = scope === 'frame' ? undefined : draftPages(site.pages, page);
  const shown = drafts?.page ?? composed(site.frame, site.pages[page]);
  const outcome = run(frame, shown, args, drafts?.pages ?? site.pages);
  if (!outcome.ok) return outcome;
  const next = freeze(undrafted(frame), true);
  const { pages, changes } = drafts?.finish() ?? { pages: site.pages, changes: [] };
  return done({
    site: { frame: next, pages },
    changes: next === site.frame ? changes : [between(site.frame, next, 'frame'), ...changes],
    sentence: outcome.value,
  });
}

/**
 * Runs a command on a page of a site. What is given is left as it is; what the command does not touch stays the same
 * objects in the new state. A step without operations changed nothing.
 */
export function perform<N extends CommandName>(
  site: Site,
  page: NodeId,
  name: N,
  args: Arguments<N>,
): Outcome<Step> {
  const command = COMMANDS[name] as Command<unknown>;
  const scope = command.on?.(args) ?? 'page';
  const run = command.run.bind(command);
  const outcome = scope === 'page' ? onPage(site, page, run, args) : onSite(site, page, scope, run, args);
  if (!outcome.ok) return outcome;
  const { site: next, changes, sentence } = outcome.value;
  const operations = changes.flatMap(({ operations: some }) => some);
  if (!isKeepable(operations))
    return refused('This contains a character that is not text and cannot be saved. Nothing was changed.');
  return done({
    site: next,
    operations,
    // Backwards: what was done last is undone first.
    inverse: changes.toReversed().flatMap(({ inverse }) => inverse),
    sentence: shortened(sentence),
  });
}
