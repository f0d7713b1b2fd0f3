import { bodyOf } from '../body';
import { routineEffort } from '../endurance';
import { cycle, eachSide, eachSideBothWays, hold, timed, together } from '../library/describe';
import type { Dose } from '../library/dose';
import { newSegment, newRoutine, turnedBy, type Turned } from '../routine';
import { builtInSchools, type School } from '../schools';
import { capacityOfStudent, newStudent, type Student } from '../students';
import { shelf } from '../testing/samples';
import { routineFindings, type FindingPerson } from '.';

/** Who ordinarily does what (common practice; norms where they are named): what is ordinary draws no doubt, what is to be said draws one. */

interface Body {
  readonly age: number;
  readonly cm: number;
  readonly kg: number;
  readonly habit: Student['habit'];
}
interface Given {
  readonly exercise: string;
  readonly dose: Dose;
  readonly turned?: Partial<Turned>;
}
const of = (exercise: string, dose: Dose, turned: Partial<Turned> = {}): Given => ({ exercise, dose, turned });
const minutes = (count: number): number => 60 * count;
const high = { kneeBendDeg: 15 };
const handOn = { handOn: true } as const;

const neutral = (seconds: number) => of('neutral-stance', hold(seconds, together(1)));
const tree = (seconds: number, turned: Partial<Turned> = {}) => of('tree-holding', hold(seconds, together(1)), turned);
const oneLeg = (seconds: number, turned: Partial<Turned> = {}) => of('empty-full', hold(seconds, eachSide(1)), turned);
const bow = (seconds: number, turned: Partial<Turned> = {}) => of('bow-stand', hold(seconds, eachSide(1)), turned);
const rider = (seconds: number, kneeBendDeg: number) => of('wide-rider', hold(seconds, together(1)), { kneeBendDeg });
const reeling = (count: number, turned: Partial<Turned> = {}) =>
  of('one-hand-reeling', cycle(11, eachSideBothWays(count)), turned);
const reelingFor = (seconds: number, turned: Partial<Turned> = {}) =>
  of('one-hand-reeling', timed(seconds, 11, eachSide(1)), turned);
const clouds = (seconds: number, turned: Partial<Turned> = {}) =>
  of('cloud-steps', timed(seconds / 2, 8, eachSide(1)), turned);
const walk = (seconds: number) => of('heel-sole-walk', timed(seconds / 2, 4, eachSide(1)));
const steps = (count: number) => of('heel-sole-walk', cycle(4, eachSide(count / 2)));
const squats = (count: number, kneeBendDeg = 50) => of('squat-and-bounce', cycle(3, together(count)), { kneeBendDeg });
const lifts = (count: number, turned: Partial<Turned> = {}) => of('heel-lifts', cycle(6, together(count)), turned);
const rolls = (count: number) => of('roll-down', cycle(20, together(count)));
const swings = (seconds: number) => of('arm-swings', timed(seconds, 3, together(1)));
const legSwings = (count: number) => of('leg-swings', cycle(2, eachSide(count)), handOn);
const seated = ['four-part-breath', 'slowing-breath', 'face-to-feet', 'hip-stretch'].map((id) =>
  of(id, shelf.get(id)!.defaultDose),
);
const fourDrills = ['shift-and-turn', 'one-hand-reeling', 'two-hand-reeling', 'cloud-hands-in-place'];

interface Row {
  readonly name: string;
  readonly bodies: readonly Body[];
  readonly ordinary: readonly Given[];
  readonly said: readonly Given[];
}
const body = (age: number, cm: number, kg: number, habit: Student['habit']): Body => ({ age, cm, kg, habit });

