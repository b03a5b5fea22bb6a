/** A server for compiled files held in memory, so that pages can be looked at as a host would serve them. */
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { compileSite, type Site } from '../../core/index.ts';
import { publishedBytes } from '../../server/media/bytes.ts';

export interface FileServer {
  url: string;
  /** Puts a compiled site under a folder; answers its address. */
  put(folder: string, site: Site, pictures?: Record<string, string>): Promise<string>;
  /** Paths asked for since the last call. */
  asked(): string[];
  /** Keeps answers back that a pattern fits, until what it answers is called. */
  hold(paths: RegExp): () => void;
  close(): void;
}

/** 1×1 px GIF: what a picture shows whose bytes the test does not care for. */
const DOT = Buffer.from('R0lGODlhAQABAIAAAAAAAP///yH5BAEAAAAALAAAAAABAAEAAAIBRAA7', 'base64');

export async function fileServer(): Promise<FileServer> {
  const files = new Map<string, { type: string; bytes: Buffer }>();
  let asked: string[] = [];
  let held: { paths: RegExp; until: Promise<void> } | undefined;
  const answer = async (request: IncomingMessage, response: ServerResponse): Promise<void> => {
    const path = decodeURIComponent(new URL(request.url!, 'http://host').pathname);
    asked.push(path);
    if (path === '/frame') {
      response.setHeader('Content-Type', 'text/html');
      response.end(
        '<!DOCTYPE html><title>Frame</title><body style="margin:0"><iframe id="frame" style="border:0;height:9000px"></iframe>',
      );
      return;
    }
    if (held?.paths.test(path)) await held.until;
    const file = files.get(path.endsWith('/') ? `${path}index.html` : path);
    response.statusCode = file ? 200 : 404;
    response.setHeader('Content-Type', file?.type ?? 'text/plain');
    response.end(file?.bytes);
  };
  const server = createServer((request, response) => void answer(request, response));
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  return {
    url,
    async put(folder, site, pictures) {
      for (const file of compileSite(site)) {
        const bytes = await publishedBytes(file, async (_hash, id) =>
          pictures?.[id] ? Buffer.from(pictures[id], 'base64') : DOT,
        );
        files.set(`/${folder}/${file.path}`, { type: file.type, bytes });
      }
      return `${url}/${folder}/`;
    },
    asked() {
      const list = asked;
      asked = [];
      return list;
    },
    hold(paths) {
      let release = () => {};
      held = { paths, until: new Promise<void>((resolve) => (release = resolve)) };
      return () => {
        held = undefined;
        release();
      };
    },
    close: () => {
      server.closeAllConnections();
      server.close();
    },
  };
}
