import { standardBody } from '../body';
import { postureAnswers } from '../endurance/postureAnswers';
import { asksForBalance, builtInExercises } from '../library';
import { settlePosture, softSchool } from '../schools';
import { log, logLine, shelf } from '../testing/samples';
import {
  effortCalibration,
  recalibrated,
  guidanceWords,
  loadWeeks,
  monotonyWords,
  recentLoad,
  recentWords,
  sideBalance,
  weekLoad,
  dailyLoads,
  recentGrade,
  GUIDANCE,
} from '.';

const families = new Map(builtInExercises.map((exercise) => [exercise.id, exercise.family]));
const asksForBalanceIds = new Set(builtInExercises.filter(asksForBalance).map(({ id }) => id));
const today = '2026-03-29';
const minutes = (day: string, length: number, effort: number | null, id = day) =>
  log(day, { id, practisedSeconds: length * 60, effort });

test('weeks from logs: the check week of sources: Load, by day', () => {
  const days: [string, number][] = [
    ['2026-03-23', 300],
    ['2026-03-25', 450],
    ['2026-03-27', 360],
    ['2026-03-28', 180],
  ];
  // Effort 5 and minutes that give the loads of the check: 300, 0, 450, 0, 360, 180, 0.
  const logs = days.map(([day, load]) => minutes(day, load / 5, 5));
  const weeks = loadWeeks(logs, families, today, 2);
  expect(weeks).toHaveLength(2);
  expect(weeks[1]!.from).toBe('2026-03-23');
  expect(weeks[1]!.load).toBeCloseTo(1290, 6);
  expect(weeks[1]!.monotony).toBeCloseTo(0.97, 2);
  expect(weeks[1]!.strain).toBeCloseTo(weekLoad([300, 0, 450, 0, 360, 180, 0]).strain!, 6);
  expect(weeks[0]).toMatchObject({ load: 0, practices: 0 });
  expect(weeks[1]!.byFamily.standing).toBeCloseTo(1290, 6);
});

test('load goes to families by the time done, and the parts add up to the whole', () => {
  const mixed = log(today, {
    practisedSeconds: 600,
    effort: 5,
    lines: [
      logLine(1, { done: { amount: 1, seconds: 300 } }),
      logLine(1, { exerciseId: 'shake-out', done: { amount: 1, seconds: 100 } }),
    ],
  });
  const [week] = loadWeeks([mixed], families, today, 1);
  expect(week!.load).toBeCloseTo(50, 6);
  expect(week!.byFamily).toEqual({ standing: 37.5, closing: 12.5 });
  // A table may say what was done and not how long: then the lines count alike.
  const lengthless = log(today, {
    practisedSeconds: 600,
    effort: 5,
    lines: ['tree-holding', 'shake-out'].map((exerciseId) =>
      logLine(1, { exerciseId, done: { amount: 1, seconds: 0 } }),
    ),
  });
  for (const given of [lengthless, { ...lengthless, lines: [] }]) {
    const [only] = loadWeeks([given], families, today, 1);
    expect(Object.values(only!.byFamily).reduce((sum, part) => sum + part, 0)).toBeCloseTo(only!.load, 9);
  }
});

test('a practice without an effort has minutes and no load, and is counted as such', () => {
  const [week] = loadWeeks([minutes(today, 30, null), minutes(today, 20, 4, 'b')], families, today, 1);
  expect(week).toMatchObject({ load: 80, minutes: 50, practices: 2, withoutEffort: 1 });
});

test('only exercises that ask for balance count as balance work (common practice)', () => {
  const balance = new Set(builtInExercises.filter(asksForBalance).map((exercise) => exercise.id));
  for (const id of ['empty-full', 'cloud-steps']) expect(balance).toContain(id);
  for (const id of ['tree-holding', 'belly-breathing', 'four-part-breath', 'shake-out'])
    expect(balance).not.toContain(id);
  const done = (day: string, exerciseId: string) => log(day, { id: day, lines: [logLine(1, { exerciseId })] });
  const logs = [done('2026-03-27', 'belly-breathing'), done('2026-03-28', 'empty-full'), done(today, 'tree-holding')];
  expect(guidanceWords(logs, today, 70, balance)).toContain('3 or more days a week: 1 so far');
});

