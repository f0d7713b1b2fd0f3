import { standardBody } from '../body/body';
import { stillPose } from '../figure/figurePose';
import { softSchool } from '../schools/builtInSchools';
import { drillFilm, smallCamera, type BodyFilm } from '../testing/bodyFilm';
import { shelf } from '../testing/samples';
import { followRuns, newFilm, withFollowed } from './film';
import { readFilm, type FilmReading } from './filmReading';
import { isSideView, newStill, type FilmFrom } from './still';
import { figureSpan } from './filmWords';
import { curvePairs, cyclesInStep, filmRows, secondsInStep, valueAt, worstRows } from './twoFilms';

/** A drill filmed from there, so many frames to a cycle, begun after a share of the first one, as perfect following leaves it. */
function read(
  drillId: string,
  from: FilmFrom,
  perCycle: number,
  begun = 0,
): { reading: FilmReading; made: BodyFilm; skipped: number } {
  const drill = shelf.get(drillId)!;
  const made = drillFilm(drillId, { camera: smallCamera({ from }), cycles: 4, perCycle });
  const skipped = Math.round(begun * perCycle);
  const still = newStill({
    id: 's',
    studentId: 'x',
    day: '2026-03-12',
    name: 'Film',
    width: 480,
    height: 640,
    bytes: 1,
    from,
    scale: isSideView(from) ? 'foot' : 'trunk',
    marks: made.truth(skipped),
    atSeconds: 0,
  });
  const film = newFilm(still, { name: 'a.mp4', seconds: (made.frames - skipped) / 15 });
  const found = new Map(
    Array.from({ length: film.frames }, (_, frame) => [
      frame,
      Object.fromEntries(
        Object.entries(made.truth(frame + skipped)).map(([name, spot]) => [name, { ...spot, trust: 100 }]),
      ),
    ]),
  );
  const [run] = followRuns(film);
  const pose = stillPose(standardBody, drill.posture, softSchool, 'right', isSideView(from));
  const reading = readFilm(withFollowed(film, run!, found), still, {
    body: standardBody,
    known: 'measured',
    pose,
    asked: true,
    checkpoints: drill.checkpoints,
  });
  return { reading, made, skipped };
}

test('second by second both go on from where each begins, until the shorter ends', () => {
  const step = secondsInStep({ from: 2, to: 10 }, { from: 5, to: 8 });
  expect(step.length).toBe(3);
  expect(step.moments(1.5)).toEqual([3.5, 6.5]);
  expect(step.moments(99)).toEqual([5, 8]);
  expect([step.placeOf(4), step.placeOf(0), step.placeOf(99)]).toEqual([2, 0, 3]);
  expect(secondsInStep({ from: 3, to: 2 }, { from: 0, to: 9 }).length).toBe(0);
});

