import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createApp } from './createApp';
import { freePort } from './freePort';

let folder: string;
const servers: Server[] = [];

function serve(demo: boolean): Promise<string> {
  const server = createServer(createApp({ folder, demo }));
  servers.push(server);
  return new Promise((resolve) => {
    server.listen(0, '127.0.0.1', () => resolve(`http://127.0.0.1:${(server.address() as AddressInfo).port}`));
  });
}

beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'pomek-server-'));
  writeFileSync(join(folder, 'index.html'), '<!doctype html><title>shell</title>');
  writeFileSync(join(folder, 'main-ABCDEF12.js'), `export const long = '${'x'.repeat(4000)}';`);
});

afterAll(() => {
  for (const server of servers) {
    server.close();
    server.closeAllConnections();
  }
  rmSync(folder, { recursive: true });
});

test('hashed files are cached for a year, the shell is not', async () => {
  const base = await serve(false);
  const script = await fetch(`${base}/main-ABCDEF12.js`);
  expect(script.headers.get('cache-control')).toBe('public, max-age=31536000, immutable');
  expect((await fetch(`${base}/today`)).headers.get('cache-control')).toBe('no-cache');
});

test('addresses of the app get the shell, others are not found', async () => {
  const base = await serve(false);
  for (const path of ['/', '/today', '/routines/abc', '/practise/x', '/classes/x'])
    expect(await (await fetch(base + path)).text()).toContain('shell');
  for (const path of ['/wp-admin', '/missing.js', '/../package.json'])
    expect((await fetch(base + path)).status).toBe(404);
});

test('an address that cannot be read is refused in words, and nothing of the machine is told', async () => {
  const base = await serve(false);
  for (const path of ['/%', '/%%', '/%E0%A4%A', '/today/%']) {
    const answer = await fetch(base + path);
    expect([answer.status, await answer.text()]).toEqual([400, 'This address cannot be read.']);
  }
});

test('nothing but this origin may be loaded, and no inline script', async () => {
  const headers = (await fetch(`${await serve(false)}/today`)).headers;
  const policy = headers.get('content-security-policy')!;
  expect(policy).toContain("default-src 'self'");
  expect(/script-src ([^;]*)/.exec(policy)![1]).toBe("'self'");
  expect(policy).not.toMatch(/https?:|\*/);
  expect(headers.get('x-content-type-options')).toBe('nosniff');
  expect(headers.get('x-powered-by')).toBeNull();
});

test('only where a body is found may WebAssembly be compiled, and nothing more', async () => {
  const scriptsOf = async (path: string) => {
    const policy = (await fetch((await serve(false)) + path)).headers.get('content-security-policy')!;
    expect(policy).not.toMatch(/https?:|\*|'unsafe-eval'/);
    return /script-src ([^;]*)/.exec(policy)![1];
  };
  expect(await scriptsOf('/find-body/finder.js')).toBe("'self' 'wasm-unsafe-eval'");
  for (const path of ['/', '/today', '/find-body-not', '/main.js']) expect(await scriptsOf(path)).toBe("'self'");
});

test('only the page of a sheet may be framed, by Pomek itself, and it loads nothing else', async () => {
  const policyOf = async (path: string) =>
    (await fetch((await serve(false)) + path)).headers.get('content-security-policy')!;
  const sheet = await policyOf('/sheet/sheet.html');
  expect(sheet).toContain("frame-ancestors 'self'");
  expect(sheet).toContain('worker-src blob:');
  expect(sheet).not.toMatch(/https?:|\*|'unsafe-eval'/);
  for (const path of ['/today', '/sheets', '/find-body/finder.js'])
    expect(await policyOf(path)).toContain("frame-ancestors 'none'");
});

test('health and demo', async () => {
  expect(await (await fetch(`${await serve(false)}/healthz`)).json()).toEqual({ ok: true });
  const lead = await fetch(`${await serve(true)}/`, { redirect: 'manual' });
  expect([lead.status, lead.headers.get('location')]).toEqual([302, '/demo']);
});

test('without a built app it says what to do', () => {
  expect(() => createApp({ folder: join(folder, 'nowhere'), demo: false })).toThrow('build the application first');
});

test('the port: the wish, or the next free one, or a clear refusal', async () => {
  const taken = createServer().listen(0, '127.0.0.1');
  servers.push(taken);
  await new Promise((resolve) => taken.once('listening', resolve));
  const { port } = taken.address() as AddressInfo;
  await expect(freePort(String(port))).rejects.toThrow('is taken');
  await expect(freePort('eighty')).rejects.toThrow('PORT');
  expect(await freePort(undefined)).toBeGreaterThanOrEqual(4310);
});
