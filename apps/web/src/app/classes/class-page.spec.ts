import { newClass, newChain, softSchool, type Chain, type Meeting, type TaughtClass } from '@pomek/core';
import { aRoutine, aStudent } from '../../../testing/records';
import { render } from '../../../testing/render';
import { ClassPage } from './class-page';
import { Classes } from './classes';

const of = (change: Partial<TaughtClass> = {}): TaughtClass => ({
  ...newClass('class-1', 'Evening class', 1),
  minutes: 5,
  roster: ['student-1', 'student-2', 'gone'],
  routineId: 'routine-1',
  ...change,
});
const students = [
  aStudent(),
  aStudent({ id: 'student-2', name: 'Odo Brand', cautions: ['Sits when tired'] }),
  aStudent({ id: 'student-3', name: 'Pia Long' }),
];
const chain: Chain = {
  ...newChain('chain-1', 'Pond'),
  pieces: [
    { id: 'a', name: 'Reeds', seconds: 30, side: 'left', exerciseId: null, travel: null },
    { id: 'b', name: 'Heron', seconds: 30, side: 'right', exerciseId: null, travel: null },
  ],
};
const held = (day: string, present: string[], teaches: string | null): Meeting => ({
  id: `held-${day}`,
  classId: 'class-1',
  day,
  startedAt: `${day}T18:30:00.000Z`,
  practisedSeconds: 1800,
  routineName: 'Pond, lesson 1',
  lesson: { chainId: 'chain-1', number: 1, mode: 'each', teaches },
  present,
  corrected: ['student-2'],
  waiting: [],
  note: 'Rain.',
});
const page = (change: Partial<TaughtClass> = {}, part?: string, meetings: Meeting[] = []) =>
  render(
    ClassPage,
    { id: 'class-1', ...(part === undefined ? {} : { part }) },
    { classes: [of(change)], routines: [aRoutine()], students, chains: [chain], meetings, schools: [softSchool] },
  );

test('who is here is ticked, guests too; the meeting begins with them, and nobody else', async () => {
  const it = await page();
  await it.until(/0 of 2/);
  expect(it.text()).toContain('Sits when tired');
  await it.press('All are here');
  await it.until(/2 of 2/);
  const box = it.element.querySelector<HTMLInputElement>('#here-student-2')!;
  box.click();
  await it.until(/1 of 2/);
  await it.press('Go to the hall');
  const [journal] = await it.database.of('journals').toArray();
  expect(journal!.studentId).toBeNull();
  expect(journal!.group).toMatchObject({ classId: 'class-1', name: 'Evening class', minutes: 5, lesson: null });
  expect(journal!.group!.people.map(({ name, from }) => [name, from !== null])).toEqual([
    ['Nela Brisk', true],
    ['Odo Brand', false],
  ]);
  expect(journal!.routine).toEqual(aRoutine());
});

test('the round of corrections is fitted to the holds, and what everybody can is a dose of its own', async () => {
  const it = await page();
  await it.until(/Corrections/);
  // The one hold of the routine, shared by two.
  await it.until(/s each/);
  expect(it.text()).toMatch(/of 5 min: .* to spare/);
  await it.press('What everybody can');
  expect((await it.database.of('classes').get('class-1'))!.doses).toBe('everybody');
});

test('without a routine it says what is missing; one under way can be gone on with or dropped', async () => {
  const none = await page({ routineId: null });
  await none.until(/Nothing to practise yet/);
  const it = await page();
  await it.press('Go to the hall');
  await it.until(/is under way/);
  await it.press('Discard');
  expect(await it.database.of('journals').count()).toBe(0);
});

test('a class with a chain is taught its next lesson, with the routine as warm-up', async () => {
  const it = await page({
    chainId: 'chain-1',
    progress: { nextLesson: 2, taught: 1, lastHalf: null, joinedLast: false },
  });
  await it.until(/Pond, lesson 2/);
  expect(it.text()).toContain('Legs: Heron, 3 times');
  await it.press('Go to the hall');
  const [journal] = await it.database.of('journals').toArray();
  expect(journal!.group!.lesson).toEqual({ chainId: 'chain-1', number: 2, mode: 'each', teaches: 'Heron' });
  expect(journal!.routine.segments[0]!.type).toBe('exercise');
});

test('the term says what was held, who missed it, and what is still to be shown; a meeting can be removed', async () => {
  const it = await page({ chainId: 'chain-1' }, 'term', [held('2026-03-02', ['student-2', 'student-3'], 'Reeds')]);
  await it.until(/Lesson 1: Reeds/);
  expect(it.text()).toMatch(/Nela Brisk ?: Reeds/);
  expect(it.text()).toContain('Rain.');
  await it.press(/^Remove the meeting/);
  await it.until(/Nothing was held yet/);
});

test('it is set up as it is typed; a time that is none is not kept, and said', async () => {
  const it = await page({}, 'set-up');
  await it.until(/Who belongs to it 2/);
  await it.fill('Begins at', '');
  await it.until(/Begins at: a time like 19:00 or 7 pm/);
  expect((await it.database.of('classes').get('class-1'))!.startsAt).toBe('18:30');
  await it.fill('Begins at', '07:05');
  await it.fill('Room', 'The barn');
  it.element.querySelector<HTMLInputElement>('#roster-student-3')!.click();
  await it.settle();
  await it.until(/Who belongs to it 3/);
  await it.fixture.whenStable();
  const stored = (await it.database.of('classes').get('class-1'))!;
  expect(stored).toMatchObject({ roster: ['student-1', 'student-2', 'gone', 'student-3'] });
});

test('the next lesson can be set by hand; another chain begins where it is', async () => {
  const it = await page({ chainId: 'chain-1' }, 'set-up');
  await it.until(/Next lesson of this class/);
  await it.fill('Next lesson of this class', '2');
  await it.settle();
  expect((await it.database.of('classes').get('class-1'))!.progress).toMatchObject({ nextLesson: 2, taught: 1 });
});

test('the class that meets next stands first, each with who comes and what is taught; one can be added, and removed', async () => {
  const list = await render(
    Classes,
    {},
    {
      classes: [of({ weekday: 5 }), of({ id: 'class-2', name: 'Early class', weekday: 2, chainId: 'chain-1' })],
      chains: [chain],
      students,
    },
  );
  // Today is a Thursday: Friday comes before Tuesday.
  await list.until(/Evening class.*Early class/);
  expect(list.text()).toContain('Fri 13 Mar, 18:30–18:35');
  expect(list.text()).toContain('Pond, lesson 1 12:00 min');
  expect(list.text()).toContain('Nela Brisk');
  await list.press('Remove the class Early class');
  await list.press('New class');
  const names = (await list.database.of('classes').toArray()).map(({ name }) => name);
  expect(names.toSorted()).toEqual(['Evening class', 'New class']);
});

test('with no class it says what one is', async () => {
  const none = await render(Classes);
  await none.until(/No class yet/);
});
