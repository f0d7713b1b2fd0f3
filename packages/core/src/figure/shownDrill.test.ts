import { standardBody } from '../body';
import { cycle, eachSide, eachSideBothWays, hold, together } from '../library/describe';
import { softSchool } from '../schools';
import { segment, shelf } from '../testing/samples';
import { shownDrill, shownPose } from './shownDrill';

const shown = (id: string, dose = shelf.get(id)!.defaultDose) =>
  shownDrill(segment('a', dose, { exerciseId: id }), shelf.get(id)!, standardBody, softSchool);
const hands = (pose: ReturnType<typeof shownPose>) => [pose.arms.left.hand, pose.arms.right.hand];

test('a reeling moves through its cycle, and a hold stands', () => {
  const reel = shown('one-hand-reeling', cycle(8, eachSideBothWays(4)));
  expect(reel.moves).toBe(true);
  const [start, middle] = [0, 0.5].map((into) => hands(shownPose(reel, into, 0, 'right', 'forward')));
  expect(middle).not.toEqual(start);
  const tree = shown('tree-holding', hold(60, together(1)));
  expect(tree.moves).toBe(false);
  expect(shownPose(tree, 0.5, 0, 'both', 'none')).toEqual(shownPose(tree, 0, 0, 'both', 'none'));
});

test('the left is the mirror of the right, and a reversed circle is the same run backwards', () => {
  const reel = shown('one-hand-reeling', cycle(8, eachSideBothWays(4)));
  const right = shownPose(reel, 0.3, 0, 'right', 'forward');
  const left = shownPose(reel, 0.3, 0, 'left', 'forward');
  expect(left.arms.left.hand.y).toBeCloseTo(right.arms.right.hand.y, 9);
  expect(left.arms.left.hand.z).toBeCloseTo(-right.arms.right.hand.z, 9);
  expect(shownPose(reel, 0.3, 0, 'right', 'reversed')).toEqual(shownPose(reel, 0.7, 0, 'right', 'forward'));
});

test('a walk changes its side with each step', () => {
  const walk = shown('cat-walk', cycle(7, together(6)));
  expect(shownPose(walk, 0.4, 1, 'right', 'forward')).toEqual(shownPose(walk, 0.4, 0, 'left', 'forward'));
  expect(shownPose(walk, 0.4, 2, 'right', 'forward')).toEqual(shownPose(walk, 0.4, 0, 'right', 'forward'));
});

test('the posture is that of the segment, and no hand goes above what was said', () => {
  const exercise = shelf.get('one-hand-reeling')!;
  const deep = {
    kneeBendDeg: 50,
    weightShare: null,
    shoulderRaiseDeg: null,
    ahead: null,
    stanceWidth: null,
    stage: null,
    handOn: null,
  };
  const lower = shownDrill(
    segment('a', cycle(8, eachSide(4)), { exerciseId: exercise.id, turned: deep }),
    exercise,
    standardBody,
    softSchool,
  );
  expect(lower.settled.kneeBendDeg).toBe(50);
  for (let into = 0; into < 1; into += 0.05)
    for (const hand of hands(shownPose(lower, into, 0, 'right', 'forward')))
      expect(hand.y).toBeLessThanOrEqual(lower.highest + 0.05);
});
