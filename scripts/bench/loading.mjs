import { createReadStream, existsSync, statSync } from 'node:fs';
import { createServer } from 'node:http';
import { extname, join } from 'node:path';
import { createGzip } from 'node:zlib';
import { chromium } from '@playwright/test';
import { root } from '../setup.mjs';

const types = {
  '.html': 'text/html',
  '.js': 'text/javascript',
  '.css': 'text/css',
  '.woff2': 'font/woff2',
  '.svg': 'image/svg+xml',
};
const packed = new Set(['.html', '.js', '.css', '.svg', '.json', '.webmanifest']);

/** Serves a built folder with gzip, so that both pages come the same way. */
export function serve(folder) {
  const server = createServer((request, response) => {
    const path = join(folder, decodeURIComponent(new URL(request.url, 'http://localhost').pathname));
    const file = existsSync(path) && statSync(path).isFile() ? path : join(folder, 'index.html');
    const kind = extname(file);
    response.setHeader('Content-Type', types[kind] ?? 'application/octet-stream');
    response.setHeader('Cache-Control', 'no-store');
    if (!packed.has(kind)) return createReadStream(file).pipe(response);
    response.setHeader('Content-Encoding', 'gzip');
    return createReadStream(file).pipe(createGzip()).pipe(response);
  });
  return new Promise((resolve) => {
    server.listen(0, '127.0.0.1', () => resolve({ server, address: `http://127.0.0.1:${server.address().port}` }));
  });
}

/** One cold load: bytes over the wire, the time until `usable` is there, and until `data` is. */
async function load(browser, address, { usable, data }) {
  const context = await browser.newContext({ serviceWorkers: 'block' });
  const page = await context.newPage();
  const client = await context.newCDPSession(page);
  await client.send('Network.enable');
  const sizes = new Map();
  const kinds = new Map();
  client.on('Network.responseReceived', ({ requestId, response }) =>
    kinds.set(requestId, extname(new URL(response.url).pathname)),
  );
  client.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => sizes.set(requestId, encodedDataLength));
  const begun = performance.now();
  await page.goto(address, { waitUntil: 'commit' });
  await page.locator(usable).first().waitFor({ state: 'visible' });
  const milliseconds = performance.now() - begun;
  if (data !== undefined) await page.locator(data).first().waitFor({ state: 'visible' });
  const withData = performance.now() - begun;
  await page.waitForLoadState('networkidle');
  const bytes = (fonts) =>
    [...sizes].reduce((sum, [id, size]) => (fonts === (kinds.get(id) === '.woff2') ? sum + size : sum), 0);
  const result = { milliseconds, withData, code: bytes(false), fonts: bytes(true) };
  await context.close();
  return result;
}

const median = (values) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)];
const round = (value, digits = 2) => Number(value.toFixed(digits));
const ROUNDS = 9;

/** The app against a bare Angular + PrimeNG page, loaded in turns from the same kind of server. */
export async function measureLoading(executablePath) {
  const pages = [
    { name: 'app', folder: 'apps/web/dist/web/browser', path: '/own', usable: 'h1', data: '#first-steps' },
    { name: 'bare', folder: 'apps/web/dist/bare/browser', path: '/', usable: 'button' },
  ];
  const browser = await chromium.launch({ executablePath });
  const runs = { app: [], bare: [] };
  const served = await Promise.all(pages.map((page) => serve(join(root, page.folder))));
  for (let round = 0; round <= ROUNDS; round += 1) {
    for (const [index, page] of pages.entries()) {
      const run = await load(browser, served[index].address + page.path, page);
      if (round > 0) runs[page.name].push(run);
    }
  }
  await browser.close();
  for (const { server } of served) server.close();
  const of = (name, key) => median(runs[name].map((run) => run[key]));
  const transfer = of('app', 'code') / of('bare', 'code');
  const withFonts = (of('app', 'code') + of('app', 'fonts')) / of('bare', 'code');
  const time = median(runs.app.map((run, index) => run.milliseconds / runs.bare[index].milliseconds));
  const data = median(runs.app.map((run, index) => run.withData / runs.bare[index].milliseconds));
  return [
    {
      name: 'loading: transfer of the app (gzip, without fonts)',
      value: round(of('app', 'code') / 1024, 1),
      unit: 'kB',
    },
    { name: 'loading: transfer of the bare page (gzip)', value: round(of('bare', 'code') / 1024, 1), unit: 'kB' },
    { name: 'loading: transfer, app / bare', value: round(transfer), unit: '×', target: '≤ 1.6', met: transfer <= 1.6 },
    { name: 'loading: transfer with the fonts, app / bare', value: round(withFonts), unit: '×' },
    {
      name: 'loading: time to usable (place and rail), app / bare',
      value: round(time),
      unit: '×',
      target: '≤ 1.5',
      met: time <= 1.5,
    },
    { name: 'loading: time until the stored data is shown, app / bare', value: round(data), unit: '×' },
  ];
}
