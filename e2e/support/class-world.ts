const names = [
  'Ada Quill',
  'Bram Osterly',
  'Cilla Vane',
  'Dov Marlin',
  'Edda Pruitt',
  'Fenn Alder',
  'Greta Lowe',
  'Hale Imrie',
  'Iris Kettle',
  'Jory Stamp',
  'Kaia Thrupp',
  'Lorne Wick',
] as const;
/** Twelve people who do not exist. */
export const twelve: readonly string[] = names;

const hold = (holdSeconds: number) => ({
  kind: 'hold',
  holdSeconds,
  restSeconds: 0,
  amounts: [{ side: 'both', direction: 'none', amount: 1 }],
});
const segment = (exerciseId: string, dose: unknown) => ({
  type: 'exercise',
  id: `class-${exerciseId}`,
  exerciseId,
  dose,
  sideOrder: 'whole',
});

/** A bundle of so many students and a routine of two stands: two minutes and one. */
export function classWorld(count: number): string {
  const contents = {
    schools: [],
    exercises: [],
    routines: [
      {
        id: 'two-stands',
        name: 'Two stands',
        note: '',
        schoolId: 'school-soft',
        settleSeconds: 5,
        changeSeconds: 5,
        segments: [segment('tree-holding', hold(120)), segment('neutral-stance', hold(60))],
      },
    ],
    students: names.slice(0, count).map((name, index) => ({
      id: `person-${index + 1}`,
      name,
      birthYear: 1980,
      practiceDays: [1],
      cautions: [],
      schoolId: 'school-soft',
      note: '',
    })),
    plans: [],
    logs: [],
    decisions: [],
  };
  return JSON.stringify({ format: 'pomek bundle', version: 3, writtenAt: '2026-03-02T09:00:00.000Z', contents });
}
