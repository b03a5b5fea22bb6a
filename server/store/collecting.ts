import { asc, eq, sql } from 'drizzle-orm';
import type { Site } from '../../core/index.ts';
import type { Database } from './database.ts';
import type { FileStore } from './files.ts';
import { log, parts, publications, sites } from './schema.ts';

/** ms; how long a file stays that nothing names any more. */
const KEPT = 30 * 86_400_000;

/** SHA-256 of files, as they are written in JSON. */
const HASHES = /"([0-9a-f]{64})"/g;

/** What finding the files in use needs. */
interface Used {
  database: Database;
  files: FileStore;
  /** Reads a site as it was published. */
  stateOf(hash: string): Promise<Site>;
}

/** The hashes of all files that a site, its history or its publications name. */
async function namedFiles({ database, stateOf }: Used): Promise<Set<string>> {
  const named = new Set<string>();
  const add = (text: string) => {
    for (const [, hash] of text.matchAll(HASHES)) named.add(hash);
  };
  const states = new Set<string>();
  for (const { id } of await database.select({ id: sites.id }).from(sites).orderBy(asc(sites.id))) {
    for (const { text } of await database
      .select({ text: sql<string>`${sites.frame}::text` })
      .from(sites)
      .where(eq(sites.id, id)))
      add(text);
    // What a step took away can be brought back by undoing it.
    for (const table of [log, parts])
      for (const { hash } of await database
        .select({
          hash: sql<string>`distinct (regexp_matches(${
            table === log
              ? sql`${log.operations}::text || ${log.inverse}::text`
              : sql`${parts.operations}::text`
          }, '"([0-9a-f]{64})"', 'g'))[1]`,
        })
        .from(table)
        .where(eq(table.site, id)))
        named.add(hash);
    for (const { manifest, state } of await database
      .select({ manifest: sql<string>`${publications.manifest}::text`, state: publications.state })
      .from(publications)
      .where(eq(publications.site, id))) {
      add(manifest);
      if (state !== null) states.add(state);
    }
  }
  for (const state of states) {
    named.add(state);
    // A state that cannot be read is damaged or of a later version: what it names is not known, so nothing may go.
    const { assets, fonts } = (await stateOf(state)).frame;
    for (const { hash } of [...assets, ...fonts]) named.add(hash);
  }
  return named;
}

/**
 * Removes the files that nothing has named for thirty days. What is stored while this runs has a new time, also where the same bytes were
 * there already, and stays. Answers how many went.
 */
export async function collectFiles(used: Used, now = Date.now()): Promise<number> {
  const old = await used.files.storedBefore(now - KEPT);
  if (old.length === 0) return 0;
  const named = await namedFiles(used);
  let gone = 0;
  for (const hash of old)
    if (!named.has(hash) && (await used.files.removeStoredBefore(hash, now - KEPT))) gone += 1;
  return gone;
}
