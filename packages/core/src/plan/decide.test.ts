import { defaultRaiseRule } from '../schools/builtInSchools';
import { plan, strand } from '../testing/samples';
import { decide, isDue, type Answer } from './decide';
import type { Decision } from '../goals/plan';
import type { Verdict } from './planVerdicts';

const now = new Date('2026-02-02T09:00:00');
const at = now.toISOString();
const verdict = (change: Partial<Verdict> = {}): Verdict => ({
  strandId: 's',
  kind: 'raise',
  plateau: null,
  because: 'raise',
  level: 66,
  fromDose: 60,
  toDose: 65,
  moves: true,
  reasons: ['Done in full twice in a row.'],
  logId: 'log-2',
  retest: false,
  source: 'practice',
  ...change,
});
const answer = (outcome: Answer['outcome'], level = 66): Answer => ({ outcome, level, teacherReason: 'So I see it.' });
const other = strand({ id: 'other', segmentId: 'b' });
const answered = (of: Verdict, to: Answer, change = {}) => {
  const value = plan([strand({ lost: [], ...change }), other]);
  const { plan: after, decision } = decide(value, of, to, 'd', now);
  expect(after.strands[1]).toBe(other);
  return { strand: after.strands[0]!, decision, before: value.strands[0]! };
};

describe('a verdict that is answered', () => {
  test('raises when it is accepted: from where, on which day, and remembered with its reasons', () => {
    const { strand: after, decision } = answered(verdict(), answer('accepted'));
    expect(after).toMatchObject({
      level: 66,
      start: 60,
      target: 180,
      raisedOn: '2026-02-02',
      raisedFrom: 60,
      easedOn: null,
      openedOn: null,
      changedAt: at,
    });
    expect(decision).toEqual({
      id: 'd',
      studentId: 'u',
      planId: 'p',
      strandId: 's',
      logId: 'log-2',
      day: '2026-02-02',
      verdict: 'raise',
      outcome: 'accepted',
      from: 60,
      to: 65,
      reasons: ['Done in full twice in a row.'],
      teacherReason: 'So I see it.',
    });
  });

  test('beyond its goal takes the goal along, below its beginning the beginning', () => {
    expect(answered(verdict({ level: 200 }), answer('accepted')).strand.target).toBe(200);
    const eased = answered(verdict({ kind: 'ease', because: 'hard', level: 50 }), answer('accepted'));
    expect(eased.strand).toMatchObject({ level: 50, start: 50, easedOn: '2026-02-02', raisedOn: null });
  });

  test('leaves all as it is when it is put off, moves nothing, or is a sign to stop', () => {
    const off = answered(verdict(), answer('put off'));
    expect(off.strand).toEqual(off.before);
    expect(off.decision).toMatchObject({ outcome: 'put off', from: 60, to: 60 });
    for (const still of [verdict({ moves: false, level: 70 }), verdict({ because: 'stop', kind: 'stop', level: 70 })]) {
      const { strand: after, before, decision } = answered(still, answer('accepted'));
      expect(after).toEqual(before);
      expect(decision.to).toBe(60);
    }
    const cleared = answered(verdict({ because: 'stop', kind: 'stop' }), answer('cleared'));
    expect(cleared.strand).toEqual({ ...cleared.before, clearedAt: at });
  });

  test('opens a strand on that day, at the level it has', () => {
    const { strand: after } = answered(verdict({ because: 'opens', level: 60 }), answer('accepted'));
    expect(after.raisedFrom).toBeNull();
    expect(after).toMatchObject({ level: 60, openedOn: '2026-02-02' });
    expect(answered(verdict(), answer('accepted'), { openedOn: '2026-01-07' }).strand.openedOn).toBe('2026-01-07');
  });

  test('found again is no growth: nothing of it counts from where it was before', () => {
    const { strand: after } = answered(verdict({ because: 'found', level: 80 }), answer('accepted'));
    expect(after).toMatchObject({ level: 80, raisedFrom: 80 });
  });

  test('changed by the teacher: up is a raise, down leaves the last raise and nothing to be found again, the same is nothing', () => {
    const risen = { level: 70, raisedOn: '2026-01-20', raisedFrom: 60 };
    const up = answered(verdict(), answer('changed', 75), risen).strand;
    expect(up).toMatchObject({ level: 75, raisedOn: '2026-02-02', raisedFrom: 70, changedAt: at });
    const down = answered(verdict(), answer('changed', 65), { ...risen, lost: [90] }).strand;
    expect(down).toMatchObject({ level: 65, raisedOn: '2026-01-20', raisedFrom: 60, lost: [], changedAt: at });
    const same = answered(verdict(), answer('changed', 70), risen);
    expect(same.strand).toEqual(same.before);
  });

  test('of the second strand is remembered with its own dose', () => {
    const second = strand({ id: 'second', level: 90 });
    const { plan: after, decision } = decide(
      plan([other, second]),
      verdict({ strandId: 'second', level: 99, fromDose: 90, toDose: 95 }),
      answer('accepted', 99),
      'd',
      now,
    );
    expect([decision.from, decision.to]).toEqual([90, 95]);
    expect(after.strands.map(({ level }) => level)).toEqual([60, 99]);
  });

  test('of a strand that is gone is remembered without a change', () => {
    const { decision, plan: after } = decide(plan([other]), verdict(), answer('accepted'), 'd', now);
    expect(after.strands).toEqual([other]);
    expect(decision).toMatchObject({ strandId: 's', from: 60, to: 60 });
  });
});

