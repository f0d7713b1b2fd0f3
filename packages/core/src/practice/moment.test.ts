import { builtInExercises } from '../library/builtInExercises';
import { stopCaution } from '../library/cautions';
import { doseGivenAs, sidesOf } from '../library/doseKinds';
import { insertSegment, newRoutine, newSegment, timeline, unturned } from '../routine';
import { eachSide } from '../library/describe';
import { softSchool } from '../schools/builtInSchools';
import { secondsOfChange } from '../schools/changeOfSide';
import { conduct } from './conduct';
import { cuePlan } from './cuePlan';
import type { JournalEvent } from './journal';
import { leftOf, momentOf } from './moment';

const shelf = new Map(builtInExercises.map((exercise) => [exercise.id, exercise]));
const routine = ['empty-full', 'one-hand-reeling', 'belly-breathing'].reduce(
  (value, id) => insertSegment(value, { ...newSegment(`s-${id}`, shelf.get(id)!, softSchool), changeSeconds: null }),
  newRoutine('r', 'Test', softSchool),
);
const line = timeline(routine);
// settle 10, left 30, change 5, right 30, settle 10, then 4 × 88 s with changes of 5, settle 10, 18 × 10 s
const at = (seconds: number, ...events: JournalEvent[]) => {
  const state = conduct(line, [{ at: 0, action: 'start' }, ...events], seconds * 1000);
  return momentOf(routine, line, state, shelf, softSchool, cuePlan(routine, line, shelf, softSchool));
};

test('what the hall sees, moment by moment', () => {
  expect(at(0)).toMatchObject({ kind: 'settle', title: 'Get ready: Empty and full', big: '0:10', side: 'left' });
  expect(at(12)).toMatchObject({
    kind: 'hold',
    title: 'Empty and full',
    big: '0:28',
    next: 'Empty and full, right',
    fullness: null,
  });
  expect(at(12).direction).toBe('');
  expect(at(41)).toMatchObject({ kind: 'change', title: 'Change: right' });
  // What leads there is not what comes next: the side and the way of the work are.
  expect(at(60).next).toBe('One-hand silk-reeling, left, forward');
  expect(at(85 + 88 + 1).title).toBe('Change: left, reversed');
  expect(at(76)).toMatchObject({ title: 'Get ready: One-hand silk-reeling' });
  expect(at(86)).toMatchObject({ kind: 'cycle', big: '8', unit: 'of 8 to go', side: 'left', direction: 'forward' });
  expect(at(85 + 11 + 3).big).toBe('7');
  // On the left side its own words, and backwards when the circle runs the other way.
  expect(at(85 + 3).detail).toBe(
    'Turn the pelvis to the right side, knees still; the palm turns up and comes to the centre',
  );
  expect(at(85 + 88 + 5 + 1)).toMatchObject({ side: 'left', direction: 'reversed' });
  expect(at(85 + 88 + 5 + 1).detail).toBe(
    'Turn the pelvis to the right side, knees still; the palm comes in to the neck',
  );
  // The way in is told while it is taken up, with the sign that one may begin.
  expect(at(3).wayIn).toContain('Wait until the right foot is quite empty.');
  expect(at(3).mayBegin).toBe('You may begin when the empty foot would lift at once.');
  expect(at(12).wayIn).toEqual([]);
  // A change of side has what is otherwise on that side; the other way round is done from the same stand.
  expect(at(41)).toMatchObject({ mayBegin: '', cautions: [] });
  expect(at(41).wayIn).toContain('Wait until the left foot is quite empty.');
  expect(at(41).wayIn.filter((line) => !/left|right/.test(line))).toEqual([]);
  expect(at(41).wayIn.length).toBeLessThan(at(3).wayIn.length);
  expect(at(85 + 88 + 1).wayIn).toEqual([]);
  expect([at(11), at(39)].map(({ detail }) => detail)).toEqual(['attention: the full foot', 'attention: the crown']);
  const done = { kind: 'done', title: 'Done', wayIn: [], mayBegin: '', cautions: [], checkpoint: null };
  expect(at(10_000)).toMatchObject(done);
  expect(at(30, { at: 20_000, action: 'end' })).toMatchObject(done);
});

