import { existsSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { installPackages, root, run, tool } from './setup.mjs';

/**
 * Puts faults into the calculations and counts those that no test notices: npm run mutants -- [folders].
 * Each fault is tried against the tests of its own folder first, and what is left against all.
 */
const core = join(root, 'packages/core');
const report = join(root, 'test-results/mutants.json');
const folders = ['plan', 'endurance', 'load', 'routine', 'practice', 'formats', 'screening', 'chain', 'corrections'];
const LEAST = 85;

async function tried(mutate, own) {
  rmSync(report, { force: true });
  const env = { ...process.env, MUTANTS: mutate.join(' '), MUTANTS_OWN: own };
  await run(tool('stryker'), ['run'], { cwd: core, env });
  if (!existsSync(report)) throw new Error(`Nothing came of ${mutate[0]}: see above.`);
  const { files } = JSON.parse(readFileSync(report, 'utf8'));
  return Object.entries(files).flatMap(([file, { source, mutants }]) => {
    const lines = source.split('\n');
    return mutants.map((mutant) => ({ ...mutant, file, line: lines[mutant.location.start.line - 1] }));
  });
}

const left = ({ status }) => status === 'Survived' || status === 'NoCoverage';
const counts = ({ status }) => status !== 'Ignored' && status !== 'CompileError' && status !== 'RuntimeError';
const placeOf = ({ location: { start, end } }) => `${start.line}:${start.column - 1}-${end.line}:${end.column - 1}`;
const keyOf = (mutant) => `${mutant.file}:${placeOf(mutant)} ${mutant.replacement}`;

/** Its tests play seasons: with all of its files made ready for faults at once they would take four times as long. */
const oneByOne = new Set(['plan']);
const sourcesOf = (name) =>
  readdirSync(join(core, 'src', name), { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && /^(?!index\.ts$)(?!.*\.test\.ts$).*\.ts$/.test(entry.name))
    .map((entry) => relative(core, join(entry.parentPath, entry.name)).replaceAll('\\', '/'))
    .toSorted();

async function folder(name) {
  const first = [];
  for (const path of oneByOne.has(name) ? sourcesOf(name) : [`src/${name}/**/*.ts`]) {
    first.push(...(await tried([path], name)).filter(counts));
  }
  const survivors = first.filter(left);
  const ranges = [...new Set(survivors.map((mutant) => `${mutant.file}:${placeOf(mutant)}`))];
  const again = new Map(
    (ranges.length === 0 ? [] : await tried(ranges, '')).map((mutant) => [keyOf(mutant), mutant.status]),
  );
  const still = survivors.filter((mutant) => left({ status: again.get(keyOf(mutant)) ?? mutant.status }));
  return { name, all: first.length, still };
}

await installPackages();
const wanted = process.argv.length > 2 ? process.argv.slice(2) : [...folders, 'handover'];
for (const name of wanted) {
  const { all, still } = await folder(name);
  const score = all === 0 ? 100 : (100 * (all - still.length)) / all;
  const lines = still.map(
    ({ file, location, line, mutatorName, replacement }) =>
      `${file}:${location.start.line}:${location.start.column} ${mutatorName}\n    ${line.trim()}\n    → ${replacement.replace(/\s+/g, ' ').slice(0, 160)}`,
  );
  const said = `${name}: ${score.toFixed(1)} % of ${all} faults were noticed; ${still.length} were not.`;
  writeFileSync(join(root, `test-results/mutants-${name}.txt`), `${said}\n\n${lines.join('\n')}\n`);
  console.log(said);
  if (score < LEAST) process.exitCode = 1;
}
