import { daily, seasonProblem, seasonStart as start, seasonStrand } from '../../testing/seasonSamples';
import { newState } from '../machine/strandState';
import { Joint, type Label } from './joint';
import type { SeasonStrand } from './seasonProblem';

type Change = Parameters<typeof seasonProblem>[1];
const joint = (strands: readonly SeasonStrand[], change: Change = {}) => new Joint(seasonProblem(strands, change));
const at = (level: number, change: Partial<SeasonStrand> & { target?: number } = {}) =>
  seasonStrand({ level, target: 40, ...change });
const risenOn = (raisedOn: number, levelBefore: number, change: Partial<SeasonStrand> = {}) =>
  at(12, { state: { ...newState(12), raisedOn }, levelBefore, ...change });
/** In the third week of a plan. */
const third = { ...daily, today: start + 14 };

describe('what a week weighs', () => {
  test('the load is the rest of the routine and each strand at its level', () => {
    const two = joint([at(10, { loadPerUnit: 2 }), at(20, { loadPerUnit: 0.5 })], { rails: { baseLoad: 5 } });
    expect(two.load((index) => [10, 20][index]!)).toBe(35);
  });

  test('the present week began before what has risen in it, a later one begins with what is known', () => {
    const eased = at(20, { state: { ...newState(20), lost: [30] }, levelBefore: 30 });
    const two = joint([risenOn(start, 10), eased]);
    expect(two.loadBefore(two.root(), 0)).toBe(10 + 30);
    expect(two.loadBefore(two.root(), 1)).toBe(12 + 30);
  });
});

describe('a gate', () => {
  const gated = (dose: number, first: SeasonStrand) => joint([first, at(10, { id: 'b', gate: { strand: 0, dose } })]);
  const open = (dose: number, week: number, first: SeasonStrand) => {
    const both = gated(dose, first);
    return both.gateOpen(both.root(), week, 1);
  };

  test('in the present week it counts where the other stood when that began, later where it stands then', () => {
    const first = risenOn(start, 10);
    expect([10, 11, 12].map((dose) => open(dose, 0, first))).toEqual([true, false, false]);
    expect([11, 12, 13].map((dose) => open(dose, 1, first))).toEqual([true, true, false]);
    // What was reached once stays open through an ease.
    expect(open(14, 1, at(10, { state: { ...newState(10), lost: [14] } }))).toBe(true);
  });

  test('a closed strand opens none, and what waits for none is open', () => {
    expect(open(1, 0, at(10, { gate: { strand: 1, dose: 1 } }))).toBe(false);
    const both = gated(99, at(10));
    expect(both.gateOpen(both.root(), 0, 0)).toBe(true);
  });

  test('the soonest a strand comes to its goal waits for that of the other, and for the week after', () => {
    const goal = (dose: number, first: SeasonStrand) => {
      const both = joint([first, at(10, { id: 'b', target: 10, gate: { strand: 0, dose } })]);
      return both.earliest(both.root(), 0, 1) - start;
    };
    // Met on Monday and Tuesday it rises to 12, and the next week begins so.
    expect(goal(12, at(10))).toBe(7);
    expect(goal(10, at(10))).toBe(0);
    // It has risen to 12 in this very week.
    expect(goal(12, risenOn(start, 10))).toBe(7);
    expect(goal(15, at(10))).toBe(14);
    expect(goal(99, at(10))).toBe(63);
  });

  test('chains of gates open one after another; rings never', () => {
    const chain = joint([
      at(10),
      at(10, { id: 'b', target: 10, gate: { strand: 0, dose: 12 } }),
      at(10, { id: 'c', target: 10, gate: { strand: 1, dose: 10 } }),
    ]);
    expect([1, 2].map((index) => chain.earliest(chain.root(), 0, index) - start)).toEqual([7, 14]);
    const ring = joint([
      at(10, { target: 10, gate: { strand: 1, dose: 10 } }),
      at(10, { id: 'b', target: 10, gate: { strand: 0, dose: 10 } }),
    ]);
    expect([0, 1].map((index) => ring.earliest(ring.root(), 0, index))).toEqual([ring.lastDay, ring.lastDay]);
  });

  test('what is open already, or has come to its goal, waits for no gate', () => {
    const open = at(10, { id: 'b', target: 10, gate: { strand: 0, dose: 99 }, state: newState(10) });
    const both = joint([at(10), open]);
    expect(both.earliest(both.root(), 0, 1)).toBe(start);
    const label = { ...both.root(), arrivals: [-1, start + 3] };
    expect(both.earliest(label, 5, 1)).toBe(start + 3);
    expect(both.earliest({ ...label, arrivals: [0, -1] }, 5, 0)).toBe(0);
  });
});

