import { readFileSync } from 'node:fs';
import { careFor, limitsPassed } from '../care';
import { builtInExercises } from '../library/builtInExercises';
import { backCaution, balanceCaution, breathCaution, kneeCaution, stopCaution } from '../library/cautions';
import { newSegment } from '../routine/commands';
import { builtInSchools, softSchool } from '../schools/builtInSchools';
import { conditions, namedConditions, notedCondition, type Condition } from '../screening';
import { shelf } from '../testing/samples';
import { above } from '../testing/above';
import { builtInCondition, conditionsDocument } from './conditionsDocument';
import { standardPerson } from './personRecord';

const body = standardPerson('2026-01-05');
const having = (condition: Condition) => ({ ...body, noted: [notedCondition(condition)] });
const drill = (id: string, school = softSchool) => {
  const exercise = shelf.get(id)!;
  return { exercise, school, segment: newSegment('a', exercise, school) };
};
/** Whether a condition acts on an exercise at its usual dose in any of the built-in schools. */
const acts = (condition: Condition, id: string): boolean =>
  builtInSchools.some((school) => limitsPassed(drill(id, school), having(condition)).length > 0);

test('docs/conditions.md is the table that the Sources page shows', () => {
  expect(readFileSync(above(__dirname, 'docs/conditions.md'), 'utf8')).toBe(conditionsDocument());
});

describe.each(builtInSchools.map((school) => [school.name, school] as const))(
  'conditions × exercises, %s',
  (_, school) => {
    test.each(conditions)(
      '%s: each exercise is changed and then keeps to every limit, or it is said why it stays',
      (condition) => {
        const sheet = builtInCondition(condition, school);
        expect(sheet.rows).toHaveLength(builtInExercises.length);
        expect(sheet.limits.length).toBeGreaterThan(0);
        sheet.rows.forEach(({ acts: changes, within }, at) => {
          const { id } = builtInExercises[at]!;
          const passed = limitsPassed(drill(id, school), having(condition));
          expect([id, changes.length]).toEqual([id, passed.length]);
          expect([id, within === '']).toEqual([id, passed.length > 0]);
          for (const care of careFor(drill(id, school), having(condition), builtInExercises)) {
            const exercise = shelf.get(care.segment.exerciseId)!;
            const left = limitsPassed({ exercise, school, segment: care.segment }, having(condition));
            expect(left.map(({ name }) => name)).not.toContain(care.limit.name);
          }
        });
      },
    );
  },
);

test('what is classic to leave out is left out (common practice)', () => {
  const classic: readonly (readonly [Condition, readonly string[]])[] = [
    ['high blood pressure', ['roll-down', 'standing-fold']],
    ['heart condition', ['roll-down', 'standing-fold']],
    ['raised eye pressure', ['roll-down', 'standing-fold']],
    [
      'dizziness or vertigo',
      ['roll-down', 'standing-fold', 'whole-turn-swings', 'arm-swings', 'overhead-stretch', 'joint-circles'],
    ],
    [
      'hip or knee joint replaced',
      ['hip-stretch', 'leg-swings', 'whole-turn-swings', 'shift-and-turn', 'squat-and-bounce'],
    ],
    ['poor balance', ['heel-lifts', 'whole-turn-swings', 'empty-full', 'cat-walk', 'leg-swings']],
    ['osteoporosis', ['roll-down', 'standing-fold', 'shake-out', 'whole-turn-swings', 'arm-swings', 'heel-lifts']],
    [
      'pregnancy',
      ['standing-fold', 'roll-down', 'wide-rider', 'bow-stand', 'empty-full', 'squat-and-bounce', 'belly-breathing'],
    ],
    ['knee pain', ['squat-and-bounce', 'wide-rider', 'tree-holding']],
    ['low back pain', ['standing-fold', 'roll-down', 'arm-swings']],
    ['shoulder pain', ['overhead-stretch', 'opening-arms', 'one-hand-reeling']],
    ['breathing condition', ['slowing-breath', 'four-part-breath']],
  ];
  for (const [condition, ids] of classic)
    for (const id of ids) expect([condition, id, acts(condition, id)]).toEqual([condition, id, true]);
  // Poor balance keeps its walks, beside the chair.
  const walk = careFor(drill('cat-walk'), having('poor balance'), builtInExercises);
  expect(walk).toMatchObject([{ segment: { exerciseId: 'cat-walk', turned: { handOn: true } } }]);
});

test('a caution of a built-in exercise that names a condition acts for it', () => {
  /** What is said of every exercise of its kind, whatever its dose. */
  const general = new Set([stopCaution, kneeCaution, backCaution, balanceCaution, breathCaution]);
  /** What names a place and no condition. */
  const places: Readonly<Record<string, string>> = {
    'hip-stretch knee pain': 'says what to feel for in the stretch',
    'shoulder-wheel shoulder pain': 'says how large; the arms stay under the chest',
    'tapping low back pain': 'the low back is named for pregnancy',
  };
  const named = builtInExercises.flatMap(({ id, cautions }) =>
    cautions
      .filter((caution) => !general.has(caution))
      // What is denied there is the exercise, not the condition.
      .flatMap((caution) => namedConditions([caution.replaceAll(/\b(no|not|never|without)\b/gi, '')]))
      .map(({ condition }) => ({ id, condition })),
  );
  expect(named.length).toBeGreaterThan(12);
  const silent = named
    .filter(({ id, condition }) => !acts(condition, id))
    .map(({ id, condition }) => `${id} ${condition}`);
  expect(silent.filter((pair) => !(pair in places))).toEqual([]);
});
