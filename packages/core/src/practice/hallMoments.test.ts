import { breathe, cycle, eachSide, eachSideBothWays, hold, pattern, together } from '../library/describe';
import { stopCaution } from '../library/cautions';
import { timeline, unturned, type Segment } from '../routine';
import { breathSchool, softSchool, waveSchool } from '../schools/builtInSchools';
import { spokenExercise } from '../schools/spokenLine';
import { routine, segment, shelf } from '../testing/samples';
import { callNow, calls, usualCalls } from './calls';
import { msToSay } from '../words/msToSay';
import { conduct, conductAt } from './conduct';
import { hallCalls } from './hallCalls';
import type { JournalEvent } from './journal';
import { cuePlan } from './cuePlan';
import { momentOf, nameOf } from './moment';

/** What the hall sees so many seconds into a routine; each exercise is taken up for ten seconds, changes take five. */
function seen(segments: Segment[], seconds: number, { events = [] as JournalEvent[], school = softSchool } = {}) {
  const value = routine(segments, { settleSeconds: 10, changeSeconds: 5 });
  const line = timeline(value);
  const state = conduct(line, [{ at: 0, action: 'start' }, ...events], seconds * 1000);
  return momentOf(value, line, state, shelf, school, cuePlan(value, line, shelf, school));
}
const pause = (type: 'rest' | 'talk', label = ''): Segment => ({ type, id: type, seconds: 30, label, roundId: null });
const reel = (change: Partial<ReturnType<typeof cycle>> = {}, more: Parameters<typeof segment>[2] = {}) =>
  segment(
    'reel',
    { ...cycle(6, eachSide(8)), ...change },
    {
      exerciseId: 'one-hand-reeling',
      ...more,
    },
  );
const tree = segment('tree', hold(60, together(1)));

test('pauses have the names they were given, or plain ones, and run down', () => {
  expect(seen([pause('rest')], 5)).toMatchObject({ kind: 'rest', title: 'Rest', big: '0:25', unit: '', detail: '' });
  expect(seen([pause('talk')], 5)).toMatchObject({ kind: 'talk', title: 'Listen', big: '0:25', fullness: null });
  expect(seen([pause('talk', 'Why the knee')], 5).title).toBe('Why the knee');
  expect(seen([pause('rest', 'Shake out')], 5).title).toBe('Shake out');
  expect(seen([pause('rest')], 5).checkpoint).toBeNull();
  expect(seen([pause('talk')], 5).checkpoint).toBeNull();
  expect(nameOf(segment('gone', hold(60, together(1)), { exerciseId: 'gone' }), shelf)).toBe('Exercise');
});

test('what comes next is named: a pause, a side, a rest within, the end; what only leads there is not', () => {
  expect(seen([tree, pause('talk', 'Why the knee'), tree], 15).next).toBe('Why the knee');
  expect(seen([tree, pause('rest'), tree], 15).next).toBe('Rest');
  expect(seen([pause('rest'), tree], 5).next).toBe('Holding the tree');
  expect(seen([pause('rest'), reel()], 5).next).toBe('One-hand silk-reeling, left');
  expect(seen([tree], 15).next).toBe('the end');
  const twice = segment('twice', { ...hold(20, together(2)), restSeconds: 15 });
  expect(seen([twice], 15).next).toBe('a rest');
  expect(seen([twice], 35)).toMatchObject({ title: 'Rest, then again: Holding the tree', next: 'Holding the tree' });
  expect(seen([tree, pause('rest')], 75).next).toBe('the end');
});

test('which hold of how many stands beside it; a single one is not numbered', () => {
  const twice = segment('twice', { ...hold(20, together(2)), restSeconds: 15 });
  expect(seen([twice], 15).detail).toMatch(/^Hold 1 of 2 · attention: /);
  expect(seen([twice], 10 + 20 + 15 + 1).detail).toMatch(/^Hold 2 of 2 · attention: /);
  expect(seen([tree], 15).detail).toMatch(/^attention: /);
  // In the rest between them nothing is stood in, nor looked at.
  expect(seen([twice], 35).checkpoint).toBeNull();
  const low = { ...twice, turned: { ...unturned, kneeBendDeg: 45 } };
  expect(seen([low], 35).detail).toBe('');
  expect(seen([low], 15).detail).toMatch(/^Hold 1 of 2 · bend 45° · attention: /);
});

