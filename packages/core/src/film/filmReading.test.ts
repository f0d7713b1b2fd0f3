import { standardBody } from '../body/body';
import { softSchool } from '../schools/builtInSchools';
import { drillFilm, smallCamera, type BodyFilm } from '../testing/bodyFilm';
import { shelf } from '../testing/samples';
import { stillPose } from '../figure/figurePose';
import { doorSeen } from './filmCamera';
import {
  doubtsOf,
  FilmSchema,
  followRuns,
  frameOf,
  markedIn,
  marksAt,
  MOST_FRAMES,
  newFilm,
  placeOf,
  secondsOf,
  slipsIn,
  stillAt,
  withFollowed,
  type Film,
} from './film';
import type { Dose } from '../library/dose';
import { filmCycles } from './filmCycles';
import { cyclesSaid, driftSaid, evennessSaid, heightSaid, paceSaid, pausesSaid } from './filmSaid';
import { readFilm } from './filmReading';
import { Follower, gather, type Followed } from './follow';
import { medianOf, motionOf, smoothed } from './motion';
import type { StillTerms } from './readStill';
import { isSideView, newStill, type FilmFrom, type MarkName, type Still } from './still';

const drill = (id: string) => shelf.get(id)!;
const termsOf = (id: string, from: FilmFrom): StillTerms => ({
  body: standardBody,
  known: 'measured',
  pose: stillPose(standardBody, drill(id).posture, softSchool, 'right', isSideView(from)),
  asked: true,
  checkpoints: drill(id).checkpoints,
});
const view = (from: FilmFrom) => smallCamera({ from });
const stillOf = (from: FilmFrom, marks: Still['marks'], change: Partial<Still> = {}): Still =>
  newStill({
    id: 'still-1',
    studentId: 'x',
    day: '2026-03-12',
    name: 'Film',
    width: 480,
    height: 640,
    bytes: 1,
    from,
    scale: isSideView(from) ? 'foot' : 'trunk',
    marks,
    plumb: doorSeen(view(from)),
    awayM: 3.5,
    atSeconds: 0,
    ...change,
  });

/** A film as perfect following would leave it. */
function perfect(film: BodyFilm, from: FilmFrom, perSecond = 15): { film: Film; still: Still } {
  const still = stillOf(from, film.truth(0));
  const begun = newFilm(still, { name: 'a.mp4', seconds: film.frames / perSecond }, { perSecond });
  const found = new Map(
    Array.from({ length: begun.frames }, (_, frame) => [
      frame,
      Object.fromEntries(Object.entries(film.truth(frame)).map(([name, spot]) => [name, { ...spot, trust: 100 }])),
    ]),
  );
  const [run] = followRuns(begun);
  return { film: withFollowed(begun, run!, found), still };
}

