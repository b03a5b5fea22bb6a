/** The sweep: on the command line against a slow look at every single width in Chromium, and in the workbench. */
import { spawnSync } from 'node:child_process';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { writeSiteFile, type Site, type Stretch } from '../../core/index.ts';
import { files as pictures, home, made, node, onlyPages, site, view } from '../core/acting.ts';
import { byRole, eventually, openBrowser, visit } from './browser.ts';
import { fileServer } from './files.ts';
import { commandLine } from '../server/program.ts';
import { chooseView, expectStep, selectInOutline, type, useBench } from './workbench.ts';

/** Does something with a folder that is removed at the end. */
async function inFolder(use: (folder: string) => Promise<void>): Promise<void> {
  const folder = await mkdtemp(join(tmpdir(), 'dimorphe-sweep-test-'));
  try {
    await use(folder);
  } finally {
    await rm(folder, { recursive: true });
  }
}

const wide = (on: Site, id: string, at: string, px: number): Site =>
  made(
    'setValue',
    { nodes: [node(id)], property: 'minWidth', view: view(at), value: { px }, reach: 'here' },
    on.pages[home.id],
    on,
  ).site;
const withView = (on: Site, id: string, from: number): Site =>
  made('addView', { id: view(id), name: id, from }, on.pages[home.id], on).site;

/** Runs in a page with a frame: at every width, whether the page in it is wider, and how large a link at its top is to press. */
const SCAN = `
  const [url, from, to, done] = arguments;
  const frame = document.getElementById('frame');
  frame.onload = async () => {
    const inner = frame.contentDocument;
    await inner.fonts.ready;
    const wider = [], small = [];
    for (let width = from; width <= to; width += 1) {
      frame.style.width = width + 'px';
      const root = inner.documentElement;
      if (root.scrollWidth > root.clientWidth) wider.push(width);
      if (inner.querySelector('header a').getBoundingClientRect().height < 43.5) small.push(width);
    }
    done({ wider, small });
  };
  frame.src = url;
`;

const stretches = (widths: readonly number[]): Stretch[] => {
  const list: Stretch[] = [];
  for (const width of widths)
    if (list.at(-1)?.to === width - 1) list.at(-1)!.to = width;
    else list.push({ from: width, to: width });
  return list;
};

interface Line {
  of: { node?: string };
  rule: string;
  widths: Stretch[];
}

describe('the sweep on the command line', function () {
  this.timeout(180_000);

  it('finds a defect that is 13 px wide, and ends that lie at no limit of a view, as a slow look at every width does', async () => {
    // Tablet has a margin of 40 px before it: 673 px do not fit into less than 713.
    let planted = withView(onlyPages(site, 'home'), 'gap', 700);
    planted = wide(wide(planted, 'headline', 'gap', 673), 'invitation-title', 'tablet', 620);
    const folder = await mkdtemp(join(tmpdir(), 'dimorphe-sweep-test-'));
    const browser = await openBrowser();
    const server = await fileServer();
    try {
      const file = join(folder, 'planted.json');
      await writeFile(file, writeSiteFile(planted, pictures));
      const result = spawnSync(process.execPath, commandLine('check', file, '--sweep', '--json'), {
        encoding: 'utf8',
        maxBuffer: 64e6,
      });
      expect(result.stderr).to.equal('Checking Home …\n');
      // Being wider than the window keeps somebody out.
      expect(result.status).to.equal(2);
      const found = JSON.parse(result.stdout) as Line[];
      const of = (rule: string, id: string) =>
        found.filter((each) => each.rule === rule && each.of.node === id).flatMap(({ widths }) => widths);
      expect(of('wider than the window', 'headline')).to.deep.equal([{ from: 700, to: 712 }]);

      const url = await server.put('planted', planted, pictures);
      await visit(browser.driver, `${server.url}/frame`);
      const seen = await browser.driver.executeAsyncScript<{ wider: number[]; small: number[] }>(
        SCAN,
        url,
        ...[320, 1100],
      );
      expect(seen.wider).to.include.members([640, 712]);
      const px = found
        .filter(({ rule }) => rule === 'wider than the window')
        .flatMap(({ widths }) => widths)
        .flatMap(({ from, to }) => Array.from({ length: to - from + 1 }, (_, at) => from + at));
      expect(px.sort((one, other) => one - other)).to.deep.equal(seen.wider);
      // In views narrower than the base alone.
      expect(of('target small for a thumb', 'shared-head-mark')).to.deep.equal(
        stretches(seen.small.filter((width) => width < 1024)),
      );
    } finally {
      server.close();
      await browser.close();
      await rm(folder, { recursive: true });
    }
  });

  it('finds what is outside the window, each of two that are too wide, and words broken in two', () =>
    inFolder(async (folder) => {
      const [ask, hours] = [node('evening'), node('many-hours')];
      let planted = onlyPages(site, 'home');
      const page = () => planted.pages[home.id];
      const set = (id: string, property: string, value: unknown, at = 'mobile') => {
        planted = made(
          'setValue',
          { nodes: [node(id)], property, view: view(at), value, reach: 'here' },
          page(),
          planted,
        ).site;
      };
      set('eyes-text', 'marginLeft', -60);
      set('week-title', 'minWidth', { px: 700 });
      set('invitation-title', 'minWidth', { px: 600 });
      planted = made(
        'addElement',
        { kind: 'hours', id: hours, parent: ask, after: null },
        page(),
        planted,
      ).site;
      planted = made(
        'setContent',
        {
          ...{ node: hours, field: 'hours' },
          value: [{ day: 'Donaudampfschifffahrtsgesellschaftstag', hours: '9–12' }],
        },
        page(),
        planted,
      ).site;
      const file = join(folder, 'planted.json');
      await writeFile(file, writeSiteFile(planted, pictures));
      const { stdout, stderr } = spawnSync(
        process.execPath,
        commandLine('check', file, '--sweep', '--json'),
        { encoding: 'utf8', maxBuffer: 64e6 },
      );
      const found = JSON.parse(stdout) as Line[];
      const nodes = (rule: string) => found.filter((each) => each.rule === rule).map(({ of }) => of.node);
      expect(nodes('outside the window'), stderr).to.deep.equal(['eyes-text']);
      expect(nodes('wider than the window')).to.include.members(['week-title', 'invitation-title']);
      expect(nodes('word broken in two')).to.deep.equal(['many-hours']);
    }));

  it('says what it does not do where there is no Chromium', async () => {
    const folder = await mkdtemp(join(tmpdir(), 'dimorphe-sweep-test-'));
    try {
      const file = join(folder, 'site.json');
      await writeFile(file, writeSiteFile(onlyPages(site, 'home'), pictures));
      const result = spawnSync(process.execPath, commandLine('check', file, '--sweep'), {
        encoding: 'utf8',
        env: { ...process.env, CHROME_BIN: join(folder, 'nowhere') },
      });
      expect(result.stderr).to.contain('There is no Chromium on this machine');
      expect(result.stdout).to.contain('Problems that only show in the page layout were not checked');
      expect(result.status).to.equal(0);
    } finally {
      await rm(folder, { recursive: true });
    }
  });
});

