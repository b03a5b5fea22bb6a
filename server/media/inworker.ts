import { fork, type ChildProcess } from 'node:child_process';
import { fileURLToPath } from 'node:url';

/** How much one piece of work may take. */
export interface Most {
  /** ms of processor time: on a busy machine work takes longer, and is done all the same. */
  processor: number;
  /** MB of memory. */
  memory: number;
}

/** What comes back from the process. */
interface Answer {
  result?: unknown;
}

/** ms; a process that has had nothing to do for so long is ended. */
const IDLE = 60_000;

const program = fileURLToPath(new URL('./workerprocess.mjs', import.meta.url));

/** A worker in TypeScript needs the loader that the sources are run with; what was built needs none. */
const loaderOf = (worker: URL): string[] => (worker.pathname.endsWith('.ts') ? ['--import=tsx'] : []);

/**
 * Work that is done in a process of its own, one piece after the other, as whatever is made to take long or much takes it there. The process
 * is begun with the first piece, stays for the next, and is ended where a piece takes more than it may. A worker is a module whose
 * `work` is called with what is given here. Answers undefined where the work failed or was ended.
 */
export function runInWorker<T>(
  worker: URL,
  { processor, memory }: Most,
): (given: unknown) => Promise<T | undefined> {
  let child: ChildProcess | undefined;
  let turn: Promise<unknown> = Promise.resolve();
  let idle: NodeJS.Timeout | undefined;

  function begun(): ChildProcess {
    const made = fork(program, [worker.href, String(processor)], {
      // Whatever this program was started with is not for the process.
      execArgv: [...loaderOf(worker), `--max-old-space-size=${memory}`],
      serialization: 'advanced',
      stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
    });
    const gone = () => {
      if (child === made) child = undefined;
    };
    made.once('exit', gone).once('error', gone);
    // It does not hold this program up, and ends with it.
    made.unref();
    made.channel?.unref();
    return made;
  }

  async function done(given: unknown): Promise<T | undefined> {
    clearTimeout(idle);
    const at = (child ??= begun());
    at.channel?.ref();
    try {
      return await new Promise<T | undefined>((resolve) => {
        const nothing = () => resolve(undefined);
        at.once('exit', nothing).once('error', nothing);
        at.once('message', ({ result }: Answer) => resolve(result as T | undefined));
        at.send({ given }, (error) => error && nothing());
      });
    } finally {
      at.removeAllListeners('message');
      at.channel?.unref();
      idle = setTimeout(() => at.kill(), IDLE).unref();
    }
  }

  return (given) => {
    const next = turn.then(() => done(given));
    turn = next.catch(() => undefined);
    return next;
  };
}
