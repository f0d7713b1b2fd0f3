import { mkdirSync, readFileSync, existsSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { findChromium, installPackages, root, run, tool } from './setup.mjs';
import { build } from './build.mjs';

/**
 * Everything that is checked, in one run: lint, types, unit tests, the production build and the
 * end-to-end tests in a real Chromium. Ends with the sums.
 */
const results = join(root, 'test-results');
const sums = { passed: 0, failed: 0 };

function count(name, passed, failed) {
  sums.passed += passed;
  sums.failed += failed;
  console.log(`${name}: ${passed} passed, ${failed} failed`);
}

async function step(name, work) {
  console.log(`\n== ${name}`);
  const code = await work();
  count(name, code === 0 ? 1 : 0, code === 0 ? 0 : 1);
  return code === 0;
}

async function unit(name, folder) {
  console.log(`\n== ${name}`);
  const file = join(results, `${folder.replaceAll('/', '-')}.json`);
  const code = await run(tool('jest'), ['--ci', '--maxWorkers=100%', '--json', `--outputFile=${file}`], {
    cwd: join(root, folder),
  });
  if (!existsSync(file)) {
    count(name, 0, 1);
    return;
  }
  const { numPassedTests, numFailedTests, numRuntimeErrorTestSuites } = JSON.parse(readFileSync(file, 'utf8'));
  const failed = numFailedTests + numRuntimeErrorTestSuites;
  count(name, numPassedTests, code === 0 ? failed : Math.max(1, failed));
}

async function endToEnd(chromium) {
  console.log('\n== end to end');
  const file = join(results, 'e2e.json');
  const env = { ...process.env, CHROMIUM_PATH: chromium, PLAYWRIGHT_JSON_OUTPUT_NAME: file };
  const code = await run(tool('playwright'), ['test', '--reporter=list,json'], { cwd: join(root, 'e2e'), env });
  if (!existsSync(file)) {
    count('end to end', 0, 1);
    return;
  }
  const { expected, unexpected, flaky } = JSON.parse(readFileSync(file, 'utf8')).stats;
  const failed = unexpected + flaky;
  count('end to end', expected, code === 0 ? failed : Math.max(1, failed));
}

try {
  rmSync(results, { recursive: true, force: true });
  mkdirSync(results, { recursive: true });
  await installPackages();
  // The build takes one core by itself: it runs beside the checks and is counted where it is needed.
  const building = build({ quiet: true });
  await step('lint', () => run(tool('eslint'), ['.']));
  await step('format', () => run(tool('prettier'), ['--check', '--log-level', 'warn', '.']));
  await step('types', () => run(process.execPath, ['scripts/typecheck.mjs']));
  await unit('core', 'packages/core');
  await unit('server', 'apps/server');
  await unit('web', 'apps/web');
  const built = await step('build', () => building);
  if (built) await endToEnd(await findChromium());
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  sums.failed += 1;
}
console.log(`\n${sums.passed} passed, ${sums.failed} failed`);
process.exitCode = sums.failed === 0 ? 0 : 1;
