import { hold, cycle, eachSide, together } from '../library/describe';
import { newCorrection } from '../corrections';
import { allCheckpoints } from '../alignment';
import { newStudent } from '../students';
import { softSchool } from '../schools';
import type { PersonRecord, StoredPerson } from '../person';
import { log, logLine, person as personOf, plan, routine, segment, shelf, strand } from '../testing/samples';
import { timeline } from '../routine';
import { PracticeLogSchema, type ClassPerson, type Journal, type OwnRung } from '../practice';
import {
  apartLines,
  apartWords,
  canGoOver,
  classEnd,
  classLines,
  classPerson,
  classRecords,
  classRoutine,
  correctionOrder,
  correctionRound,
  correctionRounds,
  droppable,
  endsAtTime,
  isThrough,
  leastDoses,
  MeetingSchema,
  nextMeeting,
  overSeconds,
  ownRungs,
  piecesMissed,
  takesPart,
  placeWords,
  termOf,
  correctedIn,
  stillWaiting,
  turnNow,
  whatToDrop,
  withoutDropped,
  type Meeting,
} from '.';

const people = (count: number): string[] => Array.from({ length: count }, (_, index) => `p${index + 1}`);
const day = '2026-03-26';

describe('the correction round', () => {
  test('fits the hold, by hand: 8 people in 10 minutes are 75 s each; of 12 in 6 minutes 8 have 45 s and 4 wait', () => {
    const eight = correctionRound(people(8), 600);
    expect([eight.each, eight.turns.length, eight.waiting]).toEqual([75, 8, []]);
    expect(eight.turns.map(({ from }) => from)).toEqual([0, 75, 150, 225, 300, 375, 450, 525]);
    const twelve = correctionRound(people(12), 360);
    expect([twelve.each, twelve.turns.length]).toEqual([45, 8]);
    expect(twelve.waiting).toEqual(['p9', 'p10', 'p11', 'p12']);
  });

  test('one alone has the whole hold; in one too short for anybody all wait', () => {
    expect(correctionRound(['p1'], 300)).toEqual({
      each: 300,
      turns: [{ studentId: 'p1', from: 0, seconds: 300 }],
      waiting: [],
    });
    expect(correctionRound(people(3), 44)).toEqual({ each: 0, turns: [], waiting: people(3) });
    expect(correctionRound([], 300)).toEqual({ each: 0, turns: [], waiting: [] });
  });

  test('goes on in the next hold where it ended: 5 people in holds of 3, 1 and 1 minutes', () => {
    const { rounds, waiting } = correctionRounds(people(6), [180, 30, 60]);
    expect(rounds.map((round) => round.turns.map(({ studentId }) => studentId))).toEqual([
      ['p1', 'p2', 'p3', 'p4'],
      [],
      ['p5'],
    ]);
    expect(waiting).toEqual(['p6']);
    // Who leaves a hold out is corrected in another, or waits.
    const without = correctionRounds(people(3), [60, 60, 60], (id, hold) => id !== 'p1' || hold === 1);
    expect(without.rounds.map(({ turns }) => turns[0]?.studentId)).toEqual(['p2', 'p1', 'p3']);
    const out: OwnRung = { segmentId: 'tree', own: null, countsFor: null, because: '' };
    expect([takesPart({ rungs: [out] }, 'tree'), takesPart({ rungs: [out] }, 'reel')]).toEqual([false, true]);
  });

  test('who comes first: what can hurt, who waited, who was not corrected the longest, then the roster', () => {
    const person = (studentId: string, change: Partial<ClassPerson> = {}) => ({
      studentId,
      safety: false,
      waited: false,
      lastCorrected: '2026-03-19',
      ...change,
    });
    const order = correctionOrder([
      person('late'),
      person('long ago', { lastCorrected: '2026-02-01' }),
      person('new', { lastCorrected: null }),
      person('late too'),
      person('waited', { waited: true }),
      person('knee', { safety: true }),
      person('waited and new', { waited: true, lastCorrected: null }),
    ]);
    expect(order.map(({ studentId }) => studentId)).toEqual([
      'knee',
      'waited and new',
      'waited',
      'new',
      'long ago',
      'late',
      'late too',
    ]);
    expect(order.map(placeWords)).toEqual([
      'safety first',
      'waited last time',
      'waited last time',
      'not corrected yet',
      '',
      '',
      '',
    ]);
  });

  test('whose turn it is, and how long still', () => {
    const hold = { index: 4, durationMs: 180_000, offsetMs: 30_000 };
    expect(turnNow(people(3), [], hold)).toEqual({ studentId: 'p1', next: 'p2', left: 2, each: 60, secondsLeft: 30 });
    // The first was quick: the two others share what is left of the hold.
    const quick = turnNow(people(3), [{ studentId: 'p1', spanIndex: 4, offsetMs: 30_000, passed: false }], hold);
    expect(quick).toEqual({ studentId: 'p2', next: 'p3', left: 1, each: 75, secondsLeft: 75 });
    // A visit in another hold takes nothing off this one.
    const other = turnNow(people(3), [{ studentId: 'p1', spanIndex: 2, offsetMs: 100_000, passed: false }], hold);
    expect(other).toMatchObject({ studentId: 'p2', each: 90, secondsLeft: 60 });
    const all = people(3).map((studentId) => ({ studentId, spanIndex: 4, offsetMs: 10_000, passed: false }));
    expect(turnNow(people(3), all, hold)).toBeNull();
    const late = [{ studentId: 'p1', spanIndex: 4, offsetMs: 150_000, passed: false }];
    expect(turnNow(people(3), late, { ...hold, offsetMs: 151_000 })).toBeNull();
    // Whoever was passed over comes again, after all others; in the order of the passing.
    const over = (id: string, passed = true) => ({ studentId: id, spanIndex: 4, offsetMs: 0, passed });
    expect(stillWaiting(people(3), [over('p1')])).toEqual(['p2', 'p3', 'p1']);
    expect(stillWaiting(people(3), [over('p1'), over('p2'), over('p1')])).toEqual(['p3', 'p2', 'p1']);
    expect(stillWaiting(people(3), [over('p1'), over('p1', false)])).toEqual(['p2', 'p3']);
    expect([...correctedIn([over('p1'), over('p2', false)])]).toEqual(['p2']);
  });
});

