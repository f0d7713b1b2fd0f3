import { pathToFileURL } from 'node:url';
import { join } from 'node:path';
import { installPackages, root, run, tool } from './setup.mjs';

/** Builds the web app for production and bundles the server. */
export async function build({ quiet = false } = {}) {
  const stdio = quiet ? ['ignore', 'ignore', 'inherit'] : 'inherit';
  // Only now: on a fresh machine the packages have just been installed.
  const { cutIcons } = await import('./icons.mjs');
  await cutIcons();
  const { buildSheet } = await import('./sheet.mjs');
  await buildSheet();
  const { buildFinder } = await import('./finder.mjs');
  await buildFinder();
  const { layPictures } = await import('./pictures-in-app.mjs');
  layPictures();
  // Small scripts that are always loaded together become one.
  const env = { ...process.env, NG_CLI_ANALYTICS: 'false', NG_BUILD_OPTIMIZE_CHUNKS: 'true' };
  const web = await run(tool('ng'), ['build'], { cwd: join(root, 'apps/web'), stdio, env });
  if (web !== 0) return web;
  return run(tool('esbuild'), [
    'apps/server/src/main.ts',
    '--bundle',
    '--platform=node',
    '--format=esm',
    '--target=node20',
    '--packages=external',
    '--outfile=apps/server/dist/server.mjs',
    '--log-level=warning',
  ]);
}

if (import.meta.url === pathToFileURL(process.argv[1]).href) {
  await installPackages();
  process.exitCode = await build();
}
