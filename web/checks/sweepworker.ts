/** Sweeps a page beside the interface: asks for it to be laid out at a width, looks at what comes, and asks for the next. */
import {
  changedWidths,
  preview,
  swept,
  type Finding,
  type Laid,
  type Page,
  type Preview,
  type Progress,
  type Samples,
  type SiteFrame,
  type TextSetting,
} from '../../core/index.ts';
import { sheetAddresses } from '../page/addresses.ts';

/** What a sweep is told: a page to begin with, what was measured, or to stop. */
export type ToSweep = { go: { site: SiteFrame; page: Page } } | { ask: number; laid: Laid } | 'stop';

/** What a sweep says: what to measure, how far it is, or what it found; each page that it began with is answered once. */
export type FromSweep =
  | { measure: { ask: number; width: number; text: TextSetting } }
  | { progress: Progress }
  | { found: { findings: Finding[]; whole: boolean } };

let stopped = false;

/** What waits for being measured. */
const request = new Map<number, (laid: Laid) => void>();
let asks = 0;

/** What was found of the page that was swept last: after an edit only what it can have changed is measured again. */
let last: { preview: Preview; samples: Samples } | undefined;

const say = (message: FromSweep) => self.postMessage(message);

/** How often the progress of a sweep is told. */
const TOLD = 20;

async function go(site: SiteFrame, page: Page): Promise<void> {
  stopped = false;
  const now = preview(site, page, sheetAddresses(site));
  const before =
    last && last.preview.page.id === page.id && last.preview.site.id === site.id
      ? { samples: last.samples, changed: changedWidths(last.preview, now) }
      : undefined;
  let reached = -1;
  const { samples, findings, whole } = await swept(site, page, {
    measure: (width, text) =>
      new Promise((resolve) => {
        asks += 1;
        request.set(asks, resolve);
        say({ measure: { ask: asks, width, text } });
      }),
    ...(before && { before }),
    stopped: () => stopped,
    onProgress: (progress) => {
      const share = Math.floor((TOLD * progress.measured) / progress.of);
      if (share !== reached) say({ progress });
      reached = share;
    },
  });
  last = { preview: now, samples };
  say({ found: { findings, whole } });
}

self.addEventListener('message', ({ data }: MessageEvent<ToSweep>) => {
  if (data === 'stop') stopped = true;
  else if ('laid' in data) {
    request.get(data.ask)?.(data.laid);
    request.delete(data.ask);
  } else
    // What goes wrong in a promise is no error of the worker by itself.
    void go(data.go.site, data.go.page).catch((fault: unknown) =>
      setTimeout(() => {
        throw fault;
      }),
    );
});
