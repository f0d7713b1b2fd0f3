import { standardBody } from '../body';
import { capacityGuess, routineEffort } from '../endurance';
import { cycleMoment } from '../figure/cycleMoment';
import { timeline } from '../routine';
import { softSchool } from '../schools';
import { routine, segment, shelf } from '../testing/samples';
import { doseGivenAs, firstSeconds, countOf, doseWords, fullnessAt, phaseKnots, staysAfter, stayingDrill } from '.';
import { cycle, timed, together } from './describe';
import type { CycleDose } from './dose';

const squat = shelf.get('squat-and-bounce')!;
const stayed = (dose: CycleDose, staySeconds: number, stayAfter: number | null = null): CycleDose => ({
  ...dose,
  staySeconds,
  stayAfter,
});
const moving = cycle(6, together(8));
const held = stayed(moving, 3);

test('a repetition takes its stay longer, and nothing else of it is slower', () => {
  expect(firstSeconds(held)).toBe(9);
  const lengthOf = (dose: CycleDose) => timeline(routine([segment('a', dose, { exerciseId: squat.id })])).spans;
  const [with3, without] = [held, moving].map((dose) => lengthOf(dose).find(({ amount }) => amount > 0)!);
  expect(with3!.durationMs - without!.durationMs).toBe(8 * 3000);
  const parts = stayingDrill(squat, held).phases;
  expect(parts.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 12);
  const seconds = parts.filter(({ name }) => !name.startsWith('Stay')).map(({ share }) => share * 9);
  squat.phases.forEach(({ share }, index) => expect(seconds[index]).toBeCloseTo(share * 6, 9));
});

test('it stays where the knees are bent most, or after the part that was chosen', () => {
  const deepest = Math.max(...squat.phases.map(({ end }) => end!.bendDeg ?? 0));
  const after = staysAfter(squat, null);
  expect(squat.phases[after]!.end!.bendDeg).toBe(deepest);
  expect(stayingDrill(squat, held).phases[after + 1]).toMatchObject({ name: 'Stay for 3 s', share: 3 / 9 });
  const chosen = squat.phases.length - 1;
  expect(stayingDrill(squat, stayed(moving, 3, chosen)).phases.at(-1)!.name).toBe('Stay for 3 s');
  // A part that is no longer there is no choice.
  expect(staysAfter(squat, 20)).toBe(after);
});

test('the figure stands still in it, hands and all', () => {
  for (const exercise of [squat, shelf.get('one-hand-reeling')!]) {
    const dose = stayed(cycle(6, together(8)), 6);
    const drill = stayingDrill(exercise, dose);
    const index = drill.phases.findIndex(({ name }) => name.startsWith('Stay'));
    const start = drill.phases.slice(0, index).reduce((sum, { share }) => sum + share, 0);
    const at = (within: number) => {
      const moment = cycleMoment(drill, softSchool, start + within * drill.phases[index]!.share)!;
      return { hand: moment.hand, weight: moment.weight, turnDeg: moment.turnDeg, ahead: moment.ahead };
    };
    expect(at(0.5)).toEqual(at(0.1));
    expect(at(0.9)).toEqual(at(0.1));
  }
});

test('a short stay goes on with the breath, a long one leaves it free', () => {
  const breathing = [...shelf.values()].find(
    ({ phases, defaultDose }) => defaultDose.kind === 'cycle' && phases.some(({ breath }) => breath === 'out'),
  )!;
  const after = breathing.phases.findIndex(({ breath }) => breath === 'out');
  const part = breathing.phases[after]!.share * 10;
  const parts = (seconds: number) => stayingDrill(breathing, stayed(cycle(10, together(4)), seconds, after)).phases;
  expect(parts(part * 0.9)[after + 1]!.breath).toBe('out');
  expect(parts(part * 1.1)[after + 1]!.breath).toBe('free');
  for (const seconds of [part * 0.9, part * 1.1])
    for (let at = 0; at < 1; at += 0.01) {
      const full = fullnessAt(phaseKnots(parts(seconds), 1)!, at);
      expect(full).toBeGreaterThanOrEqual(0);
      expect(full).toBeLessThanOrEqual(1);
    }
});

test('in a time with the repetitions counted there are fewer of them', () => {
  const round = timed(180, 6, together(1));
  expect([countOf(round, 1), countOf(stayed(round, 3), 1)]).toEqual([30, 20]);
  expect(doseWords(stayed(round, 3))).toContain('about 20 repetitions at 6 s + 3 s held each');
});

test('given another way it takes as long as it did', () => {
  expect(doseGivenAs(held, 'timed')).toMatchObject({ roundSeconds: 60, staySeconds: 3 });
  const breaths = doseGivenAs(held, 'breath');
  expect([breaths.kind, firstSeconds(breaths), breaths.amounts[0]!.amount]).toEqual(['breath', 9, 8]);
  expect(doseGivenAs(breaths, 'cycle')).toMatchObject({ cycleSeconds: 9, staySeconds: 0 });
});

test('staying low costs the legs more than going through', () => {
  const reserve = (dose: CycleDose) =>
    routineEffort(
      routine([segment('a', dose, { exerciseId: squat.id })]),
      shelf,
      standardBody,
      capacityGuess({ mass: 70, age: 35 }),
      softSchool,
    ).segments[0]!.reserve['left leg'];
  expect(reserve(held)).toBeLessThan(reserve(moving));
  expect(reserve(stayed(moving, 6))).toBeLessThan(reserve(held));
});
