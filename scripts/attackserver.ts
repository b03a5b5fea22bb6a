/** Attacks on the server as a whole: downloads that are given up, strange names, two who publish at once, extreme images, outages. */
import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { mkdtemp, rm } from 'node:fs/promises';
import { request, type IncomingMessage } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { deflateSync, crc32 } from 'node:zlib';
import fc from 'fast-check';
import { paths } from '../api/paths.ts';
import type { EditResponse, PublicationsResponse } from '../api/responses.ts';
import { editor, inHome, set, SITE } from '../test/server/editing.ts';
import { endConnections, startPostgres } from '../test/server/postgres.ts';
import { served, type Served } from '../test/server/serving.ts';

export interface Attacked {
  tried: number;
  faults: string[];
}

/** Runs an attack on a server of its own. */
async function onServer(attack: (running: Served, faults: string[]) => Promise<number>): Promise<Attacked> {
  const running = await served();
  const faults: string[] = [];
  try {
    const tried = await attack(running, faults);
    return { tried, faults };
  } finally {
    await running.end();
  }
}

/** Begins to download and gives up at some moment. */
async function givenUp(url: string, after: number): Promise<void> {
  const asking = request(url);
  asking.on('error', () => undefined);
  asking.end();
  await Promise.race([
    once(asking, 'response').then(([response]: IncomingMessage[]) => {
      response.on('error', () => undefined);
      response.resume();
    }),
    wait(after),
  ]).catch(() => undefined);
  await wait(after);
  asking.destroy();
}

/** Downloads that are given up at random moments; the server goes on, and a whole one is whole. */
export const cancelledDownloads = (seed: number, count: number): Promise<Attacked> =>
  onServer(async ({ url }, faults) => {
    const zip = url + paths.zip(SITE);
    const whole = Buffer.from(await (await fetch(zip)).arrayBuffer());
    const moments = fc.sample(fc.integer({ min: 0, max: 120 }), { seed, numRuns: count });
    for (let from = 0; from < count; from += 8)
      await Promise.all(moments.slice(from, from + 8).map((moment) => givenUp(zip, moment)));
    const again = await fetch(zip).catch((error: Error) => error);
    if (again instanceof Error)
      faults.push(`The server does not answer after downloads were given up: ${again.message}`);
    else if (!Buffer.from(await again.arrayBuffer()).equals(whole))
      faults.push('A zip is another one after downloads were given up');
    return count;
  });

const NAMES = [
  ...Object.getOwnPropertyNames(Object.prototype),
  'prototype',
  'length',
  'page:constructor',
  '#__proto__',
  'shelf:toString',
];

/** Sets one string or name somewhere in a value, by its number in the order of the value, to another. */
function replaced(value: unknown, at: { left: number }, name: string): unknown {
  if (typeof value === 'string') return at.left-- === 0 ? name : value;
  if (Array.isArray(value)) return value.map((each) => replaced(each, at, name));
  if (typeof value !== 'object' || value === null) return value;
  const entries = Object.entries(value).map(([key, each]) => [
    at.left-- === 0 ? name : key,
    replaced(each, at, name),
  ]);
  // As JSON.parse does, which makes `__proto__` a property like any other.
  return JSON.parse(
    `{${entries.map(([key, each]) => `${JSON.stringify(key)}:${JSON.stringify(each)}`).join(',')}}`,
  );
}

/** Names that every object has, in any string of a site file: it is refused, or made, shown and published like any other. */
export const prototypeNames = (seed: number, count: number): Promise<Attacked> =>
  onServer(async (running, faults) => {
    const text = await (await fetch(running.url + paths.file(SITE))).text();
    const file = JSON.parse(text) as Record<string, unknown>;
    const { files, ...rest } = file;
    const places = fc.sample(fc.tuple(fc.nat(4000), fc.constantFrom(...NAMES)), { seed, numRuns: count });
    for (const [place, name] of places) {
      const made = replaced(rest, { left: place }, name) as Record<string, unknown>;
      const body = JSON.stringify({ ...made, ...(files !== undefined && { files }) });
      const answer = await fetch(running.url + paths.sites(), {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body,
      });
      const said = await answer.text();
      if (answer.status >= 500)
        faults.push(`A site file with ${name} at ${place}: ${answer.status} ${said.slice(0, 200)}`);
      if (answer.status !== 201) continue;
      const { id } = JSON.parse(said) as { id: string };
      const published = await fetch(running.url + paths.publications(id), { method: 'POST' });
      const why = await published.text();
      if (published.status >= 500)
        faults.push(`Publishing with ${name} at ${place}: ${published.status} ${why.slice(0, 200)}`);
      await fetch(running.url + paths.archived(id), { method: 'PUT' });
    }
    return count;
  });

