import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { formatISO, subDays } from 'date-fns';
import { of } from 'rxjs';
import {
  builtInExercises,
  contextOf,
  newStrand,
  newSegment,
  planForecast,
  softSchool,
  type Plan,
  type PracticeLog,
} from '@pomek/core';
import { aPerson, aPlan, aRoutine, aStudent } from '../../../testing/records';
import { heard, render } from '../../../testing/render';
import { Compute } from '../compute/compute';
import { Editing } from '../data/editing';
import { Store } from '../data/store';
import { Baseline } from './baseline';
import { BodyForm } from './body-form';
import { CorrectionsMap } from './corrections-map';
import { CsvImport } from './csv-import';
import { LoadPanel } from './load-panel';
import { LogByHand } from './log-by-hand';
import { PlanWeeks } from './plan-weeks';
import { StudentFile } from './student-file';

const tree = builtInExercises.find((exercise) => exercise.id === 'tree-holding')!;
const student = aStudent();
const segment = newSegment('segment-1', tree, softSchool);
const today = '2026-03-02';
const plan = aPlan([newStrand('strand-1', segment, tree, 'time', 120, '2026-05-04', softSchool)], {
  startsOn: '2026-02-02',
  lighterEvery: 0,
});

const daysAgo = (days: number) => formatISO(subDays(new Date(), days), { representation: 'date' });

describe('baseline', () => {
  const baseline = () => render(Baseline, { person: aPerson(today, { student }) });

  test('a hold is kept with what stopped it; nothing can be kept before it is measured', async () => {
    const page = await baseline();
    expect(page.text()).toContain('Stop at the first shaking');
    expect(page.button('Save it').disabled).toBe(true);
    await page.fill('Held for', '3:00');
    page.fixture.componentInstance['stoppedBy'].set('arms');
    await page.press('Save it');
    expect(await page.database.of('measures').toArray()).toMatchObject([
      { kind: 'hold', seconds: 180, stoppedBy: 'arms', stance: { kneeBendDeg: 30 } },
    ]);
  });

  test('the results stand with their meaning and how they changed', async () => {
    const measure = { studentId: student.id, kind: 'tandem stand' as const };
    const measures = [
      { ...measure, id: 'a', day: '2026-01-01', seconds: 8 },
      { ...measure, id: 'b', day: '2026-02-01', seconds: 12 },
    ];
    const page = await render(Baseline, { person: aPerson(today, { student, measures }) });
    expect(page.text()).toContain('+50 % since 1 Jan 2026');
    expect(page.text()).toContain('as it should be');
    expect(page.text()).toContain('raised risk of falling');
  });

  test('the breath at rest is tapped', async () => {
    const page = await baseline();
    page.fixture.componentInstance['choose']('resting breath');
    await page.settle();
    jest.useFakeTimers({
      now: Date.parse('2026-03-02T09:00:00Z'),
      doNotFake: ['setTimeout', 'queueMicrotask', 'nextTick', 'setImmediate', 'performance'],
    });
    for (let breath = 0; breath < 6; breath += 1) {
      page.button(/Breath in$/).click();
      jest.setSystemTime(Date.parse('2026-03-02T09:00:00Z') + (breath + 1) * 4000);
    }
    await page.settle();
    expect(page.text()).toContain('15.0 a minute');
    await page.press('Save it');
    jest.useRealTimers();
    expect(await page.database.of('measures').toArray()).toMatchObject([{ kind: 'resting breath', perMinute: 15 }]);
  });
});

const editing = () => ({ edit: new Editing('students', signal(student.id), () => 'Change') });

