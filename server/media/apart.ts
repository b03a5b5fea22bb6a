import { Worker } from 'node:worker_threads';

/**
 * What a thread of its own makes of some data: what takes long or much takes it there, and is ended. Undefined where it took more than
 * `time` ms or `memory` MB, or failed. The worker is JavaScript, as a thread does not know the loader that the program was started with.
 */
export async function apart<T>(
  worker: URL,
  workerData: unknown,
  { time, memory }: { time: number; memory: number },
): Promise<T | undefined> {
  const thread = new Worker(worker, {
    workerData,
    // Whatever the program was started with is not for the thread.
    execArgv: [],
    resourceLimits: { maxOldGenerationSizeMb: memory, maxYoungGenerationSizeMb: Math.min(48, memory / 4) },
  });
  let timer: NodeJS.Timeout | undefined;
  try {
    return await new Promise<T | undefined>((resolve) => {
      const nothing = () => resolve(undefined);
      timer = setTimeout(nothing, time);
      thread.once('message', resolve);
      thread.once('error', nothing);
      thread.once('exit', nothing);
    });
  } finally {
    clearTimeout(timer);
    void thread.terminate();
  }
}
