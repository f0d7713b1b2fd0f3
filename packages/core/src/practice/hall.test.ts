import fc from 'fast-check';
import { breathe, cycle, eachSide, hold, pattern, together } from '../library/describe';
import { timeline } from '../routine';
import { routine, segment, shelf } from '../testing/samples';
import { Stopwatch } from '../testing/stopwatch';
import {
  ASLEEP_MS,
  conduct,
  Hall,
  hallActionOf,
  logLines,
  type Bell,
  type Call,
  type Journal,
  type JournalEvent,
} from '.';

const practised = routine(
  [
    segment('a', hold(60, eachSide(2), 10)),
    segment('b', cycle(5, together(10)), { exerciseId: 'squat-and-bounce' }),
    segment('c', breathe(6, pattern(4, 0, 6, 0))),
    segment('d', { ...hold(30, together(1)), byCue: true }),
  ],
  { settleSeconds: 6, changeSeconds: 4 },
);
const line = timeline(practised);
const journalOf = (change: Partial<Journal> = {}): Journal => ({
  id: 'j',
  studentId: 's',
  routine: practised,
  cares: [],
  group: null,
  events: [],
  seenAt: 0,
  ...change,
});

/** A hall with a clock that stands until it is moved on, and devices that write down what they are asked. */
class Place {
  ms = 1_000_000;
  /** What the steady clock did not count. */
  asleepMs = 0;
  kept: Journal | null = null;
  readonly done: string[] = [];
  laid: readonly Bell[] = [];
  changes = 0;
  private timers: (() => void)[] = [];
  readonly hall: Hall;

  constructor(journal = journalOf(), ms = 1_000_000) {
    this.ms = ms;
    this.hall = new Hall(
      {
        now: () => this.ms,
        steady: () => this.ms - this.asleepMs,
        every: (_, what) => {
          this.timers.push(what);
          return () => (this.timers = this.timers.filter((timer) => timer !== what));
        },
        ringer: {
          wake: () => Promise.resolve(),
          lay: (all) => (this.laid = all),
          goOn: (all) => (this.laid = all),
          silence: () => this.done.push('no bells'),
        },
        voice: { say: (text) => this.done.push(text), silence: () => this.done.push('no voice') },
        awake: { keep: () => this.done.push('awake'), release: () => this.done.push('asleep') },
        keep: (now) => (this.kept = now),
        changed: () => (this.changes += 1),
      },
      journal,
    );
  }

  /** A look at the clock. */
  tick(): void {
    for (const timer of this.timers) timer();
  }

  run(seconds: number, stepMs = 100): void {
    for (let at = 0; at < seconds * 1000; at += stepMs) {
      this.ms += stepMs;
      this.tick();
    }
  }
}
const where = ({ hall }: Place): [number, number] => [hall.state.spanIndex, Math.round(hall.state.offsetMs / 100) / 10];

test('nothing runs before it is begun; then it is kept as seen, rung and kept awake until it stands still', () => {
  const place = new Place();
  place.run(5);
  expect(place.kept).toBeNull();
  expect(place.hall.press('next')).toBe(false);
  place.hall.toggle();
  expect(place.kept!.events.map(({ action }) => action)).toEqual(['start']);
  expect(place.done).toContain('awake');
  place.run(8);
  expect(where(place)).toEqual([1, 2]);
  expect(place.ms - place.kept!.seenAt).toBeLessThanOrEqual(1100);
  // The hold has 58 s to go, and its warning comes 10 s before.
  expect(place.laid.slice(0, 2).map(({ inMs, sound }) => [Math.round(inMs / 1000), sound])).toEqual([
    [48, 'soon'],
    [58, 'rest'],
  ]);
  place.hall.toggle();
  expect(place.laid).toEqual([]);
  expect(place.done.at(-1)).toBe('no voice');
  expect(place.done).toContain('asleep');
  const { changes } = place;
  place.run(10);
  expect(where(place)).toEqual([1, 2]);
  // Paused it is looked at once a second, not ten times.
  expect(place.changes - changes).toBeLessThanOrEqual(11);
});

