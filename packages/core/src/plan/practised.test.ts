import { addDays, formatISO, parseISO } from 'date-fns';
import { newCorrection } from '../corrections';
import { cycle, eachSide, hold, together } from '../library/describe';
import { timeline, turnSegment, unturned } from '../routine';
import { softSchool } from '../schools';
import { notedCondition, type Noted } from '../screening';
import { newStudent, type Student } from '../students';
import { log, logLine, person, plan, routine, segment, shelf, strand } from '../testing/samples';
import type { Plan } from '../goals/plan';
import type { PersonRecord, StoredPerson } from '../person';
import type { PracticeLog } from '../practice';
import { ownRungs } from '../classes/ownRungs';
import { contextOf } from './contextOf';
import { dosedRoutine, postureIn, strandSegments, withDoses } from './dosedRoutine';
import { firstGoalDay } from './firstGoal';
import { firstLevel } from './firstLevel';
import { lockedSegments } from './lockedSegments';
import { planForecast } from './planForecast';
import { lastDayOf, plannedDays } from './plannedDays';
import { planVerdicts } from './planVerdicts';
import { practisedOn, practisedRoutine, takenCareOf } from './practisedRoutine';

const day = '2026-01-05';
const after = (days: number): string => formatISO(addDays(parseISO(day), days), { representation: 'date' });
const student: Student = { ...newStudent('u', 'Nela Brisk', softSchool.id), practiceDays: [1, 3, 5] };
const base = routine([
  segment('a', hold(60, together(1))),
  { type: 'rest', id: 'rest', seconds: 30, label: '', roundId: null },
  segment('b', cycle(6, eachSide(8)), { exerciseId: 'one-hand-reeling' }),
]);
const standing = strand({ level: 70 });
const counted = strand({
  id: 't',
  segmentId: 'b',
  exerciseId: 'one-hand-reeling',
  exerciseName: 'One-hand silk-reeling',
  family: 'reeling',
  axis: 'repetitions',
  step: 1,
  start: 8,
  level: 9,
  target: 20,
});
const shut = { ...counted, level: 8, gate: { strandId: 's', dose: 170 } };

describe('where a strand begins', () => {
  const weak = (because: string, firstShare: number): Noted => ({
    because,
    rule: '',
    side: null,
    limits: {},
    firstShare,
  });
  const first = (
    noted: readonly Noted[],
    exerciseId = 'tree-holding',
    dose = hold(90, together(1)),
    axis: 'time' | 'bend' | 'repetitions' = 'time',
  ) => firstLevel(segment('a', dose, { exerciseId }), shelf.get(exerciseId)!, axis, softSchool, noted);

  test('at its own dose where nothing that is noted makes it less', () => {
    expect(first([])).toEqual({ level: 90, because: null });
    expect(firstLevel(segment('a', hold(90, together(1))), shelf.get('tree-holding')!, 'time', softSchool)).toEqual({
      level: 90,
      because: null,
    });
    expect(first([notedCondition('knee pain')])).toEqual({ level: 90, because: null });
  });

  test('at the least share of all that is noted, on the step and never under one', () => {
    const [two, half] = [weak('two thirds', 2 / 3), weak('half', 0.5)];
    expect(first([notedCondition('knee pain'), two])).toEqual({ level: 60, because: 'two thirds' });
    expect(first([half, notedCondition('knee pain')])).toEqual({ level: 40, because: 'half' });
    expect(first([two, half])).toEqual({ level: 40, because: 'half' });
    expect(first([half, two])).toEqual({ level: 40, because: 'half' });
    expect(first([half, weak('as much', 0.5)]).because).toBe('half');
    expect(first([half], 'tree-holding', hold(8, together(1)))).toEqual({ level: 5, because: 'half' });
    expect(first([half], 'tree-holding', hold(4, together(1)))).toEqual({ level: 4, because: null });
    expect(first([half], 'tree-holding', hold(5, together(1)))).toEqual({ level: 5, because: null });
    expect(first([half], 'one-hand-reeling', cycle(6, eachSide(9)) as never, 'repetitions')).toEqual({
      level: 4,
      because: 'half',
    });
  });

  test('lower only in time and repetitions of what loads the joints, and not in loosening, breathing and closing', () => {
    const half = [weak('half', 0.5)];
    expect(first(half, 'tree-holding', hold(90, together(1)), 'bend').because).toBeNull();
    const light = [...shelf.values()].filter(({ family }) => ['breathing', 'warm-up', 'closing'].includes(family));
    expect(light.length).toBeGreaterThan(3);
    for (const { id } of light) expect(first(half, id)).toEqual({ level: 90, because: null });
    const tree = shelf.get('tree-holding')!;
    const seated = { ...tree, posture: { ...tree.posture, seated: true } };
    const sat = firstLevel(segment('a', hold(90, together(1))), seated, 'time', softSchool, half);
    expect(sat).toEqual({ level: 90, because: null });
  });
});