test('the order of the logs does not matter', () => {
  const logs = [minutes('2026-03-20', 20, 4), minutes('2026-03-22', 30, 6), minutes('2026-03-28', 10, 7)];
  expect(loadWeeks(logs.toReversed(), families, today, 3)).toEqual(loadWeeks(logs, families, today, 3));
  expect(recentLoad(logs.toReversed(), today)).toEqual(recentLoad(logs, today));
});

test('words for recent load and for a week', () => {
  expect(recentWords({ recent: 0, usual: null, ratio: null })).toContain('Too early to say');
  expect([1.5, 1.2, 1, 0.75, 0.4].map((ratio) => recentWords({ recent: 1, usual: 1, ratio }).slice(0, 12))).toEqual([
    'Clearly more',
    'A little mor',
    'As usual.',
    'A little les',
    'Clearly less',
  ]);
  expect(monotonyWords({ load: 0, monotony: null })).toBe('no practice');
  expect(monotonyWords({ load: 70, monotony: null })).toContain('no variation');
  expect(monotonyWords({ load: 70, monotony: 2.01 })).toContain('too much alike');
  expect(monotonyWords({ load: 70, monotony: 2 })).toBe('varied enough');
});

test('sides over four weeks: what is owed to which, from the twenty-eighth day on', () => {
  const sided = (day: string, left: number, right: number) =>
    log(day, {
      lines: [
        logLine(1, { side: 'left', done: { amount: 1, seconds: left } }),
        logLine(1, { side: 'right', done: { amount: 1, seconds: right } }),
      ],
    });
  const logs = [sided('2026-03-28', 100, 160), sided('2026-03-02', 60, 60), sided('2026-03-01', 900, 0)];
  expect(sideBalance(logs, today)).toEqual({
    leftSeconds: 160,
    rightSeconds: 220,
    owed: { side: 'left', seconds: 60 },
  });
  expect(sideBalance([sided(today, 100, 102)], today).owed).toBeNull();
});

test('minutes against public guidance (WHO 2020; from memory)', () => {
  const logs = [minutes('2026-03-28', 40, 4), minutes('2026-03-29', 20, 4), minutes('2026-03-20', 99, 4)];
  const none = new Set<string>();
  expect(guidanceWords(logs, today, 40, none)).toContain('60 min in the last seven days');
  expect(guidanceWords(logs, today, 40, none)).toContain('150 to 300');
  expect(guidanceWords(logs, today, 70, none)).toContain('3 or more days a week: 0 so far');
});

describe('effort felt against reckoned', () => {
  const capacity = { kneeNm: 60, shoulderNm: 60, spread: { legs: 1, arms: 1 }, guessed: { legs: false, arms: false } };
  const tree = shelf.get('tree-holding')!;
  const { legs } = postureAnswers(standardBody, settlePosture(tree.posture, softSchool), capacity);
  const held = (day: string, share: number, effort: number | null) =>
    log(day, { effort, lines: [logLine(1, { done: { amount: 1, seconds: share * legs.seconds } })] });

  test('in agreement the factor is one; harder than reckoned, less capacity', () => {
    const days = ['2026-03-20', '2026-03-22', '2026-03-24'];
    const at = (effort: number) =>
      effortCalibration(
        days.map((day) => held(day, 0.5, effort)),
        shelf,
        standardBody,
        capacity,
        softSchool,
      ).factor!;
    expect(at(5)).toBeCloseTo(1, 6);
    expect(at(8)).toBeLessThan(1);
    expect(at(3)).toBeGreaterThan(1);
    // Endurance goes with effort to −1.88: felt 8 for 5 is a capacity of (8/5)^(−1/1.88).
    expect(at(8)).toBeCloseTo((8 / 5) ** (-1 / 1.88), 2);
    expect(at(10)).toBeGreaterThanOrEqual(0.7);
  });

  test('too little says nothing', () => {
    const few = [held('2026-03-20', 0.5, 5), held('2026-03-22', 0.5, null)];
    expect(effortCalibration(few, shelf, standardBody, capacity, softSchool)).toMatchObject({ factor: null });
  });
});

