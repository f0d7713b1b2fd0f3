import { dayNumber, dayOfNumber, weekdayOf } from '../days/dayNumber';
import type { Plan } from '../goals/plan';
import type { Student } from '../students/student';
import type { TaughtClass } from './taughtClass';

/** A day with those who practise on it and the classes that meet, by id: people in their order, classes as they begin. */
export interface DayAhead {
  readonly day: string;
  readonly practising: readonly string[];
  readonly classes: readonly string[];
}

/**
 * Who practises on which of the next days, and which classes meet. Whoever has plans does not practise on a day that is a holiday in all of
 * them; whoever has none does on every day of practice.
 * @param today YYYY-MM-DD, the first of the days
 * @param days how many, 1–31
 * @throws RangeError when `days` is not 1–31
 */
export function weekAhead(
  {
    students,
    plans,
    classes,
  }: {
    readonly students: readonly Pick<Student, 'id' | 'practiceDays'>[];
    readonly plans: readonly Pick<Plan, 'studentId' | 'holidays'>[];
    readonly classes: readonly Pick<TaughtClass, 'id' | 'weekday' | 'startsAt'>[];
  },
  today: string,
  days = 7,
): DayAhead[] {
  if (!(Number.isInteger(days) && days >= 1 && days <= 31)) throw new RangeError('days must be between 1 and 31');
  const first = dayNumber(today);
  return Array.from({ length: days }, (_, at): DayAhead => {
    const [day, weekday] = [dayOfNumber(first + at), weekdayOf(first + at)];
    const away = ({ holidays }: Pick<Plan, 'holidays'>): boolean =>
      holidays.some(({ from, to }) => from <= day && day <= to);
    return {
      day,
      practising: students
        .filter(({ practiceDays }) => practiceDays.includes(weekday))
        .filter(({ id }) => {
          const own = plans.filter(({ studentId }) => studentId === id);
          return own.length === 0 || !own.every(away);
        })
        .map(({ id }) => id),
      classes: classes
        .filter((one) => one.weekday === weekday)
        .toSorted((a, b) => a.startsAt.localeCompare(b.startsAt))
        .map(({ id }) => id),
    };
  });
}
