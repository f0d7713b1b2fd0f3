import { createServer } from 'node:http';
import { resolve } from 'node:path';
import { createApp } from './createApp';
import { freePort } from './freePort';

const demo = process.argv.includes('--demo');
const folder = resolve(process.env['APP_FOLDER'] ?? 'apps/web/dist/web/browser');
const wished = process.env['PORT'];

try {
  const app = createApp({ folder, demo });
  const port = await freePort(wished);
  const server = createServer(app).listen(port, '127.0.0.1', () => {
    console.log(`Pomek${demo ? ' with demo data' : ''}: http://127.0.0.1:${port}/${demo ? 'demo' : ''}`);
    console.log('Ctrl+C stops it.');
  });
  for (const signal of ['SIGINT', 'SIGTERM'] as const) {
    process.on(signal, () => {
      server.close();
      server.closeAllConnections();
    });
  }
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 1;
}
