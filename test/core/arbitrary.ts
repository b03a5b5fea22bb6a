/** Random views, layered values and pages for property tests; everything they make is valid. */
import fc from 'fast-check';
import {
  applies,
  FORMAT_VERSION,
  isAtEdge,
  kindOf,
  KINDS,
  PARTS,
  PROPERTIES,
  canonicalSite,
  type Layered,
  type Node,
  type NodeId,
  type Page,
  type Part,
  type Property,
  type Site,
  type SiteFrame,
  type SpacingStep,
  type View,
  type ViewId,
  type Views,
} from '../../core/index.ts';
import { FORMAT } from '../../core/site/format.ts';
import { ASSETS, record, valueArbitrary } from './arbitraryvalues.ts';
import { CONTENT } from './contents.ts';

export { ASSETS, record, valueArbitrary };

/** A scale of two steps; the first is fluid, the second differs by view where there is one to differ in. */
const spacingOf = (views: Views): SpacingStep[] => {
  const [other] = views.list.filter((view) => view.id !== views.base);
  const at = other && { [other.id]: { value: 7, reach: 'onward' as const } };
  return [
    { id: 'small', name: 'Small', size: { base: { min: 4, max: 9, fromWidth: 320, toWidth: 1280 } } },
    { id: 'large', name: 'Large', size: { base: 21, ...(at && { at }) } },
  ];
};
export const COLOURS = [
  { id: 'night', name: 'Night', value: '#0f1830' },
  { id: 'lamp', name: 'Lamp', value: 'oklch(78% 0.14 75)' },
];

/** As it would come from a file. */
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** One to five views of random widths and grids, any of them the base. */
export const viewsArbitrary: fc.Arbitrary<Views> = record({
  steps: fc.array(fc.integer({ min: 140, max: 480 }), { minLength: 0, maxLength: 4 }),
  grids: fc.array(
    record({
      columns: fc.integer({ min: 1, max: 12 }),
      gutter: fc.integer({ min: 0, max: 16 }),
      margin: fc.integer({ min: 0, max: 40 }),
      maxWidth: fc.integer({ min: 300, max: 1400 }),
    }),
    { minLength: 5, maxLength: 5 },
  ),
  base: fc.nat(),
}).map(({ steps, grids, base }) => {
  const starts = [0];
  for (const step of steps) starts.push(Math.max(320, starts.at(-1)!) + step);
  const list = starts.map((from, index): View => {
    const below = starts[index + 1] ?? from + 400;
    return {
      id: `v${index}` as ViewId,
      name: `View ${index}`,
      from,
      sheet: { width: Math.max(200, Math.floor((Math.max(from, 200) + below - 1) / 2)), height: 800 },
      grid: grids[index],
    };
  });
  return { list, base: list[base % list.length].id };
});

/** A layered value over given views: any mixture of base, onward and here. */
export function layeredArbitrary<T>(
  views: Views,
  value: fc.Arbitrary<T>,
  needsBase = false,
): fc.Arbitrary<Layered<T>> {
  const others = views.list.filter((view) => view.id !== views.base);
  const override = fc.option(record({ value, reach: fc.constantFrom('here' as const, 'onward' as const) }), {
    nil: undefined,
  });
  return fc
    .tuple(
      needsBase ? value : fc.option(value, { nil: undefined, freq: 2 }),
      fc.tuple(...others.map(() => override)),
    )
    .map(([base, overrides]) => {
      const layered: Layered<T> = {};
      if (base !== undefined) layered.base = base;
      const set = others.flatMap((view, index) =>
        overrides[index] ? [[view.id, overrides[index]] as const] : [],
      );
      if (set.length > 0) layered.at = Object.fromEntries(set);
      return layered;
    });
}

const LEAVES = KINDS.map((kind) => kind.name).filter(
  (name) => kindOf(name)!.accepts.length === 0 && !isAtEdge(name),
);

/** What stays at the edges of the window, on pages of two sections and of three. */
const EDGES: Record<number, string[]> = { 2: ['strip'], 3: ['strip', 'up', 'openingscreen'] };

interface Shape {
  kind: string;
  children: Shape[];
}

const leaf: fc.Arbitrary<Shape> = fc.constantFrom(...LEAVES).map((kind) => ({ kind, children: [] }));
const column: fc.Arbitrary<Shape> = fc
  .array(leaf, { minLength: 0, maxLength: 3 })
  .chain((children) => fc.constantFrom('column', 'card', 'group').map((kind) => ({ kind, children })));
const alternates: fc.Arbitrary<Shape> = fc
  .array(fc.oneof(leaf, column), { minLength: 1, maxLength: 3 })
  .map((children) => ({ kind: 'alternates', children }));
const overlay: fc.Arbitrary<Shape> = fc
  .array(fc.oneof(leaf, column), { minLength: 1, maxLength: 4 })
  .map((children) => ({ kind: 'overlay', children }));
const row: fc.Arbitrary<Shape> = fc
  .array(fc.oneof({ weight: 3, arbitrary: leaf }, { weight: 3, arbitrary: column }, alternates, overlay), {
    minLength: 1,
    maxLength: 4,
  })
  .map((children) => ({ kind: 'row', children }));
const section: fc.Arbitrary<Shape> = fc
  .array(
    fc.oneof(
      { weight: 3, arbitrary: leaf },
      { weight: 3, arbitrary: row },
      { weight: 3, arbitrary: column },
      { weight: 2, arbitrary: overlay },
      alternates,
    ),
    { minLength: 1, maxLength: 3 },
  )
  .map((children) => ({ kind: 'section', children }));
