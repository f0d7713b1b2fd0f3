import * as z from 'zod';
import { DaySchema, WeekdaySchema } from '../days/daySchema';
import { nameText, noteText } from '../text/textSchema';
import { conditions } from '../screening/conditions';
import type { NamedCondition } from '../screening/namedConditions';
import { OwnLimitsSchema } from '../screening/ownLimits';

const lengthCm = z.number().min(10).max(80).nullable().default(null);

export const StudentSchema = z.object({
  id: z.string().min(1).max(80),
  name: nameText(80, 'a student needs a name'),
  birthYear: z.number().int().min(1900).max(2100).nullable(),
  /** The weekdays on which he or she can practise. */
  practiceDays: z.array(WeekdaySchema).max(7),
  cautions: z.array(nameText(200, 'a caution is empty')).max(20),
  schoolId: z.string().min(1).max(80),
  note: noteText(2000),
  /** Height without shoes and weight; null = as the standard body. */
  statureCm: z.number().min(80).max(250).nullable().default(null),
  massKg: z.number().min(20).max(300).nullable().default(null),
  /** Measured lengths replace their share of the stature. */
  shankCm: lengthCm,
  thighCm: lengthCm,
  footCm: lengthCm,
  habit: z.enum(['seldom active', 'active', 'trained']).default('active'),
  /** What the capacity is multiplied with since efforts were felt otherwise than reckoned. */
  capacityFactor: z.number().min(0.5).max(2).default(1),
  conditions: z.array(z.enum(conditions)).max(20).default([]),
  /** The side that has it, of those that a side can have. */
  conditionSides: z.partialRecord(z.enum(conditions), z.enum(['left', 'right'])).default({}),
  /** Limits that are on no list. */
  ownLimits: z.array(OwnLimitsSchema).max(8).default([]),
  /** Since when he or she does not come any more and stands in no list; null while taught. */
  archivedOn: DaySchema.nullable().default(null),
  /** The sheet that was last given home: which, when, and as far as it tells; null where none was. */
  sheet: z
    .object({ id: z.string().min(1).max(80), madeOn: DaySchema, until: DaySchema })
    .nullable()
    .default(null),
});
export type Student = z.infer<typeof StudentSchema>;

/** A student of whom a condition is noted, with its side where one is named; what was noted stays. */
export const withCondition = (
  student: Student,
  { condition, side }: Pick<NamedCondition, 'condition' | 'side'>,
): Student => ({
  ...student,
  conditions: student.conditions.includes(condition) ? student.conditions : [...student.conditions, condition],
  conditionSides: side === null ? student.conditionSides : { ...student.conditionSides, [condition]: side },
});
