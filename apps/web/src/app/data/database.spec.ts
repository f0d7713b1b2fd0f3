import Dexie from 'dexie';
import { builtInExercises, newSegment, newStrand, softSchool, strictSchool } from '@pomek/core';
import { aPlan, aRoutine } from '../../../testing/records';
import { Database } from './database';

test('what an earlier program stored is carried over when the database is opened, and nothing is lost', async () => {
  const name = `earlier-${Math.floor(performance.now())}`;
  const earlier = new Dexie(name);
  const stores = { schools: 'id', routines: 'id', plans: 'id, studentId, routineId' };
  earlier.version(2).stores(stores);
  const squats = builtInExercises.find(({ id }) => id === 'squat-and-bounce')!;
  const segment = newSegment('segment-1', squats, softSchool);
  const strand = newStrand('s', segment, squats, 'repetitions', 36, '2026-05-04', softSchool);
  const plan = aPlan([{ ...strand, step: 1, start: 16, level: 17.6 }]);
  await earlier.table('plans').bulkPut([plan, { id: 'damaged', studentId: 'x' }]);
  await earlier.table('routines').put(aRoutine({ schoolId: strictSchool.id, segments: [segment] }));
  earlier.close();
  const database = new Database(name);
  const stored = await database.of('plans').get(plan.id);
  expect(stored).toEqual({ ...plan, strands: [{ ...plan.strands[0]!, step: 8 }] });
  // What cannot be read stays in the storage as it is.
  expect(await database.table('plans').get('damaged')).toEqual({ id: 'damaged', studentId: 'x' });
  await database.delete();
});
