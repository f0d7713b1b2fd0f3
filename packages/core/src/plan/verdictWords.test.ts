import type { PracticeLog } from '../practice/log';
import { builtInExercises } from '../library';
import { defaultRaiseRule } from '../schools';
import { log, logLine, plan, planContext, strand, verdictOn, limit } from '../testing/samples';
import { type Plan, type Strand } from '../goals/plan';
import { isSavingUp, savedWords, type PlanContext } from '.';

interface Case extends Partial<Omit<PlanContext, 'plan'>> {
  /** Practices, each with what came of it. */
  readonly of?: readonly (readonly [day: string, change: Partial<PracticeLog>])[];
  readonly on?: string;
  readonly strand?: Partial<Strand>;
  readonly plan?: Partial<Plan>;
}
const words = ({
  of = [],
  on = '2026-01-08',
  strand: change = {},
  plan: value = {},
  ...more
}: Case): readonly string[] => {
  const one = strand({ start: 40, ...change });
  const logs = of.map(([day, practice]) => log(day, practice));
  return verdictOn(planContext(plan([one], { lighterEvery: 0, ...value }), { logs, today: on, ...more }), one).reasons;
};
const share = (done: number, change = {}) => ({ lines: [logLine(done, change)] });
const kept = (alignmentKept: number) => share(1, { alignmentKept });
const [mon, tue, wed, thu] = ['2026-01-05', '2026-01-06', '2026-01-07', '2026-01-08'] as const;
/** Practices on the last of Monday, Tuesday and Thursday. */
const practised = (...changes: readonly Partial<PracticeLog>[]) =>
  changes.map((change, at) => [[mon, tue, thu].slice(-changes.length)[at]!, change] as const);
const two = practised({}, {});
const tree = builtInExercises.find(({ id }) => id === 'tree-holding')!;
const legsOnly = { ...tree.posture, shoulderRaiseDeg: 0 };
const down = 'Done in full twice there, the old dose comes back in one step.';

