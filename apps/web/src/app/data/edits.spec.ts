import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import fc from 'fast-check';
import { softSchool, waveSchool, type Exercise, type Routine } from '@pomek/core';
import { aRoutine, aStudent, freshSpace, someContents, until } from '../../../testing/records';
import { blankExercise } from '../exercises/own-exercise';
import type { Database } from './database';
import { Editing } from './editing';
import { Edits } from './edits';
import { Notices } from './notices';
import { Store } from './store';
import { WholeSpace } from './whole-space';

let database: Database;
beforeEach(() => {
  database = freshSpace();
});
afterEach(() => database.delete());

const editing = <N extends 'routines' | 'students' | 'exercises' | 'schools'>(table: N, id: string): Editing<N> =>
  TestBed.runInInjectionContext(() => new Editing(table, signal(id), () => 'Change'));
const loaded = async <N extends 'routines' | 'students' | 'exercises' | 'schools'>(
  table: N,
  id: string,
): Promise<Editing<N>> => {
  const edit = editing(table, id);
  TestBed.tick();
  await until(() => edit.stored() !== undefined);
  return edit;
};
const routineNow = async () => (await database.of('routines').get('routine-1'))!;
/** What lies in the journal of typed values, of all pages. */
const journal = () =>
  Object.keys(localStorage)
    .filter((key) => key.startsWith('pomek.typed'))
    .flatMap((key) => JSON.parse(localStorage.getItem(key)!) as { at: unknown; value: unknown }[]);

/** The page is gone before anything was written; another one opens on the same storage. */
async function nextPage(): Promise<Database> {
  const left = Object.keys(localStorage).map((key) => [key, localStorage.getItem(key)!] as const);
  TestBed.resetTestingModule();
  freshSpace();
  for (const [key, value] of left) localStorage.setItem(key, value);
  const next = new (database.constructor as new (name: string) => Database)(database.name);
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({
    providers: [
      { provide: (await import('./database')).Database, useValue: next },
      { provide: (await import('./space')).SPACE, useValue: 'own' },
    ],
  });
  return next;
}

test('neighbouring fields changed at once are all kept, whatever was stored a moment ago', async () => {
  await database.of('routines').put(aRoutine());
  const edit = await loaded('routines', 'routine-1');
  edit.set(['settleSeconds'], 12);
  edit.set(['changeSeconds'], 7);
  edit.type(['note'], 'slowly');
  edit.set(['segments', { id: 'segment-1' }, 'dose', 'holdSeconds'], 75);
  edit.set(['segments', { id: 'segment-1' }, 'dose', 'restSeconds'], 33);
  TestBed.inject(Edits).flush();
  await until(() => journal().length === 0);
  expect(await routineNow()).toMatchObject({
    settleSeconds: 12,
    changeSeconds: 7,
    note: 'slowly',
    segments: [{ dose: { holdSeconds: 75, restSeconds: 33 } }],
  });
});

test('what is typed before the record has been read is kept', async () => {
  await database.of('routines').put(aRoutine());
  const edit = editing('routines', 'routine-1');
  expect(edit.stored()).toBeUndefined();
  edit.set(['settleSeconds'], 12);
  await until(() => journal().length === 0);
  expect(await routineNow()).toMatchObject({ settleSeconds: 12 });
});

test('any typing in any order ends as it was typed, and is undone to where it began', async () => {
  const letters = fc.string({ unit: fc.constantFrom('a', 'b', 'c', 'ä', ' 站'), minLength: 1, maxLength: 8 });
  const step = fc.record({ key: fc.constantFrom('name' as const, 'note' as const), text: letters, wait: fc.nat(3) });
  for (const typed of fc.sample(fc.array(step, { minLength: 1, maxLength: 12 }), { numRuns: 12, seed: 7 })) {
    await database.of('routines').put(aRoutine());
    const edit = await loaded('routines', 'routine-1');
    for (const { key, text, wait } of typed) {
      edit.type([key], `${text}.`);
      if (wait === 3) TestBed.inject(Edits).flush();
      if (wait > 1) await new Promise((resolve) => setTimeout(resolve, 1));
    }
    TestBed.inject(Edits).flush();
    await until(() => journal().length === 0);
    const last = (key: 'name' | 'note') => typed.findLast((entry) => entry.key === key);
    expect(await routineNow()).toEqual(
      aRoutine({
        ...(last('name') === undefined ? {} : { name: `${last('name')!.text}.`.trim() }),
        ...(last('note') === undefined ? {} : { note: `${last('note')!.text}.` }),
      }),
    );
    const store = TestBed.inject(Store);
    while (store.undoLabel() !== null) await store.undo();
    expect(await routineNow()).toEqual(aRoutine());
  }
});

