import { both, bundle, cycle, hold, routineOf, sides } from './faulty-routine';

const person = (id: string, name: string, change: object) => ({
  id,
  name,
  birthYear: 1990,
  practiceDays: [1, 2, 3, 4, 5, 6, 7],
  cautions: [],
  schoolId: 'school-soft',
  note: '',
  ...change,
});

const strand = (change: object) => ({
  id: 'strand',
  segmentId: 'fault-0',
  exerciseId: 'tree-holding',
  exerciseName: 'Holding the tree',
  family: 'standing',
  axis: 'time',
  step: 10,
  raisedOn: null,
  changedAt: null,
  clearedAt: null,
  ...change,
});

const plan = (id: string, studentId: string, routineId: string, own: object) => ({
  id,
  studentId,
  routineId,
  startsOn: '2026-02-02',
  growthPerWeek: 0.1,
  lighterEvery: 0,
  lighterCut: 0.4,
  strands: [own],
});

/** A practice of one hold, done as asked. */
const practice = (studentId: string, routineId: string, day: string, seconds: number, change: object = {}) => ({
  id: `${studentId}-${day}`,
  studentId,
  routineId,
  routineName: 'One stand',
  day,
  startedAt: `${day}T08:00:00.000Z`,
  practisedSeconds: seconds,
  source: 'conducted',
  lines: [
    {
      segmentId: 'fault-0',
      exerciseId: 'tree-holding',
      exerciseName: 'Holding the tree',
      kind: 'hold',
      side: 'both',
      direction: 'none',
      asked: { amount: 1, seconds },
      done: { amount: 1, seconds },
      alignmentKept: null,
    },
  ],
  effort: 4,
  pain: 0,
  painWhere: '',
  symptoms: [],
  shook: [],
  note: '',
  ...change,
});

/** A bundle of people as they come to a class, with a routine for each; seen on 12 March 2026. */
export const ordinaryWorld = (): string =>
  bundle({
    students: [
      person('petra', 'Petra Lund', { conditions: ['pregnancy'] }),
      person('bea', 'Bea Holm', { conditions: ['pregnancy'], schoolId: 'school-breath' }),
      person('hanna', 'Hanna Osk', { birthYear: 1955, statureCm: 155, massKg: 58, habit: 'seldom active' }),
      person('gus', 'Gus Farrow', {}),
      person('ida', 'Ida Venn', {}),
    ],
    routines: [
      routineOf('one-stand', 'One stand', [{ exerciseId: 'tree-holding', dose: hold(240, both(1)) }]),
      routineOf('short-stand', 'Short stand', [{ exerciseId: 'tree-holding', dose: hold(60, both(1)) }]),
      {
        ...routineOf('sixty-breaths', 'Sixty breaths', [
          {
            exerciseId: 'tree-holding',
            dose: {
              kind: 'breath',
              pattern: { inSeconds: 4, fullPauseSeconds: 0, outSeconds: 5, emptyPauseSeconds: 0 },
              slowing: 1,
              restSeconds: 0,
              amounts: both(60),
            },
          },
        ]),
        schoolId: 'school-breath',
      },
      routineOf('a-walk', 'A walk', [
        { exerciseId: 'heel-sole-walk', dose: cycle(6, sides(6, 6)) },
        { exerciseId: 'roll-down', dose: cycle(16, both(3)) },
      ]),
      routineOf('deep-squats', 'Deep squats', [{ exerciseId: 'squat-and-bounce', dose: cycle(3, both(27)) }]),
    ],
    plans: [
      plan(
        'petra-plan',
        'petra',
        'one-stand',
        strand({ start: 240, level: 240, target: 300, targetDay: '2026-05-04' }),
      ),
      plan('gus-plan', 'gus', 'short-stand', strand({ start: 60, level: 60, target: 120, targetDay: '2026-06-01' })),
      plan('ida-plan', 'ida', 'short-stand', strand({ start: 60, level: 60, target: 120, targetDay: '2026-06-01' })),
    ],
    logs: [
      practice('petra', 'one-stand', '2026-03-09', 180),
      practice('petra', 'one-stand', '2026-03-11', 180),
      // Away for a month, and back once.
      practice('gus', 'short-stand', '2026-02-03', 60),
      practice('gus', 'short-stand', '2026-03-10', 60),
      // Nobody asked about pain.
      practice('ida', 'short-stand', '2026-03-09', 60, { pain: null }),
      practice('ida', 'short-stand', '2026-03-11', 60, { pain: null }),
    ],
  });
