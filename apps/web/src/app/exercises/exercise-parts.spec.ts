import {
  ExerciseSchema,
  builtInExercises,
  doseGivenAs,
  doseGivings,
  families,
  sidesOf,
  type Exercise,
} from '@pomek/core';
import { blankExercise, copyOf } from './own-exercise';
import { postureFacts } from './posture-facts';

const of = (id: string): Exercise => builtInExercises.find((exercise) => exercise.id === id)!;
const fact = (exercise: Exercise, name: string) =>
  postureFacts(exercise.posture).find((entry) => entry.name === name)?.value;

describe('an exercise of one’s own', () => {
  test('a blank one of any family is whole at once', () => {
    for (const family of families) expect(ExerciseSchema.safeParse(blankExercise('x', family)).success).toBe(true);
  });

  test('a copy is whole, own, and named after the first', () => {
    for (const exercise of builtInExercises) {
      const copy = copyOf(exercise, 'new');
      expect(ExerciseSchema.safeParse(copy).success).toBe(true);
      expect(copy).toMatchObject({ id: 'new', origin: 'own', name: `${exercise.name}, my way` });
    }
  });
});

describe('posture facts', () => {
  test('carry their unit', () => {
    const tree = of('tree-holding');
    expect(fact(tree, 'Knee bend')).toBe('30°');
    expect(fact(tree, 'Arms')).toBe('raised 45°');
    expect(fact(tree, 'Weight')).toBe('even');
    expect(fact(tree, 'Pressure')).toBe('as the school has it');
    expect(fact(of('bow-stand'), 'Weight')).toBe('70 % on the working leg');
    expect(fact(of('heel-lifts'), 'Pressure')).toBe('72 % from the heel');
  });

  test('a seated posture has no weight between the feet', () => {
    const seated = of('hip-stretch');
    expect(fact(seated, 'Stance')).toBe('seated');
    expect(fact(seated, 'Weight')).toBeUndefined();
    expect(fact(seated, 'Trunk')).toBe('25° forward');
  });
});

describe('a dose reshaped', () => {
  const reeling = of('one-hand-reeling').defaultDose;

  test('rows follow sides and directions and keep the largest amount', () => {
    expect(sidesOf(reeling, true, false).amounts).toEqual([
      { side: 'left', direction: 'none', amount: 8 },
      { side: 'right', direction: 'none', amount: 8 },
    ]);
    expect(sidesOf(reeling, false, true).amounts.map((row) => row.direction)).toEqual(['forward', 'reversed']);
    expect(sidesOf(reeling, true, true).amounts).toHaveLength(4);
    expect(sidesOf(of('tree-holding').defaultDose, false, false).amounts).toHaveLength(1);
  });

  test('an exercise given another way is whole', () => {
    for (const way of doseGivings) {
      const defaultDose = doseGivenAs(of('tree-holding').defaultDose, way);
      expect(ExerciseSchema.safeParse({ ...blankExercise('x', 'standing'), defaultDose }).success).toBe(true);
    }
  });
});
