import * as z from 'zod';
import { nameText } from '../text/textSchema';
import { TRUSTED, type Followed } from './follow';
import { SpotSchema, isSideView, markNames, type FilmFrom, type FilmSpot, type MarkName, type Still } from './still';

/** So many frames of a film are followed at most: three minutes at fifteen a second. */
export const MOST_FRAMES = 2700;
/** So many frames of a second are looked at: slow work is seen well by fifteen, quick hands by thirty. */
export const filmRates = [15, 30] as const;

const PlaceSchema = z.number().min(-20_000).max(20_000).nullable();
/** Where one point is in each frame, px of the kept picture, and its trust, 0–100; null where it was not followed yet. */
const TrackSchema = z.object({
  x: z.array(PlaceSchema).max(MOST_FRAMES),
  y: z.array(PlaceSchema).max(MOST_FRAMES),
  trust: z.array(z.number().min(0).max(100).nullable()).max(MOST_FRAMES),
});
export type PointTrack = z.infer<typeof TrackSchema>;

/** A film in which the marks of a still are followed. What is seen, and what it is measured by, stands in the still. */
export const FilmSchema = z
  .object({
    /** The identity of the still whose marks are followed. */
    id: z.string().min(1).max(80),
    studentId: z.string().min(1).max(80),
    /** The file it is in, which is not kept: its name and how long it is, s. */
    file: nameText(200, 'a film needs the name of its file'),
    /** Bits of tape are on the joints: what is followed stays on them. */
    taped: z.boolean().default(false),
    seconds: z.number().min(0).max(86_400),
    /** The first frame that is looked at, s of the film. */
    startSeconds: z.number().min(0).max(86_400),
    /** Frames that are looked at in each second. */
    perSecond: z.number().min(1).max(60),
    frames: z.number().int().min(1).max(MOST_FRAMES),
    /** What was marked by hand, by frame. */
    keys: z
      .array(
        z.object({
          frame: z.number().int().min(0),
          marks: z.partialRecord(z.enum(markNames), SpotSchema),
        }),
      )
      .max(500),
    tracks: z.partialRecord(z.enum(markNames), TrackSchema),
  })
  .superRefine(({ frames, keys, tracks }, context) => {
    if (keys.some(({ frame }) => frame >= frames))
      context.addIssue({ code: 'custom', path: ['keys'], message: 'a mark lies behind the end of the film' });
    for (const [name, { x, y, trust }] of Object.entries(tracks)) {
      if ([x, y, trust].some(({ length }) => length !== frames))
        context.addIssue({ code: 'custom', path: ['tracks', name], message: 'a track is not as long as its film' });
    }
  });
export type Film = z.infer<typeof FilmSchema>;
export type Marks = Readonly<Partial<Record<MarkName, FilmSpot>>>;

/** The moment of a frame, s of the film. */
export const secondsOf = (
  { startSeconds, perSecond }: Pick<Film, 'startSeconds' | 'perSecond'>,
  frame: number,
): number => startSeconds + frame / perSecond;

/** The frame of a moment. */
export const frameOf = (film: Pick<Film, 'startSeconds' | 'perSecond' | 'frames'>, seconds: number): number =>
  Math.max(0, Math.min(film.frames - 1, Math.round((seconds - film.startSeconds) * film.perSecond)));

/** A film in which the marks of a still are to be followed, from `from` to `to`, s. */
export function newFilm(
  still: Pick<Still, 'id' | 'studentId' | 'marks' | 'atSeconds'>,
  file: { readonly name: string; readonly seconds: number },
  {
    from = 0,
    to = file.seconds,
    perSecond = 15,
    taped = false,
  }: { from?: number; to?: number; perSecond?: number; taped?: boolean } = {},
): Film {
  const at = still.atSeconds ?? 0;
  const startSeconds = Math.max(0, Math.min(from, at));
  const end = Math.max(Math.min(to, file.seconds), at);
  // At the very end there is no frame any more.
  const frames = Math.max(1, Math.min(MOST_FRAMES, Math.floor((end - startSeconds) * perSecond + 1e-6)));
  const film: Film = {
    id: still.id,
    studentId: still.studentId,
    file: file.name.slice(0, 200),
    taped,
    seconds: file.seconds,
    startSeconds,
    perSecond,
    frames,
    keys: [],
    tracks: {},
  };
  return { ...film, keys: [{ frame: frameOf(film, at), marks: still.marks }] };
}

