import { seasonRules } from '../../testing/seasonSamples';
import { applied } from './applied';
import { judge, mayMove, noBars } from './judge';
import { knownLevel, NEVER, newState, type Ladder, type Rules, type StrandState } from './strandState';
import { gapAnswered, withSession } from './withSession';

/** A rule whose numbers are all different, so that none stands for another. */
const rules: Rules = { ...seasonRules, growth: 0.1, sessionsToRaise: 3 };
const ladder: Ladder = {
  step: 5,
  byRungs: false,
  first: 60,
  target: 600,
  most: null,
  mostBy: 'strength',
  cap: null,
  growthShare: 1,
};
const state = (change: Partial<StrandState>): StrandState => ({ ...newState(100), lastOn: 0, sessions: 3, ...change });
const said = (change: Partial<StrandState>, day = 1, bars = noBars, on = ladder) =>
  judge(state(change), day, on, rules, bars);
const ready = { metRun: 3, goodRun: 3 };

describe('a gap', () => {
  test('counts from the days of the rule on, not a day before', () => {
    expect(said({}, 7).because).toBe('partly');
    expect(said({}, 8).because).toBe('find first');
    expect(said({}, 14).because).toBe('find first');
    expect(said({}, 15)).toEqual({
      kind: 'ease',
      because: 'gap',
      level: expect.closeTo(100 / 1.1, 9) as number,
      passing: true,
    });
    expect(said({}, 28).because).toBe('gap');
    expect(said({}, 29)).toEqual({
      kind: 'ease',
      because: 'retest',
      level: expect.closeTo(100 / 1.1, 9) as number,
      passing: true,
    });
  });

  test('that was answered waits for practice, and asks for the test without easing again', () => {
    expect(said({ changedOn: 15 }, 15).because).toBe('wait for practice');
    expect(said({ changedOn: 14 }, 15).because).toBe('gap');
    expect(said({ changedOn: 15 }, 29)).toEqual({ kind: 'ease', because: 'retest', level: null, passing: true });
    expect(gapAnswered(state({ lastOn: 20, changedOn: 35 }), rules)).toBe(true);
    expect(gapAnswered(state({ lastOn: 20, changedOn: 34 }), rules)).toBe(false);
  });

  test('that ended unanswered is eased when it is seen; at the first dose there is nothing to ease', () => {
    expect(said({ gap: 20 }).because).toBe('gap');
    expect(said({ gap: 20, level: 60 }).because).toBe('floor');
    expect(said({ level: 60 }, 29)).toMatchObject({ because: 'retest', level: null });
    // Never practised is no gap.
    expect(said({ lastOn: NEVER, sessions: 0 }, 100).because).toBe('begin');
  });
});

describe('strain', () => {
  test('twice running, or two of three hard, eases; once does not', () => {
    for (const [one, two, because] of [
      [{ looseRun: 1 }, { looseRun: 2 }, 'loose'],
      [{ shortRun: 1 }, { shortRun: 2 }, 'short'],
      [{ hard: 4 }, { hard: 5 }, 'hard'],
    ] as const) {
      expect(said({ ...one, ...ready }).kind).toBe('raise');
      expect(said({ ...two, ...ready })).toMatchObject({ kind: 'ease', because, passing: true });
      expect(mayMove(state(one), rules)).toBe(false);
      expect(mayMove(state(two), rules)).toBe(true);
    }
    expect(said({ shortRun: 2, easedOn: -5 }).because).toBe('eased lately');
    expect(said({ shortRun: 2, easedOn: -6 }).because).toBe('short');
    expect(said({ shortRun: 2, level: 60 }).because).toBe('floor');
  });

  test('nothing moves before enough good sessions, but for what is open, hard, gapped or closed', () => {
    expect(mayMove(state({ goodRun: 1 }), rules)).toBe(false);
    expect(mayMove(state({ goodRun: 2 }), rules)).toBe(true);
    expect(mayMove(state({ goodRun: 1 }), { sessionsToRaise: 1 })).toBe(true);
    expect(mayMove(state({ gap: 1 }), rules)).toBe(true);
    expect(mayMove(state({ open: false }), rules)).toBe(true);
    for (const hard of [0, 1, 2, 4]) expect(mayMove(state({ hard }), rules)).toBe(false);
    for (const hard of [3, 5, 6, 7]) expect(mayMove(state({ hard }), rules)).toBe(true);
  });
});

describe('a raise', () => {
  test('is a tenth, on days of its own, and what was lost comes back whole, after two', () => {
    expect(said(ready)).toEqual({
      kind: 'raise',
      because: 'raise',
      level: expect.closeTo(110, 9) as number,
      passing: true,
    });
    expect(said({ ...ready, raisedOn: -5 }).because).toBe('week');
    expect(said({ ...ready, raisedOn: -6 }).because).toBe('raise');
    expect(said({ ...ready, easedOn: -1 }).because).toBe('after ease');
    expect(said({ ...ready, easedOn: -2 }).because).toBe('raise');
    expect(said({ metRun: 2, goodRun: 2 }).because).toBe('run');
    expect(said({ metRun: 2, goodRun: 2, lost: [150, 130] })).toEqual({
      kind: 'raise',
      because: 'found',
      level: 130,
      passing: true,
    });
    const held: Ladder = { ...ladder, most: 120 };
    expect(said({ metRun: 2, goodRun: 2, lost: [130] }, 1, noBars, held).level).toBe(120);
    expect(said({ ...ready, level: 119 }, 1, noBars, held).level).toBe(120);
    // What is lost is found again although the target was lowered since.
    expect(said({ ...ready, level: 600, lost: [650] }).because).toBe('found');
    expect(said({ ...ready, level: 600 }).because).toBe('reached');
  });

  test('waits for a point, a pause, a turn; closed, for its gate before all', () => {
    const closed = { ...ready, open: false };
    expect(said(closed)).toEqual({ kind: 'raise', because: 'opens', level: 100, passing: true });
    expect(said(closed, 1, { ...noBars, gateOpen: false, point: true }).because).toBe('gate');
    for (const before of [ready, closed]) {
      expect(said(before, 1, { ...noBars, point: true }).because).toBe('point');
      expect(said(before, 1, { ...noBars, pause: 'holiday' }).because).toBe('holiday');
      expect(said(before, 1, { ...noBars, turn: false }).because).toBe('turn');
    }
  });
});