const tree = segment('tree', hold(180, together(1)));
const reel = segment('reel', cycle(6, eachSide(12)), { exerciseId: 'one-hand-reeling' });
const evening = routine([tree, reel]);
const ada = newStudent('ada', 'Ada', softSchool.id);
const known = (change: Partial<StoredPerson> = {}, today = day): PersonRecord =>
  personOf({ student: ada, ...change }, today);
const goal = strand({ segmentId: 'tree', exerciseId: 'tree-holding', level: 90, start: 60 });

describe('the own rung', () => {
  const rungOf = (rungs: readonly OwnRung[], id: string): OwnRung => rungs.find(({ segmentId }) => segmentId === id)!;
  const seconds = (rung: OwnRung) => (rung.own?.dose.kind === 'hold' ? rung.own.dose.holdSeconds : null);

  test('is the dose of the plan for this routine, or of a goal for the same exercise elsewhere, which it counts for', () => {
    const here = ownRungs(evening, known({ plans: [plan([goal])] }, '2026-01-06'));
    expect([seconds(rungOf(here, 'tree')), rungOf(here, 'tree').countsFor]).toEqual([90, 'tree']);
    const other = plan([{ ...goal, segmentId: 'home' }], { routineId: 'morning' });
    const elsewhere = ownRungs(evening, known({ plans: [other] }, '2026-01-06'));
    expect([seconds(rungOf(elsewhere, 'tree')), rungOf(elsewhere, 'tree').countsFor]).toEqual([90, 'home']);
    // Nobody is asked for more than the class does because a plan at home is further.
    const further = plan([{ ...goal, segmentId: 'home', level: 300 }], { routineId: 'morning' });
    expect(seconds(rungOf(ownRungs(evening, known({ plans: [further] }, '2026-01-06')), 'tree'))).toBe(180);
  });

  test('without a goal it is what the class does, as far as the body allows', () => {
    const minute = routine([segment('tree', hold(60, together(1)))]);
    expect(seconds(rungOf(ownRungs(minute, known({}, day)), 'tree'))).toBe(60);
    const long = routine([segment('tree', hold(3600, together(1)), { exerciseId: 'wide-rider' })]);
    const [rung] = ownRungs(long, known({}, day));
    expect(seconds(rung!)).toBeLessThan(3600);
    expect(seconds(rung!)! % 5).toBe(0);
    expect(rung!.countsFor).toBeNull();
  });

  test('what is locked, or not opened yet, is left out and says why', () => {
    const hurt = log('2026-01-05', { pain: 7, painPlace: 'knee', lines: [logLine(1, { segmentId: 'tree' })] });
    const locked = ownRungs(evening, known({ plans: [plan([goal])], logs: [hurt] }, '2026-01-06'));
    expect(rungOf(locked, 'tree')).toMatchObject({ own: null });
    expect(rungOf(locked, 'tree').because).toContain('stopped until it is cleared. Pain 7 of 10 (knee)');
    // Whatever loads the place is stopped, with a goal or without; once it is cleared nothing is.
    expect(rungOf(locked, 'reel').own).toBeNull();
    const cleared = { ...goal, clearedAt: '2026-01-05T20:00:00.000Z' };
    const again = ownRungs(evening, known({ plans: [plan([cleared])], logs: [hurt] }, '2026-01-06'));
    expect(again.every(({ own }) => own !== null)).toBe(true);
    // Who has no plan has nothing that could be cleared: a sign counts for a week.
    const week = (on: string) => ownRungs(evening, known({ logs: [hurt] }, on))[0]!.own === null;
    expect([week('2026-01-06'), week('2026-01-12'), week('2026-01-13')]).toEqual([true, true, false]);
    const gated = { ...goal, level: 60, gate: { strandId: 'x', dose: 60 } } as typeof goal;
    const closed = ownRungs(evening, known({ plans: [plan([gated])] }, '2026-01-06'));
    expect(rungOf(closed, 'tree')).toMatchObject({ own: null, because: 'not opened yet' });
  });

  test('what is noted of the person acts, and is told', () => {
    const seated = { ...ada, conditions: ['poor balance' as const] };
    const steps = routine([segment('walk', shelf.get('cat-walk')!.defaultDose, { exerciseId: 'cat-walk' })]);
    const [rung] = ownRungs(steps, known({ student: seated }, day));
    expect(rung!.because).toContain('poor balance');
  });

  test('is said in a word or two, where it differs', () => {
    const rungs = ownRungs(evening, known({ plans: [plan([goal])] }, '2026-01-06'));
    expect(apartWords(rungOf(rungs, 'tree'), tree, shelf)).toBe('1:30 min');
    expect(apartWords(rungOf(rungs, 'reel'), reel, shelf)).toBe('');
    expect(apartLines(rungs, [tree, reel], shelf)).toEqual([{ exercises: ['Holding the tree'], words: '1:30 min' }]);
    const out: OwnRung = { segmentId: 'tree', own: null, countsFor: null, because: 'not opened yet' };
    expect(apartWords(out, tree, shelf)).toBe('left out: not opened yet');
    const gone = ['tree', 'reel'].map((segmentId): OwnRung => ({ ...out, segmentId }));
    expect(apartLines(gone, [tree, reel], shelf)).toEqual([
      { exercises: ['Holding the tree', 'One-hand silk-reeling'], words: 'left out: not opened yet' },
    ]);
    const chair: OwnRung = { ...out, own: { ...tree, exerciseId: 'belly-breathing' }, because: '' };
    expect(apartWords(chair, tree, shelf)).toBe(shelf.get('belly-breathing')!.name);
    // Who is further does what all do.
    const more: OwnRung = { ...out, own: { ...tree, dose: hold(240, together(1)) } };
    expect(apartWords(more, tree, shelf)).toBe('');
  });

  test('a class can do the least that anybody has, and changes no other dose', () => {
    const rungs = [
      ownRungs(evening, known({ plans: [plan([goal])] }, '2026-01-06')),
      ownRungs(evening, known({}, '2026-01-06')),
    ];
    const all = classRoutine(evening, rungs, 'everybody');
    expect(all.segments[0]).toMatchObject({ dose: { holdSeconds: 90 } });
    expect(all.segments[1]).toEqual(reel);
    expect(classRoutine(evening, rungs, 'routine')).toBe(evening);
    expect(classRoutine(evening, [], 'everybody')).toEqual(evening);
    const ask = [{ studentId: 'ada', rungs: rungs[0]! }];
    expect(leastDoses(evening, ask)).toMatchObject([
      { segment: { id: 'tree' }, least: { dose: { holdSeconds: 90 } }, who: ['ada'] },
    ]);
    expect(leastDoses(evening, [])).toEqual([]);
  });
});

