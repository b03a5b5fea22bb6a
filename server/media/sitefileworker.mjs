/** Reads a site file in a thread of its own: a large one takes seconds, and the server goes on meanwhile. */
import { parentPort, workerData } from 'node:worker_threads';
import { register } from 'tsx/esm/api';

// A thread does not take the loader of the program on.
register();
const { readSiteFile } = await import('../../core/index.ts');
parentPort.postMessage(readSiteFile(workerData));