/** Where a point is in a frame and how far that is trusted: as marked, else as followed. */
export function placeOf(film: Film, frame: number, name: MarkName): Followed | null {
  const marked = film.keys.find((key) => key.frame === frame)?.marks[name];
  if (marked !== undefined) return { ...marked, trust: 100 };
  const track = film.tracks[name];
  const [x, y, trust] = [track?.x[frame] ?? null, track?.y[frame] ?? null, track?.trust[frame] ?? null];
  return x === null || y === null || trust === null ? null : { x, y, trust };
}

/** All points of a frame, those too that are doubted. */
export function placesOf(film: Film, frame: number): Partial<Record<MarkName, Followed>> {
  return Object.fromEntries(
    markNames.flatMap((name) => {
      const place = placeOf(film, frame, name);
      return place === null ? [] : [[name, place]];
    }),
  );
}

/** The points of a frame that are believed. */
export const marksAt = (film: Film, frame: number): Partial<Record<MarkName, FilmSpot>> =>
  Object.fromEntries(
    Object.entries(placesOf(film, frame))
      .filter(([, { trust }]) => trust >= TRUSTED)
      .map(([name, { x, y }]) => [name, { x, y }]),
  );

/** How far a followed point may have slid beside its joint on plain cloth, cm; nineteen of twenty lie nearer. House values, after rendered bodies. */
export const SLIDES = { foot: 1, limb: 3, turned: 9 } as const;

function slideOf(name: MarkName, from: FilmFrom): number {
  if (/^(toe|heel|ankle)/.test(name)) return SLIDES.foot;
  // Where the trunk turns towards the camera and away, its cloth goes round the joints.
  return !isSideView(from) && /^(hip|shoulder)/.test(name) ? SLIDES.turned : SLIDES.limb;
}

/** How far the points of a frame may have slid, cm: none that was marked there by hand, and none on tape. */
export function slipsIn(film: Film, frame: number, from: FilmFrom): Partial<Record<MarkName, number>> {
  if (film.taped) return {};
  const marked = film.keys.find((key) => key.frame === frame)?.marks ?? {};
  return Object.fromEntries(
    markNames.filter((name) => marked[name] === undefined).map((name) => [name, slideOf(name, from)]),
  );
}

/** What a still of a frame begins with: the points that are believed there; those that only were followed wait to be looked at. */
export function stillAt(
  film: Film,
  frame: number,
  still: Pick<Still, 'from' | 'found'>,
): Pick<Still, 'marks' | 'found'> {
  const marks = marksAt(film, frame);
  const slips = slipsIn(film, frame, still.from);
  const found = markNames.filter(
    (name) => marks[name] !== undefined && (slips[name] !== undefined || still.found.includes(name)),
  );
  return { marks, found };
}

/** A film with a point marked by hand in a frame; what was followed from there has to be followed again. */
export function markedIn(film: Film, frame: number, name: MarkName, spot: FilmSpot): Film {
  const key = film.keys.find((entry) => entry.frame === frame) ?? { frame, marks: {} };
  const keys = [...film.keys.filter((entry) => entry !== key), { frame, marks: { ...key.marks, [name]: spot } }];
  return { ...film, keys: keys.toSorted((a, b) => a.frame - b.frame) };
}

/** One way through a film: from a frame on or back, each point as far as that frame. */
export interface FollowRun {
  readonly start: number;
  readonly way: 1 | -1;
  /** The last frame of each point. */
  readonly to: Readonly<Partial<Record<MarkName, number>>>;
}

/** How many frames a way goes through. */
export const runFrames = ({ start, to }: FollowRun): number =>
  Math.max(...Object.values(to).map((frame) => Math.abs(frame - start)));

/** A mark of a key is followed when the track goes through it. */
function isFollowed(film: Film, frame: number, name: MarkName, { x, y }: FilmSpot): boolean {
  const track = film.tracks[name];
  return track?.trust[frame] === 100 && Math.abs(track.x[frame]! - x) < 0.06 && Math.abs(track.y[frame]! - y) < 0.06;
}

