import { TestBed } from '@angular/core/testing';
import { newStill } from '@pomek/core';
import { freshSpace } from '../../../testing/records';
import { Clock } from './clock';
import type { Database } from './database';
import { KeptFilms, NoRoomForFilm } from './kept-films';

let database: Database;
let films: KeptFilms;
const film = (letters: number): File => new File(['x'.repeat(letters)], 'Squat.webm', { type: 'video/webm' });
/** What lies there; the films themselves are read back in a real browser, since the storage of this environment keeps no files. */
const keys = () => database.table('reels').toCollection().primaryKeys();
const stillOf = (id: string) =>
  newStill({ id, studentId: 'u', day: '2026-03-12', name: id, width: 1, height: 1, bytes: 1 });
const room = (free: number | null): void => {
  const storage = free === null ? undefined : { estimate: () => Promise.resolve({ quota: free + 10, usage: 10 }) };
  Object.defineProperty(navigator, 'storage', { value: storage, configurable: true });
};

beforeEach(() => {
  database = freshSpace();
  films = TestBed.inject(KeptFilms);
  room(null);
});
afterAll(() => room(null));

test('a film is kept beside its still, and let go', async () => {
  expect(await films.of('s')).toBeNull();
  await films.keep('s', 'u', film(20));
  await films.keep('t', 'u', film(22));
  await films.keep('other', 'v', film(5));
  expect(await keys()).toEqual(['other', 's', 't']);
  await films.remove('s');
  expect(await keys()).toEqual(['other', 't']);
});

test('where there is no room it says how much there is, and nothing is written', async () => {
  const most = 50 * 1024 * 1024;
  room(most + 19);
  await expect(films.keep('s', 'u', film(20))).rejects.toThrow(NoRoomForFilm);
  await expect(films.keep('s', 'u', film(20))).rejects.toMatchObject({ freeBytes: most + 19 });
  expect(await keys()).toEqual([]);
  room(most + 20);
  await films.keep('s', 'u', film(20));
  expect(await keys()).toEqual(['s']);
});

test('a film whose still is gone stays while that can be taken back, and goes then; those of others stay', async () => {
  await database.of('stills').put(stillOf('there'));
  const today = jest.spyOn(TestBed.inject(Clock), 'today');
  today.mockReturnValue('2026-03-12');
  for (const [id, whose] of [
    ['there', 'u'],
    ['gone', 'u'],
    ['elsewhere', 'v'],
  ] as const)
    await films.keep(id, whose, film(3));
  const left = async (day: string) => {
    today.mockReturnValue(day);
    await films.tidy('u');
    return keys();
  };
  // However long it was kept before: it counts from when its still was first missed.
  expect(await left('2026-05-01')).toEqual(['elsewhere', 'gone', 'there']);
  expect(await left('2026-05-03')).toEqual(['elsewhere', 'gone', 'there']);
  // Taken back, and removed once more, it counts anew.
  await database.of('stills').put(stillOf('gone'));
  expect(await left('2026-05-04')).toEqual(['elsewhere', 'gone', 'there']);
  await database.of('stills').delete('gone');
  expect(await left('2026-05-05')).toEqual(['elsewhere', 'gone', 'there']);
  expect(await left('2026-05-08')).toEqual(['elsewhere', 'there']);
});

test('what lies there and is no film is none', async () => {
  await database.table('reels').put({ id: 's', studentId: 'u', name: 'a', goneOn: null, blob: null });
  expect(await films.of('s')).toBeNull();
});
