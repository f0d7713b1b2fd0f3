import fc from 'fast-check';
import { breathe, cycle, eachSide, hold, pattern, together } from '../library/describe';
import { timeline } from '../routine';
import { routine, segment, shelf } from '../testing/samples';
import { Stopwatch } from '../testing/stopwatch';
import { conduct, logLines, type JournalEvent } from '.';

type Action = JournalEvent['action'];

const practised = routine(
  [
    segment('a', hold(40, eachSide(2), 10)),
    segment('b', cycle(5, together(10)), { exerciseId: 'squat-and-bounce' }),
    segment('c', breathe(6, pattern(4, 0, 6, 0))),
    segment('d', { ...hold(30, together(1)), byCue: true }),
    segment('e', cycle(4, eachSide(6)), { exerciseId: 'shoulder-wheel' }),
  ],
  { settleSeconds: 6, changeSeconds: 4 },
);
const line = timeline(practised);

/** Gaps as one presses, and now and then a sleep of minutes, in which the clock went on. */
const gap = fc.oneof(
  { weight: 12, arbitrary: fc.integer({ min: 0, max: 25 }) },
  { weight: 1, arbitrary: fc.integer({ min: 60, max: 400 }) },
);
const action = fc.constantFrom<Action[]>(
  'pause',
  'resume',
  'resume',
  'resume',
  'next',
  'back',
  'tap',
  'tap',
  'tap',
  'loosen',
  'pace',
  'end',
);
const pressed = fc.array(fc.tuple(gap, action), { minLength: 1, maxLength: 200, size: 'max' });

test('after any two hundred presses and sleeps the log is what a stopwatch and a tally say', () => {
  fc.assert(
    fc.property(pressed, (presses) => {
      const watch = new Stopwatch(line.spans);
      const events: JournalEvent[] = [{ at: 0, action: 'start' }];
      watch.press('start');
      let at = 0;
      for (const [seconds, what] of presses) {
        for (let second = 0; second < seconds; second += 1) watch.second();
        at += seconds * 1000;
        watch.press(what);
        events.push({ at, action: what });
      }
      const state = conduct(line, events, at);
      const tellsOf = logLines(practised, line, state, shelf).map(({ segmentId, side, done }) => [
        segmentId,
        side,
        Math.round(done.amount * 1e6) / 1e6,
        Math.round(done.seconds),
      ]);
      const wanted = logLines(practised, line, conduct(line, [], 0), shelf).map(({ segmentId, side }) => {
        const spans = line.spans.filter(
          (span) => span.amount > 0 && span.segmentId === segmentId && span.side === side,
        );
        const sum = (of: ReadonlyMap<number, number>): number =>
          spans.reduce((total, { index }) => total + (of.get(index) ?? 0), 0);
        return [segmentId, side, Math.round(sum(watch.amount) * 1e6) / 1e6, sum(watch.spent)];
      });
      expect({ at: state.spanIndex, over: state.finished, log: tellsOf }).toEqual({
        at: watch.at,
        over: watch.over,
        log: wanted,
      });
    }),
    { numRuns: 300, seed: 20261130 },
  );
});
