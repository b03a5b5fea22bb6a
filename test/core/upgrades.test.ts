/** What every earlier version of the program has stored is read in the present form; the files in `test/stored` were written by it. */
import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import {
  applied,
  compileSite,
  FORMAT_VERSION,
  performCall,
  readElements,
  readSiteFile,
  siteFaults,
  upgraded,
  type NodeId,
  type Operation,
  type Site,
} from '../../core/index.ts';
import { MEASURED_RULES } from '../../core/checks/measured/registry.ts';
import { RULES } from '../../core/checks/registry.ts';
import { UPGRADES, upgradesBy, type UpgradeStep } from '../../core/exchange/upgrade.ts';
import { presentEntry } from '../../web/state/outbox.ts';

const storedText = (name: string): string =>
  readFileSync(fileURLToPath(new URL(`../stored/${name}`, import.meta.url)), 'utf8');
const stored = (name: string): any => JSON.parse(storedText(name));

const siteOf2 = (): Site => stored('publication-2.json');

describe('what earlier versions have stored', () => {
  it('has a step from each version to the next', () => {
    expect(UPGRADES.map(({ from }) => from)).to.deep.equal(
      Array.from({ length: FORMAT_VERSION - 1 }, (_none, index) => index + 1),
    );
  });

  for (let version = 1; version <= FORMAT_VERSION; version++)
    it(`is read from a site file of version ${version}`, () => {
      const read = readSiteFile(storedText(`site-${version}.json`));
      expect(read.ok ? [] : read.faults).to.deep.equal([]);
      if (!read.ok) return;
      expect(read.value.site.frame.version).to.equal(FORMAT_VERSION);
      expect(compileSite(read.value.site).length).to.be.greaterThan(1);
      if (version > 1) return;
      const { style } = Object.values(Object.values(read.value.site.pages)[0].nodes).find(
        (node) => node.style.self?.borderTop,
      )!;
      for (const side of ['Top', 'Right', 'Bottom', 'Left'])
        expect(style.self![`border${side}`]).to.deep.equal({ base: 3 });
    });

  it('is read from a publication, and can be published and edited again', () => {
    const site = upgraded.state(siteOf2());
    expect(siteFaults(site)).to.deep.equal([]);
    expect(compileSite(site).length).to.be.greaterThan(1);
  });

  it('is read from the log: there and back', () => {
    const site = upgraded.state(siteOf2());
    const log = stored('log-2.json') as { operations: Operation[]; inverse: Operation[] }[];
    const there = applied(
      site,
      log.flatMap(({ operations }) => upgraded.operations(operations, 2)),
    );
    if (!there.ok) throw new Error(there.sentence);
    expect(siteFaults(there.value.site)).to.deep.equal([]);
    const back = applied(
      there.value.site,
      log.toReversed().flatMap(({ inverse }) => upgraded.operations(inverse, 2)),
    );
    expect(back.ok && back.value.site).to.deep.equal(site);
  });

  it('has dismissed findings under the present names of their rules', () => {
    const reason = { reason: 'On purpose', of: 'abc' };
    const before = {
      'picture-without-a-text-alternative': reason,
      'words-cut-off_item-3': reason,
      unknown: reason,
    };
    const now = {
      'image-without-a-text-alternative': reason,
      'text-cut-off_item-3': reason,
      unknown: reason,
    };
    expect(upgraded.node({ id: 'a', aside: before }, 2)).to.deep.equal({ id: 'a', aside: now });
    expect(upgraded.node({ id: 'a', aside: now }, FORMAT_VERSION)).to.deep.equal({ id: 'a', aside: now });
    const frame = { version: 2, textStyles: [{ id: 'body', aside: before }, { id: 'lead' }] };
    expect(upgraded.frame(frame)).to.deep.equal({
      ...{ version: FORMAT_VERSION, textStyles: [{ id: 'body', aside: now }, { id: 'lead' }] },
    });
    const path = '/pages/home/nodes/a/aside';
    const set = (at: string, value: unknown): Operation => ({ op: 'set', path: at, value });
    expect(
      upgraded.operations(
        [
          set(path, before),
          set(`${path}/words-cut-off_item-3`, reason),
          { op: 'clear', path: `${path}/link-leads-nowhere` },
        ],
        2,
      ),
    ).to.deep.equal([
      set(path, now),
      set(`${path}/text-cut-off_item-3`, reason),
      { op: 'clear', path: `${path}/link-without-a-target` },
    ]);
    const call = { name: 'setAside', args: { of: { node: 'a' }, rule: 'words over words', reason: 'So' } };
    expect(upgraded.call(call, 2).args).to.deep.include({ rule: 'text over text', reason: 'So' });
    const rules = [...RULES, ...MEASURED_RULES].map(({ name }) => name);
    expect(rules).to.include.members(['image without a text alternative', 'text cut off', 'text over text']);
  });

  it('names no rule of checks that is not there: each of version 2 has its name, or another one now', () => {
    const rules = [...RULES, ...MEASURED_RULES].map(({ name }) => name);
    for (const rule of stored('rules-2.json') as string[]) {
      const call = { name: 'setAside', args: { rule } };
      expect(rules).to.include((upgraded.call(call, 2).args as { rule: string }).rule);
    }
  });

  it('is read from copied elements', () => {
    const read = readElements(storedText('elements-1.json'));
    expect(read.ok && read.value.version).to.equal(FORMAT_VERSION);
  });

  it('is read from edits that wait in a browser; those of a later version are left to that', () => {
    const site = upgraded.state(siteOf2());
    for (const { entry } of stored('waiting-2.json') as { entry: any }[]) {
      const present = presentEntry(entry)!;
      expect(present.version).to.equal(FORMAT_VERSION);
      const edit = present.pending ?? present.aside.edit;
      expect(applied(site, edit.operations).ok).to.equal(true);
      if (edit.use) expect(performCall(site, edit.use.page, edit.use).ok).to.equal(true);
      expect(presentEntry({ ...entry, version: FORMAT_VERSION + 1 })).to.equal(undefined);
    }
  });
});

