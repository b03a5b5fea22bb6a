import {
  applies,
  inRow,
  isAtEdge,
  isDeep,
  isEmpty,
  isMeant,
  knownKind,
  lookup,
  type Node,
  type NodeId,
  type Page,
  type Part,
  PARTS,
  PROPERTIES,
  type Property,
  PROPERTY_GROUPS,
  resolve,
  same,
  sidesOf,
  type SiteFrame,
  sure,
  takes,
  type TextStyle,
} from '../../core/index.ts';

/** Whose values the table shows: elements of the page, the last of which leads, or a text style of the theme. */
export type Subject = { of: 'elements'; nodes: Node[] } | { of: 'text style'; style: TextStyle };

/** What a row's values are kept on. */
export type StyleTarget = Node | TextStyle;

export const isNode = (holder: StyleTarget): holder is Node => 'kind' in holder;

/** A row of the values table: a property, or its four sides together, of a part of what holds the values. */
export interface ValueRow {
  key: string;
  label: string;
  part: Part;
  /** The property, and its other sides where they are set together. */
  properties: Property[];
  /** Who holds the values; for a place in a row, the parent. The last one leads. */
  holders: StyleTarget[];
  /** The child whose place among the holder's children is meant. */
  child?: NodeId;
}

export const leading = <T>(list: readonly T[]): T => list[list.length - 1];
export const propertyOfRow = (row: ValueRow): Property => row.properties[0];
export const isLinked = (row: ValueRow): boolean => row.properties.length > 1;

/** Rows that belong together, under a heading. */
export interface RowGroup {
  id: string;
  label: string;
  part: Part;
  rows: ValueRow[];
}

/** Which sides a person has taken apart or put together, by part and sides. */
export type SideChoice = ReadonlyMap<string, 'together' | 'apart'>;

export const sidesKey = (part: Part, property: Property): string => `${part} ${property.sides}`;

/** Whether the sides of something are the same in every view, so that one row can stand for all four. */
function alike(
  site: SiteFrame,
  page: Page,
  holders: readonly StyleTarget[],
  part: Part,
  sides: Property[],
): boolean {
  return holders.every(
    (holder) =>
      isNode(holder) &&
      site.views.list.every((view) => {
        const [first, ...rest] = sides.map((side) => resolve(site, page, holder, side, view.id, part));
        return rest.every((value) => same(value, first));
      }),
  );
}

const FEWEST_TO_ORDER = 2;

/** The place of a single element among its siblings. */
function placeRow(page: Page, property: Property, node: Node): ValueRow[] {
  const parent = node.parent === null ? undefined : page.nodes[node.parent];
  if (!parent || inRow(page, parent).length < FEWEST_TO_ORDER || !takes(parent.kind, property)) return [];
  const deep = isDeep(parent.kind) ? property.deepLabels?.child : undefined;
  const label = deep ?? property.childLabel ?? property.label;
  return [
    {
      key: `self ${property.name} of parent`,
      label,
      part: 'self',
      properties: [property],
      holders: [parent],
      child: node.id,
    },
  ];
}

function rowsOf(
  site: SiteFrame,
  page: Page,
  holders: StyleTarget[],
  part: Part,
  properties: readonly Property[],
  choice: SideChoice,
): ValueRow[] {
  return properties.flatMap((property): ValueRow[] => {
    const place =
      property.onChildren && holders.length === 1 && isNode(holders[0])
        ? placeRow(page, property, holders[0])
        : [];
    if (property.onChildren && (holders.length > 1 || (holders[0] as Node).children.length < FEWEST_TO_ORDER))
      return place;
    const deep = holders.every((holder) => isNode(holder) && isDeep(holder.kind));
    const one: ValueRow = {
      key: `${part} ${property.name}`,
      label: (deep && property.deepLabels?.own) || property.label,
      part,
      properties: [property],
      holders,
    };
    if (property.onChildren && !holders.every((holder) => isNode(holder) && takes(holder.kind, property)))
      return place;
    if (!property.sides) return [...place, one];
    const sides = sidesOf(property);
    const chosen = choice.get(sidesKey(part, property));
    const together = chosen ? chosen === 'together' : alike(site, page, holders, part, sides);
    if (!together) return [one];
    if (property !== sides[0]) return [];
    const label = property.sides[0].toUpperCase() + property.sides.slice(1);
    return [{ ...one, key: `${part} ${property.sides}`, label, properties: sides }];
  });
}

