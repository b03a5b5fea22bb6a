/** What work costs a person's hands: a click, a drag, a key and a text typed in one go are one action each. */
import type { WebElement } from 'selenium-webdriver';
import { byRole, still } from './browser.ts';
import type { useBench } from './workbench.ts';

/** Counts what is done through it. */
export function handsAt(bench: ReturnType<typeof useBench>) {
  let actions = 0;
  const act = async (run: () => Promise<unknown>): Promise<void> => {
    actions += 1;
    await run();
    await still(bench.driver);
  };
  return {
    get actions() {
      return actions;
    },
    begin() {
      actions = 0;
    },
    act,
    click: (on: Promise<WebElement>) => act(async () => (await on).click()),
    clickHolding: (held: string, on: Promise<WebElement>) =>
      act(async () =>
        bench.driver
          .actions()
          .keyDown(held)
          .click(await on)
          .keyUp(held)
          .perform(),
      ),
    key: (key: string) => act(() => bench.press(key)),
    chord: (...keys: [held: string, ...string[]]) => act(() => bench.chord(...keys)),
    text: (text: string) => act(() => bench.press(text)),
    button: (name: string | RegExp) => byRole(bench.driver, 'button', name),
    /** The header of a view in the ledger. */
    head: (view: string) =>
      byRole(bench.driver, 'button', new RegExp(`^(\\d+ of )?\\d*(base ?)?${view} ?[\\d<]`)),
  };
}
