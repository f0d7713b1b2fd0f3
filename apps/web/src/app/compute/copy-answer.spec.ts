import { readBundle } from '@pomek/core';
import { aStudent, freshSpace, someContents } from '../../../testing/records';
import type { Folder } from '../data/copy-folder-schema';
import { copyInto } from './copy-answer';

/** A folder of text files; a file takes the place of the one before when it is closed. */
function someFolder(files: Record<string, string>, garbled = false) {
  const handle = (name: string) => ({
    kind: 'file',
    name,
    createWritable: () => {
      let text = '';
      return Promise.resolve({
        write: (more: string) => Promise.resolve((text += more)),
        close: () => Promise.resolve((files[name] = garbled ? text.slice(0, -20) : text)),
      });
    },
    getFile: () => Promise.resolve({ size: files[name]!.length, text: () => Promise.resolve(files[name]!) }),
  });
  const folder = {
    kind: 'directory',
    name: 'Copies',
    getFileHandle: (name: string) => Promise.resolve(handle(name)),
    removeEntry: (name: string) => Promise.resolve(Reflect.deleteProperty(files, name)),
    // eslint-disable-next-line @typescript-eslint/require-await
    values: async function* () {
      yield* Object.keys(files).map(handle);
      yield { kind: 'directory', name: 'pomek-copy-2020-01-01-abcd.json' };
    },
  };
  return folder as unknown as Folder;
}

async function stored(contents = someContents()) {
  const database = freshSpace();
  for (const [kind, records] of Object.entries(contents)) await database.table(kind).bulkPut(records);
  return database;
}
const asked = { mark: 'abcd', now: '2026-12-02T09:30:00.000Z', today: '2026-12-02' };
const NAME = 'pomek-copy-2026-12-02-abcd.json';

test('everything is written, can be read as a file of ours, and is told; what the series needs no more goes', async () => {
  const database = await stored();
  const files: Record<string, string> = {
    'pomek-copy-2026-11-01-abcd.json': 'the week is over, and November has a later one',
    'pomek-copy-2026-11-30-abcd.json': 'within the week',
    'pomek-copy-2026-11-01-wxyz.json': 'of another browser',
    'notes.txt': 'of somebody else',
  };
  const told = await copyInto({ ...asked, database: database.name, folder: someFolder(files) });
  const read = readBundle(files[NAME]!);
  const contents = someContents();
  expect(read.ok && read.bundle.contents.students).toEqual(contents.students);
  const records = Object.values(contents).reduce((sum, list) => sum + list.length, 0);
  expect(told).toEqual({
    day: asked.today,
    at: asked.now,
    records,
    bytes: files[NAME]!.length,
    leftOut: 0,
    unreadable: 0,
  });
  expect(Object.keys(files).toSorted()).toEqual([
    'notes.txt',
    'pomek-copy-2026-11-01-wxyz.json',
    'pomek-copy-2026-11-30-abcd.json',
    NAME,
  ]);
});

test('a record that cannot be read is told, and does not keep the others from their copy', async () => {
  const database = await stored();
  await database.table('students').put({ ...aStudent({ id: 'broken' }), name: 7 });
  const files: Record<string, string> = {};
  const told = await copyInto({ ...asked, database: database.name, folder: someFolder(files) });
  expect(told?.unreadable).toBe(1);
  expect(readBundle(files[NAME]!).ok).toBe(true);
});

test('nothing takes the place of a copy where there is nothing', async () => {
  const database = freshSpace();
  const files = { [NAME]: 'the copy of this morning' };
  expect(await copyInto({ ...asked, database: database.name, folder: someFolder(files) })).toBeNull();
  expect(files).toEqual({ [NAME]: 'the copy of this morning' });
});

test('a copy that does not read as what is here is said, and no older one is removed for it', async () => {
  const database = await stored();
  const files: Record<string, string> = { 'pomek-copy-2026-11-01-abcd.json': 'older' };
  const copying = copyInto({ ...asked, database: database.name, folder: someFolder(files, true) });
  await expect(copying).rejects.toThrow('reads otherwise than what is here');
  expect(Object.keys(files)).toContain('pomek-copy-2026-11-01-abcd.json');
});

test('what the browser says of the folder is said in words', async () => {
  const database = await stored();
  const gone = (name: string) => ({
    ...someFolder({}),
    getFileHandle: () => Promise.reject(Object.assign(new Error('cryptic'), { name })),
  });
  const copying = (name: string) => copyInto({ ...asked, database: database.name, folder: gone(name) });
  await expect(copying('NotFoundError')).rejects.toThrow('The folder is not there any more.');
  await expect(copying('QuotaExceededError')).rejects.toThrow('There is no room left there.');
  await expect(copying('NotAllowedError')).rejects.toThrow('The browser does not let Pomek write there.');
  await expect(copying('StrangeError')).rejects.toThrow('cryptic');
});
