import { join } from 'node:path';
import { build } from './build.mjs';
import { findChromium, installPackages, root, run, tool } from './setup.mjs';

/**
 * The checks that depend on the date, on each weekday and on the days on which dates go wrong: the end
 * of a year, a leap day, the nights of clock changes (one of which has no midnight), and zones far from
 * Greenwich. The tests set the clock; the machine's stays as it is. `npm run test:days -- unit` leaves
 * the browser out.
 */
const days = [
  ...['09', '10', '11', '12', '13', '14', '15'].map((day) => [`2026-03-${day}T10:00:00`, 'Europe/Berlin']),
  ['2026-12-31T23:40:00', 'Europe/Berlin'],
  ['2028-02-29T12:00:00', 'Europe/Berlin'],
  ['2026-03-29T01:55:00', 'Europe/Berlin'],
  ['2026-10-25T02:30:00', 'Europe/Berlin'],
  ['2018-11-03T23:40:00', 'America/Sao_Paulo'],
  ['2018-11-04T01:10:00', 'America/Sao_Paulo'],
  ['2019-02-16T23:30:00', 'America/Sao_Paulo'],
  ['2026-03-12T09:30:00', 'Pacific/Apia'],
  ['2026-03-12T02:30:00', 'Asia/Kolkata'],
];
const core = ['plan', 'load', 'formats', 'demo', 'practice', 'corrections', 'students', 'chain', 'screening'];
const web = ['today', 'students', 'practise', 'data/repository', 'data/store', 'ui/fields'];
const browser = ['app', 'offline', 'season', 'student-file', 'practise', 'files'];

await installPackages();
const wanted = process.argv[2];
const withBrowser = wanted !== 'unit';
if (withBrowser && (await build({ quiet: true })) !== 0) process.exit(1);
const chromium = withBrowser ? await findChromium() : '';
const failed = [];
for (const [moment, zone] of days) {
  const env = { ...process.env, POMEK_MOMENT: moment, TZ: zone, CHROMIUM_PATH: chromium };
  const jest = (folder, files) => run(tool('jest'), ['--ci', '--silent', ...files], { cwd: join(root, folder), env });
  console.log(`\n== ${moment} in ${zone}`);
  const codes = [
    await jest(
      'packages/core',
      core.map((name) => `src/${name}/`),
    ),
    await jest(
      'apps/web',
      web.map((name) => `src/app/${name}`),
    ),
  ];
  if (withBrowser) {
    codes.push(await run(tool('playwright'), ['test', ...browser, '--reporter=dot'], { cwd: join(root, 'e2e'), env }));
  }
  if (codes.some((code) => code !== 0)) failed.push(`${moment} in ${zone}`);
}
console.log(failed.length === 0 ? '\nEvery day passed.' : `\nFailed:\n${failed.join('\n')}`);
console.log(`\n${days.length - failed.length} passed, ${failed.length} failed`);
process.exitCode = failed.length === 0 ? 0 : 1;
