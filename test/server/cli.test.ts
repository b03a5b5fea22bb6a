import { createRequire } from 'node:module';
import { spawnSync } from 'node:child_process';
import { mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { expect } from 'chai';
import { demoSite } from '../demo.ts';
import { compileSite, writeSiteFile } from '../../core/index.ts';
import { openStore } from '../../server/store/open.ts';
import { commandLine } from './program.ts';
import { freshFolder, MADE, served } from './serving.ts';

const run = (args: string[], data?: string) => {
  const result = spawnSync(process.execPath, commandLine(...args), {
    encoding: 'utf8',
    env: { ...process.env, DIMORPHE_DATA: data ?? '/nonexistent/dimorphe', DIMORPHE_MADE: MADE },
    maxBuffer: 64e6,
  });
  expect(result.stderr).not.to.match(/\n\s+at /);
  return result;
};

const FONT = createRequire(import.meta.url)
  .resolve('@fontsource-variable/literata/package.json')
  .replace('package.json', 'files/literata-latin-wght-italic.woff2');

describe('the command line', function () {
  this.timeout(180_000);
  let folder: string;
  let file: string;
  before(async () => {
    folder = await mkdtemp(join(tmpdir(), 'dimorphe-cli-'));
    const { site, files } = await demoSite();
    file = join(folder, 'site.json');
    await writeFile(file, writeSiteFile(site, files));
  });
  after(() => rm(folder, { recursive: true }));

  it('compiles a site file to exactly the files of a copy of its pages', async () => {
    const out = join(folder, 'out');
    const result = run(['compile', file, out]);
    expect(result.status, result.stderr).to.equal(0);
    const written = (await readdir(out, { recursive: true, withFileTypes: true })).filter((entry) =>
      entry.isFile(),
    );
    const expected = compileSite((await demoSite()).site, { still: true });
    // And what is remembered of them, so that the next time leaves nothing of this one.
    const names = written.map((entry) => relative(out, join(entry.parentPath, entry.name)));
    expect(names).to.have.members([...expected.map(({ path }) => path), '.dimorphe-publication.json']);
    expect(await readFile(join(out, 'index.html'), 'utf8')).to.equal((expected[0] as { text: string }).text);
    const picture = expected.find((entry) => entry.path.includes('saturn'))!;
    expect((await readFile(join(out, picture.path))).toString('base64')).to.equal(
      (await demoSite()).files.saturn,
    );
  });

  it('looks the pages of a site file over, and ends by how much it matters', async () => {
    const advised = run(['check', file]);
    expect(advised.status).to.equal(0);
    const lines = advised.stdout.trim().split('\n');
    expect(lines).to.include('Home');
    expect(advised.stdout).to.contain('  advice   Headline goes from 34 px to 44 px at 640 px, by 29 %.');
    const { site, files } = await demoSite();
    const faint: any = structuredClone(site);
    faint.pages.home.nodes.lead.style.self = { colour: { base: '{night}' } };
    const path = join(folder, 'faint.json');
    await writeFile(path, writeSiteFile(faint, files));
    const barred = run(['check', path]);
    expect(barred.status).to.equal(2);
    expect(barred.stdout).to.contain('1 barrier, ');
    expect(barred.stdout).to.match(
      / {2}barrier {2}Lead paragraph has a contrast of 1\.0 : 1 .*WCAG 2\.2, 1\.4\.3\)/,
    );
    const machine = run(['check', path, '--json']);
    expect(machine.status).to.equal(2);
    const found = JSON.parse(machine.stdout) as {
      page: string;
      severity: string;
      of: unknown;
      rule: string;
    }[];
    expect(found.filter(({ severity }) => severity === 'barrier')).to.have.length(1);
    expect(found.find(({ severity }) => severity === 'barrier')).to.deep.include({
      page: 'home',
      rule: 'text contrast too low',
      of: { node: 'lead' },
    });
  });

  it('says path and fault of a broken file, without a stack trace, and ends with 1', async () => {
    const { site, files } = await demoSite();
    const broken: any = structuredClone(site);
    broken.pages.home.nodes.headline.style.self.opacity = { base: 'tall' };
    const path = join(folder, 'broken.json');
    await writeFile(path, writeSiteFile(broken, files));
    const result = run(['compile', path, join(folder, 'none')]);
    expect(result.status).to.equal(1);
    expect(result.stderr).to.match(
      /\/pages\/0\/nodes\/headline\/style\/self\/opacity\/base: "tall" is not a valid number\./,
    );
    for (const args of [
      ['compile', join(folder, 'nowhere.json'), 'x'],
      ['check', '/dev/null'],
      ['compile'],
      ['fly'],
      [],
    ]) {
      const failed = run(args);
      expect(failed.status, args.join(' ')).to.equal(1);
      expect(failed.stderr.trim()).to.match(/\S/);
    }
    expect(run(['check', file]).stdout).to.match(
      /^Brindle Hill Observatory: the file is valid\. 0 barriers, /,
    );
  });

  it('exports a site from a data folder, whether a program has it open or not, to the same file', async () => {
    const data = await freshFolder();
    // With a font of the site's own, which a file without it would be refused for.
    const store = await openStore(data);
    const bytes = await readFile(FONT);
    const font = {
      id: 'font-own',
      name: 'Own',
      style: 'normal',
      weights: '400',
      hash: await store.files.put(bytes),
    };
    const outcome = await store.history.edit('brindle-hill', 1, {
      key: 'a-font-of-its-own',
      fingerprint: 'x',
      session: 'a-test',
      by: 'edit',
      sentence: 'Font Own added',
      operations: [{ op: 'set', path: '/frame/fonts/font-own', value: font }],
    });
    expect(outcome.outcome).to.equal('accepted');
    await store.close();
    const closed = run(['export', 'brindle-hill'], data);
    expect(closed.status, closed.stderr).to.equal(0);
    const path = join(folder, 'exported.json');
    await writeFile(path, closed.stdout);
    expect(run(['check', path]).stdout).to.match(
      /^Brindle Hill Observatory: the file is valid\. 0 barriers, /,
    );
    const files = (JSON.parse(closed.stdout) as { files: Record<string, string> }).files;
    expect(Buffer.from(files['font-own'], 'base64').equals(bytes)).to.equal(true);
    const running = await served({ dataFolder: data });
    try {
      // Not spawnSync: the server that answers lives in this process.
      const { spawn } = await import('node:child_process');
      const child = spawn(process.execPath, commandLine('export', 'brindle-hill'), {
        env: { ...process.env, DIMORPHE_DATA: data },
      });
      let out = '';
      child.stdout.on('data', (bytes: Buffer) => (out += bytes.toString()));
      const code = await new Promise((resolve) => child.on('close', resolve));
      expect(code).to.equal(0);
      expect(out).to.equal(closed.stdout);
    } finally {
      await running.stop();
    }
    const unknown = run(['export', 'nowhere'], data);
    expect([unknown.status, unknown.stdout]).to.deep.equal([1, '']);
    expect(unknown.stderr).to.match(/There is no site “nowhere”/);
    await rm(data, { recursive: true });
  });
});
