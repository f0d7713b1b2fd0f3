import { TestBed } from '@angular/core/testing';
import { firstValueFrom } from 'rxjs';
import {
  breathSchool,
  builtInExercises,
  newSegment,
  newStrand,
  softSchool,
  type Correction,
  type Decision,
  type PracticeLog,
} from '@pomek/core';
import { aPlan, aStudent, freshSpace } from '../../../testing/records';
import { Repository, schoolOf } from './repository';

const dayAt = (number: number) => new Date(Date.UTC(2020, 0, 1 + number)).toISOString().slice(0, 10);
const log = (number: number, studentId: string, change: Partial<PracticeLog> = {}): PracticeLog => ({
  id: `${studentId}-${number}`,
  studentId,
  routineId: 'r',
  routineName: 'R',
  day: dayAt(number),
  startedAt: `${dayAt(number)}T08:00:00.000Z`,
  enteredAt: null,
  practisedSeconds: 600,
  source: 'conducted',
  classId: null,
  lines: [],
  effort: 5,
  pain: 0,
  painWhere: '',
  painPlace: null,
  symptoms: [],
  note: '',
  ...change,
});

describe('what verdicts on everybody rest on', () => {
  const found = () => firstValueFrom(TestBed.inject(Repository).recent(dayAt(120)));
  const numbersOf = (logs: readonly PracticeLog[], studentId: string) =>
    logs.filter((entry) => entry.studentId === studentId).map((entry) => Number(entry.id.slice(2)));

  test('the practices of the last weeks, and every sign to stop however old it is', async () => {
    const database = freshSpace();
    await database.of('students').bulkPut([aStudent({ id: 'a' }), aStudent({ id: 'b' })]);
    const many = Array.from({ length: 120 }, (_, number) => log(number, 'a'));
    many[3] = log(3, 'a', { pain: 6 });
    many[4] = log(4, 'a', { pain: 3 });
    many[5] = log(5, 'a', { symptoms: ['chest pain'] });
    await database.of('logs').bulkPut([...many, log(7, 'b')]);
    const { logs } = await found();
    expect(numbersOf(logs, 'a').toSorted((a, b) => a - b)).toEqual([
      3,
      5,
      ...Array.from({ length: 45 }, (_, index) => 75 + index),
    ]);
    expect(numbersOf(logs, 'b')).toEqual([7]);
  });

  test('of who was away the latest, with the decisions on them', async () => {
    const database = freshSpace();
    await database.of('students').bulkPut([aStudent({ id: 'a' }), aStudent({ id: 'b' })]);
    await database.of('logs').bulkPut(Array.from({ length: 30 }, (_, number) => log(number, 'a')));
    await database.of('logs').bulkPut(Array.from({ length: 60 }, (_, number) => log(60 + number, 'b')));
    const decision = (id: string, studentId: string, number: number): Decision => ({
      id,
      studentId,
      planId: 'p',
      strandId: 's',
      logId: null,
      day: dayAt(number),
      verdict: 'raise',
      outcome: 'accepted',
      from: 60,
      to: 65,
      reasons: [],
      teacherReason: '',
    });
    await database
      .of('decisions')
      .bulkPut([decision('old-a', 'a', 29), decision('old-b', 'b', 61), decision('new-b', 'b', 119)]);
    const { logs, decisions } = await found();
    expect(numbersOf(logs, 'a').toSorted((a, b) => a - b)).toEqual(Array.from({ length: 30 }, (_, index) => index));
    expect(numbersOf(logs, 'b')).toHaveLength(45);
    expect(decisions.map((entry) => entry.id).toSorted()).toEqual(['new-b', 'old-a']);
  });

  test('of who practises, but not every strand, more of the latest', async () => {
    const database = freshSpace();
    await database.of('students').bulkPut([aStudent({ id: 'a' }), aStudent({ id: 'b' })]);
    const tree = builtInExercises.find((exercise) => exercise.id === 'tree-holding')!;
    const strand = newStrand(
      's',
      newSegment('left-out', tree, softSchool),
      tree,
      'time',
      120,
      '2020-12-31',
      softSchool,
    );
    await database.of('plans').put(aPlan([strand], { studentId: 'b' }));
    // Every second day: twenty-three in the recent days, forty of the latest.
    for (const id of ['a', 'b']) {
      await database.of('logs').bulkPut(Array.from({ length: 60 }, (_, nth) => log(119 - 2 * nth, id)));
    }
    const { logs } = await found();
    expect(numbersOf(logs, 'a')).toHaveLength(23);
    expect(numbersOf(logs, 'b')).toHaveLength(40);
  });

  test('a school that stops at a lower pain is asked for its own', async () => {
    const database = freshSpace();
    await database.of('students').put(aStudent({ id: 'a' }));
    await database.of('schools').put({ ...softSchool, raise: { ...softSchool.raise, stopPain: 2 } });
    const many = Array.from({ length: 120 }, (_, number) => log(number, 'a'));
    await database.of('logs').bulkPut([...many, log(4, 'a', { pain: 2 }), log(6, 'a', { pain: 1 })]);
    expect(numbersOf((await found()).logs, 'a')).toContain(4);
    expect(numbersOf((await found()).logs, 'a')).not.toContain(6);
  });
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
    stillId: null,
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

test('what names no school has the soft one, whatever comes first by name and whatever it is called by now', () => {
  const renamed = { ...softSchool, name: 'Walking hall' };
  expect(schoolOf([breathSchool, renamed], undefined)).toBe(renamed);
  expect(schoolOf([breathSchool, renamed], 'gone')).toBe(renamed);
  expect(schoolOf([breathSchool, renamed], breathSchool.id)).toBe(breathSchool);
  expect(schoolOf([], undefined)).toBe(softSchool);
});
