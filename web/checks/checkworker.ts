import type { PageInspector, PageToCheck } from './checking.ts';
import { BrowserReader } from './browserreader.ts';
import type { Asks } from './worker.ts';

/** The rules in a worker, and what the browser sees. */
export class CheckWorker implements PageInspector {
  private readonly worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
  private readonly seeing = new BrowserReader();

  words = (request: PageToCheck) => this.ask('words', request);
  see: PageInspector['see'] = (site, page, words) => this.seeing.see(site, page, words);
  findings: PageInspector['findings'] = (facts) => this.ask('findings', facts);

  close(): void {
    this.worker.terminate();
    this.seeing.close();
  }

  private ask<A extends keyof Asks>(ask: A, request: Asks[A]['request']): Promise<Asks[A]['answer']> {
    return new Promise((resolve, reject) => {
      this.worker.onmessage = ({ data }) => resolve(data as Asks[A]['answer']);
      this.worker.onerror = ({ message }) => reject(new Error(message));
      this.worker.postMessage({ ask, request });
    });
  }
}
