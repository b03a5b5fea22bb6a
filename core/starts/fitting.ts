import { knownProperty } from '../elements/propertytable.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { settings, type Layered } from '../layered/layered.ts';
import { canonicalNode } from '../site/canonical.ts';
import type { Node, Style } from '../site/node.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { LOOKS } from './looks.ts';
import { startContext, type StartContext } from './startcontext.ts';
import { isImage, type MediaAsset } from '../theme/resources.ts';
import { aliasOf, aliasTo } from '../theme/alias.ts';
import { colourRoles, type ColourRole, type ColourRoles } from '../theme/roles.ts';

/** The aliases by which ready-made sections speak of colours: those that new sites have. */
const ROLES: readonly ColourRole[] = ['band', 'on-band', 'soft', 'quiet', 'accent', 'on-accent'];
const BAND = aliasTo('band');
const WHITE = '#ffffff';

/** Whether a site has all that a layered value speaks of. */
function knows(site: SiteFrame, name: string, layered: Layered<unknown>): boolean {
  const { mentions } = knownProperty(name).type;
  return settings(layered)
    .flatMap((value) => mentions?.(value) ?? [])
    .every(({ of, id }) => of === 'nodes' || site[of].some((each) => each.id === id));
}

/** The colours of a site by their role, as on a page of it; undefined where the site has them all by name. */
function rolesOn(site: SiteFrame, { ground }: Terms): ColourRoles | undefined {
  if (ROLES.every((role) => site.colours.some(({ id }) => id === role))) return undefined;
  const named = typeof ground === 'string' ? aliasOf(ground) : undefined;
  const paper = named === undefined ? ground : site.colours.find(({ id }) => id === named)?.value;
  const { onPage, onBand } = colourRoles(site.colours, typeof paper === 'string' ? paper : WHITE);
  // Without a colour that is a little darker or lighter than the page, what would have it is as the page is: its words stay legible.
  const soft = typeof ground === 'string' ? ground : WHITE;
  return { onPage: { soft, ...onPage }, onBand: { soft, ...onBand } };
}

/** A value with the site's own colour in place of a role; undefined where it has none that serves. */
function coloured(
  layered: Layered<unknown>,
  roles: ColourRoles['onPage'] | undefined,
): Layered<unknown> | undefined {
  const role = typeof layered.base === 'string' ? (aliasOf(layered.base) as ColourRole) : undefined;
  if (!roles || !role || !ROLES.includes(role)) return layered;
  return roles[role] === undefined ? undefined : { base: roles[role] };
}

/** px; how round the corners of the first of a kind on a page are; nothing where none says it. */
function cornersOf(like: Page, kind: string): number | undefined {
  const radius = sourceOrder(like).find(
    (node) => node.kind === kind && node.style.self?.radius?.base !== undefined,
  )?.style.self?.radius?.base;
  return typeof radius === 'number' ? radius : undefined;
}

/** What of a page its sections follow. */
export interface Terms {
  page: NodeId;
  /** The colour behind all of it, where it has one. */
  ground: unknown;
  /** px; how round the corners of its buttons and cards are, where it has some that say so. */
  button: number | undefined;
  card: number | undefined;
}

/** What ready-made sections follow on a page. */
export const termsOf = (page: Page): Terms => ({
  page: page.id,
  ground: page.nodes[page.root].style.self?.backgroundColour?.base,
  button: cornersOf(page, 'button'),
  card: cornersOf(page, 'card'),
});

/** What ready-made sections are made with on a site: its views, its own images, and corners as round as on a page of it. */
export function makingFor(site: SiteFrame, { button, card }: Terms): StartContext {
  const pictures = imagesOf(site).map(({ id }) => id);
  return startContext(site.views, LOOKS[0], site.name, pictures, {
    ...(button !== undefined && { button }),
    ...(card !== undefined && { card }),
  });
}

/** px; an image across half a page is as wide at least. */
const WIDE = 600;

/** Images of the shelf that can stand in sections: wider than high, and of several versions of one, which have its mean colour, the first. */
function imagesOf({ assets }: SiteFrame): MediaAsset[] {
  const wide = assets.filter(isImage).filter(({ width, height }) => width >= WIDE && width > height);
  return wide.filter(
    ({ colour }, index) =>
      colour === undefined || wide.findIndex((other) => other.colour === colour) === index,
  );
}

/**
 * Elements of a ready-made section or page on a site's terms: its own colours in the roles that they speak of; and without values that
 * speak of what it does not have, which fall back to what the kind and the page say. `like`: what they follow of their page.
 */
export function fitted(
  site: SiteFrame,
  nodes: Readonly<Record<string, Node>>,
  like: Terms,
): Record<string, Node> {
  const roles = rolesOn(site, like);
  const onBand = (node: Node | undefined): boolean =>
    node !== undefined &&
    (node.style.self?.backgroundColour?.base === BAND ||
      (node.parent !== null && onBand(nodes[node.parent])));
  return Object.fromEntries(
    Object.values(nodes).map((node) => {
      const own = onBand(node) ? roles?.onBand : roles?.onPage;
      const style = Object.fromEntries(
        Object.entries(node.style).map(([part, values]) => [
          part,
          Object.fromEntries(
            Object.entries(values).flatMap(([name, layered]) => {
              const made = coloured(layered, own);
              return made && knows(site, name, made) ? [[name, made]] : [];
            }),
          ),
        ]),
      ) as Style;
      const { textStyle, ...rest } = node;
      const known = textStyle !== undefined && site.textStyles.some(({ id }) => id === textStyle);
      return [node.id, canonicalNode({ ...rest, ...(known && { textStyle }), style })];
    }),
  );
}
