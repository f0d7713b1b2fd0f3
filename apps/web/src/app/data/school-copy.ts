import { builtInSchools, type School } from '@pomek/core';
import type { Database } from './database';
import { schoolOf } from './gathered';
import type { Write } from './store';

/** A copy of a school as a teacher’s own. */
export const copyOfSchool = (school: School, id: string): School => ({
  ...school,
  id,
  name: `${school.name}, my own`.slice(0, 80),
});

/**
 * A copy of a school, and the writes by which it takes the place of that school: with everybody who is or was taught in it,
 * and with the routines of it.
 * @param of the id of the school that is copied
 * @param id that of the copy
 */
export async function copyInPlaceOf(
  database: Database,
  of: string,
  id: string,
): Promise<{ readonly copy: School; readonly followers: readonly Write[] }> {
  const follow = <T extends { readonly schoolId: string }>(stored: T): T =>
    stored.schoolId === of ? { ...stored, schoolId: id } : stored;
  const has = ({ schoolId }: { readonly schoolId: string }): boolean => schoolId === of;
  const [stored, students, routines] = await Promise.all([
    database.of('schools').get(of),
    database.of('students').filter(has).primaryKeys(),
    database.of('routines').filter(has).primaryKeys(),
  ]);
  return {
    copy: copyOfSchool(stored ?? schoolOf(builtInSchools, of), id),
    followers: [
      ...students.map((each): Write => ({ table: 'students', id: each, change: follow })),
      ...routines.map((each): Write => ({ table: 'routines', id: each, change: follow })),
    ],
  };
}
