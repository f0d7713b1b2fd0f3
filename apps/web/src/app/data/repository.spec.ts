import { TestBed } from '@angular/core/testing';
import { firstValueFrom } from 'rxjs';
import { breathSchool, personRecord, softSchool, type Correction, type Decision, type PracticeLog } from '@pomek/core';
import { aStudent, freshSpace } from '../../../testing/records';
import { People } from './people';
import { schoolOf } from './gathered';
import { Notices } from './notices';
import { once } from './reading';
import { Repository } from './repository';

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
  shook: [],
  hands: [],
  note: '',
  ...change,
});

describe('what verdicts on everybody rest on', () => {
  const found = async () => {
    const repository = TestBed.inject(Repository);
    const of = ['a', 'b'].map((id) => firstValueFrom(repository.tellingOf(id, dayAt(500))));
    const own = await Promise.all(of);
    const { signs, decisions } = await firstValueFrom(repository.telling(dayAt(500)));
    return {
      logs: once([...own.flatMap(({ logs }) => logs), ...signs]),
      decisions: once([...own.flatMap((one) => one.decisions), ...decisions]),
    };
  };
  const numbersOf = (logs: readonly PracticeLog[], studentId: string) =>
    logs.filter((entry) => entry.studentId === studentId).map((entry) => Number(entry.id.slice(2)));

  test('the practices of the last year, and every sign to stop however old it is', async () => {
    const database = freshSpace();
    await database.of('students').bulkPut([aStudent({ id: 'a' }), aStudent({ id: 'b' })]);
    const many = Array.from({ length: 500 }, (_, number) => log(number, 'a'));
    many[3] = log(3, 'a', { pain: 6 });
    many[4] = log(4, 'a', { pain: 3 });
    many[5] = log(5, 'a', { symptoms: ['chest pain'] });
    await database.of('logs').bulkPut([...many, log(7, 'b')]);
    const { logs } = await found();
    expect(numbersOf(logs, 'a').toSorted((a, b) => a - b)).toEqual([
      3,
      5,
      ...Array.from({ length: 366 }, (_, index) => 134 + index),
    ]);
    expect(numbersOf(logs, 'b')).toEqual([7]);
  });

  test('of who was away the latest, with the decisions on them', async () => {
    const database = freshSpace();
    await database.of('students').bulkPut([aStudent({ id: 'a' }), aStudent({ id: 'b' })]);
    await database.of('logs').bulkPut(Array.from({ length: 60 }, (_, number) => log(number, 'a')));
    await database.of('logs').bulkPut(Array.from({ length: 60 }, (_, number) => log(440 + number, 'b')));
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
      .bulkPut([decision('old-a', 'a', 29), decision('old-b', 'b', 61), decision('new-b', 'b', 499)]);
    const { logs, decisions } = await found();
    expect(numbersOf(logs, 'a').toSorted((a, b) => a - b)).toEqual(
      Array.from({ length: 40 }, (_, index) => 20 + index),
    );
    expect(numbersOf(logs, 'b')).toHaveLength(60);
    expect(decisions.map((entry) => entry.id).toSorted()).toEqual(['new-b', 'old-a']);
  });

  test('what is read for everybody is what the core goes by for each: the same record', async () => {
    const database = freshSpace();
    const student = aStudent({ id: 'a' });
    await database.of('students').put(student);
    const many = Array.from({ length: 520 }, (_, number) => log(number, 'a', number % 90 === 0 ? { pain: 5 } : {}));
    await database.of('logs').bulkPut(many);
    const stored = await firstValueFrom(TestBed.inject(People).stored('a'));
    const { logs } = await found();
    const whole = personRecord(stored!, dayAt(500));
    expect(personRecord({ ...stored!, logs }, dayAt(500)).logs).toEqual(whole.logs);
    expect(whole.logs.length).toBeLessThan(many.length);
  });

  test('a school that stops at a lower pain is asked for its own', async () => {
    const database = freshSpace();
    await database.of('students').put(aStudent({ id: 'a' }));
    await database.of('schools').put({ ...softSchool, raise: { ...softSchool.raise, stopPain: 2 } });
    const many = Array.from({ length: 500 }, (_, number) => log(number, 'a'));
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

test('what cannot be read is said by its name, with where it can be put right, where it can', async () => {
  const database = freshSpace();
  await database.of('logs').put({ ...log(1, 'a'), pain: 99 });
  await database.of('recordings').put({ id: 'spoken' } as never);
  const repository = TestBed.inject(Repository);
  await Promise.all([repository.read('logs'), repository.read('logs'), repository.read('recordings')]);
  const told = TestBed.inject(Notices).open();
  expect(told.map(({ title, detail }) => `${title}: ${detail}`).toSorted()).toEqual([
    'Some of your practices cannot be read: They are left out. Files shows them, to be put right or removed.',
    'Some of your recordings cannot be read: They stay in the storage untouched and are left out here.',
  ]);
});

test('corrections of everybody: those of the last year', async () => {
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
      correction('old', '2025-02-28', 'a'),
      correction('edge', '2025-03-01', 'b'),
      correction('new', '2026-03-01', 'a'),
    ]);
  const { corrections } = await firstValueFrom(TestBed.inject(Repository).telling('2026-03-02'));
  expect(corrections.map((entry) => entry.id).toSorted()).toEqual(['edge', 'new']);
  await database.delete();
});

test('what names no school has the soft one, whatever comes first by name and whatever it is called by now', () => {
  const renamed = { ...softSchool, name: 'Walking hall' };
  expect(schoolOf([breathSchool, renamed], undefined)).toBe(renamed);
  expect(schoolOf([breathSchool, renamed], 'gone')).toBe(renamed);
  expect(schoolOf([breathSchool, renamed], breathSchool.id)).toBe(breathSchool);
  expect(schoolOf([], undefined)).toBe(softSchool);
});

describe('where the records cannot be opened', () => {
  const told = async (error: Error) => {
    const database = freshSpace();
    jest.spyOn(database, 'open').mockReturnValue(Promise.reject(error) as never);
    TestBed.inject(Repository);
    await new Promise((resolve) => setTimeout(resolve));
    jest.restoreAllMocks();
    return TestBed.inject(Notices)
      .open()
      .map(({ title, detail }) => `${title}: ${detail}`);
  };
  const named = (name: string, message = 'x') => Object.assign(new Error(message), { name });

  test('it is said, with what helps: once the browser denies them, once anything else is in the way', async () => {
    const denied = [
      'Your records cannot be opened, and nothing you do here is saved: The browser does not let this page store anything, as in some private windows. Allow it to store site data, then reload the page.',
    ];
    expect(await told(named('MissingAPIError'))).toEqual(denied);
    expect(await told(Object.assign(named('OpenFailedError'), { inner: named('SecurityError') }))).toEqual(denied);
    expect(await told(named('VersionError', 'They were made by a newer version.'))).toEqual([
      'Your records cannot be opened, and nothing you do here is saved: They were made by a newer version. Reload the page.',
    ]);
    // The page is left: nobody needs to hear of it.
    expect(await told(named('DatabaseClosedError'))).toEqual([]);
  });
});
