import { lookup, LOOK_PICTURES, sure } from '../../core/index.ts';

/** Where the program has the images that looks begin with. */
export const lookPictureUrl = (id: string): string => `/starts/${id}.webp`;

const base64 = (bytes: Uint8Array): string =>
  btoa(bytes.reduce((text, byte) => text + String.fromCharCode(byte), ''));

/** The bytes of the images of a look, base64 by their ids, as a site file has them; undefined where they cannot be had. */
export async function lookPictures(look: string): Promise<Record<string, string> | undefined> {
  try {
    const read = await Promise.all(
      sure(lookup(LOOK_PICTURES, look)).map(async ({ id }) => {
        const answer = await fetch(lookPictureUrl(id));
        if (!answer.ok) throw new Error(`${answer.status}`);
        return [id, base64(new Uint8Array(await answer.arrayBuffer()))] as const;
      }),
    );
    return Object.fromEntries(read);
  } catch {
    return undefined;
  }
}
