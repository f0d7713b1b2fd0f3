import { demoContents, type PracticeLog } from '@pomek/core';
import { TestBed } from '@angular/core/testing';
import { render } from '../../../testing/render';
import { NEVER } from 'rxjs';
import { Compute } from '../compute/compute';
import { Clock } from '../data/clock';
import { Store } from '../data/store';
import { StudentFile } from './student-file';
import { Students } from './students';

const today = new Date();
const demo = demoContents(
  `${today.getFullYear()}-${String(today.getMonth() + 1).padStart(2, '0')}-${String(today.getDate()).padStart(2, '0')}`,
);
const stored = {
  students: demo.students,
  plans: demo.plans,
  logs: demo.logs,
  decisions: demo.decisions,
  routines: demo.routines,
  schools: demo.schools,
  exercises: demo.exercises,
};
/** The weeks of a plan have tests of their own; here they would only take time. */
const noWeeks = { provide: Compute, useValue: { result: () => NEVER } };
const withFile = (id: string) => {
  const own = <T extends { studentId: string }>(list: T[]): T[] => list.filter((entry) => entry.studentId === id);
  const { plans, logs, decisions } = demo;
  return render(StudentFile, { id }, { ...stored, plans: own(plans), logs: own(logs), decisions: own(decisions) }, [
    noWeeks,
  ]);
};

test('the list names every student with routine, days and last practice', async () => {
  const page = await render(Students, {}, stored);
  expect(page.element.querySelectorAll('tbody tr')).toHaveLength(10);
  expect(page.text()).toContain('Orsolya Venn');
  expect(page.text()).toContain('every day');
  expect(page.text()).toMatch(/yesterday|days ago/);
});

test('a sore knee stands first, and clearing it is remembered with the reason', async () => {
  const page = await withFile('demo-student-3');
  expect(page.text()).toContain('Pain 5 of 10 (right knee)');
  await page.press('Clear it…');
  await page.fill('Your reason', 'rested');
  await page.press('Clear the lock');
  const decisions = await page.database.of('decisions').toArray();
  expect(decisions.find((decision) => decision.outcome === 'cleared')).toMatchObject({
    teacherReason: 'rested',
    verdict: 'stop',
  });
});

test('all safe verdicts are accepted in one step, which one undo takes back', async () => {
  const page = await withFile('demo-student-6');
  const plan = await page.database.of('plans').get('demo-student-6-plan');
  const before = await page.database.of('decisions').count();
  const all = page.text().includes('Accept all that are safe');
  if (all) await page.press('Accept all that are safe');
  else if (page.text().includes('Accept')) await page.press('Accept');
  else return expect(page.text()).toContain('Nothing to decide now');
  expect(await page.database.of('decisions').count()).toBeGreaterThan(before);
  await TestBed.inject(Store).undo();
  expect(await page.database.of('decisions').count()).toBe(before);
  expect(await page.database.of('plans').get('demo-student-6-plan')).toEqual(plan);
});

test('a student is removed with plan, practices and decisions, and comes back whole', async () => {
  const page = await withFile('demo-student-1');
  const count = async () => {
    const of = async (table: 'plans' | 'logs' | 'decisions') =>
      page.database.of(table).where('studentId').equals('demo-student-1').count();
    return [await of('plans'), await of('logs'), await of('decisions')];
  };
  const before = await count();
  await page.press('Remove this student');
  expect(await count()).toEqual([0, 0, 0]);
  expect(await page.database.of('students').count()).toBe(9);
  await TestBed.inject(Store).undo();
  expect(await count()).toEqual(before);
  expect(await page.database.of('students').count()).toBe(10);
});

test('a student who is not there is said so', async () => {
  expect((await withFile('nobody')).text()).toContain('This student is not here');
});

test('a new practice brings its verdict at once', async () => {
  const page = await withFile('demo-student-7');
  const last = demo.logs.filter((log) => log.studentId === 'demo-student-7').at(-1)!;
  const hard: PracticeLog = { ...last, id: 'hard', startedAt: TestBed.inject(Clock).now().toISOString(), effort: 10 };
  await TestBed.inject(Store).write('Practice', [{ table: 'logs', put: hard }]);
  await page.settle();
  expect(page.text()).toContain('Ease');
  expect(page.text()).toContain('Effort 10 of 10');
});