test('who has done the own dose rests until the others have: by time in a hold, by the count of a side else', () => {
  const { spans } = timeline(evening);
  const at = (offsetMs: number, taps: number | null = null) => ({ offsetMs, taps });
  const less = { ...tree, dose: hold(90, together(1)) };
  expect([isThrough(less, spans[0]!, at(89_000)), isThrough(less, spans[0]!, at(90_000))]).toEqual([false, true]);
  // Who has as much as the class, or more, never waits.
  expect(isThrough(tree, spans[0]!, at(180_000))).toBe(false);
  const nine = { ...reel, dose: cycle(6, eachSide(9)) };
  const left = spans.find(({ kind }) => kind === 'cycle')!;
  expect([isThrough(nine, left, at(53_000)), isThrough(nine, left, at(54_000))]).toEqual([false, true]);
  expect([isThrough(nine, left, at(1000, 8)), isThrough(nine, left, at(1000, 9))]).toEqual([false, true]);
  expect(isThrough(reel, left, at(72_000))).toBe(false);
  // Another kind of drill has no such count.
  expect(isThrough(less, left, at(72_000))).toBe(false);
});

describe('over the time', () => {
  const quarter = 15 * 60_000;
  const start = 100 * 60_000;

  test('a class ends at its time when it is begun around it, else so many minutes after it began', () => {
    expect(classEnd(start, start, 60)).toBe(start + 60 * 60_000);
    expect(classEnd(start + quarter, start, 60)).toBe(start + 60 * 60_000);
    expect(classEnd(start - quarter, start, 60)).toBe(start + 60 * 60_000);
    expect(classEnd(start - 31 * 60_000, start, 60)).toBe(start + 29 * 60_000);
    expect(classEnd(start + 60 * 60_000, start, 60)).toBe(start + 120 * 60_000);
  });

  test('how far it will be over, by hand: 20 minutes are left, the end is in 16', () => {
    expect(overSeconds(0, 20 * 60_000, 16 * 60_000)).toBe(240);
    expect(overSeconds(0, 10 * 60_000, 16 * 60_000)).toBe(0);
  });

  const long = routine(
    [
      segment('a', hold(60, together(1))),
      segment('b', hold(120, together(1)), { roundId: 'x' }),
      segment('c', hold(60, together(1)), { roundId: 'x' }),
      segment('d', hold(300, together(1))),
      segment('e', hold(60, together(1))),
    ],
    { rounds: [{ id: 'x', times: 2 }] },
  );
  const line = timeline(long);

  test('what may be dropped is what has not begun: one time less through a round, or a whole part', () => {
    expect(droppable(long, line, 0)).toEqual([
      { kind: 'lap', roundId: 'x', lap: 2, seconds: 180 },
      { kind: 'segment', segmentId: 'd', seconds: 300 },
      { kind: 'segment', segmentId: 'e', seconds: 60 },
    ]);
    // In the second time through the round it cannot be dropped any more.
    expect(droppable(long, line, 3).map(({ kind }) => kind)).toEqual(['segment', 'segment']);
    expect(droppable(long, line, line.spans.length - 1)).toEqual([]);
  });

  test('a round goes before a part, the shortest that is enough, and the closing last', () => {
    const all = droppable(long, line, 0);
    expect(whatToDrop(all, 0)).toEqual([]);
    expect(whatToDrop(all, 150)).toEqual([all[0]]);
    expect(whatToDrop(all, 200)).toEqual([all[1]]);
    expect(whatToDrop(all, 400)).toEqual([all[1], all[0]]);
    expect(whatToDrop(all, 500)).toEqual([all[1], all[0], all[2]]);
  });

  test('what is dropped takes nothing off what was done, and can be put back while it lies ahead', () => {
    const [lap, part] = droppable(long, line, 0);
    const shorter = withoutDropped(long, lap!);
    expect(timeline(shorter).totalMs).toBe(line.totalMs - 180_000);
    expect(shorter.segments.every(({ roundId }) => roundId === null)).toBe(true);
    expect(timeline(withoutDropped(long, part!)).totalMs).toBe(line.totalMs - 300_000);
    const thrice = { ...long, rounds: [{ id: 'x', times: 3 }] };
    expect(withoutDropped(thrice, lap!).rounds).toEqual([{ id: 'x', times: 2 }]);
    const without = timeline(withoutDropped(long, part!));
    expect(canGoOver(without, line, 4)).toBe(true);
    expect(canGoOver(without, line, 5)).toBe(false);
  });
});