test('a first goal is wished for in eight weeks', () => {
  expect(firstGoalDay('2026-01-05')).toBe('2026-03-02');
});

describe('a routine with the doses of a plan', () => {
  test('each segment has its own strands, dose and posture; pauses stay as they are', () => {
    const value = plan([standing, counted], {
      postures: [
        {
          segmentId: 'x',
          turned: { ...unturned, kneeBendDeg: 50 },
        },
        {
          segmentId: 'b',
          turned: { ...unturned, kneeBendDeg: 25 },
        },
      ],
    });
    expect([postureIn(value, 'a'), postureIn(value, 'b')]).toEqual([{}, { kneeBendDeg: 25 }]);
    const dosed = withDoses(base, value, ({ level }) => level, new Set());
    expect(dosed.segments[0]).toMatchObject({ dose: { holdSeconds: 70 }, turned: null });
    expect(dosed.segments[1]).toBe(base.segments[1]);
    expect(dosed.segments[2]).toMatchObject({
      dose: { amounts: [{ amount: 9 }, { amount: 9 }] },
      turned: { kneeBendDeg: 25 },
    });
    expect(withDoses(base, value, ({ level }) => level, new Set(['a'])).segments).toHaveLength(2);
  });

  test('what was written down counts in the segment of its exercise, of several the first', () => {
    expect([...strandSegments([plan([standing, counted, { ...standing, segmentId: 'later' }])])].toSorted()).toEqual([
      ['one-hand-reeling', 'b'],
      ['tree-holding', 'a'],
    ]);
  });
});

const known = (change: Partial<StoredPerson> = {}): PersonRecord =>
  person({ student, routines: [routine([], { id: 'other' }), base], ...change }, day);

test('what verdicts rest on is put together from what is stored, also where the routine is gone', () => {
  const corrections = [newCorrection('c', 'u', shelf.get('tree-holding')!.checkpoints[0]!, day, null)];
  const found = contextOf(plan([standing]), known({ corrections }));
  expect(found).toMatchObject({
    routine: base,
    practiceDays: [1, 3, 5],
    rule: softSchool.raise,
    today: day,
    corrections,
  });
  expect([...found.exercises.keys()]).toEqual([...shelf.keys()]);
  const gone = contextOf(plan([standing]), known({ routines: [] }));
  expect(gone.routine).toBeUndefined();
  expect(gone.mostDoses.size).toBe(0);
});

