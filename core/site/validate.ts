import equal from 'fast-deep-equal';
import { schemaFaults, type Fault } from './faults.ts';
import { FAMILIES } from './families.ts';
import type { Kind } from './kinds/kind.ts';
import { kindOf } from './kinds/table.ts';
import type { Node, PartStyle } from './node.ts';
import type { Layered } from './layered.ts';
import type { NodeId } from './nodeid.ts';
import type { Part } from './parts.ts';
import { applies, propertyOf } from './properties/table.ts';
import type { Property } from './properties/property.ts';
import {
  PageSchema,
  SiteFrameSchema,
  SiteFileSchema,
  SiteSchema,
  type Page,
  type SiteFrame,
} from './site.ts';
import type { Views } from './views.ts';

/** A pointer to an entry below another, with the two characters that RFC 6901 escapes. */
export const pointer = (base: string, ...keys: (string | number)[]): string =>
  keys.reduce<string>((path, key) => `${path}/${String(key).replace(/~/g, '~0').replace(/\//g, '~1')}`, base);

/** Every fault of a site and its pages; none when it can be edited, compiled and published. */
export const siteFaults = (site: unknown): Fault[] => wholeFaults(SiteSchema, site);

/** Every fault of a site file. */
export const siteFileFaults = (file: unknown): Fault[] => wholeFaults(SiteFileSchema, file);

function wholeFaults(schema: typeof SiteSchema | typeof SiteFileSchema, value: unknown): Fault[] {
  const shape = schemaFaults(schema, value);
  if (shape.length > 0) return shape;
  const site = value as { pages: Page[] } & SiteFrame;
  const faults = frameRules(site);
  if (faults.length > 0) return faults;
  faults.push(
    ...repeats(
      site.pages.map((page) => page.id),
      '/pages',
      'id',
    ),
  );
  faults.push(
    ...repeats(
      site.pages.map((page) => page.slug),
      '/pages',
      'slug',
    ),
  );
  site.pages.forEach((page, index) => faults.push(...pageRules(page, site, pointer('/pages', index))));
  return faults;
}

/** Every fault of a frame; the pages that use it are looked at apart. */
export function frameFaults(frame: unknown): Fault[] {
  const shape = schemaFaults(SiteFrameSchema, frame);
  return shape.length > 0 ? shape : frameRules(frame as SiteFrame);
}

/** Every fault of a page within a valid frame. */
export function pageFaults(page: unknown, frame: SiteFrame): Fault[] {
  const shape = schemaFaults(PageSchema, page);
  return shape.length > 0 ? shape : pageRules(page as Page, frame, '');
}

function repeats(values: readonly string[], path: string, key: string): Fault[] {
  return values.flatMap((value, index) =>
    values.indexOf(value) < index
      ? [{ path: pointer(path, index, key), sentence: `“${value}” is used twice.` }]
      : [],
  );
}

function frameRules(frame: SiteFrame): Fault[] {
  const faults = viewFaults(frame.views);
  const ids = (list: 'colours' | 'textStyles' | 'spacing' | 'assets' | 'fonts') =>
    frame[list].map(({ id }) => id);
  for (const list of ['colours', 'textStyles', 'spacing', 'assets'] as const) {
    faults.push(...repeats(ids(list), `/${list}`, 'id'));
  }
  // Files are kept by the ids of both, and a family is named by its id.
  faults.push(
    ...repeats([...ids('assets'), ...FAMILIES.map(({ id }) => id), ...ids('fonts')], '/fonts', 'id'),
  );
  if (faults.length > 0) return faults;
  frame.spacing.forEach(({ size }, index) => {
    faults.push(...layeredFaults(size, pointer('/spacing', index, 'size'), frame, () => undefined));
    if (size.base === undefined) {
      faults.push({
        path: pointer('/spacing', index, 'size'),
        sentence: 'A step of the spacing scale has a size.',
      });
    }
  });
  frame.colours.forEach((colour, index) => {
    const fault = propertyOf('colour')!.type.fault!(colour.value, { ...frame, colours: [] });
    if (fault) faults.push({ path: pointer('/colours', index, 'value'), sentence: fault });
  });
  frame.textStyles.forEach((style, index) => {
    const path = pointer('/textStyles', index, 'style', 'self');
    faults.push(...styleFaults(style.style.self ?? {}, path, frame, (property) => property.group === 'text'));
  });
  return faults;
}

function viewFaults({ list, base }: Views): Fault[] {
  const faults = repeats(
    list.map((view) => view.id),
    '/views/list',
    'id',
  );
  if (list[0].from !== 0) {
    faults.push({ path: '/views/list/0/from', sentence: 'The narrowest view starts at 0.' });
  }
  list.forEach((view, index) => {
    const path = pointer('/views/list', index);
    const next = list[index + 1];
    if (index > 0 && view.from <= list[index - 1].from) {
      faults.push({
        path: `${path}/from`,
        sentence: 'Views stand from narrow to wide, each starting further out.',
      });
    }
    if (view.sheet.width < view.from || (next && view.sheet.width >= next.from)) {
      faults.push({
        path: `${path}/sheet/width`,
        sentence: `A sheet of ${view.name} is as wide as the view allows.`,
      });
    }
  });
  if (!list.some((view) => view.id === base)) {
    faults.push({ path: '/views/base', sentence: `There is no view “${base}” to be the base.` });
  }
  return faults;
}