test('an exercise that is gone from the shelf is still counted', () => {
  const gone = { exerciseId: 'gone' };
  expect(seen([segment('a', hold(60, together(1)), gone)], 15)).toMatchObject({
    title: 'Exercise',
    big: '0:55',
    detail: '',
    checkpoint: null,
    cautions: [],
  });
  expect(seen([reel({}, gone)], 11)).toMatchObject({ title: 'Exercise', big: '8', detail: '', fullness: null });
  expect(seen([segment('a', breathe(5, pattern(4, 0, 6, 0)), gone)], 11).big).toBe('5');
  expect(seen([reel({}, gone)], 3)).toMatchObject({ kind: 'settle', wayIn: [], mayBegin: '', cautions: [] });
  expect(seen([reel({}, gone)], 11, { school: breathSchool }).fullness).toBeNull();
  const value = routine([reel({}, gone)]);
  const called = hallCalls(
    value,
    timeline(value),
    usualCalls,
    { cues: true, parts: 'none' },
    shelf,
    softSchool,
    new Map(),
  );
  expect(called.map(({ text }) => text)).toEqual(['Three more', 'The last one', 'Three more', 'The last one', 'Done']);
});

test('a routine with nothing in it is over at once, whatever is pressed', () => {
  const value = routine([]);
  const line = timeline(value);
  expect(momentOf(value, line, conduct(line, [], 0), shelf, softSchool, new Map()).kind).toBe('done');
  for (const action of ['tap', 'loosen', 'lost', 'next', 'back', 'end'] as const) {
    const state = conduct(
      line,
      [
        { at: 0, action: 'start' },
        { at: 0, action },
      ],
      1000,
    );
    expect(state).toMatchObject({ spanIndex: 0, records: [], losses: [], loosening: false });
    expect(momentOf(value, line, state, shelf, softSchool, new Map()).kind).toBe('done');
  }
});

test('while it is taken up: the way in and its cautions, but for the general one', () => {
  const { cautions, wayIn } = shelf.get('tree-holding')!;
  expect(cautions).toContain(stopCaution);
  const up = seen([tree], 3);
  expect(up.wayIn).toHaveLength(wayIn.length);
  expect(up.cautions).toEqual(cautions.filter((caution) => caution !== stopCaution));
  expect(up).toMatchObject({ big: '0:07', unit: '', detail: '' });
  expect(seen([{ ...tree, turned: { ...unturned, kneeBendDeg: 45 }, startsOnCue: true }], 25)).toMatchObject({
    big: '0:25',
    detail: 'bend 45° · it begins on the cue: Next',
  });
});

test('a hold until the cue: as planned, to the second, and over', () => {
  const cued = segment('cued', { ...hold(60, together(1)), byCue: true });
  expect(seen([cued], 10 + 59).unit).toBe('of about 1:00 min');
  expect(seen([cued], 10 + 60).unit).toBe('0 s over');
  expect(seen([cued], 10 + 61)).toMatchObject({ big: '1:01', unit: '1 s over' });
});

test('breaths: the count, the phase and how full, by the pattern', () => {
  // In 4, full 2, out 4, empty 2.
  const breath = segment('b', breathe(3, pattern(4, 2, 4, 2)), { exerciseId: 'belly-breathing' });
  const phases = [1, 5, 7, 11].map((second) => seen([breath], 10 + second).detail);
  expect(phases).toEqual(['Breathe in', 'Rest, full', 'Breathe out', 'Rest, empty']);
  expect([0, 11, 12, 35].map((second) => seen([breath], 10 + second).big)).toEqual(['3', '3', '2', '1']);
  expect(seen([breath], 11).unit).toBe('of 3 breaths to go');
  const full = seen([breath], 11).fullness!;
  expect([0, 5, 11, 12, 17].map((second) => Math.round(full(second) * 100) / 100)).toEqual([0, 1, 0, 0, 1]);
  const feel = { ...breath, dose: { ...breath.dose, least: 0 } };
  expect(seen([feel], 10 + 25)).toMatchObject({
    big: '2',
    unit: 'breaths done, 3 planned · as long as it feels right: Next ends it',
  });
});

test('breaths on sides in turn count both sides together', () => {
  const turns = segment(
    'b',
    { ...breathe(1, pattern(4, 0, 6, 0)), amounts: eachSide(3) },
    {
      exerciseId: 'belly-breathing',
      sideOrder: 'each',
    },
  );
  expect([0, 10, 50].map((second) => seen([turns], 10 + second + 1).big)).toEqual(['6', '5', '1']);
  expect(seen([turns], 11).unit).toBe('of 6 breaths to go');
});

test('a breath paces a cycle only where the school paces it, and not while it is counted by hand', () => {
  const paced = { school: breathSchool };
  expect(seen([reel()], 12, { school: softSchool }).fullness).toBeNull();
  expect(seen([reel()], 12, { school: waveSchool }).fullness).toBeNull();
  expect(seen([reel()], 12, { ...paced, events: [{ at: 11_000, action: 'tap' }] }).fullness).toBeNull();
  const full = seen([reel()], 12, paced).fullness!;
  // The same breath in each repetition of six seconds.
  expect(full(1.5)).toBeCloseTo(full(7.5), 9);
  expect([full(0), full(3), full(6), full(9)].map((value) => Math.round(value))).toEqual([1, 0, 1, 0]);
});

