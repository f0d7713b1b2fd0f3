import { writeFile } from 'node:fs/promises';
import { chromium } from '@playwright/test';

/**
 * Makes squat.webm, the film that is followed in the tests, on an idle machine: an outline with tape on its joints that
 * goes down and up three times, four seconds each. Usage: node e2e/support/make-squat.mjs CHROMIUM
 */
/** Each joint: where it is at first, px, and how far it goes right and down. */
const joints = [
  [300, 600, 0, 0],
  [220, 600, 0, 0],
  [235, 570, 0, 0],
  [240, 455, 36, 12],
  [235, 330, -18, 34],
  [350, 210, 0, 34],
  [300, 260, 0, 34],
  [245, 190, -6, 34],
  [255, 130, -6, 34],
];
const browser = await chromium.launch({ executablePath: process.argv[2] });
const page = await browser.newPage();
const made = await page.evaluate(
  async ({ places, cycles, long }) => {
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [480, 640];
    const pen = canvas.getContext('2d');
    const draw = (seconds) => {
      const low = (1 - Math.cos((2 * Math.PI * seconds) / long)) / 2;
      const at = places.map(([x, y, right, down]) => [x + right * low, y + down * low]);
      pen.fillStyle = '#d8d2c4';
      pen.fillRect(0, 0, 480, 640);
      pen.strokeStyle = '#4a5568';
      pen.lineWidth = 34;
      pen.lineCap = 'round';
      pen.lineJoin = 'round';
      for (const line of [
        [0, 1, 2, 3, 4, 7, 8],
        [7, 6, 5],
      ]) {
        pen.beginPath();
        for (const joint of line) pen.lineTo(...at[joint]);
        pen.stroke();
      }
      for (const [x, y] of at) {
        for (const [radius, colour] of [
          [7, '#fff'],
          [3.5, '#111'],
        ]) {
          pen.fillStyle = colour;
          pen.beginPath();
          pen.arc(x, y, radius, 0, 7);
          pen.fill();
        }
      }
    };
    draw(0);
    const recorder = new MediaRecorder(canvas.captureStream(30), {
      mimeType: 'video/webm;codecs=vp8',
      videoBitsPerSecond: 3e6,
    });
    const parts = [];
    recorder.ondataavailable = ({ data }) => parts.push(data);
    recorder.start();
    const begun = performance.now();
    for (let seconds = 0; seconds < cycles * long + 0.1; seconds = (performance.now() - begun) / 1000) {
      draw(Math.min(seconds, cycles * long));
      await new Promise((done) => setTimeout(done, 25));
    }
    recorder.stop();
    await new Promise((done) => (recorder.onstop = done));
    const bytes = new Uint8Array(await new Blob(parts).arrayBuffer());
    return btoa(Array.from(bytes, (byte) => String.fromCharCode(byte)).join(''));
  },
  { places: joints, cycles: 3, long: 4 },
);
await writeFile(new URL('squat.webm', import.meta.url), Buffer.from(made, 'base64'));
await browser.close();
