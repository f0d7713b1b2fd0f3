import { breathe, cycle, hold, pattern, together } from '../library/describe';
import { builtInSchools } from '../schools/builtInSchools';
import { newSegment } from '../routine/commands';
import { limit, plan, planContext, routine, segment, shelf, strand } from '../testing/samples';
import { growthOfStrand, growthWords } from './growth';
import { newPlan } from './newPlan';
import { newStrand } from './newStrand';
import { planForecast } from './planForecast';

const days = { daily: [1, 2, 3, 4, 5, 6, 7], 'three times': [1, 3, 5], weekly: [2] } as const;

describe.each(builtInSchools.map((school) => [school.name, school] as const))('%s', (_, school) => {
  /** Weeks until a goal is asked for, from twice a dose, when each practice is done in full. */
  const weeks = (axis: 'time' | 'repetitions', from: number, practiceDays: readonly number[]): number => {
    const exercise = shelf.get(axis === 'time' ? 'tree-holding' : 'one-hand-reeling')!;
    const dose = axis === 'time' ? hold(from, together(1)) : cycle(6, together(from));
    const part = { ...newSegment('a', exercise, school), dose };
    const goal = newStrand('g', part, exercise, axis, 2 * from, '2029-01-01', school);
    const of = { id: 'p', studentId: 'u', routineId: 'r', startsOn: '2026-01-05' };
    const made = newPlan(of, [goal], school.raise.growthPerWeek, school).plan!;
    // The rest of a practice of some twenty minutes.
    const rest = segment('b', breathe(90, pattern(5, 0, 7, 0), 1), { exerciseId: 'belly-breathing' });
    const context = planContext(made, { practiceDays, rule: school.raise, routine: routine([part, rest]) });
    const { earliestDay } = planForecast(context).strands[0]!;
    return Math.ceil((Date.parse(earliestDay!) - Date.parse('2026-01-05')) / 604_800_000);
  };

  test('a minute becomes two and eight repetitions sixteen within a term, and for a weekly student within a school year', () => {
    const table = Object.entries(days).map(([often, list]) => ({
      often,
      minute: weeks('time', 60, list),
      eight: weeks('repetitions', 8, list),
    }));
    for (const { often, minute, eight } of table) {
      // A school year has some forty weeks, a term with its holidays some twenty (common practice).
      const most = often === 'weekly' ? 40 : 20;
      expect([often, minute, minute <= most]).toEqual([often, minute, true]);
      expect([often, eight, eight <= most]).toEqual([often, eight, true]);
      // Nobody doubles in less than the seven weeks that a tenth a week takes (ACSM position stand 2009, from memory).
      expect(Math.min(minute, eight)).toBeGreaterThanOrEqual(7);
    }
    // More practice is never slower.
    expect(table[0]!.minute).toBeLessThanOrEqual(table[1]!.minute);
    expect(table[1]!.minute).toBeLessThanOrEqual(table[2]!.minute);
  });
});

test('who practises seldom is raised by what the weeks between two raises may add, and by no more than a whole week may grow', () => {
  const growth = (practiceDays: readonly number[], sessionsToRaise: number, growthPerWeek = 0.05) =>
    growthWords(
      growthOfStrand({ halfSteps: null }, { growthPerWeek }, { loadGrowth: 0.1, sessionsToRaise }, practiceDays),
    );
  expect(growth([1, 3, 5], 3)).toBe('5 % a week');
  expect(growth([1, 4], 3)).toBe('10 % in 2 weeks');
  expect(growth([1], 2, 0.04)).toBe('8 % in 2 weeks');
  expect(growth([1], 3)).toBe('10 % in 3 weeks');
  expect(growth([1], 1)).toBe('5 % a week');
  expect(
    growthWords(
      growthOfStrand(
        { halfSteps: { step: 10 } },
        { growthPerWeek: 0.1 },
        { loadGrowth: 0.1, sessionsToRaise: 2 },
        [1, 3],
      ),
    ),
  ).toBe('5 % a week');
});

test('a whole second longer in each repetition may come though the week grows by more than a tenth, alone', () => {
  // Eight repetitions of eight seconds: one second more in each is an eighth of the week.
  const of = (change = {}) =>
    strand({ axis: 'stay', step: 1, start: 1, level: 1, target: 4, targetDay: '2026-04-01', ...change });
  const context = (strands: ReturnType<typeof strand>[]) =>
    planContext(plan(strands), {
      routine: routine([segment('a', { ...cycle(8, together(8)), staySeconds: 1 }, { exerciseId: 'opening-closing' })]),
    });
  const { earliestDay, weeks } = planForecast(context([of()])).strands[0]!;
  expect(earliestDay).not.toBeNull();
  expect(weeks.map(({ rail }) => rail)).not.toContain('load');
  // Its limits hold all the same.
  const most = { ...context([of()]), mostDoses: new Map([['s', limit(2)]]) };
  expect(Math.max(...planForecast(most).strands[0]!.weeks.map(({ dose }) => dose))).toBe(2);
});