describe('whether it waits for the teacher', () => {
  const rule = { ...defaultRaiseRule, stayGapDays: 7, easeGapDays: 14, retestGapDays: 28 };
  const logs = [
    { id: 'log-1', day: '2026-01-02' },
    { id: 'log-2', day: '2026-01-05' },
  ];
  const decided = (day: string, change: Partial<Decision> = {}): Decision => ({
    ...decide(plan([strand()]), verdict(), answer('put off'), 'd', now).decision,
    day,
    ...change,
  });
  const due = (of: Partial<Verdict>, decisions: Decision[] = [], today = '2026-02-02') =>
    isDue(verdict(of), decisions, logs, rule, today);

  test('a sign to stop does while there is a practice it was noted in, whatever was decided', () => {
    const stop = { source: 'stop', moves: false } as const;
    expect(due(stop, [decided('2026-02-01')])).toBe(true);
    expect(due({ ...stop, logId: null })).toBe(false);
  });

  test('what moves nothing does not, but for a new baseline; nor what answers no practice', () => {
    expect(due({ moves: false })).toBe(false);
    expect(due({ moves: false, retest: true })).toBe(true);
    expect(due({ logId: null })).toBe(false);
  });

  test('a practice is answered once; an answer to another practice or strand is none', () => {
    expect(due({})).toBe(true);
    expect(due({}, [decided('2026-01-05')])).toBe(false);
    expect(due({}, [decided('2026-01-05', { logId: 'log-1' })])).toBe(true);
    expect(due({}, [decided('2026-01-05', { strandId: 'other' })])).toBe(true);
  });

  test('an opening that was put off is asked again after a week', () => {
    const opens = { because: 'opens', logId: null } as const;
    expect(due(opens)).toBe(true);
    expect(due(opens, [decided('2026-01-27')])).toBe(false);
    expect(due(opens, [decided('2026-01-26')])).toBe(true);
  });

  test.each([
    ['stay', false, '2026-01-18', '2026-01-19'],
    ['ease', false, '2026-01-18', '2026-01-19'],
    ['stay', true, '2026-02-01', '2026-02-02'],
    ['ease', true, '2026-02-01', '2026-02-02'],
  ] as const)(
    'a gap waits again when it has grown (%s, baseline %s): an answer of %s is too early for it, one of %s is for it',
    (kind, retest, early, late) => {
      const gap = { source: 'gap', kind, retest } as const;
      expect(due(gap, [decided(early)])).toBe(true);
      expect(due(gap, [decided(late)])).toBe(false);
    },
  );

  test('a gap since a practice that is gone is answered like a practice', () => {
    const gone = { source: 'gap', logId: 'gone' } as const;
    expect(due(gone)).toBe(true);
    expect(due(gone, [decided('2026-01-06', { logId: 'gone' })])).toBe(false);
  });
});
