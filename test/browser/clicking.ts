/** Clicks with the mouse of the browser itself, in a fraction of the time that the driver's own clicks take; a third of what tests do is clicking. */
import { error, type WebElement } from 'selenium-webdriver';
import type { Driver } from 'selenium-webdriver/chrome.js';
import { Command, Name } from 'selenium-webdriver/lib/command.js';

/**
 * Where an element is to be clicked, in sight: the middle of what is seen of its first box (WebDriver, §12.5.1
 * https://www.w3.org/TR/webdriver2/#element-click). `elsewhere`: in a frame, or in a list that the system draws.
 */
const AIM = `
  const element = arguments[0];
  if (window !== window.top || element.localName === 'option') return { elsewhere: true };
  const box = () => element.getClientRects()[0];
  const within = (one) => one.left >= 0 && one.top >= 0 && one.right <= innerWidth && one.bottom <= innerHeight;
  const met = ({ x, y }) => document.elementFromPoint(x, y);
  const middle = (one) => ({
    x: Math.floor((Math.max(0, one.left) + Math.min(innerWidth, one.right)) / 2),
    y: Math.floor((Math.max(0, one.top) + Math.min(innerHeight, one.bottom)) / 2),
  });
  const hits = () => {
    const found = met(middle(box()));
    return found !== null && (found === element || element.contains(found) || found.contains(element) && getComputedStyle(found).display === 'inline');
  };
  if (!box()) return { refused: 'has no box' };
  if (!within(box()) || !hits()) element.scrollIntoView({ behavior: 'instant', block: 'center', inline: 'nearest' });
  if (!hits()) {
    const found = met(middle(box()));
    return { refused: 'lies behind ' + (found ? found.cloneNode(false).outerHTML : 'nothing') };
  }
  return middle(box());`;

type Aimed = { x: number; y: number } | { elsewhere: true } | { refused: string };

/** ms */
const LEAVING = 3000;

/** Lets a driver click so. What lies behind something else is not clicked, as a person could not. */
export function clickingItself(driver: Driver): void {
  const execute = driver.execute.bind(driver);
  const click = async (command: Command): Promise<void> => {
    const element = command.getParameter('id') as WebElement;
    let aimed: Aimed;
    // What is about to leave, such as the backdrop of a dialog that has been closed, is waited for.
    const until = Date.now() + LEAVING;
    do aimed = await driver.executeScript<Aimed>(AIM, element);
    while ('refused' in aimed && Date.now() < until);
    if ('elsewhere' in aimed) return execute(command);
    if ('refused' in aimed)
      throw new error.ElementClickInterceptedError(`What is to be clicked ${aimed.refused}.`);
    const button = { button: 'left', clickCount: 1 };
    for (const event of [
      { type: 'mouseMoved' },
      { type: 'mousePressed', ...button },
      { type: 'mouseReleased', ...button },
    ])
      await driver.sendDevToolsCommand('Input.dispatchMouseEvent', { ...event, x: aimed.x, y: aimed.y });
  };
  driver.execute = ((command: Command) =>
    command.getName() === Name.CLICK_ELEMENT ? click(command) : execute(command)) as Driver['execute'];
}
