import { TestBed } from '@angular/core/testing';
import type { Journal } from '@pomek/core';
import { aRoutine, freshSpace } from '../../../testing/records';
import type { Database } from './database';
import { Journals } from './journals';

const journal = (count: number): Journal => ({
  id: 'journal-1',
  studentId: null,
  routine: aRoutine(),
  cares: [],
  group: null,
  events: Array.from({ length: count }, (_, at) => ({ at: 1000 * at, action: at === 0 ? 'start' : 'next' })),
  seenAt: 1000 * count,
});
const beside = () => Object.keys(localStorage).filter((key) => key.startsWith('pomek.journal'));
let database: Database;
let journals: Journals;

beforeEach(() => {
  database = freshSpace();
  journals = TestBed.inject(Journals);
});

test('what was pressed is there although the page goes while the database still writes', async () => {
  await journals.put(journal(1));
  const stuck = jest.spyOn(database.of('journals'), 'put').mockReturnValue(new Promise(() => undefined) as never);
  void journals.put(journal(2));
  void journals.put(journal(3));
  stuck.mockRestore();
  expect((await journals.read('journal-1'))!.events).toHaveLength(3);
});

test('once the database has it, nothing stays beside', async () => {
  await Promise.all([journals.put(journal(1)), journals.put(journal(2))]);
  expect(beside()).toEqual([]);
  expect((await journals.read('journal-1'))!.events).toHaveLength(2);
  expect(journals.trouble()).toBe('');
});

test('without room in the database it stays beside, and it is said; with room again it is not', async () => {
  const full = jest
    .spyOn(database.of('journals'), 'put')
    .mockRejectedValue(new DOMException('full', 'QuotaExceededError'));
  await journals.put(journal(1));
  expect(journals.trouble()).toContain('This practice is saved beside your data for now.');
  expect(beside()).toHaveLength(1);
  full.mockRestore();
  await journals.put(journal(2));
  expect([journals.trouble(), beside()]).toEqual(['', []]);
});

test('where nothing has room, it is said to be kept nowhere', async () => {
  jest.spyOn(database.of('journals'), 'put').mockRejectedValue(new DOMException('full', 'QuotaExceededError'));
  jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  await journals.put(journal(1));
  expect(journals.trouble()).toContain('not saved anywhere');
  jest.restoreAllMocks();
});
