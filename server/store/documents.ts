import {
  canonicalNode,
  homePageOf,
  lookup,
  type Node,
  nodeId,
  type NodeId,
  nodesIn,
  type Operation,
  type Page,
  pagesIn,
  type Site,
  type SiteFrame,
} from '../../core/index.ts';
import { and, eq, inArray, sql } from 'drizzle-orm';
import type { Database, Transaction } from './database.ts';
import { nodes, pages, sites } from './schema.ts';

/** A site with the revision that it is at. */
export interface Snapshot {
  site: Site;
  revision: number;
}

type Reader = Database | Transaction;

/** What the row of a site says of its frame. */
export const rowOfFrame = (frame: SiteFrame) => ({
  frame,
  name: frame.name,
  pageCount: frame.pages.length,
  homePage: homePageOf(frame).id as string,
});

/** Reads a site, or only some of its pages; what is read in one transaction with its row is of one revision. */
export async function readSite(
  reader: Reader,
  id: string,
  only?: ReadonlySet<string>,
): Promise<Snapshot | undefined> {
  const among = [...(only ?? [])];
  const [row] = await reader.select().from(sites).where(eq(sites.id, id));
  if (!row) return undefined;
  const made: Record<string, Page> = {};
  for (const page of await reader
    .select()
    .from(pages)
    .where(and(eq(pages.site, id), only && inArray(pages.id, among))))
    made[page.id] = { id: nodeId(page.id), root: nodeId(page.root), nodes: {} };
  for (const { page, id: node, node: document } of await reader
    .select()
    .from(nodes)
    .where(and(eq(nodes.site, id), only && inArray(nodes.page, among)))) {
    const held = lookup(made, page);
    if (held) held.nodes[nodeId(node)] = canonicalNode(document);
  }
  return { site: { frame: row.frame, pages: made }, revision: row.revision };
}

/** How many rows are written at once. */
const ROWS = 500;

async function writeNodes(tx: Transaction, site: string, page: string, made: readonly Node[]): Promise<void> {
  for (let from = 0; from < made.length; from += ROWS) {
    const rows = made.slice(from, from + ROWS).map((node) => ({ site, page, id: node.id, node }));
    await tx
      .insert(nodes)
      .values(rows)
      .onConflictDoUpdate({ target: [nodes.site, nodes.page, nodes.id], set: { node: sql`excluded.node` } });
  }
}

/** Writes a page that is not there yet. */
export async function writePage(tx: Transaction, site: string, page: Page, revision: number): Promise<void> {
  await tx.insert(pages).values({ site, id: page.id, root: page.root, revision });
  await writeNodes(tx, site, page.id, Object.values(page.nodes));
}

/** Writes what operations have changed of a site: the frame, and of pages the elements that were touched. */
export async function writeChanges(
  tx: Transaction,
  before: Site,
  after: Site,
  operations: readonly Operation[],
  revision: number,
): Promise<void> {
  const site = after.frame.id;
  const changedAt = new Date();
  const frame = after.frame === before.frame ? {} : { ...rowOfFrame(after.frame), frameRevision: revision };
  await tx
    .update(sites)
    .set({ ...frame, revision, changedAt })
    .where(eq(sites.id, site));
  for (const id of pagesIn(operations) as Set<NodeId>) {
    const key = and(eq(pages.site, site), eq(pages.id, id));
    const page = after.pages[id];
    const touched = nodesIn(operations, id) as Set<NodeId> | undefined;
    if (!touched || !before.pages[id] || !page) {
      await tx.delete(nodes).where(and(eq(nodes.site, site), eq(nodes.page, id)));
      await tx.delete(pages).where(key);
      if (page) await writePage(tx, site, page, revision);
      continue;
    }
    await tx.update(pages).set({ revision }).where(key);
    const left = [...touched].flatMap((node) => page.nodes[node] ?? []);
    await writeNodes(tx, site, id, left);
    const gone = [...touched].filter((node) => !page.nodes[node]);
    if (gone.length > 0)
      await tx.delete(nodes).where(and(eq(nodes.site, site), eq(nodes.page, id), inArray(nodes.id, gone)));
  }
}
