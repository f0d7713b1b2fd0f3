import {
  builtInExercises,
  demoContents,
  newClass,
  newSegment,
  newStrand,
  softSchool,
  type PracticeLog,
} from '@pomek/core';
import { aStudent } from '../../../testing/records';
import { TestBed } from '@angular/core/testing';
import { render } from '../../../testing/render';
import { addDays, formatISO, subDays } from 'date-fns';
import { NEVER } from 'rxjs';
import { Compute } from '../compute/compute';
import { Clock } from '../data/clock';
import { Store } from '../data/store';
import { StudentFile } from './student-file';
import { Students } from './students';

const demo = demoContents(formatISO(new Date(), { representation: 'date' }));
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
  await page.until(/Orsolya Venn/);
  expect(page.element.querySelectorAll('tbody tr')).toHaveLength(10);
  expect(page.text()).toContain('every day');
  await page.until(/yesterday|days ago/);
  const rows = [...page.element.querySelectorAll('tbody tr')].map((row) => row.textContent);
  const bertil = rows.find((row) => row.includes('Bertil Anquist'))!;
  expect(bertil).toContain('Stop and refer');
  expect(bertil).toMatch(/as usual|more|less|too early/);
});

test('students are found by any of their words, and put in order by what waits or who was not seen', async () => {
  const page = await render(Students, {}, stored);
  await page.until(/yesterday|days ago/);
  const names = () => [...page.element.querySelectorAll('tbody .title')].map((link) => link.textContent);
  expect(names()).toEqual(names().toSorted((a, b) => a.localeCompare(b)));
  const search = page.element.querySelector<HTMLInputElement>('input[type=search]')!;
  const find = async (words: string) => {
    search.value = words;
    search.dispatchEvent(new Event('input'));
    await page.settle();
  };
  await find('knee bert');
  expect(names()).toEqual(['Bertil Anquist']);
  expect(page.text()).toContain('1 of 10');
  await find('nobody of that name');
  expect(page.text()).toContain('No student matches your search.');
  await find('');
  const list = page.fixture.componentInstance as unknown as { setOrder: (order: 'waits' | 'seen') => void };
  list.setOrder('waits');
  await page.settle();
  // A stop is the weightiest.
  expect(names()[0]).toBe('Bertil Anquist');
  list.setOrder('seen');
  await page.settle();
  expect(names()[0]).toBe('Wilhelmina Frost');
  expect(localStorage.getItem('pomek.students-order')).toBe('seen');
  // What was searched for is there again after going away and back.
  await find('knee bert');
  page.fixture.destroy();
  const again = TestBed.createComponent(Students);
  expect(again.componentInstance['text']()).toBe('knee bert');
});

test('students can be those of one class; who is in the archive stands apart, and in no class', async () => {
  const gone = { ...demo.students[0]!, archivedOn: '2026-01-02' };
  const students = [gone, ...demo.students.slice(1)];
  const classes = [{ ...newClass('c', 'Evening class', 2), roster: [gone.id, demo.students[2]!.id] }];
  const page = await render(Students, {}, { ...stored, students, classes });
  await page.until(/Evening class|of all classes/);
  const names = () => [...page.element.querySelectorAll('tbody .title')].map((link) => link.textContent);
  expect(names()).not.toContain(gone.name);
  expect(page.text()).toMatch(/In the archive ?1.*Orsolya Venn since 2 Jan 2026/);
  const list = page.fixture.componentInstance as unknown as { setClass: (id: string) => void };
  list.setClass('c');
  await page.settle();
  expect(names()).toEqual([demo.students[2]!.name]);
  expect(localStorage.getItem('pomek.students-class')).toBe('c');
});

test('a student goes into the archive and comes out of it, in one step each, with all that was saved', async () => {
  const page = await render(StudentFile, { id: 'demo-student-7', part: 'person' }, stored, [noWeeks]);
  await page.press('Put into the archive');
  expect((await page.database.of('students').get('demo-student-7'))!.archivedOn).toBe(
    formatISO(new Date(), { representation: 'date' }),
  );
  await page.until(/In the archive since/);
  await page.press('Bring back from the archive');
  expect((await page.database.of('students').get('demo-student-7'))!.archivedOn).toBeNull();
  expect(await page.database.of('plans').where('studentId').equals('demo-student-7').count()).toBe(1);
});

test('a sore knee stands first, and clearing it is remembered with the reason', async () => {
  const page = await withFile('demo-student-3');
  expect(page.text()).toContain('Pain 5 of 10 (right knee)');
  await page.press('Unlock…');
  await page.fill('Your reason', 'rested');
  await page.press('Unlock it');
  const decisions = await page.database.of('decisions').toArray();
  expect(decisions.find((decision) => decision.outcome === 'cleared')).toMatchObject({
    teacherReason: 'rested',
    verdict: 'stop',
  });
});