const begin = Date.parse('2026-03-26T19:00:00Z');
const minute = 60_000;
const person = (change: Partial<ClassPerson> = {}): ClassPerson => ({
  studentId: 'ada',
  name: 'Ada',
  from: 0,
  to: null,
  safety: false,
  waited: false,
  lastCorrected: null,
  inWork: [],
  cautions: [],
  rungs: [],
  ...change,
});
const held = (all: readonly ClassPerson[], ended: number, change: Partial<Journal['group']> = {}): Journal => ({
  id: 'meeting',
  studentId: null,
  routine: evening,
  cares: [],
  group: {
    classId: 'c',
    name: 'Class',
    minutes: 60,
    startsAt: '19:00',
    lesson: null,
    people: [...all],
    seen: [],
    visits: [],
    whole: null,
    ...change,
  },
  events: [
    { at: begin, action: 'start' },
    { at: begin + ended, action: 'end' },
  ],
  seenAt: begin + ended,
});
/** The stand of 180 s, then reeling of 6 s each, 12 a side: 324 s in all. */
const wholeMs = 324_000;

describe('what each person did', () => {
  const rung = (change: Partial<OwnRung> = {}): OwnRung => ({
    segmentId: 'tree',
    own: tree,
    countsFor: null,
    because: '',
    ...change,
  });
  const lines = (of: ClassPerson, ended = wholeMs) => classLines(held([of], ended), of, shelf, begin + ended);

  test('all of it: each as the class did it', () => {
    expect(lines(person()).map(({ asked, done }) => [asked, done])).toEqual([
      [
        { amount: 1, seconds: 180 },
        { amount: 1, seconds: 180 },
      ],
      [
        { amount: 12, seconds: 72 },
        { amount: 12, seconds: 72 },
      ],
      [
        { amount: 12, seconds: 72 },
        { amount: 12, seconds: 72 },
      ],
    ]);
  });

  test('who has less is asked for less, for the own goal', () => {
    const own = { ...tree, dose: hold(90, together(1)) };
    const fewer = { ...reel, dose: cycle(6, eachSide(9)) };
    const [stand, left] = lines(
      person({ rungs: [rung({ own, countsFor: 'home' }), rung({ segmentId: 'reel', own: fewer })] }),
    );
    expect(stand).toMatchObject({
      segmentId: 'home',
      asked: { amount: 1, seconds: 90 },
      done: { amount: 1, seconds: 90 },
    });
    expect(left).toMatchObject({
      segmentId: 'reel',
      asked: { amount: 9, seconds: 54 },
      done: { amount: 9, seconds: 54 },
    });
  });

  test('who has more is asked for no more than the class does: it is no test of the goal', () => {
    const own = { ...tree, dose: hold(300, together(1)) };
    expect(lines(person({ rungs: [rung({ own })] }))[0]).toMatchObject({ asked: { amount: 1, seconds: 180 } });
  });

  test('a class that ends early has done less', () => {
    const [stand, left] = lines(person(), 60_000);
    expect(stand!.done.seconds).toBeCloseTo(60, 6);
    expect(stand!.done.amount).toBeCloseTo(1 / 3, 6);
    expect(left!.done.amount).toBe(0);
  });

  test('who comes late, or goes early, has only what was done in between', () => {
    const late = lines(person({ from: begin + 2 * minute }));
    expect(late[0]).toMatchObject({ asked: { seconds: 60 }, done: { seconds: 60 } });
    expect(lines(person({ from: begin + 4 * minute }))[0]!.exerciseId).toBe('one-hand-reeling');
    const early = lines(person({ to: begin + minute }));
    expect(early[0]!.done.seconds).toBeCloseTo(60, 6);
    expect(early[1]!.done.amount).toBe(0);
    expect(lines(person({ from: null }))).toEqual([]);
  });

  test('what is left out has no line, and another drill is what was done of it', () => {
    expect(lines(person({ rungs: [rung({ own: null })] })).map(({ segmentId }) => segmentId)).toEqual(['reel', 'reel']);
    const instead = { ...tree, id: 'tree-instead', exerciseId: 'neutral-stance', dose: hold(60, together(1)) };
    expect(lines(person({ rungs: [rung({ own: instead })] }))[0]).toMatchObject({
      segmentId: 'tree-instead',
      exerciseId: 'neutral-stance',
      asked: { seconds: 60 },
    });
    // A stand for both legs instead of reeling left and right: done once, as far as the class has come in the reeling.
    const rest = { ...instead, id: 'reel-instead', dose: hold(80, together(1)) };
    const half = lines(person({ rungs: [rung({ segmentId: 'reel', own: rest })] }), 252_000);
    expect(half.filter(({ segmentId }) => segmentId === 'reel-instead')).toMatchObject([
      { side: 'both', asked: { amount: 1, seconds: 80 }, done: { amount: 0.5, seconds: 40 } },
    ]);
    // Repetitions instead of a stand keep their count.
    const lifts = { ...reel, id: 'tree-instead', dose: cycle(6, together(12)) };
    expect(lines(person({ rungs: [rung({ own: lifts })] }))[0]).toMatchObject({
      kind: 'cycle',
      asked: { amount: 12 },
      done: { amount: 12 },
    });
  });
});

