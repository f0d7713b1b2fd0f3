export interface Part {
  readonly exerciseId: string;
  readonly dose: Record<string, unknown>;
  readonly turned?: Record<string, number>;
}

export const both = (amount: number) => [{ side: 'both', direction: 'none', amount }];
export const sides = (left: number, right: number) => [
  { side: 'left', direction: 'none', amount: left },
  { side: 'right', direction: 'none', amount: right },
];
export const hold = (holdSeconds: number, amounts: unknown) => ({
  kind: 'hold',
  holdSeconds,
  restSeconds: 10,
  amounts,
});
export const cycle = (cycleSeconds: number, amounts: unknown) => ({
  kind: 'cycle',
  cycleSeconds,
  restSeconds: 0,
  amounts,
});

/** One of each fault a routine can have, for a person of seventy with high blood pressure. */
const parts: readonly Part[] = [
  { exerciseId: 'tree-holding', dose: hold(60, both(1)), turned: { kneeBendDeg: 70 } },
  { exerciseId: 'wide-rider', dose: hold(600, both(1)) },
  { exerciseId: 'squat-and-bounce', dose: cycle(3, both(27)) },
  { exerciseId: 'bow-stand', dose: hold(20, [{ side: 'left', direction: 'none', amount: 1 }]), turned: { ahead: 5 } },
  { exerciseId: 'empty-full', dose: hold(60, sides(2, 1)) },
  { exerciseId: 'neutral-stance', dose: hold(30, both(0)) },
  {
    exerciseId: 'belly-breathing',
    dose: {
      kind: 'breath',
      pattern: { inSeconds: 8, fullPauseSeconds: 8, outSeconds: 8, emptyPauseSeconds: 8 },
      slowing: 1,
      restSeconds: 0,
      amounts: both(12),
    },
  },
  { exerciseId: 'cloud-steps', dose: cycle(4, sides(2, 2)) },
  { exerciseId: 'low-lantern', dose: hold(300, both(1)), turned: { shoulderRaiseDeg: 90, kneeBendDeg: 5 } },
  { exerciseId: 'cat-walk', dose: cycle(6, sides(20, 20)) },
];

const segmentOf = ({ exerciseId, dose, turned }: Part, index: number) => ({
  type: 'exercise',
  id: `fault-${index}`,
  exerciseId,
  dose,
  sideOrder: 'whole',
  turned:
    turned === undefined
      ? null
      : { kneeBendDeg: null, weightShare: null, shoulderRaiseDeg: null, ahead: null, ...turned },
});

export const routineOf = (id: string, name: string, list: readonly Part[]) => ({
  id,
  name,
  note: '',
  schoolId: 'school-soft',
  settleSeconds: 5,
  changeSeconds: 5,
  segments: list.map(segmentOf),
  room: { width: 4, depth: 4 },
});

export function bundle(change: Record<string, readonly unknown[]>): string {
  const kinds = ['schools', 'exercises', 'students', 'plans', 'logs', 'decisions', 'measures', 'chains', 'corrections'];
  const contents = { ...Object.fromEntries(kinds.map((kind) => [kind, []])), ...change };
  return JSON.stringify({ format: 'pomek bundle', version: 1, writtenAt: '2026-03-02T09:00:00.000Z', contents });
}

/** A bundle with a routine that has everything wrong with it. */
export const faultyRoutine = (): string => bundle({ routines: [routineOf('faulty', 'Everything wrong', parts)] });

/** What each condition rules out, as the findings say it of the routine below. */
export const ruledOut: readonly (readonly [condition: string, asks: string])[] = [
  ['pregnancy', 'a bend of 60°'],
  ['high blood pressure', 'a breath held for 4 s'],
  ['heart condition', 'effort'],
  ['raised eye pressure', 'a breath held for 4 s'],
  ['breathing condition', '3.8 breaths a minute'],
  ['knee pain', 'going down and up on the knees'],
  ['low back pain', '600 s in one stand'],
  ['shoulder pain', 'arms above the chest'],
  ['poor balance', 'a foot off the floor'],
  ['dizziness or vertigo', 'a foot off the floor'],
  ['osteoporosis', 'for bouncing'],
  ['hip or knee joint replaced', 'a bend of 60°'],
];
export const ownLimit = 'new lenses';

/** A bundle with a student for each condition, one for a limit of the teacher's own, and a routine that asks too much of each. */
export function conditionsWorld(): string {
  const person = (name: string, change: object) => ({
    id: `has-${name.replaceAll(' ', '-')}`,
    name: `With ${name}`,
    birthYear: 1980,
    practiceDays: [1],
    cautions: [],
    schoolId: 'school-soft',
    note: '',
    ...change,
  });
  return bundle({
    students: [
      ...ruledOut.map(([condition]) => person(condition, { conditions: [condition] })),
      person(ownLimit, { ownLimits: [{ id: 'own', words: ownLimit, noLift: true, armsDeg: 30 }] }),
    ],
    routines: [
      routineOf('too-much', 'Too much', [
        { exerciseId: 'tree-holding', dose: hold(600, both(1)), turned: { kneeBendDeg: 60, shoulderRaiseDeg: 80 } },
        { exerciseId: 'squat-and-bounce', dose: cycle(3, both(9)) },
        { exerciseId: 'empty-full', dose: hold(30, sides(1, 1)) },
        {
          exerciseId: 'belly-breathing',
          dose: {
            kind: 'breath',
            pattern: { inSeconds: 4, fullPauseSeconds: 4, outSeconds: 4, emptyPauseSeconds: 4 },
            slowing: 1,
            restSeconds: 0,
            amounts: both(6),
          },
        },
      ]),
    ],
  });
}