describe('what is practised on a day', () => {
  test('the routine as it is without a plan; else with its doses, without what waits', () => {
    const of = (...plans: Plan[]) => practisedRoutine(base, known({ plans })).routine;
    expect(of()).toBe(base);
    expect(practisedRoutine(base, known()).changed).toEqual([]);
    const value = plan([standing, shut]);
    expect(of(value)).toEqual(dosedRoutine(base, value, day, student.practiceDays));
    expect(of(value).segments.map(({ id }) => id)).toEqual(['a', 'rest']);
    // What waits in another routine waits here too.
    expect(of({ ...value, routineId: 'other' }).segments.map(({ id }) => id)).toEqual(['a', 'rest']);
  });

  test('what is noted of the body is taken care of; without anything noted nothing is reckoned', () => {
    const low = turnSegment(base, 'a', { kneeBendDeg: 60 });
    const sore = { ...student, conditions: ['knee pain' as const] };
    const found = practisedRoutine(low, known({ student: sore }));
    expect(found.routine.segments[0]).toMatchObject({ turned: { kneeBendDeg: 20 } });
    expect(found.changed.length).toBeGreaterThan(0);
    expect(practisedRoutine(low, known())).toEqual({ routine: low, changed: [], locked: new Set(), closed: new Set() });
  });

  test('with a heart condition a hold is as hard as it is for that person; counted drills and unknown ones are not reckoned', () => {
    const heart = { ...student, conditions: ['heart condition' as const] };
    const long = routine([
      segment('a', hold(3600, together(1))),
      segment('b', cycle(6, eachSide(400)), { exerciseId: 'one-hand-reeling' }),
      segment('c', hold(3600, together(1)), { exerciseId: 'gone' }),
    ]);
    const { changed } = takenCareOf(long, known({ student: heart }));
    expect(changed.filter(({ limit }) => limit.name === 'effort').map((one) => one.segment.id)).toEqual(['a']);
  });

  test('how hard a hold is is learned from what was practised', () => {
    const heart = { ...student, conditions: ['heart condition' as const] };
    const long = routine([segment('a', hold(240, together(1)))]);
    const minute = { asked: { amount: 1, seconds: 60 }, done: { amount: 1, seconds: 60 }, gaveOut: 'legs' } as const;
    const logs = [1, 2, 3, 4, 5, 6].map((ago) => log(after(-ago), { effort: 9, lines: [logLine(1, minute)] }));
    const seconds = (practised: PracticeLog[] = []) => {
      const { dose } = practisedRoutine(long, known({ student: heart, logs: practised })).routine
        .segments[0] as ReturnType<typeof segment>;
      return dose.kind === 'hold' ? dose.holdSeconds : 0;
    };
    expect(seconds()).toBeGreaterThan(120);
    expect(seconds(logs)).toBeLessThan(60);
  });

  test('what a sign to stop has locked is left out; a plan without its routine asks nothing', () => {
    const value = plan([standing, counted]);
    const on = (change: Partial<StoredPerson> = {}) => practisedOn(value, known({ plans: [value], ...change }));
    expect(on()!.segments.map(({ id }) => id)).toEqual(['a', 'rest', 'b']);
    const chest = log(after(-2), { symptoms: ['chest pain'] });
    expect(on({ logs: [chest] })!.segments.map(({ id }) => id)).toEqual(['rest']);
    expect(on({ routines: [routine([], { id: 'other' })] })).toBeNull();
    // Where it is wanted it stays in, and is told as locked all the same.
    const kept = practisedRoutine(base, known({ plans: [value], logs: [chest] }), true);
    expect(kept.routine.segments.map(({ id }) => id)).toEqual(['a', 'rest', 'b']);
    expect([...kept.locked]).toEqual(['a', 'b']);
  });
});

describe('a sign to stop locks every drill that loads the place, with a goal or without', () => {
  const knee = (ago: number) =>
    log(after(-ago), {
      startedAt: `${after(-ago)}T09:00:00Z`,
      pain: 6,
      painPlace: 'knee',
      painWhere: '',
      symptoms: [],
    });
  const breathing = segment('c', hold(60, together(1)), { exerciseId: 'belly-breathing' });
  const three = { ...base, segments: [...base.segments, breathing] };
  const ids = (found: { readonly segments: readonly { readonly id: string }[] }) => found.segments.map(({ id }) => id);

  test('in the hall, the days to come, the load of the week and in class alike', () => {
    const value = plan([standing]);
    const who = known({ plans: [value], logs: [knee(2)], routines: [three] });
    expect([...lockedSegments(three, who).keys()]).toEqual(['a', 'b']);
    expect(ids(practisedRoutine(three, who).routine)).toEqual(['rest', 'c']);
    for (const { routine: planned } of plannedDays(value, who, 2)) expect(ids(planned)).toEqual(['rest', 'c']);
    expect([...contextOf(value, who).lockedSegments]).toEqual(['a', 'b']);
    expect(ownRungs(three, who).map(({ own }) => own === null)).toEqual([true, true, false]);
    // Of two signs the newest is told, as in the verdict.
    const twice = known({ plans: [value], logs: [knee(5), knee(2)], routines: [three] });
    const [verdict] = planVerdicts(contextOf(value, twice));
    expect(lockedSegments(three, twice).get('a')).toBe(verdict!.reasons[0]);
    // Cleared in the plan, it is cleared for what has no goal too.
    const cleared = { ...value, strands: [{ ...standing, clearedAt: `${after(-1)}T09:00:00Z` }] };
    expect(ids(practisedRoutine(three, { ...who, plans: [cleared] }).routine)).toEqual(['a', 'rest', 'b', 'c']);
  });

  test('without a plan for seven days', () => {
    const of = (ago: number) => practisedRoutine(three, known({ logs: [knee(ago)], routines: [three] }));
    expect(ids(of(2).routine)).toEqual(['rest', 'c']);
    expect([...of(2).locked]).toEqual(['a', 'b']);
    expect(of(8)).toMatchObject({ routine: three, changed: [] });
    expect(of(8).locked.size).toBe(0);
  });
});