describe('in a teacher’s words, with the figures they rest on', () => {
  test.each<[string, Case, readonly string[]]>([
    ['a gap that lasts', { of: two, on: '2026-01-23' }, ['15 days without practice: it goes one step down.', down]],
    [
      'a gap that lasts longer',
      { of: two, on: '2026-01-24' },
      ['16 days without practice: it goes one step down.', down],
    ],
    [
      'a gap that was practised over',
      {
        of: [
          ['2025-12-01', {}],
          [wed, {}],
        ],
      },
      ['37 days without practice before Wed 7 Jan: test the baseline again; until then it goes one step down.'],
    ],
    ['a shorter gap', { of: two, on: '2026-01-16' }, ['8 days without practice: find the old dose again first.']],
    [
      'eased for the gap',
      { of: two, on: '2026-01-25', strand: { changedAt: '2026-01-24T08:00:00.000Z', easedOn: '2026-01-24' } },
      ['17 days without practice; it was eased for that and waits for the first practice.'],
    ],
    [
      'alignment lost',
      {
        of: practised(kept(0.3), kept(0.5), kept(0.6)),
      },
      ['Alignment was lost after 60 % and 50 % of the round, twice in a row: it goes one step down.', down],
    ],
    [
      'too little met',
      {
        of: practised(share(0.3), share(0.5), share(0.6)),
      },
      ['Only 60 % and 50 % of the dose was done, twice in a row; below 70 % it goes one step down.', down],
    ],
    [
      'too hard, once without a note',
      {
        of: [
          [mon, { effort: 9 }],
          [tue, { effort: 9 }],
          [wed, { effort: null }],
          [thu, { effort: 10 }],
        ],
      },
      ['Effort 10, –, 9 of 10 recently; twice in three from 9 on, it goes one step down.', down],
    ],
    [
      'eased today',
      {
        of: practised({ effort: 9 }, { effort: 10 }),
        strand: { easedOn: thu },
      },
      ['Eased today; once in 7 days is enough.'],
    ],
    [
      'eased yesterday',
      {
        of: practised({ effort: 9 }, { effort: 10 }),
        strand: { easedOn: wed },
      },
      ['Eased yesterday; once in 7 days is enough.'],
    ],
    [
      'eased some days ago',
      {
        of: practised({ effort: 9 }, { effort: 10 }),
        strand: { easedOn: '2026-01-03' },
      },
      ['Eased 5 days ago, on Sat 3 Jan; once in 7 days is enough.'],
    ],
    [
      'at the first dose',
      {
        of: practised({ effort: 9 }, { effort: 10 }),
        strand: { start: 60 },
      },
      ['It would be eased, but this is its first dose: look at posture and rest instead.'],
    ],
    ['nothing practised', {}, ['Nothing practised yet: begin here.']],
    [
      'only less was practised',
      { of: [[tue, share(1, { asked: { amount: 1, seconds: 30 } })]] },
      [
        'Not practised at this dose yet.',
        'The practices since then asked for less: they count, but are no test of this dose.',
      ],
    ],
    [
      'nothing since the level changed',
      { of: two, strand: { changedAt: '2026-01-09T08:00:00.000Z' }, on: '2026-01-09' },
      ['Not practised at this dose yet.'],
    ],
    [
      'one hard day',
      { of: practised({ effort: 9 }) },
      ['Effort 9 of 10 on Thu 8 Jan: one hard day alone; stay, and watch.'],
    ],
    ['met once', { of: practised({}) }, ['Done in full once; 2 in a row are needed before a raise.']],
    [
      'met once, what was lost',
      { of: practised({}), strand: { lost: [70] } },
      ['Done in full once; 2 in a row are needed before the old dose returns.'],
    ],
    [
      'met twice of three',
      { of: two, rule: { ...defaultRaiseRule, sessionsToRaise: 3 } },
      ['Done in full twice; 3 in a row are needed before a raise.'],
    ],
    [
      'met three times of four',
      { of: [[mon, {}], ...two], rule: { ...defaultRaiseRule, sessionsToRaise: 4 } },
      ['Done in full 3 times; 4 in a row are needed before a raise.'],
    ],
    [
      'too hard of late',
      {
        of: practised({ effort: null }, { effort: 6 }, { effort: 8 }),
      },
      ['Effort 8 of 10; up to 7 the dose may be raised.'],
    ],
    [
      'too hard the time before',
      {
        of: practised({ effort: 8 }, { effort: 5 }),
      },
      ['Effort 8 of 10; up to 7 the dose may be raised.'],
    ],
    [
      'no effort noted',
      {
        of: practised({ effort: null }, { effort: 5 }),
      },
      ['No effort noted on Tue 6 Jan, so nothing is raised.'],
    ],
    [
      'too hard, what was lost',
      {
        of: practised({ effort: null }, { effort: 8 }, { effort: 5 }),
        strand: { lost: [70] },
        rule: { ...defaultRaiseRule, sessionsToRaise: 3 },
      },
      ['Effort 8 of 10; up to 7 the dose may be raised.'],
    ],
    [
      'back after a gap',
      {
        of: [
          ['2025-12-30', {}],
          [thu, {}],
        ],
      },
      ['Back after a gap, and done in full: once more at this dose, then it may rise.'],
    ],
    [
      'back after a gap, met before',
      {
        of: [
          ['2025-12-28', {}],
          ['2025-12-29', {}],
          [thu, {}],
        ],
      },
      ['Back after a gap, and done in full: once more at this dose, then it may rise.'],
    ],
    [
      'eased lately, met since',
      { of: two, strand: { easedOn: wed } },
      ['Eased yesterday; nothing is raised within 3 days after that.'],
    ],
    ['raised lately', { of: two, strand: { raisedOn: wed } }, ['Raised yesterday; once in 7 days is enough.']],
    [
      'a holiday',
      { of: two, plan: { holidays: [{ from: wed, to: '2026-01-10' }] } },
      ['A holiday: nothing is raised while it lasts.'],
    ],
    [
      'found again',
      { of: two, strand: { lost: [70] } },
      ['Done in full twice at the lower dose: the old dose is back, in one step.'],
    ],
    [
      'a raise',
      { of: two },
      ['Done in full twice in a row at effort 7 or less, alignment kept.', 'Not more: at most 10 % a week.'],
    ],
    [
      'a raise after a pain that stops nothing yet',
      { of: practised({ pain: 1, painPlace: 'knee' }, { pain: 2, painPlace: 'knee' }) },
      [
        'Done in full twice in a row at effort 7 or less, alignment kept.',
        'Not more: at most 10 % a week.',
        'Pain 2 of 10 (knee) was noted on Thu 8 Jan: ask how it is before you answer.',
      ],
    ],
    [
      'a raise where the pain is older, was not asked, or is where nothing is loaded',
      {
        of: [
          ['2026-01-01', { pain: 2, painPlace: 'knee', lines: [] }],
          [mon, { pain: 3, painPlace: 'shoulder', lines: [] }],
          [tue, { pain: null }],
          [thu, { pain: null }],
        ],
        exercises: new Map([['tree-holding', { posture: legsOnly, family: 'standing', movements: [] }]]),
      },
      ['Done in full twice in a row at effort 7 or less, alignment kept.', 'Not more: at most 10 % a week.'],
    ],
    [
      'a raise to the target',
      { of: two, strand: { target: 66 } },
      ['Done in full twice in a row at effort 7 or less, alignment kept.', 'This is the goal.'],
    ],
    [
      'a raise that is saved up',
      { of: two, strand: { step: 10 } },
      [
        'Done in full twice in a row at effort 7 or less, alignment kept.',
        'The raise of 10 % is saved up: 1:06 min of the 1:10 min.',
      ],
    ],
    [
      'one practice ahead',
      { of: [...two, ['2026-01-09', {}]] },
      [
        'Done in full twice in a row at effort 7 or less, alignment kept.',
        'Not more: at most 10 % a week.',
        'One practice is dated after today and does not count yet.',
      ],
    ],
    [
      'two ahead',
      { of: [...two, ['2026-01-09', {}], ['2026-01-10', {}]] },
      [
        'Done in full twice in a row at effort 7 or less, alignment kept.',
        'Not more: at most 10 % a week.',
        '2 practices are dated after today and do not count yet.',
      ],
    ],
    [
      'more than the knees allow',
      { of: two, mostDoses: new Map([['s', limit(50, 'alignment')]]) },
      [
        '50 s is what the school’s budget allows. A new test hold may allow more.',
        '1:00 min is more than that: look at it.',
      ],
    ],
    [
      'more than the budget allows',
      { of: two, mostDoses: new Map([['s', limit(50)]]) },
      [
        '50 s is what the school’s budget allows. A new test hold may allow more.',
        '1:00 min is more than that: look at it.',
      ],
    ],
    [
      'as much as the budget allows',
      { of: two, mostDoses: new Map([['s', limit(60)]]) },
      ['1:00 min is what the school’s budget allows. A new test hold may allow more.'],
    ],
    [
      'less than one step allowed',
      { of: two, mostDoses: new Map([['s', limit(2)]]), strand: { level: 5, start: 5 } },
      ['5 s is what the school’s budget allows. A new test hold may allow more.'],
    ],
  ])('%s', (_, given, expected) => {
    expect(words(given)).toEqual(expected);
  });
});