test('what is typed stands in the journal before the database has answered, and the next page takes it over', async () => {
  await database.of('students').put(aStudent());
  const edit = await loaded('students', 'student-1');
  edit.type(['note'], 'half a sen');
  expect(journal()).toMatchObject([{ at: ['note'], value: 'half a sen' }]);
  const next = await nextPage();
  TestBed.inject(Edits);
  await until(() => journal().length === 0);
  expect(await next.of('students').get('student-1')).toMatchObject({ note: 'half a sen' });
});

test('a copy of a school that a page did not come to keep is made by the next page, with everybody it was for', async () => {
  const { archivedOn, ...taught } = aStudent();
  await database.of('students').bulkPut([
    { ...taught, archivedOn },
    { ...taught, id: 'gone', archivedOn: '2026-01-01' },
    { ...taught, id: 'other', archivedOn, schoolId: waveSchool.id },
  ]);
  await database.of('routines').put(aRoutine());
  const { raise } = softSchool;
  TestBed.inject(Edits).type(
    { table: 'schools', id: 'own-school' },
    'School',
    { at: ['raise', 'raisesPerFamily'], value: raise.raisesPerFamily + 1, letters: true },
    softSchool.id,
  );
  const next = await nextPage();
  TestBed.inject(Edits);
  await until(() => journal().length === 0);
  expect(await next.of('schools').toArray()).toEqual([
    {
      ...softSchool,
      id: 'own-school',
      name: 'Soft hall, my own',
      raise: { ...raise, raisesPerFamily: raise.raisesPerFamily + 1 },
    },
  ]);
  const schools = async () => (await next.of('students').toArray()).map(({ id, schoolId }) => [id, schoolId]);
  expect(await schools()).toEqual([
    ['gone', 'own-school'],
    ['other', waveSchool.id],
    ['student-1', 'own-school'],
  ]);
  expect((await next.of('routines').toArray())[0]!.schoolId).toBe('own-school');
  // All of it is one step, also with what is typed right after it.
  const edits = TestBed.inject(Edits);
  edits.type({ table: 'schools', id: 'own-school' }, 'School', { at: ['raise', 'raisesPerFamily'], value: 1 });
  await until(() => journal().length === 0);
  await TestBed.inject(Store).undo();
  expect(await next.of('schools').toArray()).toEqual([]);
  expect((await schools()).map(([, schoolId]) => schoolId)).toEqual([softSchool.id, waveSchool.id, softSchool.id]);
});

test('what another space left behind stays there', () => {
  localStorage.setItem(
    'pomek.typed.demo.other',
    JSON.stringify([{ table: 'students', id: 's', label: 'x', at: ['note'], value: 'y' }]),
  );
  TestBed.inject(Edits);
  expect(journal()).toHaveLength(1);
});

test('a journal that cannot be read is left out, and takes nothing along', async () => {
  await database.of('students').put(aStudent());
  localStorage.setItem('pomek.typed.own.a', '[{"table":"nothing"}]');
  localStorage.setItem('pomek.typed.own.b', 'not even json');
  TestBed.inject(Edits);
  await new Promise((resolve) => setTimeout(resolve, 20));
  expect(await database.of('students').get('student-1')).toEqual(aStudent());
});

test('what is not whole waits beside what is, and both are seen', async () => {
  await database.of('routines').put(aRoutine());
  const edit = await loaded('routines', 'routine-1');
  edit.type(['name'], ' ');
  edit.type(['note'], 'kept all the same');
  TestBed.inject(Edits).flush();
  await until(() => edit.stored()?.note === 'kept all the same');
  expect(edit.problems()).toEqual(['name: a routine needs a name']);
  expect(edit.draft()).toMatchObject({ name: ' ', note: 'kept all the same' });
  expect(await routineNow()).toMatchObject({ name: 'Evening' });
  edit.forget();
  expect(edit.draft()).toMatchObject({ name: 'Evening', note: 'kept all the same' });
  expect(journal()).toEqual([]);
});

test('values that fit only together are written together', async () => {
  const exercise: Exercise = { ...blankExercise('own', 'standing'), name: 'Mine' };
  await database.of('exercises').put(exercise);
  const edit = await loaded('exercises', 'own');
  edit.set(['posture', 'otherLifted'], true);
  expect(edit.problems()[0]).toContain('a foot lifts only with all the weight on the other leg');
  await new Promise((resolve) => setTimeout(resolve, 20));
  expect((await database.of('exercises').get('own'))!.posture.otherLifted).toBe(false);
  edit.set(['posture', 'weightShare'], 1);
  await until(() => edit.problems().length === 0 && journal().length === 0);
  expect((await database.of('exercises').get('own'))!.posture).toMatchObject({ otherLifted: true, weightShare: 1 });
});