describe('after it', () => {
  const point = allCheckpoints().find(({ id }) => id === 'knees-track')!;
  const group: Partial<Journal['group']> = {
    seen: [
      {
        at: begin + minute,
        studentId: 'bo',
        checkpointId: point.id,
        region: point.region,
        safety: point.safety,
        cue: point.cue,
        helped: true,
      },
    ],
    visits: [{ studentId: 'ada', spanIndex: 0, offsetMs: 60_000, passed: false }],
    lesson: { chainId: 'chain', number: 3, mode: 'each', teaches: 'Part the reeds' },
  };
  const all = [
    person(),
    person({ studentId: 'bo', name: 'Bo', from: begin + minute }),
    person({ studentId: 'cy', name: 'Cy', lastCorrected: '2026-01-01' }),
    person({ studentId: 'di', name: 'Di' }),
    person({ studentId: 'ed', name: 'Ed', from: null }),
  ];
  const journal = held(all, wholeMs, group);
  let ids = 0;
  const made = classRecords(
    journal,
    journal.group!,
    {
      effort: 4,
      note: ' Warm night. ',
      each: {
        cy: { effort: 7, pain: 3, painPlace: 'knee', note: ' Sat down. ' },
        di: { effort: null, pain: 0, painPlace: 'hip', painWhere: 'inside' },
      },
    },
    shelf,
    {
      now: begin + wholeMs + minute,
      dayOf: (moment) => moment.toISOString().slice(0, 10),
      newId: () => `new-${(ids += 1)}`,
    },
  );

  test('a log for each who was there, with the effort of all or the own one', () => {
    expect(made.logs.map(({ studentId, effort, pain }) => [studentId, effort, pain])).toEqual([
      ['ada', 4, null],
      ['bo', 4, null],
      ['cy', 7, 3],
      ['di', null, 0],
    ]);
    expect(made.logs.slice(2)).toMatchObject([
      { painPlace: 'knee', painWhere: '', symptoms: [], note: 'Sat down.' },
      // It does not hurt any more: where it did is forgotten.
      { painPlace: null, painWhere: '', symptoms: [], note: '' },
    ]);
    expect(made.logs.map(({ practisedSeconds }) => practisedSeconds)).toEqual([324, 264, 324, 324]);
    expect(made.logs.every((entry) => entry.classId === 'c' && entry.day === day)).toBe(true);
    expect(new Set(made.logs.map(({ id }) => id)).size).toBe(4);
  });

  test('the meeting says who was there, who was corrected and who waits, and what was taught', () => {
    expect(MeetingSchema.safeParse(made.meeting).success).toBe(true);
    expect(made.meeting).toMatchObject({
      classId: 'c',
      present: ['ada', 'bo', 'cy', 'di'],
      corrected: ['ada', 'bo'],
      waiting: ['di', 'cy'],
      lesson: { number: 3, teaches: 'Part the reeds' },
      note: 'Warm night.',
    });
  });

  test('corrections go to their students', () => {
    expect(made.corrections).toMatchObject([{ studentId: 'bo', checkpointId: 'knees-track', helped: true, day }]);
  });

  test('where nobody was corrected nobody has waited', () => {
    const plain = held([person()], wholeMs);
    const times = { now: begin + wholeMs, dayOf: () => day, newId: () => 'x' };
    expect(
      classRecords(plain, plain.group!, { effort: null, note: '', each: {} }, shelf, times).meeting.waiting,
    ).toEqual([]);
  });

  test('left running for longer than a day, the meeting and the practices are a day long and can be saved', () => {
    const ended = 30 * 60 * minute;
    const waiting = routine([segment('tree', { ...hold(60, together(1), 0), byCue: true })]);
    const journal: Journal = {
      ...held([person()], ended),
      routine: waiting,
      events: [
        { at: begin, action: 'start' },
        { at: begin + ended, action: 'next' },
      ],
    };
    const times = { now: begin + ended, dayOf: () => day, newId: () => 'x' };
    const { meeting, logs } = classRecords(journal, journal.group!, { effort: null, note: '', each: {} }, shelf, times);
    expect([meeting, ...logs].map(({ practisedSeconds }) => practisedSeconds)).toEqual([86_400, 86_400]);
    expect(MeetingSchema.safeParse(meeting).success).toBe(true);
    expect(logs.map((one) => PracticeLogSchema.safeParse(one).success)).toEqual([true]);
  });
});

