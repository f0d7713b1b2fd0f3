import ICAL from 'ical.js';
import type { Plan } from '../goals/plan';
import type { PersonRecord } from '../person/personRecord';
import { lastDayOf, plannedDays } from '../plan/plannedDays';
import { cleanLine, cleanNote } from '../text/cleanText';

// Counted without the space that begins a folded line, so that no line has more than 75 octets (RFC 5545, 3.1).
ICAL.foldLength = 74;

export interface CalendarRequest {
  readonly plan: Plan;
  readonly person: PersonRecord;
  /** From today on. */
  readonly weeks: number;
  /** Local time of day at which practice begins, HH:MM. */
  readonly startTime: string;
  readonly now: Date;
}

export interface GivenCalendar {
  readonly text: string;
  /** What is remembered with the plan, so that the next one replaces this. */
  readonly given: NonNullable<Plan['calendar']>;
}

/** An event is at least so long, s. */
const SHORTEST = 60;

/**
 * The practice days of a plan as an iCalendar text (RFC 5545), one event a day in floating local
 * time, each with the doses that the plan has for that day and the length of the routine. Holidays have none; what is
 * locked or not opened yet is left out, and the event says so. It replaces the calendar that was given out before: a day keeps
 * its identity with a higher sequence, and a day to come that is none any more is cancelled.
 * @throws RangeError when the student has no practice days, the routine is gone, or `weeks` is not 1–156.
 */
export function planCalendar({ plan, person, weeks, startTime, now }: CalendarRequest): GivenCalendar {
  const { student, today, routines } = person;
  const routine = routines.find(({ id }) => id === plan.routineId);
  const practised = plannedDays(plan, person, weeks);
  const calendar = new ICAL.Component('vcalendar');
  calendar.updatePropertyWithValue('version', '2.0');
  calendar.updatePropertyWithValue('prodid', '-//Pomek//Practice calendar 1//EN');
  calendar.updatePropertyWithValue('method', 'PUBLISH');
  const sequence = plan.calendar === null ? 0 : plan.calendar.sequence + 1;
  const summary = cleanLine(`${routine?.name ?? ''} – ${student.name}`);
  const eventOn = (day: string, seconds: number): ICAL.Component => {
    // In the time of whatever zone it is read in: no clock is changed within an event.
    const start = ICAL.Time.fromString(`${day}T${startTime}:00`, undefined);
    const end = start.clone();
    end.adjust(0, 0, 0, seconds);
    const event = new ICAL.Component('vevent');
    event.updatePropertyWithValue('uid', `${cleanLine(plan.id)}-${day}@pomek`);
    event.updatePropertyWithValue('sequence', sequence);
    event.updatePropertyWithValue('dtstamp', ICAL.Time.fromJSDate(now, true));
    event.updatePropertyWithValue('dtstart', start);
    event.updatePropertyWithValue('dtend', end);
    event.updatePropertyWithValue('summary', summary);
    calendar.addSubcomponent(event);
    return event;
  };
  for (const { day, seconds, lighter, goals } of practised) {
    const lines = goals.map(({ name, words }) => cleanLine(`${name}: ${words}`));
    const description = cleanNote([...(lighter ? ['A lighter week.'] : []), ...lines].join('\n'));
    eventOn(day, Math.max(SHORTEST, Math.round(seconds))).updatePropertyWithValue('description', description);
  }
  // What lies behind is over; what was given out beyond these weeks stays as it was.
  const until = lastDayOf(today, weeks);
  const known = new Set(practised.map(({ day }) => day));
  const before = plan.calendar?.days ?? [];
  for (const day of before.filter((entry) => entry >= today && entry <= until && !known.has(entry))) {
    eventOn(day, SHORTEST).updatePropertyWithValue('status', 'CANCELLED');
  }
  const later = before.filter((entry) => entry > until);
  return { text: `${calendar.toString()}\r\n`, given: { sequence, days: [...known, ...later] } };
}
