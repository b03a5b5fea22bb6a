import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import sirv from 'sirv';
import type { Pages } from './http/application.ts';

const root = fileURLToPath(new URL('..', import.meta.url));
const built = `${root}dist`;

export const isBuilt = (): boolean => existsSync(`${built}/index.html`);

/** The built interface; every address that is no file is a screen of it. */
export const builtPages: Pages = (app) => {
  app.use(
    sirv(built, {
      // Compressed when it was built.
      ...{ brotli: true, gzip: true, extensions: [], etag: true },
      setHeaders(response, path) {
        const lasting = path.startsWith('/assets/');
        response.setHeader('Cache-Control', lasting ? 'public, max-age=31536000, immutable' : 'no-cache');
      },
    }),
  );
  app.get('/{*path}', (_request, response) => {
    response.set('Cache-Control', 'no-cache').sendFile(`${built}/index.html`);
  });
};

/** The interface through Vite, with hot reload. */
export async function developedPages(): Promise<Pages> {
  const { createServer } = await import('vite');
  const vite = await createServer({
    configFile: `${root}vite.config.ts`,
    root: `${root}web`,
    server: { middlewareMode: true },
    appType: 'spa',
  });
  return (app) => {
    app.use((_request, response, next) => {
      // Hot reload runs inline scripts and a socket, which the policy of the built application does not allow.
      response.removeHeader('Content-Security-Policy');
      next();
    });
    app.use(vite.middlewares);
  };
}