/** Two who publish at once, again and again: each publication has a number of its own, and the live one is the newest revision. */
export const twoPublishers = (count: number): Promise<Attacked> =>
  onServer(async ({ url }, faults) => {
    const { made, revision } = editor(() => url);
    const publish = (on: number) =>
      fetch(url + paths.publications(SITE), {
        method: 'POST',
        headers: { 'Content-Type': 'application/json', 'If-Match': `"${on}"` },
        body: '{}',
      });
    for (let round = 0; round < count; round++) {
      const before = await revision();
      const late = publish(before);
      await made([set(inHome('lead', 'name'), `Round ${round}`)]);
      const now = await revision();
      const answers = await Promise.all([late, publish(now), publish(now)]);
      const strange = answers.filter(({ status }) => ![200, 201, 409, 412].includes(status));
      if (strange.length > 0)
        faults.push(`Round ${round}: ${strange.map(({ status }) => status).join(', ')}`);
      // Whoever was refused asks again, as a person does.
      if (!answers.some(({ ok }, index) => ok && index > 0)) await publish(now);
      const list = (await (await fetch(url + paths.publications(SITE))).json()) as PublicationsResponse;
      const numbers = list.publications.map(({ number }) => number);
      if (new Set(numbers).size !== numbers.length)
        faults.push(`Round ${round}: a number twice in ${numbers.join(', ')}`);
      const live = list.publications.find(({ number }) => number === list.live?.number);
      if (live && live.revision < now && answers[1].ok)
        faults.push(`Round ${round}: revision ${live.revision} is live, not ${now}`);
    }
    return count;
  });

/** A PNG that says that it has some size, with hardly anything in it. */
function png(width: number, height: number): Buffer {
  const chunk = (type: string, data: Buffer) => {
    const body = Buffer.concat([Buffer.from(type, 'latin1'), data]);
    const [length, check] = [Buffer.alloc(4), Buffer.alloc(4)];
    length.writeUInt32BE(data.length);
    check.writeUInt32BE(crc32(body));
    return Buffer.concat([length, body, check]);
  };
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.set([1, 0, 0, 0, 0], 8);
  return Buffer.concat([
    Buffer.from([137, 80, 78, 71, 13, 10, 26, 10]),
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(Buffer.alloc(64))),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

/** MB that the process may need more for images that are refused. */
const MORE_MEMORY = 400;

/** Images with extreme sides: each is refused, none with a fault of the server, and none takes the memory of what it claims to be. */
export const extremeImages = (seed: number, count: number): Promise<Attacked> =>
  onServer(async ({ url }, faults) => {
    const before = process.memoryUsage().rss;
    const side = fc.oneof(
      fc.constantFrom(0, 1, 16_384, 16_385, 65_535, 40_000_000, 2 ** 31 - 1),
      fc.integer({ min: 1, max: 2 ** 31 - 1 }),
    );
    for (const [width, height] of fc.sample(fc.tuple(side, side), { seed, numRuns: count })) {
      const answer = await fetch(`${url}${paths.assets(SITE)}?name=extreme.png`, {
        method: 'POST',
        headers: { 'Content-Type': 'image/png' },
        body: new Uint8Array(png(width, height)),
      });
      if (answer.status >= 500)
        faults.push(
          `An image of ${width} × ${height}: ${answer.status} ${(await answer.text()).slice(0, 200)}`,
        );
      else await answer.arrayBuffer();
    }
    const more = (process.memoryUsage().rss - before) / 1e6;
    if (more > MORE_MEMORY) faults.push(`${Math.round(more)} MB more after images of extreme sides`);
    return count;
  });

/** Ends the connections of a database, or crashes it, while two servers write: every edit that was acknowledged is there, once. */
export async function outages(count: number): Promise<Attacked> {
  const postgres = await startPostgres();
  const folder = await mkdtemp(join(tmpdir(), 'dimorphe-attack-'));
  const running: Served[] = [];
  const faults: string[] = [];
  try {
    for (let made = 0; made < 2; made++)
      running.push(await served({ dataFolder: folder, databaseUrl: postgres.url }));
    const begun = await editor(() => running[0].url).revision();
    const acknowledged: number[] = [];
    let working = true;
    const writers = running.map(async ({ url }, index) => {
      const { post } = editor(() => url, `writer-${index}`);
      let on = begun;
      for (let turn = 0; working; turn++) {
        const key = randomUUID();
        for (let kept = false; !kept && working;) {
          const edit = set(inHome(['lead', 'headline'][index], 'name'), `${index} ${turn}`);
          const answer = await post([edit], { on, key }).catch(() => undefined);
          if (answer?.status === 200) {
            on = ((await answer.json()) as EditResponse).revision;
            acknowledged.push(on);
            kept = true;
          } else {
            if (answer && answer.status !== 503)
              faults.push(`An edit in an outage: ${answer.status} ${await answer.text()}`);
            await wait(20);
          }
        }
      }
    });
    for (let harm = 0; harm < count; harm++) {
      await wait(100);
      if (harm % 4 === 3) {
        await postgres.crash();
        await postgres.start();
        continue;
      }
      await endConnections(postgres.url);
    }
    await wait(1000);
    working = false;
    await Promise.all(writers);
    const now = await editor(() => running[0].url).revision();
    if (new Set(acknowledged).size !== acknowledged.length) faults.push('A revision was acknowledged twice');
    if (Math.max(begun, ...acknowledged) > now)
      faults.push(`Acknowledged ${Math.max(...acknowledged)}, and the site is at ${now}`);
    // What was sent when the work ended may have been saved without an answer.
    if (now - begun - acknowledged.length > running.length)
      faults.push(`${now - begun} edits, ${acknowledged.length} acknowledged`);
    return { tried: count, faults };
  } finally {
    for (const each of running) await each.stop();
    postgres.stop();
    await rm(folder, { recursive: true, force: true });
  }
}