describe('cycle by cycle', () => {
  const first = read('squat-and-bounce', 'right', 60);
  const phase = (seconds: number, { skipped }: { skipped: number }, perCycle: number): number =>
    ((((seconds * 15 + skipped) / perCycle) % 1) + 1) % 1;

  test.each([0, 0.25, 0.5, 0.8])('a slower one that begins at %d of a cycle shows the same share of it', (begun) => {
    const second = read('squat-and-bounce', 'right', 90, begun);
    const step = cyclesInStep(first.reading, second.reading, false)!;
    // Four cycles less what the second film has left out, and no more than an odd piece lost beside it.
    expect(step.length).toBeGreaterThan(2.9);
    expect(step.length).toBeLessThan(4.1);
    for (let place = 0; place <= step.length; place += 0.1) {
      const [mine, theirs] = step.moments(place);
      const off = Math.abs(phase(mine, first, 60) - phase(theirs, second, 90));
      expect(Math.min(off, 1 - off)).toBeLessThan(0.05);
      expect(step.placeOf(mine)).toBeCloseTo(place, 6);
    }
    expect(step.placeOf(-5)).toBe(0);
    expect(step.placeOf(1000)).toBe(step.length);
  });

  test('the right beside the left in a mirror', () => {
    const left = read('squat-and-bounce', 'left', 70, 0.5);
    expect(cyclesInStep(first.reading, left.reading, false)).toBeNull();
    const step = cyclesInStep(first.reading, left.reading, true)!;
    const [mine, theirs] = step.moments(1.3);
    const off = Math.abs(phase(mine, first, 60) - phase(theirs, left, 70));
    expect(Math.min(off, 1 - off)).toBeLessThan(0.05);
    const pairs = curvePairs(first.reading, left.reading, true);
    expect(pairs.some(([a, b]) => a.id === 'knee bend' && a.side === 'right' && b.side === 'left')).toBe(true);
    // To the one side is to the other in a mirror, and the weight is on the other leg.
    const aside = (id: 'trunk aside' | 'weight', value: number) => ({
      curves: [{ id, side: 'both', name: id, unit: '°', values: [value, null] } as const],
    });
    const mirrored = (id: 'trunk aside' | 'weight', value: number) =>
      curvePairs(aside(id, value), aside(id, value), true)[0]![1].values;
    expect(mirrored('trunk aside', 4)).toEqual([-4, null]);
    expect(mirrored('weight', 70)).toEqual([30, null]);
    expect(curvePairs(first.reading, left.reading, false).every(([a]) => a.side === 'both')).toBe(true);
  });

  test('what does not go to and fro is not put in step', () => {
    const still = { ...first.reading, cycles: [] };
    expect(cyclesInStep(still, first.reading, false)).toBeNull();
    const once = { ...first.reading, cycles: first.reading.cycles.map((entry) => ({ ...entry, starts: [1] })) };
    expect(cyclesInStep(first.reading, once, false)).toBeNull();
  });
});

test('two films are told beside each other: what was counted, what each figure goes through, each checkpoint where it is worst', () => {
  const [quick, slow] = [read('squat-and-bounce', 'right', 45).reading, read('squat-and-bounce', 'right', 90).reading];
  const rows = filmRows(quick, slow, false);
  expect(rows).toContainEqual({ name: 'Hips: counted', first: '4 cycles', second: '4 cycles' });
  expect(rows).toContainEqual({ name: 'Hips: each', first: '3.0 s', second: '6.0 s' });
  expect(rows.find(({ name }) => name === 'right knee bent')!.first).toMatch(/^\d+° to \d+°$/);
  expect(rows.find(({ name }) => name === 'right knee')!.first).toMatch(
    /^[\d.]+ cm( behind the toe line)? to [\d.]+ cm (past|behind) the toe line$/,
  );
  expect(figureSpan({ id: 'knee past toes', unit: 'cm' }, -21, -8)).toBe('21 cm to 8.0 cm behind the toe line');
  expect(figureSpan({ id: 'knee past toes', unit: 'cm' }, -3, 2)).toBe(
    '3.0 cm behind the toe line to 2.0 cm past the toe line',
  );
  expect(figureSpan({ id: 'weight', unit: '%' }, 50.1, 50.4)).toBe('50 %');
  // A film in which nothing goes to and fro has only its figures.
  expect(filmRows({ ...quick, cycles: [] }, slow, false).every(({ name }) => !/hand|Hips/.test(name))).toBe(true);
  const knees = worstRows(quick, slow).find(({ name }) => name === 'knees')!;
  expect(knees.first).toBe(quick.worst.find(({ point }) => point.checkpoint.id === 'knees-track')!.point.said);
  expect(knees.second).not.toBe('');
  expect(worstRows(quick, { ...slow, worst: [] })).toEqual([]);
  const [head] = quick.curves;
  expect(valueAt(head!, quick.seconds, quick.seconds[7]!)).toBe(head!.values[7]);
  expect(valueAt(head!, quick.seconds, 1000)).toBeNull();
  expect(valueAt(head!, [3], 3)).toBe(head!.values[0]);
});
