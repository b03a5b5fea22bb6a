/**
 * How the costs of the program grow with what it holds: each as the exponent of a power law between a size and four times or eight times
 * that size, both measured in turn in one run. 0 means that the size does not matter, 1 that the cost grows with it.
 */
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { paths } from '../api/paths.ts';
import type { NodeId, Operation, Page, Site } from '../core/index.ts';
import { start } from '../server/start.ts';
import { openStore, type Store } from '../server/store/open.ts';
import { siteOf } from './page.ts';

export interface Growth {
  what: string;
  exponent: number;
  goal: number;
  limit: number;
}

const median = (list: readonly number[]): number =>
  [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)];

const named = (site: Site, id: string): Site => ({ ...site, frame: { ...site.frame, id } });

/** A site with so many pages of a size. */
async function sitePages(count: number, size: number): Promise<Site> {
  const site = await siteOf(size);
  const [page] = Object.values(site.pages);
  const ids = Array.from(
    { length: count },
    (_each, index) => (index === 0 ? page.id : `page-${index}`) as NodeId,
  );
  const pages: Record<NodeId, Page> = Object.fromEntries(ids.map((id) => [id, { ...page, id }]));
  const heads = ids.map((id, index) => ({
    ...site.frame.pages[0],
    ...{ id, slug: index === 0 ? '' : id },
  }));
  return { frame: { ...site.frame, pages: heads }, pages };
}

/** Opens a store on a folder of its own and removes it at the end. */
async function inStore<R>(use: (store: Store) => Promise<R>): Promise<R> {
  const folder = await mkdtemp(join(tmpdir(), 'dimorphe-growth-'));
  const store = await openStore(folder);
  try {
    return await use(store);
  } finally {
    await store.close();
    await rm(folder, { recursive: true, force: true });
  }
}

/** Edits sites one after the other, knowing their revisions. */
function editing(store: Store) {
  const revisions = new Map<string, number>();
  let count = 0;
  return async (site: string, operations: Operation[]): Promise<number> => {
    const revision = revisions.get(site) ?? 1;
    const key = `growth-${++count}-${site}`;
    const begun = performance.now();
    const result = await store.history.edit(site, revision, {
      ...{ key, fingerprint: key, session: 's', by: 'edit' as const, sentence: 'Measured' },
      operations,
    });
    const took = performance.now() - begun;
    if (result.outcome !== 'accepted') throw new Error(JSON.stringify(result));
    revisions.set(site, revision + 1);
    return took;
  };
}

const rename = (value: string): Operation[] => [{ op: 'set', path: '/pages/home/nodes/e4/name', value }];

/** Measures something at two sizes in turn; returns the exponent of its growth. */
async function exponent(
  sizes: readonly [number, number],
  measures: readonly [() => Promise<number>, () => Promise<number>],
  runs = 15,
): Promise<number> {
  const times: [number[], number[]] = [[], []];
  for (let run = -3; run < runs; run++)
    for (const side of [0, 1] as const) {
      const took = await measures[side]();
      if (run >= 0) times[side].push(took);
    }
  return Math.log(median(times[1]) / median(times[0])) / Math.log(sizes[1] / sizes[0]);
}

/** An edit of one element, as its page and its site grow. */
const edits = (): Promise<Growth[]> =>
  inStore(async (store) => {
    const edit = editing(store);
    let count = 0;
    const measure = (site: string) => () => edit(site, rename(`Name ${++count}`));
    for (const size of [500, 4000])
      await store.add({ site: named(await siteOf(size), `size-${size}`), files: {} });
    for (const pages of [8, 64])
      await store.add({ site: named(await sitePages(pages, 100), `pages-${pages}`), files: {} });
    const elements = await exponent([500, 4000], [measure('size-500'), measure('size-4000')]);
    const pages = await exponent([8, 64], [measure('pages-8'), measure('pages-64')]);
    const [{ id: colour }] = (await siteOf(50)).frame.colours;
    const recolour = (site: string) => () =>
      edit(site, [
        { op: 'set', path: `/frame/colours/${colour}/value`, value: ++count % 2 ? '#112233' : '#332211' },
      ]);
    const colours = await exponent([8, 64], [recolour('pages-8'), recolour('pages-64')]);
    return [
      { what: 'an edit, by elements of its page', exponent: elements, goal: 1, limit: 1.4 },
      { what: 'an edit, by pages of its site', exponent: pages, goal: 0.3, limit: 0.8 },
      { what: 'an edit of a colour, by pages of its site', exponent: colours, goal: 0.5, limit: 1 },
    ];
  });

/** An edit of a site that was not edited for long, as there are more sites. */
async function sites(): Promise<Growth[]> {
  const page = await siteOf(500);
  const among = async (store: Store, count: number) => {
    for (let site = 0; site < count; site++)
      await store.add({ site: named(page, `site-${site}`), files: {} });
    const edit = editing(store);
    let turn = 0;
    return () => edit(`site-${++turn % count}`, rename(`Name ${turn}`));
  };
  return inStore((few) =>
    inStore(async (many) => {
      const growth = await exponent([10, 80], [await among(few, 10), await among(many, 80)], 80);
      return [{ what: 'an edit, by sites', exponent: growth, goal: 0.3, limit: 0.8 }];
    }),
  );
}

