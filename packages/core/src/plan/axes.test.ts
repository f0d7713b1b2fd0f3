import { addDays, formatISO, parseISO } from 'date-fns';
import { breathPeriod } from '../breath/breathPeriod';
import { breathe, cycle, eachSide, hold, pattern, together } from '../library/describe';
import { newStudent, type Measure } from '../students';
import { softSchool } from '../schools';
import { livedPlan, type Lived } from '../testing/livedPlan';
import {
  log,
  logLine,
  plan,
  planContext,
  routine,
  segment,
  shelf,
  strand,
  verdictOn,
  person,
} from '../testing/samples';
import { stageOf, turnedWords, unturned } from '../routine';
import { PlanSchema } from '../goals/plan';
import {
  askedDose,
  contextOf,
  doseOn,
  dosedRoutine,
  firstGoal,
  metShare,
  newStrand,
  planForecast,
  strandPast,
  takeRung,
  withoutStrand,
} from '.';
import { axesOfSegment, axisWords, segmentValue, withSegmentValue, type Axis } from '../axis';

const stand = segment('a', hold(60, together(1)));
const leg = segment('a', hold(30, eachSide(2)), { exerciseId: 'empty-full' });
const reel = segment('a', cycle(6, eachSide(8)), { exerciseId: 'one-hand-reeling' });
const breath = segment('a', breathe(12, pattern(4, 1, 6, 1)), { exerciseId: 'opening-closing' });
const drill = (id: string) => shelf.get(id)!;
const met: Lived = { share: 1, kept: null, effort: 5 };

test('each drill grows in its dose, and in that of its posture which it has', () => {
  expect(axesOfSegment(stand, drill('tree-holding'))).toEqual([
    'time',
    'repetitions',
    'bend',
    'arms',
    'width',
    'stage',
  ]);
  expect(axesOfSegment(reel, drill('one-hand-reeling'))).toEqual([
    'repetitions',
    'pace',
    'stay',
    'bend',
    'width',
    'stage',
  ]);
  expect(axesOfSegment(leg, drill('empty-full'))).not.toContain('width');
  const seated = { ...drill('tree-holding'), posture: { ...drill('tree-holding').posture, seated: true } };
  expect(axesOfSegment(stand, seated)).toEqual(['time', 'repetitions', 'arms', 'stage']);
  const even = { ...drill('tree-holding'), twoSided: true };
  expect(axesOfSegment(leg, even)).toContain('share');
});

test('a value that is put in comes out again, on every axis, and leaves the others alone', () => {
  const cases: [typeof stand, string, Axis, number][] = [
    [stand, 'tree-holding', 'time', 90],
    [stand, 'tree-holding', 'bend', 35],
    [stand, 'tree-holding', 'arms', 60],
    [stand, 'tree-holding', 'width', 1.3],
    [leg, 'tree-holding', 'share', 70],
    [stand, 'bow-stand', 'length', 2.4],
    [reel, 'one-hand-reeling', 'stage', 3],
    [reel, 'one-hand-reeling', 'repetitions', 16],
    [reel, 'one-hand-reeling', 'pace', 7.5],
    [reel, 'one-hand-reeling', 'stay', 4],
    [breath, 'opening-closing', 'breaths', 18],
    [breath, 'opening-closing', 'pace', 18],
  ];
  for (const [part, id, axis, value] of cases) {
    const changed = withSegmentValue(part, axis, value);
    expect([axis, segmentValue(changed, drill(id), axis)]).toEqual([axis, value]);
    for (const other of axesOfSegment(part, drill(id)).filter((entry) => entry !== axis))
      expect(segmentValue(changed, drill(id), other)).toBe(segmentValue(part, drill(id), other));
  }
});

test('a slower breath keeps the shares of its parts', () => {
  const slower = withSegmentValue(breath, 'pace', 18);
  if (slower.dose.kind !== 'breath') throw new Error('a breath stays one');
  expect(breathPeriod(slower.dose.pattern)).toBeCloseTo(18, 9);
  expect(slower.dose.pattern).toMatchObject({ inSeconds: 6, fullPauseSeconds: 1.5, outSeconds: 9 });
});

test('a first goal is on the step, above where it stands, and no posture beyond what there is', () => {
  const drill = shelf.get('one-hand-reeling')!;
  expect(firstGoal('stage', 1, softSchool, drill)).toBe(drill.stages.length);
  expect(firstGoal('time', 60, softSchool, drill)).toBe(120);
  expect(firstGoal('bend', 20, softSchool, drill)).toBe(40);
  expect(firstGoal('share', 95, softSchool, drill)).toBe(100);
  expect(firstGoal('pace', 6, softSchool, drill)).toBe(9);
  expect(firstGoal('width', 1, softSchool, drill)).toBe(1.3);
});

