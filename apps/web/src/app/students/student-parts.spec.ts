import {
  builtInExercises,
  contextOf,
  planForecast,
  insertSegment,
  newSegment,
  newStrand,
  softSchool,
  strictSchool,
  type Plan,
  type PracticeLog,
  type Routine,
  type StoredPerson,
  type StrandVerdict,
  type Verdict,
} from '@pomek/core';
import { signal } from '@angular/core';
import { aPerson, aPlan, aRoutine, aStudent } from '../../../testing/records';
import { heard, render } from '../../../testing/render';
import { Editing } from '../data/editing';
import { DecisionCard } from '../decide/decision-card';
import { readDay } from '../ui/day-words';
import { LogList } from './log-list';
import { PersonForm } from './person-form';
import { PlanMaker } from './plan-maker';
import { StrandAdder } from './strand-adder';
import { opened } from '../../../testing/worker.client';
import { PlanWeeks } from './plan-weeks';

const today = '2026-03-02';
const tree = builtInExercises.find((exercise) => exercise.id === 'tree-holding')!;
const segment = newSegment('segment-1', tree, softSchool);
const strand = newStrand('strand-1', segment, tree, 'time', 120, '2026-05-04', softSchool);
const plan = aPlan([strand]);
const verdict: Verdict = {
  strandId: strand.id,
  kind: 'raise',
  because: 'raise',
  level: 66,
  fromDose: 60,
  toDose: 65,
  moves: true,
  reasons: ['Done in full twice in a row.', 'Not more: at most 10 % a week.'],
  logId: 'log-1',
  plateau: null,
  retest: false,
  source: 'practice',
};
const entry = (change: Partial<Verdict> = {}, due = true): StrandVerdict => ({
  plan,
  strand,
  verdict: { ...verdict, ...change },
  due,
  locked: change.kind === 'stop',
});
const log: PracticeLog = {
  id: 'log-1',
  studentId: 'student-1',
  routineId: 'routine-1',
  routineName: 'Evening',
  day: '2026-03-01',
  startedAt: '2026-03-01T08:00:00.000Z',
  enteredAt: null,
  practisedSeconds: 700,
  source: 'conducted',
  classId: null,
  lines: [
    {
      segmentId: 'segment-1',
      exerciseId: 'tree-holding',
      exerciseName: 'Holding the tree',
      kind: 'hold',
      side: 'left',
      direction: 'none',
      asked: { amount: 1, seconds: 60 },
      done: { amount: 0.5, seconds: 30 },
      alignmentKept: 0.4,
      enough: null,
      effort: null,
      turned: null,
      staySeconds: null,
      gaveOut: null,
      firmness: null,
    },
  ],
  effort: 6,
  pain: 2,
  painWhere: 'left knee',
  painPlace: null,
  symptoms: ['numbness'],
  shook: [],
  hands: [],
  note: 'came late',
};

describe('a decision', () => {
  const card = async (of: StrandVerdict) => {
    const page = await render(DecisionCard, { entry: of, today });
    return { page, replies: heard(page.fixture.componentInstance.reply) };
  };

  test('shows verdict, doses and every reason', async () => {
    const { page } = await card(entry());
    expect(page.text()).toContain('Raise');
    expect(page.text()).toContain('1:00 min → 1:05 min');
    for (const reason of verdict.reasons) expect(page.text()).toContain(reason);
  });

  test('is accepted or put off with one press', async () => {
    const { page, replies } = await card(entry());
    await page.press('Accept');
    await page.press('Put off');
    expect(replies).toEqual([
      { outcome: 'accepted', level: 66, teacherReason: '' },
      { outcome: 'put off', level: 60, teacherReason: '' },
    ]);
  });

  test('is changed to the teacher’s own dose, with the reason', async () => {
    const { page, replies } = await card(entry());
    await page.press('Change…');
    await page.fill('Your dose', '50');
    await page.fill('Your reason', ' too soon ');
    await page.press('Save my dose');
    expect(replies).toEqual([{ outcome: 'changed', level: 50, teacherReason: 'too soon' }]);
  });

  test('a stop can only be cleared, and only with a reason', async () => {
    const { page, replies } = await card(entry({ kind: 'stop', source: 'stop' }));
    expect(page.text()).toContain('Stop and refer');
    expect(page.text()).not.toContain('Accept');
    await page.press('Unlock…');
    expect(page.button('Unlock it').disabled).toBe(true);
    await page.fill('Your reason', 'seen by a doctor');
    await page.press('Unlock it');
    expect(replies).toEqual([{ outcome: 'cleared', level: 60, teacherReason: 'seen by a doctor' }]);
  });

  test('once answered it asks for nothing', async () => {
    const { page } = await card(entry({ kind: 'stay', toDose: 60 }, false));
    expect(page.element.querySelectorAll('button')).toHaveLength(0);
  });
});