describe('cycles', () => {
  test.each([
    ['one-hand-reeling', 'front', 3],
    ['one-hand-reeling', 'front', 7],
    ['squat-and-bounce', 'right', 4],
    ['cloud-hands-in-place', 'front', 5],
    ['opening-arms', 'front', 6],
    ['arm-swings', 'right', 9],
    ['heel-lifts', 'right', 4],
  ] as const)('of %s from the %s: %d are counted, each as long as it is', (id, from, cycles) => {
    const made = drillFilm(id, { camera: view(from), cycles, perCycle: 60 });
    const { film, still } = perfect(made, from);
    expect(FilmSchema.parse(film)).toEqual(film);
    const [most] = filmCycles(motionOf(film, still, termsOf(id, from)), from);
    expect(most!.count).toBe(cycles);
    for (const length of most!.lengths) expect(Math.abs(length - 4)).toBeLessThan(0.15);
    if (cycles > 3) expect(most!.spread).toBeLessThan(0.03);
  });

  const moved = (path: (second: number) => number, seconds: number, name: MarkName = 'wrist right') => ({
    marks: Array.from({ length: seconds * 15 }, (_, frame) => ({ [name]: { x: 200 + path(frame / 15), y: 300 } })),
    seconds: Array.from({ length: seconds * 15 }, (_, frame) => 10 + frame / 15),
    cmPerPx: 0.3,
  });

  test('wherever the film begins in one, six are six; half a one more is none', () => {
    for (const phase of [0.3, 1, 1.7, 2.6, 3.3, 4.4, 5.6]) {
      const wave = (at: number): number => 80 * Math.sin((2 * Math.PI * at) / 5 + phase);
      const [cycles] = filmCycles(moved(wave, 30), 'right');
      expect(cycles!.count).toBe(6);
      expect(cycles!.rangeCm).toBeCloseTo(48, 0);
    }
    expect(
      filmCycles(
        moved((at) => -80 * Math.cos((2 * Math.PI * at) / 4), 14),
        'right',
      )[0]!.count,
    ).toBe(3);
  });

  test('uneven ones are told apart, a stay within is found, and trembling is none', () => {
    const lengths = [4, 6, 4, 6, 4, 6];
    const wave = (at: number): number => {
      let left = at;
      for (const length of lengths) {
        if (left < length) return -80 * Math.cos((2 * Math.PI * left) / length);
        left -= length;
      }
      return -80;
    };
    const [uneven] = filmCycles(moved(wave, 30), 'right');
    expect(uneven!.count).toBe(6);
    expect(uneven!.mean).toBeCloseTo(5, 0);
    expect(uneven!.spread).toBeGreaterThan(0.05);
    const stay = (at: number): number =>
      at < 2 ? -80 * Math.cos((Math.PI * at) / 2) : at < 5 ? 80 : 80 * Math.cos((Math.PI * (at - 5)) / 2);
    const twice = moved((at) => stay(at % 7), 14);
    expect(filmCycles(twice, 'right')[0]!.pauses.map(({ seconds }) => Math.round(seconds))).toContain(3);
    const trembling = moved((at) => 80 * Math.sin((2 * Math.PI * at) / 6) + 6 * Math.sin(40 * at), 30);
    expect(filmCycles(trembling, 'right')[0]!.count).toBe(5);
    expect(
      filmCycles(
        moved(() => 0, 10),
        'right',
      ),
    ).toEqual([]);
  });

  test('each hand is counted for itself, and what is not seen is not counted', () => {
    const left = moved((at) => 80 * Math.sin((2 * Math.PI * at) / 5), 20, 'wrist left');
    const right = moved((at) => 40 * Math.sin((2 * Math.PI * at) / 10), 20);
    const both = { ...left, marks: left.marks.map((marks, frame) => ({ ...marks, ...right.marks[frame] })) };
    expect(filmCycles(both, 'front').map(({ side, count }) => `${side} ${count}`)).toEqual(['left 4', 'right 2']);
    const gone = { ...left, marks: left.marks.map((marks, frame) => (frame < 80 ? marks : {})) };
    expect(filmCycles(gone, 'front')[0]!.count).toBe(1);
  });
});

test('each checkpoint is found where it is worst, and judged there as a still', () => {
  const made = drillFilm('squat-and-bounce', { camera: view('right'), cycles: 2, perCycle: 60 });
  const { film, still } = perfect(made, 'right');
  const terms = termsOf('squat-and-bounce', 'right');
  const { worst, curves, height } = readFilm(film, still, terms);
  // The truth: where the computed knee is furthest past the toes.
  const past = Array.from({ length: film.frames }, (_, frame) => made.pose(frame).statics!.kneePastToes * 100);
  const knees = worst.find(({ point }) => point.checkpoint.id === 'knees-track');
  const curve = curves.find(({ id }) => id === 'knee past toes')!;
  for (const [frame, value] of curve.values.entries()) expect(Math.abs(value! - past[frame]!)).toBeLessThan(1.5);
  expect(past[knees!.frame]!).toBeGreaterThan(Math.max(...past) - 0.7);
  const head = Array.from({ length: film.frames }, (_, frame) => made.pose(frame).head.y * 100);
  expect(Math.abs(height!.range - (Math.max(...head) - Math.min(...head)))).toBeLessThan(1.5);
  expect(Math.abs(height!.change)).toBeLessThan(0.5);
  expect(readFilm(film, still, terms).drift[0]!.cm).toBeLessThan(1);
});

