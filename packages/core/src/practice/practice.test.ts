import fc from 'fast-check';
import { breathe, cycle, eachSide, hold, pattern, together } from '../library/describe';
import { timeline } from '../routine';
import { anyRoutine, routine, segment, shelf } from '../testing/samples';
import { bells, conduct, conductAt, logLines, PracticeLogSchema, type JournalEvent } from '.';
import { LogLineSchema } from './log';
import { metShare } from '../plan';
import { withAxisValue } from '../axis';

type Press = readonly [at: number, action: JournalEvent['action']];
const presses = (...list: Press[]): JournalEvent[] => list.map(([at, action]) => ({ at: at * 1000, action }));

const value = routine(
  [
    segment('a', hold(40, eachSide(1))),
    segment('b', cycle(4, together(10)), { exerciseId: 'squat-and-bounce' }),
    segment('c', breathe(6, pattern(4, 0, 6, 0))),
  ],
  { settleSeconds: 10, changeSeconds: 5 },
);
// settle 0–10, left 10–50, change 50–55, right 55–95, settle 95–105, cycle 105–145, settle 145–155, breath 155–215
const line = timeline(value);
const at = (seconds: number, ...list: Press[]) => conduct(line, presses([0, 'start'], ...list), seconds * 1000);
const linesAt = (seconds: number, ...list: Press[]) => logLines(value, line, at(seconds, ...list), shelf);

