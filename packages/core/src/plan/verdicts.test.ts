import fc from 'fast-check';
import type { Correction } from '../corrections';
import { defaultRaiseRule as rule, softSchool } from '../schools';
import { log, logLine, plan, planContext, shelf, strand, verdictOn, limit } from '../testing/samples';
import type { PracticeLog } from '../practice/log';
import { painPlaces } from '../practice/painPlace';
import { axisWords } from '../axis';
import { PlanSchema, type Plan, type Strand } from '../goals/plan';
import {
  decide,
  doseOf,
  isDue,
  lockedStrands,
  planVerdicts,
  stopReasons,
  weekReason,
  type PlanContext,
  type Verdict,
} from '.';

const base = plan([strand({ start: 40 })]);
const two = [log('2026-01-06'), log('2026-01-08')];
/** The verdict on the first strand of a plan. */
const judge = (
  logs: readonly PracticeLog[] = two,
  today = '2026-01-08',
  change: Partial<Strand> = {},
  more: Partial<PlanContext> = {},
  of: Plan = base,
): Verdict => {
  const value = { ...of, strands: of.strands.map((one, index) => (index === 0 ? { ...one, ...change } : one)) };
  return verdictOn(planContext(value, { logs, today, ...more }), value.strands[0]!);
};
const sessions = (...list: readonly (readonly [day: string, change: Partial<PracticeLog>])[]) =>
  list.map(([day, change]) => log(day, change));
const shares = (...list: readonly number[]) =>
  list.map((share, index) => log(`2026-01-0${9 - list.length + index}`, { lines: [logLine(share)] }));
const efforts = (...list: readonly (number | null)[]) =>
  list.map((effort, index) => log(`2026-01-0${9 - list.length + index}`, { effort }));

