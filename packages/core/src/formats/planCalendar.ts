import { addDays, addSeconds, formatISO, getISODay, parseISO } from 'date-fns';
import ICAL from 'ical.js';
import { dosedRoutine } from '../plan/dosedRoutine';
import type { Plan } from '../plan/plan';
import { doseInWeek, isLighterWeek, weekOf } from '../plan/planDay';
import { planForecast, type StrandForecast } from '../plan/planForecast';
import type { Routine } from '../routine/routine';
import { timeline } from '../routine/timeline';
import type { Student } from '../students/student';
import { cleanLine, cleanNote } from '../text/cleanText';
import { axisWords } from '../words/axisWords';

// Counted without the space that begins a folded line, so that no line has more than 75 octets (RFC 5545, 3.1).
ICAL.foldLength = 74;

export interface CalendarRequest {
  readonly student: Student;
  readonly plan: Plan;
  readonly routine: Routine;
  /** Strands stopped until they are cleared: their exercises are left out, and the event says so. */
  readonly locked: ReadonlySet<string>;
  /** First day, YYYY-MM-DD. */
  readonly from: string;
  readonly weeks: number;
  /** Local time of day at which practice begins, HH:MM. */
  readonly startTime: string;
  readonly now: Date;
}

/** The plan with its strands at the levels a later day will ask for when all goes as planned. */
function planOnDay(plan: Plan, forecasts: readonly StrandForecast[], day: string): Plan {
  const strands = plan.strands.map((strand) => {
    const weeks = forecasts.find((forecast) => forecast.strandId === strand.id)?.weeks ?? [];
    const week = weeks.findLast((entry) => entry.day <= day) ?? weeks[0];
    return week === undefined ? strand : { ...strand, level: week.level };
  });
  return { ...plan, strands };
}

function describe(plan: Plan, week: number, locked: ReadonlySet<string>): string {
  const doses = plan.strands.map((strand) => {
    const dose = locked.has(strand.id)
      ? 'left out until it is cleared'
      : axisWords(doseInWeek(plan, strand, week), strand.axis);
    return cleanLine(`${strand.exerciseName}: ${dose}`);
  });
  return [isLighterWeek(plan, week) ? 'A lighter week.' : '', ...doses].filter((line) => line !== '').join('\n');
}

/**
 * The practice days of a plan as an iCalendar text (RFC 5545), one event a day in floating local
 * time, each with that week's doses and the length of the routine.
 * @throws RangeError when the student has no practice days or `weeks` is not 1–156.
 */
export function planCalendar(request: CalendarRequest): string {
  const { student, plan, routine, locked, from, weeks, startTime, now } = request;
  if (student.practiceDays.length === 0) throw new RangeError('practiceDays: the student has no practice days yet');
  if (!(weeks >= 1 && weeks <= 156)) throw new RangeError('weeks must be between 1 and 156');
  const sessionsPerWeek = student.practiceDays.length;
  const forecasts = planForecast(plan, { routine, sessionsPerWeek, locked, today: from });
  const stopped = new Set(plan.strands.filter((strand) => locked.has(strand.id)).map((strand) => strand.segmentId));
  const open = { ...routine, segments: routine.segments.filter((segment) => !stopped.has(segment.id)) };
  const calendar = new ICAL.Component('vcalendar');
  calendar.updatePropertyWithValue('version', '2.0');
  calendar.updatePropertyWithValue('prodid', '-//Pomek//Practice calendar 1//EN');
  for (let offset = 0; offset < weeks * 7; offset += 1) {
    const day = formatISO(addDays(parseISO(from), offset), { representation: 'date' });
    if (!student.practiceDays.includes(getISODay(parseISO(day)))) continue;
    const planned = planOnDay(plan, forecasts, day);
    const dosed = dosedRoutine(open, planned, day);
    const start = parseISO(`${day}T${startTime}:00`);
    const end = addSeconds(start, Math.max(60, Math.round(timeline(dosed).totalMs / 1000)));
    const event = new ICAL.Component('vevent');
    event.updatePropertyWithValue('uid', `${cleanLine(plan.id)}-${day}@pomek`);
    event.updatePropertyWithValue('dtstamp', ICAL.Time.fromJSDate(now, true));
    event.updatePropertyWithValue('dtstart', ICAL.Time.fromJSDate(start, false));
    event.updatePropertyWithValue('dtend', ICAL.Time.fromJSDate(end, false));
    event.updatePropertyWithValue('summary', cleanLine(`${routine.name} – ${student.name}`));
    const week = weekOf(plan, day);
    event.updatePropertyWithValue('description', cleanNote(describe(planned, week, locked)));
    calendar.addSubcomponent(event);
  }
  return `${calendar.toString()}\r\n`;
}
