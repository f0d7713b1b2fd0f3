import equal from 'fast-deep-equal';
import { builtInExercises } from '../library/builtInExercises';
import { builtInSchools } from '../schools/builtInSchools';
import { dayWords } from '../words/dayWords';
import { bundleKinds, type BundleContents, type BundleKind } from './bundle';
import { kindWords } from './kindWords';
import type { BeyondLimits } from './readBundle';

export interface PreviewRow {
  readonly kind: BundleKind;
  readonly id: string;
  readonly name: string;
  readonly state: 'new' | 'changed' | 'same' | 'cannot be imported';
  /** Why it cannot be kept: the field, and what it points to that is nowhere. */
  readonly because: string;
}

type Item = BundleContents[BundleKind][number];
type Known = Readonly<Record<BundleKind, ReadonlyMap<string, Item>>>;

const byId = (items: readonly Item[]): Map<string, Item> => new Map(items.map((item) => [item.id, item]));

function index(contents: BundleContents): Known {
  return Object.fromEntries(bundleKinds.map((kind) => [kind, byId(contents[kind])])) as Record<
    BundleKind,
    Map<string, Item>
  >;
}

function nameOf(item: Item, known: readonly Known[]): string {
  if ('name' in item) return item.name;
  if ('sound' in item) return `“${item.id}”, spoken`;
  if ('present' in item) {
    const of = known.map((side) => side.classes.get(item.classId)).find((found) => found !== undefined);
    return `${of !== undefined && 'name' in of ? of.name : item.classId}, ${dayWords(item.day)}`;
  }
  if ('data' in item || 'tracks' in item) {
    const still = known.map((side) => side.stills.get(item.id)).find((found) => found !== undefined);
    return `${'data' in item ? 'picture' : 'film'} of ${still !== undefined && 'name' in still ? still.name : item.id}`;
  }
  const student = known.map((side) => side.students.get(item.studentId)).find((found) => found !== undefined);
  const who = student !== undefined && 'name' in student ? student.name : item.studentId;
  return 'day' in item ? `${who}, ${dayWords(item.day)}` : `plan of ${who}`;
}

/** The references of an item: field, kind and id of what it points to. */
function references(item: Item): [field: string, kind: BundleKind, id: string][] {
  const list: [string, BundleKind, string][] = [];
  if ('schoolId' in item) list.push(['schoolId', 'schools', item.schoolId]);
  if ('studentId' in item) list.push(['studentId', 'students', item.studentId]);
  if ('segments' in item) {
    item.segments.forEach((segment, at) => {
      if (segment.type === 'exercise') list.push([`segments[${at}].exerciseId`, 'exercises', segment.exerciseId]);
    });
  }
  if ('strands' in item) list.push(['routineId', 'routines', item.routineId]);
  if ('present' in item) list.push(['classId', 'classes', item.classId]);
  if ('roster' in item && item.routineId !== null) list.push(['routineId', 'routines', item.routineId]);
  if ('roster' in item && item.chainId !== null) list.push(['chainId', 'chains', item.chainId]);
  if ('tracks' in item) list.push(['id', 'stills', item.id]);
  if ('strandId' in item) list.push(['planId', 'plans', item.planId]);
  return list;
}

/**
 * What an import would do, item by item, without doing it: new, changed, the same as here, or not to
 * be kept because it points to something that is neither here nor in the file.
 * @param present everything there is now
 * @param incoming the contents of the file
 * @param beyond what else is in it, beyond the limits
 */
export function importPreview(
  present: BundleContents,
  incoming: BundleContents,
  beyond: readonly BeyondLimits[] = [],
): PreviewRow[] {
  const here = index(present);
  const there = index(incoming);
  const builtIn = new Set([...builtInExercises, ...builtInSchools].map((item) => item.id));
  const bad = new Set<string>();
  const exists = (kind: BundleKind, id: string): boolean =>
    builtIn.has(id) || here[kind].has(id) || (there[kind].has(id) && !bad.has(`${kind} ${id}`));
  const left = beyond.map(({ kind, record, because }): PreviewRow => {
    // Its values are of the right kind, only too much.
    const name = nameOf(record as unknown as Item, [there, here]).slice(0, 120);
    return { kind, id: record.id, name, state: 'cannot be imported', because };
  });
  const rows = bundleKinds.flatMap((kind) =>
    incoming[kind].map((item): PreviewRow => {
      const row = { kind, id: item.id, name: nameOf(item, [there, here]) };
      const lost = references(item).find(([, target, id]) => !exists(target, id));
      if (lost !== undefined) {
        bad.add(`${kind} ${item.id}`);
        const [field, target, id] = lost;
        return {
          ...row,
          state: 'cannot be imported',
          because: `${field}: ${kindWords[target]} “${id}” is neither here nor in the file`,
        };
      }
      const old = here[kind].get(item.id);
      const state = old === undefined ? 'new' : equal(old, item) ? 'same' : 'changed';
      return { ...row, state, because: '' };
    }),
  );
  return [...left, ...rows];
}