const rows: readonly Row[] = [
  {
    name: '18–59, active or trained',
    bodies: [
      body(18, 165, 55, 'active'),
      body(25, 180, 75, 'trained'),
      body(25, 195, 100, 'trained'),
      body(40, 170, 70, 'active'),
      body(45, 150, 48, 'active'),
      body(59, 162, 60, 'active'),
    ],
    ordinary: [
      neutral(minutes(10)),
      tree(60),
      tree(minutes(3)),
      oneLeg(30),
      oneLeg(60),
      bow(60),
      rider(60, 35),
      reeling(8),
      reeling(16),
      reelingFor(minutes(3)),
      clouds(minutes(5)),
      walk(minutes(5)),
      squats(27),
      lifts(30),
      rolls(5),
      swings(minutes(3)),
      ...seated,
    ],
    said: [tree(minutes(20)), bow(minutes(5)), rider(minutes(5), 45), oneLeg(minutes(3)), squats(100)],
  },
  {
    name: '18–59, seldom active',
    bodies: [
      body(22, 172, 62, 'seldom active'),
      body(40, 170, 80, 'seldom active'),
      body(58, 160, 66, 'seldom active'),
    ],
    ordinary: [
      neutral(minutes(5)),
      tree(60),
      oneLeg(15),
      oneLeg(30),
      bow(30),
      rider(30, 35),
      reeling(8),
      reelingFor(90),
      clouds(150),
      walk(150),
      squats(16),
      lifts(15),
      rolls(3),
      swings(90),
      ...seated,
    ],
    said: [tree(minutes(6)), squats(60), bow(minutes(3))],
  },
  {
    name: '60–75, active',
    bodies: [
      body(60, 175, 75, 'active'),
      body(66, 168, 68, 'active'),
      body(70, 155, 58, 'active'),
      body(74, 160, 64, 'active'),
    ],
    ordinary: [
      neutral(minutes(5)),
      tree(60),
      tree(120),
      oneLeg(15),
      oneLeg(30),
      reeling(8, high),
      reelingFor(minutes(3), high),
      clouds(minutes(5), high),
      walk(minutes(5)),
      squats(12, 40),
      lifts(15, handOn),
      legSwings(12),
      rolls(3),
      ...seated,
    ],
    said: [squats(27, 55), tree(minutes(8)), bow(minutes(2), { kneeBendDeg: 48 }), oneLeg(60)],
  },
  {
    name: '60–75, seldom active',
    bodies: [
      body(61, 170, 78, 'seldom active'),
      body(66, 165, 70, 'seldom active'),
      body(70, 155, 58, 'seldom active'),
      body(74, 160, 66, 'seldom active'),
    ],
    ordinary: [
      neutral(minutes(2)),
      tree(30),
      tree(60),
      reeling(4, high),
      reeling(8, high),
      steps(12),
      steps(24),
      clouds(minutes(2), high),
      squats(6, 30),
      squats(8, 30),
      rolls(3),
      legSwings(8),
      ...seated,
    ],
    said: [squats(20), tree(minutes(4)), oneLeg(30)],
  },
  {
    name: 'over 75',
    bodies: [body(76, 158, 60, 'active'), body(80, 165, 64, 'seldom active'), body(85, 152, 50, 'seldom active')],
    ordinary: [
      neutral(60),
      neutral(minutes(2)),
      tree(30, { shoulderRaiseDeg: 20 }),
      of(
        'shift-and-turn',
        cycle(
          10,
          shelf.get('shift-and-turn')!.defaultDose.amounts.map((row) => ({ ...row, amount: 4 })),
        ),
        high,
      ),
      steps(24),
      swings(60),
      lifts(8, handOn),
      ...seated,
    ],
    said: [oneLeg(15), squats(12), tree(minutes(3))],
  },
  {
    name: '110 to 120 kg, 30 to 60 years',
    bodies: [body(35, 188, 115, 'active'), body(45, 196, 115, 'active'), body(55, 190, 120, 'active')],
    ordinary: [
      neutral(minutes(5)),
      tree(60),
      oneLeg(15),
      oneLeg(30),
      bow(30),
      reeling(4),
      clouds(150),
      walk(150),
      squats(16, 40),
      rolls(3),
      swings(minutes(3)),
      ...seated,
    ],
    said: [squats(60), rider(minutes(2), 45)],
  },
];