describe('the weeks of a plan', () => {
  const weeks = async (change: Partial<Plan> = {}, known: Partial<StoredPerson> = {}, locked = new Set<string>()) => {
    const stored = { ...plan, ...change };
    const person = aPerson(today, { routines: [aRoutine({ segments: [segment] })], ...known });
    const of = { plan: stored, person, locked };
    const page = await render(PlanWeeks, of, { plans: [stored] });
    return { page, kept: () => page.database.of('plans').get(stored.id) };
  };

  test('each week has its dose and why not more; a goal in time says so', async () => {
    const { page } = await weeks({ strands: [{ ...strand, targetDay: '2026-12-31' }] });
    const rows = [...page.element.querySelectorAll('tbody tr')].map((row) => row.textContent.replace(/\s+/g, ' '));
    expect(rows[0]).toContain('Today’s dose.');
    expect(rows[1]).toContain('1:00 min');
    expect(rows[3]).toMatch(/A lighter week, every 4th week: \d+ % less than/);
    expect(page.text()).toContain('in time for 31 Dec 2026');
  });

  test('what could not be computed is said with its reason, not waited for, and can be tried again', async () => {
    opened.instead = (worker) => worker.onerror?.({ message: '' } as ErrorEvent);
    const { page } = await weeks();
    await page.until(/The weeks could not be computed: What computes beside the page could not be loaded/);
    expect(page.text()).not.toContain('Computing the weeks…');
    expect(page.text()).toContain('The weeks are not known.');
    opened.instead = null;
    await page.press('Try again');
    await page.until(/Today’s dose/);
    expect(page.text()).not.toContain('could not be computed');
  });

  test('a goal out of reach says what will be reached and the earliest week', async () => {
    const { page } = await weeks({ strands: [{ ...strand, targetDay: '2026-03-16' }] });
    expect(page.text()).toMatch(
      /Out of reach by 16 Mar 2026: .* by then. The earliest is \d+ \w+ 2026; the limit is 10 % a week/,
    );
  });

  test('a locked strand and a lost routine are said', async () => {
    expect((await weeks({}, {}, new Set([strand.id]))).page.text()).toContain('Locked after a sign to stop.');
    expect((await weeks({}, { routines: [] })).page.text()).toContain('a deleted routine');
    expect((await weeks({ strands: [] })).page.text()).toContain('No goals');
  });

  test('goal, growth and lighter weeks are changed on what is stored; an impossible goal is refused', async () => {
    const { page, kept } = await weeks();
    await page.fill('Goal', '3 min');
    await page.fill('Weekly increase', '5');
    await page.fill('A lighter week every', '0');
    const whole = { ...plan, growthPerWeek: 0.05, lighterEvery: 0, strands: [{ ...strand, target: 180 }] };
    expect(await kept()).toEqual(whole);
    await page.fill('Goal', '30');
    expect(page.text()).toContain('the goal is below the first dose');
    expect(await kept()).toEqual(whole);
    expect(page.field('Goal').value).toBe('30 s');
    await page.press('Back to what is saved');
    expect(page.field('Goal').value).toBe('3:00 min');
    expect(page.text()).not.toContain('Not saved yet');
  });

  test('practices enough give a chance', async () => {
    const logs = Array.from({ length: 6 }, (_, index) => ({
      ...log,
      id: `l${index}`,
      day: `2026-02-2${index}`,
      symptoms: [],
      shook: [],
      hands: [],
      lines: [{ ...log.lines[0]!, side: 'both' as const, done: log.lines[0]!.asked, alignmentKept: null }],
    }));
    const { page } = await weeks({ startsOn: '2026-02-16' }, { logs });
    expect(page.text()).toMatch(
      /Going on as in the last weeks \(\d+ % of the practice days attended, 100 % of the practices done in full\), about \d+ of 10/,
    );
  });
});

