/**
 * Reads a font in a thread of its own: what is made to take long or much takes it there. JavaScript, as a thread does not
 * know the loader that the program was started with.
 */
import { parentPort, workerData } from 'node:worker_threads';
import { create } from 'fontkit';

function described(bytes) {
  try {
    const font = create(bytes);
    const axis = font.variationAxes?.wght;
    const weight = Math.min(999, Math.max(1, font['OS/2']?.usWeightClass ?? 400));
    return {
      name: font.familyName.slice(0, 80),
      style: font.italicAngle === 0 ? 'normal' : 'italic',
      weights: axis ? `${Math.max(1, axis.min)} ${axis.max}` : String(weight),
    };
  } catch {
    return undefined;
  }
}

parentPort.postMessage(described(Buffer.from(workerData)));
