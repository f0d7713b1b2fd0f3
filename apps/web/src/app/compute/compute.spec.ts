import { TestBed } from '@angular/core/testing';
import { firstValueFrom, lastValueFrom, toArray } from 'rxjs';
import {
  builtInExercises,
  capacityGuess,
  demoContents,
  planForecast,
  softSchool,
  together,
  writeBundle,
} from '@pomek/core';
import { aRoutine, someContents } from '../../../testing/records';
import { opened } from '../../../testing/worker.client';
import { Compute } from './compute';
import { ReplySchema, RequestSchema } from './protocol';

const now = new Date('2026-11-20T10:00:00Z');
const today = '2026-11-20';
const compute = () => TestBed.inject(Compute);
const demo = demoContents(today);
const plan = demo.plans[0]!;
const input = {
  plan,
  routine: demo.routines.find((routine) => routine.id === plan.routineId)!,
  practiceDays: [1, 3, 5, 6],
  corrections: [],
  drills: [],
  today,
  logs: demo.logs.filter((log) => log.studentId === plan.studentId),
  rule: softSchool.raise,
  seed: 3,
  seasons: 200,
  mostDoses: [],
  lockedSegments: [],
};

test('a good file comes back as its contents, a bad one as its problems', async () => {
  const good = await firstValueFrom(compute().readBundle(new Blob([writeBundle(someContents(), now)])));
  expect(good).toMatchObject({ ok: true, writtenAt: now.toISOString() });
  const bad = await firstValueFrom(compute().readBundle(new Blob(['{'])));
  expect(bad).toMatchObject({ ok: false, problems: [{ place: expect.stringContaining('line 1') as string }] });
});

test('the demo is the one of the core: the hall, then person by person', async () => {
  const { hall, people } = await firstValueFrom(compute().demo(today));
  expect(people).toEqual(demo.students.map(({ id }) => id));
  const made = await Promise.all(people.map((id) => firstValueFrom(compute().demoPerson(today, id))));
  expect(together([hall, ...made])).toEqual(demo);
  await expect(firstValueFrom(compute().demoPerson(today, 'nobody'))).rejects.toThrow('there is no nobody in the demo');
});

test('a plan is the one of the core, with chances, the same each time, and it tells how far it is', async () => {
  const steps = await lastValueFrom(compute().steps('plan', input).pipe(toArray()));
  expect(steps.length).toBeGreaterThan(2);
  expect(steps.slice(0, -1).every((step) => step.kind === 'progress')).toBe(true);
  const last = steps.at(-1)!;
  const expected = planForecast({ ...input, exercises: new Map(), mostDoses: new Map(), lockedSegments: new Set() });
  expect(last).toMatchObject({ kind: 'result', result: { forecasts: expected.strands, proven: expected.proven } });
  const again = await firstValueFrom(compute().result('plan', input));
  expect(last).toEqual({ kind: 'result', result: again });
  expect(again.chances).toHaveLength(plan.strands.length);
  for (const chance of again.chances) expect(chance.byTargetDay >= 0 && chance.byTargetDay <= 1).toBe(true);
});

test('effort of a routine comes back for every segment', async () => {
  const drills = [...builtInExercises];
  const found = await firstValueFrom(
    compute().result('effort', {
      routine: aRoutine(),
      drills,
      school: softSchool,
      body: { stature: 1.7, mass: 70 },
      capacity: capacityGuess({ mass: 70, age: 40 }),
    }),
  );
  expect(found.segments).toHaveLength(1);
  expect(found.segments[0]).toMatchObject({ segmentId: 'segment-1', limitedBy: 'arms' });
});

