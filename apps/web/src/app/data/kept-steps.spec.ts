import { TestBed } from '@angular/core/testing';
import { subDays } from 'date-fns';
import { aRoutine, aStudent, freshSpace } from '../../../testing/records';
import { Clock } from './clock';
import { Database } from './database';
import { SPACE } from './space';
import { KeptSteps } from './kept-steps';
import { Store } from './store';

let database: Database;
const rename = (store: Store, name: string, key: string | null = null) =>
  store.write(`Call it ${name}`, [{ table: 'routines', id: 'routine-1', change: (old) => ({ ...old, name }) }], key);
const nameNow = async () => (await database.of('routines').get('routine-1'))?.name;
/** Nothing is being written, and what was left has been read. */
const settled = async (store: Store): Promise<void> => {
  await (store as unknown as { queue: Promise<unknown> }).queue;
};
/** The page is loaded anew: everything but what is stored is gone. */
const reload = async (): Promise<Store> => {
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({
    providers: [
      { provide: Database, useValue: database },
      { provide: SPACE, useValue: 'own' },
    ],
  });
  const store = TestBed.inject(Store);
  await settled(store);
  return store;
};

beforeEach(() => {
  database = freshSpace();
});

afterEach(() => database.delete());

test('what was done is taken back after a reload, and done again after the next', async () => {
  let store = TestBed.inject(Store);
  await store.write('New', [{ table: 'routines', add: aRoutine() }]);
  for (const name of ['One', 'Two', 'Three']) await rename(store, name);
  store = await reload();
  expect(store.undoLabel()).toBe('Call it Three');
  await store.undo();
  await store.undo();
  expect(await nameNow()).toBe('One');
  store = await reload();
  expect([store.undoLabel(), store.redoLabel()]).toEqual(['Call it One', 'Call it Two']);
  await store.redo();
  await store.redo();
  expect(await nameNow()).toBe('Three');
  const back: unknown[] = [];
  for (let step = 0; step < 4; step += 1) back.push(await store.undo());
  expect(back).toEqual(['Call it Three', 'Call it Two', 'Call it One', 'New']);
  expect(await nameNow()).toBeUndefined();
  expect(store.undoLabel()).toBeNull();
});

test('a new step ends what could be done again, for a reload too', async () => {
  let store = TestBed.inject(Store);
  await store.write('New', [{ table: 'routines', add: aRoutine() }]);
  await rename(store, 'One');
  await store.undo();
  await rename(store, 'Other');
  store = await reload();
  expect(store.redoLabel()).toBeNull();
  expect(store.undoLabel()).toBe('Call it Other');
});

test('a step is shown only once it would outlive the page', async () => {
  const store = TestBed.inject(Store);
  await settled(store);
  let free = (): void => undefined;
  const asked = new Promise<void>((keeping) => {
    jest.spyOn(TestBed.inject(KeptSteps), 'keep').mockImplementationOnce(() => {
      keeping();
      return new Promise((kept) => (free = kept));
    });
  });
  const writing = store.write('New', [{ table: 'routines', add: aRoutine() }]);
  await asked;
  expect(store.undoLabel()).toBeNull();
  free();
  await writing;
  expect(store.undoLabel()).toBe('New');
});

test('letters that were one step are one step after a reload', async () => {
  let store = TestBed.inject(Store);
  await store.write('New', [{ table: 'routines', add: aRoutine() }]);
  for (const name of ['E', 'Ev', 'Eve']) await rename(store, name, 'name');
  store = await reload();
  await store.undo();
  expect(await nameNow()).toBe('Evening');
});

test('what was changed elsewhere since is not lost to an old step', async () => {
  let store = TestBed.inject(Store);
  await store.write('New', [{ table: 'routines', add: aRoutine() }]);
  await rename(store, 'Here');
  await database.of('routines').put({ ...aRoutine(), name: 'There' });
  store = await reload();
  await expect(store.undo()).rejects.toThrow('was changed elsewhere since');
  expect(await nameNow()).toBe('There');
  // It was put aside for good.
  store = await reload();
  expect(store.undoLabel()).toBe('New');
});

test('steps of another day are dropped; one that cannot be read ends what lies before it', async () => {
  let store = TestBed.inject(Store);
  const clock = TestBed.inject(Clock);
  const now = jest.spyOn(clock, 'now').mockReturnValue(subDays(new Date(), 1));
  await store.write('Yesterday', [{ table: 'students', add: aStudent() }]);
  now.mockRestore();
  store = await reload();
  expect(store.undoLabel()).toBeNull();
  expect(await database.table('steps').count()).toBe(0);
  await store.write('New', [{ table: 'routines', add: aRoutine() }]);
  await rename(store, 'One');
  const [first] = await database.table<{ id: string }>('steps').orderBy(':id').toArray();
  await database.table('steps').put({ ...first, changes: [{ table: 'routines', id: 'routine-1', after: { id: 3 } }] });
  store = await reload();
  await store.undo();
  expect(await nameNow()).toBe('Evening');
  expect(store.undoLabel()).toBeNull();
});

test('a whole file that was taken in is taken back until the page is left, and not after', async () => {
  let store = TestBed.inject(Store);
  const many = Array.from({ length: 1001 }, (_, index) => aStudent({ id: `s-${index}` }));
  await store.takeOver(
    'Many',
    many.map((record) => ({ table: 'students', record }) as const),
  );
  expect(store.undoLabel()).toBe('Many');
  store = await reload();
  expect(store.undoLabel()).toBeNull();
});

test('leaving is asked about while a long writing is under way, and not otherwise', async () => {
  const store = TestBed.inject(Store);
  await settled(store);
  const asks = () => {
    const event = new Event('beforeunload', { cancelable: true });
    dispatchEvent(event);
    return event.defaultPrevented;
  };
  const clock = TestBed.inject(Clock);
  const begun = clock.now().getTime();
  const writing = store.write('New', [{ table: 'routines', add: aRoutine() }]);
  expect(store.writing()).toBe(true);
  expect(asks()).toBe(false);
  const later = jest.spyOn(clock, 'now').mockReturnValue(new Date(begun + 2000));
  expect(asks()).toBe(true);
  later.mockRestore();
  await writing;
  await settled(store);
  expect(store.writing()).toBe(false);
  expect(asks()).toBe(false);
});
