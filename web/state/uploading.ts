import {
  type Asset,
  bytesOf,
  type CopiedElements,
  type Copy,
  done,
  idFrom,
  LIMITS,
  lookup,
  type Outcome,
  refused,
  type SiteFrame,
  sure,
} from '../../core/index.ts';
import { customAlphabet, nanoid } from 'nanoid';
import { paths } from '../../api/paths.ts';
import type { AssetResponse, FontResponse, Problem } from '../../api/responses.ts';
import { edit } from './edits.ts';
import type { Thunk } from './store.ts';
import { unreachable } from './request.ts';
import { uploads } from './uploads.ts';

const { begun, progressed, ended } = uploads.actions;

const suffix = customAlphabet('abcdefghijklmnopqrstuvwxyz0123456789', 6);

/** px; how many an image has, as far as the browser can tell without unpacking it. */
async function pixelsOf(file: File): Promise<number> {
  if (!file.type.startsWith('image/')) return 0;
  const url = URL.createObjectURL(file);
  try {
    const image = new Image();
    await new Promise((next) => {
      image.onload = next;
      image.onerror = next;
      image.src = url;
    });
    return image.naturalWidth * image.naturalHeight;
  } finally {
    URL.revokeObjectURL(url);
  }
}

/** Whether a file is a font, or says that it is one. */
const isFont = async (file: File): Promise<boolean> =>
  file.type === 'font/woff2' || /\.woff2$/i.test(file.name) || (await file.slice(0, 4).text()) === 'wOF2';

/** Why a file is not even sent; undefined where it may be. */
async function refusedBefore(file: File, most: number): Promise<string | undefined> {
  if (file.size > most)
    return `It is larger than ${most / 1_000_000} MB, the limit for a file of its kind. Nothing was sent.`;
  if (file.size === 0) return 'It is empty. Nothing was sent.';
  const pixels = await pixelsOf(file);
  return pixels > LIMITS.pixels
    ? `It has ${Math.round(pixels / 1_000_000)} megapixels; an image can have ${LIMITS.pixels / 1_000_000} at most. Make it smaller and choose it again. Nothing was sent.`
    : undefined;
}

/** `Stopped` where a person has stopped it. */
type Sent<R> = { kept: R } | { sentence: string } | 'stopped';

/** Sends a file and tells how far that is, which `fetch` cannot. */
function send<R>(
  to: string,
  file: File,
  onSent: (share: number) => void,
  signal: AbortSignal,
): Promise<Sent<R>> {
  return new Promise((resolve) => {
    const request = new XMLHttpRequest();
    request.open('POST', to);
    request.setRequestHeader('Content-Type', 'application/octet-stream');
    request.responseType = 'json';
    request.upload.onprogress = ({ loaded, total }) => onSent(total > 0 ? loaded / total : 1);
    request.onload = () => {
      if (request.status === 201) resolve({ kept: request.response as R });
      else
        resolve({
          sentence:
            (request.response as Problem | null)?.detail ??
            `The server answered with status ${request.status}. Nothing was saved.`,
        });
    };
    request.onerror = () => resolve({ sentence: `${unreachable} Nothing was saved.` });
    request.onabort = () => resolve('stopped');
    signal.addEventListener('abort', () => request.abort());
    request.send(file);
  });
}

/** What stops each upload. */
const stops = new Map<string, AbortController>();

/** The uploads of all windows' screens go one after the other, so that what is seen first is there first. */
let turn: Promise<unknown> = Promise.resolve();

/** The name of an image by that of its file: "night-sky_02.jpg" is "night sky 02". */
const nameOf = (file: File): string =>
  file.name
    .replace(/\.[^.]*$/, '')
    .replace(/[\p{Cc}\p{Cf}]/gu, '')
    .replace(/[-_\s]+/g, ' ')
    .trim()
    .slice(0, 70) || 'File';

/** Brings one file in and answers what is to be done with it: its bytes are kept, and nothing refers to them yet. */
function sendFile<R>(
  file: File,
  way: { path(site: string): string; most: number },
): Thunk<Promise<R | undefined>> {
  return async (dispatch, getState) => {
    const { open } = getState().documents;
    if (!open) return undefined;
    const site = open.site.frame.id;
    const key = nanoid();
    const stop = new AbortController();
    stops.set(key, stop);
    dispatch(begun({ key, site, name: file.name, state: 'waits', sent: 0 }));
    const run = async (): Promise<R | undefined> => {
      if (stop.signal.aborted) return undefined;
      const refused = await refusedBefore(file, way.most);
      if (refused) {
        dispatch(progressed({ key, state: 'failed', sentence: refused }));
        return undefined;
      }
      const tell = (sent: number) =>
        dispatch(progressed({ key, state: sent < 1 ? 'sent' : 'examined', sent }));
      tell(0);
      const answer = await send<R>(way.path(site), file, tell, stop.signal);
      if (answer === 'stopped') return undefined;
      if ('sentence' in answer) {
        dispatch(progressed({ key, state: 'failed', sentence: answer.sentence }));
        return undefined;
      }
      dispatch(ended(key));
      return answer.kept;
    };
    const mine = turn.then(run, run);
    turn = mine;
    const result = await mine;
    stops.delete(key);
    // Another site may have been opened meanwhile: what was sent is left there.
    return getState().documents.open?.site.frame.id === site ? result : undefined;
  };
}

