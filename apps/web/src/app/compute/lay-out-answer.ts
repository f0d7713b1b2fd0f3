import { exchanged, laidOutFor, layAsk, prepareLaying, type LaidOut, type LayNames, type Proposal } from '@pomek/core';
import { schoolOf } from '../data/gathered';
import { StoredTables } from '../data/stored-tables';
import type { Request, ResultOf } from './protocol';
import { storedPeople } from './stored-people';

type Asked = Extract<Request, { task: 'lay-out' }>;

/** Lays out routines for people who are stored. */
export async function layOutAnswer(asked: Asked): Promise<ResultOf<'lay-out'>> {
  const { database, studentIds, today, seconds, wishes, alike, schoolId, exchange, prepare } = asked;
  const tables = new StoredTables(database);
  try {
    const stored = await storedPeople(tables, today);
    const people = [];
    for (const id of studentIds) people.push(await stored.person(id));
    const shelf = new Map(stored.exercises.map((exercise) => [exercise.id, exercise]));
    const school = schoolOf(stored.schools, schoolId);
    const wished = { seconds, wishes, alike, school, shelf, today };
    let count = 0;
    const names: LayNames = { name: asked.name, newId: () => `${asked.newId}-${(count += 1)}` };
    const answer = ({ proposals, ask, without }: LaidOut): ResultOf<'lay-out'> => ({
      proposals: proposals.map(told),
      without: without.map(({ student: { id, name } }) => ({ id, name })),
      shelf: shelf.size,
      locked: shelf.size - ask.shelf.size,
    });
    if (prepare) {
      prepareLaying(wished, people);
      return { proposals: [], without: [], shelf: shelf.size, locked: 0 };
    }
    if (exchange === null) return answer(laidOutFor(wished, people, names));
    const ask = layAsk(wished, people);
    const { routine, segmentId, tried } = exchange;
    const other = exchanged(routine, segmentId, new Set(tried), ask, names);
    return answer({ proposals: other === null ? [] : [other], ask, without: [] });
  } finally {
    tables.close();
  }
}

const told = ({ routine, why, reasons, complete }: Proposal): ResultOf<'lay-out'>['proposals'][number] => ({
  routine,
  why,
  reasons: [...reasons],
  complete,
});
