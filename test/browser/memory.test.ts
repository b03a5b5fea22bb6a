/** What the workbench holds in memory, as Chromium counts it: a day of edits must leave nothing behind. */
import { expect } from 'chai';
import { selectInOutline, expectStep, useBench } from './workbench.ts';
import { still } from './browser.ts';

/** What Chromium counts after it has let go of what nobody can reach (Chrome DevTools Protocol, Memory.getDOMCounters). */
interface Held {
  documents: number;
  nodes: number;
  jsEventListeners: number;
}

describe('memory', () => {
  const bench = useBench();

  async function held(): Promise<Held> {
    await still(bench.driver);
    await bench.driver.sendDevToolsCommand('HeapProfiler.collectGarbage', {});
    return (await bench.driver.sendAndGetDevToolsCommand('Memory.getDOMCounters', {})) as unknown as Held;
  }

  it('holds as much after many edits as after a few', async () => {
    const { driver, press } = bench;
    await selectInOutline(driver, 'Row: text + dome');
    // Such edits change the markup of a page with images in forms for some widths only.
    const edits = async (count: number) => {
      for (let edit = 0; edit < count; edit++) {
        await press('h');
        await expectStep(driver, /: hidden in Desktop/);
        await press('h');
        await expectStep(driver, /: shown in Desktop/);
      }
      return held();
    };
    const few = await edits(3);
    const many = await edits(10);
    expect(many.documents, 'documents').to.be.at.most(few.documents + 1);
    expect(many.nodes, 'nodes').to.be.at.most(few.nodes + 100);
    expect(many.jsEventListeners, 'listeners').to.be.at.most(few.jsEventListeners + 20);
  });
});
