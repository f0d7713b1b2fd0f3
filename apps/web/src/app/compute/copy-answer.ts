import equal from 'fast-deep-equal';
import {
  bundleKinds,
  copiesToRemove,
  copyDay,
  copyFileName,
  emptyContents,
  readBundle,
  recordCount,
  withinSize,
  writeBundle,
  type BundleContents,
} from '@pomek/core';
import type { Copied, Folder } from '../data/copy-folder-schema';
import { Reading } from '../data/reading';
import { StoredTables } from '../data/stored-tables';

export interface CopyAsked {
  readonly database: string;
  readonly folder: Folder;
  readonly mark: string;
  /** When the copy is made (RFC 3339). */
  readonly now: string;
  /** YYYY-MM-DD */
  readonly today: string;
}

/**
 * Writes a copy of everything that is stored into a folder as the copy of today, reads it back, and removes copies that the
 * series needs no more. A copy of today that was there is replaced only once the new one is whole. Where there is nothing there is
 * no copy: it would take the place of one that has something.
 * @returns null where there is nothing to copy
 * @throws Error in words where it could not be written, or is not read back as it was written
 */
export async function copyInto({ database, folder, mark, now, today }: CopyAsked): Promise<Copied | null> {
  const { contents: all, unreadable } = await everythingIn(database);
  const { contents, left: leftOut } = withinSize(all);
  const records = recordCount(contents);
  if (records === 0) return null;
  try {
    const name = copyFileName(today, mark);
    const handle = await folder.getFileHandle(name, { create: true });
    const writing = await handle.createWritable();
    await writing.write(writeBundle(contents, new Date(now)));
    await writing.close();
    const file = await handle.getFile();
    const read = readBundle(await file.text());
    if (!read.ok || !equal(read.bundle.contents, contents))
      throw new Error(`The copy ${name} was written, but reads otherwise than what is here.`);
    await tidy(folder, mark, today);
    return { day: today, at: now, records, bytes: file.size, leftOut, unreadable };
  } catch (error) {
    throw inWords(error);
  }
}

const reasons: Readonly<Record<string, string>> = {
  NotFoundError: 'The folder is not there any more.',
  NotAllowedError: 'The browser does not let Pomek write there.',
  SecurityError: 'The browser does not let Pomek write there.',
  QuotaExceededError: 'There is no room left there.',
  NoModificationAllowedError: 'Another program holds the file of today open.',
  TypeMismatchError: 'Something else there has the name of the copy.',
};

function inWords(error: unknown): unknown {
  const words = error instanceof Error ? reasons[error.name] : undefined;
  return words === undefined ? error : new Error(words, { cause: error });
}

async function everythingIn(database: string): Promise<{ contents: BundleContents; unreadable: number }> {
  const tables = new StoredTables(database);
  let unreadable = 0;
  const reading = new Reading(tables, () => {
    unreadable += 1;
  });
  try {
    const contents = emptyContents();
    for (const kind of bundleKinds) Object.assign(contents, { [kind]: await reading.all(kind) });
    return { contents, unreadable };
  } finally {
    tables.close();
  }
}

async function tidy(folder: Folder, mark: string, today: string): Promise<void> {
  const days: string[] = [];
  for await (const { kind, name } of folder.values()) {
    const day = kind === 'file' ? copyDay(name, mark) : null;
    if (day !== null) days.push(day);
  }
  for (const day of copiesToRemove(days, today)) await folder.removeEntry(copyFileName(day, mark));
}
