import { type EditReach } from '../../layered/change.ts';
import { same } from '../../layered/express.ts';
import type { ViewId } from '../../layered/views.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import type { Property } from '../../elements/properties/property.ts';
import { PARTS, type Part } from '../../elements/parts.ts';
import { knownProperty, PROPERTIES } from '../../elements/propertytable.ts';
import { adjusted } from '../../elements/valuetypes/adjust.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import { applies } from '../../site/applies.ts';
import type { Node } from '../../site/node.ts';
import type { Page, SiteFrame } from '../../site/site.ts';
import { spaceAt, type Space } from '../../theme/spacing.ts';
import { SMALLEST_READ } from '../../type/limits.ts';
import { resolve } from '../../values/trace.ts';
import { found, valueFault, setIn } from './aim.ts';
import type { Command } from '../command.ts';
import { topmost } from '../../site/tree.ts';
import { subtree } from '../../site/sourceorder.ts';
import { isFluid } from '../../type/fluid.ts';
import { scaledSize, type TextSize } from '../../type/textsize.ts';
import { counted } from '../../plural.ts';
import { describeHolders, describeReach } from './textbyview.ts';

/** Percent; by how much content can be brought to scale at once. */
export const SCALES = { least: 20, most: 400 };

/** What is as large as it is for its own sake, besides distances: widths and heights that are set, in px. */
const LENGTHS = new Set([
  'size',
  'iconSize',
  'width',
  'minWidth',
  'maxWidth',
  'height',
  'minHeight',
  'rowHeight',
]);

const isScaled = ({ name, type }: Property): boolean => type.editor === 'space' || LENGTHS.has(name);

export interface ScaleContent {
  nodes: NodeId[];
  view: ViewId;
  reach: EditReach;
  percent: number;
  /** Nothing but sizes of text; absent: every length. */
  only?: 'text';
}

const halves = (px: number): number => Math.round(px * 2) / 2;

/** A value in proportion, in halves of a px; undefined where it has no length, or would be the same. */
function scaled(site: SiteFrame, property: Property, value: unknown, view: ViewId, percent: number): unknown {
  // A share of something else is in proportion already.
  if (typeof value === 'object' && value !== null && 'percent' in value) return undefined;
  const plain =
    property.type.editor === 'space' && !isFluid(value) ? spaceAt(site, value as Space, view) : value;
  const made = adjusted(property.type, plain, { percent });
  if (made === undefined || plain === 0) return undefined;
  const rounded =
    typeof made === 'number'
      ? halves(made)
      : Object.fromEntries(
          Object.entries(made as object).map(([key, each]: [string, number]) => [
            key,
            key.endsWith('Width') ? each : halves(each),
          ]),
        );
  return same(rounded, plain) ? undefined : rounded;
}

/** A length of an element, or of a part of it, that is brought to scale. */
export interface Scaling {
  node: Node;
  part: Part;
  property: Property;
  now: unknown;
  /** Absent: it is as small as it may be, and stays. */
  then?: unknown;
  /** It is not as small as the scale would have it, to be read. */
  kept: boolean;
}

/** What in elements, and in what is in them, changes in a view when it is brought to another scale; what would stay as it is is left out. */
export function scalings(
  site: SiteFrame,
  page: Page,
  { nodes, view, percent, only }: Omit<ScaleContent, 'reach'>,
): Scaling[] {
  return topmost(page, nodes)
    .flatMap((id) => subtree(page, id))
    .flatMap((id) => {
      const node = page.nodes[id];
      return lengthsOf(node, only).flatMap(
        ([part, property]) => scaledOf(site, page, node, part, property, view, percent) ?? [],
      );
    });
}

/**
 * Brings what is in elements to another scale in a view: text sizes, gaps, paddings, margins and lengths in px, all by one factor, as
 * ordinary values. Text is kept legible; what is a share of something else is in proportion already.
 */
export const scaleContent: Command<ScaleContent> = {
  run(site, draft, { nodes: ids, view, reach, percent, only }): Outcome<string> {
    const nodes = found(draft, ids);
    if (!nodes.ok) return nodes;
    if (!(percent >= SCALES.least && percent <= SCALES.most))
      return refused(
        `${percent} % is not a scale from ${SCALES.least} % to ${SCALES.most} %. Nothing was changed.`,
      );
    const all = scalings(site, draft, { nodes: ids, view, percent, ...(only && { only }) });
    const changing = all.filter(({ then }) => then !== undefined);
    for (const { node, part, property, then } of changing)
      setIn(site, draft, node, part, property, { view, value: then, reach });
    const [count, kept] = [changing.length, all.filter((each) => each.kept).length];
    if (count === 0) return refused('Nothing in it can be scaled by that. Nothing was changed.');
    const least = kept > 0 ? `; ${counted(kept, 'text')} set to ${SMALLEST_READ} px or more` : '';
    return done(
      `${describeHolders(nodes.value)}: ${only ?? 'content'} at ${percent} % ${describeReach(site, view, reach)}, ${counted(count, 'value')}${least}`,
    );
  },
};

/** What of an element has a length: its own properties, and the sizes that its parts have of their own. */
function lengthsOf({ style }: Node, only?: 'text'): [Part, Property][] {
  const size = knownProperty('size');
  const own = only === 'text' ? [size] : PROPERTIES.filter(isScaled);
  const parts = PARTS.filter((part) => part !== 'self' && style[part]?.size !== undefined);
  return [
    ...own.map((property): [Part, Property] => ['self', property]),
    ...parts.map((part): [Part, Property] => [part, size]),
  ];
}

/** What a property of an element, or of a part of it, becomes; undefined where it means nothing there or has no length. */
function scaledOf(
  site: SiteFrame,
  page: Page,
  node: Node,
  part: Part,
  property: Property,
  view: ViewId,
  percent: number,
): Scaling | undefined {
  const parent = node.parent === null ? undefined : page.nodes[node.parent].kind;
  if (!applies(property, node.kind, parent, part)) return undefined;
  const now = resolve(site, page, node, property, view, part);
  const isText = property.name === 'size';
  const value = isText ? scaledSize(now as TextSize, percent, 0) : scaled(site, property, now, view, percent);
  if (value === undefined) return undefined;
  const legibly = isText ? scaledSize(now as TextSize, percent, SMALLEST_READ) : value;
  const kept = !same(legibly, value);
  const of = { node, part, property, now, kept };
  const stays = same(legibly, now) || valueFault(property, legibly, site) !== undefined;
  return stays ? of : { ...of, then: legibly };
}
