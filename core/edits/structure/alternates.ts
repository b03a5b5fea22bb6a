import { nodeId, type NodeId } from '../../elements/nodeid.ts';
import { sure } from '../../sure.ts';
import { hasTrait } from '../../elements/kinds/table.ts';
import { wouldReach, type EditReach } from '../../layered/change.ts';
import { express } from '../../layered/express.ts';
import { type ViewId, viewOf } from '../../layered/views.ts';
import { knownProperty } from '../../elements/propertytable.ts';
import { letterOf } from '../../layout/alternates.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import type { Node } from '../../site/node.ts';
import { sharedPlaceOf } from '../../site/shared.ts';
import type { Page, SiteFrame } from '../../site/site.ts';
import { alternateIn } from '../../values/visibility.ts';
import { found, store, setIn } from '../values/aim.ts';
import type { Command } from '../command.ts';
import {
  fitted,
  forAudience,
  handOver,
  joinedValue,
  OF_PLACE,
  replaceAmong,
  saysShown,
} from '../placement/placing.ts';
import { accepts, copied, MOST_CHILDREN } from './structure.ts';
import { subtree } from '../../site/sourceorder.ts';
import { counted } from '../../plural.ts';
import { describeReach, viewsNamed } from '../values/textbyview.ts';
import { lookup } from '../../lookup.ts';

/** Characters of a name. */
const LONGEST = 120;
const named = (name: string, more: string): string => `${name.slice(0, LONGEST - more.length - 2)}, ${more}`;

const ONLY_ONE = refused(
  'A section on all pages, or a linked block, cannot be an alternate itself; its content can. Nothing was changed.',
);

/** Whether a set of alternates may stand in a parent's place of an element. */
const takesSet = (page: Page, node: Node): boolean =>
  node.parent !== null &&
  accepts(page.nodes[node.parent], 'alternates') &&
  (hasTrait(node, 'alternating') || accepts({ kind: 'alternates' }, node.kind));

/** A set, in the place of elements of a parent, without anything in it yet. */
function newSet(page: Page, id: NodeId, name: string, parent: NodeId): Node {
  page.nodes[id] = { id, kind: 'alternates', name, parent, children: [], style: {}, content: {} };
  return page.nodes[id];
}

export interface MakeAlternate {
  /** The block that gets an alternate; one of a set, or the set: another is added to the set. */
  node: NodeId;
  view: ViewId;
  reach: EditReach;
  /** The ids of the set, where there is none yet, and of the copy; those of what is in it are made from it. */
  set: NodeId;
  copy: NodeId;
}

/** Makes a copy of a block that stands in for it in a view, as far as the reach goes; the block itself shows in the others. */
export const makeAlternate: Command<MakeAlternate> = {
  run(site, draft, { node: id, view, reach, set: setId, copy }): Outcome<string> {
    const nodes = found(draft, [id]);
    if (!nodes.ok) return nodes;
    const first = nodes.value[0];
    const original = hasTrait(first, 'alternating')
      ? draft.nodes[sure(alternateIn(site, first, view))]
      : first;
    if (!original) return refused(`${first.name} has no alternate to copy. Nothing was changed.`);
    const parent = original.parent === null ? undefined : draft.nodes[original.parent];
    if (!parent) return refused('The page itself has no alternates. Nothing was changed.');
    const inSet = hasTrait(parent, 'alternating');
    if (!inSet && !takesSet(draft, original))
      return refused(`${original.name} cannot have alternates here. Nothing was changed.`);
    if (!inSet && sharedPlaceOf(original.id) !== sharedPlaceOf(parent.id)) return ONLY_ONE;
    if (inSet && parent.children.length >= MOST_CHILDREN)
      return refused(`${parent.name} is full: it holds ${MOST_CHILDREN} alternates.`);
    const whole = subtree(draft, original.id);
    const names = new Map(
      whole.map((each, index) => [each, nodeId(index === 0 ? copy : `${copy}-${index}`)]),
    );
    if ([...names.values(), ...(inSet ? [] : [setId])].some((name) => draft.nodes[name]))
      return refused('The page has an element of this id already; nothing was changed.');
    const { name } = original;
    const where = viewOf(site.views, view).name;
    let set = parent;
    if (!inSet) {
      set = newSet(draft, setId, name, parent.id);
      replaceAmong(site, parent, [original.id], [setId]);
      handOver(original, set);
      original.parent = setId;
      original.name = named(name, 'other views');
      set.children.push(original.id);
      store(set, 'self', 'alternate', { base: original.id });
    }
    for (const from of names.keys())
      copied(draft, from, draft, names, from === original.id ? set.id : undefined);
    draft.nodes[copy].name = named(set.name, where);
    set.children.splice(set.children.indexOf(original.id) + 1, 0, copy);
    const shown = sure(set.style.self, 'self').alternate;
    // In the base the copy takes its place there alone: the other views go on with what they have.
    const views =
      reach === 'everywhere' || view === site.views.base
        ? [view]
        : wouldReach(shown, site.views, view, reach);
    store(
      set,
      'self',
      'alternate',
      express(site.views, (each) =>
        views.includes(each.id) ? copy : (alternateIn(site, set, each.id) ?? copy),
      ),
    );
    return done(`${name}: alternate made for ${viewsNamed(site, views)}`);
  },
};

export interface DissolveAlternates {
  set: NodeId;
  /** The one that stays, in every view; absent: all stay, each shown where it was. */
  keep?: NodeId;
}

