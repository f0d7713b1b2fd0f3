import type { HandsTested } from '../practice/handsTest';
import type { PainPlace } from '../practice/painPlace';
import type { Axis } from '../axis/axis';
import type { Routine } from '../routine/routine';
import type { Condition } from '../screening/conditions';
import { softSchool, strictSchool } from '../schools/builtInSchools';
import { chairRoutine, longStandRoutine, morningRoutine, reelingRoutine } from './demoRoutines';
import type { Random } from '../random/seededRandom';

/** What one line of a practice came to. */
export interface Outcome {
  readonly share: number;
  readonly kept: number | null;
}

export interface Habit {
  /** Chance of practising on a practice day. */
  readonly attendance: number;
  /** Effort noted, before chance moves it by one. */
  readonly effort: number;
  readonly away?: (day: number) => boolean;
  readonly line?: (exerciseId: string, side: string, day: number, random: Random) => Outcome;
  /** What hands found of the stand on a day of the plan. */
  readonly hands?: (day: number) => readonly HandsTested[];
  readonly pain?: (day: number) => { readonly pain: number; readonly where: string; readonly place: PainPlace } | null;
}

export interface Part {
  readonly name: string;
  readonly age: number | null;
  /** Stature in cm and mass in kg; null when nobody measured. */
  readonly size: readonly [statureCm: number, massKg: number] | null;
  readonly conditions?: readonly Condition[];
  /** The baseline: seconds held in the test stance, and what stopped it. */
  readonly baseline?: readonly [seconds: number, stoppedBy: 'legs' | 'arms'];
  readonly practiceDays: readonly number[];
  readonly cautions: readonly string[];
  readonly note: string;
  readonly schoolId: string;
  readonly routine: Routine;
  /** Exercise, axis and target of each strand. */
  readonly strands: readonly (readonly [exerciseId: string, axis: Axis, target: number])[];
  /** How many days ago the plan began. */
  readonly since: number;
  readonly habit: Habit;
}

const full: Outcome = { share: 1, kept: null };