test('what slides on plain cloth is in the ± of the worst moment; tape, and a hand that marks it there, take it out', () => {
  const made = drillFilm('squat-and-bounce', { camera: view('right'), cycles: 1, perCycle: 60 });
  const { film, still } = perfect(made, 'right');
  const terms = termsOf('squat-and-bounce', 'right');
  const knees = (of: Film) =>
    readFilm(of, still, terms).worst.find(({ point }) => point.checkpoint.id === 'knees-track')!;
  const [cloth, tape] = [knees(film), knees({ ...film, taped: true })];
  expect(cloth.frame).toBe(tape.frame);
  const [wide, narrow] = [cloth.point.figure!, tape.point.figure!];
  expect(wide.value).toBe(narrow.value);
  // A knee may have slid by 3 cm and a toe by 1: at the least that is in it.
  expect(wide.error - narrow.error).toBeGreaterThan(1);
  expect(Math.hypot(narrow.error, 3, 1)).toBeGreaterThan(wide.error - 0.5);
  const hand = markedIn(film, cloth.frame, 'knee right', placeOf(film, cloth.frame, 'knee right')!);
  expect(slipsIn(hand, cloth.frame, 'right')['knee right']).toBeUndefined();
  expect(slipsIn(hand, cloth.frame + 1, 'right')['knee right']).toBe(3);
  expect(slipsIn(film, 5, 'front')).toMatchObject({ 'hip left': 9, 'knee left': 3, 'toe left': 1 });
  expect(knees(hand).point.figure!.error).toBeLessThan(wide.error);
});

test('a moment that is kept begins with what is believed there; what was only followed waits to be looked at', () => {
  const made = drillFilm('squat-and-bounce', { camera: view('right'), cycles: 0.2, perCycle: 60 });
  const { film, still } = perfect(made, 'right');
  const names = Object.keys(made.truth(0));
  expect(stillAt(film, 0, still).found).toEqual([]);
  const followed = stillAt(film, 5, still);
  expect(Object.keys(followed.marks).toSorted()).toEqual(names.toSorted());
  expect([...followed.found].toSorted()).toEqual(names.toSorted());
  const hand = markedIn(film, 5, 'knee right', { x: 1, y: 2 });
  expect(stillAt(hand, 5, still).found).not.toContain('knee right');
  expect(stillAt({ ...film, taped: true }, 5, still).found).toEqual([]);
  // What was only found in the still itself was followed from a guess, tape or not.
  expect(stillAt({ ...film, taped: true }, 5, { ...still, found: ['toe right'] }).found).toEqual(['toe right']);
});

test('angles stay within two degrees through a film that is followed, knee line within one and a half centimetres', () => {
  const made = drillFilm('squat-and-bounce', { camera: view('right'), cycles: 0.5, perCycle: 60, taped: true });
  const still = stillOf('right', made.truth(0));
  const begun = newFilm(still, { name: 'a.mp4', seconds: made.frames / 15 });
  const followed = followRuns(begun).reduce((film, run) => {
    const follower = Follower.begin(made.gray(run.start), 'right', marksAt(film, run.start));
    const found = new Map<number, Partial<Record<MarkName, Followed>>>();
    for (let frame = run.start + run.way; frame >= 0 && frame < film.frames; frame += run.way)
      gather(found, frame, run.way, follower.step(made.gray(frame)));
    return withFollowed(film, run, found);
  }, begun);
  expect(followRuns(followed)).toEqual([]);
  const { curves } = motionOf(followed, still, termsOf('squat-and-bounce', 'right'));
  const of = (id: string) => curves.find((curve) => curve.id === id)!.values;
  for (let frame = 0; frame < followed.frames; frame += 1) {
    const { statics } = made.pose(frame);
    expect(Math.abs(of('knee past toes')[frame]! - 100 * statics!.kneePastToes)).toBeLessThan(1.5);
    expect(Math.abs(of('shin lean')[frame]! - statics!.shankTiltDeg)).toBeLessThan(2);
  }
});