describe('what has risen in the present week already', () => {
  test('is what rose since its Monday, and not what was only found again', () => {
    const monday = start + 14;
    const counted = (strand: SeasonStrand) => joint([strand, at(9)], { calendar: third }).risenThisWeek;
    expect(counted(risenOn(monday, 10))).toBe(true);
    expect(counted(risenOn(monday + 1, 10))).toBe(true);
    expect(counted(risenOn(monday - 1, 10))).toBe(false);
    expect(counted(risenOn(monday, 12))).toBe(false);
    expect(counted(risenOn(monday, 12 - 1e-10))).toBe(false);
    expect(counted(risenOn(monday, 13))).toBe(false);
  });

  test('is counted for its own family and segment only', () => {
    const strands = [
      risenOn(start, 10, { family: 'standing', segment: 'one' }),
      risenOn(start, 10, { family: 'standing', segment: 'two' }),
      risenOn(start, 10, { family: 'reeling', segment: 'three' }),
      at(9, { family: 'reeling', segment: 'one' }),
    ];
    const all = joint(strands);
    expect(['standing', 'reeling', 'breathing'].map((value) => all.risenAlready('family', value))).toEqual([2, 1, 0]);
    expect(['one', 'two', 'four'].map((value) => all.risenAlready('segment', value))).toEqual([1, 1, 0]);
  });
});

describe('the rails', () => {
  const broken = (strands: readonly SeasonStrand[], change: Change, rising: readonly boolean[], week = 0) => {
    const all = joint(strands, change);
    return all.broken(all.root(), week, rising);
  };
  const pair = [at(10, { id: 'a' }), at(10, { id: 'b' })];

  test('bind nothing in a week in which nothing rises', () => {
    expect(broken(pair, { rails: { sessionMinutes: 0, loadGrowth: 0 } }, [false, false])).toBeNull();
  });

  test('so many of a family, with those that have risen in the present week', () => {
    const one = { rails: { raisesPerFamily: 1 } };
    expect(broken(pair, one, [true, false])).toBeNull();
    expect(broken(pair, one, [true, true])).toBe('family');
    expect(broken([pair[0]!, at(10, { id: 'b', family: 'reeling' })], one, [true, true])).toBeNull();
    const risen = [pair[0]!, risenOn(start, 10, { id: 'b' })];
    expect(broken(risen, one, [true, false])).toBe('family');
    expect(broken(risen, one, [true, false], 1)).toBeNull();
    expect(broken(risen, { rails: { raisesPerFamily: 2 } }, [true, false])).toBeNull();
    const three = [...pair, at(10, { id: 'c', family: 'reeling' })];
    expect(broken(three, one, [false, true, true])).toBeNull();
    expect(broken(three, one, [true, true, true])).toBe('family');
  });

  test('one axis of a segment', () => {
    const axes = [at(10, { segment: 'x' }), at(10, { segment: 'x', family: 'reeling' })];
    expect(broken(axes, {}, [true, true])).toBe('axis');
    expect(broken(axes, {}, [false, true])).toBeNull();
    const risen = [axes[0]!, risenOn(start, 10, { segment: 'x', family: 'reeling' })];
    expect(broken(risen, {}, [true, false])).toBe('axis');
    expect(broken(risen, {}, [true, false], 1)).toBeNull();
  });

  test('the load of the week, over that with which it began or the usual one', () => {
    // From 10 to 12.5, of 20.
    expect(broken(pair, { rails: { loadGrowth: 0.125 } }, [true, false])).toBeNull();
    expect(broken(pair, { rails: { loadGrowth: 0.12 } }, [true, false])).toBe('load');
    expect(broken(pair, { rails: { loadGrowth: 0.12, usualLoad: 21 } }, [true, false])).toBeNull();
    expect(broken(pair, { rails: { loadGrowth: 0.12 } }, [true, true])).toBe('load');
  });

  test('the minutes of the session, by the dose', () => {
    // From 1.0 to 1.2 minutes, and 1.0 of the other.
    const session = (sessionMinutes: number) => ({ rails: { sessionMinutes, baseMinutes: 5 } });
    expect(broken(pair, session(7.2), [true, false])).toBeNull();
    expect(broken(pair, session(7.1), [true, false])).toBe('minutes');
    expect(broken(pair, session(7.4), [true, true])).toBeNull();
  });

  test('what opens alone in its week may always come', () => {
    const opens = at(10, { id: 'b', family: 'reeling', gate: { strand: 0, dose: 10 } });
    const tight = { rails: { loadGrowth: 0.3 } };
    expect(broken([at(10), opens], tight, [false, true])).toBeNull();
    expect(broken([at(10), opens], tight, [true, true])).toBe('load');
    expect(broken([at(10), opens], tight, [true, false])).toBeNull();
    expect(broken([at(10), opens], { rails: { loadGrowth: 0.2 } }, [true, false])).toBe('load');
    const closed = { family: 'reeling', gate: { strand: 2, dose: 10 } };
    const two = [at(10, { id: 'b', ...closed }), at(10, { id: 'c', ...closed }), at(10)];
    expect(broken(two, tight, [true, true, false])).toBe('load');
    const risen = risenOn(start, 10, { id: 'c', family: 'breathing' });
    expect(broken([at(10), opens, risen], tight, [false, true, false])).toBe('load');
    expect(broken([at(10), opens, risen], tight, [false, true, false], 1)).toBeNull();
    // The minutes bind it all the same.
    expect(broken([at(10), opens], { rails: { sessionMinutes: 1.5 } }, [false, true])).toBe('minutes');
  });
});

