/** Measured work, as ratios that hold on any machine, beside the goals set for them: `npm run bench`. */
import { parse } from 'parse5';
import postcss from 'postcss';
import {
  bodyMarkup,
  compileSite,
  frameOf,
  pageRules,
  perform,
  print,
  type NodeId,
  type Page,
  type Site,
  type ViewId,
} from '../core/index.ts';
import { siteOf } from './page.ts';

/** The median time in ms of a piece of work, after it has been done a few times to warm up. */
function median(work: () => void, runs = 21): number {
  for (let warm = 0; warm < 5; warm++) work();
  const times = Array.from({ length: runs }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
  return times.sort((a, b) => a - b)[Math.floor(runs / 2)];
}

/** What the script of one edit does before the browser paints: the command, the rules and the markup that the sheets take. */
function editing(site: Site): () => void {
  const frame = frameOf(site);
  let page: Page = site.pages[0];
  const addresses = { page: () => '#', picture: () => '#' };
  let value = 20;
  return () => {
    value = value === 20 ? 21 : 20;
    const outcome = perform(frame, page, 'setValue', {
      nodes: ['e4' as NodeId],
      property: 'size',
      view: 'tablet' as ViewId,
      value,
      reach: 'here',
    });
    if (!outcome.ok) throw new Error(outcome.sentence);
    page = outcome.value.page;
    pageRules(frame, page, () => '#');
    print(bodyMarkup(frame, page, addresses));
  };
}

const small = await siteOf(200);
const large = await siteOf(2000);
const editSmall = median(editing(small));
const editLarge = median(editing(large));

const files = compileSite(large).flatMap((file) => ('text' in file ? [file] : []));
const html = files.find((file) => file.type.startsWith('text/html'))!.text;
const css = files.find((file) => file.type.startsWith('text/css'))!.text;
// Fresh objects each time: nothing that is remembered by identity helps a full compile.
const compile = median(() => void compileSite(structuredClone(large)), 9);
const copying = median(() => void structuredClone(large), 9);
const reading = median(() => {
  parse(html);
  postcss.parse(css).toString();
}, 9);

const rows = [
  { what: 'script of one edit, 2,000 elements against 200', ms: editLarge, against: editSmall, goal: 1.5 },
  {
    what: 'full compile against parsing its result (parse5, postcss)',
    ms: compile - copying,
    against: reading,
    goal: 1,
  },
];
console.log(
  'what'.padEnd(60),
  'ms'.padStart(8),
  'against'.padStart(9),
  'ratio'.padStart(7),
  'goal'.padStart(6),
);
for (const { what, ms, against, goal } of rows) {
  const ratio = ms / against;
  const numbers = [ms.toFixed(2).padStart(8), against.toFixed(2).padStart(9), ratio.toFixed(2).padStart(7)];
  console.log(what.padEnd(60), ...numbers, goal.toFixed(2).padStart(6), ratio > goal ? 'not met' : 'met');
}