describe('giving a routine', () => {
  const breathing = builtInExercises.find((exercise) => exercise.id === 'belly-breathing')!;
  const routine = insertSegment(aRoutine(), newSegment('segment-2', breathing, softSchool));
  const maker = async (change: Record<string, unknown> = {}) => {
    const page = await render(PlanMaker, {
      person: aPerson(today, { routines: [routine], school: strictSchool }),
      another: false,
      ...change,
    });
    (page.fixture.componentInstance as unknown as { choose(id: string): void }).choose(routine.id);
    await page.settle();
    return { page, made: heard(page.fixture.componentInstance.made) };
  };

  test('without goals the routine is given as it is', async () => {
    const { page, made } = await maker();
    await page.press('Give it without goals');
    expect(made[0]).toMatchObject({ studentId: 'student-1', routineId: routine.id, strands: [], lighterEvery: 4 });
  });

  test('a picked strand grows to its goal by the day; growth and day are taken over', async () => {
    const { page, made } = await maker();
    page.field('Belly breathing').click();
    await page.settle();
    await page.fill('Goal for Belly breathing', '30');
    await page.fill('Goal day', '2026-06-01');
    await page.fill('Weekly increase', '7');
    await page.press('Make the plan');
    expect(made[0]!.strands).toHaveLength(1);
    expect(made[0]).toMatchObject({
      growthPerWeek: 0.07,
      startsOn: today,
      strands: [{ axis: 'breaths', start: 18, target: 30, targetDay: '2026-06-01', family: 'breathing' }],
    });
  });

  test('a posture may grow as well as the dose, from where the drill stands', async () => {
    const { page, made } = await maker();
    const rows = page.fixture.componentInstance as unknown as {
      rows(): readonly { name: string; axes: readonly { value: string }[] }[];
      set(row: unknown, part: object): void;
    };
    const row = rows.rows()[0]!;
    expect(row.axes.map(({ value }) => value)).toContain('bend');
    rows.set(row, { wanted: true, axis: 'bend' });
    await page.settle();
    expect(page.text()).toContain(`Goal for ${row.name}`);
    await page.press('Make the plan');
    const [strand] = made[0]!.strands;
    expect(strand).toMatchObject({ axis: 'bend', step: 5 });
    // As far as can be reached by the day on most days: some steps, and not the whole of the first wish.
    expect(strand!.target).toBeGreaterThan(strand!.start);
    expect(strand!.target).toBeLessThanOrEqual(strand!.start + 20);
  });

  test('what is proposed can be reached by its day, and a goal beyond a limit is said as it is typed, with the best there is', async () => {
    const pregnant = { ...aStudent({ practiceDays: [1, 3, 5] }), conditions: ['pregnancy' as const] };
    const known = aPerson(today, { student: pregnant, routines: [routine] });
    const { page, made } = await maker({ person: known });
    page.field('Holding the tree').click();
    await page.settle();
    expect(page.text()).not.toContain('as much as is asked');
    await page.fill('Goal for Holding the tree', '6:00');
    expect(page.text()).toContain('3:00 min is as much as is asked with pregnancy.');
    await page.press('Goal 3:00 min');
    await page.fill('Goal day', '2026-12-31');
    await page.press('Make the plan');
    expect(made[0]!.strands).toMatchObject([{ target: 180 }]);
    const forecast = planForecast(contextOf(made[0]!, known)).strands[0]!;
    expect(forecast.inTime).toBe(true);
  });

  test('beside a wished goal stands when it is reached, as the plan then says; one too far is exchanged for what its day allows', async () => {
    const known = aPerson(today, { student: aStudent({ practiceDays: [1, 3, 5] }), routines: [routine] });
    const { page, made } = await maker({ person: known });
    page.field('Holding the tree').click();
    await page.settle();
    const reach = () => page.element.querySelector('.reach')?.textContent ?? '';
    expect(reach()).toMatch(/Reached on \d+ \w+ 2026, in time for/);
    await page.fill('Goal for Holding the tree', '5:00');
    await page.fill('Goal day', '2026-05-01');
    const late = /Out of reach by 1 May 2026: (.+) by then\. The earliest is (.+ 20\d\d)\./.exec(reach())!;
    expect(late).not.toBeNull();
    await page.press(`Goal ${late[1]!}`);
    expect(reach()).toMatch(/Reached on \d+ \w+ 2026, in time for 1 May 2026\./);
    const day = /Reached on (.+ 2026), in/.exec(reach())![1]!;
    await page.press('Make the plan');
    const forecast = planForecast(contextOf(made[0]!, known)).strands[0]!;
    expect(forecast.inTime).toBe(true);
    expect(readDay(forecast.earliestDay!)).toBe(day);
  });

  test('the only routine is chosen at once; of two none is, nor the same one again', async () => {
    const shown = (routines: readonly Routine[], another: boolean) =>
      render(PlanMaker, { person: aPerson(today, { routines }), another });
    expect((await shown([routine], false)).text()).toContain('Pick what is to grow');
    expect((await shown([routine, { ...routine, id: 'second' }], false)).text()).not.toContain('Pick what is to grow');
    const folded = await shown([routine], true);
    await folded.press('Give another routine');
    expect(folded.text()).not.toContain('Pick what is to grow');
  });

  test('stays folded while there is a plan, until asked for', async () => {
    const { page } = await maker({ another: true });
    expect(page.text()).not.toContain('Goal day');
    await page.press('Give another routine');
    expect(page.text()).toContain('Goal day');
  });
});

