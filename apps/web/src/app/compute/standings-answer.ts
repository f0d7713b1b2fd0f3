import { formatISO } from 'date-fns';
import { builtInExercises, byName, personRecord, standingOf } from '@pomek/core';
import { gatherer } from '../data/gathered';
import { KeptStandings, marksOf, type WorkedOut } from '../data/kept-standings';
import { Reading, withBuiltInExercises, withBuiltInSchools } from '../data/reading';
import { StoredTables } from '../data/stored-tables';

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
    const reading = new Reading(tables, () => undefined);
    const [routines, plans, measures] = [
      await reading.all('routines'),
      await reading.all('plans'),
      await reading.all('measures'),
    ];
    const gather = gatherer({
      routines: routines.toSorted(byName),
      plans,
      measures,
      exercises: withBuiltInExercises(builtInExercises, await reading.all('exercises')),
      schools: withBuiltInSchools(await reading.all('schools')),
      telling: await reading.telling(today),
    });
    const students = new Map((await reading.all('students')).map((student) => [student.id, student]));
    let found: WorkedOut[] = [];
    const give = async (): Promise<void> => {
      part(found);
      // Where there is no room, they are worked out again the next time.
      await kept.keep(found, build).catch(() => undefined);
      found = [];
    };
    for (const studentId of studentIds) {
      const own = await reading.tellingOf(studentId, today);
      const marks = marksOf(rows, studentId);
      try {
        const student = students.get(studentId);
        if (student === undefined) throw new Error('This student is not there any more.');
        const standing = standingOf(personRecord(gather(student, own), today), dayOf);
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
