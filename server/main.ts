import { existsSync } from 'node:fs';
import express from 'express';
import { FolderInUse } from './store/lock.ts';
import { PortTaken, start } from './start.ts';
import type { Pages } from './http/application.ts';

const root = new URL('..', import.meta.url).pathname;
const built = `${root}dist`;

/** The built interface; every address that is no file is a screen of it. */
const builtPages: Pages = (app) => {
  app.use(express.static(built, { index: false, maxAge: '1h' }));
  app.get('/{*path}', (_request, response) => response.set('Cache-Control', 'no-cache').sendFile(`${built}/index.html`));
};

/** The interface through Vite, with hot reload. */
async function developedPages(): Promise<Pages> {
  const { createServer } = await import('vite');
  const vite = await createServer({ root, server: { middlewareMode: true }, appType: 'spa' });
  return (app) => {
    app.use((_request, response, next) => {
      // Hot reload runs inline scripts and a socket, which the policy of the built application does not allow.
      response.removeHeader('Content-Security-Policy');
      next();
    });
    app.use(vite.middlewares);
  };
}

const developing = process.argv.includes('--dev');
try {
  if (!developing && !existsSync(`${built}/index.html`)) {
    console.error('The interface is not built. Run npm start, which builds it.');
    process.exit(1);
  }
  const running = await start({
    port: Number(process.env.PORT ?? 4870),
    hostPort: Number(process.env.HOST_PORT ?? 4871),
    dataFolder: process.env.DIMORPHE_DATA ?? `${root}data`,
    databaseUrl: process.env.DATABASE_URL,
    pages: developing ? await developedPages() : builtPages,
  });
  console.log(`Dimorphe        ${running.url}`);
  console.log(`Published sites ${running.hostUrl}`);
  const end = () => void running.stop().then(() => process.exit(0));
  process.once('SIGINT', end);
  process.once('SIGTERM', end);
} catch (error) {
  const expected = error instanceof FolderInUse || error instanceof PortTaken;
  console.error(expected ? error.message : error);
  process.exit(1);
}