function personOf({ age, cm, kg, habit }: Body): FindingPerson {
  const student = {
    ...newStudent('u', 'Ama', 'school-soft'),
    birthYear: 2026 - age,
    statureCm: cm,
    massKg: kg,
    habit,
  };
  return {
    name: 'Ama',
    body: bodyOf({ stature: cm / 100, mass: kg }),
    capacity: capacityOfStudent(student, [], '2026-06-01'),
    ankleRangeDeg: 38,
    restingBreath: null,
    noted: [],
    age,
    habit,
    learned: null,
    reached: [],
  };
}

/** The doubts and dangers of strength and age that one drill draws for a body. */
function drawn(given: Given, whose: Body, school: School): string[] {
  const person = personOf(whose);
  const segment = turnedBy(
    { ...newSegment('a', shelf.get(given.exercise)!, school), dose: given.dose },
    given.turned ?? {},
  );
  const routine = { ...newRoutine('r', 'One', school), segments: [segment] };
  const effort = routineEffort(routine, shelf, person.body, person.capacity, school);
  return routineFindings({ routine, exercises: shelf, school, person, effort, newId: () => 'new' })
    .filter(({ grade, key }) => grade !== 'note' && /budget|gives out|at this age/.test(key))
    .map(({ text }) => text);
}

const words = ({ exercise, dose, turned }: Given): string =>
  `${exercise} ${dose.kind === 'hold' ? `${dose.holdSeconds} s` : dose.kind === 'cycle' && dose.roundSeconds !== null ? `${dose.roundSeconds} s` : `× ${dose.amounts[0]!.amount}`}${turned?.kneeBendDeg == null ? '' : ` at ${turned.kneeBendDeg}°`}`;
const bodyWords = ({ age, cm, kg, habit }: Body): string => `${age} years, ${cm} cm, ${kg} kg, ${habit}`;

/** The first school is asked for all bodies, each other one for one of them. */
const asked = (bodies: readonly Body[], school: School): readonly Body[] => {
  const index = builtInSchools.indexOf(school);
  return index === 0 ? bodies : [bodies[index % bodies.length]!];
};

describe.each(rows)('$name', ({ bodies, ordinary, said }) => {
  test.each(builtInSchools.map((school) => [school.name, school] as const))(
    'what is ordinary draws no doubt: %s',
    (_, school) => {
      const doubted = asked(bodies, school).flatMap((whose) =>
        ordinary.flatMap((given) =>
          drawn(given, whose, school).map((text) => `${bodyWords(whose)}: ${words(given)}: ${text}`),
        ),
      );
      expect(doubted).toEqual([]);
    },
  );

  test.each(builtInSchools.map((school) => [school.name, school] as const))('what is much is said: %s', (_, school) => {
    const silent = asked(bodies, school).flatMap((whose) =>
      said
        .filter((given) => drawn(given, whose, school).length === 0)
        .map((given) => `${bodyWords(whose)}: ${words(given)}`),
    );
    expect(silent).toEqual([]);
  });
});

test('a set of four reeling drills at eight each is ordinary (common practice)', () => {
  for (const school of builtInSchools) {
    const person = personOf(body(40, 170, 70, 'active'));
    const segments = fourDrills.map((id) => {
      const exercise = shelf.get(id)!;
      const amounts = exercise.defaultDose.amounts.map((row) => ({ ...row, amount: 8 }));
      return { ...newSegment(id, exercise, school), dose: { ...cycle(11, amounts) } };
    });
    const routine = { ...newRoutine('r', 'Four', school), segments };
    expect(routineEffort(routine, shelf, person.body, person.capacity, school).failure).toBeNull();
  }
});
