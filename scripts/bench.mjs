import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { findChromium, installPackages, root, run, tool } from './setup.mjs';
import { build } from './build.mjs';
import { measureBody } from './bench/body.mjs';
import { measureEngines } from './bench/engines.mjs';
import { measureFrames } from './bench/frames.mjs';
import { measureLoading } from './bench/loading.mjs';
import { countPresses } from './bench/presses.mjs';
import { measureScale } from './bench/scale.mjs';
import { measureSheet } from './bench/sheet.mjs';
import { measureTable } from './bench/table.mjs';
import { measureViews } from './bench/views.mjs';

/** Counts the presses of usual jobs, measures speed as ratios taken in one run; prints all and keeps it in bench-results/. */
await installPackages();
const chromium = await findChromium();
console.log('Building the app and the bare page…');
if ((await build({ quiet: true })) !== 0) process.exit(1);
const bare = await run(tool('ng'), ['build', 'bare'], {
  cwd: join(root, 'apps/web'),
  stdio: ['ignore', 'ignore', 'inherit'],
  env: { ...process.env, NG_CLI_ANALYTICS: 'false' },
});
if (bare !== 0) process.exit(1);

const rows = [
  ...(await countPresses(chromium)),
  ...(await measureLoading(chromium)),
  ...(await measureViews(chromium)),
  ...(await measureFrames(chromium)),
  ...(await measureBody(chromium)),
  ...(await measureScale(chromium)),
  ...(await measureTable(chromium)),
  ...(await measureSheet(chromium)),
  ...(await measureEngines()),
];
mkdirSync(join(root, 'bench-results'), { recursive: true });
writeFileSync(join(root, 'bench-results', 'results.json'), `${JSON.stringify(rows, null, 2)}\n`);
console.log('');
for (const { name, value, unit, target, met } of rows) {
  const goal = target === undefined ? '' : `   target ${target}: ${met ? 'met' : 'MISSED'}`;
  console.log(`${name.padEnd(62)} ${String(value).padStart(8)} ${unit}${goal}`);
}
