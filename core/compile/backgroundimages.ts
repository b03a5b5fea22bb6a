import { lastOf } from '../sure.ts';
import { NO_IMAGE } from '../elements/valuetypes/image.ts';
import { pictureVariable } from '../elements/properties/background.ts';
import type { Declarations } from '../elements/properties/property.ts';
import { express } from '../layered/express.ts';
import { settings } from '../layered/layered.ts';
import { widthsOf, type View, type Views } from '../layered/views.ts';
import { widthsFor } from '../layout/sizes.ts';
import type { Node } from '../site/node.ts';
import type { SiteFrame } from '../site/site.ts';
import type { MediaAsset } from '../theme/resources.ts';
import { isMadeSmaller, type ImageAddresses } from './images.ts';
import type { CssRule } from './stack.ts';
import { stylingOf } from './styling.ts';

/** The images behind elements, by id, and whether one is shown anywhere in its own size. */
export class Behind {
  private readonly ownSized = new Map<string, boolean>();

  add({ style }: Node): void {
    const picture = style.self?.backgroundPicture;
    if (!picture) return;
    const sized = style.self?.backgroundSize;
    const own = sized !== undefined && settings(sized).includes('auto');
    for (const id of settings(picture))
      if (id !== NO_IMAGE) this.ownSized.set(id, own || (this.ownSized.get(id) ?? false));
  }

  /**
   * The addresses of the images as custom properties, once each; naming one fetches nothing. In each view an image has
   * the width that fills a screen of that view, which what stands before it hardly ever exceeds.
   */
  rules(site: SiteFrame, addresses: ImageAddresses): CssRule[] {
    if (this.ownSized.size === 0) return [];
    const stack = stylingOf(site.views).stack();
    for (const [id, own] of this.ownSized) {
      const asset = site.assets.find((each) => each.id === id);
      const name = pictureVariable(id);
      const made = addresses.made?.bind(addresses);
      if (!asset || own || !made || !isMadeSmaller(asset))
        stack.base({ [name]: `url("${addresses.picture(id)}")` });
      else
        stack.layered(
          express(site.views, (view): Declarations => ({
            [name]: imageSet(asset, neededIn(view, site.views, asset) * (addresses.density ?? 1), made),
          })),
        );
    }
    return stack.rules('html', 'foundation');
  }
}

/** px; how wide an image is drawn that covers a screen of a view at the view's greatest width. */
function neededIn(view: View, views: Views, asset: MediaAsset): number {
  const { below } = widthsOf(views, view.id);
  const across = below === undefined ? Infinity : below - 1;
  return Math.max(across, (view.sheet.height * asset.width) / asset.height);
}

/** An image for screens of one and of two px to the px (CSS Images 4, §2.4), in the best type that a browser knows. */
function imageSet(asset: MediaAsset, needed: number, made: NonNullable<ImageAddresses['made']>): string {
  const widths = widthsFor(asset.width);
  const suffices = (least: number) => widths.find((width) => width >= least) ?? lastOf(widths);
  const steps = [suffices(needed), suffices(2 * needed)];
  const options = (['image/avif', 'image/webp'] as const).flatMap((type) =>
    steps.flatMap((width, index) => {
      const url = index > 0 && width === steps[0] ? undefined : made(asset, { type, width });
      return url === undefined ? [] : [`url("${url}") ${index + 1}x type("${type}")`];
    }),
  );
  return `image-set(${options.join(', ')})`;
}
