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
    { id: 'a', name: 'Open', seconds: 20, side: 'both', exerciseId: null },
    { id: 'b', name: 'Reeds', seconds: 30, side: 'left', exerciseId: null },
    { id: 'c', name: 'Heron', seconds: 40, side: 'right', exerciseId: null },
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

test('a piece that is a drill is shown by the figure where it is played, once on its side in its time', () => {
  const pieces = chain.pieces.map((piece) => (piece.id === 'b' ? { ...piece, exerciseId: 'one-hand-reeling' } : piece));
  const made = lessonRoutine({ ...chain, pieces }, lesson!, null, empty, shelf);
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
  const [stand] = lessonRoutine({ ...chain, pieces: held }, lesson!, null, empty, shelf).segments.filter(
    (part) => part.type === 'exercise',
  );
  expect(stand).toMatchObject({ dose: { kind: 'hold', holdSeconds: 30 } });
});
