import { nodeId } from '../../elements/nodeid.ts';
import { sure } from '../../sure.ts';
import { idIn, isSavedBlock, pagesLinking } from '../../site/shared.ts';
import type { Page, Site, TreeName } from '../../site/site.ts';
import type { Change } from './changed.ts';
import { inFrame } from './changedframe.ts';
import { inTree } from './changedtrees.ts';
import type { State } from './changedvalues.ts';
import { difference } from '../log/difference.ts';
import { keysOf, type Operation } from '../log/operation.ts';
import { SITE } from '../log/shape.ts';

function changeOf(operation: Operation, before: Site, after: Site): Change | undefined {
  const [first, second, ...keys] = keysOf(operation.path);
  const states = (from: (site: Site) => Page | undefined): [State, State] => [
    { frame: before.frame, tree: from(before) },
    { frame: after.frame, tree: from(after) },
  ];
  if (first === 'pages') {
    const page = nodeId(second);
    const trees = states(({ pages }) => pages[page]);
    if (keys.length === 0) {
      const tree = trees[1].tree ?? sure(trees[0].tree);
      return { page, name: tree.nodes[tree.root].name, what: trees[1].tree ? 'page added' : 'page removed' };
    }
    const found = inTree(operation, keys, trees);
    return found && { page, ...found };
  }
  if (second !== 'shared')
    return inFrame(
      [second, ...keys],
      states(() => undefined),
    );
  const place = keys[0] as TreeName;
  // A saved block that is linked nowhere is for those who edit.
  if (isSavedBlock(place) && ![before, after].some((site) => pagesLinking(site, place).length > 0))
    return undefined;
  const trees = states(({ frame }) => frame.shared?.[place]);
  if (keys.length === 1) {
    // Where it was linked, or is, the page tells.
    if (isSavedBlock(place)) return undefined;
    const tree = trees[1].tree ?? sure(trees[0].tree);
    return {
      name: tree.nodes[tree.root].name,
      what: trees[1].tree ? 'shared by all pages' : 'no longer shared',
    };
  }
  const found = inTree(operation, keys.slice(1), trees);
  return found && { ...found, ...(found.node && { node: idIn(place, found.node) }) };
}

/**
 * What of a site is another thing than it was, each with its value before and after: what its pages share and the site as a whole first,
 * then page by page. What only those who edit see is left out.
 */
export function changesBetween(before: Site, after: Site): Change[] {
  const changes = difference(before, after, SITE, '').flatMap(
    (operation) => changeOf(operation, before, after) ?? [],
  );
  const pages = [...after.frame.pages, ...before.frame.pages].map(({ id }) => id);
  const place = ({ page }: Change) => (page === undefined ? -1 : pages.indexOf(page));
  return changes.sort((one, other) => place(one) - place(other));
}
