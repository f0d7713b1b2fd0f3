import { cycle, eachSide, hold, together } from '../library/describe';
import { timeline } from '../routine';
import { logLine, routine, segment, shelf } from '../testing/samples';
import { ALL_DONE } from './allDone';
import { conduct } from './conduct';
import { doingOf } from './doing';
import { isSerious } from './hallRules';
import type { Journal, JournalEvent } from './journal';
import { isLineMet, lineShare } from './lineShare';
import type { EndNotes } from './endNotes';
import { PracticeLogSchema } from './log';
import { fellShort, practiceLog } from './practiceLog';

const plain = routine([
  segment('a', hold(60, together(1), 0)),
  segment('b', cycle(5, eachSide(4)), { exerciseId: 'one-hand-reeling' }),
]);
const line = timeline(plain);
const BEGUN = Date.parse('2026-03-12T22:58:00.000Z');
const events = (...more: JournalEvent[]): JournalEvent[] => [{ at: BEGUN, action: 'start' }, ...more];
const journal = (change: Partial<Journal> = {}): Journal => ({
  id: 'j',
  studentId: 'u',
  routine: plain,
  cares: [],
  group: null,
  events: events(),
  seenAt: BEGUN,
  ...change,
});
const answers: EndNotes = {
  effort: 5,
  pain: 1,
  painWhere: 'left knee',
  painPlace: null,
  symptoms: [],
  shook: [],
  hands: [],
  note: 'warm',
  apart: null,
  gaveOut: [],
  felt: [],
};
const logOf = (given: Journal, notes: Partial<EndNotes> = {}, atMs = BEGUN + line.totalMs) =>
  practiceLog(
    given,
    line,
    conduct(line, given.events, atMs),
    shelf,
    { ...answers, ...notes },
    new Date(atMs),
    (moment) => moment.toISOString().slice(0, 10),
  );

describe('the log of a conducted practice', () => {
  test('left running for longer than a day, it is a day long and can be saved', () => {
    const waiting = routine([segment('a', { ...hold(60, together(1), 0), byCue: true })]);
    const spans = timeline(waiting);
    const later = BEGUN + 30 * 60 * 60 * 1000;
    const end: JournalEvent[] = [{ at: later, action: 'next' }];
    const state = conduct(spans, events(...end), later);
    const log = practiceLog(
      journal({ routine: waiting, events: events(...end) }),
      spans,
      state,
      shelf,
      answers,
      new Date(later),
      () => '2026-03-12',
    )!;
    expect(state.records[0]!.spentMs).toBeGreaterThan(86_400_000);
    expect(log.practisedSeconds).toBe(86_400);
    expect(log.lines[0]!.done.seconds).toBe(86_400);
    expect(PracticeLogSchema.safeParse(log).success).toBe(true);
  });

  test('begins when it was begun, not when it ended, and belongs to that day', () => {
    const log = logOf(journal())!;
    expect(log).toMatchObject({
      id: 'j',
      studentId: 'u',
      routineId: plain.id,
      routineName: plain.name,
      day: '2026-03-12',
      startedAt: '2026-03-12T22:58:00.000Z',
      source: 'conducted',
      classId: null,
      effort: 5,
      pain: 1,
      painWhere: 'left knee',
      note: 'warm',
    });
    expect(log.enteredAt).toBe(new Date(BEGUN + line.totalMs).toISOString());
    expect(log.practisedSeconds).toBe(Math.round(line.totalMs / 1000));
    expect(log).not.toHaveProperty('apart');
    expect(log).not.toHaveProperty('gaveOut');
  });

  test('is none where nobody was chosen; one that was never begun has the time it was seen', () => {
    expect(logOf(journal({ studentId: null }))).toBeNull();
    const unbegun = logOf(journal({ events: [], seenAt: Date.parse('2026-03-13T07:00:00.000Z') }))!;
    expect(unbegun).toMatchObject({ startedAt: '2026-03-13T07:00:00.000Z', practisedSeconds: 0 });
  });

  test('counts the time that was spent in every span, pauses not', () => {
    const paused = journal({
      events: events(
        { at: BEGUN + 20_000, action: 'pause' },
        { at: BEGUN + 80_000, action: 'resume' },
        { at: BEGUN + 90_000, action: 'end' },
      ),
    });
    expect(logOf(paused)!.practisedSeconds).toBe(30);
  });

  test('what was left at once counts nothing', () => {
    const skipped = journal({
      events: events(
        { at: BEGUN, action: 'next' },
        { at: BEGUN + 4000, action: 'next' },
        { at: BEGUN + 10_000, action: 'end' },
      ),
    });
    expect(logOf(skipped)!.practisedSeconds).toBe(10);
  });

  test('where it hurt is kept as long as it hurts, without spaces around what is written', () => {
    const where = { painPlace: 'knee', painWhere: ' inner side ' } as const;
    expect(logOf(journal(), { pain: 1, ...where })).toMatchObject({
      pain: 1,
      painPlace: 'knee',
      painWhere: 'inner side',
    });
    expect(logOf(journal(), { pain: 0, ...where })).toMatchObject({ pain: 0, painPlace: null, painWhere: '' });
    expect(logOf(journal(), { note: ' warm ', symptoms: ['faintness'] })).toMatchObject({
      note: 'warm',
      symptoms: ['faintness'],
    });
  });

  test('one exercise may have its own effort', () => {
    const lines = logOf(journal(), { apart: { segmentId: 'b', effort: 8 } })!.lines;
    expect(lines.map(({ segmentId, effort }) => [segmentId, effort])).toEqual([
      ['a', null],
      ['b', 8],
      ['b', 8],
    ]);
  });

  test('what gave out is kept of a hold that fell short, and of nothing else', () => {
    const short = journal({ events: events({ at: BEGUN + 40_000, action: 'next' }) });
    const gaveOut = [
      { segmentId: 'a', by: 'arms' },
      { segmentId: 'b', by: 'legs' },
    ] as const;
    expect(logOf(short, { gaveOut })!.lines.map((entry) => entry.gaveOut)).toEqual(['arms', null, null]);
    expect(logOf(short)!.lines[0]!.gaveOut).toBeNull();
    expect(logOf(journal(), { gaveOut })!.lines[0]!.gaveOut).toBeNull();
  });
});

