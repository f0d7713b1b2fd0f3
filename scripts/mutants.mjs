import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { installPackages, root, run, tool } from './setup.mjs';
import { core, keyOf, readLeft, readMeasured, writeMeasured } from './mutants-left.mjs';

/**
 * Puts faults into the calculations and counts those that no test notices: npm run mutants -- [folders or files].
 * Each fault is tried against the tests of its own folder first, and what is left and has no reason to be left
 * (mutants.left.json) against all. What was noticed once is not tried again while its file stays as it is; --fresh
 * forgets that. --own stops before all tests are tried.
 */
const report = join(root, 'test-results/mutants.json');
const memory = join(root, 'test-results/mutants');
const folders = [
  'plan',
  'endurance',
  'load',
  'routine',
  'practice',
  'formats',
  'screening',
  'chain',
  'corrections',
  'handover',
];
const LEAST = 85;

const counts = ({ status }) => !['Ignored', 'CompileError', 'RuntimeError'].includes(status);
const isLeft = ({ status }) => status === 'Survived' || status === 'NoCoverage';
const rangeOf = ({ file, at: { start, end } }) =>
  `${file}:${start.line}:${start.column - 1}-${end.line}:${end.column - 1}`;
const faultOf = (mutant) => `${rangeOf(mutant)} ${mutant.becomes}`;

const textAt = (lines, { start, end }) => {
  const part = lines.slice(start.line - 1, end.line);
  part[part.length - 1] = part.at(-1).slice(0, end.column - 1);
  return part.join('\n').slice(start.column - 1);
};
const oneLine = (text) => text.replace(/\s+/g, ' ').trim();

async function tried(mutate, own) {
  rmSync(report, { force: true });
  const env = { ...process.env, MUTANTS: mutate.join(' '), MUTANTS_OWN: own };
  await run(tool('stryker'), ['run'], { cwd: core, env });
  if (!existsSync(report)) throw new Error(`Nothing came of ${mutate[0]}: see above.`);
  const { files } = JSON.parse(readFileSync(report, 'utf8'));
  return Object.entries(files).flatMap(([file, { source, mutants }]) => {
    const lines = source.split('\n');
    return mutants.filter(counts).map(({ status, location: at, replacement }) => ({
      file,
      at,
      status,
      line: oneLine(lines[at.start.line - 1]),
      part: oneLine(textAt(lines, at)),
      becomes: oneLine(replacement),
    }));
  });
}

const hashOf = (file) =>
  createHash('sha256')
    .update(readFileSync(join(core, file)))
    .digest('hex');
const remembered = (file) => join(memory, `${file.replaceAll('/', '_')}.json`);
function recall(file) {
  if (!existsSync(remembered(file))) return undefined;
  const { hash, faults } = JSON.parse(readFileSync(remembered(file), 'utf8'));
  return hash === hashOf(file) ? faults : undefined;
}
function remember(file, faults) {
  mkdirSync(memory, { recursive: true });
  writeFileSync(remembered(file), JSON.stringify({ hash: hashOf(file), faults }));
}

const named = new Set(readLeft().map(keyOf));
const isOpen = (fault) => isLeft(fault) && !named.has(keyOf(fault));

/** The faults with what became of those that were tried once more: what has a reason to be left is not. */
async function retried(faults, own) {
  const ranges = [...new Set(faults.filter(isOpen).map(rangeOf))];
  if (ranges.length === 0) return faults;
  const now = new Map((await tried(ranges, own)).map((fault) => [faultOf(fault), fault.status]));
  return faults.map((fault) => (isOpen(fault) ? { ...fault, status: now.get(faultOf(fault)) ?? fault.status } : fault));
}

const rememberAll = (files, faults) => {
  for (const file of files)
    remember(
      file,
      faults.filter((fault) => fault.file === file),
    );
};

const sourcesOf = (name) => {
  const path = join(core, 'src', name);
  if (name.endsWith('.ts')) return [`src/${name}`];
  return readdirSync(path, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && /^(?!index\.ts$)(?!.*\.test\.ts$).*\.ts$/.test(entry.name))
    .map((entry) => relative(core, join(entry.parentPath, entry.name)).replaceAll('\\', '/'))
    .filter((file) => file !== 'src/formats/bundleJsonSchema.ts')
    .toSorted();
};

/** The folders whose tests are a file's own: the one it lies in, where it has any, and then those around it. */
const ownFoldersOf = (file) => {
  const parts = file.split('/').slice(1, -1);
  return parts
    .map((_, at) => parts.slice(0, parts.length - at).join('/'))
    .filter((folder) => readdirSync(join(core, 'src', folder)).some((entry) => entry.endsWith('.test.ts')));
};

/** The tests of plans play seasons: with all files made ready for faults at once they would take four times as long. */
const oneByOne = (name) => name.startsWith('plan');

async function byOwnTests(name) {
  const [known, fresh] = [[], []];
  for (const file of sourcesOf(name)) (recall(file) === undefined ? fresh : known).push(file);
  for (const files of oneByOne(name) ? fresh.map((file) => [file]) : fresh.length > 0 ? [fresh] : []) {
    const [first, ...around] = oneByOne(name) ? ownFoldersOf(files[0]) : [name.split('/')[0]];
    let faults = await tried(files, first);
    for (const folder of around) faults = await retried(faults, folder);
    rememberAll(files, faults);
  }
  for (const file of known) {
    let faults = recall(file);
    for (const folder of oneByOne(name) ? ownFoldersOf(file) : [name.split('/')[0]])
      faults = await retried(faults, folder);
    remember(file, faults);
  }
  return [...known, ...fresh].toSorted();
}

const given = process.argv.slice(2);
const wanted = given.filter((word) => !word.startsWith('--'));
await installPackages();
if (given.includes('--fresh')) rmSync(memory, { recursive: true, force: true });
const measured = readMeasured();
for (const name of wanted.length > 0 ? wanted : folders) {
  const files = await byOwnTests(name);
  if (!given.includes('--own')) rememberAll(files, await retried(files.flatMap(recall), ''));
  const faults = files.flatMap(recall);
  const left = faults.filter(isLeft);
  const unnamed = left.filter(isOpen);
  const score = faults.length === 0 ? 100 : (100 * (faults.length - left.length)) / faults.length;
  const said =
    `${name}: ${score.toFixed(1)} % of ${faults.length} faults were noticed; ${left.length} were not, ` +
    `${unnamed.length} of them without a reason.`;
  const list = join(root, `test-results/mutants-${name.replaceAll('/', '_')}.txt`);
  writeFileSync(
    list,
    `${said}\n\n${unnamed.map(({ file, at, line, part, becomes }) => `${file}:${at.start.line}\n    ${line}\n    ${part}\n    → ${becomes}`).join('\n')}\n`,
  );
  console.log(said);
  for (const file of files) {
    const own = recall(file);
    measured[file] = { faults: own.length, left: own.filter(isLeft).length };
  }
  writeMeasured(measured);
  if (score < LEAST || unnamed.length > 0) process.exitCode = 1;
}
