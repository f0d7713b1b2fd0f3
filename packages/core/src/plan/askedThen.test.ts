import { cycle, eachSide, eachSideBothWays, hold, together } from '../library/describe';
import { softSchool } from '../schools/builtInSchools';
import { newStudent } from '../students/newStudent';
import { log, logLine, plan, routine, segment, shelf, strand } from '../testing/samples';
import { askedThen, type FilmedDay } from './askedThen';
import type { FilmCycles } from '../film/filmCycles';
import { askedSaid, countedOf } from '../film/filmSaid';

const drill = shelf.get('one-hand-reeling')!;
const day = '2026-02-03';
const film = { day, working: 'right' } as const;
const one = strand({ exerciseId: drill.id, axis: 'repetitions', step: 1, start: 6, level: 9, target: 30 });
const known = (change: Partial<FilmedDay> = {}): FilmedDay => ({
  student: { ...newStudent('u', 'Nela Brisk', softSchool.id), birthYear: 1980 },
  school: softSchool,
  exercises: [...shelf.values()],
  routines: [routine([segment('a', cycle(7, eachSide(6)), { exerciseId: drill.id })])],
  plans: [],
  decisions: [],
  corrections: [],
  measures: [],
  logs: [],
  ...change,
});
const line = (side: 'left' | 'right', asked: number, done: number) =>
  logLine(1, {
    exerciseId: drill.id,
    kind: 'cycle',
    side,
    asked: { amount: asked, seconds: asked * 7 },
    done: { amount: done, seconds: done * 7 },
  });

