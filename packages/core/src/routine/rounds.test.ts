import fc from 'fast-check';
import { cycle, eachSide, hold, together } from '../library/describe';
import { softSchool, strictSchool } from '../schools';
import { anyRoutine, routine, segment, shelf } from '../testing/samples';
import {
  dissolveRound,
  groupAsRound,
  mirrorSegments,
  moveSegments,
  pasteSegments,
  removeSegments,
  shiftSegments,
  repeatRound,
  roomPath,
  sidesLedger,
  splitSegment,
  timeline,
  timesOf,
  type Routine,
} from '.';
import { fitRoutine, lengthened } from '../fit';

const base = routine(['a', 'b', 'c', 'd'].map((id) => segment(id, hold(10, together(1)))));
const ids = (value: Routine) => value.segments.map((entry) => entry.id).join('');
const set = (...names: string[]) => new Set(names);
let count = 0;
const newId = () => `n${(count += 1)}`;

describe('a round that repeats', () => {
  const grouped = groupAsRound(base, set('b', 'c'), 'round', 3);

  test('goes through its segments again and again, in order', () => {
    const line = timeline(grouped);
    expect(line.spans.map((span) => span.segmentId).join('')).toBe('abcbcbcd');
    expect(line.totalMs).toBe(80_000);
    expect(line.spans[3]).toMatchObject({ segmentId: 'b', lap: 2, laps: 3 });
    expect([...timesOf(grouped)]).toEqual([
      ['a', 1],
      ['b', 3],
      ['c', 3],
      ['d', 1],
    ]);
  });

  test('counts in the ledger as often as it is done', () => {
    const sided = groupAsRound(routine([segment('a', cycle(5, eachSide(4)))]), set('a'), 'round', 2);
    expect(sidesLedger(sided).left).toMatchObject({ repetitionsForward: 8, seconds: 40 });
  });

  test('takes what lies between, is repeated otherwise, and is taken apart', () => {
    expect(timeline(groupAsRound(base, set('a', 'c'), 'round', 2)).spans).toHaveLength(7);
    expect(timeline(repeatRound(grouped, 'round', 2)).totalMs).toBe(60_000);
    expect(dissolveRound(grouped, 'round')).toEqual(base);
  });

  test('a part that is moved out of it belongs to it no more; an empty round is forgotten', () => {
    const torn = moveSegments(grouped, set('c'), 4);
    expect(ids(torn)).toBe('abdc');
    expect(torn.segments[3]).toMatchObject({ roundId: null });
    expect(removeSegments(grouped, set('b', 'c')).rounds).toEqual([]);
  });

  test('is fitted as often as it is done', () => {
    const fitted = fitRoutine(groupAsRound(routine([segment('a', hold(60, together(1)))]), set('a'), 'round', 3), {
      target: 120,
      held: new Set(),
      countMultiple: 1,
      longestHold: new Map(),
    });
    expect(fitted).toMatchObject({ ok: true, seconds: 120 });
  });
});

describe('several segments at once', () => {
  test('are moved, copied, mirrored and removed together', () => {
    expect(ids(moveSegments(base, set('a', 'b'), 2))).toBe('cdab');
    expect(ids(moveSegments(base, set('c'), 0))).toBe('cabd');
    const pasted = pasteSegments(base, base.segments.slice(0, 2), newId, 1);
    expect(pasted.segments).toHaveLength(6);
    expect(new Set(pasted.segments.map((entry) => entry.id)).size).toBe(6);
    expect(ids(removeSegments(base, set('a', 'd')))).toBe('bc');
    const sided = routine([segment('a', cycle(5, eachSide(4))), segment('b', cycle(5, eachSide(4)))]);
    const mirrored = mirrorSegments(sided, set('a'));
    expect(mirrored.segments[0]).not.toEqual(sided.segments[0]);
    expect(mirrorSegments(mirrored, set('a'))).toEqual(sided);
  });

  test('are shifted by one, there and back again, and stay at the ends', () => {
    expect(ids(shiftSegments(base, set('a'), 1))).toBe('bacd');
    expect(ids(shiftSegments(base, set('b', 'c'), 1))).toBe('adbc');
    expect(ids(shiftSegments(shiftSegments(base, set('b', 'c'), 1), set('b', 'c'), -1))).toBe('abcd');
    expect(shiftSegments(base, set('a', 'b'), -1)).toBe(base);
    expect(shiftSegments(base, set('d'), 1)).toBe(base);
    expect(shiftSegments(base, set('z'), 1)).toBe(base);
  });

  test('a split keeps all the work', () => {
    fc.assert(
      fc.property(anyRoutine, fc.nat(6), (value, index) => {
        fc.pre(index < value.segments.length);
        const before = timeline({ ...value, settleSeconds: 0, changeSeconds: 0 });
        const split = splitSegment({ ...value, settleSeconds: 0, changeSeconds: 0 }, value.segments[index]!.id, 'new');
        const after = timeline(split);
        // A slowing breath begins anew in the second half, so only even work is the same to the second.
        const slow = value.segments.some((entry) => entry.type === 'exercise' && entry.dose.kind === 'breath');
        if (!slow) expect(after.workMs).toBe(before.workMs);
        expect(split.segments.length - value.segments.length).toBeLessThanOrEqual(1);
      }),
    );
    const halves = splitSegment(routine([segment('a', hold(75, together(1)))]), 'a', 'z').segments;
    expect(
      halves.map((entry) => entry.type === 'exercise' && entry.dose.kind === 'hold' && entry.dose.holdSeconds),
    ).toEqual([38, 37]);
  });
});

test('longer and shorter in the steps of the measure and of the school', () => {
  const time = (seconds: number, steps: number) => {
    const next = lengthened(segment('a', hold(seconds, together(1))), steps, softSchool);
    return next.type === 'exercise' && next.dose.kind === 'hold' ? next.dose.holdSeconds : null;
  };
  expect(time(45, 1)).toBe(50);
  expect(time(47, 1)).toBe(50);
  expect(time(47, -1)).toBe(45);
  expect(time(120, 3)).toBe(150);
  expect(time(5, -4)).toBe(5);
  const reps = lengthened(segment('a', cycle(5, eachSide(9))), 1, strictSchool);
  expect(reps).toMatchObject({ dose: { amounts: [{ amount: 16 }, { amount: 16 }] } });
  expect(lengthened({ type: 'rest', id: 'r', seconds: 30, label: '', roundId: null }, 2, softSchool)).toMatchObject({
    seconds: 60,
  });
});

test('the way over the floor: nothing without a room, there and back with one', () => {
  const walk = segment('w', cycle(7, eachSide(3)), { exerciseId: 'cloud-steps' });
  expect(roomPath(routine([walk]), shelf, 1.7)).toBeNull();
  const path = roomPath(routine([walk], { room: { width: 8, depth: 6 } }), shelf, 1.7)!;
  expect(path.pieces[0]!.places).toHaveLength(7);
  expect(path.awayAtEnd).toBeCloseTo(0, 9);
  expect(path.pieces[0]!.runsOutAt).toBeNull();
  // From the middle, 3.4 m are left to the side at 0.35 m a step.
  expect(path.pieces[0]!.fits).toBe(9);
});
