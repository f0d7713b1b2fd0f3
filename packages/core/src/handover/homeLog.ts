import * as z from 'zod';
import { DaySchema, MomentSchema } from '../days/daySchema';
import { PracticeLogSchema } from '../practice/log';

const id = z.string().min(1).max(80);

/** The practices at home, as they are given back. */
export const HomeLogSchema = z.object({
  format: z.literal('pomek home log'),
  version: z.literal(1),
  /** The sheet they were practised with. */
  sheetId: id,
  sheetMadeOn: DaySchema,
  studentId: id,
  studentName: z.string().max(80),
  givenAt: MomentSchema,
  logs: z.array(PracticeLogSchema).min(1).max(1000),
});
export type HomeLog = z.infer<typeof HomeLogSchema>;