describe('the workbench: the sweep', function () {
  this.timeout(120_000);
  const bench = useBench();
  const press = async (name: string | RegExp, inside?: Parameters<typeof byRole>[3]) =>
    (await byRole(bench.driver, 'button', name, inside)).click();
  const says = (what: RegExp) =>
    eventually(
      `the sweep says ${what}`,
      async () =>
        what.test(await (await byRole(bench.driver, 'status', 'Sweep')).getText()) ? true : undefined,
      // It gives way to whatever else there is to do.
      60_000,
    );
  const list = () =>
    bench.driver.executeScript<string[]>(
      'return [...document.querySelectorAll("[aria-label=Findings] > li")].map((each) => each.textContent)',
    );
  const listed = (what: RegExp) =>
    eventually(`a finding ${what}`, async () => (await list()).find((each) => what.test(each)));
  const gone = (what: RegExp) =>
    eventually(`no finding ${what}`, async () =>
      (await list()).some((each) => what.test(each)) ? undefined : true,
    );

  it('lists what it measured, leads there, follows edits, and can be left off', async () => {
    const { driver } = bench;
    await press('Findings');
    await says(/have not been checked/);
    expect((await list()).some((each) => /read aloud/.test(each))).to.equal(false);
    await press('Sweep all widths');
    await says(/^Swept at every width from 320 to 1920 px/);
    const order = /^Text is read aloud before Dome image, and seen after it, from 320 to 639 px\./;
    await listed(order);
    // An edit that takes it away, and one that brings another.
    await press('Tree');
    await selectInOutline(driver, 'Dome image');
    await type(driver, 'Min. width', 'Mobile', '600');
    await expectStep(driver, 'Dome image: min. width in Mobile auto → 600 px');
    await press('Findings');
    const wider = await listed(/^Dome image makes the page up to \d+ px wider than the window from 320 to/);
    expect(wider).to.contain('Mobile · WCAG 2.2, 1.4.10');
    await chooseView(driver, 'Desktop');
    const item = await driver.findElement({ css: '[aria-label=Findings] > li.barrier' });
    await press('Go there', { inside: item });
    await eventually('its width', async () =>
      /^390 px, Mobile/.test(
        (await (await byRole(driver, 'slider', 'Width of the sheet')).getAttribute('aria-valuetext')) ?? '',
      )
        ? true
        : undefined,
    );
    await press('Remove its min. width in Mobile', { inside: item });
    await expectStep(driver, 'Dome image: min. width in Mobile 600 px → auto');
    await gone(/^Dome image makes/);
    await says(/^Swept at every width/);
    await press('Do not follow changes');
    await press(/^Undo/);
    // What was measured may not hold any more.
    await says(/^Swept before the last changes/);
    await listed(order);
    await press(/^Undo/);
  });

  it('can be stopped, and says that some widths were not looked at', async () => {
    await press('Findings');
    await press('Sweep all widths');
    await press('Stop');
    await says(/^Stopped: some widths have not been checked/);
    await press('Sweep all widths');
    await says(/^Swept at every width/);
    await press('Do not follow changes');
  });
});
