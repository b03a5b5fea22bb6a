import { applied, lastOf, pagesOf, siteFaults } from '../../core/index.ts';
import { sql } from 'drizzle-orm';
import type { Database } from './database.ts';
import { FileDamaged, type FileStore } from './files.ts';
import type { HistoryStore } from './history.ts';
import { letters, log, nodes, pages, parts, publications, sites, type Manifest } from './schema.ts';
import { troubleOf } from './storefaults.ts';

/** What was looked at in a data folder, and what is wrong there. */
export interface Verified {
  sites: number;
  pages: number;
  edits: number;
  publications: number;
  files: number;
  findings: string[];
}

/** What stands in the way of reading something, in words. */
const why = (error: unknown): string =>
  error instanceof FileDamaged
    ? error.message.split('. ')[0]
    : `${troubleOf(error) ? 'damaged on the disk' : 'cannot be read'} (${(error as Error).message.split('\n')[0]})`;

/**
 * Looks at all of a data folder that is open: every row of the database, every site against the rules, every log from now
 * back to its beginning, and every file that a site or a publication names against its hash.
 */
export async function verify(store: {
  database: Database;
  history: HistoryStore;
  files: FileStore;
}): Promise<Verified> {
  const { database, history, files } = store;
  const findings: string[] = [];
  const found: Verified = { sites: 0, pages: 0, edits: 0, publications: 0, files: 0, findings };
  const attempt = async <T>(what: string, work: () => Promise<T>): Promise<T | undefined> => {
    try {
      return await work();
    } catch (error) {
      findings.push(`${what}: ${why(error)}.`);
      return undefined;
    }
  };

  for (const [name, table] of Object.entries({ sites, pages, nodes, log, parts, publications, letters }))
    await attempt(`The table of ${name}`, () =>
      database.execute(sql`select count(t.*::text) from ${table} t`),
    );

  const whole = new Map<string, boolean>();
  /** A file that is named several times is looked at once, and told where it is named first. */
  const look = async (where: string, hash: string, name?: string) => {
    if (whole.has(hash)) return;
    whole.set(hash, (await attempt(where, () => files.get(hash, name))) !== undefined);
  };

  const ids = (await attempt('The list of sites', () => database.select({ id: sites.id }).from(sites))) ?? [];
  for (const { id } of ids) {
    found.sites += 1;
    const now = await attempt(`The site ${id}`, () => history.snapshot(id));
    if (now) {
      found.pages += pagesOf(now.site).length;
      for (const { path, sentence } of siteFaults(now.site))
        findings.push(`The site ${id}, ${path || '/'}: ${sentence}`);
      for (const { hash, name } of [...now.site.frame.assets, ...now.site.frame.fonts])
        await look(`The site ${id}`, hash, name);
      let site = now.site;
      for (let before = now.revision + 1; ;) {
        const steps =
          (await attempt(`The steps of ${id}`, () => history.steps(id, { after: 0, before }, 100))) ?? [];
        let broken = false;
        for (const { revision } of steps.reverse()) {
          const edit = await attempt(`Step ${revision} of ${id}`, () => history.editAt(id, revision));
          found.edits += 1;
          const back = edit && applied(site, edit.inverse);
          if (back?.ok) site = back.value.site;
          else broken = true;
          if (!broken) continue;
          findings.push(
            `Step ${revision} of ${id} does not fit what it was made on; it and older ones cannot be undone.`,
          );
          break;
        }
        if (broken || steps.length === 0) break;
        before = lastOf(steps).revision;
      }
    }
    const published = await attempt(`The publications of ${id}`, () =>
      database
        .select({ number: publications.number, manifest: publications.manifest, state: publications.state })
        .from(publications)
        .where(sql`${publications.site} = ${id}`),
    );
    for (const { number, manifest, state } of published ?? []) {
      found.publications += 1;
      if (state !== null) await look(`Publication ${number} of ${id}, the site as it was`, state);
      for (const [path, { hash, encoded = {} }] of Object.entries(manifest satisfies Manifest)) {
        for (const form of [hash, ...Object.values(encoded)])
          await look(`Publication ${number} of ${id}, ${path}`, form);
      }
    }
  }
  found.files = whole.size;
  return found;
}
