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

const code = (text) => `\`\`${text.length > 120 ? `${text.slice(0, 119)}…` : text}\`\``;

/** What was measured, folder by folder, and every fault that is left with its reason. */
export function mutantsMarkdown() {
  const folders = {};
  for (const entry of Object.entries(readMeasured())) (folders[entry[0].split('/')[1]] ??= []).push(entry);
  const sum = (entries, key) => entries.reduce((total, [, counts]) => total + counts[key], 0);
  const rows = Object.entries(folders).map(([name, entries]) => {
    const [faults, left] = [sum(entries, 'faults'), sum(entries, 'left')];
    return `| ${name} | ${faults} | ${left} | ${((100 * (faults - left)) / faults).toFixed(1)} % |`;
  });
  const lists = read(leftPath, []).map(({ file, reasons }) => {
    const said = reasons.map(
      ({ why, faults }) =>
        `- ${why}\n${faults.map(({ line, part, becomes }) => `  - in ${code(line)}: ${code(part)} becomes ${code(becomes || 'nothing')}`).join('\n')}`,
    );
    return `### ${file.replace(/^src\//, '')}\n\n${said.join('\n')}`;
  });
  return `# Faults that no test notices

\`npm run mutants\` puts faults into the calculations one by one and counts those that no test notices. What is left has to be named with its reason; this page is written by \`npm run docs\` from what was measured last.

| Folder | Faults tried | Not noticed | Noticed |
| --- | ---: | ---: | ---: |
${rows.join('\n')}

## What is left, and why

${lists.join('\n\n')}
`;
}
