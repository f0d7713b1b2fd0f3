import { standardBody } from '../body';
import { cycleLoads } from '../endurance/drillLoads';
import { shownDrill, shownPose } from '../figure/shownDrill';
import { settlePosture } from '../schools/conventions';
import { softSchool } from '../schools';
import { spokenExercise } from '../schools/spokenLine';
import { builtInExercises } from './builtInExercises';
import { ExerciseSchema, type Exercise } from './exercise';
import { stagedDrill } from './stagedDrill';
import { plainStage, StageSchema, type Stage } from './teaching';
import { newSegment } from '../routine/commands';
import { withStage } from '../routine/stageDose';
import { segmentDrill } from '../routine/turned';

const drill = (id: string): Exercise => builtInExercises.find((exercise) => exercise.id === id)!;
const staged = (id: string, name: string): Exercise => {
  const exercise = drill(id);
  return stagedDrill(
    exercise,
    exercise.stages.find((stage) => stage.name === name)!,
  );
};
const segmentIn = (id: string, number: number | null) =>
  withStage(newSegment('a', drill(id), softSchool), drill(id), number);
/** Moments of a movement as the figure stands in them. */
const poses = (id: string, number: number | null) => {
  const shown = shownDrill(segmentIn(id, number), drill(id), standardBody, softSchool);
  return Array.from({ length: 16 }, (_, at) => shownPose(shown, at / 16, 0, 'right', 'forward'));
};
const spread = (values: readonly number[]): number => Math.max(...values) - Math.min(...values);

test('a stage that was written before it could change anything is the whole drill', () => {
  expect(StageSchema.parse({ name: 'Old', words: 'As it was.' })).toEqual({
    ...plainStage,
    name: 'Old',
    words: 'As it was.',
  });
  const exercise = drill('cloud-steps');
  expect(stagedDrill(exercise, plainStage).phases).toEqual(exercise.phases);
});

test('arm only: the legs stand, the hand goes round, and only the hand is told', () => {
  const { phases } = spokenExercise(staged('one-hand-reeling', 'Arm only'), softSchool, 'right');
  expect(phases.map(({ name }) => name)).toEqual([
    'The palm presses down to belly height',
    'The palm turns up and comes to the centre',
    'The palm lifts on the centre line to the neck',
    'The arm opens',
  ]);
  const [still, whole] = [poses('one-hand-reeling', 1), poses('one-hand-reeling', null)];
  expect(spread(still.map(({ pelvis }) => pelvis.z))).toBeLessThan(0.01);
  expect(spread(whole.map(({ pelvis }) => pelvis.z))).toBeGreaterThan(0.05);
  expect(spread(still.map(({ arms }) => arms.right.hand.y))).toBeGreaterThan(0.3);
});

test('turn only has two counts, the weight even and both hands on the hips', () => {
  const turn = staged('one-hand-reeling', 'Turn only');
  expect(turn.phases.map(({ name, share }) => [name, share])).toEqual([
    ['Turn {turner} to the {other} side, knees still', 0.5],
    ['Turn {turner} to the {working} corner, knees still', 0.5],
  ]);
  expect(turn.phases.every(({ end }) => end!.weight === 0.5 && end!.hand === null)).toBe(true);
  expect(turn.phases.every(({ end }) => end!.shape?.arm?.on === 'hip' && end!.shape.otherArm?.on === 'hip')).toBe(true);
});

test('shift only leaves out the turns, legs alone the hands', () => {
  expect(staged('shift-and-turn', 'Shift only').phases.map(({ end }) => end!.turnDeg)).toEqual([0, 0]);
  const legs = staged('cloud-steps', 'Feet alone');
  expect(legs.phases[0]!.name).toBe('Step {working}, ball first, empty');
  expect(legs.phases.every(({ end }) => end!.hand === null && end!.otherHand === null)).toBe(true);
  expect(legs.phases.map(({ end }) => end!.lifted)).toEqual(drill('cloud-steps').phases.map(({ end }) => end!.lifted));
});

test('stop and start: each part is followed by a stop in which nothing moves', () => {
  const stopping = staged('one-hand-reeling', 'Stop and start');
  expect(stopping.phases.map(({ name }) => name).filter((name) => name === 'Stop')).toHaveLength(4);
  expect(stopping.phases.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1);
  expect(stopping.phases[1]).toMatchObject({ end: stopping.phases[0]!.end, via: [], points: [] });
});