describe('something more that is to grow', () => {
  const shelf = new Map(builtInExercises.map((exercise) => [exercise.id, exercise]));
  const routine = aRoutine({ segments: [newSegment('segment-1', shelf.get('tree-holding')!, softSchool)] });

  test('is another axis of the same drill, added to what is stored; below where it stands it is refused', async () => {
    const plan = aPlan([], { routineId: routine.id });
    const page = await render(StrandAdder, { plan, routine, person: aPerson(today, { routines: [routine] }) });
    const changes = heard(page.fixture.componentInstance.planChanged);
    const adder = page.fixture.componentInstance;
    expect(adder['drills']().map(({ label }) => label)).toEqual(['Holding the tree']);
    adder['choose']('segment-1');
    adder['setAxis']('bend');
    await page.settle();
    expect(page.text()).toContain('From bend');
    adder['target'].set(5);
    await page.press('Add it');
    expect(page.text()).toContain('The goal is below bend');
    adder['target'].set(45);
    await page.press('Add it');
    const after = changes[0]!(plan);
    expect(after.strands).toMatchObject([{ segmentId: 'segment-1', axis: 'bend', target: 45 }]);
    // A width is wished for in tenths, also under one shoulder's breadth.
    adder['choose']('segment-1');
    adder['setAxis']('width');
    adder['target'].set(0.8);
    await page.settle();
    expect(page.text()).not.toContain('from 1 to');
    expect(page.element.querySelector('.wrong')).toBeNull();
    // What grows already is not offered again.
    const again = await render(StrandAdder, { plan: after, routine, person: aPerson(today, { routines: [routine] }) });
    again.fixture.componentInstance['choose']('segment-1');
    expect(again.fixture.componentInstance['chosen']()!.axes.map(({ value }) => value)).not.toContain('bend');
  });
});

describe('the person', () => {
  test('is changed part by part; a missing name is refused', async () => {
    const page = await render(
      PersonForm,
      () => ({ edit: new Editing('students', signal('student-1'), () => 'Change'), schools: [softSchool] }),
      { students: [aStudent()] },
    );
    const kept = () => page.database.of('students').get('student-1');
    await page.fill('Birth year', '1971');
    await page.fill('Cautions', ' knee \n\nbalance');
    await page.fill('Name', ' ');
    expect(await kept()).toEqual(aStudent({ birthYear: 1971, cautions: ['knee', 'balance'] }));
    expect(page.fixture.componentInstance.edit().problems()).toEqual(['name: a student needs a name']);
    expect(page.field('Name').value).toBe(' ');
    await page.press('Tue');
    await page.press('Mon');
    expect((await kept())!.practiceDays).toEqual([2, 3]);
  });
});

describe('the practices', () => {
  test('show what was asked and done, sides, alignment, pain and signs', async () => {
    const page = await render(LogList, { logs: [log], today });
    for (const words of [
      '1 Mar 2026, yesterday',
      'effort 6 of 10',
      'pain 2 of 10 left knee',
      'numbness',
      '30 s of 1:00 min',
      'alignment until 40 %',
      'came late',
    ]) {
      expect(page.text()).toContain(words);
    }
  });

  test('show what hands found, and how firm it was asked and felt; both are put right', async () => {
    const hands = [{ test: 'push' as const, outcome: 'partly' as const, exerciseId: 'tree-holding' }];
    const firm = { of: 'hands' as const, from: 2, to: 6, felt: 4 };
    const page = await render(LogList, {
      logs: [{ ...log, hands, lines: log.lines.map((line) => ({ ...line, firmness: firm })) }],
      today,
    });
    expect(page.text()).toContain('tested by hand');
    expect(page.text()).toContain(
      'Somebody’s hands: a slow push: the body gives way and comes back (Holding the tree).',
    );
    expect(page.text()).toContain('hands 2 to 6 of 10 firm, felt 4');
    expect((await render(LogList, { logs: [log], today })).text()).not.toContain('hands');
  });

  test('begin with the latest, and show the rest when asked', async () => {
    const logs = Array.from({ length: 9 }, (_, index) => ({ ...log, id: `l${index}` }));
    const page = await render(LogList, { logs, today });
    expect(page.element.querySelectorAll('details')).toHaveLength(6);
    await page.press('Show 3 more');
    expect(page.element.querySelectorAll('details')).toHaveLength(9);
    expect((await render(LogList, { logs: [], today })).text()).toContain('None yet.');
  });
});
