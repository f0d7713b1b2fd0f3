import fc from 'fast-check';
import { balanceLimit, bodyOf, toeLineBend } from '../body';
import { limitTime, postureAnswers, postureLoads } from '../endurance';
import { BundleSchema, emptyContents } from '../formats';
import { hold, posture, together } from '../library/describe';
import { builtInSchools, SchoolSchema, settlePosture, softSchool, stanceOfPosture, strictSchool } from '../schools';
import { log, plan, routine, segment, strand, planContext, logLine, verdictOn } from '../testing/samples';
import { segmentWords, turnedWords, unturned } from '../routine';
import { PlanSchema } from '../goals/plan';
import { dosedRoutine, nextRung, postureIn, rungExchange, takeRung, type RungBody } from '.';

const body = bodyOf({ stature: 1.7, mass: 70 });
const person: RungBody = {
  body,
  capacity: { kneeNm: 150, shoulderNm: 45, spread: { legs: 1, arms: 1 }, guessed: { legs: false, arms: false } },
  ankleRangeDeg: 38,
};
const high = settlePosture(posture({ kneeBendDeg: 30 }), softSchool);
const low = { ...high, kneeBendDeg: 50 };
const now = new Date('2026-03-02T09:00:00');

describe('the hold of equal effort in another posture', () => {
  test('is the share of endurance kept: t2 = t1 · ET2 / ET1 (sources: Capacity), and begins a tenth under it on the step', () => {
    const { equal, begin, step, limitedBy } = rungExchange(person, high, 120, low);
    const endurance = (stance: typeof high) => limitTime(postureLoads(body, stance), person.capacity, 'legs').seconds;
    expect(limitedBy).toBe('legs');
    expect(equal.seconds).toBeCloseTo((120 * endurance(low)) / endurance(high), 6);
    expect(equal.seconds).toBeLessThan(120);
    expect(equal.least).toBeLessThan(equal.seconds);
    expect(equal.most).toBeGreaterThan(equal.seconds);
    expect(begin % step).toBe(0);
    expect(begin).toBeLessThanOrEqual(equal.seconds * 0.9);
    expect(begin).toBeGreaterThan(equal.seconds * 0.9 - step);
  });

  test('lower is never longer, and there and back is the same hold', () => {
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 60 }), fc.integer({ min: 2, max: 25 }), (bend, deeper) => {
        const from = { ...high, kneeBendDeg: bend };
        const to = { ...high, kneeBendDeg: bend + deeper };
        const there = rungExchange(person, from, 90, to).equal.seconds;
        expect(there).toBeLessThanOrEqual(90 + 1e-9);
        if (rungExchange(person, to, there, from).limitedBy === 'legs') {
          expect(rungExchange(person, to, there, from).equal.seconds).toBeCloseTo(90, 4);
        }
      }),
    );
  });

  test('never longer than a dose can be, never shorter than a step', () => {
    const longest = rungExchange(person, { ...high, kneeBendDeg: 60 }, 3600, { ...high, kneeBendDeg: 20 });
    expect(longest.limitedBy).toBe('legs');
    expect(longest.equal.seconds).toBe(7200);
    expect(longest.begin).toBeLessThanOrEqual(7200);
    expect(rungExchange(person, high, 1, { ...high, kneeBendDeg: 90 }).begin).toBe(5);
  });

  test('where no ankle ever gives way nothing is beyond balance', () => {
    const free = { ...person, ankleRangeDeg: 60 };
    const deep = { ...high, kneeBendDeg: 90, trunkPitchDeg: 60 };
    expect(postureAnswers(body, deep, person.capacity, 60).balanceLimitDeg).toBeNull();
    expect(rungExchange(free, high, 60, deep).beyondBalance).toBe(false);
  });

  test('says when the knees pass the toes or the heels lift', () => {
    const limit = balanceLimit(body, stanceOfPosture(high), 20)!;
    const stiff = { ...person, ankleRangeDeg: 20 };
    expect(rungExchange(stiff, high, 60, { ...high, kneeBendDeg: limit - 1 }).beyondBalance).toBe(false);
    expect(rungExchange(stiff, high, 60, { ...high, kneeBendDeg: limit + 1 }).beyondBalance).toBe(true);
    expect(rungExchange(stiff, high, 60, { ...high, kneeBendDeg: limit }).beyondBalance).toBe(false);
    const line = toeLineBend(body, stanceOfPosture(high))!;
    expect(rungExchange(person, high, 60, { ...high, kneeBendDeg: line + 2 }).kneePastToes).toBeGreaterThan(0);
  });
});

