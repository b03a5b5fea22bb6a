import type { SiteFrame } from '../site/site.ts';
import type { ViewId } from '../site/views.ts';
import { aliasOf } from '../site/valuetypes/alias.ts';
import type { Space } from '../site/valuetypes/space.ts';
import { held } from './resolve.ts';

/** A distance in px in a view: the number itself, or the size that its step of the spacing scale has there. */
export function spaceAt(site: SiteFrame, value: Space, view: ViewId): number {
  if (typeof value === 'number') return value;
  const step = site.spacing.find(({ id }) => id === aliasOf(value));
  return held(step?.size, site.views, view)?.value ?? 0;
}