test('what the student is being corrected for is said first; what to mind is told while it is taken up', () => {
  const points = shelf.get('empty-full')!.checkpoints;
  const plain = at(12).checkpoint!;
  const other = points.find(({ id }) => id !== plain.id)!;
  const state = conduct(line, [{ at: 0, action: 'start' }], 12_000);
  expect(
    momentOf(
      routine,
      line,
      state,
      shelf,
      softSchool,
      cuePlan(routine, line, shelf, softSchool, { inWork: new Set([other.id]), before: () => 0 }),
    ).checkpoint!.id,
  ).toBe(other.id);
  expect(at(3).cautions).toEqual(shelf.get('empty-full')!.cautions.filter((caution) => caution !== stopCaution));
  expect(at(3).cautions.length).toBeGreaterThan(0);
  expect(at(12).cautions).toEqual([]);
});

test('a change of side takes as long as its way in is told, and half of it once the side is known', () => {
  const bow = newSegment('bow', shelf.get('bow-stand')!, softSchool);
  const told = secondsOfChange(shelf.get('bow-stand')!, softSchool);
  const twice = { ...bow, sideOrder: 'alternating' as const, dose: { ...bow.dose, amounts: eachSide(2) } };
  const changes = (segment: typeof bow) =>
    timeline(insertSegment(newRoutine('r', 'Bow', softSchool), segment))
      .spans.filter(({ kind }) => kind === 'change')
      .map(({ durationMs }) => durationMs / 1000);
  // Long enough to be said at fourteen letters a second (from memory) and done meanwhile; ordinary: a quarter of a minute.
  expect(told).toBeGreaterThan(10);
  expect(told).toBeLessThan(30);
  expect(changes(twice)).toEqual([told, told / 2, told / 2]);
  expect(changes({ ...twice, changeSeconds: null })).toEqual([5, 5, 5]);
  // The other way round is done from the same stand, and a drill without sides has none.
  const reel = newSegment('reel', shelf.get('one-hand-reeling')!, softSchool);
  expect(changes(reel)).toEqual([5, secondsOfChange(shelf.get('one-hand-reeling')!, softSchool), 5]);
  expect(secondsOfChange(shelf.get('tree-holding')!, softSchool)).toBe(0);
});

test('taps take over the count, and the breath is left alone', () => {
  const tapped = at(88, { at: 86_000, action: 'tap' });
  expect(tapped).toMatchObject({
    big: '7',
    detail: 'You count: tap at each repetition. The clock is stopped.',
    fullness: null,
  });
});

test('of a range, and by feel, it says from where on it is enough, and that it is', () => {
  const stand = newSegment('ranged', shelf.get('tree-holding')!, softSchool);
  const reel = newSegment('reeled', shelf.get('one-hand-reeling')!, softSchool);
  const shown = (segment: typeof stand, least: number, seconds: number, ...events: JournalEvent[]) => {
    const ranged = insertSegment(newRoutine('r', 'Ranged', softSchool), {
      ...segment,
      dose: { ...segment.dose, least },
    });
    const spans = timeline(ranged);
    const state = conduct(spans, [{ at: 0, action: 'start' }, ...events], seconds * 1000);
    return momentOf(ranged, spans, state, shelf, softSchool, new Map()).unit;
  };
  expect(shown(stand, 30, 10 + 20)).toBe('enough from 30 s');
  expect(shown(stand, 30, 10 + 30)).toBe('enough now: Next ends it');
  const detail = ({ least }: { least: number }) => {
    const held = insertSegment(newRoutine('r', 'Held', softSchool), { ...stand, dose: { ...stand.dose, least } });
    const spans = timeline(held);
    return momentOf(held, spans, conduct(spans, [{ at: 0, action: 'start' }], 11_000), shelf, softSchool, new Map())
      .detail;
  };
  expect(detail({ least: 0 })).not.toContain('until the cue');
  expect(shown(stand, 0, 10 + 1)).toBe('of about 1:00 min · as long as it feels right: Next ends it');
  // It waits: what was planned is long over, and repetitions are counted on.
  expect(shown(stand, 0, 10 + 90)).toBe('30 s over · as long as it feels right: Next ends it');
  expect(shown(reel, 0, 10 + 11 * 9 + 1)).toBe('done, 8 repetitions planned · as long as it feels right: Next ends it');
  expect(shown(stand, 30, 5)).toBe('');
  expect(shown(reel, 3, 10 + 22)).toBe('of 8 to go · enough from 3');
  expect(shown(reel, 8, 10 + 22)).toBe('of 8 to go');
  const taps = [11, 12, 13].map((at): JournalEvent => ({ at: at * 1000, action: 'tap' }));
  expect(shown(reel, 3, 13, ...taps.slice(0, 2))).toBe('of 8 to go · enough from 3');
  expect(shown(reel, 3, 14, ...taps)).toBe('of 8 to go · enough now: Next ends it');
});