describe('depth as a strand', () => {
  const deeper = strand({ axis: 'bend', step: 5, start: 20, level: 20, target: 40, family: 'standing' });
  const value = plan([deeper], { lighterEvery: 0 });
  const of = (strands = [deeper]) => ({ ...value, strands });

  test('what is practised is bent as far as the strand has come, in whole steps', () => {
    const at = (level: number) =>
      dosedRoutine(routine([stand]), of([{ ...deeper, level }]), value.startsOn, [1, 3, 5]).segments[0];
    expect(at(24.2)).toMatchObject({ turned: { kneeBendDeg: 20 }, dose: { holdSeconds: 60 } });
    expect(at(26)).toMatchObject({ turned: { kneeBendDeg: 25 } });
    expect(turnedWords({ kneeBendDeg: 25 })).toBe(axisWords(25, 'bend'));
  });

  test('a practice in a higher stand is no test of it; one in the stand that was asked is, by the time it was held', () => {
    const turned = { ...unturned, kneeBendDeg: 15 };
    const practised = (change: Parameters<typeof logLine>[1], share = 1) =>
      log('2026-01-06', { lines: [logLine(share, change)] });
    expect(askedDose(practised({ turned }), deeper)).toBe(15);
    expect(askedDose(practised({ turned: { ...turned, kneeBendDeg: 25 } }), deeper)).toBe(25);
    // Written down afterwards nothing tells the posture: it was the one that was asked for.
    expect(askedDose(practised({}), deeper)).toBe(Infinity);
    expect(metShare(practised({}, 0.5), deeper)).toBe(0.5);
  });

  test('rises a tenth at a time and says what is saved up; plan and verdicts agree day by day', () => {
    const context = planContext(value, { practiceDays: [1, 3, 5], routine: routine([stand]) });
    const forecast = planForecast(context).strands[0]!;
    const days = livedPlan(context, 84, () => met);
    for (const { day, asked } of days) {
      const planned = forecast.days.find((entry) => entry.day === day);
      if (planned !== undefined) expect([day, asked.get('s')]).toEqual([day, planned.dose]);
    }
    expect(days.at(-1)!.plan.strands[0]!.level).toBeGreaterThan(35);
    const saving = days.flatMap(({ verdicts }) => verdicts).find(({ reasons }) => reasons.join().includes('saved up'));
    expect(saving!.reasons.join()).toContain('bend 22° of the bend 25°');
  });

  test('goes no further than knees and heels allow on the body, and says so', () => {
    const student = { ...newStudent('u', 'Ama', softSchool.id), practiceDays: [1, 3, 5] };
    const stiff: Measure = { id: 'm', studentId: 'u', day: '2026-01-01', kind: 'knee to wall', side: 'left', cm: 4 };
    const known = person({ student, measures: [stiff], routines: [routine([stand])] }, value.startsOn);
    const context = contextOf(of([{ ...deeper, target: 90 }]), known);
    const most = context.mostDoses.get('s')!;
    expect(most.from).toBe('alignment');
    expect(most.dose % 5).toBe(0);
    expect(planForecast(context).strands[0]).toMatchObject({ binding: 'alignment', earliestDay: null });
    const over = verdictOn({ ...context, plan: of([{ ...deeper, level: 80, target: 90 }]) }, deeper);
    expect(over.reasons.join(' ')).toContain('knees stay behind the toes and heels on the floor');
  });

  test('a tested body that cannot hold it so low is the rail too', () => {
    const student = { ...newStudent('u', 'Ama', softSchool.id), practiceDays: [1, 3, 5] };
    const stance = {
      kneeBendDeg: 30,
      trunkPitchDeg: 0,
      shoulderRaiseDeg: 0,
      elbowBendDeg: 0,
      pressurePoint: 0.5,
      weightShare: 0.5,
    };
    const tested: Measure = {
      id: 'm',
      studentId: 'u',
      day: '2026-01-01',
      kind: 'hold',
      stance,
      seconds: 80,
      stoppedBy: 'legs',
    };
    const known = person({ student, measures: [tested], routines: [routine([stand])] }, value.startsOn);
    const context = contextOf(of([{ ...deeper, target: 45 }]), known);
    expect(context.mostDoses.get('s')).toMatchObject({ from: 'strength' });
  });

  test('a rung that is taken by hand is where the strand stands then', () => {
    const both = of([strand(), { ...deeper, id: 'deep' }]);
    const exchange = { equal: { seconds: 40, least: 30, most: 50 }, begin: 35, step: 5 };
    const taken = takeRung(both, 's', { kneeBendDeg: 30 }, exchange, 'd', new Date('2026-01-08T09:00:00')).plan;
    expect(taken.strands[1]).toMatchObject({ level: 30, target: 40 });
    expect(dosedRoutine(routine([stand]), taken, '2026-01-09', [1, 3, 5]).segments[0]).toMatchObject({
      turned: { kneeBendDeg: 30 },
    });
  });
});

