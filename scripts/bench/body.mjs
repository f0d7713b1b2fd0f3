import { chromium } from '@playwright/test';
import { build } from 'esbuild';
import { join } from 'node:path';
import { root } from '../setup.mjs';

/** The body that plays, and the same picture without it: the time of each frame to its last pixel, ms. */
const program = `
  import { BodyScene } from './packages/space/src/bodyScene';
  import { day } from './packages/space/src';
  import { bodyForm, builtInExercises, cycleMoment, figurePose, settlePosture, softSchool, standardBody } from './packages/core/src';

  const drill = builtInExercises.find(({ id }) => id === 'one-hand-reeling');
  const settled = settlePosture(drill.posture, softSchool);
  const begun = performance.now();
  const form = bodyForm(standardBody);
  const made = performance.now() - begun;
  const time = (worn) => {
    const canvas = document.body.appendChild(document.createElement('canvas'));
    const scene = new BodyScene(canvas);
    if (worn) scene.wear(form, { body: standardBody });
    scene.dress(day);
    scene.resize(900, 700);
    const gl = canvas.getContext('webgl2');
    const pixel = new Uint8Array(4);
    const times = [];
    for (let frame = 0; frame < 70; frame += 1) {
      const from = performance.now();
      const pose = figurePose(standardBody, settled, cycleMoment(drill, softSchool, (frame / 70) % 1), 'right');
      scene.stand(pose);
      scene.draw({ roundDeg: frame, upDeg: 8 }, { highest: 1.8, reach: 0.8 });
      gl.readPixels(0, 0, 1, 1, gl.RGBA, gl.UNSIGNED_BYTE, pixel);
      times.push(performance.now() - from);
    }
    scene.dispose();
    canvas.remove();
    return times.slice(10);
  };
  window.bodyTimes = { empty: time(false), body: time(true), made, points: form.reduce((sum, { points }) => sum + points.length / 3, 0) };
`;

const ordered = (values) => values.toSorted((a, b) => a - b);
const median = (values) => ordered(values)[Math.floor(values.length / 2)];
const round = (value) => Number(value.toFixed(2));

/** A frame of a moving body at 900 × 700 against one of the same picture without it. */
export async function measureBody(executablePath) {
  const { outputFiles } = await build({
    stdin: { contents: program, resolveDir: root, loader: 'ts' },
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    alias: { '@pomek/core': join(root, 'packages/core/src') },
    write: false,
    logLevel: 'warning',
  });
  const browser = await chromium.launch({ executablePath });
  const page = await browser.newPage({ viewport: { width: 1000, height: 800 } });
  await page.setContent('<!doctype html><body></body>');
  await page.addScriptTag({ content: outputFiles[0].text });
  const { empty, body, made, points } = await page.evaluate(() => window.bodyTimes);
  const software = await page.evaluate(() => {
    const gl = document.createElement('canvas').getContext('webgl2');
    const known = gl?.getExtension('WEBGL_debug_renderer_info');
    return known ? /swiftshader|llvmpipe|software/i.test(gl.getParameter(known.UNMASKED_RENDERER_WEBGL)) : true;
  });
  await browser.close();
  const ratio = median(body) / median(empty);
  const p95 = ordered(body)[Math.floor(body.length * 0.95)];
  return [
    {
      name: `frame of a moving body (${points} points), against an empty scene`,
      value: round(ratio),
      unit: '×',
      target: '≤ 3',
      met: ratio <= 3,
    },
    {
      name: 'slowest twentieth of its frames, ms',
      value: round(p95),
      unit: 'ms',
      ...(software ? {} : { target: '≤ 16.7', met: p95 <= 16.7 }),
    },
    {
      name: 'making the surface of a body, in frames of an empty scene',
      value: round(made / median(empty)),
      unit: '×',
    },
  ];
}