/** Stops an upload, or forgets one that failed. */
export const stopUpload =
  (key: string): Thunk =>
  (dispatch) => {
    stops.get(key)?.abort();
    dispatch(ended(key));
  };

const AS_ASSET = { path: paths.assets, most: LIMITS.asset };
const AS_FONT = { path: paths.ownFonts, most: LIMITS.font };

/** Puts one file on the shelf; a font goes to the fonts of the theme. Answers the id of what is on the shelf now. */
function addToShelf(file: File): Thunk<Promise<string[]>> {
  return async (dispatch) => {
    if (await isFont(file)) {
      const font = await dispatch(sendFile<FontResponse>(file, AS_FONT));
      if (font) dispatch(edit('addFont', font));
      return [];
    }
    const sent = await dispatch(sendFile<AssetResponse>(file, AS_ASSET));
    if (!sent) return [];
    const { bytes: _bytes, ...asset } = sent;
    const name = nameOf(file);
    // No other window gives the same id to another file of that name.
    const id = `${idFrom(name, [])}-${suffix()}`;
    return dispatch(edit('addAsset', { ...asset, id, name })) ? [id] : [];
  };
}

/** Puts files on the shelf, one after the other, each as a step; what fails is told, and the others go on. Answers their ids. */
export function importFiles(files: readonly File[]): Thunk<Promise<string[]>> {
  return async (dispatch) => (await Promise.all(files.map((file) => dispatch(addToShelf(file))))).flat();
}

/**
 * Puts what copied elements show on the shelf, where this site has it not: from the bytes that came along, or as the server has it from
 * another site. Answers the elements as they find it there; what is nowhere they come without.
 */
export function bringAlong({ files = {}, ...copied }: CopiedElements): Thunk<Promise<Copy>> {
  return async (dispatch, getState) => {
    const { format: _format, version: _version, ...copy } = copied;
    const { frame } = sure(getState().documents.open).site;
    const assets = await Promise.all(
      missingHere(frame, copy).map(async (asset): Promise<Asset | undefined> => {
        const bytes = bytesOf(lookup(files, asset.id) ?? '');
        if (bytes && bytes.length > 0) {
          const file = new File([bytes], asset.name, { type: asset.type });
          const sent = await dispatch(sendFile<AssetResponse>(file, AS_ASSET));
          if (!sent) return undefined;
          const { bytes: _bytes, ...made } = sent;
          return { ...asset, ...made };
        }
        const found = await fetch(paths.asset(frame.id, asset.hash), { method: 'HEAD' }).catch(
          () => undefined,
        );
        return found?.ok ? asset : undefined;
      }),
    );
    // Another site may have been opened meanwhile: nothing of it goes there.
    const same = getState().documents.open?.site.frame.id === frame.id;
    const brought = same ? assets.filter((asset) => asset !== undefined) : [];
    for (const asset of brought)
      dispatch(edit('addAsset', { ...asset, id: `${idFrom(asset.name, [])}-${suffix()}` }));
    return {
      ...copy,
      assets: copy.assets.map((asset) => brought.find(({ id }) => id === asset.id) ?? asset),
    };
  };
}

/** What copied elements show and a site has not. */
export const missingHere = ({ assets }: SiteFrame, copied: Pick<Copy, 'assets'>): Asset[] =>
  copied.assets.filter(({ hash }) => !assets.some((own) => own.hash === hash));

/** The bytes of what copied elements show, base64, by the ids of the assets. Refused where one cannot be read. */
export async function bytesShown(
  site: string,
  copied: Pick<Copy, 'assets'>,
): Promise<Outcome<Record<string, string>>> {
  const files: Record<string, string> = {};
  for (const { id, name, hash } of copied.assets) {
    const response = await fetch(paths.asset(site, hash)).catch(() => undefined);
    if (!response?.ok) return refused(`${name} could not be read from the server. Try again in a moment.`);
    files[id] = await base64Of(await response.blob());
  }
  return done(files);
}

const base64Of = (blob: Blob): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve((reader.result as string).replace(/^[^,]*,/, ''));
    reader.onerror = () => reject(new Error('The file could not be read.'));
    reader.readAsDataURL(blob);
  });

/** Puts a file in the place of an image or video of the shelf, wherever that stands. */
export function replaceFile(asset: Asset['id'], file: File): Thunk<Promise<void>> {
  return async (dispatch) => {
    const sent = await dispatch(sendFile<AssetResponse>(file, AS_ASSET));
    if (!sent) return;
    const { bytes: _bytes, ...made } = sent;
    dispatch(edit('replaceAsset', { asset, ...made }));
  };
}
