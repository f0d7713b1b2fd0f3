import {
  followRuns,
  gather,
  marksAt,
  runFrames,
  secondsOf,
  type Film,
  type FollowRun,
  type Followed,
  type MarkName,
  type Still,
} from '@pomek/core';
import { Following } from '../compute/following';
import type { FilmFrames } from './film-frames';

/** What one way through a film has found, by frame. */
export type Found = ReadonlyMap<number, Readonly<Partial<Record<MarkName, Followed>>>>;

export interface FollowHooks {
  /** A frame was looked at: so many of all. */
  readonly progress: (done: number, all: number) => void;
  /** A way is through, or broken off. */
  readonly found: (run: FollowRun, found: Found) => Promise<void>;
  readonly stopped: () => boolean;
}

const without = <T>(marks: Readonly<Partial<Record<MarkName, T>>>, names: readonly string[]) =>
  Object.fromEntries(Object.entries(marks).filter(([name]) => !names.includes(name))) as Partial<Record<MarkName, T>>;

/** Follows through a film what is not followed yet. What was found before it is stopped is given out. */
export async function followFilm(film: Film, still: Still, frames: FilmFrames, hooks: FollowHooks): Promise<void> {
  const { width, height, from } = still;
  const runs = followRuns(film);
  const all = runs.reduce((sum, run) => sum + runFrames(run), 0);
  let done = 0;
  const following = new Following();
  /** The frame that is fetched while another is gone through. */
  let coming: Promise<ImageBitmap> | null = null;
  try {
    for (const run of runs) {
      const names = Object.keys(run.to) as MarkName[];
      const found = new Map<number, Partial<Record<MarkName, Followed>>>();
      const restIn = (frame: number) => without(marksAt(film, frame), names);
      const frameAt = async (frame: number): Promise<ImageBitmap> => {
        await frames.seek(secondsOf(film, frame));
        return frames.bitmap(width, height);
      };
      const here = marksAt(film, run.start);
      const marks = without(
        here,
        Object.keys(here).filter((name) => !names.includes(name as MarkName)),
      );
      await following.ask({ kind: 'begin', from, marks, rest: restIn(run.start), frame: await frameAt(run.start) });
      coming = frameAt(run.start + run.way);
      for (let step = 1; step <= runFrames(run); step += 1) {
        const frame = run.start + step * run.way;
        const last = step === runFrames(run) || hooks.stopped();
        const next = await coming!;
        coming = null;
        const asked = following.ask({ kind: 'step', rest: restIn(frame), frame: next, last });
        // While the points of one frame are sought the next is fetched.
        if (!last) coming = frameAt(frame + run.way);
        gather(found, frame, run.way, await asked);
        done += 1;
        hooks.progress(done, all);
        if (last) break;
      }
      await hooks.found(run, found);
      if (hooks.stopped()) return;
    }
  } finally {
    void coming?.then((frame) => frame.close()).catch(() => undefined);
    following.end();
  }
}
