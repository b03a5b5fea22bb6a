import { lookup, type NodeId, type PageFindings, type Site, sure } from '../core/index.ts';
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { existsSync } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { delimiter, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import express, { type Express, type RequestHandler } from 'express';
import { paths } from '../api/paths.ts';
import { findFont, fontBytes } from '../server/media/bytes.ts';

/** Why a site was not swept, in a sentence. */
export class NotSwept extends Error {}

const BROWSERS = ['chromium', 'chromium-browser', 'google-chrome', 'chrome'];

const interfaceFolder = fileURLToPath(new URL('../dist', import.meta.url));

/** A Chromium on this machine: the one that CHROME_BIN names, or one on the path. */
export function browserHere({ CHROME_BIN: named, PATH = '' }: NodeJS.ProcessEnv): string | undefined {
  if (named !== undefined) return existsSync(named) ? named : undefined;
  return PATH.split(delimiter)
    .flatMap((folder) => BROWSERS.map((name) => join(folder, name)))
    .find((path) => existsSync(path));
}

/** A site and its files, as the interface asks for them. */
function serving(site: Site, files: Readonly<Record<string, string>>): Express {
  const app = express();
  const { assets, fonts } = site.frame;
  const byHash = new Map(
    [...assets, ...fonts].map(({ hash, id, ...rest }) => [
      hash,
      {
        type: 'type' in rest ? rest.type : 'font/woff2',
        bytes: () => Buffer.from(sure(lookup(files, id)), 'base64'),
      },
    ]),
  );
  const send: RequestHandler = ({ params }, response) => {
    const file = byHash.get(String(params.hash));
    if (file) response.type(file.type).send(file.bytes());
    else response.sendStatus(404);
  };
  const asset = paths.asset(':site', ':hash').replaceAll('%3A', ':');
  app.get('/site', (_request, response) => void response.json(site));
  app.get(asset, send);
  // Those that are made smaller are sent whole: how large an image is shown, the page says itself.
  app.get(`${asset}/:made`, send);
  app.get(paths.ownFont(':site', ':hash').replaceAll('%3A', ':'), send);
  app.get(paths.font(':file').replaceAll('%3A', ':'), async ({ params }, response) => {
    const font = findFont(String(params.file));
    if (font) response.type('font/woff2').send(await fontBytes(font.family, font.file));
    else response.sendStatus(404);
  });
  app.use(express.static(interfaceFolder, { index: false }));
  return app;
}

/**
 * Looks a site over by every rule, also those that need a browser, in a Chromium of this machine. `onPage` is given the page that is
 * looked at. Refuses where there is no Chromium, where it cannot be run, and where the interface has not been built.
 */
export async function sweptSite(
  site: Site,
  files: Readonly<Record<string, string>>,
  onPage: (page: NodeId) => void,
): Promise<PageFindings[]> {
  const browser = browserHere(process.env);
  if (browser === undefined)
    throw new NotSwept('There is no Chromium on this machine (CHROME_BIN names another place).');
  if (!existsSync(join(interfaceFolder, 'sweep.html')))
    throw new NotSwept('The interface has not been built; `npm run build` does that.');
  const app = serving(site, files);
  const found = new Promise<PageFindings[]>((resolve, reject) => {
    app.post('/looking', express.json(), (request, response) => {
      onPage((request.body as { page: NodeId }).page);
      response.sendStatus(204);
    });
    app.post('/found', express.json({ limit: '50mb' }), (request, response) => {
      response.sendStatus(204);
      const { pages, fault } = request.body as { pages?: PageFindings[]; fault?: string };
      if (pages) resolve(pages);
      else reject(new NotSwept(fault ?? 'The browser said nothing.'));
    });
  });
  const server = app.listen(0, '127.0.0.1');
  await once(server, 'listening');
  const profile = await mkdtemp(join(tmpdir(), 'dimorphe-sweep-'));
  const { port } = server.address() as AddressInfo;
  const running = spawn(
    browser,
    [
      ...[
        '--headless=new',
        '--no-sandbox',
        '--disable-gpu',
        '--no-first-run',
        '--disable-background-networking',
      ],
      ...['--disable-component-update', '--disable-sync', '--hide-scrollbars', '--force-color-profile=srgb'],
      ...[`--user-data-dir=${profile}`, `http://127.0.0.1:${port}/sweep.html`],
    ],
    { stdio: 'ignore' },
  );
  const ended = once(running, 'exit').then(() => {
    throw new NotSwept(`${browser} ended before the site was checked.`);
  });
  try {
    return await Promise.race([found, ended]);
  } catch (fault) {
    throw fault instanceof NotSwept
      ? fault
      : new NotSwept(`${browser} cannot be run: ${(fault as Error).message}.`);
  } finally {
    ended.catch(() => undefined);
    const gone = running.exitCode === null ? once(running, 'exit') : undefined;
    running.kill();
    await gone;
    server.close();
    server.closeAllConnections();
    await rm(profile, { recursive: true, force: true, maxRetries: 5 });
  }
}