test('of sides in turn a range is reckoned over the turns so far', () => {
  const ranged = reel({ least: 4 }, { sideOrder: 'each' });
  const units = [0, 7, 8].map((turns) => seen([ranged], 10 + turns * 6 + 1).unit);
  expect(units).toEqual([
    'of 16 to go, sides in turn · enough from 4',
    'of 16 to go, sides in turn · enough from 4',
    'of 16 to go, sides in turn · enough now: Next ends it',
  ]);
});

test('where sides take turns, taps go on by hand from turn to turn, and by the pace on the other side', () => {
  const each = reel({}, { sideOrder: 'each' });
  const value = routine([each]);
  const line = timeline(value);
  const tapped = conduct(
    line,
    [
      { at: 0, action: 'start' },
      { at: 3000, action: 'tap' },
    ],
    4000,
  );
  expect(tapped).toMatchObject({ spanIndex: 1, taps: 0, offsetMs: 1000 });
  // The last turn ends the counting by hand.
  const whole = [...line.spans.keys()].map((n): JournalEvent => ({ at: 1000 * (n + 1), action: 'tap' }));
  const after = conduct(timeline(routine([each, tree])), [{ at: 0, action: 'start' }, ...whole], 17_000);
  expect(after).toMatchObject({ spanIndex: 16, taps: null });
  // Where whole sides follow each other the other side is paced.
  const sided = timeline(routine([reel()]));
  const eight = Array.from({ length: 8 }, (_, n): JournalEvent => ({ at: 100 * (n + 1), action: 'tap' }));
  expect(conduct(sided, [{ at: 0, action: 'start' }, ...eight], 900)).toMatchObject({ spanIndex: 1, taps: null });
});

test('nothing is recorded of what was only entered; a tap alone is', () => {
  const line = timeline(routine([reel()]));
  const skipped = conduct(
    line,
    [
      { at: 0, action: 'start' },
      { at: 0, action: 'next' },
    ],
    0,
  );
  expect(skipped.records[0]).toBeUndefined();
  const tapped = conduct(
    line,
    [
      { at: 0, action: 'start' },
      { at: 0, action: 'tap' },
      { at: 0, action: 'next' },
    ],
    0,
  );
  expect(tapped.records[0]).toEqual({ spentMs: 0, share: 1 / 8, done: 1 });
});

test('a practice can be begun in its middle; after its end only back goes on', () => {
  const line = timeline(routine([tree, reel()]));
  expect(conductAt(2)).toMatchObject({ spanIndex: 2, offsetMs: 0, running: true, finished: false });
  const start: JournalEvent = { at: 0, action: 'start' };
  const ended = conduct(line, [start, { at: 9000, action: 'end' }, { at: 9500, action: 'next' }], 10_000);
  expect(ended).toMatchObject({ spanIndex: 0, finished: true, running: false });
  expect(ended.records[0]).toEqual({ spentMs: 9000, share: 0.15, done: 0.15 });
  const again = conduct(line, [start, { at: 9000, action: 'end' }, { at: 9500, action: 'back' }], 10_000);
  expect(again).toMatchObject({ spanIndex: 0, offsetMs: 0, finished: false, running: false });
  const loosened = [start, { at: 4000, action: 'loosen' as const }];
  expect(conduct(line, loosened, 5000).loosening).toBe(true);
  expect(conduct(line, [...loosened, { at: 6000, action: 'next' as const }], 6000).loosening).toBe(false);
  expect(conduct(line, [...loosened, { at: 6000, action: 'back' as const }], 6000).loosening).toBe(false);
});