describe('a session', () => {
  const after = (change: Partial<StrandState>, session: object = {}, day = 1) =>
    withSession(state(change), { day, share: 1, kept: 1, effort: 6, counts: true, ...session }, rules);

  test('is met, good, short, loose or hard at the very numbers of the rule', () => {
    const mark = (session: object) => {
      const { metRun, goodRun, shortRun, looseRun, hard } = after({}, session);
      return [metRun, goodRun, shortRun, looseRun, hard];
    };
    expect(mark({})).toEqual([1, 1, 0, 0, 0]);
    expect(mark({ effort: 7 })).toEqual([1, 1, 0, 0, 0]);
    expect(mark({ effort: 8 })).toEqual([1, 0, 0, 0, 0]);
    expect(mark({ effort: 9 })).toEqual([1, 0, 0, 0, 1]);
    expect(mark({ effort: null })).toEqual([1, 0, 0, 0, 0]);
    expect(mark({ share: 0.7, kept: 0.7 })).toEqual([0, 0, 0, 0, 0]);
    expect(mark({ share: 0.69, kept: 0.69 })).toEqual([0, 0, 1, 1, 0]);
  });

  test('is counted as far as the rule looks, and hard ones as three are remembered', () => {
    const long = after({ metRun: 3, goodRun: 3, sessions: 3, hard: 6 }, { effort: 6 });
    expect(long).toMatchObject({ metRun: 3, goodRun: 3, sessions: 3, hard: 4 });
    expect(after({ sessions: 1 }).sessions).toBe(2);
    expect(after({ sessions: 0 }).sessions).toBe(1);
    const few = withSession(
      state({ metRun: 2, sessions: 2 }),
      { day: 1, share: 1, kept: 1, effort: 6, counts: true },
      { ...rules, sessionsToRaise: 1 },
    );
    // Two are needed to find again, however few to raise.
    expect(few).toMatchObject({ metRun: 2, sessions: 2 });
  });

  test('comes back after the days of the rule, and forgets behind a long gap', () => {
    expect(after({}, {}, 7).back).toBe(false);
    expect(after({}, {}, 8).back).toBe(true);
    expect(after({ metRun: 2 }, {}, 14)).toMatchObject({ metRun: 3, gap: 0 });
    expect(after({ metRun: 2 }, {}, 15)).toMatchObject({ metRun: 1, gap: 15, sessions: 1, lastOn: 15 });
    expect(after({ metRun: 2, changedOn: 15 }, {}, 16)).toMatchObject({ metRun: 1, gap: 0 });
    // Met twice after a gap that nobody answered, it is found again as it was; once more before it may rise.
    expect(after({ gap: 20, metRun: 1 })).toMatchObject({ gap: 0, metRun: 2, sessions: 3, back: true });
    expect(after({ gap: 20, metRun: 0 })).toMatchObject({ gap: 20, metRun: 1 });
  });

  test('that does not count leaves only its day', () => {
    expect(after({ metRun: 1, gap: 3 }, { counts: false }, 4)).toEqual({ ...state({ metRun: 1, gap: 3 }), lastOn: 4 });
  });
});

describe('what is accepted', () => {
  test('eased is remembered, ten at most, the latest last; a raise forgets what it reaches', () => {
    const lost = Array.from({ length: 10 }, (_, at) => 300 - at);
    const eased = applied(state({ lost }), { kind: 'ease', because: 'gap', level: 90 }, 5);
    expect(eased.lost).toEqual([...lost.slice(1), 100]);
    expect(eased).toMatchObject({ level: 90, easedOn: 5, changedOn: 5, raisedOn: NEVER, lastOn: 0, sessions: 0 });
    const raised = applied(state({ lost: [150, 130, 110] }), { kind: 'raise', because: 'raise', level: 130 }, 5);
    expect(raised).toMatchObject({ lost: [150], level: 130, raisedOn: 5, changedOn: 5, easedOn: NEVER });
    const none: readonly number[] = [];
    // The same list: a season compares states by it.
    expect(applied(state({ lost: none }), { kind: 'raise', because: 'raise', level: 110 }, 5).lost).toBe(none);
  });

  test('a strand that is closed has no level yet; one that is eased has the highest that it had', () => {
    expect(knownLevel({ open: false, level: 80, lost: [90] })).toBe(0);
    expect(knownLevel({ open: true, level: 80, lost: [] })).toBe(80);
    expect(knownLevel({ open: true, level: 80, lost: [90, 85] })).toBe(90);
    expect(knownLevel({ open: true, level: 95, lost: [90] })).toBe(95);
    expect(newState(60).open).toBe(true);
  });
});
