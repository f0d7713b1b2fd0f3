import { noSigns, type Exercise, type Family } from '@pomek/core';

/** A new exercise of the teacher's own: an upright stand of one minute, to be changed. */
export function blankExercise(id: string, family: Family): Exercise {
  return {
    id,
    name: 'New exercise',
    family,
    summary: '',
    origin: 'own',
    posture: {
      seated: false,
      kneeBendDeg: 15,
      trunkPitchDeg: 0,
      shoulderRaiseDeg: 0,
      elbowBendDeg: 0,
      weightShare: 0.5,
      pressurePoint: null,
      stanceWidth: 1,
      ahead: 0,
      toesOutDeg: null,
      otherToesOutDeg: null,
      otherLifted: false,
      shape: null,
    },
    twoSided: false,
    handLoads: false,
    hasDirections: false,
    phases: [],
    phasesSwap: false,
    travel: null,
    swaySeconds: null,
    movements: [],
    prerequisites: [],
    wayIn: [],
    stages: [],
    signs: noSigns,
    attention: [],
    halfWay: '',
    quick: '',
    long: '',
    daily: '',
    defaultDose: {
      kind: 'hold',
      holdSeconds: 60,
      byCue: false,
      parts: [],
      restSeconds: 30,
      least: null,
      amounts: [{ side: 'both', direction: 'none', amount: 1 }],
    },
    checkpoints: [],
    easier: [],
    harder: [],
    cautions: [],
  };
}

/** A copy of an exercise that the teacher may change. */
export const copyOf = (exercise: Exercise, id: string): Exercise => ({
  ...exercise,
  id,
  name: `${exercise.name}, my way`.slice(0, 80),
  origin: 'own',
});