test('a capacity is put right by what was felt: within bounds, and only asked where it differs enough', () => {
  expect(recalibrated(null, 1.2)).toEqual({ factor: null, off: false });
  expect(recalibrated(1.1, 1.2)).toEqual({ factor: 1.32, off: true });
  expect(recalibrated(1.04, 1)).toEqual({ factor: 1.04, off: false });
  expect(recalibrated(1.4, 1.9).factor).toBe(2);
  expect(recalibrated(0.7, 0.6).factor).toBe(0.5);
});

describe('edges', () => {
  const worked = (day: string, side: 'left' | 'right', seconds: number, id = `${day} ${side}`) =>
    log(day, { id, lines: [logLine(1, { side, done: { amount: 1, seconds } })] });

  test.each([
    [null, 'too early'],
    [1.31, 'clearly more'],
    [1.3, 'a little more'],
    [1.1, 'as usual'],
    [0.8, 'as usual'],
    [0.79, 'a little less'],
    [0.5, 'a little less'],
    [0.49, 'clearly less'],
  ] as const)('a ratio of %s is %s', (ratio, grade) => {
    expect(recentGrade({ ratio })).toBe(grade);
  });

  test('days count up to and with today, not before them and not after', () => {
    const logs = [
      minutes('2026-03-22', 10, 5),
      minutes('2026-03-23', 20, 5),
      minutes('2026-03-29', 40, 5),
      minutes('2026-03-30', 80, 5),
    ];
    expect(dailyLoads(logs, today, 7)).toEqual([100, 0, 0, 0, 0, 0, 200]);
    const [, week] = loadWeeks(logs, families, today, 2);
    expect(week).toMatchObject({ load: 300, minutes: 60, practices: 2, withoutEffort: 0 });
  });

  test('a practice without an effort has minutes and no load, and is counted', () => {
    const logs = [minutes(today, 30, null), minutes('2026-03-28', 10, 4)];
    expect(dailyLoads([logs[0]!], today, 2)).toEqual([0, 0]);
    const [week] = loadWeeks(logs, families, today, 1);
    expect(week).toMatchObject({ load: 40, minutes: 40, practices: 2, withoutEffort: 1, byFamily: { standing: 40 } });
    expect(loadWeeks([logs[0]!], families, today, 1)[0]!.byFamily).toEqual({});
  });

  test('sides are weighed over four weeks with today, and two in a hundred are alike', () => {
    const of = (left: number, right: number) =>
      sideBalance([worked(today, 'left', left), worked(today, 'right', right)], today);
    expect(of(98, 100).owed).toBeNull();
    expect(of(97.9, 100).owed).toEqual({ side: 'left', seconds: expect.closeTo(2.1, 6) });
    expect(of(100, 0).owed).toEqual({ side: 'right', seconds: 100 });
    const days = ['2026-03-01', '2026-03-02', '2026-03-29', '2026-03-30'];
    expect(
      sideBalance(
        days.map((day) => worked(day, 'left', 10)),
        today,
      ).leftSeconds,
    ).toBe(20);
  });

  test('guidance counts the minutes of seven days, and balance by days from that age on', () => {
    const balance = asksForBalanceIds;
    const stood = (day: string, amount: number, id: string) =>
      log(day, {
        id,
        practisedSeconds: 600,
        lines: [logLine(1), logLine(amount, { exerciseId: 'empty-full', done: { amount, seconds: 30 } })],
      });
    const logs = [
      stood('2026-03-22', 1, 'a'),
      stood('2026-03-23', 1, 'b'),
      stood('2026-03-28', 1, 'c'),
      stood('2026-03-28', 1, 'd'),
      stood('2026-03-29', 0, 'e'),
      stood('2026-03-30', 1, 'f'),
    ];
    expect(guidanceWords(logs, today, null, balance)).toMatch(/^40 min in the last seven days/);
    expect(guidanceWords(logs, today, null, balance)).not.toContain('balance');
    expect(guidanceWords(logs, today, GUIDANCE.balanceFromAge - 1, balance)).not.toContain('balance');
    expect(guidanceWords(logs, today, GUIDANCE.balanceFromAge, balance)).toContain('days a week: 2 so far');
  });
});