describe('calls', () => {
  const name = (of: Segment) => nameOf(of, shelf);
  const said = (segments: Segment[], words = usualCalls) => {
    const value = routine(segments, { settleSeconds: 10, changeSeconds: 5, name: 'Evening' });
    return calls(value, timeline(value), words, name).map(({ text }) => text);
  };

  test('a talk is called by its name, a rest by its own or the teacher’s word', () => {
    expect(said([pause('talk', 'Why the knee')])).toEqual(['Why the knee', 'Done']);
    expect(said([pause('rest')])).toEqual(['Rest', 'Done']);
    expect(said([pause('rest', 'Shake out')])).toEqual(['Shake out', 'Done']);
    const twice = segment('twice', { ...hold(20, together(2)), restSeconds: 15 });
    expect(said([twice])).toEqual(['Get ready: Holding the tree', 'Rest', 'Done']);
    expect(said([tree], { ...usualCalls, end: '', takeUp: '' })).toEqual([]);
  });

  test('a direction is called only where it is the other one; gaps and points that nothing fills are left out', () => {
    const both = segment('both', cycle(6, eachSideBothWays(4)), { exerciseId: 'one-hand-reeling' });
    const list = said([both]);
    expect(list.filter((text) => text.includes('forward'))).toEqual([]);
    expect(list.some((text) => text.includes('reversed'))).toBe(true);
    expect(said([tree], { ...usualCalls, takeUp: 'Now {side} {name}' })[0]).toBe('Now Holding the tree');
    expect(said([tree], { ...usualCalls, takeUp: ' {name}: {side}. ' })[0]).toBe('Holding the tree');
  });

  test('the last ones are called from six on; not of holds, nor of what goes on until the cue', () => {
    const of = (dose: ReturnType<typeof cycle>) => said([segment('a', dose, { exerciseId: 'squat-and-bounce' })]);
    expect(of(cycle(6, together(6))).slice(1)).toEqual(['Three more', 'The last one', 'Done']);
    expect(of(cycle(6, together(5))).slice(1)).toEqual(['Done']);
    expect(of({ ...cycle(6, together(8)), least: 0 }).slice(1)).toEqual(['Done']);
    const breaths = segment('b', breathe(9, pattern(4, 0, 6, 0)), { exerciseId: 'belly-breathing' });
    expect(said([breaths]).slice(1)).toEqual(['Three more', 'The last one', 'Done']);
    expect(said([segment('h', hold(60, together(8)))]).filter((text) => text === 'Three more')).toEqual([]);
  });

  test('with cues each point that comes up is said in the words of its side, where there is time for it', () => {
    const value = routine([tree, reel({}, { sideOrder: 'each' }), pause('rest')], { settleSeconds: 10 });
    const line = timeline(value);
    const plan = cuePlan(value, line, shelf, softSchool);
    const plain = hallCalls(value, line, usualCalls, { cues: false, parts: 'none' }, shelf, softSchool, plan).map(
      ({ text }) => text,
    );
    const cued = hallCalls(value, line, usualCalls, { cues: true, parts: 'none' }, shelf, softSchool, plan);
    const cues = cued.filter(({ text }) => !plain.includes(text));
    expect(plain[0]).toBe('Get ready: Holding the tree');
    // Nothing is said while a drill is taken up, and one that goes on from turn to turn is said once.
    expect(cues.slice(0, 3).map(({ spanIndex, offsetMs }) => [spanIndex, offsetMs])).toEqual([
      [1, 0],
      [1, 20_000],
      [1, 40_000],
    ]);
    const ofTree = spokenExercise(shelf.get('tree-holding')!, softSchool, 'both').checkpoints;
    expect(cues.slice(0, 3).map(({ text }) => text)).toEqual(
      plan.get(1)!.map(({ checkpointId }) => ofTree.find(({ id }) => id === checkpointId)!.cue),
    );
    // Each can be said to its end before the next thing is, and before its turn is over.
    for (const [index, { spanIndex, offsetMs, text }] of cued.entries()) {
      const span = line.spans[spanIndex];
      if (span === undefined || span.amount === 0) continue;
      const next = cued[index + 1];
      const until = next?.spanIndex === spanIndex ? next.offsetMs : span.durationMs;
      if (!plain.includes(text)) expect(offsetMs + msToSay(text)).toBeLessThanOrEqual(until);
    }
  });

  test('a walk is told for the foot that steps, in each second step for the other', () => {
    const walk = segment('walk', cycle(12, eachSide(4)), { exerciseId: 'cat-walk' });
    const [first, second, third] = [1, 13, 25].map((seconds) => seen([walk], 10 + seconds).detail);
    expect(first).toMatch(/left|right/);
    expect(second).toBe(first!.replace(/left|right/g, (side) => (side === 'left' ? 'right' : 'left')));
    expect(third).toBe(first);
  });

  test('nothing is called of a span that is over, nor what lay before', () => {
    const all = [
      { spanIndex: 0, offsetMs: 5000, text: 'a' },
      { spanIndex: 1, offsetMs: 0, text: 'b' },
      { spanIndex: 1, offsetMs: 2000, text: 'c' },
    ];
    expect(callNow(all, { spanIndex: 0, offsetMs: 4000 }, { spanIndex: 1, offsetMs: 100 })).toBe('b');
    expect(callNow(all, { spanIndex: 1, offsetMs: 0 }, { spanIndex: 1, offsetMs: 100 })).toBeNull();
    expect(callNow(all, { spanIndex: 1, offsetMs: 100 }, { spanIndex: 1, offsetMs: 2000 })).toBe('c');
    expect(callNow(all, { spanIndex: 2, offsetMs: 0 }, { spanIndex: 1, offsetMs: 3000 })).toBeNull();
  });
});
