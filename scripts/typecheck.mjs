import { run, tool } from './setup.mjs';

const projects = [
  'packages/core',
  'packages/device',
  'packages/space',
  'apps/sheet',
  'apps/server',
  'apps/web',
  'apps/web/tsconfig.worker.json',
  'apps/web/tsconfig.finder.json',
  'e2e',
];
for (const project of projects) {
  const code = await run(tool('tsc'), ['-p', project, '--noEmit']);
  if (code !== 0) {
    console.error(`Type check failed in ${project}`);
    process.exit(code);
  }
}
