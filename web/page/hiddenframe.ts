import { EMPTY_SHEET } from './sheetdocument.ts';

/** A frame that nobody sees, hears or gets to with the keyboard, with an empty sheet in it; in px. */
export async function hiddenFrame(
  title: string,
  { width, height }: { width: number; height: number },
): Promise<HTMLIFrameElement> {
  const frame = document.createElement('iframe');
  frame.setAttribute('sandbox', 'allow-same-origin');
  frame.setAttribute('aria-hidden', 'true');
  frame.title = title;
  frame.inert = true;
  frame.srcdoc = EMPTY_SHEET;
  Object.assign(frame.style, {
    position: 'fixed',
    left: '-20000px',
    top: '0',
    width: `${width}px`,
    height: `${height}px`,
    visibility: 'hidden',
    border: '0',
  });
  const loaded = new Promise((resolve) => frame.addEventListener('load', resolve, { once: true }));
  document.body.append(frame);
  await loaded;
  return frame;
}
