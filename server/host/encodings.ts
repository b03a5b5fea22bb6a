import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';

/** Content codings of HTTP (RFC 9110, §8.4.1; br: RFC 7932), the smallest first. */
export const CODINGS = ['br', 'gzip'] as const;
export type Coding = (typeof CODINGS)[number];

const isText = (type: string): boolean => /^(text\/|image\/svg|application\/(json|xml))/.test(type);

const brotli = promisify(brotliCompress);
const zip = promisify(gzip);

/** A text in each coding in which it is smaller; nothing for what is compressed by its own format. */
export async function encodings(type: string, bytes: Buffer): Promise<Partial<Record<Coding, Buffer>>> {
  if (!isText(type)) return {};
  const [br, gz] = await Promise.all([
    brotli(bytes, { params: { [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length } }),
    zip(bytes, { level: constants.Z_BEST_COMPRESSION }),
  ]);
  return {
    ...(br.length < bytes.length && { br }),
    ...(gz.length < bytes.length && { gzip: gz }),
  };
}

const known = new Map<string, readonly Coding[]>();

/** The codings that an `Accept-Encoding` takes (RFC 9110, §12.5.3), the smallest first; of few kinds, so remembered. */
export function accepted(header: string | undefined): readonly Coding[] {
  if (!header) return [];
  const before = known.get(header);
  if (before) return before;
  const qualities = new Map(
    header.split(',').map((entry) => {
      const [coding, ...parameters] = entry.split(';').map((part) => part.trim().toLowerCase());
      const q = parameters.find((parameter) => parameter.startsWith('q='));
      return [coding, q === undefined ? 1 : Number(q.slice(2))] as const;
    }),
  );
  const taken = CODINGS.filter((coding) => (qualities.get(coding) ?? qualities.get('*') ?? 0) > 0);
  if (known.size >= 200) known.clear();
  known.set(header, taken);
  return taken;
}