test('only so many practices are looked at as the rule asks for, and none from before the level changed', () => {
  const rule = { ...defaultRaiseRule, sessionsToRaise: 3 };
  const lost = words({ of: practised({}), strand: { lost: [70] }, rule });
  expect(lost).toEqual(['Done in full once; 2 in a row are needed before the old dose returns.']);
  const three = [
    [mon, { effort: null }],
    [tue, {}],
    [thu, {}],
  ] as const;
  expect(words({ of: three, rule })).toEqual(['No effort noted on Mon 5 Jan, so nothing is raised.']);
  const hard = [
    [mon, { effort: 8 }],
    [tue, { effort: 9 }],
    [thu, { effort: 10 }],
  ] as const;
  for (const changedAt of ['2026-01-05T08:00:00.000Z', '2026-01-05T09:00:00.000Z'])
    expect(words({ of: hard, strand: { changedAt } })[0]).toContain('Effort 10, 9 of 10 recently');
});

test('a strand that opens says that what it waited for is reached', () => {
  const gated = strand({ id: 't', segmentId: 'b', family: 'reeling', gate: { strandId: 's', dose: 60 } });
  const context = planContext(plan([strand(), gated]), { today: thu });
  expect(verdictOn(context, gated).reasons).toEqual(['What it waited for is reached: it opens with its first dose.']);
});

