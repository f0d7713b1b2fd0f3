import { TestBed } from '@angular/core/testing';
import fc from 'fast-check';
import { firstValueFrom } from 'rxjs';
import { moveSegment, replaceSegment, type Routine, type Student } from '@pomek/core';
import { aRoutine, aStudent, freshSpace, someContents } from '../../../testing/records';
import { Clock } from './clock';
import { type Database } from './database';
import { Notices } from './notices';
import { Repository } from './repository';
import { Store } from './store';
import { WholeSpace } from './whole-space';

let database: Database;
let store: Store;
const change = (label: string, part: Partial<Routine>, key: string | null = null) =>
  store.write(label, [{ table: 'routines', id: 'routine-1', change: (stored) => ({ ...stored, ...part }) }], key);
const routineNow = () => database.of('routines').get('routine-1');

beforeEach(() => {
  database = freshSpace();
  store = TestBed.inject(Store);
});

afterEach(() => database.delete());

test('a write is kept, undone and done again, with its name', async () => {
  await store.write('Add Evening', [{ table: 'routines', add: aRoutine() }]);
  expect(store.undoLabel()).toBe('Add Evening');
  expect(await store.undo()).toBe('Add Evening');
  expect(await routineNow()).toBeUndefined();
  expect(store.undoLabel()).toBeNull();
  expect(await store.redo()).toBe('Add Evening');
  expect(await routineNow()).toEqual(aRoutine());
});

test('several records are one step, also a removal', async () => {
  await store.write('Both', [
    { table: 'routines', add: aRoutine() },
    { table: 'students', add: aStudent() },
  ]);
  await store.write('Remove', [
    { table: 'routines', remove: 'routine-1' },
    { table: 'students', remove: 'student-1' },
  ]);
  expect(await database.of('students').count()).toBe(0);
  await store.undo();
  expect(await routineNow()).toEqual(aRoutine());
  expect(await database.of('students').count()).toBe(1);
});

test('quick changes to the same thing are undone together, others are not', async () => {
  await store.write('New', [{ table: 'routines', add: aRoutine() }]);
  for (const name of ['E', 'Ev', 'Eve']) await change('Rename', { name }, 'name');
  await change('Note', { note: 'x' }, 'note');
  await store.undo();
  expect(await routineNow()).toMatchObject({ name: 'Eve', note: '' });
  await store.undo();
  expect(await routineNow()).toMatchObject({ name: 'Evening' });
});

test('a change that changes nothing is no step, and a new change ends what could be done again', async () => {
  await store.write('New', [{ table: 'routines', add: aRoutine() }]);
  await change('Nothing', { name: 'Evening' });
  expect(store.undoLabel()).toBe('New');
  await store.undo();
  await store.write('Other', [{ table: 'routines', add: aRoutine({ name: 'Other' }) }]);
  expect(store.redoLabel()).toBeNull();
});

test('what was changed elsewhere since is not undone, and it is said why', async () => {
  await store.write('New', [{ table: 'routines', add: aRoutine() }]);
  await database.of('routines').put(aRoutine({ name: 'From another tab' }));
  await expect(store.undo()).rejects.toThrow('changed elsewhere');
  expect(await routineNow()).toMatchObject({ name: 'From another tab' });
  expect(TestBed.inject(Notices).open().at(-1)).toMatchObject({ kind: 'failure' });
});

test('a hundred steps and more undone return the first state exactly', async () => {
  const first = aRoutine({ segments: ['a', 'b', 'c', 'd'].map((id) => ({ ...aRoutine().segments[0]!, id })) });
  await database.of('routines').put(first);
  const step = fc.tuple(fc.nat(3), fc.nat(3), fc.integer({ min: 1, max: 90 }));
  const steps = fc.sample(step, { numRuns: 120, seed: 5 });
  let value: Routine = first;
  let made = 0;
  for (const [from, to, seconds] of steps) {
    const moved = moveSegment(value, from, to);
    const segment = moved.segments[to]!;
    const after =
      segment.type === 'exercise' && segment.dose.kind === 'hold'
        ? replaceSegment(moved, { ...segment, dose: { ...segment.dose, holdSeconds: seconds } })
        : moved;
    if (JSON.stringify(after) !== JSON.stringify(value)) made += 1;
    value = after;
    await change('Step', value);
  }
  expect(made).toBeGreaterThan(100);
  for (let index = 0; index < made; index += 1) await store.undo();
  expect(store.undoLabel()).toBeNull();
  expect(await routineNow()).toEqual(first);
  for (let index = 0; index < made; index += 1) await store.redo();
  expect(await routineNow()).toEqual(value);
});

