import { TestBed } from '@angular/core/testing';
import { firstValueFrom } from 'rxjs';
import type { Correction, PracticeLog } from '@pomek/core';
import { aStudent, freshSpace } from '../../../testing/records';
import { Repository } from './repository';

const dayAt = (number: number) => new Date(Date.UTC(2020, 0, 1 + number)).toISOString().slice(0, 10);
const log = (number: number, studentId: string, change: Partial<PracticeLog> = {}): PracticeLog => ({
  id: `${studentId}-${number}`,
  studentId,
  routineId: 'r',
  routineName: 'R',
  day: dayAt(number),
  startedAt: `${dayAt(number)}T08:00:00.000Z`,
  practisedSeconds: 600,
  source: 'conducted',
  lines: [],
  effort: 5,
  pain: 0,
  painWhere: '',
  symptoms: [],
  note: '',
  ...change,
});

test('the latest practices of everybody, and every sign to stop however old it is', async () => {
  const database = freshSpace();
  await database.of('students').bulkPut([aStudent({ id: 'a' }), aStudent({ id: 'b' })]);
  const many = Array.from({ length: 120 }, (_, number) => log(number, 'a'));
  many[3] = log(3, 'a', { pain: 6 });
  many[5] = log(5, 'a', { symptoms: ['chest pain'] });
  await database.of('logs').bulkPut([...many, log(7, 'b')]);
  const found = await firstValueFrom(TestBed.inject(Repository).latestLogs());
  const numbers = found.filter((entry) => entry.studentId === 'a').map((entry) => Number(entry.id.slice(2)));
  expect(numbers).toHaveLength(42);
  expect(numbers).toEqual(expect.arrayContaining([3, 5, 80, 119]));
  expect(found.filter((entry) => entry.studentId === 'b')).toHaveLength(1);
});

test('what belongs to one student comes by its index, and what cannot be read is left out', async () => {
  const database = freshSpace();
  await database.of('logs').bulkPut([log(1, 'a'), log(2, 'b'), { ...log(3, 'a'), pain: 99 }]);
  const repository = TestBed.inject(Repository);
  expect((await firstValueFrom(repository.ofStudent('logs', 'a'))).map((entry) => entry.id)).toEqual(['a-1']);
  expect(await firstValueFrom(repository.ofStudent('measures', 'a'))).toEqual([]);
});

test('corrections that can still hold a strand: those of the last six weeks, of everybody', async () => {
  const database = freshSpace();
  const correction = (id: string, day: string, studentId: string): Correction => ({
    id,
    studentId,
    day,
    checkpointId: 'knees-track',
    region: 'knees',
    safety: true,
    cue: '',
    helped: null,
  });
  await database
    .of('corrections')
    .bulkPut([
      correction('old', '2026-01-18', 'a'),
      correction('edge', '2026-01-19', 'b'),
      correction('new', '2026-03-01', 'a'),
    ]);
  const found = await firstValueFrom(TestBed.inject(Repository).latelyCorrected('2026-03-02'));
  expect(found.map((entry) => entry.id).toSorted()).toEqual(['edge', 'new']);
  await database.delete();
});
