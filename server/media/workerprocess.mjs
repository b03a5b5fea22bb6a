/**
 * A process in which work is done apart (`apart.ts`): `node apartprocess.mjs WORKER MS`. A thread beside the work looks how much processor time it
 * takes, as the work itself may not let go, and ends the process where that is too much.
 */
import { Worker } from 'node:worker_threads';

const [, , worker, most] = process.argv;

/** ms between two looks at the processor time. */
const STEP = 20;

const watch = new Worker(
  `const { parentPort } = require('node:worker_threads');
   let begun;
   parentPort.on('message', (works) => { begun = works ? process.cpuUsage() : undefined; });
   setInterval(() => {
     if (!begun) return;
     const { user, system } = process.cpuUsage(begun);
     if ((user + system) / 1000 > ${Number(most)}) process.kill(process.pid, 'SIGKILL');
   }, ${STEP});`,
  { eval: true },
);
watch.unref();

// Who wants the work has gone.
process.on('disconnect', () => process.exit());

const { work } = await import(worker);

process.on('message', async ({ given }) => {
  watch.postMessage(true);
  let result;
  try {
    result = await work(given);
  } catch {
    result = undefined;
  }
  watch.postMessage(false);
  process.send({ result });
});
