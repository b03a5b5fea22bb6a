import {
  type Fault,
  faultsOfChange,
  frameFaults,
  headOf,
  keysOf,
  lookup,
  type NodeId,
  nodesIn,
  type Operation,
  pageFaults,
  pagesIn,
  pointer,
  savedBlocks,
  type Site,
  type SiteFrame,
} from '../../core/index.ts';
import type { FileStore } from './files.ts';

/** Files that a frame names and an earlier one did not, and that are not there. */
async function filesMissing(before: SiteFrame, after: SiteFrame, files: FileStore): Promise<Fault[]> {
  const known = new Set([...before.assets, ...before.fonts].map(({ hash }) => hash));
  const faults: Fault[] = [];
  for (const list of ['assets', 'fonts'] as const) {
    for (const [index, { name, hash }] of after[list].entries()) {
      if (known.has(hash) || (await files.has(hash))) continue;
      faults.push({
        path: pointer('/frame', list, index, 'hash'),
        sentence: `“${name}” has no file in the data folder.`,
      });
    }
  }
  return faults;
}

/** The media type of a file of the shelf; undefined for what is none. */
const typeOf = (entry: object): unknown => ('type' in entry ? entry.type : undefined);

const NAMED = ['colours', 'textStyles', 'spacing', 'assets', 'fonts'] as const;

/** Whether all that a page can name in a frame is there in another: the same views, and in each list what was in it. Trees beside the pages apart. */
function keepsWhatPagesName(before: SiteFrame, after: SiteFrame): boolean {
  if (before === after) return true;
  if (before.views !== after.views) return false;
  return NAMED.every((list) => {
    if (before[list] === after[list]) return true;
    const there = new Map(after[list].map((each) => [each.id, typeOf(each)] as const));
    return before[list].every((each) => {
      return there.has(each.id) && there.get(each.id) === typeOf(each);
    });
  });
}

/** What an edit leaves behind that is not valid. */
export async function faultsAfter(
  before: Site,
  after: Site,
  operations: readonly Operation[],
  files: FileStore,
): Promise<Fault[]> {
  const { frame } = after;
  if (frame !== before.frame) {
    const faults = frameFaults(frame);
    if (faults.length > 0) return faults;
    const missing = await filesMissing(before.frame, frame, files);
    if (missing.length > 0) return missing;
  }
  const heads = new Set<string>(frame.pages.map(({ id }) => id));
  const strangers = Object.keys(after.pages).filter((id) => !heads.has(id));
  // Without a change of the frame, or of a page as a whole, there are as many pages as before; some may not have been read.
  const [was, is] = [before, after].map(({ pages }) => Object.keys(pages).length);
  const missing =
    frame === before.frame && was === is ? [] : [...heads].filter((id) => !lookup(after.pages, id));
  if (strangers.length + missing.length > 0) {
    const [id] = [...strangers, ...missing];
    return [
      { path: `/pages/${id}`, sentence: `The page “${id}” and the site’s list of pages do not agree.` },
    ];
  }
  const touched = pagesIn(operations) as Set<NodeId>;
  // What pages refer to stands in the frame: another frame concerns them all.
  const sameFrame =
    keepsWhatPagesName(before.frame, frame) &&
    savedBlocks(before.frame).every(({ id }) => frame.shared?.[id]);
  const meant = sameFrame ? [...touched] : keysOf(after.pages);
  for (const id of meant) {
    const [page, earlier] = [after.pages[id], before.pages[id]];
    if (!page) continue;
    const nodes = nodesIn(operations, id) as Set<NodeId> | undefined;
    const faults =
      sameFrame && nodes && earlier ? faultsOfChange(page, earlier, frame, nodes) : pageFaults(page, frame);
    if (faults.length > 0) {
      return faults.map(({ path, sentence }) => ({
        path: `/pages/${id}${path}`,
        sentence: touched.has(id) ? sentence : `On the page ${headOf(frame, id).title}: ${sentence}`,
      }));
    }
  }
  return [];
}