test('presses that come faster than they can be done are done together, in their order', async () => {
  await store.write('New', [{ table: 'routines', add: aRoutine() }]);
  for (const name of ['One', 'Two', 'Three', 'Four']) await change(name, { name });
  const turns = store.turns();
  await Promise.all([store.undo(), store.undo(), store.undo()]);
  expect(store.turns()).toBe(turns + 1);
  expect(await routineNow()).toMatchObject({ name: 'One' });
  expect([store.undoLabel(), store.redoLabel()]).toEqual(['One', 'Two']);
  await Promise.all([store.redo(), store.redo()]);
  expect(await routineNow()).toMatchObject({ name: 'Three' });
  expect([store.undoLabel(), store.redoLabel()]).toEqual(['Three', 'Four']);
  // What is done between two presses stays between them.
  const undone = store.undo();
  await Promise.all([undone, change('Between', { name: 'Between' }), store.undo(), store.undo()]);
  expect(await routineNow()).toMatchObject({ name: 'One' });
  expect([store.undoLabel(), store.redoLabel()]).toEqual(['One', 'Two']);
  // More presses than steps take back all there are.
  await Promise.all(Array.from({ length: 9 }, () => store.undo()));
  expect(await routineNow()).toBeUndefined();
  expect(store.undoLabel()).toBeNull();
});

test('steps that come faster than they can be written are written together, each a step of its own', async () => {
  const renamed = (letter: string) =>
    store.write(letter, [
      { table: 'routines', id: 'routine-1', change: (stored) => ({ ...stored, name: `${stored.name}${letter}` }) },
    ]);
  await store.write('New', [{ table: 'routines', add: aRoutine({ name: 'A' }) }]);
  const seen: string[] = [];
  const watching = TestBed.inject(Repository).routines$.subscribe((routines) => seen.push(routines[0]!.name));
  await Promise.all(Array.from('bcdefghijk', renamed));
  expect(await routineNow()).toMatchObject({ name: 'Abcdefghijk' });
  await new Promise((resolve) => setTimeout(resolve, 50));
  watching.unsubscribe();
  expect(seen.length).toBeLessThan(5);
  await store.undo();
  await store.undo();
  expect(await routineNow()).toMatchObject({ name: 'Abcdefghi' });
  expect([store.undoLabel(), store.redoLabel()]).toEqual(['i', 'j']);
});

test('one of them that cannot be written takes none of the others along', async () => {
  await store.write('New', [{ table: 'routines', add: aRoutine() }]);
  const results = await Promise.allSettled([
    change('Name', { name: 'Late' }),
    change('No name', { name: ' ' }),
    change('Note', { note: 'noted' }),
    store.write('Again', [{ table: 'routines', add: aRoutine() }]),
    change('Together', { settleSeconds: 1 }, 'times'),
    change('Together', { settleSeconds: 2 }, 'times'),
  ]);
  expect(results.map(({ status }) => status)).toEqual([
    'fulfilled',
    'rejected',
    'fulfilled',
    'rejected',
    'fulfilled',
    'fulfilled',
  ]);
  expect(await routineNow()).toMatchObject({ name: 'Late', note: 'noted', settleSeconds: 2 });
  await store.undo();
  expect(await routineNow()).toMatchObject({ name: 'Late', note: 'noted', settleSeconds: aRoutine().settleSeconds });
  expect(store.undoLabel()).toBe('Note');
});

