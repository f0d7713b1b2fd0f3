import { join } from 'node:path';
import { installPackages, root, run, tool } from './setup.mjs';

/** Puts faults into the calculations and counts those that no test notices: npm run mutants -- [folders]. */
await installPackages();
const folders = process.argv.slice(2).join(',');
const env = { ...process.env, ...(folders === '' ? {} : { MUTANTS: folders }) };
process.exitCode = await run(tool('stryker'), ['run'], { cwd: join(root, 'packages/core'), env });
