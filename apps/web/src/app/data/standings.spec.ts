import { Component, ChangeDetectionStrategy, inject } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { firstValueFrom, throwError } from 'rxjs';
import {
  demoContents,
  newClass,
  personRecord,
  softSchool,
  standingOf,
  type BundleContents,
  type PracticeLog,
} from '@pomek/core';
import { freshSpace } from '../../../testing/records';
import { opened } from '../../../testing/worker.client';
import { Compute } from '../compute/compute';
import { buildMark } from './build-mark';
import { Clock } from './clock';
import { Database } from './database';
import { KeptStandings, keptAnswer, marksOf, touchedBy } from './kept-standings';
import { People } from './people';
import { Standings } from './standings';
import { Store } from './store';
import { WholeSpace } from './whole-space';

const today = new Clock().today();
const dayOf = (moment: string): string => new Clock().dayOf(new Date(moment));
const demo = demoContents(today);
/** Three people are enough to see who is worked out again and who is not. */
const people = demo.students.slice(0, 3).map(({ id }) => id);
const few = (contents: BundleContents): BundleContents => {
  const own = <T extends { studentId: string }>(list: T[]): T[] =>
    list.filter(({ studentId }) => people.includes(studentId));
  const { routines, schools, exercises } = contents;
  return {
    ...contents,
    ...{ routines, schools, exercises, classes: [], meetings: [] },
    students: contents.students.filter(({ id }) => people.includes(id)),
    plans: own(contents.plans),
    logs: own(contents.logs),
    decisions: own(contents.decisions),
    measures: own(contents.measures),
    corrections: own(contents.corrections),
    ...{ stills: [], films: [], pictures: [] },
  };
};

@Component({ selector: 'pk-looks', template: '', changeDetection: ChangeDetectionStrategy.OnPush })
class Looks {
  readonly standings = inject(Standings).look();
}

let database: Database;
let store: Store;

/** A view that looks at everybody, in a page of its own over the same storage. */
const look = () => {
  const fixture = TestBed.createComponent(Looks);
  const { standings } = fixture.componentInstance;
  const settled = async (): Promise<void> => {
    for (let round = 0; round < 200; round += 1) {
      await new Promise((go) => setTimeout(go, 10));
      await fixture.whenStable();
      if (standings.looking() === null || standings.failed() !== '') break;
    }
    expect(standings.looking()).toBeNull();
  };
  return { standings, settled, fixture };
};

/** What each is said to stand at against the whole record, worked out anew. */
async function expectAsWorkedOutAnew(standings: Standings): Promise<void> {
  expect(
    standings
      .known()
      .map(({ student }) => student.id)
      .toSorted(),
  ).toEqual(people.toSorted());
  for (const { student, standing } of standings.known()) {
    const stored = (await firstValueFrom(TestBed.inject(People).stored(student.id)))!;
    expect(standing).toEqual(standingOf(personRecord(stored, today), dayOf));
  }
}
const answers = async () => {
  const rows = await new KeptStandings(database).rows();
  return [...rows.values()].filter(({ answer }) => answer !== null).map(({ id }) => id);
};

beforeEach(async () => {
  database = freshSpace();
  store = TestBed.inject(Store);
  await TestBed.inject(WholeSpace).replace(few(demo));
});
afterEach(() => database.delete());

test('everybody is worked out beside the page and kept; a later page finds it without work', async () => {
  const { standings, settled } = look();
  expect(standings.looking()).not.toBeNull();
  await settled();
  await expectAsWorkedOutAnew(standings);
  expect((await answers()).toSorted()).toEqual(people.toSorted());
  const before = opened.count;
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({ providers: [{ provide: Database, useValue: database }] });
  const later = look();
  await later.settled();
  await expectAsWorkedOutAnew(later.standings);
  expect(opened.count).toBe(before);
});

