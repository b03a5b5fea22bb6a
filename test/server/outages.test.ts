/** Several processes on one PostgreSQL whose connections are ended and that crashes while edits are on their way. */
import { expect } from 'chai';
import { randomUUID } from 'node:crypto';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { paths } from '../../api/paths.ts';
import type { EditResponse, LogEntry, LogResponse } from '../../api/responses.ts';
import { editor, inHome, set, SITE } from './editing.ts';
import { endConnections, startPostgres, type Postgres } from './postgres.ts';
import { served, type Served } from './serving.ts';

/** So often is the server harmed, every fifth time by a crash. */
const HARMED = 50;

const STEP = 20;

/** Asks again until it is so; a fault that stays ends the test by its own limit. */
async function until(isSo: () => Promise<boolean>): Promise<void> {
  while (!(await isSo().catch(() => false))) await wait(STEP);
}

/** Follows the edits of a site as a window does: connects again after each end, from the last edit that came. */
function following(url: string, from: number) {
  const ended = new AbortController();
  const revisions: number[] = [];
  const follow = async () => {
    for (let after = from; !ended.signal.aborted;) {
      try {
        const stream = await fetch(`${url}${paths.edits(SITE)}?after=${after}`, {
          headers: { Accept: 'text/event-stream' },
          signal: ended.signal,
        });
        if (!stream.ok) throw new Error(`${stream.status}`);
        let text = '';
        for await (const chunk of stream.body!.pipeThrough(new TextDecoderStream())) {
          text += chunk;
          const events = text.split('\n\n');
          text = events.pop()!;
          for (const [, data] of events.flatMap((event) => [...event.matchAll(/^data: (.*)$/gm)])) {
            after = (JSON.parse(data) as LogEntry).revision;
            revisions.push(after);
          }
        }
      } catch {
        await wait(STEP);
      }
    }
  };
  const running = follow();
  return {
    revisions,
    end: async () => {
      ended.abort();
      await running;
    },
  };
}

describe('a PostgreSQL that fails while it is worked on', function () {
  this.timeout(240_000);
  let postgres: Postgres;
  let folder: string;
  let running: Served[];
  before(async () => {
    postgres = await startPostgres();
    folder = await mkdtemp(join(tmpdir(), 'dimorphe-test-'));
    running = [];
    for (let made = 0; made < 3; made++)
      running.push(await served({ dataFolder: folder, databaseUrl: postgres.url }));
  });
  after(async () => {
    for (const each of running ?? []) await each.stop();
    postgres?.stop();
    await rm(folder, { recursive: true, force: true });
  });

  it('is worked on again by every process, and no edit is lost, doubled or unheard of', async () => {
    const [first] = running;
    const begun = await editor(() => first.url).revision();
    const followers = running.map(({ url }) => following(url, begun));
    let working = true;
    /** What the program has acknowledged, by who wrote it: the revision of each edit. */
    const acknowledged: number[] = [];
    const write = async ({ url }: Served, index: number) => {
      const { post } = editor(() => url, `writer-${index}`);
      let on = begun;
      for (let turn = 0; working; turn++) {
        const key = randomUUID();
        for (let kept = false; !kept;) {
          const edit = set(inHome(['lead', 'dome', 'headline'][index], 'name'), `${index} ${turn}`);
          const answer = await post([edit], { on, key }).catch(() => undefined);
          if (answer?.status === 200) {
            on = ((await answer.json()) as EditResponse).revision;
            acknowledged.push(on);
            kept = true;
          } else {
            // Only an outage may refuse it: it is said as one, and the same edit is sent again.
            if (answer) expect(answer.status, await answer.text()).to.equal(503);
            await wait(STEP);
          }
        }
      }
    };
    const writers = running.map(write);
    for (let harm = 1; harm <= HARMED; harm++) {
      const before = acknowledged.length;
      if (harm % 5 === 0) {
        await postgres.crash();
        await postgres.start();
      } else if (harm % 5 === 1)
        await endConnections(postgres.url, `query like 'listen%' or query = 'select 1'`);
      else await endConnections(postgres.url);
      // Each goes on before the next harm.
      await until(async () => acknowledged.length > before + 2);
    }
    working = false;
    await Promise.all(writers);
    const now = await editor(() => first.url).revision();
    const all = Array.from({ length: now - begun }, (_none, index) => begun + 1 + index);
    expect(
      [...acknowledged].sort((one, other) => one - other),
      'acknowledged',
    ).to.deep.equal(all);
    for (const { url } of running) expect(await editor(() => url).revision()).to.equal(now);
    await until(async () => followers.every(({ revisions }) => revisions.at(-1) === now));
    for (const { revisions } of followers) expect(revisions).to.deep.equal(all);
    await Promise.all(followers.map(({ end }) => end()));
  });

  it('after an outage every process hears of the others again: what one takes down, no other shows', async () => {
    const [one, other] = running;
    const url = `${one.url}${paths.publications(SITE)}`;
    for (const harm of ['crash', 'connections', 'listeners'] as const) {
      const revision = await editor(() => one.url).revision();
      await until(
        async () =>
          (
            await fetch(url, {
              method: 'POST',
              headers: { 'Content-Type': 'application/json', 'If-Match': `"${revision}"` },
              body: '{}',
            })
          ).ok,
      );
      const seen = async () => (await fetch(`${other.hostUrl}/${SITE}/`)).status;
      await until(async () => (await seen()) === 200);
      if (harm === 'crash') {
        await postgres.crash();
        // Longer than the waits between two tries to connect are at first.
        await wait(1500);
        await postgres.start();
      } else await endConnections(postgres.url, harm === 'listeners' ? `query like 'listen%'` : 'true');
      await until(async () => (await seen()) === 200);
      await until(async () => (await fetch(one.url + paths.live(SITE), { method: 'DELETE' })).status === 204);
      await until(async () => (await seen()) === 404);
      // And an edit made through one is heard through the other.
      const { revisions, end } = following(other.url, revision);
      await editor(() => one.url).made([set(inHome('lead', 'name'), harm)]);
      await until(async () => revisions.includes(revision + 1));
      await end();
      const log = (await (
        await fetch(`${other.url}${paths.edits(SITE)}?after=${revision}`)
      ).json()) as LogResponse;
      expect(log.revision).to.equal(revision + 1);
    }
  });
});