describe('the next week', () => {
  const three = [
    at(10, { id: 'a', targetDay: start + 30, family: 'standing' }),
    at(20, { id: 'b', targetDay: start + 10, family: 'reeling' }),
    at(40, { id: 'c', targetDay: start + 20, family: 'breathing' }),
  ];
  const weeks = (all: Joint, ...rising: readonly (readonly boolean[])[]): Label =>
    rising.reduce((label, set, week) => all.next(label, week, set), all.root());

  test('begins with what rose: by bits in the order of the plan, by letters in that of the goals', () => {
    const all = joint(three);
    expect(all.order).toEqual([1, 2, 0]);
    const label = weeks(all, [true, false, false], [false, true, true], [true, true, true]);
    expect(label.masks).toEqual([1, 6, 7]);
    // Of two ways in which one rose the nearer goal sorts first; the earlier raise before the later.
    expect(label.path).toBe('000006000001000000');
    expect(weeks(all, [false, true, false]).path < weeks(all, [true, false, false]).path).toBe(true);
    expect(label.tied).toBe(false);
    expect(label.nodes.map(({ level }) => level)).toEqual([15.625, 31.25, 40]);
  });

  test('its growth takes its place among the others, the largest first', () => {
    const all = joint([at(10, { id: 'a', family: 'standing' }), at(10, { id: 'b', family: 'reeling' })]);
    const label = weeks(all, [true, false], [false, false], [true, true], [false, true]);
    expect(label.growths).toEqual([0.25, 0.125, 0.111111111, 0]);
    expect(joint([at(10)], { rails: { usualLoad: 20 } }).root().growths).toEqual([]);
    const usual = joint([at(10)], { rails: { usualLoad: 11 } });
    expect(weeks(usual, [true]).growths[0]).toBeCloseTo(12.5 / 11 - 1, 8);
    expect(weeks(joint([at(10)], { rails: { usualLoad: 20 } }), [true]).growths).toEqual([0]);
    expect(weeks(joint([at(10, { loadPerUnit: 0 })]), [true]).growths).toEqual([0]);
  });

  test('keeps the first day on which a goal was asked for', () => {
    const all = joint([at(10, { target: 12.5 }), at(10, { id: 'b', target: 20, family: 'reeling' })]);
    expect(all.root().arrivals).toEqual([-1, -1]);
    expect(weeks(all, [false, true]).arrivals).toEqual([-1, -1]);
    const label = weeks(all, [true, true], [false, true]);
    expect(label.arrivals).toEqual([start + 2, -1]);
    expect(all.next({ ...label, arrivals: [0, -1] }, 2, [false, false]).arrivals[0]).toBe(0);
  });

  test('counts who waited though nothing was in the way', () => {
    const free = joint(three);
    expect(weeks(free, [false, false, false]).needless).toBe(2);
    expect(weeks(free, [true, false, false], [true, false, false]).needless).toBe(2);
    expect(weeks(free, [true, true, false]).needless).toBe(0);
    const one = joint([at(10, { id: 'a' }), at(10, { id: 'b' })], { rails: { raisesPerFamily: 1 } });
    expect(weeks(one, [true, false]).needless).toBe(0);
    expect(weeks(one, [false, false]).needless).toBe(2);
  });

  test('counts the weeks running in which all that was due was forbidden', () => {
    const full = joint([at(10, { id: 'a' }), at(10, { id: 'b' })], { rails: { sessionMinutes: 2 } });
    const none = [false, false];
    expect(weeks(full, none, none, none).stuck).toBe(3);
    expect(weeks(full, none, none, [true, false]).stuck).toBe(0);
    // One of them may rise: nothing is stuck. Nothing is due: neither.
    const half = joint([at(10, { id: 'a' }), at(10, { id: 'b', minutesPerUnit: 0 })], { rails: { sessionMinutes: 1 } });
    expect(weeks(half, none).stuck).toBe(0);
    const done = joint([at(40), at(40, { id: 'b' })], { rails: { sessionMinutes: 1 } });
    expect(weeks(done, none, none).stuck).toBe(0);
  });

  test('has those ready, in the order of the goals, that would rise if it were their turn', () => {
    const all = joint(three);
    expect(all.ready(all.root(), 0)).toEqual([1, 0]);
    const label = weeks(all, [true, true, true]);
    expect(all.ready(label, 1)).toEqual([1, 0]);
    const frozen = joint(three, { calendar: { ...daily, frozenWeeks: new Set([0]) } });
    expect(frozen.ready(frozen.root(), 0)).toEqual([]);
  });
});

