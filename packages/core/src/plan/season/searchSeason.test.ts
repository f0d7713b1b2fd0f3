import fc from 'fast-check';
import { anySmallSeason, anyTightSeason, seasonOf, type SmallSeason } from '../../testing/anySeason';
import { daily } from '../../testing/seasonSamples';
import { bestOfEvery } from '../../testing/everySeason';
import { hardSeasons } from '../../testing/hardSeasons';
import { compareAims, endOf } from './aims';
import { Joint } from './joint';
import { searchSeason, type SearchLimits } from './searchSeason';

const jointOf = (small: SmallSeason, mostWeeks = 9, lighterEvery = 0) =>
  new Joint({ ...seasonOf(small), mostWeeks, calendar: { ...daily, lighterEvery } });

describe('the search against every way through the weeks', () => {
  const isBest = (small: SmallSeason, mostWeeks: number, lighterEvery = 0) => {
    const { best, unique } = bestOfEvery(jointOf(small, mostWeeks, lighterEvery));
    const found = searchSeason(jointOf(small, mostWeeks, lighterEvery));
    expect({ ...found, end: found.end.path }).toEqual({ masks: best.masks, end: best.path, proven: true, unique });
  };

  test.each(hardSeasons.map((small, index) => [index, small] as const))(
    'finds the best, to the last raise, where no simple order is the best (%i)',
    (_, small) => isBest(small, 6),
  );

  test('knows that another way is as good, also where the first was found before', () => {
    const strand = { weight: 0.5, step: 1, days: 3, gate: null, gateRungs: 0, shares: false, most: null };
    const small: SmallSeason = {
      strands: [
        { ...strand, level: 18, rungs: 2, family: 'reeling', gate: 1 },
        { ...strand, level: 8, rungs: 0, family: 'standing' },
        { ...strand, level: 8, rungs: 2, family: 'reeling', days: 35 },
      ],
      raisesPerFamily: 1,
      loadGrowth: 0.03,
      usualLoad: 90,
      baseLoad: 0,
      room: 2.5,
    };
    expect(searchSeason(jointOf(small, 5)).unique).toBe(false);
    isBest(small, 5);
  });

  test('finds the best, to the last raise, and knows whether another is as good', () => {
    fc.assert(
      fc.property(fc.oneof(anySmallSeason, anyTightSeason), fc.constantFrom(0, 0, 2), (small, lighterEvery) =>
        isBest(small, 5, lighterEvery),
      ),
      { numRuns: 320, seed: 21 },
    );
  });
});

const wide: SearchLimits = { tries: 8000, states: 600, ended: 20 };
const cut = (small: SmallSeason, limits: Partial<SearchLimits>) => {
  const joint = jointOf(small);
  const { end, proven, masks } = searchSeason(joint, { ...wide, ...limits });
  return { proven, masks, aims: endOf(joint, end) };
};

test('what cannot become better is left out: so few sets of raises are tried', () => {
  const needed = (small: SmallSeason): number => {
    let [no, yes] = [0, wide.tries];
    while (yes - no > 1) {
      const tries = Math.floor((no + yes) / 2);
      if (cut(small, { tries }).proven) yes = tries;
      else no = tries;
    }
    return yes;
  };
  expect(hardSeasons.map(needed)).toEqual([28, 89, 1, 70, 7, 47, 1, 3, 7]);
});

test('a search that is cut short says so, and still finds the best more often than the simple orders do', () => {
  const seasons = fc
    .sample(anyTightSeason, { numRuns: 300, seed: 31 })
    .map((small) => ({ small, best: cut(small, {}) }));
  expect(seasons.every(({ best: { proven } }) => proven)).toBe(true);
  const found = (of: typeof seasons, limits: Partial<SearchLimits>) =>
    of.filter(({ small, best }) => compareAims(cut(small, limits).aims, best.aims) === 0);
  const simple = found(seasons, { tries: 0 });
  const hard = seasons.filter((season) => !simple.includes(season));
  const of = (limits: Partial<SearchLimits>) => found(hard, limits).length;
  const all = [
    { tries: 8 },
    { tries: 16 },
    { tries: 24 },
    { states: 1 },
    { states: 2 },
    { states: 2, ended: 1 },
    { tries: 16, ended: 1 },
  ];
  expect([simple.length, ...all.map(of)]).toEqual([282, 2, 6, 6, 2, 12, 11, 2]);
  for (const { small } of hard) expect(cut(small, { tries: 0 }).proven).toBe(false);
  // As many states as are followed are not too many.
  expect(cut(hardSeasons[2]!, { states: 1 }).proven).toBe(true);
});