test('all safe verdicts are accepted in one step, which one undo takes back', async () => {
  const clock = new Clock();
  const tree = builtInExercises.find((exercise) => exercise.id === 'tree-holding')!;
  const parts = ['a', 'b'].map((id) => newSegment(id, tree, softSchool));
  const inTwoYears = clock.dayOf(addDays(clock.now(), 700));
  const strands = parts.map((part) => ({
    ...newStrand(`s-${part.id}`, part, tree, 'time', 300, inTwoYears, softSchool),
    step: 5,
  }));
  const plan = { ...demo.plans[0]!, id: 'p', studentId: 'student-1', startsOn: clock.today(), strands };
  const logs = [1, 2].map((days): PracticeLog => {
    const then = subDays(clock.now(), days);
    const lines = parts.map((part) => ({
      ...demo.logs[0]!.lines[0]!,
      segmentId: part.id,
      kind: 'hold' as const,
      side: 'both' as const,
      direction: 'none' as const,
      asked: { amount: 1, seconds: 60 },
      done: { amount: 1, seconds: 60 },
      alignmentKept: null,
      enough: null,
    }));
    return {
      ...demo.logs[0]!,
      id: `log-${days}`,
      studentId: 'student-1',
      day: clock.dayOf(then),
      startedAt: then.toISOString(),
      lines,
      effort: 4,
      pain: 0,
      symptoms: [],
      shook: [],
    };
  });
  const page = await render(StudentFile, { id: 'student-1' }, { students: [aStudent()], plans: [plan], logs }, [
    noWeeks,
  ]);
  // Two presses are one.
  const accept = [...page.element.querySelectorAll('button')].find((one) => one.textContent.includes('Accept all'))!;
  accept.click();
  await page.press(/^Accept all except stops/);
  expect((await page.database.of('decisions').toArray()).map((decision) => decision.verdict)).toEqual([
    'raise',
    'raise',
  ]);
  expect((await page.database.of('decisions').toArray()).map((decision) => decision.to)).toEqual([65, 65]);
  expect((await page.database.of('plans').get('p'))!.strands.map((strand) => strand.level)).toEqual(
    [66, 66].map((level) => expect.closeTo(level, 6) as number),
  );
  await TestBed.inject(Store).undo();
  expect(await page.database.of('decisions').count()).toBe(0);
  expect(await page.database.of('plans').get('p')).toEqual(plan);
});

test('a student is removed with plan, practices and decisions, and comes back whole', async () => {
  const page = await withFile('demo-student-1');
  const count = async () => {
    const of = async (table: 'plans' | 'logs' | 'decisions') =>
      page.database.of(table).where('studentId').equals('demo-student-1').count();
    return [await of('plans'), await of('logs'), await of('decisions')];
  };
  const before = await count();
  await page.press('Person');
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

/** A practice of today that was as hard as can be. */
async function practiseHard(number: number): Promise<void> {
  const last = demo.logs.filter((log) => log.studentId === 'demo-student-7').at(-1)!;
  const startedAt = new Date(TestBed.inject(Clock).now().getTime() + number).toISOString();
  const hard: PracticeLog = { ...last, id: `hard-${number}`, startedAt, effort: 10 };
  await TestBed.inject(Store).write('Practice', [{ table: 'logs', add: hard }]);
}

test('a new practice brings its verdict at once', async () => {
  const page = await withFile('demo-student-7');
  await practiseHard(1);
  await page.settle();
  expect(page.text()).toContain('Effort 10 of 10');
  expect(page.text()).toContain('stay, and watch');
  await practiseHard(2);
  await page.settle();
  expect(page.text()).toContain('what was saved up for the next dose is put back');
  expect(page.text()).toContain('twice in three');
});

test('what is safe is accepted with one key', async () => {
  const page = await withFile('demo-student-7');
  await page.until(/Practices/);
  await practiseHard(1);
  await practiseHard(2);
  await page.until(/twice in three/);
  const before = await page.database.of('decisions').count();
  document.dispatchEvent(new KeyboardEvent('keydown', { key: 'a', altKey: true, bubbles: true }));
  await page.until(/Nothing to decide now/);
  expect(await page.database.of('decisions').count()).toBeGreaterThan(before);
  document.dispatchEvent(new KeyboardEvent('keydown', { key: 'a', altKey: true, bubbles: true }));
  await page.settle();
  expect(page.text()).toContain('Nothing to decide now');
});

test('the key that accepts what is safe leaves a stop as it is', async () => {
  const page = await withFile('demo-student-3');
  await page.until(/Stop and refer/);
  const before = await page.database.of('decisions').count();
  const plan = await page.database.of('plans').where('studentId').equals('demo-student-3').first();
  const key = new KeyboardEvent('keydown', { key: 'a', altKey: true, bubbles: true, cancelable: true });
  document.dispatchEvent(key);
  await page.settle();
  expect(key.defaultPrevented).toBe(false);
  expect(await page.database.of('decisions').count()).toBe(before);
  expect(await page.database.of('plans').get(plan!.id)).toEqual(plan);
  expect(page.text()).toContain('Stop and refer');
});

test('from a plateau a way is chosen and remembered, it is not accepted with the others, and one undo takes it back', async () => {
  const ilse = demo.students.find(({ name }) => name === 'Ilse Marrowby')!;
  const page = await withFile(ilse.id);
  const plans = async () => (await page.database.of('plans').toArray()).flatMap(({ strands }) => strands);
  const legs = async () => (await plans()).find(({ exerciseId }) => exerciseId === 'empty-full')!;
  const before = await legs();
  expect(page.text()).toMatch(/The last 6 practices at .* were not done in full/);
  expect(page.element.querySelector('pk-plateau-ways')).not.toBeNull();
  expect(page.text()).not.toContain('Accept all except stops');
  await page.press(/^Apply: What is held, and half steps$/);
  expect(await legs()).toMatchObject({ halfSteps: { step: before.step } });
  expect((await legs()).level).toBeLessThan(before.level);
  const outcomes = (await page.database.of('decisions').toArray()).map(({ outcome }) => outcome);
  expect(outcomes).toContain('another way');
  expect(page.text()).not.toContain('The last 6 practices');
  await TestBed.inject(Store).undo();
  expect(await legs()).toEqual(before);
  await page.until(/The last 6 practices/);
  await page.press(/^Test again: A new test$/);
  expect(page.text()).toContain('Baseline');
  expect(await legs()).toMatchObject({ level: before.level, halfSteps: null });
});