describe('a table of practices', () => {
  const rows = (count: number) =>
    Array.from({ length: count }, (_, index) => {
      const day = new Date(Date.UTC(2020, 0, 1 + index)).toISOString().slice(0, 10);
      return `${day},Holding the tree,60,5`;
    });
  const file = (...lines: string[]) => new Blob([['day,exercise,done,effort', ...lines].join('\n')]);
  const mapping = { day: 0, exercise: 1, done: 2, effort: 3 };
  const asked = (of: Blob) => ({
    file: of,
    mapping,
    exercises: [...builtInExercises],
    studentId: 'u',
    dayOrder: null,
    today: '2030-01-01',
    segments: [['tree-holding', 'segment-9']] as [string, string][],
  });

  test('first shows its columns and how long it is', async () => {
    expect(await firstValueFrom(compute().result('csv-columns', { file: file(...rows(7)) }))).toEqual({
      columns: ['day', 'exercise', 'done', 'effort'],
      rows: 7,
      encoding: 'UTF-8',
    });
  });

  test('comes in pieces that no one has to wait for, in the order of its days', async () => {
    const steps = await lastValueFrom(
      compute()
        .steps('csv-logs', asked(file(...rows(2050))))
        .pipe(toArray()),
    );
    const parts = steps.flatMap((step) => (step.kind === 'part' ? [step.part] : []));
    expect(parts.map((part) => part.length)).toEqual([...Array<number>(20).fill(100), 50]);
    const logs = parts.flat();
    expect(logs.map((log) => log.day)).toEqual(logs.map((log) => log.day).toSorted());
    expect(logs[0]).toMatchObject({ id: 'csv-u-2020-01-01', lines: [{ segmentId: 'segment-9' }] });
    expect(steps.filter((step) => step.kind === 'progress').length).toBeGreaterThan(1);
    expect(steps.at(-1)).toEqual({
      kind: 'result',
      result: { logs: 2050, problems: [], problemCount: 0, asksDayOrder: false },
    });
  });

  test('names the first lines that cannot be read, and counts them all', async () => {
    const bad = Array.from({ length: 300 }, () => 'soon,Holding the tree,60,5');
    const found = await firstValueFrom(compute().result('csv-logs', asked(file(...rows(2), ...bad))));
    expect(found).toMatchObject({ logs: 2, problemCount: 300 });
    expect(found.problems).toHaveLength(200);
    expect(found.problems[0]).toEqual({
      line: 4,
      message: 'day: “soon” is no day like 2026-03-31 or 31.3.2026',
    });
  });
});

test('a worker that has answered is used again; impossible input comes back as an error', async () => {
  await firstValueFrom(compute().demo(today));
  const before = opened.count;
  await firstValueFrom(compute().demo(today));
  expect(opened.count).toBe(before);
  const wrong = compute().result('effort', {
    routine: aRoutine(),
    drills: [],
    school: softSchool,
    body: { stature: 9, mass: 70 },
    capacity: capacityGuess({ mass: 70, age: 40 }),
  });
  await expect(firstValueFrom(wrong)).rejects.toThrow('stature must be between');
});

describe('a worker that does not do its work', () => {
  const asked = () => {
    const before = opened.ended;
    const said: string[] = [];
    compute()
      .demo(today)
      .subscribe({ error: (error: Error) => said.push(error.message) });
    return { said, ended: () => opened.ended - before };
  };
  afterEach(() => {
    opened.instead = null;
    jest.useRealTimers();
  });

  test('says so where it cannot be loaded, and another one is opened the next time', async () => {
    opened.instead = (worker) => worker.onerror?.({ message: '' } as ErrorEvent);
    const { said, ended } = asked();
    expect([said, ended()]).toEqual([[expect.stringContaining('could not be loaded')], 1]);
    opened.instead = null;
    expect((await firstValueFrom(compute().demo(today))).people.length).toBeGreaterThan(0);
  });

  test('is ended where its answer is none', () => {
    for (const data of [{ kind: 'sorry' }, { kind: 'result', result: { hall: 7 } }]) {
      opened.instead = (worker) => worker.onmessage?.({ data } as MessageEvent<unknown>);
      const { said, ended } = asked();
      expect([said.length, ended()]).toEqual([1, 1]);
    }
  });

  test('is stopped once it has said nothing for two minutes; one that tells how far it is goes on', () => {
    jest.useFakeTimers();
    let silent: { onmessage: ((event: MessageEvent<unknown>) => void) | null } | null = null;
    opened.instead = (worker) => (silent = worker);
    const { said, ended } = asked();
    jest.advanceTimersByTime(110_000);
    silent!.onmessage?.({ data: { kind: 'progress', share: 0.5 } } as MessageEvent<unknown>);
    jest.advanceTimersByTime(110_000);
    expect(said).toEqual([]);
    jest.advanceTimersByTime(10_000);
    expect([said, ended()]).toEqual([['It went on for two minutes without a sign of progress, and was stopped.'], 1]);
    expect(jest.getTimerCount()).toBe(0);
  });
});

test('unsubscribing ends the work', async () => {
  let answered = false;
  compute()
    .demo(today)
    .subscribe(() => (answered = true))
    .unsubscribe();
  await new Promise((resolve) => setTimeout(resolve, 20));
  expect(answered).toBe(false);
});

test('what crosses the border is parsed on both sides', () => {
  expect(RequestSchema.safeParse({ task: 'demo', today: 'soon' }).success).toBe(false);
  expect(RequestSchema.safeParse({ task: 'format the disk' }).success).toBe(false);
  expect(ReplySchema.safeParse({ kind: 'error' }).success).toBe(false);
});
