/** A page with every kind of element, each with content in which all its parts stand. */
import { isAtEdge, KINDS, type NodeId, READY_LAYOUTS, readyLayout, type Site } from '../../core/index.ts';
import { takesKind } from '../../core/elements/kinds/table.ts';
import { home, made, node, onlyPages, site } from '../core/acting.ts';

const LINK = '<a href="https://example.org/">link</a>';

/** Content in which each part of a kind stands. */
const CONTENT: Record<string, Record<string, unknown>> = {
  text: {
    text: `<h2>Title</h2><p>Text with a ${LINK}</p><ul><li>Entry</li></ul><blockquote><p>Said</p></blockquote>`,
  },
  heading: { text: `Title with a ${LINK}` },
  list: { items: [{ text: `Entry with a ${LINK}` }] },
  quote: { text: 'Said', by: 'Someone' },
  gallery: { pictures: [{ picture: 'saturn', alt: 'Saturn', caption: 'Saturn' }] },
  video: { file: 'turning-sky', caption: 'The sky' },
  timetable: { items: [{ time: '20:00', what: 'Doors', note: 'At the gate' }] },
  questions: { questions: [{ question: 'Cold?', answer: `Yes, ${LINK}` }] },
  prices: { prices: [{ name: 'Night', price: '10', note: 'each' }] },
  up: { shows: 'both' },
  form: {
    fields: ['Name', 'Town'].map((label) => ({ label, type: 'text', required: false, options: '' })),
  },
};

/** A page with every kind of element, in a row and in an overlay where it can be in one, and in a section; or at the edges of the window. */
export function everything(): { on: Site; ids: Map<string, NodeId[]> } {
  // A second page, for lists of pages to have one.
  let on = made(
    'changePage',
    { page: node('visits'), date: '2026-02-14', author: 'Ada Pell', picture: 'saturn' },
    home,
    onlyPages(site, 'home', 'visits'),
  ).site;
  const ids = new Map<string, NodeId[]>([['page', [home.root]]]);
  const add = (kind: string, parent: NodeId): NodeId => {
    const id = node(`x-${kind}-${ids.get(kind)?.length ?? 0}`);
    on = made('addElement', { kind, id, parent, after: null }, on.pages[home.id], on).site;
    ids.set(kind, [...(ids.get(kind) ?? []), id]);
    return id;
  };
  const content = (id: NodeId, field: string, value: unknown) => {
    on = made('setContent', { node: id, field, value }, on.pages[home.id], on).site;
  };
  const section = add('section', home.root);
  const row = add('row', section);
  const overlay = add('overlay', section);
  const copied = readyLayout(
    on.frame,
    READY_LAYOUTS.find((each) => each.id === 'halves')!,
  );
  const layout = node('x-layout');
  on = made(
    'pasteElements',
    { copied, id: layout, parent: home.root, after: null },
    on.pages[home.id],
    on,
  ).site;
  ids.set('layout', [layout]);
  ids.set('region', on.pages[home.id].nodes[layout].children);
  ids.get('region')!.forEach((region) => add('section', region));
  for (const { name } of KINDS.filter(({ ofElements }) => !ofElements)) {
    for (const parent of isAtEdge(name) ? [home.root] : [row, section, overlay]) {
      if (name === 'row' || !takesKind(on.pages[home.id].nodes[parent].kind, name)) continue;
      const id = add(name, parent);
      Object.entries(CONTENT[name] ?? {}).forEach(([field, value]) => content(id, field, value));
      if (name === 'logo') {
        const args = {
          nodes: [id],
          property: 'source',
          view: on.frame.views.base,
          value: 'saturn',
          reach: 'here' as const,
        };
        on = made('setValue', args, on.pages[home.id], on).site;
      }
    }
  }
  return { on, ids };
}