describe('the end of a season', () => {
  const finished = (all: Joint, label: Partial<Label> = {}, week = 0) =>
    all.finished({ ...all.root(), ...label }, week);

  test('is when every goal was asked for', () => {
    const both = joint([at(40), at(40, { id: 'b' })]);
    expect(finished(both)).toBe(false);
    expect(finished(both, { arrivals: [start, -1] })).toBe(false);
    expect(finished(both, { arrivals: [0, start] })).toBe(true);
    expect(finished(joint([at(39), at(40, { id: 'b' })]), { arrivals: [start, start] })).toBe(false);
  });

  test('or when eight weeks running all that was due was forbidden', () => {
    const one = joint([at(10)]);
    expect([7, 8, 9].map((stuck) => finished(one, { stuck }))).toEqual([false, true, true]);
  });

  test('or when what is left waits for what never comes', () => {
    const waiting = (dose: number) => joint([at(40), at(10, { id: 'b', gate: { strand: 0, dose } })]);
    expect(finished(waiting(41), { arrivals: [start, -1] })).toBe(true);
    expect(finished(waiting(40), { arrivals: [start, -1] })).toBe(false);
    const open = joint([at(40), at(10, { id: 'b', gate: { strand: 0, dose: 41 }, state: newState(10) })]);
    expect(finished(open, { arrivals: [start, -1] })).toBe(false);
  });

  test('what the body ends before its goal is known, and late on the last day', () => {
    const most = (value: number | null) =>
      joint([
        at(10, {
          ladder: {
            step: 5,
            byRungs: false,
            first: 5,
            target: 22,
            most: value,
            mostBy: 'strength',
            cap: null,
            growthShare: 1,
          },
        }),
      ]);
    expect([19.9, 20, 21, 30, null].map((value) => most(value).capped[0])).toEqual([true, true, true, false, false]);
    expect(most(null).lastDay).toBe(start + 63);
    const late = joint([at(10)], { calendar: third });
    expect([late.firstWeek, late.lastDay, late.count]).toEqual([2, start + 63, 1]);
  });
});