describe('following again', () => {
  const spot = (x: number) => ({ x, y: 50 });
  const still = stillOf('right', { head: spot(10), 'toe right': spot(0) }, { atSeconds: 2 });
  const film = newFilm(still, { name: 'a.mp4', seconds: 4 });
  const straight = (from: number, to: number, x: (frame: number) => number, trust = 100) =>
    new Map(
      Array.from({ length: Math.abs(to - from) + 1 }, (_, at) => {
        const frame = from + Math.sign(to - from) * at;
        return [frame, { head: { ...spot(x(frame)), trust }, 'toe right': { ...spot(0), trust } }];
      }),
    );
  const whole = followRuns(film).reduce(
    (made, run) =>
      withFollowed(
        made,
        run,
        straight(0, 59, () => 10),
      ),
    film,
  );

  test('a new film is followed both ways from its mark', () => {
    expect([film.frames, film.keys[0]!.frame]).toEqual([60, 30]);
    expect(followRuns(film).map(({ start, way }) => [start, way])).toEqual([
      [30, 1],
      [30, -1],
    ]);
    expect(followRuns(film)[0]!.to).toEqual({ head: 59, 'toe right': 59 });
    expect(followRuns(whole)).toEqual([]);
    expect(secondsOf(whole, 30)).toBe(2);
    expect([frameOf(whole, 2.01), frameOf(whole, -5), frameOf(whole, 99)]).toEqual([30, 0, 59]);
  });

  test('what is mended is followed on to the end and back to the mark before, and goes over into what was there', () => {
    const mended = markedIn(whole, 50, 'head', spot(30));
    expect(placeOf(mended, 50, 'head')).toEqual({ ...spot(30), trust: 100 });
    const runs = followRuns(mended);
    expect(runs).toEqual([
      { start: 50, way: 1, to: { head: 59 } },
      { start: 50, way: -1, to: { head: 31 } },
    ]);
    const again = runs.reduce(
      (made, run) =>
        withFollowed(
          made,
          run,
          straight(0, 59, () => 20),
        ),
      mended,
    );
    expect(followRuns(again)).toEqual([]);
    expect(placeOf(again, 55, 'head')!.x).toBe(20);
    // Near the first mark what came from there, near the mended one what came from it, one into the other between.
    const xs = Array.from({ length: 19 }, (_, at) => placeOf(again, 31 + at, 'head')!.x);
    expect(xs[0]).toBeLessThan(11);
    expect(xs.at(-1)).toBeGreaterThan(19);
    expect(xs.toSorted((a, b) => a - b)).toEqual(xs);
    expect(placeOf(again, 10, 'head')!.x).toBe(10);
  });

  test('where both ways disagree the surer one is taken, not the middle of two wrong places', () => {
    const far = markedIn(whole, 50, 'head', spot(90));
    const again = followRuns(far).reduce(
      (made, run) =>
        withFollowed(
          made,
          run,
          straight(0, 59, () => 90),
        ),
      far,
    );
    expect(new Set(Array.from({ length: 60 }, (_, frame) => placeOf(again, frame, 'head')!.x))).toEqual(
      new Set([10, 90]),
    );
  });

  test('what is broken off is open from there, and gone on with', () => {
    const [on, back] = followRuns(film);
    const half = withFollowed(
      film,
      on!,
      straight(31, 40, () => 10),
    );
    expect(placeOf(half, 40, 'head')!.x).toBe(10);
    expect(placeOf(half, 41, 'head')).toBeNull();
    const open = followRuns(
      withFollowed(
        half,
        back!,
        straight(29, 29, () => 10),
      ),
    );
    expect(open).toEqual([
      { start: 30, way: 1, to: { head: 59, 'toe right': 59 } },
      { start: 30, way: -1, to: { head: 0, 'toe right': 0 } },
    ]);
  });

  test('doubted points are shown, not read, and their stretches named', () => {
    const doubtful = followRuns(film).reduce(
      (made, run) =>
        withFollowed(
          made,
          run,
          straight(0, 59, () => 10, 20),
        ),
      film,
    );
    expect(marksAt(doubtful, 5)).toEqual({});
    expect(placeOf(doubtful, 5, 'head')!.trust).toBe(20);
    expect(doubtsOf(doubtful, 'head')).toEqual([
      { from: 0, to: 29 },
      { from: 31, to: 59 },
    ]);
    expect(doubtsOf(whole, 'head')).toEqual([]);
  });

  test('a film is as long as there is room, and what does not belong together is refused', () => {
    expect(newFilm(still, { name: 'a', seconds: 7200 }).frames).toBe(MOST_FRAMES);
    const part = newFilm(still, { name: 'a', seconds: 60 }, { from: 1, to: 11, perSecond: 30 });
    expect([part.startSeconds, part.frames, part.keys[0]!.frame]).toEqual([1, 300, 30]);
    // The moment that is marked is always in it.
    expect(newFilm(still, { name: 'a', seconds: 60 }, { from: 30, to: 40 }).startSeconds).toBe(2);
    expect(FilmSchema.safeParse({ ...whole, frames: 20 }).error!.issues[0]!.message).toMatch(/behind the end|as long/);
    const short = { ...whole, tracks: { head: { x: [1], y: [1], trust: [1] } } };
    expect(FilmSchema.safeParse(short).error!.issues[0]!.message).toBe('a track is not as long as its film');
  });
});