describe('the body', () => {
  test('what cannot belong to one body is refused, with the part', async () => {
    const short = { ...student, statureCm: 130 };
    const page = await render(BodyForm, editing, { students: [short] });
    const kept = () => page.database.of('students').get(student.id);
    await page.fill('Thigh', '70');
    expect(page.fixture.componentInstance.edit().problems()[0]).toMatch(/^thigh/);
    expect(await kept()).toEqual(short);
    await page.fill('Height', '300');
    expect(page.text()).toContain('Height: from 80 to 250.');
    await page.fill('Thigh', '33');
    expect(await kept()).toEqual({ ...short, thighCm: 33 });
    expect(page.fixture.componentInstance.edit().problems()).toEqual([]);
  });

  test('a condition says what it rules out', async () => {
    const page = await render(BodyForm, editing, { students: [{ ...student, conditions: ['knee pain'] }] });
    expect(page.text()).toContain('Knees bent little, no squats');
    expect(page.text()).not.toContain('No held breath');
  });
});

test('corrections: the foundation first, noted with a cue, and whether it helped', async () => {
  const seen = (id: string, region: 'knees' | 'shoulders', safety: boolean) => ({
    id,
    studentId: student.id,
    day: daysAgo(0),
    checkpointId: region === 'knees' ? 'knees-track' : 'shoulders-hang',
    region,
    safety,
    cue: 'Cue.',
    helped: null,
    stillId: null,
  });
  const corrections = [seen('a', 'shoulders', false), seen('b', 'knees', true)];
  const page = await render(CorrectionsMap, { student, school: softSchool, corrections }, { corrections });
  expect(page.element.querySelector('section')!.textContent).toMatch(/knees[\s\S]*shoulders/);
  expect(page.element.querySelectorAll('.pin')).toHaveLength(2);
  await page.press('Yes');
  expect((await page.database.of('corrections').toArray()).filter((entry) => entry.helped === true)).toHaveLength(1);
  page.fixture.componentInstance['pick']('feet-flat');
  await page.settle();
  await page.press('Note it');
  expect(await page.database.of('corrections').count()).toBe(3);
});

test('load: words, sides and the offer to reckon otherwise', async () => {
  const day = daysAgo;
  const logs = [1, 3, 5, 8].map((ago): PracticeLog => ({
    id: `l${ago}`,
    studentId: student.id,
    routineId: 'r',
    routineName: 'R',
    day: day(ago),
    startedAt: `${day(ago)}T08:00:00.000Z`,
    enteredAt: null,
    practisedSeconds: 1200,
    source: 'conducted',
    classId: null,
    effort: 10,
    pain: 0,
    painWhere: '',
    painPlace: null,
    symptoms: [],
    shook: [],
    hands: [],
    note: '',
    lines: [
      {
        segmentId: 's',
        exerciseId: tree.id,
        exerciseName: tree.name,
        kind: 'hold',
        side: 'left',
        direction: 'none',
        asked: { amount: 1, seconds: 60 },
        done: { amount: 1, seconds: 60 },
        alignmentKept: null,
        enough: null,
        effort: null,
        turned: null,
        staySeconds: null,
        gaveOut: null,
        firmness: null,
      },
    ],
  }));
  const of = (own: PracticeLog[]) => ({
    person: aPerson(formatISO(new Date(), { representation: 'date' }), { student, logs: own }),
    logs: own,
    ...editing(),
  });
  const page = await render(LoadPanel, () => of(logs), { students: [student] });
  expect(page.text()).toContain('The right side is 4:00 min behind');
  expect(page.text()).toContain('60 min in the last seven days');
  expect(page.text()).toMatch(/All that was ever done.*Holding the tree\s*4:00 min/s);
  await page.press('Use this from now on');
  expect((await page.database.of('students').get(student.id))!.capacityFactor).toBeLessThan(1);
  const empty = await render(LoadPanel, () => of([]));
  expect(empty.text()).toContain('With the first practices');
});

