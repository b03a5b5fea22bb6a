/** The same program on the PostgreSQL of a server: alone, and as several processes on one database. */
import { FOUR_PAGES } from '../demo.ts';
import { expect } from 'chai';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { demoSite } from '../demo.ts';
import { paths } from '../../api/paths.ts';
import type { LogEntry, PublicationsResponse } from '../../api/responses.ts';
import { start } from '../../server/start.ts';
import { editor, inHome, set, SITE } from './editing.ts';
import { behavesAsHistory } from './histories.ts';
import { startPostgres } from './postgres.ts';
import { served, type Served } from './serving.ts';

/** An image of the demo. */
const saturn = (await demoSite()).site.frame.assets.find(({ id }) => id === 'saturn')!;

describe('on a PostgreSQL server', function () {
  this.timeout(120_000);
  let postgres: Awaited<ReturnType<typeof startPostgres>>;
  let folder: string;
  before(async () => {
    postgres = await startPostgres();
    folder = await mkdtemp(join(tmpdir(), 'dimorphe-test-'));
  });
  after(async () => {
    postgres?.stop();
    await rm(folder, { recursive: true, force: true });
  });
  const another = (): Promise<Served> => served({ dataFolder: folder, databaseUrl: postgres.url });

  describe('the history of a site', () => {
    behavesAsHistory(async () => {
      const running = await another();
      // The folder is shared with those that come after.
      return { ...running, end: () => running.stop() };
    });
  });

  it('several processes begin at once, share one history, and hear of each other’s edits', async () => {
    const settings = {
      port: 0,
      hostPort: 0,
      logLevel: 'silent',
      dataFolder: folder,
      databaseUrl: postgres.url,
      demo: FOUR_PAGES,
    };
    const running = await Promise.all([start(settings), start(settings), start(settings)]);
    try {
      const [one, other] = running.map(({ url }) => editor(() => url));
      const on = await one.revision();
      const stream = await fetch(`${running[2].url}${paths.edits(SITE)}?after=${on}`, {
        headers: { Accept: 'text/event-stream' },
      });
      const reader = stream.body!.pipeThrough(new TextDecoderStream()).getReader();
      expect((await one.post([set(inHome('lead', 'name'), 'From one')], { on })).status).to.equal(200);
      expect((await other.post([set(inHome('dome', 'name'), 'From another')], { on })).status).to.equal(200);
      const { page, revision } = await one.page();
      expect(revision).to.equal(on + 2);
      expect(['lead', 'dome'].map((id) => (page.nodes[id as never] as any).name)).to.deep.equal([
        'From one',
        'From another',
      ]);
      let text = '';
      while (text.split('\n\n').filter((event) => event.startsWith('event: edit')).length < 2)
        text += (await reader.read()).value;
      const revisions = [...text.matchAll(/^data: (.*)$/gm)].map(
        ([, data]) => (JSON.parse(data) as LogEntry).revision,
      );
      expect(revisions).to.deep.equal([on + 1, on + 2]);
      await reader.cancel();
      const picture = await fetch(running[1].url + paths.asset(SITE, saturn.hash));
      expect(picture.status, 'files are shared too').to.equal(200);
    } finally {
      await Promise.all(running.map((each) => each.stop()));
    }
  });

  it('two who publish and edit at once lose nothing', async () => {
    const running = await Promise.all([another(), another()]);
    try {
      const writers = running.map(({ url }, index) => editor(() => url, `writer-${index}`));
      const before = await writers[0].revision();
      await Promise.all(
        writers.map(async ({ post, revision }, index) => {
          for (let turn = 0; turn < 5; turn++) {
            const response = await post([set(inHome(['lead', 'dome'][index], 'name'), `${turn}`)], {
              on: await revision(),
            });
            expect(response.status).to.equal(200);
          }
        }),
      );
      expect(await writers[1].revision()).to.equal(before + 10);
    } finally {
      await Promise.all(running.map((each) => each.stop()));
    }
  });

  it('several processes that publish while they edit: an older draft never goes live over a newer one, and a state has one number', async () => {
    const running = await Promise.all([another(), another()]);
    try {
      const publish = async ({ url }: Served) =>
        (await fetch(url + paths.publications(SITE), { method: 'POST' })).status;
      const { made } = editor(() => running[0].url, 'publishing');
      const statuses: number[] = [];
      for (let turn = 0; turn < 6; turn++) {
        await made([set(inHome('lead', 'name'), `Publication ${turn}`)]);
        const all = running.map(publish);
        await made([set(inHome('lead', 'name'), `Meanwhile ${turn}`)]);
        statuses.push(...(await Promise.all([...all, ...running.map(publish)])));
      }
      expect(statuses.filter((status) => ![201, 409].includes(status))).to.deep.equal([]);
      const listed = (await (
        await fetch(running[1].url + paths.publications(SITE))
      ).json()) as PublicationsResponse;
      const revisions = listed.publications.map(({ revision }) => revision);
      expect(revisions, 'each newer than the one before').to.deep.equal(
        [...new Set(revisions)].sort((one, other) => other - one),
      );
      expect(listed.live!.number).to.equal(listed.publications[0].number);
    } finally {
      await Promise.all(running.map((each) => each.stop()));
    }
  });
});
