/**
 * Draws the demo site's video, the turning sky over the dome, and records it in Chromium: `npm run video`. The drawing is
 * made from seeded random numbers; recording takes as long as the film.
 */
import { writeFile } from 'node:fs/promises';
import { openBrowser } from '../test/browser/browser.ts';

const SECONDS = 5;

/** Runs in the browser: answers the recorded video as base64. */
const RECORD = `
  const [seconds, done] = arguments;
  const canvas = document.createElement('canvas');
  canvas.width = 640; canvas.height = 360;
  const context = canvas.getContext('2d');
  let state = 7;
  const random = () => { state = (state * 1664525 + 1013904223) >>> 0; return state / 4294967296; };
  const stars = Array.from({ length: 240 }, () => ({ r: 30 + random() * 520, a: random() * Math.PI * 2, size: 0.6 + random() ** 3 * 1.8, warm: random() }));
  const draw = (turn) => {
    const sky = context.createLinearGradient(0, 0, 0, 360);
    sky.addColorStop(0, '#0b1226'); sky.addColorStop(0.75, '#1d2b4f'); sky.addColorStop(1, '#51466b');
    context.fillStyle = sky; context.fillRect(0, 0, 640, 360);
    for (const star of stars) {
      context.strokeStyle = star.warm < 0.2 ? '#ffd9a8' : '#e8eeff';
      context.lineWidth = star.size;
      context.beginPath();
      context.arc(320, 90, star.r, star.a + turn - 0.12, star.a + turn);
      context.stroke();
    }
    context.fillStyle = '#0c1210';
    context.beginPath(); context.moveTo(0, 320); context.quadraticCurveTo(320, 250, 640, 330); context.lineTo(640, 360); context.lineTo(0, 360); context.fill();
    context.fillStyle = '#c9d0da';
    context.beginPath(); context.arc(320, 282, 52, Math.PI, 0); context.fill();
    context.fillRect(270, 282, 100, 26);
    context.fillStyle = '#e8a04c'; context.fillRect(312, 232, 16, 48);
  };
  const recorder = new MediaRecorder(canvas.captureStream(24), { mimeType: 'video/webm', videoBitsPerSecond: 500000 });
  const chunks = [];
  recorder.ondataavailable = (event) => chunks.push(event.data);
  recorder.onstop = () => { const reader = new FileReader(); reader.onload = () => done(reader.result.split(',')[1]); reader.readAsDataURL(new Blob(chunks)); };
  const start = performance.now();
  recorder.start();
  const frame = () => {
    const passed = (performance.now() - start) / 1000;
    draw(passed * 0.12);
    if (passed < seconds) requestAnimationFrame(frame); else recorder.stop();
  };
  frame();
`;

const browser = await openBrowser();
try {
  await browser.driver.get('about:blank');
  const film = await browser.driver.executeAsyncScript<string>(RECORD, SECONDS);
  await writeFile(new URL('../demo/pictures/turning-sky.webm', import.meta.url), Buffer.from(film, 'base64'));
} finally {
  await browser.close();
}
