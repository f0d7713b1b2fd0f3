import { MOST_WEEKS } from '../plan/seasonOfPlan';
import { addDays, addSeconds, formatISO, parseISO } from 'date-fns';
import ICAL from 'ical.js';
import { withDoses } from '../plan/dosedRoutine';
import type { Strand } from '../plan/plan';
import type { PlanContext } from '../plan/planContext';
import { isLighterWeek, weekOf } from '../plan/planDay';
import { planForecast } from '../plan/planForecast';
import { lockedStrands } from '../plan/stopReasons';
import { timeline } from '../routine/timeline';
import type { Student } from '../students/student';
import { cleanLine, cleanNote } from '../text/cleanText';
import { axisWords } from '../axis/axisWords';

// Counted without the space that begins a folded line, so that no line has more than 75 octets (RFC 5545, 3.1).
ICAL.foldLength = 74;

export interface CalendarRequest extends PlanContext {
  readonly student: Student;
  /** From today on. */
  readonly weeks: number;
  /** Local time of day at which practice begins, HH:MM. */
  readonly startTime: string;
  readonly now: Date;
}

/**
 * The practice days of a plan as an iCalendar text (RFC 5545), one event a day in floating local
 * time, each with the doses that the plan has for that day and the length of the routine. Holidays have none; what is
 * locked or not opened yet is left out, and the event says so.
 * @throws RangeError when the student has no practice days, the routine is gone, or `weeks` is not 1–156.
 */
export function planCalendar(request: CalendarRequest): string {
  const { student, plan, routine, today, weeks, startTime, now } = request;
  if (student.practiceDays.length === 0) throw new RangeError('practiceDays: the student has no practice days yet');
  if (routine === undefined) throw new RangeError('routine: the routine of the plan is gone');
  if (!(weeks >= 1 && weeks <= MOST_WEEKS)) throw new RangeError(`weeks must be between 1 and ${MOST_WEEKS}`);
  const until = formatISO(addDays(parseISO(today), weeks * 7 - 1), { representation: 'date' });
  const forecast = planForecast({ ...request, practiceDays: student.practiceDays }, until);
  const locked = new Set(lockedStrands(plan, request.logs, request.rule, request.exercises).map(({ id }) => id));
  const doses = new Map(
    forecast.strands.map(({ strandId, days }) => [strandId, new Map(days.map(({ day, dose }) => [day, dose]))]),
  );
  const calendar = new ICAL.Component('vcalendar');
  calendar.updatePropertyWithValue('version', '2.0');
  calendar.updatePropertyWithValue('prodid', '-//Pomek//Practice calendar 1//EN');
  for (const day of forecast.practiceDays.filter((entry) => entry <= until)) {
    const dose = (strand: Strand): number | undefined => doses.get(strand.id)?.get(day);
    const open = new Set(plan.strands.filter((strand) => dose(strand) !== undefined).map(({ segmentId }) => segmentId));
    const out = new Set(plan.strands.map(({ segmentId }) => segmentId).filter((id) => !open.has(id)));
    const dosed = withDoses(routine, plan, (strand) => dose(strand) ?? strand.start, out);
    const start = parseISO(`${day}T${startTime}:00`);
    const end = addSeconds(start, Math.max(60, Math.round(timeline(dosed).totalMs / 1000)));
    const event = new ICAL.Component('vevent');
    event.updatePropertyWithValue('uid', `${cleanLine(plan.id)}-${day}@pomek`);
    event.updatePropertyWithValue('dtstamp', ICAL.Time.fromJSDate(now, true));
    event.updatePropertyWithValue('dtstart', ICAL.Time.fromJSDate(start, false));
    event.updatePropertyWithValue('dtend', ICAL.Time.fromJSDate(end, false));
    event.updatePropertyWithValue('summary', cleanLine(`${routine.name} – ${student.name}`));
    const lines = plan.strands.map((strand) => {
      const asked = dose(strand);
      const left = locked.has(strand.id) ? 'left out until it is cleared' : 'not opened yet';
      return cleanLine(`${strand.exerciseName}: ${asked === undefined ? left : axisWords(asked, strand.axis)}`);
    });
    const lighter = isLighterWeek(plan, weekOf(plan, day)) ? ['A lighter week.'] : [];
    event.updatePropertyWithValue('description', cleanNote([...lighter, ...lines].join('\n')));
    calendar.addSubcomponent(event);
  }
  return `${calendar.toString()}\r\n`;
}