test('a hold fell short when it was not met or its alignment was lost; a cycle does not', () => {
  const held = (seconds: number, alignmentKept: number | null = null, kind: 'hold' | 'cycle' = 'hold') =>
    fellShort(logLine(1, { kind, alignmentKept, asked: { amount: 1, seconds: 60 }, done: { amount: 1, seconds } }));
  expect([held(60), held(30), held(60, 0.5), held(30, 0.5)]).toEqual([false, true, true, true]);
  expect([held(30, 0.5, 'cycle'), held(60, null, 'cycle')]).toEqual([false, false]);
});

test('what a line did of what it was asked', () => {
  const of = (asked: number, done: number, enough: number | null = null) =>
    lineShare(
      logLine(1, {
        asked: { amount: 1, seconds: asked },
        done: { amount: 1, seconds: done },
        enough: enough === null ? null : { amount: 1, seconds: enough },
      }),
      'seconds',
    );
  expect([of(60, 30), of(60, 60), of(60, 90)]).toEqual([0.5, 1, 1]);
  expect([of(60, 30, 30), of(60, 15, 30)]).toEqual([1, 0.5]);
  // By feel, whatever was done; nothing asked and nothing done is nothing met.
  expect([of(60, 5, 0), of(60, 0, 0), of(0, 30), of(0, 0)]).toEqual([1, 0, 0, 0]);
  const counted = logLine(8, { kind: 'cycle', asked: { amount: 8, seconds: 40 }, done: { amount: 8, seconds: 10 } });
  expect(isLineMet(counted)).toBe(true);
  expect(isLineMet({ ...counted, kind: 'hold' })).toBe(false);
  const hardly = (share: number) =>
    logLine(1, { asked: { amount: 1, seconds: 1 }, done: { amount: 1, seconds: share } });
  expect([ALL_DONE, ALL_DONE - 0.001].map((share) => isLineMet(hardly(share)))).toEqual([true, false]);
  expect(isLineMet({ ...counted, done: { amount: 6, seconds: 40 } })).toBe(false);
});

test('any sign and strong pain are serious, a little pain is not', () => {
  const of = (pain: number, symptoms: string[] = []) => isSerious({ pain, symptoms: symptoms as never });
  expect([of(0), of(6), of(7), of(10), of(0, ['dizziness'])]).toEqual([false, false, true, true, true]);
});

describe('how far the figure is that does it', () => {
  const at = (ms: number, ...more: JournalEvent[]) => {
    const state = conduct(line, events(...more), BEGUN + ms);
    return doingOf(line.spans[state.spanIndex]!, state);
  };
  const cycling = line.spans.find(({ kind }) => kind === 'cycle')!;

  test('in a cycle it goes on with its repetitions, on its side and way', () => {
    expect(at(cycling.startMs + 7500)).toMatchObject({
      side: cycling.side,
      direction: cycling.direction,
      done: 1,
      seconds: 7.5,
      running: true,
      lengthMs: 5000,
    });
    expect(at(cycling.startMs + 7500).into).toBeCloseTo(0.5, 9);
  });

  test('in a hold, in a pause and where it is counted by hand it stands still', () => {
    const held = line.spans.find(({ kind }) => kind === 'hold')!;
    expect(at(held.startMs + 3000)).toMatchObject({ done: 0, into: 0, lengthMs: 0, seconds: 3, running: false });
    const here = cycling.startMs + 7500;
    expect(at(here + 1000, { at: BEGUN + here, action: 'pause' })).toMatchObject({ done: 1, running: false });
    expect(at(here + 1000, { at: BEGUN + here, action: 'tap' })).toMatchObject({ done: 0, into: 0, running: false });
    const settling = timeline({ ...plain, settleSeconds: 10 });
    const taken = conduct(settling, events(), BEGUN + 5000);
    expect(doingOf(settling.spans[0]!, taken)).toMatchObject({ done: 0, into: 0, running: false });
  });
});