describe('verdict, each rule at its boundary', () => {
  test('raise after two met sessions at a bearable effort, and say why not more', () => {
    expect(judge()).toMatchObject({ kind: 'raise', fromDose: 60, toDose: 65, logId: 'log-2026-01-08' });
    expect(judge().level).toBeCloseTo(66, 9);
    expect(judge().reasons.join(' ')).toContain('at most 10 %');
    // Where the whole week may grow by less, so may the strand, and that is what is said.
    const slower = judge(two, '2026-01-08', { step: 1 }, { rule: { ...rule, loadGrowth: 0.05 } });
    expect(slower).toMatchObject({ kind: 'raise', toDose: 63 });
    expect(slower.reasons.join(' ')).toContain('at most 5 %');
  });

  test('the order in which logs come makes no difference', () => {
    expect(judge([log('2026-01-08'), log('2026-01-06')])).toEqual(judge());
  });

  test('stay when met once, partly met, or nothing done', () => {
    expect(judge([log('2026-01-08')]).reasons[0]).toBe('Done in full once; 2 in a row are needed before a raise.');
    expect(judge(shares(1, 0.9)).reasons[0]).toBe('90 % of the dose was met on Thu 8 Jan; all of it is wanted.');
    expect(judge(shares(0.9, 1)).reasons[0]).toContain('Done in full once');
    expect(judge([])).toMatchObject({ kind: 'stay', logId: null });
  });

  test('effort: 7 raises, 8 stays; one at the easing mark is watched, two of three are eased', () => {
    expect([7, 8, 9].map((value) => judge(efforts(7, value)).kind)).toEqual(['raise', 'stay', 'stay']);
    expect(judge(efforts(7, 9)).reasons[0]).toContain('one hard day alone; stay, and watch');
    expect(judge(efforts(9, 5, 9))).toMatchObject({ kind: 'ease', toDose: 50 });
    expect(judge(efforts(9, 9))).toMatchObject({ kind: 'ease' });
    // Three days of practice later the first of them no longer counts.
    expect(judge(efforts(9, 5, 5, 9)).kind).toBe('stay');
  });

  test('without an effort nothing is raised, and none is made up', () => {
    expect(judge(efforts(null, 5))).toMatchObject({
      kind: 'stay',
      reasons: ['No effort noted on Wed 7 Jan, so nothing is raised.'],
    });
  });

  test('the effort of one exercise may be set apart from that of the practice', () => {
    const apart = (effort: number) => two.map((one) => ({ ...one, effort: 5, lines: [logLine(1, { effort })] }));
    expect(judge(apart(8)).kind).toBe('stay');
    expect(judge(apart(9)).kind).toBe('ease');
    expect(judge(apart(6)).kind).toBe('raise');
  });

  test('met below 70 % twice eases; once, or at 70 %, it stays', () => {
    expect(judge(shares(0.69, 0.69)).kind).toBe('ease');
    expect(judge(shares(0.7, 0.69)).kind).toBe('stay');
    expect(judge(shares(0.69, 0.7)).kind).toBe('stay');
  });

  test('alignment lost before 70 % twice eases; a loss anywhere forbids a raise', () => {
    const lost = (...list: (number | null)[]) =>
      judge(
        list.map((alignmentKept, index) => log(`2026-01-0${7 + index}`, { lines: [logLine(1, { alignmentKept })] })),
      );
    expect(lost(0.69, 0.5)).toMatchObject({ kind: 'ease' });
    expect(lost(0.69, 0.5).reasons[0]).toContain('Alignment was lost after 50 % and 69 %');
    expect(lost(0.7, 0.69).kind).toBe('stay');
    expect(lost(null, 0.95).reasons[0]).toContain('kept until 95 %');
  });

  test('both sides are wanted: what was noted of one alone has not met the dose', () => {
    const rows = (['left', 'right'] as const).map((side) => ({ side, direction: 'none' as const }));
    const left = two.map((one) => ({ ...one, lines: [logLine(1, { side: 'left' })] }));
    expect(judge(left, '2026-01-08', { rows }).kind).not.toBe('raise');
    const one = [log('2026-01-08', { lines: [logLine(1, { side: 'left' })] })];
    expect(judge(one, '2026-01-08', { rows }).reasons[0]).toContain('nothing was noted for right');
  });

  test('gaps until today: 7 days raise, 8 and 14 stay, 15 and 28 ease, 29 test again', () => {
    const after = (days: number) =>
      judge(two, `2026-0${days > 23 ? 2 : 1}-${String(days > 23 ? days - 23 : days + 8).padStart(2, '0')}`);
    expect([7, 8, 14, 15, 28, 29].map((days) => [after(days).kind, after(days).retest])).toEqual([
      ['raise', false],
      ['stay', false],
      ['stay', false],
      ['ease', false],
      ['ease', false],
      ['ease', true],
    ]);
  });

  test('what it answers: a gap that lasts, or a practice', () => {
    const source = (days: number) => judge(two, `2026-01-${String(days + 8).padStart(2, '0')}`).source;
    expect([7, 8, 14, 15].map(source)).toEqual(['practice', 'gap', 'gap', 'gap']);
    expect(judge([]).source).toBe('practice');
    expect(judge(shares(0.5, 0.5)).source).toBe('practice');
    // Practised over, a gap is answered with the practice after it.
    expect(judge([log('2025-12-20'), log('2026-01-07')])).toMatchObject({ because: 'gap', source: 'practice' });
  });

  test('a gap between two sessions is not forgotten: met 62 days ago and met yesterday is no raise', () => {
    const gone = [log('2025-11-07'), log('2026-01-07')];
    // So long a gap wants a new baseline, also after the first practice.
    expect(judge(gone)).toMatchObject({ kind: 'ease', because: 'retest', retest: true });
    // At the first dose there is nothing to take off, and still no raise.
    expect(judge(gone, '2026-01-08', { start: 60 }).kind).toBe('stay');
    // Once the old dose was met twice after the gap it is found again; a raise is earned anew.
    const back = [...gone, log('2026-01-08')];
    expect(judge(back, '2026-01-08').kind).toBe('stay');
    expect(judge([...back, log('2026-01-09'), log('2026-01-10')], '2026-01-10').kind).toBe('raise');
  });

  test('after a gap of 8 to 14 days the first practice finds the dose again; what was met before still counts', () => {
    const logs = [log('2025-12-28'), log('2026-01-07')];
    expect(judge(logs).because).toBe('back');
    expect(judge([...logs, log('2026-01-08')]).kind).toBe('raise');
  });

  test('a gap that was eased for waits for practice, and the old level comes back in one step', () => {
    const eased = { level: 60, lost: [66], easedOn: '2026-01-24', changedAt: '2026-01-24T10:00:00.000Z' };
    expect(judge(two, '2026-01-26', eased).because).toBe('wait for practice');
    const once = [...two, log('2026-01-27')];
    expect(judge(once, '2026-01-27', eased).reasons[0]).toContain('before the old dose returns');
    const found = judge([...once, log('2026-01-29')], '2026-01-29', eased, {}, plan([strand()], { lighterEvery: 0 }));
    expect(found).toMatchObject({ kind: 'raise', because: 'found', level: 66, toDose: 65 });
  });

  test('what asked for less neither counts nor breaks the run', () => {
    const lighter = log('2026-01-07', {
      lines: [logLine(1, { asked: { amount: 1, seconds: 40 }, done: { amount: 1, seconds: 40 } })],
    });
    expect(judge([log('2026-01-05'), lighter]).reasons[0]).toContain('Done in full once');
    expect(judge([log('2026-01-05'), lighter, log('2026-01-08')]).kind).toBe('raise');
    // The Monday after a lighter week: two practices at less are no reason for a raise.
    expect(
      judge([lighter, { ...lighter, id: 'x', day: '2026-01-08', startedAt: '2026-01-08T08:00:00.000Z' }]),
    ).toMatchObject({
      kind: 'stay',
      reasons: [
        'Not practised at this dose yet.',
        'The practices since then asked for less: they count, but are no test of this dose.',
      ],
    });
  });

  test('nothing is raised within three days after an ease, and nothing eased twice in seven', () => {
    const eased = (easedOn: string) => ({ easedOn, changedAt: `${easedOn}T00:00:00.000Z` });
    expect(judge(two, '2026-01-08', eased('2026-01-06')).because).toBe('after ease');
    expect(judge(two, '2026-01-09', eased('2026-01-06')).kind).toBe('raise');
    const hard = efforts(9, 9);
    expect(judge(hard, '2026-01-08', { easedOn: '2026-01-02' }).because).toBe('eased lately');
    expect(judge(hard, '2026-01-09', { easedOn: '2026-01-02' }).kind).toBe('ease');
  });

  test('an ease never goes below the first dose', () => {
    expect(judge(efforts(9, 9), '2026-01-08', { start: 60 })).toMatchObject({
      kind: 'stay',
      because: 'floor',
      moves: false,
    });
    expect(judge(efforts(10, 10), '2026-01-08', { start: 58 }).level).toBe(58);
  });

  test('where an ease shows in no dose it is a stay that puts back what was saved up, and says so', () => {
    const saved = { start: 60, level: 62 };
    const back = 'The dose stays; done in full twice, what was saved comes back in one step.';
    for (const [practices, today, because] of [
      [efforts(10, 10), '2026-01-08', 'hard'],
      [shares(0.5, 0.5), '2026-01-08', 'short'],
      [two, '2026-01-23', 'gap'],
    ] as const) {
      const found = judge(practices, today, saved);
      expect(found).toMatchObject({ kind: 'stay', because, level: 60, fromDose: 60, toDose: 60, moves: true });
      expect(found.reasons[0]).toContain('what was saved up for the next dose is put back.');
      expect(found.reasons[1]).toBe(back);
    }
    const eased = judge(efforts(10, 10), '2026-01-08');
    expect(eased.reasons[0]).toContain('it goes one step down.');
    expect(eased.reasons[1]).toBe('Done in full twice there, the old dose comes back in one step.');
    // Accepted, the machine has it as an ease: the level is found again, and nothing is raised for a while.
    const accepted = { outcome: 'accepted', level: 60, teacherReason: '' } as const;
    const found = judge(efforts(10, 10), '2026-01-08', saved);
    const after = decide(plan([strand(saved)]), found, accepted, 'd', new Date('2026-01-08T12:00'));
    expect(after.plan.strands[0]).toMatchObject({ level: 60, lost: [62], easedOn: '2026-01-08', raisedOn: null });
    expect(after.decision).toMatchObject({ verdict: 'stay', from: 60, to: 60 });
  });

  test('a baseline that is due says what comes of the dose until then', () => {
    const words = (change: Partial<Strand>) => judge(two, '2026-02-06', change).reasons[0];
    expect(words({})).toContain('until then it goes one step down.');
    expect(words({ start: 60, level: 62 })).toContain('until then what was saved up for the next dose is put back.');
    expect(words({ start: 60 })).toContain('test the baseline again before anything is raised.');
    expect(judge(two, '2026-02-06', { start: 60 })).toMatchObject({ kind: 'stay', retest: true, moves: false });
  });

  test('once a week, not in a lighter or frozen week or a holiday, not beyond the target', () => {
    expect(judge(two, '2026-01-08', { raisedOn: '2026-01-02' }).kind).toBe('stay');
    expect(judge(two, '2026-01-09', { raisedOn: '2026-01-02' }).kind).toBe('raise');
    const late = [log('2026-01-26'), log('2026-01-28')];
    expect(judge(late, '2026-01-28').reasons[0]).toContain('lighter week');
    expect(judge(two, '2026-01-08', {}, {}, plan([strand()], { frozenWeeks: [0] })).reasons[0]).toContain('froze');
    const away = plan([strand()], { holidays: [{ from: '2026-01-08', to: '2026-01-09' }] });
    expect(judge(two, '2026-01-08', {}, {}, away).because).toBe('holiday');
    expect(judge(two, '2026-01-10', {}, {}, away).kind).toBe('raise');
    const at = (level: number) =>
      [6, 8].map((day) =>
        log(`2026-01-0${day}`, {
          lines: [logLine(1, { asked: { amount: 1, seconds: level }, done: { amount: 1, seconds: level } })],
        }),
      );
    expect(judge(at(180), '2026-01-08', { level: 180 }).reasons[0]).toContain('The goal is reached');
    expect(judge(at(175), '2026-01-08', { level: 178 })).toMatchObject({ kind: 'raise', toDose: 180 });
    // A target off the grid is a dose of its own: step 10 s, target 75 s, reached at 75 s.
    const off = { step: 10, target: 75 };
    expect(judge(at(70), '2026-01-08', { ...off, level: 72.6 })).toMatchObject({ kind: 'raise', toDose: 75 });
    expect(judge(at(75), '2026-01-08', { ...off, level: 75 }).because).toBe('reached');
  });

  test('a raise too small for a step is saved up, and said', () => {
    const carried = judge(two, '2026-01-08', { step: 30, level: 60 });
    expect(carried).toMatchObject({ kind: 'stay', toDose: 60, moves: true });
    expect(carried.level).toBeCloseTo(66, 9);
    expect(carried.reasons[1]).toBe('The raise of 10 % is saved up: 1:06 min of the 1:30 min.');
  });

  test('in a school that counts in eights the level grows and the dose waits for sixteen', () => {
    const eight = { axis: 'repetitions' as const, step: 8, start: 8, level: 10.5, target: 24 };
    const logs = [6, 8].map((day) =>
      log(`2026-01-0${day}`, {
        lines: [logLine(1, { kind: 'cycle', asked: { amount: 8, seconds: 40 }, done: { amount: 8, seconds: 40 } })],
      }),
    );
    expect(judge(logs, '2026-01-08', eight)).toMatchObject({ fromDose: 8, toDose: 8, moves: true });
    expect(judge(logs, '2026-01-08', eight).reasons[1]).toContain('11.5 repetitions of the 16 repetitions');
    expect(judge(logs, '2026-01-08', { ...eight, level: 14.6 })).toMatchObject({ kind: 'raise', toDose: 16 });
  });

  test('practices before the level last changed no longer count towards raise or ease', () => {
    expect(judge(two, '2026-01-08', { changedAt: '2026-01-07T00:00:00Z' }).reasons[0]).toContain('once');
    expect(judge(shares(0.2, 0.2), '2026-01-08', { changedAt: '2026-01-08T00:00:00Z' }).kind).toBe('stay');
  });

  test('the numbers are settings of the school', () => {
    const once = judge([log('2026-01-08')], '2026-01-08', {}, { rule: { ...rule, sessionsToRaise: 1 } });
    expect(once.kind).toBe('raise');
    expect(judge(efforts(5, 7), '2026-01-08', {}, { rule: softSchool.raise }).kind).toBe('stay');
  });

  test('practices dated after today do not count, hide no gap, and are pointed out', () => {
    const found = judge([log('2025-12-25'), log('2026-03-01')], '2026-01-08');
    expect(found.reasons[0]).toContain('14 days without practice');
    expect(found.reasons.at(-1)).toBe('One practice is dated after today and does not count yet.');
    expect(judge([log('2026-01-06'), log('2026-01-09')], '2026-01-08').kind).toBe('stay');
  });
});