const meeting = (on: string, change: Partial<Meeting> = {}): Meeting => ({
  id: on,
  classId: 'c',
  day: on,
  startedAt: `${on}T18:30:00.000Z`,
  practisedSeconds: 1800,
  routineName: 'Routine',
  lesson: null,
  present: ['ada'],
  corrected: [],
  waiting: [],
  note: '',
  ...change,
});

test('somebody of a class: what is in work, whether the last round was missed, when a correction was last', () => {
  const point = allCheckpoints().find(({ id }) => id === 'knees-track')!;
  const corrections = [newCorrection('x', 'ada', point, '2026-03-10')];
  const meetings = [
    meeting('2026-03-12', { corrected: ['ada'] }),
    meeting('2026-03-19', { waiting: ['ada'] }),
    meeting('2026-03-05', { corrected: ['ada'] }),
    meeting('2026-03-22', { present: ['bo'] }),
  ];
  const of = classPerson(evening, known({ corrections }), meetings);
  expect(of).toMatchObject({
    safety: true,
    waited: true,
    lastCorrected: '2026-03-12',
    inWork: ['knees-track'],
    from: null,
  });
  const fresh = classPerson(evening, known(), []);
  expect(fresh).toMatchObject({ safety: false, waited: false, lastCorrected: null, inWork: [] });
});