describe('what is written', () => {
  const [first, ...others] = people as [string, ...string[]];
  const logOf = async () => (await database.of('logs').where('studentId').equals(first).first())!;
  const now = async (): Promise<PracticeLog> => ({
    ...(await logOf()),
    id: 'now',
    day: today,
    startedAt: `${today}T06:00:00.000Z`,
  });
  const { routineId } = demo.plans.find(({ studentId }) => studentId === first)!;
  const renamed = () =>
    store.write('Name', [{ table: 'routines', id: routineId, change: (one) => ({ ...one, name: 'Another' }) }]);

  test.each<[string, readonly string[], () => Promise<unknown>]>([
    ['a practice today', others, async () => store.write('Log', [{ table: 'logs', add: await now() }])],
    [
      'an old practice changed',
      others,
      async () =>
        store.write('Pain', [{ table: 'logs', id: (await logOf()).id, change: (log) => ({ ...log, pain: 9 }) }]),
    ],
    ['a practice removed', others, async () => store.write('Away', [{ table: 'logs', remove: (await logOf()).id }])],
    [
      'the person changed',
      others,
      () => store.write('Days', [{ table: 'students', id: first, change: (one) => ({ ...one, practiceDays: [7] }) }]),
    ],
    ['a routine changed', [], renamed],
    [
      'a school changed',
      [],
      () =>
        store.write('School', [
          {
            table: 'schools',
            id: softSchool.id,
            orElse: softSchool,
            change: (school) => ({ ...school, name: 'Mine' }),
          },
        ]),
    ],
    [
      'a class, of which nothing is made',
      people,
      () => store.write('Class', [{ table: 'classes', add: newClass('c', 'C', 1) }]),
    ],
    ['a file taken in', others, async () => store.takeOver('File', [{ table: 'logs', record: await now() }])],
  ])('%s: who is worked out anew, also when it is taken back', async (_, stay, write) => {
    const before = look();
    await before.settled();
    before.fixture.destroy();
    const good = async (): Promise<string[]> => {
      const rows = await new KeptStandings(database).rows();
      return people.filter((id) => keptAnswer(rows, id, today, buildMark()) !== null);
    };
    expect(await good()).toEqual(people);
    for (const change of [write, () => store.undo()]) {
      await change();
      expect(await good()).toEqual(stay);
      const after = look();
      await after.settled();
      await expectAsWorkedOutAnew(after.standings);
      after.fixture.destroy();
    }
  });

  test('while it is being worked out: what is older than the write is neither shown nor kept', async () => {
    const kept = new KeptStandings(database);
    const older = marksOf(await kept.rows(), first);
    const standing = standingOf(
      personRecord((await firstValueFrom(TestBed.inject(People).stored(first)))!, today),
      dayOf,
    );
    await store.write('Log', [{ table: 'logs', add: await now() }]);
    await kept.keep([{ studentId: first, marks: older, standing, problem: '' }], buildMark());
    expect(keptAnswer(await kept.rows(), first, today, buildMark())).toBeNull();
    const newer = marksOf(await kept.rows(), first);
    await kept.keep([{ studentId: first, marks: newer, standing, problem: '' }], buildMark());
    expect(keptAnswer(await kept.rows(), first, today, buildMark())!.standing).toEqual(standing);
    expect(keptAnswer(await kept.rows(), first, today, 'another build')).toBeNull();
    expect(keptAnswer(await kept.rows(), first, '2031-01-01', buildMark())).toBeNull();
    await renamed();
    expect(keptAnswer(await kept.rows(), first, today, buildMark())).toBeNull();
    await TestBed.inject(WholeSpace).replace(few(demo));
    await kept.keep([{ studentId: first, marks: { own: null, everybody: null }, standing, problem: '' }], buildMark());
    expect(keptAnswer(await kept.rows(), first, today, buildMark())).toBeNull();
  });
});

test('a body that cannot be is told for that one, and everybody else is known', async () => {
  const [first] = people as [string];
  const student = (await database.of('students').get(first))!;
  await database.of('students').put({ ...student, statureCm: 100, shankCm: 70 });
  const { standings, settled } = look();
  await settled();
  const known = new Map(standings.known().map(({ student: { id }, problem, standing }) => [id, { problem, standing }]));
  expect(known.get(first)).toMatchObject({ standing: null, problem: expect.stringMatching(/shank/) as string });
  expect([...known.values()].filter(({ standing }) => standing !== null)).toHaveLength(people.length - 1);
});

test('when the work ends early it is said why, and it can be tried again', async () => {
  const compute = TestBed.inject(Compute);
  const works = compute.steps.bind(compute);
  compute.steps = () => throwError(() => new Error('the worker is gone'));
  const { standings, settled, fixture } = look();
  for (let round = 0; round < 100 && standings.failed() === ''; round += 1) {
    await new Promise((go) => setTimeout(go, 5));
    await fixture.whenStable();
  }
  expect(standings.failed()).toBe('the worker is gone');
  expect(standings.known()).toEqual([]);
  compute.steps = works;
  standings.again();
  await settled();
  await expectAsWorkedOutAnew(standings);
});

test('which records touch whom', () => {
  const touched = (
    table: 'logs' | 'students' | 'routines' | 'journals',
    id: string,
    before?: object,
    after?: object,
  ) => [...touchedBy([{ table, id, before, after }])];
  expect(touched('logs', 'l', { studentId: 'a' }, { studentId: 'b' })).toEqual(['a', 'b']);
  expect(touched('logs', 'l', undefined, { studentId: null })).toEqual([]);
  expect(touched('students', 's')).toEqual(['s']);
  expect(touched('routines', 'r')).toEqual(['*']);
  expect(touched('journals', 'j', { studentId: 'a' })).toEqual([]);
});
