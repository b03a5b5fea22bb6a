import { keysOf } from '../lookup.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { schemaFaults, type Fault } from '../faults.ts';
import { pointer } from '../pointer.ts';
import { NodeSchema } from './node.ts';
import {
  PageSchema,
  SiteFileSchema,
  SiteFrameSchema,
  siteFrom,
  type Page,
  type Site,
  type SiteFile,
  type SiteFrame,
} from './site.ts';
import { frameRules } from './validframe.ts';
import { pageRules } from './validpage.ts';

/** Every fault of a site file; none when the site can be edited, compiled and published. */
export function siteFileFaults(file: unknown): Fault[] {
  const shape = schemaFaults(SiteFileSchema, file);
  if (shape.length > 0) return shape;
  const { files: _files, ...written } = file as SiteFile;
  const { frame } = siteFrom(written);
  const faults = frameRules(frame);
  if (faults.length > 0) return faults;
  return written.pages.flatMap((page, index) => pageRules(page, frame, pointer('/pages', index)));
}

/** Every fault of a site with all its pages. */
export function siteFaults({ frame, pages }: Site): Fault[] {
  const faults = frameFaults(frame);
  if (faults.length > 0) return faults;
  const ids = keysOf(pages);
  const heads = new Set(frame.pages.map(({ id }) => id));
  return [
    ...[...heads]
      .filter((id) => !pages[id])
      .map((id) => ({ path: pointer('/pages', id), sentence: `The page “${id}” is missing.` })),
    ...ids
      .filter((id) => !heads.has(id) || pages[id].id !== id)
      .map((id) => ({ path: pointer('/pages', id), sentence: `The site has no page “${id}”.` })),
    ...ids.flatMap((id) =>
      pageFaults(pages[id], frame).map((fault) => ({ ...fault, path: pointer('/pages', id) + fault.path })),
    ),
  ];
}

/** Every fault of a frame; the pages that use it are looked at apart. */
export function frameFaults(frame: unknown): Fault[] {
  const shape = schemaFaults(SiteFrameSchema, frame);
  return shape.length > 0 ? shape : frameRules(frame as SiteFrame);
}

/** Every fault of a page within a valid frame. */
export function pageFaults(page: unknown, frame: SiteFrame): Fault[] {
  const shape = schemaFaults(PageSchema, page);
  return shape.length > 0 ? shape : pageRules(page as Page, frame, '');
}

/**
 * Every fault that a change of some elements can have brought into a page that was valid in this frame: faults of these
 * elements, of what stands in one that has become another kind, and of the tree they hang in.
 */
export function faultsOfChange(page: Page, before: Page, frame: SiteFrame, nodes: Iterable<NodeId>): Fault[] {
  const meant = new Set<NodeId>();
  for (const id of nodes) {
    const node = page.nodes[id];
    if (!node) continue;
    meant.add(id);
    if (before.nodes[id] && before.nodes[id].kind !== node.kind)
      node.children?.forEach((child) => meant.add(child));
  }
  const shape = [...meant].flatMap((id) =>
    page.nodes[id] === undefined
      ? []
      : schemaFaults(NodeSchema, page.nodes[id]).map((fault) => ({
          ...fault,
          path: pointer('/nodes', id) + fault.path,
        })),
  );
  return shape.length > 0 ? shape : pageRules(page, frame, '', meant);
}
