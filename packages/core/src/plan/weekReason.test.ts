import { plan, strand, limit } from '../testing/samples';
import type { StrandWeek } from './planForecast';
import type { Growth } from './growth';
import { weekReason } from './weekReason';
import { withoutStrand } from './withoutStrand';

const one = strand({
  overrules: [
    { week: 3, dose: 40, reason: 'Exams.' },
    { week: 4, dose: 40, reason: '' },
  ],
});
const other = strand({ id: 'o', exerciseName: 'One-hand reeling', axis: 'repetitions' });
const value = plan([one, other], { lighterCut: 0.4, lighterEvery: 4 });
const said = (week: Partial<StrandWeek>, growth?: Growth): string =>
  weekReason(value, one, { week: 2, level: 66, dose: 65, rail: null, waitsFor: null, ...week } as StrandWeek, growth);

test.each<[Partial<StrandWeek>, string]>([
  [{ kind: 'now' }, 'Today’s dose.'],
  [{ kind: 'raise' }, 'Up; not more, since it may grow by at most 10 % a week.'],
  // From 1:00 (1:05 of it saved up) to 1:10: more than a tenth of the dose, a tenth of what was earned.
  [
    { kind: 'raise', level: 71.4, dose: 70 },
    'Up, with what was saved up; not more, since it may grow by at most 10 % a week.',
  ],
  [{ kind: 'raise', level: 180 }, 'The goal.'],
  [{ kind: 'carry' }, 'The same; 10 % a week has not yet filled the step to 1:10 min.'],
  [{ kind: 'found' }, 'Found again: met at the lower dose, the old one comes back in one step.'],
  [{ kind: 'eased' }, 'One step down after the time without practice.'],
  [{ kind: 'held' }, 'The same: the next raise is still being earned.'],
  [{ kind: 'held', rail: 'load' }, 'The same; the whole week may not weigh more yet.'],
  [
    { kind: 'held', rail: 'load', waitsFor: 'o' },
    'The same; the whole week may not weigh more yet; One-hand reeling goes up first.',
  ],
  [
    { kind: 'held', rail: 'minutes', waitsFor: 'o' },
    'The same; the practice has no more minutes; One-hand reeling goes up first.',
  ],
  [{ kind: 'held', rail: 'family', waitsFor: 'o' }, 'The same; One-hand reeling of the same family goes up this week.'],
  [{ kind: 'held', rail: 'order', waitsFor: 'o' }, 'The same; it waits for One-hand reeling, whose day is nearer.'],
  [{ kind: 'held', rail: 'order' }, 'The same; it makes room for another goal.'],
  [
    { kind: 'held', rail: 'axis', waitsFor: 'o' },
    'The same; the same exercise goes up in another way this week: repetitions.',
  ],
  [{ kind: 'lighter', level: 65, dose: 40 }, 'A lighter week, every 4th week: 38 % less than 1:05 min.'],
  [
    { kind: 'lighter', level: 65, dose: 65 },
    'A lighter week, every 4th week: this is already the smallest dose, and nothing is raised.',
  ],
  [{ kind: 'holiday' }, 'Holiday: nothing is raised, and the dose is found again after it.'],
  [{ kind: 'frozen' }, 'Frozen by you: nothing is raised.'],
  [{ kind: 'overruled', week: 3 }, 'Set by you: Exams.'],
  [{ kind: 'overruled', week: 4 }, 'Set by you.'],
  [{ kind: 'overruled', week: 5 }, 'Set by you.'],
  [{ kind: 'reached', level: 180 }, 'Goal reached: stay with it.'],
  [{ kind: 'reached', level: 190 }, 'Goal reached: stay with it.'],
  [{ kind: 'reached' }, 'As far as it goes.'],
  [{ kind: 'closed' }, 'Not practised yet.'],
  [{ kind: 'closed', rail: 'gate', waitsFor: 'o' }, 'Not practised yet: it opens after One-hand reeling.'],
  [{ kind: 'closed', rail: 'load', waitsFor: 'o' }, 'Not practised yet.'],
  [{ kind: 'locked' }, 'Locked after a sign to stop; nothing is planned until you clear it.'],
])('a week says why: %j', (week, words) => {
  expect(said(week)).toBe(words);
});

test('a target between two doses is a dose of its own; short of it the limit is said', () => {
  const near = strand({ target: 68 });
  const week = { kind: 'reached', week: 2, level: 66, dose: 65, rail: null, waitsFor: null } as StrandWeek;
  expect(weekReason(value, near, { ...week, level: 68, dose: 68 })).toBe('Goal reached: stay with it.');
  expect(weekReason(value, near, week, { share: 0.1, weeks: 1 }, limit(66))).toBe(
    'As far as it goes: 1:05 min is what the school’s budget allows.',
  );
});

test('what the running week asks for before it is over is told: the next goes up from there', () => {
  const now = { kind: 'now', week: 2, day: '2026-03-09', level: 110, dose: 110, rail: null, waitsFor: null } as const;
  const reason = (...doses: [string, number][]) =>
    weekReason(
      value,
      one,
      now,
      undefined,
      undefined,
      doses.map(([day, dose]) => ({ day, dose })),
    );
  expect(reason(['2026-03-12', 110], ['2026-03-14', 125], ['2026-03-15', 125], ['2026-03-16', 140])).toBe(
    'Today’s dose; 2:05 min from Sat 14 Mar on, if all goes well.',
  );
  // What the next week asks for is in its own row.
  expect(reason(['2026-03-12', 110], ['2026-03-16', 125])).toBe('Today’s dose.');
  expect(reason()).toBe('Today’s dose.');
});

test('of every which week a lighter one comes is said as people say it', () => {
  const every = (lighterEvery: number) =>
    weekReason({ ...value, lighterEvery }, one, { kind: 'lighter', level: 65, dose: 40 } as StrandWeek)
      .split('every ')[1]!
      .split(':')[0];
  expect([1, 2, 3, 4].map(every)).toEqual(['1st week', '2nd week', '3rd week', '4th week']);
});

test('without a strand what waited for it is open, and the rest stays as it is', () => {
  const gate = (strandId: string) => ({ strandId, dose: 70 });
  const gated = plan([one, other, strand({ id: 'x', gate: gate('s') }), strand({ id: 'y', gate: gate('o') })]);
  expect(withoutStrand(gated, 's').strands.map(({ id, gate: left }) => [id, left])).toEqual([
    ['o', null],
    ['x', null],
    ['y', gate('o')],
  ]);
});
