import * as z from 'zod';
import { WeekdaySchema } from '../days/daySchema';
import { lineText, nameText, noteText } from '../text/textSchema';
import { ChainSchema } from '../chain/chain';

const id = z.string().min(1).max(80);

/** How far a class has come in its chain; classes go through the same chain each at its own pace. */
export const ChainProgressSchema = ChainSchema.pick({
  nextLesson: true,
  taught: true,
  lastHalf: true,
  joinedLast: true,
});
export type ChainProgress = z.infer<typeof ChainProgressSchema>;

/** A class that meets each week: when and where, who belongs to it, and what it practises. */
export const TaughtClassSchema = z.object({
  id,
  name: nameText(80, 'a class needs a name'),
  note: noteText(2000),
  weekday: WeekdaySchema,
  /** HH:MM, local. */
  startsAt: z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time of day, as 18:30'),
  minutes: z.number().int().min(5).max(300),
  place: lineText(80),
  /** Ids of students; one who is gone is passed over. */
  roster: z.array(id).max(80),
  /** What is practised; before a lesson it is the warm-up. Null where there is none. */
  routineId: id.nullable(),
  /** The chain whose lessons are taught; null where none is. */
  chainId: id.nullable(),
  /** Where this class is in the chain; null while it is where the chain itself says. */
  progress: ChainProgressSchema.nullable(),
  /** The dose that is conducted: as the routine has it, or no more than the least that anybody here has. */
  doses: z.enum(['routine', 'everybody']),
});
export type TaughtClass = z.infer<typeof TaughtClassSchema>;

/** An hour on a weekday, as most classes are. */
export const newClass = (id: string, name: string, weekday: number): TaughtClass => ({
  id,
  name,
  note: '',
  weekday,
  startsAt: '18:30',
  minutes: 60,
  place: '',
  roster: [],
  routineId: null,
  chainId: null,
  progress: null,
  doses: 'routine',
});