test('a command takes along what waits where that makes the record whole', async () => {
  const exercise: Exercise = { ...blankExercise('own', 'standing'), name: 'Mine' };
  await database.of('exercises').put(exercise);
  const edit = await loaded('exercises', 'own');
  edit.set(['posture', 'otherLifted'], true);
  await edit.change('All on one leg', (stored) => ({ ...stored, posture: { ...stored.posture, weightShare: 1 } }));
  expect((await database.of('exercises').get('own'))!.posture).toMatchObject({ otherLifted: true, weightShare: 1 });
  expect(journal()).toEqual([]);
});

test('what is typed ends with the space it was typed in', async () => {
  await database.of('routines').put(aRoutine());
  const edit = await loaded('routines', 'routine-1');
  edit.type(['name'], ' ');
  TestBed.inject(Edits).flush();
  localStorage.setItem('pomek.draft.own.decision x', '{}');
  localStorage.setItem('pomek.draft.demo.decision x', '{}');
  await TestBed.inject(WholeSpace).replace(someContents());
  expect(journal()).toEqual([]);
  expect(edit.problems()).toEqual([]);
  expect(localStorage.getItem('pomek.draft.own.decision x')).toBeNull();
  expect(localStorage.getItem('pomek.draft.demo.decision x')).toBe('{}');
});

test('a journal without room keeps what it had', async () => {
  await database.of('students').put(aStudent());
  const edit = await loaded('students', 'student-1');
  edit.type(['note'], 'first');
  const full = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  edit.type(['note'], 'first and second');
  expect(journal()).toMatchObject([{ at: ['note'], value: 'first' }]);
  full.mockRestore();
  TestBed.inject(Edits).flush();
  await until(() => journal().length === 0);
  expect(await database.of('students').get('student-1')).toMatchObject({ note: 'first and second' });
});

test('a command goes after what was typed before it', async () => {
  await database.of('routines').put(aRoutine());
  const edit = await loaded('routines', 'routine-1');
  edit.type(['name'], 'Typed');
  await edit.change('Shout', (stored) => ({ ...stored, name: `${stored.name}!` }));
  expect(await routineNow()).toMatchObject({ name: 'Typed!' });
});

test('undo takes back what was typed, and the field shows what is stored', async () => {
  await database.of('routines').put(aRoutine());
  const edit = await loaded('routines', 'routine-1');
  edit.type(['name'], 'Other');
  const store = TestBed.inject(Store);
  expect(await store.undo()).toBe('Change');
  expect(await routineNow()).toMatchObject({ name: 'Evening' });
  // What is stored comes a moment later.
  await until(() => edit.draft()?.name === 'Evening');
});

test('a school that comes along is stored from its first change on', async () => {
  const edit = await loaded('schools', softSchool.id);
  edit.set(['countsOf'], 8);
  edit.set(['raise', 'growthPerWeek'], 0.05);
  await until(() => journal().length === 0);
  expect(await database.of('schools').get(softSchool.id)).toEqual({
    ...softSchool,
    countsOf: 8,
    raise: { ...softSchool.raise, growthPerWeek: 0.05 },
  });
});

test('what was removed meanwhile is not brought back by a letter', async () => {
  await database.of('routines').put(aRoutine());
  const edit = await loaded('routines', 'routine-1');
  edit.type(['note'], 'late');
  await database.of('routines').delete('routine-1');
  TestBed.inject(Edits).flush();
  await until(() => journal().length === 0);
  expect(await database.of('routines').count()).toBe(0);
});

test('where the storage has no room it is said once, and written when there is', async () => {
  await database.of('routines').put(aRoutine());
  const edit = await loaded('routines', 'routine-1');
  const full = Object.assign(new Error('full'), { name: 'QuotaExceededError' });
  const put = jest.spyOn(Object.getPrototypeOf(database.of('routines')), 'bulkPut').mockRejectedValue(full);
  edit.set(['settleSeconds'], 44);
  edit.set(['changeSeconds'], 45);
  const notices = TestBed.inject(Notices);
  await until(() => notices.open().length > 0);
  expect(notices.open()).toMatchObject([{ kind: 'failure', title: 'Not saved yet; it is tried again' }]);
  expect(edit.draft()).toMatchObject({ settleSeconds: 44, changeSeconds: 45 });
  expect((await routineNow()).settleSeconds).toBe(aRoutine().settleSeconds);
  put.mockRestore();
  TestBed.inject(Edits).flush();
  await until(() => journal().length === 0);
  expect(await routineNow()).toMatchObject<Partial<Routine>>({ settleSeconds: 44, changeSeconds: 45 });
  expect(notices.open()).toEqual([]);
});