test('a drill rises along one axis at a time', () => {
  const strands = [
    strand({ id: 'long', target: 120 }),
    strand({ id: 'deep', axis: 'bend', step: 1, start: 20, level: 20, target: 40 }),
  ];
  const logs = ['2026-01-06', '2026-01-08'].map((day) => log(day));
  const context = planContext(plan(strands, { lighterEvery: 0 }), {
    logs,
    today: '2026-01-08',
    routine: routine([stand]),
  });
  const said = ['long', 'deep'].map((id) => verdictOn(context, { id }));
  expect(said.filter(({ moves }) => moves)).toHaveLength(1);
  expect(said.find(({ moves }) => !moves)!.reasons.join()).toContain(
    'the same exercise goes up in another way this week',
  );
});

test('a strand that is taken out leaves the routine’s own dose, and opens what waited for it', () => {
  const waits = strand({ id: 'w', segmentId: 'b', gate: { strandId: 's', dose: 90 } });
  const left = withoutStrand(plan([strand({ level: 90 }), waits]), 's');
  expect(left.strands).toMatchObject([{ id: 'w', gate: null }]);
  expect(dosedRoutine(routine([stand]), left, '2026-01-06', [1, 3, 5]).segments[0]).toMatchObject({
    dose: { holdSeconds: 60 },
  });
});

test('a new strand begins where the segment stands in the axis', () => {
  const made = newStrand('n', stand, drill('tree-holding'), 'bend', 40, '2026-06-01', softSchool);
  expect(made).toMatchObject({ axis: 'bend', step: 5, start: drill('tree-holding').posture.kneeBendDeg, target: 40 });
  expect(PlanSchema.safeParse(plan([made])).success).toBe(true);
});

test('a lighter week asks for less of how long and how often, not of how low or how slowly', () => {
  const value = plan([strand({ axis: 'bend', level: 30, start: 20 }), strand({ id: 't', level: 60 })], {
    lighterEvery: 4,
  });
  const lighter = formatISO(addDays(parseISO(value.startsOn), 22), { representation: 'date' });
  expect(value.strands.map((one) => doseOn(value, one, lighter, [1, 3, 5]))).toEqual([30, 35]);
  const forecast = planForecast(planContext(value, { routine: routine([stand]), practiceDays: [1, 3, 5] }));
  for (const { weeks } of forecast.strands.filter(({ strandId }) => strandId === 's'))
    for (const week of weeks) expect(week.dose).toBeGreaterThanOrEqual(30);
});

describe('the past of a strand', () => {
  const of = (change: Parameters<typeof strand>[0]) =>
    strand({ rows: [{ side: 'both', direction: 'none' }], ...change });
  const on = (day: string, seconds: number, done: number, change = {}) =>
    log(day, { lines: [logLine(1, { asked: { amount: 1, seconds }, done: { amount: 1, seconds: done }, ...change })] });

  test('is what was asked week by week, and what counts of it by the rule of the verdicts', () => {
    const logs = [on('2026-01-20', 70, 50), on('2026-01-06', 60, 60), on('2026-01-21', 70, 70, { alignmentKept: 0.5 })];
    const past = strandPast(of({}), '2026-01-05', logs, 4);
    expect(past.weeks.map(({ dose, kind }) => [dose, kind])).toEqual([
      [60, 'past'],
      [60, 'nothing'],
      [70, 'past'],
      [70, 'nothing'],
    ]);
    expect(past.done.map(({ dose, met: all }) => [dose, all])).toEqual([
      [60, true],
      [50, false],
      [35, false],
    ]);
  });

  test('of a posture it is how low was stood, as far as it was held', () => {
    const turned = { ...unturned, kneeBendDeg: 25 };
    const deep = of({ axis: 'bend', start: 20, level: 25, target: 40 });
    const past = strandPast(deep, '2026-01-05', [on('2026-01-06', 60, 60, { turned }), on('2026-01-07', 60, 30)], 1);
    expect(past.done.map(({ asked, dose }) => [asked, dose])).toEqual([
      [25, 25],
      [25, 12.5],
    ]);
  });
});

