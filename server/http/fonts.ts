import { findFont, fontBytes } from '../media/bytes.ts';
import { isWoff2 } from '../media/fontfile.ts';
import { describeFont } from '../media/fonts.ts';
import type { Store } from '../store/open.ts';
import { noSite } from './names.ts';
import { Refusal } from './problem.ts';
import type { Handlers } from './router.ts';

/** The fonts that ship with the program, and those of a site’s own. */
export const fontHandlers = ({
  sites,
  files,
}: Pick<Store, 'sites' | 'files'>): Handlers<'addFont' | 'ownFont' | 'font'> => ({
  async addFont({ names, request }) {
    if (!(await sites.row(names.site))) throw noSite();
    const described = await describeFont(request.body);
    if (!described) {
      throw new Refusal(
        422,
        'This isn’t a woff2 font, it is damaged, or it unpacks to more than 32 MB. Nothing was saved; choose another file.',
      );
    }
    return { ...described, hash: await files.put(request.body as Buffer) };
  },

  async ownFont({ names: { hash }, response }) {
    const none = () => new Refusal(404, 'There is no such font on this site.');
    if (!(await files.has(hash))) throw none();
    const bytes = await files.get(hash);
    if (!isWoff2(bytes)) throw none();
    response.set('Cache-Control', 'private, max-age=31536000, immutable').type('font/woff2').send(bytes);
  },

  async font({ names, response }) {
    const font = findFont(names.file);
    if (!font) throw new Refusal(404, 'There is no such font.');
    response
      .set('Cache-Control', 'public, max-age=86400')
      .type('font/woff2')
      .send(await fontBytes(font.family, font.file));
  },
});