describe('signs to stop', () => {
  test('pain from 4, or any sign, stops and locks until it is cleared, also when later practices are good', () => {
    expect(judge(sessions(['2026-01-06', {}], ['2026-01-08', { pain: 3 }])).kind).toBe('raise');
    const sore = [log('2026-01-06', { pain: 4, painWhere: 'knee' }), log('2026-01-07'), log('2026-01-08')];
    expect(judge(sore)).toMatchObject({
      kind: 'stop',
      because: 'stop',
      fromDose: 60,
      toDose: 60,
      level: 60,
      moves: false,
      retest: false,
      source: 'stop',
      logId: 'log-2026-01-08',
    });
    // However many signs there were, no more than ten are told.
    const many = Array.from({ length: 14 }, (_, at) => log(`2025-12-${10 + at}`, { symptoms: ['numbness'] }));
    expect(judge(many).reasons).toHaveLength(11);
    expect(judge(sore).reasons.join(' ')).toMatch(/knee.*licensed practitioner/);
    expect(judge([log('2026-01-08', { symptoms: ['chest pain'] })]).kind).toBe('stop');
    expect(judge(sore, '2026-01-08', { clearedAt: '2026-01-06T20:00:00Z' }).kind).toBe('raise');
    expect(stopReasons(strand(), [log('2026-01-08', { symptoms: ['numbness'], pain: 6 })], rule)).toHaveLength(2);
  });

  test('a serious sign, and pain at a place that it loads, stop every strand of the student, in that practice or not', () => {
    const elsewhere = [logLine(1, { segmentId: 'other' })];
    const kindAfter = (change: Partial<PracticeLog>) =>
      judge([log('2026-01-07', { lines: elsewhere, ...change }), log('2026-01-06')]).kind;
    for (const symptom of ['chest pain', 'faintness', 'numbness', 'something new'] as const) {
      expect(kindAfter({ symptoms: [symptom] })).toBe('stop');
    }
    expect(kindAfter({ pain: 8 })).toBe('stop');
    expect(kindAfter({ pain: 8, painPlace: 'knee' })).toBe('stop');
    expect(judge([log('2026-01-07', { pain: 8 })]).kind).toBe('stop');
  });

  test('a sign tells where it hurt, in the words for it or by the place, and locks anew when it is known after the lock was cleared', () => {
    const said = (change: Partial<PracticeLog>) =>
      stopReasons(strand(), [log('2026-01-07', { pain: 6, ...change })], rule)[0];
    expect(said({ painWhere: 'under the kneecap', painPlace: 'knee' })).toContain(
      'Pain 6 of 10 (under the kneecap) on',
    );
    expect(said({ painPlace: 'knee' })).toContain('Pain 6 of 10 (knee) on');
    expect(said({})).toContain('Pain 6 of 10 on');
    const cleared = strand({ clearedAt: '2026-01-07T08:00:00.000Z' });
    const signs = (startedAt: string, enteredAt: string | null = null) =>
      stopReasons(cleared, [log('2026-01-07', { pain: 6, startedAt, enteredAt })], rule).length;
    expect(signs('2026-01-07T08:00:00.000Z')).toBe(0);
    expect(signs('2026-01-07T08:00:01.000Z')).toBe(1);
    expect(signs('2026-01-07T07:00:00.000Z', '2026-01-07T09:00:00.000Z')).toBe(1);
    expect(signs('2026-01-07T07:00:00.000Z', '2026-01-07T07:30:00.000Z')).toBe(0);
  });

  test.each([
    ['tree-holding', ['knee', 'hip', 'ankle or foot', 'low back', 'shoulder', 'elbow or wrist', 'neck', 'elsewhere']],
    ['neutral-stance', ['knee', 'hip', 'ankle or foot', 'low back', 'neck', 'elsewhere']],
    [
      'one-hand-reeling',
      ['knee', 'hip', 'ankle or foot', 'low back', 'shoulder', 'elbow or wrist', 'neck', 'elsewhere'],
    ],
    ['belly-breathing', []],
  ])('pain locks %s at the places that it loads, and nowhere else', (id, places) => {
    const { family } = shelf.get(id)!;
    const own = strand({ exerciseId: id, family });
    const stops = painPlaces.filter(
      (painPlace) => stopReasons(own, [log('2026-01-07', { pain: 5, painPlace })], rule, shelf).length > 0,
    );
    expect(stops).toEqual(places);
  });

  test.each(['four-part-breath', 'belly-breathing'])('pain of a joint does not lock %s, a serious sign does', (id) => {
    const seated = strand({ exerciseId: id, family: 'breathing' });
    const both = { lines: [logLine(), logLine(1, { segmentId: 'b', exerciseId: id })] };
    const of = (change: Partial<PracticeLog>) =>
      stopReasons({ ...seated, segmentId: 'b' }, [log('2026-01-07', { ...both, ...change })], rule, shelf);
    expect(of({ pain: 5, painWhere: 'knee' })).toEqual([]);
    expect(of({ pain: 5, symptoms: ['chest pain'] })).toEqual(['Chest pain was noted on Wed 7 Jan.']);
    expect(
      lockedStrands(
        plan([strand(), { ...seated, id: 't', segmentId: 'b' }]),
        [log('2026-01-07', { ...both, pain: 5 })],
        rule,
        shelf,
      ),
    ).toMatchObject([{ id: 's' }]);
  });

  test('what was entered after the clearing counts by when it was entered', () => {
    const cleared = { clearedAt: '2026-01-08T14:00:00Z' };
    const noon = { startedAt: '2026-01-08T12:00:00Z', pain: 6 };
    expect(judge([log('2026-01-08', noon)], '2026-01-08', cleared).kind).not.toBe('stop');
    expect(judge([log('2026-01-08', { ...noon, enteredAt: '2026-01-08T15:00:00Z' })], '2026-01-08', cleared).kind).toBe(
      'stop',
    );
  });
});