test('a hold until the cue counts up, says what was planned and then how far it is over', () => {
  const tree = newSegment('cued', shelf.get('tree-holding')!, softSchool);
  const dose = { ...tree.dose, holdSeconds: 60, byCue: true } as typeof tree.dose;
  const cued = insertSegment(newRoutine('r', 'Cued', softSchool), { ...tree, dose });
  const spans = timeline(cued);
  const shown = (seconds: number) =>
    momentOf(cued, spans, conduct(spans, [{ at: 0, action: 'start' }], seconds * 1000), shelf, softSchool, new Map());
  expect(shown(10 + 20)).toMatchObject({ kind: 'hold', big: '0:20', unit: 'of about 1:00 min' });
  expect(shown(10 + 20).detail).toBe('attention: wrists and forearms · until the cue: Next ends it');
  expect(shown(10 + 90)).toMatchObject({ kind: 'hold', big: '1:30', unit: '30 s over', next: 'the end' });
});

test('a posture that was turned stands beside its hold, from the taking up on', () => {
  const tree = newSegment('low', shelf.get('tree-holding')!, softSchool);
  const turned = { ...unturned, kneeBendDeg: 45 };
  const low = insertSegment(newRoutine('r', 'Low', softSchool), { ...tree, turned });
  const spans = timeline(low);
  const detail = (seconds: number) =>
    momentOf(low, spans, conduct(spans, [{ at: 0, action: 'start' }], seconds * 1000), shelf, softSchool, new Map())
      .detail;
  expect([detail(2), detail(12)]).toEqual(['bend 45°', 'bend 45° · attention: hands and fingers']);
});

test('what goes on past its length takes nothing off what is left', () => {
  const second = line.spans[1]!;
  const after = line.totalMs - second.startMs - second.durationMs;
  expect(leftOf(line, { spanIndex: 0, offsetMs: 0 })).toBe(line.totalMs);
  expect(leftOf(line, { spanIndex: 1, offsetMs: 10_000 })).toBe(after + second.durationMs - 10_000);
  expect(leftOf(line, { spanIndex: 1, offsetMs: 900_000 })).toBe(after);
  expect(leftOf(line, { spanIndex: line.spans.length, offsetMs: 0 })).toBe(0);
});

test('breaths count down and say in and out', () => {
  const start = line.spans.findLast((span) => span.kind === 'breath')!.startMs / 1000;
  expect(at(start + 1)).toMatchObject({ big: '18', detail: 'Breathe in', next: 'the end' });
  expect(at(start + 16)).toMatchObject({ big: '17', detail: 'Breathe out' });
  expect(at(start + 4).fullness!(4)).toBeCloseTo(1, 9);
});

test('a checkpoint stays for a while and then makes way for the next one', () => {
  const start = line.spans.findLast((span) => span.kind === 'breath')!.startMs / 1000;
  expect(at(start + 1).checkpoint).toEqual(at(start + 15).checkpoint);
  expect(at(start + 1).checkpoint).not.toEqual(at(start + 25).checkpoint);
});