test('the next meeting is today until it is over or was held, then in a week (26 March 2026 is a Thursday)', () => {
  const thursday = { weekday: 4, startsAt: '19:00', minutes: 60 };
  expect(nextMeeting(thursday, day, '18:00', false)).toBe(day);
  expect(nextMeeting(thursday, day, '19:59', false)).toBe(day);
  expect(nextMeeting(thursday, day, '20:00', false)).toBe('2026-04-02');
  expect(nextMeeting(thursday, day, '18:00', true)).toBe('2026-04-02');
  expect(nextMeeting({ ...thursday, weekday: 3 }, day, '18:00', false)).toBe('2026-04-01');
  expect(nextMeeting({ ...thursday, weekday: 7 }, day, '18:00', false)).toBe('2026-03-29');
  expect(endsAtTime({ startsAt: '19:15', minutes: 50 })).toBe('20:05');
  expect(endsAtTime({ startsAt: '23:30', minutes: 60 })).toBe('00:30');
});

test('the term says who missed what, and which pieces somebody has still not seen', () => {
  const lesson = (number: number, teaches: string) => ({ chainId: 'chain', number, mode: 'each' as const, teaches });
  const term = [
    meeting('2026-03-05', { lesson: lesson(1, 'Reeds'), present: ['bo'] }),
    meeting('2026-03-12', { lesson: lesson(2, 'Heron'), present: ['ada'] }),
    meeting('2026-03-19', { lesson: lesson(3, 'Reeds'), present: ['ada', 'bo'] }),
    meeting('2026-03-26', { lesson: lesson(4, 'Bowl'), present: ['bo'] }),
    meeting('2026-03-28', { present: ['ada', 'bo'] }),
  ];
  expect(termOf(term, ['ada', 'bo']).map(({ meeting: held, missed }) => [held.day, missed])).toEqual([
    ['2026-03-28', []],
    ['2026-03-26', ['ada']],
    ['2026-03-19', []],
    ['2026-03-12', ['bo']],
    ['2026-03-05', ['ada']],
  ]);
  expect(piecesMissed(term, 'ada')).toEqual(['Bowl']);
  expect(piecesMissed(term, 'bo')).toEqual(['Heron']);
});
