import type { Page, SiteFrame } from '../../core/index.ts';
import { Layouts, setText } from '../page/layingout.ts';
import { hiddenSheet, type HiddenSheet } from '../page/measuringviews.ts';
import type { SweepNews } from '../state/findings.ts';
import { yieldToMain } from '../ui/yieldtomain.ts';
import { rememberSweep } from './swept.ts';
import type { FromSweep, ToSweep } from './sweepworker.ts';

/** Lays pages out where nobody sees it, for a worker that sweeps them, one after the other; of those that wait, only the last. */
export class Sweeper {
  private readonly worker = new Worker(new URL('./sweepworker.ts', import.meta.url), { type: 'module' });
  private hidden: { sheet: HiddenSheet; page: string } | undefined;
  private next: { site: SiteFrame; page: Page } | undefined;
  private measuring: Promise<unknown> = Promise.resolve();
  private busy = false;
  private closed = false;

  constructor(private readonly report: (page: Page, news: SweepNews) => void) {}

  sweep(site: SiteFrame, page: Page): void {
    this.next = { site, page };
    this.send('stop');
    if (!this.busy) void this.go();
  }

  /** Ends the sweep with what it has. */
  stop(): void {
    this.next = undefined;
    this.send('stop');
  }

  close(): void {
    this.closed = true;
    this.worker.terminate();
    this.hidden?.sheet.close();
  }

  private send(message: ToSweep): void {
    this.worker.postMessage(message);
  }

  private async go(): Promise<void> {
    this.busy = true;
    while (this.next && !this.closed) {
      const { site, page } = this.next;
      this.next = undefined;
      const news = await this.one(site, page).catch((fault: unknown): SweepNews => {
        console.error(fault);
        return { failed: true };
      });
      if (!this.closed) this.report(page, news);
    }
    this.busy = false;
  }

  private async one(site: SiteFrame, page: Page): Promise<SweepNews> {
    const sheet = await this.sheetOf(site, page);
    const layouts = new Layouts(sheet.at(site.views.list[0].sheet.width), page, site.views);
    return new Promise<SweepNews>((resolve, reject) => {
      this.worker.onmessage = ({ data }: MessageEvent<FromSweep>) => {
        if ('found' in data) {
          const { findings, whole } = data.found;
          if (whole) rememberSweep(site, page, findings);
          resolve({ found: findings, whole });
        } else if ('progress' in data) this.report(page, data);
        else {
          const { measure } = data;
          // One at a time: the next one may be asked for before the last one is done.
          this.measuring = this.measuring.then(() => this.measured(sheet, layouts, measure)).catch(reject);
        }
      };
      this.worker.onerror = ({ message }) => reject(new Error(message));
      this.send({ go: { site, page } });
      // It was stopped, or changed, while its sheet was made.
      if (this.next) this.send('stop');
    });
  }

  private async measured(
    sheet: HiddenSheet,
    layouts: Layouts,
    { ask, width, text }: Extract<FromSweep, { measure: unknown }>['measure'],
  ): Promise<void> {
    await yieldToMain();
    const shown = sheet.at(width);
    setText(shown, text);
    let laid = layouts.measure();
    if (shown.document.fonts.status !== 'loaded') {
      await shown.document.fonts.ready;
      laid = layouts.measure();
    }
    this.send({ ask, laid });
  }

  private async sheetOf(site: SiteFrame, page: Page): Promise<HiddenSheet> {
    if (this.hidden?.page === page.id) this.hidden.sheet.update(page, site);
    else {
      this.hidden?.sheet.close();
      this.hidden = { sheet: await hiddenSheet(site, page), page: page.id };
    }
    return this.hidden.sheet;
  }
}
