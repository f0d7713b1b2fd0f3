import { copyFileSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { build } from 'esbuild';
import { root } from './setup.mjs';

const library = join(root, 'node_modules/@mediapipe/pose');
/** What of the library is asked for: the middle of its three models, with and without quick arithmetic. */
const files = [
  'pose.js',
  'pose_web.binarypb',
  'pose_landmark_full.tflite',
  'pose_solution_packed_assets.data',
  'pose_solution_packed_assets_loader.js',
  'pose_solution_simd_wasm_bin.js',
  'pose_solution_simd_wasm_bin.wasm',
  'pose_solution_wasm_bin.js',
  'pose_solution_wasm_bin.wasm',
];
/** Where the web app finds it. */
const made = join(root, 'apps/web/generated/find-body');

/** Lays the worker that finds a body beside its library, for the build of the web app. */
export async function buildFinder() {
  mkdirSync(made, { recursive: true });
  for (const file of files) copyFileSync(join(library, file), join(made, file));
  await build({
    entryPoints: [join(root, 'apps/web/finder/finder.ts')],
    outfile: join(made, 'finder.js'),
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    platform: 'browser',
    tsconfig: join(root, 'apps/web/tsconfig.finder.json'),
    legalComments: 'none',
    logLevel: 'warning',
  });
}