test('of presses done together those before a conflict are done', async () => {
  await store.write('New', [{ table: 'routines', add: aRoutine() }]);
  await store.write('A student', [{ table: 'students', add: aStudent() }]);
  await database.of('routines').put(aRoutine({ name: 'From another tab' }));
  const both = Promise.all([store.undo(), store.undo()]);
  await expect(both).rejects.toThrow('changed elsewhere');
  expect(await database.of('students').count()).toBe(0);
  // What cannot be taken back is put aside.
  expect([store.undoLabel(), store.redoLabel()]).toEqual([null, 'A student']);
  await store.redo();
  expect(await database.of('students').count()).toBe(1);
});

test('a step that cannot be taken back is said once; what lies before it still can be, and what others wrote stays', async () => {
  await store.write('New', [{ table: 'routines', add: aRoutine() }]);
  await change('Note', { note: 'noted' });
  await change('Rename', { name: 'Here' });
  await database.of('routines').update('routine-1', { name: 'There', settleSeconds: 33 });
  await expect(store.undo()).rejects.toThrow(
    '“Rename” was changed elsewhere since, so it stays as it is. Press again to undo the previous one.',
  );
  expect(await store.undo()).toBe('Note');
  expect(await routineNow()).toMatchObject({ name: 'There', note: aRoutine().note, settleSeconds: 33 });
  expect(await store.redo()).toBe('Note');
  expect(await routineNow()).toMatchObject({ name: 'There', note: 'noted', settleSeconds: 33 });
  await store.undo();
  // It is not what was made any more: it stays.
  await expect(store.undo()).rejects.toThrow(/“New” was changed elsewhere since, so it stays as it is\.$/);
  expect(await routineNow()).toMatchObject({ name: 'There' });
  expect(await store.undo()).toBeNull();
});

test('what means the same is done once, however soon it comes, until it is taken back', async () => {
  const note = (id: string, means: string) =>
    store.writeOnce('Note', [{ table: 'students', add: aStudent({ id }) }], [means]);
  const count = () => database.of('students').count();
  // In one turn, while the first is written, and after it.
  const first = Promise.all([note('a', 'one'), note('b', 'one'), note('c', 'other')]);
  await new Promise((resolve) => setTimeout(resolve, 0));
  await Promise.all([first, note('d', 'one')]);
  await note('e', 'one');
  expect(await count()).toBe(2);
  expect(await database.of('students').get('a')).toBeDefined();
  await store.undo();
  await store.undo();
  expect(await count()).toBe(0);
  await note('f', 'one');
  expect(await count()).toBe(1);
  // After a while it is meant anew.
  const clock = jest.spyOn(TestBed.inject(Clock), 'now').mockReturnValue(new Date(Date.now() + 60_000));
  await note('g', 'one');
  expect(await count()).toBe(2);
  clock.mockRestore();
});

test('of two that mean the same both are told when the storage refuses', async () => {
  await database.of('students').put(aStudent({ id: 'there' }));
  const note = () => store.writeOnce('Note', [{ table: 'students', add: aStudent({ id: 'there' }) }], ['one']);
  const both = await Promise.allSettled([note(), note()]);
  expect(both.map(({ status }) => status)).toEqual(['rejected', 'rejected']);
});

test('a thousand records are one step that tells how far it is, and go back in one', async () => {
  const students = Array.from({ length: 1200 }, (_, index) => aStudent({ id: `s-${index}`, name: `Person ${index}` }));
  await database.of('students').put({ ...students[7]!, name: 'Before' });
  const shares: number[] = [];
  const incoming = students.map((record) => ({ table: 'students' as const, record }));
  await store.takeOver('Many', incoming, (share) => shares.push(share));
  expect(shares).toEqual([250, 500, 750, 1000, 1200].map((done) => done / 1200));
  expect(await database.of('students').count()).toBe(1200);
  expect(await store.undo()).toBe('Many');
  expect(await database.of('students').toArray()).toEqual([{ ...students[7]!, name: 'Before' }]);
  await store.redo();
  expect(await database.of('students').count()).toBe(1200);
  await database.of('students').update('s-900', { name: 'Changed elsewhere' });
  await expect(store.undo()).rejects.toThrow('changed elsewhere since');
  expect(await database.of('students').count()).toBe(1200);
});