/** What is still to be followed: from each mark that is new, on and back to the next one of the same point, and what was broken off. */
export function followRuns(film: Film): FollowRun[] {
  const found = new Map<string, { start: number; way: 1 | -1; to: Partial<Record<MarkName, number>> }>();
  const add = (start: number, way: 1 | -1, name: MarkName, to: number): void => {
    if ((to - start) * way <= 0) return;
    const run = found.get(`${start} ${way}`) ?? { start, way, to: {} };
    run.to[name] = to;
    found.set(`${start} ${way}`, run);
  };
  for (const name of markNames) {
    const keys = film.keys.flatMap(({ frame, marks }) =>
      marks[name] === undefined ? [] : [{ frame, spot: marks[name] }],
    );
    for (const [at, { frame, spot }] of keys.entries()) {
      const [before, after] = [keys[at - 1], keys[at + 1]];
      const isNew = !isFollowed(film, frame, name, spot);
      for (const [way, end, next] of [
        [1, film.frames - 1, after],
        [-1, 0, before],
      ] as const) {
        const to = next === undefined ? end : next.frame - way;
        const broken = film.tracks[name]?.trust
          .slice(Math.min(frame, to), Math.max(frame, to) + 1)
          .some((trust) => trust === null);
        if (isNew || broken === true) add(frame, way, name, to);
      }
    }
  }
  return [...found.values()].toSorted((a, b) => a.start - b.start || b.way - a.way);
}

const tenth = (value: number): number => Math.round(value * 10) / 10;
const emptyTrack = (frames: number): PointTrack => ({
  x: Array.from({ length: frames }, () => null),
  y: Array.from({ length: frames }, () => null),
  trust: Array.from({ length: frames }, () => null),
});

/**
 * A film with what one way through it has found. Between two marks of a point what was followed from the one goes over
 * into what was followed from the other; a way that was broken off leaves open what lies behind it.
 * @param found by frame what was found there
 */
export function withFollowed(
  film: Film,
  run: FollowRun,
  found: ReadonlyMap<number, Readonly<Partial<Record<MarkName, Followed>>>>,
): Film {
  const tracks: Partial<Record<MarkName, PointTrack>> = { ...film.tracks };
  const key = film.keys.find(({ frame }) => frame === run.start);
  for (const [name, to] of Object.entries(run.to) as [MarkName, number][]) {
    const old = tracks[name] ?? emptyTrack(film.frames);
    const track: PointTrack = { x: [...old.x], y: [...old.y], trust: [...old.trust] };
    const put = (frame: number, place: Followed | null): void => {
      track.x[frame] = place === null ? null : tenth(place.x);
      track.y[frame] = place === null ? null : tenth(place.y);
      track.trust[frame] = place === null ? null : Math.round(place.trust);
    };
    const begun = key?.marks[name];
    if (begun !== undefined) put(run.start, { ...begun, trust: 100 });
    const far = Math.abs(to - run.start) + 1;
    // The other end is a mark of the same point, or the end of the film.
    const beyond = film.keys.some(({ frame, marks }) => frame === to + run.way && marks[name] !== undefined);
    for (let frame = run.start + run.way; (to - frame) * run.way >= 0; frame += run.way) {
      const here = found.get(frame)?.[name] ?? null;
      const [x, y, trust] = [old.x[frame] ?? null, old.y[frame] ?? null, old.trust[frame] ?? null];
      if (here === null || !beyond || x === null || y === null || trust === null) {
        if (here !== null || !beyond) put(frame, here);
        continue;
      }
      // Nearer to this mark this one is surer, and nearer to the other the other.
      const share = Math.abs(frame - run.start) / far;
      const [mine, other] = [(1 - share) * (here.trust + 1), share * (trust + 1)];
      const near = Math.hypot(here.x - x, here.y - y) < NEAR;
      const mix = near ? mine / (mine + other) : mine >= other ? 1 : 0;
      put(frame, {
        x: mix * here.x + (1 - mix) * x,
        y: mix * here.y + (1 - mix) * y,
        trust: mix * here.trust + (1 - mix) * trust,
      });
    }
    tracks[name] = track;
  }
  return { ...film, tracks };
}

/** So near to each other two ways to a point are taken for the same, px: they are mixed. */
const NEAR = 12;

/** Stretches in which a point is doubted, from frame to frame. */
export function doubtsOf(film: Film, name: MarkName): { readonly from: number; readonly to: number }[] {
  const found: { from: number; to: number }[] = [];
  for (let frame = 0; frame < film.frames; frame += 1) {
    const place = placeOf(film, frame, name);
    if (place === null || place.trust >= TRUSTED) continue;
    const last = found.at(-1);
    if (last?.to === frame - 1) last.to = frame;
    else found.push({ from: frame, to: frame });
  }
  return found;
}