describe('the rails of the whole plan', () => {
  const strands = ['one', 'two', 'three'].map((id, index) =>
    strand({ id, segmentId: id, exerciseName: `The ${id}`, target: 75, targetDay: `2026-0${5 - index}-01` }),
  );
  const value = plan(strands);
  const logs = two.map((one) => ({ ...one, lines: strands.map(({ segmentId }) => logLine(1, { segmentId })) }));
  const verdicts = (raisesPerFamily: number, of = value, more: Partial<PlanContext> = {}) =>
    planVerdicts(planContext(of, { logs, today: '2026-01-08', rule: { ...rule, raisesPerFamily }, ...more }));

  test('no more of a family rise in a week than the school allows; the day that is nearer goes first', () => {
    expect(verdicts(3).map(({ kind }) => kind)).toEqual(['raise', 'raise', 'raise']);
    expect(verdicts(2).map(({ kind }) => kind)).toEqual(['stay', 'raise', 'raise']);
    expect(verdicts(1).map(({ kind }) => kind)).toEqual(['stay', 'stay', 'raise']);
    expect(verdicts(1)[0]!.reasons[0]).toBe('Due, but The three of the same family goes up this week.');
    // Of another family one more may.
    const other = strand({ id: 'other', segmentId: 'other', family: 'reeling', target: 75 });
    const four = logs.map((one) => ({ ...one, lines: [...one.lines, logLine(1, { segmentId: 'other' })] }));
    expect(verdicts(2, plan([...strands, other]), { logs: four }).map(({ kind }) => kind)).toEqual([
      'stay',
      'raise',
      'raise',
      'raise',
    ]);
  });

  test('an opening takes up what the load of its week may grow by: the other one waits', () => {
    const later = strand({ id: 'later', segmentId: 'later', family: 'reeling', gate: { strandId: 'three', dose: 65 } });
    const due = [strands[0]!, { ...strands[2]!, level: 70, target: 70 }, later];
    const found = verdicts(3, plan(due));
    expect(found.map(({ because }) => because).filter((one) => one === 'turn')).toHaveLength(1);
    expect(found.filter(({ moves }) => moves)).toHaveLength(1);
  });

  test('all that is safe may be accepted at once: then nothing of the family is left to rise this week', () => {
    let after = value;
    for (const found of verdicts(1)) {
      if (!found.moves) continue;
      const answer = { outcome: 'accepted', level: found.level, teacherReason: '' } as const;
      after = decide(after, found, answer, found.strandId, new Date('2026-01-08T20:00:00')).plan;
    }
    expect(verdicts(1, after).filter(({ moves }) => moves)).toEqual([]);
  });

  test('what the body is known to hold is the end, and a level above it is pointed out', () => {
    const most = (seconds: number) => verdicts(3, value, { mostDoses: new Map([['one', limit(seconds)]]) })[0]!;
    expect(most(63)).toMatchObject({ kind: 'stay', because: 'capacity', moves: false });
    expect(most(64.9).reasons[0]).toContain('1:00 min is what the school’s budget allows');
    expect(most(65)).toMatchObject({ kind: 'raise', toDose: 65 });
    expect(most(26).reasons.join(' ')).toContain('1:00 min is more than that: look at it.');
  });

  test('a full session takes no more; the nearer goals get what there is', () => {
    const full = { ...value, sessionMinutes: 3 + 30 / 60 };
    const whole = verdicts(3, full);
    expect(whole.map(({ kind }) => kind)).toEqual(['stay', 'raise', 'raise']);
    expect(whole[0]!.reasons[0]).toContain('no more minutes');
  });

  test('a strand behind a gate is not practised, opens by a verdict of its own, and is then practised', () => {
    const gated = strand({ id: 'later', segmentId: 'later', family: 'reeling', gate: { strandId: 'one', dose: 65 } });
    const closed = plan([strands[0]!, gated]);
    const of = (level: number, today = '2026-01-08', own = closed) =>
      planVerdicts(
        planContext({ ...own, strands: [{ ...own.strands[0]!, level }, own.strands[1]!] }, { logs, today }),
      )[1]!;
    expect(of(60)).toMatchObject({ kind: 'stay', because: 'gate', moves: false });
    expect(of(60).reasons[0]).toBe('It opens when The one is at 1:05 min; until then it is left out.');
    // The gate is one of the dose: a level that has not filled the step does not open it.
    expect(of(64.9).because).toBe('gate');
    const opens = of(66);
    expect(opens).toMatchObject({
      kind: 'raise',
      because: 'opens',
      fromDose: 60,
      toDose: 60,
      moves: true,
      logId: null,
    });
    expect(isDue(opens, [], logs, rule, '2026-01-08')).toBe(true);
    const { plan: opened, decision } = decide(
      closed,
      opens,
      { outcome: 'accepted', level: opens.level, teacherReason: '' },
      'd',
      new Date('2026-01-08T20:00:00'),
    );
    expect(opened.strands[1]).toMatchObject({ openedOn: '2026-01-08', level: 60 });
    expect(of(66, '2026-01-09', opened).because).toBe('begin');
    const off = { ...decision, outcome: 'put off' as const };
    expect(isDue(opens, [off], logs, rule, '2026-01-14')).toBe(false);
    expect(isDue(opens, [off], logs, rule, '2026-01-15')).toBe(true);
  });

  test('a checkpoint in work holds its strand until a cue has helped, or six weeks have passed', () => {
    const held = { heldBy: ['knees-track'] };
    const seen: Correction = {
      id: 'c',
      studentId: 'u',
      day: '2026-01-07',
      checkpointId: 'knees-track',
      region: 'knees',
      safety: true,
      cue: 'sit back',
      helped: null,
      stillId: null,
    };
    const kind = (corrections: Correction[], change: Partial<Strand> = held) =>
      judge(two, '2026-01-09', change, { corrections });
    expect(kind([]).kind).toBe('raise');
    expect(kind([seen])).toMatchObject({ kind: 'stay', moves: false });
    expect(kind([seen]).reasons[0]).toBe(
      'Being worked on: knees (last seen Wed 7 Jan). Nothing is raised until a cue has helped.',
    );
    expect(kind([{ ...seen, helped: false }]).kind).toBe('stay');
    expect(kind([{ ...seen, helped: true }]).kind).toBe('raise');
    expect(kind([{ ...seen, checkpointId: 'shoulders-hang', region: 'shoulders' }]).kind).toBe('raise');
    expect(kind([seen], {}).kind).toBe('raise');
    expect(kind([{ ...seen, day: '2025-11-28' }]).kind).toBe('raise');
    expect(kind([{ ...seen, day: '2025-11-29' }]).kind).toBe('stay');
  });
});