test('what is called comes once, in its time; without a voice nothing does', () => {
  const place = new Place();
  const calls: Call[] = [
    { spanIndex: 0, offsetMs: 0, text: 'get ready' },
    { spanIndex: 1, offsetMs: 0, text: 'hold' },
    { spanIndex: 1, offsetMs: 20_000, text: 'knees' },
    { spanIndex: 2, offsetMs: 0, text: 'rest' },
  ];
  place.hall.says(calls);
  place.hall.toggle();
  place.run(16);
  place.hall.says(null);
  place.run(20);
  place.hall.says(calls);
  place.run(40);
  expect(place.done.filter((words) => calls.some(({ text }) => text === words))).toEqual([
    'get ready',
    'hold',
    // Turned on again it says where it is.
    'knees',
    'rest',
  ]);
});

test('asleep for longer it stands still from before; for a shorter while it went on', () => {
  const place = new Place();
  place.hall.toggle();
  place.run(16);
  place.ms += ASLEEP_MS + 60_000;
  place.tick();
  expect(place.hall.state.running).toBe(false);
  expect(where(place)).toEqual([1, 10]);
  // A press that comes before the first look after a sleep counts nothing of it either.
  place.hall.toggle();
  place.run(5);
  place.ms += ASLEEP_MS + 60_000;
  place.hall.press('next');
  expect(place.hall.state.records[1]!.spentMs).toBeCloseTo(15_000, -2);
  const short = new Place();
  short.hall.toggle();
  short.run(16);
  short.ms += 30_000;
  short.tick();
  expect(short.hall.state.running).toBe(true);
  expect(where(short)).toEqual([1, 40]);
});

test('where the steady clock stands still in sleep, not a minute of it counts; a tab that is looked at seldom goes on', () => {
  const place = new Place();
  place.hall.toggle();
  place.run(16);
  place.ms += 60_000;
  place.asleepMs += 60_000;
  place.tick();
  expect(place.hall.state.running).toBe(false);
  expect(where(place)).toEqual([1, 10]);
  place.hall.toggle();
  place.run(5);
  place.ms += 4000;
  place.asleepMs += 4000;
  place.hall.press('next');
  expect(place.hall.state.records[1]!.spentMs).toBeCloseTo(15_000, -2);
  // Both clocks go on, and the clock is put right by a second.
  const hidden = new Place();
  hidden.hall.toggle();
  hidden.run(16);
  hidden.ms += 60_000;
  hidden.asleepMs += 1000;
  hidden.tick();
  expect(hidden.hall.state.running).toBe(true);
});

test.each([
  ['an hour, at the end of summer time in some programs', 3_600_000],
  ['a minute', 60_000],
])('a clock that is set back by %s takes nothing back, and bells and calls go on', (_, back) => {
  const place = new Place();
  place.hall.toggle();
  place.run(36);
  place.ms -= back;
  place.tick();
  expect(place.hall.state.running).toBe(true);
  expect(where(place)).toEqual([1, 30]);
  place.run(10);
  expect(where(place)).toEqual([1, 40]);
  expect(Math.round(place.laid[0]!.inMs / 1000)).toBe(10);
  place.ms -= back;
  place.hall.press('next');
  expect(Math.round(place.hall.state.records[1]!.spentMs / 1000)).toBe(40);
});

test('killed while it ran it stands still from the last moment that was kept, a second ago at most', () => {
  const place = new Place();
  place.hall.toggle();
  place.run(26);
  const again = new Place(place.kept!, place.ms + 86_400_000);
  expect(again.hall.state.running).toBe(false);
  expect(again.hall.begun).toBe(true);
  const [span, seconds] = where(again);
  expect(span).toBe(1);
  expect(seconds).toBeGreaterThan(18.8);
  expect(seconds).toBeLessThanOrEqual(20);
  expect(again.kept!.events.at(-1)!.action).toBe('pause');
  again.hall.toggle();
  again.run(2);
  expect(where(again)[1]).toBeCloseTo(seconds + 2, 1);
});

test('closed it pauses, is silent, and does nothing more; handed to another page it does not even pause', () => {
  const place = new Place();
  place.hall.toggle();
  place.run(10);
  place.hall.close(true);
  expect(place.kept!.events.at(-1)!.action).toBe('pause');
  expect(place.done.slice(-3)).toEqual(['no bells', 'no voice', 'asleep']);
  const { kept } = place;
  place.hall.toggle();
  place.hall.press('next');
  place.hall.amend((journal) => ({ ...journal, studentId: 'other' }));
  place.run(5);
  expect(place.kept).toBe(kept);
  const handed = new Place();
  handed.hall.toggle();
  handed.run(10);
  handed.hall.close(false);
  expect(handed.kept!.events.map(({ action }) => action)).toEqual(['start']);
});

