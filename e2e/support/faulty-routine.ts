interface Part {
  readonly exerciseId: string;
  readonly dose: Record<string, unknown>;
  readonly turned?: Record<string, number>;
}

const both = (amount: number) => [{ side: 'both', direction: 'none', amount }];
const sides = (left: number, right: number) => [
  { side: 'left', direction: 'none', amount: left },
  { side: 'right', direction: 'none', amount: right },
];
const hold = (holdSeconds: number, amounts: unknown) => ({ kind: 'hold', holdSeconds, restSeconds: 10, amounts });
const cycle = (cycleSeconds: number, amounts: unknown) => ({ kind: 'cycle', cycleSeconds, restSeconds: 0, amounts });

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

/** A bundle with a routine that has everything wrong with it. */
export function faultyRoutine(): string {
  const segments = parts.map(({ exerciseId, dose, turned }, index) => ({
    type: 'exercise',
    id: `fault-${index}`,
    exerciseId,
    dose,
    sideOrder: 'whole',
    turned:
      turned === undefined
        ? null
        : { kneeBendDeg: null, weightShare: null, shoulderRaiseDeg: null, ahead: null, ...turned },
  }));
  const routine = {
    id: 'faulty',
    name: 'Everything wrong',
    note: '',
    schoolId: 'school-soft',
    settleSeconds: 5,
    changeSeconds: 5,
    segments,
    room: { width: 4, depth: 4 },
  };
  const kinds = ['schools', 'exercises', 'students', 'plans', 'logs', 'decisions', 'measures', 'chains', 'corrections'];
  const contents = { ...Object.fromEntries(kinds.map((kind) => [kind, []])), routines: [routine] };
  return JSON.stringify({ format: 'pomek bundle', version: 1, writtenAt: '2026-03-02T09:00:00.000Z', contents });
}