/** A backup, as there are more edits to take along. */
const backups = (): Promise<Growth[]> =>
  inStore((few) =>
    inStore(async (many) => {
      const filled = async (store: Store, count: number) => {
        await store.add({ site: await siteOf(200), files: {} });
        const edit = editing(store);
        for (let turn = 0; turn < count; turn++) await edit('brindle-hill', rename(`Name ${turn}`));
        let backup = 0;
        return async () => {
          const target = join(store.folder, `measured-${++backup}`);
          const begun = performance.now();
          await store.backup(target);
          const took = performance.now() - begun;
          await rm(target, { recursive: true, force: true });
          return took;
        };
      };
      const growth = await exponent([500, 4000], [await filled(few, 500), await filled(many, 4000)], 5);
      return [{ what: 'a backup, by edits', exponent: growth, goal: 1.1, limit: 1.4 }];
    }),
  );

/** Runs the program on a folder of its own, with a site. */
async function inProgram<R>(use: (url: string) => Promise<R>): Promise<R> {
  const folder = await mkdtemp(join(tmpdir(), 'dimorphe-growth-'));
  const store = await openStore(folder);
  await store.add({ site: await siteOf(200), files: {} });
  await store.close();
  const running = await start({ port: 0, hostPort: 0, dataFolder: folder, requestsAMinute: 1e9 });
  try {
    return await use(running.url);
  } finally {
    await running.stop();
    await rm(folder, { recursive: true, force: true });
  }
}

const SITE = 'brindle-hill';

async function sendEdit(url: string, revision: number): Promise<void> {
  const response = await fetch(url + paths.edits(SITE), {
    method: 'POST',
    headers: {
      'Content-Type': 'application/json',
      'Idempotency-Key': `"growth-${revision}-${SITE}"`,
      'If-Match': `"${revision}"`,
    },
    body: JSON.stringify({
      operations: rename(`Name ${revision}`),
      ...{ session: 'growth', by: 'edit', sentence: 'A name' },
    }),
  });
  if (!response.ok) throw new Error(`${response.status} ${await response.text()}`);
}

/** Follows the log of the site; says when it has heard of a revision. */
async function followed(url: string, after: number) {
  const ended = new AbortController();
  const response = await fetch(`${url}${paths.edits(SITE)}?after=${after}`, {
    headers: { Accept: 'text/event-stream' },
    signal: ended.signal,
  });
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
  let text = '';
  return {
    async heard(revision: number): Promise<void> {
      while (!text.includes(`\nid: ${revision}\n`)) {
        const { value, done } = await reader.read();
        if (done) throw new Error('The stream has ended.');
        text = (text + value).slice(-10_000);
      }
    },
    end: () => ended.abort(),
  };
}

/** An edit until all who follow the site have heard of it, as they become more. */
const followers = (): Promise<Growth[]> =>
  inProgram((few) =>
    inProgram(async (many) => {
      const watched = async (url: string, count: number) => {
        const all = await Promise.all(Array.from({ length: count }, () => followed(url, 1)));
        let revision = 1;
        return {
          end: () => all.forEach(({ end }) => end()),
          measure: async () => {
            const begun = performance.now();
            await sendEdit(url, revision);
            revision += 1;
            await Promise.all(all.map(({ heard }) => heard(revision)));
            return performance.now() - begun;
          },
        };
      };
      const [eight, sixtyFour] = [await watched(few, 8), await watched(many, 64)];
      const growth = await exponent([8, 64], [eight.measure, sixtyFour.measure]);
      eight.end();
      sixtyFour.end();
      return [{ what: 'an edit heard by all, by followers', exponent: growth, goal: 0.8, limit: 1.2 }];
    }),
  );

/** A publication of one change, as there are more of them. */
const publications = (): Promise<Growth[]> =>
  inProgram((few) =>
    inProgram(async (many) => {
      const publishing = async (url: string, before: number) => {
        let revision = 1;
        const publish = async () => {
          await sendEdit(url, revision++);
          const begun = performance.now();
          const response = await fetch(url + paths.publications(SITE), { method: 'POST' });
          if (!response.ok) throw new Error(`${response.status} ${await response.text()}`);
          return performance.now() - begun;
        };
        for (let count = 0; count < before; count++) await publish();
        return publish;
      };
      const growth = await exponent([3, 24], [await publishing(few, 3), await publishing(many, 24)], 5);
      return [{ what: 'a publication, by publications', exponent: growth, goal: 0.2, limit: 0.6 }];
    }),
  );

/** All that is measured, one after the other. */
export const GROWTHS: readonly (() => Promise<Growth[]>)[] = [edits, sites, followers, backups, publications];
