import { softSchool, strictSchool, waveSchool } from '@pomek/core';
import { aRoutine, aStudent } from '../../../testing/records';
import { render } from '../../../testing/render';
import { TestBed } from '@angular/core/testing';
import { OwnSchool } from '../data/own-school';
import { Store } from '../data/store';
import { Routines } from '../routines/routines';
import { Students } from '../students/students';
import { SchoolDrawer } from './school-drawer';

/** The drawer with one school stored; what it changes is read back from the storage. */
const drawer = async () => {
  const page = await render(SchoolDrawer, { open: true }, { schools: [softSchool] });
  page.fixture.componentInstance['choose'](softSchool.id);
  await page.settle();
  /** The copy of one’s own, once there is one: what came with Pomek stays as it is. */
  const stored = async () => {
    const all = await page.database.of('schools').toArray();
    return all.find(({ id }) => id !== softSchool.id) ?? all[0]!;
  };
  return { page, it: page.fixture.componentInstance, stored };
};

test('the axes of the ladder are put into another order, one place at a time, and undone', async () => {
  const { it, page, stored } = await drawer();
  it['move']('bend', -1);
  await page.settle();
  expect((await stored()).rungOrder).toEqual(['bend', 'time', 'share', 'arms']);
  it['move']('arms', -1);
  await page.settle();
  expect((await stored()).rungOrder).toEqual(['bend', 'time', 'arms', 'share']);
  await TestBed.inject(Store).undo();
  expect((await stored()).rungOrder).toEqual(softSchool.rungOrder);
  expect(await page.database.of('schools').get(softSchool.id)).toEqual(softSchool);
});

test('a question is answered, and its sentence says what that means', async () => {
  const { it, page, stored } = await drawer();
  const row = it['questions'].flatMap(({ rows }) => rows).find((question) => question.key === 'pressure')!;
  expect(it['sentence'](row)).toBe(row.sides.find((side) => side.value === 'whole sole')!.sentence);
  it['answer']('pressure', 'ball');
  await page.settle();
  expect((await stored()).pressure).toBe('ball');
  expect(it['sentence'](row)).toBe(row.sides.find((side) => side.value === 'ball')!.sentence);
});

test('numbers of the raise rule that contradict each other are refused with the field, and nothing is lost', async () => {
  const { it, page, stored } = await drawer();
  it['changeRaise']('easeEffort', 5);
  await page.settle();
  expect(it['edit'].problems()).toEqual(['raise.easeEffort: must be above the effort for a raise']);
  expect(page.text()).toContain('Not saved yet');
  expect((await stored()).raise).toEqual(softSchool.raise);
  it['changeRaise']('growthPerWeek', 0.05);
  await page.settle();
  // What is whole is kept although something else is not; both go together once they fit.
  expect((await stored()).raise).toEqual({ ...softSchool.raise, growthPerWeek: 0.05 });
  it['changeRaise']('effortCeiling', 4);
  await page.settle();
  expect(it['edit'].problems()).toEqual([]);
  expect((await stored()).raise).toMatchObject({ easeEffort: 5, effortCeiling: 4 });
});

test('a copy is its own school and leaves the first as it was', async () => {
  const { it, page } = await drawer();
  // Pressed twice it is one copy, not a copy of the copy.
  await it['copy']();
  await it['copy']();
  await page.settle();
  it['answer']('eyes', 'closed');
  await page.settle();
  const all = await page.database.of('schools').toArray();
  expect(all).toHaveLength(2);
  expect(all.find((school) => school.id !== softSchool.id)).toMatchObject({
    name: 'Soft hall, my own',
    eyes: 'closed',
  });
  expect(all.find((school) => school.id === softSchool.id)!.eyes).toBe(softSchool.eyes);
});

test('what came with Pomek is changed in a copy, which takes its place with students, routines and new things', async () => {
  const students = [aStudent(), aStudent({ id: 'student-2', schoolId: waveSchool.id })];
  const page = await render(
    SchoolDrawer,
    { open: true },
    { schools: [softSchool, waveSchool], students, routines: [aRoutine()] },
  );
  const it = page.fixture.componentInstance;
  it['choose'](softSchool.id);
  await page.settle();
  expect(page.text()).toContain('It came with Pomek and stays as it is');
  // Letters that are typed while the copy is made are not lost, and make one copy.
  for (const value of ['Quiet', 'Quiet h', 'Quiet hall']) it['put']({ at: ['name'], value, letters: true });
  await page.settle();
  const schools = () => page.database.of('schools').toArray();
  // What is typed letter by letter is written a moment after the last.
  for (let round = 0; round < 60 && !(await schools()).some(({ name }) => name === 'Quiet hall'); round += 1)
    await page.settle();
  const all = await schools();
  expect(all.map(({ name }) => name).toSorted()).toEqual(['Quiet hall', 'Soft hall', 'Wave hall']);
  const { id } = all.find(({ name }) => name === 'Quiet hall')!;
  expect((await page.database.of('students').toArray()).map(({ schoolId }) => schoolId)).toEqual([id, waveSchool.id]);
  expect((await page.database.of('routines').toArray())[0]!.schoolId).toBe(id);
  expect(TestBed.inject(OwnSchool).school().id).toBe(id);
  expect(page.text()).not.toContain('It came with Pomek');
});

test('the hall’s own school is what it was once its copy is undone', async () => {
  const { page, it } = await drawer();
  const own = TestBed.inject(OwnSchool);
  own.choose(waveSchool.id);
  it['choose'](waveSchool.id);
  await page.settle();
  it['answer']('eyes', 'closed');
  await page.settle();
  expect(own.school()).toMatchObject({ name: 'Wave hall, my own', eyes: 'closed' });
  await TestBed.inject(Store).undo();
  await page.settle();
  expect(own.school().id).toBe(waveSchool.id);
});

test('the built-in schools differ in earnest', () => {
  expect(strictSchool.rungOrder).not.toEqual(softSchool.rungOrder);
});

test('the school that is chosen for it is the one new routines and students begin with', async () => {
  const { page, it } = await drawer();
  expect(page.text()).toContain('New routines, students and lessons begin with this school.');
  it['choose'](waveSchool.id);
  await page.settle();
  await page.press('Begin new things with this school');
  expect(page.text()).toContain('New routines, students and lessons begin with this school.');
  expect(TestBed.inject(OwnSchool).school().id).toBe(waveSchool.id);
  // Each page of a test has a browser of its own.
  const routines = await render(Routines);
  TestBed.inject(OwnSchool).choose(waveSchool.id);
  await routines.press(/Build the first routine|New routine/);
  const [made] = await routines.database.of('routines').toArray();
  const { settleSeconds, changeSeconds } = waveSchool;
  expect(made).toMatchObject({ schoolId: waveSchool.id, settleSeconds, changeSeconds });
  const students = await render(Students);
  TestBed.inject(OwnSchool).choose(waveSchool.id);
  await students.press(/New student|Add the first student/);
  expect((await students.database.of('students').toArray())[0]).toMatchObject({ schoolId: waveSchool.id });
});