describe('conducting', () => {
  test('runs through the spans by the clock alone', () => {
    expect([0, 10, 54.999, 55, 145, 214.999].map((seconds) => at(seconds).spanIndex)).toEqual([0, 1, 2, 3, 6, 7]);
    expect(at(30)).toMatchObject({ spanIndex: 1, offsetMs: 20_000, running: true });
    expect(at(215)).toMatchObject({ finished: true, running: false });
  });

  test('sides that take turns by feel: next ends all of their turns, and what was done of them counts', () => {
    const feel = routine([
      { ...segment('a', { ...cycle(4, eachSide(8)), least: 0 }), sideOrder: 'each' },
      segment('b', hold(30, together(1))),
    ]);
    const turns = timeline(feel);
    const after = conduct(turns, presses([0, 'start'], [13, 'next']), 14_000);
    expect(turns.spans[after.spanIndex]).toMatchObject({ segmentId: 'b', kind: 'hold' });
    const done = logLines(feel, turns, after, shelf);
    expect(done.slice(0, 2).map(({ side, done: { amount } }) => `${side} ${amount}`)).toEqual(['left 2', 'right 1']);
    // Back goes where one was before.
    const back = conduct(turns, presses([0, 'start'], [13, 'next'], [14, 'back']), 14_000);
    expect(turns.spans[back.spanIndex]!.segmentId).toBe('a');
  });

  test('a pause stops the clock, however long', () => {
    const state = at(1000, [30, 'pause'], [900, 'resume'], [905, 'pause']);
    expect(state).toMatchObject({ spanIndex: 1, offsetMs: 25_000, running: false });
  });

  test('next skips and remembers what was done; back goes to the start, or to the one before', () => {
    expect(at(30, [30, 'next'])).toMatchObject({ spanIndex: 2, offsetMs: 0 });
    expect(at(30, [30, 'next']).records[1]).toMatchObject({ spentMs: 20_000, share: 0.5 });
    expect(at(30, [30, 'back'])).toMatchObject({ spanIndex: 1, offsetMs: 0 });
    expect(at(11, [11, 'back'])).toMatchObject({ spanIndex: 0, offsetMs: 0 });
    expect(at(0, [0, 'back'])).toMatchObject({ spanIndex: 0 });
  });

  test('what was done before going back, to the start or to the span before, still counts', () => {
    expect(at(30, [30, 'back']).records[1]).toEqual({ spentMs: 20_000, share: 0.5, done: 0.5 });
    expect(linesAt(60, [30, 'back'], [45, 'next'])[0]!.done).toEqual({ amount: 0.5, seconds: 35 });
    // In the grace of three seconds it goes to the span before; two seconds of this one were done.
    expect(at(57, [57, 'back'])).toMatchObject({ spanIndex: 2, offsetMs: 0 });
    expect(linesAt(57, [57, 'back'])[1]!.done.seconds).toBe(2);
    expect(at(58, [58, 'back'])).toMatchObject({ spanIndex: 2 });
    expect(at(58.001, [58.001, 'back'])).toMatchObject({ spanIndex: 3 });
  });

  test('a tap takes the count over from the pace, and the last one ends the round', () => {
    const two = at(118, [115, 'tap'], [117, 'tap']);
    expect(two).toMatchObject({ spanIndex: 5, taps: 4 });
    expect(at(300, [115, 'tap'])).toMatchObject({ spanIndex: 5, taps: 3 });
    const taps = Array.from({ length: 10 }, (_, index): Press => [106 + index * 0.5, 'tap']);
    expect(at(112, ...taps)).toMatchObject({ spanIndex: 6 });
    expect(at(30, [20, 'tap'])).toMatchObject({ spanIndex: 1, taps: null });
  });

  test('back to the clock, the pace counts on from what was tapped, and the time stays what it was', () => {
    const taps = [1, 2, 3].map((index): Press => [106 + index * 2, 'tap']);
    const tapped = at(113, ...taps);
    const paced = at(113, ...taps, [113, 'pace']);
    expect(tapped.taps).toBe(3);
    expect(paced).toMatchObject({ spanIndex: tapped.spanIndex, taps: null });
    const span = line.spans[paced.spanIndex]!;
    expect(paced.offsetMs).toBe((3 * span.durationMs) / span.amount);
    // It ends by itself again, with all that was asked and the time that was really spent.
    const over = at(113 + (span.durationMs - paced.offsetMs) / 1000 + 1, ...taps, [113, 'pace']);
    expect(over.spanIndex).toBe(paced.spanIndex + 1);
    const spent = tapped.offsetMs + span.durationMs - paced.offsetMs;
    expect(over.records[span.index]).toEqual({ share: 1, done: 10, spentMs: spent });
    expect(at(30, [20, 'pace'])).toMatchObject({ taps: null, offsetMs: at(30).offsetMs });
  });

  test('loosening keeps the time already held and goes on from there', () => {
    expect(at(60, [30, 'loosen'])).toMatchObject({ loosening: true, running: false, offsetMs: 20_000 });
    expect(at(100, [30, 'loosen'], [90, 'resume'])).toMatchObject({ loosening: false, spanIndex: 1, offsetMs: 30_000 });
    expect(at(110, [107, 'loosen']).loosening).toBe(false);
  });

  test('a lost alignment is noted with its share of the round, and only in work', () => {
    expect(at(40, [30, 'lost'], [51, 'lost']).losses).toEqual([{ spanIndex: 1, share: 0.5 }]);
  });

  test('an end keeps what was done so far', () => {
    expect(at(80, [75, 'end'])).toMatchObject({ finished: true });
    expect(linesAt(80, [75, 'end']).map((entry) => entry.done.seconds)).toEqual([40, 20, 0, 0]);
  });

  test('is the same whether looked at often or once (a reload, a sleeping tab)', () => {
    fc.assert(
      fc.property(
        anyRoutine,
        fc.array(
          fc.tuple(
            fc.integer({ min: 0, max: 60_000 }),
            fc.constantFrom('pause', 'resume', 'next', 'back', 'tap', 'pace', 'lost', 'loosen'),
          ),
          { maxLength: 12 },
        ),
        (any, steps) => {
          const of = timeline(any);
          let now = 0;
          const events: JournalEvent[] = [{ at: 0, action: 'start' }];
          for (const [gap, action] of steps) {
            now += gap;
            conduct(of, events, now);
            events.push({ at: now, action: action });
          }
          const state = conduct(of, events, now + 1000);
          expect(state).toEqual(conduct(of, JSON.parse(JSON.stringify(events)) as JournalEvent[], now + 1000));
          expect(state.spanIndex).toBeLessThanOrEqual(of.spans.length);
          for (const record of state.records) if (record) expect(record.share).toBeLessThanOrEqual(1);
        },
      ),
    );
  });

  test('left alone it does all that was asked, for any routine', () => {
    fc.assert(
      fc.property(anyRoutine, (any) => {
        const of = timeline(any);
        const state = conduct(of, presses([0, 'start']), of.totalMs + 5);
        for (const entry of logLines(any, of, state, shelf)) {
          expect(entry.done.amount).toBe(entry.asked.amount);
          expect(entry.done.seconds).toBeCloseTo(entry.asked.seconds, 6);
        }
      }),
    );
  });
});

