import { daily, seasonProblem, seasonStart as start, seasonStrand } from '../../testing/seasonSamples';
import { newState, type StrandState } from '../machine/strandState';
import { PlayedSeason, type Outcome } from './playedSeason';
import type { Season } from './planSeason';
import type { SeasonStrand } from './seasonProblem';

type Change = Parameters<typeof seasonProblem>[1];
const met: Outcome = { share: 1, kept: 1, effort: 6, asked: 0 };
/** Met twice, the last time today. */
const due = (level: number, change: Partial<StrandState> = {}): StrandState => ({
  ...newState(level),
  lastOn: start,
  sessions: 2,
  metRun: 2,
  goodRun: 2,
  ...change,
});
const at = (id: string, family: string, change: Partial<SeasonStrand> = {}) =>
  seasonStrand({ id, family, level: 10, target: 40, state: due(10), ...change });
/** A plan that has everything in its first week: only the rails are in the way. */
const atOnce = [{ week: 0, level: 1000 }];
const playing = (
  strands: readonly SeasonStrand[],
  change: Change = {},
  raises: readonly (readonly { week: number; level: number }[])[] = [],
) => {
  const planned = strands.map((_, index) => ({
    weeks: (raises[index] ?? atOnce).map((raise) => ({ ...raise, raised: true })),
  }));
  const one = new PlayedSeason(seasonProblem(strands, change), { strands: planned } as unknown as Season);
  one.begin();
  one.beginWeek(0);
  return one;
};
/** What is asked for after all that is due on the first day was decided. */
const after = (strands: readonly SeasonStrand[], change: Change = {}): number[] => {
  const one = playing(strands, change);
  one.decide(start);
  return strands.map((_, index) => one.asked(index));
};
const [a, b, c] = [
  at('a', 'standing', { targetDay: start + 9 }),
  at('b', 'standing', { targetDay: start + 19 }),
  at('c', 'standing', { targetDay: start + 29 }),
];
const other = at('o', 'reeling', { targetDay: start + 39 });
/** Risen on this very day. */
const risen = (id: string, family: string) =>
  at(id, family, { state: { ...newState(12.5), raisedOn: start }, levelBefore: 10 });
const closed = (change: Partial<SeasonStrand> = {}) =>
  at('g', 'breathing', { state: newState(10, false), levelBefore: 0, gate: { strand: 0, dose: 10 }, ...change });

describe('off the plan the rails decide, the nearest goal first', () => {
  test('so many of a family, with those that rose before in the present week, and anew in the next', () => {
    expect(after([c, b, a], { rails: { raisesPerFamily: 2 } })).toEqual([10, 12, 12]);
    expect(after([c, b, a, other], { rails: { raisesPerFamily: 1 } })).toEqual([10, 10, 12, 12]);
    expect(after([a, risen('r', 'standing')], { rails: { raisesPerFamily: 1 } })).toEqual([10, 12]);
    expect(after([a, risen('r', 'reeling')], { rails: { raisesPerFamily: 1 } })).toEqual([12, 12]);
    const one = playing([a, risen('r', 'standing')], { rails: { raisesPerFamily: 1 } });
    one.beginWeek(1);
    one.decideBefore(start + 7);
    expect(one.asked(0)).toBe(12);
  });

  test('one axis of a drill', () => {
    const axis = { segment: 'drill' };
    expect(
      after([
        { ...a, ...axis },
        { ...other, ...axis },
      ]),
    ).toEqual([12, 10]);
    expect(after([a, other])).toEqual([12, 12]);
    expect(
      after([
        { ...a, ...axis },
        { ...risen('r', 'reeling'), ...axis },
      ]),
    ).toEqual([10, 12]);
    const one = playing([
      { ...a, ...axis },
      { ...risen('r', 'reeling'), ...axis },
    ]);
    one.beginWeek(1);
    one.decideBefore(start + 7);
    expect(one.asked(0)).toBe(12);
    const both = playing([
      { ...a, ...axis },
      { ...other, ...axis },
    ]);
    both.beginWeek(1);
    both.decideBefore(start + 7);
    expect([both.asked(0), both.asked(1)]).toEqual([12, 10]);
  });

  test('the load of the week over that with which it began', () => {
    expect(after([a, other], { rails: { loadGrowth: 0.25 } })).toEqual([12, 12]);
    expect(after([a, other], { rails: { loadGrowth: 0.13 } })).toEqual([12, 10]);
    expect(after([a, other], { rails: { loadGrowth: 0.12 } })).toEqual([10, 10]);
    const heavy = { ...other, loadPerUnit: 4 };
    expect(after([a, heavy], { rails: { loadGrowth: 0.15 } })).toEqual([12, 10]);
    // What rose before in this week is in its load and not in that with which it began.
    expect(after([a, risen('r', 'reeling')], { rails: { loadGrowth: 0.2 } })).toEqual([10, 12]);
    expect(after([a, risen('r', 'reeling')], { rails: { loadGrowth: 0.25 } })).toEqual([12, 12]);
    const eased = { ...other, state: { ...newState(10), lost: [30] }, levelBefore: 30 };
    expect(after([a, eased], { rails: { loadGrowth: 0 } })).toEqual([12, 10]);
    const one = playing([a, eased], { rails: { loadGrowth: 0 } });
    one.beginWeek(1);
    one.decideBefore(start + 7);
    expect(one.asked(0)).toBe(12);
  });

  test('the minutes of the session', () => {
    const rails = (sessionMinutes: number) => ({ rails: { sessionMinutes, baseMinutes: 1 } });
    expect(after([a, other], rails(3.4))).toEqual([12, 12]);
    expect(after([a, other], rails(3.3))).toEqual([12, 10]);
    expect(after([a, other], rails(3.1))).toEqual([10, 10]);
  });
});

