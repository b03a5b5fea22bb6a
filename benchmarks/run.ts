/**
 * Measured work, as ratios that hold on any machine, beside the goals set for them: `npm run bench`. With `--ratios` only
 * what needs no browser is measured, and a ratio beyond its limit is a failure: so a step back is noticed in CI.
 */
import { transform } from 'lightningcss';
import { parse, serialize } from 'parse5';
import postcss from 'postcss';
import { demoSite } from '../demo/site.ts';
import type { NodeId, Page, Preview, Site, ViewId } from '../core/index.ts';
import { type Arrangeable, type ArrangeGrid } from '../core/layout/arrange.ts';
import { builtCore } from './built.ts';
import { siteOf } from './page.ts';

const { arranged, compileSite, composed, findings, pagesOf, perform, preview } = await builtCore();

const WARM = 30;

/**
 * The median times in ms of pieces of work that take turns, after each has been done a few times to warm up: so a minute in
 * which the machine is slow is slow for all of them. What a piece needs is prepared outside its time.
 */
function medians<T>(
  works: readonly { prepare?: () => T; work: (prepared: T) => void }[],
  runs = 41,
  warm = WARM,
): number[] {
  const times: number[][] = works.map(() => []);
  for (let run = 0; run < warm + runs; run++) {
    works.forEach(({ prepare, work }, index) => {
      const prepared = prepare?.() as T;
      const start = performance.now();
      work(prepared);
      if (run >= warm) times[index].push(performance.now() - start);
    });
  }
  return times.map((list) => list.sort((a, b) => a - b)[Math.floor(runs / 2)]);
}

/** What core does for one edit before the browser paints: the command, and the rules and the markup that changed. */
function editing(site: Site): () => void {
  let state = site;
  const { frame } = site;
  const [page] = pagesOf(site);
  const addresses = { page: () => '#', picture: () => '#' };
  let shown: Preview = preview(frame, page, addresses);
  let value = 20;
  return () => {
    value = value === 20 ? 21 : 20;
    const outcome = perform(state, page.id, 'setValue', {
      nodes: ['e4' as NodeId],
      property: 'size',
      view: 'tablet' as ViewId,
      value,
      reach: 'here',
    });
    if (!outcome.ok) throw new Error(outcome.sentence);
    state = outcome.value.site;
    shown = preview(frame, state.pages[page.id], addresses, shown);
    shown.since!.elements.forEach((id) => shown.rulesOf(id));
  };
}

const texts = (site: Site) => {
  const files = compileSite(site).flatMap((file) => ('text' in file ? [file] : []));
  const of = (type: string) => files.filter((file) => file.type.startsWith(type)).map(({ text }) => text);
  return { html: of('text/html'), css: of('text/css') };
};

/** A style sheet's length against its own after lightningcss has minified it and merged equal rules. */
function against(css: string): { length: number; merged: number } {
  const { code } = transform({ filename: 'page.css', code: Buffer.from(css), minify: true });
  return { length: Buffer.byteLength(css), merged: code.length };
}

/** Words, images and buttons in three columns, some of which lie over one another. */
const boxes = (count: number): Arrangeable[] =>
  Array.from({ length: count }, (_each, index) => ({
    id: `box-${index}`,
    role: (['words', 'picture', 'small'] as const)[index % 3],
    least: 100,
    box: {
      left: (index % 3) * 400 + ((index * 37) % 50),
      top: Math.floor(index / 3) * 130 + ((index * 53) % 60),
      width: 300 + ((index * 29) % 110),
      height: 60 + ((index * 31) % 60),
    },
  }));

const PHONE: ArrangeGrid = { columns: 4, gutter: 16, width: 350, rowHeight: 24 };

interface Row {
  what: string;
  measured: number;
  against: number;
  /** Absent: measured to notice a step back. */
  goal?: number;
  /** Beyond this something has got worse. */
  limit: number;
}