function styleFaults(
  style: PartStyle,
  path: string,
  frame: SiteFrame,
  allowed: (property: Property) => boolean,
): Fault[] {
  return Object.entries(style).flatMap(([name, layered]) => {
    const property = propertyOf(name)!;
    const here = pointer(path, name);
    if (!allowed(property))
      return [{ path: here, sentence: `${property.label} does not apply to this element.` }];
    return layeredFaults(layered, here, frame, (value) => property.type.fault?.(value, frame));
  });
}

/** The faults of a layered value: overrides where there is no view for them, and what is wrong with its single values. */
function layeredFaults(
  layered: Layered<unknown>,
  path: string,
  frame: SiteFrame,
  fault: (value: unknown) => string | undefined,
): Fault[] {
  const faults: Fault[] = [];
  const check = (value: unknown, at: string) => {
    const sentence = fault(value);
    if (sentence) faults.push({ path: at, sentence });
  };
  if (layered.base !== undefined) check(layered.base, `${path}/base`);
  for (const [view, override] of Object.entries(layered.at ?? {})) {
    const at = pointer(path, 'at', view);
    if (view === frame.views.base) {
      faults.push({
        path: at,
        sentence: 'The base view has no overrides: its value is the default for all.',
      });
    } else if (!frame.views.list.some((candidate) => candidate.id === view)) {
      faults.push({ path: at, sentence: `There is no view “${view}”.` });
    }
    check(override.value, `${at}/value`);
  }
  return faults;
}

function pageRules(page: Page, frame: SiteFrame, path: string): Fault[] {
  const root = page.nodes[page.root];
  if (!root || root.kind !== 'page' || root.parent !== null) {
    return [
      {
        path: `${path}/root`,
        sentence: 'The root of a page is an element of the kind “page” without a parent.',
      },
    ];
  }
  const faults = treeFaults(page, path);
  if (faults.length > 0) return faults;
  return Object.values(page.nodes).flatMap((node) =>
    nodeFaults(node, page, frame, pointer(path, 'nodes', node.id)),
  );
}

function treeFaults(page: Page, path: string): Fault[] {
  const faults: Fault[] = [];
  const reached = new Set<string>();
  const walk = (id: NodeId, parent: NodeId | null, from: string): void => {
    const node = page.nodes[id];
    if (!node) faults.push({ path: from, sentence: `There is no element “${id}”.` });
    else if (reached.has(id))
      faults.push({ path: from, sentence: `The element “${id}” stands in two places.` });
    else if (node.id !== id || node.parent !== parent) {
      faults.push({
        path: pointer(path, 'nodes', id),
        sentence: 'Its id and its parent do not agree with its place.',
      });
    } else {
      reached.add(id);
      node.children.forEach((child, index) => walk(child, id, pointer(path, 'nodes', id, 'children', index)));
    }
  };
  walk(page.root, null, `${path}/root`);
  if (faults.length > 0) return faults;
  return Object.keys(page.nodes)
    .filter((id) => !reached.has(id))
    .map((id) => ({
      path: pointer(path, 'nodes', id),
      sentence: 'The element hangs on no other and would be lost.',
    }));
}

function nodeFaults(node: Node, page: Page, frame: SiteFrame, path: string): Fault[] {
  const kind = kindOf(node.kind);
  if (!kind) return [{ path: `${path}/kind`, sentence: `There is no kind of element “${node.kind}”.` }];
  const faults: Fault[] = [];
  const parent = node.parent === null ? undefined : page.nodes[node.parent];
  if (parent && !kindOf(parent.kind)?.accepts.includes(node.kind)) {
    faults.push({ path: `${path}/parent`, sentence: `A ${node.kind} cannot stand in a ${parent.kind}.` });
  }
  if (!parent && node.kind !== 'page') {
    faults.push({ path: `${path}/parent`, sentence: 'Only the page itself has no parent.' });
  }
  if (node.textStyle !== undefined && !frame.textStyles.some((style) => style.id === node.textStyle)) {
    faults.push({ path: `${path}/textStyle`, sentence: `The site has no text style “${node.textStyle}”.` });
  }
  for (const [part, style] of Object.entries(node.style) as [Part, PartStyle][]) {
    const allowed = (property: Property) => applies(property, node.kind, parent?.kind, part);
    faults.push(...styleFaults(style, pointer(path, 'style', part), frame, allowed));
  }
  for (const required of kind.required ?? []) {
    if (node.style.self?.[required]?.base === undefined) {
      const label = propertyOf(required)!.label;
      faults.push({
        path: pointer(path, 'style', 'self', required),
        sentence: `${label} needs a value in the base view.`,
      });
    }
  }
  return [...faults, ...contentFaults(node, kind, frame, `${path}/content`)];
}

function contentFaults(node: Node, kind: Kind, frame: SiteFrame, path: string): Fault[] {
  return Object.entries(node.content).flatMap(([name, value]) => {
    const field = kind.content.find((candidate) => candidate.name === name);
    const here = pointer(path, name);
    if (!field) return [{ path: here, sentence: `A ${node.kind} has no “${name}”.` }];
    const shape = schemaFaults(field.type.schema, value);
    if (shape.length > 0) return shape.map((fault) => ({ ...fault, path: here + fault.path }));
    const fault = field.type.fault?.(value, frame);
    if (fault) return [{ path: here, sentence: fault }];
    if (!equal(field.type.clean(value), value)) {
      return [
        { path: here, sentence: 'The text holds markup that is not kept here; it has to be cleaned first.' },
      ];
    }
    return [];
  });
}
