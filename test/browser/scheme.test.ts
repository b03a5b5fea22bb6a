/** The workbench on dark ground where the system asks for it, and the density of its rows. */
import { expect } from 'chai';
import { byRole, eventually } from './browser.ts';
import { chooseView, inSheet, outlineRow, selectInOutline, useBench } from './workbench.ts';

describe('the looks of the workbench', function () {
  this.timeout(120_000);
  const bench = useBench();
  const emulate = (value: string) =>
    bench.driver.sendDevToolsCommand('Emulation.setEmulatedMedia', {
      features: [{ name: 'prefers-color-scheme', value }],
    });
  afterEach(() => emulate('light'));

  it('follow the dark scheme of the system, and leave the sheets as visitors see them', async () => {
    const { driver } = bench;
    await chooseView(driver, 'Desktop');
    const ground = () =>
      driver.executeScript<string>('return getComputedStyle(document.body).backgroundColor');
    const page = () =>
      inSheet<string[]>(
        driver,
        'Desktop',
        'page',
        `const style = (node) => window.getComputedStyle(node);
         const lead = window.document.querySelector('.n-lead');
         return [style(window.document.documentElement).colorScheme, style(window.document.body).backgroundColor, style(lead).color,
                 style(window.frameElement.parentElement.closest('.sheet-page')).backgroundColor]`,
      );
    const [light, shown] = [await ground(), await page()];
    expect(light).to.equal('rgb(250, 247, 240)');
    await emulate('dark');
    await eventually('dark ground', async () => (await ground()) !== light);
    const [red, green, blue] = (await ground()).match(/\d+/g)!.map(Number);
    expect(Math.max(red, green, blue)).to.be.below(60);
    expect(await page()).to.deep.equal(shown);
    // Fields and scrollbars of the browser follow (CSS Color Adjustment 1, §2.2).
    expect(
      await driver.executeScript('return getComputedStyle(document.documentElement).colorScheme'),
    ).to.equal('dark');
    await emulate('light');
    await eventually('light ground again', async () => (await ground()) === light);
  });

  it('have rows as close as one chooses, also after a reload', async () => {
    const { driver } = bench;
    const height = async () => (await (await outlineRow(driver, 'Headline')).getRect()).height;
    const value = () =>
      driver.executeScript<number>(
        'return document.querySelector(".value-cell").getBoundingClientRect().height',
      );
    await selectInOutline(driver, 'Headline');
    const before = [await height(), await value()];
    await (await byRole(driver, 'button', 'Guide and shortcuts')).click();
    await (await byRole(driver, 'button', 'Comfortable')).click();
    await eventually('higher rows', async () => (await height()) > before[0] && (await value()) > before[1]);
    await bench.reload();
    await selectInOutline(driver, 'Headline');
    expect(await height()).to.be.above(before[0]);
    await (await byRole(driver, 'button', 'Guide and shortcuts')).click();
    await (await byRole(driver, 'button', 'Compact')).click();
    // A pointer has room in every one of them (WCAG 2.2, 2.5.8).
    await eventually('lower rows', async () => (await height()) < before[0]);
    expect(await height()).to.be.at.least(24);
    expect(await value()).to.be.at.least(24);
  });
});