describe('a closed strand', () => {
  test('opens by its gate as that stood when the week began', () => {
    expect(after([a, closed()])).toEqual([12, 10]);
    expect(after([a, closed({ gate: { strand: 0, dose: 11 } })])).toEqual([12, 0]);
    expect(after([a, closed({ gate: null })])).toEqual([12, 10]);
    // One that is closed itself opens none, not even at its first dose.
    expect(
      after([closed({ gate: { strand: 1, dose: 1 } }), closed({ id: 'h', gate: { strand: 0, dose: 1 } })]),
    ).toEqual([0, 0]);
  });

  test('may always come where it opens alone in its week', () => {
    const tight = { rails: { loadGrowth: 0.2 } };
    const still = { ...a, state: newState(10) };
    expect(after([still, closed()], tight)).toEqual([10, 10]);
    expect(after([{ ...a, loadPerUnit: 0.1 }, closed()], tight)).toEqual([10, 10]);
    // Another rose just before, or earlier in the week.
    expect(after([a, { ...other, state: newState(10) }, closed()], tight)).toEqual([12, 10, 0]);
    expect(after([still, risen('r', 'reeling'), closed()], tight)).toEqual([10, 12, 0]);
  });
});

describe('a raise of the plan', () => {
  test('does not come before its week', () => {
    const raises = [
      [
        { week: 0, level: 12.5 },
        { week: 1, level: 15.625 },
      ],
    ];
    const one = playing([a], {}, raises);
    one.decide(start);
    expect(one.asked(0)).toBe(12);
    const next = playing([{ ...a, state: due(12.5) }], {}, raises);
    next.decide(start);
    expect(next.asked(0)).toBe(12);
    next.beginWeek(1);
    next.practise(start + 7, () => met);
    next.decideAfter(start + 7);
    expect(next.asked(0)).toBe(15);
  });
});

describe('a practice', () => {
  /** Two days of practice, and what is asked for then. */
  const twice = (strand: SeasonStrand, others = [other]): number => {
    const one = playing([strand, ...others]);
    for (const day of [start, start + 1]) {
      one.decideBefore(day);
      one.practise(day, () => met);
      one.decideAfter(day);
    }
    one.beginWeek(9);
    return one.asked(0);
  };
  const begins = { ...a, state: newState(10) };

  test('that asked for less is no test of the dose; for more it is', () => {
    expect(twice(begins)).toBe(12);
    expect(twice({ ...begins, overrules: [{ week: 0, dose: 9, reason: '' }] })).toBe(10);
    expect(twice({ ...begins, overrules: [{ week: 0, dose: 9, reason: '' }] }, [])).toBe(10);
    expect(twice({ ...begins, overrules: [{ week: 0, dose: 11, reason: '' }] })).toBe(12);
  });

  test('is noted once a day', () => {
    expect(twice({ ...a, state: { ...newState(10), lastOn: start } })).toBe(10);
    expect(twice({ ...a, state: { ...newState(10), lastOn: start - 1 } })).toBe(12);
  });

  test('raises nothing while a checkpoint holds it, and on the day when that ends it may', () => {
    expect(twice({ ...begins, pointUntil: start + 2 })).toBe(10);
    expect(twice({ ...begins, pointUntil: start + 1 })).toBe(12);
  });

  test('in a lighter week asks for less of what is lightened, and for what was set of that', () => {
    const calendar = { ...daily, lighterEvery: 1 };
    const asked = (change: Partial<SeasonStrand>) => playing([{ ...a, ...change }], { calendar }).asked(0);
    expect([asked({}), asked({ lightens: false })]).toEqual([6, 10]);
    expect(asked({ overrules: [{ week: 0, dose: 33, reason: '' }] })).toBe(33);
    expect(asked({ overrules: [{ week: 1, dose: 33, reason: '' }] })).toBe(6);
  });
});