/** A version to come, in which a property, a kind’s field of content and a command have other names. */
const RENAMES: UpgradeStep = {
  from: FORMAT_VERSION,
  frame: (frame) => ({ ...frame, renamed: true }),
  node(node) {
    const { self } = node.style as { self?: Record<string, unknown> };
    if (!self || !('gap' in self)) return node;
    const { gap, ...rest } = self;
    return { ...node, style: { ...(node.style as object), self: { ...rest, spaceBetween: gap } } };
  },
  operation: (operation) => [
    { ...operation, path: operation.path.replace(/\/style\/self\/gap(?=\/|$)/, '/style/self/spaceBetween') },
  ],
  call: ({ name, args }) => ({ name: name === 'rename' ? 'nameElement' : name, args }),
};

describe('a step to a version to come', () => {
  const next = upgradesBy([...UPGRADES, RENAMES], FORMAT_VERSION + 1);

  it('reaches elements on pages and in what pages share, and the frame, once', () => {
    const site = siteOf2();
    const made = next.state(site) as any;
    expect(made.frame).to.include({ version: FORMAT_VERSION + 1, renamed: true });
    const text = JSON.stringify([made.pages, made.frame.shared]);
    expect(text).to.contain('"spaceBetween":').and.not.contain('"gap":');
    expect(text.length, 'nothing else').to.equal(
      JSON.stringify([site.pages, site.frame.shared]).replaceAll('"gap":', '"spaceBetween":').length,
    );
    expect(next.state(made), 'what is in the present form stays as it is').to.equal(made);
    expect(next.frame(made.frame)).to.equal(made.frame);
    expect(site, 'nothing is changed in place').to.deep.equal(siteOf2());
  });

  it('leads from the first version through all steps', () => {
    const made = next.file(stored('site-1.json'));
    expect(made).to.include({ version: FORMAT_VERSION + 1, renamed: true });
    expect(made.spacing).to.deep.equal([]);
    expect(JSON.stringify(made)).not.to.contain('borderWidth');
  });

  it('reaches operations: their places, and the elements and pages that they put', () => {
    const site = siteOf2();
    const [page] = Object.values(site.pages);
    const node = Object.values(page.nodes).find(({ style }) => style.self?.gap)!;
    const version = FORMAT_VERSION;
    const set = (path: string, value: unknown): Operation => ({ op: 'set', path, value });
    const at = `/pages/${page.id}/nodes/${node.id}`;
    const made = next.operations(
      [
        set(`${at}/style/self/gap/base`, 20),
        { op: 'clear', path: `${at}/style/self/gap` },
        set(at, node),
        set(`/pages/${page.id}`, page),
        set(`/frame/shared/head`, page),
        set(`/frame/shared/head/nodes/${node.id}`, node),
        set('/frame/name', { style: { self: { gap: 1 } } }),
      ],
      version,
    ) as any[];
    expect(made.slice(0, 2).map(({ path }) => path)).to.deep.equal([
      `${at}/style/self/spaceBetween/base`,
      `${at}/style/self/spaceBetween`,
    ]);
    for (const index of [2, 5])
      expect(made[index].value.style.self.spaceBetween).to.deep.equal(node.style.self!.gap);
    for (const index of [3, 4])
      expect(made[index].value.nodes[node.id].style.self.spaceBetween).to.deep.equal(node.style.self!.gap);
    expect(made[6].value, 'what only looks like an element').to.deep.equal({ style: { self: { gap: 1 } } });
    expect(next.operations(made, FORMAT_VERSION + 1)).to.deep.equal(made);
  });

  it('reaches commands that wait in a browser', () => {
    const call = { name: 'rename', args: { node: 'lead' as NodeId } };
    expect(next.call(call, FORMAT_VERSION)).to.deep.equal({ ...call, name: 'nameElement' });
    expect(next.call(call, FORMAT_VERSION + 1)).to.equal(call);
  });
});