const small = await siteOf(200);
const large = await siteOf(2000);
const thousand = await siteOf(1000);
const fourThousand = await siteOf(4000);
const { site: demo } = await demoSite();

function coreRows(): Row[] {
  const made = texts(large);
  const [compiling, reading] = medians([
    // Fresh objects each time: nothing that is remembered by identity helps a full compile.
    { prepare: () => structuredClone(large), work: (site) => void compileSite(site) },
    {
      work: () => {
        serialize(parse(made.html[0]));
        postcss.parse(made.css[0]).toString();
      },
    },
  ]);
  const [editingLarge, editingSmall] = medians([{ work: editing(large) }, { work: editing(small) }]);
  const [arranging] = medians([{ work: () => void arranged(boxes(500), PHONE, 'stacked') }], 11);
  const demoCss = texts(demo).css.map(against);
  const sum = (key: 'length' | 'merged') => demoCss.reduce((total, each) => total + each[key], 0);
  const largeCss = against(made.css[0]);
  const [finding1000, finding4000] = medians(
    [thousand, fourThousand].map(({ frame, pages }) => ({
      // A fresh page each time, of which nothing is remembered.
      prepare: () => composed(frame, structuredClone(Object.values(pages)[0])),
      work: (page: Page) => void findings(frame, page),
    })),
    3,
    1,
  );
  return [
    {
      what: 'core’s part of one edit (ms), 2,000 elements against 200',
      measured: editingLarge,
      against: editingSmall,
      limit: 16,
    },
    {
      what: 'arranging 500 boxes (ms) against 50',
      measured: arranging,
      against: 50,
      goal: 1,
      limit: 5,
    },
    {
      what: 'full compile (ms) against parsing and printing its result',
      measured: compiling,
      against: reading,
      // Nobody waits for a full compile: what people wait for is measured beside it.
      goal: 4,
      limit: 10,
    },
    {
      what: 'findings (ms), 4,000 elements against 1,000',
      measured: finding4000,
      against: finding1000,
      goal: 6,
      limit: 8,
    },
    {
      what: 'CSS of the demo’s pages (bytes) against lightningcss',
      measured: sum('length'),
      against: sum('merged'),
      goal: 1.15,
      limit: 1.5,
    },
    {
      what: 'CSS of 2,000 elements (bytes) against lightningcss',
      measured: largeCss.length,
      against: largeCss.merged,
      goal: 1.15,
      limit: 1.5,
    },
  ];
}

/** ms; a frame at 60 a second. */
const FRAME = 1000 / 60;

async function* browserRows(): AsyncGenerator<Row> {
  const { paintedAfterKey, swept, worked } = await import('./browser.ts');
  for (const sheets of [1, 4] as const) {
    const { table, bare } = await paintedAfterKey(sheets);
    for (const which of ['p50', 'p95'] as const)
      yield {
        what: `key to paint, ${sheets} sheet${sheets > 1 ? 's' : ''}, ${which} (ms) against a bare script`,
        measured: table[which],
        against: bare[which],
        goal: 1.5,
        limit: 6,
      };
  }
  const few = await worked(200);
  const many = await worked(2000);
  yield* [
    {
      what: 'script of one edit in Chromium (ms), 2,000 against 200',
      measured: many.script,
      against: few.script,
      goal: 1.5,
      limit: 6,
    },
    {
      what: 'frame while the outline scrolls, p95 (ms) against 60 a second',
      measured: many.outline,
      against: FRAME,
      goal: 1.05,
      limit: 6,
    },
    {
      what: 'frame while the values scroll, p95 (ms) against 60 a second',
      measured: many.values,
      against: FRAME,
      goal: 1.05,
      limit: 6,
    },
  ];
  const { sweep, layouts } = await swept(300);
  yield* [
    {
      what: 'sweep of 300 elements (ms) against 5,000',
      measured: sweep,
      against: 5000,
      goal: 1,
      limit: 4,
    },
    {
      what: 'sweep of 300 elements (ms) against bare layouts at as many widths',
      measured: sweep,
      against: layouts,
      goal: 3,
      limit: 12,
    },
  ];
}