describe('what was asked on the day of a film', () => {
  test('is what the plan asks of that drill, at its level, in its routine’s pace', () => {
    const asked = askedThen(film, drill, known({ plans: [plan([one])] }));
    expect(asked).toMatchObject({ by: 'plan', side: 'right', count: 9, done: null, dose: { cycleSeconds: 7 } });
  });

  test('is what is left of it by what is noted of the body', () => {
    const tree = shelf.get('tree-holding')!;
    const heart = { ...known().student, conditions: ['heart condition' as const] };
    const held = known({
      routines: [routine([segment('a', hold(3600, together(1)))])],
      plans: [plan([strand({ start: 3600, level: 3600, target: 3600 })])],
    });
    expect(askedThen(film, tree, held).dose).toMatchObject({ holdSeconds: 3600 });
    const less = askedThen(film, tree, { ...held, student: heart }).dose as { holdSeconds: number };
    expect(less.holdSeconds).toBeLessThan(1800);
  });

  test('is what the log of that day has, with what was done, of the side that works', () => {
    const logs = [
      log(day, { lines: [line('left', 12, 12), line('right', 12, 10)] }),
      log('2026-02-02', { lines: [line('right', 5, 5)] }),
    ];
    expect(askedThen(film, drill, known({ plans: [plan([one])], logs }))).toMatchObject({
      by: 'log',
      count: 12,
      done: 10,
      dose: { cycleSeconds: 7 },
    });
    expect(
      askedThen({ day: '2026-02-04', working: 'left' }, drill, known({ plans: [plan([one])], logs })),
    ).toMatchObject({
      by: 'plan',
      count: 9,
    });
  });

  test('looks for its own drill only: in its own routine, past pauses and other drills, and among its own lines', () => {
    const other = { ...logLine(), exerciseId: 'tree-holding', kind: 'cycle' as const, side: 'right' as const };
    const held = line('right', 4, 4);
    const logs = [
      log(day, {
        lines: [other, { ...held, kind: 'hold' }, line('right', 12, 10), { ...line('right', 2, 1), side: 'both' }],
      }),
    ];
    const away = routine([segment('z', cycle(3, eachSide(40)), { exerciseId: drill.id })], { id: 'elsewhere' });
    const own = routine([
      { type: 'rest', id: 'x', seconds: 30, label: '', roundId: null },
      segment('b', cycle(3, eachSide(50))),
      segment('a', cycle(7, eachSide(6)), { exerciseId: drill.id }),
    ]);
    const routines = [away, own];
    expect(askedThen(film, drill, known({ plans: [plan([one])], routines }))).toMatchObject({ by: 'plan', count: 9 });
    expect(askedThen(film, drill, known({ plans: [plan([one])], routines, logs }))).toMatchObject({
      count: 14,
      done: 11,
    });
    // A plan that begins on the day is there.
    const begun = plan([one], { startsOn: day });
    expect(askedThen(film, drill, known({ plans: [begun], routines })).by).toBe('plan');
    // Of a drill without sides both count.
    const bounce = shelf.get('squat-and-bounce')!;
    const sided = [
      log(day, {
        lines: [line('left', 3, 3), line('right', 4, 2)].map((entry) => ({ ...entry, exerciseId: bounce.id })),
      }),
    ];
    expect(askedThen(film, bounce, known({ logs: sided }))).toMatchObject({
      by: 'log',
      side: 'both',
      count: 7,
      done: 5,
    });
  });

  test('is what the exercise has where no plan has it yet, or its routine is gone', () => {
    const { defaultDose } = drill;
    const own = (change: Partial<FilmedDay>) => askedThen(film, drill, known(change));
    for (const change of [
      {},
      { plans: [plan([one], { startsOn: '2026-02-04' })] },
      { plans: [plan([one])], routines: [] },
    ])
      expect(own(change)).toMatchObject({ by: 'exercise', dose: defaultDose });
  });

  test('leaves out what is locked by a sign to stop', () => {
    const logs = [log('2026-02-01', { symptoms: ['chest pain'] })];
    expect(askedThen(film, drill, known({ plans: [plan([one])], logs })).by).toBe('exercise');
  });

  test('has both directions of a side, all of what has no sides, and no number of what is held or given as time', () => {
    const of = (dose: Parameters<typeof segment>[1], exercise = drill) =>
      askedThen(
        film,
        exercise,
        known({
          plans: [plan([])],
          routines: [routine([segment('a', dose, { exerciseId: exercise.id })])],
          logs: [log(day, { lines: [] })],
        }),
      );
    expect(of(cycle(5, eachSideBothWays(4))).count).toBe(8);
    expect(of(cycle(5, together(27)), shelf.get('squat-and-bounce'))).toMatchObject({ side: 'both', count: 27 });
    expect(of(hold(60, together(1)))).toMatchObject({ by: 'plan', count: null });
    expect(of({ ...cycle(5, together(1)), roundSeconds: 120 }).count).toBeNull();
  });
});

test('what was asked is said beside what is counted, of the hand that works', () => {
  const seen = (count: number): FilmCycles => ({
    by: 'wrist',
    side: 'right',
    starts: [],
    count,
    lengths: [],
    mean: null,
    spread: null,
    rangeCm: null,
    pauses: [],
  });
  const asked = { by: 'plan', dose: drill.defaultDose, side: 'right', count: 9, done: null } as const;
  expect(askedSaid(asked, seen(6))).toBe('The plan asks 9 on the right side; the film shows 6 of them.');
  expect(askedSaid(asked, seen(9))).toBe('The plan asks 9 on the right side; the film shows all of them.');
  expect(askedSaid({ ...asked, by: 'exercise', side: 'both' }, seen(11))).toBe(
    'The exercise asks 9; the film shows 11, 2 more than asked.',
  );
  expect(askedSaid({ ...asked, by: 'log', done: 8 }, seen(6))).toBe(
    'The log of that day has 9 on the right side asked, 8 done; the film shows 6 of them.',
  );
  expect(askedSaid({ ...asked, count: null }, seen(6))).toBe('');
  const hands = [{ ...seen(4), side: 'left' as const }, seen(6), { ...seen(2), by: 'hips' as const }];
  expect(countedOf(hands, 'right')!.count).toBe(6);
  expect(countedOf(hands, 'both')!.count).toBe(4);
  expect(countedOf([], 'both')).toBeNull();
});