test('a record written twice in one step has its last state, and goes back to its first', async () => {
  const rename = (name: string) => ({
    table: 'students' as const,
    id: 'student-1',
    change: (stored: Student): Student => ({ ...stored, name: `${stored.name}${name}` }),
  });
  await store.write('Add', [{ table: 'students', add: aStudent({ name: 'A' }) }]);
  await store.write('Twice', [rename('b'), rename('c'), { table: 'students', add: aStudent({ id: 'other' }) }]);
  expect((await database.of('students').get('student-1'))!.name).toBe('Abc');
  await store.undo();
  expect((await database.of('students').toArray()).map((student) => student.name)).toEqual(['A']);
  await store.write('There and gone', [
    { table: 'students', add: aStudent({ id: 'x' }) },
    { table: 'students', remove: 'x' },
  ]);
  expect(store.undoLabel()).toBe('Add');
});

test('two changes begun at once are both kept, and a change of what is gone is refused', async () => {
  await store.write('New', [{ table: 'routines', add: aRoutine() }]);
  await Promise.all([change('Change', { name: 'Named' }), change('Change', { note: 'noted' })]);
  expect(await routineNow()).toMatchObject({ name: 'Named', note: 'noted' });
  await database.of('routines').delete('routine-1');
  await expect(change('Change', { name: 'Ghost' })).rejects.toThrow('removed elsewhere');
});

test('what is new is never put over what is there, and what is not whole is not written', async () => {
  await store.write('New', [{ table: 'routines', add: aRoutine() }]);
  await expect(store.write('Again', [{ table: 'routines', add: aRoutine({ name: 'Other' }) }])).rejects.toThrow(
    'saved already',
  );
  await expect(change('Rename', { name: ' ' })).rejects.toThrow('a routine needs a name');
  expect(await routineNow()).toEqual(aRoutine());
  await change('Rename', { name: ' Late\r\nevening ' });
  expect(await routineNow()).toMatchObject({ name: 'Late evening' });
});

test('records that cannot be read stay in the storage, are left out and reported once', async () => {
  await database.of('students').bulkPut([aStudent(), { ...aStudent({ id: 'bad' }), name: '' }]);
  const repository = TestBed.inject(Repository);
  expect(await firstValueFrom(repository.students$)).toHaveLength(1);
  expect(await firstValueFrom(repository.students$)).toHaveLength(1);
  expect(await database.of('students').count()).toBe(2);
  expect(TestBed.inject(Notices).open()).toHaveLength(1);
});

test('streams follow changes', async () => {
  const seen: number[] = [];
  const subscription = TestBed.inject(Repository).students$.subscribe((students) => seen.push(students.length));
  await new Promise((resolve) => setTimeout(resolve, 30));
  await store.write('Add', [{ table: 'students', add: aStudent() }]);
  await new Promise((resolve) => setTimeout(resolve, 50));
  subscription.unsubscribe();
  expect(seen.at(0)).toBe(0);
  expect(seen.at(-1)).toBe(1);
});

test('an import takes only the chosen rows and is one step', async () => {
  const whole = TestBed.inject(WholeSpace);
  expect(await whole.isEmpty()).toBe(true);
  const contents = someContents();
  await whole.import(contents, [{ kind: 'students', id: 'student-1', name: '', state: 'new', because: '' }], 'Import');
  expect(await whole.read()).toMatchObject({ students: [aStudent()], routines: [] });
  await store.undo();
  expect(await whole.isEmpty()).toBe(true);
});

test('replacing the whole space forgets the steps, since they no longer fit', async () => {
  await store.write('New', [{ table: 'routines', add: aRoutine({ id: 'old' }) }]);
  const whole = TestBed.inject(WholeSpace);
  await whole.replace(someContents());
  expect(store.undoLabel()).toBeNull();
  expect((await whole.read()).routines.map((routine) => routine.id)).toEqual(['routine-1']);
});
