import { conditionsMarkdown, conditionSheet, type ConditionSheet } from '../care/conditionTable';
import { builtInExercises } from '../library/builtInExercises';
import { softSchool } from '../schools/builtInSchools';
import { conditions, type Condition } from '../screening/conditions';
import type { School } from '../schools/school';
import { standardPerson } from './personRecord';

/** No age and no test act on the standard body, so any day will do. */
const ANY_DAY = '2026-01-05';

/** What a condition does to the built-in exercises in a school, on the standard body. */
export const builtInCondition = (condition: Condition, school: School): ConditionSheet =>
  conditionSheet(condition, builtInExercises, school, standardPerson(ANY_DAY));

/** docs/conditions.md: the same table as on the Sources page, for the first school. */
export const conditionsDocument = (): string =>
  conditionsMarkdown(
    conditions.map((condition) => builtInCondition(condition, softSchool)),
    softSchool.name,
  );
