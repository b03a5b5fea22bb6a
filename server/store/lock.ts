import { linkSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** What the lock of a data folder tells about the process that holds it. */
export interface Holder {
  pid: number;
  /** When the process started, as the system tells it; guards against a process id that was given out again. */
  started: string;
  /** The address of the application, once it serves. */
  url?: string;
}

/** Another process works on the data folder. */
export class FolderInUse extends Error {
  constructor(
    readonly folder: string,
    readonly holder: Holder,
  ) {
    super(
      `The data folder ${folder} is in use by another Dimorphe (process ${holder.pid}${holder.url ? `, at ${holder.url}` : ''}). ` +
        'Two would overwrite each other. Nothing was changed: end the other one, or choose another folder with DIMORPHE_DATA.',
    );
  }
}

/** When a process started, as /proc tells it in clock ticks; empty where there is no /proc. */
function startOf(pid: number): string {
  try {
    const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ').at(-1)!.split(' ');
    return fields[19];
  } catch {
    return '';
  }
}

function isAlive({ pid, started }: Holder): boolean {
  try {
    process.kill(pid, 0);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EPERM') return false;
  }
  return started === startOf(pid);
}

export function holderOf(folder: string): Holder | undefined {
  try {
    const holder = JSON.parse(readFileSync(join(folder, 'lock.json'), 'utf8')) as Holder;
    return isAlive(holder) ? holder : undefined;
  } catch {
    return undefined;
  }
}

export interface Lock {
  /** Tells others where the application is. */
  announce(url: string): void;
  release(): void;
}

/**
 * Takes a data folder for this process, or throws `FolderInUse`. The lock is a file made whole and linked into place,
 * which only one process can do; one left behind by a process that is gone is first moved away, which, too, only one can.
 */
export function lockFolder(folder: string): Lock {
  mkdirSync(folder, { recursive: true });
  const path = join(folder, 'lock.json');
  const mine = join(folder, `lock.${process.pid}.json`);
  const self: Holder = { pid: process.pid, started: startOf(process.pid) };
  writeFileSync(mine, JSON.stringify(self));
  try {
    for (let attempt = 0; ; attempt++) {
      try {
        linkSync(mine, path);
        break;
      } catch (error) {
        if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
        const holder = holderOf(folder);
        if (holder || attempt === 3) throw new FolderInUse(folder, holder ?? { pid: 0, started: '' });
        const stale = join(folder, `lock.stale.${process.pid}.json`);
        renameSync(path, stale);
        rmSync(stale);
      }
    }
  } finally {
    rmSync(mine, { force: true });
  }
  return {
    announce: (url) => {
      writeFileSync(mine, JSON.stringify({ ...self, url }));
      renameSync(mine, path);
    },
    release: () => rmSync(path, { force: true }),
  };
}
