import { chainLessons, newChain, type Chain } from '../chain';
import { softSchool } from '../schools';
import { newRoutine, RoutineSchema, timeline } from '../routine';
import { hold, together } from '../library/describe';
import { routine, segment, shelf } from '../testing/samples';
import { lessonRoutine } from './lessonRoutine';

const chain: Chain = {
  ...newChain('chain', 'Pond'),
  nextLesson: 3,
  pieces: [
    { id: 'a', name: 'Open', seconds: 20, side: 'both', exerciseId: null, travel: null },
    { id: 'b', name: 'Reeds', seconds: 30, side: 'left', exerciseId: null, travel: null },
    { id: 'c', name: 'Heron', seconds: 40, side: 'right', exerciseId: null, travel: null },
  ],
};
const empty = newRoutine('new', 'New', softSchool);
const [lesson] = chainLessons(chain, 1);

test('a lesson can be conducted: warm-up, what came before, the new piece in its views, the whole, closing; as long as it says', () => {
  const made = lessonRoutine(chain, lesson!, null, empty);
  expect(RoutineSchema.safeParse(made).success).toBe(true);
  expect(made.segments.map((part) => (part.type === 'exercise' ? '' : part.label))).toEqual([
    'Warm up',
    'Repeat: Open',
    'Repeat: Reeds, left',
    'Explain: Heron',
    'Legs: Heron, right, 1 of 3',
    'Legs: Heron, right, 2 of 3',
    'Legs: Heron, right, 3 of 3',
    'Hands, facing them: Heron, 1 of 2; say “your right”, show your own left: they see you as a mirror',
    'Hands, facing them: Heron, 2 of 2; say “your right”, show your own left: they see you as a mirror',
    'Hands, your back to them: Heron, 1 of 2; say “right”, show your own right: they stand behind you',
    'Hands, your back to them: Heron, 2 of 2; say “right”, show your own right: they stand behind you',
    'Joined: Heron, right',
    'The whole: Open',
    'The whole: Reeds, left',
    'The whole: Heron, right',
    'Close',
  ]);
  expect(timeline(made).totalMs / 1000).toBeCloseTo(lesson!.seconds, 6);
  expect(new Set(made.segments.map(({ id }) => id)).size).toBe(made.segments.length);
});

test('a routine before it is its warm-up', () => {
  const warmUp = routine([segment('stand', hold(60, together(1)))]);
  const made = lessonRoutine(chain, lesson!, warmUp, empty);
  expect(made.segments[0]!.id).toBe('stand');
  expect(made.segments[1]).toMatchObject({ label: 'Repeat: Open' });
  expect(made.id).toBe(warmUp.id);
  expect(made.name).toBe('Pond, lesson 3');
});

const made3 = (of: Chain) => lessonRoutine(of, chainLessons(of, 1)[0]!, null, empty, shelf);

test('where a piece goes is told with the feet, and the other side is played as its mirror image', () => {
  const ways = chain.pieces.map((piece) => ({
    ...piece,
    exerciseId: piece.id === 'b' ? 'one-hand-reeling' : null,
    travel: { ahead: 1, right: 0, turnDeg: piece.side === 'left' ? -90 : 90 },
  }));
  const made = made3({ ...chain, pieces: ways, bothSides: true });
  expect(RoutineSchema.safeParse(made).success).toBe(true);
  const told = made.segments.map((part) =>
    part.type === 'exercise' ? `${part.exerciseId}, ${part.dose.amounts[0]!.side}` : part.label,
  );
  expect(told.find((line) => line.startsWith('Legs'))).toBe(
    'Legs: Heron, right, 1 of 3; one step ahead, a quarter turn right',
  );
  expect(told.slice(-7)).toEqual([
    'The whole: Open',
    'one-hand-reeling, left',
    'The whole: Heron, right',
    'To the other side: Open',
    'one-hand-reeling, right',
    'To the other side: Heron, left',
    'Close',
  ]);
});

test('pieces of one name are each played as they are', () => {
  const twice = chain.pieces.map((piece) => ({ ...piece, name: 'Brush' }));
  const whole = made3({ ...chain, pieces: twice }).segments.filter(
    (part) => part.type !== 'exercise' && part.label.startsWith('The whole'),
  );
  expect(whole.map((part) => part.type !== 'exercise' && [part.seconds, part.label])).toEqual([
    [20, 'The whole: Brush'],
    [30, 'The whole: Brush, left'],
    [40, 'The whole: Brush, right'],
  ]);
});

test('a piece that is a drill is shown by the figure where it is played, once on its side in its time', () => {
  const pieces = chain.pieces.map((piece) => (piece.id === 'b' ? { ...piece, exerciseId: 'one-hand-reeling' } : piece));
  const made = made3({ ...chain, pieces });
  expect(RoutineSchema.safeParse(made).success).toBe(true);
  const drills = made.segments.filter((part) => part.type === 'exercise');
  // Repeated, and played in the whole; what is taught now is another piece.
  expect(drills).toHaveLength(2);
  expect(drills[0]).toMatchObject({
    exerciseId: 'one-hand-reeling',
    dose: { kind: 'cycle', cycleSeconds: 30, amounts: [{ side: 'left', amount: 1 }] },
  });
  expect(timeline(made).totalMs / 1000).toBeCloseTo(lesson!.seconds, 6);
  const held = pieces.map((piece) => (piece.id === 'b' ? { ...piece, exerciseId: 'tree-holding' } : piece));
  const [stand] = made3({ ...chain, pieces: held }).segments.filter((part) => part.type === 'exercise');
  expect(stand).toMatchObject({ dose: { kind: 'hold', holdSeconds: 30 } });
});