describe('the next rung', () => {
  const sided = { twoSided: true };
  const next = (change: Partial<typeof high>, level: number, school = softSchool, exercise = sided) =>
    nextRung(person, { ...high, ...change }, exercise, { level, target: 120 }, school);

  test('follows the order of the school: the hold first, or the depth first', () => {
    expect(next({}, 60)).toEqual({ axis: 'time', turned: null });
    expect(next({}, 60, strictSchool)).toEqual({ axis: 'bend', turned: { kneeBendDeg: 40 } });
    expect(next({}, 120)).toEqual({ axis: 'bend', turned: { kneeBendDeg: 40 } });
  });

  test('goes to the next axis where one has no room: the toe line, one leg, the shoulders', () => {
    const line = Math.min(90, toeLineBend(body, stanceOfPosture(high)) ?? 90);
    expect(next({ kneeBendDeg: line - 9 }, 120)?.axis).toBe('share');
    expect(next({ kneeBendDeg: 100, weightShare: 1, shoulderRaiseDeg: 30 }, 120)).toEqual({
      axis: 'arms',
      turned: { shoulderRaiseDeg: 45 },
    });
    expect(next({ kneeBendDeg: 100, shoulderRaiseDeg: 80 }, 120, softSchool, { twoSided: false })).toBeNull();
    expect(next({ kneeBendDeg: 100, weightShare: 0.95 }, 120)?.turned).toEqual({ weightShare: 1 });
    expect(next({ seated: true, shoulderRaiseDeg: 0 }, 120)?.axis).toBe('arms');
    // To the height of the shoulders, and a share of the weight by tenths.
    expect(next({ kneeBendDeg: 100, weightShare: 1, shoulderRaiseDeg: 75 }, 120)?.turned).toEqual({
      shoulderRaiseDeg: 90,
    });
    expect(next({ kneeBendDeg: 100, weightShare: 0.55 }, 120)?.turned).toEqual({ weightShare: 0.65 });
  });

  test('a bow goes no lower than its own toe line', () => {
    const supple = { ...person, ankleRangeDeg: 60 };
    const bow = { ...high, ahead: 2, weightShare: 0.7, otherToesOutDeg: 45 };
    const { toeLineBendDeg: line } = postureAnswers(body, bow, person.capacity, 60);
    expect(line).toBeLessThan(90);
    expect(Math.abs(line! - toeLineBend(body, stanceOfPosture(bow))!)).toBeGreaterThan(2);
    const axisAt = (kneeBendDeg: number) =>
      nextRung(supple, { ...bow, kneeBendDeg }, sided, { level: 120, target: 120 }, softSchool)?.axis;
    expect([axisAt(line! - 10), axisAt(line! - 9)]).toEqual(['bend', 'share']);
  });

  test('a stiff ankle forbids the lower rung, whatever the school would take first', () => {
    const by = (ankleRangeDeg: number) =>
      nextRung({ ...person, ankleRangeDeg }, high, { twoSided: true }, strand({ level: 60, target: 180 }), strictSchool)
        ?.axis;
    expect(by(38)).toBe('bend');
    const limit = balanceLimit(body, stanceOfPosture(high), 18)!;
    expect(limit).toBeLessThan(high.kneeBendDeg + 10);
    expect(by(18)).toBe('share');
  });

  test('the order of a school names every axis once', () => {
    for (const school of builtInSchools) expect(SchoolSchema.parse(school).rungOrder).toHaveLength(4);
    const twice = SchoolSchema.safeParse({ ...softSchool, rungOrder: ['time', 'time', 'bend', 'arms'] });
    expect(twice.error?.issues[0]).toMatchObject({ path: ['rungOrder'], message: expect.stringContaining('once') });
    expect(SchoolSchema.parse({ ...softSchool, rungOrder: undefined }).rungOrder[0]).toBe('time');
  });
});

