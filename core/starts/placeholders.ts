import { lookup } from '../lookup.ts';
import type { Node } from '../site/node.ts';
import { sharedTrees } from '../site/shared.ts';
import { pagesOf } from '../site/site.ts';
import { termsOf } from './fitting.ts';
import { LOOKS } from './looks.ts';
import { newSite } from './newsite.ts';
import { READY_PAGES, readyPage } from './pages.ts';
import { READY_SECTIONS, readySection } from './readysections.ts';

/** What ready-made parts say that can stay as it is. */
const CAN_STAY: ReadonlySet<unknown> = new Set([
  'At a glance',
  'Come and see for yourself',
  'Come by',
  'Get in touch',
  'How it goes',
  'How the day goes',
  'How to get here',
  'In numbers',
  'Menu',
  'Opening hours',
  'Opening hours, all the year',
  'Questions, answered',
  'Send',
  'Timetable',
  'To look at',
  'What it costs',
  'What you will find here',
  'When we are here',
  'When we are open',
  'Who you will meet',
  'Write to us',
]);

/** Fields that say something to those who read a page; the others choose, lead or name. */
const SAYING = ['text', 'by', 'label', 'caption', 'items', 'prices', 'hours', 'questions'];

const keyOf = (field: string, value: unknown): string => `${field} ${JSON.stringify(value)}`;

/** What an element says, by field. */
const saidBy = ({ content }: Node): [field: string, value: unknown][] =>
  SAYING.flatMap((field) => {
    const value = lookup(content, field);
    return value === undefined ? [] : [[field, value]];
  });

/** What elements say, as keys, where it is a sample. */
const samplesOf = (nodes: Readonly<Record<string, Node>>): string[] =>
  Object.values(nodes).flatMap((node) =>
    saidBy(node)
      .filter(([, value]) => !CAN_STAY.has(value))
      .map(([field, value]) => keyOf(field, value)),
  );

/** Addresses and numbers of ready-made parts, which stay behind where the rest of a text is another: the street, the mail, the telephone. */
const ADDRESSES = ['Street and number', 'hello@example.org', '+44 0000 000000'];

/** The sample texts of everything ready-made, by the name of the site they are made for; the last few names. */
const cache = new Map<string, ReadonlySet<string>>();
const MOST = 4;

function samplesFor(name: string): ReadonlySet<string> {
  const before = cache.get(name);
  if (before) return before;
  const sites = LOOKS.map(({ id: look }) => newSite({ id: 'samples', name, lang: 'en', look, views: '4' }));
  const [{ frame, ...first }] = sites;
  const [like] = pagesOf({ frame, ...first });
  const made = new Set(
    [
      ...sites.flatMap((site) => pagesOf(site).map(({ nodes }) => nodes)),
      ...sites.flatMap((site) => sharedTrees(site.frame).map(({ nodes }) => nodes)),
      ...READY_SECTIONS.map((each) => readySection(frame, each, termsOf(like)).nodes),
      ...READY_PAGES.map((each) => readyPage(frame, each, name, like).nodes),
    ].flatMap(samplesOf),
  );
  if (cache.size >= MOST) cache.clear();
  cache.set(name, made);
  return made;
}

/** The sample that an element still says, as ready-made parts of a site of a name came with it; undefined where it says none. */
export function placeholderIn(siteName: string, node: Node): string | undefined {
  const samples = samplesFor(siteName);
  for (const [field, value] of saidBy(node)) {
    const key = keyOf(field, value);
    const left = ADDRESSES.find((address) => key.includes(address));
    if (left !== undefined) return left;
    if (samples.has(key)) return typeof value === 'string' ? value : '';
  }
  return undefined;
}
