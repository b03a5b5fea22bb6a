/** What is there before it is asked for: the demo to look at, and the images that publishing needs. */
import { expect } from 'chai';
import { createHash } from 'node:crypto';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout } from 'node:timers/promises';
import { paths } from '../../api/paths.ts';
import type { AddedSite, DemoPage, MakingResponse } from '../../api/responses.ts';
import { writeSiteFile } from '../../core/index.ts';
import { demoSite } from '../../demo/site.ts';
import { served, type Served } from './serving.ts';

describe('images', function () {
  this.timeout(120_000);
  let running: Served;
  let folder: string;
  before(async () => {
    folder = await mkdtemp(join(tmpdir(), 'dimorphe-made-'));
    running = await served({ madeFolder: folder });
  });
  after(async () => {
    await running?.end();
    await rm(folder, { recursive: true, force: true });
  });

  it('of the demo are there before it is added, each with the bytes by which it is known', async () => {
    const demo = (await (await fetch(running.url + paths.demoPage())).json()) as DemoPage;
    expect(demo.page.id).to.equal('home');
    expect(demo.frame.assets.length).to.be.greaterThan(5);
    for (const { hash, type } of demo.frame.assets) {
      const answer = await fetch(running.url + paths.demoAsset(hash));
      expect(answer.headers.get('Content-Type')).to.equal(type);
      const bytes = Buffer.from(await answer.arrayBuffer());
      expect(createHash('sha256').update(bytes).digest('hex')).to.equal(hash);
    }
  });

  it('of a site that was imported are made before anybody publishes it', async () => {
    const { site, files } = await demoSite(['find-us']);
    const answer = await fetch(running.url + paths.sites(), {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: writeSiteFile({ ...site, frame: { ...site.frame, name: 'Imported' } }, files),
    });
    const { id } = (await answer.json()) as AddedSite;
    const state = async () => {
      const asked = await fetch(running.url + paths.making(id));
      expect(asked.status).to.equal(200);
      return (await asked.json()) as MakingResponse;
    };
    let now = await state();
    expect(now.wanted).to.be.greaterThan(0);
    while (now.made < now.wanted) {
      await setTimeout(200);
      now = await state();
    }
  });
});
