import { TestBed } from '@angular/core/testing';
import { Router, provideRouter } from '@angular/router';
import { newStudent, softSchool } from '@pomek/core';
import { freshSpace } from '../../../testing/records';
import { Store } from './store';
import { NewThings } from './new-things';

const student = (id: string) => newStudent(id, 'New student', softSchool.id);
const opened = () => {
  const database = freshSpace([provideRouter([{ path: '**', children: [] }])]);
  const [things, store, router] = [NewThings, Store, Router].map((token) => TestBed.inject(token as never)) as [
    NewThings,
    Store,
    Router,
  ];
  const rest = async (): Promise<void> => {
    for (let round = 0; round < 20; round += 1) await new Promise((resolve) => setTimeout(resolve, 10));
  };
  const ids = async () => (await database.of('students').toArray()).map(({ id }) => id);
  return { things, store, router, rest, ids };
};

test('what is left as it was made is gone, its step too', async () => {
  const { things, store, router, rest, ids } = opened();
  await things.begin('New student', 'students', student('a'), ['/students', 'a'], { part: 'person' });
  expect(router.url).toBe('/students/a?part=person');
  expect(await ids()).toEqual(['a']);
  await router.navigate(['/today']);
  await rest();
  expect(await ids()).toEqual([]);
  expect(store.undoLabel()).toBeNull();
});

test('what was given a name stays, and so does what has its page still open', async () => {
  const { things, store, router, rest, ids } = opened();
  await things.begin('New student', 'students', student('a'), ['/students', 'a']);
  await router.navigate(['/practise'], { queryParams: { student: 'a' } });
  await rest();
  expect(await ids()).toEqual(['a']);
  await store.write('Change', [{ table: 'students', id: 'a', change: (one) => ({ ...one, name: 'Ada' }) }]);
  await router.navigate(['/today']);
  await rest();
  expect(await ids()).toEqual(['a']);
});

test('two in a row: only the one that is left is taken back, never something else that was done', async () => {
  const { things, store, router, rest, ids } = opened();
  await things.begin('New student', 'students', student('a'), ['/students', 'a']);
  await store.write('Another', [{ table: 'students', add: { ...student('z'), name: 'Zoe' } }]);
  await things.begin('New student', 'students', student('b'), ['/students', 'b']);
  await rest();
  // Something was done since: the first one stays.
  expect((await ids()).toSorted()).toEqual(['a', 'b', 'z']);
  await router.navigate(['/today']);
  await rest();
  expect((await ids()).toSorted()).toEqual(['a', 'z']);
});

test('pressed twice makes one', async () => {
  const { things, ids } = opened();
  await Promise.all(['a', 'b'].map((id) => things.begin('New student', 'students', student(id), ['/students', id])));
  expect(await ids()).toEqual(['a']);
});

test('a copy that is pressed twice is made once, and stays though it is left as it was made', async () => {
  const { things, router, rest, ids } = opened();
  const made = await Promise.all(
    ['a', 'b'].map((id) => things.make('Copy', 'students', student(id), ['/students', id])),
  );
  expect(made).toEqual([true, false]);
  expect(router.url).toBe('/students/a');
  await router.navigate(['/today']);
  await rest();
  expect(await ids()).toEqual(['a']);
});