describe('effort felt against reckoned, practice by practice', () => {
  const capacity = {
    kneeNm: 150,
    shoulderNm: 60,
    spread: { legs: 1.5, arms: 1.5 },
    guessed: { legs: false, arms: false },
  };
  const tree = shelf.get('tree-holding')!;
  const answers = postureAnswers(standardBody, settlePosture(tree.posture, softSchool), capacity);
  const limit = answers[answers.limitedBy].seconds;
  const practised = (day: string, change: Partial<Parameters<typeof logLine>[1]> = {}, effort: number | null = 5) =>
    log(day, {
      id: day,
      startedAt: `${day}T08:00:00.000Z`,
      effort,
      lines: [logLine(1, { done: { amount: 1, seconds: limit / 2 }, ...change })],
    });
  const points = (logs: Parameters<typeof effortCalibration>[0]) =>
    effortCalibration(logs, shelf, standardBody, capacity, softSchool).points;

  test('the longest hold of each practice speaks: not a cycle, not a seat, not what the shelf does not have', () => {
    expect(points([practised('2026-03-20')])).toHaveLength(1);
    expect(points([practised('2026-03-20', { kind: 'cycle' })])).toEqual([]);
    expect(points([practised('2026-03-20', { exerciseId: 'gone' })])).toEqual([]);
    expect(points([practised('2026-03-20', { exerciseId: 'staged-sitting' })])).toEqual([]);
    expect(points([practised('2026-03-20', {}, null)])).toEqual([]);
    const twice = log('2026-03-20', {
      effort: 5,
      lines: [
        logLine(2, { done: { amount: 2, seconds: limit } }),
        logLine(1, { done: { amount: 1, seconds: limit / 4 } }),
      ],
    });
    expect(points([twice])[0]!.predicted).toBeCloseTo(points([practised('2026-03-20')])[0]!.predicted, 9);
  });

  test('a hold that never tires says nothing of strength', () => {
    const strong = { ...capacity, kneeNm: 2000, shoulderNm: 2000 };
    expect(effortCalibration([practised('2026-03-20')], shelf, standardBody, strong, softSchool).points).toEqual([]);
  });

  test('the eight latest, the oldest first, whatever order they came in', () => {
    const days = Array.from({ length: 10 }, (_, index) => `2026-03-${10 + index}`);
    const seen = points(days.toReversed().map((day) => practised(day)));
    expect(seen.map(({ day }) => day)).toEqual(days.slice(2));
  });

  test('the middle one of what was felt decides, not the first and not the loudest', () => {
    const felt = [10, 4, 2, 5, 4];
    const logs = felt.map((effort, index) => practised(`2026-03-1${index}`, {}, effort));
    const even = felt.map((_, index) => practised(`2026-03-1${index}`, {}, 4));
    const factorOf = (some: typeof logs) => effortCalibration(some, shelf, standardBody, capacity, softSchool).factor;
    expect(factorOf(logs)).toBe(factorOf(even));
  });
});