describe('practices by hand and from a table', () => {
  const inputs = { studentId: student.id, exercises: [...builtInExercises], plans: [plan] };

  test('a line that cannot be read is named; a good one counts for the strand of the plan', async () => {
    const page = await render(LogByHand, inputs);
    const made = heard(page.fixture.componentInstance.made);
    const form = page.fixture.componentInstance;
    form['set'](0, { exercise: 'Holding the tree', done: 'long' });
    await page.press('Save it');
    expect(page.text()).toContain('Line 1: done: “long” is no time like 90, 1:30 or 2 min');
    form['set'](0, { done: '1:30', asked: '2 min' });
    await page.press('Save it');
    expect(made[0]!.lines[0]).toMatchObject({ segmentId: 'segment-1', done: { seconds: 90 }, asked: { seconds: 120 } });
  });

  test('where it hurts is asked with pain, and a line may have an effort of its own', async () => {
    const page = await render(LogByHand, inputs);
    const made = heard(page.fixture.componentInstance.made);
    const form = page.fixture.componentInstance;
    expect(page.element.querySelector('[name="pain-place"]')).toBeNull();
    await page.fill('Effort, 0 to 10', '5');
    await page.fill('Pain, 0 to 10', '4');
    expect(page.element.querySelector('[name="pain-place"]')).not.toBeNull();
    form['draft'].set({ painPlace: 'knee' });
    form['set'](0, { exercise: 'Holding the tree', done: '60' });
    await page.press('Another line');
    form['set'](1, { exercise: 'Shake out', done: '60' });
    await page.settle();
    expect(page.element.querySelector('[aria-label="Effort of line 1 alone"]')).not.toBeNull();
    form['set'](0, { effort: '8' });
    await page.press('Save it');
    expect(made[0]).toMatchObject({ effort: 5, pain: 4, painPlace: 'knee' });
    expect(made[0]!.lines.map(({ effort }) => effort)).toEqual([8, null]);
  });

  test('where it hurt is forgotten when the pain is taken back', async () => {
    const page = await render(LogByHand, inputs);
    const made = heard(page.fixture.componentInstance.made);
    const form = page.fixture.componentInstance;
    form['set'](0, { exercise: 'Holding the tree', done: '60' });
    form['draft'].set({ pain: '4', painPlace: 'knee' });
    await page.settle();
    await page.fill('Pain, 0 to 10', '0');
    await page.press('Save it');
    expect(made[0]).toMatchObject({ pain: 0, painPlace: null });
  });

  test('a table is matched, seen and kept', async () => {
    const page = await render(CsvImport, inputs);
    const made = heard(page.fixture.componentInstance.made);
    const text = 'When,What,Done\n2026-03-01,Holding the tree,60\n2026-03-01,Nothing known,60\n2026-03-02,Shake out,60';
    const file = new File([text], 'logs.csv');
    await page.fixture.componentInstance['choose']([file]);
    await page.settle();
    expect(page.text()).toContain('2 practices can be saved, 1 line cannot');
    expect(page.text()).toContain('Line 3: exercise: “Nothing known” is not on the shelf');
    page.fixture.componentInstance['map']('day', null);
    await page.settle();
    expect(page.text()).toContain('no column is chosen for “day”');
    page.fixture.componentInstance['map']('day', 0);
    await page.settle();
    await page.press('Save 2 practices');
    expect(made[0]!.map((log) => log.day)).toEqual(['2026-03-01', '2026-03-02']);
  });

  test('in the file they are put right and removed, each undone in one step', async () => {
    const log = {
      id: 'log-1',
      studentId: student.id,
      routineId: 'r',
      routineName: 'R',
      day: '2026-03-01',
      startedAt: '2026-03-01T08:00:00.000Z',
      enteredAt: null,
      practisedSeconds: 600,
      source: 'by hand' as const,
      classId: null,
      effort: 5,
      pain: 0,
      painWhere: '',
      painPlace: null,
      symptoms: [],
      shook: [],
      hands: [],
      note: '',
      lines: (['left', 'right'] as const).map((side) => ({
        segmentId: 'segment-1',
        exerciseId: 'shoulder-wheel',
        exerciseName: 'Shoulder wheel',
        kind: 'cycle' as const,
        side,
        direction: 'none' as const,
        asked: { amount: 9, seconds: 54 },
        done: { amount: 9, seconds: 54 },
        enough: null,
        alignmentKept: null,
        effort: null,
        turned: null,
        staySeconds: null,
        gaveOut: null,
        firmness: null,
      })),
    };
    const page = await render(StudentFile, { id: student.id, part: 'practices' }, { students: [student], logs: [log] });
    await page.press('Put it right');
    await page.fill('Effort', '8');
    expect((await page.database.of('logs').get('log-1'))!.effort).toBe(8);
    const good = page.field('the arm is heavy and loose');
    good.click();
    await page.settle();
    expect((await page.database.of('logs').get('log-1'))!.hands).toEqual([
      { test: 'lift', outcome: 'good', exerciseId: 'shoulder-wheel' },
    ]);
    // The effort of one exercise is that of both its sides.
    await page.fill('Own effort of Shoulder wheel', '9');
    expect((await page.database.of('logs').get('log-1'))!.lines.map((line) => line.effort)).toEqual([9, 9]);
    await page.press('Done');
    expect(page.text()).toContain('effort 9');
    await page.press('Remove it');
    expect(await page.database.of('logs').count()).toBe(0);
    await TestBed.inject(Store).undo();
    expect(await page.database.of('logs').count()).toBe(1);
  });
});