test('a track is smoothed as Savitzky and Golay do: a parabola stays a parabola, an odd jump is halved, a hole stays a hole', () => {
  const parabola = Array.from({ length: 40 }, (_, at) => 0.1 * at * at);
  // By their weights for five points and a parabola: (−3, 12, 17, 12, −3) / 35 (Savitzky and Golay 1964, table I).
  const odd: (number | null)[] = Array.from({ length: 40 }, () => 0);
  odd[20] = 35;
  expect(
    smoothed(odd, 10)
      .slice(17, 24)
      .map((value) => Math.round(value!)),
  ).toEqual([0, -3, 12, 17, 12, -3, 0]);
  for (const [at, value] of smoothed(parabola, 10).slice(4, -4).entries())
    expect(value).toBeCloseTo(parabola[at + 4]!, 6);
  const holed = parabola.map((value, at) => (at > 10 && at < 15 ? null : value));
  expect(smoothed(holed, 10).filter((value) => value === null)).toHaveLength(4);
  expect(medianOf([3, 1, 2, 10])).toBe(2.5);
  expect(medianOf([])).toBeNull();
});

describe('in words', () => {
  const cycles = {
    by: 'wrist',
    side: 'right',
    starts: [],
    count: 6,
    lengths: [],
    mean: 5.04,
    spread: 0.083,
    rangeCm: 48.2,
    pauses: [{ at: 12.4, seconds: 3 }],
  } as const;
  const dose = (cycleSeconds: number) =>
    ({ ...drill('one-hand-reeling').defaultDose, kind: 'cycle', cycleSeconds, staySeconds: 0 }) as Dose;

  test('what was counted, and the pace beside what is asked', () => {
    expect(cyclesSaid(cycles)).toBe('Right hand: 6 cycles, 5.0 s each, even to 8 %, 48 cm from end to end.');
    expect(cyclesSaid({ ...cycles, by: 'hips', count: 1, mean: null, spread: null, rangeCm: null })).toBe(
      'Hips: 1 cycle.',
    );
    expect(paceSaid(cycles, dose(8))).toBe('Asked: 8.0 s each. Quicker by 3.0 s.');
    expect(paceSaid(cycles, dose(4))).toBe('Asked: 4.0 s each. Slower by 1.0 s.');
    expect(paceSaid(cycles, dose(5.5))).toContain('That is the pace.');
    expect(paceSaid({ mean: null }, dose(5))).toBe('');
    expect(pausesSaid(cycles)).toBe('Stood still at 12.4 s for 3.0 s.');
    expect(pausesSaid({ pauses: [] })).toBe('');
  });

  test('both sides beside each other, the height and the feet', () => {
    const left = { ...cycles, side: 'left' } as const;
    expect(evennessSaid([cycles, { ...left, rangeCm: 38 }])).toBe('The right hand goes 10 cm further.');
    expect(evennessSaid([cycles, { ...left, count: 5 }])).toBe('Both hands go equally far, left 5 and right 6 times.');
    expect(evennessSaid([cycles])).toBe('');
    expect(heightSaid({ range: 3.12, change: -2.4 })).toBe(
      'The head goes up and down by 3.1 cm, and is 2.4 cm lower in the end.',
    );
    expect(heightSaid({ range: 3.12, change: 0.4 })).toBe('The head goes up and down by 3.1 cm.');
    expect(driftSaid([{ name: 'ankle left', cm: 6 }], 'front')).toBe('The left ankle bone moves by 6.0 cm.');
    expect(
      driftSaid(
        [
          { name: 'ankle left', cm: 1 },
          { name: 'ankle right', cm: 1 },
        ],
        'front',
      ),
    ).toBe('The feet stay where they are.');
    expect(driftSaid([], 'front')).toBe('');
  });
});