async function* serverRows(): AsyncGenerator<Row> {
  const { pagesPerSecond, manyEdits } = await import('./server.ts');
  const { host, bare } = await pagesPerSecond();
  yield {
    what: 'pages a second of a bare node:http server against the host',
    measured: bare,
    against: host,
    goal: 2,
    limit: 6,
  };
  const { few, many, smallDisk, largeDisk, stopped, killed } = await manyEdits();
  const MB = 1_000_000;
  yield* [
    {
      what: 'an edit kept, p50 (ms), after 10,000 edits against after 100',
      measured: many,
      against: few,
      goal: 1.2,
      limit: 3,
    },
    {
      what: 'data on disk (MB), after 10,000 edits against after 200',
      measured: largeDisk / MB,
      against: smallDisk / MB,
      goal: 3,
      limit: 6,
    },
    {
      what: 'ready (ms) after SIGKILL against after a clean stop',
      measured: killed,
      against: stopped,
      goal: 1.5,
      limit: 4,
    },
  ];
}

async function* growthRows(): AsyncGenerator<Row> {
  const { GROWTHS } = await import('./growth.ts');
  for (const measure of GROWTHS)
    for (const { what, exponent, goal, limit } of await measure())
      yield { what: `growth of ${what} (exponent)`, measured: exponent, against: 1, goal, limit };
}

async function* pictureRows(): AsyncGenerator<Row> {
  const { listOpened, picturesIn } = await import('./images.ts');
  const { quiet, meanwhile, each, memory } = await picturesIn(100);
  yield* [
    {
      what: 'a question (ms), p95, while 100 images of 12 megapixels come in against before',
      measured: meanwhile,
      against: quiet,
      goal: 10,
      limit: 200,
    },
    {
      what: 'an image of 12 megapixels in (ms) against 2000',
      measured: each,
      against: 2000,
      goal: 1,
      limit: 5,
    },
    { what: 'memory meanwhile (MB) against 1000', measured: memory, against: 1000, goal: 1, limit: 2 },
  ];
  const { few, many } = await listOpened(10, 500);
  yield {
    what: 'the list of sites opened (ms), 500 sites against 10',
    measured: many,
    against: few,
    goal: 1.5,
    limit: 5,
  };
}

/** What a ratio is worth: whatever is no number has not been measured, and fails. */
function verdictOf({ measured, against, goal, limit }: Row): { says: string; fails: boolean } {
  const ratio = measured / against;
  if (!Number.isFinite(ratio)) return { says: 'not measured', fails: true };
  if (ratio > limit) return { says: 'worse than its limit', fails: true };
  return { says: goal === undefined ? '' : ratio > goal ? 'not met' : 'met', fails: false };
}

/** Prints a figure as soon as it is there. */
function print(row: Row): void {
  const { what, measured, against, goal } = row;
  const { says, fails } = verdictOf(row);
  const numbers = [measured, against, measured / against, goal];
  const columns = numbers.map((number) => (number?.toFixed(2) ?? '').padStart(10));
  console.log(what.padEnd(64), ...columns, says);
  if (fails) process.exitCode = 1;
}

const onlyRatios = process.argv.includes('--ratios');
const GROUPS: Record<string, () => Row[] | Promise<Row[]> | AsyncGenerator<Row>> = {
  core: coreRows,
  growth: growthRows,
  server: serverRows,
  browser: browserRows,
  pictures: pictureRows,
};
const asked = Object.keys(GROUPS).filter((name) => process.argv.includes(`--${name}`));
const meant = onlyRatios ? ['core'] : asked.length > 0 ? asked : Object.keys(GROUPS);
const heads = ['measured', 'against', 'ratio', 'goal'].map((head) => head.padStart(10));
console.log('what'.padEnd(64), ...heads);
for (const name of meant) for await (const row of await GROUPS[name]()) print(row);