describe('the stages of a drill as a strand (common practice: parts alone, joined, stop and start, flowing)', () => {
  const staged = strand({ axis: 'stage', step: 1, start: 1, level: 1, target: 4, exerciseId: 'one-hand-reeling' });
  const value = plan([staged], { lighterEvery: 0 });
  const context = planContext(value, { practiceDays: [1, 3, 5], routine: routine([reel]) });

  test('each raise is the next stage, whole; plan and verdicts agree day by day, and the last is the end', () => {
    const forecast = planForecast(context).strands[0]!;
    const days = livedPlan(context, 70, () => met);
    for (const { day, asked } of days) {
      const planned = forecast.days.find((entry) => entry.day === day);
      if (planned !== undefined) expect([day, asked.get('s')]).toEqual([day, planned.dose]);
    }
    const levels = [...new Set(days.map(({ plan: { strands } }) => strands[0]!.level))];
    expect(levels).toEqual([1, 2, 3, 4]);
    expect(
      days
        .at(-1)!
        .verdicts.flatMap(({ reasons }) => reasons)
        .join(),
    ).not.toContain('saved up');
  });

  test('too hard goes one stage back, never below the first, and is found again', () => {
    const hard: Lived = { share: 0.4, kept: null, effort: 9 };
    const days = livedPlan(context, 70, (_, __, number) => (number >= 8 && number < 12 ? hard : met));
    const levels = days.map(({ plan: { strands } }) => strands[0]!.level);
    const steps = levels.flatMap((level, index) =>
      index > 0 && level !== levels[index - 1] ? [level - levels[index - 1]!] : [],
    );
    expect(steps).toContain(-1);
    expect(steps.every((step) => Math.abs(step) === 1)).toBe(true);
    expect(Math.min(...levels)).toBe(1);
  });

  test('what is practised is the stage, told with its words', () => {
    const at = (level: number) =>
      dosedRoutine(routine([reel]), { ...value, strands: [{ ...staged, level }] }, value.startsOn, [1, 3, 5]);
    const part = at(2).segments[0] as typeof reel;
    expect(stageOf(part, drill('one-hand-reeling'))).toMatchObject({ name: 'Turn only' });
    expect(turnedWords(part.turned!)).toBe(axisWords(2, 'stage'));
    expect(stageOf(reel, drill('one-hand-reeling'))).toBeNull();
  });
});

describe('the hold inside a repetition as a strand', () => {
  const staying = strand({ axis: 'stay', step: 1, start: 1, level: 1, target: 5, exerciseId: 'squat-and-bounce' });
  const squats = segment('a', cycle(6, together(8)), { exerciseId: 'squat-and-bounce' });
  const value = plan([staying], { lighterEvery: 0 });
  const long = segment('b', hold(600, together(1)));
  const context = planContext(value, { practiceDays: [1, 3, 5], routine: routine([squats, long]) });

  test('begins with a second and goes second by second; plan and verdicts agree day by day', () => {
    expect(firstGoal('stay', 1, softSchool, drill('squat-and-bounce'))).toBe(4);
    const forecast = planForecast(context).strands[0]!;
    const days = livedPlan(context, 70, () => met);
    for (const { day, asked } of days) {
      const planned = forecast.days.find((entry) => entry.day === day);
      if (planned !== undefined) expect([day, asked.get('s')]).toEqual([day, planned.dose]);
    }
    const levels = [...new Set(days.map(({ plan: { strands } }) => strands[0]!.level))];
    expect(levels).toEqual([1, 2, 3, 4, 5]);
  });

  test('what is practised stays so long; a practice that asked for less is no test of it', () => {
    const asked = dosedRoutine(
      routine([squats]),
      { ...value, strands: [{ ...staying, level: 3 }] },
      value.startsOn,
      [1, 3, 5],
    );
    expect(asked.segments[0]).toMatchObject({ dose: { kind: 'cycle', cycleSeconds: 6, staySeconds: 3 } });
    const practised = (staySeconds: number | null) =>
      log('2026-01-06', { lines: [logLine(1, { kind: 'cycle', staySeconds })] });
    expect([2, 3, null].map((seconds) => askedDose(practised(seconds), staying))).toEqual([2, 3, Infinity]);
    // Slower is how long it moves: the stay is no slowness.
    const slow = strand({ axis: 'pace', level: 6, step: 0.5, start: 6 });
    const line = logLine(1, { kind: 'cycle', asked: { amount: 8, seconds: 72 }, staySeconds: 3 });
    expect(askedDose(log('2026-01-06', { lines: [line], source: 'conducted' }), slow)).toBe(6);
  });
});
