import { TestBed } from '@angular/core/testing';
import { aStudent, freshSpace } from '../../../testing/records';
import { DurableStorage } from './durable-storage';
import { LastChange } from './last-change';
import { SPACE } from './space';
import { Store } from './store';

const wasAsked = () => localStorage.getItem('pomek.asked-to-keep-on') !== null;
const rest = () => new Promise((resolve) => setTimeout(resolve, 60));
const before = Object.getOwnPropertyDescriptor(navigator, 'storage');
function storage(kept: boolean, agrees: boolean) {
  const persist = jest.fn(() => Promise.resolve(agrees));
  const value = { persisted: () => Promise.resolve(kept), persist };
  Object.defineProperty(navigator, 'storage', { configurable: true, value });
  return persist;
}
const opened = async () => {
  const durable = TestBed.inject(DurableStorage);
  await rest();
  TestBed.tick();
  await rest();
  return durable;
};
const work = async (id: string) => {
  await TestBed.inject(Store).write('Add', [{ table: 'students', add: aStudent({ id }) }]);
  await rest();
  TestBed.tick();
  await rest();
};

afterEach(() => {
  if (before === undefined) Reflect.deleteProperty(navigator, 'storage');
  else Object.defineProperty(navigator, 'storage', before);
});

test('the browser is asked once there is something to keep, and not again for a week', async () => {
  freshSpace();
  const persist = storage(false, false);
  const durable = await opened();
  expect([durable.kept(), wasAsked(), persist.mock.calls.length]).toEqual([false, false, 0]);
  await work('one');
  expect([durable.kept(), wasAsked(), persist.mock.calls.length]).toEqual([false, true, 1]);
  await work('two');
  expect(persist).toHaveBeenCalledTimes(1);
  freshSpace();
  storage(false, true);
  localStorage.setItem('pomek.own.changed-at', '2026-12-02T08:00:00.000Z');
  localStorage.setItem('pomek.asked-to-keep-on', '2020-01-01');
  expect((await opened()).kept()).toBe(true);
});

test('what is kept already is not asked for, the demo asks for nothing, and a browser that does not say is left alone', async () => {
  freshSpace();
  const kept = storage(true, true);
  const durable = await opened();
  await work('one');
  expect([durable.kept(), kept.mock.calls.length]).toEqual([true, 0]);
  freshSpace([{ provide: SPACE, useValue: 'demo' }]);
  const demo = storage(false, true);
  await opened();
  await work('two');
  expect(demo).not.toHaveBeenCalled();
  freshSpace();
  Reflect.deleteProperty(navigator, 'storage');
  Object.defineProperty(navigator, 'storage', { configurable: true, value: undefined });
  expect((await opened()).kept()).toBeNull();
});

test('what somebody else wrote where days and moments are remembered is none', () => {
  freshSpace();
  localStorage.setItem('pomek.own.changed-at', 'soon');
  expect(TestBed.inject(LastChange).at()).toBeNull();
});

test('a change of a record is noted, what is kept beside the records is not', async () => {
  const database = freshSpace();
  const change = TestBed.inject(LastChange);
  expect(change.at()).toBeNull();
  await database.table('folders').put({ id: 'copies' });
  await rest();
  expect(change.at()).toBeNull();
  await database.table('students').put(aStudent());
  await rest();
  expect(Date.parse(change.at()!)).toBeGreaterThan(Date.now() - 60_000);
});
