/** What a browser remembers of edits that are not saved: whose it is, and that none of it is lost on the way. */
import 'fake-indexeddb/auto';
import { expect } from 'chai';
import { createStore, entries, set } from 'idb-keyval';
import { outboxInBrowser, type Outbox } from '../../web/state/outbox.ts';
import type { Pending } from '../../web/state/pending.ts';

const edit = (key: string, at = 0): Pending => ({
  ...{ key, session: 'w', by: 'edit', sentence: key, at },
  ...{ operations: [{ op: 'set', path: '/frame/name', value: key }], inverse: [] },
});

/** The storage of a browser as far as it is needed (HTML Standard, §12.2.1). */
function storage(): Storage {
  const items = new Map<string, string>();
  return {
    get length() {
      return items.size;
    },
    key: (index) => [...items.keys()][index] ?? null,
    getItem: (key) => items.get(key) ?? null,
    setItem: (key, value) => void items.set(key, value),
    removeItem: (key) => void items.delete(key),
    clear: () => items.clear(),
  };
}

describe('what a browser remembers', () => {
  let site = 0;
  let open: Set<string>;
  let turn: Promise<unknown>;
  let local: Storage;
  beforeEach(() => {
    local = storage();
    site += 1;
    open = new Set();
    turn = Promise.resolve();
  });
  const id = () => `site-${site}`;
  /** A window, which is open from now on. */
  function window(session: string): Outbox {
    open.add(session);
    return outboxInBrowser(
      async (name) => open.has(name),
      (_name, work) => {
        const next = turn.then(work, work);
        turn = next;
        return next;
      },
      local,
    );
  }
  const all = async () =>
    (await entries<string, any>(createStore('dimorphe', 'unsent'))).filter(([name]) =>
      name.startsWith(`${id()} `),
    );

  it('is there again for the same window, in its order, with what could not be applied', async () => {
    const aside = [{ edit: edit('no'), why: 'It is gone.' }];
    await window('w1').write(id(), 'w1', { pending: [edit('a'), edit('b')], aside, revision: 7 });
    open.clear();
    expect(await window('w1').read(id(), 'w1')).to.deep.equal({
      ...{ pending: [edit('a'), edit('b')], aside, revision: 7 },
    });
  });

  it('has what an unloading page wrote synchronously, in addition to what was stored, each edit once, and clears it', async () => {
    const going = window('w1');
    await going.write(id(), 'w1', { pending: [edit('a', 1)], aside: [], revision: 7 });
    const [a, b] = [edit('a', 1), edit('b', 2)];
    going.writeSync(id(), 'w1', {
      pending: [a, b],
      aside: [{ edit: edit('no', 3), why: 'gone' }],
      revision: 8,
    });
    // Another window that is there has no part in it; one that is not may be followed by any.
    expect((await window('w2').read(id(), 'w2')).pending).to.deep.equal([]);
    open.clear();
    const read = await window('w1').read(id(), 'w1');
    expect(read.pending.map(({ key }) => key)).to.deep.equal(['a', 'b']);
    expect(read.aside.map(({ edit: { key } }) => key)).to.deep.equal(['no']);
    expect(local.length).to.equal(0);
    open.clear();
    expect((await window('w3').read(id(), 'w3')).pending.map(({ key }) => key)).to.deep.equal(['a', 'b']);
  });

  it('is what was stored if a synchronous write failed or cannot be read', async () => {
    const going = window('w1');
    await going.write(id(), 'w1', { pending: [edit('a')], aside: [], revision: 7 });
    local.setItem('dimorphe.outbox w1', '{"half');
    local.setItem = () => {
      throw new DOMException('There is no room.', 'QuotaExceededError');
    };
    going.writeSync(id(), 'w1', { pending: [edit('b')], aside: [], revision: 8 });
    open.clear();
    expect((await window('w1').read(id(), 'w1')).pending.map(({ key }) => key)).to.deep.equal(['a']);
  });

  it('belongs to the site: whichever window opens it next takes over what windows that have gone left behind', async () => {
    await window('w1').write(id(), 'w1', { pending: [edit('a', 1)], aside: [], revision: 9 });
    await window('w2').write(id(), 'w2', { pending: [edit('b', 2)], aside: [], revision: 4 });
    await window('w3').write(id(), 'w3', { pending: [edit('c', 3)], aside: [], revision: 5 });
    open.delete('w1');
    open.delete('w2');
    const next = window('w4');
    const read = await next.read(id(), 'w4');
    expect(
      read.pending.map(({ key }) => key),
      'not of the one that is there',
    ).to.deep.equal(['a', 'b']);
    expect(read.revision, 'the earliest').to.equal(4);
    expect((await all()).map(([name]) => name.split(' ')[1]).sort()).to.deep.equal(['w3', 'w4', 'w4']);
    // What was saved is forgotten, under whichever name it came.
    await next.write(id(), 'w4', { pending: [], aside: [], revision: 10 });
    expect((await all()).map(([name]) => name.split(' ')[1])).to.deep.equal(['w3']);
  });

  it('is taken over by one of two windows that open at once', async () => {
    await window('w1').write(id(), 'w1', { pending: [edit('a')], aside: [], revision: 1 });
    open.delete('w1');
    const [one, other] = [window('w2'), window('w3')];
    const found = await Promise.all([one.read(id(), 'w2'), other.read(id(), 'w3')]);
    expect(found.flatMap(({ pending }) => pending)).to.have.length(1);
  });

  it('is written before anything goes, in one change: a browser that stops in between has lost nothing', async () => {
    const own = window('w1');
    await own.write(id(), 'w1', { pending: [edit('a')], aside: [], revision: 1 });
    // What cannot be copied into the database lets the whole change fail.
    const broken = { ...edit('b'), sentence: (() => 'no text') as never };
    const failed = await own.write(id(), 'w1', { pending: [broken], aside: [], revision: 1 }).then(
      () => false,
      () => true,
    );
    expect(failed, 'is said').to.equal(true);
    expect((await all()).map(([, { pending }]) => pending.key)).to.deep.equal(['a']);
    await own.write(id(), 'w1', { pending: [edit('c')], aside: [], revision: 2 });
    expect((await all()).map(([, { pending }]) => pending.key)).to.deep.equal(['c']);
  });

  it('of a later version of the program is left to that', async () => {
    const entry = { version: 99, order: 0, revision: 1, pending: edit('a') };
    await set(`${id()} w1 p a`, entry, createStore('dimorphe', 'unsent'));
    const own = window('w2');
    expect((await own.read(id(), 'w2')).pending).to.deep.equal([]);
    await own.write(id(), 'w2', { pending: [], aside: [], revision: 2 });
    expect((await all()).map(([name]) => name)).to.deep.equal([`${id()} w1 p a`]);
  });
});
