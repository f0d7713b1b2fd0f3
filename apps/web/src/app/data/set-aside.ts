import { Injectable, inject } from '@angular/core';
import { liveQuery } from 'dexie';
import { Observable } from 'rxjs';
import * as z from 'zod';
import { bundleKinds, dayWords, kindWords, parseNumber, pathWords, type BundleKind } from '@pomek/core';
import { Database } from './database';
import { readers } from './schemas';
import { notLookedThrough } from './stored-tables';
import { Store, type Write } from './store';

type Path = readonly (string | number)[];

/** What of a record is wrong. */
export interface WrongField {
  readonly path: Path;
  /** The path as one reads it; empty when it is the record as a whole. */
  readonly place: string;
  readonly message: string;
  /** What stands there, where it is one value that can be typed anew. */
  readonly value: string | number | null;
}
/** A record that is stored and cannot be read, so that it is left out everywhere. */
export interface AsideRecord {
  readonly table: BundleKind;
  readonly id: string;
  /** What it is, and whose or of which day. */
  readonly name: string;
  readonly wrong: readonly WrongField[];
  readonly raw: unknown;
}

/** Records that are read at once: more hold the page up. */
const PIECE = 200;
/** Problems of a record that are named. */
const NAMED = 12;

const at = (value: unknown, path: Path): unknown =>
  path.reduce<unknown>((part, step) => (part as Record<string | number, unknown> | null | undefined)?.[step], value);

/** The same with another value at a path. */
function withValue(value: unknown, [step, ...rest]: Path, next: unknown): unknown {
  if (step === undefined) return next;
  if (Array.isArray(value))
    return value.map((part: unknown, index) => (index === step ? withValue(part, rest, next) : part));
  const fields = value as Record<string, unknown>;
  return { ...fields, [step]: withValue(fields[step], rest, next) };
}

class NoNumber extends Error {}

/** A text as what stood there before: a number for a number. */
function typed(text: string, { value, place }: WrongField): string | number {
  if (typeof value === 'string') return text;
  const sign = text.trim().startsWith('-') ? -1 : 1;
  const number = parseNumber(text.trim().replace(/^-/, ''));
  if (number === null) throw new NoNumber(`${place}: “${text}” is no number`);
  return sign * number;
}

/** What a record becomes with values in its wrong fields. */
function mended({ wrong }: AsideRecord, values: ReadonlyMap<string, string>): (stored: unknown) => unknown {
  const changes = wrong.flatMap((field) => {
    const text = values.get(field.place);
    return text === undefined || field.value === null ? [] : [{ path: field.path, value: typed(text, field) }];
  });
  return (stored) => changes.reduce((whole, { path, value }) => withValue(whole, path, value), stored);
}

/** What is stored and cannot be read: found, put right field by field, or removed. */
@Injectable({ providedIn: 'root' })
export class SetAside {
  private readonly database = inject(Database);
  private readonly store = inject(Store);

  /** All of them, as they change. */
  records(): Observable<AsideRecord[]> {
    return new Observable((subscriber) => {
      const subscription = liveQuery(() => this.read()).subscribe(subscriber);
      return () => subscription.unsubscribe();
    });
  }

  /**
   * What would still be wrong with these values in a record; null where it could be read.
   * @param values the texts of the fields by their places; those left out stay
   */
  problem(record: AsideRecord, values: ReadonlyMap<string, string>): string | null {
    try {
      const { error } = readers[record.table].safeParse(mended(record, values)(record.raw));
      return error === undefined ? null : error.issues.map(({ message }) => message).join('. ');
    } catch (error) {
      return error instanceof NoNumber ? error.message : String(error);
    }
  }

  /** Puts values into fields of a record; see {@link problem}. */
  async mend(record: AsideRecord, values: ReadonlyMap<string, string>): Promise<void> {
    const write = { table: record.table, id: record.id, change: mended(record, values) } as Write;
    await this.store.write(`Put right: ${record.name}`, [write]);
  }

  async remove({ table, id, name }: AsideRecord): Promise<void> {
    await this.store.write(`Remove: ${name}`, [{ table, remove: id } as Write]);
  }

  private async read(): Promise<AsideRecord[]> {
    const aside: AsideRecord[] = [];
    for (const table of bundleKinds) {
      if (notLookedThrough.has(table)) continue;
      const ids = await this.database.of(table).toCollection().primaryKeys();
      for (let from = 0; from < ids.length; from += PIECE) {
        const stored: unknown[] = await this.database.of(table).bulkGet(ids.slice(from, from + PIECE));
        for (const [index, raw] of stored.entries()) {
          const wrong = raw === undefined ? [] : wrongIn(table, raw);
          if (wrong.length > 0)
            aside.push({ table, id: ids[from + index]!, name: await this.nameOf(table, raw), wrong, raw });
        }
      }
    }
    return aside;
  }

  /** What a record is called, as far as it can be told. */
  private async nameOf(table: BundleKind, raw: unknown): Promise<string> {
    const { name, studentId, day } = raw as Readonly<Record<string, unknown>>;
    const what = kindWords[table];
    if (typeof name === 'string' && name !== '') return `${what} “${name}”`;
    const student: unknown = typeof studentId === 'string' ? await this.database.of('students').get(studentId) : null;
    const who = (student as { name?: unknown } | null | undefined)?.name;
    const whose = typeof who === 'string' ? ` of ${who}` : '';
    const when = z.iso.date().safeParse(day).data;
    return `${what}${whose}${when === undefined ? '' : `, ${dayWords(when)}`}`;
  }
}

function wrongIn(table: BundleKind, raw: unknown): WrongField[] {
  const issues = readers[table].safeParse(raw).error?.issues ?? [];
  return issues.slice(0, NAMED).map(({ path, message }) => {
    const steps = path.filter((step) => typeof step !== 'symbol');
    const value = at(raw, steps);
    const single = typeof value === 'string' || typeof value === 'number' ? value : null;
    return { path: steps, place: pathWords(steps), message, value: steps.length === 0 ? null : single };
  });
}