/** Takes a set of alternates apart. What it said of its place goes to what stays. */
export const dissolveAlternates: Command<DissolveAlternates> = {
  run(site, draft, { set: id, keep }): Outcome<string> {
    const nodes = found(draft, [id]);
    if (!nodes.ok) return nodes;
    const [set] = nodes.value;
    if (!hasTrait(set, 'alternating')) return refused(`${set.name} isn’t a set of alternates.`);
    const parent = draft.nodes[sure(set.parent, 'parent')];
    if (keep !== undefined && !set.children.includes(keep))
      return refused('The alternate to keep no longer exists. Nothing was changed.');
    const staying = keep === undefined ? [...set.children] : [keep];
    const going = set.children.filter((each) => !staying.includes(each));
    replaceAmong(site, parent, [id], staying);
    for (const each of staying) {
      const node = draft.nodes[each];
      const shown = express(
        site.views,
        (view) =>
          saysShown(site, set, view.id) && (keep !== undefined || alternateIn(site, set, view.id) === each),
      );
      node.parent = parent.id;
      for (const property of OF_PLACE)
        if (property.name !== 'shown' && lookup(set.style.self, property.name))
          store(node, 'self', property.name, sure(lookup(set.style.self, property.name)));
      store(node, 'self', 'shown', shown.base === true && !shown.at ? {} : shown);
      forAudience(node, set.audience);
      fitted(draft, node);
    }
    if (keep !== undefined) draft.nodes[keep].name = set.name;
    for (const each of going) subtree(draft, each).forEach((inner) => delete draft.nodes[inner]);
    delete draft.nodes[id];
    return done(
      keep === undefined
        ? `${set.name}: ${counted(staying.length, 'alternate')} turned into ordinary blocks, hidden as they were`
        : `${set.name}: one alternate kept, ${counted(going.length, 'other')} deleted`,
    );
  },
};

/** Of some siblings, those that say they are shown in a view. */
const showing = (site: SiteFrame, nodes: readonly Node[], view: ViewId): Node[] =>
  nodes.filter((node) => saysShown(site, node, view));

export interface UniteAlternates {
  /** Siblings of which no view shows two. */
  nodes: NodeId[];
  /** The id of the set. */
  set: NodeId;
}

/** Makes blocks that are hidden one here and one there a set of alternates. Each view shows what it showed. */
export const uniteAlternates: Command<UniteAlternates> = {
  run(site, draft, { nodes: ids, set: setId }): Outcome<string> {
    const nodes = found(draft, ids);
    if (!nodes.ok) return nodes;
    const parents = new Set(nodes.value.map(({ parent }) => parent));
    const parentId = nodes.value[0].parent;
    if (parentId === null || parents.size !== 1 || nodes.value.length < 2)
      return refused('Select two or more neighbouring blocks in one container. Nothing was changed.');
    const parent = draft.nodes[parentId];
    if (nodes.value.some((node) => !takesSet(draft, node) || hasTrait(node, 'alternating')))
      return refused('These cannot be alternates of each other here. Nothing was changed.');
    if (nodes.value.some((node) => sharedPlaceOf(node.id) !== sharedPlaceOf(parent.id))) return ONLY_ONE;
    if (draft.nodes[setId])
      return refused('The page has an element of this id already; nothing was changed.');
    const members = parent.children.filter((id) => ids.includes(id)).map((id) => draft.nodes[id]);
    const [{ audience }] = members;
    if (members.some((node) => node.audience !== audience))
      return refused(
        'These are for different visitors, and each visitor sees one of a set of alternates: set the same audience for both first. Nothing was changed.',
      );
    const both = site.views.list.find(({ id }) => showing(site, members, id).length > 1);
    if (both) {
      const twice = showing(site, members, both.id).map(({ name }) => name);
      return refused(
        `${twice.slice(0, 2).join(' and ')} both show in ${both.name}; hide one of them there first. Nothing was changed.`,
      );
    }
    const meant = (view: ViewId): Node => showing(site, members, view)[0] ?? members[0];
    const place = OF_PLACE.filter(({ name }) => name !== 'shown').map((property) => ({
      property,
      joined: joinedValue(site, draft, property, members, meant),
    }));
    const set = newSet(draft, setId, members[0].name, parent.id);
    const shown = express(site.views, ({ id }) => showing(site, members, id).length > 0);
    forAudience(set, audience);
    store(
      set,
      'self',
      'alternate',
      express(site.views, ({ id }) => meant(id).id),
    );
    if (shown.base !== true || shown.at) store(set, 'self', 'shown', shown);
    for (const { property, joined } of place) store(set, 'self', property.name, joined);
    replaceAmong(
      site,
      parent,
      members.map(({ id }) => id),
      [setId],
      (view) => meant(view).id,
    );
    for (const node of members) {
      for (const { name } of OF_PLACE) store(node, 'self', name, {});
      forAudience(node, undefined);
      node.parent = setId;
      set.children.push(node.id);
    }
    return done(`${members.map(({ name }) => name).join(', ')}: made alternates of each other`);
  },
};

export interface NextAlternate {
  set: NodeId;
  view: ViewId;
  reach: EditReach;
}

/** Shows the next alternate of a set in a view; after the last comes the first. */
export const nextAlternate: Command<NextAlternate> = {
  run(site, draft, { set: id, view, reach }): Outcome<string> {
    const nodes = found(draft, [id]);
    if (!nodes.ok) return nodes;
    const [set] = nodes.value;
    if (!hasTrait(set, 'alternating') || set.children.length < 2)
      return refused(`${set.name} has no other alternate to show.`);
    const at = set.children.indexOf(sure(alternateIn(site, set, view)));
    const next = (at + 1) % set.children.length;
    setIn(site, draft, set, 'self', knownProperty('alternate'), { view, value: set.children[next], reach });
    return done(
      `${set.name}: ${letterOf(next)}, ${draft.nodes[set.children[next]].name}, ${describeReach(site, view, reach)}`,
    );
  },
};
