/** A PostgreSQL server of its own for tests, from Debian's package, in a folder of its own. */
import { execFileSync, spawn, spawnSync } from 'node:child_process';
import { chownSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';

const HOME = '/usr/lib/postgresql';

async function freePort(): Promise<number> {
  const server = createServer().listen(0, '127.0.0.1');
  await once(server, 'listening');
  const { port } = server.address() as AddressInfo;
  server.close();
  await once(server, 'close');
  return port;
}

export interface Postgres {
  url: string;
  /** Ends it as a crash would, without a word to anyone. */
  crash(): Promise<void>;
  /** Starts it again after that. */
  start(): Promise<void>;
  stop(): void;
}

/** Starts a server; answers its address and how to end it. */
export async function startPostgres(): Promise<Postgres> {
  const version = readdirSync(HOME)
    .sort((one, other) => Number(one) - Number(other))
    .at(-1)!;
  const folder = mkdtempSync(join(tmpdir(), 'dimorphe-postgres-'));
  // It refuses to run as root.
  const root = process.getuid!() === 0;
  const [uid, gid] = ['-u', '-g'].map((flag) =>
    Number(execFileSync('id', [flag, root ? 'postgres' : String(process.getuid!())])),
  );
  chownSync(folder, uid, gid);
  const run = (program: string, ...args: string[]) => {
    const result = spawnSync(join(HOME, version, 'bin', program), args, {
      cwd: folder,
      uid,
      gid,
      encoding: 'utf8',
      // What it leaves behind must not hold on to our output.
      stdio: ['ignore', 'ignore', 'inherit'],
    });
    if (result.status !== 0) throw new Error(`${program} ended with ${result.status}.`);
  };
  /** The same without holding up whoever works on the database in this process. */
  const runBeside = async (program: string, ...args: string[]) => {
    const child = spawn(join(HOME, version, 'bin', program), args, {
      ...{ cwd: folder, uid, gid },
      stdio: ['ignore', 'ignore', 'inherit'],
    });
    const [status] = (await once(child, 'exit')) as [number];
    if (status !== 0) throw new Error(`${program} ended with ${status}.`);
  };
  const data = join(folder, 'data');
  const port = await freePort();
  run('initdb', '-D', data, '-U', 'dimorphe', '-A', 'trust', '-E', 'UTF8', '--no-sync');
  const starting = [
    ...['-D', data, '-w', '-l', join(folder, 'log')],
    ...['-o', `-p ${port} -k ${folder} -h 127.0.0.1 -F`, 'start'],
  ];
  run('pg_ctl', ...starting);
  return {
    url: `postgres://dimorphe@127.0.0.1:${port}/postgres`,
    crash: () => runBeside('pg_ctl', '-D', data, '-m', 'immediate', 'stop'),
    start: () => runBeside('pg_ctl', ...starting),
    stop() {
      run('pg_ctl', '-D', data, '-m', 'immediate', 'stop');
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** Runs one statement on a connection of its own. */
async function ask(url: string, statement: string): Promise<pg.QueryResult> {
  const client = new pg.Client({ connectionString: url });
  client.on('error', () => undefined);
  await client.connect();
  try {
    return await client.query(statement);
  } finally {
    await client.end().catch(() => undefined);
  }
}

/** Ends connections to the database but for the one that asks. */
export const endConnections = (url: string, which = 'true') =>
  ask(
    url,
    `select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid() and ${which}`,
  );
