import { Type, type Static } from '@sinclair/typebox';
import { schemaFaults } from '../faults.ts';
import { done, refused, type Outcome } from '../outcome.ts';
import { NodeIdSchema, type NodeId } from '../elements/nodeid.ts';
import { ViewsSchema } from '../layered/views.ts';
import { NodeSchema, type Node } from '../site/node.ts';
import { FORMAT_VERSION } from '../site/format.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { areBytesOf } from './bytes.ts';
import { upgraded } from './upgrade.ts';
import { AssetSchema, ColourSchema, SpacingStepSchema } from '../theme/resources.ts';
import { withAssets } from '../values/uses.ts';
import { valuesOf } from '../edits/values/stylevalues.ts';
import { knownProperty } from '../elements/propertytable.ts';
import { settings } from '../layered/layered.ts';
import { topmost } from '../site/tree.ts';
import { subtree } from '../site/sourceorder.ts';

/** The format of copied elements, and its version. */
export const ELEMENTS_FORMAT = 'dimorphe-elements';

/**
 * Elements as they are copied: with all that is in them, and what of their site they speak of, so that they can be put on another
 * page or site. docs/copied-elements.md says it in words.
 */
export const CopiedElementsSchema = Type.Object(
  {
    format: Type.Literal(ELEMENTS_FORMAT),
    /** Counted with the versions of site files. */
    version: Type.Literal(FORMAT_VERSION),
    /** The site they were copied from. */
    site: Type.String({ maxLength: 60 }),
    /** The page of it they stood on. */
    page: NodeIdSchema,
    views: ViewsSchema,
    colours: Type.Array(ColourSchema, { maxItems: 200 }),
    spacing: Type.Array(SpacingStepSchema, { maxItems: 40 }),
    assets: Type.Array(AssetSchema, { maxItems: 5000 }),
    /** The outermost of them, in their order. */
    roots: Type.Array(NodeIdSchema, { minItems: 1, maxItems: 500, uniqueItems: true }),
    nodes: Type.Unsafe<Record<NodeId, Node>>(
      Type.Record(NodeIdSchema, NodeSchema, { additionalProperties: false }),
    ),
    /** The bytes of their images and videos, base64, by the ids of the assets: in a file, which goes where the images are not. */
    files: Type.Optional(Type.Record(Type.String({ maxLength: 40 }), Type.String())),
  },
  { additionalProperties: false },
);
export type CopiedElements = Static<typeof CopiedElementsSchema>;

/** The assets that elements show. */
function assetsIn(nodes: readonly Node[]): Set<string> {
  const used = new Set<string>();
  for (const node of nodes) {
    withAssets(node, (id) => (used.add(id), id));
    for (const { name, layered } of valuesOf(node.style))
      for (const value of settings(layered))
        for (const { of, id } of knownProperty(name).type.mentions?.(value) ?? [])
          if (of === 'assets') used.add(id);
  }
  return used;
}

/** Elements of a page as a copy, in source order. Those that stand in others of them go along with these. */
export function copyElements(site: SiteFrame, page: Page, ids: readonly NodeId[]): CopiedElements {
  const source = subtree(page, page.root);
  const tops = topmost(page, ids).sort((one, other) => source.indexOf(one) - source.indexOf(other));
  const nodes = tops.flatMap((id) => subtree(page, id)).map((id) => page.nodes[id]);
  const used = assetsIn(nodes);
  return {
    format: ELEMENTS_FORMAT,
    version: FORMAT_VERSION,
    site: site.id,
    page: page.id,
    views: site.views,
    colours: site.colours,
    spacing: site.spacing,
    assets: site.assets.filter(({ id }) => used.has(id)),
    roots: tops,
    nodes: Object.fromEntries(nodes.map((node) => [node.id, node])),
  };
}

const STRANGE =
  'What was copied last is no element of a site. Copy one in the outline or in a sheet first; nothing was pasted.';

/** The version that the elements of a copy were written with: copies counted their own from 1 while site files were at version 2. */
const versionOf = ({ version }: { version?: unknown }): unknown => (version === 1 ? 2 : version);

/** A copy in the present form; what is none, or of a later version, as it is. */
function present(copy: Record<string, unknown>): unknown {
  const version = versionOf(copy);
  const { nodes } = copy;
  if (typeof version !== 'number' || version > FORMAT_VERSION || typeof nodes !== 'object' || nodes === null)
    return copy;
  const made = Object.entries(nodes).map(([id, node]) => [id, upgraded.node(node, version)]);
  return { ...copy, version: FORMAT_VERSION, nodes: Object.fromEntries(made) as object };
}

/** Reads copied elements from text. Refused with a sentence where it is something else, or damaged. */
export function readElements(text: string): Outcome<CopiedElements> {
  let read: unknown;
  try {
    read = JSON.parse(text);
  } catch {
    return refused(STRANGE);
  }
  if ((read as { format?: unknown } | null)?.format !== ELEMENTS_FORMAT) return refused(STRANGE);
  read = present(read as Record<string, unknown>);
  if (schemaFaults(CopiedElementsSchema, read).length > 0)
    return refused('What was copied is damaged or of a later version of Dimorphe; nothing was pasted.');
  const copied = read as CopiedElements;
  // It has to be whole: each element under its id, once, in the one that holds it.
  const seen = new Set<string>();
  const whole = (id: NodeId, depth: number): boolean => {
    const node = copied.nodes[id];
    if (!node || node.id !== id || seen.has(id) || depth > 60) return false;
    seen.add(id);
    return node.children.every((child) => copied.nodes[child]?.parent === id && whole(child, depth + 1));
  };
  const all = copied.roots.every((id) => whole(id, 0)) && seen.size === Object.keys(copied.nodes).length;
  const bytes = Object.entries(copied.files ?? {}).every(([id, text]) => {
    const asset = copied.assets.find((each) => each.id === id);
    return asset && areBytesOf(text, asset.hash);
  });
  return all && bytes ? done(copied) : refused('What was copied is damaged; nothing was pasted.');
}
