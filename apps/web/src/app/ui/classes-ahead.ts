import { computed, inject, type Signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { format } from 'date-fns';
import { durationWords, nextMeeting, timeline, type Meeting, type TaughtClass } from '@pomek/core';
import { classLesson } from '../data/class-lesson';
import { Clock } from '../data/clock';
import { Everybody } from '../data/everybody';
import { OwnSchool } from '../data/own-school';
import { Repository } from '../data/repository';
import { classTimes, meetingDay } from './class-words';
import { daysAgo } from './day-words';

/** A class as it meets next, in words; what is not there is empty. */
export interface ClassAhead {
  readonly of: TaughtClass;
  readonly id: string;
  readonly name: string;
  /** `today 18:30`, `Thu 26 Mar, 18:30–19:30`. */
  readonly when: string;
  readonly place: string;
  /** Who belongs to it, as far as they are still here. */
  readonly people: readonly { readonly id: string; readonly name: string }[];
  readonly what: string;
  readonly length: string;
  /** What was taught the last time, and how long ago. */
  readonly last: string;
  readonly missed: string;
  /** Who waited to be corrected. */
  readonly waiting: string;
}

/** All classes, the one that meets next first; undefined while they are not read. For the lists of Today and Classes. */
export function classesAhead(): Signal<readonly ClassAhead[] | undefined> {
  const [clock, repository, ownSchool, everybody] = [
    inject(Clock),
    inject(Repository),
    inject(OwnSchool),
    inject(Everybody),
  ];
  const classes = toSignal(repository.classes$);
  const routines = toSignal(repository.routines$, { initialValue: [] });
  const chains = toSignal(repository.chains$, { initialValue: [] });
  const students = toSignal(repository.students$, { initialValue: [] });
  const met = toSignal(repository.lastMeetings(), { initialValue: new Map<string, Meeting>() });
  return computed(() => {
    const today = clock.today();
    const time = format(clock.now(), 'HH:mm');
    const named = new Map(students().map(({ id, name }) => [id, name]));
    const namesOf = (ids: readonly string[]): string => ids.flatMap((id) => named.get(id) ?? []).join(', ');
    return classes()
      ?.map((of) => {
        const last = met().get(of.id) ?? null;
        return { of, last, day: nextMeeting(of, today, time, last?.day === today) };
      })
      .toSorted((a, b) => a.day.localeCompare(b.day) || a.of.startsAt.localeCompare(b.of.startsAt))
      .map(({ of, last, day }): ClassAhead => {
        const plan = classLesson(of, routines(), chains(), ownSchool.school(), everybody.shelf());
        return {
          of,
          id: of.id,
          name: of.name,
          when: day === today ? `today ${of.startsAt}` : `${meetingDay(day, today)}, ${classTimes(of).slice(4)}`,
          place: of.place,
          people: of.roster.flatMap((id) => {
            const name = named.get(id);
            return name === undefined ? [] : [{ id, name }];
          }),
          what: plan === null ? 'nothing to practise yet' : plan.routine.name,
          length: plan === null ? '' : durationWords(timeline(plan.routine).totalMs / 1000),
          last: last === null ? '' : `${last.lesson?.teaches ?? last.routineName} ${daysAgo(last.day, today)}`,
          missed: namesOf(last === null ? [] : of.roster.filter((id) => !last.present.includes(id))),
          waiting: namesOf(last?.waiting ?? []),
        };
      });
  });
}