test('what belongs to a class changes beside it; a shorter routine has other bells, and is where it was', () => {
  const place = new Place();
  place.hall.toggle();
  place.run(10);
  place.hall.amend((journal) => ({ ...journal, studentId: 'other' }));
  expect(place.kept!.studentId).toBe('other');
  const untouched = place.kept;
  place.hall.amend((journal) => journal);
  expect(place.kept).toBe(untouched);
  const count = place.laid.length;
  place.hall.amend((journal) => ({ ...journal, routine: { ...practised, segments: practised.segments.slice(0, 1) } }));
  expect(place.hall.line.totalMs).toBeLessThan(line.totalMs);
  expect(place.laid.length).toBeLessThan(count);
  expect(where(place)).toEqual([1, 4]);
  place.run(400);
  expect(place.hall.state.finished).toBe(true);
  // It was over at this moment, which is kept once.
  const seen = place.kept!.seenAt;
  place.run(5);
  expect(place.kept!.seenAt).toBe(seen);
});

test('keys of the hall, upper and lower case', () => {
  expect([' ', 'ArrowRight', 'ArrowLeft', 't', 'T', 'l', 'o', 'x', 'Enter'].map(hallActionOf)).toEqual([
    'toggle',
    'next',
    'back',
    'tap',
    'tap',
    'lost',
    'loosen',
    null,
    null,
  ]);
});

/** A second, a press, a long sleep, the clock set back, the page killed and opened again. */
type Happens = number | JournalEvent['action'] | 'sleep' | 'set back' | 'killed';
const happens: fc.Arbitrary<Happens> = fc.oneof(
  { weight: 10, arbitrary: fc.integer({ min: 1, max: 25 }) },
  {
    weight: 10,
    arbitrary: fc.constantFrom<Happens>(
      'pause',
      'resume',
      'resume',
      'next',
      'back',
      'tap',
      'tap',
      'loosen',
      'pace',
      'end',
    ),
  },
  { weight: 2, arbitrary: fc.constantFrom<Happens>('sleep', 'set back', 'killed') },
);

test('whatever is pressed and whatever happens to page and clock, the log is what a stopwatch and a tally say', () => {
  fc.assert(
    fc.property(fc.array(happens, { minLength: 1, maxLength: 120, size: 'max' }), (all) => {
      const watch = new Stopwatch(line.spans);
      let place = new Place();
      place.hall.toggle();
      watch.press('start');
      for (const what of all) {
        if (typeof what === 'number') {
          place.run(what, 1000);
          for (let second = 0; second < what; second += 1) watch.second();
        } else if (what === 'sleep') {
          place.ms += ASLEEP_MS + 1000;
          place.tick();
          watch.press('pause');
        } else if (what === 'set back') {
          place.ms -= 3_600_000;
          place.tick();
        } else if (what === 'killed') {
          // As it was last kept: here that is now.
          place.hall.amend((journal) => ({ ...journal, cares: [] }));
          place = new Place(place.kept!, place.ms + 7_200_000);
          watch.press('pause');
        } else {
          place.hall.press(what);
          watch.press(what);
        }
      }
      const { state, journal } = place.hall;
      // Another look at the journal says the same.
      expect(conduct(line, journal.events, place.hall.now)).toEqual(state);
      const spent = (of: ReadonlyMap<number, number>, index: number): number => Math.round(of.get(index) ?? 0);
      expect(line.spans.map(({ index }) => Math.round((state.records[index]?.spentMs ?? 0) / 1000))).toEqual(
        line.spans.map(({ index }) => spent(watch.spent, index)),
      );
      const done = logLines(practised, line, state, shelf).reduce((sum, entry) => sum + entry.done.amount, 0);
      const counted = [...watch.amount.values()].reduce((sum, amount) => sum + amount, 0);
      expect(done).toBeCloseTo(counted, 6);
      expect([state.spanIndex, state.finished]).toEqual([watch.at, watch.over]);
    }),
    { numRuns: 200, seed: 20261201 },
  );
});
