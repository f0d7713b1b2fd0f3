import { installPackages, run } from './setup.mjs';
import { build } from './build.mjs';

try {
  await installPackages();
  console.log('Building…');
  if ((await build({ quiet: true })) !== 0) throw new Error('The build failed.');
  process.exitCode = await run(process.execPath, ['apps/server/dist/server.mjs', ...process.argv.slice(2)]);
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 1;
}
