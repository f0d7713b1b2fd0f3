import { BodyFormSchema, type Body, type FormPart } from '@pomek/core';
import type { BodyScene } from '@pomek/space';

/** Everything a body in space is drawn with. */
export interface Space {
  readonly Scene: typeof BodyScene;
  readonly form: readonly FormPart[];
}

/** The parts stand at the end of the file: the page may be used before they are read. */
const read = new Promise<void>((resolve) => {
  if (document.readyState === 'loading') document.addEventListener('DOMContentLoaded', () => resolve(), { once: true });
  else resolve();
});

/** The text of a part of the file that stands in it and does not run by itself. */
const partOf = (id: string): string => document.getElementById(id)?.textContent ?? '';

/** Beside the page, since it takes a phone seconds. Rejects where the browser allows no worker. */
async function makeForm({ stature, mass, lengths: { shank, thigh, foot } }: Body): Promise<readonly FormPart[]> {
  await read;
  const address = URL.createObjectURL(new Blob([partOf('form')], { type: 'text/javascript' }));
  return new Promise<readonly FormPart[]>((resolve, reject) => {
    const worker = new Worker(address);
    worker.onmessage = ({ data }: MessageEvent<unknown>) => {
      worker.terminate();
      const form = BodyFormSchema.safeParse(data);
      if (form.success) resolve(form.data);
      else reject(form.error);
    };
    worker.onerror = () => reject(new Error('The surface of the body could not be made.'));
    worker.postMessage({ stature, mass, shank, thigh, foot });
  }).finally(() => URL.revokeObjectURL(address));
}

let scene: typeof BodyScene | null = null;
/** Runs the part of the file that draws in space: only where a body is shown. */
function sceneClass(): typeof BodyScene {
  if (scene === null) {
    const script = document.createElement('script');
    script.textContent = partOf('scene');
    document.head.append(script);
    scene = (globalThis as { pomekScene?: typeof BodyScene }).pomekScene ?? null;
    if (scene === null) throw new Error('Nothing can be drawn in space here.');
  }
  return scene;
}

let made: Promise<readonly FormPart[] | null> | null = null;

/** Begins to make the surface of a body, once, so that it is there when it is looked at. Never rejects: null where it cannot be made. */
export function formOf(body: Body): Promise<readonly FormPart[] | null> {
  made ??= typeof WebGL2RenderingContext === 'undefined' ? Promise.resolve(null) : makeForm(body).catch(() => null);
  return made;
}

/** What a body is drawn with in space; null where it cannot be, and the outline stays. */
export async function spaceOf(body: Body): Promise<Space | null> {
  const form = await formOf(body);
  if (form === null) return null;
  try {
    return { Scene: sceneClass(), form };
  } catch {
    return null;
  }
}