/** The rows of a subject, in groups: those of the elements themselves, then those of each part they all have. */
export function rowGroups(site: SiteFrame, page: Page, subject: Subject, choice: SideChoice): RowGroup[] {
  if (subject.of === 'text style') {
    const texts = PROPERTIES.filter((property) => property.group === 'text' && takes('text', property));
    return [
      {
        id: 'text',
        label: 'Text',
        part: 'self',
        rows: rowsOf(site, page, [subject.style], 'self', texts, choice),
      },
    ];
  }
  const { nodes } = subject;
  const shared = (part: Part) =>
    PROPERTIES.filter((property) =>
      nodes.every((node) => {
        const parent = node.parent === null ? undefined : page.nodes[node.parent];
        return (
          applies(property, node.kind, parent?.kind, part) ||
          (part === 'self' && property.onChildren && parent !== undefined && !isAtEdge(node.kind))
        );
      }),
    );
  const own = rowsOf(site, page, nodes, 'self', shared('self'), choice);
  const groups: RowGroup[] = PROPERTY_GROUPS.map(({ id, label }) => ({
    id,
    label,
    part: 'self',
    rows: own.filter((row) => propertyOfRow(row).group === id),
  }));
  for (const part of PARTS.slice(1)) {
    const labels = nodes.map((node) => knownKind(node.kind).parts?.[part]?.label);
    if (labels.some((label) => label === undefined)) continue;
    const label = sure(leading(labels));
    // A row tells whose it is: what stands first of a name is of the element itself.
    const rows = rowsOf(site, page, nodes, part, shared(part), choice).map((row) => ({
      ...row,
      label: `${label}: ${row.label.toLowerCase()}`,
    }));
    groups.push({ id: part, label, part, rows });
  }
  return groups.filter((group) => group.rows.length > 0);
}

/** How many overrides the rows of a group hold. */
export const overridesIn = (group: RowGroup): number =>
  group.rows.reduce(
    (sum, { part, properties, holders }) =>
      sum +
      holders.reduce(
        (inner, { style }) =>
          inner +
          properties.reduce(
            (most, { name }) => most + Object.keys(lookup(style[part], name)?.at ?? {}).length,
            0,
          ),
        0,
      ),
    0,
  );

/** What is changed most, of every kind of element that has it (common practice of those who adapt pages): it stands first in the table. */
const USUAL = new Set([
  ...['source', 'alternate', 'size', 'lineHeight', 'align', 'colour', 'marker', 'iconSize', 'thickness'],
  ...['shown', 'collapse', 'span', 'areaColumn', 'areaRow', 'order', 'direction', 'tiles', 'gap'],
  ...['pageImages', 'pageDescriptions', 'pageMeta'],
  ...['blockAlign', 'width', 'maxWidth', 'edge', 'corner', 'fromEdge', 'paddingTop', 'marginTop'],
  ...['backgroundColour', 'cropRatio', 'zoom', 'focalPoint'],
]);

const isUsual = (property: Property): boolean => property.wording !== undefined || USUAL.has(property.name);

/** The rows of the elements themselves with which the table begins, by their keys: those in which something is set, and the usual ones. */
export const frontRows = (groups: readonly RowGroup[]): ReadonlySet<string> =>
  new Set(
    groups
      .flatMap(({ rows }) => rows)
      .filter((row) => row.part === 'self' && (isSet(row) || isUsual(propertyOfRow(row))))
      .map(({ key }) => key),
  );

/** To which rows the table is narrowed: those of properties by what is typed, those in which something is set. */
export interface Narrowed {
  text: string;
  onlySet: boolean;
}

export const isNarrowing = ({ text, onlySet }: Narrowed): boolean => onlySet || text.trim() !== '';

const isSet = ({ holders, part, properties }: ValueRow): boolean =>
  holders.some(({ style }) => properties.some(({ name }) => !isEmpty(lookup(style[part], name))));

/** The groups with only the rows that are meant; without those in which none is. */
export function narrowedTo(groups: readonly RowGroup[], { text, onlySet }: Narrowed): RowGroup[] {
  const meant = (group: RowGroup, row: ValueRow) =>
    (!onlySet || isSet(row)) &&
    (text.trim() === '' ||
      group.label.toLowerCase().includes(text.trim().toLowerCase()) ||
      row.properties.some((property) => isMeant(property, text)));
  return groups
    .map((group) => ({ ...group, rows: group.rows.filter((row) => meant(group, row)) }))
    .filter(({ rows }) => rows.length > 0);
}

/** The nearest element around one that has a row that is meant, where it has none itself, and what that is called. */
export function foundAround(
  site: SiteFrame,
  page: Page,
  { parent }: Node,
  narrowed: Narrowed,
): { node: Node; label: string } | undefined {
  for (let at = parent; at !== null; at = page.nodes[at].parent) {
    const node = page.nodes[at];
    const groups = rowGroups(site, page, { of: 'elements', nodes: [node] }, new Map());
    const [row] = narrowedTo(groups, narrowed).flatMap(({ rows }) => rows);
    if (row) return { node, label: row.label };
  }
  return undefined;
}