describe('doses as the trade gives them', () => {
  const shown = (segment: ReturnType<typeof newSegment>, seconds: number, ...events: JournalEvent[]) => {
    const value = insertSegment(newRoutine('r', 'Doses', softSchool), segment);
    const spans = timeline(value);
    const state = conduct(spans, [{ at: 0, action: 'start' }, ...events], seconds * 1000);
    return momentOf(value, spans, state, shelf, softSchool, cuePlan(value, spans, shelf, softSchool));
  };
  const reel = newSegment('reel', shelf.get('one-hand-reeling')!, softSchool);
  const sided = doseGivenAs(sidesOf(reel.dose, true, false), 'cycle');

  test('three minutes a side: the clock runs down and the circles are counted', () => {
    const dose = { ...doseGivenAs(sided, 'timed'), roundSeconds: 180, cycleSeconds: 10 } as typeof reel.dose;
    expect(shown({ ...reel, dose }, 10 + 25)).toMatchObject({ big: '2:35', unit: '2 repetitions done', side: 'left' });
    expect(shown({ ...reel, dose: { ...dose, least: 60 } }, 10 + 61).unit).toBe(
      '6 repetitions done · enough now: Next ends it',
    );
    // By feel the clock counts up; in turn both sides are counted down together.
    expect(shown({ ...reel, dose: { ...dose, least: 0 } }, 10 + 25)).toMatchObject({
      big: '0:25',
      unit: '2 repetitions done · as long as it feels right: Next ends it',
    });
    expect(shown({ ...reel, dose, sideOrder: 'each' }, 10 + 11)).toMatchObject({
      big: '35',
      unit: 'of 36 to go, sides in turn',
    });
  });

  test('left and right in turn: both together count down, each on its side in its own words', () => {
    const dose = { ...sided, cycleSeconds: 10 } as typeof reel.dose;
    const each = { ...reel, dose, sideOrder: 'each' as const };
    expect(shown(each, 10 + 1)).toMatchObject({ big: '16', unit: 'of 16 to go, sides in turn', side: 'left' });
    expect(shown(each, 10 + 11)).toMatchObject({ big: '15', side: 'right', next: 'One-hand silk-reeling, left' });
    // A point stays up for twenty seconds all the same, over the turns.
    const points = [1, 11, 21, 31].map((seconds) => shown(each, 10 + seconds).checkpoint!.id);
    expect(points[1]).toBe(points[0]);
    expect(points[3]).toBe(points[2]);
    expect(points[2]).not.toBe(points[0]);
    const [left, right] = [shown(each, 10 + 1).detail, shown(each, 10 + 11).detail];
    expect(right).not.toBe(left);
  });

  test('each repetition slower: the second begins later than it would', () => {
    const slower = { ...reel, dose: { ...sided, cycleSeconds: 10, slowing: 1.5 } as typeof reel.dose };
    expect(shown(slower, 10 + 24).big).toBe('7');
    expect(shown(slower, 10 + 26).big).toBe('6');
  });

  test('a hold has the parts of its dose, each for its share', () => {
    const tree = newSegment('tree', shelf.get('tree-holding')!, softSchool);
    const parts = [
      { words: 'hands', share: 1 },
      { words: 'legs', share: 3 },
    ];
    const parted = { ...tree, dose: { ...tree.dose, holdSeconds: 60, parts } as typeof tree.dose };
    expect(shown(parted, 10 + 14).detail).toBe('attention: hands');
    expect(shown(parted, 10 + 16).detail).toBe('attention: legs');
  });

  test('a hold of which nothing is said has no attention', () => {
    const tree = newSegment('tree', shelf.get('tree-holding')!, softSchool);
    const plain = insertSegment(newRoutine('r', 'Plain', softSchool), tree);
    const spans = timeline(plain);
    const quiet = new Map([['tree-holding', { ...shelf.get('tree-holding')!, attention: [] }]]);
    const state = conduct(spans, [{ at: 0, action: 'start' }], 15_000);
    expect(momentOf(plain, spans, state, quiet, softSchool, new Map()).detail).toBe('');
  });

  test('breaths for which a part stays are counted', () => {
    const reach = newSegment('reach', shelf.get('overhead-stretch')!, softSchool);
    // A repetition of 36 s stays at the top from 9 s on, for 23.4 s.
    expect(shown(reach, 10 + 10).detail).toMatch(/^Stay at the top; .*, for 3 breaths · breath 1 of 3$/);
    expect(shown(reach, 10 + 18).detail).toMatch(/breath 2 of 3$/);
    expect(shown(reach, 10 + 32).detail).toMatch(/breath 3 of 3$/);
    expect(shown(reach, 10 + 33).detail).not.toContain('breath');
  });

  test('a drill that is practised by its stages says which is on, and how it goes', () => {
    const staged = { ...reel, turned: { ...unturned, stage: 2 } };
    expect(shown(staged, 10 + 1)).toMatchObject({
      title: 'One-hand silk-reeling: turn only',
      detail: 'Turn the pelvis to the right side, knees still',
    });
    expect(shown(staged, 5)).toMatchObject({ title: 'Get ready: One-hand silk-reeling: turn only' });
    expect(shown(staged, 5).wayIn.at(-1)).toBe(
      'Turn only. Weight even, hands on the hips: the pelvis turns, the knees stay. Go on when the knees stay where they are in the turn.',
    );
  });

  test('what begins on the cue is taken up until then', () => {
    const tree = { ...newSegment('tree', shelf.get('tree-holding')!, softSchool), startsOnCue: true };
    expect(shown(tree, 95)).toMatchObject({ kind: 'settle', big: '1:35', detail: 'it begins on the cue: Next' });
    expect(shown(tree, 100, { at: 95_000, action: 'next' })).toMatchObject({ kind: 'hold', big: '0:55' });
  });
});