describe('a hold until the cue', () => {
  const cued = routine([
    segment('a', { ...hold(40, together(2), 10), byCue: true }),
    segment('b', cycle(4, together(10)), { exerciseId: 'squat-and-bounce' }),
  ]);
  const spans = timeline(cued);
  const state = (seconds: number, ...list: Press[]) => conduct(spans, presses([0, 'start'], ...list), seconds * 1000);

  test('is planned with its seconds, but ends only when it is told to', () => {
    expect(spans.totalMs).toBe((40 + 10 + 40 + 40) * 1000);
    expect(state(300)).toMatchObject({ spanIndex: 0, offsetMs: 300_000, running: true });
    expect(state(301, [300, 'next'])).toMatchObject({ spanIndex: 1, offsetMs: 1000 });
    expect(state(315, [300, 'next'])).toMatchObject({ spanIndex: 2, offsetMs: 5000 });
  });

  test('is logged as it was really held, shorter or longer', () => {
    const lines = logLines(cued, spans, state(340, [30, 'next'], [340, 'next']), shelf);
    expect(lines[0]).toMatchObject({ asked: { amount: 2, seconds: 80 }, done: { amount: 1.75, seconds: 330 } });
  });

  test('rings nothing that is not known: no bell from it on', () => {
    expect(bells(spans, state(5))).toEqual([]);
    expect(bells(spans, state(45, [40, 'next']))).toEqual([
      { inMs: 5000, sound: 'begin', key: expect.any(String) as string },
    ]);
  });
});

describe('a range, and by feel', () => {
  const ranged = routine([
    segment('a', { ...hold(60, together(1)), least: 30 }),
    segment('b', { ...cycle(4, together(16)), least: 8 }, { exerciseId: 'squat-and-bounce' }),
    segment('c', { ...hold(60, together(1)), least: 0 }),
  ]);
  const spans = timeline(ranged);
  const strandOf = (segmentId: string, axis: 'time' | 'repetitions') => ({
    segmentId,
    axis,
    rows: [],
    insteadCounts: false,
    halfSteps: null,
    easier: null,
    plateauAnsweredAt: null,
  });
  const metIn = (...list: Press[]) => {
    const state = conduct(spans, presses([0, 'start'], ...list), 10_000_000);
    const lines = logLines(ranged, spans, state, shelf);
    return [
      metShare({ lines }, strandOf('a', 'time')),
      metShare({ lines }, strandOf('b', 'repetitions')),
      metShare({ lines }, strandOf('c', 'time')),
    ];
  };

  test('is met from its lower end on; “it was enough” is no failure, and nothing at all is', () => {
    // Thirty of sixty seconds, eight of sixteen repetitions (32 s), ten seconds by feel.
    expect(metIn([30, 'next'], [62, 'next'], [72, 'next'])).toEqual([1, 1, 1]);
    expect(metIn([15, 'next'], [31, 'next'], [31, 'next'])).toEqual([0.5, 0.5, 0]);
  });

  test('asks for its upper end, and keeps what is enough when it is raised', () => {
    const lines = logLines(ranged, spans, conduct(spans, presses([0, 'start']), 10_000_000), shelf);
    expect(lines[0]).toMatchObject({ asked: { seconds: 60 }, enough: { seconds: 30 } });
    expect(lines[1]).toMatchObject({ asked: { amount: 16 }, enough: { amount: 8 } });
    const [first, second] = ranged.segments;
    if (first?.type !== 'exercise' || second?.type !== 'exercise') throw new Error('two exercises');
    expect(withAxisValue(first.dose, 'time', 90)).toMatchObject({ holdSeconds: 90, least: 30 });
    expect(withAxisValue(first.dose, 'time', 20)).toMatchObject({ holdSeconds: 20, least: 20 });
    expect(withAxisValue(second.dose, 'repetitions', 24)).toMatchObject({ least: 8 });
  });
});