describe('decisions', () => {
  const pair = plan([strand(), strand({ id: 'other' })]);
  const now = new Date('2026-01-08T19:00:00');
  const found = judge();
  const answer = (outcome: 'accepted' | 'changed' | 'put off' | 'cleared', level: number, teacherReason = '') => ({
    outcome,
    level,
    teacherReason,
  });

  test('accepting moves the level of that strand alone and remembers why', () => {
    const { plan: after, decision } = decide(pair, found, answer('accepted', found.level), 'd', now);
    expect(doseOf(after.strands[0]!.level, 5)).toBe(65);
    expect(after.strands[0]).toMatchObject({
      raisedOn: '2026-01-08',
      raisedFrom: 60,
      changedAt: now.toISOString(),
      clearedAt: null,
    });
    expect(after.strands[1]).toEqual(pair.strands[1]);
    expect(decision).toMatchObject({
      from: 60,
      to: 65,
      outcome: 'accepted',
      verdict: 'raise',
      logId: 'log-2026-01-08',
    });
    expect(isDue(found, [decision], two, rule, '2026-01-08')).toBe(false);
  });

  test('an ease remembers what was lost, and gives it back', () => {
    const eased = judge(efforts(9, 9));
    const { plan: lower } = decide(plan([strand({ start: 40 })]), eased, answer('accepted', eased.level), 'd', now);
    expect(lower.strands[0]).toMatchObject({ lost: [60], easedOn: '2026-01-08', raisedOn: null });
    expect(lower.strands[0]!.level).toBeCloseTo(60 / 1.1, 9);
    const later = [...efforts(9, 9), log('2026-01-10'), log('2026-01-12')];
    const back = verdictOn(planContext(lower, { logs: later, today: '2026-01-12' }), lower.strands[0]!);
    expect(back).toMatchObject({ because: 'found', level: 60 });
    const again = decide(lower, back, answer('accepted', back.level), 'e', new Date('2026-01-12T19:00:00')).plan;
    expect(again.strands[0]).toMatchObject({ level: 60, lost: [], raisedFrom: 60 });
  });

  test('an overruled dose is kept with the reason, and may pass the target', () => {
    const { plan: after, decision } = decide(pair, found, answer('changed', 200, 'asked for it'), 'd', now);
    expect(after.strands[0]).toMatchObject({ level: 200, target: 200, raisedFrom: 60, raisedOn: '2026-01-08' });
    expect(decision).toMatchObject({ to: 200, teacherReason: 'asked for it' });
    expect(PlanSchema.safeParse(after).success).toBe(true);
    const lower = decide(pair, found, answer('changed', 50), 'd', now).plan;
    expect(lower.strands[0]).toMatchObject({ level: 50, start: 50, lost: [], raisedOn: null });
  });

  test('put off changes nothing; clearing takes the lock away', () => {
    expect(decide(pair, found, answer('put off', 0.5), 'd', now).plan).toEqual(pair);
    const sore = [log('2026-01-07', { pain: 6 })];
    const stopped = judge(sore);
    expect(isDue(stopped, [], sore, rule, '2026-01-08')).toBe(true);
    const cleared = decide(base, stopped, answer('cleared', stopped.level, 'seen'), 'd', now).plan;
    expect(verdictOn(planContext(cleared, { logs: sore, today: '2026-01-08' }), cleared.strands[0]!).kind).toBe('stay');
  });

  test('a gap comes due again when it grows into the next rule', () => {
    const at = (today: string) => judge(two, today);
    const due = (today: string, decisions: Parameters<typeof isDue>[1]) =>
      isDue(at(today), decisions, two, rule, today);
    const { decision } = decide(base, at('2026-01-24'), answer('put off', 60), 'd', new Date('2026-01-24T10:00:00'));
    expect(due('2026-01-23', [])).toBe(true);
    expect(due('2026-01-24', [decision])).toBe(false);
    expect(due('2026-02-06', [decision])).toBe(true);
    expect(due('2026-01-08', [])).toBe(true);
    expect(due('2026-01-17', [])).toBe(false);
    expect(isDue(judge([]), [], [], rule, '2026-01-08')).toBe(false);
  });

  test('reasons of every kind of week read as words', () => {
    const kinds = [
      'now',
      'raise',
      'carry',
      'found',
      'eased',
      'held',
      'lighter',
      'reached',
      'closed',
      'locked',
    ] as const;
    const words = kinds.map((kind) =>
      weekReason(pair, pair.strands[0]!, {
        week: 0,
        day: '2026-01-05',
        dose: 60,
        level: kind === 'reached' ? 180 : 60,
        kind,
        rail: 'gate',
        waitsFor: 'other',
      }),
    );
    expect(new Set(words).size).toBe(kinds.length);
    expect(words[6]).toContain('every 4th week');
    expect(axisWords(65, 'time')).toBe('1:05 min');
  });
});

