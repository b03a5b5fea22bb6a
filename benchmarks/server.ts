/** The server, measured over HTTP on a data folder of its own: pages of a publication, and edits as they become many. */
import autocannon from 'autocannon';
import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { readdirSync, rmSync, statSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { paths } from '../api/paths.ts';
import type { PageResponse } from '../api/responses.ts';
import type { Operation } from '../core/index.ts';
import { running } from '../test/server/program.ts';
import { freshFolder, served } from '../test/server/serving.ts';

const SITE = 'brindle-hill';

async function perSecond(url: string): Promise<number> {
  const load = () =>
    autocannon({ url, connections: 8, duration: 4, headers: { 'accept-encoding': 'gzip, br' } });
  await load();
  return (await load()).requests.average;
}

/** Pages a second of the host, and of a bare `node:http` server that answers the same bytes. */
export async function pagesPerSecond(): Promise<{ host: number; bare: number }> {
  const running = await served();
  try {
    await fetch(running.url + paths.publications(SITE), { method: 'POST' });
    const url = `${running.hostUrl}/${SITE}/`;
    const response = await fetch(url);
    const headers = Object.fromEntries(response.headers);
    const bytes = Buffer.from(await response.arrayBuffer());
    // The bytes as they go over the line: what fetch has decoded is sent as it is, which is more, not less.
    delete headers['content-encoding'];
    delete headers['content-length'];
    const { brotliCompressSync } = await import('node:zlib');
    const body = brotliCompressSync(bytes);
    const server = createServer((_request, answer) => {
      answer.writeHead(200, { ...headers, 'content-encoding': 'br', 'content-length': body.length });
      answer.end(body);
    });
    server.listen(0, '127.0.0.1');
    await once(server, 'listening');
    const bareUrl = `http://127.0.0.1:${(server.address() as AddressInfo).port}/`;
    const host = await perSecond(url);
    const bare = await perSecond(bareUrl);
    server.closeAllConnections();
    server.close();
    return { host, bare };
  } finally {
    await running.end();
  }
}

const sizeOf = (path: string): number =>
  statSync(path).isDirectory()
    ? readdirSync(path).reduce((sum, name) => sum + sizeOf(join(path, name)), 0)
    : statSync(path).size;

const median = (list: number[]): number => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)];

/** The programs that run; none is left behind, whatever fails. */
const children = new Set<ChildProcess>();

/** Starts the program on a folder in a process of its own; answers how long it took until it was ready, in ms. */
async function launched(folder: string): Promise<{ child: ChildProcess; url: string; ready: number }> {
  const program = `const r = await start({ port: 0, hostPort: 0, dataFolder: ${JSON.stringify(folder)}, requestsAMinute: 1e9 }); console.log(r.url); process.once('SIGTERM', () => void r.stop().then(() => process.exit(0)));`;
  const begun = performance.now();
  const child = spawn(process.execPath, running('server/start', '{ start }', program), {
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  children.add(child);
  child.once('exit', () => children.delete(child));
  const [data] = (await once(child.stdout, 'data')) as [Buffer];
  return { child, url: data.toString().trim(), ready: performance.now() - begun };
}

async function ended(child: ChildProcess, signal: NodeJS.Signals): Promise<void> {
  child.kill(signal);
  await once(child, 'exit');
}

export interface ManyEdits {
  /** ms until an edit is answered: the median of 100, after the first hundred and after ten thousand. */
  few: number;
  many: number;
  /** Bytes of the data folder. */
  smallDisk: number;
  largeDisk: number;
  /** ms until the program is ready, after it was stopped and after it was killed. */
  stopped: number;
  killed: number;
}

/** Ten thousand edits of one page, one after the other. */
export async function manyEdits(count = 10_000): Promise<ManyEdits> {
  const folder = await freshFolder();
  try {
    return await editsIn(folder, count);
  } finally {
    children.forEach((child) => child.kill('SIGKILL'));
    rmSync(folder, { recursive: true, force: true });
  }
}

async function editsIn(folder: string, count: number): Promise<ManyEdits> {
  let running = await launched(folder);
  const url = running.url;
  const first = (await (await fetch(url + paths.page(SITE, 'home'))).json()) as PageResponse;
  let { revision } = first;
  const nodes = Object.keys(first.page.nodes).filter((id) => id !== first.page.root);
  const edit = async (base: string, index: number) => {
    const operations: Operation[] = [
      { op: 'set', path: `/pages/home/nodes/${nodes[index % nodes.length]}/name`, value: `Name ${index}` },
    ];
    const response = await fetch(base + paths.edits(SITE), {
      method: 'POST',
      headers: {
        'Content-Type': 'application/json',
        'Idempotency-Key': `"bench-${index}-${revision}"`,
        'If-Match': `"${revision}"`,
      },
      body: JSON.stringify({ operations, session: 'bench', by: 'edit', sentence: 'A name' }),
    });
    if (!response.ok) throw new Error(`${response.status} ${await response.text()}`);
    ({ revision } = (await response.json()) as { revision: number });
  };
  const timed = async (base: string, from: number): Promise<number> => {
    const times: number[] = [];
    for (let index = 0; index < 100; index++) {
      const begun = performance.now();
      await edit(base, from + index);
      times.push(performance.now() - begun);
    }
    return median(times);
  };
  await timed(url, 0);
  const few = await timed(url, 100);
  await ended(running.child, 'SIGTERM');
  const smallDisk = sizeOf(folder);
  running = await launched(folder);
  for (let index = 200; index < count; index++) await edit(running.url, index);
  const many = await timed(running.url, count);
  await ended(running.child, 'SIGKILL');
  const largeDisk = sizeOf(folder);
  const killedOnce = await launched(folder);
  await ended(killedOnce.child, 'SIGTERM');
  const stoppedOnce = await launched(folder);
  await ended(stoppedOnce.child, 'SIGTERM');
  return { few, many, smallDisk, largeDisk, stopped: stoppedOnce.ready, killed: killedOnce.ready };
}
