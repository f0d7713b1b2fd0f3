import { standardBody } from '../body';
import { seenSide, shownDrill, shownPose } from '../figure';
import { builtInExercises } from '../library';
import { newSegment } from '../routine';
import { softSchool } from '../schools';
import { doingBelly, doingPose, type Doing } from './doing';

const drill = (id: string) => {
  const exercise = builtInExercises.find((entry) => entry.id === id)!;
  return { exercise, shown: shownDrill(newSegment('a', exercise, softSchool), exercise, standardBody, softSchool) };
};
const doing: Doing = {
  side: 'left',
  direction: 'forward',
  done: 0,
  into: 0.2,
  lengthMs: 10_000,
  seconds: 2,
  running: true,
};

test('between two words of the practice the body goes on, and waits at the end of a repetition for the count', () => {
  const { shown } = drill('one-hand-reeling');
  const flat = { ...shown, view: 'front' as const };
  const at = (into: number) => shownPose(flat, into, 0, seenSide('left', 'mirror'), 'forward');
  expect(doingPose(shown, doing, 3000, 'mirror', false)).toEqual(at(0.5));
  expect(doingPose(shown, doing, 30_000, 'mirror', false)).toEqual(at(1));
  expect(doingPose(shown, { ...doing, running: false }, 3000, 'mirror', false)).toEqual(at(0.2));
  // As an outline it is drawn square to the foot where it is seen from the side.
  expect(doingPose(shown, doing, 3000, 'mirror', true)).toEqual(
    shownPose(shown, 0.5, 0, seenSide('left', 'mirror'), 'forward'),
  );
});

test('what is held and not still goes round and round', () => {
  const { shown } = drill('shake-out');
  expect(shown.drill.swaySeconds).not.toBeNull();
  const swaying = { ...doing, side: 'both' as const, direction: 'none' as const };
  const handAt = (sinceMs: number): number => doingPose(shown, swaying, sinceMs, 'facing', false).arms.left.hand.y;
  expect(handAt(10_000)).toBeCloseTo(handAt(0), 9);
  expect(Math.abs(handAt(14_000) - handAt(0))).toBeGreaterThan(0.01);
});

test('the belly goes with the breath, against it where the school reverses it, and is left alone without', () => {
  const full = (seconds: number): number => seconds / 10;
  expect(doingBelly({ belly: 'expands' }, doing, 1000, full)).toBeCloseTo(0.3);
  expect(doingBelly({ belly: 'reversed' }, doing, 1000, full)).toBeCloseTo(0.7);
  expect(doingBelly({ belly: 'expands' }, { ...doing, running: false }, 1000, full)).toBeCloseTo(0.2);
  expect(doingBelly({ belly: 'expands' }, doing, 1000, null)).toBeNull();
});