test('one hand: the other rests, its words are left out, and it is done with each', () => {
  const exercise = drill('two-hand-reeling');
  const segment = segmentIn('two-hand-reeling', 1);
  expect(segment.dose.amounts.map(({ side }) => side)).toEqual(['left', 'left', 'right', 'right']);
  const said = spokenExercise(segmentDrill(segment, exercise), softSchool, 'left');
  expect(said.phases[0]!.name).toMatch(/; the left palm presses down$/);
  expect(said.phases.map(({ end }) => end!.otherHand)).toEqual([null, null, null, null]);
  // And both together again in the next.
  expect(withStage(segment, exercise, 3).dose).toEqual(newSegment('a', exercise, softSchool).dose);
});

test('reversed is counted the other way round only, and both again afterwards', () => {
  const exercise = drill('one-hand-reeling');
  const before = newSegment('a', exercise, softSchool);
  const reversed = withStage(before, exercise, 6);
  expect(reversed.dose.amounts.map(({ direction, amount }) => `${direction} ${amount}`)).toEqual([
    'forward 0',
    'reversed 8',
    'forward 0',
    'reversed 8',
  ]);
  expect(withStage(reversed, exercise, 6)).toEqual(reversed);
  expect(withStage(reversed, exercise, null)).toEqual(before);
});

test('a stage of a breath has its own pace', () => {
  const segment = segmentIn('four-part-breath', 2);
  expect(segment.dose).toMatchObject({ pattern: { fullPauseSeconds: 0, emptyPauseSeconds: 2 } });
});

test('a stage has its place for the attention, its posture and the regions that are looked at', () => {
  expect(staged('staged-sitting', 'Belly').attention).toEqual(['the belly']);
  expect(staged('tree-holding', 'Legs alone').posture).toMatchObject({ shoulderRaiseDeg: 0, kneeBendDeg: 30 });
  expect(staged('empty-full', 'Across and back').posture).toMatchObject({ otherLifted: false, weightShare: 0.9 });
});

test('on one leg the squat asks of that leg what the whole body weighs', () => {
  const kneeOf = (number: number | null): number => {
    const segment = segmentIn('squat-and-bounce', number);
    const shown = segmentDrill(segment, drill('squat-and-bounce'));
    const loads = cycleLoads(standardBody, shown, settlePosture(shown.posture, softSchool), softSchool);
    return Math.max(...loads.map(({ working }) => working.kneeNm));
  };
  // Twice the weight on the foot; the shank and foot below the knee are carried once in both, so it is somewhat more: mechanics.
  const times = kneeOf(5) / kneeOf(2);
  expect(times).toBeGreaterThan(2);
  expect(times).toBeLessThan(2.4);
});

test('half as far is half as far', () => {
  const [half, whole] = [staged('step-and-return', 'Half the distance'), drill('step-and-return')];
  expect(half.phases[0]!.end!.ahead).toBeCloseTo(whole.phases[0]!.end!.ahead! / 2);
});

test('every stage is a drill that can be kept, played and told, in words of what moves', () => {
  for (const exercise of builtInExercises) {
    exercise.stages.forEach((stage: Stage) => {
      const done = stagedDrill(exercise, stage);
      const parsed = ExerciseSchema.safeParse({
        ...done,
        defaultDose: drill(exercise.id).defaultDose,
        twoSided: exercise.twoSided,
      });
      // Where the arms are learned by themselves they move while the body stands.
      const issues = (parsed.error?.issues ?? []).filter(
        ({ message }) => stage.moves !== 'arms' || !message.endsWith('body stops, hand stops'),
      );
      expect([exercise.id, stage.name, issues]).toEqual([exercise.id, stage.name, []]);
      const words = done.phases.flatMap(({ name, reversed }) => [name, reversed]).filter((line) => line !== '');
      const told = words.filter((line) => line !== 'Stop').join(' ');
      if (stage.moves === 'legs' || stage.moves === 'shift' || stage.moves === 'turn')
        expect([exercise.id, stage.name, told]).not.toEqual([
          exercise.id,
          stage.name,
          expect.stringMatching(/palm|hand|arm/i),
        ]);
      if (stage.moves === 'arms')
        expect([exercise.id, stage.name, told]).not.toEqual([
          exercise.id,
          stage.name,
          expect.stringMatching(/weight|shift|leg|step/i),
        ]);
    });
  }
});

test('each stage of what is learned in stages has the sign that it is there', () => {
  const learned = new Set(['standing', 'reeling', 'breathing', 'stepping', 'strength']);
  for (const { id, stages } of builtInExercises.filter((exercise) => learned.has(exercise.family)))
    for (const { name, next } of stages) expect([id, name, next]).not.toEqual([id, name, '']);
});