const region: fc.Arbitrary<Shape> = fc
  .array(section, { minLength: 0, maxLength: 2 })
  .map((children) => ({ kind: 'region', children }));
const layout: fc.Arbitrary<Shape> = fc
  .array(region, { minLength: 1, maxLength: 3 })
  .map((children) => ({ kind: 'layout', children }));
const shapeArbitrary: fc.Arbitrary<Shape> = fc
  .array(fc.oneof({ weight: 6, arbitrary: section }, { weight: 1, arbitrary: layout }), {
    minLength: 1,
    maxLength: 3,
  })
  .map((children) => ({
    kind: 'page',
    children: [...children, ...(EDGES[children.length] ?? []).map((kind): Shape => ({ kind, children: [] }))],
  }));

interface Slot {
  part: Part;
  property: Property;
}

const slotsOfKinds = new Map<string, Slot[]>();

/** Each property of each part that an element of a kind takes where it stands. */
function takenBy(kind: string, parent?: string): Slot[] {
  const key = `${kind} in ${parent ?? 'nothing'}`;
  let slots = slotsOfKinds.get(key);
  if (!slots) {
    slots = PARTS.flatMap((part) =>
      PROPERTIES.filter((property) => applies(property, kind, parent, part)).map((property) => ({
        part,
        property,
      })),
    );
    slotsOfKinds.set(key, slots);
  }
  return slots;
}

/** A whole site of one page: random views, a random tree, random layered values in every place that takes them. */
export const siteArbitrary: fc.Arbitrary<Site> = fc
  .tuple(viewsArbitrary, shapeArbitrary)
  .chain(([views, shape]) => {
    const nodes: Record<NodeId, Node> = {};
    const build = (tree: Shape, parent: NodeId | null): NodeId => {
      const id = `e${Object.keys(nodes).length}` as NodeId;
      nodes[id] = {
        id,
        kind: tree.kind,
        name: `${tree.kind} ${id}`,
        parent,
        children: [],
        style: { self: {} },
        content: structuredClone(CONTENT[tree.kind] ?? {}),
      };
      // Landmarks of one kind are told apart by their names.
      for (const [kind, field] of [
        ['navigation', 'label'],
        ['form', 'name'],
        ['strip', 'label'],
      ])
        if (tree.kind === kind) nodes[id].content[field] = `${kind} ${id}`;
      nodes[id].children = tree.children.map((child) => build(child, id));
      return id;
    };
    const root = build(shape, null);
    const slots = Object.values(nodes).flatMap((node) =>
      takenBy(node.kind, node.parent ? nodes[node.parent].kind : undefined).map((slot) => ({
        node,
        ...slot,
      })),
    );
    const values = slots.map(({ node, part, property }) => {
      const needed = part === 'self' && (kindOf(node.kind)!.required?.includes(property.name) ?? false);
      const any = layeredArbitrary(views, valueArbitrary(property, node.children), needed);
      // The base of a text by view is the content.
      const layered = property.wording ? any.map(({ at }) => (at ? { at } : {})) : any;
      // Parts have many more properties than anyone sets; a few of them keep the pages small.
      return needed ? layered : fc.option(layered, { nil: undefined, freq: part === 'self' ? 2 : 1 });
    });
    const styled = PROPERTIES.filter((property) => property.group === 'text');
    const textStyle = (id: string) =>
      fc
        .tuple(
          ...styled.map((property) =>
            fc.option(layeredArbitrary(views, valueArbitrary(property)), { nil: undefined }),
          ),
        )
        .map((chosen) => ({
          id,
          name: id,
          style: {
            self: Object.fromEntries(
              chosen.flatMap((layered, index) => (layered ? [[styled[index].name, layered]] : [])),
            ),
          },
        }));
    const textStyles = fc.tuple(
      textStyle('heading-2'),
      textStyle('body'),
      textStyle('caption'),
      textStyle('label'),
    );
    return fc.tuple(textStyles, ...values).map(([styles, ...chosen]): Site => {
      const page: Page = {
        id: 'home' as NodeId,
        root,
        nodes: structuredClone(nodes),
      };
      chosen.forEach((layered, index) => {
        const { node, part, property } = slots[index];
        if (layered && ('base' in layered || layered.at))
          (page.nodes[node.id].style[part] ??= {})[property.name] = layered;
      });
      const frame: SiteFrame = {
        format: FORMAT,
        version: FORMAT_VERSION,
        id: 'random',
        name: 'Random',
        lang: 'en',
        views,
        colours: COLOURS,
        textStyles: styles,
        assets: ASSETS,
        spacing: spacingOf(views),
        fonts: [],
        pages: [{ id: page.id, slug: '', title: 'Home', description: '' }],
      };
      return canonicalSite({ frame, pages: { [page.id]: page } });
    });
  })
  .map(plain);

/** A view of given views, and one that is not the base where there is one. */
export const viewIn = (views: Views): fc.Arbitrary<ViewId> =>
  fc.constantFrom(...views.list.map((view) => view.id));

/** Views, a layered number over them and one of the views. */
export const layeredCase = viewsArbitrary.chain((views) =>
  record({
    views: fc.constant(views),
    layered: layeredArbitrary(views, fc.integer({ min: 0, max: 9 })),
    view: viewIn(views),
  }),
);
