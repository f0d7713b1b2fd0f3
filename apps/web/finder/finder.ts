/// <reference lib="webworker" />
import type { Pose as Finder, PoseConfig, Results } from '@mediapipe/pose';
import { FindRequestSchema, type FindReply } from '../src/app/compute/find.protocol';

/**
 * The worker that finds a body on a picture. It is a script of its own beside the library’s files, with a policy of its own:
 * only here may WebAssembly be compiled. The library asks for a page to load its parts with; what it asks for is given here.
 */
declare const self: DedicatedWorkerGlobalScope & {
  window?: unknown;
  document?: unknown;
  Pose?: new (config: PoseConfig) => Finder;
};

const here = (file: string): string => new URL(file, self.location.href).href;

/** A script as the library adds one to a page: it is run at once. */
class ScriptTag {
  private readonly hears = new Map<string, () => void>();
  private source = '';

  setAttribute(name: string, value: string): void {
    if (name === 'src') this.source = value;
  }

  addEventListener(name: string, heard: () => void): void {
    this.hears.set(name, heard);
  }

  run(): void {
    try {
      importScripts(this.source);
      this.hears.get('load')?.();
    } catch {
      this.hears.get('error')?.();
    }
  }
}
self.window = self;
self.document = {
  createElement: (name: string) => (name === 'canvas' ? new OffscreenCanvas(1, 1) : new ScriptTag()),
  body: { appendChild: (tag: ScriptTag) => tag.run() },
  addEventListener: () => undefined,
  removeEventListener: () => undefined,
  getElementById: () => null,
  querySelector: () => null,
};

const say = (reply: FindReply): void => self.postMessage(reply);
let last: Results | null = null;

/** @throws Error in words where this browser cannot do it */
async function opened(): Promise<Finder> {
  const canvas = new OffscreenCanvas(1, 1);
  if (canvas.getContext('webgl2') === null)
    throw new Error('This browser has no WebGL, by which a body is found. Mark it by hand.');
  importScripts(here('pose.js'));
  const finder = new self.Pose!({ locateFile: here });
  finder.setOptions({ modelComplexity: 1, smoothLandmarks: false });
  finder.onResults((results) => {
    last = results;
  });
  await finder.initialize();
  return finder;
}

let finder: Promise<Finder> | null = null;

async function found(message: unknown): Promise<FindReply> {
  const { frame } = FindRequestSchema.parse(message);
  const open = await (finder ??= opened());
  say({ kind: 'looking' });
  open.reset();
  last = null;
  // It takes whatever a canvas can draw, though it does not say so.
  await open.send({ image: frame as never });
  frame.close();
  // Where there is nobody the library gives no points, though it says that it always does.
  const points = (last as Partial<Results> | null)?.poseLandmarks;
  const body = points?.map(({ x, y, z, visibility }) => ({ x, y, z, visibility: visibility ?? 0 }));
  return { kind: 'found', body: body ?? null };
}

self.onmessage = ({ data }: MessageEvent<unknown>) => {
  void found(data)
    .catch((error: unknown): FindReply => {
      finder = null;
      return { kind: 'error', message: error instanceof Error ? error.message : String(error) };
    })
    .then(say);
};