describe('a better history never gives a lower dose', () => {
  interface Mark {
    readonly share: number;
    readonly kept: number | null;
    readonly effort: number;
  }
  const anyMark = fc.record({
    share: fc.constantFrom(1, 1, 0.9, 0.7, 0.69, 0.4),
    kept: fc.constantFrom(null, null, 0.9, 0.6),
    effort: fc.constantFrom(3, 6, 7, 8, 9, 10),
  });
  const logsOf = (marks: readonly Mark[]) =>
    marks.map(({ share, kept, effort }, index) =>
      log(`2026-01-${String(index + 10)}`, { effort, lines: [logLine(share, { alignmentKept: kept })] }),
    );

  test('one practice done better, in whatever way, leads to the same dose or a higher one', () => {
    fc.assert(
      fc.property(
        fc.array<Mark>(anyMark, { minLength: 1, maxLength: 8 }),
        fc.nat(),
        fc.constantFrom('share', 'kept', 'effort'),
        (marks, at, what) => {
          const index = at % marks.length;
          const mark = marks[index]!;
          const better = {
            ...mark,
            ...(what === 'share' ? { share: 1 } : what === 'kept' ? { kept: null } : { effort: 3 }),
          };
          const level = (list: readonly Mark[]) => judge(logsOf(list), '2026-01-18', { start: 30 }).level;
          expect(level(marks.with(index, better))).toBeGreaterThanOrEqual(level(marks));
        },
      ),
      { numRuns: 1500, seed: 3 },
    );
  });
});
