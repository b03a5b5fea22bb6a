import { fileURLToPath } from 'node:url';
import { builtPages, developedPages, isBuilt } from './pages.ts';
import { FolderRefused } from './store/folder.ts';
import { ProxiesRefused } from './proxies.ts';
import { PortTaken, start } from './start.ts';
import { publishToOf } from './targets/table.ts';
import { lookup } from '../core/index.ts';

function portFrom(variable: string, otherwise: number): number {
  const port = Number(lookup(process.env, variable) ?? otherwise);
  if (Number.isInteger(port) && port >= 0 && port <= 65535) return port;
  console.error(`${variable} is “${lookup(process.env, variable)}” and should be a port from 0 to 65535.`);
  process.exit(1);
}

/** What a variable lists, apart by commas. */
const listed = (variable: string): string[] =>
  (lookup(process.env, variable) ?? '')
    .split(',')
    .map((each) => each.trim())
    .filter(Boolean);

/** ms; how long stopping may take. */
const LONGEST_STOP = 10_000;

const developing = process.argv.includes('--dev');
if (!developing && !isBuilt()) {
  console.error('The interface is not built. Run npm start, which builds it.');
  process.exit(1);
}
try {
  const running = await start({
    port: portFrom('PORT', 4870),
    hostPort: portFrom('HOST_PORT', 4871),
    dataFolder: process.env.DIMORPHE_DATA ?? fileURLToPath(new URL('../data', import.meta.url)),
    databaseUrl: process.env.DATABASE_URL,
    publishTo: publishToOf(process.env),
    allowedHosts: listed('ALLOWED_HOSTS'),
    trustedProxies: listed('TRUSTED_PROXIES'),
    pages: developing ? await developedPages() : builtPages,
  });
  console.log(`Dimorphe        ${running.url}`);
  console.log(`Published sites ${running.hostUrl}`);
  let isEnding = false;
  const end = (code: number) => {
    if (isEnding) return;
    isEnding = true;
    // Who holds on is not waited for without end.
    setTimeout(() => process.exit(code), LONGEST_STOP).unref();
    running.stop().then(
      () => process.exit(code),
      () => process.exit(1),
    );
  };
  process.once('SIGINT', () => end(0));
  process.once('SIGTERM', () => end(0));
  // A last resort: nobody has caught it, so nobody knows what it has left half done.
  const fault = (error: unknown) => {
    running.log.fatal(error, 'Stopping after an error that nothing has handled');
    end(1);
  };
  process.on('uncaughtException', fault);
  process.on('unhandledRejection', fault);
} catch (error) {
  const expected =
    error instanceof FolderRefused || error instanceof PortTaken || error instanceof ProxiesRefused;
  console.error(expected ? error.message : error);
  process.exit(1);
}