describe('sides of which nothing was noted', () => {
  const both = (...rows: Strand['rows']) => {
    const lines = [logLine(1, { side: 'left', direction: 'forward' })];
    return words({ of: practised({ lines }), strand: { rows } })[0];
  };

  test('are named by side and way, whichever they have', () => {
    const left = { side: 'left', direction: 'forward' } as const;
    const said = (text: string) => `On Thu 8 Jan nothing was noted for ${text}; all sides are wanted.`;
    expect(both(left, { side: 'right', direction: 'forward' })).toBe(said('right forward'));
    expect(both(left, { side: 'both', direction: 'reversed' })).toBe(said('reversed'));
    expect(both(left, { side: 'right', direction: 'none' }, { side: 'left', direction: 'reversed' })).toBe(
      said('right and left reversed'),
    );
    // What has no side and no way has no name.
    expect(both(left, { side: 'both', direction: 'none' })).toBe(
      '0 % of the dose was met on Thu 8 Jan; all of it is wanted.',
    );
  });
});

describe('practices since the level changed', () => {
  const at = (startedAt: string, change: Partial<PracticeLog> = {}) =>
    [startedAt.slice(0, 10), { ...change, startedAt }] as const;
  const less = share(1, { asked: { amount: 1, seconds: 30 } });
  const noon = '2026-01-07T12:00:00.000Z';

  test('count from the moment after it', () => {
    const said = (startedAt: string, change: Partial<PracticeLog> = {}) =>
      words({ of: [at(startedAt, change)], strand: { changedAt: noon } });
    expect(said('2026-01-07T12:00:01.000Z')).toEqual(['Done in full once; 2 in a row are needed before a raise.']);
    expect(said(noon)).toEqual(['Not practised at this dose yet.']);
    expect(said('2026-01-07T11:59:59.000Z', less)).toEqual(['Not practised at this dose yet.']);
    expect(said('2026-01-07T12:00:01.000Z', less)).toHaveLength(2);
    // Less was practised, but the dose itself too: nothing has to be explained.
    expect(words({ of: [at('2026-01-06T12:00:00.000Z', less), at('2026-01-08T12:00:00.000Z')] })).toHaveLength(1);
  });
});

describe('what is saved up', () => {
  test('is a level between two doses that is on its way up', () => {
    const saving = (change: Partial<Strand>) => isSavingUp(strand({ level: 62, ...change }));
    expect(saving({})).toBe(true);
    expect([saving({ level: 60 }), saving({ level: 60 + 1e-7 }), saving({ level: 64.9 })]).toEqual([
      false,
      false,
      true,
    ]);
    expect(saving({ lost: [70] })).toBe(false);
    // A target off the step is on its way too.
    expect(saving({ target: 64 })).toBe(true);
    expect(saving({ target: 62 })).toBe(false);
    expect(saving({ gate: { strandId: 'x', dose: 5 }, level: 62, start: 62 })).toBe(false);
  });

  test('is told in whole seconds, or in tenths of what is counted', () => {
    expect(savedWords({ step: 5, axis: 'time', start: 60, target: 90 }, 62.9)).toBe('1:02 min of the 1:05 min');
    expect(savedWords({ step: 8, axis: 'repetitions', start: 8, target: 32 }, 11.19)).toBe(
      '11.1 repetitions of the 16 repetitions',
    );
  });
});
