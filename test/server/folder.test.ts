import { once } from 'node:events';
import { rm, writeFile } from 'node:fs/promises';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { expect } from 'chai';
import { paths } from '../../api/paths.ts';
import { holderOf, lockFolder } from '../../server/store/lock.ts';
import { start } from '../../server/start.ts';
import { editor, inHome, set } from './editing.ts';
import { launched } from './killing.ts';
import { freshFolder, served } from './serving.ts';

const HOME = paths.page('brindle-hill', 'home');

describe('a data folder', () => {
  it('serves one process; a second is refused with a sentence and changes nothing', async () => {
    const running = await served();
    try {
      let sentence = '';
      await start({ port: 0, hostPort: 0, dataFolder: running.folder }).catch(
        (error: Error) => (sentence = error.message),
      );
      expect(sentence).to.match(/in use by another Dimorphe .*Nothing was changed.*DIMORPHE_DATA/);
      expect((await fetch(running.url + paths.health())).status).to.equal(200);
      expect(holderOf(running.folder)).to.include({ pid: process.pid, url: running.url });
    } finally {
      await running.end();
    }
  });

  it('is free again when its process is gone, even if that was killed', async () => {
    const folder = await freshFolder();
    // A process id that no process has: Linux gives out at most 4194304 (proc(5), /proc/sys/kernel/pid_max).
    await writeFile(join(folder, 'lock.json'), JSON.stringify({ pid: 4194305, started: '1' }));
    const lock = lockFolder(folder);
    lock.release();
    // A living process that started at another time is another process with a process id given out again.
    await writeFile(join(folder, 'lock.json'), JSON.stringify({ pid: process.pid, started: '1' }));
    lockFolder(folder).release();
    await rm(folder, { recursive: true });
  });

  it('goes to one of many that want it at once, also over a lock that was left behind', async () => {
    const { spawn } = await import('node:child_process');
    for (let round = 0; round < 4; round++) {
      const folder = await freshFolder();
      if (round % 2 === 1)
        await writeFile(join(folder, 'lock.json'), JSON.stringify({ pid: 4194305, started: '1' }));
      // Each takes the lock at the same moment, says whether it has it, and keeps it until all have said so.
      const program = `import { lockFolder } from './server/store/lock.ts';
        process.stdin.once('data', () => { let got = 'yes'; try { lockFolder(${JSON.stringify(folder)}); } catch { got = 'no'; } console.log(got); });
        process.stdin.once('end', () => process.exit(0)); console.log('ready');`;
      const children = Array.from({ length: 4 }, () =>
        spawn(process.execPath, ['--import=tsx', '--input-type=module', '-e', program], {
          stdio: ['pipe', 'pipe', 'inherit'],
        }),
      );
      const says = async (child: (typeof children)[number]) =>
        ((await once(child.stdout, 'data')) as [Buffer])[0].toString().trim();
      await Promise.all(children.map(says));
      const answers = Promise.all(children.map(says));
      children.forEach((child) => child.stdin.write('go'));
      expect(
        (await answers).filter((answer) => answer === 'yes'),
        `round ${round}`,
      ).to.have.length(1);
      await Promise.all(children.map((child) => (child.stdin.end(), once(child, 'exit'))));
      await rm(folder, { recursive: true });
    }
  }).timeout(120_000);

  it('holds every acknowledged edit, though the process is killed right after', async () => {
    const folder = await freshFolder();
    const { child, url } = await launched(folder);
    const { made } = editor(() => url);
    for (let weight = 501; weight <= 505; weight++)
      await made([set(inHome('headline', 'style/self/weight/base'), weight)]);
    child.kill('SIGKILL');
    await once(child, 'exit');
    const again = await served({ dataFolder: folder });
    try {
      const kept = (await (await fetch(again.url + HOME)).json()) as {
        revision: number;
        page: { nodes: any };
      };
      expect(kept.revision).to.equal(6);
      expect(kept.page.nodes.headline.style.self.weight).to.deep.equal({ base: 505 });
    } finally {
      await again.end();
    }
  });

  it('is left free when a port is taken, which is said with the variable to change', async () => {
    const other = createServer().listen(0, '127.0.0.1');
    await once(other, 'listening');
    const { port } = other.address() as { port: number };
    const folder = await freshFolder();
    let sentence = '';
    await start({ port, hostPort: 0, dataFolder: folder }).catch(
      (error: Error) => (sentence = error.message),
    );
    expect(sentence).to.equal(
      `Port ${port} is taken by another program. End it, or choose another port with PORT.`,
    );
    expect(holderOf(folder)).to.equal(undefined);
    other.close();
    await rm(folder, { recursive: true });
  });
});
