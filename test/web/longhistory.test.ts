/** What a window undoes and makes again of a history that is longer than what it reads of it when it is opened. */
import { expect } from 'chai';
import type { LogEntry } from '../../api/responses.ts';
import { documents } from '../../web/state/documents.ts';
import { nextStep } from '../../web/state/steps.ts';
import { redo, undo } from '../../web/state/traversal.ts';
import { editor, inHome, set } from '../server/editing.ts';
import { served, type Served } from '../server/serving.ts';
import { openWindow } from './window.ts';

describe('a window on a site with a long history', function () {
  this.timeout(120_000);
  let running: Served;
  before(async () => {
    running = await served();
  });
  after(() => running?.end());
  const others = editor(() => running.url, 'others');

  type Opened = Awaited<ReturnType<typeof openWindow>>;
  const nameOf = (window: Opened): string => window.node('lead').name;
  const next = (window: Opened, list: 'undo' | 'redo') => nextStep(window.store.getState(), list)?.sentence;

  /** Waits until a step of one's own can be undone, as its button then says. */
  const knows = async (window: Opened, list: 'undo' | 'redo') => {
    for (let turn = 0; turn < 2000 && next(window, list) === undefined; turn++)
      await new Promise((resolve) => setImmediate(resolve));
    return next(window, list);
  };

  /** Walks one step, and waits until it is done. */
  async function walked(window: Opened, list: 'undo' | 'redo'): Promise<string> {
    const before = nameOf(window);
    window.store.dispatch(list === 'undo' ? undo() : redo());
    for (let turn = 0; turn < 2000 && nameOf(window) === before; turn++)
      await new Promise((resolve) => setImmediate(resolve));
    return nameOf(window);
  }

  it('undoes all that it did, and makes it again in its order, when it is opened again on the way', async () => {
    const first = await openWindow(running.url, 'long');
    const names = [nameOf(first), ...Array.from({ length: 105 }, (_, index) => `Name ${index}`)];
    for (const name of names.slice(1)) first.rename('lead', name);
    await first.kept();
    await first.close();

    const second = await openWindow(running.url, 'long');
    for (let at = 104; at >= 75; at--) expect(await walked(second, 'undo')).to.equal(names[at]);
    await second.kept();
    await second.close();

    // Of the last hundred steps thirty undo; some of what they undid is older than those.
    const third = await openWindow(running.url, 'long');
    expect(await walked(third, 'redo')).to.equal(names[76]);
    for (let at = 75; at >= 0; at--) expect(await walked(third, 'undo')).to.equal(names[at]);
    expect(next(third, 'undo')).to.equal(undefined);
    for (let at = 1; at <= 5; at++) expect(await walked(third, 'redo')).to.equal(names[at]);
    await third.kept();
    await third.close();
  });

  it('finds its own steps again behind hundreds of others’, when it is opened and when they come', async () => {
    const first = await openWindow(running.url, 'behind');
    const before = nameOf(first);
    first.rename('lead', 'Mine');
    await first.kept();
    for (let count = 0; count < 220; count++)
      await others.made([set(inHome('headline', 'name'), `Theirs ${count}`)]);
    await first.hears();
    expect(next(first, 'undo')).to.contain('Mine');
    await first.close();

    const second = await openWindow(running.url, 'behind');
    expect(await knows(second, 'undo')).to.contain('Mine');
    expect(await walked(second, 'undo')).to.equal(before);
    expect(next(second, 'undo')).to.equal(undefined);
    await second.kept();
    await second.close();

    const stranger = await openWindow(running.url, 'stranger');
    expect(next(stranger, 'undo')).to.equal(undefined);
    stranger.store.dispatch(undo());
    for (let turn = 0; turn < 50; turn++) await new Promise((resolve) => setImmediate(resolve));
    expect(nameOf(stranger), 'what others did is theirs').to.equal(before);
    await stranger.close();
  });

  it('keeps its own at hand where so many others’ come that those before are let go', async () => {
    const window = await openWindow(running.url, 'pushed-out');
    const before = nameOf(window);
    window.rename('lead', 'Mine again');
    await window.kept();
    const { site, stored, revision } = window.state().open!;
    const entries = Array.from({ length: 1005 }, (_, index): LogEntry => ({
      ...{ key: `theirs-${index}`, session: 'others', by: 'edit', sentence: `Theirs ${index}` },
      ...{ revision: revision + 1 + index, madeAt: '2026-05-04T03:02:01.000Z', operations: [], inverse: [] },
    }));
    const taken = {
      site,
      stored,
      revision: revision + 1005,
      pending: [],
      aside: [],
      entries,
      overwritten: [],
    };
    window.store.dispatch(documents.actions.tookOver(taken));
    expect(next(window, 'undo')).to.contain('Mine again');
    expect(await walked(window, 'undo')).to.equal(before);
  });
});