/** The cast of the demo: ten people who do not exist. `day` counts from the start of the plan. */
export const demoParts: readonly Part[] = [
  {
    name: 'Orsolya Venn',
    age: 41,
    size: [168, 66],
    baseline: [210, 'legs'],
    practiceDays: [1, 3, 5, 6],
    cautions: [],
    schoolId: softSchool.id,
    note: 'Steady. Came for her back, stayed for the reeling.',
    routine: reelingRoutine,
    since: 84,
    strands: [
      ['one-hand-reeling', 'repetitions', 20],
      ['empty-full', 'time', 40],
    ],
    habit: { attendance: 0.92, effort: 4 },
  },
  {
    name: 'Tamsin Okello',
    age: 34,
    size: [174, 70],
    baseline: [260, 'legs'],
    practiceDays: [1, 2, 4, 6],
    cautions: [],
    schoolId: softSchool.id,
    note: 'Away for two and a half weeks in the middle of the term.',
    routine: morningRoutine,
    since: 84,
    strands: [
      ['tree-holding', 'time', 150],
      ['opening-closing', 'breaths', 18],
    ],
    habit: { attendance: 0.9, effort: 5, away: (day) => day >= 40 && day < 58 },
  },
  {
    name: 'Bertil Anquist',
    age: 58,
    size: [181, 92],
    conditions: ['knee pain'],
    baseline: [120, 'legs'],
    practiceDays: [2, 4, 7],
    cautions: ['Right knee: sore after long stands; higher stance'],
    schoolId: softSchool.id,
    note: 'Was told to keep to the higher stance and tends to forget it.',
    routine: reelingRoutine,
    since: 84,
    strands: [
      ['one-hand-reeling', 'repetitions', 12],
      ['shift-and-turn', 'repetitions', 16],
    ],
    habit: {
      attendance: 0.88,
      effort: 5,
      pain: (day) =>
        day >= 79
          ? { pain: 5, where: 'right knee', place: 'knee' }
          : day >= 70
            ? { pain: 2, where: 'right knee', place: 'knee' }
            : null,
    },
  },
  {
    name: 'Ilse Marrowby',
    age: 47,
    size: [163, 58],
    baseline: [190, 'legs'],
    practiceDays: [1, 3, 5],
    cautions: [],
    schoolId: softSchool.id,
    note: 'Left side always comes up short on one leg.',
    routine: reelingRoutine,
    since: 84,
    strands: [
      ['empty-full', 'time', 60],
      ['two-hand-reeling', 'repetitions', 12],
    ],
    habit: {
      attendance: 0.9,
      effort: 6,
      line: (exercise, side, _day, random) =>
        exercise === 'empty-full' && side === 'left' ? { share: 0.72 + 0.2 * random(), kept: null } : full,
    },
  },
  {
    name: 'Caspian Roe',
    age: 29,
    size: [186, 80],
    baseline: [240, 'arms'],
    practiceDays: [1, 2, 3, 4, 5],
    cautions: [],
    schoolId: strictSchool.id,
    note: 'Strong legs; the arms come down long before they tire.',
    routine: longStandRoutine,
    since: 84,
    strands: [
      ['tree-holding', 'time', 600],
      ['wide-rider', 'time', 120],
      ['wide-rider', 'bend', 45],
    ],
    habit: {
      attendance: 0.85,
      effort: 7,
      line: (exercise, _side, _day, random) =>
        exercise === 'tree-holding' && random() < 0.55 ? { share: 1, kept: 0.55 + 0.3 * random() } : full,
    },
  },
  {
    name: 'Dagny Pellew',
    age: 38,
    size: [171, 63],
    baseline: [380, 'legs'],
    practiceDays: [1, 2, 3, 4, 5, 6, 7],
    cautions: [],
    schoolId: strictSchool.id,
    note: 'Does twice what is asked, and pays for it on Thursdays.',
    routine: longStandRoutine,
    since: 84,
    strands: [
      ['tree-holding', 'time', 420],
      ['bow-stand', 'time', 90],
      ['squat-and-bounce', 'repetitions', 36],
    ],
    habit: {
      // Her teacher leans on the tree every other week: the push came through first, the arm is still held up.
      hands: (day) =>
        day % 14 !== 2
          ? []
          : [
              { test: 'push', outcome: day < 30 ? 'not yet' : 'good', exerciseId: 'tree-holding' },
              { test: 'let fall', outcome: day < 30 ? 'not yet' : 'partly', exerciseId: 'tree-holding' },
            ],
      attendance: 0.97,
      effort: 8,
      line: (_exercise, _side, _day, random) => ({ share: 1.2 + 0.8 * random(), kept: null }),
    },
  },
  {
    name: 'Pim Halloran',
    age: 26,
    size: null,
    practiceDays: [2, 5, 7],
    cautions: [],
    schoolId: softSchool.id,
    note: 'Second week.',
    routine: morningRoutine,
    since: 11,
    strands: [['tree-holding', 'time', 120]],
    habit: { attendance: 1, effort: 5 },
  },
  {
    name: 'Mireille Sand',
    age: 71,
    size: [159, 61],
    conditions: ['high blood pressure', 'poor balance'],
    baseline: [105, 'legs'],
    practiceDays: [1, 2, 4, 5, 6],
    cautions: ['Chair within reach', 'No held breath: blood pressure'],
    schoolId: softSchool.id,
    note: 'Practises more regularly than anyone.',
    routine: chairRoutine,
    since: 84,
    strands: [
      ['demo-lantern-walk', 'repetitions', 10],
      ['belly-breathing', 'breaths', 30],
      ['heel-lifts', 'repetitions', 24],
    ],
    habit: { attendance: 0.95, effort: 4 },
  },
  {
    name: 'Joaquim Tarr',
    age: 66,
    size: [172, 84],
    conditions: ['shoulder pain'],
    baseline: [95, 'arms'],
    practiceDays: [1, 4],
    cautions: ['Left shoulder: arms no higher than the chest'],
    schoolId: softSchool.id,
    note: 'Sits down when tired, begins again, and is right to.',
    routine: chairRoutine,
    since: 70,
    strands: [
      ['belly-breathing', 'breaths', 20],
      ['demo-lantern-walk', 'repetitions', 9],
    ],
    habit: {
      attendance: 0.7,
      effort: 5,
      line: (_exercise, _side, _day, random) => (random() < 0.3 ? { share: 0.6, kept: null } : full),
    },
  },
  {
    name: 'Wilhelmina Frost',
    age: null,
    size: null,
    practiceDays: [3, 6],
    cautions: [],
    schoolId: softSchool.id,
    note: 'Has not been seen for a while.',
    routine: morningRoutine,
    since: 63,
    strands: [['tree-holding', 'time', 120]],
    habit: { attendance: 0.9, effort: 4, away: (day) => day > 42 },
  },
];