describe('taking a rung', () => {
  const start = plan([strand({ level: 120, target: 180, changedAt: null })]);
  const exchange = rungExchange(person, high, 120, low);
  const taken = takeRung(start, 's', { kneeBendDeg: 50 }, exchange, 'd', now);

  test('puts the posture into the plan, the dose to where it begins, and remembers both', () => {
    expect(taken.plan.postures).toEqual([
      {
        segmentId: 'a',
        turned: { ...unturned, kneeBendDeg: 50 },
      },
    ]);
    expect(taken.plan.strands[0]).toMatchObject({
      level: exchange.begin,
      step: exchange.step,
      target: 180,
      changedAt: now.toISOString(),
    });
    expect(taken.plan.strands[0]!.start).toBe(Math.min(60, exchange.begin));
    expect(taken.decision).toMatchObject({ outcome: 'changed', from: 120, to: exchange.begin, logId: null });
    expect(taken.decision.reasons[0]).toContain('bend 50°');
    expect(PlanSchema.parse(taken.plan)).toEqual(taken.plan);
    expect(BundleSchema.shape.contents.safeParse({ ...emptyContents(), plans: [taken.plan] }).success).toBe(true);
  });

  test('is what the student practises from now on, over what the routine itself turns', () => {
    const base = routine([
      segment('a', hold(60, together(1)), {
        turned: { ...unturned, kneeBendDeg: 20, shoulderRaiseDeg: 45 },
      }),
    ]);
    const [own] = dosedRoutine(base, taken.plan, '2026-03-03', [1, 3, 5]).segments;
    expect(own).toMatchObject({
      dose: { holdSeconds: exchange.begin },
      turned: { kneeBendDeg: 50, shoulderRaiseDeg: 45 },
    });
    expect(dosedRoutine(base, start, '2026-03-03', [1, 3, 5]).segments[0]).toMatchObject({
      turned: { kneeBendDeg: 20 },
    });
  });

  test('practices before it no longer count towards a raise, those after it do', () => {
    const asked = { amount: 1, seconds: 600 };
    const at = (day: string) => log(day, { lines: [logLine(1, { asked, done: asked })] });
    const before = ['2026-02-26', '2026-02-28'].map(at);
    const after = ['2026-03-03', '2026-03-05'].map(at);
    const judged = (of: typeof start, logs: typeof before, today: string) =>
      verdictOn(planContext(of, { logs, today, rule: softSchool.raise }), of.strands[0]!);
    expect(judged(start, before, '2026-03-02').reasons[0]).toContain('Done in full twice in a row');
    expect(judged(taken.plan, before, '2026-03-02').reasons).toEqual(['Not practised at this dose yet.']);
    expect(judged(taken.plan, [...before, ...after], '2026-03-06').reasons[0]).toContain('Done in full twice in a row');
  });

  test('going back leaves the posture of the routine; an unknown strand is refused by name', () => {
    const back = takeRung(taken.plan, 's', { kneeBendDeg: null }, exchange, 'e', now);
    expect(back.plan.postures).toEqual([]);
    expect(back.decision.reasons[0]).toContain('the posture of the routine');
    expect(postureIn(back.plan, 'a')).toEqual({});
    expect(() => takeRung(start, 'nobody', {}, exchange, 'f', now)).toThrow(/strandId.*nobody/);
  });

  test('leaves the postures of other segments, and what is turned of its own beside it', () => {
    const other = { segmentId: 'b', turned: { ...unturned, kneeBendDeg: 15 } };
    const own = { segmentId: 'a', turned: { ...unturned, shoulderRaiseDeg: 45 } };
    const turned = takeRung({ ...start, postures: [other, own] }, 's', { kneeBendDeg: 50 }, exchange, 'd', now).plan;
    expect(turned.postures).toEqual([
      other,
      { segmentId: 'a', turned: { ...unturned, shoulderRaiseDeg: 45, kneeBendDeg: 50 } },
    ]);
    // One of two turns taken back leaves the other.
    const back = takeRung(turned, 's', { kneeBendDeg: null }, exchange, 'e', now).plan;
    expect(back.postures).toEqual([other, own]);
  });

  test('begins anew: what was lost or raised is forgotten, and the goal is never below where it begins', () => {
    const risen = strand({
      level: 120,
      start: 10,
      target: 60,
      lost: [{ level: 130, fails: 1 }],
      raisedFrom: 100,
    } as never);
    const { plan: after, decision } = takeRung(
      plan([risen, strand({ id: 't', segmentId: 'b', level: 33 })]),
      's',
      { kneeBendDeg: 50 },
      { ...exchange, begin: 80, step: 10 },
      'd',
      now,
    );
    expect(after.strands[0]).toMatchObject({ start: 10, level: 80, target: 80, step: 10, lost: [], raisedFrom: null });
    expect(after.strands[1]).toEqual(strand({ id: 't', segmentId: 'b', level: 33 }));
    expect(decision).toMatchObject({ day: '2026-03-02', verdict: 'stay', strandId: 's', planId: 'p', studentId: 'u' });
  });

  test('a strand that is itself that axis stands where the segment was turned to; others of it stay', () => {
    const bend = strand({ id: 'bend', axis: 'bend', step: 5, start: 30, level: 30, target: 40, raisedFrom: 25 });
    const here = strand({ id: 'here', axis: 'bend', step: 5, start: 30, level: 50, target: 60 });
    const arms = strand({ id: 'arms', axis: 'arms', step: 5, start: 45, level: 45, target: 60 });
    const elsewhere = strand({ id: 'else', segmentId: 'b', axis: 'bend', step: 5, start: 30, level: 30, target: 40 });
    const value = plan([strand({ level: 120, target: 180 }), bend, here, arms, elsewhere]);
    const [, turned, ...others] = takeRung(value, 's', { kneeBendDeg: 50 }, exchange, 'd', now).plan.strands;
    expect(turned).toEqual({
      ...bend,
      level: 50,
      start: 30,
      target: 50,
      lost: [],
      raisedFrom: null,
      changedAt: now.toISOString(),
    });
    // One stands there already, one is another axis, one another segment: none is touched.
    expect(others).toEqual([here, arms, elsewhere]);
    const higher = takeRung(value, 's', { kneeBendDeg: 20 }, exchange, 'd', now).plan.strands[1];
    expect(higher).toMatchObject({ level: 20, start: 20, target: 40 });
    // A share of the weight is counted in percent.
    const share = strand({ id: 'share', axis: 'share', step: 5, start: 50, level: 60, target: 80 });
    const onOne = takeRung(plan([strand(), share]), 's', { weightShare: 0.7 }, exchange, 'd', now).plan.strands[1];
    expect(onOne).toMatchObject({ level: 70, start: 50, target: 80 });
    // Back to the posture of the routine says nothing of where it is.
    expect(takeRung(value, 's', { kneeBendDeg: null }, exchange, 'd', now).plan.strands[1]).toEqual(bend);
  });

  test('reads as words', () => {
    expect(turnedWords({ kneeBendDeg: 55, weightShare: 0.7, shoulderRaiseDeg: null, ahead: 1.5 })).toBe(
      'bend 55°, 70 % on the working leg, foot ahead 1.5 × its length',
    );
    expect(turnedWords({})).toBe('');
    const turned = { ...unturned, kneeBendDeg: 45 };
    expect(segmentWords(segment('a', hold(40, together(1), 0), { turned }))).toBe('1 hold × 40 s, bend 45°');
    expect(segmentWords(segment('a', hold(40, together(1), 0)))).toBe('1 hold × 40 s');
  });
});
