import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './setup.mjs';

export const core = join(root, 'packages/core');
const measuredPath = join(core, 'mutants.measured.json');
const leftPath = join(core, 'mutants.left.json');
const read = (path, none) => (existsSync(path) ? JSON.parse(readFileSync(path, 'utf8')) : none);

/** One fault, wherever its line has moved to. */
export const keyOf = ({ file, line, part, becomes }) => [file, line, part, becomes].join('\n');

/** The faults that no test notices and need not, as mutants.left.json groups them by file and reason. */
export const readLeft = () =>
  read(leftPath, []).flatMap(({ file, reasons }) =>
    reasons.flatMap(({ why, faults }) => faults.map((fault) => ({ file, why, ...fault }))),
  );

/** Faults tried and left of each file, as last measured. */
export const readMeasured = () => read(measuredPath, {});
export const writeMeasured = (measured) =>
  writeFileSync(
    measuredPath,
    `${JSON.stringify(Object.fromEntries(Object.entries(measured).toSorted(([a], [b]) => a.localeCompare(b))), null, 2)}\n`,
  );
