import { held } from '../layered/resolve.ts';
import type { ViewId, Views } from '../layered/views.ts';
import { aliasOf } from './alias.ts';
import type { StepSize, SiteResources } from './resources.ts';

/** A distance: a number of px, or a step of the site's spacing scale as an alias `{id}`. */
export type Space = number | string;

/**
 * A distance in a view: the number of px itself, or the size that its step of the spacing scale has there, which may be fluid; 0 for a
 * step that is gone.
 */
export function spaceAt(
  site: Pick<SiteResources, 'spacing'> & { views: Views },
  value: Space,
  view: ViewId,
): StepSize {
  if (typeof value === 'number') return value;
  const step = site.spacing.find(({ id }) => id === aliasOf(value));
  return held(step?.size, site.views, view)?.value ?? 0;
}
