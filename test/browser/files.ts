/** A server for compiled files held in memory, so that pages can be looked at as a host would serve them. */
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { compileSite, type PublishedFile, type Site } from '../../core/index.ts';
import { publishedBytes } from '../../server/media/bytes.ts';
import { imageMaker } from '../../server/media/imagemaker.ts';
import { MADE } from '../server/serving.ts';

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

/** An empty drawing of a size: what stands for an image whose bytes the test does not care for. */
const blank = (width = 300, height = 150) => ({
  type: 'image/svg+xml',
  bytes: Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}"/>`,
  ),
});

/** What stands for a file of a site; undefined where that has its own bytes. */
function blankFor(file: PublishedFile) {
  if ('asset' in file) return blank(file.asset.width, file.asset.height);
  if (!('made' in file)) return undefined;
  const { asset, form } = file.made;
  const shape = form.crop ?? asset;
  return blank(form.width, Math.max(1, Math.round((form.width * shape.height!) / shape.width!)));
}

export async function fileServer(): Promise<FileServer> {
  const files = new Map<string, { type: string; bytes: Buffer }>();
  let asked: string[] = [];
  let held: { paths: RegExp; until: Promise<void> } | undefined;
  const answer = async (request: IncomingMessage, response: ServerResponse): Promise<void> => {
    // What follows a tilde tells visitors apart: browsers take each for another site.
    const whole = decodeURIComponent(new URL(request.url!, 'http://host').pathname);
    const path = whole.replace(/~\d+(?=\/)/, '');
    const visitor = path !== whole;
    asked.push(path);
    if (path === '/frame') {
      response.setHeader('Content-Type', 'text/html');
      response.end(
        '<!DOCTYPE html><title>Frame</title><body style="margin:0"><iframe id="frame" style="border:0;height:9000px"></iframe>',
      );
      return;
    }
    // Visitors who are told apart are many; which images they fetch does not follow from the fonts.
    if (visitor && path.endsWith('.woff2')) {
      response.statusCode = 404;
      response.end();
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
        const stand = pictures ? undefined : blankFor(file);
        if (stand) {
          files.set(`/${folder}/${file.path}`, stand);
          continue;
        }
        const bytesOf = (id: string) => Buffer.from(pictures![id], 'base64');
        // Of several that are the same image, the one whose bytes are there.
        const own = site.frame.assets.filter(({ id }) => pictures?.[id] !== undefined);
        const byHash = new Map(own.map(({ id, hash }) => [hash, id]));
        const making = imageMaker(MADE, { get: async (hash) => bytesOf(byHash.get(hash)!) });
        const bytes = await publishedBytes(file, {
          kept: async (_hash, id) => bytesOf(id),
          made: (wanted) => making.bytes(wanted),
        });
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
