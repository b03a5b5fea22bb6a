/** A program of its own on a data folder, killed in the middle of its work. */
import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { rm } from 'node:fs/promises';
import { running } from './program.ts';
import { freshFolder } from './serving.ts';

/** Starts the servers on a data folder in a process of their own; answers the address of the application. */
export async function launched(
  folder: string,
  env: Record<string, string> = {},
): Promise<{ child: ChildProcess; url: string }> {
  const program = `const r = await start({ port: 0, hostPort: 0, dataFolder: ${JSON.stringify(folder)} }); console.log(r.url);`;
  const child = spawn(process.execPath, running('server/start', '{ start }', program), {
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, ...env },
  });
  const [data] = (await once(child.stdout, 'data')) as [Buffer];
  return { child, url: data.toString().trim() };
}

/** Works on one data folder in rounds, each in a process that is killed right after. */
export async function killed(
  rounds: number,
  work: (url: string, round: number) => Promise<void>,
): Promise<void> {
  const folder = await freshFolder();
  for (let round = 0; round < rounds; round++) {
    const { child, url } = await launched(folder);
    try {
      await work(url, round);
    } finally {
      child.kill('SIGKILL');
      await once(child, 'exit');
    }
  }
  await rm(folder, { recursive: true });
}