describe('the log of a practice', () => {
  test('has a line for each exercise and side, with what was asked and done', () => {
    const lines = linesAt(215);
    expect(lines.map((entry) => [entry.segmentId, entry.side, entry.done.amount, entry.done.seconds])).toEqual([
      ['a', 'left', 1, 40],
      ['a', 'right', 1, 40],
      ['b', 'both', 10, 40],
      ['c', 'both', 6, 60],
    ]);
    expect(lines[2]!.exerciseName).toBe('Squat and bounce');
    for (const entry of lines) expect(LogLineSchema.safeParse(entry).success).toBe(true);
  });

  test('counts whole repetitions and whole breaths of a round that was cut short', () => {
    const lines = linesAt(190, [118, 'next'], [128 + 25, 'end']);
    expect(lines[2]!.done).toEqual({ amount: 3, seconds: 13 });
    expect(lines[3]!.done).toEqual({ amount: 2, seconds: 25 });
  });

  test('takes the taps for the count, and the earliest loss for the alignment', () => {
    const lines = linesAt(130, [20, 'lost'], [40, 'lost'], [115, 'tap'], [120, 'next']);
    expect(lines[0]!.alignmentKept).toBe(0.25);
    expect(lines[1]!.alignmentKept).toBeNull();
    expect(lines[2]!.done.amount).toBe(3);
    // Gone back, and then done to its end by the pace: all of it.
    expect(linesAt(200, [115, 'tap'], [116, 'back'])[2]!.done.amount).toBe(10);
  });

  test('knows a loss in any of its holds; has what stays in a cycle, and a name for what is gone', () => {
    const two = routine([
      segment('h', hold(20, together(2), 0)),
      segment('c', { ...cycle(4, together(2)), staySeconds: 3 }, { exerciseId: 'gone' }),
    ]);
    const spans = timeline(two);
    const lines = logLines(two, spans, conduct(spans, presses([0, 'start'], [25, 'lost']), 60_000), shelf);
    expect(lines.map(({ alignmentKept, staySeconds }) => [alignmentKept, staySeconds])).toEqual([
      [0.25, null],
      [null, 3],
    ]);
    expect(lines[1]!.exerciseName).toBe('gone');
  });

  test('a log with a wrong rating is refused with its path', () => {
    const result = PracticeLogSchema.safeParse({ effort: 11 });
    expect(result.error?.issues.some((issue) => issue.path[0] === 'effort')).toBe(true);
  });
});

describe('bells', () => {
  test('stand at every change to come, in milliseconds from now', () => {
    expect(bells(line, at(30)).map((bell) => [bell.inMs / 1000, bell.sound])).toEqual([
      [20, 'change'],
      [25, 'begin'],
      [65, 'rest'],
      [75, 'begin'],
      [115, 'rest'],
      [125, 'begin'],
      [185, 'end'],
    ]);
  });

  test('warn ten seconds before the end of a long hold', () => {
    const long = timeline(routine([segment('a', hold(60, together(1)))]));
    const soon = (now: number) =>
      bells(long, conduct(long, presses([0, 'start']), now * 1000)).map((bell) => bell.sound);
    expect(soon(0)).toEqual(['soon', 'end']);
    // What rings now is no warning ahead.
    expect(soon(55)).toEqual(['end']);
    expect([soon(49), soon(50)]).toEqual([['soon', 'end'], ['end']]);
    const of = (seconds: number) => bells(timeline(routine([segment('a', hold(seconds, together(1)))])), conductAt(0));
    expect([of(45), of(44)].map((list) => list.length)).toEqual([2, 1]);
  });

  test('where sides take turns each turn has its own sound', () => {
    const turns = timeline(routine([segment('a', cycle(4, eachSide(2)), { sideOrder: 'each' })], { settleSeconds: 5 }));
    expect(bells(turns, conductAt(0)).map(({ sound }) => sound)).toEqual(['begin', 'turn', 'turn', 'turn', 'end']);
  });

  test('are silent while paused and while repetitions are tapped', () => {
    expect(bells(line, at(40, [30, 'pause']))).toEqual([]);
    expect(bells(line, at(118, [115, 'tap']))).toEqual([]);
  });

  test('over an hour the last one still stands at the exact sum of all spans', () => {
    const hour = timeline(
      routine(Array.from({ length: 120 }, (_, index) => segment(`s${index}`, hold(29.9, together(1))))),
    );
    expect(bells(hour, conduct(hour, presses([0, 'start']), 0)).at(-1)).toMatchObject({
      inMs: 3_588_000,
      sound: 'end',
    });
  });
});
