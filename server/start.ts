import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { pino, type Logger } from 'pino';
import { demoSite } from '../demo/site.ts';
import { hostCheck } from './allowedhosts.ts';
import { senders } from './proxies.ts';
import { host } from './host/host.ts';
import { publisher } from './host/publisher.ts';
import { application, type Pages } from './http/application.ts';
import type { ActorOf } from './http/router.ts';
import { imageMaker } from './media/imagemaker.ts';
import { dailyBackups } from './store/daily.ts';
import { openStore } from './store/open.ts';
import type { PublishTo } from './targets/table.ts';

export interface Settings {
  /** Says who asks the API for something; absent: this computer does. */
  actorOf?: ActorOf;
  port: number;
  hostPort: number;
  dataFolder: string;
  /** Where the images are kept that are made of others; absent: in the data folder. What is in it can be made again at any time. */
  madeFolder?: string;
  databaseUrl?: string;
  /** Where the live publication of each site goes besides the host, by the name of the target. */
  publishTo?: PublishTo;
  pages?: Pages;
  /** Puts the demo site, with these of its pages, into an empty database. */
  demo?: readonly string[];
  /** Names besides this machine's own under which the program may be reached. */
  allowedHosts?: readonly string[];
  /** What stands between visitors and the host: its word is taken for where they come from. */
  trustedProxies?: readonly string[];
  logLevel?: string;
  /** How many requests of the API one address may make in a minute. */
  requestsAMinute?: number;
  /** How many letters one address may send to a site in ten minutes. */
  messagesFromOne?: number;
}

export interface Running {
  url: string;
  hostUrl: string;
  log: Pick<Logger, 'fatal'>;
  stop(): Promise<void>;
}

/** A port that another program listens on. */
export class PortTaken extends Error {
  constructor(port: number, variable: string) {
    super(`Port ${port} is taken by another program. End it, or choose another port with ${variable}.`);
  }
}

/** Both servers listen on this machine only: the application has no sign-in. */
const ADDRESS = '127.0.0.1';

/** ms that a connection is kept open: longer than clients and balancers keep theirs, so that none sends on one that is closed meanwhile. */
const KEPT_ALIVE = 75_000;

function listen(server: Server, port: number, variable: string): Promise<string> {
  server.keepAliveTimeout = KEPT_ALIVE;
  return new Promise((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      reject(error.code === 'EADDRINUSE' ? new PortTaken(port, variable) : error);
    });
    server.listen(port, ADDRESS, () =>
      resolve(`http://${ADDRESS}:${(server.address() as AddressInfo).port}`),
    );
  });
}

/** Opens the data folder, and serves the application and the host. */
export async function start(settings: Settings): Promise<Running> {
  const isOwnHost = hostCheck(settings.allowedHosts);
  const senderOf = senders(settings.trustedProxies);
  const log = pino({ level: settings.logLevel ?? 'warn' });
  const store = await openStore(settings.dataFolder, settings.databaseUrl);
  const endBackups = dailyBackups(join(store.folder, 'backups'), store.backup, (error) => log.error(error));
  const pictures = imageMaker(settings.madeFolder ?? join(store.folder, 'made'), store.files);
  const servers: Server[] = [];
  const stop = async () => {
    await Promise.all(
      servers.map((server) => {
        server.closeAllConnections();
        return new Promise((resolve) => server.close(resolve));
      }),
    );
    await endBackups();
    await pictures.stop();
    await store.close();
  };
  try {
    if (settings.demo && (await store.sites.list()).length === 0)
      await store.add(await demoSite(settings.demo), 'leave out');
    // The host listens first: the application's links need its address.
    const hostServer = createServer((request, response) => hostApp(request, response));
    servers.push(hostServer);
    const hostUrl = await listen(hostServer, settings.hostPort, 'HOST_PORT');
    const publications = publisher(store, pictures, {
      ...{ hostUrl, log, publishTo: settings.publishTo },
    });
    const hostApp = host({
      ...{ publisher: publications, letters: store.letters, log, isOwnHost, senderOf },
      messagesFromOne: settings.messagesFromOne,
    });
    const server = createServer(
      application({
        ...{ store, publisher: publications, pictures, log, pages: settings.pages, isOwnHost },
        ...{ requestsAMinute: settings.requestsAMinute, actorOf: settings.actorOf },
      }),
    );
    servers.push(server);
    const url = await listen(server, settings.port, 'PORT');
    store.lock.announce(url);
    return { url, hostUrl, log, stop };
  } catch (error) {
    await stop();
    throw error;
  }
}
