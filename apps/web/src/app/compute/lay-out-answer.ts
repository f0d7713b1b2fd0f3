import { exchanged, layAsk, layCandidates, layOut, type LayNames, type Proposal } from '@pomek/core';
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
    const ask = layAsk({ seconds, wishes, alike, school, shelf, today }, people);
    let count = 0;
    const names: LayNames = { name: asked.name, newId: () => `${asked.newId}-${(count += 1)}` };
    const answer = (proposals: readonly Proposal[]): ResultOf<'lay-out'> => ({
      proposals: proposals.map(told),
      shelf: shelf.size,
      locked: shelf.size - ask.shelf.size,
    });
    if (prepare) {
      layCandidates(ask);
      return answer([]);
    }
    if (exchange === null) return answer(layOut(ask, names));
    const { routine, segmentId, tried } = exchange;
    const other = exchanged(routine, segmentId, new Set(tried), ask, names);
    return answer(other === null ? [] : [other]);
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
