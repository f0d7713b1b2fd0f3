import { sidesLedger, timeline } from '../routine';
import { routine, segment, shelf } from '../testing/samples';
import {
  addUp,
  builtInExercises,
  evenedParts,
  ExerciseSchema,
  families,
  MOST_PARTS,
  searchExercises,
  withNewPart,
  withoutPart,
  type Phase,
} from '.';

test('at least 28 exercises, all valid, over the seven families', () => {
  expect(builtInExercises.length).toBeGreaterThanOrEqual(28);
  for (const exercise of builtInExercises) expect(ExerciseSchema.safeParse(exercise)).toMatchObject({ success: true });
  expect(new Set(builtInExercises.map((exercise) => exercise.family))).toEqual(new Set(families));
  expect(shelf.size).toBe(builtInExercises.length);
});

const dose = (id: string) => shelf.get(id)!.defaultDose;
const seconds = (id: string): number => timeline(routine([segment('a', dose(id))])).totalMs / 1000;

test('default doses are those of the trade (common practice)', () => {
  expect(seconds('tree-holding')).toBe(60);
  expect(sidesLedger(routine([segment('a', dose('one-hand-reeling'))])).left.seconds).toBeCloseTo(180, -1);
  expect(dose('one-hand-reeling').amounts.every((row) => [8, 16].includes(row.amount))).toBe(true);
  expect(dose('squat-and-bounce').amounts).toEqual([{ side: 'both', direction: 'none', amount: 27 }]);
  expect(dose('cloud-steps').amounts.map((row) => row.amount)).toEqual([3, 3]);
  expect(dose('rub-down').amounts.map((row) => row.amount)).toEqual([3, 3]);
  expect(dose('empty-full')).toMatchObject({ kind: 'hold', holdSeconds: 30 });
  expect(seconds('belly-breathing')).toBe(180);
});

test('every exercise that bends a loaded knee warns of the knees, and every held breath of its dangers', () => {
  for (const exercise of builtInExercises) {
    const { posture, defaultDose } = exercise;
    const loaded = !posture.seated && posture.kneeBendDeg >= 30;
    if (loaded) expect(`${exercise.id} ${exercise.cautions.join(' ')}`).toMatch(/Knees|never go lower/);
    const paused = defaultDose.kind === 'breath' && defaultDose.pattern.fullPauseSeconds > 0;
    if (paused) expect(exercise.cautions.join(' ')).toMatch(/held breath/);
  }
});

test('search finds by name first, by family and region after, and within a family', () => {
  expect(searchExercises(builtInExercises, 'TREE')[0]!.id).toBe('tree-holding');
  expect(searchExercises(builtInExercises, 'silk reel').map((exercise) => exercise.family)).toContain('reeling');
  expect(searchExercises(builtInExercises, '', 'closing')).toHaveLength(6);
  expect(searchExercises(builtInExercises, 'zzz')).toEqual([]);
});

test('a wrong exercise is refused with the path of the field', () => {
  const tree = shelf.get('tree-holding')!;
  const paths = (value: unknown) => ExerciseSchema.safeParse(value).error?.issues.map((issue) => issue.path.join('.'));
  expect(paths({ ...tree, name: ' ' })).toEqual(['name']);
  expect(paths({ ...tree, posture: { ...tree.posture, kneeBendDeg: 151 } })).toEqual(['posture.kneeBendDeg']);
  expect(paths({ ...tree, twoSided: true })).toEqual(['defaultDose.amounts.0.side']);
  expect(paths({ ...tree, phases: [{ name: 'x', share: 0.4, breath: 'in' }] })).toEqual(['phases']);
});

test('what is looked at in a part is a checkpoint of its drill', () => {
  for (const { id, phases, checkpoints } of builtInExercises) {
    const known = checkpoints.map((point) => point.id);
    expect([id, phases.flatMap(({ points }) => points).filter((point) => !known.includes(point))]).toEqual([id, []]);
  }
});

describe('the parts of a cycle', () => {
  const part = (name: string, share: number): Phase => ({
    name,
    share,
    breath: 'free',
    reversed: '',
    call: '',
    callReversed: '',
    heldBreaths: 0,
    end: null,
    via: [],
    points: [],
  });

  test('one more is as long as the others are on average, one less leaves its time to them', () => {
    const two = [part('a', 0.25), part('b', 0.75)];
    const three = withNewPart(two);
    [1 / 6, 1 / 2, 1 / 3].forEach((share, at) => expect(three[at]!.share).toBeCloseTo(share, 9));
    [0.25, 0.75].forEach((share, at) => expect(withoutPart(three, 2)[at]!.share).toBeCloseTo(share, 9));
    expect(withNewPart([]).map(({ name, share }) => [name, share])).toEqual([['Part 1', 1]]);
    const full = Array.from({ length: MOST_PARTS }, (_, index) => part(`${index}`, 1 / MOST_PARTS));
    expect(withNewPart(full)).toEqual(full);
  });

  test('what does not add up is told, and evened in proportion', () => {
    const odd = [part('a', 0.2), part('b', 0.6)];
    expect([addUp(odd), addUp(evenedParts(odd)), addUp([])]).toEqual([false, true, true]);
    expect(evenedParts(odd)[1]!.share).toBeCloseTo(0.75, 9);
  });
});
