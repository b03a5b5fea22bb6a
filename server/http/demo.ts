import { homePageOf, lookup, sure } from '../../core/index.ts';
import { demoSite } from '../../demo/site.ts';
import { LASTING } from './assets.ts';
import { Refusal } from './problem.ts';
import type { Handlers } from './router.ts';

/** The demo site to look at, on a machine that has no site yet. It is read when it is first asked for. */
export function demoHandlers(): Handlers<'demoPage' | 'demoAsset'> {
  let read: ReturnType<typeof demoSite> | undefined;
  const demo = () => (read ??= demoSite());
  return {
    async demoPage() {
      const { frame, pages } = (await demo()).site;
      return { frame, page: pages[homePageOf(frame).id] };
    },

    async demoAsset({ names: { hash }, response }) {
      const { site, files } = await demo();
      const asset = site.frame.assets.find((each) => each.hash === hash);
      if (!asset) throw new Refusal(404, 'There is no such image on the demo site.');
      const bytes = Buffer.from(sure(lookup(files, asset.id), 'file'), 'base64');
      response.set('Cache-Control', LASTING).type(asset.type).send(bytes);
    },
  };
}