describe('the terraces of a plan', () => {
  const routine = aRoutine({ segments: [segment] });
  const person = aPerson(today, { routines: [routine] });
  const weeks = async () => {
    const of = { plan, person, locked: new Set() };
    return render(PlanWeeks, of, { plans: [plan] });
  };
  const providers = () => {
    jest.spyOn(Compute.prototype, 'result').mockImplementation(((_: string, question: { plan: Plan }) =>
      of({
        forecasts: planForecast(contextOf(question.plan, person)).strands,
        proven: true,
        chances: [],
      })) as never);
  };
  const kept = async (page: Awaited<ReturnType<typeof weeks>>) => (await page.database.of('plans').get(plan.id))!;

  beforeEach(providers);
  afterEach(() => jest.restoreAllMocks());

  test('a week is overruled with a reason, frozen, and given back', async () => {
    const page = await weeks();
    await page.press('Set week 6 of Holding the tree');
    await page.fill('Your dose', '40');
    await page.fill('Your reason', 'Exams');
    await page.press('Set it');
    expect((await kept(page)).strands[0]!.overrules).toEqual([{ week: 5, dose: 40, reason: 'Exams' }]);
    await page.settle();
    expect(page.text()).toContain('Set by you: Exams');
    await page.press('Set week 7 of Holding the tree');
    await page.press('Freeze the week');
    expect((await kept(page)).frozenWeeks).toEqual([6]);
    await page.press('Set week 6 of Holding the tree');
    await page.press('As planned');
    expect((await kept(page)).strands[0]!.overrules).toEqual([]);
  });

  test('a holiday is added, and the plan before it compared', async () => {
    const page = await weeks();
    expect(page.text()).not.toContain('Before:');
    await page.press('Keep this plan to compare');
    await page.fill('Away from', '2026-03-09');
    await page.fill('to', '2026-03-29');
    await page.press('Add the holiday');
    expect((await kept(page)).holidays).toEqual([{ from: '2026-03-09', to: '2026-03-29' }]);
    expect(page.text()).toContain('Holiday: nothing is raised');
    expect(page.text()).toMatch(/Before: \d+ \w+ 2026\. Now: \d+ \w+ 2026\./);
  });

  test('the target is dragged to another week and another dose', async () => {
    const page = await weeks();
    const target = page.element.querySelector('.target')!;
    const at = (type: string, x: number, y: number) =>
      Object.assign(new MouseEvent(type, { bubbles: true, clientX: x, clientY: y }), { pointerId: 1 });
    target.dispatchEvent(at('pointerdown', 300, 40));
    target.dispatchEvent(at('pointermove', 380, 20));
    await page.settle();
    expect(page.element.querySelector('.wish')!.textContent).toMatch(/weeks later/);
    target.dispatchEvent(at('pointerup', 380, 20));
    await page.settle();
    const moved = (await kept(page)).strands[0]!;
    expect(moved.target).toBeGreaterThan(120);
    expect(moved.targetDay > '2026-05-04').toBe(true);
  });
});
