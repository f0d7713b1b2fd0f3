import { createReadStream, existsSync, readFileSync, statSync } from 'node:fs';
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

/** What the page itself asks for: its scripts with all they import at once, and its style sheet. */
function firstLoad(folder, address) {
  const at = join(root, folder);
  const html = readFileSync(join(at, 'index.html'), 'utf8');
  const found = new Set([address]);
  const visit = (name) => {
    if (found.has(`/${name}`)) return;
    found.add(`/${name}`);
    if (!name.endsWith('.js')) return;
    const code = readFileSync(join(at, name), 'utf8');
    for (const [, other] of code.matchAll(/(?:from|import)\s*"\.\/([^"]+\.js)"/g)) visit(other);
  };
  for (const [, name] of html.matchAll(/(?:src|href)="([^"/:]+\.(?:js|css))"/g)) visit(name);
  return found;
}

/**
 * One cold load: the time until `usable` is there, and until `data` is; bytes over the wire, of the first load – what the page
 * itself asks for, which is all that `usable` waits for – and of everything that follows.
 */
async function load(browser, address, { folder, usable, data }) {
  const context = await browser.newContext({ serviceWorkers: 'block' });
  const page = await context.newPage();
  const client = await context.newCDPSession(page);
  await client.send('Network.enable');
  const sizes = new Map();
  const paths = new Map();
  client.on('Network.responseReceived', ({ requestId, response }) =>
    paths.set(requestId, new URL(response.url).pathname),
  );
  client.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => sizes.set(requestId, encodedDataLength));
  const begun = performance.now();
  await page.goto(address, { waitUntil: 'commit' });
  await page.locator(usable).first().waitFor({ state: 'visible' });
  const milliseconds = performance.now() - begun;
  if (data !== undefined) await page.locator(data).first().waitFor({ state: 'visible' });
  const withData = performance.now() - begun;
  const until = new Set(sizes.keys());
  await page.waitForLoadState('networkidle');
  const first = firstLoad(folder, new URL(address).pathname);
  const bytes = (counts) => [...sizes].reduce((sum, [id, size]) => (counts(paths.get(id), id) ? sum + size : sum), 0);
  const font = (path) => extname(path) === '.woff2';
  const result = {
    milliseconds,
    withData,
    code: bytes((path) => first.has(path)),
    fonts: bytes(font),
    // The other views come later, while nothing else is to be done.
    all: bytes((path, id) => !font(path) && until.has(id)),
  };
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
  const time = median(runs.app.map((run, index) => run.milliseconds / runs.bare[index].milliseconds));
  const data = median(runs.app.map((run, index) => run.withData / runs.bare[index].milliseconds));
  return [
    {
      name: 'loading: first load of the app (gzip, without fonts)',
      value: round(of('app', 'code') / 1024, 1),
      unit: 'kB',
    },
    { name: 'loading: first load of the bare page (gzip)', value: round(of('bare', 'code') / 1024, 1), unit: 'kB' },
    {
      name: 'loading: first load, app / bare',
      value: round(transfer),
      unit: '×',
      target: '≤ 1.3',
      met: transfer <= 1.3,
    },
    { name: 'loading: fonts and icons of the app', value: round(of('app', 'fonts') / 1024, 1), unit: 'kB' },
    { name: 'loading: everything until the day is shown (gzip)', value: round(of('app', 'all') / 1024, 1), unit: 'kB' },
    {
      name: 'loading: time to usable (place and rail), app / bare',
      value: round(time),
      unit: '×',
      target: '≤ 1.3',
      met: time <= 1.3,
    },
    { name: 'loading: time until the stored data is shown, app / bare', value: round(data), unit: '×' },
  ];
}
