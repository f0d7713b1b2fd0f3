import { daily, seasonProblem, seasonStart as start, seasonStrand } from '../../testing/seasonSamples';
import { Joint } from './joint';
import { searchSeason } from './searchSeason';
import type { SeasonRails, SeasonStrand } from './seasonProblem';
import { separateSeasons } from './separateSeasons';

const at = (id: string, family: string, change: Partial<SeasonStrand> & { level?: number; target?: number } = {}) =>
  seasonStrand({ id, family, level: 10, target: 15, ...change });
const apart = (strands: readonly SeasonStrand[], rails: Partial<SeasonRails> = {}) =>
  separateSeasons(new Joint(seasonProblem(strands, { rails })));
const [a, b, c] = [at('a', 'standing'), at('b', 'reeling'), at('c', 'breathing')];

test('groups that meet nowhere are found one by one, and it is the season that looking at all finds', () => {
  for (const strands of [
    [a, b],
    [a, b, c],
    [a, at('a2', 'standing', { targetDay: start + 9 }), b],
  ]) {
    const rails = { raisesPerFamily: 1 };
    const found = apart(strands, rails);
    const all = searchSeason(new Joint(seasonProblem(strands, { rails })));
    expect(found).toMatchObject({ proven: true, unique: true });
    expect(found!.masks).toEqual(all.masks);
    expect(found!.end.arrivals).toEqual(all.end.arrivals);
    expect(found!.end.path).toBe(all.end.path);
  }
});

test('a single group is not looked at twice', () => {
  expect(apart([a])).toBeNull();
  expect(apart([a, at('a2', 'standing')], { raisesPerFamily: 1 })).toBeNull();
  expect(apart([a, at('a2', 'standing')], { raisesPerFamily: 2 })).not.toBeNull();
  const gated = (strand: number) => at('g', 'reeling', { gate: { strand, dose: 10 } });
  expect(apart([a, gated(0)])).toBeNull();
  // Joined one after another: by a gate, and by their family.
  expect(apart([a, gated(0), at('r', 'reeling')], { raisesPerFamily: 1 })).toBeNull();
  expect(apart([at('r', 'reeling'), a, gated(1)], { raisesPerFamily: 1 })).toBeNull();
  expect(apart([at('r', 'reeling'), a, gated(1)])).not.toBeNull();
});

test('a gate within a group opens as in the whole', () => {
  const gated = at('g', 'reeling', { level: 10, target: 10, gate: { strand: 1, dose: 12 } });
  const found = apart([b, a, gated, c]);
  expect(found!.end.arrivals.map((day) => day - start)).toEqual([8, 8, 7, 8]);
});

test('where together they break a rail, all are looked at', () => {
  expect(apart([at('x', 'standing', { segment: 's' }), at('y', 'reeling', { segment: 's' })])).toBeNull();
  // Each grows by a quarter of its half of the load.
  expect(apart([a, b], { loadGrowth: 0.26 })).not.toBeNull();
  expect(apart([a, b], { loadGrowth: 0.24 })).toBeNull();
  expect(apart([a, b], { sessionMinutes: 3 })).not.toBeNull();
  expect(apart([a, b], { sessionMinutes: 2.9 })).toBeNull();
  // Only in the last of the weeks that it takes.
  const far = at('f', 'breathing', { target: 30 });
  expect(apart([a, far], { sessionMinutes: 1.5 + 3 })).not.toBeNull();
  expect(apart([a, far], { sessionMinutes: 1.5 + 2.9 })).toBeNull();
});

test('where a group has more than one best season, or none that ends, all are looked at', () => {
  // Neither comes to its goal, and who rises in which week is all the same.
  const never = (id: string) => at(id, 'standing', { target: 1000 });
  expect(apart([never('x'), never('y'), b], { raisesPerFamily: 1 })).toBeNull();
  expect(apart([never('x'), b], { raisesPerFamily: 1 })).toBeNull();
  // Met on two Sundays, its goal is asked for on the third: behind the two weeks that are looked at.
  const calendar = { ...daily, practiceDays: [7] };
  const sundays = (mostWeeks: number) => {
    const near = (id: string, family: string) => at(id, family, { target: 12 });
    const strands = [near('x', 'standing'), near('y', 'reeling')];
    return separateSeasons(new Joint(seasonProblem(strands, { calendar, mostWeeks })));
  };
  expect(sundays(2)).toBeNull();
  expect(sundays(3)!.end.arrivals).toEqual([start + 20, start + 20]);
});
