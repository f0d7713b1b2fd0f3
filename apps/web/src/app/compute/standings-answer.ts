import { formatISO } from 'date-fns';
import { standingOf } from '@pomek/core';
import { KeptStandings, marksOf, type WorkedOut } from '../data/kept-standings';
import { StoredTables } from '../data/stored-tables';
import { storedPeople } from './stored-people';

/** Who is asked for, where they are stored, and for which day. */
export interface StandingsAsked {
  readonly database: string;
  readonly studentIds: readonly string[];
  /** YYYY-MM-DD */
  readonly today: string;
  readonly build: string;
}

const dayOf = (moment: string): string => formatISO(new Date(moment), { representation: 'date' });

/** What was worked out is kept and sent each time so many have come. */
const TOGETHER = 6;

/**
 * Works out how students stand from what is stored, and keeps it beside the records.
 * @param part gets what was worked out, some at a time
 */
export async function workOutStandings(
  { database, studentIds, today, build }: StandingsAsked,
  part: (found: readonly WorkedOut[]) => void,
): Promise<{ count: number }> {
  const tables = new StoredTables(database);
  try {
    const kept = new KeptStandings(tables);
    // Before anything is read: what is written from here on makes what is worked out too old.
    const rows = await kept.rows();
    const people = await storedPeople(tables, today);
    let found: WorkedOut[] = [];
    const give = async (): Promise<void> => {
      part(found);
      // Where there is no room, they are worked out again the next time.
      await kept.keep(found, build).catch(() => undefined);
      found = [];
    };
    for (const studentId of studentIds) {
      const marks = marksOf(rows, studentId);
      try {
        const standing = standingOf(await people.person(studentId), dayOf);
        found.push({ studentId, marks, standing, problem: '' });
      } catch (error) {
        const problem = (error instanceof Error ? error.message : String(error)).slice(0, 1000);
        found.push({ studentId, marks, standing: null, problem });
      }
      if (found.length >= TOGETHER) await give();
    }
    if (found.length > 0) await give();
    return { count: studentIds.length };
  } finally {
    tables.close();
  }
}