describe('the days of a plan that are to come', () => {
  const planOf = (strands = [standing, counted]) => plan(strands, { holidays: [{ from: after(14), to: after(16) }] });
  const days = (weeks = 5, strands = [standing, counted], change: Partial<StoredPerson> = {}) =>
    plannedDays(planOf(strands), known(change), weeks);

  test('are the practice days of so many weeks without holidays, each with the dose of the forecast', () => {
    const found = days();
    const until = lastDayOf(day, 5);
    expect(until).toBe(after(34));
    expect(found.map((one) => one.day)).toEqual(
      Array.from({ length: 35 }, (_, at) => after(at)).filter(
        (one) => [1, 3, 5].includes(parseISO(one).getDay()) && ![after(14), after(15), after(16)].includes(one),
      ),
    );
    const forecast = planForecast(contextOf(planOf(), known()), until);
    const dose = (index: number, on: string) => forecast.strands[index]!.days.find((one) => one.day === on)!.dose;
    for (const one of found) {
      expect(one.goals.map(({ asked, name }) => [asked, name])).toEqual([
        [true, 'Holding the tree'],
        [true, 'One-hand silk-reeling'],
      ]);
      expect(one.routine.segments[0]).toMatchObject({ dose: { holdSeconds: dose(0, one.day) } });
      expect(one.routine.segments[2]).toMatchObject({ dose: { amounts: [{ amount: dose(1, one.day) }, {}] } });
      expect(one.seconds).toBe(timeline(one.routine).totalMs / 1000);
    }
    expect(found.filter(({ lighter }) => lighter).map((one) => one.day)).toEqual([after(21), after(23), after(25)]);
    expect(found[0]!.goals[0]!.words).toBe('1:10 min');
  });

  test('leave out what is not opened yet or locked, and say which', () => {
    const waiting = days(1, [standing, shut])[0]!;
    expect(waiting.routine.segments.map(({ id }) => id)).toEqual(['a', 'rest']);
    expect(waiting.goals[1]).toMatchObject({ asked: false, words: 'not opened yet' });
    const knee = log(after(-2), { pain: 8, painWhere: 'chest', symptoms: ['chest pain'], lines: [logLine()] });
    const [locked] = days(1, [standing, counted], { logs: [knee] });
    expect(locked!.routine.segments.map(({ id }) => id)).toEqual(['rest']);
    expect(locked!.goals.map(({ words }) => words)).toEqual(Array(2).fill('left out until it is cleared'));
    // A segment stays while one of its strands is open.
    const two = [
      standing,
      { ...shut, id: 'x', segmentId: 'a', axis: 'bend' as const, start: 30, level: 30, target: 50 },
    ];
    expect(days(1, two)[0]!.routine.segments.map(({ id }) => id)).toEqual(['a', 'rest', 'b']);
  });

  test('are asked for one to a hundred and fifty-six weeks', () => {
    for (const weeks of [0, 157, NaN]) expect(() => days(weeks)).toThrow('weeks must be between 1 and 156');
    expect(days(1)).toHaveLength(3);
    expect(days(156).at(-1)!.day > after(1000)).toBe(true);
    // The last of its days is one of them.
    expect(days(1, undefined, { student: { ...student, practiceDays: [7] } }).map((one) => one.day)).toEqual([
      after(6),
    ]);
    expect(() => days(1, undefined, { student: { ...student, practiceDays: [] } })).toThrow('practiceDays');
    expect(() => days(1, undefined, { routines: [] })).toThrow('routine');
  });
});
