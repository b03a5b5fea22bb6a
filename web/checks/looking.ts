import type { Eyes, ToLook } from './checking.ts';
import { Seeing } from './seeing.ts';
import type { Asks, Message } from './worker.ts';

/** The rules in a worker, and what the browser sees. */
export class Looking implements Eyes {
  private readonly worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
  private readonly seeing = new Seeing();

  words = (asked: ToLook) => this.ask('words', asked);
  see: Eyes['see'] = (site, page, words) => this.seeing.see(site, page, words);
  findings: Eyes['findings'] = (seen) => this.ask('findings', seen);

  close(): void {
    this.worker.terminate();
    this.seeing.close();
  }

  private ask<A extends keyof Asks>(ask: A, asked: Asks[A]['asked']): Promise<Asks[A]['answer']> {
    return new Promise((resolve, reject) => {
      this.worker.onmessage = ({ data }) => resolve(data as Asks[A]['answer']);
      this.worker.onerror = ({ message }) => reject(new Error(message));
      this.worker.postMessage({ ask, asked } as Message);
    });
  }
}
